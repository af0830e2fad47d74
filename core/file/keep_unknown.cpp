#include "file/keep_unknown.h"

#include "project/project_fields.h"

#include <nlohmann/json.hpp>

#include <algorithm>

namespace columna {
namespace {

using Json = nlohmann::json;
using Keys = std::vector<std::string>;

/// A step to a group of fields: a key, "[]" for each entry of a list, or "*" for each of a map whose keys are
/// the maker's.
struct Step {
  std::string key;
  bool again = true; ///< a group that is not written since all of it is usual is written for what is unknown
  bool outlives = false; ///< unknown keys of a map's entry stay when the entry goes
};

/// A group of fields: the way to it, what an entry of the list on the way is known by, and its known keys.
struct Group {
  std::vector<Step> path;
  Keys same;
  Keys known;
};

/// The keys by which an entry of a list is the same as one before.
template <class F>
Keys identityOf(const F& f) {
  Keys out;
  for (const std::string_view key : f.same)
    if (!key.empty()) out.emplace_back(key);
  return out;
}

template <Tabled T>
void groupsOf(const std::vector<Step>& path, const Keys& same, std::vector<Group>& out) {
  Group group{path, same, {}};
  eachField<T>([&](const auto& f) { group.known.emplace_back(f.key); });
  if (path.empty()) group.known.emplace_back("schema");
  out.push_back(std::move(group));
  eachField<T>([&]<class Owner, class Value>(const Field<Owner, Value>& f) {
    using Inner = typename Kept<Value>::Type;
    if constexpr (Tabled<Inner>) {
      std::vector<Step> inner = path;
      // What was taken back does not come again for the sake of what is unknown in it.
      const bool optional = std::is_same_v<Value, std::optional<Inner>>;
      inner.push_back({std::string(f.key), !optional, false});
      if constexpr (std::is_same_v<Value, std::vector<Inner>>) {
        inner.push_back({"[]"});
        groupsOf<Inner>(inner, identityOf(f), out);
      } else {
        if constexpr (std::is_same_v<Value, std::map<std::string, Inner>>)
          inner.push_back({"*", true, f.outlives});
        groupsOf<Inner>(inner, same, out);
      }
    }
  });
}

const std::vector<Group>& groups() {
  static const std::vector<Group> all = [] {
    std::vector<Group> out;
    groupsOf<Project>({}, {}, out);
    return out;
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

void keep(const Json& before, Json& now, const Group& group, size_t at);

/// To each entry of a list from the one that is the same.
void keepInList(const Json& before, Json& now, const Group& group, size_t at) {
  if (!before.is_array() || !now.is_array()) return;
  std::vector<bool> taken(before.size(), false);
  for (Json& each : now)
    for (size_t i = 0; i < before.size(); ++i) {
      if (taken[i] || !alike(before[i], each, group.same)) continue;
      taken[i] = true;
      keep(before[i], each, group, at + 1);
      break;
    }
}

/// To a group by its key, whether it is written or not.
void keepWithin(const Json& before, Json& now, const std::string& key, bool again, const Group& group,
                size_t at) {
  const bool there = now.contains(key);
  if (!there && !again) return;
  Json empty = Json::object();
  Json& within = there ? now[key] : empty;
  keep(before, within, group, at + 1);
  if (!there && !empty.empty()) now[key] = std::move(empty);
}

void keep(const Json& before, Json& now, const Group& group, size_t at) {
  if (at < group.path.size() && group.path[at].key == "[]") return keepInList(before, now, group, at);
  if (!before.is_object() || !now.is_object()) return;
  if (at == group.path.size()) {
    for (const auto& [key, value] : before.items())
      if (!now.contains(key) && std::find(group.known.begin(), group.known.end(), key) == group.known.end())
        now[key] = value;
    return;
  }
  const Step& step = group.path[at];
  if (step.key == "*") {
    for (const auto& [key, value] : before.items()) keepWithin(value, now, key, step.outlives, group, at);
    return;
  }
  if (const auto found = before.find(step.key); found != before.end())
    keepWithin(*found, now, step.key, step.again, group, at);
}

} // namespace

void keepUnknown(const Json& before, Json& now) {
  for (const Group& group : groups()) keep(before, now, group, 0);
}

} // namespace columna
