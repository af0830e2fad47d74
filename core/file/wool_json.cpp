#include "file/project_json.h"

#include "file/field_reader.h"
#include "project/limits.h"

#include <fmt/format.h>

#include <cmath>

namespace columna {
namespace {

using Json = nlohmann::json;
using namespace limits;

std::string_view viewWord(View view) {
  return view == View::Front ? "front" : view == View::Above ? "above" : "side";
}

class Reader : FieldReader {
public:
  using FieldReader::FieldReader;

  void read(const Json& in, WoolWish& wool) const {
    group(in, "wool");
    if (in.contains("test_ball")) {
      group(in["test_ball"], "wool.test_ball");
      const Json& b = in["test_ball"];
      TestBall ball;
      ball.diameter = within(b, "diameter_mm", "wool.test_ball.", kLeastBall, kMostBall);
      ball.grams = within(b, "g", "wool.test_ball.", kLightestBall, kHeaviestBall);
      if (b.contains("firmness")) {
        const auto firm = firmness(text(b["firmness"], "wool.test_ball.firmness"));
        if (!firm) fail("wool.test_ball.firmness", say("is not known"), say("use soft, medium or firm"));
        ball.firmness = *firm;
      }
      if (b.contains("measured_mm")) {
        list(b["measured_mm"], "wool.test_ball.measured_mm", kMostReadings);
        for (const Json& each : b["measured_mm"]) {
          if (!each.is_number() || !(each.get<double>() >= kLeastBall && each.get<double>() <= kMostBall))
            fail("wool.test_ball.measured_mm", say("has a reading that is no diameter"),
                 say("give {} to {}", 5, Length(200, 0)));
          ball.measured.push_back(each.get<double>());
        }
      }
      wool.ball = ball;
    }
    if (in.contains("core")) wool.core = stock(in["core"], "wool.core", wool.core);
    if (in.contains("coat")) wool.coat = stock(in["coat"], "wool.coat", wool.coat);
    if (in.contains("grip")) {
      const auto grip = gripOf(text(in["grip"], "wool.grip"));
      if (!grip) fail("wool.grip", say("is not known"), say("use none, sleeve, paper or wax"));
      wool.grip = *grip;
    }
    if (in.contains("fur_shown_mm")) {
      wool.furShown = within(in, "fur_shown_mm", "wool.", kLeastFur, kMostFur);
      wool.finish = CoatFinish::Fur; // what it was before finishes were told apart
    }
    if (in.contains("coat_finish")) {
      const auto finish = coatFinish(text(in["coat_finish"], "wool.coat_finish"));
      if (!finish)
        fail("wool.coat_finish", say("is not known"), say("use felted, brushed, yarn, fur or feathers"));
      wool.finish = *finish;
    }
    if (in.contains("ready_cores")) {
      list(in["ready_cores"], "wool.ready_cores", kMostReady);
      for (const Json& each : in["ready_cores"]) wool.ready.push_back(readyCore(each));
    }
    if (in.contains("markings")) {
      list(in["markings"], "wool.markings", kMostMarkings);
      for (const Json& each : in["markings"]) wool.markings.push_back(marking(each, wool.markings.size()));
    }
    if (in.contains("records")) {
      list(in["records"], "wool.records", kMostRecords);
      for (const Json& each : in["records"]) wool.records.push_back(record(each));
    }
  }

private:
  /// A number that must be there.
  [[nodiscard]] double within(const Json& in, const std::string& key, const std::string& at, double low,
                              double high) const {
    return number(field(in, key, at), at + key, low, high);
  }
  [[nodiscard]] Tone tone(const Json& in, const std::string& at) const {
    const auto found = toneOf(text(in, at));
    if (!found) fail(at, say("is not known"), say("use pale, mid or dark"));
    return *found;
  }

  [[nodiscard]] WoolStock stock(const Json& in, const std::string& at, WoolStock out) const {
    group(in, at);
    if (in.contains("form")) {
      const auto form = woolForm(text(in["form"], at + ".form"));
      if (!form)
        fail(at + ".form", say("is not known"), say("use batt, carded sliver, combed top or roving"));
      out.form = *form;
    }
    // A wool that weighs nothing is let through: the plan says what is wrong with it.
    if (in.contains("g_per_m")) out.linear = within(in, "g_per_m", at + ".", 0, kHeaviestMetre) / 1000;
    if (in.contains("staple_mm")) out.staple = within(in, "staple_mm", at + ".", kLeastStaple, kMostStaple);
    if (in.contains("tone")) out.tone = tone(in["tone"], at + ".tone");
    return out;
  }

  [[nodiscard]] Marking marking(const Json& in, size_t index) const {
    const std::string at = fmt::format("wool.markings[{}]", index);
    group(in, at);
    Marking m;
    if (in.contains("name")) m.name = text(in["name"], at + ".name");
    if (in.contains("tone")) m.tone = tone(in["tone"], at + ".tone");
    if (in.contains("view")) {
      const std::string view = text(in["view"], at + ".view");
      if (view != "side" && view != "front" && view != "above")
        fail(at + ".view", say("is not known"), say("use side, front or above"));
      m.view = view == "front" ? View::Front : view == "above" ? View::Above : View::Side;
    }
    if (in.contains("both_sides")) {
      m.both = flag(in["both_sides"], at + ".both_sides");
    }
    if (in.contains("limb")) m.limb = text(in["limb"], at + ".limb");
    if (!in.contains("outline")) fail(at + ".outline", say("is missing"), say("give three corners or more"));
    list(in["outline"], at + ".outline", kMostCorners);
    for (const Json& p : in["outline"]) {
      if (!p.is_array() || p.size() != 2 || !p[0].is_number() || !p[1].is_number() ||
          !(std::abs(p[0].get<double>()) < kMostModules) || !(std::abs(p[1].get<double>()) < kMostModules))
        fail(at + ".outline", say("has a corner that is not two numbers"),
             say("write each as [x, y] in modules"));
      m.outline.emplace_back(p[0].get<double>(), p[1].get<double>());
    }
    if (m.outline.size() < 3)
      fail(at + ".outline", say("has fewer than three corners"), say("give three or more"));
    return m;
  }

  [[nodiscard]] ReadyCore readyCore(const Json& in) const {
    const std::string at = "wool.ready_cores.";
    group(in, "wool.ready_cores");
    ReadyCore core;
    core.limb = text(field(in, "limb", at), at + "limb");
    const auto kind = readyKind(text(field(in, "kind", at), at + "kind"));
    if (!kind) fail(at + "kind", say("is not known"), say("use felted ball, foam egg, stuffing or old core"));
    core.kind = *kind;
    core.length = within(in, "length_mm", at, kReadyLeast, kReadyMost);
    core.across = within(in, "across_mm", at, kReadyLeast, kReadyMost);
    core.deep = within(in, "deep_mm", at, kReadyLeast, kReadyMost);
    core.grams = within(in, "g", at, 0, kReadyHeaviest);
    if (in.contains("at")) core.at = within(in, "at", at, 0, 1);
    return core;
  }

  [[nodiscard]] WrapRecord record(const Json& in) const {
    const std::string at = "wool.records.";
    group(in, "wool.records");
    WrapRecord r;
    if (!in.contains("limb")) fail(at + "limb", say("is missing"), say("name the limb"));
    r.limb = text(in["limb"], at + "limb");
    if (in.contains("left_g")) {
      r.what = WrapRecord::What::Left;
      r.value = within(in, "left_g", at, 0, kMostLeft);
    } else {
      r.value = within(in, "girth_mm", at, kLeastGirth, kMostGirth);
      r.along = in.contains("along_mm") ? within(in, "along_mm", at, 0, kMostGirth) : 0;
      if (in.contains("moment")) r.moment = text(in["moment"], at + "moment");
    }
    if (in.contains("date")) r.date = text(in["date"], at + "date");
    return r;
  }
};

Json stockJson(const WoolStock& stock) {
  Json out{{"form", word(stock.form)}};
  if (stock.tone) out["tone"] = word(*stock.tone);
  if (stock.linear) out["g_per_m"] = *stock.linear * 1000;
  if (stock.staple) out["staple_mm"] = *stock.staple;
  return out;
}

} // namespace

void woolToJson(const WoolWish& wool, Json& out) {
  if (wool == WoolWish()) {
    out.erase("wool");
    return;
  }
  // Unknown keys stay; what is known is written anew.
  Json& w = out["wool"];
  if (!w.is_object()) w = Json::object();
  for (const char* key : {"test_ball", "fur_shown_mm", "coat_finish", "ready_cores", "markings", "records"})
    w.erase(key);
  if (wool.ball) {
    w["test_ball"] = {{"diameter_mm", wool.ball->diameter},
                      {"g", wool.ball->grams},
                      {"firmness", word(wool.ball->firmness)}};
    if (!wool.ball->measured.empty()) w["test_ball"]["measured_mm"] = wool.ball->measured;
  }
  w["core"] = stockJson(wool.core);
  w["coat"] = stockJson(wool.coat);
  w["grip"] = word(wool.grip);
  if (wool.furShown) w["fur_shown_mm"] = *wool.furShown;
  // Without the word a shown length is fur, so a felted coat beside one has to say so.
  if (wool.finish != CoatFinish::Felted || wool.furShown) w["coat_finish"] = word(wool.finish);
  for (const ReadyCore& core : wool.ready)
    w["ready_cores"].push_back({{"limb", core.limb},
                                {"kind", word(core.kind)},
                                {"length_mm", core.length},
                                {"across_mm", core.across},
                                {"deep_mm", core.deep},
                                {"g", core.grams},
                                {"at", core.at}});
  for (const Marking& m : wool.markings) {
    Json outline = Json::array();
    for (const Vec2& p : m.outline) outline.push_back({p.x(), p.y()});
    Json one{{"name", m.name},
             {"tone", word(m.tone)},
             {"view", viewWord(m.view)},
             {"both_sides", m.both},
             {"outline", std::move(outline)}};
    if (!m.limb.empty()) one["limb"] = m.limb;
    w["markings"].push_back(std::move(one));
  }
  for (const WrapRecord& r : wool.records) {
    Json one{{"limb", r.limb}};
    if (r.what == WrapRecord::What::Left)
      one["left_g"] = r.value;
    else {
      one["girth_mm"] = r.value;
      one["along_mm"] = r.along;
      if (!r.moment.empty()) one["moment"] = r.moment;
    }
    if (!r.date.empty()) one["date"] = r.date;
    w["records"].push_back(std::move(one));
  }
}

std::optional<Problem> woolFromJson(const Json& in, const std::string& file, WoolWish& wool) {
  if (!in.contains("wool")) return std::nullopt;
  return FieldReader::problemOf([&] { Reader(file).read(in["wool"], wool); });
}

void limbWoolToJson(const LimbChoice& choice, Json& in) {
  in.erase("density_g_cm3");
  in.erase("coat");
  if (choice.density) in["density_g_cm3"] = *choice.density * 1000;
  if (choice.coatWay != CoatWay::Advised) in["coat"] = word(choice.coatWay);
}

std::optional<Problem> limbWoolFromJson(const Json& in, const std::string& at, const std::string& file,
                                        LimbChoice& choice) {
  if (in.contains("density_g_cm3")) {
    const Json& d = in["density_g_cm3"];
    // Densities no felt has are let through, so that the plan can say so of the limb.
    if (!d.is_number() || !(d.get<double>() >= 0) || d.get<double>() > 100)
      return Problem{say("{}.density_g_cm3 is not a density", AsIs(at)), file,
                     say("give g/cm3, 0.05 to 0.3 as a rule")};
    choice.density = d.get<double>() / 1000;
  }
  if (in.contains("coat")) {
    const auto way = in["coat"].is_string() ? coatWay(in["coat"].get<std::string>()) : std::nullopt;
    if (!way)
      return Problem{say("{}.coat is not known", AsIs(at)), file,
                     say("use advised, core and coat, or all coat")};
    choice.coatWay = *way;
  }
  return std::nullopt;
}

} // namespace columna
