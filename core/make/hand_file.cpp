#include "make/hand_file.h"

#include "make/journal.h"
#include "measure/json_text.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>

namespace columna {
namespace {

using Json = nlohmann::json;

constexpr std::string_view kHandSchema = "columna-hand/";
constexpr int kHandVersion = 1;
constexpr double kRatioMost = 12;    ///< of a logarithm: 160 000 times
constexpr double kReadingMost = 1e4; ///< mm, or a logarithm
constexpr size_t kStepsMost = 10'000;
constexpr size_t kNoteMost = 4 * kEntryText; ///< bytes of that many characters

Problem notAHand(const std::string& file, const std::string& at) {
  return {say("{} is not as it should be", AsIs(at)), file, say("put a copy in its place, or begin anew")};
}

Result<HandFigure> figureOf(const Json& in, const std::string& file, const std::string& at) {
  if (!in.is_object()) return notAHand(file, at);
  HandFigure out{textOr(in, "project"),
                 textOr(in, "name"),
                 textOr(in, "pattern"),
                 textOr(in, "date"),
                 {},
                 {},
                 {},
                 false};
  if (out.project.empty()) return notAHand(file, at + ".project");
  if (const auto struck = in.find("struck"); struck != in.end()) {
    if (!struck->is_boolean()) return notAHand(file, at + ".struck");
    out.struck = struck->get<bool>();
  }
  if (const auto paces = in.find("paces"); paces != in.end()) {
    if (!paces->is_array() || paces->size() > kStepsMost) return notAHand(file, at + ".paces");
    for (const Json& p : *paces) {
      if (!p.is_array() || p.size() != 3 || !p[0].is_string() || !p[1].is_number() || !p[2].is_number())
        return notAHand(file, at + ".paces");
      TimedStep step{p[0].get<std::string>(), p[1].get<double>(), p[2].get<double>()};
      if (!(std::abs(step.ratio) <= kRatioMost) || !(step.planned > 0) || !std::isfinite(step.planned))
        return notAHand(file, at + ".paces");
      out.paces.push_back(std::move(step));
    }
  }
  if (const auto factors = in.find("factors"); factors != in.end()) {
    if (!factors->is_object()) return notAHand(file, at + ".factors");
    for (const auto& [key, list] : factors->items()) {
      if (!list.is_array() || list.size() > kStepsMost)
        return notAHand(file, fmt::format("{}.factors.{}", at, key));
      for (const Json& x : list) {
        if (!x.is_number() || !(std::abs(x.get<double>()) <= kReadingMost))
          return notAHand(file, fmt::format("{}.factors.{}", at, key));
        out.factors[key].push_back(x.get<double>());
      }
    }
  }
  if (const auto next = in.find("next_time"); next != in.end()) {
    if (!next->is_array() || next->size() > kStepsMost) return notAHand(file, at + ".next_time");
    for (const Json& note : *next) {
      if (!note.is_object()) return notAHand(file, at + ".next_time");
      NextNote one{textOr(note, "text"), false};
      if (const auto away = note.find("away"); away != note.end()) {
        if (!away->is_boolean()) return notAHand(file, at + ".next_time.away");
        one.away = away->get<bool>();
      }
      if (one.text.empty() || one.text.size() > kNoteMost) return notAHand(file, at + ".next_time.text");
      out.next.push_back(std::move(one));
    }
  }
  return out;
}

} // namespace

std::string_view id(FactorKind kind) {
  constexpr std::array<std::string_view, kFactorKinds> ids{"wire_cut",    "limb_length", "felt_density",
                                                           "wound_share", "wool_lost",   "lay_out"};
  return ids[static_cast<size_t>(kind)];
}

Said newerHand() { return say("this is of a newer Columna"); }

Result<HandEvidence> readHandEvidence(std::string_view text, const std::string& file) {
  const auto json = parseJson(text, file);
  if (!json) return json.problem();
  const std::string schema = json->is_object() ? textOr(*json, "schema") : std::string();
  int version = 0;
  if (schema.starts_with(kHandSchema))
    std::from_chars(schema.data() + kHandSchema.size(), schema.data() + schema.size(), version);
  if (version < 1) return notAHand(file, "schema");
  if (version > kHandVersion) return Problem{newerHand(), file, say("use that one, or begin anew")};
  HandEvidence out;
  if (const auto off = json->find("off"); off != json->end()) {
    if (!off->is_boolean()) return notAHand(file, "off");
    out.off = off->get<bool>();
  }
  const auto figures = json->find("figures");
  if (figures == json->end() || !figures->is_array()) return notAHand(file, "figures");
  for (size_t i = 0; i < figures->size(); ++i) {
    auto figure = figureOf((*figures)[i], file, "figures[" + std::to_string(i) + "]");
    if (!figure) return figure.problem();
    takeIn(out, std::move(figure).value());
  }
  return out;
}

std::string handEvidenceText(const HandEvidence& hand) {
  Json out{{"schema", std::string(kHandSchema) + std::to_string(kHandVersion)}, {"figures", Json::array()}};
  if (hand.off) out["off"] = true;
  for (const HandFigure& f : hand.figures) {
    Json one{{"project", f.project},
             {"name", f.name},
             {"pattern", f.pattern},
             {"date", f.date},
             {"paces", Json::array()}};
    for (const TimedStep& s : f.paces) one["paces"].push_back({s.kind, s.ratio, s.planned});
    if (!f.factors.empty()) one["factors"] = f.factors;
    for (const NextNote& note : f.next) {
      Json told{{"text", note.text}};
      if (note.away) told["away"] = true;
      one["next_time"].push_back(std::move(told));
    }
    if (f.struck) one["struck"] = true;
    out["figures"].push_back(std::move(one));
  }
  return writeJson(out) + "\n";
}

void takeIn(HandEvidence& hand, HandFigure figure) {
  const auto there = std::find_if(hand.figures.begin(), hand.figures.end(),
                                  [&](const HandFigure& f) { return f.project == figure.project; });
  if (there != hand.figures.end()) {
    figure.struck = figure.struck || there->struck;
    for (NextNote& note : figure.next)
      for (const NextNote& known : there->next)
        if (known.text == note.text) note.away = note.away || known.away;
    hand.figures.erase(there);
  }
  const auto after = std::find_if(hand.figures.begin(), hand.figures.end(),
                                  [&](const HandFigure& f) { return f.date > figure.date; });
  hand.figures.insert(after, std::move(figure));
}

std::vector<LastTime> lastTime(const HandEvidence& hand, const std::string& pattern, const std::string& but) {
  std::vector<LastTime> out;
  for (auto f = hand.figures.rbegin(); f != hand.figures.rend(); ++f)
    if (f->pattern == pattern && f->project != but)
      for (const NextNote& note : f->next)
        if (!note.away) out.push_back({f->project, f->name, note.text});
  return out;
}

void putAway(HandEvidence& hand, const std::string& project, const std::string& text) {
  for (HandFigure& f : hand.figures)
    for (NextNote& note : f.next)
      if (f.project == project && note.text == text) note.away = true;
}

std::vector<const HandFigure*> counting(const HandEvidence& hand, const std::string& but) {
  std::vector<const HandFigure*> out;
  if (hand.off) return out;
  for (const HandFigure& f : hand.figures)
    if (!f.struck && f.project != but) out.push_back(&f);
  return out;
}

} // namespace columna
