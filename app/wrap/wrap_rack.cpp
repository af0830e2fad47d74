#include "wrap/wrap_rack.h"

#include "theme/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kStrip = 400; ///< mm: no strip is longer, so that it can be held
constexpr double kScale = 0.2; ///< pixels per mm

/// Feet and hands first, while the wire is bare; then the trunk, and outwards.
int turn(LimbKind kind) {
  switch (kind) {
  case LimbKind::Digits:
    return 0;
  case LimbKind::Trunk:
    return 1;
  case LimbKind::Leg:
  case LimbKind::Arm:
  case LimbKind::Wing:
    return 2;
  case LimbKind::Tail:
    return 3;
  case LimbKind::Neck:
    return 4;
  case LimbKind::Head:
    return 5;
  case LimbKind::Part:
    return 6;
  }
  return 6;
}

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

} // namespace

WrapRack::WrapRack(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Wool to weigh out"));
  connect(&session_, &Session::planSettled, this, [this] {
    lay();
    update();
  });
  connect(&session_, &Session::selectionChanged, this, qOverload<>(&QWidget::update));
  lay();
}

void WrapRack::lay() {
  const Figure& f = session_.plan().figure;
  std::vector<int> order;
  for (size_t l = 0; l < f.limbs.size(); ++l)
    if (f.limbs[l].side >= 0) order.push_back(static_cast<int>(l));
  std::stable_sort(order.begin(), order.end(), [&](int a, int b) {
    return turn(f.limbs[static_cast<size_t>(a)].kind) < turn(f.limbs[static_cast<size_t>(b)].kind);
  });
  heaps_.clear();
  const double w = px(kStrip * kScale) + px(34);
  double x = 0;
  double y = 0;
  for (const int l : order) {
    if (x > 0 && x + w > width()) {
      x = 0;
      y += px(134);
    }
    heaps_.push_back({l, QRectF(x, y, w, px(128))});
    x += w + px(6);
  }
  setMinimumHeight(qRound(y + px(130)));
  QStringList said;
  for (const Heap& heap : heaps_) {
    const FigureLimb& limb = f.limbs[static_cast<size_t>(heap.limb)];
    said << tr("%1 %2").arg(
        QString::fromStdString(limb.family),
        QString::fromStdString(
            printMass(session_.plan().wool.limbs[static_cast<size_t>(heap.limb)].core, session_.units())));
  }
  setAccessibleDescription(said.join(QStringLiteral(", ")));
}

QRectF WrapRack::heapOf(int limb) const {
  const int twin = session_.plan().figure.limbs[static_cast<size_t>(limb)].twin;
  for (const Heap& heap : heaps_)
    if (heap.limb == limb || heap.limb == twin) return heap.area;
  return {};
}

void WrapRack::resizeEvent(QResizeEvent* /*event*/) { lay(); }

void WrapRack::mousePressEvent(QMouseEvent* event) {
  for (const Heap& heap : heaps_)
    if (heap.area.contains(event->position())) session_.select(heap.limb);
}

void WrapRack::keyPressEvent(QKeyEvent* event) {
  const int step = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
  if (step == 0 || heaps_.empty()) {
    QWidget::keyPressEvent(event);
    return;
  }
  int now = -1;
  for (size_t i = 0; i < heaps_.size(); ++i) {
    const int twin = session_.plan().figure.limbs[static_cast<size_t>(heaps_[i].limb)].twin;
    if (session_.selected() >= 0 && (heaps_[i].limb == session_.selected() || twin == session_.selected()))
      now = static_cast<int>(i);
  }
  const int next = std::clamp(now + step, 0, static_cast<int>(heaps_.size()) - 1);
  session_.select(heaps_[static_cast<size_t>(next)].limb);
}

void WrapRack::paintEvent(QPaintEvent* /*event*/) {
  const Plan& plan = session_.plan();
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  int number = 0;
  for (const Heap& heap : heaps_) {
    const auto l = static_cast<size_t>(heap.limb);
    const FigureLimb& limb = plan.figure.limbs[l];
    const LimbWool& wool = plan.wool.limbs[l];
    const bool selected =
        session_.selected() >= 0 && (session_.selected() == heap.limb || session_.selected() == limb.twin);
    const QRectF r = heap.area.adjusted(1, 1, -1, -1);
    if (selected) {
      p.setPen(QPen(t.woad, 1.4));
      p.setBrush(t.wash);
      p.drawRoundedRect(r, 6, 6);
    }
    const double left = r.left() + px(12);
    p.setFont(typeface(15));
    p.setPen(t.faint);
    const QString index = QString::number(++number);
    p.drawText(QPointF(left, r.top() + px(22)), index);
    const double w = QFontMetricsF(p.font()).horizontalAdvance(index) + px(8);
    p.setFont(typeface(15, QFont::DemiBold));
    p.setPen(t.ink);
    const QString name = QString::fromStdString(limb.family) +
                         (limb.side != 0 && !limb.family.ends_with('s') ? QStringLiteral("s") : QString());
    p.drawText(QPointF(left + w, r.top() + px(22)),
               QFontMetricsF(p.font()).elidedText(name, Qt::ElideRight, r.right() - left - w - px(4)));
    // Equal strips of 15 g/m sliver, none too long to hold; more than five are counted instead of drawn.
    const bool allCoat = wool.core <= 0;
    const double length = allCoat ? woolLength(wool.coat, kSliverLinear) : wool.stripLength;
    const int strips = std::max(1, static_cast<int>(std::ceil(length / kStrip)));
    const double each = length / strips;
    const double high = px(10);
    for (int i = 0; i < std::min(strips, 4); ++i) {
      const QRectF bar(left, r.top() + px(34) + i * (high + px(3)),
                       std::max<double>(px(6), px(each * kScale)), high);
      p.setPen(QPen(t.faint, 1));
      p.setBrush(allCoat ? t.coat : t.wool);
      p.drawPath(strip(bar));
    }
    p.setFont(typeface(12));
    p.setPen(t.faint);
    const QString count =
        strips > 1
            ? tr("%1 of %2").arg(strips).arg(QString::fromStdString(printLength(each, session_.units(), 0)))
            : QString::fromStdString(printLength(each, session_.units(), 0));
    p.drawText(QPointF(left, r.bottom() - px(26)), allCoat ? tr("%1, all coat").arg(count) : count);
    p.setFont(typeface(15, QFont::DemiBold));
    p.setPen(t.ink);
    const QString grams =
        QString::fromStdString(printMass(allCoat ? wool.coat : wool.core, session_.units()));
    p.drawText(QPointF(left, r.bottom() - px(8)), limb.side != 0 ? tr("2 × %1").arg(grams) : grams);
  }
  if (hasFocus()) {
    p.setPen(QPen(t.woad, 2));
    p.setBrush(Qt::NoBrush);
    p.drawRect(rect().adjusted(1, 1, -1, -1));
  }
}

} // namespace columna
