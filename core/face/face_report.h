// What a head of a size asks of the maker: pads and their grams, where each pin goes, which eyes, whether the
// ears stand.
#pragma once

#include "face/eye_room.h"
#include "face/flat_felt.h"
#include "head/head_field.h"

#include <optional>
#include <string>
#include <vector>

namespace columna {

/// A named place on the left half or the mid line, measured from the nose tip.
struct FacePin {
  std::string id;
  Vec3 at;                    ///< mm, the head's own axes
  std::optional<double> tape; ///< mm from the nose tip; none where no tape goes straight
  double straight = 0;        ///< mm from the nose tip by callipers
  double aside = 0;           ///< mm from the mid plane; its twin is twice that away
};

/// A feature as wool to weigh or a hollow to press; a pair together.
struct FacePad {
  const HeadFeature* feature = nullptr;
  double volume = 0;            ///< mm3, below zero where it is pressed
  double grams = 0;             ///< g to lay on; 0 where it is pressed
  double length = 0, width = 0; ///< mm of one of them
  bool tooSmall = false;        ///< lighter or thinner than a pad can be felted
};

struct FaceEye {
  const HeadEye* eye = nullptr;
  EyeChoice choice;
  Socket socket;
  StemPlan stem;
  double apart = 0;        ///< mm between the middles of a pair
  double between = 0;      ///< mm left between the two for the bridge of the nose
  double grams = 0;        ///< one
  bool cutForWire = false; ///< the stem is shorter than usual, or none, as wire is in its way
  double under = 0;        ///< mm of wool under the socket
  double hidden = 0;       ///< share of it behind an ear
};

struct FaceFlat {
  const HeadFlat* flat = nullptr;
  double length = 0, width = 0, thickness = 0; ///< mm: base to tip, widest, as felt
  double grams = 0;                            ///< one
  FlatStrip strip;                             ///< what it stands as
  FlatStanding standing;
};

struct FaceReport {
  double length = 0; ///< mm of the head
  HeadVolumes volumes;
  double bodyGrams = 0;      ///< g of the head without pads, of wool alone
  std::vector<FacePin> pins; ///< the nose tip first
  std::vector<FacePad> pads; ///< in the order of work
  std::vector<FaceEye> eyes;
  std::vector<FaceFlat> flats;
};

/// `head` with its dials worked in (dialled()), `length` mm long, of felt of `density` g/mm3. It refers to
/// parts of `head`, which has to outlive it. Volumes by cells of 1/72 of the head. `eye`: mm of the eyes that
/// are taken; the nearest that is sold without. `wires`: what stems have to stay clear of.
[[nodiscard]] FaceReport faceReport(const HeadPattern& head, double length, double density,
                                    const FaceRules& rules, std::optional<double> eye = {},
                                    const std::vector<HeadWire>& wires = {});

/// The flat parts alone, which takes no time; `head` has to outlive them.
[[nodiscard]] std::vector<FaceFlat> faceFlats(const HeadPattern& head, double length, double density,
                                              const FaceRules& rules);

/// The middle of an eye's ball `diameter` mm across, on the left: sunk where its axis meets the surface. mm.
[[nodiscard]] Vec3 eyeMiddle(const HeadField& field, const HeadEye& eye, double diameter);

/// A named place in words: "ear front".
[[nodiscard]] std::string pinName(const std::string& id);

/// What eyes of a kind are called: "beads, sewn on".
[[nodiscard]] std::string_view eyesName(EyeKind kind);

} // namespace columna
