#include "study/gallery.h"

#include "mat/shape.h"
#include "theme/theme.h"

#include <QLineEdit>
#include <QPainter>

namespace columna {

PatternTile::PatternTile(const Pattern& pattern, QWidget* parent)
    : QAbstractButton(parent), id_(QString::fromStdString(pattern.id)), pattern_(pattern) {
  setText(QString::fromStdString(pattern.name));
  setCheckable(true);
  setFocusPolicy(Qt::TabFocus);
  setCursor(Qt::PointingHandCursor);
  life_ = tr("%1 mm in life").arg(qRound(pattern.lifeMm));
  setToolTip(QString::fromStdString(pattern.about));
  setAccessibleName(tr("%1: %2").arg(text(), QString::fromStdString(pattern.about)));
}

QSize PatternTile::sizeHint() const { return {px(168), px(126)}; }

void PatternTile::paintEvent(QPaintEvent* /*event*/) {
  if (shape_.isEmpty())
    if (const auto figure = makeFigure(pattern_, {SizeBy::OverallHeight, 200}))
      shape_ = toPath(silhouette(*figure, View::Side), figure->scale);
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const QRectF r = QRectF(rect()).adjusted(1, 1, -1, -1);
  if (isChecked() || underMouse() || hasFocus()) {
    p.setPen(isChecked() || hasFocus() ? QPen(t.woad, hasFocus() ? 2 : 1) : QPen(Qt::NoPen));
    p.setBrush(t.wash);
    p.drawRoundedRect(r, 6, 6);
  }
  const QRectF room = r.adjusted(px(14), px(12), -px(14), -px(46));
  const QRectF b = shape_.boundingRect();
  const double s = std::min(room.width() / b.width(), room.height() / b.height());
  QTransform m(s, 0, 0, -s, room.center().x() - b.center().x() * s, room.bottom() + b.top() * s);
  p.setPen(Qt::NoPen);
  p.setBrush(isChecked() ? t.woad : t.solid);
  p.drawPath(m.map(shape_));
  p.setPen(t.ink);
  p.setFont(typeface(13, QFont::DemiBold));
  p.drawText(QRectF(r.left(), r.bottom() - px(42), r.width(), px(20)), Qt::AlignCenter, text());
  p.setPen(t.faint);
  p.setFont(typeface(12));
  p.drawText(QRectF(r.left(), r.bottom() - px(24), r.width(), px(18)), Qt::AlignCenter, life_);
}

Gallery::Gallery(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  filter_ = new QLineEdit(this);
  filter_->setPlaceholderText(tr("find an animal"));
  filter_->setAccessibleName(tr("Find an animal by name"));
  for (const Pattern& pattern : session_.catalog().patterns) {
    auto* tile = new PatternTile(pattern, this);
    connect(tile, &QAbstractButton::clicked, this, [this, tile] {
      session_.setPattern(tile->id());
      refresh();
    });
    tiles_.push_back(tile);
  }
  connect(filter_, &QLineEdit::textChanged, this, &Gallery::refresh);
  connect(filter_, &QLineEdit::returnPressed, this, [this] {
    for (PatternTile* tile : tiles_)
      if (tile->isVisibleTo(this)) {
        tile->click();
        return;
      }
  });
  connect(&session_, &Session::planChanged, this, &Gallery::refresh);
  refresh();
}

void Gallery::resizeEvent(QResizeEvent* /*event*/) { lay(); }

/// Rows of tiles, the field to find one in the first place of all.
void Gallery::lay() {
  const QSize tile(px(150), px(126));
  const int gap = px(6);
  filter_->setGeometry(0, px(4), tile.width() - gap, filter_->sizeHint().height());
  int x = tile.width() + gap;
  int y = 0;
  for (PatternTile* each : tiles_) {
    if (!each->isVisibleTo(this)) continue;
    if (x > 0 && x + tile.width() > width()) {
      x = 0;
      y += tile.height() + gap;
    }
    each->setGeometry(QRect(QPoint(x, y), tile));
    x += tile.width() + gap;
  }
  setMinimumHeight(y + tile.height());
}

void Gallery::refresh() {
  const QString now = QString::fromStdString(session_.project().pattern);
  const QString wanted = filter_->text().trimmed();
  for (PatternTile* tile : tiles_) {
    tile->setChecked(tile->id() == now);
    tile->setVisible(wanted.isEmpty() || tile->text().contains(wanted, Qt::CaseInsensitive));
  }
  lay();
}

} // namespace columna
