// Files on the disk: read whole, written so that nothing is lost whenever the power goes, and told apart from
// what another program put in their place.
#pragma once

#include "measure/result.h"

#include <cstdint>
#include <filesystem>
#include <optional>
#include <string>
#include <string_view>

namespace columna {

/// A whole file. Errors: not there, a folder, a pipe or a device, not readable, more than `limit` bytes.
[[nodiscard]] Result<std::string> readFile(const std::filesystem::path& path, size_t limit = 64U << 20U);

/// Writes bytes beside the target, flushes them, renames them over it and flushes the folder: at every moment
/// the old file or the new one is there, whole. Through a link it is what the link names that is written; who
/// may read the file stays as it was. `keepOld` leaves what was there as NAME~. Errors: the target is no
/// file, the folder cannot be written to, the disk is full; the old file is then untouched.
[[nodiscard]] std::optional<Problem> writeAtomically(const std::filesystem::path& path,
                                                     std::string_view bytes, bool keepOld = false);

/// Adds `line`, whole lines, to the end of a file and waits until they are on the disk; a new file begins
/// with `head`. What a killed program left of a line stays a line of its own. Others that add at the same
/// time wait. Errors: the folder cannot be written to, it is no file, the disk is full.
[[nodiscard]] std::optional<Problem> appendDurably(const std::filesystem::path& path, std::string_view head,
                                                   std::string_view line);

/// Cuts a file back to its first `keep` bytes if it is still `was` bytes long; who adds to it waits. False
/// where it has grown, or could not be cut: it is then as it was.
bool shortenIfUnchanged(const std::filesystem::path& path, size_t was, size_t keep);

/// What a file is, so that one can tell later whether another program has changed it.
struct FileStamp {
  std::uint64_t device = 0, inode = 0, size = 0;
  std::int64_t seconds = 0, nanoseconds = 0; ///< of its last change
  friend bool operator==(const FileStamp&, const FileStamp&) = default;
};
/// Nothing when it is not there.
[[nodiscard]] std::optional<FileStamp> stampOf(const std::filesystem::path& path);

/// A file held by this process alone until it lets go or ends, however it ends: another that asks is told no.
class HeldFile {
public:
  HeldFile() = default;
  /// Holds `path`, made if it is not there; not held when another has it or it cannot be made.
  explicit HeldFile(const std::filesystem::path& path);
  ~HeldFile();
  HeldFile(HeldFile&& other) noexcept;
  HeldFile& operator=(HeldFile&& other) noexcept;
  HeldFile(const HeldFile&) = delete;
  HeldFile& operator=(const HeldFile&) = delete;
  [[nodiscard]] bool held() const { return fd_ >= 0; }

private:
  int fd_ = -1;
};

} // namespace columna
