// A z-buffer rasteriser on the processor: triangles into a picture, shaded from corner to corner. The same
// picture on every machine, with or without a screen.
#pragma once

#include "turn/mesh.h"

#include <QImage>

#include <array>
#include <cstdint>
#include <vector>

namespace columna {

/// Where the eye is: it looks along the ground turned by `yaw`, from `pitch` above; no perspective, so that
/// sizes can be measured. At yaw 0 and pitch 0 it is the view from the figure's right.
struct Camera {
  double yaw = 0, pitch = 0; ///< radians
  double scale = 1;          ///< pixels a mm
  QPointF middle;            ///< pixel of `centre`
  Vec3 centre{0, 0, 0};      ///< mm

  /// World to eye: x to the right, y up, z towards the eye.
  [[nodiscard]] Eigen::Matrix3d turn() const;
  [[nodiscard]] QPointF at(const Vec3& place) const;
  /// How near to the eye a place is, mm.
  [[nodiscard]] double near(const Vec3& place) const;
  /// The place under a pixel that is as near as another place.
  [[nodiscard]] Vec3 place(const QPointF& pixel, const Vec3& asNearAs) const;
};

class Raster {
public:
  Raster(int width, int height);
  Raster(Raster&&) = default;
  Raster& operator=(Raster&&) = default;
  Raster(const Raster&) = delete; // it draws on its picture's own pixels
  Raster& operator=(const Raster&) = delete;
  ~Raster() = default;

  /// Draws a mesh, nearer triangles over farther ones. `lit` from 0 (flat) to 1.
  void draw(const Mesh& mesh, const Camera& camera, float lit = 1);
  /// Lays another picture of the same size over this one where it has something, `share` of it; depths are
  /// not looked at.
  void over(const Raster& other, double share);
  /// The picture; where nothing was drawn it is transparent.
  [[nodiscard]] const QImage& image() const { return image_; }
  /// How near the drawn surface is at a pixel, mm; very far where there is none.
  [[nodiscard]] float depth(int x, int y) const;
  /// The limb drawn at a pixel, -1 for none.
  [[nodiscard]] int limbAt(int x, int y) const;
  /// How the surface at a drawn pixel is lit: its colour is the mesh's times that.
  [[nodiscard]] double shadeAt(int x, int y) const;
  /// Gives a drawn pixel another colour, lit already.
  void setColour(int x, int y, QRgb colour);

private:
  void triangle(const std::array<Eigen::Vector3f, 3>& corners, const std::array<float, 3>& shade,
                const MeshTriangle& which);
  QImage image_;
  QRgb* pixels_ = nullptr; ///< of image_, which is never shared while it is drawn on
  std::vector<float> depth_;
  std::vector<std::int16_t> limb_;
  std::vector<std::uint8_t> shade_; ///< 200 of full light
};

} // namespace columna
