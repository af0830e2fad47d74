// Cutting pieces from the wire there is: coils, straight lengths, pipe cleaners and offcuts; least waste,
// then fewest cuts, by integer programming (GLPK).
#pragma once

#include <string>
#include <vector>

namespace columna {

/// Wire to cut from. Lengths in mm; 0 is a coil, which is never short.
struct StockBar {
  std::string id; ///< "drawer 2", "coil", "stem"
  double length = 0;
  int count = -1;      ///< how many there are; -1: as many as are bought
  bool drawer = false; ///< the maker has it: it is used before anything is bought
};

/// A cut: which piece lies where on the bar.
struct Cut {
  int piece = 0; ///< index into the lengths asked for
  double at = 0; ///< mm from the bar's end
};

/// One bar in use, with its pieces in the order they are cut.
struct CutBar {
  std::string id;
  double length = 0; ///< mm; of a coil what is cut from it
  bool coil = false, drawer = false;
  std::vector<Cut> cuts;
  double left = 0;    ///< mm that remain
  bool keeps = false; ///< the rest is long enough to keep as an offcut
};

struct CutList {
  std::vector<CutBar> bars;
  std::vector<int> uncut; ///< pieces there is no wire for: longer than any bar, or the bars are used up
  double waste = 0;       ///< mm lost: ends too short to keep
  double kept = 0;        ///< mm of offcuts worth keeping
  int cuts = 0;           ///< strokes of the cutters
  bool proven = true;     ///< the optimum; false when there were too many ways to try them all
};

/// An offcut of at least so many mm is kept.
inline constexpr double kUsefulOffcut = 100;

/// How the lengths are cut from the bars. First, as few as possible are left uncut, the longest of them cut
/// first; then the least is lost, an end long enough to be kept counting for a fifth of itself, since makers
/// keep bars whole; then as few strokes as possible. A coil takes all that bars at hand do not. The search is
/// bounded by its steps, never by the clock: the same lengths are always cut the same way.
[[nodiscard]] CutList cutList(const std::vector<double>& lengths, const std::vector<StockBar>& stock,
                              double useful = kUsefulOffcut);

} // namespace columna
