#include "face/drying.h"

#include "head/field_kinds.h"
#include "measure/table_file.h"

#include <algorithm>
#include <set>

namespace columna {
namespace {

constexpr const char* kDryingSchema = "columna-drying/1";
constexpr double kLongest = 24 * 90; ///< hours

} // namespace

template <>
struct Table<Drying> {
  static constexpr std::tuple fields{field("id", &Drying::id).must(),
                                     field("name", &Drying::name).must(),
                                     field("glue", &Drying::glue),
                                     field("handle_h", &Drying::handle).must().within(0, kLongest),
                                     field("load_h", &Drying::load).must().within(0, kLongest),
                                     field("caution", &Drying::caution),
                                     field("source", &Drying::source).must()};
};
template <>
struct Table<DryingTimes> {
  static constexpr std::tuple fields{field("all", &DryingTimes::all).must().upTo(100, 1).knownBy("id")};
};

const Drying* DryingTimes::find(std::string_view id) const {
  const auto found = std::find_if(all.begin(), all.end(), [&](const Drying& each) { return each.id == id; });
  return found == all.end() ? nullptr : &*found;
}

Result<DryingTimes> readDrying(std::string_view json, const std::string& file) {
  return readTableFile<DryingTimes>(
      json, file, kDryingSchema, [](const DryingTimes& out, const FieldReader& reader) {
        std::set<std::string> seen;
        for (const Drying& each : out.all) {
          const std::string at = "all." + each.id;
          if (!seen.insert(each.id).second)
            reader.fail(at, say("is there twice"), say("give each its own id"));
          if (each.source.empty())
            reader.fail(at + ".source", say("is empty"), say("write where the hours come from"));
          if (each.handle.x() > each.handle.y() || each.load.x() > each.load.y())
            reader.fail(at, say("has hours that fall"), say("give the shorter time first"));
        }
        if (std::none_of(out.all.begin(), out.all.end(), [](const Drying& each) { return each.glue; }))
          reader.fail("all", say("has no glue"), say("mark one with {}", AsIs("\"glue\": true")));
      });
}

Said hoursWords(const Vec2& hours) {
  const bool minutes = hours.y() < 0.5;
  const Vec2 shown = minutes ? Vec2(60 * hours) : hours;
  const Number from(shown.x(), minutes ? 0 : Quantity::kShort);
  const Number to(shown.y(), minutes ? 0 : Quantity::kShort);
  if (shown.y() - shown.x() < (minutes ? 1 : 0.05)) return minutes ? say("{} min", to) : say("{} h", to);
  return minutes ? say("{} to {} min", from, to) : say("{} to {} h", from, to);
}

Said dryingWords(const Drying& drying) {
  return say("touch it after {}, load it after {}", hoursWords(drying.handle), hoursWords(drying.load));
}

} // namespace columna
