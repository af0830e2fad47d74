// What a maker at the bench asks: what is next, what dries and what that holds up, what was read of a step's
// goals, and what of the record should be looked at.
#pragma once

#include "anatomy/figure.h"
#include "plan/finding.h"
#include "steps/progress.h"
#include "wool/build_up.h"

#include <map>
#include <set>
#include <tuple>

namespace columna {

/// What has to be gone back to (Step::calls); the step under way; else the first that can be done now in the
/// planned order (steps), else in the plan's, those put off last. Nothing where nothing can be done now.
[[nodiscard]] std::optional<int> nextStep(const StepPlan& plan, const Progress& progress,
                                          const std::vector<int>& order, const std::set<std::string>& putOff);

/// A step that dries, seconds since 1970.
struct DryingStep {
  int step = 0;
  std::int64_t since = 0;
  std::int64_t lowest = 0; ///< as early as it may be dry
  std::int64_t until = 0;
  std::vector<int> holds; ///< what waits for it
};
/// The first to be dry first.
[[nodiscard]] std::vector<DryingStep> dryingNow(const StepPlan& plan, const Progress& progress);

/// What of the build-up is on by the steps that are done, in whatever order they were: a flag for each. What
/// has no step of its own is on with the step of its kind and limb, else when all others are.
[[nodiscard]] std::vector<bool> woolOn(const StepPlan& plan, const Progress& progress,
                                       const std::vector<BuildStep>& build);

/// Minutes of work at a moment since the hands had a rest of so many minutes. What runs counts; a shorter gap
/// ends nothing, and takes nothing.
[[nodiscard]] double sinceRest(const std::vector<Entry>& entries, std::int64_t now, double rest);

/// The kind of entry that a goal is read by.
[[nodiscard]] EntryKind readingOf(Goal::What what);
/// Whether a reading is as near to its goal as can be asked.
[[nodiscard]] bool meets(const Goal& goal, double value);
/// Three times its goal or more, or a third or less: a slip of the hand, likely.
[[nodiscard]] bool farOff(const Goal& goal, double value);

/// What tells a goal from another of its step that is read alike: its words, in the record's English. Empty
/// where there is none.
[[nodiscard]] std::string goalMark(const Step& step, const Goal& goal);

/// The last readings that count, by step and goal. A girth taken in Wrap answers the goal of the same part
/// and place, where none was read at the bench: felted that of its firming or skin, finished that of its
/// coat.
class Readings {
public:
  Readings() = default;
  explicit Readings(const std::vector<Entry>& entries);
  /// Null where there is none.
  [[nodiscard]] const Entry* of(const Step& step, const Goal& goal) const;

private:
  [[nodiscard]] const Entry* inWrap(const Step& step, const Goal& goal) const;
  /// A step (of a girth taken in Wrap the measure and the part), a kind, tenths of a mm along the limb, and a
  /// text; the text empty: whatever it is.
  std::map<std::tuple<std::string, EntryKind, long, std::string>, Entry> last_;
};

/// The last photo that was looked at by the plan and counts; null without one. Its value is what the part it
/// names is off by, mm.
[[nodiscard]] const Entry* lastPhotoCheck(const std::vector<Entry>& entries);

/// Readings off their goals, steps done before what they follow or before it was dry, what the last photo
/// shows.
[[nodiscard]] std::vector<Finding> makeFindings(const StepPlan& plan, const Figure& figure,
                                                const Progress& progress, const std::vector<Entry>& entries);

} // namespace columna
