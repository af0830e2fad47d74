// The face in the order of work: the steps, what the maker sets first, and the glues, with what has to dry.
#pragma once

#include "edit/face_edit.h"
#include "face/face_strip.h"

class QComboBox;

namespace columna {

class OrderPanel : public QWidget {
  Q_OBJECT
public:
  OrderPanel(Session& session, FaceView& view, QWidget* parent = nullptr);

private:
  void fill();
  QComboBox* choice(const QString& name, int letters);
  void glued(QComboBox* box, edit::GluedPart what, const QString& change);
  Session& session_;
  FaceView& view_;
  QComboBox* school_;
  QComboBox* hair_;
  QComboBox* eyes_;
  QComboBox* parts_;
  QWidget* partsRow_;
};

} // namespace columna
