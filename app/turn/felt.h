// The figure as felt: a face with its colours and eyes, hair, fibres along the parts, tones in steps and a
// fuzzy edge. All of it is laid on a picture that is drawn already, beside the window.
#pragma once

#include "head/hair_strokes.h"
#include "head/head_paint.h"
#include "turn/raster.h"

#include <atomic>
#include <memory>

namespace columna {

/// A face with what it takes to find the way to it.
struct FaceLook {
  std::shared_ptr<const HeadPaint> paint; ///< null: no face
  std::optional<WornHead> head;           ///< as it is carried
  int limb = -1;                          ///< the head's
  std::vector<HairStroke> hair;
  Colour ground = 0; ///< the coat's
  QRgb tint = 0;     ///< of the chosen part, where the head is it
  double tinted = 0;
};

/// Colours each pixel anew that shows the head's skin, by the place it shows. `times`: pixels a side that
/// make one of the picture in the end.
void paintFace(Raster& raster, const Camera& camera, const FaceLook& face, int times,
               const std::atomic<bool>* stop);

/// Balls with iris, pupil and a light, as a mesh for the raster. `turn` is the camera's.
[[nodiscard]] Mesh eyeMesh(const FaceLook& face, const Eigen::Matrix3d& turn);

/// Fibres and tones: lighter and darker strands along each part's own way, shades in steps as wool has them.
/// `ways` is one direction a limb, in the figure's axes.
void feltGrain(Raster& raster, const Camera& camera, const std::vector<Vec3>& ways,
               const std::atomic<bool>* stop);

/// Hair where nothing stands before it.
void paintHair(QImage& image, const Raster& raster, const Camera& camera, const FaceLook& face);

/// Single fibres that stand out from the edge. The same for the same picture.
void feltEdge(QImage& image, const Raster& raster);

/// The way each limb's wool lies: from its root to its end.
[[nodiscard]] std::vector<Vec3> growthWays(const Figure& figure);

} // namespace columna
