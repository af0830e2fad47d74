#include "turn/face_look.h"

#include "project/heads.h"

namespace columna {

FaceLook faceLookOf(const Session& session, const Figure& figure, const WoolPaint& wool) {
  FaceLook out;
  const auto animal = headOf(session.project(), session.catalog());
  if (!animal || !figure.head) return out;
  const HeadPattern own = asTaken(*animal, session.project().face, *figure.head);
  out.paint = std::make_shared<const HeadPaint>(own, figure.head->dials, figure.head->length);
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

} // namespace columna
