// What the maker changed of their animal's face, and what they measured of their own.
#pragma once

#include "head/head_pattern.h"

#include <map>
#include <optional>

namespace columna {

/// A pad or hollow other than the animal's own.
struct FeatureChange {
  double factor = 1;          ///< of its radii
  Vec3 shift = Vec3(0, 0, 0); ///< head modules; of a pair the left one's
  bool out = false;           ///< left out
  [[nodiscard]] bool operator==(const FeatureChange&) const = default;
  [[nodiscard]] bool none() const { return *this == FeatureChange(); }
};

/// An eye or a flat part elsewhere than the animal's own.
struct PartMove {
  Vec3 shift = Vec3(0, 0, 0); ///< head modules; of a pair the left one's
  [[nodiscard]] bool operator==(const PartMove&) const = default;
};

/// A pad or a hollow of the maker's own, beside the animal's.
struct OwnPad {
  HeadFeature pad;
  std::string before; ///< the feature it comes before in the order of work; empty: after all
  [[nodiscard]] bool operator==(const OwnPad&) const = default;
};

/// A place on the maker's own head, by the tape.
struct MeasuredPin {
  std::string pin;    ///< "eye"
  bool right = false; ///< else the left one, or one on the mid line
  double tape = 0;    ///< mm from the nose tip
  double aside = 0;   ///< mm from the mid plane, by callipers: half of what is between a pair
  [[nodiscard]] bool operator==(const MeasuredPin&) const = default;
};

/// What is set first.
enum class FaceSchool { NoseFirst, EyesFirst };

struct FaceWish {
  bool generic = false;                          ///< a round head where the animal has none of its own
  std::string variant;                           ///< the head's variant, by id; empty: as usual
  std::optional<double> eye;                     ///< mm: the eyes that are taken
  std::optional<EyeKind> eyeKind;                ///< what they are; as the animal's head has it when not set
  std::map<std::string, FeatureChange> features; ///< by the feature's id
  std::map<std::string, double> thick;           ///< mm, by the flat part's id
  std::map<std::string, PartMove> moved;         ///< eyes and flat parts, by their id
  std::vector<OwnPad> own;                       ///< with ids that the animal's pads do not have
  std::map<std::string, double> body; ///< pads of the body that are laid on, by id: how many times as large
  std::vector<MeasuredPin> measured;
  FaceSchool school = FaceSchool::NoseFirst;
  bool hairFirst = false;        ///< hair before ears and horns
  std::string eyeGlue, partGlue; ///< what eyes, and horns and bills, are set with, by id; empty: the usual
  [[nodiscard]] bool operator==(const FaceWish&) const = default;
  [[nodiscard]] bool none() const { return *this == FaceWish(); }
  /// What the figure follows from: not what was measured, nor the order of work.
  [[nodiscard]] FaceWish made() const {
    FaceWish out;
    out.generic = generic;
    out.variant = variant;
    out.eye = eye;
    out.eyeKind = eyeKind;
    out.features = features;
    out.thick = thick;
    out.moved = moved;
    out.own = own;
    out.body = body;
    return out;
  }
};

/// The head with the maker's pads, and eyes and ears where they set them: an eye takes its socket, its lids
/// and its lashes along. What the head does not have changes nothing; pads keep their places in the order of
/// work.
[[nodiscard]] HeadPattern asWished(HeadPattern head, const FaceWish& wish);

} // namespace columna
