#include "wire/bend_path.h"

#include "anatomy/tube.h"

#include <Eigen/Dense>

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

constexpr double kClose = 3;       ///< wire diameters: joints nearer than that are bent as one
constexpr double kGentle = 0.15;   ///< radians: beside a sharper bend's arc, such a joint is part of it
constexpr double kWide = 1.57;     ///< radians: up to here a joint keeps its usual radius
constexpr double kFolded = 2.36;   ///< and from here on it has the tightest
constexpr double kStraight = 0.2;  ///< of each leg, at either end of its middle, stays straight
constexpr int kRounds = 60;        ///< of repetition, before Newton's method is asked
constexpr int kNewton = 40;        ///< steps of it
constexpr double kNudge = 1e-7;    ///< radians, for its slopes
constexpr double kSettled = 1e-11; ///< they have stopped turning

/// A bend to be, or one of the path's two ends.
struct Node {
  size_t first = 0, last = 0;
  Vec3 at{0, 0, 0};
  double tightest = 0, usual = 0;
  double angle = 0;  ///< between the straight lines to its neighbours
  double radius = 0; ///< settled when the nodes are
};

class Bending {
public:
  Bending(const std::vector<PathPoint>& points, double thick, const std::optional<Vec3>& arrives)
      : points_(points), thick_(thick), arrives_(arrives) {}

  BentPath run() {
    for (size_t k = 0; k < points_.size(); ++k) {
      const bool end = k == 0 || k + 1 == points_.size();
      if (!end &&
          bendAngle(points_[k].at - points_[k - 1].at, points_[k + 1].at - points_[k].at) < kLeastBend)
        continue;
      nodes_.push_back(
          {k, k, points_[k].at, end ? 0 : points_[k].tightest, end ? 0 : points_[k].usual, 0, 0});
    }
    for (bool again = true; again;) {
      while (mergeOne()) {
      }
      bool found = false;
      for (const bool tight : {false, true}) {
        chooseRadii(tight);
        found = solve();
        if (found) break;
      }
      again = !found && forceMerge();
    }
    return result();
  }

private:
  [[nodiscard]] double gap(size_t k) const { return (nodes_[k + 1].at - nodes_[k].at).norm(); }
  [[nodiscard]] bool end(size_t k) const { return k == 0 || k + 1 == nodes_.size(); }

  void angles() {
    for (size_t k = 1; k + 1 < nodes_.size(); ++k)
      nodes_[k].angle = bendAngle(nodes_[k].at - nodes_[k - 1].at, nodes_[k + 1].at - nodes_[k].at);
  }

  /// Room along a leg that a bend of that radius takes.
  static double room(const Node& n, double radius) { return radius * std::sin(std::min(n.angle, 3.0) / 2); }

  /// How much longer a leg would have to be, over its length; 0 or less where both its bends fit.
  [[nodiscard]] double lacks(size_t k) const {
    const Node& a = nodes_[k];
    const Node& b = nodes_[k + 1];
    double need = (room(a, a.tightest) + room(b, b.tightest)) / (1 - 2 * kStraight);
    if (!end(k) && !end(k + 1)) {
      if (a.angle > kGentle && b.angle > kGentle) need = std::max(need, kClose * thick_);
      // A gentle bend within a sharper one's arc.
      if ((a.angle > kGentle) != (b.angle > kGentle))
        need = std::max(need, 2 * (a.angle > kGentle ? room(a, a.usual) : room(b, b.usual)));
    }
    return need / std::max(gap(k), 1e-9) - 1;
  }

  /// Takes the two ends of the leg that lacks most as one; false when all have room.
  bool mergeOne() {
    angles();
    // A joint that has become straight is no bend.
    for (size_t k = 1; k + 1 < nodes_.size(); ++k)
      if (nodes_[k].angle < kLeastBend) {
        nodes_.erase(nodes_.begin() + static_cast<std::ptrdiff_t>(k));
        return true;
      }
    size_t worst = nodes_.size();
    double most = 1e-9;
    for (size_t k = 0; k + 1 < nodes_.size(); ++k)
      if (const double by = lacks(k); by > most) {
        most = by;
        worst = k;
      }
    if (worst == nodes_.size()) return false;
    return merge(worst);
  }

  bool merge(size_t k) {
    if (nodes_.size() <= 2) return false;
    if (end(k) || end(k + 1)) { // beside an end: passed straight
      const size_t gone = end(k) ? k + 1 : k;
      note(nodes_[gone]);
      nodes_.erase(nodes_.begin() + static_cast<std::ptrdiff_t>(gone));
      return true;
    }
    Node& a = nodes_[k];
    const Node b = nodes_[k + 1];
    if ((a.angle > kGentle) != (b.angle > kGentle)) { // the sharper one stays where it is
      note(a.angle > kGentle ? b : a);
      nodes_.erase(nodes_.begin() + static_cast<std::ptrdiff_t>(a.angle > kGentle ? k + 1 : k));
      return true;
    }
    a.last = b.last;
    a.at = (a.at + b.at) / 2;
    a.tightest = std::max(a.tightest, b.tightest);
    a.usual = std::max(a.usual, b.usual);
    nodes_.erase(nodes_.begin() + static_cast<std::ptrdiff_t>(k) + 1);
    return true;
  }

  void note(const Node& n) {
    for (size_t p = n.first; p <= n.last; ++p) out_.passed.push_back(p);
  }

  /// As wide as a joint likes it where there is room, never tighter than the wire can be bent.
  void chooseRadii(bool tight) {
    for (size_t k = 1; k + 1 < nodes_.size(); ++k) {
      Node& n = nodes_[k];
      // A joint folded together is bent as tightly as it can be, or its legs would have to spread.
      const double folded = std::clamp((n.angle - kWide) / (kFolded - kWide), 0.0, 1.0);
      double most = tight ? n.tightest : n.usual + folded * (n.tightest - n.usual);
      const double sine = std::sin(std::min(n.angle, 3.0) / 2);
      for (const size_t leg : {k - 1, k}) {
        const size_t beside = leg == k ? k + 1 : k - 1;
        const double length = (1 - 2 * kStraight) * gap(leg);
        const double others = room(nodes_[beside], nodes_[beside].tightest);
        // Half of the leg, less where the other bend cannot do with the other half.
        const double mine = end(beside) ? length : std::min(length / 2, length - others);
        most = std::min(most, mine / std::max(sine, 1e-9));
      }
      n.radius = std::max(n.tightest, most);
    }
  }

  /// The directions of the legs, so that each leads from one arc's end to the next one's beginning; false
  /// where there are none, or the arcs overlap.
  bool solve() {
    direction_.resize(nodes_.size() - 1);
    for (size_t k = 0; k < direction_.size(); ++k)
      direction_[k] = (nodes_[k + 1].at - nodes_[k].at).normalized();
    const bool found = repeat() || newton();
    straight_.clear();
    for (size_t k = 0; k < direction_.size(); ++k) straight_.push_back(between(k).dot(direction_[k]));
    return found && std::all_of(straight_.begin(), straight_.end(), [](double s) { return s >= 0; });
  }

  /// From the end of the arc before a leg to the beginning of the one after it.
  [[nodiscard]] Vec3 between(size_t leg) const {
    Vec3 in;
    Vec3 from;
    Vec3 to;
    Vec3 out;
    ends(leg, in, from);
    ends(leg + 1, to, out);
    return to - from;
  }

  /// By repetition, which is quick and nearly always does; false when it swings.
  bool repeat() {
    double step = 1;
    double last = 4;
    std::vector<Vec3> next(direction_.size());
    for (int round = 0; round < kRounds; ++round) {
      double turned = 0;
      for (size_t k = 0; k < direction_.size(); ++k) {
        const Vec3 run = between(k);
        if (run.dot(direction_[k]) <= 0) return false;
        const Vec3 off = run.normalized() - direction_[k];
        turned = std::max(turned, off.norm());
        next[k] = (direction_[k] + step * off).normalized();
      }
      direction_ = next;
      if (turned < kSettled) return true;
      if (turned > last) step = std::max(0.1, step / 2);
      last = turned;
    }
    return false;
  }

  /// How far each leg's direction is off, in two axes square to it.
  [[nodiscard]] Eigen::VectorXd off(const std::vector<std::array<Vec3, 2>>& axes) const {
    Eigen::VectorXd out(static_cast<Eigen::Index>(2 * direction_.size()));
    for (size_t k = 0; k < direction_.size(); ++k) {
      const Vec3 run = between(k);
      const Vec3 by = run / std::max(run.norm(), 1e-12) - direction_[k];
      for (size_t a = 0; a < 2; ++a) out[static_cast<Eigen::Index>(2 * k + a)] = by.dot(axes[k][a]);
    }
    return out;
  }

  /// By Newton's method from the bones' own directions, shortening steps that make it worse.
  bool newton() {
    const size_t legs = direction_.size();
    for (size_t k = 0; k < legs; ++k) direction_[k] = (nodes_[k + 1].at - nodes_[k].at).normalized();
    for (int round = 0; round < kNewton; ++round) {
      std::vector<std::array<Vec3, 2>> axes(legs);
      for (size_t k = 0; k < legs; ++k) {
        axes[k][0] = direction_[k].unitOrthogonal();
        axes[k][1] = direction_[k].cross(axes[k][0]);
      }
      const std::vector<Vec3> begun = direction_;
      const Eigen::VectorXd now = off(axes);
      if (now.norm() < kSettled) return true;
      Eigen::MatrixXd slope(now.size(), now.size());
      for (Eigen::Index c = 0; c < now.size(); ++c) {
        const auto k = static_cast<size_t>(c / 2);
        direction_[k] = (begun[k] + kNudge * axes[k][static_cast<size_t>(c % 2)]).normalized();
        slope.col(c) = (off(axes) - now) / kNudge;
        direction_[k] = begun[k];
      }
      const Eigen::VectorXd move = slope.partialPivLu().solve(-now);
      for (double step = 1;; step /= 2) {
        for (size_t k = 0; k < legs; ++k) {
          const auto i = static_cast<Eigen::Index>(2 * k);
          direction_[k] = (begun[k] + step * (move[i] * axes[k][0] + move[i + 1] * axes[k][1])).normalized();
        }
        if (off(axes).norm() < now.norm() || step < 1e-3) break;
      }
    }
    return false;
  }

  /// Where a node's arc begins and ends.
  void ends(size_t k, Vec3& in, Vec3& out) const {
    const Node& n = nodes_[k];
    in = out = n.at;
    if (k == 0) {
      if (const double angle = startAngle(); angle > 0) {
        const Vec3 side = (direction_[0] - arrives_->dot(direction_[0]) * *arrives_).normalized();
        out += startRadius() * (std::sin(angle) * *arrives_ + (1 - std::cos(angle)) * side);
      }
      return;
    }
    if (k + 1 == nodes_.size()) return;
    const Apex apex = apexAt(k);
    if (apex.half < kLeastBend / 2) return;
    const Vec3 up = n.radius * (1 - std::cos(apex.half)) * apex.inward;
    in += up - n.radius * std::sin(apex.half) * apex.along;
    out += up + n.radius * std::sin(apex.half) * apex.along;
  }

  /// A bend seen from its apex. Where a limb is folded nearly flat the wire turns by more than half a turn,
  /// so that its legs come together again.
  struct Apex {
    Vec3 along{1, 0, 0}, inward{0, 1, 0};
    double half = 0; ///< radians
  };
  [[nodiscard]] Apex apexAt(size_t k) const {
    const Vec3& a = direction_[k - 1];
    const Vec3& b = direction_[k];
    Apex out;
    out.inward = (b - a).normalized();
    const Vec3 meant =
        (nodes_[k].at - nodes_[k - 1].at).normalized() + (nodes_[k + 1].at - nodes_[k].at).normalized();
    out.along = a + b;
    if (out.along.norm() < 1e-9) out.along = meant - out.inward * out.inward.dot(meant);
    out.along.normalize();
    if (out.along.dot(meant) < 0) out.along = -out.along;
    out.half = std::atan2((b - a).norm() / 2, a.dot(out.along));
    return out;
  }

  [[nodiscard]] double startAngle() const {
    if (!arrives_) return 0;
    const double angle = bendAngle(*arrives_, direction_[0]);
    return angle < kLeastBend ? 0 : angle;
  }
  [[nodiscard]] double startRadius() const {
    return std::min(points_.front().usual, std::max(points_.front().tightest, gap(0) / 4));
  }

  /// Where there is no such path the shortest leg's joints are taken as one; false when nothing is left to.
  bool forceMerge() {
    angles();
    size_t shortest = 0;
    for (size_t k = 1; k + 1 < nodes_.size(); ++k)
      if (straight_[k] < straight_[shortest]) shortest = k;
    return merge(shortest);
  }

  BentPath result() {
    out_.begins = direction_.front();
    out_.ends = direction_.back();
    if (const double angle = startAngle(); angle > 0)
      out_.start = PathBend{0,
                            0,
                            nodes_.front().at,
                            startRadius(),
                            angle,
                            arrives_->cross(direction_[0]).normalized(),
                            *arrives_,
                            direction_[0]};
    out_.straight.push_back(straight_.front());
    for (size_t k = 1; k + 1 < nodes_.size(); ++k) {
      const Node& n = nodes_[k];
      const Apex apex = apexAt(k);
      if (2 * apex.half < kLeastBend) {
        out_.straight.back() += straight_[k];
        continue;
      }
      out_.bends.push_back({n.first, n.last, n.at, n.radius, 2 * apex.half, apex.along.cross(apex.inward),
                            direction_[k - 1], direction_[k]});
      out_.straight.push_back(straight_[k]);
    }
    return std::move(out_);
  }

  const std::vector<PathPoint>& points_;
  double thick_;
  std::optional<Vec3> arrives_;
  std::vector<Node> nodes_;
  std::vector<Vec3> direction_;
  std::vector<double> straight_;
  BentPath out_;
};

} // namespace

BentPath bendPath(const std::vector<PathPoint>& points, double thick, const std::optional<Vec3>& arrives) {
  return Bending(points, thick, arrives).run();
}

} // namespace columna
