// Work in numbered lots shared among the cores; results come back in order, the same however many there are.
#pragma once

#include <algorithm>
#include <atomic>
#include <thread>
#include <vector>

namespace columna {

/// `make(i)` for i of 0..count-1. `threads` 0: as many as there are cores. When `stop` is set the lots not
/// begun stay empty. `progress` counts up to 1000.
template <class Lot, class Make>
std::vector<Lot> shareOut(int count, int threads, Make&& make, const std::atomic<bool>* stop = nullptr,
                          std::atomic<int>* progress = nullptr) {
  std::vector<Lot> lots(static_cast<size_t>(std::max(0, count)));
  std::atomic<int> next{0};
  std::atomic<int> done{0};
  const auto work = [&] {
    for (int i = next++; i < count; i = next++) {
      if (stop && *stop) return;
      lots[static_cast<size_t>(i)] = make(i);
      const int so = ++done;
      if (progress) *progress = static_cast<int>(1000LL * so / count);
    }
  };
  if (threads <= 0) threads = static_cast<int>(std::max(1U, std::thread::hardware_concurrency()));
  std::vector<std::thread> others;
  for (int t = 1; t < std::min(threads, count); ++t) others.emplace_back(work);
  work();
  for (std::thread& each : others) each.join();
  return lots;
}

} // namespace columna
