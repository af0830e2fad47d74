// Face's desk: pads, eyes, ears, feet and the head map, a tab each.
#pragma once

#include "face/face_strip.h"
#include "face/pin_panel.h"
#include "kit/desk.h"

namespace columna {

class FaceDesk : public Desk {
  Q_OBJECT
public:
  FaceDesk(Session& session, FaceView& view, QWidget* parent);
  [[nodiscard]] FaceStrip* pads() const { return pads_; }
  [[nodiscard]] FaceStrip* eyes() const { return eyes_; }
  [[nodiscard]] FaceStrip* flats() const { return flats_; }
  [[nodiscard]] FaceStrip* soles() const { return soles_; }
  [[nodiscard]] PinPanel* pins() const { return pins_; }

private:
  FaceStrip *pads_, *eyes_, *flats_, *soles_;
  PinPanel* pins_;
};

} // namespace columna
