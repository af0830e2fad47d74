#include "anatomy/pattern_movement.h"

#include <numbers>

namespace columna {
namespace {

using Json = nlohmann::json;

constexpr double kRadians = std::numbers::pi / 180;

class Movement {
public:
  Movement(const PatternFields& f, const Json& root, Pattern& p) : f_(f), root_(root), p_(p) {}

  void read() {
    const Json& bones = root_["bones"];
    for (size_t i = 0; i < p_.bones.size(); ++i) readHinge(bones[i], p_.bones[i]);
    if (root_.contains("poses")) readPoses();
    if (root_.contains("facts")) readFacts();
    if (root_.contains("suits"))
      for (const Json& id : f_.list(root_, "suits", "")) {
        if (!id.is_string())
          f_.fail("suits", say("holds something that is not a construction's id"), say("name them"));
        p_.suits.push_back(id.get<std::string>());
      }
    if (root_.contains("best_view")) {
      p_.bestView = f_.text(root_, "best_view", "");
      if (p_.bestView != "side" && p_.bestView != "front" && p_.bestView != "above")
        f_.fail("best_view", say("is \"{}\"", AsIs(p_.bestView)), say("write side, front or above"));
    }
  }

private:
  void readHinge(const Json& in, PatternBone& b) const {
    const std::string prefix = "bones." + b.id + ".";
    if (in.contains("hinge")) {
      const Json& hinge = f_.object(in, "hinge", prefix);
      for (const auto& [key, axis] : {std::pair{"flex", &b.flexAxis}, std::pair{"side", &b.sideAxis}}) {
        if (!hinge.contains(key)) continue;
        *axis = f_.point(hinge[key], prefix + "hinge." + key);
        if (axis->norm() < 1e-6)
          f_.fail(prefix + "hinge." + key, say("has no direction"), say("give an axis such as [0, -1, 0]"));
        axis->normalize();
      }
    }
    if (!in.contains("limits_deg")) return;
    const Json& limits = f_.object(in, "limits_deg", prefix);
    for (const auto& [key, range] :
         {std::pair{"flex", &b.flex}, std::pair{"side", &b.side}, std::pair{"twist", &b.twist}}) {
      if (!limits.contains(key)) continue;
      const std::string where = prefix + "limits_deg." + key;
      const Json& pair = limits[key];
      if (!pair.is_array() || pair.size() != 2 || !pair[0].is_number() || !pair[1].is_number())
        f_.fail(where, say("is not a range"), say("give [least, most] in degrees"));
      range->low = pair[0].get<double>() * kRadians;
      range->high = pair[1].get<double>() * kRadians;
      if (!(range->low <= range->high))
        f_.fail(where, say("has its ends the wrong way round"), say("swap them"));
      if (range->low > 0 || range->high < 0)
        f_.fail(where, say("leaves out the neutral stance"), say("let it hold 0"));
    }
  }

  void readPoses() const {
    for (const Json& in : f_.list(root_, "poses", "")) {
      if (!in.is_object())
        f_.fail("poses", say("holds something that is not a pose"), say("write each in {{ }}"));
      PatternPose pose;
      pose.name = f_.text(in, "name", "poses[].");
      const std::string prefix = "poses." + pose.name + ".";
      for (const auto& [key, turn] : f_.object(in, "turns_deg", prefix).items()) {
        const std::string bone = key.ends_with('\'') ? key.substr(0, key.size() - 1) : key;
        if (!p_.bone(bone))
          f_.fail(prefix + key, say("names bone \"{}\", which is not there", AsIs(bone)),
                  say("mend the name"));
        if (!turn.is_object())
          f_.fail(prefix + key, say("is not a turn"), say("write flex, side and twist in {{ }}"));
        Turn t;
        for (const auto& [axis, value] :
             {std::pair{"flex", &t.flex}, std::pair{"side", &t.side}, std::pair{"twist", &t.twist}})
          if (turn.contains(axis)) *value = f_.number(turn, axis, prefix + key + ".") * kRadians;
        pose.turns[key] = t;
      }
      p_.poses.push_back(std::move(pose));
    }
  }

  void readFacts() const {
    for (const Json& in : f_.list(root_, "facts", "")) {
      if (!in.is_object())
        f_.fail("facts", say("holds something that is not a fact"), say("write each in {{ }}"));
      const auto say = [&](const char* key) {
        if (!in.contains(key)) return std::string();
        return in[key].is_string() ? in[key].get<std::string>() : in[key].dump();
      };
      p_.facts.push_back({f_.text(in, "claim", "facts[]."), say("value"), say("source")});
    }
  }

  const PatternFields& f_;
  const Json& root_;
  Pattern& p_;
};

} // namespace

void readMovement(const PatternFields& fields, const nlohmann::json& root, Pattern& p) {
  Movement(fields, root, p).read();
}

} // namespace columna
