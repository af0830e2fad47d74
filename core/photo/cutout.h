// The figure cut out of a photo: what is not the ground it stands before.
//
// The ground is what a strip along the picture's edge shows: shares of red and blue, and a little of how
// light it is (a shadow is darker and has the same colour), each as a quadratic in x and y. What differs from
// it by more than Otsu's threshold (1979) is the figure. Where the ground is not plain, the maker's box and
// GrabCut (Rother 2004) say it roughly.
#pragma once

#include "anatomy/pattern.h"
#include "measure/result.h"
#include "photo/photo_image.h"

#include <optional>
#include <vector>

namespace columna {

/// A place of the figure's edge, pixels (their middles are whole numbers), and the way out of it.
struct EdgePoint {
  Vec2 at;
  Vec2 out;
};

/// Where something is in a picture: 255 a pixel, else 0.
struct Mask {
  int width = 0, height = 0;
  std::vector<std::uint8_t> in;
  [[nodiscard]] bool at(int x, int y) const {
    return x >= 0 && y >= 0 && x < width && y < height &&
           in[static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x)] != 0;
  }
};

/// The edge of a mask, between its pixels: blurred by 1.5 px, where it crosses half.
[[nodiscard]] std::vector<EdgePoint> edgeOf(const Mask& mask);
/// As many of them as asked for, evenly taken.
[[nodiscard]] std::vector<EdgePoint> thinned(const std::vector<EdgePoint>& edge, size_t most);

/// A box round the figure, as shares of the picture's sides.
struct PhotoBox {
  double left = 0, top = 0, right = 1, bottom = 1;
};

struct Cutout {
  Mask mask;
  std::vector<EdgePoint> edge; ///< all of it
  double soft = 0;             ///< px from ground to figure along its edge, 16 to 84 % of the way
  bool rough = false;          ///< by the box: its edge is not sure
};

/// Errors: not a picture, no figure, two of them, a ground that is not plain (then a box is wanted), cut off
/// by the picture's edge.
[[nodiscard]] Result<Cutout> cutOut(const PhotoImage& photo, const std::optional<PhotoBox>& box = {});

} // namespace columna
