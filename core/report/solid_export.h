// The body as files for other programs: STL, OBJ with its MTL, glTF, and the table of girths.
#pragma once

#include "head/head_pattern.h"
#include "plan/plan.h"

#include <atomic>
#include <filesystem>
#include <memory>

namespace columna {

struct ExportWish {
  double cell = 0.5;                       ///< mm, 0.1 to 5
  bool core = false;                       ///< the felted core instead of the finished coat
  std::shared_ptr<const HeadPattern> head; ///< as it is taken: the coat in its colours; null: a colour a limb
  const std::atomic<bool>* stop = nullptr; ///< set from elsewhere: ends early, nothing is written
  std::atomic<int>* progress = nullptr;    ///< counts up to 1000
};

/// Writes the solid of `figure` (the plan's, or a posed one of the same limbs) to `path`, by the name's
/// ending: .stl, .obj (and a .mtl beside it), .glb or .csv. Written whole or not at all. Errors: another
/// ending, a cell out of range, a body of no more than the cell, stopped, the file cannot be written.
[[nodiscard]] std::optional<Problem> exportSolid(const std::filesystem::path& path, const Plan& plan,
                                                 const Figure& figure, const std::string& title,
                                                 const ExportWish& wish);

/// What a cell of that size would lose of a figure, in a sentence; empty when all parts are thick enough for
/// it.
[[nodiscard]] Said exportCaution(const Figure& figure, double cell);

/// The head in whose colours a project's figure is written; null where it has none.
[[nodiscard]] std::shared_ptr<const HeadPattern> exportHead(const Project& project, const Catalog& catalog,
                                                            const Figure& figure);

/// A light colour for each limb, apart from its neighbours', 0..1.
[[nodiscard]] std::vector<std::array<float, 3>> limbColours(const Figure& figure);

} // namespace columna
