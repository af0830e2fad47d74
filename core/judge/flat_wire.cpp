#include "judge/flat_wire.h"

#include "hold/gauge_rule.h"
#include "words/print.h"

namespace columna {
namespace {

bool wanted(const FaceFlat& flat, double density, const FaceRules& rules) {
  if (flat.flat->stands == FlatStands::Wire) return true;
  if (flat.flat->stands != FlatStands::Felt || flat.standing.verdict == Stands::Well) return false;
  if (flat.length > rules.wireLonger) return true;
  FlatStrip thick = flat.strip;
  thick.thickness = std::max(rules.wireThicker, thick.thickness);
  thick.density = density;
  return standingOf(thick, rules.relaxed).verdict == Stands::Droops;
}

} // namespace

std::vector<FlatWire> flatWires(const FaceReport& report, double density, const Material& material,
                                const PoseRules& pose, const FaceRules& rules) {
  std::vector<FlatWire> out;
  for (const FaceFlat& flat : report.flats) {
    if (!wanted(flat, density, rules)) continue;
    FlatWire wire;
    wire.flat = flat.flat->id;
    wire.count = flat.flat->twin ? 2 : 1;
    wire.into = rules.wireInto;
    wire.inset = rules.wireInset;
    // From the base's front end round the tip to its rear end.
    double edge = 0;
    for (size_t i = 0; i + 1 < flat.flat->outline.size(); ++i)
      edge += report.length * (flat.flat->outline[i + 1] - flat.flat->outline[i]).norm();
    wire.cut = std::max(0.0, edge - 2 * wire.inset) + 2 * wire.into;
    Demand level;
    level.gravity = kGravity / 1000 * flat.grams * flat.length / 2; // N mm
    WireSection section;
    section.material = material;
    section.wires = 1;
    // Two runs that lie apart: each takes half.
    level.gravity /= 2;
    const Need need = neededWire({level}, 0, section, pose);
    wire.need = need.diameter;
    wire.low = need.low;
    wire.high = need.high;
    wire.take = thinnestAtLeast(material, wire.need);
    out.push_back(wire);
  }
  return out;
}

} // namespace columna
