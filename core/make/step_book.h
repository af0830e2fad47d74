// The minutes of what stands round the work, and how near a reading has to come to its goal: from
// data/work/steps.json, each with its source.
#pragma once

#include "measure/result.h"

#include <array>
#include <string>
#include <string_view>

namespace columna {

/// A way the bench is laid out.
enum class Bench { Paper, Wire, Glue, CoreWool, CoatWool, Clay, FlatFelt, Face, Look, Wax };
inline constexpr size_t kBenches = 10;
/// "wire bench", "core wool".
[[nodiscard]] std::string_view name(Bench bench);
[[nodiscard]] std::string_view id(Bench bench);

struct StepBook {
  // Minutes.
  double printSheet = 0, weighHeaps = 0, weighHeap = 0;
  double makeJoint = 0, gripLimb = 0, laySkeleton = 0, glueStay = 0;
  double stand = 0, photo = 0, drawMarkings = 0, drawMarking = 0;
  double furRow = 0; ///< for 100 mm of row
  double aheadPart = 0, cutFlat = 0, joinFlat = 0, trim = 0, lookAgain = 0, record = 0;
  double perch = 0;               ///< glued to its base
  double waxTips = 0, waxTip = 0; ///< of a limb, and of each of its toes or fingers
  double bakeIn = 0, bakeOut = 0; ///< into the oven and out again
  double bakeThin = 0,
         bakeThick = 0;  ///< in the oven: what is thin or thinner, thick or thicker, between in line
  double bakeWithin = 0; ///< so long after that it has to come out
  double thinClay = 0, thickClay = 0; ///< mm, what is meant by them
  // Shares.
  double cutShare = 0;  ///< of a piece's minutes: measured and cut
  double windShare = 0; ///< of a part's felting: wound, and the rest firmed
  // How near is near enough.
  double withinLength = 0;                  ///< mm
  double withinWeight = 0, withinGirth = 0; ///< shares
  double leastWeight = 0, leastGirth = 0;   ///< g, mm: nearer cannot be read
  double pairWeight = 0, pairShare = 0;     ///< of a pair: g apart, but no more than that share of one
  double pairLeast = 0;                     ///< g: nearer no pocket scale reads
  std::array<double, kBenches> layOut{};    ///< minutes to lay the bench out for a station
};

/// Errors name the file and the key; a share above 1 is one.
[[nodiscard]] Result<StepBook> readStepBook(std::string_view json, const std::string& file);

} // namespace columna
