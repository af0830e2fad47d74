#include "turn/turntable.h"

#include "mat/mark_layer.h"
#include "mat/pose_layer.h"
#include "measure/quantity.h"
#include "solid/field.h"
#include "theme/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QtConcurrent>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr int kFineSides = 28;
constexpr int kCoarseSides = 12;
constexpr double kStep = std::numbers::pi / 24;
/// Along a bone, deep, and square to both.
Eigen::Matrix3d boneFrame(const FigureBone& bone) {
  Eigen::Matrix3d m;
  m.col(0) = (bone.end - bone.begin).normalized();
  m.col(1) = bone.deepAxis;
  m.col(2) = m.col(0).cross(m.col(1));
  return m;
}

constexpr double kFar = 1e8;    ///< mm: no place of a figure
constexpr double kSurface = 90; ///< cells over the figure's height in the surface at rest

} // namespace

Turntable::Turntable(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setAccessibleName(tr("Turntable"));
  setAccessibleDescription(tr("Arrow keys turn the figure; drag a joint to move it"));
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  camera_.yaw = -0.55;
  camera_.pitch = 0.3;
  fine_.setSingleShot(true);
  fine_.setInterval(160);
  connect(&fine_, &QTimer::timeout, this, [this] {
    coarse_ = false;
    stale();
    askForSolid();
  });
  for (const auto signal :
       {&Session::poseChanged, &Session::planSettled, &Session::stageChanged, &Session::momentChanged})
    connect(&session_, signal, this, [this] {
      ++turn_;
      stop_ = true; // a surface under way is of another figure
      stale();
      if (isVisible()) fine_.start();
    });
  connect(&session_, &Session::selectionChanged, this, &Turntable::stale);
  connect(&making_, &QFutureWatcher<std::shared_ptr<const SolidMesh>>::finished, this, &Turntable::solidMade);
}

Turntable::~Turntable() {
  stop_ = true;
  making_.waitForFinished();
}

const Figure& Turntable::figure() const {
  return session_.stage() == Stage::Wrap ? session_.builtFigure() : session_.posedPlan().figure;
}

void Turntable::askForSolid() {
  if (!isVisible() || solidTurn_ == turn_ || making_.isRunning() || session_.inRun()) return;
  stop_ = false;
  askedTurn_ = turn_;
  MeshWish wish;
  wish.cell = std::max(0.4, session_.plan().figure.overallHeight / kSurface);
  wish.blend = usualBlend(session_.plan().figure);
  wish.stop = &stop_;
  making_.setFuture(QtConcurrent::run(
      [figure = figure(), wish] { return std::make_shared<const SolidMesh>(solidMesh(figure, wish)); }));
}

void Turntable::solidMade() {
  const auto made = making_.result();
  if (!stop_ && askedTurn_ == turn_) {
    solid_ = made;
    solidTurn_ = turn_;
    stale();
    return;
  }
  if (isVisible()) fine_.start();
}

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

void Turntable::stale() {
  rendered_ = false;
  update();
}

void Turntable::setThroughWool(bool on) {
  through_ = on;
  stale();
}

void Turntable::fit() {
  fitted_ = true;
  stale();
}

void Turntable::turnBy(double yaw, double pitch) {
  camera_.yaw = std::remainder(camera_.yaw + yaw, 2 * std::numbers::pi);
  camera_.pitch = std::clamp(camera_.pitch + pitch, -0.2, std::numbers::pi / 2);
  coarse_ = true;
  fine_.start();
  stale();
}

QPointF Turntable::jointAt(int point) const {
  return camera_.at(session_.posedPlan().skeleton.points[static_cast<size_t>(point)].at);
}

QImage Turntable::picture() {
  render();
  return image_;
}

void Turntable::render() {
  if (rendered_) return;
  rendered_ = true;
  const Plan& plan = session_.posedPlan();
  const Theme& t = theme();
  if (fitted_ && held_ < 0) {
    // The same size from every side, so that it does not breathe while it turns.
    Vec3 low(1e9, 1e9, 1e9);
    Vec3 high = -low;
    for (const Tube& tube : plan.figure.tubes)
      for (const Ring& r : tube.rings) {
        const Vec3 half = Vec3::Constant(std::max(r.ru, r.rv));
        low = low.cwiseMin(r.centre - half);
        high = high.cwiseMax(r.centre + half);
      }
    camera_.centre = (low + high) / 2;
    const double wide = std::hypot(high.x() - low.x(), high.y() - low.y());
    const double tall = (high.z() - low.z()) + 0.35 * wide;
    camera_.scale = std::max(0.02, std::min((width() - px(60)) / wide, (height() - px(70)) / tall));
    camera_.middle = QPointF(width() / 2.0, height() / 2.0 + px(8));
  }
  const bool wrap = session_.stage() == Stage::Wrap;
  const Figure& drawn = figure();
  const std::vector<LimbMoment> moment =
      wrap ? session_.moment() : std::vector<LimbMoment>(plan.figure.limbs.size(), LimbMoment{1, 1, 1, 1});
  std::vector<QRgb> limbs;
  for (size_t l = 0; l < plan.figure.limbs.size(); ++l)
    limbs.push_back((static_cast<int>(l) == session_.selected()
                         ? (t.evening ? t.woad.darker(150) : t.woad.lighter(190))
                     : t.evening ? t.coat.lighter(150)
                                 : t.coat)
                        .rgb());
  std::vector<QRgb> pieces;
  if (wrap)
    for (size_t l = 0; l < limbs.size(); ++l)
      limbs[l] = woolColour(Vec3(1e9, 1e9, 1e9), Vec3(0, 0, -1), drawn.limbs[l].bones.front(), moment);
  for (size_t i = 0; i < plan.pieces.size(); ++i) pieces.push_back(t.piece(static_cast<int>(i)).rgb());
  const bool quick = coarse_ || session_.inRun();
  // At rest it is drawn twice as large and brought down, so that its edges are smooth.
  const int times = quick ? 1 : 2;
  Camera camera = camera_;
  camera.scale *= times;
  camera.middle *= times;
  Raster wool(width() * times, height() * times);
  const bool fine = solid_ && solidTurn_ == turn_ && !session_.inRun();
  if (fine)
    wool.draw(
        solidAsMesh(drawn, *solid_,
                    [&](const Vec3& middle, const Vec3& normal, int bone) {
                      return wrap ? woolColour(middle, normal, bone, moment)
                                  : limbs[static_cast<size_t>(drawn.bones[static_cast<size_t>(bone)].limb)];
                    }),
        camera);
  else
    wool.draw(woolMesh(drawn, quick ? kCoarseSides : kFineSides, limbs), camera);
  if (wrap && !session_.finished()) {
    wool.draw(wireMesh(plan, quick ? 6 : 12, pieces), camera);
    finished_.emplace(width(), height());
    finished_->draw(woolMesh(plan.figure, kCoarseSides, limbs), camera_, 0);
  } else {
    finished_.reset();
  }
  if (through_) {
    raster_ = Raster(width() * times, height() * times);
    raster_.draw(wireMesh(plan, quick ? 6 : 12, pieces), camera);
    raster_.over(wool, 0.34);
  } else {
    raster_ = std::move(wool);
  }
  times_ = times;
  image_ = times == 1 ? raster_.image()
                      : raster_.image().scaled(size(), Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
  if (finished_) paintGhost(image_);
}

/// The finished outline, dashed, where the work is still inside it.
void Turntable::paintGhost(QImage& image) const {
  if (image.format() != QImage::Format_ARGB32_Premultiplied)
    image = image.convertToFormat(QImage::Format_ARGB32_Premultiplied);
  const QRgb ink = theme().ink.rgb();
  const auto in = [&](int x, int y) { return finished_->limbAt(x, y) >= 0; };
  for (int y = 1; y + 1 < image.height(); ++y)
    for (int x = 1; x + 1 < image.width(); ++x) {
      if (!in(x, y) || (in(x - 1, y) && in(x + 1, y) && in(x, y - 1) && in(x, y + 1))) continue;
      if ((x + y) / 5 % 2 == 0) image.setPixel(x, y, ink);
    }
}

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

void Turntable::paintEvent(QPaintEvent* /*event*/) {
  render();
  if (behind() && !fine_.isActive()) fine_.start();
  const Theme& t = theme();
  const Plan& plan = session_.posedPlan();
  QPainter p(this);
  p.fillRect(rect(), t.ground);
  p.setRenderHint(QPainter::Antialiasing);
  // The ground as rings about the middle of the feet, so that its tilt is seen.
  QPen ring(t.rule, 1);
  p.setPen(ring);
  const Vec3 under(camera_.centre.x(), camera_.centre.y(), 0);
  for (const double share : {0.35, 0.7}) {
    QPolygonF circle;
    for (int k = 0; k < 48; ++k) {
      const double a = k * std::numbers::pi / 24;
      circle << camera_.at(under + share * plan.figure.totalLength * Vec3(std::cos(a), std::sin(a), 0));
    }
    p.drawPolygon(circle);
  }
  p.drawImage(0, 0, image_);
  const bool wrap = session_.stage() == Stage::Wrap;
  if (wrap) {
    paintGirths(p);
    paintPads(p);
  } else
    PoseLayer::paintMarks(p, plan, session_.pose(), session_.selected(),
                          [this](const Vec3& at) { return camera_.at(at); });
  p.setPen(t.ink);
  p.setFont(typeface(13, QFont::DemiBold));
  const QPointF head(px(16), px(24));
  p.drawText(head, tr("turntable"));
  const double w = QFontMetricsF(p.font()).horizontalAdvance(tr("turntable"));
  p.setFont(typeface(13));
  p.setPen(t.faint);
  const QString more = !wrap ? tr("drag a joint to pose, beside it to turn; X shows the wire")
                       : session_.finished()
                           ? tr("girths as felted, by the tape; drag to turn, X shows the wire")
                           : tr("girths by the tape as they should be now; dashes are the finished outline");
  p.drawText(head + QPointF(w + px(14), 0),
             p.fontMetrics().elidedText(more, Qt::ElideRight, qRound(width() - head.x() - w - px(20))));
  if (hasFocus()) {
    p.setPen(QPen(t.woad, 2));
    p.setBrush(Qt::NoBrush);
    p.drawRect(rect().adjusted(1, 1, -1, -1));
  }
}

void Turntable::resizeEvent(QResizeEvent* /*event*/) { stale(); }

int Turntable::pointUnder(const QPointF& pixel) const {
  const Plan& plan = session_.posedPlan();
  int best = -1;
  double least = px(10);
  double nearest = -1e9;
  for (const int point : PoseLayer::handles(plan)) {
    const Vec3& at = plan.skeleton.points[static_cast<size_t>(point)].at;
    const double away = QLineF(camera_.at(at), pixel).length();
    if (away > px(10)) continue;
    // Of joints behind each other the one towards the eye.
    const double near = camera_.near(at);
    if (away < least - px(3) || (away < least + px(3) && near > nearest)) {
      least = std::min(least, away);
      nearest = near;
      best = point;
    }
  }
  return best;
}

void Turntable::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  setFocus();
  held_ = session_.stage() == Stage::Pose ? pointUnder(event->position()) : -1;
  if (held_ >= 0) {
    setCursor(Qt::ClosedHandCursor);
    return;
  }
  render();
  session_.select(
      raster_.limbAt(qRound(event->position().x() * times_), qRound(event->position().y() * times_)));
  turning_ = event->position();
}

void Turntable::mouseMoveEvent(QMouseEvent* event) {
  if (held_ >= 0) {
    const Vec3 at = session_.posedPlan().skeleton.points[static_cast<size_t>(held_)].at;
    if (const auto joint = session_.jointOfPoint(held_))
      session_.dragJoint(*joint, camera_.place(event->position(), at), QStringLiteral("drag pose"));
    return;
  }
  if (turning_) {
    const QPointF by = event->position() - *turning_;
    turning_ = event->position();
    turnBy(by.x() * 0.008, by.y() * 0.008);
    return;
  }
  setCursor(session_.stage() == Stage::Pose && pointUnder(event->position()) >= 0 ? Qt::OpenHandCursor
                                                                                  : Qt::SizeAllCursor);
}

void Turntable::mouseReleaseEvent(QMouseEvent* /*event*/) {
  turning_.reset();
  if (held_ < 0) return;
  held_ = -1;
  session_.endRun();
  setCursor(Qt::ArrowCursor);
  stale();
}

void Turntable::wheelEvent(QWheelEvent* event) {
  fitted_ = false;
  camera_.scale = std::clamp(camera_.scale * std::pow(1.0015, event->angleDelta().y()), 0.02, 60.0);
  coarse_ = true;
  fine_.start();
  stale();
  event->accept();
}

void Turntable::keyPressEvent(QKeyEvent* event) {
  switch (event->key()) {
  case Qt::Key_Left:
    turnBy(-kStep, 0);
    return;
  case Qt::Key_Right:
    turnBy(kStep, 0);
    return;
  case Qt::Key_Up:
    turnBy(0, kStep);
    return;
  case Qt::Key_Down:
    turnBy(0, -kStep);
    return;
  default:
    QWidget::keyPressEvent(event);
  }
}

} // namespace columna
