#include "commands.h"
#include "open.h"
#include "painter.h"

#include "booklet/booklet_html.h"
#include "file/record_file.h"
#include "file/work_photos.h"
#include "steps/steps_of.h"

#include <fmt/format.h>

#include <array>
#include <filesystem>
#include <iostream>

namespace columna::cli {
int booklet(const std::string& file, const BookletOptions& options) {
  if (options.paper != "A4" && options.paper != "Letter")
    return complain("--paper " + options.paper + ": give A4 or Letter");
  if (options.output.empty()) return complain("--output: give a .pdf or a folder");
  const auto opened = openAndPlan(file);
  if (!opened) return complain(opened.problem().sentence());
  if (options.output.ends_with(".pdf")) {
    std::vector<std::string> words{file, "--booklet", options.output, "--paper", options.paper};
    if (options.grey) words.emplace_back("--grey");
    if (options.noGuide) words.emplace_back("--no-guide");
    if (options.noNotes) words.emplace_back("--no-notes");
    const int code = paint(std::move(words), "give a folder instead of " + options.output);
    if (code == kGood) std::cout << fmt::format("{} written\n", options.output);
    return code;
  }
  const Project& project = opened->file.project;
  const auto face = faceSums(project, opened->shelf, opened->plan);
  const StepPlan steps = stepsOf(project, opened->shelf, opened->plan, face.get());
  const Record record = recordOf(file, opened->file);
  for (const Said& message : record.messages) std::cerr << oneLine(render(message)) << '\n';
  BookletWish wish;
  wish.paper = options.paper == "A4" ? Paper::A4 : Paper::Letter;
  wish.grey = options.grey;
  wish.guide = !options.noGuide;
  wish.own = !options.noNotes;
  const BookletAsk ask{.project = project,
                       .catalog = opened->shelf,
                       .plan = opened->plan,
                       .face = face.get(),
                       .steps = steps,
                       .entries = record.entries};
  ProjectFile whole = opened->file;
  takePhotos(file, whole);
  const auto files = bookletFiles(bookletOf(ask, wish), wish, {}, [&whole](const std::string& name) {
    const auto found = whole.others.find(name);
    return found == whole.others.end() ? nullptr : &found->second;
  });
  if (const auto problem = writeBookletFolder(options.output, files)) return complain(problem->sentence());
  std::cout << fmt::format("{} written\n", (std::filesystem::path(options.output) / "index.html").string());
  return kGood;
}

int look(const std::string& file, const LookOptions& options) {
  std::vector<std::string> words{file, "--look", options.photo, "--taken", options.view};
  if (!options.above.empty()) words.insert(words.end(), {"--look-above", options.above});
  if (options.finished) words.emplace_back("--finished");
  if (options.json) words.emplace_back("--json");
  return paint(std::move(words), "install it", "a photo is read");
}

} // namespace columna::cli
