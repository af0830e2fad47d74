#include "commands.h"
#include "measure/disk.h"
#include "measure/json_text.h"
#include "open.h"

#include "anatomy/pattern_check.h"
#include "built/wire_in.h"
#include "edit/face_edit.h"
#include "edit/size_study.h"
#include "file/columna_file.h"
#include "file/project_json.h"
#include "file/project_schema.h"
#include "file/record_file.h"
#include "head/head_reader.h"
#include "judge/planning.h"
#include "measure/gauge.h"
#include "plan/plan.h"
#include "pose/pose.h"
#include "report/plan_json.h"
#include "report/pose_json.h"
#include "report/whole_json.h"
#include "sheet/drawing.h"
#include "sheet/outline_svg.h"

#include <fmt/format.h>

#include <algorithm>
#include <iostream>

namespace columna::cli {
namespace {

void printFindings(const std::vector<Finding>& findings, UnitSystem units) {
  for (const Finding& f : findings)
    std::cout << fmt::format("{:8} {}: {}\n", word(f.level), f.where, render(f.text, Manner{units, nullptr}));
}

void printPlan(const ProjectFile& file, const Plan& plan) {
  const UnitSystem units = file.project.units;
  const Figure& f = plan.figure;
  std::cout << fmt::format("{}: {}, {} high, {} at the shoulder, {}\n\n", file.project.name, f.patternName,
                           printLength(f.overallHeight, units), printLength(f.shoulderHeight, units),
                           name(file.project.construction));
  std::cout << fmt::format("{:16} {:>9} {:>26} {:>7} {:>9} {:>9} {:>9}  {}\n", "limb", "length", "wire",
                           "holds", "core", "coat", "girth", "");
  for (size_t l = 0; l < f.limbs.size(); ++l) {
    const LimbPlan& p = plan.limbs[l];
    const LimbWool& w = plan.wool->limbs[l];
    const std::string wire =
        p.wired ? fmt::format("{} x {} {}", p.section.wires, printLength(p.section.diameter, units),
                              p.section.material.shortName)
                : "none";
    std::cout << fmt::format("{:16} {:>9} {:>26} {:>7.1f} {:>9} {:>9} {:>9}  {}\n", f.limbs[l].id,
                             printLength(f.limbs[l].length, units), wire, p.hold.hold,
                             printMass(w.core, units), printMass(w.coat, units),
                             printLength(w.girthMax, units), word(p.verdict));
  }
  std::cout << fmt::format("\n{:6} {:22} {:>28} {:>10}\n", "piece", "", "wire", "cut");
  for (const Piece& p : plan.pieces)
    std::cout << fmt::format("{:6} {:22} {:>28} {:>10}\n", p.tag, p.name,
                             fmt::format("{} {}", printLength(p.diameter, units), p.material),
                             printLength(p.cut, units));
  std::cout << fmt::format("\nwire {} ({}), core {}, coat {}, weight {}\n\n",
                           printLength(plan.totals.wireLength, units), printMass(plan.totals.wireMass, units),
                           printMass(plan.totals.core, units), printMass(plan.totals.coat, units),
                           printMass(plan.totals.mass, units));
  printFindings(plan.findings, units);
}

bool isPattern(const std::string& path) { return path.ends_with(".json"); }

int checkPattern(const std::string& path) {
  const auto text = readFile(path, 4U << 20U);
  if (!text) return complain(text.problem().sentence());
  const auto pattern = readPattern(*text, path);
  if (!pattern) return complain(pattern.problem().sentence());
  std::vector<Problem> found = columna::checkPattern(*pattern);
  for (const PatternPose& pose : pattern->poses)
    if (const auto problem = beyondLimits(*pattern, pose))
      found.push_back({problem->what, "poses." + pose.name, problem->remedy});
  if (pattern->poses.size() < 2)
    found.push_back({say("fewer than two poses"), "poses", say("add a pose or two")});
  for (const Problem& problem : found) std::cout << "wrong    " << problem.sentence() << '\n';
  if (found.empty())
    std::cout << fmt::format("{}: {} bones in {} limbs, {} poses, nothing wrong\n", pattern->name,
                             pattern->bones.size(), pattern->limbs.size(), pattern->poses.size());
  return found.empty() ? kGood : kWrong;
}

} // namespace

int complain(const std::string& sentence) {
  std::cerr << oneLine(sentence) << '\n';
  return kBadInput;
}

int patterns(bool json) {
  const auto shelf = catalog();
  if (!shelf) return complain(shelf.problem().sentence());
  if (json) {
    nlohmann::json out = nlohmann::json::array();
    for (const Pattern& p : shelf->patterns) {
      nlohmann::json limbs = nlohmann::json::array();
      for (const PatternLimb& limb : p.limbs) limbs.push_back({{"id", limb.id}, {"twin", limb.twin}});
      out.push_back({{"id", p.id},
                     {"name", p.name},
                     {"family", p.family},
                     {"about", p.about},
                     {"suits", p.suits},
                     {"poses", p.poses.size()},
                     {"life", {{"measure", p.lifeMeasure}, {"mm", p.lifeMm}}},
                     {"limbs", std::move(limbs)}});
    }
    std::cout << writeJson(out) << '\n';
    return kGood;
  }
  for (const Pattern& p : shelf->patterns)
    std::cout << fmt::format("{:20} {:20} {}\n", p.id, p.name, p.about);
  return kGood;
}

int schema(const std::string& of) {
  if (of != "project" && of != "head")
    return complain(fmt::format("there is no schema of \"{}\"; ask for project or head", of));
  std::cout << (of == "head" ? headSchema() : projectSchema()).dump(2) << '\n';
  return kGood;
}

int materials(bool json) {
  const auto shelf = catalog();
  if (!shelf) return complain(shelf.problem().sentence());
  if (!json) {
    for (const Material& m : shelf->materials)
      std::cout << m.id << "\n  " << render(materialWords(m)) << '\n';
    return kGood;
  }
  nlohmann::json out = nlohmann::json::array();
  for (const Material& m : shelf->materials) {
    nlohmann::json sizes = nlohmann::json::array();
    for (const double d : m.diameters) {
      const auto swg = nearestSwg(d);
      sizes.push_back(
          {{"mm", d}, {"awg", mmToAwg(d)}, {"swg", swg ? nlohmann::json(*swg) : nlohmann::json()}});
    }
    out.push_back({{"id", m.id},
                   {"name", m.name},
                   {"elastic_MPa", m.elastic.value},
                   {"yield_MPa", {{"value", m.yield.value}, {"low", m.yield.low}, {"high", m.yield.high}}},
                   {"ultimate_MPa", m.ultimate},
                   {"sizes", std::move(sizes)},
                   {"cover_mm", m.coverRadial},
                   {"piece_mm", m.pieceLength},
                   {"source", m.source}});
  }
  std::cout << writeJson(out) << '\n';
  return kGood;
}

int create(const NewOptions& options) {
  const auto shelf = catalog();
  if (!shelf) return complain(shelf.problem().sentence());
  ProjectFile file;
  Project& p = file.project;
  p.pattern = options.pattern;
  const std::string* given = &options.height;
  p.size.by = SizeBy::OverallHeight;
  if (!options.shoulder.empty()) {
    given = &options.shoulder;
    p.size.by = SizeBy::ShoulderHeight;
  } else if (!options.body.empty()) {
    given = &options.body;
    p.size.by = SizeBy::BodyLength;
  }
  if (!options.head.empty()) {
    given = &options.head;
    p.size.by = SizeBy::HeadLength;
  }
  std::string limbSize;
  if (!options.limb.empty()) {
    const size_t equals = options.limb.find('=');
    if (equals == std::string::npos)
      return complain(fmt::format("\"{}\" names no length; write it like foreleg=70mm", options.limb));
    p.size.by = SizeBy::Limb;
    p.size.limb = options.limb.substr(0, equals);
    limbSize = options.limb.substr(equals + 1);
    given = &limbSize;
  }
  auto mm = parseLength(*given);
  if (!options.scale.empty()) {
    p.size.by = SizeBy::Scale;
    mm = parseScale(options.scale);
  }
  if (!mm) return complain(mm.problem().sentence());
  p.size.mm = *mm;
  const auto built = construction(options.construction);
  if (!built)
    return complain(fmt::format("\"{}\" is not a construction here; use one of columna-cli --help",
                                options.construction));
  p.construction = *built;
  const auto lives = use(options.use);
  if (!lives)
    return complain(fmt::format("\"{}\" is not a use; give display, shelf or handled", options.use));
  p.use = *lives;
  p.material = options.material;
  const auto variant = edit::headVariant(p, *shelf, options.variant);
  if (!variant) return complain(variant.problem().sentence());
  p.face = variant->face;
  const auto made = columna::plan(p, *shelf);
  if (!made) return complain(made.problem().sentence());
  p.name = made->figure->patternName;
  if (const auto problem = saveProject(options.output, file)) return complain(problem->sentence());
  // A body's length is another thing for an owl than for a fox: what was settled is said with what follows.
  const Figure& f = made->figure;
  const std::string settled =
      p.size.by == SizeBy::BodyLength
          ? fmt::format("body length {} ({}), ", printLength(*mm, p.units), f.bodyMeans)
      : p.size.by == SizeBy::ShoulderHeight
          ? fmt::format("shoulder {} ({}), ", printLength(*mm, p.units), f.shoulderMeans)
          : std::string();
  std::cout << fmt::format("{}: {}{} high, {} over all, {}\n", p.name, settled,
                           printLength(f.overallHeight, p.units), printLength(f.totalLength, p.units),
                           printMass(made->totals.mass, p.units));
  return kGood;
}

int plan(const std::string& file, bool json) {
  const auto opened = openAndPlan(file);
  if (!opened) return complain(opened.problem().sentence());
  if (json)
    std::cout << writeJson(wholeJson(opened->file.project, opened->plan, opened->shelf)) << '\n';
  else
    printPlan(opened->file, opened->plan);
  return opened->plan.anyWrong() ? kWrong : kGood;
}

int check(const std::string& file) {
  if (isPattern(file)) return isHead(file) ? checkHead(file) : checkPattern(file);
  const auto opened = openAndPlan(file);
  if (!opened) return complain(opened.problem().sentence());
  const auto findings =
      withWireIn(opened->plan, wireIn(*opened->plan.figure, recordOf(file, opened->file).entries));
  if (findings.empty()) std::cout << "nothing to look at\n";
  printFindings(findings, opened->file.project.units);
  const bool wrong =
      std::any_of(findings.begin(), findings.end(), [](const Finding& f) { return f.level == Level::Wrong; });
  return wrong ? kWrong : kGood;
}

int size(const std::string& file, const std::string& core, const std::string& wire) {
  const auto shelf = catalog();
  if (!shelf) return complain(shelf.problem().sentence());
  const auto opened = openProject(file);
  if (!opened) return complain(opened.problem().sentence());
  const auto amount = core.empty() ? parseLength(wire) : parseMass(core);
  if (!amount) return complain(amount.problem().sentence());
  const auto height = core.empty() ? heightForWire(opened->project, *shelf, *amount)
                                   : heightForCore(opened->project, *shelf, *amount);
  if (!height) return complain(height.problem().sentence());
  std::cout << printLength(*height, opened->project.units, 1) << '\n';
  return kGood;
}

int sheet(const std::string& file, const std::string& output) {
  const auto opened = openAndPlan(file);
  if (!opened) return complain(opened.problem().sentence());
  std::string text;
  if (output.ends_with(".svg"))
    text = drawingSvg(wireDrawing(opened->plan));
  else if (output.ends_with(".dxf"))
    text = drawingDxf(wireDrawing(opened->plan));
  else if (output.ends_with(".csv"))
    text = wireCsv(opened->plan);
  else
    return complain(fmt::format(
        "\"{}\" is no kind of sheet; end it in .svg, .dxf or .csv, or print a PDF from the window", output));
  if (const auto problem = writeAtomically(output, text)) return complain(problem->sentence());
  return kGood;
}

int outlines(const std::string& what, const std::string& output) {
  const auto shelf = catalog();
  if (!shelf) return complain(shelf.problem().sentence());
  std::optional<Figure> figure;
  if (const Pattern* known = shelf->pattern(what)) {
    figure = makeFigure(*known, {SizeBy::OverallHeight, 160, {}}).value();
  } else if (isPattern(what)) {
    const auto text = readFile(what, 4U << 20U);
    if (!text) return complain(text.problem().sentence());
    const auto pattern = readPattern(*text, what);
    if (!pattern) return complain(pattern.problem().sentence());
    figure = makeFigure(*pattern, {SizeBy::OverallHeight, 160, {}}).value();
  } else {
    const auto opened = openAndPlan(what);
    if (!opened) return complain(opened.problem().sentence());
    figure = opened->plan.figure;
  }
  if (const auto problem = writeAtomically(output, outlineSvg(*figure))) return complain(problem->sentence());
  return kGood;
}

} // namespace columna::cli
