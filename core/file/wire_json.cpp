// What the maker settled of the wire, to and from a project's JSON.
#include "file/project_json.h"

#include "file/field_reader.h"
#include "project/limits.h"

#include <fmt/format.h>

#include <algorithm>

namespace columna {
namespace {

using Json = nlohmann::json;

class Reader : FieldReader {
public:
  Reader(const Json& in, const std::string& file) : FieldReader(file), in_(in) {}

  void read(Project& p) {
    if (in_.contains("most_wires")) p.mostWires = whole(in_["most_wires"], "most_wires", 0, 20);
    if (in_.contains("drawer_only")) p.drawerOnly = flag(in_["drawer_only"], "drawer_only");
    if (in_.contains("handling_mm"))
      p.handling = number(in_["handling_mm"], "handling_mm", limits::kLeastHandling, limits::kMostHandling);
    if (in_.contains("drawer")) drawer(p);
    if (in_.contains("allowances")) p.allow = allowances(in_["allowances"], "allowances", {});
    if (in_.contains("piece_allowances")) {
      group(in_["piece_allowances"], "piece_allowances");
      for (const auto& [piece, each] : in_["piece_allowances"].items())
        p.pieceAllow[piece] = allowances(each, "piece_allowances." + piece, p.allow);
    }
    if (in_.contains("routes")) routes(p);
  }

  void limb(const Json& in, const std::string& at, LimbChoice& choice) const {
    if (in.contains("wires")) {
      const int wires = whole(in["wires"], at + ".wires", 0, 4);
      if (wires == 3) fail(at + ".wires", say("is {}", wires), say("give 0, 1, 2 or 4"));
      choice.wires = wires;
    }
    if (in.contains("held")) {
      const std::string held = text(in["held"], at + ".held");
      choice.held = rootHold(held);
      if (!choice.held)
        fail(at + ".held", say("is \"{}\"", AsIs(held)),
             say("give lashed, glued, through, thread or skewer"));
    }
    if (!in.contains("digits")) return;
    const Json& d = in["digits"];
    group(d, at + ".digits");
    PieceRules::Digits digits;
    digits.count = whole(field(d, "count", at + ".digits."), at + ".digits.count", 0, limits::kMostDigits);
    digits.length = number(field(d, "length_mm", at + ".digits."), at + ".digits.length_mm",
                           limits::kLeastDigit, limits::kMostDigit);
    if (d.contains("pegs")) digits.pegs = flag(d["pegs"], at + ".digits.pegs");
    choice.digits = digits;
  }

private:
  void drawer(Project& p) const {
    list(in_["drawer"], "drawer");
    for (size_t i = 0; i < in_["drawer"].size(); ++i) {
      const Json& in = in_["drawer"][i];
      const std::string at = fmt::format("drawer[{}]", i);
      group(in, at);
      OwnWire w;
      w.name = text(field(in, "name", at + "."), at + ".name");
      w.material = text(field(in, "material", at + "."), at + ".material");
      w.diameter = number(field(in, "diameter_mm", at + "."), at + ".diameter_mm", limits::kThinnestWire,
                          kThickestWire);
      if (in.contains("cover_mm")) w.cover = number(in["cover_mm"], at + ".cover_mm", 0, limits::kMostCover);
      if (in.contains("length_mm"))
        w.length = number(in["length_mm"], at + ".length_mm", 0, limits::kLongestWire);
      if (in.contains("count")) w.count = whole(in["count"], at + ".count", 0, limits::kMostWires);
      if (in.contains("yield_MPa")) {
        const Json& y = in["yield_MPa"];
        group(y, at + ".yield_MPa");
        w.yield = Estimate{number(field(y, "value", at + "."), at + ".yield_MPa.value", 1, 3000),
                           number(field(y, "low", at + "."), at + ".yield_MPa.low", 0.1, 3000),
                           number(field(y, "high", at + "."), at + ".yield_MPa.high", 1, 6000)};
      }
      p.drawer.push_back(std::move(w));
    }
  }

  Allowances allowances(const Json& in, const std::string& at, Allowances usual) const {
    group(in, at);
    for (const AllowanceField& f : allowanceFields())
      if (in.contains(f.key)) usual.*f.value = number(in[f.key], at + "." + f.key, f.low, f.high);
    return usual;
  }

  void routes(Project& p) const {
    group(in_["routes"], "routes");
    for (const auto& [name, pieces] : in_["routes"].items()) {
      list(pieces, "routes." + name);
      std::vector<std::vector<std::string>> out;
      for (const Json& piece : pieces) {
        if (!piece.is_array())
          fail("routes." + name, say("has a piece that is not a list"), say("write it in [ ]"));
        out.emplace_back();
        for (const Json& point : piece) out.back().push_back(text(point, "routes." + name));
      }
      p.routes[name] = std::move(out);
    }
  }

  const Json& in_;
};

void put(Json& in, const char* key, bool set, Json value) {
  if (set)
    in[key] = std::move(value);
  else
    in.erase(key);
}

Json allowancesJson(const Allowances& a, const Allowances& usual) {
  Json out = Json::object();
  for (const AllowanceField& f : allowanceFields())
    if (a.*f.value != usual.*f.value) out[f.key] = a.*f.value;
  return out;
}

} // namespace

void wireToJson(const Project& p, Json& out) {
  put(out, "most_wires", p.mostWires != kUsualWires, p.mostWires);
  put(out, "drawer_only", p.drawerOnly, true);
  put(out, "handling_mm", p.handling != kUsualHandling, p.handling);
  Json drawer = Json::array();
  for (const OwnWire& w : p.drawer) {
    Json in{{"name", w.name}, {"material", w.material}, {"diameter_mm", w.diameter}};
    put(in, "cover_mm", w.cover > 0, w.cover);
    put(in, "length_mm", w.length > 0, w.length);
    put(in, "count", w.length > 0, w.count);
    if (w.yield)
      in["yield_MPa"] = {{"value", w.yield->value}, {"low", w.yield->low}, {"high", w.yield->high}};
    drawer.push_back(std::move(in));
  }
  put(out, "drawer", !p.drawer.empty(), std::move(drawer));
  put(out, "allowances", !(p.allow == Allowances()), allowancesJson(p.allow, {}));
  Json pieces = Json::object();
  for (const auto& [piece, allow] : p.pieceAllow) pieces[piece] = allowancesJson(allow, p.allow);
  put(out, "piece_allowances", !p.pieceAllow.empty(), std::move(pieces));
  put(out, "routes", !p.routes.empty(), p.routes);
}

void limbWireToJson(const LimbChoice& choice, Json& in) {
  put(in, "wires", choice.wires.has_value(), choice.wires.value_or(0));
  put(in, "held", choice.held.has_value(), choice.held ? std::string(id(*choice.held)) : std::string());
  Json digits;
  if (choice.digits)
    digits = {
        {"count", choice.digits->count}, {"length_mm", choice.digits->length}, {"pegs", choice.digits->pegs}};
  put(in, "digits", choice.digits.has_value(), std::move(digits));
}

std::optional<Problem> wireFromJson(const Json& in, const std::string& file, Project& project) {
  return FieldReader::problemOf([&] { Reader(in, file).read(project); });
}

std::optional<Problem> limbWireFromJson(const Json& in, const std::string& at, const std::string& file,
                                        LimbChoice& choice) {
  return FieldReader::problemOf([&] { Reader(in, file).limb(in, at, choice); });
}

} // namespace columna
