#include "file/project_json.h"

#include "file/field_reader.h"
#include "measure/quantity.h"
#include "project/limits.h"

#include <fmt/format.h>

#include <algorithm>
#include <numbers>

namespace columna {
namespace {

using Json = nlohmann::json;

class Reader : FieldReader {
public:
  using FieldReader::FieldReader;

  void read(const Json& in, Stances& s) const {
    group(in, "stances");
    if (in.contains("now")) s.now = pose(in["now"], "stances.now");
    if (in.contains("saved")) {
      list(in["saved"], "stances.saved", limits::kMostPoses);
      for (const Json& each : in["saved"]) {
        PatternPose p = pose(each, fmt::format("stances.saved[{}]", s.saved.size()));
        if (p.name.empty()) fail("stances.saved", say("has a pose without a name"), say("give it one"));
        std::erase_if(s.saved, [&](const PatternPose& other) { return other.name == p.name; });
        s.saved.push_back(std::move(p));
      }
    }
    if (in.contains("support")) support(in["support"], s.support);
    if (in.contains("hands")) {
      const auto who = hands(text(in["hands"], "stances.hands"));
      if (!who) fail("stances.hands", say("is not known"), say("give adult, child or sore"));
      s.hands = *who;
    }
    if (in.contains("leg_error_mm"))
      s.legError = number(in["leg_error_mm"], "stances.leg_error_mm", 0, limits::kMostLegError);
    if (in.contains("times")) s.times = static_cast<int>(number(in["times"], "stances.times", 0, 100000));
    if (in.contains("go_through")) names(in, "go_through", s.goThrough.emplace());
    names(in, "glued", s.glued);
    if (in.contains("stands")) s.stands = pose(in["stands"], "stances.stands");
    if (in.contains("made")) {
      list(in["made"], "stances.made", limits::kMostRePoses);
      for (const Json& each : in["made"]) {
        group(each, "stances.made");
        RePose r;
        if (each.contains("from")) r.from = text(each["from"], "stances.made.from");
        if (each.contains("to")) r.to = text(each["to"], "stances.made.to");
        if (each.contains("date")) r.date = text(each["date"], "stances.made.date");
        if (each.contains("swings_deg")) {
          r.swings.emplace();
          for (const auto& [bone, by] : group(each["swings_deg"], "stances.made.swings_deg").items())
            (*r.swings)[bone] = number(by, "stances.made.swings_deg." + bone, 0, limits::kMostTurn) * kDegree;
        }
        s.made.push_back(std::move(r));
      }
    }
  }

private:
  [[nodiscard]] Turn turn(const Json& in, const std::string& at) const {
    group(in, at);
    Turn t;
    const auto read = [&](const char* key, double& to) {
      if (in.contains(key))
        to = number(in[key], at + "." + key, -limits::kMostTurn, limits::kMostTurn) * kDegree;
    };
    read("flex", t.flex);
    read("side", t.side);
    read("twist", t.twist);
    return t;
  }

  [[nodiscard]] PatternPose pose(const Json& in, const std::string& at) const {
    group(in, at);
    PatternPose p;
    if (in.contains("name")) p.name = text(in["name"], at + ".name");
    if (in.contains("whole_deg")) p.whole = turn(in["whole_deg"], at + ".whole_deg");
    if (in.contains("turns_deg")) {
      group(in["turns_deg"], at + ".turns_deg");
      for (const auto& [bone, each] : in["turns_deg"].items())
        p.turns[bone] = turn(each, fmt::format("{}.turns_deg.{}", at, bone));
    }
    return p;
  }

  void support(const Json& in, Support& s) const {
    group(in, "stances.support");
    if (in.contains("feet")) {
      const auto how = feet(text(in["feet"], "stances.support.feet"));
      if (!how)
        fail("stances.support.feet", say("is not known"), say("give loose, flat, glued, base, held or hung"));
      s.feet = *how;
    }
    if (in.contains("at")) s.at = text(in["at"], "stances.support.at");
    const auto mm = [&](const char* key, double& to, double most) {
      if (in.contains(key)) to = number(in[key], std::string("stances.support.") + key, 0, most);
    };
    mm("base_length_mm", s.baseLength, limits::kMostBase);
    mm("base_width_mm", s.baseWidth, limits::kMostBase);
    mm("base_g", s.baseMass, limits::kHeaviestBase);
  }

  void names(const Json& in, const char* key, std::set<std::string>& to) const {
    if (!in.contains(key)) return;
    const std::string at = std::string("stances.") + key;
    list(in[key], at, 1000);
    for (const Json& each : in[key]) to.insert(text(each, at));
  }
};

Json turnJson(const Turn& t) {
  Json out = Json::object();
  if (t.flex != 0) out["flex"] = t.flex / kDegree;
  if (t.side != 0) out["side"] = t.side / kDegree;
  if (t.twist != 0) out["twist"] = t.twist / kDegree;
  return out;
}

Json poseJson(const PatternPose& p) {
  Json out{{"name", p.name}};
  if (!(p.whole == Turn())) out["whole_deg"] = turnJson(p.whole);
  Json turns = Json::object();
  for (const auto& [bone, t] : p.turns) turns[bone] = turnJson(t);
  out["turns_deg"] = std::move(turns);
  return out;
}

} // namespace

void stancesToJson(const Stances& s, Json& out) {
  if (s.empty()) {
    out.erase("stances");
    return;
  }
  Json in = out.contains("stances") && out["stances"].is_object() ? out["stances"] : Json::object();
  const auto put = [&](const char* key, bool set, Json value) {
    if (set)
      in[key] = std::move(value);
    else
      in.erase(key);
  };
  const bool neutral = s.now.turns.empty() && s.now.whole == Turn() && s.now.name.empty();
  put("now", !neutral, poseJson(s.now));
  Json saved = Json::array();
  for (const PatternPose& p : s.saved) saved.push_back(poseJson(p));
  put("saved", !s.saved.empty(), std::move(saved));
  Json support{{"feet", std::string(id(s.support.feet))}};
  if (!s.support.at.empty()) support["at"] = s.support.at;
  if (s.support.baseLength > 0) support["base_length_mm"] = s.support.baseLength;
  if (s.support.baseWidth > 0) support["base_width_mm"] = s.support.baseWidth;
  if (s.support.baseMass > 0) support["base_g"] = s.support.baseMass;
  put("support", !(s.support == Support()), std::move(support));
  put("hands", s.hands != Hands::Adult, std::string(id(s.hands)));
  put("leg_error_mm", s.legError.has_value(), s.legError.value_or(0));
  put("times", s.times.has_value(), s.times.value_or(0));
  put("go_through", s.goThrough.has_value(), s.goThrough.value_or(std::set<std::string>()));
  put("glued", !s.glued.empty(), s.glued);
  Json made = Json::array();
  for (const RePose& r : s.made) {
    Json one{{"from", r.from}, {"to", r.to}, {"date", r.date}};
    if (r.swings) one["swings_deg"] = Json::object();
    if (r.swings)
      for (const auto& [bone, by] : *r.swings) one["swings_deg"][bone] = by / kDegree;
    made.push_back(std::move(one));
  }
  put("made", !s.made.empty(), std::move(made));
  put("stands", s.stands.has_value(), poseJson(s.stands.value_or(PatternPose())));
  out["stances"] = std::move(in);
}

std::optional<Problem> stancesFromJson(const Json& in, const std::string& file, Stances& stances) {
  if (!in.contains("stances")) return std::nullopt;
  return FieldReader::problemOf([&] { Reader(file).read(in["stances"], stances); });
}

} // namespace columna
