#include "project/catalog.h"

#include "head/variant.h"
#include "measure/disk.h"
#include "project/heads.h"

#include <algorithm>
#include <cstdlib>
#include <functional>

namespace columna {
namespace {

namespace fs = std::filesystem;

std::vector<fs::path> jsonFiles(const fs::path& folder) {
  std::vector<fs::path> files;
  std::error_code error;
  for (fs::directory_iterator it(folder, error), end; !error && it != end; it.increment(error))
    if (it->path().extension() == ".json") files.push_back(it->path());
  std::sort(files.begin(), files.end());
  return files;
}

fs::path fromEnvironment(const char* name) {
  const char* value = std::getenv(name); // NOLINT(concurrency-mt-unsafe): read once at start
  return value ? fs::path(value) : fs::path();
}

void takePatterns(Catalog& catalog, const fs::path& folder, std::string_view only = {}) {
  std::vector<fs::path> files = jsonFiles(folder);
  const auto named = [&](const fs::path& file) { return file.stem().string() == only; };
  if (std::any_of(files.begin(), files.end(), named)) std::erase_if(files, std::not_fn(named));
  for (const fs::path& file : files) {
    const auto text = readFile(file, 4U << 20U);
    auto pattern = text ? readPattern(*text, file.filename().string()) : Result<Pattern>(text.problem());
    if (!pattern) {
      catalog.problems.push_back(pattern.problem());
      continue;
    }
    std::erase_if(catalog.patterns, [&](const Pattern& p) { return p.id == pattern->id; });
    catalog.patterns.push_back(std::move(pattern).value());
  }
}

/// One of the data folder's files of numbers.
template <class Value>
void take(Catalog& catalog, const fs::path& path, Result<Value> (*read)(std::string_view, const std::string&),
          Value& to) {
  const auto text = readFile(path, 1U << 20U);
  auto value = text ? read(*text, path.filename().string()) : Result<Value>(text.problem());
  if (value)
    to = std::move(value).value();
  else
    catalog.problems.push_back(value.problem());
}

} // namespace

const Pattern* Catalog::pattern(std::string_view id) const {
  for (const Pattern& p : patterns)
    if (p.id == id) return &p;
  return nullptr;
}

const Material* Catalog::material(std::string_view id) const {
  for (const Material& m : materials)
    if (m.id == id) return &m;
  return nullptr;
}

const HeadPattern* Catalog::head(std::string_view pattern) const {
  const auto found = heads.find(std::string(pattern));
  return found == heads.end() ? nullptr : found->second.get();
}

namespace {

void takeHeads(Catalog& catalog, const fs::path& data, const fs::path& own) {
  const HardDensities densities = hardDensities(catalog.face);
  std::error_code error;
  for (Pattern& pattern : catalog.patterns) {
    const std::string file = pattern.id + ".json";
    if (!fs::exists(data / file, error) && (own.empty() || !fs::exists(own / file, error))) continue;
    auto head = headFor(pattern.id, data.parent_path(), own);
    if (!head) { // one's own that cannot be read: told, and the shipped one is taken
      catalog.problems.push_back(head.problem());
      head = headFor(pattern.id, data.parent_path(), {});
      if (!head) continue;
    }
    pattern = wearing(std::move(pattern), *head, densities);
    for (const HeadVariant& variant : head->variants)
      catalog.headVariants[{pattern.id, variant.id}] =
          std::make_shared<const HeadPattern>(inVariant(*head, variant));
    catalog.heads[pattern.id] = std::make_shared<const HeadPattern>(std::move(head).value());
  }
}

} // namespace

Result<Catalog> loadCatalog(const fs::path& data, const fs::path& own, std::string_view only) {
  Catalog catalog;
  takePatterns(catalog, data / "patterns", only);
  if (!own.empty()) takePatterns(catalog, own);
  for (const fs::path& file : jsonFiles(data / "materials")) {
    const auto text = readFile(file, 1U << 20U);
    auto material = text ? readMaterial(*text, file.filename().string()) : Result<Material>(text.problem());
    if (material)
      catalog.materials.push_back(std::move(material).value());
    else
      catalog.problems.push_back(material.problem());
  }
  take(catalog, data / "work" / "pace.json", readPace, catalog.pace);
  take(catalog, data / "work" / "hand.json", readHandPrior, catalog.hand);
  take(catalog, data / "work" / "steps.json", readStepBook, catalog.steps);
  take(catalog, data / "work" / "posing.json", readPoseRules, catalog.pose);
  take(catalog, data / "work" / "joins.json", readBenchRules, catalog.bench);
  take(catalog, data / "work" / "wool.json", readWoolRules, catalog.wool);
  take(catalog, data / "work" / "face.json", readFaceRules, catalog.face);
  take(catalog, data / "work" / "drying.json", readDrying, catalog.drying);
  take(catalog, data / "work" / "anatomy.json", readSmallAnatomy, catalog.anatomy);
  takeHeads(catalog, data / "heads", own.empty() ? fs::path() : own.parent_path() / "heads");
  std::sort(catalog.patterns.begin(), catalog.patterns.end(),
            [](const Pattern& a, const Pattern& b) { return a.name < b.name; });
  if (catalog.patterns.empty() || catalog.materials.empty())
    return Problem{say("no patterns or materials found"), data.string(),
                   say("set COLUMNA_DATA to the program's data folder")};
  return catalog;
}

fs::path dataFolder() {
  if (fs::path set = fromEnvironment("COLUMNA_DATA"); !set.empty()) return set;
  std::error_code error;
  const fs::path self = fs::read_symlink("/proc/self/exe", error);
  if (!error) {
    fs::path beside = self.parent_path().parent_path() / "share" / "columna";
    if (fs::exists(beside / "patterns", error)) return beside;
  }
  return COLUMNA_SOURCE_DATA;
}

fs::path ownPatternsFolder() {
  if (const fs::path home = fromEnvironment("XDG_DATA_HOME"); !home.empty())
    return home / "columna" / "patterns";
  if (const fs::path home = fromEnvironment("HOME"); !home.empty())
    return home / ".local" / "share" / "columna" / "patterns";
  return {};
}

} // namespace columna
