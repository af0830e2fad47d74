// The poses on the sheet: a picture of each, how it stands, its weakest joints, and how to handle it.
#pragma once

#include "judge/pose_report.h"
#include "sheet/filler.h"

namespace columna {

/// The maker's own poses and the one on the mat; the first of the animal's when none are saved.
void poses(Filler& pages, const Project& project, const Plan& plan, const Catalog& catalog);

} // namespace columna
