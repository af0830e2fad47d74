#include "wrap/wrap_rack.h"

#include "kit/say.h"
#include "measure/quantity.h"
#include "measure/whole.h"
#include "session/build_view.h"
#include "theme/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QScrollArea>
#include <QTimer>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kScale = 0.2; ///< pixels per mm of a strip
constexpr int kMostDrawn = 4;  ///< more strips are counted instead

/// A strip with torn, feathered ends.
QPainterPath strip(const QRectF& r) {
  QPainterPath p(r.topLeft());
  p.lineTo(r.topRight());
  for (int i = 1; i <= 4; ++i) p.lineTo(r.right() - (i % 2 ? px(3) : 0), r.top() + r.height() * i / 4);
  p.lineTo(r.bottomLeft());
  for (int i = 1; i <= 4; ++i) p.lineTo(r.left() + (i % 2 ? px(3) : 0), r.bottom() - r.height() * i / 4);
  p.closeSubpath();
  return p;
}

/// A pad from the side: thick in the middle, thin at its ends.
QPainterPath lens(const QRectF& r) {
  QPainterPath p(QPointF(r.left(), r.center().y()));
  p.quadTo(QPointF(r.center().x(), r.top() - r.height() / 2), QPointF(r.right(), r.center().y()));
  p.quadTo(QPointF(r.center().x(), r.bottom() + r.height() / 2), QPointF(r.left(), r.center().y()));
  return p;
}

} // namespace

WrapRack::WrapRack(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Strips and pads, in order"));
  session_.onSettled(this, [this] {
    gather();
    lay();
    update();
  });
  connect(&session_, &Session::selectionChanged, this, qOverload<>(&QWidget::update));
  connect(&session_.build(), &BuildView::changed, this, [this] {
    revealNow();
    // Only heaps that something was taken from, or put back to.
    const double now = session_.build().built();
    const auto [from, to] = std::minmax(now, shown_);
    for (const Heap& heap : heaps_)
      if (heap.to >= from - 1e-6 && heap.from <= to + 1e-6) update(heap.area.toAlignedRect());
    shown_ = now;
  });
  gather();
  lay();
}

void WrapRack::gather() {
  heaps_.clear();
  shown_ = session_.build().built();
  const Plan& plan = session_.plan();
  for (const BuildStep& step : session_.build().steps()) {
    const FigureLimb& limb = plan.figure->limbs[static_cast<size_t>(step.limb)];
    const int twin = limb.twin;
    // The other of a pair joins the one before it when they are alike.
    if (!heaps_.empty() && heaps_.back().kind == step.kind && heaps_.back().limb == twin &&
        heaps_.back().pad == step.pad && std::abs(heaps_.back().grams - step.grams) < 1e-9) {
      heaps_.back().count = 2;
      heaps_.back().to = step.from + step.grams;
      continue;
    }
    Heap heap{step.kind, step.limb, step.pad, 1, step.grams, step.from, step.from + step.grams, {}, {}};
    if (step.kind == BuildStep::Kind::Pad) {
      const Pad& pad = plan.wool->limbs[static_cast<size_t>(step.limb)].pads[static_cast<size_t>(step.pad)];
      heap.name = str(Name(pad.place));
      heap.count = pad.count;
      heap.grams = pad.grams;
    } else if (step.kind == BuildStep::Kind::Mark) {
      heap.name = str(plan.wool->markings[static_cast<size_t>(step.pad)].name);
    } else if (step.kind == BuildStep::Kind::Hair) {
      heap.name = str(Name(plan.wool->hair[static_cast<size_t>(step.pad)].name));
    } else {
      heap.name = str(Name(limb.part));
      if (step.kind == BuildStep::Kind::Skin) heap.name = tr("skin, %1").arg(heap.name);
      if (step.kind == BuildStep::Kind::Coat) heap.name = tr("coat, %1").arg(heap.name);
    }
    heaps_.push_back(heap);
  }
  QStringList said;
  for (const Heap& heap : heaps_)
    said << tr("%1 %2").arg(heap.name, (heap.count == 2 ? tr("twice ") : QString()) +
                                           str(printMass(heap.grams, session_.units())));
  setAccessibleDescription(said.join(QStringLiteral(", ")));
}

void WrapRack::lay() {
  const double w = px(118);
  double x = 0;
  double y = 0;
  for (Heap& heap : heaps_) {
    if (x > 0 && x + w > width()) {
      x = 0;
      y += px(124);
    }
    heap.area = QRectF(x, y, w, px(118));
    x += w + px(6);
  }
  setMinimumHeight(nearestWhole(y + px(120)));
}

QRectF WrapRack::heapOf(int limb) const {
  const int twin = session_.plan().figure->limbs[static_cast<size_t>(limb)].twin;
  for (const Heap& heap : heaps_)
    if (heap.limb == limb || heap.limb == twin) return heap.area;
  return {};
}

void WrapRack::resizeEvent(QResizeEvent* /*event*/) {
  lay();
  // Once the rack around it has its new size too.
  QTimer::singleShot(0, this, &WrapRack::revealNow);
}

void WrapRack::revealNow() {
  for (const Heap& heap : heaps_)
    if (session_.build().built() >= heap.from && session_.build().built() < heap.to) {
      reveal(heap);
      return;
    }
  if (!heaps_.empty()) reveal(heaps_.front());
}

void WrapRack::reveal(const Heap& heap) {
  for (QWidget* w = parentWidget(); w; w = w->parentWidget())
    if (auto* scroll = qobject_cast<QScrollArea*>(w)) {
      scroll->ensureVisible(qRound(heap.area.center().x()), qRound(heap.area.center().y()), 0,
                            qRound(heap.area.height() / 2) + 4);
      break;
    }
}

void WrapRack::choose(int index) {
  now_ = index;
  const Heap& heap = heaps_[static_cast<size_t>(index)];
  session_.select(heap.limb);
  reveal(heap);
  update();
}

void WrapRack::mousePressEvent(QMouseEvent* event) {
  for (size_t i = 0; i < heaps_.size(); ++i)
    if (heaps_[i].area.contains(event->position())) choose(static_cast<int>(i));
}

void WrapRack::mouseDoubleClickEvent(QMouseEvent* event) {
  for (const Heap& heap : heaps_)
    if (heap.area.contains(event->position())) session_.build().setBuilt(heap.to);
}

void WrapRack::keyPressEvent(QKeyEvent* event) {
  const int step = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
  if (!heaps_.empty() && event->key() == Qt::Key_Return && now_ >= 0) {
    session_.build().setBuilt(heaps_[static_cast<size_t>(now_)].to);
    return;
  }
  if (step == 0 || heaps_.empty()) {
    QWidget::keyPressEvent(event);
    return;
  }
  choose(std::clamp(now_ + step, 0, static_cast<int>(heaps_.size()) - 1));
}

void WrapRack::paintHeap(QPainter& p, const Heap& heap, int number) const {
  const Plan& plan = session_.plan();
  const Theme& t = theme();
  const LimbWool& wool = plan.wool->limbs[static_cast<size_t>(heap.limb)];
  const bool here = session_.build().built() >= heap.from - 1e-9 && session_.build().built() < heap.to - 1e-9;
  const QRectF r = heap.area.adjusted(1, 1, -1, -1);
  if (here || (hasFocus() && now_ == number - 1)) {
    p.setPen(QPen(t.woad, hasFocus() && now_ == number - 1 ? 2 : 1.4));
    p.setBrush(t.wash);
    p.drawRoundedRect(r, 6, 6);
  }
  const double left = r.left() + px(10);
  p.setFont(typeface(13));
  p.setPen(t.faint);
  const QString index = QString::number(number);
  p.drawText(QPointF(left, r.top() + px(20)), index);
  const double w = QFontMetricsF(p.font()).horizontalAdvance(index) + px(6);
  p.setFont(typeface(13, QFont::DemiBold));
  p.setPen(t.ink);
  p.drawText(QPointF(left + w, r.top() + px(20)),
             p.fontMetrics().elidedText(heap.name, Qt::ElideRight, qFloor(r.right() - left - w - px(4))));
  const double share =
      std::clamp((session_.build().built() - heap.from) / std::max(heap.to - heap.from, 1e-9), 0.0, 1.0);
  const bool coatWool =
      heap.kind == BuildStep::Kind::Coat || (heap.kind == BuildStep::Kind::Wind && wool.allCoat);
  const QColor fill = coatWool ? t.coat.darker(t.evening ? 90 : 125) : t.wool;
  const double high = px(9);
  const double room = r.right() - left - px(8);
  QString count;
  const auto draw = [&](const QPainterPath& path, bool on) {
    p.setPen(QPen(t.faint, 1));
    p.setBrush(on ? QBrush(fill) : QBrush(Qt::NoBrush));
    p.drawPath(path);
  };
  switch (heap.kind) {
  case BuildStep::Kind::Wind: {
    const Winding& wind = wool.winding;
    const int shown = std::min(wind.strips, kMostDrawn);
    for (int i = 0; i < shown; ++i)
      draw(strip(QRectF(left, r.top() + px(30) + i * (high + px(3)),
                        std::clamp<double>(px(wind.length * kScale), px(8), room), high)),
           share >= (i + 1.0) / shown - 1e-9);
    count = wind.strips > 1
                ? tr("%1 of %2").arg(wind.strips).arg(str(printLength(wind.length, session_.units(), 0)))
                : str(printLength(wind.length, session_.units(), 0));
    if (coatWool) count = tr("%1, coat").arg(count);
    break;
  }
  case BuildStep::Kind::Pad: {
    const Pad& pad = wool.pads[static_cast<size_t>(heap.pad)];
    for (int i = 0; i < heap.count; ++i)
      draw(lens(QRectF(left, r.top() + px(32) + i * px(24), std::clamp<double>(px(pad.length), px(18), room),
                       std::clamp<double>(px(pad.thickness), px(8), px(18)))),
           share >= (i + 1.0) / heap.count - 1e-9);
    count = tr("%1 × %2, %3 thick")
                .arg(str(printLengthFigure(pad.length, session_.units(), 0)),
                     str(printLengthFigure(pad.width, session_.units(), 0)),
                     str(printLengthFigure(pad.loose, session_.units(), 0)));
    break;
  }
  case BuildStep::Kind::Skin:
    draw(strip(QRectF(left, r.top() + px(38), room, px(4))), share >= 1 - 1e-9);
    count = tr("thin, all over");
    break;
  case BuildStep::Kind::Mark:
    draw(strip(QRectF(left, r.top() + px(34), room, px(10))), share >= 1 - 1e-9);
    count = tr("%1 wool, in place of coat")
                .arg(str(Name(word(plan.wool->markings[static_cast<size_t>(heap.pad)].tone))));
    break;
  case BuildStep::Kind::Hair:
    draw(strip(QRectF(left, r.top() + px(34), room, px(10))), share >= 1 - 1e-9);
    count = str(hairWords(plan.wool->hair[static_cast<size_t>(heap.pad)]), session_.units());
    break;
  case BuildStep::Kind::Coat:
    for (int i = 0; i < 2; ++i)
      draw(strip(QRectF(left, r.top() + px(34) + i * px(10), room, px(6))), share >= (i + 1) / 2.0 - 1e-9);
    count = wool.furRows.tufts > 0 ? tr("%1 tufts of %2")
                                         .arg(wool.furRows.tufts)
                                         .arg(str(printLength(wool.furRows.cut, session_.units(), 0)))
                                   : tr("thin layers");
    break;
  }
  p.setFont(typeface(12));
  p.setPen(t.faint);
  p.drawText(QPointF(left, r.bottom() - px(24)),
             p.fontMetrics().elidedText(count, Qt::ElideRight, qFloor(room)));
  p.setFont(typeface(15, QFont::DemiBold));
  p.setPen(t.ink);
  const QString grams = str(printMass(heap.grams, session_.units()));
  p.drawText(QPointF(left, r.bottom() - px(7)), heap.count == 2 ? tr("2 × %1").arg(grams) : grams);
}

void WrapRack::paintEvent(QPaintEvent* event) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  int number = 0;
  for (const Heap& heap : heaps_) {
    ++number;
    if (heap.area.intersects(event->rect())) paintHeap(p, heap, number);
  }
  if (hasFocus()) {
    p.setPen(QPen(theme().woad, 2));
    p.setBrush(Qt::NoBrush);
    p.drawRect(rect().adjusted(1, 1, -1, -1));
  }
}

} // namespace columna
