// What the hand does on the mat: clicking, dragging, the wheel, keys. The stage's layers come first.
#include "kit/parts.h"
#include "mat/mat.h"
#include "stage/mat_layer.h"
#include "theme/theme.h"

#include "kit/say.h"

#include <QMouseEvent>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr int kGrip = -2; ///< in place of a hovered limb, so that the next limb's name is set anew

} // namespace

void Mat::mousePressEvent(QMouseEvent* event) {
  const QPointF at = event->position();
  if (event->button() == Qt::MiddleButton) {
    panning_ = at;
    return;
  }
  if (event->button() != Qt::LeftButton) return;
  const int port = portAt(at);
  if (port < 0) return;
  const Viewport& under = ports_[static_cast<size_t>(port)];
  for (MatLayer* layer : layers())
    if (layer->press(under, at, port == 0)) {
      held_ = layer;
      heldPort_ = port;
      frozen_ = true;
      if (layer->movesFigure()) shapes_.follow(under.view);
      setCursor(layer->held());
      update();
      return;
    }
  QPointF on = at;
  for (const MatLayer* layer : layers()) on = layer->onFigure(under, on);
  const int limb = limbAt(under, on);
  session_.select(limb);
  if (limb < 0 && port == 0) panning_ = at;
}

void Mat::mouseMoveEvent(QMouseEvent* event) {
  const QPointF at = event->position();
  if (held_) {
    const Viewport& v = ports_[static_cast<size_t>(heldPort_)];
    held_->move(v, at, event->modifiers());
    update(v.clip.toAlignedRect());
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
  if (port >= 0)
    for (const MatLayer* layer : layers())
      if (const auto words = layer->over(ports_[static_cast<size_t>(port)], at, port == 0)) {
        setCursor(Qt::OpenHandCursor);
        setToolTip(*words);
        hovered_ = kGrip;
        return;
      }
  const int hovered = port >= 0 ? limbAt(ports_[static_cast<size_t>(port)], at) : -1;
  setCursor(hovered >= 0 ? Qt::PointingHandCursor : Qt::ArrowCursor);
  if (hovered == hovered_) return;
  hovered_ = hovered;
  setToolTip(hovered < 0 ? QString() : str(Name(shown().figure->limbs[static_cast<size_t>(hovered)].name)));
  update();
}

void Mat::mouseReleaseEvent(QMouseEvent* event) {
  if (held_) {
    const Viewport v = ports_[static_cast<size_t>(heldPort_)];
    MatLayer* layer = std::exchange(held_, nullptr);
    shapes_.follow(std::nullopt);
    frozen_ = false;
    if (layer->release(v, event->position())) session_.select(limbAt(v, event->position()));
    setCursor(Qt::ArrowCursor);
    place();
    update();
  }
  panning_.reset();
}

void Mat::mouseDoubleClickEvent(QMouseEvent* event) {
  const int port = portAt(event->position());
  if (port < 0) return;
  const Viewport& v = ports_[static_cast<size_t>(port)];
  for (const MatLayer* layer : layers())
    if (layer->over(v, event->position(), port == 0)) return;
  if (port > 0 || three())
    enlarge(v.view);
  else if (stage().look().three)
    showThree(true);
  else
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
  for (MatLayer* layer : layers())
    if (layer->key(event, ports_[0])) {
      update();
      return;
    }
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
    nextView();
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

/// All three views, one after the other; where all at once are offered, they come after the last.
void Mat::nextView() {
  const bool offered = stage().look().three;
  const bool all = offered && three_;
  if (offered && !all && main_ == View::Above)
    showThree(true);
  else
    enlarge(all || main_ == View::Above ? View::Side : main_ == View::Side ? View::Front : View::Above);
}

} // namespace columna
