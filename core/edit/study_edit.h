// Changes of the proportions: joints moved, bones lengthened, girths changed, parts that are made, pictures
// to trace. A change by hand leaves every other bone as it is: the settled size follows what it does to it.
#pragma once

#include "plan/plan.h"

namespace columna::edit {

/// That shape. `keep`: every bone that the shape does not name keeps its length in mm (not where the size is
/// told as a scale, or made parts settle it).
[[nodiscard]] Project shaped(Project project, const Catalog& catalog, const Plan& plan, Shape shape,
                             bool keep);

/// Moves a joint (sided id) to a place in mm; `carry` takes along all that hangs on it. Both sides unless
/// untied. A joint the animal does not have changes nothing.
[[nodiscard]] Project jointMoved(Project project, const Catalog& catalog, const Plan& plan,
                                 const std::string& joint, const Vec3& place, bool carry);

/// A bone's length, mm. Error: not above 0, or not finite.
[[nodiscard]] Result<Project> boneLong(Project project, const Catalog& catalog, const Plan& plan, int bone,
                                       double mm);

/// A seventh less, as parts are made shorter or thinner by.
inline constexpr double kSeventhLess = 0.86;
/// The factors of a limb's bones, both ends kept: 0.86 is a seventh shorter.
[[nodiscard]] Project lengthened(Project project, const Plan& plan, int limb, double factor);
/// The same of its girths.
[[nodiscard]] Project thickened(Project project, const Plan& plan, int limb, double factor);

/// Changes the section at a bone's beginning, middle or end (0, 1, 2) by factors, and lifts it, mm. A ring at
/// a joint belongs to both bones that meet there.
[[nodiscard]] Project girthChanged(Project project, const Catalog& catalog, const Plan& plan, int bone,
                                   int place, double across, double deep, double lift);

/// Back to the animal's own: one bone on both sides, or (-1) all of it, character dials kept.
[[nodiscard]] Project putBack(Project project, const Catalog& catalog, const Plan& plan, int bone);

/// What was measured of a made part; neither measure: it is not made yet.
[[nodiscard]] Project partMade(Project project, const MadePart& part);

/// A picture to trace, one a view: another takes its place. It comes last.
[[nodiscard]] Project photoAdded(Project project, Photo photo);
[[nodiscard]] Project photoRemoved(Project project, size_t index);

/// The picture turned so that the line between two of its places (pixels) lies level or stands upright,
/// whichever it is nearer to. Error: the places are less than a pixel apart.
[[nodiscard]] Result<Project> photoStraightened(Project project, size_t index, const Vec2& a, const Vec2& b);

/// The line between two places (pixels) is so long on the figure, mm. Error: as above, or no length above 0.
[[nodiscard]] Result<Project> photoScaled(Project project, size_t index, const Vec2& a, const Vec2& b,
                                          double mm);

} // namespace columna::edit
