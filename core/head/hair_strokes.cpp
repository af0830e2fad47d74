#include "head/hair_strokes.h"

#include "anatomy/plane.h"
#include "head/variant.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <numbers>
#include <random>

namespace columna {
namespace {

constexpr int kPieces = 6;      ///< of a stroke
constexpr double kOver = 0.008; ///< head modules: as far above the surface what lies on it is drawn

/// The place at a share of a line's length.
Vec3 along(const std::vector<Vec3>& line, double share) {
  double whole = 0;
  for (size_t i = 0; i + 1 < line.size(); ++i) whole += (line[i + 1] - line[i]).norm();
  double left = share * whole;
  for (size_t i = 0; i + 1 < line.size(); ++i) {
    const double step = (line[i + 1] - line[i]).norm();
    if (left <= step || i + 2 == line.size())
      return line[i] + (step > 0 ? std::min(1.0, left / step) : 0) * (line[i + 1] - line[i]);
    left -= step;
  }
  return line.front();
}

Vec3 wayAt(const std::vector<Vec3>& ways, double share) {
  if (ways.size() == 1) return ways.front().normalized();
  const double g = share * static_cast<double>(ways.size() - 1);
  const size_t i = std::min(static_cast<size_t>(g), ways.size() - 2);
  return (ways[i] + (g - static_cast<double>(i)) * (ways[i + 1] - ways[i])).normalized();
}

class Strokes {
public:
  Strokes(const HeadField& field, const Vec3& down) : field_(field), down_(down), l_(field.length()) {}

  void add(const HeadHair& hair, size_t index, int row) {
    std::mt19937 draw(11U + static_cast<unsigned>(index) + 1000U * static_cast<unsigned>(row));
    std::uniform_real_distribution<double> even(0, 1);
    const size_t first = out.size();
    for (int k = 0; k < hair.count; ++k) {
      HairStroke s;
      s.hair = index;
      s.width = hair.width * l_;
      s.shade = 0.86 + 0.28 * even(draw);
      if (hair.at)
        ray(s, hair, k, even(draw), even(draw), even(draw));
      else if (!hair.line.empty() && !hair.direction.empty())
        root(s, hair, k, Vec3(even(draw), even(draw), even(draw)), even(draw));
      if (s.points.size() > 1) out.push_back(std::move(s));
    }
    if (!hair.twin) return;
    const size_t last = out.size();
    for (size_t i = first; i < last; ++i) {
      out.push_back(out[i]);
      for (Vec3& p : out.back().points) p.y() = -p.y();
    }
  }

  std::vector<HairStroke> out;

private:
  /// Of a disc: outwards from a ring round its middle, on the surface.
  void ray(HairStroke& s, const HeadHair& hair, int k, double turn, double from, double longer) const {
    const Vec3 axis = hair.axis.normalized();
    Vec3 u = Vec3::UnitZ().cross(axis);
    u = u.norm() > 1e-9 ? Vec3(u.normalized()) : axis.unitOrthogonal();
    const Vec3 w = axis.cross(u);
    const double a = 2 * std::numbers::pi * (k + turn * 0.6) / hair.count;
    const Vec3 way = u * (std::cos(a) * hair.flat) + w * std::sin(a);
    const double begin = hair.inner * (1 + 0.3 * from);
    const double length = hair.length * (0.8 + 0.4 * longer);
    for (int i = 0; i < kPieces; ++i) {
      const double r = begin + length * i / (kPieces - 1);
      s.points.push_back(field_.onto(l_ * (*hair.at + r * way)) + kOver / 2 * l_ * axis);
    }
  }

  void root(HairStroke& s, const HeadHair& hair, int k, const Vec3& spread, double longer) const {
    const double share = (k + 0.5) / hair.count;
    Vec3 at = l_ * along(hair.line, share);
    if (hair.onSurface) at = field_.onto(at);
    Vec3 way = (wayAt(hair.direction, share) + 2 * hair.spread * (spread - Vec3::Constant(0.5))).normalized();
    const double step = l_ * hair.length * (0.85 + 0.3 * longer) / kPieces;
    s.points.push_back(at);
    for (int i = 0; i < kPieces; ++i) {
      way = (way + hair.droop / kPieces * down_).normalized();
      Vec3 next = s.points.back() + step * way;
      if (hair.lies)
        if (const double d = field_.distance(next); d < kOver * l_)
          next += (kOver * l_ - d) * field_.normal(next);
      s.points.push_back(next);
    }
  }

  const HeadField& field_;
  Vec3 down_;
  double l_;
};

} // namespace

std::vector<HairStroke> hairStrokes(const HeadPattern& head, const HeadField& field, const Vec3& down) {
  Strokes strokes(field, down);
  for (size_t i = 0; i < head.hair.size(); ++i) {
    int row = 0;
    for (const HeadHair& one : laidRows(head.hair[i])) strokes.add(one, i, row++);
  }
  return std::move(strokes.out);
}

std::vector<Vec3> hairReach(const HeadPattern& head, double length) {
  std::vector<Vec3> out;
  const auto take = [&](const HeadHair& hair, const Vec3& p) {
    out.push_back(length * p);
    if (hair.twin) out.push_back(length * mirrored(p));
  };
  for (const HeadHair& hair : head.hair) {
    const bool thin = hair.kind == HairKind::Whiskers || hair.kind == HairKind::Lashes;
    if (thin || hair.kind == HairKind::Mane || hair.at || hair.direction.empty()) continue;
    const auto places = hair.line.size();
    for (const Vec3& p : hair.toLine) {
      take(hair, p);
      take(hair, p + hair.length * hair.direction.back().normalized());
    }
    for (size_t i = 0; i < places; ++i) {
      const double share = places > 1 ? static_cast<double>(i) / static_cast<double>(places - 1) : 0;
      take(hair, hair.line[i]);
      take(hair, hair.line[i] + hair.length * wayAt(hair.direction, share));
    }
  }
  return out;
}

} // namespace columna
