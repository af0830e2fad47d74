#include "wool/winding.h"

#include "measure/whole.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

struct Words {
  std::string_view start;
  std::string_view finish;
  std::string_view way;
};

Words wordsOf(LimbKind kind, MadeAs as) {
  if (as == MadeAs::Tube)
    return {named("flat along the skewer"), named("slid off and felted hard, its end needled flat to length"),
            named("round the skewer, rolled on the mat until it holds")};
  if (as == MadeAs::Ball)
    return {named("with a knot in the middle of the first strip"),
            named("with its end tucked in and needled"),
            named("round the knot in all directions, turning it after every turn")};
  switch (kind) {
  case LimbKind::Digits:
    return {named("at the tip, fixed with wax or a drop of glue"),
            named("past the knuckle, where the next part covers it"),
            named("towards the body, tight, hardly any fibre")};
  case LimbKind::Leg:
    return {named("above the foot, its end held down with the first turns"),
            named("over the hip or shoulder"),
            named("up the limb, crossing the body in a figure of eight to the other one of the pair")};
  case LimbKind::Arm:
    return {named("above the hand"), named("over the shoulder"),
            named("up the arm, crossing the back in a figure of eight to the other arm")};
  case LimbKind::Wing:
    return {named("at the wing's tip"), named("over the shoulder"),
            named("inwards, crossing the back in a figure of eight")};
  case LimbKind::Tail:
    return {named("a finger's width before the tip"), named("over the root, fanned out on the rump"),
            named("towards the body only: doubled back at the tip it goes fat")};
  case LimbKind::Neck:
    return {named("at the shoulders"), named("under the ears"),
            named("forwards and back, each layer ending a little shorter")};
  case LimbKind::Trunk:
    return {named("behind the shoulders"), named("round the hips"),
            named("to and fro, crossing between the legs in figures of eight")};
  case LimbKind::Head:
    return {named("at the back of the skull"), named("round the brow"),
            named("like a ball, turning it after every turn")};
  case LimbKind::Part:
    break;
  }
  return {named("at the free end"), named("at the root, left loose"), named("towards the root")};
}

constexpr double kWisp = 1e-3; ///< g/mm: finer than that makers call it a wisp

} // namespace

std::string_view draftWords(double draft) {
  if (draft < 1.25) return named("as it comes");
  if (draft < 1.75) return named("pulled to two thirds");
  static constexpr std::array<std::string_view, 8> parts{
      named("pulled to a half"),    named("pulled to a third"), named("pulled to a quarter"),
      named("pulled to a fifth"),   named("pulled to a sixth"), named("pulled to a seventh"),
      named("pulled to an eighth"), named("pulled to a ninth")};
  const long whole = std::lround(draft);
  if (whole <= 9) return parts[static_cast<size_t>(whole) - 2];
  if (whole <= 14) return named("pulled to a tenth");
  return whole <= 30 ? named("pulled to a twentieth") : named("pulled to a wisp");
}

Sliver sliverOf(const WoolStock& stock, const WoolRules& rules) {
  Sliver out;
  switch (stock.form) {
  case WoolForm::Batt:
    out = {rules.battArea * rules.battStrip, rules.battStrip, false};
    break;
  case WoolForm::Sliver:
    out = {rules.sliver, rules.sliverWide, false};
    break;
  case WoolForm::Top:
    out = {rules.top, rules.topWide, false};
    break;
  case WoolForm::Roving:
    out = {rules.roving, rules.rovingWide, false};
    break;
  }
  if (stock.linear) {
    out.linear = *stock.linear;
    out.weighed = true;
  }
  return out;
}

Winding windingOf(const FigureLimb& limb, const WindingInput& in, const Sliver& wool,
                  const WoolRules& rules) {
  Winding out;
  if (!(in.grams > 0) || !(wool.linear > 0)) return out;
  out.grams = in.grams;
  out.overlap = rules.overlap;
  const double round = std::numbers::pi * std::max(0.1, (in.bundle + in.wound) / 2);
  out.width = std::clamp(rules.stripShare * in.wound, std::min(rules.stripNarrowest, wool.width), wool.width);
  // Laid half over the last turn it lies twice as thick as it is; so many passes make the layer.
  const double layer = std::max(0.0, in.wound - in.bundle) / 2 / std::max(1.0, rules.windings);
  double linear = out.width * layer * in.wrapped * (1 - out.overlap);
  // Once along the part at least, however little there is.
  const double step = out.width * (1 - out.overlap);
  const double once = std::max(in.length, in.length / step * std::hypot(round, step));
  if (once > 0) linear = std::min(linear, in.grams / once);
  linear = std::min(wool.linear, std::max(linear, rules.draftLeast));
  out.linear = linear;
  out.draft = wool.linear / linear;
  out.wisp = linear < kWisp;
  const double total = in.grams / linear;
  // Toes and fingers have a wisp each, so that they come out alike.
  const int least = limb.kind == LimbKind::Digits ? std::max(1, limb.digits) : 1;
  out.strips = std::max(least, wholeOf(std::ceil(total / rules.stripLongest - 1e-9)));
  out.length = total / out.strips;
  // A strip laid on the slant covers its width times what does not overlap at each turn.
  out.turns = total / std::hypot(round, step);
  const double thick = linear / (out.width * std::max(in.wrapped, 1e-9));
  out.layers = std::max(1.0, (in.wound - in.bundle) / 2 / (thick / (1 - out.overlap)));
  if (!in.wire) {
    const bool ball =
        limb.kind == LimbKind::Head || limb.kind == LimbKind::Trunk || limb.kind == LimbKind::Part;
    out.as = ball ? MadeAs::Ball : MadeAs::Tube;
    if (!ball) {
      const bool leg = limb.kind == LimbKind::Leg || limb.kind == LimbKind::Arm;
      out.startLength = in.length * (leg ? rules.tubeLimb : rules.tubeOther);
      out.rolledLength = out.startLength * rules.rollGrowth;
    }
  }
  const Words words = wordsOf(limb.kind, out.as);
  out.start = words.start;
  out.finish = words.finish;
  out.way = words.way;
  return out;
}

} // namespace columna
