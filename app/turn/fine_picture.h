// The turntable's picture at rest: the figure's surface as one solid, drawn twice as large and brought down
// so that its edges are smooth. Made beside the window from copies.
#pragma once

#include "turn/felt.h"
#include "turn/raster.h"
#include "turn/wool_paint.h"

#include <atomic>
#include <memory>

namespace columna {

struct FineAsk {
  Figure figure;                          ///< with the wool that is on
  std::shared_ptr<const SolidMesh> solid; ///< its surface, if it is known already
  MeshWish wish{};
  WoolPaint paint;
  FaceLook face{};
  bool felt = false; ///< fibres and a fuzzy edge: the work is finished
  Mesh wire{};
  bool through = false;            ///< the wire is seen through the wool
  bool bare = false;               ///< work under way: the wire stands in front of what is not yet wound
  std::optional<Figure> outline{}; ///< the finished figure, for its dashes
  Camera camera{};                 ///< of the widget's own size
  QSize size{};
  const std::atomic<bool>* stop = nullptr; ///< set from elsewhere: the picture is worth nothing
};

struct FinePicture {
  static constexpr int kTimes = 2; ///< how much larger the raster is than the picture
  std::shared_ptr<const SolidMesh> solid;
  Raster raster{1, 1};         ///< for picking
  QImage image;                ///< of the widget's size
  std::vector<QPoint> outline; ///< pixels of the finished figure's outline
};

[[nodiscard]] std::shared_ptr<FinePicture> finePicture(const FineAsk& ask);

/// The pixels along the edge of what is drawn.
[[nodiscard]] std::vector<QPoint> edgeOf(const Raster& raster);

} // namespace columna
