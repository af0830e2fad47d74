#include "hold/buckling.h"

#include <Eigen/Geometry>
#include <Eigen/SparseCholesky>
#include <Spectra/MatOp/SparseCholesky.h>
#include <Spectra/MatOp/SparseSymMatProd.h>
#include <Spectra/SymGEigsSolver.h>

#include <fmt/format.h>

#include <algorithm>

namespace columna {
namespace {

using Mat12 = Eigen::Matrix<double, 12, 12>;
using Vec12 = Eigen::Matrix<double, 12, 1>;
using Sparse = Eigen::SparseMatrix<double>;

/// What stands in a member while it buckles, in its own axes.
struct Standing6 {
  double pull = 0, twist = 0;
  Vec3 momentI{0, 0, 0}, momentJ{0, 0, 0}; ///< y and z are used
};

/// Second-order work of standing forces when the ends move by q (own axes).
///
/// The member's frame turns by phi with its chord and by the mean of its ends' twists; an end's turn within
/// that frame is w - phi - phi x w/2, to second order. Within the frame it bends as a cubic, which a pull
/// works on too.
double secondOrder(const Standing6& s, const Vec12& q, double length, JointTurning turning) {
  const Vec3 wi = q.segment<3>(3);
  const Vec3 wj = q.segment<3>(9);
  const Vec3 d = q.segment<3>(6) - q.head<3>();
  const Vec3 phi((wi.x() + wj.x()) / 2, -d.z() / length, d.y() / length);
  // Beyond the first order the chord's own direction: divided by a length that changes, and turned twice.
  const Vec3 more(0, d.z() * d.x() / (length * length) + phi.x() * phi.z() / 2,
                  -d.y() * d.x() / (length * length) - phi.x() * phi.y() / 2);
  const Vec3 ti = -more - phi.cross(wi) / 2;
  const Vec3 tj = -more - phi.cross(wj) / 2;
  const Vec3 ri = wi - phi;
  const Vec3 rj = wj - phi;
  const auto bow = [](double a, double b) { return 2 * a * a - a * b + 2 * b * b; };
  double work = s.pull * (d.y() * d.y() + d.z() * d.z()) / (2 * length);
  work += s.pull * length / 30 * (bow(ri.y(), rj.y()) + bow(ri.z(), rj.z()));
  work += s.momentI.y() * ti.y() + s.momentI.z() * ti.z() + s.momentJ.y() * tj.y() + s.momentJ.z() * tj.z();
  work += s.twist * (tj.x() - ti.x());
  if (turning == JointTurning::Linear) {
    // What the stresses of a bent end do when its section turns as a rigid body, taken away again.
    const auto corner = [](const Vec3& m, const Vec3& w) {
      return (m.y() * w.z() - m.z() * w.y()) * w.x() / 2;
    };
    work -= corner(s.momentI, wi) + corner(s.momentJ, wj);
  }
  return work;
}

Mat12 geometric(const Standing6& s, double length, JointTurning turning) {
  Mat12 k;
  const auto at = [&](int a, int b) {
    Vec12 q = Vec12::Zero();
    q[a] += 1;
    if (b >= 0) q[b] += 1;
    return secondOrder(s, q, length, turning);
  };
  std::array<double, 12> own{};
  for (int a = 0; a < 12; ++a) own[static_cast<size_t>(a)] = at(a, -1);
  for (int a = 0; a < 12; ++a) {
    k(a, a) = 2 * own[static_cast<size_t>(a)];
    for (int b = a + 1; b < 12; ++b)
      k(a, b) = k(b, a) = at(a, b) - own[static_cast<size_t>(a)] - own[static_cast<size_t>(b)];
  }
  return k;
}

} // namespace

Frame divided(const Frame& frame, int parts) {
  Frame out;
  out.nodes = frame.nodes;
  out.loads = frame.loads;
  out.members.reserve(frame.members.size() * static_cast<size_t>(parts));
  for (const FrameMember& m : frame.members) {
    int last = m.i;
    for (int k = 1; k <= parts; ++k) {
      int next = m.j;
      if (k < parts) {
        const double t = static_cast<double>(k) / parts;
        const Vec3& a = frame.nodes[static_cast<size_t>(m.i)].at;
        const Vec3& b = frame.nodes[static_cast<size_t>(m.j)].at;
        next = static_cast<int>(out.nodes.size());
        out.nodes.push_back({fmt::format("{}/{}", m.id, k), a + t * (b - a), {}});
      }
      FrameMember part = m;
      part.i = last;
      part.j = next;
      out.members.push_back(std::move(part));
      last = next;
    }
  }
  return out;
}

std::vector<double> bucklingFactors(const Frame& whole, int most, int parts, JointTurning turning) {
  const Frame frame = divided(whole, std::max(1, parts));
  const ElasticFrame elastic(frame);
  if (!elastic.stable()) return {};
  const FrameSolution under = elastic.solve();
  std::vector<std::array<int, 6>> dof;
  int count = 0;
  for (const FrameNode& n : frame.nodes) {
    std::array<int, 6> d{};
    for (size_t k = 0; k < 6; ++k) d[k] = n.fixed[k] ? -1 : count++;
    dof.push_back(d);
  }
  if (count < 2) return {};
  std::vector<Eigen::Triplet<double>> stiff;
  std::vector<Eigen::Triplet<double>> soft; // less of it: what the loads take away
  double largest = 0;
  for (size_t m = 0; m < frame.members.size(); ++m) {
    const double length = memberLength(frame, static_cast<int>(m));
    Mat12 turn = Mat12::Zero();
    const Eigen::Matrix3d axes = memberAxes(frame, static_cast<int>(m));
    for (int block = 0; block < 4; ++block) turn.block<3, 3>(3 * block, 3 * block) = axes;
    const EndForces& e = under.ends[m];
    Standing6 s;
    s.pull = (e.j[0] - e.i[0]) / 2;
    s.twist = (e.j[3] - e.i[3]) / 2;
    s.momentI = e.i.tail<3>();
    s.momentJ = e.j.tail<3>();
    const Mat12 k = turn.transpose() * memberStiffness(frame.members[m], length) * turn;
    const Mat12 g = turn.transpose() * geometric(s, length, turning) * turn;
    largest = std::max(largest, g.cwiseAbs().maxCoeff());
    const auto index = [&](int r) {
      const int node = r < 6 ? frame.members[m].i : frame.members[m].j;
      return dof[static_cast<size_t>(node)][static_cast<size_t>(r % 6)];
    };
    for (int r = 0; r < 12; ++r)
      for (int c = 0; c < 12; ++c)
        if (index(r) >= 0 && index(c) >= 0) {
          stiff.emplace_back(index(r), index(c), k(r, c));
          soft.emplace_back(index(r), index(c), -g(r, c));
        }
  }
  if (largest < 1e-12) return {};
  Sparse a(count, count);
  Sparse b(count, count);
  a.setFromTriplets(soft.begin(), soft.end());
  b.setFromTriplets(stiff.begin(), stiff.end());
  // -G x = mu K x: the largest mu is the smallest factor 1/mu.
  const int wanted = std::min(most, count - 1);
  const int basis = std::min(count, std::max(2 * wanted + 12, 24));
  Spectra::SparseSymMatProd<double> product(a);
  Spectra::SparseCholesky<double> factor(b);
  if (factor.info() != Spectra::CompInfo::Successful) return {};
  Spectra::SymGEigsSolver<Spectra::SparseSymMatProd<double>, Spectra::SparseCholesky<double>,
                          Spectra::GEigsMode::Cholesky>
      solver(product, factor, wanted, basis);
  solver.init();
  solver.compute(Spectra::SortRule::LargestAlge, 500, 1e-9);
  std::vector<double> out;
  const Eigen::VectorXd found = solver.eigenvalues();
  for (Eigen::Index k = 0; k < found.size(); ++k)
    if (found[k] > 1e-9) out.push_back(1 / found[k]);
  std::sort(out.begin(), out.end());
  return out;
}

} // namespace columna
