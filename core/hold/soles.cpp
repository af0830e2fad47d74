#include "hold/soles.h"

#include <Eigen/Eigenvalues>

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>

namespace columna {
namespace {

constexpr int kRound = 24;      ///< points round a section
constexpr double kAlike = 1e-6; ///< mm: a mirrored figure stands alike, however its places are rounded

int boneOfRing(const Tube& tube, size_t ring) {
  return tube.slabBone[std::min(ring, tube.slabBone.size() - 1)];
}

/// Of all x with a x = b the shortest; a is symmetric, and may leave ways open: one foot, or all in a row.
Vec3 leastSolution(const Eigen::Matrix3d& a, const Vec3& b) {
  const Eigen::SelfAdjointEigenSolver<Eigen::Matrix3d> own(a);
  constexpr double none = 1e-13; // of the greatest: what rounding leaves of nothing
  Vec3 out = Vec3::Zero();
  for (int i = 0; i < 3; ++i) {
    const Vec3 way = own.eigenvectors().col(i);
    const double stiff = own.eigenvalues()[i];
    if (stiff > none * own.eigenvalues()[2]) out += way * (way.dot(b) / stiff);
  }
  return out;
}

} // namespace

Vec3 lowestOf(const Ring& r) {
  const double a = r.ru * r.u.z();
  const double b = r.rv * r.v.z();
  const double reach = std::hypot(a, b);
  if (reach < 1e-12) return r.centre;
  return r.centre - r.u * (r.ru * a / reach) - r.v * (r.rv * b / reach);
}

int legOf(const Figure& figure, int bone) {
  for (int b = bone; b >= 0; b = figure.bones[static_cast<size_t>(b)].parent) {
    const int l = figure.bones[static_cast<size_t>(b)].limb;
    if (figure.limbs[static_cast<size_t>(l)].kind == LimbKind::Leg) return l;
  }
  return -1;
}

std::vector<Contact> soles(const Figure& figure, double touch, double give) {
  std::map<int, double> lowest;
  for (const Tube& tube : figure.tubes)
    for (size_t i = 0; i < tube.rings.size(); ++i)
      if (const int leg = legOf(figure, boneOfRing(tube, i)); leg >= 0) {
        double& low = lowest.try_emplace(leg, 1e9).first->second;
        low = std::min(low, lowestOf(tube.rings[i]).z());
      }
  std::vector<Contact> out;
  for (const Tube& tube : figure.tubes)
    for (size_t i = 0; i < tube.rings.size(); ++i) {
      const int leg = legOf(figure, boneOfRing(tube, i));
      if (leg < 0 || lowest.at(leg) > touch * figure.overallHeight) continue;
      const double bears = std::max(0.0, lowest.at(leg)) + give * figure.overallHeight;
      const Ring& ring = tube.rings[i];
      if (lowestOf(ring).z() > bears + kAlike) continue;
      out.push_back({lowestOf(ring), leg});
      for (int k = 0; k < kRound; ++k) {
        const double angle = 2 * std::numbers::pi * k / kRound;
        const Vec3 p = ring.centre + std::cos(angle) * ring.ru * ring.u + std::sin(angle) * ring.rv * ring.v;
        if (p.z() <= bears + kAlike) out.push_back({p, leg});
      }
    }
  return out;
}

Footing footingOf(const Figure& figure, double touch, double give) {
  Footing out{soles(figure, touch, give), std::vector<bool>(figure.limbs.size())};
  for (const Tube& tube : figure.tubes)
    for (size_t i = 0; i < tube.rings.size(); ++i)
      if (lowestOf(tube.rings[i]).z() <= touch * figure.overallHeight)
        if (const int leg = legOf(figure, tube.slabBone[std::min(i, tube.slabBone.size() - 1)]); leg >= 0)
          out.stands[static_cast<size_t>(leg)] = true;
  return out;
}

std::vector<double> legShares(const Figure& figure, const std::vector<Contact>& soles, const Vec3& centre) {
  std::vector<double> out(figure.limbs.size(), 0);
  std::map<int, std::pair<Vec2, Vec2>> boxes; // of each sole, seen from above
  for (const Contact& c : soles) {
    const Vec2 p(c.at.x(), c.at.y());
    auto& [low, high] = boxes.try_emplace(c.limb, p, p).first->second;
    low = low.cwiseMin(p);
    high = high.cwiseMax(p);
  }
  std::vector<std::pair<int, Vec2>> feet;
  feet.reserve(boxes.size());
  for (const auto& [limb, box] : boxes) feet.emplace_back(limb, (box.first + box.second) / 2);
  while (!feet.empty()) {
    // Of all shares that balance, those with the least sum of squares: a plane over the feet.
    Eigen::Matrix3d sums = Eigen::Matrix3d::Zero();
    for (const auto& [limb, at] : feet) {
      const Vec3 row(1, at.x() - centre.x(), at.y() - centre.y());
      sums += row * row.transpose();
    }
    const Vec3 plane = leastSolution(sums, Vec3(1, 0, 0));
    std::vector<double> shares;
    double total = 0;
    double least = 0;
    size_t pulls = feet.size();
    for (size_t k = 0; k < feet.size(); ++k) {
      const Vec2& at = feet[k].second;
      shares.push_back(plane.dot(Vec3(1, at.x() - centre.x(), at.y() - centre.y())));
      total += std::max(0.0, shares.back());
      if (shares.back() < least - 1e-9) {
        least = shares.back();
        pulls = k;
      }
    }
    if (pulls < feet.size()) { // a leg cannot pull: twins that do go together
      std::vector<std::pair<int, Vec2>> left;
      for (size_t k = 0; k < feet.size(); ++k)
        if (shares[k] > least + 1e-6) left.push_back(feet[k]);
      if (left.empty()) break;
      feet = std::move(left);
      continue;
    }
    for (size_t k = 0; k < feet.size(); ++k)
      out[static_cast<size_t>(feet[k].first)] = total > 0 ? std::max(0.0, shares[k]) / total : 0;
    break;
  }
  return out;
}

} // namespace columna
