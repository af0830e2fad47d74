#include "mat/mat.h"

#include "shell/parts.h"
#include "theme/theme.h"

#include <QEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include <cmath>

namespace columna {
namespace {

constexpr int kRulerTop = 24;
constexpr int kRulerLeft = 32;
constexpr int kBand = 136; ///< the lower band with the two small views

constexpr std::array<std::array<View, 3>, 3> kOrder{{{View::Side, View::Above, View::Front},
                                                     {View::Front, View::Side, View::Above},
                                                     {View::Above, View::Side, View::Front}}};

} // namespace

Mat::Mat(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setMouseTracking(true);
  setAttribute(Qt::WA_OpaquePaintEvent);
  setFocusPolicy(Qt::StrongFocus);
  trueSizeKey_ = new KeyButton(QStringLiteral("1"), tr("true size"), this);
  fitKey_ = new KeyButton(QStringLiteral("0"), tr("fit"), this);
  connect(trueSizeKey_, &KeyButton::clicked, this, &Mat::trueSize);
  connect(fitKey_, &KeyButton::clicked, this, &Mat::fit);
  study_ = new StudyLayer(session_, shapes_, this);
  connect(&session_, &Session::studyChanged, this, [this] {
    // A picture wants the room of the whole mat.
    const int index = session_.photoIndex();
    if (session_.stage() == Stage::Study && session_.way() == Way::Photo && index >= 0) {
      const View view = session_.project().photos[static_cast<size_t>(index)].view;
      if (three_ || main_ != view) {
        enlarge(view);
      }
    }
    place();
    update();
  });
  setAccessibleName(tr("Mat with the figure"));
  setAccessibleDescription(
      tr("Tab walks the limbs, comma and full stop change the wire, 0 fits, 1 shows true size"));
  connect(&session_, &Session::planChanged, this, [this] {
    place();
    // Under the hand only the view it is in is drawn anew.
    if (study_->dragging() && study_->dragView())
      update(port(*study_->dragView()).clip.toAlignedRect());
    else
      update();
  });
  connect(&session_, &Session::selectionChanged, this, [this] {
    const int l = session_.selected();
    setAccessibleDescription(
        l < 0 ? tr("whole figure selected")
              : tr("%1 selected")
                    .arg(QString::fromStdString(session_.plan().figure.limbs[static_cast<size_t>(l)].name)));
    update();
  });
  connect(&session_, &Session::stageChanged, this, [this] {
    place();
    update();
  });
}

QRectF Mat::centreArea() const {
  const double top = frame(kRulerTop);
  const double left = frame(kRulerLeft);
  return {left, top, width() - left, height() - top};
}

void Mat::place() {
  const Figure& f = session_.plan().figure;
  const double coat = session_.plan().wool.coatThickness;
  const QRectF area = centreArea();
  if (study_->dragging()) return; // nothing moves under the hand
  if (three()) {
    placeThree(area);
    return;
  }
  // The mat never lets the small views crowd out the large one.
  // Large text on a small screen leaves one view; V turns it.
  const double band =
      area.height() < 2.6 * frame(kBand) ? 0 : std::min<double>(frame(kBand), area.height() * 0.3);
  const QRectF main(area.left(), area.top(), area.width(), area.height() - band);
  const auto& order = kOrder[static_cast<size_t>(main_)];
  const auto boundsOf = [&](View view) {
    const QRectF b = shapes_.of(f, coat, view).bounds;
    return QRectF(b.x() * f.scale, b.y() * f.scale, b.width() * f.scale, b.height() * f.scale);
  };
  const QRectF large = study_->tracing(order[0]) ? study_->pictureBounds(order[0]) : boundsOf(order[0]);
  ports_[0].view = order[0];
  ports_[0].clip = main;
  if (fitted_ && !frozen_) {
    const bool picture = study_->tracing(order[0]);
    const double sides = frame(picture ? 12 : session_.stage() == Stage::Study ? 110 : 60);
    const double above = frame(picture ? 36 : session_.stage() == Stage::Study ? 40 : 64);
    const double below = frame(picture ? 8 : main_ == View::Side ? 64 : 24);
    const double scale = std::max(0.05, std::min((main.width() - 2 * sides) / large.width(),
                                                 (main.height() - above - below) / large.height()));
    ports_[0].scale = scale;
    const double w = large.width() * scale;
    const double spare = main.height() - above - below - large.height() * scale;
    ports_[0].origin = {main.left() + (main.width() - w) / 2 - large.left() * scale,
                        main.bottom() - below - spare / 2 + large.top() * scale};
  }
  const double each = area.width() / 2;
  for (size_t i = 1; i < 3; ++i) {
    const QRectF b = boundsOf(order[i]);
    Viewport& v = ports_[i];
    v.view = order[i];
    v.clip = QRectF(area.left() + (i == 1 ? 0 : each + px(16)), main.bottom(), i == 1 ? each : each - px(16),
                    band);
    const QRectF room = v.clip.adjusted(px(16), px(30), -px(i == 1 ? 16 : 130), -px(10));
    v.scale =
        std::max(0.02, std::min({room.width() / b.width(), room.height() / b.height(), ports_[0].scale / 2}));
    const double x =
        i == 1 ? room.left()
               : room.left() + std::min<double>(px(40), std::max(0.0, room.width() - b.width() * v.scale));
    v.origin = {x - b.left() * v.scale,
                room.bottom() - (room.height() - b.height() * v.scale) / 2 + b.top() * v.scale};
  }
}

/// Side and front stand on one ground line, above lies under the side view; one scale for all.
void Mat::placeThree(const QRectF& area) {
  const Figure& f = session_.plan().figure;
  const double coat = session_.plan().wool.coatThickness;
  const auto boundsOf = [&](View view) {
    const QRectF b = shapes_.of(f, coat, view).bounds;
    return QRectF(b.x() * f.scale, b.y() * f.scale, b.width() * f.scale, b.height() * f.scale);
  };
  const QRectF side = boundsOf(View::Side);
  const QRectF front = boundsOf(View::Front);
  const QRectF above = boundsOf(View::Above);
  const double left = std::min(side.left(), above.left());
  const double across = std::max(side.right(), above.right()) - left;
  const double high = std::max(side.bottom(), front.bottom()); // y grows upwards here
  const double mark = frame(84);                               // room for the size marks
  const double gap = frame(34);
  if (fitted_ && !frozen_)
    ports_[0].scale = std::max(
        0.02, std::min((area.width() - 2 * mark - 2 * gap) / (across + front.width()),
                       (area.height() - frame(44) - frame(56) - frame(24)) / (high + above.height())));
  const double s = ports_[0].scale;
  const double spare =
      std::max(0.0, area.height() - frame(44) - frame(56) - frame(24) - (high + above.height()) * s);
  const double ground = area.top() + frame(40) + high * s + spare * 0.4;
  if (fitted_ && !frozen_) ports_[0].origin = {area.left() + mark - left * s, ground};
  const QPointF o = ports_[0].origin;
  const double edge = o.x() + (left + across) * s + mark;
  const double under = o.y() + frame(50) + (fitted_ ? spare * 0.2 : 0);
  ports_[0].view = View::Side;
  ports_[0].clip = QRectF(area.left(), area.top(), edge - area.left(), under - area.top());
  ports_[1].view = View::Front;
  ports_[1].scale = s;
  ports_[1].origin = {edge + gap - front.left() * s, o.y()};
  ports_[1].clip = QRectF(edge, area.top(), area.right() - edge, area.height());
  ports_[2].view = View::Above;
  ports_[2].scale = s;
  ports_[2].origin = {o.x(), under + frame(22) + above.bottom() * s};
  ports_[2].clip = QRectF(area.left(), under, edge - area.left(), area.bottom() - under);
}

void Mat::showThree(bool on) {
  three_ = on;
  if (on) main_ = View::Side;
  fit();
}

const Viewport& Mat::port(View view) const {
  for (const Viewport& v : ports_)
    if (v.view == view) return v;
  return ports_[0];
}

void Mat::followDrag() {
  shapes_.follow(study_->dragging() && study_->dragView() ? study_->dragView() : std::nullopt);
}

void Mat::fit() {
  fitted_ = true;
  place();
  update();
}

void Mat::zoom(double factor) {
  const QPointF at = ports_[0].clip.center();
  fitted_ = false;
  const double next = std::clamp(ports_[0].scale * factor, 0.05, 60.0);
  ports_[0].origin = at + (ports_[0].origin - at) * (next / ports_[0].scale);
  ports_[0].scale = next;
  place();
  update();
}

void Mat::trueSize() { zoom(screenPixelsPerMm_ / ports_[0].scale); }

void Mat::setThroughWool(bool on) {
  throughWool_ = on;
  update();
}

void Mat::enlarge(View view) {
  three_ = false;
  main_ = view;
  fitted_ = true;
  place();
  update();
}

int Mat::portAt(const QPointF& pixel) const {
  for (size_t i = 0; i < ports_.size(); ++i)
    if (ports_[i].clip.contains(pixel)) return static_cast<int>(i);
  return -1;
}

int Mat::limbAt(const Viewport& v, const QPointF& pixel) {
  const Plan& plan = session_.plan();
  const Vec2 mm = v.mm(pixel);
  return shapes_.limbAt(plan.figure, plan.wool.coatThickness, v.view,
                        QPointF(mm.x() / plan.figure.scale, mm.y() / plan.figure.scale));
}

QPoint Mat::pointOf(int limb) {
  const Figure& f = session_.plan().figure;
  const FigureLimb& l = f.limbs[static_cast<size_t>(limb)];
  for (auto it = l.bones.rbegin(); it != l.bones.rend(); ++it) {
    const FigureBone& b = f.bones[static_cast<size_t>(*it)];
    const QPointF at = ports_[0].at(Vec3((b.begin + b.end) / 2));
    if (limbAt(ports_[0], at) == limb) return at.toPoint();
  }
  return ports_[0].at(f.bones[static_cast<size_t>(l.bones.front())].begin).toPoint();
}

QPoint Mat::handleOf(SizeBy by) {
  for (const SizeMark& mark : sizeMarks())
    if (mark.by == by) return mark.handle.toPoint();
  return {};
}

std::vector<Mat::SizeMark> Mat::sizeMarks() const {
  if (session_.stage() != Stage::Study || main_ != View::Side) return {};
  const Figure& f = session_.plan().figure;
  const Viewport& v = ports_[0];
  const UnitSystem units = session_.units();
  double front = -1e9;
  double back = 1e9;
  for (const Tube& tube : f.tubes)
    for (const Ring& r : tube.rings) {
      front = std::max(front, r.centre.x());
      back = std::min(back, r.centre.x());
    }
  const auto say = [&](double mm) { return QString::fromStdString(printLength(mm, units)); };
  const QPointF ground = v.at(Vec2(front, 0));
  const double x1 = ground.x() + px(52);
  const double x2 = v.at(Vec2(back, 0)).x() - px(40);
  std::vector<SizeMark> marks;
  const QPointF top(x1, v.at(Vec2(0, f.overallHeight)).y());
  marks.push_back({SizeBy::OverallHeight, QLineF(QPointF(x1, ground.y()), top), top, say(f.overallHeight)});
  const QPointF shoulder(x2, v.at(Vec2(0, f.shoulderHeight)).y());
  marks.push_back(
      {SizeBy::ShoulderHeight, QLineF(QPointF(x2, ground.y()), shoulder), shoulder, say(f.shoulderHeight)});
  // The body's length is shown back from its foremost point.
  const double y = ground.y() + px(28);
  const QPointF nose(v.at(Vec2(front, 0)).x(), y);
  const QPointF rump(v.at(Vec2(front - f.bodyLength, 0)).x(), y);
  marks.push_back({SizeBy::BodyLength, QLineF(rump, nose), nose, say(f.bodyLength)});
  return marks;
}

void Mat::paintEvent(QPaintEvent* event) {
  QPainter p(this);
  p.fillRect(event->rect(), theme().ground);
  if (ports_[0].clip.intersects(event->rect())) {
    paintGrid(p);
    paintMain(p);
  }
  paintSmall(p, event->rect());
  paintRulers(p);
  if (hasFocus()) {
    p.setPen(QPen(theme().woad, 2));
    p.setBrush(Qt::NoBrush);
    p.drawRect(centreArea().adjusted(1, 1, -1, -1));
  }
}

void Mat::resizeEvent(QResizeEvent* /*event*/) {
  place();
  const bool room = ports_[1].clip.height() > 1; // large text: the keys serve without their caps
  fitKey_->setVisible(room);
  trueSizeKey_->setVisible(room);
  const QSize fitSize = fitKey_->sizeHint();
  const QSize trueSize = trueSizeKey_->sizeHint();
  const int y = height() - fitSize.height() - px(10);
  fitKey_->setGeometry(width() - fitSize.width() - px(16), y, fitSize.width(), fitSize.height());
  trueSizeKey_->setGeometry(fitKey_->x() - trueSize.width() - px(10), y, trueSize.width(), trueSize.height());
}

void Mat::mousePressEvent(QMouseEvent* event) {
  const QPointF at = event->position();
  if (event->button() == Qt::MiddleButton) {
    panning_ = at;
    return;
  }
  if (event->button() != Qt::LeftButton) return;
  for (const SizeMark& mark : sizeMarks())
    if (QLineF(mark.handle, at).length() < px(12)) {
      dragging_ = mark.by;
      frozen_ = true;
      setCursor(Qt::ClosedHandCursor);
      return;
    }
  const int port = portAt(at);
  if (port < 0) return;
  if (study_->press(ports_[static_cast<size_t>(port)], at, event->modifiers())) {
    frozen_ = true;
    followDrag();
    return;
  }
  const int limb = study_->tracing(ports_[static_cast<size_t>(port)].view)
                       ? -1
                       : limbAt(ports_[static_cast<size_t>(port)], at);
  session_.select(limb);
  if (limb < 0 && port == 0) panning_ = at;
}

void Mat::mouseMoveEvent(QMouseEvent* event) {
  const QPointF at = event->position();
  if (study_->dragging()) {
    study_->move(port(*study_->dragView()), at, event->modifiers());
    update(port(*study_->dragView()).clip.toAlignedRect());
    return;
  }
  if (dragging_) {
    const Vec2 mm = ports_[0].mm(at);
    double size = mm.y();
    if (*dragging_ == SizeBy::BodyLength) {
      double front = -1e9;
      for (const Tube& tube : session_.plan().figure.tubes)
        for (const Ring& r : tube.rings) front = std::max(front, r.centre.x());
      // The foremost point lies at a fixed share of the body's length before the origin.
      size = mm.x() * session_.plan().figure.bodyLength / front;
    }
    // Whole millimetres (sixteenths of an inch) under the hand; finer sizes are typed.
    const double step = session_.units() == UnitSystem::Metric ? 1 : kMmPerInch / 16;
    size = std::clamp(std::round(size / step) * step, kSmallestMm, kLargestMm);
    (void)session_.setSize(*dragging_, size, QStringLiteral("drag size"));
    return;
  }
  if (panning_) {
    fitted_ = false;
    ports_[0].origin += at - *panning_;
    panning_ = at;
    update();
    return;
  }
  const int port = portAt(at);
  int hovered = -1;
  bool handle = false;
  for (const SizeMark& mark : sizeMarks()) handle = handle || QLineF(mark.handle, at).length() < px(12);
  std::optional<Grip> grip;
  if (port >= 0 && !handle) grip = study_->gripAt(ports_[static_cast<size_t>(port)], at);
  if (grip) {
    setCursor(Qt::OpenHandCursor);
    setToolTip(study_->nameOf(*grip));
    hovered_ = -2; // so that the next limb's name is set anew
    return;
  }
  if (port >= 0 && !handle) hovered = limbAt(ports_[static_cast<size_t>(port)], at);
  setCursor(handle ? Qt::OpenHandCursor : hovered >= 0 ? Qt::PointingHandCursor : Qt::ArrowCursor);
  if (hovered == hovered_) return;
  hovered_ = hovered;
  setToolTip(hovered < 0
                 ? QString()
                 : QString::fromStdString(session_.plan().figure.limbs[static_cast<size_t>(hovered)].name));
  update();
}

void Mat::mouseReleaseEvent(QMouseEvent* event) {
  if (study_->dragging()) {
    const Viewport& v = port(*study_->dragView());
    const bool selects = !study_->moved() && !study_->tracing(v.view);
    study_->release(v, event->position());
    if (selects) session_.select(limbAt(v, event->position()));
    frozen_ = false;
    followDrag();
    place();
    update();
    return;
  }
  if (dragging_) {
    dragging_.reset();
    frozen_ = false;
    session_.endRun();
    setCursor(Qt::ArrowCursor);
    place();
    update();
  }
  panning_.reset();
}

void Mat::mouseDoubleClickEvent(QMouseEvent* event) {
  const int port = portAt(event->position());
  if (port >= 0 && study_->gripAt(ports_[static_cast<size_t>(port)], event->position())) return;
  if (three() && port >= 0)
    enlarge(ports_[static_cast<size_t>(port)].view);
  else if (session_.stage() == Stage::Study && port == 0)
    showThree(true);
  else if (port > 0)
    enlarge(ports_[static_cast<size_t>(port)].view);
  else if (port == 0)
    fit();
}

void Mat::leaveEvent(QEvent* /*event*/) {
  hovered_ = -1;
  update();
}

void Mat::wheelEvent(QWheelEvent* event) {
  const QPointF at = event->position();
  if (portAt(at) < 0 || (portAt(at) != 0 && !three())) return;
  const double factor = std::pow(1.0015, event->angleDelta().y());
  const double next = std::clamp(ports_[0].scale * factor, 0.05, 60.0);
  fitted_ = false;
  ports_[0].origin = at + (ports_[0].origin - at) * (next / ports_[0].scale);
  ports_[0].scale = next;
  place();
  update();
  event->accept();
}

void Mat::keyPressEvent(QKeyEvent* event) {
  const double pan = px(40);
  QPointF move;
  switch (event->key()) {
  case Qt::Key_Left:
    move = {pan, 0};
    break;
  case Qt::Key_Right:
    move = {-pan, 0};
    break;
  case Qt::Key_Up:
    move = {0, pan};
    break;
  case Qt::Key_Down:
    move = {0, -pan};
    break;
  case Qt::Key_Plus:
  case Qt::Key_Equal:
    zoom(1.2);
    return;
  case Qt::Key_Minus:
    zoom(1 / 1.2);
    return;
  case Qt::Key_V:
    if (session_.stage() == Stage::Study && three_) {
      enlarge(View::Side);
      return;
    }
    if (session_.stage() == Stage::Study && main_ == View::Above) {
      showThree(true);
      return;
    }
    enlarge(kOrder[static_cast<size_t>(main_)][1]);
    return;
  case Qt::Key_Escape:
    session_.select(-1);
    return;
  default:
    QWidget::keyPressEvent(event);
    return;
  }
  fitted_ = false;
  ports_[0].origin += move;
  update();
}

bool Mat::focusNextPrevChild(bool next) {
  // Tab walks the limbs; past the last (or first) it goes on to the next control.
  const int count = static_cast<int>(session_.plan().figure.limbs.size());
  const int to = session_.selected() + (next ? 1 : -1);
  if (to >= count || to < -1) {
    session_.select(-1);
    return QWidget::focusNextPrevChild(next);
  }
  if (to == -1 && !next) {
    session_.select(-1);
    return QWidget::focusNextPrevChild(next);
  }
  session_.select(to);
  return true;
}

bool Mat::event(QEvent* event) {
  if (event->type() == QEvent::FocusIn || event->type() == QEvent::FocusOut) update();
  return QWidget::event(event);
}

} // namespace columna
