// Heads and faces.
#include "commands.h"
#include "head/head_check.h"
#include "head/head_reader.h"
#include "judge/face_sums.h"
#include "measure/disk.h"
#include "measure/json_text.h"
#include "open.h"
#include "project/heads.h"
#include "report/face_json.h"
#include "sheet/flat_drawing.h"
#include "sheet/skin_drawing.h"
#include "sheet/sole_drawing.h"

#include <fmt/format.h>

#include <algorithm>
#include <iostream>

namespace columna::cli {
namespace {

std::string given(double mm, UnitSystem units) { return printLength(mm, units, 1); }

void printFace(const FaceReport& face, const std::vector<HairRow>& hair, UnitSystem units) {
  std::cout << fmt::format("head {} long, {:.2f} g without pads\n\n", given(face.length, units),
                           face.bodyGrams);
  std::cout << "in the order of work\n";
  for (const FacePad& pad : face.pads) {
    const std::string what = pad.feature->mode == FeatureMode::Press ? "pressed"
                             : pad.tooSmall                          ? "a wisp"
                                                                     : fmt::format("{:.2f} g", pad.grams);
    std::cout << fmt::format("  {:16} {:>8}  {} x {}{}\n", pad.feature->id, what, given(pad.length, units),
                             given(pad.width, units), pad.feature->twin ? ", left and right" : "");
  }
  std::cout << "\neyes\n";
  for (const FaceEye& eye : face.eyes)
    std::cout << fmt::format(
        "  {:16} {:.1f} mm: take {:g}, {}; middles {} apart, {} between; stem {}, clear {}\n", eye.eye->id,
        eye.choice.wanted, eye.choice.take, eyesName(eye.eye->kind), given(eye.apart, units),
        given(eye.between, units), given(eye.stem.length, units), given(eye.stem.clear, units));
  std::cout << "\npins: by tape from the nose tip, straight, and from the mid line\n";
  for (const FacePin& pin : face.pins)
    std::cout << fmt::format("  {:16} {:>9} {:>9} {:>9}\n", pin.id, pin.tape ? given(*pin.tape, units) : "-",
                             given(pin.straight, units), given(pin.aside, units));
  if (!hair.empty()) std::cout << "\nhair, from behind forwards\n";
  for (const HairRow& row : hair)
    std::cout << fmt::format("  {:16} {:>8}  {}\n", row.id,
                             row.grams > 0 ? fmt::format("{:.2f} g", row.grams) : "no wool",
                             render(hairWords(row), Manner{units, nullptr}));
  if (!face.flats.empty()) std::cout << "\nflat parts\n";
  for (const FaceFlat& flat : face.flats) {
    const char* stands = flat.flat->stands == FlatStands::Wire       ? "wire in it"
                         : flat.flat->stands == FlatStands::Hang     ? "hangs"
                         : flat.standing.verdict == Stands::Well     ? "stands"
                         : flat.standing.verdict == Stands::Doubtful ? "stands doubtfully"
                                                                     : "will droop";
    std::cout << fmt::format("  {:16} {} x {}, {} thick, {:.2f} g: {}\n", flat.flat->id,
                             given(flat.length, units), given(flat.width, units),
                             given(flat.thickness, units), flat.grams, stands);
  }
}

void printWires(const std::vector<FlatWire>& wires, UnitSystem units) {
  for (const FlatWire& wire : wires)
    std::cout << fmt::format("  {:16} wire {}, cut {} of {}\n", wire.flat,
                             wire.take ? printLength(*wire.take, units, 2) : "thicker than any that is sold",
                             wire.count, given(wire.cut, units));
}

void printBodyPads(const std::vector<OfferedPad>& pads, UnitSystem units) {
  const auto laid = [](const OfferedPad& pad) { return pad.on && !pad.head; };
  if (std::none_of(pads.begin(), pads.end(), laid)) return;
  std::cout << "\non the body\n";
  for (const OfferedPad& pad : pads)
    if (laid(pad))
      std::cout << fmt::format("  {:16} {:>8}  {} of {} x {}, {} {}\n", pad.id,
                               pad.hollow ? "pressed" : fmt::format("{:.2f} g", pad.grams), pad.count,
                               given(pad.length, units), given(pad.width, units), given(pad.height, units),
                               pad.hollow ? "deep" : "high");
}

void printSteps(const std::vector<FaceStep>& steps, const DryingTimes& drying, UnitSystem units) {
  std::cout << "\nsteps\n";
  for (size_t i = 0; i < steps.size(); ++i) {
    const FaceStep& step = steps[i];
    std::string parts;
    for (const std::string& part : step.parts) parts += (parts.empty() ? "" : ", ") + part;
    std::cout << fmt::format("  {:2} {}{}{}\n", i + 1, workName(step.work), parts.empty() ? "" : ": ", parts);
    for (const std::string& id : step.drying)
      if (const Drying* found = drying.find(id))
        std::cout << fmt::format("       {}: {}{}{}\n", found->name,
                                 render(dryingWords(*found), Manner{units, nullptr}),
                                 found->caution.empty() ? "" : ". ", found->caution);
  }
}

/// The face of a project's figure.
struct Worn {
  std::shared_ptr<const FaceSums> sums;
  std::vector<HairRow> hair;
  std::vector<SkinPattern> skins;
  bool firm = false;
  FaceRules rules;
  DryingTimes drying;
  UnitSystem units{};
};

Result<Worn> headOf(const std::string& file) {
  const auto opened = openAndPlan(file);
  if (!opened) return opened.problem();
  const Project& project = opened->file.project;
  Worn out{faceSums(project, opened->shelf, opened->plan),
           opened->plan.wool->hair,
           skinsOf(opened->plan.figure, opened->shelf.face),
           false,
           opened->shelf.face,
           opened->shelf.drying,
           project.units};
  if (!out.sums) {
    const auto none = headFor(project.pattern, dataFolder(), ownHeadsFolder());
    return none ? Problem{say("this figure has no head"), file, {}} : none.problem();
  }
  const Figure& figure = opened->plan.figure;
  const int limb = figure.bones[static_cast<size_t>(figure.head->bone)].limb;
  out.firm = opened->plan.wool->limbs[static_cast<size_t>(limb)].firmness == Firmness::Firm;
  return out;
}

int writeDrawing(const Drawing& drawing, const std::string& output) {
  if (!output.ends_with(".svg") && !output.ends_with(".dxf"))
    return complain(fmt::format("\"{}\" is no kind of drawing; end it in .svg or .dxf", output));
  const std::string text = output.ends_with(".svg") ? drawingSvg(drawing) : drawingDxf(drawing);
  if (const auto problem = writeAtomically(output, text)) return complain(problem->sentence());
  return kGood;
}

/// A flat part that is not the head's.
int skin(const Worn& worn, const std::string& part, const std::string& output) {
  const auto found = std::find_if(worn.skins.begin(), worn.skins.end(),
                                  [&](const SkinPattern& each) { return each.id == part; });
  if (found == worn.skins.end()) {
    std::string known;
    for (const HeadFlat& each : worn.sums->head.flats) known += (known.empty() ? "" : ", ") + each.id;
    for (const SkinPattern& each : worn.skins) known += (known.empty() ? "" : ", ") + each.id;
    return complain(known.empty() ? fmt::format("{} has no flat parts", worn.sums->head.name)
                                  : fmt::format("there is no flat part \"{}\"; use one of {}", part, known));
  }
  if (const int code = writeDrawing(skinDrawing(*found), output); code != kGood) return code;
  std::cout << fmt::format(
      "{:.2f} g each; laid flat it is drawn in by {:.1f} % and stretched by {:.1f} %{}\n", found->grams,
      100 * (1 - found->least), 100 * (found->most - 1), found->stretches ? ": cut a dart" : "");
  return kGood;
}

} // namespace

bool isHead(const std::string& path) {
  const auto text = readFile(path, kLargestHead);
  if (!text) return false;
  const auto root = parseJson(*text, path);
  return root && root->is_object() && textOr(*root, "schema").starts_with("columna-head/");
}

int checkHead(const std::string& path) {
  const auto head = readHeadFile(path);
  if (!head) return complain(head.problem().sentence());
  std::vector<Problem> found = columna::checkHead(*head);
  const auto shelf = catalog(head->id);
  if (!shelf) return complain(shelf.problem().sentence());
  if (const Pattern* pattern = shelf->pattern(head->id)) {
    const auto seat = checkSeat(*head, *pattern);
    found.insert(found.end(), seat.begin(), seat.end());
  }
  for (const Problem& problem : found) std::cout << "wrong    " << problem.sentence() << '\n';
  if (found.empty())
    std::cout << fmt::format("{}: {} features, {} eyes, {} flat parts, nothing wrong\n", head->name,
                             head->features.size(), head->eyes.size(), head->flats.size());
  return found.empty() ? kGood : kWrong;
}

int heads(bool json) {
  const auto shelf = catalog();
  if (!shelf) return complain(shelf.problem().sentence());
  nlohmann::json out = nlohmann::json::array();
  for (const Pattern& p : shelf->patterns) {
    const auto head = headFor(p.id, dataFolder(), ownHeadsFolder());
    if (!head) {
      std::cerr << oneLine(head.problem().sentence()) << '\n';
      continue;
    }
    if (!json)
      std::cout << fmt::format("{:20} {:20} {:.0f} mm in life, {}\n", head->id, head->name,
                               head->module.lifeMm, head->module.means);
    nlohmann::json variants = nlohmann::json::array();
    for (const HeadVariant& each : head->variants) {
      if (!json) std::cout << fmt::format("  {:18} {}\n", each.id, each.name);
      variants.push_back({{"id", each.id}, {"name", each.name}});
    }
    out.push_back(nlohmann::json{{"id", head->id},
                                 {"name", head->name},
                                 {"life_mm", head->module.lifeMm},
                                 {"means", head->module.means},
                                 {"features", head->features.size()},
                                 {"eyes", head->eyes.size()},
                                 {"flats", head->flats.size()},
                                 {"hard", head->hard.size()},
                                 {"variants", std::move(variants)}});
  }
  if (json) std::cout << writeJson(out) << '\n';
  return kGood;
}

int face(const std::string& file, bool json) {
  const auto worn = headOf(file);
  if (!worn) return complain(worn.problem().sentence());
  const FaceReport& report = worn->sums->report;
  const std::vector<Finding>& found = worn->sums->findings;
  if (json)
    std::cout << writeJson(faceJson(*worn->sums, worn->drying)) << '\n';
  else
    printFace(report, worn->hair, worn->units);
  if (!json) printWires(worn->sums->wires, worn->units);
  if (!json) printBodyPads(worn->sums->offered, worn->units);
  if (!json) printSteps(worn->sums->steps, worn->drying, worn->units);
  if (!json)
    for (const Finding& f : found)
      std::cout << fmt::format("{:8} {}: {}\n", word(f.level), f.where,
                               render(f.text, Manner{worn->units, nullptr}));
  return kGood;
}

int flat(const std::string& file, const std::string& part, const std::string& output) {
  const auto worn = headOf(file);
  if (!worn) return complain(worn.problem().sentence());
  const auto& flats = worn->sums->head.flats;
  const auto found =
      std::find_if(flats.begin(), flats.end(), [&](const HeadFlat& each) { return each.id == part; });
  if (found == flats.end()) return skin(*worn, part, output);
  const FlatPattern pattern =
      flatPattern(*found, worn->sums->report.length, worn->sums->density, worn->firm, worn->rules);
  if (const int code = writeDrawing(flatDrawing(*found, pattern), output); code != kGood) return code;
  std::cout << fmt::format(
      "lay {:.0f} g/m2 of loose wool, {:.2f} g each, {} larger; leave {} loose at the base\n",
      pattern.layMass * 1e6, pattern.layGrams, fmt::format("{:.2f} times", pattern.layFactor),
      given(pattern.baseAllowance, worn->units));
  return kGood;
}

int soles(const std::string& file, const std::string& output) {
  const auto worn = headOf(file);
  if (!worn) return complain(worn.problem().sentence());
  const std::vector<Sole>& feet = worn->sums->soles;
  if (feet.empty()) return complain(fmt::format("{} has no feet", worn->sums->head.name));
  if (const int code = writeDrawing(soleDrawing(feet), output); code != kGood) return code;
  for (const Sole& sole : feet) {
    std::cout << fmt::format("{} foot {} long, {} wide{}\n", sole.which, given(sole.length, worn->units),
                             given(sole.width, worn->units),
                             sole.toesApart ? ""
                                            : "; toes are too small to be made apart: needle lines between");
    for (const SolePad& pad : sole.pads)
      std::cout << fmt::format("  {:12} {} x {}, {} thick, {}\n", pad.pad->id, given(pad.length, worn->units),
                               given(pad.width, worn->units), given(pad.thickness, worn->units),
                               pad.wisp ? "a wisp" : fmt::format("{:.2f} g", pad.grams));
  }
  return kGood;
}

} // namespace columna::cli
