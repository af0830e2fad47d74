// The pads of the face in the order of work, and under them those that may be laid on beside: small anatomy
// of head and body, each a button that is down while it is on.
#pragma once

#include "face/face_strip.h"

class QPushButton;

namespace columna {

class PadPanel : public QWidget {
  Q_OBJECT
public:
  PadPanel(Session& session, FaceView& view, QWidget* parent = nullptr);
  [[nodiscard]] FaceStrip* strip() const { return strip_; }
  /// The buttons of what is offered, by its id.
  [[nodiscard]] const std::map<std::string, QPushButton*>& offered() const { return buttons_; }

private:
  void fill();
  Session& session_;
  FaceView& view_;
  FaceStrip* strip_;
  QWidget* rest_;
  std::map<std::string, QPushButton*> buttons_;
};

} // namespace columna
