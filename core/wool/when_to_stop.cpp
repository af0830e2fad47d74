#include "wool/when_to_stop.h"

#include "measure/quantity.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {

const Girth* girthNear(const LimbWool& wool, double along) {
  const Girth* best = nullptr;
  for (const Girth& g : wool.girths)
    if (!best || std::abs(g.along - along) < std::abs(best->along - along)) best = &g;
  return best;
}

GirthAdvice adviseGirth(const FigureLimb& limb, const LimbWool& wool, double along, double measured,
                        bool coated) {
  GirthAdvice out;
  const Girth* at = girthNear(wool, along);
  const bool finished = coated || !at || at->felted <= 0;
  const double wanted = !at ? 0 : finished ? at->finished : at->felted;
  if (!at || wanted <= 0) {
    out.sentence = say("No girth is planned there.");
    return out;
  }
  out.difference = measured - wanted;
  const Name name = lowerName(limb.name);
  if (std::abs(out.difference) <= std::max(1.0, 0.02 * wanted)) {
    out.sentence =
        say("It is there: {} for {} round the {}.", Length(measured, 0), Length(wanted, 0).figure(), name);
    return out;
  }
  // The stretch to halfway to the stations beside it.
  double before = 0;
  double behind = limb.length;
  for (const Girth& g : wool.girths) {
    if (g.along < at->along) before = std::max(before, (g.along + at->along) / 2);
    if (g.along > at->along) behind = std::min(behind, (g.along + at->along) / 2);
  }
  const double stretch = std::max(1.0, behind - before);
  // The section keeps its shape: its area goes with the square of its girth.
  const double area =
      std::numbers::pi / 4 * (finished ? at->across * at->deep : at->coreAcross * at->coreDeep);
  const double share = measured / wanted;
  out.grams = std::abs(1 - share * share) * area * stretch * wool.density;
  const double spread = wool.core > 0 ? wool.coreHigh / wool.core - 1 : 0.25;
  out.low = out.grams * (1 - spread);
  out.high = out.grams * (1 + spread);
  for (const Pad& pad : wool.pads)
    if (std::find(pad.bones.begin(), pad.bones.end(), at->bone) != pad.bones.end()) {
      out.place = pad.place;
      break;
    }
  const Length off(std::abs(out.difference), 0);
  if (out.difference < 0) {
    out.kind = GirthAdvice::Kind::Under;
    out.sentence =
        out.place.empty()
            ? say("{} under at the {}: about {} more, wound evenly.", off, name, Mass(out.grams, 1))
            : say("{} under at the {}: about {} more, one pad.", off, Name(out.place), Mass(out.grams, 1));
  } else {
    out.kind = GirthAdvice::Kind::Over;
    out.sentence =
        say("{} over round the {}: wool cannot come off. Needle it firmer, or re-size the rest {} % up.", off,
            name, Number((share - 1) * 100, 0));
  }
  return out;
}

Said compareTwins(const std::string& left, double leftLeft, const std::string& right, double rightLeft) {
  const double by = leftLeft - rightLeft;
  if (std::abs(by) < 0.1 - 1e-9) return {};
  // Who has less left has more on.
  return by < 0 ? say("{} is {} ahead of the right.", Name(left), Mass(-by, 1))
                : say("{} is {} ahead of the left.", Name(right), Mass(by, 1));
}

double resizeFor(const GirthAdvice& advice, double measured) {
  const double wanted = measured - advice.difference;
  return wanted > 0 ? measured / wanted : 1;
}

} // namespace columna
