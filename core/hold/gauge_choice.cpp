#include "hold/gauge_choice.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>

namespace columna {
namespace {

constexpr double kNever = std::numeric_limits<double>::infinity();

/// One material's sizes and wishes, and the least excess for each number of wires bought.
class Shelf {
public:
  Shelf(const std::vector<GaugeWish>& wishes, const std::vector<GaugeOffer>& offers,
        const std::string& material, int most)
      : most_(most) {
    std::map<double, bool> sizes; // bought already, or at hand
    for (const GaugeOffer& o : offers)
      if (o.material == material) sizes[o.diameter] = sizes[o.diameter] || o.have;
    for (size_t w = 0; w < wishes.size(); ++w) {
      if (wishes[w].material != material) continue;
      if (wishes[w].fixed) {
        if (!sizes[*wishes[w].fixed]) {
          sizes[*wishes[w].fixed] = true;
          ++fixed_;
        }
        continue;
      }
      mine_.push_back(w);
    }
    for (const auto& [d, have] : sizes) {
      size_.push_back(d);
      free_.push_back(have);
    }
    if (!size_.empty() && !mine_.empty()) reckon(wishes);
  }

  /// Least excess with exactly so many bought beyond the fixed ones; infinite if it cannot be.
  [[nodiscard]] double excess(int bought) const {
    if (mine_.empty() || size_.empty()) return bought == 0 ? 0 : kNever;
    double best = kNever;
    for (size_t i = 0; i < size_.size(); ++i) best = std::min(best, table_[i][static_cast<size_t>(bought)]);
    return best;
  }
  [[nodiscard]] int fixed() const { return fixed_; }
  [[nodiscard]] bool empty() const { return size_.empty(); }
  [[nodiscard]] double thickest() const { return size_.back(); }

  /// Sizes chosen with so many bought, thinnest first.
  [[nodiscard]] std::vector<double> chosen(int bought) const {
    std::vector<double> out;
    if (mine_.empty() || size_.empty()) return out;
    auto k = static_cast<size_t>(bought);
    int at = -1;
    double best = kNever;
    for (size_t i = 0; i < size_.size(); ++i)
      if (table_[i][k] < best) {
        best = table_[i][k];
        at = static_cast<int>(i);
      }
    while (at >= 0) {
      out.push_back(size_[static_cast<size_t>(at)]);
      const int before = back_[static_cast<size_t>(at)][k];
      if (!free_[static_cast<size_t>(at)]) --k;
      at = before;
    }
    std::reverse(out.begin(), out.end());
    return out;
  }

private:
  void reckon(const std::vector<GaugeWish>& wishes) {
    const size_t n = size_.size();
    const auto kinds = static_cast<size_t>(most_) + 1;
    table_.assign(n, std::vector<double>(kinds, kNever));
    back_.assign(n, std::vector<int>(kinds, -1));
    // Too thick a need takes the thickest there is.
    const auto need = [&](size_t w) { return std::min(wishes[w].need, size_.back()); };
    double largest = 0;
    for (const size_t w : mine_) largest = std::max(largest, need(w));
    const auto covered = [&](double from, double to) {
      double sum = 0;
      for (const size_t w : mine_)
        if (need(w) > from + 1e-9 && need(w) <= to + 1e-9) sum += wishes[w].weight * gaugeExcess(need(w), to);
      return sum;
    };
    std::vector<std::vector<double>> all = table_;
    for (size_t i = 0; i < n; ++i) {
      const size_t cost = free_[i] ? 0 : 1;
      for (size_t k = cost; k < kinds; ++k) {
        double best = k == cost ? covered(0, size_[i]) : kNever;
        int from = -1;
        for (size_t j = 0; j < i; ++j)
          if (const double with = all[j][k - cost] + covered(size_[j], size_[i]); with < best - 1e-12) {
            best = with;
            from = static_cast<int>(j);
          }
        all[i][k] = best;
        back_[i][k] = from;
        if (size_[i] >= largest - 1e-9) table_[i][k] = best;
      }
    }
  }

  int most_;
  int fixed_ = 0;
  std::vector<size_t> mine_;
  std::vector<double> size_;
  std::vector<bool> free_;
  std::vector<std::vector<double>> table_;
  std::vector<std::vector<int>> back_;
};

} // namespace

double gaugeExcess(double need, double diameter) {
  if (!(need > 0) || diameter <= need) return 0;
  return std::log(diameter / need) / std::log(1.1229322);
}

GaugeChoice chooseGauges(const std::vector<GaugeWish>& wishes, const std::vector<GaugeOffer>& offers,
                         int limit) {
  GaugeChoice out;
  std::vector<std::string> materials;
  for (const GaugeWish& w : wishes)
    if (std::find(materials.begin(), materials.end(), w.material) == materials.end())
      materials.push_back(w.material);
  const int most = static_cast<int>(wishes.size());
  std::vector<Shelf> shelves;
  for (const std::string& m : materials) {
    shelves.emplace_back(wishes, offers, m, most);
    out.bought += shelves.back().fixed();
  }
  // Materials after each other: the least excess for each number bought so far.
  const auto kinds = static_cast<size_t>(most) + 1;
  std::vector<std::vector<double>> least(shelves.size() + 1, std::vector<double>(kinds, kNever));
  std::vector<std::vector<int>> share(shelves.size() + 1, std::vector<int>(kinds, 0));
  least[0][0] = 0;
  for (size_t m = 0; m < shelves.size(); ++m)
    for (size_t k = 0; k < kinds; ++k)
      for (size_t mine = 0; mine <= k; ++mine)
        if (const double with = least[m][k - mine] + shelves[m].excess(static_cast<int>(mine));
            with < least[m + 1][k] - 1e-12) {
          least[m + 1][k] = with;
          share[m + 1][k] = static_cast<int>(mine);
        }
  size_t fewest = 0;
  while (fewest + 1 < kinds && std::isinf(least.back()[fewest])) ++fewest;
  out.least = out.bought + static_cast<int>(fewest);
  const auto room = static_cast<size_t>(std::max(0, limit - out.bought));
  size_t best = fewest;
  for (size_t k = fewest; k < kinds && k <= std::max(room, fewest); ++k)
    if (least.back()[k] < least.back()[best] - 1e-9) best = k;
  out.excess = least.back()[best];
  out.bought += static_cast<int>(best);
  std::map<std::string, std::vector<double>> chosen;
  size_t left = best;
  for (size_t m = shelves.size(); m-- > 0;) {
    const int mine = share[m + 1][left];
    chosen[materials[m]] = shelves[m].chosen(mine);
    left -= static_cast<size_t>(mine);
  }
  for (const GaugeWish& w : wishes) {
    double d = w.need;
    bool fits = false;
    if (w.fixed) {
      d = *w.fixed;
      fits = true;
    } else if (const auto& sizes = chosen[w.material]; !sizes.empty()) {
      const auto at = std::lower_bound(sizes.begin(), sizes.end(), w.need - 1e-9);
      fits = at != sizes.end();
      d = fits ? *at : sizes.back();
    }
    out.diameters.push_back(d);
    out.fits.push_back(fits);
  }
  return out;
}

} // namespace columna
