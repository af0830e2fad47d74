// The order of work for a maker's sessions: found by rules and a seeded search, the same for the same input
// on every machine, and kept from one time to the next as far as it holds.
#pragma once

#include "make/session_bound.h"
#include "make/session_decode.h"

#include <atomic>

namespace columna {

struct SearchWish {
  std::uint64_t seed = 0;  ///< of the search: the same, the same plan
  int placings = -1;       ///< tried at most; below 0 as many as its size is worth, 0 the rules alone
  std::vector<int> before; ///< the order of the jobs as it was planned; empty without
  const std::atomic<bool>* stop = nullptr; ///< set from elsewhere: what is found so far is the answer
};

struct SearchedPlan {
  Placement plan;
  FinishBound bound;
  bool asBefore = false; ///< the order that was there is kept
  /// Open minutes that a fresh order would end sooner than the one that is kept; 0 where it would not.
  int sooner = 0;
};

/// Without an order from before: the best of the rules and the search. With one: that order, what cannot
/// begin passed over, unless a fresh one ends in an earlier session. Its finish is kNever where the time does
/// not hold the work.
[[nodiscard]] SearchedPlan searchedPlan(const Worklist& list, const OpenTime& time, const SearchWish& wish);

/// 64-bit FNV-1a, for a seed from the names of what is done.
[[nodiscard]] std::uint64_t seedOf(const std::vector<std::string>& names);

} // namespace columna
