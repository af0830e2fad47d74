// Shape: what the maker changed of an animal's proportions. A shape and a pattern make a new pattern, from
// which everything else follows as from any other.
#pragma once

#include "anatomy/pattern.h"

namespace columna {

/// The character dials: 1 (or 0 for `eyesLower`) is true to life.
struct Character {
  double head = 1;      ///< the head's size, 0.5 to 3
  double muzzle = 1;    ///< length of the muzzle, 0.3 to 2
  double legs = 1;      ///< length of the legs, 0.3 to 2; feet stay on the ground
  double eyes = 1;      ///< the eyes' diameter beyond the head's, 0.5 to 4
  double eyesLower = 0; ///< how far the eyes sit lower, in shares of the head's depth, -0.2 to 0.4
  double girth = 1;     ///< stout above 1, lean below, 0.5 to 2: the trunk whole, other parts less

  [[nodiscard]] bool operator==(const Character&) const = default;
};

/// The dial "old, true to life, young, toy": -1, 0, 1, 2 and anything between. Only the girth is left at 1.
/// Values follow bench practice [E]: a young head is a quarter larger and a toy's more than half, eyes sit
/// lower and larger; an old one's are smaller and higher, and its muzzle is longer.
[[nodiscard]] Character characterAt(double age);

/// A change of the section at the beginning, middle or end of a bone.
struct GirthChange {
  double across = 1, deep = 1; ///< factors, 0.1 to 10
  double lift = 0;             ///< added, in modules

  [[nodiscard]] bool operator==(const GirthChange&) const = default;
  [[nodiscard]] bool none() const { return *this == GirthChange(); }
};

/// Keys are the pattern's names, for both sides; with "left-" or "right-" before them, for one side alone.
struct Shape {
  Character character;
  std::map<std::string, double> lengths;     ///< bone: factor on its length, 0.05 to 20
  std::map<std::string, Vec3> moved;         ///< joint: how far it is moved, modules, left-hand for both
  std::map<std::string, GirthChange> girths; ///< "forearm@0", "forearm@0.5", "forearm@1"

  /// Whether it changes nothing.
  [[nodiscard]] bool none() const;
  [[nodiscard]] bool operator==(const Shape&) const = default;
};

/// The pattern in that shape: character first, then lengths (bones keep their direction, and what they carry
/// goes along), then the whole stands on its feet again, then girths and moved joints. Its measures follow. A
/// shape that changes nothing gives the pattern itself, to the last bit.
[[nodiscard]] Pattern shaped(const Pattern& pattern, const Shape& shape);

/// Refuses a shape no figure can have, in one sentence: a bone shorter than 0.005 modules, a factor or an
/// offset that is not finite or beyond its range.
[[nodiscard]] std::optional<Problem> shapeProblem(const Pattern& pattern, const Shape& shape);

/// The key of one side's (+1 left, -1 right) or of both sides' (0) change.
[[nodiscard]] std::string sidedKey(const std::string& name, int side);

/// "forearm@0.5". `place` is 0, 1 or 2: beginning, middle, end.
[[nodiscard]] std::string girthKey(const std::string& bone, int place);

} // namespace columna
