// learn: what the maker's records have shown of their hand.
#include "commands.h"
#include "open.h"

#include "file/hand_store.h"
#include "file/record_file.h"
#include "make/local_time.h"
#include "measure/json_text.h"
#include "project/catalog.h"
#include "steps/pace_of.h"
#include "steps/steps_of.h"

#include <fmt/format.h>

#include <algorithm>
#include <iostream>

namespace columna::cli {
namespace {

Result<HandFigure> shownIn(const std::string& file) {
  const auto opened = openAndPlan(file);
  if (!opened) return opened.problem();
  const Record record = recordOf(file, opened->file);
  if (record.entries.empty())
    return Problem{say("there is no record in it"), file, say("keep one at the bench, or with log --add")};
  const auto face = faceSums(opened->file.project, opened->shelf, opened->plan);
  const StepPlan steps = stepsOf(opened->file.project, opened->shelf, opened->plan, face.get());
  HandFigure out = shownBy(steps, progressOf(steps, record.entries, secondsNow()), record.entries);
  out.project = record.project;
  out.name = opened->file.project.name;
  out.pattern = opened->file.project.pattern;
  return out;
}

/// What is unlike for each figure of that name; false where there is none.
bool strike(HandEvidence& hand, const std::string& name, bool struck) {
  bool found = false;
  for (HandFigure& f : hand.figures)
    if (f.name == name) {
      f.struck = struck;
      found = true;
    }
  return found;
}

nlohmann::json likely(const Likely& l) { return {{"low", l.low}, {"middle", l.middle}, {"high", l.high}}; }

} // namespace

int learn(const LearnOptions& options) {
  const std::filesystem::path place = makersHandFile();
  for (const std::string& file : options.add) {
    auto shown = shownIn(file);
    if (!shown) return complain(shown.problem().sentence());
    if (const auto problem = changeHand(place, [&](HandEvidence& hand) { takeIn(hand, *shown); }))
      return complain(problem->sentence());
  }
  for (const bool struck : {true, false}) {
    const std::string& name = struck ? options.strike : options.count;
    if (name.empty()) continue;
    bool found = false;
    if (const auto problem =
            changeHand(place, [&](HandEvidence& hand) { found = strike(hand, name, struck); }))
      return complain(problem->sentence());
    if (!found) return complain("there is no figure \"" + name + "\" in it; `learn` lists them");
  }
  const KeptHand kept = handAt(place);
  for (const Said& message : kept.messages) std::cerr << oneLine(render(message)) << '\n';
  const auto data = loadCatalog(dataFolder());
  if (!data) return complain(data.problem().sentence());
  const std::vector<HandTrait> traits = handTraits(counting(kept.hand, {}), data->hand);
  if (options.json) {
    nlohmann::json out{{"figures", nlohmann::json::array()}, {"hand", nlohmann::json::array()}};
    for (const HandFigure& f : kept.hand.figures)
      out["figures"].push_back({{"name", f.name},
                                {"pattern", f.pattern},
                                {"date", f.date},
                                {"steps", f.paces.size()},
                                {"counts", !f.struck && !kept.hand.off}});
    for (const HandTrait& t : traits)
      out["hand"].push_back({{"id", t.id},
                             {"unit", t.ratio ? "of the usual" : "mm"},
                             {"readings", t.readings},
                             {"usual", likely(t.usual)},
                             {"now", likely(t.now)}});
    std::cout << writeJson(out) << '\n';
    return kGood;
  }
  for (const HandFigure& f : kept.hand.figures)
    std::cout << fmt::format("{}  {:28} {} steps timed{}\n", f.date, f.name, f.paces.size(),
                             f.struck ? "  [does not count]" : "");
  for (const HandTrait& t : traits)
    std::cout << fmt::format("{:14} {:.2f} ({:.2f} to {:.2f}){}, before {:.2f} to {:.2f}, from {} readings\n",
                             t.id, t.now.middle, t.now.low, t.now.high, t.ratio ? "" : " mm", t.usual.low,
                             t.usual.high, t.readings);
  if (traits.empty()) std::cout << "nothing is known of your hand yet: hours go by the usual pace\n";
  return kGood;
}

} // namespace columna::cli
