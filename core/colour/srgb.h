// Colours as a screen shows them, and as eyes tell them apart.
#pragma once

#include <Eigen/Core>

#include <optional>
#include <string>
#include <string_view>

namespace columna {

/// As a screen or a photo has it, 0 to 255 each; not rounded.
struct Srgb {
  double r = 0, g = 0, b = 0;
  [[nodiscard]] bool operator==(const Srgb&) const = default;
};

/// CIE 1976 L*a*b* under daylight (D65): how light, 0 to 100; green to red; blue to yellow.
struct Lab {
  double l = 0, a = 0, b = 0;
  [[nodiscard]] double chroma() const;
  [[nodiscard]] double hue() const; ///< degrees, 0 to 360
};

/// Light in red, green and blue, 0 to 1 (IEC 61966-2-1). What is outside 0 to 255 is held to it.
[[nodiscard]] Eigen::Vector3d lightOf(const Srgb& colour);
[[nodiscard]] Srgb srgbOf(const Eigen::Vector3d& light);

[[nodiscard]] Lab labOf(const Srgb& colour);
/// XYZ with the white of a screen's (255, 255, 255) at Y = 1.
[[nodiscard]] Lab labOf(const Eigen::Vector3d& xyz);
/// How bright, 0 to 1: Y of XYZ.
[[nodiscard]] double brightness(const Srgb& colour);

/// XYZ of light in red, green and blue, and the white it has.
[[nodiscard]] const Eigen::Matrix3d& xyzOfLight();
[[nodiscard]] const Eigen::Vector3d& whiteXyz();

/// Three numbers whose length is CIEDE2000 (kL = kC = kH = 1): so much lighter, more colourful, and of
/// another hue `of` is than `from`. Which of the two is first matters to the signs alone. CIE 142-2001;
/// Sharma, Wu and Dalal, Color Research and Application 30, 2005.
[[nodiscard]] Eigen::Vector3d difference(const Lab& of, const Lab& from);
/// Its length, dE00.
[[nodiscard]] double differenceOf(const Lab& a, const Lab& b);

/// "#5C4432"; nothing of other text.
[[nodiscard]] std::optional<Srgb> srgbOf(std::string_view hex);
/// Rounded to whole numbers.
[[nodiscard]] std::string hexOf(const Srgb& colour);

} // namespace columna
