#include "kit/desk.h"

#include "theme/theme.h"

#include <QHBoxLayout>
#include <QPainter>
#include <QScrollArea>
#include <QStackedWidget>
#include <QVBoxLayout>

namespace columna {

Desk::Desk(const QString& name, const QStringList& tabs, const QStringList& shorter, QWidget* parent)
    : QWidget(parent) {
  setAccessibleName(name);
  auto* outer = new QVBoxLayout(this);
  outer->setContentsMargins(px(30), px(8), px(textScale() > 1.3 ? 16 : 24), px(8));
  outer->setSpacing(px(6));
  top_ = new QHBoxLayout;
  tabs_ = new TabRow(tabs, shorter, this);
  top_->addWidget(tabs_);
  top_->addStretch();
  outer->addLayout(top_);
  pages_ = new QStackedWidget(this);
  outer->addWidget(pages_, 1);
}

void Desk::addPage(QWidget* page, bool upright) {
  auto* scroll = new QScrollArea(pages_);
  scroll->setWidgetResizable(true);
  scroll->setFocusPolicy(Qt::NoFocus);
  if (!upright) scroll->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setWidget(page);
  pages_->addWidget(scroll);
}

void Desk::setCurrent(int index) {
  pages_->setCurrentIndex(index);
  tabs_->setCurrent(index);
}

void Desk::paintEvent(QPaintEvent* /*event*/) {
  QPainter p(this);
  p.fillRect(rect(), theme().ground);
  p.setPen(QPen(theme().rule, 1));
  p.drawLine(0, 0, width(), 0);
}

} // namespace columna
