#include "edit/wool_edit.h"

#include "edit/erase_at.h"
#include "project/project_fields.h"

#include <algorithm>
#include <cmath>

namespace columna::edit {
namespace {

constexpr Bounds kFur = boundsOf(&WoolWish::furShown);

Firmness firmnessOf(const Plan& plan, int limb) {
  return plan.wool->limbs[static_cast<size_t>(limb)].firmness;
}

} // namespace

Project felted(Project project, const Plan& plan, int limb, Firmness firmness) {
  if (firmnessOf(plan, limb) != firmness)
    project.change(plan.figure, limb, [&](LimbChoice& c) { c.firmness = firmness; });
  return project;
}

Project feltedStep(Project project, const Plan& plan, int limb, int step) {
  const int next = std::clamp(static_cast<int>(firmnessOf(plan, limb)) + step, 0, 2);
  return felted(std::move(project), plan, limb, static_cast<Firmness>(next));
}

std::optional<Project> softened(Project project, const Plan& plan, int limb) {
  if (firmnessOf(plan, limb) == Firmness::Soft) return std::nullopt;
  return feltedStep(std::move(project), plan, limb, -1);
}

int carriedBy(const Plan& plan, int limb) {
  const LimbKind kind = plan.figure->limbs[static_cast<size_t>(limb)].kind;
  if (kind != LimbKind::Neck && kind != LimbKind::Trunk) return limb;
  for (size_t i = plan.figure->limbs.size(); i-- > 0;)
    if (plan.figure->limbs[i].kind == LimbKind::Head) return static_cast<int>(i);
  return limb;
}

Result<Project> densityOf(Project project, const Plan& plan, int limb, std::optional<double> perCm3) {
  const WoolRules& rules = plan.woolRules;
  if (perCm3 && !(*perCm3 > 0 && *perCm3 <= kDensest))
    return Problem{say("felt of that density there is not"),
                   Name(plan.figure->limbs[static_cast<size_t>(limb)].name),
                   say("give {} to {} as a rule: weigh a felted ball and measure it",
                       Density(rules.densityLeast, Quantity::kShort).figure(),
                       Density(rules.densityMost, Quantity::kShort))};
  project.change(plan.figure, limb,
                 [&](LimbChoice& c) { c.density = perCm3 ? std::optional(*perCm3 / 1000) : std::nullopt; });
  return project;
}

Project coatWayOf(Project project, const Plan& plan, int limb, CoatWay way) {
  project.change(plan.figure, limb, [&](LimbChoice& c) { c.coatWay = way; });
  return project;
}

Result<Project> coatLaid(Project project, std::optional<double> mm) {
  constexpr Bounds coat = boundsOf(&Project::coat);
  if (mm && !coat.hold(*mm))
    return Problem{say("a coat of that thickness is no coat"),
                   {},
                   say("give 0 to {}", Length(coat.most, Quantity::kShort))};
  project.coat = mm;
  return project;
}

Project coatFinished(Project project, const Plan& plan, CoatFinish finish) {
  WoolWish& w = project.wool;
  w.finish = finish;
  if (!inRows(finish))
    w.furShown.reset();
  else if (!w.furShown)
    w.furShown = std::clamp(std::round(plan.figure->coatThickness), kShortestRow, kLongestRow);
  return project;
}

Result<Project> rowsOf(Project project, std::optional<double> mm) {
  WoolWish& w = project.wool;
  if (mm && !kFur.hold(*mm))
    return Problem{say("fur of that length is not laid"),
                   {},
                   say("give {} to {}", Length(kFur.least, Quantity::kShort).figure(),
                       Length(kFur.most, Quantity::kShort))};
  w.furShown = mm;
  if (mm && !inRows(w.finish)) w.finish = CoatFinish::Fur;
  if (!mm && inRows(w.finish)) w.finish = CoatFinish::Felted;
  return project;
}

Project coatLike(Project project, CoatFinish finish, double shown) {
  project.wool.finish = finish;
  project.wool.furShown = std::clamp(std::round(shown), kFur.least, kLongestRow);
  return project;
}

Result<Project> marked(Project project, Marking marking) {
  constexpr size_t most = fieldOf(&WoolWish::markings).entries;
  if (project.wool.markings.size() >= most)
    return Problem{say("a figure has {} markings at most", most), {}, say("remove one first")};
  project.wool.markings.push_back(std::move(marking));
  return project;
}

Project markingRemoved(Project project, size_t index) {
  eraseAt(project.wool.markings, index);
  return project;
}

std::optional<std::vector<Vec2>> drawnOutline(const std::vector<Vec2>& line, double scale, double least) {
  double area = 0;
  for (size_t k = 0; k < line.size(); ++k) {
    const Vec2& a = line[k];
    const Vec2& b = line[(k + 1) % line.size()];
    area += (a.x() * b.y() - b.x() * a.y()) / 2;
  }
  if (line.size() < 3 || std::abs(area) * scale * scale <= least) return std::nullopt;
  // A long scribble keeps every second, third … corner.
  const size_t step = 1 + line.size() / fieldOf(&Marking::outline).entries;
  std::vector<Vec2> out;
  for (size_t k = 0; k < line.size(); k += step) out.push_back(line[k]);
  return out;
}

Project readyCore(Project project, const std::string& limb, const std::optional<ReadyCore>& core) {
  std::vector<ReadyCore>& ready = project.wool.ready;
  std::erase_if(ready, [&](const ReadyCore& other) { return other.limb == limb; });
  if (core) ready.push_back(*core);
  return project;
}

Project recorded(Project project, WrapRecord record) {
  project.wool.records.push_back(std::move(record));
  return project;
}

Project recordRemoved(Project project, size_t index) {
  eraseAt(project.wool.records, index);
  return project;
}

} // namespace columna::edit
