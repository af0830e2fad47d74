// Face's desk: pads, eyes, ears, feet, the head map and the order of work, a tab each.
#pragma once

#include "face/eye_panel.h"
#include "face/face_strip.h"
#include "face/order_panel.h"
#include "face/pad_panel.h"
#include "face/pin_panel.h"
#include "kit/desk.h"

namespace columna {

class FaceDesk : public Desk {
  Q_OBJECT
public:
  FaceDesk(Session& session, FaceView& view, QWidget* parent);
  [[nodiscard]] PadPanel* pads() const { return pads_; }
  [[nodiscard]] FaceStrip* eyes() const { return eyes_->sizes(); }
  [[nodiscard]] EyePanel* eyePanel() const { return eyes_; }
  [[nodiscard]] FaceStrip* flats() const { return flats_; }
  [[nodiscard]] FaceStrip* soles() const { return soles_; }
  [[nodiscard]] PinPanel* pins() const { return pins_; }
  [[nodiscard]] OrderPanel* order() const { return order_; }

private:
  PadPanel* pads_;
  EyePanel* eyes_;
  FaceStrip *flats_, *soles_;
  PinPanel* pins_;
  OrderPanel* order_;
};

} // namespace columna
