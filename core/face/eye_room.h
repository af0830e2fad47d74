// What is round an eye: wire that its stem's hole must not meet, wool under its socket, ears before it.
#pragma once

#include "face/eye.h"
#include "head/head_field.h"

#include <limits>
#include <vector>

namespace columna {

/// A straight stretch of wire in the head, mm in the head's axes.
struct HeadWire {
  Vec3 from, to;
  double thick = 0; ///< across the bundle
};

/// Where the hole of a stem runs from an eye's middle: inwards, turned to an azimuth (radians; the eye's own,
/// or less where it had to be turned).
[[nodiscard]] Vec3 holeWay(const HeadEye& eye, double azimuth);

/// mm between a hole so long and the nearest wire, its own half width taken off; infinite without wire, below
/// zero where they meet.
[[nodiscard]] double clearOfWire(const Vec3& middle, const Vec3& way, double length,
                                 const std::vector<HeadWire>& wires, double stem);

/// The longest stem, at most `most` mm, whose hole stays `clear` mm away from every wire; 0 where none does.
[[nodiscard]] double longestClear(const Vec3& middle, const Vec3& way, double most, double clear,
                                  const std::vector<HeadWire>& wires, double stem);

/// mm of wool under a socket, from its deepest place `bottom` inwards (`way` looks out) to the other side of
/// the head, to the twin's eyeball or to wire, whichever is nearest.
[[nodiscard]] double woolUnder(const HeadField& field, const Vec3& bottom, const Vec3& way,
                               const std::vector<HeadWire>& wires, double eye, bool twin, const Vec3& middle);

/// How much of an eye's disc, `diameter` mm across, is behind the head's flat parts for who looks it in the
/// face, along its axis: 0..1, by rays over a grid of it. `flats`: of the left one and, where it is one of a
/// pair, of its twin.
[[nodiscard]] double hiddenBy(const HeadPattern& head, const HeadField& field, const Vec3& at,
                              const Vec3& way, double diameter);

} // namespace columna
