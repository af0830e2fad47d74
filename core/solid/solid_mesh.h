// The wool's surface as triangles: closed, and every edge shared by exactly two of them.
//
// Marching cubes over the field in blocks near the surface. The polygons of each of the 256 cases are worked
// out from one rule for a face of the cube (inside corners that are not neighbours are kept apart), so that
// two cubes always agree on the face between them.
#pragma once

#include "anatomy/figure.h"

#include <array>
#include <atomic>
#include <vector>

namespace columna {

struct MeshFace {
  std::array<int, 3> corners{}; ///< counter-clockwise from outside
  int bone = 0;                 ///< of the figure
  int flat = -1;                ///< the flat part it belongs to, -1 for the body
};

struct SolidMesh {
  std::vector<Eigen::Vector3f> vertices; ///< mm
  std::vector<MeshFace> faces;
};

/// Flat parts: left out; thin shells of their own, quick to make and right at any cell, which overlap the
/// body; or one surface with the body, for files.
enum class Flats { None, Apart, Joined };

struct MeshWish {
  double cell = 1;                         ///< mm, above 0
  double depth = 0;                        ///< mm under the surface; a coat's thickness for the felted core
  double blend = 0;                        ///< mm of fillet where limbs join
  Flats flats = Flats::Joined;             ///< flat parts too
  int threads = 0;                         ///< 0: as many as there are cores
  const std::atomic<bool>* stop = nullptr; ///< set from elsewhere: the work ends early with an empty mesh
  std::atomic<int>* progress = nullptr;    ///< counts up to 1000
};

[[nodiscard]] SolidMesh solidMesh(const Figure& figure, const MeshWish& wish);

/// What can be said of a mesh by itself.
struct MeshCheck {
  bool closed = false; ///< every edge has two triangles that run along it in opposite directions
  double volume = 0;   ///< mm3, by the divergence theorem
  double area = 0;     ///< mm2
  int shells = 0;      ///< parts that do not touch
  int openEdges = 0;   ///< edges that break the rule
};
[[nodiscard]] MeshCheck checkMesh(const SolidMesh& mesh);

/// Unit normals at the corners, by the faces round them weighted by area.
[[nodiscard]] std::vector<Eigen::Vector3f> cornerNormals(const SolidMesh& mesh);

} // namespace columna
