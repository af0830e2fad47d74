// Needles: which for which stage, how deep without meeting the wire, how often over.
#pragma once

#include "wool/layers.h"
#include "wool/wool_rules.h"

#include <string>
#include <vector>

namespace columna {

/// One stage of firming.
struct NeedleStage {
  std::string stage;  ///< "form", "firm", "define", "finish"
  std::string needle; ///< "36 triangle": felting needles' own gauge, finer as it rises
  double depth = 0;   ///< mm, the deepest stab that neither meets wire nor goes through
  Said note;
};

struct NeedlePlan {
  std::vector<NeedleStage> stages;
  double passes = 0;                ///< times over the whole part
  double overWire = 0;              ///< mm of wool between the wire and the surface at the thinnest place
  std::vector<double> carefulAlong; ///< mm from the root: stations where wire is nearer than the rules allow
};

/// From a limb's girths. `coat` mm.
[[nodiscard]] NeedlePlan needlesFor(const std::vector<Girth>& girths, double coat, Firmness firmness,
                                    const WoolRules& rules);

} // namespace columna
