// Pads laid on the body, and hollows pressed into it, where a maker brings out what lies under the skin: a
// shoulder blade's ridge, a point of the hip, the hollows of a collarbone. Each follows its bone.
#pragma once

#include "anatomy/tube.h"

#include <string>
#include <vector>

namespace columna {

struct Figure;
struct Pattern;

/// On a pattern; lengths in modules.
struct PatternPad {
  std::string id;   ///< "elbow"
  std::string bone; ///< of the pattern
  bool hollow = false;
  double at = 0;       ///< 0..1 on the bone
  double deep = 0;     ///< the way out of the bone: along its `deep` axis,
  double across = 1;   ///< and outwards across it (of a bone on the midline: to both sides where it is not 0)
  double left = 1;     ///< whether that is along x deep (1) or against it (-1), on the left
  Vec3 radii{0, 0, 0}; ///< half along the bone, half across the way out, and how far it stands out
  [[nodiscard]] bool operator==(const PatternPad&) const = default;
};

/// On a figure. mm.
struct LaidPad {
  std::string id;
  int bone = 0; ///< index into the figure's bones
  bool hollow = false;
  int tube = -1;     ///< index into the figure's tubes, or hollows
  Vec3 at{0, 0, 0};  ///< its middle, on the surface
  Vec3 out{0, 0, 1}; ///< unit: the way it stands out
  Vec3 radii{0, 0, 0};
};

/// Puts the pattern's pads on a figure in modules whose tubes are made. A pad whose bone is not there is left
/// out.
void layPads(Figure& figure, const Pattern& pattern);

} // namespace columna
