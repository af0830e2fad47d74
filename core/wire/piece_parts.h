// The parts pieces are made of: ends, folds, splices, lashings and digits.
#pragma once

#include "wire/layer.h"
#include "wire/piece.h"

#include <set>
#include <utility>

namespace columna {

/// Whether a limb ends in a foot or a hand, which is a loop of wire.
[[nodiscard]] bool isFoot(LimbKind kind);

/// A piece's own allowances, or the figure's.
[[nodiscard]] const Allowances& allowFor(const PieceRules& rules, const std::string& piece);

/// A free end: at a foot the loop and the turns that close it, at a root the lap (a stem's two turns),
/// elsewhere turned back. `limb` is the one whose tip it is, -1 for none; `first`: at the left end.
void layEnd(Layer& layer, const Figure& figure, const WireGroup& group, PointKind kind, int limb, bool first,
            double d, const Allowances& allow);

/// A fold: at a foot a loop.
void layFold(Layer& layer, const Figure& figure, int limb, double d, const Allowances& allow);

/// A piece longer than the longest wire to be had is spliced, away from its bends; left as it is where the
/// lengths are too short for splices.
void splice(Piece& piece, double longest, const WireSection& wire);

/// A lashing for each of the points, foremost first.
[[nodiscard]] std::vector<std::pair<Piece, Join>>
lashingPieces(const Figure& figure, const WireSkeleton& skeleton, const std::vector<WireGroup>& groups,
              const std::vector<WireSection>& sections, const std::set<int>& points, const WireSection& fine,
              const PieceRules& rules);

/// Toes, fingers or wing bones woven from one wire, out and back.
[[nodiscard]] std::vector<Piece> digitPieces(const Figure& figure, const WireSkeleton& skeleton,
                                             const WireGroup& group, const WireSection& wire,
                                             const PieceRules& rules);

/// Toes and fingers the maker asked for: of fine wire, woven through the loop of the foot or palm, or single
/// pegs.
[[nodiscard]] std::vector<Piece> wishedDigits(const Figure& figure, const WireSkeleton& skeleton,
                                              const WireSection& fine, const PieceRules& rules);

/// Takes over the numbers of a piece that this one mirrors; where it runs stays its own.
void copyNumbers(Piece& to, const Piece& from);

} // namespace columna
