// Colours made lighter, darker or mixed, and draws that are the same every time. What the felt's own painters
// share.
#pragma once

#include "head/head_pattern.h"

#include <QRgb>

#include <algorithm>
#include <cstdint>

namespace columna {

[[nodiscard]] inline QRgb opaque(Colour c) { return 0xff000000U | c; }

/// `shade` 1 leaves it as it is, more is lighter.
[[nodiscard]] inline QRgb lit(QRgb colour, double shade) {
  const auto one = [shade](int c) { return std::clamp(static_cast<int>(c * shade), 0, 255); };
  return qRgb(one(qRed(colour)), one(qGreen(colour)), one(qBlue(colour)));
}

/// `share` of b, the rest of a.
[[nodiscard]] inline QRgb mix(QRgb a, QRgb b, double share) {
  const auto one = [share](int x, int y) { return static_cast<int>(x + share * (y - x)); };
  return qRgb(one(qRed(a), qRed(b)), one(qGreen(a), qGreen(b)), one(qBlue(a), qBlue(b)));
}

/// A number drawn from three: always the same for the same three.
[[nodiscard]] inline std::uint32_t hashed(int x, int y, int z) {
  auto h = static_cast<std::uint32_t>(x) * 73856093U ^ static_cast<std::uint32_t>(y) * 19349663U ^
           static_cast<std::uint32_t>(z) * 83492791U;
  h ^= h >> 15U;
  h *= 0x2c1b3c6dU;
  h ^= h >> 12U;
  h *= 0x297a2d39U;
  return h ^ (h >> 15U);
}

/// 0 to 1, by the same.
[[nodiscard]] inline double evenly(int x, int y, int z) {
  return static_cast<double>(hashed(x, y, z)) / 4294967296.0;
}

} // namespace columna
