#include "colour/blend_search.h"

#include "colour/blend_space.h"
#include "colour/least_norm.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <array>
#include <cassert>
#include <cmath>
#include <limits>
#include <map>
#include <numeric>

namespace columna {
namespace {

constexpr size_t kFollowed = 40;     ///< of each number of wools, followed to their best shares
constexpr int kRounds = 3;           ///< linearised at the colour, then at the best blend so far
constexpr double kFar = 2;           ///< dE00: so far off, a blend is looked for from several sides
constexpr size_t kCornered = 24;     ///< of all sets
constexpr double kExchanged = 0.04;  ///< share, at first
constexpr double kCorner = 0.8;      ///< share
constexpr int kMostSteps = 25;       ///< of one blend
constexpr double kNoGain = 1e-7;     ///< dE00
constexpr double kFound = kAtColour; ///< dE00: nearer need not be looked for
constexpr double kNothing = 1e-3;    ///< share that is left out
constexpr int kMostFourths = 30;

class Search {
public:
  Search(std::span<const BlendWool> wools, const BlendWish& wish, const BlendRule& rule,
         const ColourRules& rules, const std::atomic<bool>* stop)
      : wools_(wools), wish_(wish), rule_(rule), rules_(rules), stop_(stop) {
    const Spectrum sent = reflectance(wish.to);
    wanted_ = labOf(sent);
    target_ = addable(sent, rule.m);
    for (const BlendWool& wool : wools) added_.push_back(addable(wool.sent, rule.m));
  }

  std::vector<Recipe> run() {
    Spectrum at = target_;
    for (int round = 0; round < kRounds && !stopped(); ++round) {
      look(at, round > 0);
      if (wish_.wools >= 4) fourth();
      if (!best_ || found_.at(*best_).de < kFound) break;
      if (found_.at(*best_).de > kFar) fromTheCorners();
      at = sum(*best_, found_.at(*best_).shares);
    }
    return stopped() ? std::vector<Recipe>() : ranked();
  }

private:
  using Set = std::vector<int>;
  struct Blend {
    Eigen::VectorXd shares;
    double de = 0;
  };

  [[nodiscard]] bool stopped() const { return stop_ && stop_->load(); }
  [[nodiscard]] double most(int wool) const { return std::min(1.0, wools_[static_cast<size_t>(wool)].most); }

  [[nodiscard]] Spectrum sum(const Set& set, const Eigen::VectorXd& shares) const {
    Spectrum out = Spectrum::Zero();
    for (size_t i = 0; i < set.size(); ++i)
      out += shares[static_cast<Eigen::Index>(i)] * added_[static_cast<size_t>(set[i])];
    return out;
  }
  [[nodiscard]] double off(const Spectrum& added) const {
    return differenceOf(labOf(sentBack(added, rule_.m)), wanted_);
  }

  /// All single wools, pairs and triples where distance is about dE00; the nearest are followed.
  void look(const Spectrum& at, bool blended) {
    const BlendSlope slope = slopeAt(at, wanted_, rule_.m);
    const Eigen::Vector3d from = blended ? difference(slope.lab, wanted_) : Eigen::Vector3d::Zero().eval();
    std::vector<Eigen::Vector3d> places;
    std::vector<int> there;
    for (size_t i = 0; i < wools_.size(); ++i) {
      if (!(wools_[i].most > 0)) continue;
      places.emplace_back(from + slope.perAdded * (added_[i] - at));
      there.push_back(static_cast<int>(i));
    }
    std::array<Nearest, 3> nearest{Nearest(kFollowed), Nearest(kFollowed), Nearest(kFollowed)};
    const size_t n = places.size();
    for (size_t i = 0; i < n; ++i) nearest[0].put(places[i].squaredNorm(), {there[i], -1, -1});
    for (size_t i = 0; i < n && wish_.wools >= 2; ++i)
      for (size_t j = i + 1; j < n; ++j)
        nearest[1].put(toSegment(places[i], places[j]), {there[i], there[j], -1});
    for (size_t i = 0; i < n && wish_.wools >= 3 && !stopped(); ++i)
      for (size_t j = i + 1; j < n; ++j)
        for (size_t k = j + 1; k < n; ++k)
          nearest[2].put(toTriangle(places[i], places[j], places[k], nearest[2].limit()),
                         {there[i], there[j], there[k]});
    for (const Nearest& each : nearest)
      for (const auto& [distance, set] : each.all()) {
        Set wools;
        for (const int wool : set)
          if (wool >= 0) wools.push_back(wool);
        follow(wools);
        if (stopped()) return;
      }
  }

  /// Gauss and Newton on the three numbers, each step the nearest point of the hull.
  const Blend* follow(const Set& set) {
    if (const auto known = found_.find(set); known != found_.end()) return &known->second;
    std::vector<double> caps;
    for (const int wool : set) caps.push_back(most(wool));
    const double room = std::accumulate(caps.begin(), caps.end(), 0.0);
    if (room < 1 - 1e-9) return nullptr;
    const auto k = static_cast<Eigen::Index>(set.size());
    return keep(set,
                descend(set, caps, filled(Eigen::VectorXd::Constant(k, 1.0 / static_cast<double>(k)), caps)));
  }

  /// Shares near to those, none over its cap, sum 1.
  static Eigen::VectorXd filled(const Eigen::VectorXd& wished, std::span<const double> caps) {
    Eigen::VectorXd out = Eigen::VectorXd::Zero(wished.size());
    double left = 1;
    for (int round = 0; round < 5 && left > 1e-12; ++round) {
      double open = 0; // what those wish that have room yet
      for (Eigen::Index i = 0; i < out.size(); ++i)
        if (out[i] < caps[static_cast<size_t>(i)] - 1e-12) open += wished[i];
      if (!(open > 0)) break;
      const double whole = left;
      for (Eigen::Index i = 0; i < out.size(); ++i) {
        const double take = std::min(whole * wished[i] / open, caps[static_cast<size_t>(i)] - out[i]);
        if (take <= 0) continue;
        out[i] += take;
        left -= take;
      }
    }
    return out;
  }

  [[nodiscard]] Blend descend(const Set& set, std::span<const double> caps, Eigen::VectorXd from) const {
    const auto k = static_cast<Eigen::Index>(set.size());
    Blend out{std::move(from), 0};
    out.de = off(sum(set, out.shares));
    for (int step = 0; step < kMostSteps && k > 1; ++step) {
      const Spectrum at = sum(set, out.shares);
      const BlendSlope slope = slopeAt(at, wanted_, rule_.m);
      Eigen::Matrix3Xd places(3, k);
      for (Eigen::Index i = 0; i < k; ++i)
        places.col(i) = difference(slope.lab, wanted_) +
                        slope.perAdded * (added_[static_cast<size_t>(set[static_cast<size_t>(i)])] - at);
      const Eigen::VectorXd to = leastNorm(places, caps);
      if (to.size() == 0) break;
      Eigen::VectorXd next;
      double de = out.de;
      double share = 1;
      for (; share > 1e-4; share /= 2) {
        next = out.shares + share * (to - out.shares);
        de = off(sum(set, next));
        if (de < out.de - 1e-9) break;
      }
      if (share <= 1e-4) break;
      const double gain = out.de - de;
      out.shares = next;
      out.de = de;
      if (gain < kNoGain) break;
    }
    if (out.de > kFar) exchange(set, caps, out);
    return out;
  }

  /// So far off, the difference bends too much for its slope: shares are passed from one to another as long
  /// as that helps.
  void exchange(const Set& set, std::span<const double> caps, Blend& blend) const {
    const auto k = static_cast<Eigen::Index>(set.size());
    for (double step = kExchanged; step > kNothing / 2; step /= 2)
      for (bool moved = true; moved;) {
        moved = false;
        for (Eigen::Index to = 0; to < k; ++to)
          for (Eigen::Index from = 0; from < k; ++from) {
            if (to == from || blend.shares[from] < step ||
                blend.shares[to] + step > caps[static_cast<size_t>(to)])
              continue;
            Eigen::VectorXd next = blend.shares;
            next[to] += step;
            next[from] -= step;
            const double de = off(sum(set, next));
            if (de >= blend.de - 1e-9) continue;
            blend = {std::move(next), de};
            moved = true;
          }
      }
  }

  const Blend* keep(const Set& set, Blend found) {
    const auto [at, fresh] = found_.try_emplace(set, found);
    if (!fresh && found.de < at->second.de) at->second = std::move(found);
    if (!best_ || at->second.de < found_.at(*best_).de) best_ = set;
    return &at->second;
  }

  /// A colour that cannot be reached may lie nearest in more than one dip: the best are begun at each of
  /// their corners too.
  void fromTheCorners() {
    std::vector<std::pair<double, Set>> sets;
    for (const auto& [set, found] : found_)
      if (set.size() > 1) sets.emplace_back(found.de, set);
    std::ranges::sort(sets);
    if (sets.size() > kCornered) sets.resize(kCornered);
    for (const auto& [de, set] : sets) {
      if (stopped()) return;
      std::vector<double> caps;
      for (const int wool : set) caps.push_back(most(wool));
      const auto k = static_cast<Eigen::Index>(set.size());
      for (Eigen::Index corner = 0; corner < k; ++corner) {
        Eigen::VectorXd shares = Eigen::VectorXd::Constant(k, (1 - kCorner) / static_cast<double>(k - 1));
        shares[corner] = kCorner;
        keep(set, descend(set, caps, filled(shares, caps)));
      }
    }
  }

  /// A fourth wool beside the best three: the one farthest downhill, as long as that helps. More than four
  /// are never needed (Caratheodory).
  void fourth() {
    for (int turn = 0; turn < kMostFourths && best_ && !stopped(); ++turn) {
      const Blend now = found_.at(*best_);
      const Spectrum at = sum(*best_, now.shares);
      const BlendSlope slope = slopeAt(at, wanted_, rule_.m);
      const Eigen::Vector3d off = difference(slope.lab, wanted_);
      int down = -1;
      double low = -kNoGain;
      for (size_t i = 0; i < wools_.size(); ++i) {
        if (!(wools_[i].most > 0) || std::ranges::find(*best_, static_cast<int>(i)) != best_->end()) continue;
        const double slopeDown = off.dot(slope.perAdded * (added_[i] - at));
        if (slopeDown >= low) continue;
        low = slopeDown;
        down = static_cast<int>(i);
      }
      if (down < 0) return;
      Set grown{down};
      for (size_t i = 0; i < best_->size(); ++i)
        if (now.shares[static_cast<Eigen::Index>(i)] > 1e-9) grown.push_back((*best_)[i]);
      std::ranges::sort(grown);
      if (grown.size() <= 4)
        follow(grown);
      else
        for (size_t out = 0; out < grown.size(); ++out) {
          Set four = grown;
          four.erase(four.begin() + static_cast<std::ptrdiff_t>(out));
          follow(four);
        }
      if (found_.at(*best_).de >= now.de - kNoGain) return;
    }
  }

  [[nodiscard]] double scoreOf(const Recipe& r) const {
    double spread = 0;
    for (const auto& [wool, share] : r.parts) {
      const Eigen::Vector3d apart = difference(wools_[static_cast<size_t>(wool)].lab, wanted_);
      spread += share * (wish_.mottled ? std::hypot(apart.y(), apart.z()) : apart.norm());
    }
    return r.de + rules_.riskWeight * r.risk + rules_.woolWeight * static_cast<double>(r.parts.size() - 1) +
           (wish_.mottled ? rules_.mottledWeight : rules_.spreadWeight) * spread;
  }

  [[nodiscard]] Recipe recipeOf(const Set& set, const Blend& found) const {
    Recipe out;
    std::vector<Spectrum> sent;
    std::vector<double> shares;
    for (size_t i = 0; i < set.size(); ++i) {
      out.parts.emplace_back(set[i], found.shares[static_cast<Eigen::Index>(i)]);
      sent.push_back(wools_[static_cast<size_t>(set[i])].sent);
      shares.push_back(out.parts.back().second);
    }
    out.de = found.de;
    for (const double m : {rule_.low, rule_.high})
      out.risk = std::max(out.risk, differenceOf(labOf(blend(sent, shares, m)), wanted_));
    const Spectrum mixed = blend(sent, shares, rule_.m);
    out.off = difference(labOf(mixed), wanted_);
    out.srgb = srgbOf(mixed);
    out.score = scoreOf(out);
    return out;
  }

  std::vector<Recipe> ranked() {
    // A part of next to nothing is left out, and the rest is followed again.
    std::vector<Set> fewer;
    for (const auto& [set, found] : found_) {
      Set kept;
      for (size_t i = 0; i < set.size(); ++i)
        if (found.shares[static_cast<Eigen::Index>(i)] > kNothing) kept.push_back(set[i]);
      if (kept.size() < set.size() && !kept.empty()) fewer.push_back(std::move(kept));
    }
    for (const Set& set : fewer) follow(set);
    std::vector<Recipe> out;
    for (const auto& [set, found] : found_)
      if (found.shares.minCoeff() > kNothing) out.push_back(recipeOf(set, found));
    std::ranges::stable_sort(out, {}, &Recipe::score);
    if (out.size() > static_cast<size_t>(wish_.keep)) out.resize(static_cast<size_t>(wish_.keep));
    return out;
  }

  std::span<const BlendWool> wools_;
  const BlendWish& wish_;
  const BlendRule& rule_;
  const ColourRules& rules_;
  const std::atomic<bool>* stop_;
  Lab wanted_;
  Spectrum target_;
  std::vector<Spectrum> added_;
  std::map<Set, Blend> found_; ///< by their wools, ascending
  std::optional<Set> best_;
};

} // namespace

BlendWool blendWool(const Srgb& colour, double most) {
  BlendWool out{reflectance(colour), {}, most};
  out.lab = labOf(out.sent);
  return out;
}

std::vector<Recipe> recipesFor(std::span<const BlendWool> wools, const BlendWish& wish, const BlendRule& rule,
                               const ColourRules& rules, const std::atomic<bool>* stop) {
  return Search(wools, wish, rule, rules, stop).run();
}

namespace {

double offFrom(const Lab& wanted, std::span<const BlendWool> wools,
               std::span<const std::pair<int, double>> parts, double m) {
  std::vector<Spectrum> sent;
  std::vector<double> shares;
  for (const auto& [wool, share] : parts) {
    sent.push_back(wools[static_cast<size_t>(wool)].sent);
    shares.push_back(share);
  }
  return differenceOf(labOf(blend(sent, shares, m)), wanted);
}

} // namespace

double blendOff(std::span<const BlendWool> wools, std::span<const std::pair<int, double>> parts,
                const Srgb& to, double m) {
  return offFrom(labOf(reflectance(to)), wools, parts, m);
}

std::vector<int> wholeUnits(const Recipe& recipe, std::span<const BlendWool> wools, const Srgb& to, int units,
                            double m) {
  assert(units >= 1);
  const size_t k = recipe.parts.size();
  std::vector<int> base(k);
  for (size_t i = 0; i < k; ++i)
    base[i] = std::max(0, static_cast<int>(std::floor(recipe.parts[i].second * units)) - 1);
  constexpr int ways = 4; // from one below the floor to one above the ceiling
  size_t all = 1;
  for (size_t i = 0; i < k; ++i) all *= ways;
  std::vector<int> best;
  std::pair<bool, double> least; // over what there is, and off
  auto parts = recipe.parts;
  const Lab wanted = labOf(reflectance(to));
  for (size_t way = 0; way < all; ++way) {
    std::vector<int> each = base;
    size_t rest = way;
    for (size_t i = 0; i < k; ++i, rest /= ways) each[i] += static_cast<int>(rest % ways);
    if (std::accumulate(each.begin(), each.end(), 0) != units) continue;
    bool over = false;
    for (size_t i = 0; i < k; ++i) {
      parts[i].second = each[i];
      over = over || each[i] > wools[static_cast<size_t>(parts[i].first)].most * units + 1e-9;
    }
    const std::pair<bool, double> off(over, offFrom(wanted, wools, parts, m));
    if (!best.empty() &&
        (off.first > least.first || (off.first == least.first && off.second >= least.second - 1e-12)))
      continue;
    best = each;
    least = off;
  }
  return best;
}

} // namespace columna
