// Work placed into sessions by a rule: at each open moment what presses most of what may begin, keeping to
// the laid out bench and to the batch where little presses.
#pragma once

#include "make/open_time.h"
#include "make/worklist.h"

namespace columna {

/// What a rule weighs, in minutes of pressing.
struct PlaceRule {
  std::vector<std::int64_t> key; ///< of each job, beside the moment it has to begin at the latest
  std::int64_t stick = 0;        ///< for what the bench is laid out for
  std::int64_t fill = 0;         ///< for each minute of work that waits at that station
  std::int64_t batch = 0;        ///< for the batch of the last job
};

struct Placement {
  int finish =
      OpenTime::kNever; ///< the moment the last job ends; kNever where not everything could be placed
  int layOuts = 0, layMinutes = 0;
  int apart = 0;                                   ///< batches that are taken up again after something else
  std::vector<int> begin, end;                     ///< moments, one a job
  std::vector<int> order;                          ///< as they are done
  std::vector<std::vector<OpenStretch>> stretches; ///< one a job, where they are asked for

  /// Sooner, else with less laying out, else with fewer batches taken up again.
  [[nodiscard]] bool before(const Placement& other) const;
};

/// A job is not begun for fewer minutes than that at a session's end.
inline constexpr int kLeastBite = 5;

/// Lets go of calls that no session is long enough for: what is called waits for its lag alone.
void letGoOfCalls(Worklist& list, const OpenTime& time);

/// `latest` is the moment each job has to begin at the latest, by what it is judged (session_bound.h).
[[nodiscard]] Placement placed(const Worklist& list, const Links& links, const OpenTime& time,
                               const std::vector<int>& latest, const PlaceRule& rule, bool stretches = false);

} // namespace columna
