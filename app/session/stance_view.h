// The stance on the mat: the posed figure and what its sums say, made when they are asked for and kept until
// the project or the stance is another. While a joint is dragged the figure follows every frame; the sums are
// made beside the window and follow a moment later.
#pragma once

#include "judge/pose_report.h"

#include <QFutureWatcher>
#include <QObject>

#include <memory>
#include <optional>
#include <vector>

namespace columna {

class Session;

class StanceView : public QObject {
  Q_OBJECT
public:
  explicit StanceView(Session& session);
  ~StanceView() override;

  /// All that follows from the stance; under the hand from the one of a moment before.
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
  /// The hand has let go: what is asked next is of the stance as it is.
  void settle();

private:
  /// A report, with the plan and the stance it was asked for.
  struct Answer {
    std::uint64_t plan = 0, stance = 0;
    std::shared_ptr<PoseReport> report;
  };
  void pose() const;
  void ask();
  void answered();
  Session& session_;
  bool judged_ = false;
  bool behind_ = false;       ///< the report is of an earlier stance
  std::uint64_t plans_ = 0;   ///< counts plans: an answer for another is dropped
  std::uint64_t stances_ = 0; ///< counts stances: one for an earlier is shown, and asked again
  QFutureWatcher<Answer> asking_;
  bool awaited_ = false; ///< an answer is to come; one that is made but not told yet must not be overtaken
  mutable std::optional<PoseReport> report_;
  mutable std::optional<Plan> plan_;
  mutable std::optional<std::vector<PoseReport>> kept_;
};

} // namespace columna
