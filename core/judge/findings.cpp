#include "judge/planning.h"
#include "judge/wire_findings.h"
#include "judge/wool_findings.h"

#include "judge/factor_words.h"
#include "judge/standing_words.h"
#include "wire/allowance.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kCheckedSmallest = 60; ///< mm: the figures the rules were checked on
constexpr double kCheckedLargest = 400;

constexpr double kMadeOff = 0.08; ///< a made part this far off the rest is worth a look
constexpr double kSunk = 0.03;    ///< of the height: the patterns themselves rest within it

double coverNeeded(const FigureLimb& limb) { return limb.kind == LimbKind::Digits ? kToeCover : kCover; }

std::string_view endOf(LimbKind kind) {
  switch (kind) {
  case LimbKind::Leg:
    return "foot";
  case LimbKind::Arm:
    return "palm";
  case LimbKind::Head:
    return "nose";
  case LimbKind::Wing:
  case LimbKind::Tail:
  case LimbKind::Digits:
    return "tip";
  default:
    return "end";
  }
}

/// A limb's id of another animal, as words.
std::string spaced(std::string id) {
  std::replace(id.begin(), id.end(), '-', ' ');
  std::replace(id.begin(), id.end(), '_', ' ');
  return id;
}

/// "both forelegs" for a pair that is alike, else the limb.
std::string called(const Figure& figure, int l, bool pair) {
  const FigureLimb& limb = figure.limbs[static_cast<size_t>(l)];
  if (!pair) return limb.name;
  return fmt::format("Both {}{}", limb.family, limb.family.ends_with('s') ? "" : "s");
}

void look(std::vector<Finding>& out, const Plan& plan, size_t l, bool pair) {
  const LimbPlan& limb = plan.limbs[l];
  const FigureLimb& part = plan.figure->limbs[l];
  if (!limb.wired) return;
  const std::string name = called(plan.figure, static_cast<int>(l), pair);
  const std::string wire =
      fmt::format("{} mm {}", printNumber(limb.section.diameter, 2), limb.section.material.shortName);
  const std::string range =
      fmt::format("{} to {}", printNumber(limb.need.low, 1), printNumber(limb.need.high, 1));
  const auto add = [&](Level level, std::string text, std::string brief) {
    out.push_back({level, part.id, std::move(text), std::move(brief)});
  };
  const std::string lowered = [&] {
    std::string n = name;
    n[0] = static_cast<char>(std::tolower(static_cast<unsigned char>(n[0])));
    return n;
  }();
  const bool stems = limb.section.material.strandsPerWire > 1;
  const bool made = limb.need.diameter <= limb.section.material.diameters.back() + 1e-9;
  const std::string ask =
      made    ? fmt::format("take {} mm (it could be {}), or a stronger metal",
                            printNumber(limb.need.diameter, 2), range)
      : stems ? std::string("no stem is so strong: take wire")
              : std::string("no size of it is enough: take a stronger metal, or build smaller");
  if (limb.hold.hold < 1)
    add(Level::Wrong,
        fmt::format("{}: {} gives way under the weight, it holds {} of it; {}.", name, wire,
                    timesWords(limb.hold.hold, 1), ask),
        fmt::format("{} will not hold", lowered));
  else if (!limb.chosen && !limb.fits)
    add(Level::Doubtful,
        fmt::format("{}: no {} here is thick enough, {} mm is wanted (it could be {}); take a stronger metal "
                    "or a smaller figure.",
                    name, limb.section.material.shortName, printNumber(limb.need.diameter, 1), range),
        fmt::format("no wire for {}", lowered));
  else if (limb.hold.hold < plan.poseRules.holdNeeded - 1e-6)
    add(Level::Doubtful,
        fmt::format("{}: {} holds {} its load, {:g} is wanted; {}.", name, wire,
                    timesWords(limb.hold.hold, plan.poseRules.holdNeeded), plan.poseRules.holdNeeded, ask),
        fmt::format("{} may sag", lowered));
  else if (limb.hold.nudge < plan.poseRules.nudgeNeeded - 1e-6)
    add(Level::Doubtful,
        fmt::format("{}: {} is bent by a knock of {} N; {}.", name, wire, printNumber(plan.loads.nudge, 2),
                    ask),
        fmt::format("{} if knocked", lowered + (pair ? " droop" : " droops")));
  if (limb.hold.effort > plan.poseRules.effortAdult)
    add(Level::Doubtful,
        fmt::format("{}: {} takes {} N at the {} to bend, more than the {:g} N fingers like; thinner wire "
                    "would pose more easily.",
                    name, wire, printApart(limb.hold.effort, plan.poseRules.effortAdult, 0), endOf(part.kind),
                    plan.poseRules.effortAdult),
        fmt::format("{} stiff to pose", lowered));
  const double needed = coverNeeded(part);
  if (limb.hold.cover < 0)
    add(Level::Wrong,
        fmt::format("{}: the wire is {} mm across, thicker than the part at its thinnest; take thinner wire, "
                    "or build the figure larger.",
                    name, printNumber(limb.section.bundle(), 1)),
        fmt::format("{} thinner than its wire", lowered));
  else if (limb.hold.cover < needed)
    add(Level::Doubtful,
        fmt::format("{}: only {} mm of wool covers the wire, {} is wanted; take thinner wire, or build the "
                    "figure larger.",
                    name, printApart(limb.hold.cover, needed, 1), printNumber(needed, 1)),
        fmt::format("{} thinly covered", lowered));
}

/// Parts that a changed shape leaves under the ground.
void sunk(std::vector<Finding>& out, const Plan& plan) {
  const Figure& f = plan.figure;
  for (size_t l = 0; l < f.limbs.size(); ++l) {
    if (f.limbs[l].kind == LimbKind::Leg || f.limbs[l].kind == LimbKind::Digits || f.limbs[l].side < 0)
      continue;
    double low = 0;
    for (const Tube& tube : f.tubes)
      for (size_t i = 0; i < tube.slabBone.size(); ++i)
        if (f.bones[static_cast<size_t>(tube.slabBone[i])].limb == static_cast<int>(l)) {
          const Ring& r = tube.rings[i + 1];
          low = std::min(low, r.centre.z() - std::hypot(r.ru * r.u.z(), r.rv * r.v.z()));
        }
    if (low > -kSunk * f.overallHeight) continue;
    const std::string name = called(f, static_cast<int>(l), f.limbs[l].twin >= 0);
    out.push_back(
        {Level::Doubtful, f.limbs[l].id,
         fmt::format(
             "{}: it reaches {} mm under the ground the feet stand on; lengthen the legs, or bend it up.",
             name, printNumber(-low, 0)),
         fmt::format("{} under the ground", f.limbs[l].family)});
  }
}

void lookAtStanding(std::vector<Finding>& out, const Plan& plan) {
  const Standing& s = plan.standing;
  const auto add = [&](Level level, std::string text, std::string brief) {
    out.push_back({level, "figure", std::move(text), std::move(brief)});
  };
  if (plan.loads.legs == 0)
    add(Level::Doubtful,
        "No leg reaches the ground, so nothing is said of how it stands; plan a base or a hanger.",
        "no legs to stand on");
  else if (s.support.empty())
    add(Level::Wrong,
        "What touches the ground lies in one line, so it falls; spread the feet, or glue them to a base.",
        "it falls over");
  else if (const auto said = standingWords(
               s, s.towards, "its feet", plan.poseRules.tipNeeded * kDegree, plan.poseRules.marginNeeded,
               "move the feet, or glue them to a base", "spread the feet, or glue them to a base"))
    add(said->level, said->text, said->brief);
}

void lookAtFigure(std::vector<Finding>& out, const Project& project, const Plan& plan) {
  const auto add = [&](Level level, std::string text, std::string brief) {
    out.push_back({level, "figure", std::move(text), std::move(brief)});
  };
  for (const MadeResidual& r : plan.made->residuals)
    if (std::abs(r.off) > kMadeOff)
      add(Level::Doubtful,
          fmt::format("What is made does not agree: {}; make it anew, or measure again.", r.words), r.words);
  sunk(out, plan);
  const double height = plan.figure->overallHeight;
  if (height < kCheckedSmallest || height > kCheckedLargest)
    add(Level::Doubtful,
        fmt::format("The rules were checked on figures of {:g} to {:g} mm; at {} mm they are stretched, so "
                    "try a limb first.",
                    kCheckedSmallest, kCheckedLargest, printNumber(height, 0)),
        "outside the checked sizes");
  for (const auto& [limbId, choice] : project.limbs)
    if (!plan.figure->limb(limbId))
      add(Level::Doubtful,
          fmt::format(
              "A choice is kept for the {}, which this animal does not have; it comes back with the animal.",
              spaced(limbId)),
          "a choice without a limb");
}

bool alike(const Plan& plan, size_t l, size_t twin) {
  const LimbPlan& a = plan.limbs[l];
  const LimbPlan& b = plan.limbs[twin];
  return a.wired == b.wired && a.section.diameter == b.section.diameter &&
         a.section.material.id == b.section.material.id && a.hold.hold == b.hold.hold &&
         a.hold.nudge == b.hold.nudge;
}

} // namespace

std::vector<Finding> findingsOf(const Project& project, const Plan& plan) {
  std::vector<Finding> out;
  for (size_t l = 0; l < plan.limbs.size(); ++l) {
    const int twin = plan.figure->limbs[l].twin;
    const bool pair = twin >= 0 && alike(plan, l, static_cast<size_t>(twin));
    if (pair && static_cast<size_t>(twin) < l) continue; // said of both already
    look(out, plan, l, pair);
  }
  const auto about = [&out](Topic topic, const auto& look) {
    const size_t before = out.size();
    look();
    for (size_t i = before; i < out.size(); ++i) out[i].topic = topic;
  };
  about(Topic::Pose, [&] { lookAtStanding(out, plan); });
  about(Topic::Shape, [&] { lookAtFigure(out, project, plan); });
  about(Topic::Wire, [&] { lookAtWire(out, project, plan); });
  about(Topic::Shape, [&] { lookAtConstruction(out, project, plan); });
  about(Topic::Wool, [&] { lookAtWool(out, project, plan); });
  std::stable_sort(out.begin(), out.end(),
                   [](const Finding& a, const Finding& b) { return a.level > b.level; });
  return out;
}

void judge(Plan& plan) {
  for (size_t l = 0; l < plan.limbs.size(); ++l) {
    LimbPlan& limb = plan.limbs[l];
    if (!limb.wired) {
      limb.sentence = "No wire runs in it.";
      continue;
    }
    std::vector<Finding> found;
    look(found, plan, l, false);
    limb.verdict = Level::Good;
    for (const Finding& f : found) limb.verdict = std::max(limb.verdict, f.level);
    const std::string bend =
        fmt::format("bends with {} N at the {}", printNumber(limb.hold.effort, limb.hold.effort < 1 ? 1 : 0),
                    endOf(plan.figure->limbs[l].kind));
    if (limb.hold.hold < 1)
      limb.sentence =
          fmt::format("Gives way: it holds {} its load; {}.", timesWords(limb.hold.hold, 1), bend);
    else
      limb.sentence = fmt::format("Holds {} its load; {}.", timesWords(limb.hold.hold), bend);
    if (limb.hold.hold >= plan.poseRules.holdNeeded - 1e-6 &&
        limb.hold.nudge < plan.poseRules.nudgeNeeded - 1e-6)
      limb.sentence = fmt::format("Holds {} its load, but droops if knocked.", timesWords(limb.hold.hold));
  }
}

} // namespace columna
