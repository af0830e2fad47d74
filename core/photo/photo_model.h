// The figure as a photo of it should be: its surface seen through a camera, and the edge of that.
#pragma once

#include "photo/cutout.h"
#include "photo/photo_camera.h"
#include "solid/solid_mesh.h"

#include <vector>

namespace columna {

struct PhotoModel {
  SolidMesh mesh;
  std::vector<int> limbOfBone;
  Vec3 centre{0, 0, 0};
  Vec3 low{0, 0, 0}, high{0, 0, 0}; ///< the box round it, mm
  [[nodiscard]] int limb(const MeshFace& face) const { return limbOfBone[static_cast<size_t>(face.bone)]; }
  [[nodiscard]] bool empty() const { return mesh.faces.empty(); }
};

/// Of a figure as it stands and as far as it is made; flat parts with it. Cells of 1/90 of its largest
/// measure: a tenth of that is what a surface between them is off.
[[nodiscard]] PhotoModel photoModel(const Figure& figure, const std::atomic<bool>* stop = nullptr);

/// What each pixel shows: the face nearest to the lens and how far it is.
struct PhotoRaster {
  int width = 0, height = 0;
  std::vector<int> face;    ///< -1 for none
  std::vector<float> depth; ///< mm before the lens
  [[nodiscard]] size_t index(int x, int y) const {
    return static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x);
  }
  [[nodiscard]] bool has(int x, int y) const {
    return x >= 0 && y >= 0 && x < width && y < height && face[index(x, y)] >= 0;
  }
};
[[nodiscard]] PhotoRaster rasterOf(const SolidMesh& mesh, const PhotoCamera& camera, int width, int height);

/// A place on the edge of what is seen.
struct RimPoint {
  Vec2 at, out; ///< px, and the way out
  Vec3 place{0, 0, 0};
  int limb = 0;
};
/// Of a picture of that size; `coarse` in half as many pixels each way.
[[nodiscard]] std::vector<RimPoint> rimOf(const PhotoModel& model, const PhotoCamera& camera, int width,
                                          int height, bool coarse = false);

} // namespace columna
