// The foot of the window: totals that follow every change, and the things to look at, stepped through by a
// click.
#pragma once

#include "stage/stage.h"

#include <QAbstractButton>
#include <QWidget>

namespace columna {

class Tally : public QWidget {
  Q_OBJECT
public:
  Tally(Session& session, const Stages& stages, QWidget* parent = nullptr);
  /// Selects the limb of the next finding.
  void nextFinding();
  [[nodiscard]] QAbstractButton* findings() const;
  /// Says something once, in place of the findings, until the next change.
  void say(const QString& sentence);
  /// What the keyboard is on.
  void note(const QString& words);

protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;

private:
  class Look;
  void refresh();
  Session& session_;
  const Stages& stages_;
  Look* look_;
  [[nodiscard]] const std::vector<Finding>& looked() const;
  int at_ = -1;
  bool stepping_ = false;
  bool walking_ = false; ///< through the figure's findings, whatever stage they lead to
  QString said_;
  bool noted_ = false;
};

} // namespace columna
