// What the wire does at every joint of a posed figure: holds, gives to a knock, can be bent by hand, against
// the felt that springs back.
#pragma once

#include "hold/figure_frame.h"

namespace columna {

/// One joint of a limb: the place a stretch of its wire begins at.
struct JointHold {
  int limb = 0, point = 0; ///< of the skeleton
  int member = -1;         ///< of the frame: the stretch that governs
  std::string id;          ///< "left-elbow", each once; where the limb begins "left-foreleg-root"
  std::string name;        ///< in the maker's words: "left elbow", "root of the left foreleg"
  double moment = 0;       ///< N mm of weight, the resultant
  double capacity = 0;     ///< N mm at the 0.2 % stress
  double hold = 0, holdLow = 0, holdHigh = 0; ///< capacity over moment; infinite where nothing loads it
  double knock = 0;                           ///< N mm of weight and the worst knock
  double nudge = 0;                           ///< capacity at the 2 % stress over `knock`
  Vec3 knockWay{0, 0, 0};                     ///< unit direction of the worst knock
  int knockAt = -1;                           ///< point it strikes
  double lever = 0;   ///< mm from the joint to the limb's end, as far as fingers use it
  double effort = 0;  ///< N there to bend it
  double bent = 0;    ///< radians it is turned from the neutral stance
  double recoil = 0;  ///< N mm the bent felt pulls back with; it gives over its own thickness at least
  double against = 0; ///< capacity over the recoil that lasts; infinite where it is straight
  double sag = 0;     ///< mm its joint goes down and aside under weight
};

/// All of a pose's sums.
struct PoseSums {
  FigureFrame armature;
  FrameSolution under;           ///< its own weight, elastic
  bool stable = false;           ///< false: nothing could be solved
  std::vector<JointHold> joints; ///< body order
};

/// What the sums need beyond the frame.
struct JointRules {
  double nudge = 0; ///< N, the knock it has to survive
  PoseRules rules;
  /// Of each limb: its felt's Young's modulus, MPa.
  std::vector<double> feltStiffness;
  /// Of each bone: radians its joint is turned from the neutral stance.
  std::vector<double> turned;
};

/// The sums of an armature. The worst knock is searched over all directions and every free end: the largest
/// bending a force of that size can add at the joint, found exactly for each end (a quadratic form on the
/// sphere).
[[nodiscard]] PoseSums poseSums(const ArmatureParts& parts, FigureFrame armature, const JointRules& rules);

/// The largest length of m + f A n over unit vectors n, and that n: A is 2 by 3.
struct WorstWay {
  double length = 0;
  Vec3 way{0, 0, 0};
};
[[nodiscard]] WorstWay worstWay(const Vec2& m, const Eigen::Matrix<double, 2, 3>& a, double f);

/// Moment of felt bent by theta over `gap` mm: E pi D^4/64 theta/gap, D its thickness.
[[nodiscard]] double feltRecoil(double elastic, double thick, double theta, double gap);

} // namespace columna
