#include "make/session_search.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

constexpr std::array<std::int64_t, 6> kSticks{0, 1440, 10080, 30240, 100'000, 1'000'000};
constexpr std::array<std::int64_t, 3> kFills{0, 100, 1000};
constexpr std::int64_t kBatch = 7200; ///< five days of pressing to leave a batch
constexpr double kKeySpread = 4320;   ///< three days
constexpr double kStationSpread = 10080;
constexpr double kLayWorth = 0.02;   ///< open minutes of finish a minute of laying out is worth
constexpr double kApartWorth = 0.01; ///< and a batch taken up again
constexpr std::int64_t kOldOrder = 10'000'000;
constexpr int kWork = 180'000, kFewest = 300, kMost = 3000; ///< placings: so many jobs over their count

/// Splitmix64 (Steele, Lea, Flood, 2014), and what is drawn from it in whole numbers or plain sums: the same
/// on every machine.
class Draw {
public:
  explicit Draw(std::uint64_t seed) : state_(seed) {}
  std::uint64_t next() {
    std::uint64_t z = (state_ += 0x9E3779B97F4A7C15ULL);
    z = (z ^ (z >> 30U)) * 0xBF58476D1CE4E5B9ULL;
    z = (z ^ (z >> 27U)) * 0x94D049BB133111EBULL;
    return z ^ (z >> 31U);
  }
  double share() { return static_cast<double>(next() >> 11U) * 0x1p-53; }
  size_t below(size_t count) { return static_cast<size_t>(next() % count); }
  /// Nearly normal: the sum of twelve shares, less six.
  double normal() {
    double sum = -6;
    for (int i = 0; i < 12; ++i) sum += share();
    return sum;
  }
  std::int64_t spread(double by) { return std::llround(normal() * by); }

private:
  std::uint64_t state_;
};

class Search {
public:
  Search(const Worklist& list, const OpenTime& time, const SearchWish& wish)
      : list_(list), time_(time), wish_(wish), links_(list), draw_(wish.seed) {
    out_.bound = finishBound(list, links_, time);
  }

  SearchedPlan run() {
    rules();
    vary();
    if (!wish_.before.empty()) keep();
    if (out_.plan.finish < OpenTime::kNever) out_.plan = place(asBefore() ? old_ : bestRule_, true);
    return std::move(out_);
  }

private:
  [[nodiscard]] Placement place(const PlaceRule& rule, bool stretches = false) const {
    return placed(list_, links_, time_, out_.bound.latest, rule, stretches);
  }
  [[nodiscard]] bool asBefore() const { return out_.asBefore; }
  [[nodiscard]] bool stopped() const { return wish_.stop && *wish_.stop; }

  void rules() {
    PlaceRule rule;
    rule.key.assign(list_.jobs.size(), 0);
    rule.batch = kBatch;
    bestRule_ = rule;
    for (const std::int64_t stick : kSticks)
      for (const std::int64_t fill : kFills) {
        rule.stick = stick;
        rule.fill = fill;
        if (Placement now = place(rule); now.before(out_.plan)) {
          out_.plan = std::move(now);
          bestRule_ = rule;
        }
      }
  }

  PlaceRule varied(const PlaceRule& from) {
    PlaceRule rule = from;
    const size_t count = list_.jobs.size();
    const size_t keys = 1 + draw_.below(6);
    if (draw_.share() < 0.8) {
      for (size_t i = 0; i < keys; ++i) rule.key[draw_.below(count)] += draw_.spread(kKeySpread);
    } else {
      const int station = static_cast<int>(draw_.below(list_.layOut.size()));
      const std::int64_t by = draw_.spread(kStationSpread);
      for (size_t j = 0; j < count; ++j)
        if (list_.jobs[j].station == station) rule.key[j] += by;
    }
    if (draw_.share() < 0.05) rule.stick = std::llround(std::exp(13 * draw_.share()) - 1);
    if (draw_.share() < 0.05) rule.fill = draw_.share() < 0.3 ? 0 : std::llround(std::exp(8 * draw_.share()));
    return rule;
  }

  /// How much worse one is than another, in open minutes of its finish.
  [[nodiscard]] double worse(const Placement& a, const Placement& b) const {
    return (time_.before(a.finish) - time_.before(b.finish)) + kLayWorth * (a.layMinutes - b.layMinutes) +
           kApartWorth * (a.apart - b.apart);
  }

  void vary() {
    const int count = static_cast<int>(list_.jobs.size());
    if (count == 0 || out_.plan.finish == OpenTime::kNever) return;
    const int tries = wish_.placings >= 0 ? wish_.placings : std::clamp(kWork / count, kFewest, kMost);
    PlaceRule current = bestRule_;
    Placement at = out_.plan;
    for (int i = 0; i < tries && out_.plan.finish > out_.bound.finish && !stopped(); ++i) {
      const PlaceRule rule = varied(draw_.share() < 0.05 ? bestRule_ : current);
      Placement now = place(rule);
      if (now.finish == OpenTime::kNever) continue;
      const double heat = 60 * (1 - static_cast<double>(i) / tries);
      const double by = worse(now, at);
      if (by > 0 && draw_.share() >= std::exp(-by / std::max(1e-3, heat / 10))) continue;
      current = rule;
      if (now.before(out_.plan)) {
        out_.plan = now;
        bestRule_ = rule;
      }
      at = std::move(now);
    }
  }

  /// The order that was there, unless a fresh one saves a whole session.
  void keep() {
    old_.key.assign(list_.jobs.size(), 0);
    for (size_t j = 0; j < list_.jobs.size(); ++j) old_.key[j] = -out_.bound.latest[j];
    for (size_t q = 0; q < wish_.before.size(); ++q)
      old_.key[static_cast<size_t>(wish_.before[q])] += kOldOrder * static_cast<std::int64_t>(q);
    const Placement kept = place(old_);
    if (kept.finish == OpenTime::kNever) return;
    if (out_.plan.finish < OpenTime::kNever) {
      if (time_.sessionsBefore(out_.plan.finish) < time_.sessionsBefore(kept.finish)) return;
      out_.sooner = std::max(0, time_.between(out_.plan.finish, kept.finish));
    }
    out_.asBefore = true;
    out_.plan = kept;
  }

  const Worklist& list_;
  const OpenTime& time_;
  const SearchWish& wish_;
  Links links_;
  Draw draw_;
  PlaceRule bestRule_, old_;
  SearchedPlan out_;
};

} // namespace

SearchedPlan searchedPlan(const Worklist& list, const OpenTime& time, const SearchWish& wish) {
  return Search(list, time, wish).run();
}

std::uint64_t seedOf(const std::vector<std::string>& names) {
  std::uint64_t hash = 0xCBF29CE484222325ULL;
  const auto take = [&](unsigned char c) { hash = (hash ^ c) * 0x100000001B3ULL; };
  for (const std::string& name : names) {
    for (const char c : name) take(static_cast<unsigned char>(c));
    take('\n');
  }
  return hash;
}

} // namespace columna
