// The head map as a table: every pin by the tape from the nose, and what the maker measured, left and right.
#pragma once

#include "face/face_view.h"

#include <QWidget>

class QLabel;
class QTableWidget;

namespace columna {

class PinPanel : public QWidget {
  Q_OBJECT
public:
  PinPanel(Session& session, FaceView& view, QWidget* parent = nullptr);
  [[nodiscard]] QTableWidget* table() const { return table_; }

private:
  void fill();
  void typed(int row, int column);
  Session& session_;
  FaceView& view_;
  QTableWidget* table_;
  QLabel* verdict_;
  bool filling_ = false;
};

} // namespace columna
