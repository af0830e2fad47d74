#include "face/face_strip.h"

#include "anatomy/plane.h"
#include "edit/face_edit.h"
#include "face/flat_pattern.h"
#include "head/head_paint.h"
#include "kit/say.h"
#include "measure/whole.h"
#include "theme/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollArea>

#include <algorithm>
#include <cmath>
#include <tuple>

namespace columna {
namespace {

constexpr double kEyeRow = 128;
constexpr QColor kEyeDark(0x2b, 0x24, 0x20); ///< an eye is dark with a light in it, on a dark ground too
constexpr double kTall = 118;                ///< of an ear's or a sole's card

QString length(double mm, UnitSystem units, int decimals = 1) {
  return QString::fromStdString(printLength(mm, units, decimals));
}

QString mass(double grams, UnitSystem units) { return QString::fromStdString(printMass(grams, units)); }

QPolygonF polygon(const std::vector<Vec2>& outline, const QPointF& origin, double scale, double flip = 1) {
  QPolygonF out;
  for (const Vec2& p : outline) out << origin + QPointF(flip * p.x() * scale, -p.y() * scale);
  return out;
}

/// A foot's own plane: heel below, toes up, the outer side to the right.
QPolygonF footPolygon(const std::vector<Vec2>& outline, const QPointF& heel, double scale) {
  QPolygonF out;
  for (const Vec2& p : outline) out << heel + QPointF(p.y() * scale, -p.x() * scale);
  return out;
}

} // namespace

FaceStrip::FaceStrip(Session& session, FaceView& view, Of what, QWidget* parent)
    : QWidget(parent), session_(session), view_(view), what_(what) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(what == Of::Pads    ? tr("Pads in the order of work")
                    : what == Of::Eyes  ? tr("Eyes that are sold")
                    : what == Of::Flats ? tr("Ears and other flat parts")
                    : what == Of::Soles ? tr("Soles")
                                        : tr("Steps"));
  connect(&view_, &FaceView::changed, this, [this] {
    lay();
    update();
    bringToSight();
  });
  lay();
}

double FaceStrip::pixelsPerMm() const { return std::max(2.0, logicalDpiX() / 25.4); }

bool FaceStrip::chosen(const Item& item) const {
  if (what_ == Of::Eyes) {
    const FaceSums* sums = view_.sums();
    return sums && !sums->report.eyes.empty() &&
           std::abs(sums->report.eyes.front().choice.take - item.size) < 1e-9;
  }
  return item.pick.kind != FacePick::Kind::None && item.pick == view_.pick();
}

void FaceStrip::lay() {
  items_.clear();
  const FaceSums* sums = view_.sums();
  if (!sums) return;
  const UnitSystem units = session_.units();
  double x = px(4);
  double y = px(3);
  const auto put = [&](const FacePick& pick, double size, const QString& words, double w, double h) {
    if (x > px(4) && x + w > width() - px(4)) {
      x = px(4);
      y += h + px(8);
    }
    Item& item = items_.emplace_back();
    item.pick = pick;
    item.size = size;
    item.words = words;
    item.area = QRectF(x, y, w, h);
    x += w + px(8);
  };
  const auto named = [](FacePick::Kind kind, const std::string& id) {
    FacePick pick;
    pick.kind = kind;
    pick.id = id;
    return pick;
  };
  if (what_ == Of::Pads)
    for (const FacePad& pad : sums->report.pads) {
      const QString name = str(Name(pinName(pad.feature->id)));
      const QString what = pad.feature->mode == FeatureMode::Press ? tr("pressed") : mass(pad.grams, units);
      put(named(FacePick::Kind::Pad, pad.feature->id), 0, tr("%1, %2").arg(name, what), px(88), px(92));
    }
  if (what_ == Of::Eyes)
    for (const double size : session_.catalog().face.eyeSizes) {
      const double wanted = sums->report.eyes.empty() ? 0 : sums->report.eyes.front().choice.wanted;
      if (wanted <= 0 || size < wanted * 0.5 || size > wanted * 1.9) continue;
      put({}, size, length(size, units),
          std::max<double>(px(58), std::max(size, wanted) * pixelsPerMm() + px(16)), px(kEyeRow) * 0.8);
    }
  if (what_ == Of::Flats)
    for (const FaceFlat& flat : sums->report.flats)
      put(named(FacePick::Kind::Flat, flat.flat->id), 0,
          tr("%1, %2").arg(str(Name(pinName(flat.flat->id))), length(flat.thickness, units)), px(250),
          px(kTall));
  if (what_ == Of::Soles)
    for (const Sole& sole : sums->soles)
      put({}, 0, tr("%1, %2").arg(str(Name(sole.which)), length(sole.length, units, 0)), px(190), px(kTall));
  if (what_ == Of::Steps)
    for (size_t i = 0; i < sums->steps.size(); ++i)
      put(named(FacePick::Kind::Step, std::to_string(i)), 0, str(Name(workName(sums->steps[i].work))),
          px(190), px(48));
  double bottom = 0;
  QStringList said;
  for (const Item& item : items_) {
    bottom = std::max(bottom, item.area.bottom());
    said << item.words;
  }
  setMinimumHeight(nearestWhole(bottom + px(3)));
  setAccessibleDescription(said.join(QStringLiteral("; ")));
}

/// Brings the chosen one into sight where the page scrolls.
void FaceStrip::bringToSight() {
  const auto now = std::find_if(items_.begin(), items_.end(), [this](const Item& i) { return chosen(i); });
  if (now == items_.end()) return;
  for (QWidget* up = parentWidget(); up; up = up->parentWidget())
    if (auto* area = qobject_cast<QScrollArea*>(up)) {
      const QPoint at = mapTo(area->widget(), now->area.center().toPoint());
      area->ensureVisible(at.x(), at.y(), 0, qFloor(now->area.height()));
      return;
    }
}

void FaceStrip::resizeEvent(QResizeEvent* /*event*/) { lay(); }

void FaceStrip::take(const Item& item) {
  if (what_ == Of::Eyes)
    (void)session_.apply(tr("eyes"), edit::eyesOf(session_.project(), item.size));
  else if (item.pick.kind != FacePick::Kind::None)
    view_.choose(item.pick);
}

void FaceStrip::mousePressEvent(QMouseEvent* event) {
  for (const Item& item : std::vector<Item>(items_))
    if (item.area.contains(event->position())) {
      take(item);
      return;
    }
}

void FaceStrip::keyPressEvent(QKeyEvent* event) {
  const int step = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
  if (step == 0 || items_.empty()) {
    QWidget::keyPressEvent(event);
    return;
  }
  const auto now = std::find_if(items_.begin(), items_.end(), [&](const Item& i) { return chosen(i); });
  const auto last = static_cast<std::ptrdiff_t>(items_.size()) - 1;
  const auto at = now == items_.end() ? (step > 0 ? 0 : last)
                                      : std::clamp<std::ptrdiff_t>(now - items_.begin() + step, 0, last);
  take(Item(items_[static_cast<size_t>(at)]));
}

void FaceStrip::paintPad(QPainter& p, const Item& item, const FacePad& pad, size_t step) const {
  const Theme& t = theme();
  const bool press = pad.feature->mode == FeatureMode::Press;
  const double most = px(70);
  const double scale = std::min(pixelsPerMm(), most / std::max(pad.length, 1e-6));
  const QPointF middle(item.area.center().x(), item.area.top() + px(34));
  const QRectF oval(middle.x() - pad.length * scale / 2,
                    middle.y() - std::min<double>(px(26), pad.width * scale) / 2, pad.length * scale,
                    std::min<double>(px(26), pad.width * scale));
  p.setPen(QPen(t.ink, 1.2, press ? Qt::DashLine : Qt::SolidLine));
  p.setBrush(press ? t.ground : t.wool);
  p.drawEllipse(oval);
  p.setPen(t.faint);
  p.setFont(typeface(11, QFont::Bold));
  p.drawText(item.area.adjusted(px(5), px(3), 0, 0), Qt::AlignLeft | Qt::AlignTop, QString::number(step));
  if (pad.feature->twin)
    p.drawText(item.area.adjusted(0, px(3), -px(5), 0), Qt::AlignRight | Qt::AlignTop, tr("pair"));
  p.setPen(t.ink);
  p.setFont(typeface(12));
  const QRectF line(item.area.left() + px(3), item.area.top() + px(52), item.area.width() - px(6), px(18));
  p.drawText(
      line, Qt::AlignCenter,
      p.fontMetrics().elidedText(str(Name(pinName(pad.feature->id))), Qt::ElideRight, qFloor(line.width())));
  p.setFont(typeface(13, QFont::DemiBold));
  const QString what = press          ? tr("press %1").arg(length(pad.width / 2, session_.units()))
                       : pad.tooSmall ? tr("a wisp")
                                      : mass(pad.grams, session_.units());
  p.drawText(line.translated(0, px(18)), Qt::AlignCenter, what);
}

void FaceStrip::paintEye(QPainter& p, const Item& item) const {
  const Theme& t = theme();
  const FaceSums& sums = *view_.sums();
  const double wanted = sums.report.eyes.front().choice.wanted;
  const double scale = pixelsPerMm();
  const QPointF middle(item.area.center().x(), item.area.top() + px(44));
  const double r = std::min(item.size * scale / 2, px(36) * 1.0);
  p.setPen(QPen(t.faint, 1));
  p.setBrush(kEyeDark);
  p.drawEllipse(middle, r, r);
  p.setPen(Qt::NoPen);
  p.setBrush(Qt::white);
  p.drawEllipse(middle + QPointF(-r * 0.3, -r * 0.35), r * 0.22, r * 0.22);
  const double ring = std::min(wanted * scale / 2, px(40) * 1.0);
  p.setPen(QPen(t.weld, 1.4, Qt::DashLine));
  p.setBrush(Qt::NoBrush);
  p.drawEllipse(middle, ring, ring);
  p.setPen(t.ink);
  p.setFont(typeface(13, chosen(item) ? QFont::Bold : QFont::Normal));
  p.drawText(QRectF(item.area.left(), item.area.bottom() - px(22), item.area.width(), px(20)),
             Qt::AlignCenter,
             length(item.size, session_.units(), item.size == std::round(item.size) ? 0 : 1));
}

void FaceStrip::paintFlat(QPainter& p, const Item& item, const FaceFlat& flat) const {
  const Theme& t = theme();
  const FaceSums& sums = *view_.sums();
  const FlatPattern pattern =
      flatPattern(*flat.flat, sums.report.length, sums.density, true, session_.catalog().face);
  Bounds2 box;
  box.take(pattern.lay);
  const auto [left, right, low, high] = std::tuple(box.low.x(), box.high.x(), box.low.y(), box.high.y());
  const double room = item.area.width() / 2 - px(16);
  const double scale = std::min({pixelsPerMm(), room / std::max(right - left, 1e-6),
                                 (item.area.height() - px(34)) / std::max(high - low, 1e-6)});
  for (const double flip : {1.0, -1.0}) {
    if (flip < 0 && !flat.flat->twin) continue;
    const double middle = item.area.left() + item.area.width() * (flip > 0 ? 0.27 : 0.73);
    const QPointF origin(middle - flip * (left + right) / 2 * scale, item.area.top() + px(8) + high * scale);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(t.faint, 1, Qt::DashLine));
    p.drawPolygon(polygon(pattern.lay, origin, scale, flip));
    p.setPen(QPen(t.faint, 1));
    p.drawPolygon(polygon(pattern.cut, origin, scale, flip));
    p.setPen(QPen(t.ink, 1.6));
    p.setBrush(t.wool);
    p.drawPolygon(polygon(pattern.finished, origin, scale, flip));
    if (!pattern.lining.empty()) {
      p.setPen(QPen(t.faint, 1, Qt::DotLine));
      p.setBrush(Qt::NoBrush);
      p.drawPolygon(polygon(pattern.lining, origin, scale, flip));
    }
  }
  p.setPen(t.ink);
  p.setFont(typeface(12));
  const QRectF line(item.area.left() + px(6), item.area.bottom() - px(22), item.area.width() - px(12),
                    px(20));
  const QString words =
      tr("%1: %2 by %3, %4 thick")
          .arg(str(Name(pinName(flat.flat->id))), length(flat.length, session_.units()),
               length(flat.width, session_.units()), length(flat.thickness, session_.units()));
  p.drawText(line, Qt::AlignCenter, p.fontMetrics().elidedText(words, Qt::ElideRight, qFloor(line.width())));
}

void FaceStrip::paintStep(QPainter& p, const Item& item, const FaceStep& step, size_t number) const {
  const Theme& t = theme();
  const QRectF in = item.area.adjusted(px(8), px(6), -px(8), -px(6));
  const double numberWide = px(22);
  p.setPen(t.faint);
  p.setFont(typeface(13, QFont::Bold));
  p.drawText(in, Qt::AlignLeft | Qt::AlignTop, QString::number(number));
  const QRectF line(in.left() + numberWide, in.top(), in.width() - numberWide, px(18));
  p.setPen(t.ink);
  p.setFont(typeface(13, QFont::DemiBold));
  p.drawText(
      line, Qt::AlignLeft | Qt::AlignTop,
      p.fontMetrics().elidedText(str(Name(workName(step.work))), Qt::ElideRight, qFloor(line.width())));
  // What it takes stands to the right, and what it is done with before it.
  const Drying* dries = step.drying.empty() ? nullptr : session_.catalog().drying.find(step.drying.front());
  const QString takes = dries             ? tr("dries %1").arg(str(hoursWords(dries->load), session_.units()))
                        : step.grams <= 0 ? QString()
                        : step.grams < session_.catalog().face.padLeast ? tr("a wisp")
                                                                        : mass(step.grams, session_.units());
  const QRectF under = line.translated(0, px(19));
  p.setFont(typeface(12));
  p.setPen(dries ? t.weld : t.ink);
  p.drawText(under, Qt::AlignRight | Qt::AlignTop, takes);
  QStringList parts;
  for (const std::string& part : step.parts) parts << str(Name(pinName(part)));
  p.setPen(t.faint);
  const double room = under.width() - p.fontMetrics().horizontalAdvance(takes) - px(8);
  p.drawText(under, Qt::AlignLeft | Qt::AlignTop,
             p.fontMetrics().elidedText(parts.join(tr(", ")), Qt::ElideRight, qFloor(room)));
}

void FaceStrip::paintSole(QPainter& p, const Item& item, const Sole& sole) const {
  const Theme& t = theme();
  const double scale =
      std::min({pixelsPerMm() * 2, (item.area.height() - px(40)) / std::max(sole.length, 1e-6),
                px(86) / std::max(sole.width, 1e-6)});
  const QPointF heel(item.area.left() + px(52), item.area.bottom() - px(28));
  // In the animal's own colours; those a file does not name as the coat.
  const HeadPattern& head = view_.sums()->head;
  const auto colour = [&](const std::string& own, const std::string& other, const QColor& usual) {
    const std::string& name = own.empty() ? other : own;
    return name.empty() ? usual : QColor(QRgb(0xff000000U | paletteColour(head, name)));
  };
  const FootPattern& foot = *sole.foot;
  p.setPen(QPen(t.ink, 1.4));
  p.setBrush(colour(foot.colour, head.base, t.coat));
  if (!sole.outline.empty()) p.drawPolygon(footPolygon(sole.outline, heel, scale));
  for (const auto& toe : sole.toes) p.drawPolygon(footPolygon(toe, heel, scale));
  p.setBrush(colour(foot.webColour, foot.colour, t.coat));
  for (const auto& web : sole.webs) p.drawPolygon(footPolygon(web, heel, scale));
  // Pads in their colour need an edge that shows on it.
  for (const SolePad& pad : sole.pads) {
    const QColor own = colour(pad.pad->colour, foot.padColour, t.core);
    p.setPen(QPen(own.lightnessF() < 0.35 ? t.faint : t.ink, 1.2));
    p.setBrush(own);
    p.drawPolygon(footPolygon(pad.outline, heel, scale));
  }
  p.setPen(QPen(t.ink, 1.2));
  p.setBrush(colour(foot.clawColour, {}, t.ink));
  for (const SoleClaw& claw : sole.claws) p.drawPolygon(footPolygon(claw.outline, heel, scale));
  double grams = 0;
  for (const SolePad& pad : sole.pads) grams += pad.grams;
  p.setPen(t.ink);
  p.setFont(typeface(13, QFont::DemiBold));
  const double x = item.area.left() + px(104);
  const double room = item.area.right() - x - px(4);
  double y = item.area.top() + px(26);
  const auto line = [&](const QString& text, bool strong) {
    p.setFont(typeface(12, strong ? QFont::DemiBold : QFont::Normal));
    p.drawText(QPointF(x, y), p.fontMetrics().elidedText(text, Qt::ElideRight, qFloor(room)));
    y += px(19);
  };
  line(str(Name(sole.which)), true);
  line(length(sole.length, session_.units()), false);
  const bool wisps =
      std::all_of(sole.pads.begin(), sole.pads.end(), [](const SolePad& pad) { return pad.wisp; });
  if (!sole.pads.empty())
    line(wisps ? tr("pads as wisps") : tr("pads %1").arg(mass(grams, session_.units())), false);
  if (!sole.toesApart) line(tr("toes as lines"), false);
}

void FaceStrip::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const FaceSums* sums = view_.sums();
  if (!sums) {
    p.setPen(t.faint);
    p.setFont(typeface(14));
    p.drawText(rect(), Qt::AlignCenter,
               session_.plan().figure->head ? tr("being worked out") : tr("no head for this animal yet"));
    return;
  }
  for (size_t i = 0; i < items_.size(); ++i) {
    const Item& item = items_[i];
    const bool on = chosen(item);
    p.setPen(QPen(on ? t.woad : t.rule, on ? 2 : 1));
    p.setBrush(on ? t.wash : t.card);
    p.drawRoundedRect(item.area, 6, 6);
    switch (what_) {
    case Of::Pads:
      paintPad(p, item, sums->report.pads[i], i + 1);
      break;
    case Of::Eyes:
      paintEye(p, item);
      break;
    case Of::Flats:
      paintFlat(p, item, sums->report.flats[i]);
      break;
    case Of::Soles:
      paintSole(p, item, sums->soles[i]);
      break;
    case Of::Steps:
      paintStep(p, item, sums->steps[i], i + 1);
      break;
    }
  }
  if (items_.empty()) {
    p.setPen(t.faint);
    p.setFont(typeface(14));
    p.drawText(rect(), Qt::AlignCenter, tr("This animal has none."));
  }
  if (hasFocus()) {
    p.setPen(QPen(t.woad, 2));
    p.setBrush(Qt::NoBrush);
    p.drawRect(rect().adjusted(1, 1, -1, -1));
  }
}

} // namespace columna
