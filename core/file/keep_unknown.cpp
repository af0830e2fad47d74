#include "file/keep_unknown.h"

#include "wire/allowance.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <string>
#include <string_view>
#include <vector>

namespace columna {
namespace {

using Json = nlohmann::json;
using Keys = std::vector<std::string>;

/// A group of fields: where it is ("[]" each entry of a list, "*" each of a map whose keys are the maker's),
/// what an entry is known by, and the keys that are known.
struct Group {
  Keys path;
  Keys same;
  Keys known;
};

const std::vector<Group>& groups() {
  static const std::vector<Group> all = [] {
    Keys allowances;
    for (const AllowanceField& f : allowanceFields()) allowances.emplace_back(f.key);
    const Keys turn{"flex", "side", "twist"};
    const Keys pose{"name", "whole_deg", "turns_deg"};
    const Keys stock{"form", "g_per_m", "staple_mm", "tone"};
    const Keys record{"limb", "left_g", "girth_mm", "along_mm", "moment", "date"};
    const Keys move{"from", "to", "date", "swings_deg"};
    return std::vector<Group>{
        {{"shape"}, {}, {"character", "lengths", "moved", "girths"}},
        {{"shape", "character"}, {}, {"head", "muzzle", "legs", "eyes", "eyes_lower", "girth"}},
        {{"shape", "girths", "*"}, {}, {"across", "deep", "lift"}},
        {{"made", "[]"}, {"limb"}, {"limb", "length_mm", "across_mm", "date"}},
        {{"photos", "[]"},
         {"entry"},
         {"entry", "view", "width", "height", "straighten_rad", "mm_per_pixel", "landmarks"}},
        {{"drawer", "[]"},
         {"name", "material"},
         {"name", "material", "diameter_mm", "cover_mm", "length_mm", "count", "yield_MPa"}},
        {{"drawer", "[]", "yield_MPa"}, {"name", "material"}, {"value", "low", "high"}},
        {{"allowances"}, {}, allowances},
        {{"piece_allowances", "*"}, {}, allowances},
        {{"limbs", "*", "digits"}, {}, {"count", "length_mm", "pegs"}},
        {{"stances"},
         {},
         {"now", "saved", "support", "hands", "leg_error_mm", "times", "go_through", "glued", "made",
          "stands"}},
        {{"stances", "now"}, {}, pose},
        {{"stances", "now", "whole_deg"}, {}, turn},
        {{"stances", "now", "turns_deg", "*"}, {}, turn},
        {{"stances", "stands"}, {}, pose},
        {{"stances", "stands", "whole_deg"}, {}, turn},
        {{"stances", "stands", "turns_deg", "*"}, {}, turn},
        {{"stances", "saved", "[]"}, {"name"}, pose},
        {{"stances", "saved", "[]", "whole_deg"}, {"name"}, turn},
        {{"stances", "saved", "[]", "turns_deg", "*"}, {"name"}, turn},
        {{"stances", "support"}, {}, {"feet", "at", "base_length_mm", "base_width_mm", "base_g"}},
        {{"stances", "made", "[]"}, move, move},
        {{"wool"},
         {},
         {"test_ball", "core", "coat", "grip", "fur_shown_mm", "coat_finish", "ready_cores", "markings",
          "records"}},
        {{"wool", "test_ball"}, {}, {"diameter_mm", "g", "firmness", "measured_mm"}},
        {{"wool", "core"}, {}, stock},
        {{"wool", "coat"}, {}, stock},
        {{"wool", "ready_cores", "[]"},
         {"limb", "kind"},
         {"limb", "kind", "length_mm", "across_mm", "deep_mm", "g", "at"}},
        {{"wool", "markings", "[]"}, {"name"}, {"name", "tone", "view", "both_sides", "limb", "outline"}},
        {{"wool", "records", "[]"}, record, record}};
  }();
  return all;
}

bool alike(const Json& a, const Json& b, const Keys& by) {
  if (!a.is_object() || !b.is_object()) return false;
  return std::all_of(by.begin(), by.end(), [&](const std::string& key) {
    const auto mine = a.find(key);
    const auto other = b.find(key);
    if (mine == a.end() || other == b.end()) return mine == a.end() && other == b.end();
    return *mine == *other;
  });
}

void keep(const Json& before, Json& now, const Group& group, size_t at) {
  if (at == group.path.size()) {
    if (!before.is_object() || !now.is_object()) return;
    for (const auto& [key, value] : before.items())
      if (!now.contains(key) && std::find(group.known.begin(), group.known.end(), key) == group.known.end())
        now[key] = value;
    return;
  }
  const std::string& step = group.path[at];
  if (step == "[]") {
    if (!before.is_array() || !now.is_array()) return;
    std::vector<bool> taken(before.size(), false);
    for (Json& each : now)
      for (size_t i = 0; i < before.size(); ++i) {
        if (taken[i] || !alike(before[i], each, group.same)) continue;
        taken[i] = true;
        keep(before[i], each, group, at + 1);
        break;
      }
    return;
  }
  if (!before.is_object() || !now.is_object()) return;
  if (step == "*") {
    for (auto& [key, value] : now.items())
      if (const auto found = before.find(key); found != before.end()) keep(*found, value, group, at + 1);
    return;
  }
  const auto found = before.find(step);
  if (found == before.end()) return;
  // A group all of whose fields are usual is not written; one with unknown keys is.
  Json empty = Json::object();
  const bool there = now.contains(step);
  Json& within = there ? now[step] : empty;
  keep(*found, within, group, at + 1);
  if (!there && !empty.empty()) now[step] = std::move(empty);
}

} // namespace

void keepUnknown(const Json& before, Json& now) {
  for (const Group& group : groups()) keep(before, now, group, 0);
}

} // namespace columna
