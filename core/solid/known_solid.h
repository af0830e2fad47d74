// A figure's solid as it is kept between changes: exact for the figure it was made of, and until the next one
// is made a good guess at a figure that was changed a little.
#pragma once

#include "solid/slice.h"
#include "solid/solid.h"
#include "solid/tube_share.h"

#include <cstdint>
#include <optional>

namespace columna {

struct KnownSolid {
  std::uint64_t key = 0; ///< of the figure and coat it was made of
  bool exact = true;     ///< false: guessed from another figure's
  double scale = 1;      ///< mm a module
  double coat = 0;       ///< mm
  BodySolid solid;
  std::vector<double> area; ///< mm2 of surface of each bone
  std::vector<TubeShare> tubes;
  std::vector<std::array<TapeShare, 2>> tapes; ///< of each bone
};

/// The same number for figures whose wool is the same in every place.
[[nodiscard]] std::uint64_t solidKey(const Figure& figure, double coat, double skin);

/// Solid and surface of a figure.
[[nodiscard]] KnownSolid makeSolid(const Figure& figure, const SolidWish& wish);

/// A guess at a figure's solid from that of another with the same bones: each bone's volumes change as its
/// own tube's do. Exact for a figure that only changed its size. Nothing when the bones differ.
[[nodiscard]] std::optional<KnownSolid> guessSolid(const Figure& figure, double coat,
                                                   const KnownSolid& before);

} // namespace columna
