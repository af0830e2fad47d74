// All steps in the order of the work, with how far each is.
#pragma once

#include "make/make_view.h"

#include <QListWidget>

namespace columna {

class StepPanel : public QWidget {
  Q_OBJECT
public:
  StepPanel(Session& session, MakeView& view, QWidget* parent = nullptr);
  [[nodiscard]] QListWidget* list() const { return list_; }

signals:
  void bench();

private:
  void refresh();
  Session& session_;
  MakeView& view_;
  QListWidget* list_;
  bool filling_ = false;
};

} // namespace columna
