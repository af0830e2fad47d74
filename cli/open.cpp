#include "open.h"

#include "judge/planning.h"

#include <iostream>

namespace columna::cli {

std::string oneLine(std::string text) {
  for (char& c : text)
    if (c == '\n' || c == '\r') c = ' ';
  return text;
}

Result<Catalog> catalog(const std::string& only) {
  auto loaded = loadCatalog(dataFolder(), ownPatternsFolder(), only);
  if (loaded)
    for (const Problem& problem : loaded->problems) std::cerr << "skipped " << problem.sentence() << '\n';
  return loaded;
}

Result<Opened> openAndPlan(const std::string& path) {
  auto file = openProject(path);
  if (!file) return file.problem();
  auto shelf = catalog(file->project.pattern);
  if (!shelf) return shelf.problem();
  for (const Said& message : file->messages) std::cerr << oneLine(render(message)) << '\n';
  auto made = columna::plan(file->project, *shelf);
  if (!made) return Problem{made.problem().what, path, made.problem().remedy};
  return Opened{std::move(shelf).value(), std::move(file).value(), std::move(made).value()};
}

} // namespace columna::cli
