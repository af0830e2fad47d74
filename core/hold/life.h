// How often a joint can be bent before it breaks: low-cycle fatigue of the wire.
//
// Strain-life in amplitudes, eps_a = (sigma_f/E)(2N)^b + eps_f (2N)^c, with each material's constants; a bend
// of theta spread over L_h strains a wire of d by theta d/(2 L_h), L_h = max(lambda d, l n/(1+n)), lambda = 2
// + 5 n (the length that a hardening wire bends over by itself, and over a soft gap l). A named wire's life
// is known to a factor of three either way.
#pragma once

#include "hold/pose_rules.h"
#include "wire/section.h"

#include <vector>

namespace columna {

/// Length a bend spreads over, mm; `gap` is the soft length between firm parts, 0 for none.
[[nodiscard]] double hingeLength(const Material& material, double d, double gap);

/// Outer strain of a wire of d bent by theta radians over L_h.
[[nodiscard]] double bendStrain(double theta, double d, double hinge);
/// The same by inside radius: d/(2 R + d).
[[nodiscard]] double radiusStrain(double radius, double d);

/// Cycles to break at a strain amplitude (median); infinite at none, below 1 where one bend breaks it.
[[nodiscard]] double cyclesToBreak(const Material& material, double amplitude);

/// How a joint may be used.
enum class LifeClass { Once, Occasional, Often };
[[nodiscard]] std::string_view words(LifeClass c); ///< "pose once", "occasional", "re-poseable"

struct JointLife {
  double strain = 0;        ///< of the largest swing
  double radius = 0;        ///< inside radius it is bent to, mm; infinite when it is not bent
  double bends = 0;         ///< median re-poses to break of the swing, there and back
  double low = 0, high = 0; ///< over the spread
  LifeClass usable = LifeClass::Often;
  double used = 0; ///< Miner's sum of what was done to it so far, twisting it together included
};

/// Of a joint whose wire swings by `swing` radians (there and back is one), in a section bent over `gap` mm;
/// `done` is Miner's sum of what was bent already.
[[nodiscard]] JointLife jointLife(const WireSection& section, double swing, double gap, double done,
                                  const PoseRules& rules);

/// Miner's sum of swings (radians), each gone through `times`: 1 is broken, at the median.
[[nodiscard]] double minersSum(const WireSection& section, const std::vector<double>& swings, double times,
                               double gap);

} // namespace columna
