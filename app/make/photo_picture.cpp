#include "make/photo_picture.h"

#include "kit/say.h"
#include "theme/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include <algorithm>

namespace columna {
namespace {

constexpr double kLonger = 5;     ///< times a hair is drawn as long as what it tells
constexpr int kFigures = 3;       ///< of the largest are written beside it
constexpr double kKeyStep = 0.02; ///< of the picture that an arrow moves a box
constexpr double kLeastBox = 0.06;

} // namespace

PhotoPicture::PhotoPicture(PhotoWork& work, UnitSystem units, QWidget* parent)
    : QWidget(parent), work_(work), units_(units) {
  setAccessibleName(tr("The photo"));
  setFocusPolicy(Qt::StrongFocus);
  setMinimumSize(px(260), px(200));
  connect(&work_, &PhotoWork::changed, this, qOverload<>(&QWidget::update));
}

void PhotoPicture::setOver(Over over) {
  over_ = over;
  update();
}

void PhotoPicture::setCurrent(int finding) {
  current_ = finding;
  update();
}

void PhotoPicture::setBoxing(bool on) {
  boxing_ = on;
  setCursor(on ? Qt::CrossCursor : Qt::ArrowCursor);
  if (on) {
    drawn_ = work_.box().value_or(PhotoBox{0.1, 0.1, 0.9, 0.9});
    setFocus();
  }
  update();
}

QRectF PhotoPicture::frame() const {
  const QSizeF size = QSizeF(work_.picture().size()).scaled(QSizeF(this->size()), Qt::KeepAspectRatio);
  return {(width() - size.width()) / 2, (height() - size.height()) / 2, size.width(), size.height()};
}

QPointF PhotoPicture::placeOf(double x, double y) const {
  const QRectF f = frame();
  return {f.left() + x * f.width(), f.top() + y * f.height()};
}

QPointF PhotoPicture::shareAt(const QPointF& place) const {
  const QRectF f = frame();
  return {std::clamp((place.x() - f.left()) / std::max(1.0, f.width()), 0.0, 1.0),
          std::clamp((place.y() - f.top()) / std::max(1.0, f.height()), 0.0, 1.0)};
}

void PhotoPicture::paintEvent(QPaintEvent* /*event*/) {
  QPainter p(this);
  const Theme& t = theme();
  p.fillRect(rect(), t.card);
  if (work_.picture().isNull()) {
    p.setPen(t.faint);
    p.setFont(typeface(15));
    p.drawText(
        rect().adjusted(px(40), 0, -px(40), 0), Qt::AlignCenter | Qt::TextWordWrap,
        work_.busy()
            ? tr("Reading the photo…")
            : tr("Print the photo mat (Ctrl+P), stand the figure on it before one sheet of paper, and take "
                 "one photo from above, then one from before it.\n\nO opens a photo. D watches a folder "
                 "that photos come into."));
    return;
  }
  const QRectF f = frame();
  p.setRenderHint(QPainter::SmoothPixmapTransform);
  p.drawImage(f, work_.picture());
  p.setRenderHint(QPainter::Antialiasing);
  if (work_.check()) {
    paintOver(p, f);
    paintHairs(p, f);
  }
  if (boxing_) {
    const QRectF box(placeOf(drawn_.left, drawn_.top), placeOf(drawn_.right, drawn_.bottom));
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(t.card, px(4)));
    p.drawRect(box);
    p.setPen(QPen(t.woad, px(2), Qt::DashLine));
    p.drawRect(box);
  }
  if (hasFocus()) {
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(t.woad, 2));
    p.drawRect(QRectF(rect()).adjusted(1, 1, -1, -1));
  }
}

void PhotoPicture::paintOver(QPainter& p, const QRectF& f) const {
  if (over_ == Over::Nothing) return;
  const PhotoCheck& check = *work_.check();
  const double part = f.width() / std::max(1, check.width);
  const auto at = [&](const Vec2& q) { return f.topLeft() + part * QPointF(q.x() + 0.5, q.y() + 0.5); };
  // Dots lie so close that they are a line; pale under it, so that it shows on dark wool and on light paper.
  const auto dots = [&](const QColor& colour, double size, const auto& places) {
    p.setPen(Qt::NoPen);
    p.setBrush(colour);
    for (const Vec2& q : places) p.drawEllipse(at(q), size, size);
  };
  std::vector<Vec2> places;
  if (over_ == Over::Plan)
    for (const RimPoint& r : check.fit.rim) places.push_back(r.at);
  else
    places = mirroredEdge(check);
  const double thin = over_ == Over::Plan ? 0.9 : 1.6; // the mirrored edge has fewer places
  dots(QColor(255, 255, 255, 150), thin + 1, places);
  dots(over_ == Over::Plan ? lightTheme().woad : lightTheme().logwood, thin, places);
}

void PhotoPicture::paintHairs(QPainter& p, const QRectF& f) const {
  const PhotoCheck& check = *work_.check();
  const double part = f.width() / std::max(1, check.width);
  const auto at = [&](const Vec2& q) { return f.topLeft() + part * QPointF(q.x() + 0.5, q.y() + 0.5); };
  int written = 0;
  const Theme& t = lightTheme(); // a photo is as light in the evening
  for (const PhotoPlace& place : check.places) {
    if (!place.told()) continue;
    const QPointF from = at(place.at);
    const double length = std::abs(place.off) * check.fit.camera.scale * part * kLonger;
    const Vec2 way = place.off > 0 ? place.out : Vec2(-place.out);
    const QPointF to = from + length * QPointF(way.x(), way.y());
    const QColor colour = place.off > 0 ? t.madder : t.weld;
    p.setPen(QPen(QColor(255, 255, 255, 200), px(5), Qt::SolidLine, Qt::RoundCap));
    p.drawLine(from, to);
    p.setPen(QPen(colour, px(2.5), Qt::SolidLine, Qt::RoundCap));
    p.drawLine(from, to);
    if (written++ >= kFigures) continue;
    const QString words = str(Said(Length(place.off, 1)), units_);
    p.setFont(typeface(13, QFont::DemiBold));
    QRectF box(p.fontMetrics().boundingRect(words));
    box.moveCenter(to + QPointF(way.x(), way.y()) * px(22));
    box.adjust(-px(4), -px(2), px(4), px(2));
    p.setPen(Qt::NoPen);
    p.setBrush(QColor(255, 255, 255, 215));
    p.drawRoundedRect(box, px(3), px(3));
    p.setPen(colour);
    p.drawText(box, Qt::AlignCenter, words);
  }
  if (current_ >= 0 && current_ < static_cast<int>(work_.findings().size())) {
    p.setBrush(Qt::NoBrush);
    const QPointF middle = at(work_.findings()[static_cast<size_t>(current_)].at);
    p.setPen(QPen(QColor(255, 255, 255, 220), px(5)));
    p.drawEllipse(middle, px(20), px(20));
    p.setPen(QPen(t.woad, px(2.5)));
    p.drawEllipse(middle, px(20), px(20));
  }
}

void PhotoPicture::mousePressEvent(QMouseEvent* event) {
  if (!boxing_ || event->button() != Qt::LeftButton) return QWidget::mousePressEvent(event);
  from_ = shareAt(event->position());
}

void PhotoPicture::mouseMoveEvent(QMouseEvent* event) {
  if (!from_) return QWidget::mouseMoveEvent(event);
  const QRectF box = QRectF(*from_, shareAt(event->position())).normalized();
  drawn_ = {box.left(), box.top(), box.right(), box.bottom()};
  update();
}

void PhotoPicture::mouseReleaseEvent(QMouseEvent* event) {
  if (!from_) return QWidget::mouseReleaseEvent(event);
  from_.reset();
  if (drawn_.right - drawn_.left < kLeastBox || drawn_.bottom - drawn_.top < kLeastBox) return; // a click
  setBoxing(false);
  emit boxed(drawn_);
}

/// Plain arrows move the box, with Shift its right and lower edge; Enter takes it.
void PhotoPicture::keyPressEvent(QKeyEvent* event) {
  if (!boxing_) return QWidget::keyPressEvent(event);
  const bool size = event->modifiers() & Qt::ShiftModifier;
  double x = 0;
  double y = 0;
  switch (event->key()) {
  case Qt::Key_Left:
    x = -kKeyStep;
    break;
  case Qt::Key_Right:
    x = kKeyStep;
    break;
  case Qt::Key_Up:
    y = -kKeyStep;
    break;
  case Qt::Key_Down:
    y = kKeyStep;
    break;
  case Qt::Key_Return:
  case Qt::Key_Enter: {
    const PhotoBox box = drawn_;
    setBoxing(false);
    emit boxed(box);
    return;
  }
  case Qt::Key_Escape:
    setBoxing(false);
    return;
  default:
    return QWidget::keyPressEvent(event);
  }
  if (size) {
    drawn_.right = std::clamp(drawn_.right + x, drawn_.left + kLeastBox, 1.0);
    drawn_.bottom = std::clamp(drawn_.bottom + y, drawn_.top + kLeastBox, 1.0);
  } else {
    x = std::clamp(x, -drawn_.left, 1 - drawn_.right);
    y = std::clamp(y, -drawn_.top, 1 - drawn_.bottom);
    drawn_ = {drawn_.left + x, drawn_.top + y, drawn_.right + x, drawn_.bottom + y};
  }
  update();
}

bool PhotoPicture::event(QEvent* event) {
  if (event->type() == QEvent::FocusIn || event->type() == QEvent::FocusOut) update();
  return QWidget::event(event);
}

} // namespace columna
