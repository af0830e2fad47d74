#include "head/dialled.h"

#include "head/head_body.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kHalf = 0.08;  ///< modules to either side of the brow
constexpr double kNoBrow = 0.6; ///< where a head without a brow has it

bool ofEyes(FeatureKind kind) {
  return kind == FeatureKind::Socket || kind == FeatureKind::Lid || kind == FeatureKind::Brow;
}

double browOf(const HeadPattern& head) {
  for (const HeadFeature& f : head.features)
    if (f.kind == FeatureKind::Brow) return f.at.x();
  return kNoBrow;
}

void muzzle(HeadPattern& head, const MuzzleWarp& warp) {
  const auto move = [&](Vec3& p) { p.x() = warp(p.x()); };
  for (HeadStation& s : head.body.stations) s.x = warp(s.x);
  head.body.capFront *= warp.slope(1);
  for (HeadFeature& f : head.features) {
    const double slope = warp.slope(f.at.x());
    if (f.to) {
      move(*f.to);
    } else if (slope != 1) {
      // Each radius by how far it reaches along x.
      const Vec3 along = f.axis.normalized();
      f.radii[0] *= std::hypot(slope * along.x(), std::hypot(along.y(), along.z()));
      const double aside = std::hypot(along.y(), along.z());
      f.radii[1] *= std::hypot(slope * aside, along.x());
    }
    move(f.at);
  }
  move(head.nose.at);
  head.nose.size.x() *= warp.slope(head.nose.at.x());
  for (HeadNostril& n : head.nostrils) move(n.at);
  for (MouthLine& line : head.mouth)
    for (Vec3& p : line.points) move(p);
  for (HeadHair& hair : head.hair) {
    for (Vec3& p : hair.line) move(p);
    if (hair.at) move(*hair.at);
  }
  for (HardPart& part : head.hard) {
    // As a whole, by where it is rooted: a beak is not bent.
    const double by = warp(part.path.front().x()) - part.path.front().x();
    for (Vec3& p : part.path) p.x() += by;
  }
}

void eyes(HeadPattern& head, double larger, double lower) {
  const HeadBody body(head.body);
  const auto down = [&](Vec3& p) {
    const HeadStation s = body.at(p.x());
    p.z() -= lower * (s.top - s.bottom);
  };
  for (HeadEye& e : head.eyes) {
    e.diameter *= larger;
    down(e.at);
  }
  for (HeadFeature& f : head.features) {
    if (!ofEyes(f.kind)) continue;
    down(f.at);
    if (f.to) down(*f.to);
    if (f.kind != FeatureKind::Brow)
      for (double& r : f.radii) r *= larger;
  }
}

} // namespace

double MuzzleWarp::operator()(double x) const {
  if (x <= brow - kHalf) return x;
  if (x >= brow + kHalf) return brow + factor * (x - brow);
  const double in = x - brow + kHalf;
  return x + (factor - 1) * in * in / (4 * kHalf);
}

double MuzzleWarp::before(double there) const {
  // It rises everywhere.
  double low = -1;
  double high = 2 + there / std::max(factor, 1e-3);
  for (int i = 0; i < 60; ++i) {
    const double middle = (low + high) / 2;
    ((*this)(middle) < there ? low : high) = middle;
  }
  return (low + high) / 2;
}

MuzzleWarp muzzleWarp(const HeadPattern& head, double factor) { return {browOf(head), factor}; }

double MuzzleWarp::slope(double x) const {
  return 1 + (factor - 1) * std::clamp((x - brow + kHalf) / (2 * kHalf), 0.0, 1.0);
}

HeadPattern dialled(HeadPattern head, const Character& dials) {
  HeadDials own;
  own.muzzle = dials.muzzle;
  own.eyes = dials.eyes;
  own.eyesLower = dials.eyesLower;
  return dialled(std::move(head), own);
}

HeadPattern dialled(HeadPattern head, const HeadDials& dials) {
  if (dials.muzzle != 1) muzzle(head, {browOf(head), dials.muzzle});
  if (dials.eyes != 1 || dials.eyesLower != 0) eyes(head, dials.eyes, dials.eyesLower);
  return head;
}

} // namespace columna
