// What is made is fact: how far each part is by the record, what came out other than planned, and what can be
// done about it. Three answers, each tried: keep the plan and mend the part; make by it what is not made yet;
// make its twin like it.
#pragma once

#include "plan/plan.h"
#include "steps/at_bench.h"

#include <optional>
#include <string>
#include <vector>

namespace columna {

/// How far a limb is made, which says what of it cannot be planned otherwise any more: with its wire bent
/// its lengths, with its core firm its girths, with its coat laid all of it.
enum class BuiltLevel { Bare, Wire, Core, Coat };
[[nodiscard]] std::string_view id(BuiltLevel level);

/// One a limb of the plan's figure.
[[nodiscard]] std::vector<BuiltLevel> builtLevels(const Plan& plan, const StepPlan& steps,
                                                  const Progress& progress);

/// A reading of a limb that is not as near to its goal as can be asked, and that nothing was decided on.
struct Deviation {
  int step = 0;
  Goal goal;
  double read = 0;
  std::string entry; ///< the reading's id
  [[nodiscard]] double ratio() const { return goal.value > 0 ? read / goal.value : 1; }
};
/// Of weights of wool, and girths of what is firm; the newest first. What a stand-in said, or what is three
/// times off, is none.
[[nodiscard]] std::vector<Deviation> deviations(const StepPlan& steps, const std::vector<Entry>& entries);

enum class BuiltWay {
  Keep, ///< the plan stays; the part is mended
  Rest, ///< what is not made yet follows it
  Twin  ///< its twin is made like it
};
[[nodiscard]] std::string_view word(BuiltWay way); ///< "keep", "rest", "twin", as in the record
[[nodiscard]] std::optional<BuiltWay> builtWay(std::string_view word);

struct BuiltAnswer {
  BuiltWay way = BuiltWay::Keep;
  Said words;                     ///< "keep the plan", a few words
  Said result;                    ///< what it comes to: grams, minutes
  std::optional<Project> project; ///< with it made; nothing where only the record says it
};

/// What an answer is reckoned from; all of it outlives the call.
struct BuiltAsk {
  const Project& project;
  const Catalog& catalog;
  const Plan& plan;
  const StepPlan& steps;
  const std::vector<Entry>& entries;
  std::int64_t now = 0; ///< seconds since 1970
};

/// The one that suits best first: the twin where that is not firm yet, else the plan within 5 %, else the
/// rest. An answer that changes nothing is left out. Takes as long as a plan of another shape.
[[nodiscard]] std::vector<BuiltAnswer> builtAnswers(const BuiltAsk& ask, const Deviation& deviation);

/// The project with what is not made yet made by a part that came out so many times as thick as planned, coat
/// on: girths of parts whose core is not firm, lengths of those without wire that are not begun. What is made
/// keeps its measures, and its wire; the part itself is as it was read. Bones that keep their length keep it
/// in mm, so that what is bent still fits. Made parts that were typed into Study become part of the shape.
[[nodiscard]] Project restBy(const Project& project, const Catalog& catalog, const Plan& plan,
                             const std::vector<BuiltLevel>& levels, int limb, double ratio);

/// Goals of twins that are to be made like what is there become what was read of it.
void takeTwinGoals(StepPlan& steps, const std::vector<Entry>& entries);

} // namespace columna
