// A pose and all that follows from it: the posed figure, its armature's sums, whether it stands, and a
// verdict on every joint.
#pragma once

#include "hold/buckling.h"
#include "hold/collapse.h"
#include "hold/joint_hold.h"
#include "hold/life.h"
#include "plan/plan.h"

namespace columna {

/// A joint's numbers and what they mean.
struct JointReport {
  JointHold hold;
  JointLife life;
  double swing = 0;     ///< radians, the largest between the poses gone through
  double budget = 0;    ///< share of the wire's life that going through them as often as wanted takes
  double gap = 0;       ///< mm of soft felt that lets the bend spread, 0 where it is felted firmly
  double cover = 0;     ///< mm of wool over the bundle here
  std::string name;     ///< "left elbow"
  bool springs = false; ///< felted firm, the felt bends it back; set before felting it stays
  Level level = Level::Good;
  Said sentence; ///< the worst of it, or that all is well
  Said brief;    ///< a few words, when not good
};

struct PoseReport {
  // Out of line: what it takes to copy all of it would be compiled anew in every file that holds one.
  PoseReport();
  PoseReport(const PoseReport& other);
  PoseReport(PoseReport&& other) noexcept;
  PoseReport& operator=(const PoseReport& other);
  PoseReport& operator=(PoseReport&& other) noexcept;
  ~PoseReport();

  PatternPose pose;
  Figure figure; ///< posed, mm
  PoseSums sums;
  PoseStanding standing;
  Wobble wobble;
  std::vector<JointReport> joints; ///< body order; as in sums.joints
  std::vector<Finding> findings;   ///< worst first
  Level level = Level::Good;
  double sagMost = 0; ///< mm

  /// The joint of that limb that is worst off, or nothing.
  [[nodiscard]] const JointReport* worstOf(int limb) const;
};

/// Records that the figure was bent from how it was left last into the stance on the mat, with the turn of
/// every joint, whatever becomes of the poses.
void rePosed(Stances& stances, const Plan& plan, std::string date);

/// Of one stance. The plan is the project's. Errors none: what cannot be said is a finding.
[[nodiscard]] PoseReport poseReport(const Project& project, const Plan& plan, const Catalog& catalog,
                                    const PatternPose& pose);

/// The posed figure alone, as fast as it can be made.
[[nodiscard]] Figure posedFigure(const Plan& plan, const PatternPose& pose);

/// The poses gone through: those the maker chose, or all saved ones.
[[nodiscard]] std::vector<PatternPose> posesGoneThrough(const Project& project, const Plan& plan);

/// What takes longer: the load factors at which it gives way and buckles.
struct PoseLimits {
  double collapse = 0;
  std::vector<double> buckling;
  std::vector<std::string> hinges; ///< where it gives way
  double sag = 0;                  ///< mm, the largest, with the wire yielding where it does
  bool gaveWay = false;            ///< it does not come to rest under its own weight
};
[[nodiscard]] PoseLimits poseLimits(const FigureFrame& armature);

/// Workings of a joint's numbers.
[[nodiscard]] Working jointHoldWorking(const PoseReport& report, const JointReport& joint, const Plan& plan);
[[nodiscard]] Working jointNudgeWorking(const PoseReport& report, const JointReport& joint, const Plan& plan);
[[nodiscard]] Working jointEffortWorking(const JointReport& joint, const Plan& plan, const Catalog& catalog,
                                         Hands hands);
[[nodiscard]] Working jointLifeWorking(const JointReport& joint, const Plan& plan, const Catalog& catalog);
[[nodiscard]] Working jointRecoilWorking(const JointReport& joint, const Plan& plan, const Catalog& catalog);
[[nodiscard]] Working jointCoverWorking(const PoseReport& report, const JointReport& joint, const Plan& plan);
[[nodiscard]] Working tipWorking(const PoseReport& report);

} // namespace columna
