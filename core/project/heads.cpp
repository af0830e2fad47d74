#include "project/heads.h"

#include "head/head_reader.h"
#include "measure/disk.h"
#include "project/catalog.h"

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

Result<FaceRules> faceRules(const std::filesystem::path& data) {
  const auto text = readFile(data / "work" / "face.json", 1U << 20U);
  if (!text) return text.problem();
  return readFaceRules(*text, "face.json");
}

} // namespace columna
