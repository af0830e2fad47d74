// A frame in space: straight members of round section, rigidly joined, under weight and point loads.
// Euler-Bernoulli members, small displacements, linear elastic. Lengths in mm, forces in N, moments in N mm,
// stresses in MPa.
//
// Of a twisted bundle the members carry effective values, so that any ordinary frame solver given them
// agrees.
#pragma once

#include <Eigen/Core>

#include <array>
#include <cmath>
#include <memory>
#include <string>
#include <vector>

namespace columna {

using Vec3 = Eigen::Vector3d;
using Vec6 = Eigen::Matrix<double, 6, 1>;

struct FrameNode {
  std::string id;
  Vec3 at{0, 0, 0};
  std::array<bool, 6> fixed{}; ///< x, y, z, and turning about them
};

struct FrameMember {
  std::string id;
  int i = 0, j = 0;         ///< nodes, apart from each other
  double elastic = 0;       ///< E
  double shear = 0;         ///< G
  double area = 0;          ///< mm2
  double inertia = 0;       ///< I, mm4, about any axis across it
  double torsion = 0;       ///< J, mm4
  Vec3 weight{0, 0, 0};     ///< load per length, N/mm
  double plastic = 0;       ///< full plastic moment, N mm; 0: not wire, never judged
  double firstYield = 0;    ///< moment at first yield, N mm
  double plasticTorque = 0; ///< N mm
};

struct FrameLoad {
  int node = 0;
  Vec3 force{0, 0, 0}, moment{0, 0, 0};
};

struct Frame {
  std::vector<FrameNode> nodes;
  std::vector<FrameMember> members;
  std::vector<FrameLoad> loads;
};

/// Forces on a member at its ends, in its own axes: x from i to j; y = z_world cross x, of an upright member
/// the world's y; z = x cross y.
struct EndForces {
  Vec6 i = Vec6::Zero(), j = Vec6::Zero(); ///< N, Vy, Vz, T, My, Mz

  /// Resultant bending moment at an end.
  [[nodiscard]] double bendingI() const { return std::hypot(i[4], i[5]); }
  [[nodiscard]] double bendingJ() const { return std::hypot(j[4], j[5]); }
};

struct FrameSolution {
  std::vector<Vec6> moved;     ///< of each node: displacement in mm, rotation in radians
  std::vector<EndForces> ends; ///< of each member
  std::vector<Vec6> reactions; ///< of each node, on the frame; zero where nothing is fixed
};

/// The three axes of a member as rows.
[[nodiscard]] Eigen::Matrix3d memberAxes(const Frame& frame, int member);
[[nodiscard]] double memberLength(const Frame& frame, int member);
/// Stiffness in the member's own axes.
[[nodiscard]] Eigen::Matrix<double, 12, 12> memberStiffness(const FrameMember& member, double length);

/// A frame made ready to be solved for any loads. Members shorter than a thousandth of a millimetre are taken
/// as that long.
class ElasticFrame {
public:
  explicit ElasticFrame(const Frame& frame);
  ~ElasticFrame();
  ElasticFrame(ElasticFrame&&) noexcept;
  ElasticFrame& operator=(ElasticFrame&&) noexcept;
  ElasticFrame(const ElasticFrame&) = delete;
  ElasticFrame& operator=(const ElasticFrame&) = delete;

  /// False where some part could move without any wire bending (too few supports): nothing can be solved.
  [[nodiscard]] bool stable() const;
  /// Under its weights and point loads.
  [[nodiscard]] FrameSolution solve() const;
  /// Under other point loads alone, without any weight.
  [[nodiscard]] FrameSolution solve(const std::vector<FrameLoad>& loads) const;
  /// The end forces under each of some point loads alone, quickly: without the last digits of solve().
  [[nodiscard]] std::vector<std::vector<EndForces>> endForcesOf(const std::vector<FrameLoad>& each) const;

private:
  struct Parts;
  std::unique_ptr<Parts> parts_;
};

} // namespace columna
