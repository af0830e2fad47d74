#include "report/face_json.h"

#include "head/head_fields.h"
#include "words/render.h"

#include <nlohmann/json.hpp>

#include <algorithm>

namespace columna {
namespace {

using Json = nlohmann::json;

template <class Choice>
std::string wordOf(Choice choice) {
  return std::string(Choices<Choice>::word(choice));
}

const char* wordOf(Stands stands) {
  return stands == Stands::Well ? "well" : stands == Stands::Doubtful ? "doubtful" : "droops";
}

Json range(const Vec2& hours) { return {hours.x(), hours.y()}; }

/// The steps, and of what dries what they name.
void putSteps(Json& out, const std::vector<FaceStep>& steps, const DryingTimes& drying) {
  std::vector<std::string> named;
  for (const FaceStep& step : steps) {
    out["steps"].push_back({{"work", std::string(workName(step.work))},
                            {"parts", step.parts},
                            {"pieces", step.pieces},
                            {"g", step.grams},
                            {"share", step.share},
                            {"needs", step.needs},
                            {"dries", step.drying}});
    for (const std::string& id : step.drying)
      if (std::find(named.begin(), named.end(), id) == named.end()) named.push_back(id);
  }
  for (const std::string& id : named)
    if (const Drying* found = drying.find(id))
      out["waits"].push_back({{"id", id},
                              {"name", found->name},
                              {"handle_h", range(found->handle)},
                              {"load_h", range(found->load)},
                              {"caution", found->caution},
                              {"source", found->source}});
}

} // namespace

Json faceJson(const FaceSums& sums, const DryingTimes& drying) {
  const HeadPattern& head = sums.head;
  const FaceReport& report = sums.report;
  const auto degrees = [](double radians) { return unit::kDegree.given(radians); };
  Json out{{"id", head.id},
           {"variant", sums.variant},
           {"length_mm", report.length},
           {"volume_mm3", report.volumes.total()},
           {"body_g", report.bodyGrams},
           {"features", Json::array()},
           {"eyes", Json::array()},
           {"pins", Json::array()},
           {"flats", Json::array()},
           {"steps", Json::array()},
           {"waits", Json::array()},
           {"body_pads", Json::array()},
           {"findings", Json::array()}};
  for (const FacePad& pad : report.pads)
    out["features"].push_back({{"id", pad.feature->id},
                               {"kind", wordOf(pad.feature->kind)},
                               {"mode", wordOf(pad.feature->mode)},
                               {"twin", pad.feature->twin},
                               {"mm3", pad.volume},
                               {"g", pad.grams},
                               {"length_mm", pad.length},
                               {"width_mm", pad.width},
                               {"too_small", pad.tooSmall}});
  for (const FaceEye& eye : report.eyes)
    out["eyes"].push_back({{"id", eye.eye->id},
                           {"kind", wordOf(eye.eye->kind)},
                           {"true_mm", eye.choice.wanted},
                           {"take_mm", eye.choice.take},
                           {"off", eye.choice.off},
                           {"socket_mm", eye.socket.deep},
                           {"opening_mm", eye.socket.opening},
                           {"apart_mm", eye.apart},
                           {"between_mm", eye.between},
                           {"stem_mm", eye.stem.length},
                           {"stem_deg", degrees(eye.stem.azimuth)},
                           {"clear_mm", eye.stem.clear},
                           {"cut_for_wire", eye.cutForWire},
                           {"wool_under_mm", eye.under},
                           {"hidden", eye.hidden},
                           {"g", eye.grams}});
  for (const FacePin& pin : report.pins)
    out["pins"].push_back({{"id", pin.id},
                           {"at_mm", {pin.at.x(), pin.at.y(), pin.at.z()}},
                           {"tape_mm", pin.tape ? Json(*pin.tape) : Json(nullptr)},
                           {"straight_mm", pin.straight},
                           {"from_mid_mm", pin.aside}});
  for (const FaceFlat& flat : report.flats)
    out["flats"].push_back({{"id", flat.flat->id},
                            {"kind", wordOf(flat.flat->kind)},
                            {"twin", flat.flat->twin},
                            {"length_mm", flat.length},
                            {"width_mm", flat.width},
                            {"thickness_mm", flat.thickness},
                            {"g", flat.grams},
                            {"buckles_at_mm", flat.standing.critical},
                            {"sag_mm", flat.standing.sag},
                            {"stands", flat.flat->stands == FlatStands::Felt ? wordOf(flat.standing.verdict)
                                                                             : wordOf(flat.flat->stands)}});
  for (const FlatWire& wire : sums.wires)
    for (Json& flat : out["flats"])
      if (flat["id"] == wire.flat)
        flat["wire"] = {{"need_mm", wire.need},
                        {"range_mm", {wire.low, wire.high}},
                        {"take_mm", wire.take ? Json(*wire.take) : Json(nullptr)},
                        {"cut_mm", wire.cut},
                        {"count", wire.count}};
  putSteps(out, sums.steps, drying);
  for (const OfferedPad& pad : sums.offered)
    if (pad.on && !pad.head)
      out["body_pads"].push_back({{"id", pad.id},
                                  {"hollow", pad.hollow},
                                  {"count", pad.count},
                                  {"length_mm", pad.length},
                                  {"width_mm", pad.width},
                                  {"height_mm", pad.height},
                                  {"g", pad.grams},
                                  {"too_small", pad.tooSmall}});
  for (const Finding& f : sums.findings)
    out["findings"].push_back({{"id", f.id()},
                               {"level", std::string(word(f.level))},
                               {"where", f.where},
                               {"text", render(f.text)}});
  return out;
}

} // namespace columna
