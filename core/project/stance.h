// What the maker settled of poses: the stance on the mat, the saved ones, how it is held up, and who bends
// it.
#pragma once

#include "anatomy/pattern.h"
#include "hold/pose_rules.h"
#include "hold/support.h"

#include <map>
#include <optional>
#include <set>
#include <string>
#include <vector>

namespace columna {

/// One re-pose that was made, for the wire's life.
struct RePose {
  std::string from, to; ///< names of poses; "" is the neutral stance
  std::string date;     ///< "2026-11-25"
  /// How far each joint was turned, by its bone, rad; those that were not are left out. What the wire has
  /// gone through does not change when a pose is changed or removed. Without it (older files) the names tell.
  std::optional<std::map<std::string, double>> swings;

  [[nodiscard]] bool operator==(const RePose&) const = default;
};

struct Stances {
  PatternPose now; ///< on the mat; its name is that of the pose it came from, "" of the neutral
  std::vector<PatternPose> saved; ///< the maker's own, each name once
  Support support;
  Hands hands = Hands::Adult;
  std::optional<double> legError; ///< mm, the maker's own
  /// Poses the maker wants to move between; nothing: all saved ones.
  std::optional<std::set<std::string>> goThrough;
  std::optional<int> times;          ///< how often they are gone through
  std::vector<RePose> made;          ///< re-poses recorded
  std::optional<PatternPose> stands; ///< how the figure was left by the last of them
  std::set<std::string> glued;       ///< joints whose strands are glued together

  [[nodiscard]] bool operator==(const Stances&) const = default;
  /// Whether nothing was settled.
  [[nodiscard]] bool empty() const;
};

/// A pose of that name: the maker's own before the pattern's; nothing for none of that name.
[[nodiscard]] std::optional<PatternPose> poseNamed(const Stances& stances, const Pattern& pattern,
                                                   const std::string& name);

} // namespace columna
