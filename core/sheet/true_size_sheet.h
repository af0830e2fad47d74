// The sheet to work from: what to fetch, cautions, cut list, wool to weigh, the pieces as bars at true size
// and the side view at true size to lay the wire on, tiled over pages when the figure is larger than the
// paper.
#pragma once

#include "plan/plan.h"
#include "sheet/tiles.h"

#include <vector>

namespace columna {

/// Which parts of it are printed.
struct SheetParts {
  bool lists = true;    ///< to fetch, to cut, to weigh, cautions, what to look at
  bool strips = true;   ///< the pieces at true size
  bool views = true;    ///< side, front and above at true size
  bool bends = true;    ///< the pieces' tables
  bool assembly = true; ///< how it is put together
  bool wool = true;     ///< portions, and how to wind
  bool shapes = true;   ///< tapes and pads at true size
  bool poses = true;
  bool face = true; ///< head map, pins, ears, soles and pads of the face
  bool mat = true;  ///< to stand it on for its photos

  [[nodiscard]] bool none() const {
    return !(lists || strips || views || bends || assembly || wool || shapes || poses || face || mat);
  }
};

/// One part of the choice: its key in settings and on the command line, and its words.
struct SheetPart {
  const char* key;
  std::string_view words;
  bool SheetParts::*wanted;
};
[[nodiscard]] const std::vector<SheetPart>& sheetParts();

/// In the project's units; English when no language is given. What is in true size is packed by area; tables
/// and instructions go on where there is room.
[[nodiscard]] std::vector<Page> trueSizeSheet(const Project& project, const Plan& plan,
                                              const Catalog& catalog, Paper paper,
                                              const SheetParts& parts = {},
                                              const Language* language = nullptr);
/// The same without a foot, to be part of something larger.
[[nodiscard]] std::vector<Page> trueSizeGuide(const Project& project, const Plan& plan,
                                              const Catalog& catalog, Paper paper, const SheetParts& parts,
                                              const Language* language = nullptr);

} // namespace columna
