#include "wire/wire_desk.h"

#include "wire/allowance_panel.h"
#include "wire/bend_panel.h"
#include "wire/drawer_panel.h"
#include "wire/stock_panel.h"
#include "wire/wire_rack.h"

namespace columna {

WireDesk::WireDesk(Session& session, WireView& view, QWidget* parent)
    : Desk(tr("Wire"), {tr("Pieces to cut"), tr("Cut from"), tr("Bends"), tr("Drawer"), tr("Allowances")},
           {tr("Pieces"), tr("Cut from"), tr("Bends"), tr("Drawer"), tr("Allow")}, parent) {
  pieces_ = new WireRack(session, nullptr);
  stock_ = new StockPanel(session, nullptr);
  bends_ = new BendPanel(session, nullptr);
  drawer_ = new DrawerPanel(session, nullptr);
  allowances_ = new AllowancePanel(session, nullptr);
  for (QWidget* page : std::initializer_list<QWidget*>{pieces_, stock_, bends_, drawer_, allowances_})
    addPage(page);
  connect(tabs(), &TabRow::chosen, &view, &WireView::setTab);
  const auto follow = [this, &view] { setCurrent(view.tab()); };
  connect(&view, &WireView::changed, this, follow);
  follow();
}

} // namespace columna
