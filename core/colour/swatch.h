// A wool's colour out of a photo that has a known white in it.
#pragma once

#include "colour/colour_rules.h"
#include "colour/srgb.h"

#include <cstdint>
#include <span>
#include <vector>

namespace columna {

/// Plain printing paper, where the maker types nothing else.
inline constexpr Srgb kPaperWhite{243, 243, 242};

/// A photo's pixels, row by row, three bytes each: red, green, blue.
struct Pixels {
  std::span<const std::uint8_t> rgb;
  int width = 0, height = 0;
};

/// The mean of a circle. Errors: it is too small (under 200 pixels) or leaves the photo, it is burnt out or
/// black in part, or it has light and shade in it.
[[nodiscard]] Result<Srgb> readCircle(const Pixels& photo, double x, double y, double radius);

/// A patch as it was read, and what it is.
struct KnownPatch {
  Srgb read, known;
};
/// Corrects a colour by patches of the same photo: the first is the white, by one factor each of red, green
/// and blue in linear light; with five and more the best of all nine (least squares).
class Balance {
public:
  /// Errors: no patch, a white too dark to go by, or patches that say too little together.
  [[nodiscard]] static Result<Balance> by(std::span<const KnownPatch> patches);
  [[nodiscard]] Srgb corrected(const Srgb& read) const;
  [[nodiscard]] const Eigen::Matrix3d& matrix() const { return light_; }

private:
  Eigen::Matrix3d light_ = Eigen::Matrix3d::Identity();
};

/// How a colour was come by, which says how far it may be off.
enum class ColourFrom { Guess, Photo, Card, Meter };
[[nodiscard]] double doubtOf(ColourFrom from, const ColourRules& rules);
/// Of a blend of such wools with `risk` dE00: their doubts together.
[[nodiscard]] double doubtOf(double risk, ColourFrom from, const ColourRules& rules);

} // namespace columna
