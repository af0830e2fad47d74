#include "hold/gauge_rule.h"

#include "measure/quantity.h"
#include "wire/allowance.h"

#include <fmt/format.h>

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

std::string times(double factor) { return printNumber(factor, factor < 10 ? 1 : 0) + " times"; }

std::string strandSum(const WireSection& s, double sigma) {
  return fmt::format("{} × {} × {} × {}³ ÷ 6", s.strands(), printNumber(s.strengthShare(), 3),
                     printNumber(sigma, 0), printNumber(s.diameter, 2));
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
  w.title = "why " + times(hold.hold);
  if (demands.empty() || !std::isfinite(hold.hold)) return w;
  const Demand& d = demands[hold.holdDemand];
  const double capacity = section.capacity(section.material.yield.value);
  w.lines.push_back(
      {fmt::format("{}, at the {}", d.words, d.place), d.sum, printNumber(d.gravity, 2) + " N mm"});
  w.lines.push_back({section.wires > 1 ? "the pair resists" : "the wire resists",
                     strandSum(section, section.material.yield.value), printNumber(capacity, 2) + " N mm"});
  w.lines.push_back({{},
                     fmt::format("{} ÷ {}", printNumber(capacity, 2), printNumber(d.gravity, 2)),
                     fmt::format("{}, {:g} needed", times(hold.hold), rules.holdNeeded)});
  w.source = fmt::format("{} N/mm² is {}, plausibly {} to {}: so {} to {}. {}.",
                         printNumber(section.material.yield.value, 0), section.material.name,
                         printNumber(section.material.yield.low, 0),
                         printNumber(section.material.yield.high, 0), times(hold.holdLow),
                         times(hold.holdHigh), "The weight of a limb is an estimate too, to about a fifth");
  return w;
}

Working needWorking(const std::vector<Demand>& demands, const Need& need, double nudge,
                    const WireSection& section, const PoseRules& rules) {
  Working w;
  w.title = fmt::format("why {} mm", printNumber(need.diameter, 2));
  if (demands.empty()) return w;
  const Demand& d = demands[need.demand];
  const double share = section.strengthShare();
  const double weight =
      neededDiameter(d.gravity, rules.holdNeeded, section.strands(), share, section.material.yield.value);
  w.lines.push_back(
      {fmt::format("{}, at the {}", d.words, d.place), d.sum, printNumber(d.gravity, 2) + " N mm"});
  w.lines.push_back(
      {fmt::format("to hold it {} over", times(rules.holdNeeded)),
       fmt::format("∛(6 × {:g} × {} ÷ ({} × {} × {}))", rules.holdNeeded, printNumber(d.gravity, 1),
                   section.strands(), printNumber(share, 3), printNumber(section.material.yield.value, 0)),
       printNumber(weight, 2) + " mm"});
  if (d.lever > 0) {
    const double knocked = d.gravity + nudge * d.lever;
    w.lines.push_back({"with a knock",
                       fmt::format("{} + {} N × {} mm", printNumber(d.gravity, 1), printNumber(nudge, 2),
                                   printNumber(d.lever, 0)),
                       printNumber(knocked, 1) + " N mm"});
    w.lines.push_back(
        {"to come back from it",
         fmt::format("∛(6 × {:g} × {} ÷ ({} × {} × {}))", rules.nudgeNeeded, printNumber(knocked, 1),
                     section.strands(), printNumber(share, 3), printNumber(section.material.flow2, 0)),
         printNumber(
             neededDiameter(knocked, rules.nudgeNeeded, section.strands(), share, section.material.flow2),
             2) +
             " mm"});
  }
  w.lines.push_back({"needed", {}, fmt::format("{} mm", printNumber(need.diameter, 2))});
  w.source = fmt::format(
      "Plausible yield {} to {} N/mm² makes it {} to {} mm: one gauge number is as fine as this can be.",
      printNumber(section.material.yield.low, 0), printNumber(section.material.yield.high, 0),
      printNumber(need.low, 2), printNumber(need.high, 2));
  return w;
}

Working effortWorking(const Hold& hold, const WireSection& section, double limbLength,
                      const PoseRules& rules) {
  Working w;
  const double lever = std::max(1.0, std::min(limbLength, rules.fingerLever));
  w.title = fmt::format("why {} N", printNumber(hold.effort, 1));
  w.lines.push_back({"to bend it for good", strandSum(section, section.material.ultimate),
                     printNumber(section.capacity(section.material.ultimate), 1) + " N mm"});
  w.lines.push_back({"over the lever of the fingers", fmt::format("÷ {} mm", printNumber(lever, 0)),
                     printNumber(hold.effort, 1) + " N"});
  w.source = fmt::format("{} N/mm² is the tensile strength. {:g} N is comfortable for an adult, {:g} N "
                         "for children, {:g} N for sore hands.",
                         printNumber(section.material.ultimate, 0), rules.effortAdult, rules.effortChild,
                         rules.effortSore);
  return w;
}

} // namespace columna
