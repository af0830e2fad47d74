// Opening what a command works on.
#pragma once

#include "file/columna_file.h"
#include "plan/plan.h"

#include <string>

namespace columna::cli {

[[nodiscard]] std::string oneLine(std::string text);

/// The data folder's catalog and the maker's own patterns; what cannot be read is named on standard error.
/// `only` as in loadCatalog.
[[nodiscard]] Result<Catalog> catalog(const std::string& only = {});

/// The project of a file and what follows from it.
struct Opened {
  Catalog shelf;
  ProjectFile file;
  Plan plan;
};
[[nodiscard]] Result<Opened> openAndPlan(const std::string& path);

} // namespace columna::cli
