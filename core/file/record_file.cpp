#include "file/record_file.h"

#include "measure/disk.h"

#include <fmt/format.h>

#include <algorithm>
#include <random>

namespace columna {
namespace {

std::string drawnId() {
  std::random_device chance;
  return fmt::format("{:08x}{:08x}", chance(), chance());
}

/// Takes what a text holds into a record.
void takeRecord(Record& record, std::string_view text, const std::string& file) {
  const auto read = readJournal(text, file);
  if (!read) {
    record.messages.push_back(read.problem().said());
    return;
  }
  if (!record.project.empty() && read->project != record.project) {
    record.messages.push_back(say("{} is another figure's record and was left alone", AsIs(file)));
    return;
  }
  record.project = read->project;
  record.entries = joinedEntries(std::move(record.entries), read->entries);
  if (read->cutOff) record.messages.push_back(say("{}: the last entry was cut off", AsIs(file)));
  if (!read->damaged.empty())
    record.messages.push_back(say("{}: {} damaged and not counted; they stay in it", AsIs(file),
                                  counted(many("{} lines are", "{} line is"), read->damaged.size())));
}

std::string wholeText(const Record& record) {
  std::string out = journalHead(record.project);
  for (const Entry& e : record.entries) out += entryLine(e);
  return out;
}

} // namespace

std::filesystem::path recordBeside(const std::filesystem::path& project) {
  return project.parent_path() / fmt::format(".{}.log", project.filename().string());
}

Record recordOf(const std::filesystem::path& path, const ProjectFile& file) {
  Record out;
  if (const auto found = file.others.find(kRecordEntry); found != file.others.end())
    takeRecord(out, found->second, path.filename().string());
  const std::filesystem::path beside = recordBeside(path);
  std::error_code error;
  if (!std::filesystem::exists(beside, error)) return out;
  const auto text = readFile(beside, kJournalMost);
  if (!text)
    out.messages.push_back(text.problem().said());
  else if (!text->empty())
    takeRecord(out, *text, beside.filename().string());
  return out;
}

Result<Entry> keepEntry(const std::filesystem::path& path, Record& record, Entry entry) {
  if (record.entries.size() >= kEntriesMost)
    return Problem{say("the record has more than {} entries", Number(kEntriesMost, 0)), path.string(),
                   say("move it aside and begin a new one")};
  if (entry.text.size() > kEntryText)
    return Problem{say("the text is longer than {} characters", Number(kEntryText, 0)), "",
                   say("make two of it")};
  const bool begins = record.project.empty();
  if (begins) record.project = drawnId();
  entry.n = record.entries.empty() ? 1 : record.entries.back().n + 1;
  entry.id = drawnId();
  if (auto problem = appendDurably(recordBeside(path), journalHead(record.project), entryLine(entry)))
    return *problem;
  // Another program may have begun the record at the same moment: it is that one's then.
  if (begins)
    if (const auto text = readFile(recordBeside(path), kJournalMost))
      if (const auto read = readJournal(*text, "")) record.project = read->project;
  record.entries.push_back(entry);
  return entry;
}

std::optional<Problem> saveWithRecord(const std::filesystem::path& path, ProjectFile file,
                                      const Record& record) {
  if (record.entries.empty()) return saveProject(path, file);
  // Damaged lines stay where they are: only what is known is folded in.
  file.others[kRecordEntry] = wholeText(record);
  if (auto problem = saveProject(path, file)) return problem;
  const std::filesystem::path beside = recordBeside(path);
  const auto text = readFile(beside, kJournalMost);
  if (!text) return std::nullopt; // nothing beside it
  const auto read = readJournal(*text, beside.filename().string());
  if (!read || read->project != record.project || !read->damaged.empty()) return std::nullopt;
  const bool all = std::all_of(read->entries.begin(), read->entries.end(), [&](const Entry& e) {
    return std::any_of(record.entries.begin(), record.entries.end(),
                       [&](const Entry& r) { return r.id == e.id; });
  });
  // What another program adds meanwhile stays; else the header alone. It may stay as it is, too: what is in
  // both counts once.
  if (all) (void)shortenIfUnchanged(beside, text->size(), journalHead(record.project).size());
  return std::nullopt;
}

} // namespace columna
