// Photos of the work, kept with the record: beside the project until that is saved, in its file then.
#pragma once

#include "file/columna_file.h"

namespace columna {

/// Where they stand among the entries of a .columna file.
inline constexpr const char* kWorkPhotos = "photos/work/";
inline constexpr size_t kMostWorkPhotos = 200;

/// The folder beside a project: ".NAME.photos".
[[nodiscard]] std::filesystem::path photosBeside(const std::filesystem::path& project);

/// Keeps a picture's bytes: on the disk when this returns the name of its entry in the file. `id` tells it
/// from others, letters and figures. Errors: there are as many as a file holds; the folder cannot be written
/// to.
[[nodiscard]] Result<std::string> keepPhoto(const std::filesystem::path& project, const ProjectFile& file,
                                            const std::string& id, std::string_view jpeg);

/// Those beside a project become entries of its file, which wins where it has one of that name.
void takePhotos(const std::filesystem::path& project, ProjectFile& file);

/// The project was saved with them: those beside it that are in it go.
void foldPhotos(const std::filesystem::path& project, const ProjectFile& saved);

} // namespace columna
