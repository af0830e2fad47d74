// What a wire, or several twisted together, can carry. Closed forms of the strength of materials for round
// wire; moments in N mm, stresses in MPa, lengths in mm.
#pragma once

#include "wire/material.h"

namespace columna {

/// Plastic moment of one round wire, sigma d^3/6.
[[nodiscard]] double plasticMoment(double sigma, double d);
/// Moment at first yield, sigma pi d^3/32.
[[nodiscard]] double yieldMoment(double sigma, double d);
/// Moment at a curvature `ratio` times that of first yield, as a share of the plastic moment: elastic below
/// 1, then the closed elastic-plastic form; 3 pi/16 at 1, 1 in the limit.
[[nodiscard]] double momentShare(double ratio);

/// Angle in radians of strands twisted at a lay of `pitch` mm, for strands of d mm: tan b = pi d/p for two, 2
/// pi a/p with a = d/sqrt 3 for three and d/sqrt 2 for four. One strand: 0.
[[nodiscard]] double helixAngle(int strands, double d, double pitch);
/// Length of wire per length of twist, 1/cos b.
[[nodiscard]] double twistLengthFactor(double angle);
/// Share of its bending stiffness that each strand keeps: cos b/(1 + nu sin^2 b/2).
[[nodiscard]] double twistStiffness(double angle, double poisson);
/// Share of its strength that each strand keeps: (cos^2 b + sin^2 b/0.8225)^(-1/2).
[[nodiscard]] double twistStrength(double angle);
/// Outer diameter of a bundle of equal strands: 2 d for two, 2.155 d for three, 2.414 d for four, 3 d for
/// seven, otherwise by packing (strands fill 0.78 of the circle).
[[nodiscard]] double bundleDiameter(int strands, double d);

/// Default lay of a hand-twisted pair, in wire diameters (range 4 to 8).
inline constexpr double kTwistLay = 6;

/// What runs through a limb: so many wires of one material and size, twisted together if more than one.
struct WireSection {
  Material material;
  double diameter = 1; ///< mm; of a stem its strands
  int wires = 1;
  double lay = kTwistLay; ///< pitch over the wire's own diameter

  [[nodiscard]] bool operator==(const WireSection&) const = default;

  [[nodiscard]] int strands() const { return wires * material.strandsPerWire; }
  /// Diameter of one wire as it is twisted: for a stem its two strands.
  [[nodiscard]] double wireDiameter() const;
  /// Outer diameter of all of it, cover included, pile not (it mats into the wool).
  [[nodiscard]] double bundle() const;
  [[nodiscard]] double angle() const;
  /// Wire per length of limb for one of the wires, 1 for a single one. Four are a twisted pair folded double
  /// and twisted again: the pair's factor twice.
  [[nodiscard]] double lengthFactor() const {
    const double once = twistLengthFactor(angle());
    return wires == 4 ? once * once : once;
  }
  /// Share of the strength that twisting leaves, works' and hand's together.
  [[nodiscard]] double strengthShare() const;
  /// Share of its bending stiffness that each strand keeps, works' and hand's twist together.
  [[nodiscard]] double stiffnessShare() const;
  /// Moment in N mm that all strands together resist at a stress of sigma MPa; no friction is counted.
  [[nodiscard]] double capacity(double sigma) const;
  /// Mass of one of the wires in g/mm of its own length, strands' take-up and pile included.
  [[nodiscard]] double linearMass() const;
};

} // namespace columna
