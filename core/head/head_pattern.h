// An animal's head and feet as data: what its surface is, what stands on it and what it is coloured.
//
// Unit: head modules (the head's length, from the occiput to the nose tip along the skull's axis, is 1.0; a
// bird's to the plane of its face at the bill's root). Axes: x forward along the skull's axis, y to the
// animal's left, z up and square to x; the origin is on the axis at the occiput. Coat included. Of everything
// with a twin only the left one (y > 0) is given; the right one is (x, -y, z). Angles are radians here and
// degrees in files. The file format is described in docs/head.md.
#pragma once

#include "anatomy/outline.h"
#include "head/foot_pattern.h"

#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace columna {

/// A section of the head's body: two half superellipses, one above and one below `mid`.
struct HeadStation {
  double x = 0;
  double top = 0, bottom = 0; ///< z of the mid-line profile, bottom < top
  double side = 0;            ///< greatest half width, > 0
  double mid = 0;             ///< z at which it is widest, between bottom and top
  Vec2 square = Vec2(2, 2);   ///< exponent above and below: 2 an ellipse, 3 squarer, 1.7 pinched
};

/// The head without what is laid on: sections along the skull, rounded off at both ends.
struct HeadBodyShape {
  double capBack = 0, capFront = 0;  ///< how far the rounded ends reach beyond the first and last station
  std::vector<HeadStation> stations; ///< three or more, rising x
};

/// What a feature is to a maker.
enum class FeatureKind {
  Forehead,
  NoseBridge,
  Brow,
  Lid,
  LipPad,
  Chin,
  Cheek,
  Cheekbone,
  Jaw,
  Nose,
  NostrilWing,
  Crest,
  Disc,
  Socket,
  Nostril,
  Mouth,
  EarBase,
  Pad,
  Trunk,
  HornBase,
  Wattle,
  Hump,
  TuskBase,
  Other
};
/// Wool laid on, or pressed in: a press takes room but no wool.
enum class FeatureMode { Add, Press };

/// A pad or a hollow, in the order of work: an oval, or a tapered rod where it has an end `to`.
struct HeadFeature {
  std::string id;
  FeatureKind kind = FeatureKind::Other;
  FeatureMode mode = FeatureMode::Add;
  bool twin = false;
  Vec3 at = Vec3(0, 0, 0);
  std::vector<double> radii; ///< an oval's along axis, across and along up; a rod's at its two ends
  std::optional<Vec3> to;    ///< a rod's other end
  Vec3 axis = Vec3(1, 0, 0); ///< direction of an oval's first radius
  Vec3 up = Vec3(0, 0, 1);   ///< its third lies nearest to this
  double blend = 0;          ///< how wide it runs into what stands
  std::string colour;        ///< of the palette; empty: as what is under it

  [[nodiscard]] bool rod() const { return to.has_value(); }
  [[nodiscard]] double thinnest() const; ///< its smallest radius
  [[nodiscard]] bool operator==(const HeadFeature&) const = default;
};

enum class EyeKind { Glass, Bead, Painted, Needled };
enum class PupilShape { Round, Slit, Bar, None };

struct HeadEye {
  std::string id;
  EyeKind kind = EyeKind::Glass;
  bool twin = true;
  Vec3 at = Vec3(0, 0, 0); ///< near the surface: it is moved on to it along its axis
  double azimuth = 0;      ///< of the optical axis: 0 forward, a quarter turn sideways
  double elevation = 0;
  double diameter = 0;   ///< of the eye as it is seen
  double sunk = 0.5;     ///< share of the diameter below the surface
  double lifeMm = 0;     ///< the animal's own
  std::string iris, rim; ///< of the palette
  PupilShape pupil = PupilShape::Round;
  double pupilRatio = 0.5, irisRatio = 1; ///< of the radius
  std::string source;
};

enum class NoseShape { Leather, Triangle, Disc, Pad, Button, None };
struct HeadNose {
  NoseShape shape = NoseShape::None;
  Vec3 at = Vec3(0, 0, 0), size = Vec3(0, 0, 0); ///< size: long, wide, high
  std::string colour;
};

enum class NostrilShape { Dot, Comma, Slit };
struct HeadNostril {
  NostrilShape shape = NostrilShape::Dot;
  Vec3 at = Vec3(0, 0, 0), radii = Vec3(0, 0, 0), axis = Vec3(1, 0, 0);
  bool twin = false;
  std::string colour;
};

/// A line of thread, laid on the surface; its left half where it has a twin.
struct MouthLine {
  std::string id;
  std::vector<Vec3> points;
  double width = 0;
  bool twin = false;
  std::string colour;
};

enum class FlatKind { Ear, Tuft, Crest, Frill, Fin };
enum class FlatStands { Felt, Wire, Hang };
struct FlatFold {
  double at = 0; ///< share of the height
  double angle = 0;
  double radius = 0;
  bool towardFace = true;
};
/// A mark on one face of a flat part, in the flat's own plane.
struct FlatMark {
  bool back = false;
  std::vector<Vec2> outline;
  std::string colour;
};
/// An ear, tuft, crest, frill or fin: felt made flat, rolled to a cup and set on.
struct HeadFlat {
  std::string id;
  FlatKind kind = FlatKind::Ear;
  bool twin = true;
  std::vector<Vec2> outline;  ///< u along the base, v up; from the base's front end to its rear end
  std::vector<Vec3> base;     ///< its front and its rear end on the head
  Vec3 axis = Vec3(0, 0, 1);  ///< the way it grows
  Vec3 faces = Vec3(1, 0, 0); ///< the way its hollow looks
  double cup = 0;             ///< the angle its width is rolled to; 0 flat
  std::optional<FlatFold> fold;
  double thickness = 0, sink = 0; ///< sink: how deep its base lies under the surface
  std::string lining;             ///< colour of the face side, empty for none
  double liningInset = 0;         ///< share of the outline the lining stays within
  std::string back, rim;
  std::string tip;    ///< colour of the tip, empty for none
  double tipFrom = 1; ///< share of the height it begins at
  FlatStands stands = FlatStands::Felt;
  std::vector<FlatMark> marks;
  std::string source;
};

enum class HardKind { Beak, Horn, Antler, Tusk, Claw, Trunk };
enum class HardMaterial { OvenClay, WoolGlue, WireCore, Wood, Wool };
/// A horn, antler, tusk or beak: ovals swept along a path.
struct HardPart {
  std::string id;
  HardKind kind = HardKind::Horn;
  HardMaterial material = HardMaterial::OvenClay;
  bool twin = false;
  std::string branchOf;             ///< the part it grows from, empty: the head
  std::vector<std::string> follows; ///< bones of the pattern it is drawn for; empty: those it lies nearest to
  std::vector<Vec3> path;           ///< two or more
  std::vector<double> across, deep; ///< diameters, one a point
  Vec3 up = Vec3(0, 0, 1);
  std::string colour, tip;
  double tipFrom = 1;
  double anchor = 0; ///< wire in the head
};

enum class HairKind {
  Mane,
  Forelock,
  Beard,
  Ruff,
  Whiskers,
  Lashes,
  FeatherRow,
  EarHair,
  Tuft,
  Fringe,
  Disc
};
/// Strokes of hair from a line of roots, from an area between two such lines, or as rays round a place (a
/// disc).
struct HeadHair {
  std::string id;
  HairKind kind = HairKind::Tuft;
  bool twin = false;
  std::vector<Vec3> line, direction; ///< one direction, or several, evenly along the line
  std::vector<Vec3> toLine;          ///< the other edge of an area, with as many places; empty: one row only
  int rows = 1;                      ///< of an area, both its edges counted
  std::optional<Vec3> at;            ///< a disc's middle
  Vec3 axis = Vec3(1, 0, 0);         ///< a disc's
  double inner = 0, flat = 1;        ///< a disc's: where rays begin, and how far it is pressed flat
  double length = 0, width = 0;
  int count = 0;
  double droop = 0, spread = 0;
  bool lies = false, onSurface = true;
  std::string colour;
};

/// A coloured place on the head, later ones over earlier ones: all within an outline in one view, or within
/// an oval.
struct HeadPatch {
  std::string id, colour;
  std::optional<View> view;
  std::vector<Vec2> outline;  ///< in head axes: side x and z, front y and z, above x and y
  std::optional<Vec3> facing; ///< only where the surface looks that way
  std::optional<Vec3> at;
  std::vector<double> radii;
  Vec3 axis = Vec3(1, 0, 0), up = Vec3(0, 0, 1);
  bool both = true;
  double fade = 0;           ///< how wide its edge runs out, head modules
  std::vector<Vec3> between; ///< two corners of a box it stays within, on the left; empty: no such limit
};

/// Where a head sits on its pattern, in the pattern's modules and neutral stance, all dials at 1.
struct HeadSeat {
  std::string bone;      ///< that carries it
  std::string back, tip; ///< the joints it runs between
  Vec3 origin = Vec3(0, 0, 0);
  Vec3 axis = Vec3(1, 0, 0); ///< forward along the skull, in the plane y = 0
  double length = 0;
};

/// What the head's length is, and how long it is in life.
struct HeadModule {
  std::string means;
  double lifeMm = 0;
  Vec2 range = Vec2(0, 0); ///< mm
  std::string source;
};

struct HeadFact {
  std::string claim, value, source;
};

/// The same head as another sex, breed or colour has it: what is other of it. Parts take the place of those
/// of the same id, or come after them.
struct HeadVariant {
  std::string id, name;
  std::vector<std::string> without;           ///< ids of parts it does not have
  std::map<std::string, std::string> palette; ///< colours other than the head's, by name
  std::vector<HeadFeature> features;
  std::vector<HeadEye> eyes;
  std::vector<HeadFlat> flats;
  std::vector<HardPart> hard;
  std::vector<HeadHair> hair;
  std::vector<HeadPatch> patches;
};

struct HeadPattern {
  std::string id, name;
  HeadModule module;
  HeadSeat seat;
  double carriage = 0;                        ///< pitch of the axis against the level, nose down negative
  std::map<std::string, std::string> palette; ///< "#RRGGBB" by name
  std::string base;                           ///< colour of the ground
  std::string coat;                           ///< the body's, where it is another
  HeadBodyShape body;
  std::vector<HeadFeature> features;
  std::vector<HeadEye> eyes;
  HeadNose nose;
  std::vector<HeadNostril> nostrils;
  std::vector<MouthLine> mouth;
  std::vector<HeadFlat> flats;
  std::vector<HardPart> hard;
  std::vector<HeadHair> hair;
  std::vector<HeadPatch> patches;
  HeadFeet feet;
  std::vector<std::string> replaces; ///< bones and flats of the pattern that the head stands for
  std::vector<HeadFact> facts;
  std::string usual; ///< what it is where there are variants: "stag"
  std::vector<HeadVariant> variants;
};

} // namespace columna
