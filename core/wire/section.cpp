#include "wire/section.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {

using std::numbers::pi;

double plasticMoment(double sigma, double d) { return sigma * d * d * d / 6; }

double yieldMoment(double sigma, double d) { return sigma * pi * d * d * d / 32; }

double momentShare(double ratio) {
  constexpr double yieldShare = 3 * pi / 16;
  if (ratio <= 1) return yieldShare * ratio;
  const double xi = 1 / ratio;
  const double root = std::sqrt(1 - xi * xi);
  return 0.75 * (4.0 / 3 * root * root * root + (std::asin(xi) / xi - root * (1 - 2 * xi * xi)) / 2);
}

double helixAngle(int strands, double d, double pitch) {
  if (strands < 2) return 0;
  double radius = d / 2;
  if (strands == 3) radius = d / std::sqrt(3.0);
  if (strands >= 4) radius = d / std::sqrt(2.0);
  return std::atan(2 * pi * radius / pitch);
}

double twistLengthFactor(double angle) { return 1 / std::cos(angle); }

double twistStiffness(double angle, double poisson) {
  const double s = std::sin(angle);
  return std::cos(angle) / (1 + poisson * s * s / 2);
}

double twistStrength(double angle) {
  const double c = std::cos(angle);
  const double s = std::sin(angle);
  return 1 / std::sqrt(c * c + s * s / 0.8225);
}

double bundleDiameter(int strands, double d) {
  switch (strands) {
  case 0:
    return 0;
  case 1:
    return d;
  case 2:
    return 2 * d;
  case 3:
    return 2.155 * d;
  case 4:
    return 2.414 * d;
  case 7:
    return 3 * d;
  default:
    return d * std::sqrt(strands / 0.78);
  }
}

double WireSection::wireDiameter() const {
  return bundleDiameter(material.strandsPerWire, diameter) + 2 * material.coverRadial;
}

double WireSection::bundle() const { return bundleDiameter(wires, wireDiameter()); }

double WireSection::angle() const {
  return helixAngle(wires == 4 ? 2 : wires, wireDiameter(), lay * wireDiameter());
}

double WireSection::strengthShare() const {
  const double once = twistStrength(angle());
  return (wires == 4 ? once * once : once) * material.sharing;
}

double WireSection::stiffnessShare() const {
  const double once = twistStiffness(angle(), material.poisson);
  const double works =
      material.strandsPerWire > 1
          ? twistStiffness(helixAngle(material.strandsPerWire, diameter, material.layDiameters * diameter),
                           material.poisson)
          : 1;
  return (wires == 4 ? once * once : once) * works;
}

double WireSection::capacity(double sigma) const {
  return strands() * strengthShare() * plasticMoment(sigma, diameter);
}

double WireSection::linearMass() const {
  const double strand = pi / 4 * diameter * diameter * material.density;
  if (material.strandsPerWire == 1) return strand;
  const double takeUp =
      twistLengthFactor(helixAngle(material.strandsPerWire, diameter, material.layDiameters * diameter));
  // The pile's share is what the sold stem weighs beyond a core of the usual 0.45 mm strands.
  const double usual = material.strandsPerWire * pi / 4 * 0.45 * 0.45 * material.density * takeUp;
  const double pile = std::max(0.0, material.pieceMass / material.pieceLength - usual);
  return material.strandsPerWire * strand * takeUp + pile;
}

} // namespace columna
