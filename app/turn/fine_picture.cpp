#include "turn/fine_picture.h"

namespace columna {

std::vector<QPoint> edgeOf(const Raster& raster) {
  std::vector<QPoint> out;
  const int w = raster.image().width();
  const int h = raster.image().height();
  const auto in = [&](int x, int y) { return raster.limbAt(x, y) >= 0; };
  for (int y = 1; y + 1 < h; ++y)
    for (int x = 1; x + 1 < w; ++x)
      if (in(x, y) && !(in(x - 1, y) && in(x + 1, y) && in(x, y - 1) && in(x, y + 1))) out.emplace_back(x, y);
  return out;
}

std::shared_ptr<FinePicture> finePicture(const FineAsk& ask) {
  auto out = std::make_shared<FinePicture>();
  const auto stopped = [&] { return ask.stop && *ask.stop; };
  out->solid = ask.solid ? ask.solid : std::make_shared<const SolidMesh>(solidMesh(ask.figure, ask.wish));
  if (stopped()) return out;
  Camera camera = ask.camera;
  camera.scale *= FinePicture::kTimes;
  camera.middle *= FinePicture::kTimes;
  const QSize large = ask.size * FinePicture::kTimes;
  Raster wool(large.width(), large.height());
  wool.draw(solidAsMesh(ask.figure, *out->solid,
                        [&](const Vec3& middle, const Vec3& normal, int bone) {
                          return ask.paint.at(middle, normal, bone);
                        }),
            camera);
  if (stopped()) return out;
  if (ask.bare) wool.draw(ask.wire, camera);
  if (ask.through) {
    out->raster = Raster(large.width(), large.height());
    out->raster.draw(ask.wire, camera);
    out->raster.over(wool, 0.34);
  } else {
    out->raster = std::move(wool);
  }
  out->image = out->raster.image().scaled(ask.size, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
  if (ask.outline && !stopped()) {
    Raster flat(ask.size.width(), ask.size.height());
    flat.draw(woolMesh(*ask.outline, 16, ask.paint.parts()), ask.camera, 0);
    out->outline = edgeOf(flat);
  }
  return out;
}

} // namespace columna
