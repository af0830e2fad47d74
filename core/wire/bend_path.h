// The way a wire takes through the joints it is bent at: arcs of a radius wire can be bent to, each with its
// apex on its joint, and straight between them.
//
// The wire passes through every joint it bends at, so it is never shorter than the bones between them, and a
// limb that is straightened later is as long as its bones. An arc lies inside the corner that tangents would
// make, so the legs of wire lie a little beside the bones and turn a little more or less than these; the
// directions are found by repetition until nothing moves.
#pragma once

#include "anatomy/pattern.h"

#include <optional>
#include <vector>

namespace columna {

/// A place the wire comes by, in order.
struct PathPoint {
  Vec3 at{0, 0, 0};    ///< mm
  double tightest = 0; ///< mm: the smallest radius of the bent limb's middle line
  double usual = 0;    ///< mm: the radius of a joint that is bent again and again
};

struct PathBend {
  size_t first = 0, last = 0; ///< of the points it stands for: one, or joints too near each other for two
  Vec3 at{0, 0, 0};           ///< mm, where its apex lies
  double radius = 0;          ///< mm, of the middle line
  double angle = 0;           ///< radians; of a limb folded flat a little over half a turn
  Vec3 axis{0, 0, 1};         ///< it turns about, right-handed
  Vec3 in{1, 0, 0}, out{1, 0, 0};

  /// From the arc's ends to its apex, along the wire.
  [[nodiscard]] double half() const { return radius * angle / 2; }
};

struct BentPath {
  std::vector<PathBend> bends;  ///< in order
  std::vector<double> straight; ///< mm of straight wire before each bend, and after the last one
  std::vector<size_t> passed;   ///< joints passed without a bend of their own, for want of room
  Vec3 begins{1, 0, 0};         ///< direction of the first leg
  Vec3 ends{1, 0, 0};           ///< and of the last one
  /// A bend right at the first point, its arc beginning there: where the wire came out of a fold another way.
  /// Its `half()` counts twice.
  std::optional<PathBend> start;
};

/// Bends gentler than that are not made: a fifth of a millimetre over a hand's length.
inline constexpr double kLeastBend = 0.002;

/// The way through two points or more. `thick` mm is the wire's own diameter: joints nearer than three of it
/// are bent as one. `arrives` is the direction in which it leaves a fold at the first point, nothing at an
/// end. Joints that the tightest bends have no room for are taken together, or passed straight beside an end.
[[nodiscard]] BentPath bendPath(const std::vector<PathPoint>& points, double thick,
                                const std::optional<Vec3>& arrives = std::nullopt);

} // namespace columna
