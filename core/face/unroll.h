// A skin in space laid flat with as little stretching as can be: the pattern it is cut by.
//
// As rigid as possible, local and global in turn (Liu, Zhang, Xu, Gotsman and Gortler 2008, "A local/global
// approach to mesh parameterization"): each triangle is turned into the plane unchanged, then the places are
// set so that all differ from that as little as can be, and again.
#pragma once

#include "anatomy/pattern.h"
#include "measure/result.h"

#include <array>
#include <vector>

namespace columna {

struct SkinMesh {
  std::vector<Vec3> points;
  std::vector<std::array<int, 3>> triangles; ///< all turned the same way
};

struct Flattened {
  std::vector<Vec2> points; ///< one a point of the mesh; triangles counter-clockwise
  double least = 1;         ///< the most any triangle is drawn in, as a factor of length
  double most = 1;          ///< and stretched, from the skin to the table
};
/// `mesh`: connected, one triangle or more.
[[nodiscard]] Flattened flattened(const SkinMesh& mesh);

struct Unrolled {
  std::vector<Vec2> outline;  ///< mm: the border's places in their order, and four stretches to each edge
  double least = 1, most = 1; ///< as above
  double area = 0;            ///< mm2 of the skin
  double out = 0;             ///< mm the border leaves its plane at the most
};

/// The skin pulled taut over a closed border (each place inside is as high as those round it on the mean) and
/// laid flat.
/// Errors: fewer than three places, no area, or a border that crosses itself in its plane.
[[nodiscard]] Result<Unrolled> unroll(const std::vector<Vec3>& border);

} // namespace columna
