#include "project/heads.h"

#include "head/generic_head.h"
#include "head/head_reader.h"
#include "measure/disk.h"
#include "project/catalog.h"
#include "project/project.h"

#include <algorithm>
#include <cctype>
#include <string>

namespace columna {

std::filesystem::path ownHeadsFolder() {
  const std::filesystem::path patterns = ownPatternsFolder();
  return patterns.empty() ? patterns : patterns.parent_path() / "heads";
}

Result<HeadPattern> headFor(std::string_view pattern, const std::filesystem::path& data,
                            const std::filesystem::path& own) {
  // An id is a file's name here: nothing of a path may be in it.
  const bool plain = !pattern.empty() && std::all_of(pattern.begin(), pattern.end(), [](unsigned char c) {
    return std::isalnum(c) != 0 || c == '_' || c == '-';
  });
  const std::string name = std::string(pattern) + ".json";
  std::error_code error;
  for (const std::filesystem::path& folder : {own, data / "heads"})
    if (plain && !folder.empty() && std::filesystem::exists(folder / name, error))
      return readHeadFile(folder / name);
  return Problem{say("there is no head for this animal yet"), std::string(pattern),
                 say("put one into {}", AsIs(own.empty() ? "the folder of your heads" : own.string()))};
}

HardDensities hardDensities(const FaceRules& rules) {
  return {{{HardMaterial::OvenClay, rules.clay},
           {HardMaterial::WoolGlue, rules.woolGlue},
           {HardMaterial::WireCore, rules.woolGlue},
           {HardMaterial::Wood, rules.wood}},
          {{EyeKind::Glass, rules.glass},
           {EyeKind::Bead, rules.glass},
           {EyeKind::Painted, 2 * rules.flatBack * rules.acrylic}}}; // half a ball of that height
}

std::shared_ptr<const HeadPattern> headOf(const Project& project, const Catalog& catalog) {
  if (const auto found = catalog.headVariants.find({project.pattern, project.face.variant});
      found != catalog.headVariants.end())
    return found->second;
  if (const auto found = catalog.heads.find(project.pattern); found != catalog.heads.end())
    return found->second;
  const Pattern* pattern = catalog.pattern(project.pattern);
  if (!pattern || !project.face.generic) return nullptr;
  auto head = genericHead(*pattern);
  return head ? std::make_shared<const HeadPattern>(*std::move(head)) : nullptr;
}

Result<FaceRules> faceRules(const std::filesystem::path& data) {
  const auto text = readFile(data / "work" / "face.json", 1U << 20U);
  if (!text) return text.problem();
  return readFaceRules(*text, "face.json");
}

} // namespace columna
