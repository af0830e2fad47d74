// The record of a figure's making on the disk: beside its project while it is written, one line an entry, and
// in the project's file when that is saved with it.
#pragma once

#include "file/columna_file.h"
#include "make/journal.h"

namespace columna {

/// The record's entry in a .columna file.
inline constexpr const char* kRecordEntry = "journal.jsonl";

/// Where the record of a project's file is written: ".NAME.log" beside it.
[[nodiscard]] std::filesystem::path recordBeside(const std::filesystem::path& project);

struct Record {
  std::string project;        ///< whose it is; empty until the first entry
  std::vector<Entry> entries; ///< in the order they were made
  std::vector<Said> messages; ///< what the maker should know: cut off, damaged, another figure's
};

/// All entries of a project, those in its file and those beside it. A record beside it that is another
/// figure's, or is none, is left alone and told.
[[nodiscard]] Record recordOf(const std::filesystem::path& path, const ProjectFile& file);

/// Keeps an entry: with the next number and an id of its own it is on the disk when this returns it.
/// `record` is what is known, and has it afterwards.
[[nodiscard]] Result<Entry> keepEntry(const std::filesystem::path& path, Record& record, Entry entry);

/// Saves the project with its whole record, then empties what was beside it. Error: as saveProject(); nothing
/// is lost then.
[[nodiscard]] std::optional<Problem> saveWithRecord(const std::filesystem::path& path, ProjectFile file,
                                                    const Record& record);

} // namespace columna
