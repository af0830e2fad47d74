#include "file/left_behind.h"

#include "measure/json_text.h"

#include <fmt/format.h>

#include <algorithm>
#include <random>

namespace columna {
namespace {

namespace fs = std::filesystem;
using Json = nlohmann::json;

constexpr const char* kEntry = "recovery.json"; ///< where it was opened from; not part of a saved file

fs::path lockOf(fs::path copy) { return copy.replace_extension(".lock"); }

} // namespace

Result<LeftWork> openLeft(const fs::path& copy) {
  auto file = openProject(copy);
  if (!file) return file.problem();
  LeftWork out{std::move(file).value(), {}, {}};
  const auto entry = out.file.others.find(kEntry);
  if (entry == out.file.others.end()) return out;
  if (const auto json = parseJson(entry->second, kEntry)) {
    out.of = textOr(*json, "of");
    if (const auto stamp = json->find("stamp");
        stamp != json->end() && stamp->is_array() && stamp->size() == 5 &&
        std::all_of(stamp->begin(), stamp->end(), [](const Json& n) { return n.is_number_integer(); }))
      out.stamp = FileStamp{(*stamp)[0], (*stamp)[1], (*stamp)[2], (*stamp)[3], (*stamp)[4]};
  }
  out.file.others.erase(entry);
  return out;
}

std::vector<LeftBehind> leftBehind(const fs::path& folder, fs::file_time_type now) {
  std::vector<LeftBehind> out;
  std::error_code error;
  for (fs::directory_iterator it(folder, error), end; !error && it != end; it.increment(error)) {
    const fs::path copy = it->path();
    if (copy.extension() == ".lock" && !fs::exists(fs::path(copy).replace_extension(".columna"), error)) {
      // A place that was left in order. Who asks for one while it goes makes another.
      if (HeldFile(copy).held()) fs::remove(copy, error);
      error.clear();
      continue;
    }
    if (copy.extension() != ".columna") continue;
    const HeldFile hold(lockOf(copy));
    if (!hold.held()) continue;
    LeftBehind left{copy, {}, {}, fs::last_write_time(copy, error)};
    if (now - left.when > kLeftKept) {
      fs::remove(copy, error);
      fs::remove(lockOf(copy), error);
      continue;
    }
    if (const auto work = openLeft(copy)) {
      left.name = work->file.project.name;
      left.of = work->of;
    }
    out.push_back(std::move(left));
  }
  std::sort(out.begin(), out.end(), [](const LeftBehind& a, const LeftBehind& b) { return a.when > b.when; });
  return out;
}

RecoveryPlace RecoveryPlace::in(const fs::path& folder) {
  std::error_code error;
  fs::create_directories(folder, error);
  std::random_device chance;
  RecoveryPlace place;
  for (int tries = 0; tries < 3 && !place.held(); ++tries) {
    place.copy_ = folder / fmt::format("{:08x}{:08x}.columna", chance(), chance());
    place.hold_ = HeldFile(lockOf(place.copy_));
  }
  return place;
}

RecoveryPlace RecoveryPlace::of(const LeftBehind& left) {
  RecoveryPlace place;
  place.copy_ = left.copy;
  place.hold_ = HeldFile(lockOf(left.copy));
  return place;
}

std::optional<Problem> keepCopy(const fs::path& copy, const LeftWork& work) {
  ProjectFile file = work.file;
  // What came out of a newer file is never put back into it: it would lose what this program does not know.
  Json entry{{"of", file.readOnly ? std::string() : work.of.string()}};
  if (const auto& s = work.stamp) entry["stamp"] = {s->device, s->inode, s->size, s->seconds, s->nanoseconds};
  file.others[kEntry] = writeJson(entry);
  const auto bytes = packProject(file);
  if (!bytes) return bytes.problem();
  return writeAtomically(copy, *bytes);
}

std::optional<Problem> RecoveryPlace::keep(const LeftWork& work) const {
  if (!held())
    return Problem{say("no copy for after a crash can be kept"), copy_.string(), say("save often")};
  return keepCopy(copy_, work);
}

void RecoveryPlace::drop() const {
  std::error_code error;
  if (held()) fs::remove(copy_, error);
}

} // namespace columna
