#include "wire/cut_list.h"

#include <glpk.h>

#include <algorithm>
#include <cmath>
#include <functional>
#include <limits>
#include <memory>
#include <numeric>

namespace columna {
namespace {

constexpr size_t kMostPatterns = 6000;
/// The search ends after so many nodes, each as dear as there are columns: about a fifth of a second.
constexpr int kMostWork = 400000;
constexpr int kLeastNodes = 40, kMostNodes = 4000;
constexpr double kKeptCost =
    0.2; ///< of an offcut's mm, against lost ones: a whole bar is worth more than ends
constexpr double kUncutCost = 1e5; ///< of a piece without wire, and a little more the longer it is
constexpr double kCoilCost = 0.1;  ///< of a mm off a coil: bars at hand are used up first
constexpr double kCutCost = 0.001; ///< of a stroke
constexpr double kSlack = 1e-6;

/// Lengths that are equal, and the pieces that have them.
struct Kind {
  double length = 0;
  std::vector<int> pieces;
};

/// One way to cut a bar.
struct Pattern {
  int stock = 0;
  std::vector<int> count; ///< of each kind
  double cost = 0;
};

double restCost(double rest, double useful) {
  if (rest < kSlack) return 0;
  return rest >= useful - kSlack ? kKeptCost * rest : rest;
}

struct Free {
  void operator()(glp_prob* p) const { glp_delete_prob(p); }
};

class Cutting {
public:
  Cutting(const std::vector<double>& lengths, const std::vector<StockBar>& stock, double useful)
      : stock_(stock), useful_(useful) {
    std::vector<int> order(lengths.size());
    std::iota(order.begin(), order.end(), 0);
    std::stable_sort(order.begin(), order.end(), [&](int a, int b) {
      return lengths[static_cast<size_t>(a)] > lengths[static_cast<size_t>(b)];
    });
    double longest = 0;
    for (const StockBar& bar : stock) {
      coil_ = coil_ || bar.length <= 0;
      if (bar.count != 0) longest = std::max(longest, bar.length);
    }
    for (const int i : order) {
      const double length = lengths[static_cast<size_t>(i)];
      if (!coil_ && length > longest + kSlack) {
        out_.uncut.push_back(i);
        continue;
      }
      if (kinds_.empty() || std::abs(kinds_.back().length - length) > 1e-9) kinds_.push_back({length, {}});
      kinds_.back().pieces.push_back(i);
    }
    taken_.assign(kinds_.size(), 0);
  }

  CutList run() {
    if (kinds_.empty()) return std::move(out_);
    bool whole = true;
    for (size_t s = 0; s < stock_.size() && whole; ++s)
      if (stock_[s].length > 0 && stock_[s].count != 0) whole = patterns(static_cast<int>(s));
    if (!whole || !solve()) greedy();
    settle();
    return std::move(out_);
  }

private:
  [[nodiscard]] int need(size_t k) const { return static_cast<int>(kinds_[k].pieces.size()); }

  /// All ways to cut one kind of bar; false when there are too many to list.
  bool patterns(int s) {
    const StockBar& bar = stock_[static_cast<size_t>(s)];
    std::vector<int> count(kinds_.size(), 0);
    const std::function<bool(size_t, double)> fill = [&](size_t k, double rest) {
      if (k == kinds_.size()) {
        const int all = std::accumulate(count.begin(), count.end(), 0);
        if (all == 0) return true;
        if (patterns_.size() >= kMostPatterns) return false;
        const int strokes = rest < kSlack ? all - 1 : all;
        patterns_.push_back({s, count, restCost(rest, useful_) + kCutCost * strokes});
        return true;
      }
      const int most = std::min(need(k), static_cast<int>((rest + kSlack) / kinds_[k].length));
      for (int n = most; n >= 0; --n) {
        count[k] = n;
        if (!fill(k + 1, rest - n * kinds_[k].length)) return false;
      }
      return true;
    };
    return fill(0, bar.length);
  }

  /// Ends the search after so many nodes.
  static void countNodes(glp_tree* tree, void* left) {
    if (glp_ios_reason(tree) == GLP_ISELECT && --*static_cast<int*>(left) < 0) glp_ios_terminate(tree);
  }

  bool solve() {
    const std::unique_ptr<glp_prob, Free> p(glp_create_prob());
    glp_set_obj_dir(p.get(), GLP_MIN);
    const auto kinds = static_cast<int>(kinds_.size());
    glp_add_rows(p.get(), kinds + static_cast<int>(stock_.size()));
    for (int k = 0; k < kinds; ++k)
      glp_set_row_bnds(p.get(), k + 1, GLP_FX, need(static_cast<size_t>(k)), need(static_cast<size_t>(k)));
    for (size_t s = 0; s < stock_.size(); ++s) {
      const int row = kinds + static_cast<int>(s) + 1;
      if (stock_[s].count >= 0 && stock_[s].length > 0)
        glp_set_row_bnds(p.get(), row, GLP_UP, 0, stock_[s].count);
      else
        glp_set_row_bnds(p.get(), row, GLP_FR, 0, 0);
    }
    // A coil gives what bars do not; without one a piece can be left uncut, at a price.
    const int columns = static_cast<int>(patterns_.size()) + kinds;
    glp_add_cols(p.get(), columns);
    int column = 0;
    const auto add = [&](double cost, int most, const std::vector<int>& rows,
                         const std::vector<double>& values) {
      ++column;
      glp_set_col_kind(p.get(), column, GLP_IV);
      glp_set_col_bnds(p.get(), column, most > 0 ? GLP_DB : GLP_FX, 0, most);
      glp_set_obj_coef(p.get(), column, cost);
      std::vector<int> index{0};
      std::vector<double> value{0};
      index.insert(index.end(), rows.begin(), rows.end());
      value.insert(value.end(), values.begin(), values.end());
      glp_set_mat_col(p.get(), column, static_cast<int>(rows.size()), index.data(), value.data());
    };
    for (const Pattern& pattern : patterns_) {
      std::vector<int> rows;
      std::vector<double> values;
      int most = std::numeric_limits<int>::max();
      for (int k = 0; k < kinds; ++k)
        if (const int n = pattern.count[static_cast<size_t>(k)]; n > 0) {
          rows.push_back(k + 1);
          values.push_back(n);
          most = std::min(most, need(static_cast<size_t>(k)) / n);
        }
      rows.push_back(kinds + pattern.stock + 1);
      values.push_back(1);
      // A bought bar costs a trifle more than one at hand.
      const double bought = stock_[static_cast<size_t>(pattern.stock)].drawer ? 0 : 0.5;
      add(pattern.cost + bought, most, rows, values);
    }
    for (int k = 0; k < kinds; ++k) {
      const double length = kinds_[static_cast<size_t>(k)].length;
      add(coil_ ? kCoilCost * length + kCutCost : kUncutCost + length, need(static_cast<size_t>(k)), {k + 1},
          {1});
    }
    glp_iocp how;
    glp_init_iocp(&how);
    how.msg_lev = GLP_MSG_OFF;
    how.presolve = GLP_ON;
    int nodes = std::clamp(kMostWork / std::max(1, columns), kLeastNodes, kMostNodes);
    how.cb_func = &Cutting::countNodes;
    how.cb_info = &nodes;
    glp_term_out(GLP_OFF);
    glp_intopt(p.get(), &how);
    const int status = glp_mip_status(p.get());
    if (status != GLP_OPT && status != GLP_FEAS) return false;
    out_.proven = status == GLP_OPT;
    for (size_t i = 0; i < patterns_.size(); ++i) {
      const int times = static_cast<int>(std::lround(glp_mip_col_val(p.get(), static_cast<int>(i) + 1)));
      for (int t = 0; t < times; ++t) use(patterns_[i].stock, patterns_[i].count);
    }
    for (int k = 0; k < kinds; ++k) {
      const int n =
          static_cast<int>(std::lround(glp_mip_col_val(p.get(), static_cast<int>(patterns_.size()) + k + 1)));
      if (coil_)
        fromCoil(static_cast<size_t>(k), n);
      else
        for (int each = 0; each < n; ++each) out_.uncut.push_back(take(static_cast<size_t>(k)));
    }
    return true;
  }

  /// The longest first into the first bar that has room: when there are too many ways to try.
  void greedy() {
    out_.proven = false;
    std::vector<int> left;
    for (const StockBar& bar : stock_) left.push_back(bar.count < 0 ? 1 << 20 : bar.count);
    for (size_t k = 0; k < kinds_.size(); ++k)
      for (int n = need(k); n > 0; --n) {
        const double length = kinds_[k].length;
        CutBar* best = nullptr;
        for (CutBar& bar : out_.bars)
          if (!bar.coil && bar.left >= length - kSlack && (!best || bar.left < best->left)) best = &bar;
        if (best) {
          put(*best, k);
          continue;
        }
        int open = -1;
        for (size_t s = 0; s < stock_.size(); ++s) {
          if (left[s] <= 0 || stock_[s].length < length - kSlack) continue;
          if (open < 0 || (stock_[s].drawer && !stock_[static_cast<size_t>(open)].drawer))
            open = static_cast<int>(s);
        }
        if (open >= 0) {
          --left[static_cast<size_t>(open)];
          begin(open);
          put(out_.bars.back(), k);
        } else if (coil_) {
          fromCoil(k, 1);
        } else {
          out_.uncut.push_back(take(k));
        }
      }
  }

  int take(size_t k) {
    const int piece = kinds_[k].pieces[taken_[k]];
    ++taken_[k];
    return piece;
  }
  void begin(int s) {
    const StockBar& bar = stock_[static_cast<size_t>(s)];
    out_.bars.push_back({bar.id, bar.length, false, bar.drawer, {}, bar.length, false});
  }
  void put(CutBar& bar, size_t k) {
    bar.cuts.push_back({take(k), bar.length - bar.left});
    bar.left -= kinds_[k].length;
  }
  void use(int s, const std::vector<int>& count) {
    begin(s);
    for (size_t k = 0; k < count.size(); ++k)
      for (int n = 0; n < count[k]; ++n) put(out_.bars.back(), k);
  }
  void fromCoil(size_t k, int n) {
    if (n <= 0) return;
    const auto found =
        std::find_if(out_.bars.begin(), out_.bars.end(), [](const CutBar& b) { return b.coil; });
    if (found == out_.bars.end()) {
      for (const StockBar& bar : stock_)
        if (bar.length <= 0) {
          out_.bars.push_back({bar.id, 0, true, bar.drawer, {}, 0, false});
          break;
        }
    }
    CutBar& coil = *std::find_if(out_.bars.begin(), out_.bars.end(), [](const CutBar& b) { return b.coil; });
    for (int i = 0; i < n; ++i) {
      coil.cuts.push_back({take(k), coil.length});
      coil.length += kinds_[k].length;
    }
  }

  void settle() {
    for (CutBar& bar : out_.bars) {
      if (bar.left < kSlack) bar.left = 0;
      bar.keeps = !bar.coil && bar.left >= useful_ - kSlack;
      if (!bar.coil) (bar.keeps ? out_.kept : out_.waste) += bar.left;
      out_.cuts += static_cast<int>(bar.cuts.size()) - (!bar.coil && bar.left == 0 ? 1 : 0);
    }
    std::stable_sort(out_.bars.begin(), out_.bars.end(), [](const CutBar& a, const CutBar& b) {
      if (a.coil != b.coil) return b.coil;
      return a.drawer && !b.drawer;
    });
    std::sort(out_.uncut.begin(), out_.uncut.end());
  }

  const std::vector<StockBar>& stock_;
  double useful_;
  bool coil_ = false;
  std::vector<Kind> kinds_;
  std::vector<size_t> taken_; ///< pieces of each kind placed so far
  std::vector<Pattern> patterns_;
  CutList out_;
};

} // namespace

CutList cutList(const std::vector<double>& lengths, const std::vector<StockBar>& stock, double useful) {
  return Cutting(lengths, stock, useful).run();
}

} // namespace columna
