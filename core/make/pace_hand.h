// The maker's pace, learnt from the steps they recorded: how many minutes they take for the planned ones, by
// kind of work, and what that says of the hours that are left.
//
// The logarithm of minutes over planned ones is u + d + e: u the hand on that figure (the hand itself, which
// drifts from figure to figure, and how easy the figure is), d the kind of work, e the step, a Student's t so
// that a clock left running counts little. Everything but the t is normal: one small linear system, solved
// anew for the weights of the t until they stay (expectation and maximisation). Nothing depends on the order
// of the records. Kinds and steps are right on the mean, the hand and a figure's ease in the middle.
#pragma once

#include "make/factor.h"

#include <Eigen/Core>

#include <vector>

namespace columna {

/// One step that was done and timed.
struct PaceRecord {
  int figure = 0;   ///< from 0, in the order they were begun
  int kind = 0;     ///< below the count of kinds
  double ratio = 0; ///< ln(minutes / planned)
};

/// Planned work of one kind.
struct PlannedWork {
  double minutes = 0; ///< planned
  double steps = 1;   ///< it is of so many like ones: (sum of minutes)^2 / sum of their squares
};

class PaceHand {
public:
  static constexpr int kFigures = 40; ///< older ones are dropped: the drift has faded them

  /// Of records on so many figures, those of the one under way included. Records of other kinds or figures
  /// are left out.
  PaceHand(const std::vector<PaceRecord>& records, int kinds, int figures, const HandPrior& prior);

  /// Minutes of all that work on the next figure, or on the last one where it is under way.
  /// Sums of lognormals after Fenton and Wilkinson (1960).
  [[nodiscard]] Likely sum(const std::vector<PlannedWork>& byKind, bool underWay) const;
  /// Minutes of a single step.
  [[nodiscard]] Likely step(int kind, double minutes, bool underWay) const;

  [[nodiscard]] double kind(int k) const { return mean_[k]; }
  /// The hand on the next figure.
  [[nodiscard]] double next() const { return mean_[hand(figures_)]; }
  [[nodiscard]] double stepVariance() const { return stepVariance_; }
  [[nodiscard]] double figureVariance() const { return figureVariance_; }
  /// How far each record is believed, 0..1.25.
  [[nodiscard]] const std::vector<double>& weights() const { return weights_; }
  [[nodiscard]] int rounds() const { return rounds_; }

private:
  [[nodiscard]] int hand(int figure) const { return kinds_ + figure; }
  [[nodiscard]] int ease(int figure) const { return kinds_ + figures_ + 1 + figure; }
  void solve(const std::vector<PaceRecord>& records, const HandPrior& prior);
  struct Spread {
    Eigen::VectorXd mean;       ///< one a kind
    Eigen::MatrixXd covariance; ///< without the steps' own
  };
  [[nodiscard]] Spread spread(bool underWay) const;
  int kinds_ = 0, figures_ = 0, rounds_ = 0;
  double stepVariance_ = 0, figureVariance_ = 0, degrees_ = 0;
  Eigen::VectorXd mean_;
  Eigen::MatrixXd covariance_;
  std::vector<double> weights_;
};

} // namespace columna
