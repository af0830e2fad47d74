#include "open.h"

#include <iostream>

namespace columna::cli {

std::string oneLine(std::string text) {
  for (char& c : text)
    if (c == '\n' || c == '\r') c = ' ';
  return text;
}

Result<Catalog> catalog() {
  auto loaded = loadCatalog(dataFolder(), ownPatternsFolder());
  if (loaded)
    for (const Problem& problem : loaded->problems) std::cerr << "skipped " << problem.sentence() << '\n';
  return loaded;
}

Result<Opened> openAndPlan(const std::string& path) {
  auto shelf = catalog();
  if (!shelf) return shelf.problem();
  auto file = openProject(path);
  if (!file) return file.problem();
  for (const std::string& message : file->messages) std::cerr << oneLine(message) << '\n';
  auto made = columna::plan(file->project, *shelf);
  if (!made) return Problem{made.problem().what, path, made.problem().remedy};
  return Opened{std::move(shelf).value(), std::move(file).value(), std::move(made).value()};
}

} // namespace columna::cli
