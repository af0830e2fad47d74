// The wire's life: which poses are gone through, how often, and what share of each joint's bends that takes.
#pragma once

#include "session/session.h"

#include <QWidget>

class QLabel;
class QListWidget;
class QPushButton;
class QSpinBox;

namespace columna {

class LifePanel : public QWidget {
  Q_OBJECT
public:
  explicit LifePanel(Session& session, QWidget* parent = nullptr);
  void refresh();
  [[nodiscard]] QListWidget* poses() const { return poses_; }
  [[nodiscard]] QSpinBox* times() const { return times_; }
  [[nodiscard]] QPushButton* recordKey() const { return record_; }

private:
  class Bars;
  Session& session_;
  bool filling_ = false;
  QListWidget* poses_;
  QSpinBox* times_;
  QPushButton* record_;
  QLabel* made_;
  Bars* bars_;
};

} // namespace columna
