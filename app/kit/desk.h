// A stage's desk under the mat: pages, a tab each, one of them shown.
#pragma once

#include "kit/tab_row.h"

#include <QWidget>

class QHBoxLayout;
class QStackedWidget;

namespace columna {

class Desk : public QWidget {
  Q_OBJECT
public:
  /// `shorter` names are used when the text is large.
  Desk(const QString& name, const QStringList& tabs, const QStringList& shorter, QWidget* parent);
  /// The next tab's page, which may scroll; the desk takes it.
  void addPage(QWidget* page, bool upright = true);
  void setCurrent(int index);
  [[nodiscard]] TabRow* tabs() const { return tabs_; }

protected:
  void paintEvent(QPaintEvent* event) override;
  /// Beside the tabs.
  [[nodiscard]] QHBoxLayout* top() const { return top_; }

private:
  TabRow* tabs_;
  QHBoxLayout* top_;
  QStackedWidget* pages_;
};

} // namespace columna
