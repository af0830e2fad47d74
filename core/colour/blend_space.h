// Blends as places in a space where distance from the origin is about how far their colour is from the one
// that is wanted: what adds up, seen through the slope of the colour difference.
#pragma once

#include "colour/fibre_blend.h"

#include <algorithm>
#include <array>
#include <limits>
#include <utility>
#include <vector>

namespace columna {

/// dE00: nearer to a colour than this is at it.
inline constexpr double kAtColour = 1e-4;

/// How the three numbers of a colour difference change with what adds up, at a blend.
struct BlendSlope {
  Lab lab; ///< of the blend
  Eigen::Matrix<double, 3, kBands> perAdded;
};
[[nodiscard]] BlendSlope slopeAt(const Spectrum& added, const Lab& wanted, double m);

/// Squared distance of the origin from a stretch.
[[nodiscard]] double toSegment(const Eigen::Vector3d& p, const Eigen::Vector3d& q);
/// Squared distance of the origin from a triangle; infinite where its plane alone is farther than `limit`
/// (squared).
[[nodiscard]] double toTriangle(const Eigen::Vector3d& a, const Eigen::Vector3d& b, const Eigen::Vector3d& c,
                                double limit);

/// The nearest few of many.
class Nearest {
public:
  using Set = std::array<int, 3>; ///< -1 where there are fewer
  explicit Nearest(size_t most) : most_(most) {}
  [[nodiscard]] double limit() const {
    return heap_.size() < most_ ? std::numeric_limits<double>::infinity() : heap_.front().first;
  }
  void put(double distance, Set set) {
    if (distance >= limit()) return;
    if (heap_.size() == most_) {
      std::pop_heap(heap_.begin(), heap_.end());
      heap_.pop_back();
    }
    heap_.emplace_back(distance, set);
    std::push_heap(heap_.begin(), heap_.end());
  }
  [[nodiscard]] const std::vector<std::pair<double, Set>>& all() const { return heap_; }

private:
  size_t most_;
  std::vector<std::pair<double, Set>> heap_;
};

} // namespace columna
