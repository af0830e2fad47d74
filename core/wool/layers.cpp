#include "wool/layers.h"

#include "solid/field.h"
#include "solid/slice.h"
#include "wool/felt.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {

Girth layersAt(const FigureBone& bone, double at, const LayerInput& in, const TapeShare& tape) {
  const Station section = stationAt(bone, at);
  Girth g;
  g.at = at;
  g.across = section.across;
  g.deep = section.deep;
  g.allCoat = in.allCoat;
  const double a = g.across / 2;
  const double b = g.deep / 2;
  g.finished = ellipsePerimeter(a, b) * tape.finished;
  g.across *= tape.across;
  g.deep *= tape.deep;
  if (!in.allCoat) {
    const Slice core = offsetEllipse(a, b, in.coat);
    g.felted = core.tape * tape.felted;
    g.coreAcross = core.across * tape.coreAcross;
    g.coreDeep = core.deep * tape.coreDeep;
  }
  if (!bone.wire) return g;
  g.wire = std::numbers::pi * in.bundle;
  const double under = in.allCoat ? 0 : in.coat;
  const double free = -distanceToEllipse(0, -section.lift, a, b).distance - under;
  g.round = std::max(0.0, 2 * free);
  // On a rounded end there is less of it than the section that swept it.
  g.round = std::min(g.round, g.felted > 0 ? std::min(g.coreAcross, g.coreDeep) : std::min(g.across, g.deep));
  if (g.round <= in.bundle) {
    g.round = 0; // the wire lies at the edge of the section or outside: nothing can be wound on it
    return g;
  }
  const double before = in.ball ? woundBallDiameter(g.round, in.wrapped, in.density)
                                : woundLimbDiameter(g.round, in.bundle, in.wrapped, in.density);
  g.wound = std::numbers::pi * std::max(before, g.round);
  return g;
}

double gripThickness(WireGrip grip) {
  switch (grip) {
  case WireGrip::Sleeve:
    return 1.5;
  case WireGrip::Paper:
    return 0.15;
  case WireGrip::Wax:
    return 0.05;
  case WireGrip::None:
    break;
  }
  return 0;
}

} // namespace columna
