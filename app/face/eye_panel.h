// The eyes: what they are, and the sizes that are sold.
#pragma once

#include "face/face_strip.h"

class QComboBox;
class QLabel;

namespace columna {

class EyePanel : public QWidget {
  Q_OBJECT
public:
  EyePanel(Session& session, FaceView& view, QWidget* parent = nullptr);
  [[nodiscard]] FaceStrip* sizes() const { return sizes_; }
  /// As the animal's own first, then each kind.
  [[nodiscard]] QComboBox* kinds() const { return kinds_; }

private:
  void fill();
  Session& session_;
  FaceView& view_;
  QComboBox* kinds_;
  QLabel* says_;
  FaceStrip* sizes_;
};

} // namespace columna
