// Which wires to use when no more than so many different ones are to be bought: every limb gets at least what
// it needs, with the least total excess. Found exactly, by a dynamic programme over the sizes.
#pragma once

#include <optional>
#include <string>
#include <vector>

namespace columna {

/// What one group of limbs asks for.
struct GaugeWish {
  std::string material;
  double need = 0;             ///< mm
  double weight = 1;           ///< limbs it stands for
  std::optional<double> fixed; ///< mm, the maker's own choice
};

/// A wire that could be used.
struct GaugeOffer {
  std::string material;
  double diameter = 0; ///< mm
  bool have = false;   ///< in the drawer: it need not be bought
};

struct GaugeChoice {
  std::vector<double> diameters; ///< one a wish; the thickest offered where none is thick enough
  std::vector<bool> fits;        ///< whether it is at least what is needed
  int bought = 0;                ///< different wires that are not in the drawer
  int least = 0;                 ///< as few as would do at all
  double excess = 0;             ///< in American gauge numbers, summed over the limbs
};

/// Excess of a wire over what is needed, in American gauge numbers: ln(d/need)/ln 1.12293, 0 where it is
/// thinner.
[[nodiscard]] double gaugeExcess(double need, double diameter);

/// The choice of least excess with at most `limit` wires bought; with a limit that cannot be kept, as few as
/// can be. A wish of a material without any offer keeps its need and does not fit.
[[nodiscard]] GaugeChoice chooseGauges(const std::vector<GaugeWish>& wishes,
                                       const std::vector<GaugeOffer>& offers, int limit);

} // namespace columna
