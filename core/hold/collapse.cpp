#include "hold/collapse.h"

#include "hold/buckling.h"
#include "wire/section.h"

#include <Eigen/Geometry>
#include <glpk.h>

#include <algorithm>
#include <limits>
#include <queue>

namespace columna {
namespace {

using Wrenches = Eigen::Matrix<double, 6, Eigen::Dynamic>;

constexpr double kLargest = 1e6; ///< a factor above this is said to be none
constexpr double kClose = 1e-4;

/// Moments of a section as sums over the unknowns: the load factor first, then the redundant forces.
struct Section {
  int member = 0;
  Eigen::RowVectorXd y, z, twist;
};

/// The frame as a tree standing on one support; every other support, and every cut through a ring, is a set
/// of unknown forces.
class Statics {
public:
  explicit Statics(const Frame& frame) : f_(frame) {
    root_ = pickRoot();
    if (root_ < 0) return;
    span();
    count_ = 1;
    for (size_t n = 0; n < f_.nodes.size(); ++n)
      if (static_cast<int>(n) != root_)
        for (const bool fixed : f_.nodes[n].fixed) count_ += fixed ? 1 : 0;
    count_ += 6 * static_cast<int>(cut_.size());
    gather();
  }

  [[nodiscard]] bool supported() const { return root_ >= 0; }
  [[nodiscard]] int unknowns() const { return count_; }
  [[nodiscard]] const std::vector<Section>& sections() const { return sections_; }
  /// What must be nothing: the root's forces in directions it does not hold.
  [[nodiscard]] const std::vector<Eigen::RowVectorXd>& balances() const { return balances_; }

private:
  [[nodiscard]] int pickRoot() const {
    int best = -1;
    int most = 0;
    for (size_t n = 0; n < f_.nodes.size(); ++n) {
      const auto held =
          static_cast<int>(std::count(f_.nodes[n].fixed.begin(), f_.nodes[n].fixed.end(), true));
      if (held > most) {
        most = held;
        best = static_cast<int>(n);
      }
    }
    return best;
  }

  void span() {
    parent_.assign(f_.nodes.size(), -1);
    through_.assign(f_.nodes.size(), -1);
    std::vector<bool> seen(f_.nodes.size(), false);
    std::vector<bool> used(f_.members.size(), false);
    std::queue<int> open;
    open.push(root_);
    seen[static_cast<size_t>(root_)] = true;
    while (!open.empty()) {
      const int n = open.front();
      open.pop();
      order_.push_back(n);
      for (size_t m = 0; m < f_.members.size(); ++m) {
        const FrameMember& each = f_.members[m];
        if (used[m] || (each.i != n && each.j != n)) continue;
        const int other = each.i == n ? each.j : each.i;
        used[m] = true;
        if (seen[static_cast<size_t>(other)]) {
          cut_.push_back(static_cast<int>(m));
          continue;
        }
        seen[static_cast<size_t>(other)] = true;
        parent_[static_cast<size_t>(other)] = n;
        through_[static_cast<size_t>(other)] = static_cast<int>(m);
        open.push(other);
      }
    }
  }

  [[nodiscard]] const Vec3& at(int node) const { return f_.nodes[static_cast<size_t>(node)].at; }

  void moved(Wrenches& w, const Vec3& by) const { // moments about a place that lies `by` further back
    for (Eigen::Index c = 0; c < w.cols(); ++c) w.col(c).tail<3>() += by.cross(Vec3(w.col(c).head<3>()));
  }

  void weigh(Wrenches& w, const Vec3& force, const Vec3& arm) const {
    w.col(0).head<3>() += force;
    w.col(0).tail<3>() += arm.cross(force);
  }

  void note(int member, const Wrenches& w) {
    if (f_.members[static_cast<size_t>(member)].plastic <= 0) return;
    const Eigen::Matrix3d axes = memberAxes(f_, member);
    const Eigen::Matrix<double, 3, Eigen::Dynamic> m = axes * w.bottomRows<3>();
    sections_.push_back({member, m.row(1), m.row(2), m.row(0)});
  }

  /// A member from its far end, with all that hangs there, to its near end.
  Wrenches along(int member, Wrenches w, const Vec3& far, const Vec3& near) {
    const Vec3& q = f_.members[static_cast<size_t>(member)].weight;
    const Vec3 run = far - near;
    const double length = run.norm();
    note(member, w);
    Wrenches middle = w;
    moved(middle, run / 2);
    weigh(middle, q * length / 2, run / 4);
    note(member, middle);
    moved(w, run);
    weigh(w, q * length, run / 2);
    note(member, w);
    return w;
  }

  void gather() {
    std::vector<Wrenches> on(f_.nodes.size(), Wrenches::Zero(6, count_));
    for (const FrameLoad& load : f_.loads) {
      on[static_cast<size_t>(load.node)].col(0).head<3>() += load.force;
      on[static_cast<size_t>(load.node)].col(0).tail<3>() += load.moment;
    }
    int next = 1;
    for (size_t n = 0; n < f_.nodes.size(); ++n)
      if (static_cast<int>(n) != root_)
        for (Eigen::Index k = 0; k < 6; ++k)
          if (f_.nodes[n].fixed[static_cast<size_t>(k)]) on[n](k, next++) += 1;
    for (const int m : cut_) { // a ring is cut at its member's beginning
      const FrameMember& each = f_.members[static_cast<size_t>(m)];
      Wrenches w = Wrenches::Zero(6, count_);
      for (Eigen::Index k = 0; k < 6; ++k) {
        w(k, next + k) = 1;
        on[static_cast<size_t>(each.i)](k, next + k) -= 1;
      }
      next += 6;
      on[static_cast<size_t>(each.j)] += along(m, std::move(w), at(each.i), at(each.j));
    }
    for (size_t k = order_.size(); k-- > 1;) {
      const int n = order_[k];
      const int up = parent_[static_cast<size_t>(n)];
      on[static_cast<size_t>(up)] +=
          along(through_[static_cast<size_t>(n)], on[static_cast<size_t>(n)], at(n), at(up));
    }
    for (Eigen::Index k = 0; k < 6; ++k)
      if (!f_.nodes[static_cast<size_t>(root_)].fixed[static_cast<size_t>(k)])
        balances_.emplace_back(on[static_cast<size_t>(root_)].row(k));
  }

  const Frame& f_;
  int root_ = -1;
  int count_ = 0;
  std::vector<int> parent_, through_, order_, cut_;
  std::vector<Section> sections_;
  std::vector<Eigen::RowVectorXd> balances_;
};

/// The programme: the factor as large as it can be.
class Programme {
public:
  explicit Programme(int unknowns) : lp_(glp_create_prob()), unknowns_(unknowns) {
    glp_set_obj_dir(lp_, GLP_MAX);
    glp_add_cols(lp_, unknowns);
    glp_set_col_bnds(lp_, 1, GLP_DB, 0, kLargest);
    for (int c = 2; c <= unknowns; ++c) glp_set_col_bnds(lp_, c, GLP_FR, 0, 0);
    glp_set_obj_coef(lp_, 1, 1);
    glp_init_smcp(&how_);
    how_.msg_lev = GLP_MSG_OFF;
    how_.meth = GLP_DUALP;
  }
  ~Programme() { glp_delete_prob(lp_); }
  Programme(const Programme&) = delete;
  Programme& operator=(const Programme&) = delete;

  void row(const Eigen::RowVectorXd& sum, int kind, double low, double high) {
    const int r = glp_add_rows(lp_, 1);
    std::vector<int> where{0};
    std::vector<double> much{0};
    const double least = 1e-14 * sum.cwiseAbs().maxCoeff();
    for (int c = 0; c < unknowns_; ++c)
      if (std::abs(sum[c]) > least) {
        where.push_back(c + 1);
        much.push_back(sum[c]);
      }
    glp_set_mat_row(lp_, r, static_cast<int>(where.size()) - 1, where.data(), much.data());
    glp_set_row_bnds(lp_, r, kind, low, high);
  }

  bool solve(Eigen::VectorXd& x) {
    if (glp_simplex(lp_, &how_) != 0) {
      glp_std_basis(lp_);
      if (glp_simplex(lp_, &how_) != 0) return false;
    }
    if (glp_get_status(lp_) != GLP_OPT) return false;
    x.resize(unknowns_);
    for (int c = 0; c < unknowns_; ++c) x[c] = glp_get_col_prim(lp_, c + 1);
    return true;
  }

private:
  glp_prob* lp_;
  glp_smcp how_{};
  int unknowns_;
};

} // namespace

Collapse collapseLoad(const Frame& frame) {
  Collapse out;
  out.factor = std::numeric_limits<double>::infinity();
  const Statics statics(frame);
  if (!statics.supported() || statics.sections().empty()) return out;
  glp_term_out(GLP_OFF);
  Programme programme(statics.unknowns());
  for (const auto& balance : statics.balances()) programme.row(balance, GLP_FX, 0, 0);
  for (const Section& s : statics.sections()) {
    const FrameMember& m = frame.members[static_cast<size_t>(s.member)];
    for (const auto* sum : {&s.y, &s.z})
      if (sum->cwiseAbs().maxCoeff() > 1e-12) programme.row(*sum, GLP_DB, -m.plastic, m.plastic);
    if (m.plasticTorque > 0 && s.twist.cwiseAbs().maxCoeff() > 1e-12)
      programme.row(s.twist, GLP_DB, -m.plasticTorque, m.plasticTorque);
  }
  Eigen::VectorXd x;
  std::vector<double> used(frame.members.size(), 0);
  for (int round = 0; round < 80; ++round) {
    if (!programme.solve(x)) return out;
    bool kept = true;
    std::fill(used.begin(), used.end(), 0.0);
    for (const Section& s : statics.sections()) {
      const FrameMember& m = frame.members[static_cast<size_t>(s.member)];
      const double y = s.y.dot(x);
      const double z = s.z.dot(x);
      const double bending = std::hypot(y, z);
      double& most = used[static_cast<size_t>(s.member)];
      most = std::max(most, bending / m.plastic);
      if (bending <= m.plastic * (1 + kClose)) continue;
      kept = false;
      programme.row((y * s.y + z * s.z) / bending, GLP_UP, 0, m.plastic);
    }
    if (kept) break;
  }
  if (x[0] >= kLargest * 0.999) return out;
  out.factor = x[0];
  for (size_t m = 0; m < used.size(); ++m)
    if (used[m] > 0.999) out.hinges.push_back(static_cast<int>(m));
  return out;
}

namespace {

/// Curvature over that of first yield at which a section carries `share` of its plastic moment.
double ratioAt(double share) {
  constexpr double top = 60;
  double low = 0;
  double high = top;
  if (momentShare(top) <= share) return top;
  for (int k = 0; k < 60; ++k) {
    const double mid = (low + high) / 2;
    (momentShare(mid) < share ? low : high) = mid;
  }
  return (low + high) / 2;
}

} // namespace

PlasticSag plasticSag(const Frame& frame, int parts) {
  PlasticSag out;
  Frame fine = divided(frame, std::max(1, parts));
  const Frame stiff = fine;
  std::vector<double> share(fine.members.size(), 1); // of its stiffness that each part keeps
  FrameSolution last;
  for (out.rounds = 1; out.rounds <= 60; ++out.rounds) {
    const ElasticFrame elastic(fine);
    if (!elastic.stable()) break;
    FrameSolution now = elastic.solve();
    double change = 0;
    out.gaveWay = false;
    for (size_t m = 0; m < fine.members.size(); ++m) {
      const FrameMember& each = stiff.members[m];
      if (each.plastic <= 0 || each.firstYield <= 0) continue;
      const EndForces& e = now.ends[m];
      // The middle of the part: half way between what its two ends carry.
      const double moment = std::hypot((e.j[4] - e.i[4]) / 2, (e.j[5] - e.i[5]) / 2);
      double wanted = 1;
      if (moment > each.firstYield) {
        const double part = moment / each.plastic;
        out.gaveWay = out.gaveWay || part >= 0.9999;
        wanted = (moment / each.firstYield) / ratioAt(std::min(part, 0.99999));
      }
      change = std::max(change, std::abs(wanted - share[m]) / wanted);
      share[m] = wanted;
      fine.members[m].inertia = each.inertia * wanted;
    }
    last = std::move(now);
    if (change < 1e-4) break;
  }
  last.moved.resize(frame.nodes.size(), Vec6::Zero());
  last.reactions.resize(frame.nodes.size(), Vec6::Zero());
  last.ends.clear();
  out.solution = std::move(last);
  return out;
}

} // namespace columna
