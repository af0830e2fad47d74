#include "anatomy/trace.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kReliable = 0.5; ///< least share of a bone's length that must show in the view
constexpr double kTurned = 0.8;   ///< a limb this much shorter than its twin is probably turned to the camera

struct Sided {
  std::string name;
  int side = 0;
};

Sided split(const std::string& sided) {
  if (sided.starts_with("left-")) return {sided.substr(5), 1};
  if (sided.starts_with("right-")) return {sided.substr(6), -1};
  return {sided, 0};
}

std::string sidedJoint(const Pattern& p, const std::string& joint, int side) {
  return p.onMidline(joint) ? joint : sidedKey(joint, side);
}

struct Pair {
  Vec2 model, picture; ///< the picture's with y up
};

std::vector<Pair> pairsOf(const Pattern& pattern, const Photo& photo) {
  std::vector<Pair> pairs;
  for (const auto& [joint, at] : photo.landmarks)
    if (const auto place = jointPlace(pattern, joint))
      pairs.push_back({project(*place, photo.view), Vec2(at.x(), -at.y())});
  return pairs;
}

/// Turn and scale without mirroring (Umeyama), with the sum of squared residuals.
struct Fitted {
  Similarity s;
  double rest = 0;
};

Fitted fitOne(const std::vector<Pair>& pairs, bool flipped) {
  Vec2 m(0, 0);
  Vec2 q(0, 0);
  const auto model = [flipped](const Pair& p) { return flipped ? Vec2(-p.model.x(), p.model.y()) : p.model; };
  for (const Pair& p : pairs) {
    m += model(p);
    q += p.picture;
  }
  m /= static_cast<double>(pairs.size());
  q /= static_cast<double>(pairs.size());
  double dot = 0;
  double cross = 0;
  double spread = 0;
  for (const Pair& p : pairs) {
    const Vec2 a = model(p) - m;
    const Vec2 b = p.picture - q;
    dot += a.dot(b);
    cross += a.x() * b.y() - a.y() * b.x();
    spread += a.squaredNorm();
  }
  Fitted out;
  out.s.flipped = flipped;
  out.s.turn = std::atan2(cross, dot);
  out.s.scale = std::hypot(dot, cross) / spread;
  const Vec2 moved = Eigen::Rotation2Dd(out.s.turn) * (m * out.s.scale);
  out.s.shift = q - moved;
  for (const Pair& p : pairs) {
    const Vec2 at = out.s.toPicture(p.model);
    out.rest += (Vec2(at.x(), -at.y()) - p.picture).squaredNorm();
  }
  return out;
}

/// Greatest and least spread of points about their middle.
std::pair<double, double> spreads(const std::vector<Pair>& pairs) {
  Vec2 middle(0, 0);
  for (const Pair& p : pairs) middle += p.picture;
  middle /= static_cast<double>(pairs.size());
  Eigen::Matrix2d m = Eigen::Matrix2d::Zero();
  for (const Pair& p : pairs) m += (p.picture - middle) * (p.picture - middle).transpose();
  const double half = m.trace() / 2;
  const double root = std::sqrt(std::max(0.0, half * half - m.determinant()));
  return {std::sqrt(half + root), std::sqrt(std::max(0.0, half - root))};
}

double length(const Pattern& p, const PatternBone& b) {
  return (p.joints.at(b.to) - p.joints.at(b.from)).norm();
}

/// Distances along the bones from one joint to all others of the pattern (sides folded onto each other).
std::map<std::string, double> alongBones(const Pattern& p, const std::string& from) {
  std::map<std::string, double> out{{from, 0}};
  bool grown = true;
  const auto link = [&](const std::string& a, const std::string& b, double d) {
    for (const auto& [x, y] : {std::pair(a, b), std::pair(b, a)}) {
      const auto known = out.find(x);
      if (known == out.end()) continue;
      const double reach = known->second + d;
      const auto [it, fresh] = out.emplace(y, reach);
      if (!fresh && reach >= it->second - 1e-12) continue;
      it->second = reach;
      grown = true;
    }
  };
  for (int pass = 0; grown && pass < 100; ++pass) {
    grown = false;
    for (const PatternBone& b : p.bones) {
      link(b.from, b.to, length(p, b));
      if (const PatternBone* parent = p.bone(b.parent); parent && parent->to != b.from)
        link(parent->from, b.from, (p.joints.at(b.from) - p.joints.at(parent->from)).norm());
    }
  }
  return out;
}

} // namespace

Vec2 Similarity::toPicture(const Vec2& model) const {
  const Vec2 m(flipped ? -model.x() : model.x(), model.y());
  const Vec2 at = Eigen::Rotation2Dd(turn) * (m * scale) + shift;
  return {at.x(), -at.y()};
}

Vec2 Similarity::toModel(const Vec2& picture) const {
  const Vec2 m = Eigen::Rotation2Dd(-turn) * (Vec2(picture.x(), -picture.y()) - shift) / scale;
  return {flipped ? -m.x() : m.x(), m.y()};
}

std::optional<Vec3> jointPlace(const Pattern& pattern, const std::string& sided) {
  const Sided s = pattern.joints.contains(sided) ? Sided{sided, 0} : split(sided);
  const auto found = pattern.joints.find(s.name);
  if (found == pattern.joints.end()) return std::nullopt;
  if (s.side >= 0) return found->second;
  if (pattern.right)
    if (const auto own = pattern.right->joints.find(s.name); own != pattern.right->joints.end())
      return own->second;
  return Vec3(found->second.x(), -found->second.y(), found->second.z());
}

std::vector<std::string> landmarksOf(const Pattern& pattern, View view) {
  std::vector<std::string> near;
  std::vector<std::string> far;
  const auto add = [](std::vector<std::string>& to, const std::string& joint) {
    if (std::find(to.begin(), to.end(), joint) == to.end()) to.push_back(joint);
  };
  for (const PatternLimb& limb : pattern.limbs) {
    if (limb.kind == LimbKind::Digits) continue;
    for (const std::string& id : limb.bones) {
      const PatternBone* b = pattern.bone(id);
      if (!b->wire) continue;
      for (const std::string& joint : {b->from, b->to}) {
        if (pattern.onMidline(joint)) {
          add(near, joint);
          continue;
        }
        add(near, sidedKey(joint, -1));
        add(far, sidedKey(joint, 1));
      }
    }
  }
  // The two farthest apart come first, then the one farthest from their line: three settle the fit.
  const auto at = [&](const std::string& joint) { return project(*jointPlace(pattern, joint), view); };
  if (near.size() >= 3) {
    std::pair<size_t, size_t> ends{0, 1};
    double widest = -1;
    for (size_t i = 0; i < near.size(); ++i)
      for (size_t k = i + 1; k < near.size(); ++k)
        if (const double d = (at(near[i]) - at(near[k])).norm(); d > widest) {
          widest = d;
          ends = {i, k};
        }
    const Vec2 a = at(near[ends.first]);
    const Vec2 line = (at(near[ends.second]) - a).normalized();
    size_t third = 0;
    double off = -1;
    for (size_t i = 0; i < near.size(); ++i) {
      const Vec2 d = at(near[i]) - a;
      if (const double h = std::abs(d.x() * line.y() - d.y() * line.x()); h > off) {
        off = h;
        third = i;
      }
    }
    const std::vector<std::string> first{near[ends.first], near[ends.second], near[third]};
    std::stable_partition(near.begin(), near.end(), [&](const std::string& joint) {
      return std::find(first.begin(), first.end(), joint) != first.end();
    });
  }
  near.insert(near.end(), far.begin(), far.end());
  return near;
}

std::string landmarkWords(const Pattern& pattern, const std::string& sided, View view) {
  const Sided s = pattern.joints.contains(sided) ? Sided{sided, 0} : split(sided);
  std::string words = s.name;
  if (words.ends_with("_j")) words.resize(words.size() - 2);
  std::replace(words.begin(), words.end(), '_', ' ');
  if (s.side == 0) return words;
  if (view == View::Side) return s.side < 0 ? words : words + " of the far side";
  return (s.side > 0 ? "left " : "right ") + words;
}

Result<Similarity> fitSimilarity(const Pattern& pattern, const Photo& photo) {
  const std::vector<Pair> pairs = pairsOf(pattern, photo);
  if (pairs.size() < 2)
    return Problem{
        counted(many("{} landmarks are placed, two are needed", "{} landmark is placed, two are needed"),
                pairs.size()),
        {},
        say("click the next one on the picture")};
  const auto [wide, narrow] = spreads(pairs);
  if (wide < 2)
    return Problem{say("the landmarks all lie on one spot"), {}, say("place them where the joints are")};
  if (pairs.size() >= 3 && narrow < 1e-3 * wide)
    return Problem{say("the landmarks lie in one line"), {}, say("place one off the line, such as a foot")};
  const Fitted plain = fitOne(pairs, false);
  const Fitted flipped = fitOne(pairs, true);
  if (pairs.size() == 2) return std::abs(plain.s.turn) <= std::abs(flipped.s.turn) ? plain.s : flipped.s;
  return plain.rest <= flipped.rest ? plain.s : flipped.s;
}

Result<std::map<std::string, Vec2>> proposeLandmarks(const Pattern& pattern, const Photo& photo) {
  const auto fit = fitSimilarity(pattern, photo);
  if (!fit) return fit.problem();
  std::map<std::string, Vec2> out;
  for (const std::string& joint : landmarksOf(pattern, photo.view)) {
    if (photo.landmarks.contains(joint)) continue;
    const Vec3 place = *jointPlace(pattern, joint);
    const Vec2 model = project(place, photo.view);
    // The limb's own fit, once two of its landmarks lie apart.
    const Sided s = pattern.joints.contains(joint) ? Sided{joint, 0} : split(joint);
    Photo own = photo;
    own.landmarks.clear();
    for (const PatternLimb& limb : pattern.limbs) {
      const bool mine = std::any_of(limb.bones.begin(), limb.bones.end(), [&](const std::string& id) {
        return pattern.bone(id)->from == s.name || pattern.bone(id)->to == s.name;
      });
      if (!mine) continue;
      for (const std::string& id : limb.bones)
        for (const std::string& name : {pattern.bone(id)->from, pattern.bone(id)->to})
          if (const auto placed = photo.landmarks.find(sidedJoint(pattern, name, s.side));
              placed != photo.landmarks.end())
            own.landmarks[placed->first] = placed->second;
      break;
    }
    const std::vector<Pair> few = pairsOf(pattern, own);
    if (few.size() >= 2 && spreads(few).first > 0.1 * fit->scale) {
      const Fitted limbFit = fitOne(few, fit->flipped);
      if (limbFit.s.scale > 0.4 * fit->scale && limbFit.s.scale < 2.5 * fit->scale) {
        out[joint] = limbFit.s.toPicture(model);
        continue;
      }
    }
    // Otherwise the whole fit, drawn along by the placed landmarks, the nearer the more.
    const std::map<std::string, double> far = alongBones(pattern, s.name);
    Vec2 pull(0, 0);
    double weights = 4;
    for (const auto& [placed, at] : photo.landmarks) {
      const Sided other = pattern.joints.contains(placed) ? Sided{placed, 0} : split(placed);
      const auto d = far.find(other.name);
      if (d == far.end() || (other.side != 0 && s.side != 0 && other.side != s.side)) continue;
      const double w = 1 / (0.01 + d->second * d->second);
      pull += w * (at - fit->toPicture(project(*jointPlace(pattern, placed), photo.view)));
      weights += w;
    }
    out[joint] = fit->toPicture(model) + pull / weights;
  }
  return out;
}

std::vector<TracedBone> traceBones(const Pattern& pattern, const std::vector<Photo>& photos) {
  std::vector<TracedBone> out;
  for (const Photo& photo : photos) {
    struct Seen {
      TracedBone bone;
      double picture = 0, model = 0;
    };
    std::vector<Seen> seen;
    for (const PatternLimb& limb : pattern.limbs)
      for (const std::string& id : limb.bones) {
        const PatternBone* b = pattern.bone(id);
        for (const int side : b->twin ? std::vector<int>{1, -1} : std::vector<int>{0}) {
          const auto from = photo.landmarks.find(sidedJoint(pattern, b->from, side));
          const auto to = photo.landmarks.find(sidedJoint(pattern, b->to, side));
          if (from == photo.landmarks.end() || to == photo.landmarks.end()) continue;
          const Vec3 span = *jointPlace(pattern, sidedJoint(pattern, b->to, side)) -
                            *jointPlace(pattern, sidedJoint(pattern, b->from, side));
          Seen s;
          s.bone = {id, side, photo.view, 1, true, false};
          s.picture = (to->second - from->second).norm();
          s.model = project(span, photo.view).norm();
          s.bone.reliable = s.model >= kReliable * span.norm();
          seen.push_back(std::move(s));
        }
      }
    double both = 0;
    double squares = 0;
    for (const Seen& s : seen)
      if (s.bone.reliable) {
        both += s.picture * s.model;
        squares += s.model * s.model;
      }
    if (!(both > 0)) continue;
    const double scale = both / squares;
    for (Seen& s : seen) {
      s.bone.ratio = s.model > 0 ? s.picture / (s.model * scale) : 1;
      for (const Seen& twin : seen)
        if (twin.bone.bone == s.bone.bone && twin.bone.side == -s.bone.side && s.bone.side != 0)
          s.bone.turnedAway = s.picture < kTurned * twin.picture;
      out.push_back(s.bone);
    }
  }
  return out;
}

Shape adoptTrace(Shape shape, const std::vector<TracedBone>& traced, bool average,
                 const std::set<std::string>& only) {
  std::map<std::string, std::map<int, std::vector<double>>> ratios;
  for (const TracedBone& t : traced)
    if (t.reliable && !t.turnedAway && (only.empty() || only.contains(t.bone)))
      ratios[t.bone][t.side].push_back(t.ratio);
  const auto mean = [](const std::vector<double>& all) {
    double sum = 0;
    for (const double r : all) sum += r;
    return sum / static_cast<double>(all.size());
  };
  for (const auto& [bone, sides] : ratios) {
    for (const int side : {-1, 0, 1}) shape.lengths.erase(sidedKey(bone, side));
    if (!average && sides.size() > 1) {
      for (const auto& [side, all] : sides) shape.lengths[sidedKey(bone, side)] = mean(all);
      continue;
    }
    std::vector<double> all;
    for (const auto& [side, each] : sides) all.push_back(mean(each));
    shape.lengths[bone] = mean(all);
  }
  return shape;
}

} // namespace columna
