// A view of the figure with its wire in it, at true size, for the sheet.
#pragma once

#include "anatomy/outline.h"
#include "plan/plan.h"
#include "sheet/marks.h"

#include <string_view>
#include <vector>

namespace columna {

struct ViewDrawing {
  View view = View::Side;
  std::vector<Mark> marks;      ///< from its top left corner
  double width = 0, height = 0; ///< mm, with a little room all round
};

/// The silhouette, the ground, and every piece of wire in its colour with its joints; seen from the side, of
/// twins the nearer one.
[[nodiscard]] ViewDrawing drawView(const Plan& plan, View view);

/// "Front view".
[[nodiscard]] std::string_view viewWords(View view);

} // namespace columna
