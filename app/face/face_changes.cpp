#include "face/face_changes.h"

#include "edit/face_edit.h"
#include "edit/own_pads.h"
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

void layPad(Session& session, FaceView& view, bool hollow) {
  const FaceSums* sums = view.sums();
  if (!sums || sums->report.pins.empty()) return;
  const auto at = view.chosenPlace();
  if (!at) {
    view.choosePlace(view.byHalving({0, 0.5}).value_or(sums->report.pins.front().at));
    return;
  }
  std::string id;
  auto laid = edit::padLaid(session.project(), session.catalog(), session.plan(), *sums, *at, hollow, id);
  if (!session.apply(hollow ? tr("a hollow") : tr("a pad"), std::move(laid)))
    view.choose({FacePick::Kind::Pad, id});
}

void layOffered(Session& session, const std::string& id, bool on) {
  (void)session.apply(on ? tr("%1 laid on").arg(str(Name(pinName(id))))
                         : tr("%1 taken off").arg(str(Name(pinName(id)))),
                      edit::offeredPad(session.project(), session.catalog(), id, on));
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

void turnSchool(Session& session) {
  const bool nose = session.project().face.school == FaceSchool::NoseFirst;
  (void)session.apply(
      nose ? tr("eyes first") : tr("nose first"),
      edit::faceSchool(session.project(), nose ? FaceSchool::EyesFirst : FaceSchool::NoseFirst));
}

void turnHair(Session& session) {
  const bool first = session.project().face.hairFirst;
  (void)session.apply(first ? tr("ears first") : tr("hair first"),
                      edit::hairFirst(session.project(), !first));
}

void takeVariant(Session& session, const std::string& id) {
  if (id == session.project().face.variant) return;
  (void)session.apply(tr("another of its kind"), edit::headVariant(session.project(), session.catalog(), id));
}

void nextVariant(Session& session) {
  const HeadPattern* head = session.catalog().head(session.project().pattern);
  if (head && !head->variants.empty())
    (void)session.apply(tr("another of its kind"), edit::nextVariant(session.project(), session.catalog()));
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
