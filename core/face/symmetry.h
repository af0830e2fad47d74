// A pair as it was measured, left against right.
#pragma once

#include "face/face_report.h"
#include "head/head_wish.h"

namespace columna {

/// The place on a head that lies `tape` mm from the nose tip and, where that was measured, `aside` mm (to the
/// left) from the mid plane: of all that fit, the one nearest to where the plan has it. Error: no place does
/// both, told with the nearest to it.
[[nodiscard]] Result<Vec3> placeByTape(const HeadField& field, const Vec3& nose, const Vec3& planned,
                                       double tape, std::optional<double> aside);

/// How the right one of a pair stands to the mirror image of the left one. mm in the head's axes, what the
/// right one has more: forward, outwards, up.
struct PairOff {
  std::string pin;
  Vec3 by = Vec3(0, 0, 0);
  double off = 0;   ///< mm in all
  double tilt = 0;  ///< radians that the line through both leans, the right one up
  double turn = 0;  ///< radians that it is turned, the right one forward
  double apart = 0; ///< mm between the two
  bool shows = false, wrong = false;
};

[[nodiscard]] PairOff pairOff(const std::string& pin, const Vec3& left, const Vec3& right,
                              const FaceRules& rules);

/// Of all pins with both sides measured; problems of those that no place satisfies. `report` is of `field`.
struct FaceMeasured {
  std::vector<PairOff> pairs;
  std::vector<Problem> problems;
  /// Where the measured ones lie, by pin; right ones with their y below 0.
  std::vector<std::pair<MeasuredPin, Vec3>> places;
};
[[nodiscard]] FaceMeasured measuredPairs(const std::vector<MeasuredPin>& measured, const HeadField& field,
                                         const FaceReport& report, const FaceRules& rules);

} // namespace columna
