#include "measure/quantity.h"
#include "wool/wool_plan.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

/// Small volumes and light felts are told finer.
Volume volume(double mm3) { return Volume(mm3, mm3 < 10000 ? 2 : 1); }
Density felt(double density) { return Density(density, density < 0.1e-3 ? 3 : 2); }
Said ofDensity(double mm3, double density) { return say("{} × {}", volume(mm3).sum(), felt(density).sum()); }

} // namespace

Working coreWorking(const LimbWool& wool, double volumeError) {
  Working w;
  w.title = say("why {}", Mass(wool.core));
  w.lines.push_back({say("felted core, joints counted once"),
                     {},
                     volume(wool.coreVolume + (wool.wireVolume > 0 ? wool.wireVolume : 0))});
  if (wool.wireVolume > 0)
    w.lines.push_back({say("less the wire in it"), {}, say("−{}", volume(wool.wireVolume))});
  w.lines.push_back({wool.ownDensity ? say("felted {}, your own", Name(word(wool.firmness)))
                                     : say("felted {}", Name(word(wool.firmness))),
                     {},
                     felt(wool.density)});
  w.lines.push_back({{}, ofDensity(wool.coreVolume, wool.density), Mass(wool.core)});
  w.source =
      say("An estimate: {} to {}. {} The volume is good to about {} %.", Mass(wool.coreLow).figure(),
          Mass(wool.coreHigh),
          wool.ownDensity
              ? say("The density is by your own ball or number.")
              : say("The density is the bench's usual one; felt and weigh a ball of your own to settle it."),
          Number(std::max(0.1, volumeError * 100), 1));
  return w;
}

Working coatWorking(const LimbWool& wool, double laid) {
  Working w;
  w.title = say("why {}", Mass(wool.coat));
  w.lines.push_back({wool.allCoat ? say("coat wool right through") : say("a layer {} thick", Length(laid, 1)),
                     {},
                     volume(wool.coatVolume + wool.furVolume)});
  if (wool.furVolume > 0)
    w.lines.push_back({say("less what rows take at their roots"), {}, say("−{}", volume(wool.furVolume))});
  const double density = wool.coatVolume > 0 ? wool.coat / wool.coatVolume : 0;
  w.lines.push_back({{}, ofDensity(wool.coatVolume, density), Mass(wool.coat)});
  w.source = say("{} is a coat needled down, plausibly {} to {}; what is coat wool right through has the "
                 "part's own firmness. Wool of a marking's colour is taken off.",
                 Density(0.15e-3, 2), Density(0.10e-3, 2).figure(), Density(0.22e-3, 2).figure());
  return w;
}

Working girthWorking(const Girth& girth) {
  Working w;
  w.title = say("why {}", Length(girth.finished, 0).figure());
  w.lines.push_back({say("across"), {}, Length(girth.across, 1)});
  w.lines.push_back({say("deep"), {}, Length(girth.deep, 1)});
  const double oval = ellipsePerimeter(girth.across / 2, girth.deep / 2);
  w.lines.push_back({say("tape round that oval"), {}, Length(oval, 0)});
  if (std::abs(girth.finished - oval) >= 0.5)
    w.lines.push_back({say("the limb cut square there is no clean oval"), {}, Length(girth.finished, 0)});
  w.source =
      say("Diameters as callipers read them at this size, coat on; the perimeter of an ellipse by "
          "Ramanujan's formula, the cut by the figure's own surface and a tape that spans its hollows.");
  return w;
}

Working woundWorking(const Girth& girth, LimbKind kind, const LimbWool& wool, const WoolRules& rules) {
  Working w;
  w.title = say("why {} before felting", Length(girth.wound, 0).figure());
  const double wound = girth.wound / std::numbers::pi;
  const double ratio = wool.density / rules.wrapped;
  const Quantity wire = Length(girth.wire / std::numbers::pi, 1).sum();
  w.lines.push_back({say("largest round about the wire, felted"), {}, Length(girth.round, 1)});
  w.lines.push_back({say("felting packs it"),
                     say("{} ÷ {}", felt(wool.density).sum(), felt(rules.wrapped).sum()),
                     say("{} times", Number(ratio, 2))});
  const bool ball = kind == LimbKind::Head || kind == LimbKind::Trunk || kind == LimbKind::Part;
  if (ball)
    w.lines.push_back({say("a ball comes down all ways"),
                       say("{} × ∛{}", Length(girth.round, 1).sum(), Number(ratio, 2)), Length(wound, 1)});
  else
    w.lines.push_back(
        {say("a limb keeps its wire's length"),
         say("√(({}² − {}²) × {} + {}²)", Length(girth.round, 1).sum(), wire, Number(ratio, 2), wire),
         Length(wound, 1)});
  w.lines.push_back({say("round it"), say("π × {}", Length(wound, 1).sum()), Length(girth.wound, 0)});
  w.source = say("Wool wound by hand is {}, plausibly {} to {}, so the girth may be a fifth more or less: "
                 "the weight is the surer guide.",
                 Density(0.06e-3, 2), Density(0.03e-3, 2).figure(), Density(0.10e-3, 2).figure());
  return w;
}

Working totalWorking(const Figure& figure, const WoolPlan& plan, bool core) {
  Working w;
  const double total = core ? plan.core : plan.coat;
  for (size_t l = 0; l < figure.limbs.size(); ++l) {
    const FigureLimb& limb = figure.limbs[l];
    const LimbWool& wool = plan.limbs[l];
    const double g = core ? wool.core : wool.coat + wool.flats + wool.fur + wool.hair;
    if (limb.side < 0 || g <= 0) continue;
    if (limb.side > 0)
      w.lines.push_back({say("both {}", Name(limb.plural)), say("2 × {}", Mass(g)), Mass(2 * g)});
    else
      w.lines.push_back({Name(limb.part), {}, Mass(g)});
  }
  if (!core)
    for (const MarkedArea& m : plan.markings) w.lines.push_back({say("a marking"), {}, Mass(m.grams)});
  w.lines.push_back({core ? say("core in all") : say("coat in all"), {}, Mass(total)});
  w.title = say("why {}", Mass(total));
  w.source = say("Twins are weighed alike. The body's volume counts joints once, and is good to about {} %; "
                 "how firmly you felt moves the weight far more.",
                 Number(std::max(0.1, plan.volumeError * 100), 1));
  return w;
}

Working padWorking(const Pad& pad, const LimbWool& wool) {
  Working w;
  w.title = say("why {} at the {}", Mass(pad.grams), Name(pad.place));
  w.lines.push_back({say("fuller than the round, here"), {}, volume(pad.volume)});
  w.lines.push_back({{}, ofDensity(pad.volume, wool.density), Mass(pad.grams)});
  w.lines.push_back({say("thick in the middle"),
                     say("8 × {} ÷ (π × {} × {})", volume(pad.volume).sum(), Length(pad.length, 1).centi(),
                         Length(pad.width, 1).centi()),
                     Length(pad.thickness, 1)});
  w.source =
      say("Counted in the body's solid outside the largest round about the wire; length and width from how "
          "the wool spreads, its shape an oval thin at the ends. Good to about a fifth in shape.");
  return w;
}

Working stripWorking(const Winding& winding, const Sliver& wool) {
  Working w;
  const double linear = winding.linear;
  const Quantity metre = Length(1000).metres();
  w.title = say("why {} of {}", winding.strips, Length(winding.length, 0));
  w.lines.push_back({wool.weighed ? say("{} of it weighs, as you did", metre) : say("{} of it weighs", metre),
                     {},
                     LinearMass(wool.linear, wool.linear < 0.01 ? 1 : 0)});
  w.lines.push_back({say("{}, {} weighs", Name(draftWords(winding.draft)), metre),
                     winding.draft < 1.25 ? Said() : say("÷ {}", Number(winding.draft, 1)),
                     LinearMass(linear, linear < 0.01 ? 2 : 1)});
  w.lines.push_back({say("in all"), say("{} ÷ {}", Mass(winding.grams).sum(), LinearMass(linear, 2).sum()),
                     Length(winding.strips * winding.length, 0)});
  w.lines.push_back({say("in equal strips"), say("÷ {}", winding.strips), Length(winding.length, 0)});
  w.source = together(
      say("Pulled so fine that it goes about three times over the part, each turn over half of the last: an "
          "estimate, two to five times."),
      wool.weighed
          ? say("Its weight is by your own weighing.")
          : say("Wools differ by half: weigh {} of yours and type it in under Wool at hand.", metre));
  return w;
}

Working furWorking(const FurRows& fur, CoatFinish finish, double shown, double staple) {
  Working w;
  const bool yarn = finish == CoatFinish::Yarn;
  w.title = yarn                             ? counted(many("why {} lengths", "why {} length"), fur.tufts)
            : finish == CoatFinish::Feathers ? counted(many("why {} feathers", "why {} feather"), fur.tufts)
                                             : counted(many("why {} tufts", "why {} tuft"), fur.tufts);
  w.lines.push_back({say("rows"), say("one every {}", Length(fur.spacing, 1)), Number(fur.rows, 0)});
  w.lines.push_back(
      {say("cut each"), say("2 × {} + the fold", Length(shown, 0).figure()), Length(fur.cut, 0)});
  if (yarn)
    w.lines.push_back({say("of yarn in all"), {}, Length(fur.yarn, 1).metres()});
  else
    w.lines.push_back({say("from staple of {}", Length(staple, 0)), say("{} a length", fur.perStaple),
                       say("{} % left over", Number(fur.waste * 100, 0))});
  w.lines.push_back({say("all of it"), {}, Mass(fur.grams)});
  w.source = say("Tufts a thumb wide and thin as a wisp, rows four deep, as roof tiles lie: estimates; lay "
                 "one row, count and weigh it.");
  return w;
}

Working readyWorking(const ReadyCore& core, const ReadyFit& fit, const LimbWool& wool) {
  Working w;
  w.title = say("why {} saved", Mass(wool.saved));
  w.lines.push_back({say("the {} whole", Name(word(core.kind))),
                     say("π ÷ 6 × {} × {} × {}", Length(core.length, 1).centi(),
                         Length(core.across, 1).centi(), Length(core.deep, 1).centi()),
                     volume(fit.whole)});
  w.lines.push_back({say("of that under the wool"), {}, say("{} %", Number(fit.fits() * 100, 0))});
  w.lines.push_back({say("wool it stands for"), ofDensity(wool.readyVolume, wool.density), Mass(wool.saved)});
  w.lines.push_back({say("it weighs, as it is set in"), {}, Mass(wool.ready)});
  w.source = say("Measure and weigh it before it goes in: it is reckoned as an egg of its three diameters. "
                 "Slit it to the wire, and needle wool through the slit.");
  return w;
}

Working ballWorking(const TestBall& ball) {
  Working w;
  const double density = ballDensity(ball);
  w.title = say("why {}", felt(density));
  w.lines.push_back({say("6 × weight ÷ (π × diameter³)"),
                     say("6 × {} ÷ (π × {}³)", Mass(ball.grams).sum(), Length(ball.diameter, 2).centi()),
                     felt(density)});
  w.lines.push_back(
      {say("the usual for {}", Name(word(ball.firmness))), {}, felt(feltDensity(ball.firmness))});
  w.lines.push_back({say("your felt over the usual"), {}, say("{} times", Number(handFactor(ball), 2))});
  w.source = say("Good to {} %: three times the share of {} in the diameter, and the scale's half step.",
                 Number(ballError(ball) * 100, 0), Length(1, 0));
  return w;
}

} // namespace columna
