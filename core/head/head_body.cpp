#include "head/head_body.h"

#include "anatomy/tube.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kOnCourse = 0.85; ///< of a step along the surface: a full one overshoots where it bends

} // namespace

HeadBody::HeadBody(const HeadBodyShape& shape)
    : first_(shape.stations.front().x), last_(shape.stations.back().x), capBack_(shape.capBack),
      capFront_(shape.capFront) {
  std::vector<double> x, top, bottom, side, mid, up, down;
  for (const HeadStation& s : shape.stations) {
    x.push_back(s.x);
    top.push_back(s.top);
    bottom.push_back(s.bottom);
    side.push_back(s.side);
    mid.push_back(s.mid);
    up.push_back(s.square.x());
    down.push_back(s.square.y());
  }
  thinnest_ = std::min(capBack_, capFront_);
  low_ = Vec3(back(), 0, 0);
  high_ = Vec3(front(), 0, 0);
  for (size_t i = 0; i <= kSteps; ++i) {
    const double at = first_ + (last_ - first_) * static_cast<double>(i) / kSteps;
    table_[i] = {pchip(x, top, at), pchip(x, bottom, at), pchip(x, side, at),
                 pchip(x, mid, at), pchip(x, up, at),     pchip(x, down, at)};
    thinnest_ = std::min(
        {thinnest_, table_[i].side, table_[i].top - table_[i].mid, table_[i].mid - table_[i].bottom});
    high_.y() = std::max(high_.y(), table_[i].side);
    low_.z() = i == 0 ? table_[i].bottom : std::min(low_.z(), table_[i].bottom);
    high_.z() = i == 0 ? table_[i].top : std::max(high_.z(), table_[i].top);
  }
  low_.y() = -high_.y();
}

HeadBody::Section HeadBody::section(double x) const {
  const double at = std::clamp((x - first_) / (last_ - first_), 0.0, 1.0) * kSteps;
  const size_t i = std::min(static_cast<size_t>(at), kSteps - 1);
  const double share = at - static_cast<double>(i);
  const auto between = [&](double Section::*value) {
    return table_[i].*value + share * (table_[i + 1].*value - table_[i].*value);
  };
  return {between(&Section::top), between(&Section::bottom), between(&Section::side),
          between(&Section::mid), between(&Section::up),     between(&Section::down)};
}

HeadBody::Section HeadBody::change(double x) const {
  const double at = (x - first_) / (last_ - first_) * kSteps;
  const size_t i = std::min(static_cast<size_t>(std::max(at, 0.0)), kSteps - 1);
  const double step = (last_ - first_) / kSteps;
  const auto slope = [&](double Section::*value) { return (table_[i + 1].*value - table_[i].*value) / step; };
  return {slope(&Section::top), slope(&Section::bottom), slope(&Section::side),
          slope(&Section::mid), slope(&Section::up),     slope(&Section::down)};
}

HeadStation HeadBody::at(double x) const {
  const Section s = section(x);
  return {x, s.top, s.bottom, s.side, s.mid, Vec2(s.up, s.down)};
}

HeadBody::Slope HeadBody::slope(const Vec3& p) const {
  const Section s = section(p.x());
  const bool above = p.z() >= s.mid;
  const double half = above ? s.top - s.mid : s.mid - s.bottom;
  const double n = above ? s.up : s.down;
  const double a = std::abs(p.y()) / s.side;
  const double b = std::abs(p.z() - s.mid) / half;
  const double an = std::pow(a, n);
  const double bn = std::pow(b, n);
  const double sum = an + bn;
  const double q = std::pow(sum, 1 / n);
  const double e = p.x() > last_    ? (p.x() - last_) / capFront_
                   : p.x() < first_ ? (first_ - p.x()) / capBack_
                                    : 0;
  Slope out;
  out.value = e > 0 ? std::sqrt(q * q + e * e) : q;
  if (sum < 1e-30) { // on the middle line
    out.gradient = Vec3(e > 0 ? (p.x() > last_ ? 1 / capFront_ : -1 / capBack_) : 0, 0, 0);
    return out;
  }
  // dq = q / sum (a^n da / a + b^n db / b), and what the exponent's own change gives.
  const double rate = q / sum;
  const double alongY = a > 0 ? rate * an / a / s.side : 0;
  const double alongZ = b > 0 ? rate * bn / b / half : 0;
  double alongX = 0;
  if (e == 0) {
    const Section d = change(p.x());
    const double halfChange = above ? d.top - d.mid : d.mid - d.bottom;
    const double outwards = p.z() >= s.mid ? 1 : -1;
    alongX = -rate * an * d.side / s.side - rate * bn * halfChange / half - outwards * alongZ * d.mid;
    if (const double nChange = above ? d.up : d.down; nChange != 0) {
      const double logs = (an > 0 ? an * std::log(a) : 0) + (bn > 0 ? bn * std::log(b) : 0);
      alongX += nChange * q * (logs / (n * sum) - std::log(sum) / (n * n));
    }
  }
  const double share = e > 0 ? q / out.value : 1;
  out.gradient = Vec3(share * alongX, std::copysign(share * alongY, p.y()),
                      std::copysign(share * alongZ, p.z() - s.mid));
  if (e > 0) out.gradient.x() = e / out.value * (p.x() > last_ ? 1 / capFront_ : -1 / capBack_);
  return out;
}

double HeadBody::quantile(const Vec3& p) const {
  const Section s = section(p.x());
  const bool above = p.z() >= s.mid;
  const double half = above ? s.top - s.mid : s.mid - s.bottom;
  const double n = above ? s.up : s.down;
  const double q =
      std::pow(std::pow(std::abs(p.y()) / s.side, n) + std::pow(std::abs(p.z() - s.mid) / half, n), 1 / n);
  const double e = p.x() > last_    ? (p.x() - last_) / capFront_
                   : p.x() < first_ ? (first_ - p.x()) / capBack_
                                    : 0;
  return e > 0 ? std::sqrt(q * q + e * e) : q;
}

double HeadBody::estimate(const Vec3& p) const { return estimate(p, slope(p)); }

double HeadBody::estimate(const Vec3& p, const Slope& there) const {
  const double steep = there.gradient.norm();
  if (steep > 1e-9) return (there.value - 1) / steep;
  const Section s = section(p.x()); // on the middle line, as deep as its section is
  return -std::min({s.side, s.top - s.mid, s.mid - s.bottom});
}

double HeadBody::distance(const Vec3& p, double near) const {
  Slope there = slope(p);
  const double rough = estimate(p, there);
  if (std::abs(rough) > near) return rough;
  Vec3 foot = p;
  const auto ontoSurface = [&] {
    const double square = there.gradient.squaredNorm();
    if (square < 1e-18) return false;
    foot -= (there.value - 1) / square * there.gradient;
    there = slope(foot);
    return true;
  };
  for (int pass = 0; pass < 2; ++pass) {
    if (!ontoSurface()) return rough;
    const Vec3 n = there.gradient.normalized();
    const Vec3 off = p - foot;
    foot += kOnCourse * (off - n * n.dot(off));
    there = slope(foot);
  }
  if (!ontoSurface()) return rough;
  return there.gradient.normalized().dot(p - foot);
}

double HeadBody::area(double x) const {
  const Section s = section(x);
  // A quarter of a superellipse of half axes 1: G(1 + 1/n)^2 / G(1 + 2/n).
  const auto quarter = [](double n) { return std::pow(std::tgamma(1 + 1 / n), 2) / std::tgamma(1 + 2 / n); };
  return 2 * s.side * ((s.top - s.mid) * quarter(s.up) + (s.mid - s.bottom) * quarter(s.down));
}

double filletedMin(double a, double b, double k) {
  const double least = std::min(a, b);
  if (k <= 0) return least;
  const double within = std::max(k - std::abs(a - b), 0.0);
  return least - within * within / (4 * k);
}

} // namespace columna
