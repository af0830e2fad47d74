#include "file/columna_file.h"

#include "file/project_json.h"
#include "file/salvage.h"
#include "measure/disk.h"
#include "measure/json_text.h"

#include <zip.h>

#include <memory>

namespace columna {
namespace {

namespace fs = std::filesystem;

constexpr zip_uint64_t kProjectLimit = 16U << 20U;
constexpr zip_uint64_t kOthersLimit = 256U << 20U;
constexpr size_t kFileLimit = 512U << 20U;

struct CloseZip {
  void operator()(zip_t* zip) const { zip_discard(zip); }
};
using Zip = std::unique_ptr<zip_t, CloseZip>;

struct CloseEntry {
  void operator()(zip_file_t* entry) const { zip_fclose(entry); }
};

Result<std::string> readEntry(zip_t* zip, zip_uint64_t index, zip_uint64_t limit, const std::string& file) {
  zip_stat_t stat;
  zip_stat_init(&stat);
  if (zip_stat_index(zip, index, 0, &stat) != 0)
    return Problem{say("an entry of the file cannot be read"), file, say("open the copy before it")};
  const std::string name = stat.name ? stat.name : "an entry";
  if ((stat.valid & ZIP_STAT_SIZE) == 0 || stat.size > limit)
    return Problem{say("{} claims to be {} MB, more than it may be", AsIs(name), stat.size >> 20U), file,
                   say("open the copy before it")};
  std::unique_ptr<zip_file_t, CloseEntry> entry(zip_fopen_index(zip, index, 0));
  std::string bytes(stat.size, '\0');
  zip_uint64_t read = 0;
  while (entry && read < stat.size) {
    const zip_int64_t n = zip_fread(entry.get(), bytes.data() + read, stat.size - read);
    if (n <= 0) break;
    read += static_cast<zip_uint64_t>(n);
  }
  // Reading to the end also checks the sum.
  char extra = 0;
  if (!entry || read != stat.size || zip_fread(entry.get(), &extra, 1) != 0)
    return Problem{say("{} is damaged", AsIs(name)), file, say("open the copy before it")};
  return bytes;
}

Said backupHint(const fs::path& path) {
  std::error_code error;
  fs::path old = path;
  old += "~";
  return fs::exists(old, error)
             ? say("the copy before the last save is beside it: {}", AsIs(old.filename().string()))
             : say("open another copy of it");
}

Result<ProjectFile> fromJsonText(const std::string& text, const std::string& file, const Said& hint) {
  const auto json = parseJson(text, file);
  if (!json) return Problem{say("project.json in it: {}", json.problem().what), file, hint};
  ProjectFile out;
  bool newer = false;
  auto project = projectFromJson(*json, file, newer);
  if (!project) return project.problem();
  out.project = std::move(project).value();
  if (newer) {
    out.readOnly = true;
    out.messages.push_back(say("{} was written by a newer Columna, so it opens for looking only; save it "
                               "under another name to go on.",
                               AsIs(file)));
  }
  return out;
}

/// Central directory gone: what the entries themselves still hold.
Result<ProjectFile> salvage(const std::string& bytes, const fs::path& path) {
  const std::string file = path.filename().string();
  const Salvaged found = salvageZip(bytes, kProjectLimit);
  if (!found.anyEntry)
    return Problem{say("it is not a Columna project"), file, say("choose a file that ends in .columna")};
  const auto json = found.whole.find("project.json");
  if (json == found.whole.end())
    return Problem{say("the file is cut short and its project is lost"), file, backupHint(path)};
  auto out = fromJsonText(json->second, file, backupHint(path));
  if (!out) return out.problem();
  ProjectFile saved = std::move(out).value();
  for (const auto& [name, content] : found.whole)
    if (name != "project.json" && name != "mimetype") saved.others[name] = content;
  std::string lost;
  for (const std::string& name : found.broken) lost += (lost.empty() ? "" : ", ") + name;
  saved.messages.push_back(
      lost.empty()
          ? say("{} is damaged at its end; the project was saved.", AsIs(file))
          : say("{} is damaged at its end; the project was saved, but lost: {}.", AsIs(file), AsIs(lost)));
  return saved;
}

zip_source_t* sourceOf(const std::string& bytes, zip_error_t* error) {
  return zip_source_buffer_create(bytes.data(), bytes.size(), 0, error);
}

} // namespace

Result<ProjectFile> openProject(const fs::path& path) {
  const auto bytes = readFile(path, kFileLimit);
  if (!bytes) return bytes.problem();
  const std::string file = path.filename().string();
  if (bytes->empty()) return Problem{say("the file is empty"), file, backupHint(path)};
  zip_error_t error;
  zip_error_init(&error);
  zip_source_t* source = sourceOf(*bytes, &error);
  Zip zip(source ? zip_open_from_source(source, ZIP_RDONLY, &error) : nullptr);
  if (!zip) {
    if (source) zip_source_free(source);
    zip_error_fini(&error);
    return salvage(*bytes, path);
  }
  zip_error_fini(&error);

  const zip_int64_t type = zip_name_locate(zip.get(), "mimetype", 0);
  const auto mime = type < 0 ? Result<std::string>(Problem{})
                             : readEntry(zip.get(), static_cast<zip_uint64_t>(type), 256, file);
  if (!mime || *mime != kMimeType)
    return Problem{say("it is a zip file, but not a Columna project"), file,
                   say("choose a file that Columna saved")};
  const zip_int64_t at = zip_name_locate(zip.get(), "project.json", 0);
  if (at < 0) return Problem{say("the project in it is lost"), file, backupHint(path)};
  const auto text = readEntry(zip.get(), static_cast<zip_uint64_t>(at), kProjectLimit, file);
  if (!text) return Problem{text.problem().what, file, backupHint(path)};
  auto out = fromJsonText(*text, file, backupHint(path));
  if (!out) return out.problem();
  ProjectFile result = std::move(out).value();

  zip_uint64_t left = kOthersLimit;
  const zip_int64_t count = zip_get_num_entries(zip.get(), 0);
  for (zip_int64_t i = 0; i < count; ++i) {
    const auto index = static_cast<zip_uint64_t>(i);
    const char* raw = zip_get_name(zip.get(), index, 0);
    const std::string name = raw ? raw : "";
    if (name.empty() || name == "mimetype" || name == "project.json" || name.ends_with('/')) continue;
    auto content = readEntry(zip.get(), index, left, file);
    if (!content) {
      result.messages.push_back(say("{}: {}; the rest was opened.", AsIs(file), content.problem().what));
      continue;
    }
    left -= content->size();
    result.others[name] = std::move(content).value();
  }
  return result;
}

Result<std::string> packProject(const ProjectFile& file) {
  const auto fail = [](std::string_view why) {
    return Problem{
        say("the file could not be packed ({})", Name(why)), {}, say("free some memory and try again")};
  };
  zip_error_t error;
  zip_error_init(&error);
  zip_source_t* archive = zip_source_buffer_create(nullptr, 0, 0, &error);
  Zip zip(archive ? zip_open_from_source(archive, ZIP_TRUNCATE, &error) : nullptr);
  if (!zip) return fail(named("no archive"));
  zip_source_keep(archive);
  const std::unique_ptr<zip_source_t, decltype(&zip_source_free)> held(archive, zip_source_free);

  const std::string mime(kMimeType);
  const std::string json = writeJson(toJson(file.project)) + "\n";
  const auto add = [&](const std::string& name, const std::string& content, bool stored) {
    zip_source_t* source = zip_source_buffer(zip.get(), content.data(), content.size(), 0);
    const zip_int64_t index = zip_file_add(zip.get(), name.c_str(), source, ZIP_FL_ENC_UTF_8);
    if (index < 0) {
      zip_source_free(source);
      return false;
    }
    // One fixed date, so that the same project packs to the same bytes.
    zip_file_set_mtime(zip.get(), static_cast<zip_uint64_t>(index), 1700000000, 0);
    return zip_set_file_compression(zip.get(), static_cast<zip_uint64_t>(index),
                                    stored ? ZIP_CM_STORE : ZIP_CM_DEFLATE, 0) == 0;
  };
  if (!add("mimetype", mime, true) || !add("project.json", json, false)) return fail(named("no entry"));
  for (const auto& [name, content] : file.others)
    // One that will not go in must not keep the project from being saved.
    (void)add(asUtf8(name), content, name.ends_with(".png") || name.ends_with(".jpg"));
  if (zip_close(zip.get()) != 0) return fail(named("not closed"));
  (void)zip.release(); // closed: it no longer exists

  if (zip_source_open(archive) != 0) return fail(named("not readable"));
  zip_source_seek(archive, 0, SEEK_END);
  const zip_int64_t size = zip_source_tell(archive);
  zip_source_seek(archive, 0, SEEK_SET);
  std::string bytes(static_cast<size_t>(std::max<zip_int64_t>(size, 0)), '\0');
  const zip_int64_t read = zip_source_read(archive, bytes.data(), bytes.size());
  zip_source_close(archive);
  if (read != size) return fail(named("not read back"));
  return bytes;
}

std::optional<Problem> saveProject(const fs::path& path, const ProjectFile& file) {
  const auto bytes = packProject(file);
  if (!bytes) return bytes.problem();
  return writeAtomically(path, *bytes, true);
}

} // namespace columna
