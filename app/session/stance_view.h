// The stance on the mat: the posed figure and what its sums say, made when they are asked for and kept until
// the project or the stance is another.
#pragma once

#include "judge/pose_report.h"

#include <QObject>

#include <optional>
#include <vector>

namespace columna {

class Session;

class StanceView : public QObject {
  Q_OBJECT
public:
  explicit StanceView(Session& session);

  /// All that follows from the stance.
  [[nodiscard]] const PoseReport& report() const;
  /// Reports on the maker's own poses.
  [[nodiscard]] const std::vector<PoseReport>& kept() const;
  /// The plan with the posed figure in place of the neutral one, to be drawn.
  [[nodiscard]] const Plan& plan() const;
  /// While a stage judges the stance its sums are made with every picture; else it is only drawn.
  void setJudged(bool on);
  [[nodiscard]] bool judged() const { return judged_; }

  /// The plan is another.
  void forget();
  /// The stance is another, and nothing else: what is drawn keeps its plan. `poses`: so are those kept.
  void stanceChanged(bool poses);

private:
  void pose() const;
  Session& session_;
  bool judged_ = false;
  mutable std::optional<PoseReport> report_;
  mutable std::optional<Plan> plan_;
  mutable std::optional<std::vector<PoseReport>> kept_;
};

} // namespace columna
