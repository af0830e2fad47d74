// Distances on a head as a maker takes them: by a tape pulled tight, and by callipers.
#pragma once

#include "measure/result.h"

#include <Eigen/Core>

#include <functional>

namespace columna {

/// A closed surface: its distance, below zero inside, and its outward unit normal. mm.
struct TapedSurface {
  std::function<double(const Eigen::Vector3d&)> distance;
  std::function<Eigen::Vector3d(const Eigen::Vector3d&)> normal;
};

/// A tape between two places on the surface, mm. A tape lies in a plane, bridges hollows and slips to where
/// it is shortest: the shortest plane section through both places, the plane turned about their chord by up
/// to 45 degrees, with its hollows bridged. On smooth ovals within 0.05 % of the shortest way on the surface;
/// on heads with brows and sockets within 1.2 %. Felt gives under a tape by about 0.5 mm besides. Error: no
/// such plane has a way from one to the other (they lie on parts that do not face each other).
[[nodiscard]] Result<double> tape(const TapedSurface& surface, const Eigen::Vector3d& from,
                                  const Eigen::Vector3d& to);

} // namespace columna
