// A head under the character dials: a shorter or longer muzzle, larger and lower eyes.
#pragma once

#include "anatomy/shape.h"
#include "head/head_pattern.h"

namespace columna {

/// Where x goes when the muzzle before `brow` is `factor` times as long: nothing moves behind it, all in
/// front of it goes along, and over 0.08 modules to either side the two run into one another without a kink.
struct MuzzleWarp {
  double brow = 0.6, factor = 1;
  [[nodiscard]] double operator()(double x) const;
  [[nodiscard]] double slope(double x) const;
  /// The x that goes there.
  [[nodiscard]] double before(double there) const;
};

/// That of a head whose muzzle is `factor` times as long.
[[nodiscard]] MuzzleWarp muzzleWarp(const HeadPattern& head, double factor);

/// The head as the dials have it. Muzzle: stations, features (their radii along x with them), nose, nostrils,
/// mouth, hair and hard parts; eyes keep their x. Eyes: their diameter, and sockets and lids with them.
/// Eyes lower: eyes, sockets, lids and brows by that share of the head's depth where they are. A head of all
/// dials at rest is the very same.
[[nodiscard]] HeadPattern dialled(HeadPattern head, const Character& dials);
/// The same of the dials a figure's head has; how wide and high it is is left to its surface.
[[nodiscard]] HeadPattern dialled(HeadPattern head, const HeadDials& dials);

} // namespace columna
