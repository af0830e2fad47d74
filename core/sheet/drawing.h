// A drawing in mm for other programs: the wire over the figure's outlines at true size, and every piece as a
// strip with its marks, in named layers.
#pragma once

#include "plan/plan.h"

#include <string>
#include <vector>

namespace columna {

struct DrawnLine {
  std::vector<Vec2> points; ///< mm, y up
  bool closed = false;
};

struct DrawnText {
  Vec2 at;
  double height = 3; ///< mm
  std::string words;
};

struct Layer2d {
  std::string name; ///< letters, digits, - and _
  std::vector<DrawnLine> lines;
  std::vector<DrawnText> texts;
};

struct Drawing {
  std::vector<Layer2d> layers;
  Vec2 low{0, 0}, high{0, 0}; ///< what it takes up
};

/// Layers "side", "front", "above" with the outlines, "wire-A" with a piece in all three views, "strip-A"
/// with it straight: its length, bends, twists and features at true size.
[[nodiscard]] Drawing wireDrawing(const Plan& plan);

/// As SVG, one user unit a mm, a group a layer.
[[nodiscard]] std::string drawingSvg(const Drawing& drawing);

/// As DXF (release 12, which most drawing programs read): polylines and texts in mm, layers by name.
[[nodiscard]] std::string drawingDxf(const Drawing& drawing);

/// Cuts and bends as a table: piece, name, wire, cut length, and of every mark its place, kind, angle, turn
/// and tool angle; comma separated, a header line, numbers with a point.
[[nodiscard]] std::string wireCsv(const Plan& plan);

} // namespace columna
