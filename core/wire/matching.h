// Every way to pair some of the strand ends that meet at a point.
#pragma once

#include <algorithm>
#include <functional>
#include <utility>
#include <vector>

namespace columna {

/// Calls take(mates) for every partial matching of the ends; mates[i] is i for an end left alone. Ends of the
/// same class are alike, so only the first of a class is tried. Twenty ends can be paired in more ways than
/// anyone has time for: `steps` is how many may be looked at, and counts down.
class Matching {
public:
  Matching(const std::vector<int>& classes, std::function<void(const std::vector<int>&)> take, size_t& steps)
      : classes_(classes), take_(std::move(take)), steps_(steps), mates_(classes.size(), -1) {}
  /// Whether all were looked at.
  bool run() {
    next();
    return steps_ > 0;
  }

private:
  void next() {
    if (steps_ == 0 || --steps_ == 0) return;
    size_t first = 0;
    while (first < mates_.size() && mates_[first] >= 0) ++first;
    if (first == mates_.size()) {
      take_(mates_);
      return;
    }
    std::vector<int> tried;
    for (size_t other = first; other < mates_.size(); ++other) {
      if (other != first && mates_[other] >= 0) continue;
      const int as = other == first ? -1 : classes_[other];
      if (as >= 0) {
        if (std::find(tried.begin(), tried.end(), as) != tried.end()) continue;
        tried.push_back(as);
      }
      mates_[first] = static_cast<int>(other);
      mates_[other] = static_cast<int>(first);
      next();
      mates_[first] = mates_[other] = -1;
    }
  }

  const std::vector<int>& classes_;
  std::function<void(const std::vector<int>&)> take_;
  size_t& steps_;
  std::vector<int> mates_;
};

} // namespace columna
