#include "study/study_rack.h"

#include "study/character_panel.h"
#include "study/compare_panel.h"
#include "study/gallery.h"
#include "study/made_panel.h"
#include "study/photo_panel.h"
#include "study/scale_panel.h"
#include "theme/theme.h"

#include <QHBoxLayout>
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
  auto* row = new QHBoxLayout;
  row->setSpacing(px(4));
  const std::array<QString, 6> names{tr("Animals"),    tr("Character"), tr("Photo to trace"),
                                     tr("Made parts"), tr("Scale"),     tr("Compare")};
  const std::array<QString, 6> shorter{tr("Animals"), tr("Character"), tr("Photo"),
                                       tr("Made"),    tr("Scale"),     tr("Compare")};
  for (size_t i = 0; i < tabs_.size(); ++i) {
    auto* tab = new QToolButton(this);
    tab->setText(textScale() > 1.3 ? shorter[i] : names[i]);
    tab->setCheckable(true);
    tab->setFocusPolicy(Qt::TabFocus);
    tab->setAccessibleName(names[i]);
    connect(tab, &QToolButton::clicked, this, [this, i] {
      session_.setWay(static_cast<Way>(i));
      refresh();
    });
    tabs_[i] = tab;
    row->addWidget(tab);
  }
  row->addStretch();
  outer->addLayout(row);
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
  const Theme& t = theme();
  const auto now = static_cast<size_t>(session_.way());
  pages_->setCurrentIndex(static_cast<int>(now));
  for (size_t i = 0; i < tabs_.size(); ++i) {
    tabs_[i]->setChecked(i == now);
    tabs_[i]->setStyleSheet(
        QStringLiteral("QToolButton { font-size: %1px; font-weight: %2; color: %3; border: 2px solid "
                       "transparent; border-bottom-color: %4; "
                       "border-radius: 0; padding: 2px 8px; } QToolButton:focus { border-color: %5; }")
            .arg(textScale() > 1.3 ? frame(i == now ? 14 : 13) : px(i == now ? 15 : 13))
            .arg(i == now ? 600 : 400)
            .arg(i == now ? t.ink.name() : t.faint.name(),
                 i == now ? t.woad.name() : QStringLiteral("transparent"), t.woad.name()));
  }
}

void StudyRack::paintEvent(QPaintEvent* /*event*/) {
  QPainter p(this);
  p.fillRect(rect(), theme().ground);
  p.setPen(QPen(theme().rule, 1));
  p.drawLine(0, 0, width(), 0);
}

} // namespace columna
