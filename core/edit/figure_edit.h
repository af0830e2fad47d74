// Changes of the figure as a whole. Each takes a project and gives the changed one; the window, the command
// line and the remedies use the same. What cannot be is refused with one sentence; nothing else is checked
// here: plan() says whether the changed project can be planned.
#pragma once

#include "plan/plan.h"

namespace columna::edit {

/// Another size, however it is told.
[[nodiscard]] Project sized(Project project, const Sizing& sizing);

/// A tenth smaller is 0.9; of a size told as a scale the scale goes the other way.
[[nodiscard]] Project sizedBy(Project project, double factor);

/// The whole figure so much larger than the plan's, told by its height.
[[nodiscard]] Project grown(Project project, const Plan& plan, double factor);

/// How far the figure reaches along its body, mm from the origin: its hindmost and its foremost place.
[[nodiscard]] std::pair<double, double> alongFigure(const Figure& figure);

/// The body's length, mm, at which its foremost place lies so far before the origin: it lies at a fixed share
/// of the body's length.
[[nodiscard]] double lengthFromNose(const Figure& figure, double foremost);

/// Another animal. A figure still called after its animal takes the new animal's name.
[[nodiscard]] Project ofAnimal(Project project, const Catalog& catalog, const std::string& pattern);

[[nodiscard]] Project constructedAs(Project project, Construction construction);
[[nodiscard]] Project usedFor(Project project, Use use);
/// When it is worked on. Error: what is no week, no day, or cannot be kept.
[[nodiscard]] Result<Project> workedOn(Project project, const MakeWish& wish);
[[nodiscard]] Project finishedAs(Project project, Finish finish);
[[nodiscard]] Project shownIn(Project project, UnitSystem units);

/// The metal of all wire that has none of its own. Error: none the catalog has.
[[nodiscard]] Result<Project> ofMetal(Project project, const Catalog& catalog, const std::string& material);

/// Error: no name.
[[nodiscard]] Result<Project> called(Project project, std::string name);

/// Pictures to trace, one a view. Errors: more than a project holds, two of one view.
[[nodiscard]] Result<Project> withPhotos(Project project, std::vector<Photo> photos);

/// Whether both sides of that limb change together; false for one without a twin.
[[nodiscard]] bool tied(const Project& project, const FigureLimb& limb);

/// Ties a pair that changes apart, or parts one that is tied. Tied again, the twin takes this side's choices.
/// A limb without a twin stays as it is.
[[nodiscard]] Project tieToggled(Project project, const Plan& plan, int limb);

/// What a change of that limb is called after: "forelegs" where its twin changes with it, else "foreleg".
[[nodiscard]] std::string tiedName(const Project& project, const FigureLimb& limb);

} // namespace columna::edit
