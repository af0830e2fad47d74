// The wire a flat part of the head takes where felt alone does not hold it up.
#pragma once

#include "hold/pose_rules.h"
#include "project/project.h"
#include "wire/material.h"

#include <optional>
#include <string>
#include <vector>

namespace columna {

struct FaceFlat;
struct FaceRules;

struct FlatWire {
  std::string flat;           ///< its id in the head
  std::string material;       ///< id
  int count = 1;              ///< 2 of a pair
  double need = 0;            ///< mm: the diameter that holds its weight level
  double low = 0, high = 0;   ///< mm, over the range of the material's yield
  std::optional<double> take; ///< mm: what is cut; none is thick enough
  double cut = 0;             ///< mm of one: round inside its edge, and two ends into the head
  double inset = 0;           ///< mm it lies inside the edge
  double into = 0;            ///< mm each end goes into the head

  [[nodiscard]] bool operator==(const FlatWire&) const = default;
};

/// Of flats that are made to be wired, that droop however thick felt is laid (FaceRules::wireThicker), or
/// that are longer than FaceRules::wireLonger and do not stand well. The edge's two runs carry the flat's
/// weight as a level cantilever, by the gauge rule; knocks are left out, as an ear gives. `head`: mm long, of
/// felt of `density` g/mm3. `drawer`: what the maker has, taken where it is not FaceRules::wireOwn times
/// as thick as what would be bought; with `drawerOnly` nothing else is.
[[nodiscard]] std::vector<FlatWire> flatWires(const std::vector<FaceFlat>& flats, double head, double density,
                                              const Material& material, const PoseRules& pose,
                                              const FaceRules& rules, const std::vector<OwnWire>& drawer = {},
                                              bool drawerOnly = false);

} // namespace columna
