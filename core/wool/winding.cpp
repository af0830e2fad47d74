#include "wool/winding.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

struct Words {
  const char* start;
  const char* finish;
  const char* way;
};

Words wordsOf(LimbKind kind, MadeAs as) {
  if (as == MadeAs::Tube)
    return {"flat along the skewer", "slid off and felted hard, its end needled flat to length",
            "round the skewer, rolled on the mat until it holds"};
  if (as == MadeAs::Ball)
    return {"with a knot in the middle of the first strip", "with its end tucked in and needled",
            "round the knot in all directions, turning it after every turn"};
  switch (kind) {
  case LimbKind::Digits:
    return {"at the tip, fixed with wax or a drop of glue", "past the knuckle, where the next part covers it",
            "towards the body, tight, hardly any fibre"};
  case LimbKind::Leg:
    return {"above the foot, its end held down with the first turns", "over the hip or shoulder",
            "up the limb, crossing the body in a figure of eight to the other one of the pair"};
  case LimbKind::Arm:
    return {"above the hand", "over the shoulder",
            "up the arm, crossing the back in a figure of eight to the other arm"};
  case LimbKind::Wing:
    return {"at the wing's tip", "over the shoulder", "inwards, crossing the back in a figure of eight"};
  case LimbKind::Tail:
    return {"a finger's width before the tip", "over the root, fanned out on the rump",
            "towards the body only: doubled back at the tip it goes fat"};
  case LimbKind::Neck:
    return {"at the shoulders", "under the ears", "forwards and back, each layer ending a little shorter"};
  case LimbKind::Trunk:
    return {"behind the shoulders", "round the hips",
            "to and fro, crossing between the legs in figures of eight"};
  case LimbKind::Head:
    return {"at the back of the skull", "round the brow", "like a ball, turning it after every turn"};
  case LimbKind::Part:
    break;
  }
  return {"at the free end", "at the root, left loose", "towards the root"};
}

constexpr double kWisp = 1e-3; ///< g/mm: finer than that makers call it a wisp

} // namespace

std::string draftWords(double draft) {
  if (draft < 1.25) return "as it comes";
  static constexpr std::array<const char*, 9> parts{"two thirds", "a half",    "a third",
                                                    "a quarter",  "a fifth",   "a sixth",
                                                    "a seventh",  "an eighth", "a ninth"};
  if (draft < 1.75) return std::string("pulled to ") + parts[0];
  const long whole = std::lround(draft);
  if (whole <= 9) return std::string("pulled to ") + parts[static_cast<size_t>(whole) - 1];
  if (whole <= 14) return "pulled to a tenth";
  return whole <= 30 ? "pulled to a twentieth" : "pulled to a wisp";
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
  out.strips = std::max(least, static_cast<int>(std::ceil(total / rules.stripLongest - 1e-9)));
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
