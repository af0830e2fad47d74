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

namespace {

constexpr float kGloss = 0.35F; ///< how much of the light an eye is shaded by: the rest is its own light

QRgb colourOf(const FineAsk& ask, const MeshPlace& at) {
  const FaceLook& face = ask.face;
  if (!face.paint || !face.head) return ask.paint.at(at.middle, at.normal, at.bone);
  const Vec3 local = face.head->toHead(at.middle);
  std::optional<Colour> own;
  if (at.flat >= 0) {
    // Its face is the side its triangles look to; of those it has none of, all of it is back.
    const FigureFlat& flat = ask.figure.flats[static_cast<size_t>(at.flat)];
    if (!flat.triangles.empty())
      own = face.paint->flat(flat.id, local, sideOf(flat, at.middle, at.normal), face.ground);
  } else if (ask.figure.bones[static_cast<size_t>(at.bone)].hard > 0) {
    own = face.paint->hard(local);
  }
  if (!own) return ask.paint.at(at.middle, at.normal, at.bone);
  const auto limb = ask.figure.bones[static_cast<size_t>(at.bone)].limb;
  return ask.paint.tinted(QColor(0xff000000U | *own), limb);
}

} // namespace

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
  wool.draw(solidAsMesh(ask.figure, *out->solid, [&](const MeshPlace& at) { return colourOf(ask, at); }),
            camera);
  if (stopped()) return out;
  paintFace(wool, camera, ask.face, FinePicture::kTimes, ask.stop);
  if (ask.felt) feltGrain(wool, camera, growthWays(ask.figure), ask.stop);
  wool.draw(eyeMesh(ask.face, camera.turn()), camera, kGloss);
  if (stopped()) return out;
  if (ask.bare) wool.draw(ask.wire, camera);
  if (ask.through) {
    out->raster = Raster(large.width(), large.height());
    out->raster.draw(ask.wire, camera);
    out->raster.over(wool, 0.34);
  } else {
    out->raster = std::move(wool);
  }
  QImage whole = out->raster.image();
  if (ask.felt && !ask.through) feltEdge(whole, out->raster);
  if (!ask.through) paintHair(whole, out->raster, camera, ask.face);
  out->image = whole.scaled(ask.size, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
  if (ask.outline && !stopped()) {
    Raster flat(ask.size.width(), ask.size.height());
    flat.draw(woolMesh(*ask.outline, 16, ask.paint.parts()), ask.camera, 0);
    out->outline = edgeOf(flat);
  }
  return out;
}

} // namespace columna
