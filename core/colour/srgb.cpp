#include "colour/srgb.h"

#include "words/print.h"

#include <Eigen/LU>
#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kMost = 255;

// IEC 61966-2-1: a screen's curve.
double decoded(double code) {
  const double c = std::clamp(code, 0.0, kMost) / kMost;
  return c <= 0.04045 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4);
}

double encoded(double light) {
  const double l = std::clamp(light, 0.0, 1.0);
  return kMost * (l <= 0.0031308 ? 12.92 * l : 1.055 * std::pow(l, 1 / 2.4) - 0.055);
}

double hueOf(double a, double b) {
  if (a == 0 && b == 0) return 0;
  const double degrees = std::atan2(b, a) / kDegree;
  return degrees < 0 ? degrees + 360 : degrees;
}

double seventh(double x) { return std::pow(x, 7); }

/// How much of its chroma a bluish colour keeps, as CIEDE2000 has it.
double held(double chroma) {
  const double c = seventh(chroma);
  return std::sqrt(c / (c + seventh(25)));
}

} // namespace

double Lab::chroma() const { return std::hypot(a, b); }
double Lab::hue() const { return hueOf(a, b); }

const Eigen::Matrix3d& xyzOfLight() {
  // IEC 61966-2-1, for D65.
  static const Eigen::Matrix3d matrix = (Eigen::Matrix3d() << 0.4124564, 0.3575761, 0.1804375, 0.2126729,
                                         0.7151522, 0.0721750, 0.0193339, 0.1191920, 0.9503041)
                                            .finished();
  return matrix;
}

const Eigen::Vector3d& whiteXyz() {
  static const Eigen::Vector3d white = xyzOfLight().rowwise().sum();
  return white;
}

Eigen::Vector3d lightOf(const Srgb& colour) {
  return {decoded(colour.r), decoded(colour.g), decoded(colour.b)};
}

Srgb srgbOf(const Eigen::Vector3d& light) {
  return {encoded(light.x()), encoded(light.y()), encoded(light.z())};
}

Lab labOf(const Eigen::Vector3d& xyz) {
  constexpr double d = 6.0 / 29;
  Eigen::Vector3d f;
  for (int i = 0; i < 3; ++i) {
    const double t = xyz[i] / whiteXyz()[i];
    f[i] = t > d * d * d ? std::cbrt(t) : t / (3 * d * d) + 4.0 / 29;
  }
  return {116 * f.y() - 16, 500 * (f.x() - f.y()), 200 * (f.y() - f.z())};
}

Lab labOf(const Srgb& colour) { return labOf(Eigen::Vector3d(xyzOfLight() * lightOf(colour))); }

double brightness(const Srgb& colour) { return xyzOfLight().row(1).dot(lightOf(colour)); }

Eigen::Vector3d difference(const Lab& of, const Lab& from) {
  const double keeps = 0.5 * (1 - held((of.chroma() + from.chroma()) / 2));
  const double a1 = (1 + keeps) * from.a;
  const double a2 = (1 + keeps) * of.a;
  const double c1 = std::hypot(a1, from.b);
  const double c2 = std::hypot(a2, of.b);
  const bool grey = c1 * c2 == 0;
  const double h1 = hueOf(a1, from.b);
  const double h2 = hueOf(a2, of.b);
  double turn = grey ? 0 : h2 - h1;
  if (turn > 180) turn -= 360;
  if (turn < -180) turn += 360;
  const double lightness = of.l - from.l;
  const double chroma = c2 - c1;
  const double hue = 2 * std::sqrt(c1 * c2) * std::sin(turn / 2 * kDegree);
  const double l = (of.l + from.l) / 2;
  const double c = (c1 + c2) / 2;
  const double sum = h1 + h2;
  const double h = grey                       ? sum
                   : std::abs(h1 - h2) <= 180 ? sum / 2
                   : sum < 360                ? (sum + 360) / 2
                                              : (sum - 360) / 2;
  const double t = 1 - 0.17 * std::cos((h - 30) * kDegree) + 0.24 * std::cos(2 * h * kDegree) +
                   0.32 * std::cos((3 * h + 6) * kDegree) - 0.20 * std::cos((4 * h - 63) * kDegree);
  const double off = (l - 50) * (l - 50);
  const double sl = 1 + 0.015 * off / std::sqrt(20 + off);
  const double sc = 1 + 0.045 * c;
  const double sh = 1 + 0.015 * c * t;
  const double blue = (h - 275) / 25;
  const double turned = -std::sin(60 * std::exp(-blue * blue) * kDegree) * 2 * held(c);
  // dE2 = l2 + c2 + h2 + turned c h, as a sum of three squares.
  const double dh = hue / sh;
  return {lightness / sl, chroma / sc + turned / 2 * dh, std::sqrt(1 - turned * turned / 4) * dh};
}

double differenceOf(const Lab& a, const Lab& b) { return difference(a, b).norm(); }

std::optional<Srgb> srgbOf(std::string_view hex) {
  if (hex.size() != 7 || hex.front() != '#') return std::nullopt;
  std::array<double, 3> out{};
  for (size_t i = 0; i < 6; ++i) {
    const char c = hex[i + 1];
    const int digit = c >= '0' && c <= '9'   ? c - '0'
                      : c >= 'a' && c <= 'f' ? c - 'a' + 10
                      : c >= 'A' && c <= 'F' ? c - 'A' + 10
                                             : -1;
    if (digit < 0) return std::nullopt;
    out[i / 2] = 16 * out[i / 2] + digit;
  }
  return Srgb{out[0], out[1], out[2]};
}

std::string hexOf(const Srgb& colour) {
  const auto whole = [](double code) { return std::lround(std::clamp(code, 0.0, kMost)); };
  return fmt::format("#{:02X}{:02X}{:02X}", whole(colour.r), whole(colour.g), whole(colour.b));
}

} // namespace columna
