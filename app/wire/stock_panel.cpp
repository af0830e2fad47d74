#include "wire/stock_panel.h"

#include "face/face_report.h"
#include "kit/say.h"
#include "mat/figure_painter.h"
#include "measure/gauge.h"
#include "measure/whole.h"
#include "plan/own_head.h"
#include "theme/theme.h"

#include <QMouseEvent>
#include <QPainter>

#include <algorithm>

namespace columna {
namespace {

constexpr double kStockRow = 46;
constexpr double kTop = 26;
constexpr double kLeft = 150; ///< for the wire's name

/// Whose wire a part is: a piece's first limb, the head for an ear's.
int limbOf(const Plan& plan, const WirePart& part) {
  if (part.piece < 0) return headLimb(plan.figure);
  const std::vector<int>& limbs = plan.pieces[static_cast<size_t>(part.piece)].limbs;
  return limbs.empty() ? -1 : limbs.front();
}

} // namespace

StockPanel::StockPanel(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setAccessibleName(tr("What the pieces are cut from"));
  session_.onSettled(this, [this] {
    lay();
    update();
  });
  connect(&session_, &Session::selectionChanged, this, qOverload<>(&QWidget::update));
  lay();
}

void StockPanel::lay() {
  bars_.clear();
  longest_ = 1;
  double y = px(kTop + 16);
  const auto& stock = session_.plan().stock;
  for (size_t w = 0; w < stock.size(); ++w)
    for (size_t b = 0; b < stock[w].cuts.bars.size(); ++b) {
      longest_ = std::max(longest_, stock[w].cuts.bars[b].length);
      bars_.push_back({w, b, y});
      y += px(kStockRow);
    }
  setMinimumHeight(nearestWhole(y));
  setAccessibleDescription(sum());
}

double StockPanel::scale() const { return std::max<double>(60, width() - px(kLeft) - px(90)) / longest_; }

QString StockPanel::sum() const {
  double waste = 0;
  double kept = 0;
  int cuts = 0;
  int lengths = 0;
  bool proven = true;
  for (const WireStock& wire : session_.plan().stock) {
    waste += wire.cuts.waste;
    kept += wire.cuts.kept;
    cuts += wire.cuts.cuts;
    lengths += static_cast<int>(
        std::count_if(wire.cuts.bars.begin(), wire.cuts.bars.end(), [](const CutBar& b) { return !b.coil; }));
    proven = proven && wire.cuts.proven;
  }
  const UnitSystem units = session_.units();
  QString text = tr("%n cut(s)", nullptr, cuts);
  if (lengths > 0)
    text += tr(" from %1; %2 lost, %3 kept as offcuts")
                .arg(tr("%n straight length(s)", nullptr, lengths), str(printLength(waste, units, 0)),
                     str(printLength(kept, units, 0)));
  else
    text += tr(", all off the coil");
  if (!proven) text += tr("; the best found in time");
  return text;
}

void StockPanel::mousePressEvent(QMouseEvent* event) {
  const Plan& plan = session_.plan();
  for (const Bar& bar : bars_) {
    if (event->position().y() < bar.y - px(18) || event->position().y() > bar.y + px(22)) continue;
    const WireStock& wire = plan.stock[bar.wire];
    const double mm = (event->position().x() - px(kLeft)) / scale();
    for (const Cut& cut : wire.cuts.bars[bar.bar].cuts) {
      const WirePart& part = wire.parts[static_cast<size_t>(cut.piece)];
      if (mm < cut.at || mm > cut.at + part.length) continue;
      session_.select(limbOf(plan, part));
    }
  }
}

void StockPanel::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  const Plan& plan = session_.plan();
  const UnitSystem units = session_.units();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(t.ink);
  p.setFont(typeface(13, QFont::DemiBold));
  p.drawText(QRectF(px(2), 0, width(), px(kTop)), Qt::AlignLeft | Qt::AlignVCenter,
             bars_.empty() ? tr("There is nothing to cut: no limb has wire.") : sum());
  const double s = scale();
  for (const Bar& at : bars_) {
    const WireStock& wire = plan.stock[at.wire];
    const CutBar& bar = wire.cuts.bars[at.bar];
    const Material* material = session_.catalog().material(wire.material);
    p.setPen(t.ink);
    p.setFont(typeface(13, QFont::DemiBold));
    p.drawText(QRectF(px(2), at.y - px(14), px(kLeft - 10), px(18)), Qt::AlignLeft | Qt::AlignVCenter,
               QStringLiteral("%1 %2").arg(str(printLength(wire.diameter, units, 2)),
                                           material ? str(Name(material->shortName)) : QString()));
    p.setPen(t.faint);
    p.setFont(typeface(12));
    const QString gauge = str(printAwg(wire.diameter));
    const QString what = bar.drawer ? QString::fromStdString(bar.id)
                         : bar.coil ? tr("%1, off the coil").arg(gauge)
                                    : tr("%1, bought, %2").arg(gauge, str(printLength(bar.length, units, 0)));
    p.drawText(QRectF(px(2), at.y + px(3), px(kLeft - 10), px(16)), Qt::AlignLeft | Qt::AlignVCenter,
               QFontMetrics(p.font()).elidedText(what, Qt::ElideRight, px(kLeft - 12)));
    const double y = at.y - px(9);
    const double h = px(18);
    p.setPen(Qt::NoPen);
    p.setBrush(t.disc);
    p.drawRect(QRectF(px(kLeft), y, bar.length * s, h));
    for (const Cut& cut : bar.cuts) {
      const WirePart& part = wire.parts[static_cast<size_t>(cut.piece)];
      const double length = part.length;
      const Piece* of = part.piece >= 0 ? &plan.pieces[static_cast<size_t>(part.piece)] : nullptr;
      const QRectF box(px(kLeft) + cut.at * s, y, length * s, h);
      const bool chosen = of && session_.selected() >= 0 && plan.pieceOf(session_.selected()) == part.piece;
      p.setPen(QPen(chosen ? t.woad : t.card, chosen ? 2.5 : 1.5));
      p.setBrush(of ? t.piece(part.piece) : t.faint);
      p.drawRect(box.adjusted(1, 0, -1, 0));
      // Its marks: bends below, folds and loops right through.
      if (of && of->cut - length < 1e-6)
        for (const Bend& b : of->bends) {
          if (!b.fold && b.angle < 0.15) continue;
          const double x = box.left() + b.at * s;
          p.setPen(QPen(t.card, 1.2));
          p.drawLine(QPointF(x, b.fold ? box.top() : box.bottom() - px(5)), QPointF(x, box.bottom()));
        }
      const QString tag =
          of ? str(of->tag) : str(Name(pinName(plan.flatWires[static_cast<size_t>(part.flat)].flat)));
      const QString words = QStringLiteral("%1 %2").arg(tag, str(printLengthFigure(length, units, 0)));
      p.setFont(typeface(12, QFont::Bold));
      const double need = QFontMetricsF(p.font()).horizontalAdvance(words) + px(8);
      const QString shown = need < box.width() ? words : tag;
      if (QFontMetricsF(p.font()).horizontalAdvance(shown) + px(8) > box.width()) continue;
      const QRectF plate(box.center().x() - (QFontMetricsF(p.font()).horizontalAdvance(shown) + px(8)) / 2,
                         y + 2, QFontMetricsF(p.font()).horizontalAdvance(shown) + px(8), h - 4);
      p.setPen(Qt::NoPen);
      p.setBrush(t.card);
      p.drawRoundedRect(plate, 3, 3);
      p.setPen(t.ink);
      p.drawText(plate, Qt::AlignCenter, shown);
    }
    p.setFont(typeface(12));
    p.setPen(t.faint);
    if (!bar.coil && bar.left > 0)
      p.drawText(QRectF(px(kLeft) + bar.length * s + px(6), y, px(90), h), Qt::AlignLeft | Qt::AlignVCenter,
                 bar.keeps ? tr("keep %1").arg(str(printLengthFigure(bar.left, units, 0)))
                           : tr("lose %1").arg(str(printLengthFigure(bar.left, units, 0))));
  }
}

} // namespace columna
