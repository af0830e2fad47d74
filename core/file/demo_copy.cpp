#include "file/demo_copy.h"

#include "file/record_file.h"
#include "make/local_time.h"

#include <algorithm>

namespace columna {
namespace {

namespace fs = std::filesystem;

/// The record of the otter in data/demo.
constexpr std::string_view kDemoRecord = "c64cba1db140a4dc";
constexpr int kMostCopies = 99;

/// Nobody worked on it: the same project, and as many entries of the same record.
bool untouched(const fs::path& copy, const ProjectFile& demo, const Record& record) {
  const auto file = openProject(copy);
  if (!file || !(file->project == demo.project)) return false;
  const Record now = recordOf(copy, *file);
  return now.entries.size() == record.entries.size() && now.project == record.project;
}

} // namespace

Result<fs::path> freshDemo(const fs::path& from, const fs::path& folder, std::int64_t now, std::int64_t ago) {
  auto file = openProject(from);
  if (!file) return file.problem();
  Record record = recordOf(from, *file);
  std::error_code error;
  fs::create_directories(folder, error);
  fs::path to = folder / from.filename();
  for (int k = 2; k <= kMostCopies && fs::exists(to, error) && !untouched(to, *file, record); ++k)
    to = folder / (from.stem().string() + "-" + std::to_string(k) + from.extension().string());
  std::optional<std::int64_t> last;
  for (const Entry& e : record.entries)
    if (const auto at = secondsOf(e.at)) last = std::max(last.value_or(*at), *at);
  if (last)
    for (Entry& e : record.entries)
      if (const auto at = secondsOf(e.at)) e.at = zonedText(*at + now - ago - *last);
  if (auto problem = saveWithRecord(to, std::move(file).value(), record)) return *problem;
  return to;
}

bool ofDemo(std::string_view record) { return record == kDemoRecord; }

} // namespace columna
