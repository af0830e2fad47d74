#include "hold/frame.h"

#include <Eigen/Geometry>
#include <Eigen/SparseCholesky>

#include <algorithm>

namespace columna {
namespace {

using Mat3 = Eigen::Matrix3d;
using Mat12 = Eigen::Matrix<double, 12, 12>;
using Vec12 = Eigen::Matrix<double, 12, 1>;
using Sparse = Eigen::SparseMatrix<double>;

constexpr double kShortest = 1e-3; ///< mm

/// What a weight along the member puts on its ends, in its own axes: a load of the same work.
Vec12 weightOnEnds(const Vec3& q, double length) {
  Vec12 f = Vec12::Zero();
  for (int e = 0; e < 2; ++e)
    for (int k = 0; k < 3; ++k) f[6 * e + k] = q[k] * length / 2;
  const double m = length * length / 12;
  f[4] = -q.z() * m;
  f[5] = q.y() * m;
  f[10] = q.z() * m;
  f[11] = -q.y() * m;
  return f;
}

} // namespace

double memberLength(const Frame& frame, int member) {
  const FrameMember& m = frame.members[static_cast<size_t>(member)];
  return std::max(
      kShortest,
      (frame.nodes[static_cast<size_t>(m.j)].at - frame.nodes[static_cast<size_t>(m.i)].at).norm());
}

Mat3 memberAxes(const Frame& frame, int member) {
  const FrameMember& m = frame.members[static_cast<size_t>(member)];
  Vec3 x = frame.nodes[static_cast<size_t>(m.j)].at - frame.nodes[static_cast<size_t>(m.i)].at;
  x = x.norm() < 1e-12 ? Vec3(1, 0, 0) : Vec3(x.normalized());
  Vec3 y = Vec3::UnitZ().cross(x);
  y = y.norm() < 1e-6 ? Vec3(Vec3::UnitY()) : Vec3(y.normalized());
  Mat3 axes;
  axes.row(0) = x;
  axes.row(1) = (y - x * x.dot(y)).normalized();
  axes.row(2) = x.cross(Vec3(axes.row(1)));
  return axes;
}

Mat12 memberStiffness(const FrameMember& m, double length) {
  Mat12 k = Mat12::Zero();
  const double axial = m.elastic * m.area / length;
  const double twist = m.shear * m.torsion / length;
  const double ei = m.elastic * m.inertia;
  const double a = 12 * ei / (length * length * length);
  const double b = 6 * ei / (length * length);
  const double c = 4 * ei / length;
  const double d = 2 * ei / length;
  k(0, 0) = k(6, 6) = axial;
  k(0, 6) = -axial;
  k(3, 3) = k(9, 9) = twist;
  k(3, 9) = -twist;
  // Across in y, turning about z; across in z, turning about -y.
  k(1, 1) = k(7, 7) = k(2, 2) = k(8, 8) = a;
  k(1, 7) = k(2, 8) = -a;
  k(1, 5) = k(1, 11) = b;
  k(5, 7) = k(7, 11) = -b;
  k(2, 4) = k(2, 10) = -b;
  k(4, 8) = k(8, 10) = b;
  k(4, 4) = k(5, 5) = k(10, 10) = k(11, 11) = c;
  k(4, 10) = k(5, 11) = d;
  return k.selfadjointView<Eigen::Upper>();
}

struct ElasticFrame::Parts {
  struct Member {
    std::array<int, 12> dof{}; ///< -1 where fixed
    Mat12 local = Mat12::Zero();
    Mat12 turn = Mat12::Zero(); ///< world to own axes
    Vec12 weight = Vec12::Zero();
  };

  Frame frame;
  std::vector<std::array<int, 6>> dof;
  std::vector<Member> members;
  int count = 0;
  bool stable = true;
  Sparse stiffness;
  Eigen::SimplicialLDLT<Sparse> factor;

  explicit Parts(const Frame& of) : frame(of) {
    for (const FrameNode& n : frame.nodes) {
      std::array<int, 6> d{};
      for (size_t k = 0; k < 6; ++k) d[k] = n.fixed[k] ? -1 : count++;
      dof.push_back(d);
    }
    std::vector<Eigen::Triplet<double>> entries;
    entries.reserve(frame.members.size() * 144);
    for (size_t m = 0; m < frame.members.size(); ++m) {
      members.push_back(member(static_cast<int>(m)));
      const Member& each = members.back();
      const Mat12 world = each.turn.transpose() * each.local * each.turn;
      for (size_t r = 0; r < 12; ++r)
        for (size_t c = 0; c < 12; ++c)
          if (each.dof[r] >= 0 && each.dof[c] >= 0)
            entries.emplace_back(each.dof[r], each.dof[c],
                                 world(static_cast<Eigen::Index>(r), static_cast<Eigen::Index>(c)));
    }
    stiffness.resize(count, count);
    stiffness.setFromTriplets(entries.begin(), entries.end());
    if (count == 0) return;
    factor.compute(stiffness);
    stable = factor.info() == Eigen::Success;
    if (!stable) return;
    // A pivot that is nothing beside its own stiffness: something there moves freely.
    const Eigen::VectorXd pivots = factor.vectorD();
    const Eigen::VectorXd own = factor.permutationP() * Eigen::VectorXd(stiffness.diagonal());
    for (Eigen::Index k = 0; k < pivots.size(); ++k)
      stable = stable && pivots[k] > 1e-11 * std::max(own[k], 1e-30);
  }

  [[nodiscard]] Member member(int index) const {
    const FrameMember& m = frame.members[static_cast<size_t>(index)];
    Member out;
    const double length = memberLength(frame, index);
    const Mat3 axes = memberAxes(frame, index);
    for (int block = 0; block < 4; ++block) out.turn.block<3, 3>(3 * block, 3 * block) = axes;
    out.local = memberStiffness(m, length);
    out.weight = weightOnEnds(axes * m.weight, length);
    for (size_t k = 0; k < 6; ++k) {
      out.dof[k] = dof[static_cast<size_t>(m.i)][k];
      out.dof[k + 6] = dof[static_cast<size_t>(m.j)][k];
    }
    return out;
  }

  /// A member's end forces of given displacements, summed in the longest type there is.
  static Vec12 exactEnds(const Member& m, const Eigen::VectorXd& u) {
    using Long = Eigen::Matrix<long double, 12, 1>;
    Long moved = Long::Zero();
    for (size_t k = 0; k < 12; ++k)
      if (m.dof[k] >= 0) moved[static_cast<Eigen::Index>(k)] = u[m.dof[k]];
    const Long turned = m.turn.cast<long double>() * moved;
    const Long ends = m.local.cast<long double>() * turned;
    return ends.cast<double>();
  }

  [[nodiscard]] FrameSolution solve(const std::vector<FrameLoad>& loads, bool weight) const {
    FrameSolution out;
    out.moved.assign(frame.nodes.size(), Vec6::Zero());
    out.ends.resize(frame.members.size());
    out.reactions.assign(frame.nodes.size(), Vec6::Zero());
    std::vector<Vec6> onNode(frame.nodes.size(), Vec6::Zero());
    for (const FrameLoad& load : loads) {
      onNode[static_cast<size_t>(load.node)].head<3>() += load.force;
      onNode[static_cast<size_t>(load.node)].tail<3>() += load.moment;
    }
    if (weight)
      for (size_t m = 0; m < members.size(); ++m) {
        const Vec12 f = members[m].turn.transpose() * members[m].weight;
        onNode[static_cast<size_t>(frame.members[m].i)] += f.head<6>();
        onNode[static_cast<size_t>(frame.members[m].j)] += f.tail<6>();
      }
    if (!stable) return out;
    Eigen::VectorXd f = Eigen::VectorXd::Zero(count);
    for (size_t n = 0; n < dof.size(); ++n)
      for (size_t k = 0; k < 6; ++k)
        if (dof[n][k] >= 0) f[dof[n][k]] = onNode[n][static_cast<Eigen::Index>(k)];
    Eigen::VectorXd u = Eigen::VectorXd::Zero(count);
    Eigen::VectorXd more = Eigen::VectorXd::Zero(count);
    std::vector<Vec12> ends(members.size(), Vec12::Zero());
    if (count > 0) {
      u = factor.solve(f);
      for (int again = 0; again < 2; ++again) u += factor.solve(f - stiffness * u);
    }
    // Members are far stiffer along than across, and rounding of the displacements would show in the forces:
    // these are summed with more digits, and what is left over is solved for and kept apart.
    Eigen::VectorXd left = f;
    for (size_t m = 0; m < members.size(); ++m) {
      ends[m] = exactEnds(members[m], u);
      const Vec12 world = members[m].turn.transpose() * ends[m];
      for (size_t k = 0; k < 12; ++k)
        if (members[m].dof[k] >= 0) left[members[m].dof[k]] -= world[static_cast<Eigen::Index>(k)];
    }
    if (count > 0) more = factor.solve(left);
    for (size_t n = 0; n < dof.size(); ++n)
      for (size_t k = 0; k < 6; ++k)
        if (dof[n][k] >= 0) out.moved[n][static_cast<Eigen::Index>(k)] = u[dof[n][k]] + more[dof[n][k]];
    for (size_t m = 0; m < members.size(); ++m) {
      const auto i = static_cast<size_t>(frame.members[m].i);
      const auto j = static_cast<size_t>(frame.members[m].j);
      Vec12 rest = Vec12::Zero();
      for (size_t k = 0; k < 12; ++k)
        if (members[m].dof[k] >= 0) rest[static_cast<Eigen::Index>(k)] = more[members[m].dof[k]];
      Vec12 all = ends[m] + members[m].local * (members[m].turn * rest);
      if (weight) all -= members[m].weight;
      out.ends[m].i = all.head<6>();
      out.ends[m].j = all.tail<6>();
      const Vec12 world = members[m].turn.transpose() * all;
      out.reactions[i] += world.head<6>();
      out.reactions[j] += world.tail<6>();
    }
    for (const FrameLoad& load : loads) {
      out.reactions[static_cast<size_t>(load.node)].head<3>() -= load.force;
      out.reactions[static_cast<size_t>(load.node)].tail<3>() -= load.moment;
    }
    for (size_t n = 0; n < dof.size(); ++n)
      for (size_t k = 0; k < 6; ++k)
        if (dof[n][k] >= 0) out.reactions[n][static_cast<Eigen::Index>(k)] = 0;
    return out;
  }
};

ElasticFrame::ElasticFrame(const Frame& frame) : parts_(std::make_unique<Parts>(frame)) {}
ElasticFrame::~ElasticFrame() = default;
ElasticFrame::ElasticFrame(ElasticFrame&&) noexcept = default;
ElasticFrame& ElasticFrame::operator=(ElasticFrame&&) noexcept = default;

bool ElasticFrame::stable() const { return parts_->stable; }
FrameSolution ElasticFrame::solve() const { return parts_->solve(parts_->frame.loads, true); }
std::vector<std::vector<EndForces>> ElasticFrame::endForcesOf(const std::vector<FrameLoad>& each) const {
  const Parts& p = *parts_;
  std::vector<std::vector<EndForces>> out(each.size(), std::vector<EndForces>(p.members.size()));
  if (!p.stable || p.count == 0) return out;
  Eigen::MatrixXd f = Eigen::MatrixXd::Zero(p.count, static_cast<Eigen::Index>(each.size()));
  for (size_t l = 0; l < each.size(); ++l)
    for (size_t k = 0; k < 6; ++k)
      if (const int d = p.dof[static_cast<size_t>(each[l].node)][k]; d >= 0)
        f(d, static_cast<Eigen::Index>(l)) += k < 3 ? each[l].force[static_cast<Eigen::Index>(k)]
                                                    : each[l].moment[static_cast<Eigen::Index>(k) - 3];
  const Eigen::MatrixXd u = p.factor.solve(f);
  for (size_t m = 0; m < p.members.size(); ++m) {
    Eigen::Matrix<double, 12, Eigen::Dynamic> moved(12, u.cols());
    for (size_t k = 0; k < 12; ++k)
      if (p.members[m].dof[k] >= 0)
        moved.row(static_cast<Eigen::Index>(k)) = u.row(p.members[m].dof[k]);
      else
        moved.row(static_cast<Eigen::Index>(k)).setZero();
    const Mat12 both = p.members[m].local * p.members[m].turn;
    const Eigen::Matrix<double, 12, Eigen::Dynamic> ends = both * moved;
    for (size_t l = 0; l < each.size(); ++l) {
      out[l][m].i = ends.col(static_cast<Eigen::Index>(l)).head<6>();
      out[l][m].j = ends.col(static_cast<Eigen::Index>(l)).tail<6>();
    }
  }
  return out;
}

FrameSolution ElasticFrame::solve(const std::vector<FrameLoad>& loads) const {
  return parts_->solve(loads, false);
}

} // namespace columna
