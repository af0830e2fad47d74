// A copy of a demo whose making goes on now: what dries there dries still, whenever it is opened.
#pragma once

#include "measure/result.h"

#include <cstdint>
#include <filesystem>
#include <string_view>

namespace columna {

/// Writes the project at `from` with its record into a folder, which is made where it is not there, and gives
/// the copy's path. Every moment of the record is later by so much that the last one lies `ago` seconds
/// before `now`, seconds since 1970. A copy from before that nothing was done to is written over; one that
/// somebody worked on stays, and the new one has another name. Errors: as openProject() and saveProject().
[[nodiscard]] Result<std::filesystem::path> freshDemo(const std::filesystem::path& from,
                                                      const std::filesystem::path& folder, std::int64_t now,
                                                      std::int64_t ago);

/// Whether a record is that of a demo that comes with the program: made by nobody, it is not learnt from.
[[nodiscard]] bool ofDemo(std::string_view record);

} // namespace columna
