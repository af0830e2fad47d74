// The poses' page of the sheet: a picture of each, how it stands, its weakest joints, and how to handle it.
#pragma once

#include "project/pose_report.h"
#include "sheet/page.h"

#include <vector>

namespace columna {

/// The maker's own poses and the one on the mat; the first of the animal's when none are saved.
[[nodiscard]] std::vector<Page> posePages(const Project& project, const Plan& plan, const Catalog& catalog,
                                          Paper paper);

} // namespace columna
