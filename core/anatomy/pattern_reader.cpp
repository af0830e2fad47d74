#include "anatomy/pattern_fields.h"
#include "anatomy/pattern_movement.h"
#include "measure/json_text.h"

#include <set>

namespace columna {
namespace {

using Json = nlohmann::json;

class Reader : PatternFields {
public:
  Reader(Json json, std::string file) : PatternFields(std::move(file)), root_(std::move(json)) {}

  Pattern read() {
    if (!root_.is_object())
      fail("the file", say("is not a pattern"), say("start it with {{ and the fields of docs/pattern.md"));
    const std::string schema = text(root_, "schema", "");
    if (!schema.starts_with("columna-pattern/"))
      fail("schema", say("is not that of a pattern"), say("write {}", AsIs("\"columna-pattern/1\"")));
    if (schema != "columna-pattern/1")
      fail("schema", say("is {}, newer than this program reads", AsIs(schema)), say("use a newer Columna"));
    Pattern p;
    p.id = text(root_, "id", "");
    p.name = text(root_, "name", "");
    p.family = text(root_, "family", "");
    p.about = root_.contains("about") ? text(root_, "about", "") : std::string();
    const Json& module = object(root_, "module", "");
    p.moduleName = text(module, "name", "module.");
    p.moduleMeans = text(module, "means", "module.");
    const Json& life = object(root_, "life", "");
    p.lifeMeasure = text(life, "measure", "life.");
    p.lifeMm = positive(life, "mm", "life.");
    p.lifeModules = positive(life, "modules", "life.");
    p.lifeLow = p.lifeHigh = p.lifeMm;
    if (life.contains("range_mm")) {
      const Json& range = list(life, "range_mm", "life.");
      if (range.size() != 2 || !range[0].is_number() || !range[1].is_number() ||
          !(range[0].get<double>() <= range[1].get<double>()))
        fail("life.range_mm", say("is not a range"), say("give [smallest, largest] in mm"));
      p.lifeLow = range[0].get<double>();
      p.lifeHigh = range[1].get<double>();
    }
    const Json& measures = object(root_, "measures", "");
    p.shoulderHeight = measure(measures, "shoulder_height");
    p.bodyLength = measure(measures, "body_length");
    readJoints(p);
    readBones(p);
    readLimbs(p);
    readFlats(p);
    const Json& eyes = object(root_, "eyes", "");
    p.eye = point(field(eyes, "at", "eyes."), "eyes.at");
    p.eyeDiameter = positive(eyes, "diameter", "eyes.");
    const Json& coat = object(root_, "coat", "");
    p.coatThickness = number(coat, "thickness", "coat.");
    if (p.coatThickness < 0) fail("coat.thickness", say("is below zero"), say("give 0 or more, in modules"));
    p.coatKind = text(coat, "kind", "coat.");
    p.eyeBone = eyes.contains("bone") ? text(eyes, "bone", "eyes.") : p.bones.front().id;
    if (!p.bone(p.eyeBone))
      fail("eyes.bone", say("names bone \"{}\", which is not there", AsIs(p.eyeBone)), say("mend the name"));
    checkTies(p);
    p.midline = midlineOf(p);
    readMovement(*this, root_, p);
    return p;
  }

private:
  PatternMeasure measure(const Json& in, const std::string& key) const {
    const Json& value = object(in, key, "measures.");
    return {positive(value, "modules", "measures." + key + "."),
            text(value, "means", "measures." + key + ".")};
  }

  void readJoints(Pattern& p) const {
    for (const auto& [name, at] : object(root_, "joints", "").items())
      p.joints[name] = point(at, "joints." + name);
    if (!root_.contains("names")) return;
    for (const auto& [name, words] : object(root_, "names", "").items()) {
      if (!p.joints.contains(name))
        fail("names." + name, say("is no joint of this pattern"), say("name a joint, or leave it out"));
      if (!words.is_string() || words.get_ref<const std::string&>().empty())
        fail("names." + name, say("is not text"), say("write the maker's word for it, like \"elbow\""));
      p.names[name] = words.get<std::string>();
    }
  }

  void readBones(Pattern& p) const {
    std::set<std::string> ids;
    for (const Json& in : list(root_, "bones", "")) {
      if (!in.is_object())
        fail("bones", say("holds something that is not a bone"), say("write each bone in {{ }}"));
      PatternBone b;
      b.id = text(in, "id", "bones[].");
      const std::string prefix = "bones." + b.id + ".";
      if (!ids.insert(b.id).second)
        fail("bones." + b.id, say("is there twice"), say("give each bone its own id"));
      b.name = in.contains("name") ? text(in, "name", prefix) : b.id;
      std::replace(b.name.begin(), b.name.end(), '_', ' ');
      b.from = text(in, "from", prefix);
      b.to = text(in, "to", prefix);
      for (const auto& [key, joint] : {std::pair{"from", b.from}, std::pair{"to", b.to}})
        if (!p.joints.contains(joint))
          fail(prefix + key, say("names joint \"{}\", which is not there", AsIs(joint)),
               say("add it to joints or mend the name"));
      if ((p.joints[b.to] - p.joints[b.from]).norm() < 1e-6)
        fail("bones." + b.id, say("has no length: {} and {} are one place", AsIs(b.from), AsIs(b.to)),
             say("move one of the joints"));
      if (const Json& parent = field(in, "parent", prefix); parent.is_string())
        b.parent = parent.get<std::string>();
      else if (!parent.is_null())
        fail(prefix + "parent", say("is not a bone's id"), say("name the bone that carries it, or null"));
      b.twin = flag(in, "twin", prefix, false);
      b.wire = flag(in, "wire", prefix, true);
      b.muzzle = flag(in, "muzzle", prefix, false);
      if (in.contains("ends")) {
        const std::string ends = text(in, "ends", prefix);
        if (ends != "flat" && ends != "round")
          fail(prefix + "ends", say("is neither round nor flat"), say("write one of the two"));
        b.flatEnds = ends == "flat";
      }
      if (in.contains("up")) b.up = point(in["up"], prefix + "up");
      if (b.up.cross(p.joints[b.to] - p.joints[b.from]).norm() < 1e-6)
        fail(prefix + "up", say("points along the bone"), say("choose another direction"));
      readStations(in, prefix, b);
      p.bones.push_back(std::move(b));
    }
    if (p.bones.empty()) fail("bones", say("is empty"), say("give at least one bone"));
    for (const PatternBone& b : p.bones)
      if (!b.parent.empty() && !ids.contains(b.parent))
        fail("bones." + b.id + ".parent", say("names bone \"{}\", which is not there", AsIs(b.parent)),
             say("mend the name"));
    for (const PatternBone& b : p.bones) {
      const PatternBone* up = &b;
      for (size_t steps = 0; !up->parent.empty(); ++steps) {
        if (steps > p.bones.size())
          fail("bones." + b.id + ".parent", say("leads round in a ring"),
               say("let one of the bones be carried by no other"));
        up = p.bone(up->parent);
      }
    }
  }

  void readStations(const Json& in, const std::string& prefix, PatternBone& b) const {
    for (const Json& s : list(in, "stations", prefix)) {
      if (!s.is_object())
        fail(prefix + "stations", say("holds something that is not a station"), say("write each in {{ }}"));
      const std::string where = prefix + "stations[].";
      Station station{number(s, "at", where), positive(s, "across", where), positive(s, "deep", where),
                      s.contains("lift") ? number(s, "lift", where) : 0.0};
      if (station.at < 0 || station.at > 1)
        fail(where + "at", say("is {}", Number(station.at, Quantity::kShort)),
             say("give a place from 0 to 1"));
      if (!b.stations.empty() && station.at <= b.stations.back().at)
        fail(prefix + "stations",
             station.at == b.stations.back().at
                 ? say("has two girths at {}", Number(station.at, Quantity::kShort))
                 : say("goes back from {} to {}", Number(b.stations.back().at, Quantity::kShort),
                       Number(station.at, Quantity::kShort)),
             say("let every station lie further along than the one before"));
      b.stations.push_back(station);
    }
    if (b.stations.size() < 2)
      fail(prefix + "stations", say("has fewer than two girths"), say("give one at 0 and one at 1"));
  }

  void readLimbs(Pattern& p) const {
    std::map<std::string, std::string> ownerOf;
    std::set<std::string> ids;
    for (const Json& in : list(root_, "limbs", "")) {
      if (!in.is_object())
        fail("limbs", say("holds something that is not a limb"), say("write each limb in {{ }}"));
      PatternLimb l;
      l.id = text(in, "id", "limbs[].");
      const std::string prefix = "limbs." + l.id + ".";
      if (!ids.insert(l.id).second)
        fail("limbs." + l.id, say("is there twice"), say("give each limb its own id"));
      l.name = text(in, "name", prefix);
      l.plural = in.contains("plural")   ? text(in, "plural", prefix)
                 : l.name.ends_with('s') ? l.name
                                         : l.name + "s";
      const auto kind = limbKind(text(in, "kind", prefix));
      if (!kind)
        fail(prefix + "kind", say("is not a kind of limb"),
             say("use head, neck, trunk, tail, leg, arm, wing, digits or part"));
      l.kind = *kind;
      l.twin = flag(in, "twin", prefix, false);
      if (in.contains("firmness")) {
        const auto firm = firmness(text(in, "firmness", prefix));
        if (!firm) fail(prefix + "firmness", say("is not a firmness"), say("use soft, medium or firm"));
        l.firmness = *firm;
      }
      if (in.contains("digits")) {
        const double digits = number(in, "digits", prefix);
        if (digits < 0 || digits > 40)
          fail(prefix + "digits", say("is {}", Number(digits, Quantity::kShort)),
               say("give {} to {}", 0, 40));
        l.digits = static_cast<int>(digits);
      }
      for (const Json& bone : list(in, "bones", prefix)) {
        if (!bone.is_string())
          fail(prefix + "bones", say("holds something that is not a bone's id"), say("name bones"));
        const std::string id = bone.get<std::string>();
        const PatternBone* b = p.bone(id);
        if (!b)
          fail(prefix + "bones", say("names bone \"{}\", which is not there", AsIs(id)),
               say("mend the name"));
        if (b->twin != l.twin)
          fail(prefix + "twin", say("does not agree with bone {}", AsIs(id)),
               say("make both twins, or neither"));
        if (const auto [it, fresh] = ownerOf.emplace(id, l.id); !fresh)
          fail(prefix + "bones", say("takes bone {}, which {} has", AsIs(id), AsIs(it->second)),
               say("leave it in one limb"));
        l.bones.push_back(id);
      }
      if (l.bones.empty()) fail(prefix + "bones", say("is empty"), say("name at least one bone"));
      p.limbs.push_back(std::move(l));
    }
    for (const PatternBone& b : p.bones)
      if (!ownerOf.contains(b.id))
        fail("bones." + b.id, say("belongs to no limb"), say("name it in one limb's bones"));
  }

  void readFlats(Pattern& p) const {
    if (!root_.contains("flats")) return;
    for (const Json& in : list(root_, "flats", "")) {
      if (!in.is_object())
        fail("flats", say("holds something that is not a flat part"), say("write each in {{ }}"));
      PatternFlat f;
      f.id = text(in, "id", "flats[].");
      const std::string prefix = "flats." + f.id + ".";
      f.bone = text(in, "bone", prefix);
      if (!p.bone(f.bone))
        fail(prefix + "bone", say("names bone \"{}\", which is not there", AsIs(f.bone)),
             say("mend the name"));
      f.twin = flag(in, "twin", prefix, false);
      if (in.contains("thickness")) f.thickness = positive(in, "thickness", prefix);
      for (const Json& at : list(in, "outline", prefix)) f.outline.push_back(point(at, prefix + "outline"));
      if (f.outline.size() < 3)
        fail(prefix + "outline", say("has fewer than three points"), say("add points"));
      readFollowers(in, prefix, p, f);
      p.flats.push_back(std::move(f));
    }
  }

  /// The bone each point of an outline moves with, where they differ.
  void readFollowers(const Json& in, const std::string& prefix, const Pattern& p, PatternFlat& f) const {
    if (!in.contains("follow")) return;
    for (const Json& bone : list(in, "follow", prefix)) {
      if (!bone.is_string() || !p.bone(bone.get<std::string>()))
        fail(prefix + "follow", say("names a bone that is not there"), say("mend the name"));
      f.follow.push_back(bone.get<std::string>());
    }
    if (f.follow.size() != f.outline.size())
      fail(prefix + "follow", say("has {} bones for {} points", f.follow.size(), f.outline.size()),
           say("name one bone for each point"));
  }

  /// The wired bones of a limb follow each other joint to joint; digits may start anew at their root.
  void checkTies(const Pattern& p) const {
    for (const PatternLimb& l : p.limbs) {
      const PatternBone* last = nullptr;
      for (const std::string& id : l.bones) {
        const PatternBone* b = p.bone(id);
        if (!b->wire) continue;
        const bool fresh = l.kind == LimbKind::Digits && last && b->parent != last->id;
        if (last && !fresh && last->to != b->from)
          fail("limbs." + l.id + ".bones",
               say("is no chain: {} ends at {} and {} begins at {}", AsIs(last->id), AsIs(last->to),
                   AsIs(b->id), AsIs(b->from)),
               say("put the bones in order from the root outwards"));
        last = b;
      }
    }
    size_t roots = 0;
    for (const PatternBone& b : p.bones) roots += b.parent.empty() ? 1 : 0;
    if (roots != 1)
      fail("bones", say("has {} bones that no other carries", roots),
           say("leave exactly one with parent null"));
  }

  Json root_;
};

} // namespace

Result<Pattern> readPattern(std::string_view json, const std::string& file) {
  auto root = parseJson(json, file);
  if (!root) return root.problem();
  try {
    return Reader(std::move(root).value(), file).read();
  } catch (const PatternFields::Bad& bad) {
    return bad.problem;
  }
}

const PatternBone* Pattern::bone(std::string_view wanted) const {
  for (const PatternBone& b : bones)
    if (b.id == wanted) return &b;
  return nullptr;
}

const PatternLimb* Pattern::limbOf(std::string_view boneId) const {
  for (const PatternLimb& l : limbs)
    for (const std::string& b : l.bones)
      if (b == boneId) return &l;
  return nullptr;
}

bool Pattern::onMidline(const std::string& joint) const { return midline.contains(joint); }

std::set<std::string> midlineOf(const Pattern& pattern) {
  std::set<std::string> out;
  for (const auto& [name, at] : pattern.joints)
    if (at.y() == 0) out.insert(name);
  for (const PatternBone& b : pattern.bones)
    if (!b.twin) out.insert({b.from, b.to});
  return out;
}

std::optional<LimbKind> limbKind(std::string_view word) {
  static const std::map<std::string_view, LimbKind> kinds{
      {"head", LimbKind::Head}, {"neck", LimbKind::Neck},     {"trunk", LimbKind::Trunk},
      {"tail", LimbKind::Tail}, {"leg", LimbKind::Leg},       {"arm", LimbKind::Arm},
      {"wing", LimbKind::Wing}, {"digits", LimbKind::Digits}, {"part", LimbKind::Part}};
  const auto found = kinds.find(word);
  return found == kinds.end() ? std::nullopt : std::optional(found->second);
}

std::optional<Firmness> firmness(std::string_view word) {
  if (word == "soft") return Firmness::Soft;
  if (word == "medium") return Firmness::Medium;
  if (word == "firm") return Firmness::Firm;
  return std::nullopt;
}

std::string_view word(Firmness firmness) {
  switch (firmness) {
  case Firmness::Soft:
    return "soft";
  case Firmness::Medium:
    return "medium";
  case Firmness::Firm:
    return "firm";
  }
  return "medium";
}

} // namespace columna
