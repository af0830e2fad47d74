#include "hold/life.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace columna {

double hingeLength(const Material& material, double d, double gap) {
  const double n = material.hardening;
  return std::max((2 + 5 * n) * d, gap * n / (1 + n));
}

double bendStrain(double theta, double d, double hinge) { return std::abs(theta) * d / (2 * hinge); }

double radiusStrain(double radius, double d) { return d / (2 * radius + d); }

double cyclesToBreak(const Material& m, double amplitude) {
  if (!(amplitude > 0)) return std::numeric_limits<double>::infinity();
  const auto strain = [&](double reversals) {
    return m.fatigueStress / m.elastic.value * std::pow(reversals, m.fatigueB) +
           m.fatigueStrain * std::pow(reversals, m.fatigueC);
  };
  // The logarithm of strain over that of life is all but straight: Newton's steps on it settle in a few.
  const double top = std::log(1e12);
  if (strain(std::exp(top)) > amplitude) return std::numeric_limits<double>::infinity();
  double x = 1;
  for (int k = 0; k < 40; ++k) {
    const double a = m.fatigueStress / m.elastic.value * std::exp(m.fatigueB * x);
    const double b = m.fatigueStrain * std::exp(m.fatigueC * x);
    const double step =
        (std::log(a + b) - std::log(amplitude)) / ((m.fatigueB * a + m.fatigueC * b) / (a + b));
    x = std::clamp(x - step, -20.0, top);
    if (std::abs(step) < 1e-12) break;
  }
  return std::exp(x) / 2;
}

std::string_view words(LifeClass c) {
  switch (c) {
  case LifeClass::Once:
    return named("pose once");
  case LifeClass::Occasional:
    return named("occasional");
  case LifeClass::Often:
    return named("re-poseable");
  }
  return "";
}

double minersSum(const WireSection& section, const std::vector<double>& swings, double times, double gap) {
  const double d = section.diameter;
  const double hinge = hingeLength(section.material, d, gap);
  double sum = 0;
  for (const double swing : swings) {
    // There and back strains it from nothing to the full strain: half of it is the amplitude.
    const double cycles = cyclesToBreak(section.material, bendStrain(swing, d, hinge) / 2);
    if (std::isfinite(cycles)) sum += times / cycles;
  }
  return sum;
}

JointLife jointLife(const WireSection& section, double swing, double gap, double done,
                    const PoseRules& rules) {
  JointLife out;
  const double d = section.diameter;
  const double hinge = hingeLength(section.material, d, gap);
  out.strain = bendStrain(swing, d, hinge);
  out.radius =
      std::abs(swing) > 1e-6 ? hinge / std::abs(swing) - d / 2 : std::numeric_limits<double>::infinity();
  out.used = done;
  if (section.wires > 1) {
    // Twisting strained it once by sin^2 b, half a cycle.
    const double s = std::sin(section.angle());
    out.used += 0.5 / cyclesToBreak(section.material, s * s / 2);
  }
  const double cycles = cyclesToBreak(section.material, out.strain / 2);
  out.bends = cycles * std::max(0.0, 1 - out.used);
  out.low = out.bends / rules.lifeSpread;
  out.high = out.bends * rules.lifeSpread;
  out.usable = out.low < rules.lifeOnce          ? LifeClass::Once
               : out.low <= rules.lifeOccasional ? LifeClass::Occasional
                                                 : LifeClass::Often;
  return out;
}

} // namespace columna
