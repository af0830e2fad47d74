// What the cells of one bone add up to, before it is divided into shares and middles.
#pragma once

#include "solid/solid.h"

#include <array>

namespace columna {

/// BoneSums of one bone, still to be divided.
struct BoneSums {
  double core = 0, coat = 0, wound = 0, skin = 0, at = 0;
  Vec3 moment{0, 0, 0};
  struct Pad {
    double volume = 0, along = 0, along2 = 0, across = 0, across2 = 0;
    Vec3 moment{0, 0, 0};
    void add(const Pad& o) {
      volume += o.volume;
      along += o.along;
      along2 += o.along2;
      across += o.across;
      across2 += o.across2;
      moment += o.moment;
    }
  };
  std::array<Pad, kPadSides> pads;

  void add(const BoneSums& o) {
    core += o.core;
    coat += o.coat;
    wound += o.wound;
    skin += o.skin;
    at += o.at;
    moment += o.moment;
    for (size_t k = 0; k < kPadSides; ++k) pads[k].add(o.pads[k]);
  }
};

/// The mirror image of a side's sums.
[[nodiscard]] BoneSums mirrored(BoneSums s);

/// The bone's share: volumes, middles and spreads.
[[nodiscard]] BoneShare divided(const BoneSums& s, const FigureBone& bone);

} // namespace columna
