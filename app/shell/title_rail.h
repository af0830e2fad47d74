// The rail above the mat: the name with its menu, the size, the construction, undo and redo by name, mm or
// in.
#pragma once

#include "session/session.h"

#include <QToolButton>
#include <QWidget>

class QLabel;
class QMenu;

namespace columna {

class TitleRail : public QWidget {
  Q_OBJECT
public:
  TitleRail(Session& session, QMenu* menu, QWidget* parent = nullptr);
  [[nodiscard]] QToolButton* undoButton() const { return undo_; }

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  void refresh();
  Session& session_;
  QToolButton* name_;
  QLabel* size_;
  QLabel* length_;
  QToolButton* construction_;
  QToolButton* undo_;
  QToolButton* redo_;
  QToolButton* mm_;
  QToolButton* in_;
};

} // namespace columna
