#include "shell/rack.h"

#include "kit/parts.h"
#include "theme/theme.h"

#include <QHBoxLayout>
#include <QPainter>
#include <QVBoxLayout>

namespace columna {

Rack::Rack(const QString& heading, const QString& words, QWidget* content, QWidget* parent)
    : QWidget(parent), content_(content) {
  setAccessibleName(heading);
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(px(32), px(12), px(24), px(8));
  layout->setSpacing(px(6));
  auto* row = new QHBoxLayout;
  row->setSpacing(px(14));
  heading_ = textLabel(this, 15, QFont::DemiBold, false);
  words_ = textLabel(this, 13, QFont::Normal, false);
  setFaint(words_);
  row->addWidget(heading_, 0, Qt::AlignBaseline);
  row->addWidget(words_, 1, Qt::AlignBaseline);
  layout->addLayout(row);
  auto* scroll = new QScrollArea(this);
  scroll->setWidgetResizable(true);
  scroll->setFocusPolicy(Qt::NoFocus);
  scroll->setWidget(content);
  layout->addWidget(scroll, 1);
  setHeading(heading, words);
}

void Rack::setHeading(const QString& heading, const QString& words) {
  heading_->setText(heading);
  words_->setText(words);
}

void Rack::paintEvent(QPaintEvent* /*event*/) {
  QPainter p(this);
  p.fillRect(rect(), theme().ground);
  p.setPen(QPen(theme().rule, 1));
  p.drawLine(0, 0, width(), 0);
}

} // namespace columna
