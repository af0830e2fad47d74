// The .columna file: a zip with `mimetype` first and stored, `project.json`, `thumbnail.png` and whatever
// else a newer or other program put there, which is kept.
#pragma once

#include "project/project.h"

#include <filesystem>
#include <map>
#include <string>
#include <vector>

namespace columna {

inline constexpr std::string_view kMimeType = "application/vnd.columna";

struct ProjectFile {
  Project project;
  std::map<std::string, std::string>
      others;                 ///< further entries by name, bytes as stored (thumbnail.png, photos/...)
  bool readOnly = false;      ///< written by a newer program: look, but save under another name
  std::vector<Said> messages; ///< what the maker should know: newer, damaged and what was saved
};

/// Opens a project. A file cut short or with broken parts gives what could be saved, with messages; a newer
/// one opens read-only. Errors: not there, not a zip, a zip of something else, an entry that claims more than
/// it may hold (project.json 16 MB, all others together 256 MB), project.json lost or not a project.
[[nodiscard]] Result<ProjectFile> openProject(const std::filesystem::path& path);

/// Saves atomically: written beside the target, flushed, renamed over it; the copy that was there is kept as
/// NAME.columna~. Error: the folder cannot be written to, the disk is full; the old file is then untouched.
[[nodiscard]] std::optional<Problem> saveProject(const std::filesystem::path& path, const ProjectFile& file);

/// The bytes of a .columna file.
[[nodiscard]] Result<std::string> packProject(const ProjectFile& file);

} // namespace columna
