#include "make/work_time.h"

#include "measure/quantity.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <cmath>

namespace columna {

Result<Pace> readPace(std::string_view json, const std::string& file) {
  const auto root = nlohmann::json::parse(json, nullptr, false);
  if (!root.is_object() || root.value("schema", "") != "columna-pace/1")
    return Problem{"it is not a pace file", file, "write schema \"columna-pace/1\""};
  Pace pace;
  pace.source = root.value("source", "");
  struct Field {
    const char* key;
    double* to;
    const char* in = nullptr;
  };
  for (const Field& f :
       {Field{"wire_minutes_per_piece", &pace.wirePiece}, Field{"wire_minutes_per_bend", &pace.wireBend},
        Field{"soft", &pace.coreSoft, "core_minutes_per_cm3"},
        Field{"medium", &pace.coreMedium, "core_minutes_per_cm3"},
        Field{"firm", &pace.coreFirm, "core_minutes_per_cm3"}, Field{"core_minutes_per_limb", &pace.coreLimb},
        Field{"coat_minutes_per_cm2", &pace.coatArea}, Field{"digit_minutes", &pace.digit},
        Field{"head_minutes", &pace.head}, Field{"low_share", &pace.low}, Field{"high_share", &pace.high}}) {
    const nlohmann::json* group = &root;
    if (f.in) group = root.contains(f.in) ? &root[f.in] : nullptr;
    if (!group || !group->is_object() || !group->contains(f.key) || !(*group)[f.key].is_number() ||
        !((*group)[f.key].get<double>() >= 0))
      return Problem{fmt::format("{} is missing or below zero", f.key), file, "give it in minutes"};
    *f.to = (*group)[f.key].get<double>();
  }
  return pace;
}

WorkTime workTime(const Figure& figure, const WoolPlan& wool, const std::vector<Piece>& pieces,
                  const Pace& pace) {
  WorkTime out;
  for (const Piece& piece : pieces) {
    out.wire += pace.wirePiece;
    for (const Feature& f : piece.features)
      if (f.kind == "bend") out.wire += pace.wireBend;
  }
  for (size_t l = 0; l < figure.limbs.size(); ++l) {
    const LimbWool& w = wool.limbs[l];
    const double perCm3 = w.firmness == Firmness::Soft     ? pace.coreSoft
                          : w.firmness == Firmness::Medium ? pace.coreMedium
                                                           : pace.coreFirm;
    // What is coat wool right through is wound and felted like a core, and has no layer laid on.
    // The end left loose is felted in joining, whose minutes are counted by the limb.
    const double felted = std::max(0.0, w.coreVolume + (w.allCoat ? w.coatVolume : 0) - w.looseVolume);
    const double core = felted / 1000 * perCm3 + (w.coreVolume > 0 || w.allCoat ? pace.coreLimb : 0);
    const double coat = wool.coatThickness > 0 && !w.allCoat ? w.area / 100 * pace.coatArea : 0;
    double details = figure.limbs[l].digits * pace.digit;
    if (figure.limbs[l].kind == LimbKind::Head) details += pace.head;
    out.core += core;
    out.coat += coat;
    out.details += details;
    out.limbs.push_back(core + coat + details);
  }
  out.total = out.wire + out.core + out.coat + out.details;
  out.low = out.total * pace.low;
  out.high = out.total * pace.high;
  return out;
}

Working timeWorking(const WorkTime& time, const Pace& pace) {
  const auto hours = [](double minutes) { return printNumber(minutes / 60, minutes < 600 ? 1 : 0) + " h"; };
  Working w;
  w.title = "why " + hours(time.total);
  w.lines.push_back({"wire: pieces and bends", {}, hours(time.wire)});
  w.lines.push_back({"core, by volume and firmness", {}, hours(time.core)});
  w.lines.push_back({"coat, by surface", {}, hours(time.coat)});
  w.lines.push_back({"face, toes and fingers", {}, hours(time.details)});
  w.lines.push_back({"all together", {}, hours(time.total)});
  w.source = fmt::format("Likely {} to {}: {}.", hours(time.low), hours(time.high), pace.source);
  return w;
}

} // namespace columna
