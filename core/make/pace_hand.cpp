#include "make/pace_hand.h"

#include <Eigen/Cholesky>

#include <array>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr int kPaceRounds = 30;
constexpr double kPaceStill = 1e-10;
constexpr double kEightInTen = 1.2815515655446004; ///< of the normal

} // namespace

PaceHand::PaceHand(const std::vector<PaceRecord>& all, int kinds, int figures, const HandPrior& prior)
    : kinds_(kinds), figures_(std::min(figures, kFigures)), stepVariance_(prior.step * prior.step),
      figureVariance_(prior.figure * prior.figure), degrees_(prior.figureWeight + figures_) {
  std::vector<PaceRecord> records;
  for (PaceRecord r : all) {
    r.figure -= figures - figures_;
    if (r.figure >= 0 && r.figure < figures_ && r.kind >= 0 && r.kind < kinds && std::isfinite(r.ratio))
      records.push_back(r);
  }
  weights_.assign(records.size(), 1);
  solve(records, prior);
}

void PaceHand::solve(const std::vector<PaceRecord>& records, const HandPrior& prior) {
  const int count = kinds_ + 2 * figures_ + 1;
  const double drift = 1 / (prior.drift * prior.drift);
  mean_ = Eigen::VectorXd::Zero(count);
  for (rounds_ = 1; rounds_ <= kPaceRounds; ++rounds_) {
    Eigen::MatrixXd p = Eigen::MatrixXd::Zero(count, count);
    Eigen::VectorXd b = Eigen::VectorXd::Zero(count);
    for (int k = 0; k < kinds_; ++k) {
      p(k, k) += 1 / (prior.kind * prior.kind);
      b[k] -= 0.5; // the mean of its factor is 1
    }
    p(hand(0), hand(0)) += 1 / (prior.hand * prior.hand);
    for (int j = 0; j < figures_; ++j) {
      p(hand(j), hand(j)) += drift;
      p(hand(j + 1), hand(j + 1)) += drift;
      p(hand(j), hand(j + 1)) -= drift;
      p(hand(j + 1), hand(j)) -= drift;
      p(ease(j), ease(j)) += 1 / figureVariance_;
    }
    for (size_t i = 0; i < records.size(); ++i) {
      const PaceRecord& r = records[i];
      const double precision = weights_[i] / stepVariance_;
      const double y = r.ratio + stepVariance_ / 2;
      const std::array<int, 3> at{r.kind, hand(r.figure), ease(r.figure)};
      for (const int m : at) {
        b[m] += precision * y;
        for (const int n : at) p(m, n) += precision;
      }
    }
    covariance_ = p.ldlt().solve(Eigen::MatrixXd::Identity(count, count));
    const Eigen::VectorXd now = covariance_ * b;
    double squares = 0;
    for (size_t i = 0; i < records.size(); ++i) {
      const PaceRecord& r = records[i];
      const std::array<int, 3> at{r.kind, hand(r.figure), ease(r.figure)};
      double off = r.ratio + stepVariance_ / 2;
      for (const int m : at) {
        off -= now[m];
      }
      double unsure = 0;
      for (const int m : at)
        for (const int n : at) unsure += covariance_(m, n);
      const double square = off * off + unsure;
      weights_[i] = (prior.tails + 1) / (prior.tails + square / stepVariance_);
      squares += weights_[i] * square;
    }
    if (!records.empty()) {
      stepVariance_ = (prior.stepWeight * prior.step * prior.step + squares) /
                      (prior.stepWeight + static_cast<double>(records.size()));
      double ease2 = 0;
      for (int j = 0; j < figures_; ++j) ease2 += now[ease(j)] * now[ease(j)] + covariance_(ease(j), ease(j));
      figureVariance_ =
          (prior.figureWeight * prior.figure * prior.figure + ease2) / (prior.figureWeight + figures_);
    }
    const double moved = (now - mean_).cwiseAbs().maxCoeff();
    mean_ = now;
    if (moved < kPaceStill) break;
  }
  rounds_ = std::min(rounds_, kPaceRounds);
}

PaceHand::Spread PaceHand::spread(bool underWay) const {
  const bool own = underWay && figures_ > 0;
  Eigen::MatrixXd a = Eigen::MatrixXd::Zero(kinds_, mean_.size());
  for (int k = 0; k < kinds_; ++k) {
    a(k, k) = 1;
    a(k, hand(own ? figures_ - 1 : figures_)) = 1;
    if (own) a(k, ease(figures_ - 1)) = 1;
  }
  Spread out{a * mean_, a * covariance_ * a.transpose()};
  if (!own) out.covariance.array() += figureVariance_; // how easy it is to be is not known yet
  return out;
}

Likely PaceHand::sum(const std::vector<PlannedWork>& byKind, bool underWay) const {
  const Spread s = spread(underWay);
  double first = 0;
  double second = 0;
  const auto minutes = [&](int k) {
    return k < static_cast<int>(byKind.size()) ? byKind[static_cast<size_t>(k)].minutes : 0;
  };
  for (int k = 0; k < kinds_; ++k) {
    const double m = minutes(k);
    if (m <= 0) continue;
    first += m * std::exp(s.mean[k] + s.covariance(k, k) / 2);
    for (int l = 0; l < kinds_; ++l)
      second += m * minutes(l) *
                std::exp(s.mean[k] + s.mean[l] +
                         (s.covariance(k, k) + s.covariance(l, l) + 2 * s.covariance(k, l)) / 2);
    second += m * m / std::max(1.0, byKind[static_cast<size_t>(k)].steps) *
              std::exp(2 * s.mean[k] + 2 * s.covariance(k, k)) * std::expm1(stepVariance_);
  }
  if (first <= 0) return {};
  const double variance = std::log(second / (first * first));
  const double middle = first * std::exp(-variance / 2);
  const double wide = std::exp(studentNine(degrees_) * std::sqrt(variance));
  return {middle / wide, middle, middle * wide};
}

Likely PaceHand::step(int kind, double minutes, bool underWay) const {
  const Spread s = spread(underWay);
  const double middle = minutes * std::exp(s.mean[kind] - stepVariance_ / 2);
  const double wide = std::exp(kEightInTen * std::sqrt(s.covariance(kind, kind) + stepVariance_));
  return {middle / wide, middle, middle * wide};
}

} // namespace columna
