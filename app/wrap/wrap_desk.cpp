#include "wrap/wrap_desk.h"

#include "wrap/coat_panel.h"
#include "wrap/stop_panel.h"
#include "wrap/wool_panel.h"
#include "wrap/wrap_rack.h"

namespace columna {

WrapDesk::WrapDesk(Session& session, WrapView& view, QWidget* parent)
    : Desk(tr("Wool"), {tr("Strips and pads"), tr("Wool at hand"), tr("Coat and markings"), tr("Measured")},
           {tr("Strips"), tr("Wool"), tr("Coat"), tr("Measured")}, parent) {
  heaps_ = new WrapRack(session, nullptr);
  wool_ = new WoolPanel(session, nullptr);
  coat_ = new CoatPanel(session, view, nullptr);
  stop_ = new StopPanel(session, nullptr);
  for (QWidget* page : std::initializer_list<QWidget*>{heaps_, wool_, coat_, stop_}) addPage(page);
  connect(tabs(), &TabRow::chosen, &view, &WrapView::setTab);
  const auto follow = [this, &view] { setCurrent(view.tab()); };
  connect(&view, &WrapView::changed, this, follow);
  follow();
}

} // namespace columna
