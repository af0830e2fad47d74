#include "shell/spine.h"

#include "session/stance_view.h"
#include "theme/theme.h"

#include <QPainter>
#include <QPainterPath>
#include <QtMath>

#include <algorithm>

namespace columna {
namespace {

constexpr double kStep = 100; ///< from vertebra to vertebra
constexpr double kFirst = 72;

/// The drum in profile: flat plates, a waist on the right, and on the left a process that rakes back and
/// down.
QPainterPath drum(const QRectF& r, bool notched) {
  const double c = frame(6);
  QPainterPath p;
  p.moveTo(r.left() + c, r.top());
  p.lineTo(r.right() - c, r.top());
  p.quadTo(r.topRight(), r.topRight() + QPointF(0, c));
  p.cubicTo(r.right() - frame(2), r.top() + r.height() * 0.3, r.right() - frame(6),
            r.top() + r.height() * 0.35, r.right() - frame(6), r.center().y());
  p.cubicTo(r.right() - frame(6), r.top() + r.height() * 0.65, r.right() - frame(2),
            r.top() + r.height() * 0.7, r.right(), r.bottom() - c);
  p.quadTo(r.bottomRight(), r.bottomRight() - QPointF(c, 0));
  p.lineTo(r.left() + c, r.bottom());
  p.quadTo(r.bottomLeft(), r.bottomLeft() - QPointF(0, c));
  const QPointF waist(r.left() + frame(5), r.center().y() + r.height() * 0.14);
  p.quadTo(r.left() + frame(1), waist.y() + frame(8), waist.x(), waist.y() + frame(2));
  const QPointF tip(r.left() - frame(16), r.center().y() + r.height() * 0.34);
  p.cubicTo(waist.x() - frame(6), waist.y() + frame(4), tip.x() + frame(8), tip.y() + frame(3),
            tip.x() + frame(2), tip.y() + frame(3));
  p.quadTo(tip.x() - frame(2), tip.y(), tip.x(), tip.y() - frame(3));
  p.cubicTo(tip.x() + frame(8), tip.y() - frame(9), waist.x() - frame(4), waist.y() - frame(6), waist.x(),
            r.center().y() - r.height() * 0.06);
  p.quadTo(r.left() + frame(4), r.top() + r.height() * 0.25, r.left(), r.top() + c);
  p.quadTo(r.topLeft(), r.topLeft() + QPointF(c, 0));
  p.closeSubpath();
  if (notched) {
    QPainterPath bite;
    bite.addEllipse(r.bottomRight() - QPointF(frame(3), frame(3)), frame(12), frame(12));
    p = p.subtracted(bite);
  }
  return p;
}

} // namespace

Vertebra::Vertebra(const Stage& stage, int number, QWidget* parent)
    : QAbstractButton(parent), stage_(stage), number_(number) {
  setText(stage.title());
  setCheckable(true);
  setFocusPolicy(Qt::TabFocus);
  setToolTip(tr("%1, Alt+%2").arg(stage.title()).arg(number));
}

QSize Vertebra::sizeHint() const { return {frame(88), frame(92)}; }

void Vertebra::setState(bool current, bool settled, int findings) {
  current_ = current;
  settled_ = settled;
  findings_ = findings;
  setChecked(current);
  const QString state = findings > 0 ? tr("%n thing(s) to look at", nullptr, findings)
                        : settled    ? tr("settled")
                                     : tr("untouched");
  setAccessibleName(tr("Stage %1, %2").arg(text(), state));
  update();
}

void Vertebra::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const double w = frame(current_ ? 60 : 56);
  const double h = std::min<double>(frame(current_ ? 76 : 64), height() - frame(8));
  const QRectF r(frame(48) - w / 2, (height() - h) / 2, w, h);
  const QPainterPath shape = drum(r, findings_ > 0);
  if (current_) { // joined to the mat
    p.fillRect(
        QRectF(r.right() - frame(8), r.center().y() - frame(11), width() - r.right() + frame(9), frame(22)),
        t.woad);
    p.fillPath(shape, t.woad);
    p.setPen(t.onWoad);
  } else if (settled_) {
    p.fillPath(shape, t.solid);
    p.setPen(t.onSolid);
  } else {
    p.setPen(QPen(t.hollow, 1.5));
    p.drawPath(shape);
    p.setPen(t.ink);
  }
  // The frame grows less than the text: a word too wide for its vertebra is set smaller.
  const int weight = current_ ? QFont::Bold : QFont::DemiBold;
  double size = current_ ? 16 : 13;
  while (size > 6 && QFontMetricsF(typeface(size, weight)).horizontalAdvance(text()) > r.width() - frame(14))
    size -= 0.5;
  p.setFont(typeface(size, weight));
  p.drawText(QRectF(r.left(), r.top() + r.height() * 0.2, r.width() - frame(4), r.height() * 0.38),
             Qt::AlignCenter,
             p.fontMetrics().elidedText(text(), Qt::ElideRight, qFloor(r.width() - frame(8))));
  p.setFont(typeface(12));
  p.drawText(QRectF(r.left(), r.top() + r.height() * 0.54, r.width() - frame(4), r.height() * 0.26),
             Qt::AlignCenter, QString::number(number_));
  if (findings_ > 0) {
    p.setPen(t.weld);
    p.setFont(typeface(15, QFont::Bold));
    p.drawText(QRectF(r.right() - frame(13), r.bottom() - frame(13), frame(22), frame(22)), Qt::AlignCenter,
               QString::number(findings_));
  }
  if (hasFocus()) {
    p.setPen(QPen(t.woad, 2));
    p.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), 6, 6);
  }
}

Spine::Spine(Session& session, const Stages& stages, QWidget* parent) : QWidget(parent), session_(session) {
  setAccessibleName(tr("Stages"));
  for (const auto& stage : stages) {
    auto* v = new Vertebra(*stage, static_cast<int>(vertebrae_.size()) + 1, this);
    connect(v, &QAbstractButton::clicked, this, [this, v] {
      session_.setStage(v->stage().id());
      refresh();
    });
    vertebrae_.push_back(v);
  }
  session_.onSettled(this, [this] { refresh(); });
  for (const auto& stage : stages) connect(stage.get(), &Stage::changed, this, &Spine::refresh);
  connect(&session_, &Session::stageChanged, this, &Spine::refresh);
  connect(&session_, &Session::recordChanged, this, &Spine::refresh);
  refresh();
}

void Spine::refresh() {
  for (Vertebra* v : vertebrae_)
    v->setState(v->stage().id() == session_.stage(), v->stage().settled(), v->stage().toLookAt());
  update();
}

/// From one vertebra to the next: closer where the window does not hold them all at their usual step.
double Spine::step() const {
  const auto count = static_cast<double>(vertebrae_.size());
  return std::min<double>(frame(kStep), height() / std::max(1.0, count));
}

double Spine::place(double vertebra) const {
  const double all = (static_cast<double>(vertebrae_.size()) - 0.5) * step();
  return std::min<double>(frame(kFirst), height() - all) + vertebra * step();
}

void Spine::resizeEvent(QResizeEvent* /*event*/) {
  for (size_t i = 0; i < vertebrae_.size(); ++i) {
    const double high = std::min<double>(vertebrae_[i]->sizeHint().height(), step());
    vertebrae_[i]->setGeometry(0, qRound(place(static_cast<double>(i)) - high / 2), width(), qRound(high));
  }
}

void Spine::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  p.fillRect(rect(), t.ground);
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(Qt::NoPen);
  p.setBrush(t.disc);
  for (size_t i = 0; i + 1 < vertebrae_.size(); ++i) { // the discs between
    const double y = place(static_cast<double>(i) + 0.5);
    const double h = std::min<double>(frame(20), step() - frame(72));
    if (h < frame(6)) continue; // no room between them
    QPainterPath disc;
    const QRectF r(frame(48) - frame(20), y - h / 2, frame(40), h);
    disc.moveTo(r.topLeft());
    disc.lineTo(r.topRight());
    disc.quadTo(r.right() + frame(12), r.center().y(), r.right(), r.bottom());
    disc.lineTo(r.bottomLeft());
    disc.quadTo(r.left() - frame(12), r.center().y(), r.left(), r.top());
    p.drawPath(disc);
  }
  p.setPen(QPen(t.rule, 1));
  p.drawLine(width() - 1, 0, width() - 1, height());
}

} // namespace columna
