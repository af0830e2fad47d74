// The gauge rule: the wire a limb needs to hold its pose and survive a knock, and what a given wire does.
//
//   d_need = max{ [6 FS M_g/(n k sigma_02)]^(1/3), [6 (M_g + F_n L)/(n k sigma_2)]^(1/3) }
//
// with FS (2 by default) on weight alone at the 0.2 % stress (set under one degree) and another (1) on weight
// and knock at the 2 % stress (set up to about 7 degrees: noticed, not ruined). Loads or strengths wrong by
// 40 % cost one gauge number, so a recommended size always comes with the range it could be. The factors and
// what fingers do are PoseRules, data that makers may change.
#pragma once

#include "hold/loads.h"
#include "hold/pose_rules.h"
#include "measure/working.h"
#include "wire/section.h"

#include <optional>
#include <string>
#include <vector>

namespace columna {

/// Diameter in mm that n strands keeping the share k need under `factor` times `moment` N mm at `sigma` MPa.
[[nodiscard]] double neededDiameter(double moment, double factor, double strands, double share, double sigma);

struct Need {
  double diameter = 0;      ///< mm
  double low = 0, high = 0; ///< mm, over the range of the material's yield
  size_t demand = 0;        ///< which demand asks for it
};

/// What the worst of a limb's demands asks of `section`'s material and number of wires (its diameter is not
/// used beyond the twist, which goes by diameters).
[[nodiscard]] Need neededWire(const std::vector<Demand>& demands, double nudge, const WireSection& section,
                              const PoseRules& rules);

/// How a chosen wire does. Factors are infinite where nothing loads the limb.
struct Hold {
  double moment = 0;                ///< N mm of weight at the governing joint
  double hold = 0;                  ///< hold factor on weight
  double holdLow = 0, holdHigh = 0; ///< over the yield range
  double nudge = 0;                 ///< factor on weight and knock
  double effort = 0;                ///< N at the fingers to bend it
  double cover = 0; ///< mm of wool over the bundle at the thinnest place (felted core and coat)
  size_t holdDemand = 0, nudgeDemand = 0;
};

[[nodiscard]] Hold holdOf(const std::vector<Demand>& demands, double nudge, const WireSection& section,
                          double limbLength, const PoseRules& rules);

/// Thinnest wire of the material that is at least `diameter`; nothing if none is.
[[nodiscard]] std::optional<double> thinnestAtLeast(const Material& material, double diameter);

/// How the hold factor comes about, and how the needed diameter does.
[[nodiscard]] Working holdWorking(const std::vector<Demand>& demands, const Hold& hold,
                                  const WireSection& section, const PoseRules& rules);
[[nodiscard]] Working needWorking(const std::vector<Demand>& demands, const Need& need, double nudge,
                                  const WireSection& section, const PoseRules& rules);
[[nodiscard]] Working effortWorking(const Hold& hold, const WireSection& section, double limbLength,
                                    const PoseRules& rules);

} // namespace columna
