// What folds, twists, loops, laps and ends take of a wire's length. All lengths in mm.
//
// Derived from the geometry of round wire; radii and counts are the usual ones of the bench and can be
// changed where a function has them as arguments.
#pragma once

namespace columna {

/// A fold in the middle of a wire (hairpin of inside radius d/2): pi d.
[[nodiscard]] double foldLength(double d);

/// An end turned back: the hairpin and a leg of 6 mm or 8 d, whichever is more.
[[nodiscard]] double turnBackLength(double d);

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

/// What a bend saves against the corner: 2 Rn tan(theta/2) - Rn theta, Rn the radius of the wire's middle,
/// theta in radians below pi.
[[nodiscard]] double cornerSaving(double theta, double neutralRadius);

/// Waste of a piece: 3 % of its length and 10 mm.
[[nodiscard]] double wasteLength(double length);

inline constexpr double kLoopInside = 5;      ///< usual inside diameter of a foot loop, mm
inline constexpr double kLashTurns = 5;       ///< usual turns of a lashing (4-8)
inline constexpr double kLashTail = 5;        ///< each end of a lashing wire, mm
inline constexpr double kLap = 10;            ///< an end lying along another wire under a lashing, mm (5-20)
inline constexpr double kGripTail = 15;       ///< an end to hold while twisting, mm
inline constexpr double kMutualTurns = 2;     ///< full turns where two wires meet
inline constexpr double kSmallestWire = 0.32; ///< mm; a thinner one is deflected by the needle
inline constexpr double kCover = 1.5;         ///< wool over the wire bundle, mm (0.5-3)
inline constexpr double kToeCover = 0.6;      ///< the same on toes and fingers, mm

} // namespace columna
