// What the maker measured in the stages, as entries of the record: parts that are made, tapes and weights on
// the way, the test ball, wools, wires, pins of the face. The project keeps what its plan follows from; the
// record keeps that it was measured, and when, also after the plan has let go of it.
#pragma once

#include "anatomy/figure.h"
#include "make/journal.h"
#include "project/project.h"

namespace columna {

/// Entries of measures are of no step: their step begins with this, and says of what and which stage they
/// are.
inline constexpr std::string_view kMeasured = "measure/";
/// Of what was left of a part's wool, g.
inline constexpr std::string_view kMeasuredLeft = "measure/wrap/left";
/// Of a part's girth, mm: its core felted, and with its coat.
inline constexpr std::string_view kMeasuredFelted = "measure/wrap/felted";
inline constexpr std::string_view kMeasuredFinished = "measure/wrap/finished";
[[nodiscard]] bool isMeasure(const Entry& entry);

/// All that was measured, one entry each, without number and id. The day is known of those the project keeps
/// it of
/// (`at` is "2026-11-25"), else `at` is empty. Sizes of ready cores are choices, no measures.
[[nodiscard]] std::vector<Entry> measuresOf(const Project& project);

/// What the record is to be told when the measures a project holds are others than before (both as
/// measuresOf()): the new ones, and withdrawals of those that are gone. What was withdrawn and holds again is
/// brought back by withdrawing that.
[[nodiscard]] std::vector<Entry> measuresTold(const std::vector<Entry>& before,
                                              const std::vector<Entry>& after,
                                              const std::vector<Entry>& record);

/// Measures of a project that the record never heard of: those of before there was one.
[[nodiscard]] std::vector<Entry> measuresUntold(const Project& project, const std::vector<Entry>& record);

/// The project without a measure of its record; as it is where it does not hold it. Error: a wire's size,
/// which no wire in the drawer is without.
[[nodiscard]] Result<Project> withoutMeasure(Project project, const Entry& measure);

/// The project with a measure that was withdrawn. Errors: one that two readings make together (the ball, a
/// pin), or of a wire: it has to be measured again.
[[nodiscard]] Result<Project> withMeasure(Project project, const Entry& measure);

/// "162 mm long: the left foreleg, as it is made". Without the figure, or of another one, by its id.
[[nodiscard]] Said measureWords(const Entry& measure, const Figure* figure);

} // namespace columna
