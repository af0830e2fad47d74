#include "report/wool_plan_json.h"

#include <nlohmann/json.hpp>

#include <fmt/format.h>

namespace columna {

using Json = nlohmann::json;

namespace {

const char* word(HeadRow::Kind kind) {
  return kind == HeadRow::Kind::Tufts ? "tufts" : kind == HeadRow::Kind::Feathers ? "feathers" : "singles";
}

} // namespace

Json woolJson(const Plan& plan) {
  Json limbs = Json::array();
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
    const FigureLimb& limb = plan.figure->limbs[l];
    const LimbWool& w = plan.wool->limbs[l];
    Json pads = Json::array();
    for (const Pad& pad : w.pads)
      pads.push_back({{"place", pad.place},
                      {"count", pad.count},
                      {"g", pad.grams},
                      {"length_mm", pad.length},
                      {"width_mm", pad.width},
                      {"thickness_mm", pad.thickness}});
    Json strips = Json::array();
    for (int s = 0; s < w.winding.strips; ++s)
      strips.push_back({{"g", w.winding.grams / w.winding.strips},
                        {"length_mm", w.winding.length},
                        {"width_mm", w.winding.width},
                        {"g_per_m", w.winding.linear * 1000}});
    Json girths = Json::array();
    for (const Girth& g : w.girths)
      girths.push_back({{"t", limb.length > 0 ? g.along / limb.length : 0},
                        {"wire_mm", g.wire},
                        {"wound_mm", g.wound},
                        {"felted_mm", g.felted},
                        {"finished_mm", g.finished}});
    limbs.push_back({{"id", limb.id},
                     {"wound_g", w.wound},
                     {"pads", std::move(pads)},
                     {"skin_g", w.skin},
                     {"loose_end_mm", w.looseEnd},
                     {"loose_end_g", w.loose},
                     {"coat_g", w.coat},
                     {"flat_g", w.flats},
                     {"fur_g", w.fur},
                     {"hair_g", w.hair},
                     {"ready_g", w.ready},
                     {"saved_g", w.saved},
                     {"all_coat", w.allCoat},
                     {"density_g_cm3", w.density * 1000},
                     {"strips", std::move(strips)},
                     {"girths", std::move(girths)},
                     {"minutes", plan.time.limbs[l]}});
  }
  Json markings = Json::array();
  for (const MarkedArea& m : plan.wool->markings) markings.push_back({{"area_mm2", m.area}, {"g", m.grams}});
  Json hair = Json::array();
  for (const HairRow& row : plan.wool->hair)
    hair.push_back({{"id", row.id},
                    {"kind", word(row.kind)},
                    {"twin", row.twin},
                    {"count", row.count},
                    {"root_mm", row.root},
                    {"apart_mm", row.apart},
                    {"shown_mm", row.shown},
                    {"cut_mm", row.cut},
                    {"g", row.grams}});
  return {{"volume_mm3", plan.wool->volume},
          {"core_g", plan.wool->core},
          {"coat_g", plan.wool->coat},
          {"coat_laid_mm", plan.wool->coatLaid},
          {"ready_g", plan.wool->ready},
          {"saved_g", plan.wool->saved},
          {"hours", plan.time.total / 60},
          {"hours_low", plan.time.low / 60},
          {"hours_high", plan.time.high / 60},
          {"finish", id(plan.time.finish)},
          {"limbs", std::move(limbs)},
          {"markings", std::move(markings)},
          {"hair", std::move(hair)}};
}

std::string girthsCsv(const Plan& plan) {
  std::string out =
      "limb,from_root_mm,wire_mm,wound_mm,felted_mm,finished_mm,felted_across_mm,felted_deep_mm,"
      "finished_across_mm,finished_deep_mm\r\n";
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l)
    for (const Girth& g : plan.wool->limbs[l].girths)
      out += fmt::format("{},{:.1f},{:.1f},{:.1f},{:.1f},{:.1f},{:.1f},{:.1f},{:.1f},{:.1f}\r\n",
                         plan.figure->limbs[l].id, g.along, g.wire, g.wound, g.felted, g.finished,
                         g.coreAcross, g.coreDeep, g.across, g.deep);
  return out;
}

} // namespace columna
