// What folds, twists, loops, laps and ends take of a wire's length. All lengths in mm.
//
// Derived from the geometry of round wire; radii and counts are the usual ones of the bench and can be
// changed where a function has them as arguments.
#pragma once

#include "measure/field.h"

#include <array>

namespace columna {

/// A fold in the middle of a wire (hairpin of inside radius d/2): pi d.
[[nodiscard]] double foldLength(double d);

/// An end turned back: the hairpin and a leg of 6 mm or 8 d, whichever is more.
[[nodiscard]] double turnBackLength(double d, double leg = 6);

/// A loop of inside diameter `inside` (3-10 mm, usually 5) at a foot or palm: pi (D + d).
[[nodiscard]] double loopLength(double inside, double d);

/// The turns that close a loop round its own shank: 1.5 turns, 1.5 pi (2 d).
[[nodiscard]] double closingTurnsLength(double d);

/// Close-wound turns round a core: n sqrt((pi (D + d))^2 + d^2).
[[nodiscard]] double lashingLength(double turns, double core, double d);

/// Two wires twisted round each other for so many full turns at a lay of 6 d: turns sqrt((pi d)^2 + (6 d)^2),
/// of each.
[[nodiscard]] double mutualTwistLength(double turns, double d);

/// A toe or finger folded from thin wire and twisted: 2 L/cos b + pi d for the fold + 2 d at the root.
[[nodiscard]] double digitLength(double length, double d, double lay);

/// A leg of four strands, a twisted pair folded double and twisted again: 4 L/cos^2 b, b of a pair at `lay`,
/// with pi (2 d) for the fold and `tails` for all ends together.
[[nodiscard]] double fourStrandLength(double length, double d, double lay, double tails);

/// What the maker's hand takes; each is the bench's usual one unless changed for the figure or a piece.
struct Allowances {
  double loopInside = 5;   ///< inside diameter of a foot loop, mm (3-10)
  double lap = 10;         ///< an end lying along another wire under a lashing, mm (5-20)
  double gripTail = 15;    ///< an end to hold while twisting, mm (5-40)
  double lashTurns = 5;    ///< turns of a lashing (4-8)
  double lashTail = 5;     ///< each end of a lashing wire, mm (0-20)
  double mutualTurns = 2;  ///< full turns where two wires meet (1-5)
  double turnBack = 6;     ///< the least leg of an end turned back, mm (3-15)
  double lay = 6;          ///< pitch of a twist, wire diameters (4-8)
  double wasteShare = 3;   ///< waste, percent of the length (0-20)
  double wasteLength = 10; ///< and mm (0-50)

  [[nodiscard]] bool operator==(const Allowances&) const = default;
};

/// One of the allowances, and all of them in the order they are shown.
using AllowanceField = Field<Allowances, double>;
inline constexpr std::array allowanceFields{
    field("loop_inside_mm", &Allowances::loopInside)
        .called(named("foot loop, inside"))
        .within(3, 10)
        .in(unit::kMm),
    field("lap_mm", &Allowances::lap).called(named("end along another wire")).within(5, 20).in(unit::kMm),
    field("grip_tail_mm", &Allowances::gripTail)
        .called(named("end to hold while twisting"))
        .within(5, 40)
        .in(unit::kMm),
    field("lash_turns", &Allowances::lashTurns).called(named("turns of a lashing")).within(4, 8),
    field("lash_tail_mm", &Allowances::lashTail)
        .called(named("each end of a lashing"))
        .within(0, 20)
        .in(unit::kMm),
    field("mutual_turns", &Allowances::mutualTurns).called(named("turns where two wires meet")).within(1, 5),
    field("turn_back_mm", &Allowances::turnBack)
        .called(named("end turned back, at least"))
        .within(3, 15)
        .in(unit::kMm),
    field("twist_lay_d", &Allowances::lay).called(named("a twist's pitch, wire widths")).within(4, 8),
    field("waste_percent", &Allowances::wasteShare)
        .called(named("waste, share of the length"))
        .within(0, 20)
        .in(unit::kPercent),
    field("waste_mm", &Allowances::wasteLength)
        .called(named("waste, each piece"))
        .within(0, 50)
        .in(unit::kMm)};

/// Waste of a piece: 3 % of its length and 10 mm, or as the maker has it.
[[nodiscard]] double wasteLength(double length, const Allowances& allow = {});

/// Overlap of a splice in mm: 5 full turns at a lay of 5-6 d need 30 d, covered or waxed wire 50 d; never
/// under 15 mm. Half of it would carry a bend; the rest is for handling.
[[nodiscard]] double spliceOverlap(double d, bool covered);

/// Turns of a splice until the pull equals the wire's tensile strength, by belt friction on the helix:
/// ln(ratio pi/4 / f0)/(2 pi mu sin b), f0 = sin^2 b/3, b of a pair at `lay`; ratio is tensile over yield
/// strength (2.6 for soft aluminium).
[[nodiscard]] double spliceTurns(double lay, double friction, double ratio = 2.6);

inline constexpr double kSmallestWire = 0.32; ///< mm; a thinner one is deflected by the needle
inline constexpr double kCover = 1.5;         ///< wool over the wire bundle, mm (0.5-3)
inline constexpr double kToeCover = 0.6;      ///< the same on toes and fingers, mm

} // namespace columna
