#include "wire/end_layer.h"

#include "session/changes.h"
#include "theme/theme.h"

#include <QLineF>
#include <QPainter>

#include <algorithm>

namespace columna {

int EndLayer::piece() const {
  if (session_.selected() < 0) return -1;
  const Plan& plan = session_.plan();
  const int p = plan.pieceOf(session_.selected());
  if (p < 0) return -1;
  const Piece& piece = plan.pieces[static_cast<size_t>(p)];
  const bool routed = piece.group >= 0 && !plan.groups[static_cast<size_t>(piece.group)].digits;
  return routed && piece.route.size() > 1 ? p : -1;
}

std::optional<std::array<QPointF, 2>> EndLayer::ends(const Viewport& v) const {
  const int p = piece();
  if (p < 0) return std::nullopt;
  const Plan& plan = session_.plan();
  const auto& route = plan.pieces[static_cast<size_t>(p)].route;
  std::array<QPointF, 2> out{v.at(plan.skeleton->points[static_cast<size_t>(route.front())].at),
                             v.at(plan.skeleton->points[static_cast<size_t>(route.back())].at)};
  // Both ends at one joint stand beside it.
  if (QLineF(out[0], out[1]).length() < px(6)) {
    out[0] -= QPointF(px(7), 0);
    out[1] += QPointF(px(7), 0);
  }
  return out;
}

std::optional<int> EndLayer::endAt(const Viewport& v, const QPointF& at) const {
  const auto both = ends(v);
  if (!both) return std::nullopt;
  for (int i = 0; i < 2; ++i)
    if (QLineF((*both)[static_cast<size_t>(i)], at).length() < px(7)) return i;
  return std::nullopt;
}

int EndLayer::nearest(const Viewport& v, const QPointF& at) const {
  const int p = piece();
  if (p < 0) return -1;
  const Plan& plan = session_.plan();
  const auto& route = plan.pieces[static_cast<size_t>(p)].route;
  const auto half = static_cast<std::ptrdiff_t>(route.size() / 2);
  const std::vector<int> own(held_ == 1 ? route.begin() + half : route.begin(),
                             held_ == 1 ? route.end() : route.begin() + half + 1);
  int best = -1;
  double least = px(16);
  for (const StrandSegment& s :
       plan.groups[static_cast<size_t>(plan.pieces[static_cast<size_t>(p)].group)].segments)
    for (const int point : {s.a, s.b}) {
      double away = QLineF(v.at(plan.skeleton->points[static_cast<size_t>(point)].at), at).length();
      // Left and right lie on each other from the side: the held end's own way comes first.
      if (std::find(own.begin(), own.end(), point) != own.end()) away -= px(3);
      if (away < least) {
        least = away;
        best = point;
      }
    }
  return best;
}

void EndLayer::move(const Viewport& /*v*/, const QPointF& at, Qt::KeyboardModifiers /*keys*/) { at_ = at; }

std::optional<QString> EndLayer::over(const Viewport& v, const QPointF& at, bool large) const {
  return large && endAt(v, at) ? std::optional(Session::tr("drag the end of the wire to another joint"))
                               : std::nullopt;
}

bool EndLayer::press(const Viewport& v, const QPointF& at, bool large) {
  if (!large) return false;
  held_ = endAt(v, at);
  at_ = at;
  return held_.has_value();
}

bool EndLayer::release(const Viewport& v, const QPointF& at) {
  if (!held_) return false;
  const int end = *held_;
  const int p = piece();
  const int to = nearest(v, at);
  held_.reset();
  if (p < 0 || to < 0) return false;
  const auto& route = session_.plan().pieces[static_cast<size_t>(p)].route;
  if ((end == 0 ? route.front() : route.back()) == to) return false;
  (void)changes::moveEnd(session_, p, end == 1, to);
  return false;
}

void EndLayer::paintOver(QPainter& p, const Viewport& v, bool large) {
  if (!large) return;
  const auto both = ends(v);
  if (!both) return;
  const Theme& t = theme();
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  for (int i = 0; i < 2; ++i) {
    const QPointF c = held_ == i ? at_ : (*both)[static_cast<size_t>(i)];
    if (held_ == i) {
      p.setPen(QPen(t.woad, 1.5, Qt::DashLine));
      p.drawLine((*both)[static_cast<size_t>(i)], c);
      if (const int to = nearest(v, at_); to >= 0) {
        p.setBrush(Qt::NoBrush);
        p.drawEllipse(v.at(session_.plan().skeleton->points[static_cast<size_t>(to)].at), px(9), px(9));
      }
    }
    p.setPen(QPen(t.card, 1.5));
    p.setBrush(t.woad);
    p.drawRect(QRectF(c.x() - px(5), c.y() - px(5), px(10), px(10)));
  }
  p.restore();
}

} // namespace columna
