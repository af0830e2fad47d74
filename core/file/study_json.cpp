#include "file/project_json.h"

#include "file/field_reader.h"

#include <fmt/format.h>

#include <array>
#include <cmath>

namespace columna {
namespace {

using Json = nlohmann::json;

constexpr std::array<std::pair<const char*, double Character::*>, 6> kDials{
    {{"head", &Character::head},
     {"muzzle", &Character::muzzle},
     {"legs", &Character::legs},
     {"eyes", &Character::eyes},
     {"eyes_lower", &Character::eyesLower},
     {"girth", &Character::girth}}};

constexpr std::array<std::pair<const char*, View>, 3> kViews{
    {{"side", View::Side}, {"front", View::Front}, {"above", View::Above}}};

class Reader : FieldReader {
public:
  Reader(const Json& in, const std::string& file, Project& p) : FieldReader(file), in_(in), p_(p) {}

  void read() {
    if (in_.contains("shape")) readShape(group(in_["shape"], "shape"));
    if (in_.contains("made")) readMade(list(in_["made"], "made"));
    if (in_.contains("photos")) readPhotos(list(in_["photos"], "photos"));
  }

private:
  [[nodiscard]] double numberOf(const Json& in, const std::string& key, const std::string& at) const {
    return number(field(in, key, at + "."), at + "." + key);
  }
  [[nodiscard]] std::string textOf(const Json& in, const std::string& key, const std::string& at) const {
    return text(field(in, key, at + "."), at + "." + key);
  }

  void readShape(const Json& in) {
    Shape& shape = p_.shape;
    if (in.contains("character")) {
      const Json& c = group(in["character"], "shape.character");
      for (const auto& [key, dial] : kDials)
        if (c.contains(key)) shape.character.*dial = numberOf(c, key, "shape.character");
    }
    if (in.contains("lengths")) {
      const Json& lengths = group(in["lengths"], "shape.lengths");
      for (const auto& [bone, factor] : lengths.items())
        shape.lengths[bone] = numberOf(lengths, bone, "shape.lengths");
    }
    if (in.contains("moved"))
      for (const auto& [joint, by] : group(in["moved"], "shape.moved").items()) {
        if (!by.is_array() || by.size() != 3 || !by[0].is_number() || !by[1].is_number() ||
            !by[2].is_number())
          fail("shape.moved." + joint, say("is not an offset"), say("give [x, y, z] in modules"));
        shape.moved[joint] = Vec3(by[0].get<double>(), by[1].get<double>(), by[2].get<double>());
      }
    if (in.contains("girths"))
      for (const auto& [key, g] : group(in["girths"], "shape.girths").items()) {
        const std::string field = "shape.girths." + key;
        group(g, field);
        shape.girths[key] = {numberOf(g, "across", field), numberOf(g, "deep", field),
                             numberOf(g, "lift", field)};
      }
  }

  void readMade(const Json& in) {
    for (const Json& each : in) {
      group(each, "made[]");
      MadePart part;
      part.limb = textOf(each, "limb", "made[]");
      if (each.contains("length_mm")) part.length = numberOf(each, "length_mm", "made." + part.limb);
      if (each.contains("across_mm")) part.across = numberOf(each, "across_mm", "made." + part.limb);
      part.date = textOf(each, "date", "made." + part.limb);
      p_.made.push_back(std::move(part));
    }
  }

  void readPhotos(const Json& in) {
    for (const Json& each : in) {
      group(each, "photos[]");
      Photo photo;
      photo.entry = textOf(each, "entry", "photos[]");
      const std::string at = "photos." + photo.entry;
      const std::string view = textOf(each, "view", at);
      bool known = false;
      for (const auto& [word, value] : kViews)
        if (view == word) {
          photo.view = value;
          known = true;
        }
      if (!known) fail(at + ".view", say("is \"{}\"", AsIs(view)), say("write side, front or above"));
      const double width = numberOf(each, "width", at);
      const double height = numberOf(each, "height", at);
      if (!(width >= 1 && height >= 1 && width <= 20000 && height <= 20000))
        fail(at, say("has a size no picture has"), say("take the picture in anew"));
      photo.width = static_cast<int>(width);
      photo.height = static_cast<int>(height);
      if (each.contains("straighten_rad")) photo.straighten = numberOf(each, "straighten_rad", at);
      if (each.contains("mm_per_pixel")) photo.mmPerPixel = numberOf(each, "mm_per_pixel", at);
      if (!std::isfinite(photo.mmPerPixel) || photo.mmPerPixel < 0)
        fail(at + ".mm_per_pixel", say("is below zero"), say("take it out"));
      const std::string marks = at + ".landmarks";
      if (each.contains("landmarks"))
        for (const auto& [joint, place] : group(each["landmarks"], marks).items()) {
          if (!place.is_array() || place.size() != 2 || !place[0].is_number() || !place[1].is_number())
            fail(fmt::format("{}.{}", marks, joint), say("is not a place"), say("give [x, y] in pixels"));
          photo.landmarks[joint] = Vec2(place[0].get<double>(), place[1].get<double>());
        }
      if (p_.photos.size() >= kMostPhotos)
        fail("photos", say("holds more than three pictures"), say("leave one for each view"));
      p_.photos.push_back(std::move(photo));
    }
  }

  const Json& in_;
  Project& p_;
};

Json shapeToJson(const Shape& shape) {
  Json out = Json::object();
  if (!(shape.character == Character()))
    for (const auto& [key, dial] : kDials) out["character"][key] = shape.character.*dial;
  for (const auto& [bone, factor] : shape.lengths) out["lengths"][bone] = factor;
  for (const auto& [joint, by] : shape.moved) out["moved"][joint] = {by.x(), by.y(), by.z()};
  for (const auto& [key, g] : shape.girths)
    out["girths"][key] = {{"across", g.across}, {"deep", g.deep}, {"lift", g.lift}};
  return out;
}

} // namespace

void studyToJson(const Project& project, Json& out) {
  const auto put = [&out](const char* key, bool set, Json value) {
    if (set)
      out[key] = std::move(value);
    else
      out.erase(key);
  };
  put("shape", !(project.shape == Shape()), shapeToJson(project.shape));
  Json made = Json::array();
  for (const MadePart& part : project.made) {
    Json each{{"limb", part.limb}, {"date", part.date}};
    if (part.length) each["length_mm"] = *part.length;
    if (part.across) each["across_mm"] = *part.across;
    made.push_back(std::move(each));
  }
  put("made", !project.made.empty(), std::move(made));
  Json photos = Json::array();
  for (const Photo& photo : project.photos) {
    Json each{{"entry", photo.entry}, {"width", photo.width}, {"height", photo.height}};
    for (const auto& [word, value] : kViews)
      if (value == photo.view) each["view"] = word;
    if (photo.straighten != 0) each["straighten_rad"] = photo.straighten;
    if (photo.mmPerPixel > 0) each["mm_per_pixel"] = photo.mmPerPixel;
    for (const auto& [joint, at] : photo.landmarks) each["landmarks"][joint] = {at.x(), at.y()};
    photos.push_back(std::move(each));
  }
  put("photos", !project.photos.empty(), std::move(photos));
}

std::optional<Problem> studyFromJson(const Json& in, const std::string& file, Project& project) {
  return FieldReader::problemOf([&] { Reader(in, file, project).read(); });
}

} // namespace columna
