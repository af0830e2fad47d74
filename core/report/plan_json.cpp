#include "report/plan_json.h"

#include "measure/gauge.h"
#include "report/json_number.h"
#include "report/wool_plan_json.h"

#include <nlohmann/json.hpp>

#include <cmath>

namespace columna {
namespace {

using Json = nlohmann::json;

double inDegrees(double radians) { return radians * 180 / 3.141592653589793; }

Json wireJson(const WireSection& section) {
  const auto swg = nearestSwg(section.diameter);
  return {{"material", section.material.id},
          {"diameter_mm", section.diameter},
          {"awg", nearestAwg(section.diameter)},
          {"swg", swg ? Json(*swg) : Json(nullptr)}};
}

Json bonesJson(const Plan& plan) {
  const Figure& f = plan.figure;
  Json bones = Json::array();
  for (const FigureBone& b : f.bones)
    bones.push_back(
        {{"id", b.id}, {"limb", f.limbs[static_cast<size_t>(b.limb)].id}, {"length_mm", b.length}});
  return bones;
}

Json limbsJson(const Plan& plan) {
  const Figure& f = plan.figure;
  Json limbs = Json::array();
  for (size_t l = 0; l < f.limbs.size(); ++l) {
    const FigureLimb& limb = f.limbs[l];
    const LimbPlan& p = plan.limbs[l];
    const LimbWool& w = plan.wool->limbs[l];
    Json out{{"id", limb.id},
             {"twin", limb.twin < 0 ? Json(nullptr) : Json(f.limbs[static_cast<size_t>(limb.twin)].id)},
             {"length_mm", limb.length},
             {"strands", p.wired ? p.section.strands() : 0},
             {"wire", p.wired ? wireJson(p.section) : Json(nullptr)},
             {"moment_Nmm", p.hold.moment},
             {"hold_factor", p.wired ? orNone(p.hold.hold) : Json(nullptr)},
             {"weight_share", plan.loads.shares[l]},
             {"nudge_factor", p.wired ? orNone(p.hold.nudge) : Json(nullptr)},
             {"effort_N", p.hold.effort},
             {"verdict", word(p.verdict)},
             {"core_g", w.core},
             {"coat_g", w.coat},
             {"firmness", word(w.firmness)},
             {"girth_max_mm", w.girthMax}};
    if (p.wired) out["need_mm"] = {{"value", p.need.diameter}, {"low", p.need.low}, {"high", p.need.high}};
    Json girths = Json::array();
    for (const Girth& g : w.girths)
      girths.push_back({{"along_mm", g.along},
                        {"finished_mm", g.finished},
                        {"felted_mm", g.felted},
                        {"wound_mm", g.wound}});
    out["girths"] = std::move(girths);
    limbs.push_back(std::move(out));
  }
  return limbs;
}

Json piecesJson(const Plan& plan) {
  Json pieces = Json::array();
  for (const Piece& p : plan.pieces) {
    Json features = Json::array();
    for (const Feature& each : p.features)
      features.push_back(
          {{"kind", each.kind}, {"at_mm", each.at}, {"takes_mm", each.takes}, {"note", render(each.note)}});
    Json route = Json::array();
    for (const int point : p.route) route.push_back(plan.skeleton->points[static_cast<size_t>(point)].id);
    Json bends = Json::array();
    for (const Bend& b : p.bends)
      bends.push_back(
          {{"at_mm", b.at},
           {"angle_deg", inDegrees(b.angle)},
           {"roll_deg", inDegrees(b.roll)},
           {"tool_angle_deg", inDegrees(b.tool)},
           {"inside_radius_mm", b.radius},
           {"fold", b.fold},
           {"point",
            b.point < 0 ? Json(nullptr) : Json(plan.skeleton->points[static_cast<size_t>(b.point)].id)}});
    Json twists = Json::array();
    for (const TwistZone& z : p.twists)
      twists.push_back({{"from_mm", z.from}, {"to_mm", z.to}, {"wires", z.wires}, {"turns", z.turns}});
    pieces.push_back({{"id", p.tag},
                      {"name", p.name},
                      {"material", p.material},
                      {"diameter_mm", p.diameter},
                      {"cut_mm", p.cut},
                      {"bones_mm", p.bones},
                      {"route", std::move(route)},
                      {"features", std::move(features)},
                      {"bends", std::move(bends)},
                      {"twists", std::move(twists)}});
  }
  return pieces;
}

Json stockJson(const Plan& plan) {
  Json stock = Json::array();
  for (const WireStock& wire : plan.stock)
    for (const CutBar& bar : wire.cuts.bars) {
      Json cuts = Json::array();
      for (const Cut& cut : bar.cuts) {
        const WirePart& part = wire.parts[static_cast<size_t>(cut.piece)];
        Json each{{"at_mm", cut.at}, {"length_mm", part.length}};
        if (part.piece >= 0)
          each["piece"] = plan.pieces[static_cast<size_t>(part.piece)].tag;
        else
          each["flat"] = plan.flatWires[static_cast<size_t>(part.flat)].flat;
        cuts.push_back(std::move(each));
      }
      stock.push_back({{"id", bar.id},
                       {"material", wire.material},
                       {"diameter_mm", wire.diameter},
                       {"length_mm", bar.length},
                       {"coil", bar.coil},
                       {"drawer", bar.drawer},
                       {"left_mm", bar.left},
                       {"cuts", std::move(cuts)}});
    }
  return stock;
}

Json joinsJson(const Plan& plan) {
  const Figure& f = plan.figure;
  Json joins = Json::array();
  for (const Join& j : plan.joins) {
    Json who = Json::array();
    for (const int l : j.limbs)
      if (l >= 0) who.push_back(f.limbs[static_cast<size_t>(l)].id);
    joins.push_back({{"kind", j.kind},
                     {"point", j.point < 0 ? Json(nullptr)
                                           : Json(plan.skeleton->points[static_cast<size_t>(j.point)].id)},
                     {"limbs", std::move(who)},
                     {"length_mm", j.length},
                     {"thickness_mm", j.thickness},
                     {"text", render(j.text)}});
  }
  return joins;
}

Json findingsJson(const Plan& plan) {
  Json findings = Json::array();
  for (const Finding& each : plan.findings)
    findings.push_back({{"id", each.id()},
                        {"level", word(each.level)},
                        {"about", id(each.topic)},
                        {"where", each.where},
                        {"text", render(each.text)}});
  return findings;
}

} // namespace

Json toJson(const Plan& plan) {
  const Figure& f = plan.figure;
  return {{"schema", "columna-plan/1"},
          {"figure",
           {{"pattern", f.patternId},
            {"height_mm", f.overallHeight},
            {"shoulder_height_mm", f.shoulderHeight},
            {"body_length_mm", f.bodyLength},
            {"total_length_mm", f.totalLength},
            {"coat_mm", plan.wool->coatThickness},
            {"bones", bonesJson(plan)}}},
          {"limbs", limbsJson(plan)},
          {"construction", id(plan.construction)},
          {"pieces", piecesJson(plan)},
          {"stock", stockJson(plan)},
          {"joins", joinsJson(plan)},
          {"wires_bought", plan.wiresBought},
          {"standing",
           {{"stands", plan.standing.stands},
            {"margin_mm", plan.standing.margin},
            {"tip_deg", plan.standing.tip * 180 / 3.141592653589793},
            {"towards", plan.standing.towards}}},
          {"totals",
           {{"wire_mm", plan.totals.wireLength},
            {"wire_g", plan.totals.wireMass},
            {"core_g", plan.totals.core},
            {"coat_g", plan.totals.coat},
            {"ready_g", plan.totals.ready},
            {"hard_g", plan.wool->hard},
            {"wire_cut_off_g", plan.totals.waste},
            {"mass_g", plan.totals.mass}}},
          {"wool", woolJson(plan)},
          {"findings", findingsJson(plan)}};
}

} // namespace columna
