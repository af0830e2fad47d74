#include "make/session_bound.h"

#include <algorithm>

namespace columna {
namespace {

class Bound {
public:
  Bound(const Worklist& list, const Links& links, const OpenTime& time)
      : list_(list), links_(links), time_(time), stations_(list.layOut.size()) {
    earliest();
    work_.assign(stations_, 0);
    for (const Job& j : list.jobs) {
      work_[static_cast<size_t>(j.station)] += j.minutes;
      all_ += j.minutes;
      cheapest_ = std::min(cheapest_, list.layOut[static_cast<size_t>(j.station)]);
    }
    alternations();
  }

  /// Whether no job's latest beginning lies before its earliest.
  bool latest(int finish) {
    const size_t count = list_.jobs.size();
    lastEnd_.assign(count, finish);
    lastBegin_.assign(count, 0);
    bool fits = true;
    for (size_t q = count; q-- > 0;) {
      const auto j = static_cast<size_t>(links_.order[q]);
      for (const Links::To& to : links_.out[j])
        lastEnd_[j] = std::min(lastEnd_[j], lastBegin_[static_cast<size_t>(to.job)] - to.lag);
      lastBegin_[j] = time_.back(lastEnd_[j], list_.jobs[j].minutes, list_.jobs[j].pausable);
      if (lastBegin_[j] < earliest_[j]) fits = false;
    }
    return fits;
  }

  bool refuted(int finish) {
    if (!latest(finish)) return true;
    if (!layOuts(finish)) return true;
    return late();
  }

  [[nodiscard]] const std::vector<int>& lastBegin() const { return lastBegin_; }

private:
  struct Task {
    int release = 0, due = 0, minutes = 0;
  };

  void earliest() {
    earliest_.assign(list_.jobs.size(), list_.now);
    for (const int each : links_.order) {
      const auto j = static_cast<size_t>(each);
      const Job& one = list_.jobs[j];
      int at = std::max(list_.now, one.release);
      for (const Links::To& from : links_.in[j]) {
        const Job& before = list_.jobs[static_cast<size_t>(from.job)];
        const int end =
            time_.forward(earliest_[static_cast<size_t>(from.job)], before.minutes, before.pausable);
        at = std::max(at, end + from.lag);
      }
      earliest_[j] = one.pausable ? time_.align(at) : time_.forward(at, one.minutes, false) - one.minutes;
    }
  }

  /// How often along a path work of a station is taken up anew after other work or a wait longer than any
  /// session.
  void alternations() {
    const int longest = time_.longestSession();
    forced_.assign(stations_, 0);
    for (size_t k = 0; k < stations_; ++k) {
      if (work_[k] == 0) continue;
      std::vector<int> runs(list_.jobs.size(), 0);
      for (const int each : links_.order) {
        const auto j = static_cast<size_t>(each);
        const bool own = list_.jobs[j].station == static_cast<int>(k);
        for (const Links::To& from : links_.in[j]) {
          const auto before = static_cast<size_t>(from.job);
          const bool goesOn = list_.jobs[before].station == static_cast<int>(k) && from.lag <= longest;
          runs[j] = std::max(runs[j], own && !goesOn ? runs[before] + 1 : runs[before]);
        }
        if (own) runs[j] = std::max(runs[j], 1);
        forced_[k] = std::max(forced_[k], runs[j]);
      }
    }
  }

  /// The laying out that nothing avoids before a finish; false where the open minutes do not hold it.
  bool layOuts(int finish) {
    std::vector<int> sessions;
    int last = -1;
    for (const OpenStretch& s : time_.stretches()) {
      if (s.from >= finish) break;
      if (s.to <= list_.now) continue;
      if (s.session != last) sessions.push_back(0);
      last = s.session;
      sessions.back() += std::min(finish, s.to) - std::max(list_.now, s.from);
    }
    const int count = static_cast<int>(sessions.size());
    std::sort(sessions.rbegin(), sessions.rend());
    tasks_.clear();
    int times = 0;
    int minutes = 0;
    for (size_t k = 0; k < stations_; ++k) {
      if (work_[k] == 0) continue;
      // As many sessions as its work fills, the longest first.
      int filled = 0;
      int left = work_[k];
      for (const int s : sessions) {
        if (left <= 0) break;
        ++filled;
        left -= std::max(0, s - list_.layOut[k]);
      }
      if (left > 0) return false;
      const int n = std::max(filled, forced_[k]);
      times += n;
      minutes += n * list_.layOut[k];
      int due = -OpenTime::kNever;
      for (size_t j = 0; j < list_.jobs.size(); ++j)
        if (list_.jobs[j].station == static_cast<int>(k)) due = std::max(due, lastBegin_[j]);
      tasks_.push_back({list_.now, due, n * list_.layOut[k]});
    }
    const int rest = std::max(0, count - times) * cheapest_; // every session begins with some laying out
    if (rest > 0) tasks_.push_back({list_.now, finish, rest});
    return time_.between(list_.now, finish) >= all_ + minutes + rest;
  }

  /// Whether what is due first, always at once, comes too late.
  bool late() {
    for (size_t j = 0; j < list_.jobs.size(); ++j)
      tasks_.push_back({earliest_[j], lastEnd_[j], list_.jobs[j].minutes});
    std::stable_sort(tasks_.begin(), tasks_.end(),
                     [](const Task& a, const Task& b) { return a.release < b.release; });
    const auto later = [&](size_t a, size_t b) { return tasks_[a].due > tasks_[b].due; };
    std::vector<size_t> heap;
    size_t next = 0;
    int t = list_.now;
    while (next < tasks_.size() || !heap.empty()) {
      if (heap.empty()) t = std::max(t, tasks_[next].release);
      while (next < tasks_.size() && tasks_[next].release <= t) {
        heap.push_back(next++);
        std::push_heap(heap.begin(), heap.end(), later);
      }
      Task& first = tasks_[heap.front()];
      const int until = next < tasks_.size() ? tasks_[next].release : OpenTime::kNever;
      const size_t k = time_.at(t);
      if (k >= time_.stretches().size()) return true;
      const int from = std::max(t, time_.stretches()[k].from);
      if (from >= until) {
        t = until;
        continue;
      }
      const int minutes = std::min({first.minutes, time_.stretches()[k].to - from, until - from});
      first.minutes -= minutes;
      t = from + minutes;
      if (first.minutes > 0) continue;
      if (t > first.due) return true;
      std::pop_heap(heap.begin(), heap.end(), later);
      heap.pop_back();
    }
    return false;
  }

  const Worklist& list_;
  const Links& links_;
  const OpenTime& time_;
  size_t stations_;
  std::vector<int> earliest_, lastEnd_, lastBegin_;
  std::vector<int> work_, forced_; ///< of each station
  int all_ = 0, cheapest_ = OpenTime::kNever;
  std::vector<Task> tasks_;
};

} // namespace

FinishBound finishBound(const Worklist& list, const Links& links, const OpenTime& time) {
  FinishBound out;
  if (list.jobs.empty()) {
    out.finish = list.now;
    return out;
  }
  Bound bound(list, links, time);
  int low = list.now - 1;
  int high = time.stretches().empty() ? low : time.stretches().back().to;
  if (high <= low || bound.refuted(high)) {
    (void)bound.latest(std::max(high, list.now));
    out.latest = bound.lastBegin();
    return out;
  }
  while (high - low > 1) {
    const int middle = low + (high - low) / 2;
    (bound.refuted(middle) ? low : high) = middle;
  }
  (void)bound.latest(high);
  out.finish = high;
  out.latest = bound.lastBegin();
  return out;
}

} // namespace columna
