// How a figure is held up: on its feet, on a base, in a hand, or by a thread.
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace columna {

/// Loose: the feet stand and can turn on their points. Flat: they lie flat and resist turning as far as the
/// weight on them does. Glued: they are glued down to what they stand on. Base: glued to a base of its own.
/// Held: the figure is held fast at one joint. Hung: it hangs from one joint, turned so that its weight is
/// under it.
enum class Feet { Loose, Flat, Glued, Base, Held, Hung };

[[nodiscard]] std::string_view id(Feet feet); ///< "loose", "flat", "glued", "base", "held", "hung"
[[nodiscard]] std::optional<Feet> feet(std::string_view id);

struct Support {
  Feet feet = Feet::Loose;
  std::string at;        ///< joint that is held or hung by, a point of the skeleton
  double baseLength = 0; ///< mm along the figure, 0: as long as the feet stand apart and 10 mm all round
  double baseWidth = 0;  ///< mm across
  double baseMass = 0;   ///< g

  [[nodiscard]] bool operator==(const Support&) const = default;
};

} // namespace columna
