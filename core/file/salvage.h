// What can still be read from a zip file whose directory is lost: entries are found by their own headers.
#pragma once

#include <cstdint>
#include <map>
#include <string>
#include <vector>

namespace columna {

struct Salvaged {
  bool anyEntry = false;                    ///< at least one entry's header was there
  std::map<std::string, std::string> whole; ///< entries read to their end with the right check sum
  std::vector<std::string> broken;          ///< entries that begin but are cut short or damaged
};

/// Entries larger than `limit` bytes count as broken.
[[nodiscard]] Salvaged salvageZip(const std::string& bytes, std::uint64_t limit);

} // namespace columna
