// A mesh in the colours the animal will have: its coat, and what its head is painted with.
#pragma once

#include "head/head_paint.h"
#include "solid/mesh_files.h"

namespace columna {

/// Groups by limb and flat part, all of the coat's colour but for the head's: its skin, ears and hard parts
/// are split by the colours of its palette, "head muzzle", "left-ear dark". `head`: as the figure has it,
/// with the maker's pads and eyes, without the dials. Of a figure that wears none as groupsOf(), all in one
/// colour.
[[nodiscard]] std::vector<MeshGroup> paintedGroups(const Figure& figure, const SolidMesh& mesh,
                                                   const HeadPattern& head);

} // namespace columna
