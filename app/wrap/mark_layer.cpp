#include "mat/mark_layer.h"

#include "kit/tone.h"
#include "pose/carried.h"
#include "project/limits.h"
#include "theme/theme.h"

#include <QPainterPath>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kEdgeStep = 3; ///< mm

} // namespace

bool MarkLayer::press(const Viewport& v, const QPointF& pixel) {
  if (session_.stage() != Stage::Wrap || !session_.marking()) return false;
  drawing_ = true;
  view_ = v.view;
  line_ = {v.mm(pixel) / session_.plan().figure.scale};
  return true;
}

void MarkLayer::move(const Viewport& v, const QPointF& pixel) {
  const Vec2 at = v.mm(pixel) / session_.plan().figure.scale;
  if ((at - line_.back()).norm() * v.scale * session_.plan().figure.scale >= 3) line_.push_back(at);
}

void MarkLayer::release() {
  drawing_ = false;
  double area = 0;
  for (size_t k = 0; k < line_.size(); ++k) {
    const Vec2& a = line_[k];
    const Vec2& b = line_[(k + 1) % line_.size()];
    area += (a.x() * b.y() - b.x() * a.y()) / 2;
  }
  const double scale = session_.plan().figure.scale;
  if (line_.size() >= 3 && std::abs(area) * scale * scale > 4) { // mm2: a slip of the hand is smaller
    Marking m;
    m.view = view_;
    // A long scribble keeps every second, third … corner.
    const size_t step = 1 + line_.size() / limits::kMostCorners;
    for (size_t k = 0; k < line_.size(); k += step) m.outline.push_back(line_[k]);
    m.tone = session_.project().wool.coat.tone == Tone::Pale ? Tone::Dark : Tone::Pale;
    m.name = Session::tr("marking %1").arg(session_.project().wool.markings.size() + 1).toStdString();
    if (session_.project().wool.markings.size() >= limits::kMostMarkings)
      emit session_.refused(
          Session::tr("A figure has %1 markings at most; remove one first.").arg(limits::kMostMarkings));
    else
      session_.editWool(Session::tr("marking"), [&](WoolWish& w) { w.markings.push_back(m); });
  }
  line_.clear();
  session_.setMarking(false);
}

void MarkLayer::paint(QPainter& p, const Viewport& v, const QPainterPath& body, const Figure& drawn) const {
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
    p.setBrush(session_.finished() ? QBrush(toneColour(m.tone)) : QBrush(Qt::NoBrush));
    p.drawPath(path(m.outline).intersected(body));
  }
  if (drawing_ && view_ == v.view && line_.size() > 1) {
    p.setPen(QPen(theme().woad, 2));
    p.setBrush(Qt::NoBrush);
    p.drawPath(path(line_));
  }
  p.restore();
}

} // namespace columna
