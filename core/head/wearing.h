// A pattern wears its head: from data to what a figure is made of.
#pragma once

#include "head/head_field.h"
#include "head/head_wish.h"

#include <array>
#include <map>

namespace columna {

/// What horns, bills and eyes weigh, g/mm3, by what they are made of. What is not in it is wool.
struct HardDensities {
  std::map<HardMaterial, double> parts;
  std::map<EyeKind, double> eyes; ///< of the ball that an eye is as wide as
};

/// A feature as an oval, both of a pair, the left one first: a rod's as long as it is and as thick as its
/// mean.
[[nodiscard]] std::vector<RoughHead::Oval> ovalsOf(const HeadFeature& feature);

/// The head as a form that figures can wear.
[[nodiscard]] std::shared_ptr<const HeadForm> headForm(const HeadPattern& head);

/// The pattern with that head: its surface in place of the tubes of the bones it stands for, its horns and
/// bills on the bones that had them, its ears in place of the pattern's, its eyes. Bones, joints and wire
/// stay. A head that does not sit on this pattern (checkSeat) leaves it as it is.
[[nodiscard]] Pattern wearing(Pattern pattern, const HeadPattern& head, const HardDensities& densities);

/// As it will look on a figure: with the maker's pads, and with the eyes that are taken.
[[nodiscard]] HeadPattern asTaken(HeadPattern head, const FaceWish& wish, const WornHead& worn);

/// A flat part as it stands on the head, head modules; the left one. Its width is rolled to the cup, which
/// its length is not changed by; from its fold on it is turned about a line across, and the cup is let go
/// over one width below that, as felt does. Its base is laid on to the head's surface.
[[nodiscard]] RoughHead::Sheet standing(const HeadFlat& flat, const HeadField& field);

/// Where the ends of its base come out of the head's surface, front and rear, head modules: as far apart as
/// the base of its outline is when rolled. `base` in the data says only about where it stands and which way
/// it runs.
[[nodiscard]] std::array<Vec3, 2> baseEnds(const HeadFlat& flat, const HeadField& field);

} // namespace columna
