#include "edit/pose_edit.h"

#include "judge/pose_report.h"
#include "pose/posing.h"
#include "project/project_fields.h"

#include <algorithm>

namespace columna::edit {
namespace {

constexpr int kDragSteps = 6; ///< steps of a drag towards one place of the hand

bool named(const std::vector<PatternPose>& poses, const std::string& name) {
  return std::any_of(poses.begin(), poses.end(), [&](const PatternPose& p) { return p.name == name; });
}

/// Letters, not bytes: what goes on in UTF-8 counts with what began it.
size_t letters(const std::string& utf8) {
  return static_cast<size_t>(std::count_if(
      utf8.begin(), utf8.end(), [](char c) { return (static_cast<unsigned char>(c) & 0xC0) != 0x80; }));
}

} // namespace

std::vector<std::pair<PatternPose, bool>> posesOf(const Project& project, const Plan& plan) {
  std::vector<std::pair<PatternPose, bool>> out;
  out.emplace_back(PatternPose(), false);
  for (const PatternPose& p : plan.pattern->poses)
    if (!named(project.stances.saved, p.name)) out.emplace_back(p, false);
  for (const PatternPose& p : project.stances.saved) out.emplace_back(p, true);
  return out;
}

Project stanceTaken(Project project, const Plan& plan, PatternPose pose) {
  project.stances.now = withinLimits(plan.pattern, std::move(pose));
  return project;
}

Result<Project> poseTaken(Project project, const Plan& plan, const std::string& name) {
  for (const auto& [pose, own] : posesOf(project, plan))
    if (pose.name == name) return stanceTaken(std::move(project), plan, pose);
  return Problem{say("there is no pose \"{}\"", AsIs(name)), {}, say("take one of those there are")};
}

std::string poseAfter(const Project& project, const Plan& plan, int step) {
  const auto all = posesOf(project, plan);
  const int count = static_cast<int>(all.size());
  int at = 0;
  for (int k = 0; k < count; ++k)
    if (all[static_cast<size_t>(k)].first.name == project.stances.now.name) at = k;
  return all[static_cast<size_t>(((at + step) % count + count) % count)].first.name;
}

Result<Project> poseKept(Project project, std::string name) {
  if (name.empty())
    return Problem{say("a pose needs a name, so that it can be found again"), {}, say("give it one")};
  if (letters(name) > kLongestPoseName)
    return Problem{
        say("that name is longer than a label holds"), {}, say("give it up to {} letters", kLongestPoseName)};
  Stances& s = project.stances;
  const auto found =
      std::find_if(s.saved.begin(), s.saved.end(), [&](const PatternPose& p) { return p.name == name; });
  constexpr size_t most = fieldOf(&Stances::saved).entries;
  if (found == s.saved.end() && s.saved.size() >= most)
    return Problem{say("a figure keeps {} poses at most", most), {}, say("remove one first")};
  s.now.name = std::move(name);
  if (found == s.saved.end())
    s.saved.push_back(s.now);
  else
    *found = s.now;
  return project;
}

Project poseRemoved(Project project, const std::string& name) {
  std::erase_if(project.stances.saved, [&](const PatternPose& p) { return p.name == name; });
  if (project.stances.goThrough) project.stances.goThrough->erase(name);
  return project;
}

Result<Project> supportedBy(Project project, const Support& support, std::optional<double> legError) {
  constexpr Bounds base = boundsOf(&Support::baseLength);
  if (!base.hold(support.baseLength) || !base.hold(support.baseWidth))
    return Problem{say("no base is that large"), {}, say("give it up to {}", Length(base.most).metres())};
  constexpr Bounds weight = boundsOf(&Support::baseMass);
  if (!weight.hold(support.baseMass))
    return Problem{say("no base weighs that"), {}, say("give nothing up to {}", Mass(weight.most))};
  constexpr Bounds wrong = boundsOf(&Stances::legError);
  if (legError && !wrong.hold(*legError))
    return Problem{
        say("legs do not come out that far wrong"), {}, say("give nothing up to {}", Length(wrong.most, 0))};
  project.stances.support = support;
  project.stances.legError = legError;
  return project;
}

Project bentBy(Project project, Hands hands) {
  project.stances.hands = hands;
  return project;
}

Project goingThrough(Project project, std::set<std::string> names) {
  project.stances.goThrough = std::move(names);
  return project;
}

Result<Project> goneThrough(Project project, int times) {
  constexpr Bounds range = boundsOf(&Stances::times);
  if (!range.hold(times))
    return Problem{say("no wire is bent {} times", times), {}, say("give up to {}", Number(range.most, 0))};
  project.stances.times = times;
  return project;
}

Result<Project> bentInto(Project project, const Plan& plan, std::string date) {
  constexpr size_t most = fieldOf(&Stances::made).entries;
  if (project.stances.made.size() >= most)
    return Problem{say("a figure keeps {} re-poses at most", most), {}, say("begin a new project for it")};
  rePosed(project.stances, plan, std::move(date));
  return project;
}

Project gluedAt(Project project, const Plan& plan, int point, bool glued) {
  const std::string& id = plan.skeleton->points[static_cast<size_t>(point)].id;
  if (glued)
    project.stances.glued.insert(id);
  else
    project.stances.glued.erase(id);
  return project;
}

std::optional<SidedJoint> jointOfPoint(const Plan& plan, int point) {
  const std::string& id = plan.skeleton->points[static_cast<size_t>(point)].id;
  for (const FigureBone& b : plan.figure->bones) {
    const bool begins = b.from == id;
    if (!begins && b.to != id) continue;
    const PatternBone* p = plan.pattern->bone(b.patternBone);
    if (!p) continue;
    const std::string& joint = begins ? p->from : p->to;
    const bool right = p->twin && plan.figure->limbs[static_cast<size_t>(b.limb)].side < 0 &&
                       !plan.pattern->onMidline(joint);
    return SidedJoint{joint, right};
  }
  return std::nullopt;
}

std::optional<Dragged> jointDragged(Project project, const Plan& plan, const Figure& posed,
                                    const SidedJoint& joint, const Vec3& mm, bool planted) {
  const Pattern& pattern = plan.pattern;
  const Linkage linkage(pattern);
  const double module = plan.figure->scale;
  const PatternPose& now = project.stances.now;
  // The linkage's places lie under the posed figure's by one lift.
  const FigureBone* some = nullptr;
  for (const FigureBone& b : posed.bones)
    if (b.parent < 0) some = &b;
  if (!some) return std::nullopt;
  const PatternBone* first = pattern.bone(some->patternBone);
  const double lift = some->end.z() / module - linkage.place(now, {first->to, false}).z();
  const Vec3 goal = mm / module - Vec3(0, 0, lift);
  const std::vector<std::string> chain = linkage.chainTo(joint);
  const PatternLimb* limb = chain.empty() ? nullptr : pattern.limbOf(chain.back());
  const bool body = chain.empty() || (limb && limb->kind == LimbKind::Trunk);
  PatternPose next = now;
  Dragged out;
  std::vector<std::pair<SidedJoint, Vec3>> stand;
  if (planted && body)
    for (const SidedJoint& foot : linkage.feet()) stand.emplace_back(foot, linkage.place(now, foot));
  if (chain.empty()) { // the first joint: the body is moved, and the feet stay
    const Vec3 by = goal - linkage.place(now, joint);
    for (auto& [foot, place] : stand) place -= by;
  } else {
    for (int step = 0; step < kDragSteps; ++step) {
      const Linkage::Reached r = linkage.reach(next, joint, goal);
      const double moved = (linkage.place(r.pose, joint) - linkage.place(next, joint)).norm();
      next = r.pose;
      out.limited = r.limited;
      if (r.off * module < 0.05 || moved * module < 0.02) break;
    }
  }
  out.project = stanceTaken(std::move(project), plan, linkage.planted(std::move(next), stand));
  out.limited = out.limited && (linkage.place(out.project.stances.now, joint) - goal).norm() * module > 1;
  return out;
}

} // namespace columna::edit
