#include "wire/wire_desk.h"

#include "theme/theme.h"
#include "wire/allowance_panel.h"
#include "wire/bend_panel.h"
#include "wire/drawer_panel.h"
#include "wire/stock_panel.h"
#include "wire/wire_rack.h"

#include <QPainter>
#include <QScrollArea>
#include <QStackedWidget>
#include <QVBoxLayout>

namespace columna {

WireDesk::WireDesk(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setAccessibleName(tr("Wire"));
  auto* outer = new QVBoxLayout(this);
  outer->setContentsMargins(px(30), px(8), px(24), px(8));
  outer->setSpacing(px(6));
  tabs_ = new TabRow({tr("Pieces to cut"), tr("Cut from"), tr("Bends"), tr("Drawer"), tr("Allowances")},
                     {tr("Pieces"), tr("Cut from"), tr("Bends"), tr("Drawer"), tr("Allow")}, this);
  outer->addWidget(tabs_);
  pages_ = new QStackedWidget(this);
  pieces_ = new WireRack(session_, nullptr);
  stock_ = new StockPanel(session_, nullptr);
  bends_ = new BendPanel(session_, nullptr);
  drawer_ = new DrawerPanel(session_, nullptr);
  allowances_ = new AllowancePanel(session_, nullptr);
  for (QWidget* page : std::initializer_list<QWidget*>{pieces_, stock_, bends_, drawer_, allowances_}) {
    auto* scroll = new QScrollArea(pages_);
    scroll->setWidgetResizable(true);
    scroll->setFocusPolicy(Qt::NoFocus);
    scroll->setWidget(page);
    pages_->addWidget(scroll);
  }
  outer->addWidget(pages_, 1);
  connect(tabs_, &TabRow::chosen, &session_, &Session::setWireTab);
  connect(&session_, &Session::studyChanged, this, &WireDesk::refresh);
  refresh();
}

void WireDesk::refresh() {
  pages_->setCurrentIndex(session_.wireTab());
  tabs_->setCurrent(session_.wireTab());
}

void WireDesk::paintEvent(QPaintEvent* /*event*/) {
  QPainter p(this);
  p.fillRect(rect(), theme().ground);
  p.setPen(QPen(theme().rule, 1));
  p.drawLine(0, 0, width(), 0);
}

} // namespace columna
