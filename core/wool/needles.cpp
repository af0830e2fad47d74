#include "wool/needles.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {

NeedlePlan needlesFor(const std::vector<Girth>& girths, double coat, Firmness firmness,
                      const WoolRules& rules) {
  NeedlePlan out;
  out.passes = rules.passes(firmness);
  double thickness = 0; // of the core, to go half through at most
  out.overWire = 1e9;
  for (const Girth& g : girths) {
    const double smaller = g.felted > 0 ? std::min(g.coreAcross, g.coreDeep) : std::min(g.across, g.deep);
    thickness = thickness > 0 ? std::min(thickness, smaller) : smaller;
    if (g.wire <= 0) continue;
    // Wool over the wire: from the wire's surface to the finished one on the near side.
    const double under = g.allCoat ? 0 : coat;
    const double over = std::max(0.0, g.round / 2 - g.wire / (2 * std::numbers::pi)) + under;
    out.overWire = std::min(out.overWire, over);
    if (over < rules.careful) out.carefulAlong.push_back(g.along);
  }
  if (out.overWire > 1e8) out.overWire = thickness / 2;
  // A millimetre short of the wire: barbs reach past the tip's first notch.
  const double deepest = std::max(0.5, std::min(out.overWire - 1, thickness / 2));
  out.stages.push_back({std::string(named("form")), std::string(named("36 triangle")),
                        std::min(deepest, 12.0), say("straight in and out, all round")});
  if (firmness != Firmness::Soft)
    out.stages.push_back({std::string(named("firm")), std::string(named("38 star")), std::min(deepest, 8.0),
                          say("until it dents little under a thumb")});
  out.stages.push_back({std::string(named("define")), std::string(named("38 triangle")),
                        std::min(deepest, 5.0), say("edges, folds and joints")});
  if (coat > 0)
    out.stages.push_back({"finish", "40 triangle", std::max(0.5, std::min({coat, 3.0, out.overWire - 1})),
                          say("shallow and slanting: no deeper than the coat, or core comes through")});
  return out;
}

} // namespace columna
