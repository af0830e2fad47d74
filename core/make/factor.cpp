#include "make/factor.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kAlpha = 3; ///< half the readings the prior spread stands for
constexpr int kFactorRounds = 200;
constexpr double kFactorStill = 1e-12;

} // namespace

double studentNine(double degrees) {
  constexpr double z = 1.2815515655446004; // of the normal
  constexpr double z3 = z * z * z;
  constexpr double z5 = z3 * z * z;
  constexpr double z7 = z5 * z * z;
  const double g1 = (z3 + z) / 4;
  const double g2 = (5 * z5 + 16 * z3 + 3 * z) / 96;
  const double g3 = (3 * z7 + 19 * z5 + 17 * z3 - 15 * z) / 384;
  return z + g1 / degrees + g2 / (degrees * degrees) + g3 / (degrees * degrees * degrees);
}

Likely Factor::next() const {
  const double spread = studentNine(2 * alpha) * std::sqrt(beta * (kappa + 1) / (alpha * kappa));
  return {mean - spread, mean, mean + spread};
}

Likely Factor::nextRatio() const {
  const Likely x = next();
  return {std::exp(x.low), std::exp(x.middle), std::exp(x.high)};
}

Factor learntFactor(const std::vector<FactorReading>& readings, const FactorPrior& prior,
                    const HandPrior& hand) {
  const double kappa0 = prior.reading * prior.reading / (prior.makers * prior.makers);
  const double beta0 = kAlpha * prior.reading * prior.reading;
  Factor out{prior.usual, kappa0, kAlpha, beta0, std::vector<double>(readings.size(), 1)};
  for (int round = 0; round < kFactorRounds; ++round) {
    double sum = 0;
    double mean = 0;
    std::vector<double> weight;
    for (size_t i = 0; i < readings.size(); ++i) {
      weight.push_back(out.weights[i] * std::pow(hand.forgetting, readings[i].figuresAgo));
      sum += weight[i];
      mean += weight[i] * readings[i].x;
    }
    const double before = out.mean;
    if (sum > 0) {
      mean /= sum;
      double squares = 0;
      for (size_t i = 0; i < readings.size(); ++i)
        squares += weight[i] * (readings[i].x - mean) * (readings[i].x - mean);
      out.kappa = kappa0 + sum;
      out.mean = (kappa0 * prior.usual + sum * mean) / out.kappa;
      out.alpha = kAlpha + sum / 2;
      out.beta =
          beta0 + (squares + kappa0 * sum * (mean - prior.usual) * (mean - prior.usual) / out.kappa) / 2;
    }
    for (size_t i = 0; i < readings.size(); ++i) {
      const double off = readings[i].x - out.mean;
      out.weights[i] = (hand.tails + 1) / (hand.tails + off * off * out.alpha / out.beta);
    }
    if (std::abs(out.mean - before) < kFactorStill) break;
  }
  return out;
}

} // namespace columna
