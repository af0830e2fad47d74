// What a pose is judged by: factors asked for, limits of hands, tolerances of standing, classes of life.
#pragma once

#include "measure/result.h"

#include <optional>
#include <string>
#include <string_view>

namespace columna {

/// From data/work/posing.json, where each number has its source; most are estimates [E].
struct PoseRules {
  double holdNeeded = 2, nudgeNeeded = 1;
  double effortAdult = 10, effortChild = 5, effortSore = 3; ///< N at the fingers
  double fingerLever = 30;                                  ///< mm
  double recoilShare = 0.5;                   ///< of the felt's spring-back that wire must resist
  double softGap = 20;                        ///< mm of felt a joint's bend spreads over
  double tipNeeded = 10;                      ///< degrees
  double marginNeeded = 3;                    ///< mm
  double legError = 1.5;                      ///< mm
  double touchShare = 0.02, lieShare = 0.006; ///< of the height: feet, and all else
  double soleGive = 0.01;                     ///< of the height: how much of a sole bears
  double lifeOnce = 5, lifeOccasional = 15;   ///< usable bends: the classes' upper ends
  double lifeSpread = 3;                      ///< median over and times this: the range
  double bondedShare = 1.35;                  ///< strength of glued strands over their sum
  double reposesWanted = 10;
};

/// Errors name the file and the key.
[[nodiscard]] Result<PoseRules> readPoseRules(std::string_view json, const std::string& file);

/// Whose hands pose it.
enum class Hands { Adult, Child, Sore };
[[nodiscard]] std::string_view id(Hands hands);
[[nodiscard]] std::optional<Hands> hands(std::string_view id);
[[nodiscard]] double effortLimit(const PoseRules& rules, Hands hands);

} // namespace columna
