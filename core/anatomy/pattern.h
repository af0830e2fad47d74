// A pattern: an animal's proportions in its neutral stance, in modules (a named length of the animal is 1.0).
//
// Axes: x towards the nose, y to the animal's left, z up, ground at z = 0. Of everything mirrored only the
// left side is in a pattern. The file format is described in docs/pattern.md and
// docs/schema/pattern.schema.json.
#pragma once

#include "anatomy/laid_pad.h"
#include "anatomy/worn_head.h"
#include "measure/result.h"

#include <Eigen/Core>

#include <map>
#include <optional>
#include <set>
#include <string>
#include <string_view>
#include <vector>

namespace columna {

using Vec3 = Eigen::Vector3d;
using Vec2 = Eigen::Vector2d;

/// What a limb is to the sums: what it hangs from and what it has to bear.
enum class LimbKind { Head, Neck, Trunk, Tail, Leg, Arm, Wing, Digits, Part };

/// How firmly a part is felted, coarsest first.
enum class Firmness { Soft, Medium, Firm };

/// A girth at a place on a bone, in modules.
struct Station {
  double at = 0;     ///< 0 at the bone's beginning, 1 at its end
  double across = 0; ///< diameter left to right, > 0
  double deep = 0;   ///< diameter the other way, > 0
  double lift = 0;   ///< how far the section's centre lies along `deep` from the bone
};

/// How far a joint turns from the neutral stance, radians.
struct TurnRange {
  double low = 0, high = 0;
};

/// A turn of one bone about its own axes, radians.
struct Turn {
  double flex = 0, side = 0, twist = 0;

  [[nodiscard]] bool operator==(const Turn&) const = default;
};

/// A named stance: turns by bone; a bone's name with a trailing apostrophe turns its right copy alone.
struct PatternPose {
  std::string name;
  std::map<std::string, Turn> turns;
  /// The figure as a whole: flex leans it forward (nose down), side turns it about the upright (to its left),
  /// twist leans it to its right side.
  Turn whole = {};

  [[nodiscard]] bool operator==(const PatternPose&) const = default;
};

/// The stretch between two joints.
struct PatternBone {
  std::string id;
  std::string name;      ///< in the maker's words: "2nd bone of the tail"
  std::string from, to;  ///< joint names
  std::string parent;    ///< the bone that carries this one; empty for the first
  bool twin = false;     ///< there is a mirrored copy on the right
  bool wire = true;      ///< wire can run in it (a breast pad or a shoulder blade has none)
  bool flatEnds = false; ///< free ends cut flat instead of rounded
  bool muzzle = false;   ///< the part of the head before the brow: muzzle, snout, bill
  double hard = 0;       ///< g/mm3 where a head says that it is a horn or a bill; 0: wool
  Vec3 up{0, 0, 1};      ///< `deep` is the direction square to the bone nearest to this
  Vec3 flexAxis{0, -1, 0}, sideAxis{0, 0, 1}; ///< what the joint at `from` turns about, in the neutral stance
  TurnRange flex, side, twist;                ///< how far it turns
  std::vector<Station> stations;              ///< two or more, rising `at`
};

/// A chain of bones (or, for digits, several chains from one joint) that a maker names.
struct PatternLimb {
  std::string id;     ///< "foreleg"; a twin's figure limbs are "left-foreleg" and "right-foreleg"
  std::string name;   ///< "foreleg"
  std::string plural; ///< "forelegs"
  LimbKind kind = LimbKind::Part;
  bool twin = false;
  Firmness firmness = Firmness::Medium;
  int digits = 0;                 ///< toes or fingers of a foot that has no bones for them; 0 unknown
  std::vector<std::string> bones; ///< from the root outwards
};

/// A flat part (ear, plume, fin): an outline in space, carried by a bone.
struct PatternFlat {
  std::string id;
  std::string bone;
  bool twin = false;
  double thickness = 0.02; ///< modules
  std::vector<Vec3> outline;
  std::vector<std::string> follow; ///< the bone each outline point moves with; empty: all with `bone`
};

/// A length of the animal that a maker sizes by.
struct PatternMeasure {
  double modules = 0;
  std::string means; ///< "ground to the top of the shoulders"
};

/// What the proportions rest on.
struct PatternFact {
  std::string claim, value, source;
};

/// The right-hand side of a pattern whose sides differ (posed, or shaped side by side), in the right side's
/// own place. A name that is missing is the left one's mirror image.
struct RightSide {
  std::map<std::string, Vec3> joints;                    ///< by the pattern's joint name
  std::map<std::string, Vec3> up;                        ///< by bone
  std::map<std::string, std::vector<Station>> stations;  ///< by bone
  std::map<std::string, std::vector<Vec3>> flatOutlines; ///< by flat part
  std::optional<Vec3> eye;
};

struct Pattern {
  std::string id;
  std::string name;   ///< "River otter"
  std::string family; ///< "four-footed", "bird", ...
  std::string about;  ///< one line for the gallery
  std::string moduleName, moduleMeans;
  std::string lifeMeasure;          ///< which length the life size is of
  double lifeMm = 0;                ///< the animal's own size
  double lifeLow = 0, lifeHigh = 0; ///< mm: how much animals differ
  double lifeModules = 0;           ///< that length in modules
  std::vector<std::string> suits;   ///< ids of the constructions that suit it, best first
  std::string bestView = "side";    ///< "side", "front" or "above": where its outline is best known by
  PatternMeasure shoulderHeight, bodyLength;
  std::map<std::string, Vec3> joints;
  std::map<std::string, std::string> names; ///< of joints, in the maker's words: "elbow", "tip of the tail"
  std::set<std::string> midline;            ///< joints that are one place for both sides
  std::vector<PatternLimb> limbs;           ///< in body order, head first
  std::vector<PatternBone> bones;
  std::vector<PatternFlat> flats;
  std::vector<PatternPose> poses;
  std::vector<PatternFact> facts;
  std::optional<RightSide> right;
  std::string eyeBone;
  Vec3 eye{0, 0, 0}; ///< the left eye
  double eyeDiameter = 0;
  double coatThickness = 0; ///< modules
  std::string coatKind;
  std::vector<PatternPad> pads;    ///< that the maker lays on the body
  std::optional<PatternHead> head; ///< none: the tubes of its bones are its head

  /// The bone of that name, or nothing.
  [[nodiscard]] const PatternBone* bone(std::string_view id) const;
  /// Whether a joint lies on the midline, one place for both sides.
  [[nodiscard]] bool onMidline(const std::string& joint) const;
  /// The limb a bone belongs to, or nothing.
  [[nodiscard]] const PatternLimb* limbOf(std::string_view boneId) const;
};

/// Reads a pattern from the text of its file. `file` is named in errors. Errors name the file, the field and
/// the remedy: not JSON, a missing or mistyped field, a newer schema, a joint or bone that is not there, a
/// bone of no length, two stations at one place, a girth not above zero, bones that carry each other in a
/// ring, a bone in no limb or in two, limb bones that are not a chain.
[[nodiscard]] Result<Pattern> readPattern(std::string_view json, const std::string& file);

/// The joints that are one place for both sides: those of bones without a twin, and those that lie at y = 0.
[[nodiscard]] std::set<std::string> midlineOf(const Pattern& pattern);

/// "leg" and so on, as in the file; nothing for an unknown word.
[[nodiscard]] std::optional<LimbKind> limbKind(std::string_view word);
[[nodiscard]] std::optional<Firmness> firmness(std::string_view word);
[[nodiscard]] std::string_view word(Firmness firmness);

} // namespace columna
