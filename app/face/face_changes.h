// What Face changes by its keys and by its card's buttons: one place for both. Each is a step to undo.
#pragma once

#include "face/face_view.h"

namespace columna::face {

/// The chosen pad; nothing where none is.
void padSized(Session& session, const FaceView& view, double factor);
void padOut(Session& session, const FaceView& view);
/// A pad or a hollow of the maker's own at what is chosen: a place, a pin, an eye; with nothing chosen a
/// place is chosen first, in the middle of the face.
void layPad(Session& session, FaceView& view, bool hollow);
/// One of small anatomy laid on, or taken off.
void layOffered(Session& session, const std::string& id, bool on);
/// Whether it can be dragged: a pad, an eye or an ear.
[[nodiscard]] bool moves(const FacePick& pick);
/// The chosen pad, eye or ear as the animal's own; with none chosen all of them, those left out too.
void padsOwn(Session& session, const FaceView& view);
/// Eyes of the next size sold.
void eyeStep(Session& session, const FaceView& view, int step);
/// The eyes before the nose, or after it; the hair before the ears, or after them.
void turnSchool(Session& session);
void turnHair(Session& session);
/// Another sex, breed or colour of the animal, by its id, or as usual; or the one listed next.
void takeVariant(Session& session, const std::string& id);
void nextVariant(Session& session);
/// For an animal that has no head.
void roundHead(Session& session);
/// Takes what would mend a finding best; false where nothing but the hand does.
bool mend(Session& session, const FaceView& view, const Finding& finding);

} // namespace columna::face
