// What the hand does on the mat: clicking, dragging, the wheel, keys.
#include "kit/parts.h"
#include "mat/mat.h"
#include "theme/theme.h"

#include <QMouseEvent>

#include <algorithm>
#include <cmath>

namespace columna {

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
  if (marks_.press(ports_[static_cast<size_t>(port)], at)) {
    markPort_ = port;
    setCursor(Qt::CrossCursor);
    return;
  }
  if (pose_.press(ports_[static_cast<size_t>(port)], at)) {
    posePort_ = port;
    frozen_ = true;
    shapes_.follow(ports_[static_cast<size_t>(port)].view);
    setCursor(Qt::ClosedHandCursor);
    return;
  }
  if (port == 0 && ends_.press(ports_[0], at)) {
    setCursor(Qt::ClosedHandCursor);
    update();
    return;
  }
  const Viewport& under = ports_[static_cast<size_t>(port)];
  const int limb = limbAt(under, study_->onFigure(under, at));
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
  if (pose_.dragging()) {
    pose_.move(ports_[static_cast<size_t>(posePort_)], at);
    return;
  }
  if (marks_.drawing()) {
    marks_.move(ports_[static_cast<size_t>(markPort_)], at);
    update();
    return;
  }
  if (ends_.dragging()) {
    ends_.move(at);
    update();
    return;
  }
  if (dragging_) {
    const Vec2 mm = ports_[0].mm(at);
    double size = mm.y();
    if (*dragging_ == SizeBy::BodyLength) {
      double front = -1e9;
      for (const Tube& tube : shown().figure.tubes)
        for (const Ring& r : tube.rings) front = std::max(front, r.centre.x());
      // The foremost point lies at a fixed share of the body's length before the origin.
      size = mm.x() * shown().figure.bodyLength / front;
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
  if (const int point = port >= 0 ? pose_.pointAt(ports_[static_cast<size_t>(port)], at) : -1; point >= 0) {
    setCursor(Qt::OpenHandCursor);
    setToolTip(pose_.nameOf(point));
    hovered_ = -2;
    return;
  }
  if (port == 0 && ends_.over(ports_[0], at)) {
    setCursor(Qt::OpenHandCursor);
    setToolTip(tr("drag the end of the wire to another joint"));
    hovered_ = -2;
    return;
  }
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
  setToolTip(hovered < 0 ? QString()
                         : QString::fromStdString(shown().figure.limbs[static_cast<size_t>(hovered)].name));
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
  if (pose_.dragging()) {
    shapes_.follow(std::nullopt);
    frozen_ = false;
    pose_.release();
    setCursor(Qt::ArrowCursor);
    place();
    update();
    return;
  }
  if (marks_.drawing()) {
    marks_.release();
    setCursor(Qt::ArrowCursor);
    update();
    return;
  }
  if (ends_.dragging()) {
    ends_.release(ports_[0], event->position());
    setCursor(Qt::ArrowCursor);
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
  if (port > 0 || (three() && port == 0))
    enlarge(ports_[static_cast<size_t>(port)].view);
  else if (session_.stage() == Stage::Study && port == 0)
    showThree(true);
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
  case Qt::Key_J: // the next joint, ring or landmark to move with the arrows
    if (session_.stage() == Stage::Pose) {
      pose_.cycle(event->modifiers().testFlag(Qt::ShiftModifier) ? -1 : 1);
      update();
      return;
    }
    study_->cycle(ports_[0], event->modifiers().testFlag(Qt::ShiftModifier) ? -1 : 1);
    update();
    return;
  case Qt::Key_L:
    study_->placeNext(ports_[0]);
    return;
  case Qt::Key_Escape:
    if (session_.marking()) {
      session_.setMarking(false);
      return;
    }
    if (pose_.active() >= 0) {
      pose_.letGo();
      update();
      return;
    }
    if (study_->active()) {
      study_->letGo();
      update();
      return;
    }
    session_.select(-1);
    return;
  default:
    QWidget::keyPressEvent(event);
    return;
  }
  if (session_.stage() == Stage::Pose && pose_.active() >= 0) { // a millimetre a press, ten with Shift
    const double mm = event->modifiers().testFlag(Qt::ShiftModifier) ? 10 : 1;
    pose_.nudge(ports_[0], QPointF(-move.x() / pan * mm, move.y() / pan * mm));
    update();
    return;
  }
  if (session_.stage() == Stage::Study &&
      study_->active()) { // a millimetre a press; with Shift all that hangs on it
    study_->nudgeActive(ports_[0], QPointF(-move.x() / pan, -move.y() / pan),
                        event->modifiers().testFlag(Qt::ShiftModifier));
    update();
    return;
  }
  fitted_ = false;
  ports_[0].origin += move;
  update();
}

} // namespace columna
