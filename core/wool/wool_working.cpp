#include "measure/quantity.h"
#include "wool/wool_plan.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

std::string cm3(double mm3) { return printNumber(mm3 / 1000, mm3 < 10000 ? 2 : 1); }
std::string perCm3(double density) { return printNumber(density * 1000, density < 0.1e-3 ? 3 : 2); }
std::string grams(double g) { return printMassFigure(g, UnitSystem::Metric); }
std::string mm(double length, int places = 0) { return printNumber(length, places) + " mm"; }

} // namespace

Working coreWorking(const LimbWool& wool, double volumeError) {
  Working w;
  w.title = fmt::format("why {} g", grams(wool.core));
  w.lines.push_back({"felted core, joints counted once",
                     {},
                     cm3(wool.coreVolume + (wool.wireVolume > 0 ? wool.wireVolume : 0)) + " cm³"});
  if (wool.wireVolume > 0)
    w.lines.push_back({"less the wire in it", {}, "−" + cm3(wool.wireVolume) + " cm³"});
  w.lines.push_back({fmt::format("felted {}{}", word(wool.firmness), wool.ownDensity ? ", your own" : ""),
                     {},
                     perCm3(wool.density) + " g/cm³"});
  w.lines.push_back({{},
                     fmt::format("{} × {}", cm3(wool.coreVolume), perCm3(wool.density)),
                     printMass(wool.core, UnitSystem::Metric)});
  w.source = fmt::format(
      "An estimate: {} to {} g. {} The volume is good to about {} %.", grams(wool.coreLow),
      grams(wool.coreHigh),
      wool.ownDensity
          ? "The density is by your own ball or number."
          : "The density is the bench's usual one; felt and weigh a ball of your own to settle it.",
      printNumber(std::max(0.1, volumeError * 100), 1));
  return w;
}

Working coatWorking(const LimbWool& wool, double laid) {
  Working w;
  w.title = fmt::format("why {} g", grams(wool.coat));
  w.lines.push_back(
      {wool.allCoat ? std::string("coat wool right through") : fmt::format("a layer {} thick", mm(laid, 1)),
       {},
       cm3(wool.coatVolume + wool.furVolume) + " cm³"});
  if (wool.furVolume > 0)
    w.lines.push_back({"less what rows take at their roots", {}, "−" + cm3(wool.furVolume) + " cm³"});
  const double density = wool.coatVolume > 0 ? wool.coat / wool.coatVolume : 0;
  w.lines.push_back({{},
                     fmt::format("{} × {}", cm3(wool.coatVolume), perCm3(density)),
                     printMass(wool.coat, UnitSystem::Metric)});
  w.source =
      "0.15 g/cm³ is a coat needled down, plausibly 0.10 to 0.22; what is coat wool right through has the "
      "part's own firmness. Wool of a marking's colour is taken off.";
  return w;
}

Working girthWorking(const Girth& girth) {
  Working w;
  w.title = fmt::format("why {}", printNumber(girth.finished, 0));
  w.lines.push_back({"across", {}, mm(girth.across, 1)});
  w.lines.push_back({"deep", {}, mm(girth.deep, 1)});
  const double oval = ellipsePerimeter(girth.across / 2, girth.deep / 2);
  w.lines.push_back({"tape round that oval", {}, mm(oval)});
  if (std::abs(girth.finished - oval) >= 0.5)
    w.lines.push_back({"the limb cut square there is no clean oval", {}, mm(girth.finished)});
  w.source = "Diameters as callipers read them at this size, coat on; the perimeter of an ellipse by "
             "Ramanujan's formula, the cut by the figure's own surface and a tape that spans its hollows.";
  return w;
}

Working woundWorking(const Girth& girth, LimbKind kind, const LimbWool& wool, const WoolRules& rules) {
  Working w;
  w.title = fmt::format("why {} before felting", printNumber(girth.wound, 0));
  const double wound = girth.wound / std::numbers::pi;
  const double ratio = wool.density / rules.wrapped;
  w.lines.push_back({"largest round about the wire, felted", {}, mm(girth.round, 1)});
  w.lines.push_back({"felting packs it", fmt::format("{} ÷ {}", perCm3(wool.density), perCm3(rules.wrapped)),
                     printNumber(ratio, 2) + " times"});
  const bool ball = kind == LimbKind::Head || kind == LimbKind::Trunk || kind == LimbKind::Part;
  if (ball)
    w.lines.push_back({"a ball comes down all ways",
                       fmt::format("{} × ∛{}", printNumber(girth.round, 1), printNumber(ratio, 2)),
                       mm(wound, 1)});
  else
    w.lines.push_back({"a limb keeps its wire's length",
                       fmt::format("√(({}² − {}²) × {} + {}²)", printNumber(girth.round, 1),
                                   printNumber(girth.wire / std::numbers::pi, 1), printNumber(ratio, 2),
                                   printNumber(girth.wire / std::numbers::pi, 1)),
                       mm(wound, 1)});
  w.lines.push_back({"round it", fmt::format("π × {}", printNumber(wound, 1)), mm(girth.wound)});
  w.source =
      "Wool wound by hand is 0.06 g/cm³, plausibly 0.03 to 0.10, so the girth may be a fifth more or less: "
      "the weight is the surer guide.";
  return w;
}

Working padWorking(const Pad& pad, const LimbWool& wool) {
  Working w;
  w.title = fmt::format("why {} g", grams(pad.grams));
  w.lines.push_back({"fuller than the round, here", {}, cm3(pad.volume) + " cm³"});
  w.lines.push_back({{},
                     fmt::format("{} × {}", cm3(pad.volume), perCm3(wool.density)),
                     printMass(pad.grams, UnitSystem::Metric)});
  w.lines.push_back({"thick in the middle",
                     fmt::format("8 × {} ÷ (π × {} × {})", cm3(pad.volume), printNumber(pad.length / 10, 1),
                                 printNumber(pad.width / 10, 1)),
                     mm(pad.thickness, 1)});
  w.source =
      "Counted in the body's solid outside the largest round about the wire; length and width from how the "
      "wool spreads, its shape an oval thin at the ends. Good to about a fifth in shape.";
  return w;
}

Working stripWorking(const Winding& winding, const Sliver& wool) {
  Working w;
  const double linear = winding.linear;
  w.title = fmt::format("why {} of {}", winding.strips, mm(winding.length));
  w.lines.push_back({wool.weighed ? "1 m of it weighs, as you did" : "1 m of it weighs",
                     {},
                     printNumber(wool.linear * 1000, wool.linear < 0.01 ? 1 : 0) + " g"});
  w.lines.push_back(
      {fmt::format("{}, 1 m weighs", draftWords(winding.draft)),
       winding.draft < 1.25 ? std::string() : fmt::format("÷ {}", printNumber(winding.draft, 1)),
       printNumber(linear * 1000, linear < 0.01 ? 2 : 1) + " g"});
  w.lines.push_back({"in all", fmt::format("{} ÷ {}", grams(winding.grams), printNumber(linear * 1000, 2)),
                     mm(winding.strips * winding.length)});
  w.lines.push_back({"in equal strips", fmt::format("÷ {}", winding.strips), mm(winding.length)});
  w.source =
      std::string("Pulled so fine that it goes about three times over the part, each turn over half of "
                  "the last: an estimate, two to five times. ") +
      (wool.weighed ? "Its weight is by your own weighing."
                    : "Wools differ by half: weigh 1 m of yours and type it in under Wool at hand.");
  return w;
}

Working furWorking(const FurRows& fur, CoatFinish finish, double shown, double staple) {
  Working w;
  const bool yarn = finish == CoatFinish::Yarn;
  w.title = fmt::format("why {} {}", fur.tufts,
                        yarn                             ? "lengths"
                        : finish == CoatFinish::Feathers ? "feathers"
                                                         : "tufts");
  w.lines.push_back({"rows", fmt::format("one every {}", mm(fur.spacing, 1)), fmt::format("{}", fur.rows)});
  w.lines.push_back({"cut each", fmt::format("2 × {} + the fold", printNumber(shown, 0)), mm(fur.cut)});
  if (yarn)
    w.lines.push_back({"of yarn in all", {}, printNumber(fur.yarn / 1000, 1) + " m"});
  else
    w.lines.push_back({fmt::format("from staple of {}", mm(staple)),
                       fmt::format("{} a length", fur.perStaple),
                       printNumber(fur.waste * 100, 0) + " % left over"});
  w.lines.push_back({"all of it", {}, printMass(fur.grams, UnitSystem::Metric)});
  w.source = "Tufts a thumb wide and thin as a wisp, rows four deep, as roof tiles lie: estimates; lay one "
             "row, count "
             "and weigh it.";
  return w;
}

Working readyWorking(const ReadyCore& core, const ReadyFit& fit, const LimbWool& wool) {
  Working w;
  w.title = fmt::format("why {} g saved", grams(wool.saved));
  w.lines.push_back({fmt::format("the {} whole", word(core.kind)),
                     fmt::format("π ÷ 6 × {} × {} × {}", printNumber(core.length / 10, 1),
                                 printNumber(core.across / 10, 1), printNumber(core.deep / 10, 1)),
                     cm3(fit.whole) + " cm³"});
  w.lines.push_back({"of that under the wool", {}, printNumber(fit.fits() * 100, 0) + " %"});
  w.lines.push_back({"wool it stands for",
                     fmt::format("{} × {}", cm3(wool.readyVolume), perCm3(wool.density)),
                     printMass(wool.saved, UnitSystem::Metric)});
  w.lines.push_back({"it weighs, as it is set in", {}, printMass(wool.ready, UnitSystem::Metric)});
  w.source =
      "Measure and weigh it before it goes in: it is reckoned as an egg of its three diameters. Slit it "
      "to the wire, and needle wool through the slit.";
  return w;
}

Working ballWorking(const TestBall& ball) {
  Working w;
  const double density = ballDensity(ball);
  w.title = fmt::format("why {} g/cm³", perCm3(density));
  const std::string d = printNumber(ball.diameter / 10, 2);
  w.lines.push_back({"6 × weight ÷ (π × diameter³)", fmt::format("6 × {} ÷ (π × {}³)", grams(ball.grams), d),
                     perCm3(density) + " g/cm³"});
  w.lines.push_back({fmt::format("the usual for {}", word(ball.firmness)),
                     {},
                     perCm3(feltDensity(ball.firmness)) + " g/cm³"});
  w.lines.push_back({"your felt over the usual", {}, printNumber(handFactor(ball), 2) + " times"});
  w.source =
      fmt::format("Good to {} %: three times the share of 1 mm in the diameter, and the scale's half step.",
                  printNumber(ballError(ball) * 100, 0));
  return w;
}

} // namespace columna
