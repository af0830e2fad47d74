// A record as it is written while the work goes, and a few steps to go by.
#pragma once

#include "support.h"

#include "make/open_time.h"
#include "steps/progress.h"

#include <fmt/format.h>

#include <cmath>

namespace columna::test {

inline constexpr std::int64_t kStart = 1'764'000'000;

inline std::string stampAt(std::int64_t seconds) {
  const auto day = seconds / 86400;
  const Date date{std::chrono::sys_days{std::chrono::days(day)}};
  const auto rest = seconds % 86400;
  return fmt::format("{}T{:02}:{:02}:{:02}Z", dateText(date), rest / 3600, rest % 3600 / 60, rest % 60);
}

/// A record that is written as the work goes.
class WrittenRecord {
public:
  std::vector<Entry> entries;
  Entry& add(EntryKind kind, const std::string& step, double minute) {
    Entry e;
    e.n = static_cast<int>(entries.size()) + 1;
    e.id = "e" + std::to_string(e.n);
    e.at = stampAt(kStart + std::llround(60 * minute));
    e.kind = kind;
    e.step = step;
    entries.push_back(e);
    return entries.back();
  }
  /// Withdraws an entry; its withdrawal.
  Entry& withdraw(size_t entry, double minute) {
    const std::string of = entries[entry].id; // the vector grows
    Entry& e = add(EntryKind::Withdraw, "", minute);
    e.of = of;
    return e;
  }
};

inline std::int64_t at(double minute) { return kStart + std::llround(60 * minute); }

/// Print, shape, stay that dries eight hours, wind.
inline StepPlan fourSteps() {
  StepPlan out;
  const auto add = [&](const char* id, double minutes, double wait, Bench bench) {
    Step s;
    s.words = say("step {}", AsIs(id));
    s.id = id;
    s.planned = minutes;
    s.wait = wait;
    s.waitLow = wait / 2;
    s.bench = bench;
    s.pausable = wait <= 0;
    out.steps.push_back(s);
  };
  add("print/sheet", 10, 0, Bench::Paper);
  add("shape/spine", 30, 0, Bench::Wire);
  add("stay/hips", 3, 480, Bench::Glue);
  add("wind/trunk", 60, 0, Bench::CoreWool);
  out.edges = {{0, 1, say("a")}, {1, 2, say("b")}, {2, 3, say("c")}};
  return out;
}

} // namespace columna::test
