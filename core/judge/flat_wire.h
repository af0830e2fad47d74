// The wire a flat part of the head takes where felt alone does not hold it up.
#pragma once

#include "face/face_report.h"
#include "hold/pose_rules.h"
#include "wire/material.h"

#include <optional>
#include <string>
#include <vector>

namespace columna {

struct FlatWire {
  std::string flat;
  int count = 1;              ///< 2 of a pair
  double need = 0;            ///< mm: the diameter that holds its weight level
  double low = 0, high = 0;   ///< mm, over the range of the material's yield
  std::optional<double> take; ///< mm: the thinnest that is sold; none is thick enough
  double cut = 0;             ///< mm of one: round inside its edge, and two ends into the head
  double inset = 0;           ///< mm it lies inside the edge
  double into = 0;            ///< mm each end goes into the head
};

/// Of flats that are made to be wired, that droop however thick felt is laid (FaceRules::wireThicker), or
/// that are longer than FaceRules::wireLonger and do not stand well. The edge's two runs carry the flat's
/// weight as a level cantilever, by the gauge rule; knocks are left out, as an ear gives.
[[nodiscard]] std::vector<FlatWire> flatWires(const FaceReport& report, double density,
                                              const Material& material, const PoseRules& pose,
                                              const FaceRules& rules);

} // namespace columna
