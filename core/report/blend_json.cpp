#include "report/blend_json.h"

#include <array>

namespace columna {
namespace {

std::string_view wordOf(Nearness nearness) {
  constexpr std::array<std::string_view, 5> words{"same", "side-by-side", "near", "shade", "other"};
  return words[static_cast<size_t>(nearness)];
}

} // namespace

nlohmann::json blendJson(const Srgb& to, const OwnBlends& blends, std::span<const StoreRow> list) {
  nlohmann::json recipes = nlohmann::json::array();
  for (const BlendOffer& offer : blends.offers) {
    nlohmann::json parts = nlohmann::json::array();
    for (const BlendHeap& heap : offer.heaps) {
      nlohmann::json part{{"name", list[heap.row].name}, {"share", heap.share}};
      if (!list[heap.row].code.empty()) part["code"] = list[heap.row].code;
      if (heap.grams > 0) part["g"] = heap.grams;
      parts.push_back(std::move(part));
    }
    nlohmann::json one{
        {"de00", offer.de},
        {"doubt", offer.doubt},
        {"nearness", wordOf(offer.nearness)},
        {"srgb", hexOf(offer.srgb)},
        {"off", {{"lighter", offer.off.x()}, {"fuller", offer.off.y()}, {"hue", offer.off.z()}}},
        {"parts", std::move(parts)}};
    if (offer.heaps.size() > 1)
      one["pulls"] = {{"even", offer.pulls.even}, {"least", offer.pulls.least}, {"most", offer.pulls.most}};
    recipes.push_back(std::move(one));
  }
  nlohmann::json out{{"schema", "columna-blend/1"},
                     {"to", hexOf(to)},
                     {"m", blends.rule.m},
                     {"m_range", {blends.rule.low, blends.rule.high}},
                     {"recipes", std::move(recipes)}};
  if (blends.mixing) out["own_left_de00"] = blends.mixing->left;
  return out;
}

} // namespace columna
