#include "wire/wire_rack.h"

#include "kit/say.h"
#include "mat/figure_painter.h"
#include "measure/gauge.h"
#include "measure/whole.h"
#include "theme/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <map>

namespace columna {
namespace {

constexpr double kRow = 72;
constexpr double kBar = 10;

/// What is drawn over the bar for a feature; nothing for those that are lengths rather than places.
void sign(QPainter& p, const std::string& kind, const QPointF& at) {
  const double r = px(5);
  if (kind == "fold" || kind == "digit") { // hairpin
    QPainterPath path(at + QPointF(-r, -r * 0.6));
    path.lineTo(at + QPointF(r * 0.3, -r * 0.6));
    path.arcTo(QRectF(at.x() - r * 0.3, at.y() - r * 0.6, r * 1.2, r * 1.2), 90, -180);
    path.lineTo(at + QPointF(-r, r * 0.6));
    p.drawPath(path);
  } else if (kind == "loop") {
    p.drawEllipse(at, r * 0.8, r * 0.8);
  } else if (kind == "lap" || kind == "lashing" || kind == "mutual-twist") {
    for (int i = -1; i <= 1; ++i)
      p.drawLine(at + QPointF(i * r * 0.7 - r * 0.25, r * 0.7),
                 at + QPointF(i * r * 0.7 + r * 0.25, -r * 0.7));
  } else if (kind == "turn-back") { // hook
    QPainterPath path(at + QPointF(r, -r * 0.6));
    path.lineTo(at + QPointF(-r * 0.2, -r * 0.6));
    path.arcTo(QRectF(at.x() - r * 0.8, at.y() - r * 0.6, r * 1.2, r * 1.2), 90, 180);
    path.lineTo(at + QPointF(r * 0.4, r * 0.6));
    p.drawPath(path);
  }
}

bool marked(const std::string& kind) {
  return kind == "fold" || kind == "loop" || kind == "lap" || kind == "turn-back" || kind == "mutual-twist";
}

/// The place of a feature's mark: where its wire begins to be bent; of a fold or loop its middle.
double markAt(const Feature& f, double cut) {
  if (f.kind == "fold" || f.kind == "loop") return f.at + f.takes / 2;
  // At a left end the mark is where the end's own wire stops, at a right end where it begins.
  return f.at < cut / 2 ? f.at + f.takes : f.at;
}

} // namespace

WireRack::WireRack(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Pieces to cut"));
  session_.onSettled(this, [this] {
    lay();
    update();
  });
  connect(&session_, &Session::selectionChanged, this, qOverload<>(&QWidget::update));
  lay();
}

void WireRack::lay() {
  const Plan& plan = session_.plan();
  rows_.clear();
  double longest = 1;
  for (const Piece& piece : plan.pieces) longest = std::max(longest, piece.cut);
  // Right of the bars the coil goes on under its name.
  const double room = std::max(200.0, width() - std::min<double>(px(250), 0.4 * width()));
  scale_ = std::min(0.42 * textScale(), room / longest);
  std::vector<std::pair<std::string, double>> order;
  std::map<std::pair<std::string, double>, std::vector<int>> byWire;
  for (size_t i = 0; i < plan.pieces.size(); ++i) {
    const std::pair<std::string, double> key(plan.pieces[i].material, plan.pieces[i].diameter);
    if (!byWire.contains(key)) order.push_back(key);
    byWire[key].push_back(static_cast<int>(i));
  }
  double y = px(34);
  for (const auto& key : order) {
    const Material* material = session_.catalog().material(key.first);
    const QString swg = QString::fromStdString(printSwg(key.second));
    const QString gauges = QString::fromStdString(printAwg(key.second)) +
                           (swg.isEmpty() ? QString() : QStringLiteral(", ") + swg);
    const QString wire = tr("%1 %2 (%3)")
                             .arg(QString::fromStdString(printLength(key.second, session_.units(), 2)),
                                  material ? str(Name(material->shortName)) : QString(), gauges);
    Row row{wire, y, {}};
    double x = px(2);
    for (const int piece : byWire[key]) {
      const double w = std::max<double>(plan.pieces[static_cast<size_t>(piece)].cut * scale_, px(56));
      if (x > px(2) && x + w > room) {
        rows_.push_back(row);
        y += px(kRow);
        row = {wire, y, {}};
        x = px(2);
      }
      row.bars.push_back({piece, QRectF(x, y, w, px(kBar))});
      x += w + px(10);
    }
    rows_.push_back(row);
    y += px(kRow);
  }
  setMinimumHeight(nearestWhole(y - px(20)));
  QStringList said;
  for (const Piece& piece : plan.pieces)
    said << tr("%1 %2 %3")
                .arg(QString::fromStdString(piece.tag), str(Name(piece.name)),
                     QString::fromStdString(printLength(piece.cut, session_.units(), 0)));
  setAccessibleDescription(said.join(QStringLiteral(", ")));
}

QRectF WireRack::barOf(int piece) const {
  for (const Row& row : rows_)
    for (const Bar& bar : row.bars)
      if (bar.piece == piece) return bar.area;
  return {};
}

void WireRack::resizeEvent(QResizeEvent* /*event*/) { lay(); }

void WireRack::choose(int piece) {
  if (piece < 0 || piece >= static_cast<int>(session_.plan().pieces.size())) return;
  const auto& limbs = session_.plan().pieces[static_cast<size_t>(piece)].limbs;
  session_.select(limbs.empty() ? -1 : limbs.front());
}

void WireRack::mousePressEvent(QMouseEvent* event) {
  for (const Row& row : rows_)
    for (const Bar& bar : row.bars)
      if (bar.area.adjusted(0, -px(26), 0, px(24)).contains(event->position())) choose(bar.piece);
}

void WireRack::keyPressEvent(QKeyEvent* event) {
  const int step = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
  if (step == 0) {
    QWidget::keyPressEvent(event);
    return;
  }
  const int now =
      session_.selected() < 0 ? (step > 0 ? -1 : 0) : session_.plan().pieceOf(session_.selected());
  choose(now + step);
}

void WireRack::paintBar(QPainter& p, const Bar& bar) {
  const Plan& plan = session_.plan();
  const Theme& t = theme();
  const Piece& piece = plan.pieces[static_cast<size_t>(bar.piece)];
  const UnitSystem units = session_.units();
  const bool selected = session_.selected() >= 0 && plan.pieceOf(session_.selected()) == bar.piece;
  const QRectF area = bar.area;
  const double scale = area.width() / piece.cut;
  if (selected) {
    p.setPen(QPen(t.woad, 1.4));
    p.setBrush(t.wash);
    p.drawRoundedRect(area.adjusted(-px(3), -px(28), px(4), px(26)), 6, 6);
  }
  QPainterPath line(QPointF(area.left(), area.center().y()));
  line.lineTo(area.right(), area.center().y());
  QPen flat(t.piece(bar.piece), area.height(), Qt::SolidLine, Qt::FlatCap);
  p.setPen(flat);
  p.drawPath(line);
  const QVector<qreal> dash = pieceDash(bar.piece);
  if (!dash.isEmpty()) {
    QPen over(t.card, area.height() * 0.42, Qt::SolidLine, Qt::FlatCap);
    QVector<qreal> pattern;
    for (const qreal d : dash) pattern << d / over.widthF();
    over.setDashPattern(pattern);
    p.setPen(over);
    p.drawPath(line);
  }
  p.setFont(typeface(13));
  const QFontMetricsF m(p.font());
  double edge = area.left() - 1;
  const QString cut = QString::fromStdString(printLengthFigure(piece.cut, units, 0));
  const QFontMetricsF bold(typeface(15, QFont::Bold));
  const double cutX = area.center().x() - bold.horizontalAdvance(cut) / 2 -
                      (area.width() > px(120) ? area.width() * 0.14 : 0);
  const QRectF cutBox(cutX - px(6), area.top() - px(26), bold.horizontalAdvance(cut) + px(12), px(20));
  p.setBrush(Qt::NoBrush);
  for (const Feature& f : piece.features) {
    if (!marked(f.kind)) continue;
    const double at = markAt(f, piece.cut);
    const double x = area.left() + at * scale;
    p.setPen(QPen(t.ink, 1.4));
    p.drawLine(QPointF(x, area.top() - 2), QPointF(x, area.bottom() + px(4)));
    const QPointF over(std::clamp(x, area.left() + px(8), area.right() - px(8)), area.top() - px(14));
    if (!cutBox.contains(over)) sign(p, f.kind, over);
    const QString figure = QString::fromStdString(printLengthFigure(at, units, 0));
    const double w = m.horizontalAdvance(figure);
    const double from = std::clamp(x - w / 2, area.left(), area.right() - w);
    if (from < edge + px(4)) continue;
    p.drawText(QPointF(from, area.bottom() + px(18)), figure);
    edge = from + w;
  }
  p.setFont(typeface(15, QFont::Bold));
  p.setPen(t.ink);
  p.drawText(cutBox, Qt::AlignCenter, cut);
  for (const bool right : {false, true}) {
    const QRectF cap(right ? area.right() - px(16) : area.left(), area.center().y() - px(9), px(16), px(18));
    if (right && area.width() < px(48)) continue;
    p.setPen(QPen(t.piece(bar.piece), 2));
    p.setBrush(t.card);
    p.drawRoundedRect(cap, 3, 3);
    p.setPen(t.ink);
    p.setFont(typeface(12, QFont::Bold));
    p.drawText(cap, Qt::AlignCenter, QString::fromStdString(piece.tag));
  }
  QPen dotted(t.faint, 1, Qt::DotLine);
  p.setPen(dotted);
  p.drawLine(QPointF(area.right() + px(3), area.top() - px(14)),
             QPointF(area.right() + px(3), area.bottom() + px(14)));
}

void WireRack::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  for (const Row& row : rows_) {
    // The rest of the coil, with a broken end.
    const double right = width() - px(4);
    const double from = row.bars.empty() ? 0 : row.bars.back().area.right() + px(3);
    p.fillRect(QRectF(from, row.y, std::max(0.0, right - from - px(8)), px(kBar)), t.disc);
    p.setPen(QPen(t.faint, 1.2));
    p.drawPolyline(QPolygonF{QPointF(right - px(8), row.y - px(5)), QPointF(right - px(3), row.y + px(2)),
                             QPointF(right - px(9), row.y + px(8)), QPointF(right - px(4), row.y + px(16))});
    p.setPen(t.ink);
    p.setFont(typeface(13, QFont::DemiBold));
    const QRectF name(from + px(6), row.y - px(28), std::max(0.0, width() - px(4) - from - px(6)), px(20));
    p.drawText(name, Qt::AlignRight | Qt::AlignVCenter,
               p.fontMetrics().elidedText(row.wire, Qt::ElideRight, qFloor(name.width())));
    for (const Bar& bar : row.bars) paintBar(p, bar);
  }
  if (hasFocus()) {
    p.setPen(QPen(t.woad, 2));
    p.setBrush(Qt::NoBrush);
    p.drawRect(rect().adjusted(1, 1, -1, -1));
  }
}

} // namespace columna
