// What has to be placed into sessions: jobs of whole minutes for one pair of hands, what must come before
// what, and how long the bench takes to lay out anew. What the jobs are is not known here.
#pragma once

#include <cstdint>
#include <vector>

namespace columna {

struct Job {
  int minutes = 1;        ///< of work, at least 1
  int station = 0;        ///< how the bench is laid out for it: an index into Worklist::layOut
  bool pausable = true;   ///< may be broken off at a rest or at a session's end; else it lies in one stretch
  int batch = -1;         ///< jobs of one batch are best done one after the other; -1 of none
  int release = 0;        ///< the moment it may begin at the earliest
  std::int64_t press = 0; ///< minutes that it goes before others: the maker keeps it to a session
  /// A job that has to be gone back to in the same session, so many minutes after this one's end (what is in
  /// the oven): its index, -1 without.
  int call = -1;
  int callAfter = 0, callWithin = 0;
  bool called = false; ///< such a job itself
};

/// `after` begins at least `lag` minutes of the wall clock after `before` ends: it dries.
struct Follow {
  int before = 0, after = 0, lag = 0;
};

struct Worklist {
  std::vector<Job> jobs;
  std::vector<Follow> follows; ///< no ring
  std::vector<int> layOut;     ///< minutes, one a station
  int now = 0;                 ///< nothing is placed before
};

/// The follows of each job, and which of them it waits for.
struct Links {
  struct To {
    int job = 0, lag = 0;
  };
  explicit Links(const Worklist& list);
  std::vector<std::vector<To>> out, in;
  std::vector<int> order; ///< each job after those it waits for; shorter than the jobs where there is a ring
};

} // namespace columna
