// Wire's rack: pieces to cut, what they are cut from, how a piece is bent, what is in the drawer, and what
// the hand takes, a tab each.
#pragma once

#include "kit/desk.h"
#include "session/session.h"
#include "wire/wire_view.h"

namespace columna {

class AllowancePanel;
class BendPanel;
class DrawerPanel;
class StockPanel;
class WireRack;

class WireDesk : public Desk {
  Q_OBJECT
public:
  WireDesk(Session& session, WireView& view, QWidget* parent = nullptr);
  [[nodiscard]] WireRack* pieces() const { return pieces_; }
  [[nodiscard]] StockPanel* stock() const { return stock_; }
  [[nodiscard]] BendPanel* bends() const { return bends_; }
  [[nodiscard]] DrawerPanel* drawer() const { return drawer_; }
  [[nodiscard]] AllowancePanel* allowances() const { return allowances_; }

private:
  WireRack* pieces_;
  StockPanel* stock_;
  BendPanel* bends_;
  DrawerPanel* drawer_;
  AllowancePanel* allowances_;
};

} // namespace columna
