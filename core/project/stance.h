// What the maker settled of poses: the stance on the mat, the saved ones, how it is held up, and who bends
// it.
#pragma once

#include "anatomy/pattern.h"
#include "hold/pose_rules.h"
#include "hold/support.h"
#include "measure/result.h"

#include <nlohmann/json.hpp>

#include <optional>
#include <set>
#include <string>
#include <vector>

namespace columna {

/// One re-pose that was made, for the wire's life.
struct RePose {
  std::string from, to; ///< names of poses; "" is the neutral stance
  std::string date;     ///< "2026-11-25"

  [[nodiscard]] bool operator==(const RePose&) const = default;
};

struct Stances {
  PatternPose now; ///< on the mat; its name is that of the pose it came from, "" of the neutral
  std::vector<PatternPose> saved; ///< the maker's own, each name once
  Support support;
  Hands hands = Hands::Adult;
  std::optional<double> legError;  ///< mm, the maker's own
  std::set<std::string> goThrough; ///< poses the maker wants to move between; empty: all saved ones
  std::optional<int> times;        ///< how often they are gone through
  std::vector<RePose> made;        ///< re-poses recorded
  std::set<std::string> glued;     ///< joints whose strands are glued together

  /// Whether nothing was settled.
  [[nodiscard]] bool empty() const;
};

/// A pose of that name: the maker's own before the pattern's; nothing for none of that name.
[[nodiscard]] std::optional<PatternPose> poseNamed(const Stances& stances, const Pattern& pattern,
                                                   const std::string& name);

void stancesToJson(const Stances& stances, nlohmann::json& out);
/// Reads the field "stances". Errors name the field.
[[nodiscard]] std::optional<Problem> stancesFromJson(const nlohmann::json& in, const std::string& file,
                                                     Stances& stances);

} // namespace columna
