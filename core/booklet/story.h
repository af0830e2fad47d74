// The story of a figure as it was made, to print and keep: what was planned and what it came to, the hours by
// kind of work, what was done on which day, and what to do otherwise next time.
#pragma once

#include "make/journal.h"
#include "project/project.h"
#include "sheet/page.h"
#include "steps/pace_of.h"
#include "steps/step.h"

#include <vector>

namespace columna {

/// All that it is made of; all of it outlives the call.
struct StoryAsk {
  const Project& project;
  const Figure& figure;
  const StepPlan& steps;
  const Progress& progress;
  const std::vector<Entry>& entries; ///< what is withdrawn is left out; what a stand-in said is marked
  const Language* language = nullptr;
};

/// What was read of a goal last.
struct StoryReading {
  int step = 0;
  Goal goal;
  double read = 0;
};
[[nodiscard]] std::vector<StoryReading> storyReadings(const StepPlan& steps,
                                                      const std::vector<Entry>& entries);

/// Minutes of a kind of work: of the steps that are done, as they are usual and as they were timed.
struct StoryHours {
  PaceKind kind = PaceKind::Around;
  int steps = 0;
  double usual = 0, spent = 0;
};
/// Of kinds with a step that was timed.
[[nodiscard]] std::vector<StoryHours> storyHours(const StepPlan& steps, const Progress& progress);

/// Never empty: without an entry it says so.
[[nodiscard]] std::vector<Page> storyPages(const StoryAsk& ask, Paper paper);

} // namespace columna
