#include "hold/gauge_rule.h"

#include "measure/quantity.h"
#include "wire/allowance.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace columna {
namespace {

double demandNeed(const Demand& d, double nudge, const WireSection& s, double yield, double flow,
                  const PoseRules& rules) {
  const double share = s.strengthShare();
  return std::max(
      neededDiameter(d.gravity, rules.holdNeeded, s.strands(), share, yield),
      d.lever > 0 ? neededDiameter(d.gravity + nudge * d.lever, rules.nudgeNeeded, s.strands(), share, flow)
                  : 0.0);
}

double worstNeed(const std::vector<Demand>& demands, double nudge, const WireSection& s, double yield,
                 double flow, const PoseRules& rules) {
  double need = 0;
  for (const Demand& d : demands) need = std::max(need, demandNeed(d, nudge, s, yield, flow, rules));
  return need;
}

/// "2.4 times", whole from ten on.
Said times(double factor) { return say("{} times", Number(factor, factor < 10 ? 1 : 0)); }

Said strandSum(const WireSection& s, double sigma) {
  return say("{} × {} × {} × {}³ ÷ 6", s.strands(), Number(s.strengthShare(), 3), Stress(sigma, 0).sum(),
             Length(s.diameter, 2).sum());
}

} // namespace

double neededDiameter(double moment, double factor, double strands, double share, double sigma) {
  return std::cbrt(6 * factor * moment / (strands * share * sigma));
}

Need neededWire(const std::vector<Demand>& demands, double nudge, const WireSection& section,
                const PoseRules& rules) {
  Need need;
  const Estimate& y = section.material.yield;
  // The flow stress at 2 % moves with the yield it starts from.
  const auto flow = [&](double yield) { return section.material.flow2 * yield / y.value; };
  for (size_t i = 0; i < demands.size(); ++i) {
    const double d = demandNeed(demands[i], nudge, section, y.value, flow(y.value), rules);
    if (d > need.diameter) {
      need.diameter = d;
      need.demand = i;
    }
  }
  need.low = worstNeed(demands, nudge, section, y.high, flow(y.high), rules);
  need.high = worstNeed(demands, nudge, section, y.low, flow(y.low), rules);
  return need;
}

Hold holdOf(const std::vector<Demand>& demands, double nudge, const WireSection& section, double limbLength,
            const PoseRules& rules) {
  Hold h;
  const Estimate& y = section.material.yield;
  const double yieldCapacity = section.capacity(y.value);
  const double flowCapacity = section.capacity(section.material.flow2);
  h.hold = h.nudge = std::numeric_limits<double>::infinity();
  for (size_t i = 0; i < demands.size(); ++i) {
    const Demand& d = demands[i];
    if (d.gravity > 0 && yieldCapacity / d.gravity < h.hold) {
      h.hold = yieldCapacity / d.gravity;
      h.moment = d.gravity;
      h.holdDemand = i;
    }
    const double knocked = d.gravity + nudge * d.lever;
    if (d.lever > 0 && knocked > 0 && flowCapacity / knocked < h.nudge) {
      h.nudge = flowCapacity / knocked;
      h.nudgeDemand = i;
    }
  }
  h.holdLow = h.hold * y.low / y.value;
  h.holdHigh = h.hold * y.high / y.value;
  h.effort =
      section.capacity(section.material.ultimate) / std::max(1.0, std::min(limbLength, rules.fingerLever));
  return h;
}

std::optional<double> thinnestAtLeast(const Material& material, double diameter) {
  for (const double d : material.diameters)
    if (d >= diameter - 1e-9) return d;
  return std::nullopt;
}

Working holdWorking(const std::vector<Demand>& demands, const Hold& hold, const WireSection& section,
                    const PoseRules& rules) {
  Working w;
  w.title = say("why {}", times(hold.hold));
  if (demands.empty() || !std::isfinite(hold.hold)) return w;
  const Demand& d = demands[hold.holdDemand];
  const double capacity = section.capacity(section.material.yield.value);
  w.lines.push_back({say("{}, at the {}", d.words, Name(d.place)), d.sum, Moment(d.gravity, 2)});
  w.lines.push_back({section.wires > 1 ? say("the pair resists") : say("the wire resists"),
                     strandSum(section, section.material.yield.value), Moment(capacity, 2)});
  w.lines.push_back({{},
                     say("{} ÷ {}", Moment(capacity, 2).sum(), Moment(d.gravity, 2).sum()),
                     say("{}, {} needed", times(hold.hold), Number(rules.holdNeeded, Quantity::kShort))});
  w.source = say(
      "{} is {}, plausibly {} to {}: so {} to {}. The weight of a limb is an estimate too, to about a fifth.",
      Stress(section.material.yield.value, 0), Name(section.material.name),
      Stress(section.material.yield.low, 0).figure(), Stress(section.material.yield.high, 0).figure(),
      times(hold.holdLow), times(hold.holdHigh));
  return w;
}

Working needWorking(const std::vector<Demand>& demands, const Need& need, double nudge,
                    const WireSection& section, const PoseRules& rules) {
  Working w;
  w.title = say("why {}", Length(need.diameter, 2));
  if (demands.empty()) return w;
  const Demand& d = demands[need.demand];
  const double share = section.strengthShare();
  const double weight =
      neededDiameter(d.gravity, rules.holdNeeded, section.strands(), share, section.material.yield.value);
  w.lines.push_back({say("{}, at the {}", d.words, Name(d.place)), d.sum, Moment(d.gravity, 2)});
  w.lines.push_back({say("to hold it {} over", times(rules.holdNeeded)),
                     say("∛(6 × {} × {} ÷ ({} × {} × {}))", Number(rules.holdNeeded, Quantity::kShort),
                         Moment(d.gravity, 1).sum(), section.strands(), Number(share, 3),
                         Stress(section.material.yield.value, 0).sum()),
                     Length(weight, 2)});
  if (d.lever > 0) {
    const double knocked = d.gravity + nudge * d.lever;
    w.lines.push_back({say("with a knock"),
                       say("{} + {} × {}", Moment(d.gravity, 1).sum(), Force(nudge, 2), Length(d.lever, 0)),
                       Moment(knocked, 1)});
    w.lines.push_back(
        {say("to come back from it"),
         say("∛(6 × {} × {} ÷ ({} × {} × {}))", Number(rules.nudgeNeeded, Quantity::kShort),
             Moment(knocked, 1).sum(), section.strands(), Number(share, 3),
             Stress(section.material.flow2, 0).sum()),
         Length(neededDiameter(knocked, rules.nudgeNeeded, section.strands(), share, section.material.flow2),
                2)});
  }
  w.lines.push_back({say("needed"), {}, Length(need.diameter, 2)});
  w.source = say("Plausible yield {} to {} makes it {} to {}: one gauge number is as fine as this can be.",
                 Stress(section.material.yield.low, 0).figure(), Stress(section.material.yield.high, 0),
                 Length(need.low, 2).figure(), Length(need.high, 2));
  return w;
}

Working effortWorking(const Hold& hold, const WireSection& section, double limbLength,
                      const PoseRules& rules) {
  Working w;
  const double lever = std::max(1.0, std::min(limbLength, rules.fingerLever));
  w.title = say("why {}", Force(hold.effort, 1));
  w.lines.push_back({say("to bend it for good"), strandSum(section, section.material.ultimate),
                     Moment(section.capacity(section.material.ultimate), 1)});
  w.lines.push_back(
      {say("over the lever of the fingers"), say("÷ {}", Length(lever, 0)), Force(hold.effort, 1)});
  w.source =
      say("{} is the tensile strength. {} is comfortable for an adult, {} for children, {} for sore hands.",
          Stress(section.material.ultimate, 0), Force(rules.effortAdult, Quantity::kShort),
          Force(rules.effortChild, Quantity::kShort), Force(rules.effortSore, Quantity::kShort));
  return w;
}

} // namespace columna
