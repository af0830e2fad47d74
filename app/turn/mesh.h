// The posed figure as triangles for the turntable: the wool's surface, and the wire in it.
#pragma once

#include "plan/plan.h"
#include "solid/solid_mesh.h"

#include <QColor>

#include <array>
#include <functional>
#include <vector>

namespace columna {

struct MeshVertex {
  Eigen::Vector3f at{0, 0, 0};     ///< mm
  Eigen::Vector3f normal{0, 0, 1}; ///< unit, outwards
};

struct MeshTriangle {
  std::array<int, 3> corners{};
  QRgb colour = 0;
  int limb = -1; ///< of the figure
};

struct Mesh {
  std::vector<MeshVertex> vertices;
  std::vector<MeshTriangle> triangles;
};

/// The wool: rings of the tubes joined, ends closed, flat parts with their thickness. `sides` corners a ring,
/// 6 to 64. Colours by limb.
[[nodiscard]] Mesh woolMesh(const Figure& figure, int sides, const std::vector<QRgb>& colours);

/// A face of a solid's mesh, for its colour.
struct MeshPlace {
  Vec3 middle, normal; ///< mm; outwards
  int bone = 0;
  int flat = -1; ///< the flat part it is of, -1 for the body
};

/// A solid's mesh as the turntable draws it.
[[nodiscard]] Mesh solidAsMesh(const Figure& figure, const SolidMesh& solid,
                               const std::function<QRgb(const MeshPlace&)>& colourOf);

/// The wire of every piece as round rods between the skeleton's points, as they lie in `plan`. Colours by
/// piece.
[[nodiscard]] Mesh wireMesh(const Plan& plan, int sides, const std::vector<QRgb>& colours);

} // namespace columna
