// What was written at the last figure of this animal, to be heeded at this one; put away with a button each.
#pragma once

#include "make/make_view.h"

#include <QLabel>
#include <QPushButton>
#include <QWidget>

namespace columna {

class LastTimeList : public QWidget {
  Q_OBJECT
public:
  LastTimeList(Session& session, MakeView& view, QWidget* parent);
  /// Shows what there is; whether there is anything.
  bool refresh();
  [[nodiscard]] QList<QLabel*> notes() const;
  [[nodiscard]] QList<QPushButton*> buttons() const;

private:
  Session& session_;
  MakeView& view_;
  std::vector<LastTime> shown_;
};

} // namespace columna
