#include "photo/photo_fit.h"

#include <Eigen/Dense>

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>

namespace columna {
namespace {

using Numbers = PhotoCamera::Numbers;
using Square = Eigen::Matrix<double, PhotoCamera::kNumbers, PhotoCamera::kNumbers>;

constexpr double kCount = 60;    ///< points of an edge that count as independent
constexpr double kSoft = 0.25;   ///< mm: what is farther off pulls no harder
constexpr double kClip = 8;      ///< mm
constexpr double kGround = 4;    ///< mm above the ground that do not vote: shadow, and what it stands on
constexpr double kTelling = 0.7; ///< mm a girth is off by, usually: the unit of a point's vote
constexpr double kLeastTelling = 0.3;
constexpr double kAgainst = 0.2; ///< ways out less alike are of another side
constexpr int kSidePoints = 6;   ///< points that make a side
constexpr int kFitRounds = 14;

/// Rim points in buckets, to find the nearest.
class RimGrid {
public:
  /// What lies far beyond a picture of that size is left out.
  RimGrid(const std::vector<RimPoint>& rim, const std::vector<Vec2>& at, double cell, const Vec2& size)
      : rim_(rim), at_(at), cell_(cell) {
    const auto near = [&](const Vec2& p) {
      return p.x() > -size.x() && p.x() < 2 * size.x() && p.y() > -size.y() && p.y() < 2 * size.y();
    };
    for (const Vec2& p : at) {
      if (!near(p)) continue;
      low_ = low_.cwiseMin(p);
      top_ = top_.cwiseMax(p);
    }
    if (low_.x() > top_.x()) return;
    wide_ = static_cast<int>((top_.x() - low_.x()) / cell_) + 1;
    high_ = static_cast<int>((top_.y() - low_.y()) / cell_) + 1;
    cells_.resize(static_cast<size_t>(wide_) * static_cast<size_t>(high_));
    for (size_t i = 0; i < at.size(); ++i)
      if (near(at[i])) cells_[cellOf(at[i])].push_back(static_cast<int>(i));
  }

  /// The nearest that looks the same way; -1 within `reach` px of none.
  [[nodiscard]] int nearest(const EdgePoint& p, double reach) const {
    int found = -1;
    if (cells_.empty()) return found;
    double best = reach * reach;
    const int most = static_cast<int>(reach / cell_) + 1;
    const int cx = static_cast<int>(std::floor((p.at.x() - low_.x()) / cell_));
    const int cy = static_cast<int>(std::floor((p.at.y() - low_.y()) / cell_));
    for (int ring = 0; ring <= most; ++ring) {
      if (found >= 0 && (ring - 1) * cell_ > std::sqrt(best)) break;
      for (int y = cy - ring; y <= cy + ring; ++y)
        for (int x = cx - ring; x <= cx + ring; ++x) {
          if (std::max(std::abs(x - cx), std::abs(y - cy)) != ring) continue;
          if (x < 0 || y < 0 || x >= wide_ || y >= high_) continue;
          for (const int i :
               cells_[static_cast<size_t>(y) * static_cast<size_t>(wide_) + static_cast<size_t>(x)]) {
            const size_t at = static_cast<size_t>(i);
            const double d = (at_[at] - p.at).squaredNorm();
            if (d < best && rim_[at].out.dot(p.out) > kAgainst) {
              best = d;
              found = i;
            }
          }
        }
    }
    return found;
  }

private:
  [[nodiscard]] size_t cellOf(const Vec2& p) const {
    const int x = std::clamp(static_cast<int>((p.x() - low_.x()) / cell_), 0, wide_ - 1);
    const int y = std::clamp(static_cast<int>((p.y() - low_.y()) / cell_), 0, high_ - 1);
    return static_cast<size_t>(y) * static_cast<size_t>(wide_) + static_cast<size_t>(x);
  }
  const std::vector<RimPoint>& rim_;
  const std::vector<Vec2>& at_;
  double cell_;
  Vec2 low_{1e9, 1e9}, top_{-1e9, -1e9};
  int wide_ = 1, high_ = 1;
  std::vector<std::vector<int>> cells_;
};

class Fitting {
public:
  explicit Fitting(const FitAsk& ask) : ask_(ask) {
    for (const EdgePoint& p : *ask.edge) lowest_ = std::max(lowest_, p.at.y());
  }

  PhotoFit run(const PhotoCamera& start, bool coarse, int rounds) {
    PhotoFit fit;
    fit.camera = start;
    for (int round = 0; round < rounds && !stopped(); ++round) {
      fit.rim = rimOf(*ask_.model, fit.camera, ask_.width, ask_.height, coarse);
      if (fit.rim.empty()) break;
      double moved = 0;
      for (int step = 0; step < 3; ++step) {
        match(fit);
        moved = std::max(moved, advance(fit));
      }
      if (moved < 0.02) break; // of a pixel
    }
    if (!stopped()) fit.rim = rimOf(*ask_.model, fit.camera, ask_.width, ask_.height, coarse);
    match(fit);
    (void)advance(fit, true);
    return fit;
  }

private:
  [[nodiscard]] bool stopped() const { return ask_.stop && *ask_.stop; }

  /// Each point of the photo's edge with the figure's nearest, as the camera is now.
  void match(PhotoFit& fit) const {
    fit.matches.clear();
    if (fit.rim.empty()) return;
    const PhotoEye eye(fit.camera);
    std::vector<Vec2> at(fit.rim.size());
    for (size_t i = 0; i < at.size(); ++i) at[i] = eye.at(fit.rim[i].place);
    const double reach = std::max(12.0, 3 * kClip * fit.camera.scale);
    const RimGrid grid(fit.rim, at, std::max(4.0, reach / 8), Vec2(ask_.width, ask_.height));
    std::array<PhotoEye, PhotoCamera::kNumbers> beside{eye, eye, eye, eye, eye, eye, eye};
    constexpr double small = 1e-5;
    const Numbers now = fit.camera.numbers();
    for (int k = 0; k < PhotoCamera::kNumbers; ++k) {
      Numbers n = now;
      n[k] += small;
      beside[static_cast<size_t>(k)] = PhotoEye(fit.camera.with(n));
    }
    const bool standing = fit.camera.view != PhotoView::Above;
    for (const EdgePoint& p : *ask_.edge) {
      EdgeMatch m;
      m.at = p.at;
      m.out = p.out;
      const int i = grid.nearest(p, reach);
      if (i >= 0) {
        const RimPoint& r = fit.rim[static_cast<size_t>(i)];
        const Vec3 seen = eye.seen(r.place);
        const double mm = eye.millimetres(seen.z());
        m.place = r.place;
        m.limb = r.limb;
        m.off = std::clamp((p.at - seen.head<2>()).dot(r.out) * mm, -kClip, kClip);
        for (int k = 0; k < PhotoCamera::kNumbers; ++k)
          m.slope[k] = -(beside[static_cast<size_t>(k)].at(r.place) - seen.head<2>()).dot(r.out) * mm / small;
      }
      m.low = standing && p.at.y() > lowest_ - kGround * fit.camera.scale;
      m.votes = m.limb >= 0 && !m.low && !(ask_.silent && ask_.silent(m.limb));
      fit.matches.push_back(std::move(m));
    }
  }

  /// One step, the longest way any number moves the edge, px; `last`: none is taken, the spread is left
  /// behind.
  double advance(PhotoFit& fit, bool last = false) const {
    double votes = 0;
    double squares = 0;
    for (const EdgeMatch& m : fit.matches)
      if (m.votes) {
        ++votes;
        squares += m.off * m.off;
      }
    fit.rms = votes > 0 ? std::sqrt(squares / votes) : kClip;
    const double each = kCount / std::max(1.0, votes) / (kTelling * kTelling);
    Square a = Square::Zero();
    Numbers b = Numbers::Zero();
    double cost = 0;
    const Numbers from = fit.camera.numbers() - ask_.guess.camera.numbers();
    for (int k = 0; k < PhotoCamera::kNumbers; ++k) {
      const double w = 1 / (ask_.guess.sd[k] * ask_.guess.sd[k]);
      a(k, k) += w;
      b[k] -= w * from[k];
      cost += w * from[k] * from[k] / 2;
    }
    for (const EdgeMatch& m : fit.matches) {
      if (!m.votes) continue;
      const double root = std::sqrt(1 + m.off * m.off / (kSoft * kSoft));
      const double w = each / root;
      cost += each * kSoft * kSoft * (root - 1);
      a += w * m.slope * m.slope.transpose();
      b -= w * m.off * m.slope;
    }
    fit.cost = cost;
    if (last) {
      // What a girth is off by here, not what is usual: a figure made closely is seen closely.
      // A limb that is too fat is so all along one side of it: as many sides, as many votes.
      const double telling = std::max(kLeastTelling, robust(fit));
      const double sides = std::min(kCount, static_cast<double>(sidesOf(fit)));
      Square c = Square::Zero();
      for (int k = 0; k < PhotoCamera::kNumbers; ++k) c(k, k) = 1 / (ask_.guess.sd[k] * ask_.guess.sd[k]);
      for (const EdgeMatch& m : fit.matches)
        if (m.votes) c += sides / std::max(1.0, votes) / (telling * telling) * m.slope * m.slope.transpose();
      fit.spread = c.inverse();
      // What was fitted to the sides is not seen in what is left of them.
      double free = 0;
      for (int k = 0; k < PhotoCamera::kNumbers; ++k)
        free += std::clamp(1 - fit.spread(k, k) / (ask_.guess.sd[k] * ask_.guess.sd[k]), 0.0, 1.0);
      fit.spread *= sides / std::max(1.0, sides - free);
      return 0;
    }
    Numbers move = a.ldlt().solve(b);
    // No step longer than the linear sums hold: some degrees, a tenth of the size.
    const Numbers most = (Numbers() << 5 * kDegree, 5 * kDegree, 3 * kDegree, 15, 15, 0.1, 0.2).finished();
    double part = 1;
    for (int k = 0; k < PhotoCamera::kNumbers; ++k)
      part = std::min(part, most[k] / std::max(1e-12, std::abs(move[k])));
    move *= std::min(1.0, part);
    Numbers next = fit.camera.numbers() + move;
    next[6] = std::max(next[6], std::log(0.7 * (ask_.model->high - ask_.model->low).norm())); // before it
    fit.camera = fit.camera.with(next);
    double moved = 0;
    for (const EdgeMatch& m : fit.matches)
      if (m.limb >= 0) moved = std::max(moved, std::abs(m.slope.dot(move)) * fit.camera.scale);
    return moved;
  }

  /// Sides of limbs that vote, each a quarter of the picture's ways out.
  [[nodiscard]] static size_t sidesOf(const PhotoFit& fit) {
    std::map<std::pair<int, int>, int> count;
    for (const EdgeMatch& m : fit.matches)
      if (m.votes) ++count[{m.limb, quarterOf(m.out)}];
    return static_cast<size_t>(std::count_if(count.begin(), count.end(),
                                             [](const auto& each) { return each.second >= kSidePoints; }));
  }

  /// As a standard deviation, by the median.
  [[nodiscard]] static double robust(const PhotoFit& fit) {
    std::vector<double> off;
    for (const EdgeMatch& m : fit.matches)
      if (m.votes) off.push_back(std::abs(m.off));
    if (off.empty()) return kClip;
    const auto mid = off.begin() + static_cast<std::ptrdiff_t>(off.size() / 2);
    std::nth_element(off.begin(), mid, off.end());
    return 1.4826 * *mid;
  }

  const FitAsk& ask_;
  double lowest_ = -1e9;
};

} // namespace

int quarterOf(const Vec2& out) {
  if (std::abs(out.x()) >= std::abs(out.y())) return out.x() >= 0 ? 0 : 2;
  return out.y() < 0 ? 1 : 3;
}

Eigen::AlignedBox2d boxOf(const PhotoModel& model, const PhotoCamera& camera) {
  const PhotoEye eye(camera);
  Eigen::AlignedBox2d box;
  for (const Eigen::Vector3f& v : model.mesh.vertices) box.extend(eye.at(v.cast<double>()));
  return box;
}

CameraGuess guessOf(const PhotoModel& model, const std::vector<EdgePoint>& edge, PhotoView view, int width,
                    int height) {
  Eigen::AlignedBox2d seen;
  for (const EdgePoint& p : edge) seen.extend(p.at);
  const double longer = std::max(width, height);
  CameraGuess out;
  PhotoCamera& c = out.camera;
  c.view = view;
  c.centre = model.centre;
  c.middle = Vec2((width - 1) / 2.0, (height - 1) / 2.0);
  c.pitch = view == PhotoView::Above ? 0 : 6 * kDegree;
  // How high it is says the scale, from above how long; thrice, as the distance changes how much is seen.
  c.scale = 1;
  c.distance = 1e6;
  for (int i = 0; i < 3; ++i) {
    const Eigen::AlignedBox2d box = boxOf(model, c);
    const double part = view == PhotoView::Above
                            ? seen.sizes().maxCoeff() / std::max(1e-9, box.sizes().maxCoeff())
                            : seen.sizes().y() / std::max(1e-9, box.sizes().y());
    c.scale *= part;
    c.distance = longer / c.scale;
    // A lens inside the figure sees nothing of it.
    c.distance = std::max(c.distance, 1.5 * (model.high - model.low).norm());
  }
  const Vec2 shift = (seen.center() - boxOf(model, c).center()) / c.scale;
  c.x = shift.x();
  c.y = -shift.y();
  const bool above = view == PhotoView::Above;
  out.sd << (above ? 5 : 10) * kDegree, 8 * kDegree, (above ? 10 : 3) * kDegree, 30, 30, 0.15, 0.35;
  return out;
}

PhotoFit refitted(const FitAsk& ask, const PhotoCamera& start) { return Fitting(ask).run(start, false, 4); }

PhotoFit fitted(const FitAsk& ask) {
  Fitting fitting(ask);
  const bool above = ask.guess.camera.view == PhotoView::Above;
  const int turned = above ? 2 : 0; // the number that turns it about its own upright
  PhotoFit best;
  best.cost = std::numeric_limits<double>::max();
  const bool sure = ask.guess.sd[turned] < 3 * kDegree;
  for (const double start : {0.0, -6 * kDegree, 6 * kDegree}) {
    if (sure && start != 0) break;
    Numbers n = ask.guess.camera.numbers();
    n[turned] += start;
    PhotoFit fit = fitting.run(ask.guess.camera.with(n), true, kFitRounds);
    if (fit.cost < best.cost) best = std::move(fit);
  }
  return fitting.run(best.camera, false, 6);
}

} // namespace columna
