#include "face/eye.h"

#include "anatomy/plane.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

namespace columna {

EyeChoice eyeFor(double wanted, const FaceRules& rules) {
  EyeChoice out{wanted, wanted, 0};
  double least = std::numeric_limits<double>::max();
  for (const double size : rules.eyeSizes)
    if (const double off = std::abs(std::log(size / wanted)); off < least) {
      least = off;
      out.take = size;
    }
  out.off = out.take / wanted - 1;
  return out;
}

Socket socketOf(double diameter, double sunk) {
  const double h = std::clamp(sunk, 0.0, 1.0) * diameter;
  return {h, std::numbers::pi * h * h * (1.5 * diameter - h) / 3, 2 * std::sqrt(h * (diameter - h))};
}

StemPlan stemsFor(double aside, double azimuth, double diameter, double headWidth, const FaceRules& rules,
                  double most) {
  StemPlan out;
  out.length = std::max({std::min({rules.stemLong * diameter, rules.stemWide * headWidth, rules.stemMost}),
                         rules.stemLeast, rules.stemLeastLong * diameter});
  out.length = std::min(out.length, most);
  const double room = aside - (rules.stem + rules.holesApart) / 2;
  const double inwards = std::sin(azimuth);
  if (inwards * out.length > room) {
    out.shorter = inwards > 0 ? std::max(room / inwards, 0.0) : 0;
    out.azimuth = std::asin(std::clamp(room / std::max(out.length, 1e-9), -1.0, 1.0));
  } else {
    out.azimuth = azimuth;
  }
  const Eigen::Vector3d middle(0, aside, 0);
  const Eigen::Vector3d end =
      middle - out.length * Eigen::Vector3d(std::cos(out.azimuth), std::sin(out.azimuth), 0);
  const Eigen::Vector3d flip(1, -1, 1);
  out.clear =
      nearest({middle, end}, {middle.cwiseProduct(flip), end.cwiseProduct(flip)}).distance - rules.stem;
  return out;
}

} // namespace columna
