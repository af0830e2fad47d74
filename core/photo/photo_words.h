// What a photo's check says, in words.
#pragma once

#include "photo/photo_check.h"
#include "words/said.h"

#include <vector>

namespace columna {

/// One thing that is to be looked at.
struct PhotoFinding {
  int limb = 0;
  Said text;         ///< with what it may be off
  double off = 0;    ///< mm; of a turn what its end lies off
  Vec2 at{0, 0};     ///< px
  bool pair = false; ///< left against right
};

/// What is told, pairs first, then turns, then places of limbs that none of these speak of.
[[nodiscard]] std::vector<PhotoFinding> photoFindings(const PhotoCheck& check, const Figure& figure);

/// What this photo cannot show, and what would.
[[nodiscard]] std::vector<Said> photoLimits(const PhotoCheck& check, const Figure& figure);

/// "from before it, on the mat: turned 4°, known to 0.4°".
[[nodiscard]] Said photoTaken(const PhotoCheck& check);

/// Which side of the animal an edge of a picture is of, by its way out: "at its left".
[[nodiscard]] Name sideOf(PhotoView view, const Vec2& out);

/// The photo's edge laid over to the other side, through the figure's middle and the camera as it was found:
/// of a figure that is the same on both sides it is the edge again. px.
[[nodiscard]] std::vector<Vec2> mirroredEdge(const PhotoCheck& check);

} // namespace columna
