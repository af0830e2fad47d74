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

/// A solid's mesh as the turntable draws it. `colourOf` gives each face's colour from its middle, its outward
/// normal and its bone.
[[nodiscard]] Mesh
solidAsMesh(const Figure& figure, const SolidMesh& solid,
            const std::function<QRgb(const Vec3& middle, const Vec3& normal, int bone)>& colourOf);

/// The wire of every piece as round rods between the skeleton's points, as they lie in `plan`. Colours by
/// piece.
[[nodiscard]] Mesh wireMesh(const Plan& plan, int sides, const std::vector<QRgb>& colours);

} // namespace columna
