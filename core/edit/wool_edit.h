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
/// One of the markings renamed, in another tone, on both sides or one. An index there is not changes nothing.
[[nodiscard]] Project markingCalled(Project project, size_t index, std::string name);
[[nodiscard]] Project markingOfTone(Project project, size_t index, Tone tone);
[[nodiscard]] Project markingOnBoth(Project project, size_t index, bool both);
[[nodiscard]] Project markingRemoved(Project project, size_t index);

/// A drawn outline (modules) with no more corners than are kept; nothing when it encloses under `least` mm2
/// on a figure of that scale.
[[nodiscard]] std::optional<std::vector<Vec2>> drawnOutline(const std::vector<Vec2>& line, double scale,
                                                            double least = 4);

/// A part's core bought or made ready, one a part; nothing takes it out. Error: a size, a weight or a place
/// that none has.
[[nodiscard]] Result<Project> readyCore(Project project, const std::string& limb,
                                        const std::optional<ReadyCore>& core);
/// The one of a part; nothing where it is wound.
[[nodiscard]] std::optional<ReadyCore> readyCoreOf(const Project& project, const std::string& limb);
/// As large as fits half way along the part; what it weighs the scale says.
[[nodiscard]] ReadyCore usualReadyCore(const Plan& plan, int limb);

/// The ball that was felted and weighed; nothing: the usual felt again. Error: one too small or too large to
/// measure felt by.
[[nodiscard]] Result<Project> ballFelted(Project project, const std::optional<TestBall>& ball);
[[nodiscard]] Project grippedBy(Project project, WireGrip grip);

/// The core's wool or the coat's: how it comes (of what weight a metre has to be weighed anew), how dark it
/// is, how heavy a metre is (g), how long its staple is (mm). Errors: out of range.
enum class WoolOf { Core, Coat };
[[nodiscard]] Project woolComesAs(Project project, WoolOf which, WoolForm form);
[[nodiscard]] Project woolOfTone(Project project, WoolOf which, Tone tone);
[[nodiscard]] Result<Project> woolWeighed(Project project, WoolOf which, double gramsPerMetre);
[[nodiscard]] Result<Project> stapleOf(Project project, WoolOf which, double mm);

[[nodiscard]] Project recorded(Project project, WrapRecord record);
[[nodiscard]] Project recordRemoved(Project project, size_t index);

} // namespace columna::edit
