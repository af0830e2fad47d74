#include "edit/wool_edit.h"

#include "edit/erase_at.h"
#include "project/project_fields.h"

#include <algorithm>
#include <cmath>

namespace columna::edit {
namespace {

constexpr Bounds kFur = boundsOf(&WoolWish::furShown);
constexpr Bounds kReadySize = boundsOf(&ReadyCore::length);

WoolStock& stockOf(Project& project, WoolOf which) {
  return which == WoolOf::Coat ? project.wool.coat : project.wool.core;
}

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

Project markingCalled(Project project, size_t index, std::string name) {
  if (index < project.wool.markings.size()) project.wool.markings[index].name = std::move(name);
  return project;
}

Project markingOfTone(Project project, size_t index, Tone tone) {
  if (index < project.wool.markings.size()) project.wool.markings[index].tone = tone;
  return project;
}

Project markingOnBoth(Project project, size_t index, bool both) {
  if (index < project.wool.markings.size()) project.wool.markings[index].both = both;
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

std::optional<ReadyCore> readyCoreOf(const Project& project, const std::string& limb) {
  for (const ReadyCore& core : project.wool.ready)
    if (core.limb == limb) return core;
  return std::nullopt;
}

ReadyCore usualReadyCore(const Plan& plan, int limb) {
  const auto l = static_cast<size_t>(limb);
  ReadyCore core;
  core.limb = plan.figure->limbs[l].id;
  double thinnest = kReadySize.most;
  for (const Girth& g : plan.wool->limbs[l].girths) thinnest = std::min({thinnest, g.across, g.deep});
  const double fits = thinnest - 2 * (plan.wool->coatThickness + plan.woolRules.readyCover);
  core.length = core.across = core.deep = std::clamp(std::floor(fits), kReadySize.least, kReadySize.most);
  return core;
}

Result<Project> readyCore(Project project, const std::string& limb, const std::optional<ReadyCore>& core) {
  if (core &&
      !(kReadySize.hold(core->length) && kReadySize.hold(core->across) && kReadySize.hold(core->deep)))
    return Problem{say("a ready core of that size is not set in"),
                   {},
                   say("give {} to {}", Length(kReadySize.least, 0).figure(), Length(kReadySize.most, 0))};
  constexpr Bounds weight = boundsOf(&ReadyCore::grams);
  if (core && !weight.hold(core->grams))
    return Problem{say("no ready core weighs that"), {}, say("give nothing up to {}", Mass(weight.most))};
  if (core && !boundsOf(&ReadyCore::at).hold(core->at))
    return Problem{say("a ready core lies within its part"), {}, say("give a place along it")};
  std::vector<ReadyCore>& ready = project.wool.ready;
  std::erase_if(ready, [&](const ReadyCore& other) { return other.limb == limb; });
  if (core) ready.push_back(*core);
  return project;
}

Result<Project> ballFelted(Project project, const std::optional<TestBall>& ball) {
  if (ball) {
    constexpr Bounds across = boundsOf(&TestBall::diameter);
    bool measurable = across.hold(ball->diameter);
    for (const double mm : ball->measured) measurable = measurable && across.hold(mm);
    if (!measurable)
      return Problem{say("a ball of {} is not for measuring felt by", Length(ball->diameter, 1)),
                     {},
                     say("make one of {} to {}", Length(20, 0).figure(), Length(60, 0))};
    if (!boundsOf(&TestBall::grams).hold(ball->grams))
      return Problem{say("no ball of felt weighs that"), {}, say("give what the scale shows")};
  }
  project.wool.ball = ball;
  return project;
}

Project grippedBy(Project project, WireGrip grip) {
  project.wool.grip = grip;
  return project;
}

Project woolComesAs(Project project, WoolOf which, WoolForm form) {
  WoolStock& stock = stockOf(project, which);
  stock.form = form;
  stock.linear.reset();
  return project;
}

Project woolOfTone(Project project, WoolOf which, Tone tone) {
  stockOf(project, which).tone = tone;
  return project;
}

Result<Project> woolWeighed(Project project, WoolOf which, double gramsPerMetre) {
  constexpr Bounds metre = boundsOf(&WoolStock::linear);
  if (!(gramsPerMetre > 0 && metre.hold(gramsPerMetre)))
    return Problem{say("a metre of wool weighs more than nothing and up to {}", Mass(metre.most)),
                   {},
                   say("weigh a metre of it")};
  stockOf(project, which).linear = unit::kGramPerMetre.inside(gramsPerMetre);
  return project;
}

Result<Project> stapleOf(Project project, WoolOf which, double mm) {
  constexpr Bounds staple = boundsOf(&WoolStock::staple);
  if (!staple.hold(mm))
    return Problem{say("no wool has a staple of {}", Length(mm, Quantity::kShort)),
                   {},
                   say("give {} to {}: pull a lock out and lay it along a rule",
                       Length(staple.least, 0).figure(), Length(staple.most, 0))};
  stockOf(project, which).staple = mm;
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
