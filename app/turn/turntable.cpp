#include "turn/turntable.h"

#include "kit/beside.h"
#include "measure/quantity.h"
#include "project/heads.h"
#include "session/build_view.h"
#include "session/stance_view.h"
#include "solid/field.h"
#include "theme/theme.h"
#include "turn/framing.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr int kSides = 12;    ///< corners of a ring under the hand
constexpr int kKnobSides = 8; ///< while the build-up is dragged or plays
constexpr int kWireSides = 6; ///< the same of wire
constexpr int kFineWire = 12;
constexpr double kStep = std::numbers::pi / 24;
constexpr double kAlongHead = 50; ///< and along the head
constexpr double kSurface = 90;   ///< cells over the figure's height in the surface at rest
constexpr int kRest = 160;        ///< ms without a change

std::vector<QRgb> pieceColours(const Plan& plan) {
  std::vector<QRgb> out;
  for (size_t i = 0; i < plan.pieces.size(); ++i) out.push_back(theme().piece(static_cast<int>(i)).rgb());
  return out;
}

} // namespace

Turntable::Turntable(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setAttribute(Qt::WA_OpaquePaintEvent); // what lies under it need not be painted
  setAccessibleName(tr("Turntable"));
  setAccessibleDescription(tr("Arrow keys turn the figure; drag a joint to move it"));
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  camera_.yaw = -0.55;
  camera_.pitch = 0.3;
  fine_.setSingleShot(true);
  fine_.setInterval(kRest);
  connect(&fine_, &QTimer::timeout, this, &Turntable::askFine);
  const auto other = [this] {
    ++turn_;
    stop_ = true; // a picture under way is of another figure
    moved();
  };
  connect(&session_.build(), &BuildView::changed, this, other);
  const auto another = [this, other] {
    ghost_.clear(); // the finished outline is another too
    other();
  };
  for (const auto signal : {&Session::poseChanged, &Session::stageChanged})
    connect(&session_, signal, this, another);
  session_.onSettled(this, another);
  connect(&session_, &Session::selectionChanged, this, &Turntable::recoloured);
  connect(&making_, &QFutureWatcher<std::shared_ptr<FinePicture>>::finished, this, &Turntable::fineMade);
}

Turntable::~Turntable() {
  stop_ = true;
  awaitEnd(making_);
}

void Turntable::setStage(Stage& stage) {
  stage_ = &stage;
  round_ = stage.makeRound();
  ++turn_;
  moved();
}

bool Turntable::building() const { return look().built && !session_.build().finished(); }

/// In the stance, whatever the flat views under it show just now.
const Figure& Turntable::figure() const {
  return building() ? session_.build().plan(true).figure : session_.stance().plan().figure;
}

/// The finished outline, dashed, where the work is still inside it.
void Turntable::paintGhost() {
  if (!building() || ghostSeen_ != seen() || ghost_.empty()) return;
  if (image_.format() != QImage::Format_ARGB32_Premultiplied)
    image_ = image_.convertToFormat(QImage::Format_ARGB32_Premultiplied);
  const QRgb ink = theme().ink.rgb();
  const QRect area = image_.rect();
  for (const QPoint& at : ghost_)
    if ((at.x() + at.y()) / 5 % 2 == 0 && area.contains(at)) image_.setPixel(at, ink);
}

std::array<double, 9> Turntable::seen() const {
  return {camera_.yaw,        camera_.pitch,      camera_.scale,
          camera_.middle.x(), camera_.middle.y(), camera_.centre.x(),
          camera_.centre.y(), camera_.centre.z(), session_.plan().figure->overallHeight};
}

void Turntable::askFine() {
  if (!isVisible() || fineLook_ == look_ || making_.isRunning() || session_.inRun()) return;
  fitCamera();
  stop_ = false;
  askedTurn_ = turn_;
  askedLook_ = look_;
  const Plan& plan = session_.stance().plan();
  FineAsk ask{.figure = figure(),
              .solid = solidTurn_ == turn_ ? solid_ : nullptr,
              .paint = WoolPaint(session_, look().felt)};
  ask.face = faceLook(ask.paint);
  ask.felt = !building() && !through_;
  ask.wish.cell = std::max(0.4, session_.plan().figure->overallHeight / kSurface);
  if (ask.figure.head)
    ask.wish.cell = std::min(ask.wish.cell, std::max(0.4, ask.figure.head->length / kAlongHead));
  ask.wish.blend = usualBlend(session_.plan().figure);
  ask.wish.flats = Flats::Apart; // thinner than the picture's cells
  ask.wish.stop = &stop_;
  ask.through = through_;
  ask.bare = building();
  if (ask.through || ask.bare) ask.wire = wireMesh(plan, kFineWire, pieceColours(plan));
  if (look().felt) ask.outline = plan.figure;
  ask.camera = camera_;
  ask.size = size();
  ask.stop = &stop_;
  making_.setFuture(beside([ask = std::move(ask)] { return finePicture(ask); }));
}

FaceLook Turntable::faceLook(const WoolPaint& paint) {
  FaceLook out;
  const Figure& shown = figure();
  const auto head = headOf(session_.project(), session_.catalog());
  if (!shown.head || !head) return out;
  const FaceWish& wish = session_.project().face;
  const bool same = faceOf_ && faceOf_->form == shown.head->form && faceOf_->dials == shown.head->dials &&
                    faceOf_->length == shown.head->length && faceWish_ == wish.made();
  if (!same)
    face_ = std::make_shared<const HeadPaint>(asTaken(*head, wish, *shown.head), shown.head->dials,
                                              shown.head->length);
  if (!same || faceOf_->axes != shown.head->axes) // hair hangs down, however the head is turned
    hair_ = hairStrokes(face_->head(), face_->field(), shown.head->axes.transpose() * -Vec3::UnitZ());
  faceOf_ = shown.head;
  faceWish_ = wish.made();
  out.paint = face_;
  out.hair = hair_;
  out.head = shown.head;
  out.limb = shown.bones[static_cast<size_t>(shown.head->bone)].limb;
  out.ground = paint.ground(out.limb) & 0xffffffU;
  if (paint.chosen(out.limb)) {
    out.tint = paint.tint();
    out.tinted = WoolPaint::kTint;
  }
  return out;
}

void Turntable::fineMade() {
  const auto made = answerOf(making_);
  if (stop_ || askedTurn_ != turn_) {
    if (isVisible()) fine_.start();
    return;
  }
  solid_ = made->solid;
  solidTurn_ = turn_;
  if (askedLook_ != look_ || made->image.size() != size()) {
    if (isVisible()) fine_.start(); // seen from another side by now
    return;
  }
  raster_ = std::move(made->raster);
  image_ = made->image;
  times_ = FinePicture::kTimes;
  ghost_ = std::move(made->outline);
  ghostSeen_ = seen();
  rendered_ = true;
  fineLook_ = look_;
  paintGhost();
  update();
}

void Turntable::moved() {
  ++look_;
  rendered_ = false;
  if (isVisible()) fine_.start();
  update();
}

void Turntable::recoloured() {
  ++look_;
  if (image_.size() != size()) rendered_ = false;
  askFine();
  if (making_.isRunning() && askedLook_ != look_) fine_.start();
  update(); // the marks over the picture follow at once
}

void Turntable::setThroughWool(bool on) {
  if (through_ == on) return;
  through_ = on;
  moved();
}

void Turntable::fit() {
  fitted_ = true;
  moved();
}

void Turntable::turnBy(double yaw, double pitch) {
  camera_.yaw = std::remainder(camera_.yaw + yaw, 2 * std::numbers::pi);
  camera_.pitch = std::clamp(camera_.pitch + pitch, -0.2, std::numbers::pi / 2);
  moved();
}

QPointF Turntable::jointAt(int point) const {
  return camera_.at(session_.stance().plan().skeleton->points[static_cast<size_t>(point)].at);
}

QImage Turntable::picture() {
  render();
  return image_;
}

void Turntable::fitCamera() {
  if (!fitted_ || held_ >= 0) return;
  const Figure& figure = session_.stance().plan().figure;
  camera_.centre = middleOf(figure);
  if (turning_) return; // it does not breathe under the hand; let go, it is framed anew
  frameRound(camera_, figure, QRectF(px(40), px(44), width() - px(80), height() - px(84)));
}

void Turntable::render() {
  if (rendered_) return;
  rendered_ = true;
  fitCamera();
  const Plan& plan = session_.stance().plan();
  const WoolPaint paint(session_, look().felt);
  Raster wool(width(), height());
  wool.draw(woolMesh(figure(), look().felt ? kKnobSides : kSides, paint.parts()), camera_);
  const bool bare = building();
  if (through_ || bare) {
    const Mesh wire = wireMesh(plan, kWireSides, pieceColours(plan));
    if (bare) wool.draw(wire, camera_);
    if (through_) {
      raster_ = Raster(width(), height());
      raster_.draw(wire, camera_);
      raster_.over(wool, 0.34);
    }
  }
  if (!through_) raster_ = std::move(wool);
  times_ = 1;
  image_ = raster_.image();
  paintGhost();
}

void Turntable::paintEvent(QPaintEvent* /*event*/) {
  render();
  if (behind() && !fine_.isActive() && !making_.isRunning()) fine_.start();
  const Theme& t = theme();
  const Plan& plan = session_.stance().plan();
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
      circle << camera_.at(under + share * plan.figure->totalLength * Vec3(std::cos(a), std::sin(a), 0));
    }
    p.drawPolygon(circle);
  }
  p.drawImage(0, 0, image_);
  if (round_) round_->paint(p, camera_, size());
  p.setPen(t.ink);
  p.setFont(typeface(13, QFont::DemiBold));
  const QPointF head(px(16), px(24));
  p.drawText(head, tr("turntable"));
  const double w = QFontMetricsF(p.font()).horizontalAdvance(tr("turntable"));
  p.setFont(typeface(13));
  p.setPen(t.faint);
  const QString more = round_ ? round_->hint() : tr("drag to turn; X shows the wire");
  p.drawText(head + QPointF(w + px(14), 0),
             p.fontMetrics().elidedText(more, Qt::ElideRight, qRound(width() - head.x() - w - px(20))));
  if (hasFocus()) {
    p.setPen(QPen(t.woad, 2));
    p.setBrush(Qt::NoBrush);
    p.drawRect(rect().adjusted(1, 1, -1, -1));
  }
}

void Turntable::resizeEvent(QResizeEvent* /*event*/) { moved(); }

void Turntable::changeEvent(QEvent* event) {
  if (event->type() == QEvent::StyleChange) moved(); // another theme has other colours
  QWidget::changeEvent(event);
}

void Turntable::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  setFocus();
  held_ = round_ ? round_->pointAt(camera_, event->position()) : -1;
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
    const Vec3 at = session_.stance().plan().skeleton->points[static_cast<size_t>(held_)].at;
    round_->drag(held_, camera_.place(event->position(), at));
    return;
  }
  if (turning_) {
    const QPointF by = event->position() - *turning_;
    turning_ = event->position();
    turnBy(by.x() * 0.008, by.y() * 0.008);
    return;
  }
  setCursor(round_ && round_->pointAt(camera_, event->position()) >= 0 ? Qt::OpenHandCursor
                                                                       : Qt::SizeAllCursor);
}

void Turntable::mouseReleaseEvent(QMouseEvent* /*event*/) {
  const bool turned = turning_.has_value();
  turning_.reset();
  if (turned) moved(); // framed as it is seen now
  if (held_ < 0) return;
  held_ = -1;
  session_.endRun();
  setCursor(Qt::ArrowCursor);
  moved();
}

void Turntable::wheelEvent(QWheelEvent* event) {
  fitted_ = false;
  camera_.scale = std::clamp(camera_.scale * std::pow(1.0015, event->angleDelta().y()), 0.02, 60.0);
  moved();
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
