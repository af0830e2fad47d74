// A head made apart, held against its body before it is set on: how the body stands under it at any turn.
#pragma once

#include "anatomy/figure.h"

namespace columna {

/// The figure with its head turned at the joint that carries it, moved as a whole so that the head stands
/// where it does in `figure`: what one sees with the head in the hand and the body behind it. `pattern` is
/// what the figure was made of, in its neutral stance. A figure without a head of its own is as it is.
[[nodiscard]] Figure bodyUnder(const Pattern& pattern, const Figure& figure, const Turn& turn);

/// How far that joint turns.
struct HeadTurns {
  TurnRange flex, side, twist;
};
[[nodiscard]] HeadTurns headTurns(const Pattern& pattern, const Figure& figure);

} // namespace columna
