// The pattern an ear is cut or laid by: finished, cut and lay lines on the table.
#pragma once

#include "face/eye.h"
#include "head/head_pattern.h"

#include <vector>

namespace columna {

struct FlatPatternMark {
  std::vector<Vec2> outline; ///< mm
  std::string colour;        ///< of the head's palette
  bool back = false;
};

/// In the flat's own plane: u along the base, v up, mm; the left one. The right one is its mirror image.
struct FlatPattern {
  std::vector<Vec2> finished; ///< as it is to come out
  std::vector<Vec2> cut;      ///< with what is lost where the edge is needled in
  std::vector<Vec2> lay;      ///< what loose wool has to cover: it shrinks, and runs out beyond the base
  std::vector<Vec2> lining;   ///< of the face side; empty for none
  std::vector<FlatPatternMark> marks;
  double area = 0;          ///< mm2, finished
  double thickness = 0;     ///< mm
  double grams = 0;         ///< g of the finished part
  double baseAllowance = 0; ///< mm left unfelted beyond the base, to be felted on to the head
  double layFactor = 1;     ///< how much larger it is laid
  double layMass = 0;       ///< g/mm2 of loose wool to lay
  double layGrams = 0;      ///< g of it in all, with what runs out beyond the base
};

/// A flat part of a head of `length` mm in felt of `density` g/mm3 (firm felt shrinks more while it is made).
[[nodiscard]] FlatPattern flatPattern(const HeadFlat& flat, double length, double density, bool firm,
                                      const FaceRules& rules);

} // namespace columna
