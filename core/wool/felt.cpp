#include "wool/felt.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {

double feltDensity(Firmness firmness) {
  switch (firmness) {
  case Firmness::Soft:
    return 0.10e-3;
  case Firmness::Medium:
    return 0.15e-3;
  case Firmness::Firm:
    return 0.22e-3;
  }
  return 0.15e-3;
}

DensityRange feltDensityRange(Firmness firmness) {
  switch (firmness) {
  case Firmness::Soft:
    return {0.08e-3, 0.12e-3};
  case Firmness::Medium:
    return {0.12e-3, 0.18e-3};
  case Firmness::Firm:
    return {0.18e-3, 0.28e-3};
  }
  return {0.12e-3, 0.18e-3};
}

double ballDensity(const TestBall& ball) {
  return 6 * ball.grams / (std::numbers::pi * ball.diameter * ball.diameter * ball.diameter);
}

double handFactor(const TestBall& ball) { return ballDensity(ball) / feltDensity(ball.firmness); }

double ballSpread(const TestBall& ball) {
  if (ball.measured.empty()) return 0;
  const auto [least, most] = std::minmax_element(ball.measured.begin(), ball.measured.end());
  return *most - *least;
}

double ballError(const TestBall& ball) {
  return 3 * std::max(1.0, ballSpread(ball) / 2) / ball.diameter + 0.05 / ball.grams;
}

double feltStiffness(double density) {
  constexpr double fibre = 1.31e-3; // g/mm3
  const double share = density / fibre;
  return 3 * 0.01 * 3000 * share * share * share;
}

double feltedOverWound(LimbKind kind) {
  const bool ball = kind == LimbKind::Head || kind == LimbKind::Trunk || kind == LimbKind::Part;
  return ball ? 0.75 : 0.65;
}

double woundLimbDiameter(double felted, double wire, double woundDensity, double feltedDensity) {
  return std::sqrt((felted * felted - wire * wire) * feltedDensity / woundDensity + wire * wire);
}

double woundBallDiameter(double felted, double woundDensity, double feltedDensity) {
  return felted * std::cbrt(feltedDensity / woundDensity);
}

double woolLength(double grams, double linear) { return grams / linear; }

} // namespace columna
