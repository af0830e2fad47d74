#include "wrap/mark_layer.h"

#include "edit/wool_edit.h"
#include "kit/tone.h"
#include "mat/mat.h"
#include "pose/carried.h"
#include "session/build_view.h"
#include "theme/theme.h"

#include <QKeyEvent>
#include <QPainterPath>

#include <algorithm>

namespace columna {
namespace {

constexpr double kEdgeStep = 3; ///< mm

} // namespace

bool MarkLayer::press(const Viewport& v, const QPointF& pixel, bool /*large*/) {
  if (!view_.marking()) return false;
  drawing_ = true;
  drawnOn_ = v.view;
  line_ = {v.mm(pixel) / session_.plan().figure->scale};
  return true;
}

void MarkLayer::move(const Viewport& v, const QPointF& pixel, Qt::KeyboardModifiers /*keys*/) {
  const Vec2 at = v.mm(pixel) / session_.plan().figure->scale;
  if ((at - line_.back()).norm() * v.scale * session_.plan().figure->scale >= 3) line_.push_back(at);
}

bool MarkLayer::release(const Viewport& /*v*/, const QPointF& /*pixel*/) {
  drawing_ = false;
  if (auto outline = edit::drawnOutline(line_, session_.plan().figure->scale)) {
    const WoolWish& wool = session_.project().wool;
    Marking m;
    m.view = drawnOn_;
    m.outline = std::move(*outline);
    m.tone = wool.coat.tone == Tone::Pale ? Tone::Dark : Tone::Pale;
    m.name = Session::tr("marking %1").arg(wool.markings.size() + 1).toStdString();
    (void)session_.apply(Session::tr("marking"), edit::marked(session_.project(), std::move(m)));
  }
  line_.clear();
  view_.setMarking(false);
  return false;
}

bool MarkLayer::key(QKeyEvent* event, const Viewport& /*v*/) {
  if (event->key() != Qt::Key_Escape || !view_.marking()) return false;
  view_.setMarking(false);
  return true;
}

void MarkLayer::paintOn(QPainter& p, const Viewport& v, bool /*large*/) {
  const QPainterPath body = mat_.bodyPath(v);
  const Figure& drawn = mat_.shown().figure;
  const Figure& neutral = session_.plan().figure;
  const double scale = neutral.scale;
  const bool stance = drawn.shapeKey != neutral.shapeKey;
  const auto path = [&](const std::vector<Vec2>& outline) {
    QPainterPath out;
    const auto add = [&](const Vec2& mm) {
      const QPointF at = v.at(stance ? carriedOnView(mm, v.view, neutral, drawn) : mm);
      out.elementCount() == 0 ? out.moveTo(at) : out.lineTo(at);
    };
    for (size_t k = 0; k < outline.size(); ++k) {
      const Vec2 from = outline[k] * scale;
      const Vec2 to = outline[(k + 1) % outline.size()] * scale;
      // A straight edge bends with the body.
      const int steps = stance ? std::clamp(static_cast<int>((to - from).norm() / kEdgeStep), 1, 40) : 1;
      for (int i = 0; i < steps; ++i) add(from + (to - from) * i / steps);
    }
    out.closeSubpath();
    return out;
  };
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  for (const Marking& m : session_.project().wool.markings) {
    if (m.view != v.view || !m.limb.empty()) continue;
    p.setPen(QPen(theme().ink, 1));
    // While it is wound the area is only drawn on.
    p.setBrush(session_.build().finished() ? QBrush(toneColour(m.tone)) : QBrush(Qt::NoBrush));
    p.drawPath(path(m.outline).intersected(body));
  }
  if (drawing_ && drawnOn_ == v.view && line_.size() > 1) {
    p.setPen(QPen(theme().woad, 2));
    p.setBrush(Qt::NoBrush);
    p.drawPath(path(line_));
  }
  p.restore();
}

} // namespace columna
