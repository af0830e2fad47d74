// Finding an animal's head.
#pragma once

#include "face/eye.h"
#include "head/head_pattern.h"

#include <filesystem>
#include <string_view>
#include <vector>

namespace columna {

/// Where makers keep their own heads: $XDG_DATA_HOME/columna/heads.
[[nodiscard]] std::filesystem::path ownHeadsFolder();

/// The head of a pattern: the maker's own file of that id in `own`, else the one in `data`/heads. Errors:
/// neither is there (an animal of one's own has none yet), or the file cannot be read as one.
[[nodiscard]] Result<HeadPattern> headFor(std::string_view pattern, const std::filesystem::path& data,
                                          const std::filesystem::path& own);

/// The face's rules of thumb, from face.json beside the other rules in `data`.
[[nodiscard]] Result<FaceRules> faceRules(const std::filesystem::path& data);

} // namespace columna
