#include "plan/flat_wire.h"

#include "face/face_report.h"
#include "hold/gauge_rule.h"

#include <algorithm>

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

/// The thinnest of the drawer that will do, where it is not much thicker than what is sold; else what is
/// sold.
std::optional<double> taken(const Material& material, double need, const std::vector<OwnWire>& drawer,
                            bool drawerOnly, double thicker) {
  const std::optional<double> sold = thinnestAtLeast(material, need);
  std::optional<double> own;
  for (const OwnWire& wire : drawer)
    if (wire.material == material.id && wire.diameter >= need && (wire.length <= 0 || wire.count > 0) &&
        (!own || wire.diameter < *own))
      own = wire.diameter;
  if (own && (drawerOnly || !sold || *own <= thicker * *sold)) return own;
  return sold;
}

} // namespace

std::vector<FlatWire> flatWires(const std::vector<FaceFlat>& flats, double head, double density,
                                const Material& material, const PoseRules& pose, const FaceRules& rules,
                                const std::vector<OwnWire>& drawer, bool drawerOnly) {
  std::vector<FlatWire> out;
  for (const FaceFlat& flat : flats) {
    if (!wanted(flat, density, rules)) continue;
    FlatWire wire;
    wire.flat = flat.flat->id;
    wire.material = material.id;
    wire.count = flat.flat->twin ? 2 : 1;
    wire.into = rules.wireInto;
    wire.inset = rules.wireInset;
    // From the base's front end round the tip to its rear end.
    double edge = 0;
    for (size_t i = 0; i + 1 < flat.flat->outline.size(); ++i)
      edge += head * (flat.flat->outline[i + 1] - flat.flat->outline[i]).norm();
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
    wire.take = taken(material, wire.need, drawer, drawerOnly, rules.wireOwn);
    out.push_back(wire);
  }
  return out;
}

} // namespace columna
