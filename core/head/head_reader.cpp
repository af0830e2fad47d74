#include "head/head_reader.h"

#include "anatomy/plane.h"
#include "head/head_field.h"
#include "head/head_fields.h"
#include "head/variant.h"
#include "measure/disk.h"
#include "measure/field_reader.h"
#include "measure/field_schema.h"
#include "measure/json_text.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <set>

namespace columna {
namespace {

constexpr const char* kHeadSchema = "columna-head/1";
constexpr double kBlendMost =
    2; ///< times a feature's smallest radius: beyond it nothing of the shape is left

/// What the ranges of single fields cannot say.
class Whole {
public:
  /// `variant`: the head is that one of its variants.
  Whole(const HeadPattern& head, const FieldReader& reader, std::string variant = "")
      : h_(head), reader_(reader), variant_(std::move(variant)) {}

  void check() const {
    profile();
    colours();
    ids("features", h_.features);
    ids("eyes", h_.eyes);
    ids("flats", h_.flats);
    ids("hard", h_.hard);
    ids("hair", h_.hair);
    ids("patches", h_.patches);
    features();
    eyes();
    for (const HeadFlat& f : h_.flats) flat(f);
    hard();
    hair();
    patches();
    for (const auto& [name, foot] :
         {std::pair("feet.fore", &h_.feet.fore), std::pair("feet.mid", &h_.feet.mid),
          std::pair("feet.hind", &h_.feet.hind)})
      if (*foot) feet(name, **foot);
    if (!variant_.empty()) return;
    ids("variants", h_.variants);
    for (const HeadVariant& variant : h_.variants) {
      for (const std::string& id : variant.without)
        if (!has(id))
          fail(fmt::format("variants.{}.without", variant.id),
               say("names \"{}\", which is not there", AsIs(id)), say("mend the name"));
      const Whole own(h_, reader_, variant.id);
      own.ids("features", variant.features);
      own.ids("eyes", variant.eyes);
      own.ids("flats", variant.flats);
      own.ids("hard", variant.hard);
      own.ids("hair", variant.hair);
      own.ids("patches", variant.patches);
      const HeadPattern head = inVariant(h_, variant);
      Whole(head, reader_, variant.id).check();
    }
  }

private:
  [[noreturn]] void fail(const std::string& at, const Said& what, const Said& remedy) const {
    reader_.fail(variant_.empty() ? at : fmt::format("variants.{}.{}", variant_, at), what, remedy);
  }

  void profile() const {
    const auto& stations = h_.body.stations;
    for (size_t i = 0; i < stations.size(); ++i) {
      const HeadStation& s = stations[i];
      const std::string at = fmt::format("body.stations[{}]", i);
      if (i > 0 && s.x <= stations[i - 1].x)
        fail(at + ".x", say("does not lie before the station behind it"),
             say("let every station lie further forward than the one before"));
      if (!(s.bottom < s.mid && s.mid < s.top))
        fail(at, say("is upside down: bottom, mid and top have to rise"), say("mend the heights"));
    }
  }

  void colours() const {
    for (const auto& [name, value] : h_.palette) {
      const bool good = value.size() == 7 && value[0] == '#' &&
                        std::all_of(value.begin() + 1, value.end(),
                                    [](char c) { return std::isxdigit(static_cast<unsigned char>(c)) != 0; });
      if (!good)
        fail("palette." + name, say("is \"{}\", which is no colour", AsIs(value)),
             say("write it as {}", AsIs("\"#C4672C\"")));
    }
    known("base", h_.base, false);
    known("coat", h_.coat);
  }

  void known(const std::string& at, const std::string& colour, bool mayBeEmpty = true) const {
    if (colour.empty() ? mayBeEmpty : h_.palette.contains(colour)) return;
    fail(at, say("is \"{}\", which is not in the palette", AsIs(colour)),
         say("add it to palette or mend the name"));
  }

  template <class Part>
  void ids(const char* list, const std::vector<Part>& parts) const {
    std::set<std::string> seen;
    for (const Part& part : parts)
      if (!seen.insert(part.id).second)
        fail(fmt::format("{}.{}", list, part.id), say("is there twice"), say("give each its own id"));
  }

  [[nodiscard]] bool has(const std::string& id) const {
    const auto in = [&](const auto& parts) {
      return std::any_of(parts.begin(), parts.end(), [&](const auto& part) { return part.id == id; });
    };
    return in(h_.features) || in(h_.eyes) || in(h_.flats) || in(h_.hard) || in(h_.hair) || in(h_.patches) ||
           in(h_.mouth);
  }

  void direction(const std::string& at, const Vec3& way) const {
    if (way.norm() < 1e-6) fail(at, say("points nowhere"), say("give a direction, like [1, 0, 0]"));
  }

  void features() const {
    for (const HeadFeature& f : h_.features) {
      const std::string at = "features." + f.id;
      if (f.radii.size() != (f.rod() ? 2U : 3U))
        fail(at + ".radii", say("has {} entries", f.radii.size()),
             f.rod() ? say("give two, one at each end of the rod")
                     : say("give three, or the other end of a rod as {}", AsIs("to")));
      direction(at + ".axis", f.axis);
      direction(at + ".up", f.up);
      known(at + ".colour", f.colour);
      if (f.blend > kBlendMost * f.thinnest())
        fail(at + ".blend", say("is wider than the feature itself is thick twice over"),
             say("give {} at most", Number(kBlendMost * f.thinnest(), Quantity::kShort)));
    }
    // Each against what stands when its turn comes, on a head of a size that no crease is lost at.
    constexpr double length = 1000;
    const HeadField field(h_, length);
    for (size_t i = 0; i < h_.features.size(); ++i) {
      const HeadFeature& f = h_.features[i];
      const FeatureShape& shape = field.features()[i];
      double nearest = 1e9;
      double deepest = -1e9;
      for (const double t : {0.0, 0.25, 0.5, 0.75, 1.0}) {
        const Vec3 p = length * (f.at + t * (f.to.value_or(f.at) - f.at));
        const double d = field.upTo(p, i);
        nearest = std::min(nearest, d);
        deepest = std::max(deepest, d);
      }
      const double reach =
          f.rod() ? length * *std::max_element(f.radii.begin(), f.radii.end()) : shape.reach();
      if (nearest > reach + shape.blend())
        fail("features." + f.id, say("lies beside the head and touches nothing"),
             say("move it on to the head"));
      if (shape.press() && deepest < -(reach + shape.blend()))
        fail("features." + f.id, say("is pressed wholly inside, where no needle comes"),
             say("move it to the surface"));
    }
  }

  void eyes() const {
    const HeadBody body(h_.body);
    for (const HeadEye& e : h_.eyes) {
      const std::string at = "eyes." + e.id;
      known(at + ".iris", e.iris);
      known(at + ".rim", e.rim);
      const HeadStation s = body.at(e.at.x());
      const double room = std::min(2 * s.side, s.top - s.bottom);
      if (e.diameter >= room)
        fail(at + ".diameter", say("is larger than the head is there"),
             say("give less than {}", Number(room, Quantity::kShort)));
      if (body.estimate(e.at) > e.diameter)
        fail(at + ".at", say("lies beside the head"), say("move it on to the head"));
    }
    known("nose.colour", h_.nose.colour);
    for (const HeadNostril& n : h_.nostrils) known("nostrils.colour", n.colour);
    for (const MouthLine& line : h_.mouth) known("mouth." + line.id + ".colour", line.colour);
  }

  void flat(const HeadFlat& f) const {
    const std::string at = "flats." + f.id;
    for (const auto& [key, colour] : {std::pair(".lining", &f.lining), std::pair(".back", &f.back),
                                      std::pair(".rim", &f.rim), std::pair(".tip", &f.tip)})
      known(at + key, *colour);
    for (const FlatMark& mark : f.marks) known(at + ".marks", mark.colour);
    direction(at + ".axis", f.axis);
    direction(at + ".faces", f.faces);
    const Vec3 along = f.base[1] - f.base[0];
    if (along.norm() < 1e-4)
      fail(at + ".base", say("has no length"), say("give its front and its rear end on the head"));
    if (along.normalized().cross(f.axis.normalized()).norm() < 0.1)
      fail(at + ".axis", say("runs along its base"), say("give the way it grows away from the head"));
    if (std::abs(signedArea(f.outline)) < 1e-5)
      fail(at + ".outline", say("encloses nothing"), say("mend its points"));
    if (crosses(f.outline))
      fail(at + ".outline", say("crosses itself"),
           say("let it run from the base's front end round the tip to its rear end"));
  }

  static bool crosses(const std::vector<Vec2>& outline) {
    const auto turn = [](const Vec2& a, const Vec2& b, const Vec2& c) {
      return (b.x() - a.x()) * (c.y() - a.y()) - (b.y() - a.y()) * (c.x() - a.x());
    };
    const size_t count = outline.size();
    for (size_t i = 0; i < count; ++i)
      for (size_t k = i + 2; k < count; ++k) {
        if (i == 0 && k == count - 1) continue; // neighbours round the end
        const Vec2& a = outline[i];
        const Vec2& b = outline[i + 1];
        const Vec2& c = outline[k];
        const Vec2& d = outline[(k + 1) % count];
        if (turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0) return true;
      }
    return false;
  }

  void hard() const {
    for (const HardPart& part : h_.hard) {
      const std::string at = "hard." + part.id;
      known(at + ".colour", part.colour);
      known(at + ".tip", part.tip);
      for (const auto& [key, list] : {std::pair(".across", &part.across), std::pair(".deep", &part.deep)})
        if (list->size() != part.path.size())
          fail(at + key, say("has {} entries for {} places", list->size(), part.path.size()),
               say("give one for each place of its path"));
      for (size_t i = 1; i < part.path.size(); ++i)
        if ((part.path[i] - part.path[i - 1]).norm() < 1e-6)
          fail(at + ".path", say("stands still"), say("let every place lie apart from the one before"));
      const bool branches =
          part.branchOf.empty() || std::any_of(h_.hard.begin(), h_.hard.end(), [&](const HardPart& o) {
            return o.id == part.branchOf && o.id != part.id;
          });
      if (!branches)
        fail(at + ".branch_of", say("names \"{}\", which is not there", AsIs(part.branchOf)),
             say("mend the name"));
    }
  }

  void hair() const {
    for (const HeadHair& s : h_.hair) {
      const std::string at = "hair." + s.id;
      known(at + ".colour", s.colour);
      if (s.kind == HairKind::Disc ? !s.at.has_value() : s.line.size() < 2)
        fail(at, s.kind == HairKind::Disc ? say("has no middle") : say("has no line of roots"),
             s.kind == HairKind::Disc ? say("give {}", AsIs("at"))
                                      : say("give {} with two places or more", AsIs("line")));
      if (s.kind != HairKind::Disc && s.direction.empty())
        fail(at + ".direction", say("is missing"), say("give one, or several along the line"));
      if (!s.toLine.empty() && s.toLine.size() != s.line.size())
        fail(at + ".to_line",
             say("has {} places where {} has {}", s.toLine.size(), AsIs("line"), s.line.size()),
             say("give one for each place of its line"));
    }
  }

  void patches() const {
    for (const HeadPatch& patch : h_.patches) {
      const std::string at = "patches." + patch.id;
      known(at + ".colour", patch.colour, false);
      const bool drawn = patch.view && patch.outline.size() >= 3;
      const bool oval = patch.at && patch.radii.size() == 3;
      if (drawn == oval)
        fail(at, say("is neither an outline in a view nor an oval"),
             say("give {} with three points or more, or {} with three radii", AsIs("view, outline"),
                 AsIs("at, radii")));
      direction(at + ".axis", patch.axis);
    }
  }

  void feet(const std::string& at, const FootPattern& foot) const {
    known(at + ".colour", foot.colour, false);
    for (const auto& [key, colour] :
         {std::pair(".pad_colour", &foot.padColour), std::pair(".claw_colour", &foot.clawColour),
          std::pair(".web_colour", &foot.webColour)})
      known(at + key, *colour);
    for (const FootPad& pad : foot.pads) {
      known(at + ".pads." + pad.id + ".colour", pad.colour);
      if (pad.shape == FootPadShape::Outline && pad.outline.size() < 3)
        fail(at + ".pads." + pad.id + ".outline", say("has fewer than three points"), say("add points"));
    }
  }

  const HeadPattern& h_;
  const FieldReader& reader_;
  std::string variant_;
};

} // namespace

Result<HeadPattern> readHead(std::string_view json, const std::string& file) {
  auto root = parseJson(json, file);
  if (!root) return root.problem();
  const FieldReader reader(file, say("add it"));
  try {
    if (!root->is_object())
      reader.fail("the file", say("is not a head"), say("start it with {{ and the fields of docs/head.md"));
    const std::string schema = textOr(*root, "schema");
    if (!schema.starts_with("columna-head/"))
      reader.fail("schema", say("is not that of a head"), say("write {}", AsIs("\"columna-head/1\"")));
    if (schema != kHeadSchema)
      reader.fail("schema", say("is {}, newer than this program reads", AsIs(schema)),
                  say("use a newer Columna"));
    HeadPattern head;
    reader.read(*root, "", head);
    Whole(head, reader).check();
    return head;
  } catch (const FieldReader::Bad& bad) {
    return bad.problem;
  }
}

Result<HeadPattern> readHeadFile(const std::filesystem::path& file) {
  auto text = readFile(file, kLargestHead);
  if (!text) return text.problem();
  return readHead(*text, file.filename().string());
}

nlohmann::json headSchema() {
  nlohmann::json out = schema::group<HeadPattern>();
  out["$schema"] = "https://json-schema.org/draft/2020-12/schema";
  out["title"] = "a head, version 1";
  out["description"] = "Made by `columna-cli schema` from the fields themselves.";
  out["properties"]["schema"] = {{"type", "string"}, {"const", kHeadSchema}};
  out["required"].push_back("schema");
  return out;
}

} // namespace columna
