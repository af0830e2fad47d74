// Finding an animal's head.
#pragma once

#include "face/eye.h"
#include "head/wearing.h"

#include <filesystem>
#include <memory>
#include <string_view>
#include <vector>

namespace columna {

/// Where makers keep their own heads: $XDG_DATA_HOME/columna/heads.
[[nodiscard]] std::filesystem::path ownHeadsFolder();

/// The head of a pattern: the maker's own file of that id in `own`, else the one in `data`/heads. Errors:
/// neither is there (an animal of one's own has none yet), or the file cannot be read as one.
[[nodiscard]] Result<HeadPattern> headFor(std::string_view pattern, const std::filesystem::path& data,
                                          const std::filesystem::path& own);

struct Catalog;
struct Project;
/// The head of a project's figure, as the animal has it: its own, as the variant the maker wants (a variant
/// it does not have changes nothing); a round one for an animal that has none, where the maker takes that;
/// else null.
[[nodiscard]] std::shared_ptr<const HeadPattern> headOf(const Project& project, const Catalog& catalog);

/// What horns, bills and eyes weigh by those rules. Wire wound with stiffened wool goes as that wool.
[[nodiscard]] HardDensities hardDensities(const FaceRules& rules);

/// The face's rules of thumb, from face.json beside the other rules in `data`.
[[nodiscard]] Result<FaceRules> faceRules(const std::filesystem::path& data);

} // namespace columna
