// The maker's hand on the disk: one file in their own folder, written whole.
#pragma once

#include "make/hand_file.h"

#include <filesystem>
#include <functional>
#include <optional>
#include <vector>

namespace columna {

/// $XDG_DATA_HOME/columna/hand.json; empty where there is no home.
[[nodiscard]] std::filesystem::path makersHandFile();

struct KeptHand {
  HandEvidence hand;          ///< empty where there is no file yet, or it could not be read
  std::vector<Said> messages; ///< what the maker should know: it was damaged and is moved aside
};
/// What is damaged is moved aside, `hand.json.bad`, and told; what is of a newer program is left alone, and
/// told.
[[nodiscard]] KeptHand handAt(const std::filesystem::path& file);

/// Reads it, lets it be changed, and writes it whole. Errors: it is of a newer program; the folder cannot be
/// written to.
[[nodiscard]] std::optional<Problem> changeHand(const std::filesystem::path& file,
                                                const std::function<void(HandEvidence&)>& change);

} // namespace columna
