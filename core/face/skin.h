// Wings' skins, fins, spines and all other flat parts that are not the head's, as patterns to cut.
#pragma once

#include "anatomy/figure.h"
#include "face/eye.h"

#include <string>
#include <vector>

namespace columna {

struct SkinPattern {
  std::string id; ///< of the left one: "wing fore"
  bool twin = false;
  std::vector<Vec2> finished; ///< mm, laid flat
  std::vector<Vec2> cut;      ///< wider where an edge is turned round a wire; empty where none is
  double area = 0;            ///< mm2
  double thickness = 0;       ///< mm
  double grams = 0;           ///< g of one, of firm felt
  double least = 1, most = 1; ///< what it is drawn in and stretched when it is laid flat, factors of length
  bool stretches = false;     ///< by more than felt takes up: cut a dart
};

/// All of them, twins once. Of a border that crosses itself none.
[[nodiscard]] std::vector<SkinPattern> skinsOf(const Figure& figure, const FaceRules& rules);

} // namespace columna
