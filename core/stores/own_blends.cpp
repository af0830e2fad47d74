#include "stores/own_blends.h"

#include "measure/disk.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr size_t kMostWools = 400;
constexpr double kMostGrams = 100'000;
constexpr double kMissed = 2; ///< dE00 of lightness or chroma: enough to be named

/// The strongest contrast of any two that lie in it: those streaks go last.
double contrastIn(const std::vector<BlendHeap>& heaps, std::span<const StoreRow> list) {
  double out = 0;
  for (size_t i = 0; i < heaps.size(); ++i)
    for (size_t k = i + 1; k < heaps.size(); ++k)
      out = std::max(
          out, contrastOf(brightness(*list[heaps[i].row].colour), brightness(*list[heaps[k].row].colour)));
  return out;
}

} // namespace

Result<ColourRules> colourRules(const std::filesystem::path& data) {
  const auto text = readFile(data / "work" / "colour.json", 1U << 20U);
  if (!text) return text.problem();
  return readColourRules(*text, "colour.json");
}

Result<OwnBlends> ownBlends(std::span<const StoreRow> list, const OwnBlendWish& wish,
                            const ColourRules& rules, const std::atomic<bool>* stop) {
  if (wish.grams && !(*wish.grams >= wish.unit && *wish.grams <= kMostGrams))
    return Problem{say("a blend of {} cannot be weighed", Mass(*wish.grams)),
                   {},
                   say("ask for {} to {}", Mass(wish.unit), Mass(kMostGrams))};
  OwnBlends out;
  out.rule = usualBlendRule(rules);
  if (wish.tried) {
    auto mixing = ownMixing(*wish.tried, rules);
    if (!mixing) return mixing.problem();
    out.mixing = *mixing;
    out.rule = ownBlendRule(mixing->m, rules);
  }
  std::vector<size_t> rows;
  std::vector<BlendWool> wools;
  double there = 0; // g
  for (size_t r = 0; r < list.size(); ++r) {
    if (familyOf(list[r].kind) != StoreFamily::Wool || !list[r].colour || list[r].amount <= 0) continue;
    const double grams = static_cast<double>(list[r].amount) / unitsIn(StoreUnit::Milligram);
    there += grams;
    rows.push_back(r);
    wools.push_back(blendWool(*list[r].colour, wish.grams ? std::min(1.0, grams / *wish.grams) : 1));
  }
  if (rows.empty())
    return Problem{say("no wool with a colour is in the list"), {}, say("write its colour as #5C4432")};
  if (rows.size() > kMostWools)
    return Problem{say("more than {} wools are in the list", static_cast<long>(kMostWools)),
                   {},
                   say("ask of a part of them")};
  if (wish.grams && there < *wish.grams)
    return Problem{
        say("all these wools together weigh {}, and {} are wanted", Mass(there), Mass(*wish.grams)),
        {},
        say("ask for less, or put in more")};
  const int units = wish.grams ? std::max(1, static_cast<int>(std::lround(*wish.grams / wish.unit))) : 0;
  for (const Recipe& recipe : recipesFor(wools, wish.blend, out.rule, rules, stop)) {
    BlendOffer offer;
    auto weighed = recipe.parts;
    if (units > 0) {
      const std::vector<int> whole = wholeUnits(recipe, wools, wish.blend.to, units, out.rule.m);
      for (size_t i = 0; i < weighed.size() && !whole.empty(); ++i) weighed[i].second = whole[i];
    }
    std::vector<Spectrum> sent;
    std::vector<double> amounts;
    for (size_t i = 0; i < weighed.size(); ++i) {
      const auto& [wool, amount] = weighed[i];
      if (!(amount > 0)) continue; // too little to be weighed at all
      sent.push_back(wools[static_cast<size_t>(wool)].sent);
      amounts.push_back(amount);
      offer.heaps.push_back({rows[static_cast<size_t>(wool)], recipe.parts[i].second,
                             units > 0 ? amount * *wish.grams / units : 0});
    }
    const Spectrum mixed = blend(sent, amounts, out.rule.m);
    const Lab wanted = labOf(reflectance(wish.blend.to));
    offer.off = difference(labOf(mixed), wanted);
    offer.de = offer.off.norm();
    offer.srgb = srgbOf(mixed);
    offer.nearness = nearnessOf(offer.de, rules);
    offer.doubt = doubtOf(recipe.risk, ColourFrom::Guess, rules);
    std::ranges::stable_sort(offer.heaps, std::greater(), &BlendHeap::share);
    if (offer.heaps.size() > 1)
      offer.pulls = pullsFor(rules.stackHigh, static_cast<int>(offer.heaps.size()),
                             contrastIn(offer.heaps, list), rules);
    out.offers.push_back(std::move(offer));
  }
  return out;
}

Said missedBy(const BlendOffer& offer, const ColourRules& rules) {
  if (offer.de < rules.saysNear) return {};
  const double lighter = offer.off.x();
  const double fuller = offer.off.y();
  if (std::abs(fuller) >= std::abs(lighter) && std::abs(fuller) >= kMissed)
    return fuller < 0 ? say("duller than is wanted") : say("more colourful than is wanted");
  if (std::abs(lighter) >= kMissed)
    return lighter < 0 ? say("darker than is wanted") : say("lighter than is wanted");
  return say("of another hue than is wanted");
}

} // namespace columna
