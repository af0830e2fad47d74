// Copies of unsaved work for after a crash. A window holds a place in a folder and keeps its copy there; a
// place whose holder has ended, however it ended, and that still has its copy is work left behind.
#pragma once

#include "file/columna_file.h"
#include "measure/disk.h"

#include <chrono>
#include <filesystem>
#include <string>
#include <vector>

namespace columna {

/// Work is offered again for so long, then it goes.
inline constexpr std::chrono::hours kLeftKept{14 * 24};

/// What a window that ended without saving left.
struct LeftBehind {
  std::filesystem::path copy;
  std::string name;         ///< of the figure; empty when the copy cannot be read
  std::filesystem::path of; ///< the file it was opened from or saved to last; empty: never saved
  std::filesystem::file_time_type when;
};

/// Newest first. What is older than kLeftKept is removed; what a window still holds is not listed.
[[nodiscard]] std::vector<LeftBehind> leftBehind(const std::filesystem::path& folder,
                                                 std::filesystem::file_time_type now);

/// A copy of unsaved work, and what was on the disk when that work began.
struct LeftWork {
  ProjectFile file;
  std::filesystem::path of;
  std::optional<FileStamp> stamp; ///< of `of`, so that a change by another program since is told
};
[[nodiscard]] Result<LeftWork> openLeft(const std::filesystem::path& copy);

class RecoveryPlace {
public:
  /// No place: nothing is kept.
  RecoveryPlace() = default;
  /// A place of its own in the folder, which is made. Held until it goes.
  static RecoveryPlace in(const std::filesystem::path& folder);
  /// The place of work left behind, held from now on; not held when another window was quicker.
  static RecoveryPlace of(const LeftBehind& left);

  [[nodiscard]] bool held() const { return hold_.held(); }
  [[nodiscard]] const std::filesystem::path& copy() const { return copy_; }
  /// Keeps a copy, whole or not at all. Error: as writeAtomically.
  [[nodiscard]] std::optional<Problem> keep(const LeftWork& work) const;
  /// Nothing is left to recover.
  void drop() const;

private:
  HeldFile hold_;
  std::filesystem::path copy_;
};

/// Writes a copy to a place's path; may run beside the window.
[[nodiscard]] std::optional<Problem> keepCopy(const std::filesystem::path& copy, const LeftWork& work);

} // namespace columna
