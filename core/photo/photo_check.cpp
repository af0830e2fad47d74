#include "photo/photo_check.h"

#include "anatomy/plane.h"
#include "hold/soles.h"

#include <Eigen/Dense>

#include <algorithm>
#include <cmath>
#include <map>
#include <set>
#include <tuple>

namespace columna {
namespace {

constexpr size_t kPoints = 600;    ///< of the photo's edge
constexpr size_t kLeastPoints = 8; ///< that a reading stands on
constexpr double kMostTurned = 15 * kDegree;
constexpr double kWrong = 3;              ///< mm rms: it is something else, or seen from elsewhere
constexpr double kWrongShare = 0.03;      ///< of the figure's largest measure: small ones are nearer
constexpr double kMostSoft = 6;           ///< px: nothing can be read from such an edge
constexpr double kStretch = 20;           ///< mm along a limb that is read as one place
constexpr double kOuter = 0.3;            ///< of an edge's way out, away from the middle
constexpr double kMostTurn = 8 * kDegree; ///< of a limb that is looked for
constexpr double kTurnReading = 0.4;      ///< mm at a limb's end, what its turn is read to
constexpr double kLeastTurn = 3 * kDegree;
constexpr double kShortLimb = 20; ///< mm: a shorter one's turn is its outline's roughness
constexpr double kAcross = 0.6;   ///< of its length lies across the picture
constexpr int kFaults = 3;        ///< pairs that are looked for without those found before
constexpr double kBetter = 0.6;   ///< of its misfit is left where a turn is to be believed

double median(std::vector<double> values) {
  const auto mid = values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2);
  std::nth_element(values.begin(), mid, values.end());
  return *mid;
}

/// A reading of several points: the median, and its slope by the camera's numbers.
struct Reading {
  double off = 0;
  PhotoCamera::Numbers slope = PhotoCamera::Numbers::Zero();
  double scatter = 0; ///< mm, of the median, by how unlike the points are
  Vec2 at{0, 0}, out{0, 0};
  Vec3 place{0, 0, 0};
};
Reading readingOf(const std::vector<const EdgeMatch*>& points) {
  Reading out;
  if (points.empty()) return out;
  std::vector<double> off;
  for (const EdgeMatch* m : points) {
    off.push_back(m->off);
    out.slope += m->slope / static_cast<double>(points.size());
  }
  out.off = median(off);
  // Points beside each other are alike: four count as one.
  std::vector<double> unlike = off;
  for (double& each : unlike) each = std::abs(each - out.off);
  out.scatter =
      1.25 * 1.4826 * median(unlike) / std::sqrt(std::max(1.0, static_cast<double>(off.size()) / 4));
  // Shown at the point that is its median.
  const EdgeMatch* shown = *std::min_element(points.begin(), points.end(), [&](const auto* a, const auto* b) {
    return std::abs(a->off - out.off) < std::abs(b->off - out.off);
  });
  out.at = shown->at;
  out.out = shown->out;
  out.place = shown->place;
  return out;
}

class Looking {
public:
  Looking(const PhotoAsk& ask, FitAsk fit, PhotoCheck& out) : ask_(ask), fitAsk_(std::move(fit)), out_(out) {
    const Eigen::Matrix3d turn = out_.fit.camera.turn();
    left_ = Vec2(turn(0, 1), -turn(1, 1)); // where the animal's left lies in the picture
  }

  void run() {
    progress(400);
    hidden();
    turns();
    progress(450);
    for (const PhotoTurn& t : out_.turns)
      if (t.told()) apart_.insert(t.limb);
    readPairs();
    if (!apart_.empty() && !stopped()) { // what is faulty moves the camera that the others are read by
      FitAsk ask = fitAsk_;
      ask.silent = [this](int l) { return apart_.contains(l); };
      PhotoFit fit = refitted(ask, out_.fit.camera);
      if (speaks(fit)) out_.fit = std::move(fit);
    }
    places();
    progress(1000);
  }

private:
  [[nodiscard]] bool stopped() const { return ask_.stop && *ask_.stop; }
  void progress(int thousandths) const {
    if (ask_.progress) *ask_.progress = thousandths;
  }
  [[nodiscard]] const FigureLimb& limb(int l) const { return ask_.figure.limbs[static_cast<size_t>(l)]; }

  void hidden() {
    std::map<int, size_t> seen;
    for (const EdgeMatch& m : out_.fit.matches)
      if (m.limb >= 0) ++seen[m.limb];
    for (size_t l = 0; l < ask_.figure.limbs.size(); ++l)
      if (!ask_.figure.limbs[l].bones.empty() && seen[static_cast<int>(l)] < kLeastPoints)
        out_.hidden.push_back(static_cast<int>(l));
  }

  void places() {
    std::map<std::tuple<int, int, int>, std::vector<const EdgeMatch*>> all;
    for (const EdgeMatch& m : out_.fit.matches) {
      if (m.limb < 0 || m.low) continue;
      const FigureLimb& of = limb(m.limb);
      if (of.bones.empty()) continue;
      const FigureBone& first = ask_.figure.bones[static_cast<size_t>(of.bones.front())];
      const FigureBone& last = ask_.figure.bones[static_cast<size_t>(of.bones.back())];
      const Vec3 run = last.end - first.begin;
      const double along = run.norm() > 1e-9 ? (m.place - first.begin).dot(run.normalized()) : 0;
      all[{m.limb, quarterOf(m.out), static_cast<int>(std::floor(along / kStretch))}].push_back(&m);
    }
    std::map<std::pair<int, int>, PhotoPlace> worst;
    for (const auto& [key, points] : all) {
      if (points.size() < kLeastPoints) continue;
      const Reading r = readingOf(points);
      PhotoPlace place{std::get<0>(key), r.at,  r.out,
                       r.place,          r.off, readingError(out_.fit, r.slope, r.scatter, 1)};
      const auto [at, fresh] = worst.try_emplace({std::get<0>(key), std::get<1>(key)}, place);
      if (!fresh && std::abs(place.off) > std::abs(at->second.off)) at->second = place;
    }
    for (const auto& [key, place] : worst) out_.places.push_back(place);
    std::stable_sort(out_.places.begin(), out_.places.end(), [](const PhotoPlace& a, const PhotoPlace& b) {
      return std::abs(a.off) > std::abs(b.off);
    });
  }

  /// From before, behind and above; from the side left hides right.
  [[nodiscard]] std::vector<PhotoPair> pairsToRead() const {
    std::vector<PhotoPair> out;
    if (out_.view == PhotoView::Right || out_.view == PhotoView::Left) return out;
    std::set<int> seen;
    for (const EdgeMatch& m : out_.fit.matches) seen.insert(m.limb);
    for (const int l : seen) {
      if (l < 0) continue;
      const FigureLimb& of = limb(l);
      PhotoPair p;
      p.left = p.right = l;
      if (of.side > 0 && of.twin >= 0 && seen.contains(of.twin)) p.right = of.twin;
      if (of.side == 0 || p.right != l) out.push_back(p);
    }
    return out;
  }

  /// Enough is left to say where the camera was.
  static bool speaks(const PhotoFit& fit) {
    return std::count_if(fit.matches.begin(), fit.matches.end(), [](const EdgeMatch& m) { return m.votes; }) >
           static_cast<std::ptrdiff_t>(kPoints / 5);
  }

  /// All of them; then, the surest fault without a vote, the others again.
  void readPairs() {
    std::vector<PhotoPair> left = pairsToRead();
    std::erase_if(left,
                  [this](const PhotoPair& p) { return apart_.contains(p.left) || apart_.contains(p.right); });
    for (int round = 0; round < kFaults && !stopped(); ++round) {
      std::vector<PhotoPair> read;
      for (const PhotoPair& p : left)
        if (const auto each = reading(p)) read.push_back(*each);
      progress(450 + 450 * (round + 1) / kFaults);
      const auto surest =
          std::max_element(read.begin(), read.end(), [](const PhotoPair& a, const PhotoPair& b) {
            return std::abs(a.more) / a.error < std::abs(b.more) / b.error;
          });
      if (surest == read.end() || !surest->told() || round + 1 == kFaults) {
        out_.pairs.insert(out_.pairs.end(), read.begin(), read.end());
        break;
      }
      const PhotoPair found = *surest;
      out_.pairs.push_back(found);
      apart_.insert(found.left);
      apart_.insert(found.right);
      std::erase_if(left, [&](const PhotoPair& p) { return p.left == found.left && p.right == found.right; });
    }
    std::stable_sort(out_.pairs.begin(), out_.pairs.end(), [](const PhotoPair& a, const PhotoPair& b) {
      return std::abs(a.more) > std::abs(b.more);
    });
  }

  std::optional<PhotoPair> reading(PhotoPair p) const {
    FitAsk ask = fitAsk_;
    ask.silent = [&](int l) { return l == p.left || l == p.right || apart_.contains(l); };
    const PhotoFit fit = refitted(ask, out_.fit.camera);
    if (stopped() || !speaks(fit)) return std::nullopt;
    std::vector<const EdgeMatch*> left;
    std::vector<const EdgeMatch*> right;
    for (const EdgeMatch& m : fit.matches) {
      if (m.low || (m.limb != p.left && m.limb != p.right)) continue;
      const double side = m.out.dot(left_);
      if (side > kOuter && m.limb == p.left) left.push_back(&m);
      if (side < -kOuter && m.limb == p.right) right.push_back(&m);
    }
    if (left.size() < kLeastPoints || right.size() < kLeastPoints) return std::nullopt;
    const Reading l = readingOf(left);
    const Reading r = readingOf(right);
    p.leftOff = l.off;
    p.rightOff = r.off;
    p.more = l.off - r.off;
    p.error = readingError(fit, l.slope - r.slope, std::hypot(l.scatter, r.scatter), 2);
    return p;
  }

  /// Each limb's edge turned in the picture about where it begins, until it lies best.
  void turns() {
    const PhotoEye eye(out_.fit.camera);
    for (size_t l = 0; l < ask_.figure.limbs.size() && !stopped(); ++l) {
      const FigureLimb& of = ask_.figure.limbs[l];
      if (of.bones.empty() || of.side == 0) continue;
      const Vec3 begin = ask_.figure.bones[static_cast<size_t>(of.bones.front())].begin;
      const Vec3 end = ask_.figure.bones[static_cast<size_t>(of.bones.back())].end;
      const Vec2 root = eye.at(begin);
      const double mm = eye.millimetres(eye.depth(begin));
      const double length = (eye.at(end) - root).norm() * mm;
      if (length < std::max(kShortLimb, kAcross * (end - begin).norm()))
        continue; // short, or points at the lens
      std::vector<RimPoint> own;
      for (const RimPoint& p : out_.fit.rim)
        if (p.limb == static_cast<int>(l)) own.push_back(p);
      std::vector<EdgePoint> photo;
      for (const EdgeMatch& m : out_.fit.matches)
        if (m.limb == static_cast<int>(l)) photo.push_back({m.at, m.out});
      const Vec2 along = (eye.at(end) - root).normalized();
      size_t oneSide = 0; // an edge along one side of it alone may be a fuller limb's, too
      for (const EdgePoint& p : photo) oneSide += along.x() * p.out.y() - along.y() * p.out.x() > 0 ? 1 : 0;
      if (own.size() < 2 * kLeastPoints || std::min(oneSide, photo.size() - oneSide) < kLeastPoints) continue;
      PhotoTurn t;
      t.limb = static_cast<int>(l);
      t.error = kTurnReading / length + std::sqrt(std::max(0.0, out_.fit.spread(2, 2)));
      const double asPlanned = costAt(own, photo, root, 0, mm);
      double best = asPlanned;
      constexpr double step = kMostTurn / 32;
      for (int k = -32; k <= 32; ++k) {
        const double cost = costAt(own, photo, root, k * step, mm) + 1e-9 * std::abs(k);
        if (cost >= best) continue;
        best = cost;
        t.turn = -k * step; // the picture's y runs down
      }
      if (best > kBetter * asPlanned) t.turn = 0;
      out_.turns.push_back(t);
    }
    std::stable_sort(out_.turns.begin(), out_.turns.end(), [](const PhotoTurn& a, const PhotoTurn& b) {
      return std::abs(a.turn) > std::abs(b.turn);
    });
  }

  static double costAt(const std::vector<RimPoint>& own, const std::vector<EdgePoint>& photo,
                       const Vec2& root, double turn, double mm) {
    const Eigen::Rotation2Dd by(turn);
    std::vector<std::pair<Vec2, Vec2>> moved;
    moved.reserve(own.size());
    for (const RimPoint& p : own) moved.emplace_back(root + by * (p.at - root), by * p.out);
    // What is fuller all round is not turned by that.
    std::vector<double> off;
    off.reserve(photo.size());
    for (const EdgePoint& p : photo) {
      double best = 1e18;
      const std::pair<Vec2, Vec2>* nearest = nullptr;
      for (const auto& m : moved) {
        const double d = (m.first - p.at).squaredNorm();
        if (d < best && m.second.dot(p.out) > 0) {
          best = d;
          nearest = &m;
        }
      }
      off.push_back(nearest ? (p.at - nearest->first).dot(nearest->second) * mm : 3);
    }
    const double fuller = median(off);
    double sum = 0;
    for (const double each : off) sum += std::min((each - fuller) * (each - fuller), 9.0);
    return sum / static_cast<double>(photo.size());
  }

  const PhotoAsk& ask_;
  FitAsk fitAsk_;
  PhotoCheck& out_;
  Vec2 left_{1, 0};
  std::set<int> apart_; ///< limbs that are faulty, and have no vote
};

} // namespace

double readingError(const PhotoFit& fit, const PhotoCamera::Numbers& slope, double scatter, int edges) {
  return std::sqrt(edges * kPhotoEdge * kPhotoEdge + scatter * scatter +
                   std::max(0.0, slope.dot(fit.spread * slope)));
}

bool PhotoPlace::told() const { return std::abs(off) > kPhotoSure * error && std::abs(off) >= kPhotoLeast; }
bool PhotoPair::told() const { return std::abs(more) > kPhotoSure * error && std::abs(more) >= kPhotoLeast; }
bool PhotoTurn::told() const { return std::abs(turn) > kPhotoSure * error && std::abs(turn) >= kLeastTurn; }

std::pair<double, double> PhotoCheck::least() const {
  if (pairs.empty()) return {kPhotoLeast, kPhotoLeast};
  const auto [low, high] = std::minmax_element(
      pairs.begin(), pairs.end(), [](const PhotoPair& a, const PhotoPair& b) { return a.error < b.error; });
  return {std::max(kPhotoLeast, kPhotoSure * low->error), std::max(kPhotoLeast, kPhotoSure * high->error)};
}

Vec2 standOf(const Figure& figure) {
  Bounds2 box;
  for (const Contact& c : soles(figure)) box.take(Vec2(c.at.x(), c.at.y()));
  if (box.low.x() > box.high.x())
    for (const FigureBone& bone : figure.bones)
      for (const Vec3& p : {bone.begin, bone.end}) box.take(Vec2(p.x(), p.y()));
  return box.low.x() > box.high.x() ? Vec2(0, 0) : Vec2((box.low + box.high) / 2);
}

Result<PhotoCheck> checkPhoto(const PhotoAsk& ask) {
  const auto progress = [&](int thousandths) {
    if (ask.progress) *ask.progress = thousandths;
  };
  const PhotoImage photo = shrunk(ask.photo);
  auto cut = cutOut(photo, ask.box);
  if (!cut) return cut.problem();
  progress(100);
  const PhotoModel model = photoModel(ask.figure, ask.stop);
  const bool stopped = ask.stop && *ask.stop;
  if (model.empty() && !stopped)
    return Problem{say("nothing of the figure is made yet"), Name("photo"),
                   say("wind a part first, then look at it on a photo")};
  progress(200);
  PhotoCheck out;
  out.view = ask.view;
  out.width = photo.width;
  out.height = photo.height;
  out.edge = cut->edge;
  out.rough = cut->rough;
  if (stopped) return out;

  const std::vector<EdgePoint> points = thinned(out.edge, kPoints);
  FitAsk fit;
  fit.model = &model;
  fit.edge = &points;
  fit.width = photo.width;
  fit.height = photo.height;
  fit.stop = ask.stop;
  if (const auto mat = findMat(photo, cut->mask))
    out.mat = cameraOf(*mat, model.centre, ask.stand, photo.width, photo.height);
  if (out.mat && out.mat->camera.view != ask.view)
    return Problem{say("by the mat it was taken {}", Name(word(out.mat->camera.view))), Name("photo"),
                   say("choose that view")};
  fit.guess = out.mat ? guessOf(*out.mat, ask.view == PhotoView::Above ? std::nullopt : ask.turned)
                      : guessOf(model, points, ask.view, photo.width, photo.height);
  out.fit = fitted(fit);
  if (ask.stop && *ask.stop) return out;
  out.soft = cut->soft / std::max(1e-9, out.fit.camera.scale);
  if (!out.rough && cut->soft > kMostSoft && out.soft > 1)
    return Problem{say("its edge is not sharp: {} from wool to ground", Length(out.soft, 1)), Name("photo"),
                   say("hold the camera still, with more light, and focus on the figure")};
  const double most = (model.high - model.low).maxCoeff();
  if (out.fit.rms > std::min(kWrong, std::max(0.6, kWrongShare * most)))
    return Problem{say("what stands there is not this figure as it should be {}: the outlines are {} apart",
                       Name(word(ask.view)), Length(out.fit.rms, 1)),
                   Name("photo"),
                   say("look whether the view, the pose and the steps that are done are those of the photo")};
  const PhotoCamera& c = out.fit.camera;
  const double level = ask.view == PhotoView::Above ? 0 : 6 * kDegree;
  const double aside = ask.view == PhotoView::Above ? std::max(std::abs(c.yaw), std::abs(c.pitch))
                                                    : std::max(std::abs(c.yaw), std::abs(c.pitch - level));
  if (!out.mat && aside > kMostTurned)
    return Problem{say("it was taken {} off that view", Angle(aside, 0)), Name("photo"),
                   say("point the camera straight at it, or print the photo mat and stand it on that")};
  const int turn = ask.view == PhotoView::Above ? 2 : 0;
  out.turnError = std::sqrt(std::max(0.0, out.fit.spread(turn, turn)));
  if (out.mat && ask.view == PhotoView::Above)
    out.turned = TurnedOn{turnedOn(c, out.mat->camera), out.turnError};
  Looking(ask, fit, out).run();
  return out;
}

} // namespace columna
