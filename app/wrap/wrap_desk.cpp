#include "wrap/wrap_desk.h"

#include "theme/theme.h"
#include "wrap/coat_panel.h"
#include "wrap/stop_panel.h"
#include "wrap/wool_panel.h"
#include "wrap/wrap_rack.h"

#include <QPainter>
#include <QScrollArea>
#include <QStackedWidget>
#include <QVBoxLayout>

namespace columna {

WrapDesk::WrapDesk(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setAccessibleName(tr("Wool"));
  auto* outer = new QVBoxLayout(this);
  outer->setContentsMargins(px(30), px(6), px(16), px(6));
  outer->setSpacing(px(6));
  tabs_ = new TabRow({tr("Strips and pads"), tr("Wool at hand"), tr("Coat and markings"), tr("Measured")},
                     {tr("Strips"), tr("Wool"), tr("Coat"), tr("Measured")}, this);
  outer->addWidget(tabs_, 0, Qt::AlignLeft);
  pages_ = new QStackedWidget(this);
  heaps_ = new WrapRack(session_, nullptr);
  wool_ = new WoolPanel(session_, nullptr);
  coat_ = new CoatPanel(session_, nullptr);
  stop_ = new StopPanel(session_, nullptr);
  for (QWidget* page : std::initializer_list<QWidget*>{heaps_, wool_, coat_, stop_}) {
    auto* scroll = new QScrollArea(pages_);
    scroll->setWidgetResizable(true);
    scroll->setFocusPolicy(Qt::NoFocus);
    scroll->setWidget(page);
    pages_->addWidget(scroll);
  }
  outer->addWidget(pages_, 1);
  const auto follow = [this] {
    tabs_->setCurrent(session_.wrapTab());
    pages_->setCurrentIndex(session_.wrapTab());
  };
  connect(tabs_, &TabRow::chosen, &session_, &Session::setWrapTab);
  connect(&session_, &Session::studyChanged, this, follow);
  follow();
}

void WrapDesk::paintEvent(QPaintEvent* /*event*/) {
  QPainter p(this);
  p.fillRect(rect(), theme().ground);
  p.setPen(QPen(theme().rule, 1));
  p.drawLine(0, 0, width(), 0);
}

} // namespace columna
