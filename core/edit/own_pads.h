// Pads and hollows of the maker's own, and those of small anatomy, on the head and on the body.
#pragma once

#include "judge/face_sums.h"

namespace columna::edit {

/// A pad or a hollow laid at a place of the head, mm in its own axes; usual size, to be dragged and sized as
/// any other. `id` is set to what it is called. Errors: the animal has no head, the place lies beside it,
/// more pads than a file holds.
[[nodiscard]] Result<Project> padLaid(const Project& project, const Catalog& catalog, const Plan& plan,
                                      const FaceSums& face, const Vec3& at, bool hollow, std::string& id);

/// One of those laid on, or taken off again. Errors: none is called that, or the animal has no such place.
[[nodiscard]] Result<Project> offeredPad(const Project& project, const Catalog& catalog,
                                         const std::string& id, bool on);
/// One of the body that is laid on, `factor` times as large as it is now, within what a file holds.
[[nodiscard]] Project bodyPadSized(Project project, const std::string& id, double factor);

} // namespace columna::edit
