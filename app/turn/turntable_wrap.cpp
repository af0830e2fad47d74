// What the turntable shows of Wrap: wool and markings, the finished outline, girths and pads.
#include "turn/turntable.h"

#include "mat/mark_layer.h"
#include "measure/quantity.h"
#include "theme/theme.h"

#include <Eigen/Geometry>

#include <QPainter>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kFar = 1e8; ///< mm: beyond that a place is on no figure

/// Along a bone, deep, and square to both.
Eigen::Matrix3d boneFrame(const FigureBone& bone) {
  Eigen::Matrix3d m;
  m.col(0) = (bone.end - bone.begin).normalized();
  m.col(1) = bone.deepAxis;
  m.col(2) = m.col(0).cross(m.col(1));
  return m;
}

} // namespace

QRgb Turntable::woolColour(const Vec3& middle, const Vec3& normal, int bone,
                           const std::vector<LimbMoment>& moment) const {
  const Plan& plan = session_.plan();
  const auto b = static_cast<size_t>(bone);
  const int limb = plan.figure.bones[b].limb;
  const auto l = static_cast<size_t>(limb);
  const WoolWish& wish = session_.project().wool;
  const bool coated = moment[l].coat > 0 || plan.wool.limbs[l].allCoat;
  QColor colour = toneColour(coated ? wish.coat.tone : wish.core.tone);
  if (coated && wish.coat.tone == wish.core.tone && moment[l].coat > 0) colour = colour.darker(112);
  if (moment[l].coat > 0.5 && middle.x() < kFar) {
    // Markings lie on the neutral stance: the place goes back there with its bone.
    const FigureBone& from = session_.posedPlan().figure.bones[b];
    const FigureBone& to = plan.figure.bones[b];
    const Eigen::Matrix3d back = boneFrame(to) * boneFrame(from).transpose();
    const Vec3 p = to.begin + back * (middle - from.begin);
    const Vec3 n = back * normal;
    for (const Marking& m : wish.markings) {
      if (!m.limb.empty() && plan.figure.limbs[l].family != m.limb) continue;
      const Vec3 eye = m.view == View::Side    ? Vec3(0, -1, 0)
                       : m.view == View::Front ? Vec3(1, 0, 0)
                                               : Vec3(0, 0, 1);
      for (const double side : {1.0, -1.0}) {
        if (side < 0 && !m.both) continue;
        const Vec3 at(p.x(), side * p.y(), p.z());
        if (Vec3(n.x(), side * n.y(), n.z()).dot(eye) > 0 &&
            contains({m.outline}, Vec2(project(at, m.view) / plan.figure.scale)))
          colour = toneColour(m.tone);
      }
    }
  }
  if (limb == session_.selected()) {
    constexpr double mix = 0.28;
    const QColor w = theme().woad;
    const auto mixed = [](double a, double other) { return static_cast<float>(a * (1 - mix) + other * mix); };
    colour = QColor::fromRgbF(mixed(colour.redF(), w.redF()), mixed(colour.greenF(), w.greenF()),
                              mixed(colour.blueF(), w.blueF()));
  }
  return colour.rgb();
}

/// The finished outline, dashed, where the work is still inside it.
void Turntable::paintGhost(QImage& image) const {
  if (image.format() != QImage::Format_ARGB32_Premultiplied)
    image = image.convertToFormat(QImage::Format_ARGB32_Premultiplied);
  const QRgb ink = theme().ink.rgb();
  for (const QPoint& at : ghost_)
    if (image.rect().contains(at)) image.setPixel(at, ink);
}

void Turntable::traceGhost() {
  ghost_.clear();
  const int w = finished_->image().width();
  const int h = finished_->image().height();
  const auto in = [&](int x, int y) { return finished_->limbAt(x, y) >= 0; };
  for (int y = 1; y + 1 < h; ++y)
    for (int x = 1; x + 1 < w; ++x)
      if ((x + y) / 5 % 2 == 0 && in(x, y) && !(in(x - 1, y) && in(x + 1, y) && in(x, y - 1) && in(x, y + 1)))
        ghost_.emplace_back(x, y);
}

/// The girths of the parts in the middle, as they should read now, over their rings.
void Turntable::paintGirths(QPainter& p) const {
  const Plan& plan = session_.plan();
  const Figure& posed = session_.posedPlan().figure;
  const Theme& t = theme();
  const std::vector<LimbMoment> moment = session_.moment();
  p.setFont(typeface(13));
  std::vector<QRectF> taken;
  for (const bool mineFirst : {true, false})
    for (size_t l = 0; l < plan.figure.limbs.size(); ++l) {
      const FigureLimb& limb = plan.figure.limbs[l];
      const bool mine = static_cast<int>(l) == session_.selected();
      if (mine != mineFirst || limb.kind == LimbKind::Digits || (limb.side != 0 && !mine)) continue;
      for (const Girth& g : plan.wool.limbs[l].girths) {
        const FigureBone& bone = posed.bones[static_cast<size_t>(g.bone)];
        const Vec3 on = bone.begin + g.at * (bone.end - bone.begin);
        // Square to the bone as it is seen, on the upper side; straight up where it points at the eye.
        const QPointF top = camera_.at(on);
        const QPointF along = camera_.at(bone.end) - camera_.at(bone.begin);
        const double length = std::hypot(along.x(), along.y());
        QPointF out = length > 4 ? QPointF(along.y(), -along.x()) / length : QPointF(0, -1);
        if (out.y() > 0.2 || (std::abs(out.y()) <= 0.2 && out.x() > 0)) out = -out;
        const double reach = std::max(g.across, g.deep) / 2 * camera_.scale;
        const double now =
            session_.finished() ? (g.felted > 0 ? g.felted : g.finished) : girthAtMoment(g, moment[l]);
        const QString text = QString::fromStdString(printLengthFigure(now, session_.units(), 0));
        const double w = p.fontMetrics().horizontalAdvance(text);
        const QPointF beside = top + out * (reach + px(12) + w / 2 * std::abs(out.x()));
        const QPointF at = beside + QPointF(-w / 2, px(4));
        const QRectF box(at.x() - 3, at.y() - px(12), w + 6, px(15));
        if (std::any_of(taken.begin(), taken.end(), [&](const QRectF& r) { return r.intersects(box); }))
          continue;
        taken.push_back(box);
        p.setPen(QPen(mine ? t.woad : t.faint, mine ? 1.5 : 1));
        p.drawLine(top + out * reach, top + out * (reach + px(8)));
        p.setPen(mine ? t.woad : t.ink);
        p.drawText(at, text);
      }
    }
}

/// Lenses where pads go, named to the right of the figure.
void Turntable::paintPads(QPainter& p) const {
  const Plan& plan = session_.plan();
  const Figure& posed = session_.posedPlan().figure;
  const Theme& t = theme();
  const int at = stepAt(session_.steps(), session_.built());
  const BuildStep* now = at < 0 ? nullptr : &session_.steps()[static_cast<size_t>(at)];
  std::vector<QRectF> taken;
  for (size_t l = 0; l < plan.wool.limbs.size(); ++l)
    for (size_t k = 0; k < plan.wool.limbs[l].pads.size(); ++k) {
      const Pad& pad = plan.wool.limbs[l].pads[k];
      const bool under = now && now->kind == BuildStep::Kind::Pad && now->limb == static_cast<int>(l) &&
                         now->pad == static_cast<int>(k);
      if (!under && static_cast<int>(l) != session_.selected()) continue;
      for (int side = 0; side < pad.count; ++side) {
        // The neutral place goes into the stance with its bone.
        const auto b = static_cast<size_t>(pad.bones[pad.bones.size() / 2]);
        const Eigen::Matrix3d turn = boneFrame(posed.bones[b]) * boneFrame(plan.figure.bones[b]).transpose();
        Vec3 rest = pad.centre;
        if (side == 1) rest.y() = -rest.y();
        const Vec3 place = posed.bones[b].begin + turn * (rest - plan.figure.bones[b].begin);
        const Vec3 half = (posed.bones[b].end - posed.bones[b].begin).normalized() * pad.length / 2;
        const QPointF c = camera_.at(place);
        const QPointF along = camera_.at(Vec3(place + half)) - c;
        p.save();
        p.translate(c);
        p.rotate(std::atan2(along.y(), along.x()) * 180 / std::numbers::pi);
        p.setPen(QPen(t.woad, under ? 2.5 : 1.5, under ? Qt::SolidLine : Qt::DashLine));
        QColor fill = t.card;
        fill.setAlpha(under ? 150 : 70);
        p.setBrush(fill);
        p.drawEllipse(QPointF(0, 0), std::max<double>(px(8), std::hypot(along.x(), along.y())),
                      std::max<double>(px(5), pad.width / 2 * camera_.scale * 0.6));
        p.restore();
        const QString words =
            QStringLiteral("%1 %2").arg(QString::fromStdString(pad.place),
                                        QString::fromStdString(printMass(pad.grams, session_.units())));
        p.setFont(typeface(13, QFont::DemiBold));
        const double w = p.fontMetrics().horizontalAdvance(words);
        // Named to the right of the figure, each on a line of its own.
        QRectF box(c.x() + px(70), c.y() - px(9), w + px(10), px(19));
        while (std::any_of(taken.begin(), taken.end(), [&](const QRectF& r) { return r.intersects(box); }))
          box.translate(0, px(20));
        if (side == 1) continue; // one name serves both
        taken.push_back(box);
        p.setPen(QPen(t.woad, 1));
        p.drawLine(c, QPointF(box.left(), box.center().y()));
        p.setPen(Qt::NoPen);
        p.setBrush(t.ground);
        p.drawRoundedRect(box, 4, 4);
        p.setPen(t.ink);
        p.drawText(box, Qt::AlignCenter, words);
      }
    }
}

} // namespace columna
