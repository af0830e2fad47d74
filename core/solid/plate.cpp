#include "solid/plate.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

/// The nearest place of a triangle (Ericson, Real-Time Collision Detection, 5.1.5).
Vec3 nearestOn(const Vec3& p, const std::array<Vec3, 3>& t) {
  const Vec3 ab = t[1] - t[0];
  const Vec3 ac = t[2] - t[0];
  const Vec3 ap = p - t[0];
  const double d1 = ab.dot(ap);
  const double d2 = ac.dot(ap);
  if (d1 <= 0 && d2 <= 0) return t[0];
  const Vec3 bp = p - t[1];
  const double d3 = ab.dot(bp);
  const double d4 = ac.dot(bp);
  if (d3 >= 0 && d4 <= d3) return t[1];
  const double vc = d1 * d4 - d3 * d2;
  if (vc <= 0 && d1 >= 0 && d3 <= 0) return t[0] + d1 / (d1 - d3) * ab;
  const Vec3 cp = p - t[2];
  const double d5 = ab.dot(cp);
  const double d6 = ac.dot(cp);
  if (d6 >= 0 && d5 <= d6) return t[2];
  const double vb = d5 * d2 - d1 * d6;
  if (vb <= 0 && d2 >= 0 && d6 <= 0) return t[0] + d2 / (d2 - d6) * ac;
  const double va = d3 * d6 - d5 * d4;
  if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) return t[1] + (d4 - d3) / (d4 - d3 + d5 - d6) * (t[2] - t[1]);
  const double all = 1 / (va + vb + vc);
  return t[0] + vb * all * ab + vc * all * ac;
}

} // namespace

Plate::Plate(const Figure& figure, int index) : flat_(index) {
  const FigureFlat& flat = figure.flats[static_cast<size_t>(index)];
  bone_ = flat.bone;
  half_ = flat.thickness / 2;
  const size_t n = flat.outline.size();
  if (n < 3 || half_ <= 0) return;
  Vec3 middle = Vec3::Zero();
  low_ = Vec3::Constant(1e18);
  high_ = -low_;
  for (const Vec3& p : flat.outline) {
    middle += p / static_cast<double>(n);
    low_ = low_.cwiseMin(p - Vec3::Constant(half_));
    high_ = high_.cwiseMax(p + Vec3::Constant(half_));
  }
  for (const auto& [a, b, c] : flat.triangles)
    triangles_.push_back({flat.sheet[static_cast<size_t>(a)], flat.sheet[static_cast<size_t>(b)],
                          flat.sheet[static_cast<size_t>(c)]});
  for (size_t k = 0; k < n && flat.triangles.empty(); ++k)
    triangles_.push_back({middle, flat.outline[k], flat.outline[(k + 1) % n]});
}

bool Plate::within(const Vec3& low, const Vec3& high) const {
  return (low_.array() <= high.array()).all() && (high_.array() >= low.array()).all();
}

double Plate::distance(const Vec3& p) const {
  double least = 1e18;
  for (const auto& t : triangles_) least = std::min(least, (p - nearestOn(p, t)).squaredNorm());
  return std::sqrt(least) - half_;
}

std::vector<Plate> platesOf(const Figure& figure) {
  std::vector<Plate> out;
  for (size_t f = 0; f < figure.flats.size(); ++f)
    if (Plate plate(figure, static_cast<int>(f)); !plate.empty()) out.push_back(std::move(plate));
  return out;
}

} // namespace columna
