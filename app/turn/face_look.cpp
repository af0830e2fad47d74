#include "turn/face_look.h"

#include "project/heads.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {

FaceLook faceLookOf(const Session& session, const Figure& figure, const WoolPaint& wool) {
  const auto animal = headOf(session.project(), session.catalog());
  if (!animal || !figure.head) return {};
  return faceLookOf(asTaken(*animal, session.project().face, *figure.head), figure, wool);
}

FaceLook faceLookOf(const HeadPattern& head, const Figure& figure, const WoolPaint& wool) {
  FaceLook out;
  if (!figure.head) return out;
  out.paint = std::make_shared<const HeadPaint>(head, figure.head->dials, figure.head->length);
  out.limb = figure.bones[static_cast<size_t>(figure.head->bone)].limb;
  out.ground = wool.ground(out.limb) & 0xffffffU;
  return facedAs(std::move(out), figure);
}

FaceLook facedAs(FaceLook face, const Figure& posed) {
  if (!face.paint || !posed.head) return face;
  face.head = posed.head;
  face.hair =
      hairStrokes(face.paint->head(), face.paint->field(), posed.head->axes.transpose() * -Vec3::UnitZ());
  return face;
}

FineAsk woolAsk(const Figure& figure, const WoolPaint& wool, FaceLook face, double cell,
                const std::atomic<bool>* stop) {
  FineAsk ask{.figure = figure, .solid = nullptr, .paint = wool};
  ask.face = std::move(face);
  ask.felt = true;
  ask.wish.cell = cell;
  ask.wish.flats = Flats::Apart;
  ask.wish.stop = stop;
  ask.stop = stop;
  return ask;
}

void frame(FineAsk& ask, View view, const QRectF& mm, double scale) {
  constexpr int least = 8; // pixels
  const auto pixels = [&](double length) {
    return std::max(least, static_cast<int>(std::ceil(length * scale)));
  };
  ask.camera = {};
  ask.camera.scale = scale;
  ask.camera.yaw = view == View::Front ? std::numbers::pi / 2 : 0;
  ask.camera.pitch = view == View::Above ? std::numbers::pi / 2 : 0;
  ask.camera.middle = QPointF(-mm.left() * scale, mm.bottom() * scale);
  ask.size = QSize(pixels(mm.width()), pixels(mm.height()));
}

} // namespace columna
