#include "booklet/booklet_html.h"

#include "measure/disk.h"
#include "sheet/marks_svg.h"

#include <fmt/format.h>

namespace columna {
namespace {

namespace fs = std::filesystem;

/// So that a folder is known for a booklet's, and may be written over.
constexpr std::string_view kMark = "<meta name=\"generator\" content=\"Columna booklet\">";

constexpr std::string_view kStyle = R"(
body { font: 17px/1.45 Lato, sans-serif; color: INK; background: GROUND; max-width: 60rem; margin: 2rem auto; padding: 0 1rem; }
h1 { font-size: 2.4rem; margin: 0; } h2 { border-bottom: 1px solid RULE; margin-top: 2.5rem; }
.faint, figcaption { color: FAINT; } img { max-width: 100%; height: auto; } ul { list-style: none; padding: 0; }
.care li::before { content: "\26A0\00A0"; } .care { color: WARN; }
section { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 26rem); gap: 0 1.5rem; border-bottom: 1px solid RULE; padding: 1rem 0; break-inside: avoid; }
section.wide { display: block; } h3 { margin: 0; font-size: 1.3rem; } .reach { font-weight: 600; font-size: 1.1rem; } .reach li::before { content: "\2610\00A0"; }
.own { font-weight: 600; }
@media (max-width: 45rem) { section { display: block; } }
@media print { body { margin: 0; max-width: none; font-size: 12px; } }
)";

std::string style(bool grey) {
  std::string out(kStyle);
  const auto put = [&](std::string_view key, std::string_view value) {
    for (size_t at = out.find(key); at != std::string::npos; at = out.find(key, at))
      out.replace(at, key.size(), value);
  };
  put("INK", grey ? "#222222" : "#2e2621");
  put("GROUND", grey ? "#ffffff" : "#fbf8f2");
  put("RULE", grey ? "#aaaaaa" : "#c9bda8");
  put("FAINT", grey ? "#5a5a5a" : "#6a5e53");
  put("WARN", grey ? "#333333" : "#8a5206");
  return out;
}

std::string list(const std::vector<std::string>& lines, std::string_view cls) {
  if (lines.empty()) return {};
  std::string out = cls.empty() ? "<ul>\n" : fmt::format("<ul class=\"{}\">\n", cls);
  for (const std::string& each : lines) out += "<li>" + markupText(each) + "</li>\n";
  return out + "</ul>\n";
}

} // namespace

std::map<std::string, std::string> bookletFiles(const Booklet& booklet, const BookletWish& wish,
                                                const std::string& titlePng, const BookletPhotos& photos) {
  std::map<std::string, std::string> files;
  std::string html =
      fmt::format("<!DOCTYPE html>\n<html>\n<head>\n<meta charset=\"utf-8\">\n{}\n<meta "
                  "name=\"viewport\" content=\"width=device-width, "
                  "initial-scale=1\">\n<title>{}</title>\n<style>{}</style>\n</head>\n<body>\n",
                  kMark, markupText(booklet.name), style(wish.grey));
  html += fmt::format("<h1>{}</h1>\n<p class=\"faint\">{}</p>\n", markupText(booklet.name),
                      markupText(booklet.animal));
  const std::string title = titlePng.empty() ? "pictures/title.svg" : "pictures/title.png";
  files[title] = titlePng.empty() ? marksSvg(booklet.finished.marks, booklet.finished.wide,
                                             booklet.finished.high, booklet.name)
                                  : titlePng;
  html += fmt::format("<p><img src=\"{}\" alt=\"{}\"></p>\n", title, markupText(booklet.name));
  html += list(booklet.facts, "");
  for (const BookletPart& part : booklet.needs)
    html += fmt::format("<h2>{}</h2>\n{}", markupText(part.title), list(part.lines, ""));
  html += fmt::format("<h2>{}</h2>\n{}", markupText(booklet.care.title), list(booklet.care.lines, "care"));
  html += fmt::format("<h2>{}</h2>\n", markupText(booklet.firstWords));
  for (size_t i = 0; i < booklet.steps.size(); ++i) {
    const BookletStep& step = booklet.steps[i];
    html += fmt::format("<section{} id=\"{}\">\n<div>\n<h3>{}&ensp;{}</h3>\n<p class=\"faint\">{}</p>\n",
                        step.wide ? " class=\"wide\"" : "", markupText(step.id), i + 1,
                        markupText(step.title), markupText(step.time));
    html += list(step.reach, "reach");
    std::string fetch;
    for (const std::string& each : step.fetch) fetch += (fetch.empty() ? "" : " · ") + each;
    if (!fetch.empty()) html += fmt::format("<p class=\"faint\">{}</p>\n", markupText(fetch));
    for (const std::string& each : step.how) html += fmt::format("<p>{}</p>\n", markupText(each));
    for (const std::string& each : step.own)
      html += fmt::format("<p class=\"own\">{} {}</p>\n", markupText(booklet.ownWords), markupText(each));
    html += list(step.cautions, "care");
    for (const std::string& each : step.photos)
      if (const std::string* bytes = photos ? photos(each) : nullptr) {
        const std::string name = "pictures/photo-" + std::filesystem::path(each).filename().string();
        files[name] = *bytes;
        html += fmt::format("<p><img src=\"{}\" alt=\"{}\"></p>\n", markupText(name), markupText(step.title));
      }
    html += "</div>\n";
    if (!step.picture.marks.empty()) {
      const std::string name = fmt::format("pictures/step-{:03}.svg", i + 1);
      files[name] = marksSvg(step.picture.marks, step.picture.wide, step.picture.high, step.title);
      html += fmt::format("<p><img src=\"{}\" alt=\"{}\"></p>\n", name, markupText(step.title));
    }
    html += "</section>\n";
  }
  const std::vector<Page>& guide = booklet.guide;
  for (size_t i = 0; i < guide.size(); ++i) {
    const std::string name = fmt::format("guide/page-{:02}.svg", i + 1);
    files[name] = pageSvg(guide[i], booklet.name);
    if (i == 0) html += fmt::format("<h2>{}</h2>\n<p>", markupText(booklet.guideWords));
    html += fmt::format("<a href=\"{}\">{}</a>{}", name, i + 1, i + 1 < guide.size() ? " · " : "</p>\n");
  }
  files["index.html"] = html + "</body>\n</html>\n";
  return files;
}

std::optional<Problem> writeBookletFolder(const fs::path& folder,
                                          const std::map<std::string, std::string>& files) {
  std::error_code error;
  const auto status = fs::status(folder, error);
  if (fs::exists(status)) {
    if (!fs::is_directory(status))
      return Problem{say("that is a file, and a booklet is a folder"), folder.string(),
                     say("give another name")};
    const auto index = readFile(folder / "index.html");
    if (!fs::is_empty(folder, error) && !(index && index->find(kMark) != std::string::npos))
      return Problem{say("there are other things in this folder"), folder.string(),
                     say("give a new folder, or an empty one")};
  }
  // Pictures of a longer booklet that was here before.
  for (const char* sub : {"pictures", "guide"})
    for (const auto& each : fs::directory_iterator(folder / sub, error)) {
      const std::string name = each.path().filename().string();
      const bool ours = name.starts_with("step-") || name.starts_with("page-") ||
                        name.starts_with("photo-") || name.starts_with("title.");
      if (ours && !files.contains(std::string(sub) + '/' + name)) fs::remove(each.path(), error);
    }
  for (const auto& [name, bytes] : files) {
    const fs::path path = folder / name;
    fs::create_directories(path.parent_path(), error);
    if (error)
      return Problem{say("no folder can be made here: {}", AsIs(error.message())), folder.string(),
                     say("choose another folder")};
    if (auto problem = writeAtomically(path, bytes)) return problem;
  }
  return std::nullopt;
}

} // namespace columna
