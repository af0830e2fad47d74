#include "judge/pose_report.h"

#include "judge/pose_words.h"
#include "pose/posing.h"
#include "wire/allowance.h"
#include "wool/felt.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

const PatternBone* patternBone(const Plan& plan, const FigureBone& bone) {
  return plan.pattern->bone(bone.patternBone);
}

bool rightOf(const Plan& plan, const FigureBone& bone) {
  return plan.figure->limbs[static_cast<size_t>(bone.limb)].side < 0;
}

/// How far each bone's joint is turned between two poses.
std::vector<double> swings(const Plan& plan, const PatternPose& from, const PatternPose& to) {
  std::vector<double> out;
  out.reserve(plan.figure->bones.size());
  for (const FigureBone& b : plan.figure->bones) {
    const PatternBone* p = patternBone(plan, b);
    if (!p) {
      out.push_back(0);
      continue;
    }
    const Vec3 along = plan.pattern->joints.at(p->to) - plan.pattern->joints.at(p->from);
    const bool right = p->twin && rightOf(plan, b);
    out.push_back(swingOf(*p, along, turnOf(from, *p, right), turnOf(to, *p, right)));
  }
  return out;
}

class Reporting {
public:
  Reporting(const Project& project, const Plan& plan, const Catalog& catalog, const PatternPose& pose)
      : project_(project), plan_(plan), catalog_(catalog) {
    out_.pose = pose;
  }

  PoseReport run() {
    out_.figure = posedFigure(plan_, out_.pose);
    JointRules rules;
    rules.rules = catalog_.pose;
    rules.nudge = plan_.loads.nudge;
    for (size_t l = 0; l < plan_.figure->limbs.size(); ++l)
      rules.feltStiffness.push_back(feltStiffness(plan_.wool->limbs[l].density));
    rules.turned = swings(plan_, PatternPose(), out_.pose);
    const ArmatureParts parts{
        plan_.figure,  plan_.skeleton,      plan_.groups,           plan_.sections,
        plan_.carried, rules.feltStiffness, project_.stances.glued, catalog_.pose.bondedShare};
    FigureFrame armature = figureFrame(parts, out_.figure, project_.stances.support, catalog_.pose);
    const double grams = armature.weight / kGravity * 1000;
    out_.standing =
        poseStanding(out_.figure, armature.centre, grams, project_.stances.support, catalog_.pose);
    out_.wobble = wobble(out_.figure, out_.standing.contacts,
                         project_.stances.legError.value_or(catalog_.pose.legError));
    out_.sums = poseSums(parts, std::move(armature), rules);
    lives();
    for (const JointHold& j : out_.sums.joints) joint(j);
    for (const Vec6& u : out_.sums.under.moved) out_.sagMost = std::max(out_.sagMost, u.head<3>().norm());
    out_.findings = poseFindings(project_, plan_, catalog_, out_);
    for (const Finding& f : out_.findings) out_.level = std::max(out_.level, f.level);
    return std::move(out_);
  }

private:
  /// Swings between the poses gone through, and what was bent already.
  void lives() {
    const std::vector<PatternPose> poses = posesGoneThrough(project_, plan_);
    if (poses.size() < 2) {
      moves_.push_back(swings(plan_, PatternPose(), out_.pose));
    } else {
      for (size_t k = 0; k < poses.size(); ++k)
        moves_.push_back(swings(plan_, poses[k], poses[(k + 1) % poses.size()]));
    }
    for (const RePose& r : project_.stances.made) {
      if (r.swings) {
        done_.emplace_back();
        for (const FigureBone& b : plan_.figure->bones) {
          const auto by = r.swings->find(b.id);
          done_.back().push_back(by == r.swings->end() ? 0 : by->second);
        }
        continue;
      }
      const auto named = [&](const std::string& name) {
        return name.empty() ? PatternPose()
                            : poseNamed(project_.stances, plan_.pattern, name).value_or(PatternPose());
      };
      done_.push_back(swings(plan_, named(r.from), named(r.to)));
    }
  }

  /// The bone that turns at a joint of a limb: the one whose stretch begins there.
  [[nodiscard]] int boneOf(const JointHold& j) const {
    for (const WireRun& run : plan_.skeleton->limbs[static_cast<size_t>(j.limb)])
      for (size_t s = 0; s + 1 < run.points.size(); ++s)
        if (run.points[s] == j.point && run.segmentBone[s] >= 0) return run.segmentBone[s];
    return -1;
  }

  [[nodiscard]] double coverAt(int bone, double bundle) const {
    if (bone < 0) return 0;
    double least = 1e9;
    const FigureBone& b = plan_.figure->bones[static_cast<size_t>(bone)];
    for (const Station& s : b.stations)
      if (s.at <= 0.5) least = std::min({least, s.across / 2, s.deep / 2 - std::abs(s.lift)});
    return least - bundle / 2;
  }

  void joint(const JointHold& hold) {
    JointReport j;
    j.hold = hold;
    j.name = hold.name;
    const int bone = boneOf(hold);
    const MemberWire& wire = out_.sums.armature.wires[static_cast<size_t>(hold.member)];
    WireSection section = plan_.sections[static_cast<size_t>(wire.group)];
    section.wires = plan_.limbs[static_cast<size_t>(hold.limb)].wired
                        ? plan_.limbs[static_cast<size_t>(hold.limb)].section.wires
                        : 1;
    // Felt left soft lets the wire bend over a length of its own choosing; firmer felt grips it.
    if (plan_.wool->limbs[static_cast<size_t>(hold.limb)].firmness == Firmness::Soft)
      j.gap = catalog_.pose.softGap;
    if (bone >= 0) {
      std::vector<double> moves;
      for (const auto& m : moves_) {
        moves.push_back(m[static_cast<size_t>(bone)]);
        j.swing = std::max(j.swing, moves.back());
      }
      std::vector<double> done;
      for (const auto& m : done_) done.push_back(m[static_cast<size_t>(bone)]);
      // A move is half of there and back.
      const double used = minersSum(section, done, 0.5, j.gap);
      j.life = jointLife(section, j.swing, j.gap, used, catalog_.pose);
      const double times = project_.stances.times.value_or(static_cast<int>(catalog_.pose.reposesWanted));
      const double halves = moves_.size() > 1 ? 0.5 : 1;
      j.budget = j.life.used + minersSum(section, moves, halves * times, j.gap);
      j.cover = coverAt(bone, wire.bundle);
    } else {
      j.life = jointLife(section, 0, j.gap, 0, catalog_.pose);
      j.budget = j.life.used;
      j.cover = plan_.limbs[static_cast<size_t>(hold.limb)].hold.cover;
    }
    judgeJoint(j, project_, plan_, catalog_);
    out_.joints.push_back(std::move(j));
  }

  const Project& project_;
  const Plan& plan_;
  const Catalog& catalog_;
  PoseReport out_;
  std::vector<std::vector<double>> moves_, done_;
};

} // namespace

PoseReport::PoseReport() = default;
PoseReport::PoseReport(const PoseReport& other) = default;
PoseReport::PoseReport(PoseReport&& other) noexcept = default;
PoseReport& PoseReport::operator=(const PoseReport& other) = default;
PoseReport& PoseReport::operator=(PoseReport&& other) noexcept = default;
PoseReport::~PoseReport() = default;

const JointReport* PoseReport::worstOf(int limb) const {
  const JointReport* worst = nullptr;
  for (const JointReport& j : joints) {
    if (j.hold.limb != limb) continue;
    if (!worst || j.level > worst->level ||
        (j.level == worst->level &&
         std::min(j.hold.hold, j.hold.nudge) < std::min(worst->hold.hold, worst->hold.nudge)))
      worst = &j;
  }
  return worst;
}

Figure posedFigure(const Plan& plan, const PatternPose& pose) {
  return figureAtScale(posed(plan.pattern, withinLimits(plan.pattern, pose)), plan.figure->scale);
}

std::vector<PatternPose> posesGoneThrough(const Project& project, const Plan& plan) {
  std::vector<PatternPose> out;
  if (!project.stances.goThrough) return project.stances.saved;
  for (const std::string& name : *project.stances.goThrough)
    if (name.empty())
      out.emplace_back();
    else if (auto pose = poseNamed(project.stances, plan.pattern, name))
      out.push_back(std::move(*pose));
  return out;
}

void rePosed(Stances& stances, const Plan& plan, std::string date) {
  PatternPose from = stances.stands.value_or(PatternPose());
  if (!stances.stands && !stances.made.empty())
    from = poseNamed(stances, plan.pattern, stances.made.back().to).value_or(PatternPose());
  RePose made{from.name, stances.now.name, std::move(date), std::map<std::string, double>()};
  const std::vector<double> all = swings(plan, from, stances.now);
  for (size_t b = 0; b < all.size(); ++b)
    if (all[b] > 1e-6) (*made.swings)[plan.figure->bones[b].id] = all[b];
  stances.made.push_back(std::move(made));
  stances.stands = stances.now;
}

PoseReport poseReport(const Project& project, const Plan& plan, const Catalog& catalog,
                      const PatternPose& pose) {
  return Reporting(project, plan, catalog, pose).run();
}

PoseLimits poseLimits(const FigureFrame& armature) {
  PoseLimits out;
  if (armature.frame.members.empty()) return out;
  const Collapse collapse = collapseLoad(armature.frame);
  out.collapse = collapse.factor;
  for (const int m : collapse.hinges) out.hinges.push_back(armature.frame.members[static_cast<size_t>(m)].id);
  out.buckling = bucklingFactors(armature.frame, 3, 3);
  const PlasticSag yielding = plasticSag(armature.frame, 4);
  out.gaveWay = yielding.gaveWay || out.collapse < 1;
  for (const Vec6& u : yielding.solution.moved) out.sag = std::max(out.sag, u.head<3>().norm());
  return out;
}

} // namespace columna
