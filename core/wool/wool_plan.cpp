#include "wool/wool_plan.h"

#include "measure/quantity.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

Girth girthAt(const FigureBone& bone, int index, double at, double along, double coat, LimbKind kind) {
  std::vector<double> t;
  std::vector<double> across;
  std::vector<double> deep;
  for (const Station& s : bone.stations) {
    t.push_back(s.at);
    across.push_back(s.across);
    deep.push_back(s.deep);
  }
  Girth g;
  g.bone = index;
  g.at = at;
  g.along = along;
  g.across = pchip(t, across, at);
  g.deep = pchip(t, deep, at);
  g.finished = ellipsePerimeter(g.across / 2, g.deep / 2);
  // The core's outline lies the coat's thickness inside: its girth is shorter by 2 pi c.
  if (coat < std::min(g.across, g.deep) / 2)
    g.felted = std::max(0.0, g.finished - 2 * 3.141592653589793 * coat);
  g.wound = g.felted / feltedOverWound(kind);
  return g;
}

std::string cm3(double mm3) { return printNumber(mm3 / 1000, mm3 < 10000 ? 2 : 1); }

} // namespace

WoolPlan planWool(const Figure& figure, const BodyVolume& volume, double coat,
                  const std::vector<Firmness>& firmness) {
  WoolPlan plan;
  plan.coatThickness = coat;
  plan.volumeError = volume.error;
  for (size_t l = 0; l < figure.limbs.size(); ++l) {
    const FigureLimb& limb = figure.limbs[l];
    LimbWool w;
    w.firmness = firmness[l];
    double along = 0;
    int last = -1;
    for (const int b : limb.bones) {
      const FigureBone& bone = figure.bones[static_cast<size_t>(b)];
      w.coreVolume += volume.bones[static_cast<size_t>(b)].core;
      w.coatVolume += volume.bones[static_cast<size_t>(b)].coat;
      if (!bone.wire) continue;
      if (limb.kind == LimbKind::Digits && bone.parent != last) along = 0;
      // Two girths a bone: its beginning third and its end third, where a tape can go round.
      for (const double at : {0.25, 0.75})
        w.girths.push_back(girthAt(bone, b, at, along + at * bone.length, coat, limb.kind));
      along += bone.length;
      last = b;
    }
    for (const Girth& g : w.girths) w.girthMax = std::max(w.girthMax, g.finished);
    const DensityRange range = feltDensityRange(w.firmness);
    w.core = w.coreVolume * feltDensity(w.firmness);
    w.coreLow = w.coreVolume * range.low * (1 - volume.error);
    w.coreHigh = w.coreVolume * range.high * (1 + volume.error);
    w.coat = w.coatVolume * kCoatDensity;
    w.stripLength = woolLength(w.core, kSliverLinear);
    plan.core += w.core;
    plan.coat += w.coat;
    plan.limbs.push_back(std::move(w));
  }
  return plan;
}

Working coreWorking(const LimbWool& wool, double volumeError) {
  Working w;
  w.title = fmt::format("why {} g", printMassFigure(wool.core, UnitSystem::Metric));
  w.lines.push_back({"felted core, joints counted once", {}, cm3(wool.coreVolume) + " cm³"});
  w.lines.push_back({fmt::format("felted {}", word(wool.firmness)),
                     {},
                     printNumber(feltDensity(wool.firmness) * 1000, 2) + " g/cm³"});
  w.lines.push_back(
      {{},
       fmt::format("{} × {}", cm3(wool.coreVolume), printNumber(feltDensity(wool.firmness) * 1000, 2)),
       printMass(wool.core, UnitSystem::Metric)});
  w.source =
      fmt::format("An estimate: {} to {} g. The density is the bench's usual one; felt and weigh a ball of "
                  "your own to settle it. "
                  "The volume is good to about {} %, and the wire's own room is not taken off.",
                  printMassFigure(wool.coreLow, UnitSystem::Metric),
                  printMassFigure(wool.coreHigh, UnitSystem::Metric), printNumber(volumeError * 100, 0));
  return w;
}

Working coatWorking(const LimbWool& wool, double coatThickness) {
  Working w;
  w.title = fmt::format("why {} g", printMassFigure(wool.coat, UnitSystem::Metric));
  w.lines.push_back(
      {fmt::format("a layer {} mm thick", printNumber(coatThickness, 1)), {}, cm3(wool.coatVolume) + " cm³"});
  w.lines.push_back({{},
                     fmt::format("{} × {}", cm3(wool.coatVolume), printNumber(kCoatDensity * 1000, 2)),
                     printMass(wool.coat, UnitSystem::Metric)});
  w.source = "0.15 g/cm³ is a coat needled down, plausibly 0.10 to 0.22.";
  return w;
}

Working girthWorking(const Girth& girth) {
  Working w;
  w.title = fmt::format("why {}", printNumber(girth.finished, 0));
  w.lines.push_back({"across", {}, printNumber(girth.across, 1) + " mm"});
  w.lines.push_back({"deep", {}, printNumber(girth.deep, 1) + " mm"});
  w.lines.push_back({"tape round that oval", {}, printNumber(girth.finished, 0) + " mm"});
  w.source =
      "Diameters from the pattern at this size, coat on; the perimeter of an ellipse by Ramanujan's formula.";
  return w;
}

Working woundWorking(const Girth& girth, LimbKind kind) {
  Working w;
  const double ratio = feltedOverWound(kind);
  w.title = fmt::format("why {} before felting", printNumber(girth.wound, 0));
  w.lines.push_back({"a wound part felts down to", {}, printNumber(ratio, 2)});
  w.lines.push_back({{},
                     fmt::format("{} ÷ {}", printNumber(girth.felted, 0), printNumber(ratio, 2)),
                     printNumber(girth.wound, 0) + " mm"});
  w.source = "Wound wool is about 2.4 times as dense once felted; a limb cannot shorten on its wire, so it "
             "comes down further than a "
             "ball. Plausibly 0.60 to 0.80.";
  return w;
}

} // namespace columna
