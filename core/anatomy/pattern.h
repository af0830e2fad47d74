// A pattern: an animal's proportions in its neutral stance, in modules (a named length of the animal is 1.0).
//
// Axes: x towards the nose, y to the animal's left, z up, ground at z = 0. Of everything mirrored only the
// left side is in a pattern. The file format is described in docs/pattern.md and
// docs/schema/pattern.schema.json.
#pragma once

#include "measure/result.h"

#include <Eigen/Core>

#include <map>
#include <optional>
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

/// The stretch between two joints.
struct PatternBone {
  std::string id;
  std::string from, to;          ///< joint names
  std::string parent;            ///< the bone that carries this one; empty for the first
  bool twin = false;             ///< there is a mirrored copy on the right
  bool wire = true;              ///< wire can run in it (a breast pad or a shoulder blade has none)
  bool flatEnds = false;         ///< free ends cut flat instead of rounded
  Vec3 up{0, 0, 1};              ///< `deep` is the direction square to the bone nearest to this
  std::vector<Station> stations; ///< two or more, rising `at`
};

/// A chain of bones (or, for digits, several chains from one joint) that a maker names.
struct PatternLimb {
  std::string id;   ///< "foreleg"; a twin's figure limbs are "left-foreleg" and "right-foreleg"
  std::string name; ///< "foreleg"
  LimbKind kind = LimbKind::Part;
  bool twin = false;
  Firmness firmness = Firmness::Medium;
  std::vector<std::string> bones; ///< from the root outwards
};

/// A flat part (ear, plume, fin): an outline in space, carried by a bone.
struct PatternFlat {
  std::string id;
  std::string bone;
  bool twin = false;
  std::vector<Vec3> outline;
};

/// A length of the animal that a maker sizes by.
struct PatternMeasure {
  double modules = 0;
  std::string means; ///< "ground to the top of the shoulders"
};

struct Pattern {
  std::string id;
  std::string name;   ///< "River otter"
  std::string family; ///< "four-footed", "bird", ...
  std::string about;  ///< one line for the gallery
  std::string moduleName, moduleMeans;
  std::string lifeMeasure; ///< which length the life size is of
  double lifeMm = 0;       ///< the animal's own size
  double lifeModules = 0;  ///< that length in modules
  PatternMeasure shoulderHeight, bodyLength;
  std::map<std::string, Vec3> joints;
  std::vector<PatternLimb> limbs; ///< in body order, head first
  std::vector<PatternBone> bones;
  std::vector<PatternFlat> flats;
  Vec3 eye{0, 0, 0}; ///< the left eye
  double eyeDiameter = 0;
  double coatThickness = 0; ///< modules
  std::string coatKind;

  /// The bone of that name, or nothing.
  [[nodiscard]] const PatternBone* bone(std::string_view id) const;
  /// The limb a bone belongs to, or nothing.
  [[nodiscard]] const PatternLimb* limbOf(std::string_view boneId) const;
};

/// Reads a pattern from the text of its file. `file` is named in errors. Errors name the file, the field and
/// the remedy: not JSON, a missing or mistyped field, a newer schema, a joint or bone that is not there, a
/// bone of no length, two stations at one place, a girth not above zero, bones that carry each other in a
/// ring, a bone in no limb or in two, limb bones that are not a chain.
[[nodiscard]] Result<Pattern> readPattern(std::string_view json, const std::string& file);

/// "leg" and so on, as in the file; nothing for an unknown word.
[[nodiscard]] std::optional<LimbKind> limbKind(std::string_view word);
[[nodiscard]] std::optional<Firmness> firmness(std::string_view word);
[[nodiscard]] std::string_view word(Firmness firmness);

} // namespace columna
