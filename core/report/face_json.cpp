#include "report/face_json.h"

#include "head/head_fields.h"
#include "words/render.h"

#include <nlohmann/json.hpp>

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

} // namespace

Json faceJson(const HeadPattern& head, const FaceReport& report, const std::vector<Finding>& findings) {
  const auto degrees = [](double radians) { return unit::kDegree.given(radians); };
  Json out{{"id", head.id},
           {"length_mm", report.length},
           {"volume_mm3", report.volumes.total()},
           {"body_g", report.bodyGrams},
           {"features", Json::array()},
           {"eyes", Json::array()},
           {"pins", Json::array()},
           {"flats", Json::array()},
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
  for (const Finding& f : findings)
    out["findings"].push_back({{"id", f.id()},
                               {"level", std::string(word(f.level))},
                               {"where", f.where},
                               {"text", render(f.text)}});
  return out;
}

} // namespace columna
