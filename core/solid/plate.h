// Flat parts (ears, fins, wing skins) as sheets of felt in space: how far a place lies from their surface.
#pragma once

#include "anatomy/figure.h"

#include <array>
#include <vector>

namespace columna {

class Plate {
public:
  /// `index` of the figure's flats. A flat of fewer than three corners or no thickness is nowhere.
  Plate(const Figure& figure, int index);

  [[nodiscard]] int flat() const { return flat_; }
  [[nodiscard]] int bone() const { return bone_; }
  [[nodiscard]] bool empty() const { return triangles_.empty(); }
  /// Whether it comes into a box, mm.
  [[nodiscard]] bool within(const Vec3& low, const Vec3& high) const;
  /// mm to its surface, below zero inside; its edges are round.
  [[nodiscard]] double distance(const Vec3& p) const;
  [[nodiscard]] const Vec3& low() const { return low_; }
  [[nodiscard]] const Vec3& high() const { return high_; }

private:
  int flat_ = 0, bone_ = 0;
  double half_ = 0; ///< of its thickness, mm
  std::vector<std::array<Vec3, 3>> triangles_;
  Vec3 low_{0, 0, 0}, high_{0, 0, 0};
};

/// Those of a figure that are somewhere.
[[nodiscard]] std::vector<Plate> platesOf(const Figure& figure);

} // namespace columna
