#include "face/face_changes.h"

#include "edit/face_edit.h"
#include "kit/say.h"

namespace columna::face {
namespace {

QString tr(const char* words) { return FaceView::tr(words); }

bool ofPad(const FaceView& view) { return view.pick().kind == FacePick::Kind::Pad; }

} // namespace

bool moves(const FacePick& pick) {
  return pick.kind == FacePick::Kind::Pad || pick.kind == FacePick::Kind::Eye ||
         pick.kind == FacePick::Kind::Flat;
}

void padSized(Session& session, const FaceView& view, double factor) {
  if (ofPad(view))
    (void)session.apply(tr("pad's size"), edit::padSized(session.project(), view.pick().id, factor));
}

void padOut(Session& session, const FaceView& view) {
  if (ofPad(view))
    (void)session.apply(tr("%1 out").arg(str(Name(pinName(view.pick().id)))),
                        edit::padOut(session.project(), view.pick().id, true));
}

void padsOwn(Session& session, const FaceView& view) {
  if (ofPad(view))
    (void)session.apply(tr("the animal's own face"), edit::padOwn(session.project(), view.pick().id));
  else if (moves(view.pick()))
    (void)session.apply(tr("%1 where the animal has it").arg(str(Name(pinName(view.pick().id)))),
                        edit::partOwn(session.project(), view.pick().id));
  else if (view.pick().kind == FacePick::Kind::None)
    (void)session.apply(tr("the animal's own face"), edit::allPadsOwn(session.project()));
}

void eyeStep(Session& session, const FaceView& view, int step) {
  if (view.sums())
    (void)session.apply(tr("eyes"),
                        edit::eyeStep(session.project(), *view.sums(), session.catalog().face, step));
}

void roundHead(Session& session) {
  if (!session.plan().figure->head)
    (void)session.apply(tr("a round head"), edit::roundHead(session.project(), true));
}

bool mend(Session& session, const FaceView& view, const Finding& finding) {
  if (!view.sums()) return false;
  const auto ways = edit::faceRemedies(session.project(), *view.sums(), finding, session.catalog().face);
  if (ways.empty()) return false;
  (void)session.apply(str(ways.front().text, session.units()), ways.front().project);
  return true;
}

} // namespace columna::face
