#include "study/study_rack.h"

#include "study/character_panel.h"
#include "study/compare_panel.h"
#include "study/gallery.h"
#include "study/made_panel.h"
#include "study/photo_panel.h"
#include "study/scale_panel.h"
#include "theme/theme.h"

#include <QPainter>
#include <QScrollArea>
#include <QStackedWidget>
#include <QVBoxLayout>

namespace columna {

StudyRack::StudyRack(Session& session, StudyLayer* layer, QWidget* parent)
    : QWidget(parent), session_(session) {
  setAccessibleName(tr("Proportions"));
  auto* outer = new QVBoxLayout(this);
  outer->setContentsMargins(px(30), px(8), px(24), px(8));
  outer->setSpacing(px(6));
  tabs_ = new TabRow(
      {tr("Animals"), tr("Character"), tr("Photo to trace"), tr("Made parts"), tr("Scale"), tr("Compare")},
      {tr("Animals"), tr("Character"), tr("Photo"), tr("Made"), tr("Scale"), tr("Compare")}, this);
  connect(tabs_, &TabRow::chosen, this, [this](int i) { session_.setWay(static_cast<Way>(i)); });
  outer->addWidget(tabs_);
  pages_ = new QStackedWidget(this);
  gallery_ = new Gallery(session_, nullptr);
  character_ = new CharacterPanel(session_, nullptr);
  photo_ = new PhotoPanel(session_, layer, nullptr);
  made_ = new MadePanel(session_, nullptr);
  scale_ = new ScalePanel(session_, nullptr);
  compare_ = new ComparePanel(session_, nullptr);
  for (QWidget* page : std::array<QWidget*, 6>{gallery_, character_, photo_, made_, scale_, compare_}) {
    auto* scroll = new QScrollArea(pages_);
    scroll->setWidgetResizable(true);
    scroll->setFocusPolicy(Qt::NoFocus);
    scroll->setWidget(page);
    pages_->addWidget(scroll);
  }
  outer->addWidget(pages_, 1);
  connect(&session_, &Session::studyChanged, this, &StudyRack::refresh);
  refresh();
}

void StudyRack::refresh() {
  pages_->setCurrentIndex(static_cast<int>(session_.way()));
  tabs_->setCurrent(static_cast<int>(session_.way()));
}

void StudyRack::paintEvent(QPaintEvent* /*event*/) {
  QPainter p(this);
  p.fillRect(rect(), theme().ground);
  p.setPen(QPen(theme().rule, 1));
  p.drawLine(0, 0, width(), 0);
}

} // namespace columna
