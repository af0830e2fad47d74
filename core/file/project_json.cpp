#include "file/project_json.h"

#include "file/field_reader.h"
#include "file/keep_unknown.h"
#include "measure/gauge.h"
#include "project/limits.h"

#include <charconv>
#include <cmath>

namespace columna {
namespace {

using Json = nlohmann::json;

constexpr std::string_view kSchema = "columna-project/";
constexpr int kVersion = 1;

constexpr std::string_view sizeKey(SizeBy by) {
  switch (by) {
  case SizeBy::ShoulderHeight:
    return "shoulder_height";
  case SizeBy::BodyLength:
    return "body_length";
  case SizeBy::HeadLength:
    return "head_length";
  case SizeBy::Limb:
    return "limb";
  case SizeBy::Scale:
    return "scale";
  case SizeBy::OverallHeight:
    break;
  }
  return "height";
}

class Reader : FieldReader {
public:
  Reader(const Json& json, const std::string& file) : FieldReader(file), json_(json) {}

  Project read(bool& newer) {
    if (!json_.is_object())
      fail("project.json", say("is not a project"), say("open another copy of the file"));
    const std::string schema = textOf(json_, "schema");
    int version = 0;
    if (schema.starts_with(kSchema)) {
      const char* begin = schema.data() + kSchema.size();
      std::from_chars(begin, schema.data() + schema.size(), version);
    }
    if (version < 1)
      fail("schema", say("is \"{}\", not a project's", AsIs(schema)), say("open another copy of the file"));
    newer = version > kVersion;
    Project p;
    p.name = textOf(json_, "name");
    p.pattern = textOf(json_, "pattern");
    readSize(p);
    const auto built = construction(textOf(json_, "construction"));
    if (!built)
      fail("construction", say("is not one this program knows"),
           say("use twisted-limbs, folded-pair, spine-and-crosspieces, legs-and-tail, through-pegs, "
               "part-wired, thread-joints or no-wire"));
    p.construction = *built;
    p.material = textOf(json_, "material");
    const auto lives = use(textOf(json_, "use"));
    if (!lives) fail("use", say("is not one this program knows"), say("use display, shelf or handled"));
    p.use = *lives;
    if (json_.contains("units")) {
      const std::string units = textOf(json_, "units");
      if (units != "mm" && units != "in")
        fail("units", say("is neither mm nor in"), say("write one of the two"));
      p.units = units == "in" ? UnitSystem::Inch : UnitSystem::Metric;
    }
    if (json_.contains("coat_mm") && !json_["coat_mm"].is_null()) {
      const double coat = numberOf(json_, "coat_mm");
      if (!(coat >= 0 && coat <= limits::kMostCoat))
        fail("coat_mm", say("is {}", Number(coat, Quantity::kShort)),
             say("give {} to {}", 0, Length(100, 0)));
      p.coat = coat;
    }
    if (json_.contains("finish")) {
      const auto finish = finishOf(textOf(json_, "finish"));
      if (!finish) fail("finish", say("is not one this program knows"), say("use core, plain, good or fine"));
      p.finish = *finish;
    }
    readLimbs(p);
    pass(studyFromJson(json_, file(), p));
    pass(wireFromJson(json_, file(), p));
    pass(stancesFromJson(json_, file(), p.stances));
    pass(woolFromJson(json_, file(), p.wool));
    if (json_.contains("untied")) {
      if (!json_["untied"].is_array()) fail("untied", say("is not a list"), say("write it in [ ]"));
      for (const Json& pair : json_["untied"])
        if (pair.is_string()) p.untied.insert(pair.get<std::string>());
    }
    p.unknown = std::make_shared<const Json>(json_);
    return p;
  }

private:
  [[nodiscard]] std::string textOf(const Json& in, const std::string& key, const std::string& at = {}) const {
    return text(field(in, key, at), at + key);
  }
  [[nodiscard]] double numberOf(const Json& in, const std::string& key, const std::string& at = {}) const {
    return number(field(in, key, at), at + key);
  }

  void readSize(Project& p) const {
    if (!json_.contains("size") || !json_["size"].is_object())
      fail("size", say("is missing"), say("open another copy of the file"));
    const Json& size = json_["size"];
    const std::string by = textOf(size, "by");
    bool known = false;
    for (const SizeBy each : {SizeBy::OverallHeight, SizeBy::ShoulderHeight, SizeBy::BodyLength,
                              SizeBy::HeadLength, SizeBy::Limb, SizeBy::Scale})
      if (by == sizeKey(each)) {
        p.size.by = each;
        known = true;
      }
    if (!known)
      fail("size.by", say("is \"{}\"", AsIs(by)),
           say("use height, shoulder_height, body_length, head_length, limb or scale"));
    p.size.mm = numberOf(size, "mm"); // of a scale: how many times smaller than life
    if (p.size.by == SizeBy::Limb) p.size.limb = textOf(size, "limb");
    if (const auto problem = sizeProblem(p.size.by, p.size.mm))
      fail("size.mm:", problem->what, problem->remedy);
  }

  void readLimbs(Project& p) const {
    if (!json_.contains("limbs")) return;
    if (!json_["limbs"].is_object())
      fail("limbs", say("is not a group of fields"), say("open another copy of the file"));
    for (const auto& [limbId, in] : json_["limbs"].items()) {
      if (!in.is_object())
        fail("limbs." + limbId, say("is not a group of fields"), say("open another copy of the file"));
      LimbChoice choice;
      if (in.contains("material")) choice.material = textOf(in, "material");
      if (in.contains("diameter_mm")) {
        const double d = numberOf(in, "diameter_mm");
        if (!(d > 0) || d > kThickestWire)
          fail("limbs." + limbId + ".diameter_mm", say("is {}", Number(d, Quantity::kShort)),
               say("give above 0 and up to {}", Length(kThickestWire, Quantity::kShort)));
        choice.diameter = d;
      }
      if (in.contains("firmness")) {
        choice.firmness = firmness(textOf(in, "firmness"));
        if (!choice.firmness)
          fail("limbs." + limbId + ".firmness", say("is not one this program knows"),
               say("use soft, medium or firm"));
      }
      pass(limbWireFromJson(in, "limbs." + limbId, file(), choice));
      pass(limbWoolFromJson(in, "limbs." + limbId, file(), choice));
      if (!choice.empty()) p.limbs[limbId] = choice;
    }
  }

  const Json& json_;
};

void put(Json& in, const char* key, bool set, const Json& value) {
  if (set)
    in[key] = value;
  else if (in.is_object())
    in.erase(key);
}

} // namespace

Json toJson(const Project& project) {
  Json out = project.unknown && project.unknown->is_object() ? *project.unknown : Json::object();
  out["schema"] = std::string(kSchema) + std::to_string(kVersion);
  out["name"] = project.name;
  out["pattern"] = project.pattern;
  out["size"]["by"] = sizeKey(project.size.by);
  out["size"]["mm"] = project.size.mm;
  put(out["size"], "limb", project.size.by == SizeBy::Limb, project.size.limb);
  studyToJson(project, out);
  wireToJson(project, out);
  stancesToJson(project.stances, out);
  woolToJson(project.wool, out);
  out["construction"] = id(project.construction);
  out["material"] = project.material;
  out["use"] = id(project.use);
  out["units"] = lengthUnit(project.units);
  put(out, "finish", project.finish != Finish::Good, std::string(id(project.finish)));
  put(out, "coat_mm", project.coat.has_value(), project.coat.value_or(0));
  // A limb's own unknown keys stay; what is known of it is written anew.
  Json& limbs = out["limbs"];
  if (!limbs.is_object()) limbs = Json::object();
  for (auto it = limbs.begin(); it != limbs.end();) {
    if (!project.limbs.contains(it.key()))
      for (const char* key :
           {"material", "diameter_mm", "firmness", "density_g_cm3", "coat", "wires", "held", "digits"})
        it.value().erase(key);
    it = it.value().empty() ? limbs.erase(it) : std::next(it);
  }
  for (const auto& [limbId, choice] : project.limbs) {
    Json& in = limbs[limbId];
    if (!in.is_object()) in = Json::object();
    put(in, "material", choice.material.has_value(), choice.material.value_or(""));
    put(in, "diameter_mm", choice.diameter.has_value(), choice.diameter.value_or(0));
    put(in, "firmness", choice.firmness.has_value(),
        std::string(word(choice.firmness.value_or(Firmness::Medium))));
    limbWireToJson(choice, in);
    limbWoolToJson(choice, in);
    if (in.empty()) limbs.erase(limbId); // a choice that was taken back
  }
  out["untied"] = project.untied;
  if (project.unknown) keepUnknown(*project.unknown, out);
  return out;
}

Result<Project> projectFromJson(const Json& json, const std::string& file, bool& newer) {
  try {
    return Reader(json, file).read(newer);
  } catch (const FieldReader::Bad& bad) {
    return bad.problem;
  } catch (const Json::exception&) {
    return Problem{say("project.json is not as it should be"), file, say("open another copy of the file")};
  }
}

} // namespace columna
