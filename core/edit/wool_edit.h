// Changes of the wool: firmness, felt, coat, rows, markings, ready cores, what was measured.
#pragma once

#include "plan/plan.h"

namespace columna::edit {

[[nodiscard]] Project felted(Project project, const Plan& plan, int limb, Firmness firmness);

/// One step firmer (+1) or softer (-1); the ends stay.
[[nodiscard]] Project feltedStep(Project project, const Plan& plan, int limb, int step);

/// One step softer; nothing where it is soft already.
[[nodiscard]] std::optional<Project> softened(Project project, const Plan& plan, int limb);

/// What a limb carries that weighs: of a neck or trunk the head, else the limb itself.
[[nodiscard]] int carriedBy(const Plan& plan, int limb);

/// A file may hold denser felt still, for the plan to say so.
inline constexpr double kDensest = 5; ///< g/cm3 that is taken

/// g/cm3 of felt of a limb, or the usual. Error: no density a felt can have; an unusual one is a finding.
[[nodiscard]] Result<Project> densityOf(Project project, const Plan& plan, int limb,
                                        std::optional<double> perCm3);

[[nodiscard]] Project coatWayOf(Project project, const Plan& plan, int limb, CoatWay way);

/// The felted coat, mm, or what hides the core. Error: out of range.
[[nodiscard]] Result<Project> coatLaid(Project project, std::optional<double> mm);

/// How the coat is finished. Rows get a length when they have none: the animal's own, in reason.
[[nodiscard]] Project coatFinished(Project project, const Plan& plan, CoatFinish finish);

/// Rows of so many mm shown, or none. A felted coat becomes fur. Error: out of range.
[[nodiscard]] Result<Project> rowsOf(Project project, std::optional<double> mm);

/// Rows of a length shown, in a finish of rows: what an animal's pelt is like.
[[nodiscard]] Project coatLike(Project project, CoatFinish finish, double shown);

/// Shortest and longest row where the pelt says nothing, mm.
inline constexpr double kShortestRow = 5;
inline constexpr double kLongestRow = 300;

/// An area of another colour. Error: as many as a figure has.
[[nodiscard]] Result<Project> marked(Project project, Marking marking);
[[nodiscard]] Project markingRemoved(Project project, size_t index);

/// A drawn outline (modules) with no more corners than are kept; nothing when it encloses under `least` mm2
/// on a figure of that scale.
[[nodiscard]] std::optional<std::vector<Vec2>> drawnOutline(const std::vector<Vec2>& line, double scale,
                                                            double least = 4);

/// A part's core bought or made ready, one a part; nothing takes it out.
[[nodiscard]] Project readyCore(Project project, const std::string& limb,
                                const std::optional<ReadyCore>& core);

[[nodiscard]] Project recorded(Project project, WrapRecord record);
[[nodiscard]] Project recordRemoved(Project project, size_t index);

} // namespace columna::edit
