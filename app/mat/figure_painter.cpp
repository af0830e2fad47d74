#include "mat/figure_painter.h"

#include "turn/tones.h"

#include "kit/dot.h"
#include "kit/verdict_mark.h"
#include "theme/theme.h"

#include <QPainterPath>
#include <QTransform>

#include <cmath>
#include <set>

namespace columna {
namespace {

QPainterPath spline(const QPolygonF& points) {
  QPainterPath path(points.first());
  for (qsizetype i = 0; i + 1 < points.size(); ++i) {
    const QPointF before = points[std::max<qsizetype>(i - 1, 0)];
    const QPointF after = points[std::min<qsizetype>(i + 2, points.size() - 1)];
    path.cubicTo(points[i] + (points[i + 1] - before) / 6, points[i + 1] - (after - points[i]) / 6,
                 points[i + 1]);
  }
  return path;
}

/// Straight runs with rounded corners: a real elbow, not a hose.
QPainterPath elbows(const QPolygonF& points, double radius) {
  QPainterPath path(points.first());
  for (qsizetype i = 1; i + 1 < points.size(); ++i) {
    const QPointF in = points[i] - points[i - 1];
    const QPointF out = points[i + 1] - points[i];
    const double li = std::hypot(in.x(), in.y());
    const double lo = std::hypot(out.x(), out.y());
    if (li < 1e-6 || lo < 1e-6) continue;
    const double r = std::min({radius, li / 2, lo / 2});
    path.lineTo(points[i] - in * (r / li));
    path.quadTo(points[i], points[i] + out * (r / lo));
  }
  path.lineTo(points.last());
  return path;
}

bool axial(LimbKind kind) {
  return kind == LimbKind::Head || kind == LimbKind::Neck || kind == LimbKind::Trunk ||
         kind == LimbKind::Tail;
}

/// The tube's ring nearest to a girth's place.
const Ring* ringAt(const Figure& figure, const Girth& girth) {
  const Ring* best = nullptr;
  double least = 1e9;
  for (const Tube& tube : figure.tubes)
    for (size_t i = 0; !tube.pad && i < tube.slabBone.size(); ++i)
      if (tube.slabBone[i] == girth.bone && std::abs(tube.slabAt(i) - girth.at) < least) {
        least = std::abs(tube.slabAt(i) - girth.at);
        best = &tube.rings[i];
      }
  return best;
}

} // namespace

QTransform FigurePainter::transform() const {
  const double s = v_.scale * plan_.figure->scale;
  return {s, 0, 0, -s, v_.origin.x(), v_.origin.y()};
}

bool FigurePainter::chosen(int limb) const { return limb >= 0 && limb == how_.selected; }

void FigurePainter::paintWool(const QPainterPath& body) {
  const MatWool::Picture* wool = how_.wool->picture(v_.view);
  p_.save();
  p_.setClipPath(body, Qt::IntersectClip);
  p_.setOpacity(MatWool::kShare);
  p_.setRenderHint(QPainter::SmoothPixmapTransform);
  p_.drawImage(
      QRectF(v_.at(Vec2(wool->mm.left(), wool->mm.bottom())), v_.at(Vec2(wool->mm.right(), wool->mm.top()))),
      wool->image);
  p_.restore();
}

void FigurePainter::body() {
  const Theme& t = theme();
  // Made when it is drawn: where something else stands for the body it would be for nothing.
  const ViewShape& shape = shapes_.of(plan_.figure, plan_.wool->coatThickness, v_.view);
  const bool wrap = how_.look.felt;
  const QTransform m = transform();
  p_.save();
  // Under the hand a frame must be quick: sharp-edged fills and hairlines, until it lets go.
  p_.setRenderHint(QPainter::Antialiasing, !shapes_.coarse());
  const double line = how_.small || shapes_.coarse() ? 1 : 1.5;
  // Under the hand limbs lie one over the other: the lines between them go under the fill.
  const auto draw = [&](const QPainterPath& path, const QPen& pen, const QColor& fill) {
    QPen under = pen;
    if (shapes_.coarse() && pen.style() == Qt::SolidLine) {
      // Filled once to each side: a stroke of so many corners takes far longer.
      for (const QPointF& to : {QPointF(pen.widthF(), 0), QPointF(0, pen.widthF())})
        for (const double way : {-1.0, 1.0}) p_.fillPath(path.translated(way * to), pen.color());
    } else if (shapes_.coarse()) {
      under.setWidthF(2 * pen.widthF());
      p_.strokePath(path, under);
    }
    p_.setPen(shapes_.coarse() ? QPen(Qt::NoPen) : pen);
    p_.setBrush(fill);
    p_.drawPath(path);
  };
  if (!shape.far.isEmpty() && !how_.look.bare) draw(m.map(shape.far), QPen(t.farLine, 1), t.farFill);
  const QPainterPath near = m.map(shape.near);
  if (how_.look.bare) {
    QPen faint(t.rule, 1.2);
    faint.setDashPattern({2, 4});
    p_.setPen(faint);
    p_.setBrush(Qt::NoBrush);
    p_.drawPath(near);
    p_.restore();
    return;
  }
  const QPainterPath flats = m.map(shape.flats);
  if (wrap) {
    QPen dashed(t.faint, 1.2);
    dashed.setDashPattern({5, 4});
    draw(near, dashed, t.farFill);
    draw(m.map(shape.core()), QPen(t.ink, line), t.wool);
  } else {
    const MatWool::Picture* wool = how_.wool && !shapes_.coarse() ? how_.wool->picture(v_.view) : nullptr;
    const auto tinted = [&](const QColor& plain) {
      return how_.wool && !wool ? QColor(mix(plain.rgb(), how_.wool->coat().rgb(), MatWool::kShare)) : plain;
    };
    draw(flats, QPen(t.ink, line), tinted(t.coat));
    draw(near, QPen(t.ink, line), tinted(t.coat));
    p_.setPen(Qt::NoPen);
    p_.setBrush(tinted(t.core));
    p_.drawPath(m.map(shape.core()));
    if (wool) {
      paintWool(flats.united(near));
      for (const QPainterPath& path : {flats, near}) p_.strokePath(path, QPen(t.ink, line));
    }
  }
  const int count = static_cast<int>(plan_.figure->limbs.size());
  if (how_.selected >= 0 && how_.selected < count) {
    p_.setPen(QPen(t.woad, line * 1.4));
    QColor fill = t.wash;
    if (wrap) fill.setAlpha(110);
    p_.setBrush(fill);
    p_.drawPath(m.map(limb(how_.selected).outline));
    if (!how_.small) {
      QPen dashed(t.woad, 1);
      dashed.setDashPattern({3, 3});
      p_.setPen(dashed);
      p_.setBrush(Qt::NoBrush);
      p_.drawPath(m.map(limb(how_.selected).core()));
    }
  } else if (how_.hovered >= 0 && how_.hovered < count && !how_.small) {
    p_.setPen(QPen(t.woad, 1.2));
    p_.setBrush(Qt::NoBrush);
    p_.drawPath(m.map(limb(how_.hovered).outline));
  }
  // Eyes: the one on this side, or both from before.
  const double r = std::max(1.5, plan_.figure->eyeDiameter / 2 * v_.scale);
  p_.setPen(Qt::NoPen);
  p_.setBrush(t.ink);
  for (size_t e = 0; e < plan_.figure->eyes.size(); ++e)
    if (v_.view != View::Side || plan_.figure->eyes[e].y() <= 0)
      p_.drawEllipse(v_.at(plan_.figure->eyes[e]), r, r);
  p_.restore();
}

std::vector<QPolygonF> FigurePainter::pathsOf(const Piece& piece, bool& smooth) const {
  std::vector<QPolygonF> out;
  std::set<std::pair<int, int>> seen; // a doubled wire is drawn once
  smooth = true;
  for (const int l : piece.limbs) smooth = smooth && axial(plan_.figure->limbs[static_cast<size_t>(l)].kind);
  bool open = false;
  for (size_t i = 0; i + 1 < piece.route.size(); ++i) {
    const int a = piece.route[i];
    const int b = piece.route[i + 1];
    if (!seen.insert({std::min(a, b), std::max(a, b)}).second) {
      open = false;
      continue;
    }
    if (!open) out.push_back({v_.at(plan_.skeleton->points[static_cast<size_t>(a)].at)});
    out.back() << v_.at(plan_.skeleton->points[static_cast<size_t>(b)].at);
    open = true;
  }
  return out;
}

void FigurePainter::piece(int index, bool far) {
  const Piece& piece = plan_.pieces[static_cast<size_t>(index)];
  if (piece.limbs.empty()) {
    if (piece.route.empty() || how_.small) return;
    paintLashing(p_, v_.at(plan_.skeleton->points[static_cast<size_t>(piece.route.front())].at), px(13),
                 theme().piece(index));
    return;
  }
  bool smooth = false;
  const bool onWool = how_.look.felt;
  double width = piece.diameter;
  for (const int l : piece.limbs)
    width = std::max(width, plan_.limbs[static_cast<size_t>(l)].section.bundle());
  width = std::max(how_.small ? 2.6 : 2.2, std::min(width * v_.scale, how_.small ? 4.0 : 60.0));
  for (const QPolygonF& run : pathsOf(piece, smooth)) {
    const QPainterPath path = smooth ? spline(run) : elbows(run, px(5));
    paintWire(p_, path, width, index, far ? 0.45 : 1, true, onWool);
  }
}

void FigurePainter::wire() {
  const auto isFarPiece = [&](const Piece& piece) {
    return std::all_of(piece.limbs.begin(), piece.limbs.end(),
                       [&](int l) { return isFar(plan_.figure->limbs[static_cast<size_t>(l)], v_.view); }) &&
           !piece.limbs.empty();
  };
  for (const bool far : {true, false})
    for (size_t i = 0; i < plan_.pieces.size(); ++i)
      if (isFarPiece(plan_.pieces[i]) == far && !plan_.pieces[i].limbs.empty())
        piece(static_cast<int>(i), far);
  for (size_t i = 0; i < plan_.pieces.size(); ++i)
    if (plan_.pieces[i].limbs.empty()) piece(static_cast<int>(i), false);
}

void FigurePainter::letters() {
  p_.save();
  p_.setFont(typeface(13, QFont::Bold));
  const QFontMetricsF metrics(p_.font());
  const QPointF middle = v_.at(plan_.loads.centre);
  // The view's name stands along its top.
  std::vector<QRectF> taken{QRectF(v_.clip.topLeft(), QSizeF(v_.clip.width(), px(28)))};
  for (size_t i = 0; i < plan_.pieces.size(); ++i) {
    const Piece& piece = plan_.pieces[i];
    if (piece.limbs.empty() || piece.route.size() < 2) continue;
    const QString letter = QString::fromStdString(piece.tag);
    const double w = metrics.horizontalAdvance(letter) + 2;
    const double h = metrics.capHeight() + 4;
    // Beyond the end that lies farthest out, else beyond the other, else beside a joint on the way.
    std::vector<QPointF> places;
    for (const int point : piece.route)
      places.push_back(v_.at(plan_.skeleton->points[static_cast<size_t>(point)].at));
    std::stable_sort(places.begin(), places.end(), [&](const QPointF& a, const QPointF& b) {
      return QLineF(middle, a).length() > QLineF(middle, b).length();
    });
    for (const QPointF& place : places) {
      const QLineF out(middle, place);
      const QPointF way =
          out.length() < 1 ? QPointF(0, -1) : QPointF(out.dx() / out.length(), out.dy() / out.length());
      const QRectF box(QPointF(place + way * px(11)) - QPointF(w / 2, h / 2), QSizeF(w, h));
      if (!v_.clip.contains(box) ||
          std::any_of(taken.begin(), taken.end(), [&](const QRectF& other) { return other.intersects(box); }))
        continue;
      taken.push_back(box);
      QPainterPath glyph;
      glyph.addText(QPointF(box.left() + 1, box.bottom() - 2), p_.font(), letter);
      p_.setRenderHint(QPainter::Antialiasing);
      p_.strokePath(glyph, QPen(theme().card, 3, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
      p_.fillPath(glyph, theme().piece(static_cast<int>(i)));
      break;
    }
  }
  p_.restore();
}

void FigurePainter::joints() {
  const Theme& t = theme();
  p_.save();
  p_.setRenderHint(QPainter::Antialiasing);
  for (size_t l = 0; l < plan_.figure->limbs.size(); ++l) {
    const FigureLimb& limb = plan_.figure->limbs[l];
    if (isFar(limb, v_.view) && !chosen(static_cast<int>(l))) continue;
    if (limb.kind == LimbKind::Digits && !chosen(static_cast<int>(l))) continue;
    const bool mine = chosen(static_cast<int>(l));
    // Of the body only what the spine's wire passes; a rump behind the tail's root has none.
    const auto& spine = plan_.skeleton->spine.points;
    for (const WireRun& run : plan_.skeleton->limbs[l])
      for (const int point : run.points) {
        if (axial(limb.kind) && std::find(spine.begin(), spine.end(), point) == spine.end()) continue;
        const QPointF at = v_.at(plan_.skeleton->points[static_cast<size_t>(point)].at);
        paintDot(p_, at, mine ? px(5.5) : px(4), QPen(mine ? t.card : t.ink, 1.4), mine ? t.woad : t.card);
      }
  }
  p_.restore();
}

bool FigurePainter::insideBody(const Vec3& place) {
  const Vec2 at = project(place, v_.view) / plan_.figure->scale;
  for (size_t l = 0; l < plan_.figure->limbs.size(); ++l)
    if (plan_.figure->limbs[l].kind == LimbKind::Trunk &&
        limb(static_cast<int>(l)).outline.contains(QPointF(at.x(), at.y())))
      return true;
  return false;
}

void FigurePainter::girths() {
  const Theme& t = theme();
  p_.save();
  p_.setRenderHint(QPainter::Antialiasing);
  p_.setFont(typeface(13));
  std::vector<QRectF> taken;
  for (const bool selectedFirst : {true, false})
    for (size_t l = 0; l < plan_.figure->limbs.size(); ++l) {
      const bool mine = chosen(static_cast<int>(l));
      if (mine != selectedFirst || plan_.figure->limbs[l].kind == LimbKind::Digits) continue;
      if (isFar(plan_.figure->limbs[l], v_.view) && !mine) continue;
      const bool named = axial(plan_.figure->limbs[l].kind) || mine;
      for (const Girth& g : plan_.wool->limbs[l].girths) {
        const Ring* ring = ringAt(plan_.figure, g);
        if (!ring || g.felted <= 0) continue;
        if (!named && insideBody(ring->centre)) continue;
        const double coat = plan_.wool->coatThickness;
        const Vec3 reach = ring->v * (ring->rv - coat);
        QPointF a = v_.at(Vec3(ring->centre + reach));
        QPointF b = v_.at(Vec3(ring->centre - reach));
        if (a.y() > b.y()) std::swap(a, b);
        p_.setPen(mine ? QPen(t.woad, 3) : QPen(QColor(QStringLiteral("#6E5F4E")), 1.5));
        p_.drawLine(a, b);
        if (how_.small || !named) continue;
        // Over a ring that stands, beside one that lies.
        const bool upright = std::abs(a.y() - b.y()) > std::abs(a.x() - b.x());
        const QString text = QString::fromStdString(printLengthFigure(g.felted, how_.units, 0));
        const double w = QFontMetricsF(p_.font()).horizontalAdvance(text);
        QPointF at = upright ? a + QPointF(0, -px(26))
                             : (a.x() > b.x() ? a : b) +
                                   QPointF(px(8) + w / 2 + plan_.wool->coatThickness * v_.scale, px(4));
        if (upright) at.setY(std::min(at.y(), a.y() - plan_.wool->coatThickness * v_.scale - px(12)));
        const QRectF box(at.x() - w / 2 - 4, at.y() - px(12), w + 8, px(15));
        if (std::any_of(taken.begin(), taken.end(),
                        [&](const QRectF& other) { return other.intersects(box); }))
          continue;
        taken.push_back(box);
        p_.setPen(mine ? t.woad : t.ink);
        p_.drawText(QPointF(at.x() - w / 2, at.y()), text);
        if (upright) {
          p_.setPen(QPen(t.faint, 1));
          p_.drawLine(QPointF(at.x(), at.y() + px(4)), a);
        }
      }
    }
  p_.restore();
}

void FigurePainter::grams() {
  p_.save();
  p_.setFont(typeface(13, QFont::DemiBold));
  for (size_t l = 0; l < plan_.figure->limbs.size(); ++l) {
    const FigureLimb& part = plan_.figure->limbs[l];
    if (isFar(part, v_.view) || !axial(part.kind)) continue;
    const QPainterPath& core = limb(static_cast<int>(l)).core();
    const QRectF box = transform().mapRect(core.boundingRect());
    const QString text = QString::fromStdString(printMass(plan_.wool->limbs[l].core, how_.units));
    const double w = QFontMetricsF(p_.font()).horizontalAdvance(text) + 10;
    if (box.width() < w || box.height() < px(18)) continue;
    QPointF at = box.center();
    if (!core.contains(transform().inverted().map(at))) continue;
    // A patch of wool under the text keeps it off the girth lines.
    const QRectF patch(at.x() - w / 2, at.y() - px(10), w, px(20));
    p_.setPen(Qt::NoPen);
    p_.setBrush(theme().wool);
    p_.drawRoundedRect(patch, 6, 6);
    p_.setPen(lightTheme().ink);
    p_.drawText(patch, Qt::AlignCenter, text);
  }
  p_.restore();
}

void FigurePainter::findings() {
  std::set<std::string> marked;
  for (const Finding& f : plan_.findings) {
    const auto found = plan_.figure->limb(f.where);
    if (f.level == Level::Good || !found || !marked.insert(f.where).second) continue;
    int l = *found;
    if (isFar(plan_.figure->limbs[static_cast<size_t>(l)], v_.view) &&
        plan_.figure->limbs[static_cast<size_t>(l)].twin >= 0)
      l = plan_.figure->limbs[static_cast<size_t>(l)].twin;
    const QRectF box = transform().mapRect(limb(l).outline.boundingRect());
    const QPointF at(
        box.center().x() +
            (axial(plan_.figure->limbs[static_cast<size_t>(l)].kind) ? 0 : box.width() / 2 + px(12)),
        axial(plan_.figure->limbs[static_cast<size_t>(l)].kind) ? box.top() - px(16) : box.center().y());
    paintVerdict(p_, at, px(8), f.level);
  }
}

} // namespace columna
