// What a stage asks the mat, the turntable and the card to show. Plain values, asked for with every picture.
#pragma once

#include <QString>

namespace columna {

struct StageLook {
  bool stance = false; ///< the figure in its stance, not the neutral one
  bool built = false;  ///< the work at the build-up's moment, not the finished figure
  bool felt = false;   ///< wool as it is felted: the core solid, the finished outline dashed
  bool wire = false;   ///< the wire is drawn
  bool joints = false; ///< and its joints, pieces' letters, and what is to be looked at
  bool bare = false;   ///< the wool only as a faint outline
  bool girths = false; ///< girths and grams on the parts
  bool length = false; ///< the length over all under the side view
  bool part = false;   ///< all views show what the layers put in the figure's place, the small ones larger
  bool three = false;  ///< all three views to one scale are offered
  /// Room round the figure for what a stage draws there: at its sides and above it, px.
  double sides = 60, above = 64;
  enum class Round {
    None,
    Offered,
    First
  } round = Round::None;    ///< the turntable; first: shown until put away
  bool roundCovers = false; ///< the turntable takes the small views' room too
  QString hint;             ///< beside the large view's name
};

} // namespace columna
