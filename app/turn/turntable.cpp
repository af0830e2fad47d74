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
constexpr int kKnobSides = 8; ///< while the build-up plays
constexpr double kStep = std::numbers::pi / 24;
constexpr double kNowhere = 1e9; ///< mm: a place without markings
constexpr double kSurface = 90;  ///< cells over the figure's height in the surface at rest

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
  for (const auto signal : {&Session::poseChanged, &Session::planSettled, &Session::stageChanged})
    connect(&session_, signal, this, [this] {
      ++turn_;
      stop_ = true; // a surface under way is of another figure
      stale();
      if (isVisible()) fine_.start();
    });
  connect(&session_, &Session::momentChanged, this, [this] {
    ++turn_;
    stop_ = true;
    coarse_ = true; // under the hand; finely once it rests
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
      limbs[l] = woolColour(Vec3(kNowhere, kNowhere, kNowhere), Vec3(0, 0, -1), drawn.limbs[l].bones.front(),
                            moment);
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
    wool.draw(woolMesh(drawn, quick ? (wrap ? kKnobSides : kCoarseSides) : kFineSides, limbs), camera);
  if (wrap && !session_.finished()) {
    wool.draw(wireMesh(plan, quick ? 6 : 12, pieces), camera);
    // While the knob is dragged neither the finished figure nor the camera moves.
    const std::array<double, 9> seen{camera_.yaw,        camera_.pitch,      camera_.scale,
                                     camera_.middle.x(), camera_.middle.y(), camera_.centre.x(),
                                     camera_.centre.y(), camera_.centre.z(), plan.figure.overallHeight};
    if (!finished_ || seen != finishedSeen_ || finished_->image().size() != size() || !coarse_) {
      finished_.emplace(width(), height());
      finished_->draw(woolMesh(plan.figure, kCoarseSides, limbs), camera_, 0);
      finishedSeen_ = seen;
      traceGhost();
    }
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
