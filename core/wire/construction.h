// Constructions: which limbs share a wire, and how many strands run in each.
#pragma once

#include "wire/skeleton.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace columna {

/// Folded pair: two long wires folded in half, one for head, neck and front limbs, the other for back and
/// hind limbs; a pipe cleaner for the tail. Twisted limbs: every limb a doubled, twisted wire on a doubled
/// spine, lashed on with a short extra piece.
enum class Construction { FoldedPair, TwistedLimbs };

[[nodiscard]] std::string_view id(Construction construction);   ///< "folded-pair"
[[nodiscard]] std::string_view name(Construction construction); ///< "folded pair"
[[nodiscard]] std::optional<Construction> construction(std::string_view id);

/// Limbs that share one wire and so one gauge.
struct WireGroup {
  std::vector<int> limbs;
  std::vector<int> wires; ///< wires side by side in each of these limbs
  bool tailStem = false;  ///< a pipe cleaner unless the maker chooses another
  bool digits = false;    ///< fine wire, whatever the load
};

/// The limbs of a figure by shared wire. Every limb that has wire is in exactly one group.
[[nodiscard]] std::vector<WireGroup> wireGroups(const Figure& figure, const WireSkeleton& skeleton,
                                                Construction construction);

/// The twin limbs (legs, arms, wings) on the spine, foremost pair first, as indices of the left ones.
[[nodiscard]] std::vector<int> spinePairs(const Figure& figure, const WireSkeleton& skeleton);

/// Limbs other than twins that hang from the spine without being part of it, and twins of other carriers.
[[nodiscard]] bool onSpine(const WireSkeleton& skeleton, int limb);

} // namespace columna
