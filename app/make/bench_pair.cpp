#include "make/bench_pair.h"

#include "kit/say.h"
#include "make/bench_parts.h"
#include "make/step_words.h"
#include "theme/theme.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kPairHigh = 96; ///< px at scale 1, as all that follows
constexpr double kPairName = 22;
constexpr double kPairFigure = 40, kPairMore = 56; ///< type of a figure, and of the one with more
constexpr double kPairBar = 16;

} // namespace

BenchPair::BenchPair(QWidget* parent) : QWidget(parent) { setAccessibleName(tr("Left and right")); }

void BenchPair::set(const PairReading& pair, const Goal& goal, bool live, UnitSystem units) {
  pair_ = pair;
  goal_ = goal;
  live_ = live;
  units_ = units;
  const Side left = side(true);
  const Side right = side(false);
  setAccessibleDescription(
      tr("%1: %2 %3, %4 %5: %6")
          .arg(str(goal_.words, units_), left.name, left.figure, right.name, right.figure, verdict()));
  update();
}

void BenchPair::setScale(double scale) {
  scale_ = scale;
  updateGeometry();
}

QSize BenchPair::sizeHint() const { return {qRound(300 * scale_), qRound(kPairHigh * scale_)}; }

BenchPair::Side BenchPair::side(bool left) const {
  Side out;
  out.here = left == pair_.leftHere;
  out.read = left ? pair_.leftRead : pair_.rightRead;
  out.name = left ? tr("left") : tr("right");
  if (out.here && live_) out.name = left ? tr("left, now") : tr("right, now");
  out.figure = figure(left);
  return out;
}

/// Two that are not alike never read the same, however near they are.
QString BenchPair::figure(bool left) const {
  const auto& read = left ? pair_.leftRead : pair_.rightRead;
  if (!read) return QStringLiteral("–");
  if (!pair_.apart() || pair_.alike()) return figureOf(goal_, *read, units_);
  const double other = left ? *pair_.rightRead : *pair_.leftRead;
  return goal_.what == Goal::What::Weight ? str(Mass(*read).apart(other), units_)
                                          : str(Length(*read).apart(other), units_);
}

QString BenchPair::verdict() const {
  const auto apart = pair_.apart();
  if (!apart) return pair_.leftRead ? tr("right still to read") : tr("left still to read");
  if (pair_.alike()) return tr("alike");
  const QString by = figureOf(goal_, std::abs(*apart), units_);
  if (pair_.what == Goal::What::Long)
    return *apart > 0 ? tr("right longer by %1").arg(by) : tr("left longer by %1").arg(by);
  return *apart > 0 ? tr("right more by %1").arg(by) : tr("left more by %1").arg(by);
}

void BenchPair::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const auto apart = pair_.apart();
  const bool told = apart && !pair_.alike();
  const bool leftMore = told && *apart < 0;
  const bool rightMore = told && *apart > 0;
  const double third = width() / 3.0;
  const QRectF words(2 * third, 0, third, height());
  if (pair_.what == Goal::What::Long) {
    const double most = std::max({pair_.leftRead.value_or(0), pair_.rightRead.value_or(0), goal_.value});
    const double half = height() / 2.0;
    bar(p, QRectF(0, 0, 2 * third, half), side(true), most, leftMore);
    bar(p, QRectF(0, half, 2 * third, half), side(false), most, rightMore);
  } else {
    column(p, QRectF(0, 0, third, height()), side(true), leftMore);
    column(p, QRectF(third, 0, third, height()), side(false), rightMore);
    p.setPen(QPen(t.rule, 1));
    p.drawLine(QPointF(third - 12 * scale_, 8 * scale_), QPointF(third - 12 * scale_, height() - 8 * scale_));
  }
  const QRectF side = words.adjusted(16 * scale_, 0, 0, 0);
  p.setFont(benchType(kPairName, scale_));
  p.setPen(t.faint);
  p.drawText(side, Qt::AlignTop | Qt::AlignLeft | Qt::TextWordWrap, str(goal_.words, units_));
  p.setFont(benchType(kPairName, scale_, told ? QFont::DemiBold : QFont::Normal));
  p.setPen(told ? t.weld : pair_.alike() ? t.alder : t.faint);
  const QString verdict = pair_.alike() ? QStringLiteral("✓ ") + this->verdict() : this->verdict();
  p.drawText(side, Qt::AlignBottom | Qt::AlignLeft | Qt::TextWordWrap, verdict);
}

void BenchPair::column(QPainter& p, const QRectF& room, const Side& side, bool more) const {
  const Theme& t = theme();
  p.setFont(benchType(kPairName, scale_));
  p.setPen(side.here ? t.woad : t.faint);
  p.drawText(room, Qt::AlignTop | Qt::AlignLeft, side.name);
  p.setFont(benchType(more ? kPairMore : kPairFigure, scale_, QFont::DemiBold));
  p.setPen(more ? t.weld : side.read ? t.logwood : t.faint);
  p.drawText(room, Qt::AlignBottom | Qt::AlignLeft, side.figure);
}

void BenchPair::bar(QPainter& p, const QRectF& room, const Side& side, double most, bool more) const {
  const Theme& t = theme();
  // The figure over its bar, both from one line; the bars to one scale.
  const QRectF text = room.adjusted(10 * scale_, 0, 0, -kPairBar * scale_);
  p.setFont(benchType(kPairName, scale_, more ? QFont::DemiBold : QFont::Normal));
  p.setPen(more ? t.weld : side.here ? t.woad : t.faint);
  p.drawText(text, Qt::AlignVCenter | Qt::AlignLeft, side.name + u' ' + side.figure);
  p.setPen(QPen(t.ink, 2 * scale_));
  p.drawLine(QPointF(room.left() + 1, room.top()), QPointF(room.left() + 1, room.bottom()));
  if (!side.read || most <= 0) return;
  const double wide = (room.width() - 10 * scale_) * std::min(1.0, *side.read / most);
  p.fillRect(QRectF(room.left() + 2, room.bottom() - kPairBar * scale_, wide, kPairBar * scale_ - 4 * scale_),
             more ? t.weld : t.logwood);
}

} // namespace columna
