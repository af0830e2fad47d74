#include "file/work_photos.h"

#include "measure/disk.h"

#include <fmt/format.h>

#include <algorithm>

namespace columna {
namespace {

namespace fs = std::filesystem;

constexpr size_t kMostBytes = 8U << 20U; ///< of one: they are scaled down before

bool jpegName(const fs::path& path) { return path.extension() == ".jpg"; }

} // namespace

fs::path photosBeside(const fs::path& project) {
  return project.parent_path() / fmt::format(".{}.photos", project.filename().string());
}

Result<std::string> keepPhoto(const fs::path& project, const ProjectFile& file, const std::string& id,
                              std::string_view jpeg) {
  const auto there = std::count_if(file.others.begin(), file.others.end(),
                                   [](const auto& entry) { return entry.first.starts_with(kWorkPhotos); });
  if (there >= static_cast<std::ptrdiff_t>(kMostWorkPhotos))
    return Problem{say("a figure keeps {} photos of its making", kMostWorkPhotos), "",
                   say("keep the others in a folder of your own")};
  if (jpeg.size() > kMostBytes)
    return Problem{say("the photo takes too much room"), "", say("save it smaller and try again")};
  const fs::path folder = photosBeside(project);
  std::error_code error;
  fs::create_directories(folder, error);
  const std::string name = id + ".jpg";
  if (auto problem = writeAtomically(folder / name, jpeg)) return *problem;
  return kWorkPhotos + name;
}

void takePhotos(const fs::path& project, ProjectFile& file) {
  std::error_code error;
  for (const auto& each : fs::directory_iterator(photosBeside(project), error)) {
    if (!jpegName(each.path())) continue;
    if (auto bytes = readFile(each.path(), kMostBytes))
      file.others.emplace(kWorkPhotos + each.path().filename().string(), std::move(bytes).value());
  }
}

void foldPhotos(const fs::path& project, const ProjectFile& saved) {
  std::error_code error;
  const fs::path folder = photosBeside(project);
  for (const auto& each : fs::directory_iterator(folder, error)) {
    const auto in = saved.others.find(kWorkPhotos + each.path().filename().string());
    const auto bytes = readFile(each.path(), kMostBytes);
    if (in != saved.others.end() && bytes && *bytes == in->second) fs::remove(each.path(), error);
  }
  fs::remove(folder, error); // only when nothing is left in it
}

} // namespace columna
