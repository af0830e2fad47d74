// What Face changes by its keys and by its card's buttons: one place for both. Each is a step to undo.
#pragma once

#include "face/face_view.h"

namespace columna::face {

/// The chosen pad; nothing where none is.
void padSized(Session& session, const FaceView& view, double factor);
void padOut(Session& session, const FaceView& view);
/// Whether it can be dragged: a pad, an eye or an ear.
[[nodiscard]] bool moves(const FacePick& pick);
/// The chosen pad, eye or ear as the animal's own; with none chosen all of them, those left out too.
void padsOwn(Session& session, const FaceView& view);
/// Eyes of the next size sold.
void eyeStep(Session& session, const FaceView& view, int step);
/// For an animal that has no head.
void roundHead(Session& session);
/// Takes what would mend a finding best; false where nothing but the hand does.
bool mend(Session& session, const FaceView& view, const Finding& finding);

} // namespace columna::face
