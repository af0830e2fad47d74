#include "shell/title_rail.h"

#include "judge/advice.h"

#include "kit/parts.h"
#include "kit/say.h"
#include "session/changes.h"
#include "theme/theme.h"

#include <QActionGroup>
#include <QHBoxLayout>
#include <QMenu>
#include <QPainter>
#include <QPainterPath>

namespace columna {
namespace {

/// A curved arrow back (or forward), drawn so that no icon theme is needed.
QIcon turnIcon(bool forward, const QColor& colour) {
  const int s = px(18);
  QPixmap pixmap(s * 2, s * 2);
  pixmap.setDevicePixelRatio(2);
  pixmap.fill(Qt::transparent);
  QPainter p(&pixmap);
  p.setRenderHint(QPainter::Antialiasing);
  if (forward) {
    p.translate(s, 0);
    p.scale(-1, 1);
  }
  p.setPen(QPen(colour, s / 11.0, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
  QPainterPath path(QPointF(s * 0.18, s * 0.36));
  path.lineTo(s * 0.6, s * 0.36);
  path.arcTo(QRectF(s * 0.36, s * 0.36, s * 0.46, s * 0.42), 90, -180);
  path.lineTo(s * 0.34, s * 0.78);
  p.drawPath(path);
  p.drawPolyline(
      QPolygonF{QPointF(s * 0.36, s * 0.16), QPointF(s * 0.16, s * 0.36), QPointF(s * 0.36, s * 0.56)});
  return QIcon(pixmap);
}

/// The name's type: with large text it gives way to the rest of the rail.
double titleSize() { return textScale() > 1.3 ? 16 : 24; }

} // namespace

TitleRail::TitleRail(Session& session, QMenu* menu, QWidget* parent) : QWidget(parent), session_(session) {
  auto* layout = new QHBoxLayout(this);
  layout->setContentsMargins(textScale() > 1.3 ? frame(8) : px(26), 0, frame(16), 0);
  layout->setSpacing(textScale() > 1.3 ? frame(4) : px(12));
  name_ = new QToolButton(this);
  name_->setPopupMode(QToolButton::InstantPopup);
  name_->setMenu(menu);
  name_->setFocusPolicy(Qt::TabFocus);
  name_->setStyleSheet(
      QStringLiteral("QToolButton { font-size: %1px; font-weight: 600; }").arg(px(titleSize())));
  layout->addWidget(name_);
  auto* sizes = new QVBoxLayout;
  sizes->setSpacing(0);
  sizes->addStretch();
  size_ = textLabel(this, 13, QFont::DemiBold, false);
  length_ = textLabel(this, 13, QFont::Normal, false);
  setFaint(length_);
  sizes->addWidget(size_);
  sizes->addWidget(length_);
  sizes->addStretch();
  layout->addLayout(sizes);
  construction_ = new QToolButton(this);
  construction_->setPopupMode(QToolButton::InstantPopup);
  construction_->setFocusPolicy(Qt::TabFocus);
  construction_->setStyleSheet(QStringLiteral("QToolButton { font-weight: 600; }"));
  construction_->setAccessibleName(tr("Construction"));
  auto* kinds = new QMenu(construction_);
  // Made when it opens: what suits this figure first, and why.
  connect(kinds, &QMenu::aboutToShow, this, [this, kinds] {
    kinds->clear();
    for (const Advice& a : allAdvice(session_.project().use, session_.plan())) {
      const QString mark = a.level == Level::Good       ? QStringLiteral("✓")
                           : a.level == Level::Doubtful ? QStringLiteral("?")
                                                        : QStringLiteral("✕");
      QAction* action = kinds->addAction(
          QStringLiteral("%1  %2\t%3")
              .arg(mark, str(Name(columna::name(a.construction))), str(a.reason, session_.units())));
      action->setToolTip(
          tr("%1; gives up %2").arg(str(Name(built(a.construction))), str(Name(givesUp(a.construction)))));
      QFont font = action->font();
      font.setBold(a.construction == session_.project().construction);
      action->setFont(font);
      action->setEnabled(a.level != Level::Wrong);
      connect(action, &QAction::triggered, this,
              [this, each = a.construction] { changes::setConstruction(session_, each); });
    }
  });
  kinds->setToolTipsVisible(true);
  construction_->setMenu(kinds);
  layout->addWidget(construction_);
  layout->addStretch();
  undo_ = new QToolButton(this);
  redo_ = new QToolButton(this);
  for (QToolButton* b : {undo_, redo_}) {
    b->setFocusPolicy(Qt::TabFocus);
    b->setIconSize(QSize(px(18), px(18)));
    layout->addWidget(b);
  }
  connect(undo_, &QToolButton::clicked, &session_, &Session::undo);
  connect(redo_, &QToolButton::clicked, &session_, &Session::redo);
  auto* units = new QHBoxLayout;
  units->setSpacing(0);
  mm_ = new QToolButton(this);
  in_ = new QToolButton(this);
  mm_->setText(str(std::string(lengthUnit(UnitSystem::Metric))));
  in_->setText(str(std::string(lengthUnit(UnitSystem::Inch))));
  mm_->setAccessibleName(tr("Millimetres and grams"));
  in_->setAccessibleName(tr("Inches and ounces"));
  for (QToolButton* b : {mm_, in_}) {
    b->setCheckable(true);
    b->setFocusPolicy(Qt::TabFocus);
    b->setFixedSize(px(34), px(26));
    units->addWidget(b);
  }
  connect(mm_, &QToolButton::clicked, this, [this] {
    changes::setUnits(session_, UnitSystem::Metric);
    refresh();
  });
  connect(in_, &QToolButton::clicked, this, [this] {
    changes::setUnits(session_, UnitSystem::Inch);
    refresh();
  });
  layout->addLayout(units);
  session_.onSettled(this, [this] { refresh(); });
  connect(&session_, &Session::fileChanged, this, &TitleRail::refresh);
  refresh();
}

void TitleRail::refresh() {
  const Theme& t = theme();
  const Figure& f = session_.plan().figure;
  const UnitSystem units = session_.units();
  const QString full = str(session_.project().name);
  name_->setText(QFontMetrics(typeface(titleSize(), QFont::DemiBold))
                     .elidedText(full, Qt::ElideRight, textScale() > 1.3 ? px(72) : px(210)) +
                 QStringLiteral(" ▾"));
  name_->setAccessibleName(tr("%1, menu").arg(full));
  name_->setToolTip(full);
  size_->setText(tr("%1 high").arg(str(printLength(f.overallHeight, units))));
  length_->setText(tr("%1 at the shoulder").arg(str(printLength(f.shoulderHeight, units))));
  const QString built = str(Name(columna::name(session_.project().construction)));
  construction_->setText(QFontMetrics(typeface(13, QFont::DemiBold))
                             .elidedText(built, Qt::ElideRight, px(textScale() > 1.3 ? 90 : 220)) +
                         QStringLiteral(" ▾"));
  construction_->setToolTip(built);
  const History& h = session_.history();
  undo_->setEnabled(h.canUndo());
  redo_->setEnabled(h.canRedo());
  const QString undoing = h.canUndo() ? tr("undo %1").arg(str(h.undoName())) : tr("undo");
  size_->setVisible(textScale() <= 1.3); // the mat and the card say it too
  length_->setVisible(textScale() <= 1.3);
  undo_->setToolButtonStyle(textScale() > 1.3 ? Qt::ToolButtonIconOnly : Qt::ToolButtonTextBesideIcon);
  undo_->setText(QFontMetrics(typeface(13)).elidedText(undoing, Qt::ElideRight, px(150)));
  undo_->setAccessibleName(undoing);
  undo_->setToolTip(tr("%1, Ctrl+Z").arg(undoing));
  const QString redoing = h.canRedo() ? tr("redo %1").arg(str(h.redoName())) : tr("redo");
  redo_->setAccessibleName(redoing);
  redo_->setToolTip(tr("%1, Ctrl+Shift+Z").arg(redoing));
  undo_->setIcon(turnIcon(false, h.canUndo() ? t.ink : t.rule));
  redo_->setIcon(turnIcon(true, h.canRedo() ? t.ink : t.rule));
  const bool metric = units == UnitSystem::Metric;
  mm_->setChecked(metric);
  in_->setChecked(!metric);
  const auto look = [&](bool on, bool left) {
    return QStringLiteral("QToolButton { border: 1px solid %1; border-radius: 0; border-top-%4-radius: 6px; "
                          "border-bottom-%4-radius: 6px; background: %2; color: %3; } "
                          "QToolButton:focus { border: 2px solid %5; }")
        .arg(t.hollow.name(), on ? t.solid.name() : t.card.name(), on ? t.onSolid.name() : t.ink.name(),
             left ? QStringLiteral("left") : QStringLiteral("right"), t.woad.name());
  };
  mm_->setStyleSheet(look(metric, true));
  in_->setStyleSheet(look(!metric, false));
}

void TitleRail::paintEvent(QPaintEvent* /*event*/) {
  QPainter p(this);
  p.fillRect(rect(), theme().ground);
  p.setPen(QPen(theme().rule, 1));
  p.drawLine(0, height() - 1, width(), height() - 1);
}

} // namespace columna
