#include "report/photo_json.h"

#include "photo/photo_words.h"
#include "report/json_number.h"

#include <nlohmann/json.hpp>

namespace columna {

nlohmann::json toJson(const PhotoCheck& check, const Figure& figure) {
  const auto limb = [&](int l) { return figure.limbs[static_cast<size_t>(l)].id; };
  const PhotoCamera& c = check.fit.camera;
  nlohmann::json out{{"view", id(check.view)},
                     {"mat", check.mat.has_value()},
                     {"rough", check.rough},
                     {"rms_mm", orNone(check.fit.rms)},
                     {"edge_mm", orNone(check.soft)},
                     {"least_mm", {orNone(check.least().first), orNone(check.least().second)}},
                     {"camera",
                      {{"yaw_deg", orNone(c.yaw / kDegree)},
                       {"pitch_deg", orNone(c.pitch / kDegree)},
                       {"roll_deg", orNone(c.roll / kDegree)},
                       {"distance_mm", orNone(c.distance)},
                       {"px_per_mm", orNone(c.scale)},
                       {"turn_error_deg", orNone(check.turnError / kDegree)}}}};
  if (check.turned)
    out["turned_on_mat"] = {{"deg", orNone(check.turned->turn / kDegree)},
                            {"error_deg", orNone(check.turned->sd / kDegree)}};
  out["pairs"] = nlohmann::json::array();
  for (const PhotoPair& p : check.pairs)
    out["pairs"].push_back({{"left", limb(p.left)},
                            {"right", limb(p.right)},
                            {"left_less_right_mm", orNone(p.more)},
                            {"error_mm", orNone(p.error)},
                            {"told", p.told()}});
  out["turns"] = nlohmann::json::array();
  for (const PhotoTurn& t : check.turns)
    out["turns"].push_back({{"limb", limb(t.limb)},
                            {"turn_deg", orNone(t.turn / kDegree)},
                            {"error_deg", orNone(t.error / kDegree)},
                            {"told", t.told()}});
  out["places"] = nlohmann::json::array();
  for (const PhotoPlace& p : check.places)
    out["places"].push_back({{"limb", limb(p.limb)},
                             {"side", sideOf(check.view, p.out).text},
                             {"fuller_mm", orNone(p.off)},
                             {"error_mm", orNone(p.error)},
                             {"at_px", {orNone(p.at.x()), orNone(p.at.y())}},
                             {"told", p.told()}});
  out["hidden"] = nlohmann::json::array();
  for (const int l : check.hidden) out["hidden"].push_back(limb(l));
  out["findings"] = nlohmann::json::array();
  for (const PhotoFinding& f : photoFindings(check, figure)) out["findings"].push_back(render(f.text));
  return out;
}

} // namespace columna
