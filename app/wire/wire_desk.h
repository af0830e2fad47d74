// Wire's rack: pieces to cut, what they are cut from, how a piece is bent, what is in the drawer, and what
// the hand takes, a tab each.
#pragma once

#include "kit/tab_row.h"
#include "session/session.h"

#include <QWidget>

class QStackedWidget;

namespace columna {

class AllowancePanel;
class BendPanel;
class DrawerPanel;
class StockPanel;
class WireRack;

class WireDesk : public QWidget {
  Q_OBJECT
public:
  explicit WireDesk(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] WireRack* pieces() const { return pieces_; }
  [[nodiscard]] StockPanel* stock() const { return stock_; }
  [[nodiscard]] BendPanel* bends() const { return bends_; }
  [[nodiscard]] DrawerPanel* drawer() const { return drawer_; }
  [[nodiscard]] AllowancePanel* allowances() const { return allowances_; }
  [[nodiscard]] TabRow* tabs() const { return tabs_; }

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  void refresh();
  Session& session_;
  TabRow* tabs_;
  QStackedWidget* pages_;
  WireRack* pieces_;
  StockPanel* stock_;
  BendPanel* bends_;
  DrawerPanel* drawer_;
  AllowancePanel* allowances_;
};

} // namespace columna
