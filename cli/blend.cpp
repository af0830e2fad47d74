// A colour blended of the maker's own wools.
#include "commands.h"
#include "measure/disk.h"
#include "measure/json_text.h"
#include "measure/quantity.h"
#include "open.h"
#include "project/catalog.h"
#include "report/blend_json.h"
#include "stores/own_blends.h"

#include <fmt/format.h>

#include <iostream>

namespace columna::cli {
namespace {

Result<Srgb> colourOf(const std::string& text) {
  if (const auto colour = srgbOf(std::string_view(text))) return *colour;
  return Problem{say("\"{}\" is not a colour", AsIs(text)),
                 {},
                 say("a colour is six figures or letters a to f, as #5C4432")};
}

/// "#ECE6D7,#221F20,#5A5857": a pale wool, a dark one, and what half of each came to.
Result<OwnBlend> triedOf(const std::string& text) {
  OwnBlend out;
  size_t from = 0;
  for (Srgb* into : {&out.pale, &out.dark, &out.came}) {
    const size_t comma = std::min(text.find(',', from), text.size());
    const auto colour = colourOf(from <= text.size() ? text.substr(from, comma - from) : std::string());
    if (!colour) return colour.problem();
    *into = *colour;
    from = comma + 1;
  }
  if (from <= text.size())
    return Problem{
        say("a test blend is three colours"), {}, say("write the pale, the dark and what came of them")};
  return out;
}

void print(const OwnBlends& blends, std::span<const StoreRow> list, const ColourRules& rules) {
  if (blends.mixing)
    std::cout << fmt::format("your wools mix with M = {:.3f}; your test blend is {:.1f} from that\n",
                             blends.mixing->m, blends.mixing->left);
  for (size_t i = 0; i < blends.offers.size(); ++i) {
    const BlendOffer& offer = blends.offers[i];
    std::cout << fmt::format("{}  {}  {} ({:.1f}, give or take {:.1f})\n", i + 1, hexOf(offer.srgb),
                             std::string(name(offer.nearness)), offer.de, offer.doubt);
    for (const BlendHeap& heap : offer.heaps)
      std::cout << fmt::format("   {:>8}  {}\n",
                               heap.grams > 0 ? fmt::format("{:.1f} g", heap.grams)
                                              : fmt::format("{:.1f} %", 100 * heap.share),
                               list[heap.row].name);
    if (offer.heaps.size() > 1)
      std::cout << fmt::format("   even after {} pulls ({} to {})\n", offer.pulls.even, offer.pulls.least,
                               offer.pulls.most);
    if (const Said missed = missedBy(offer, rules); !missed.empty())
      std::cout << "   " << render(missed) << '\n';
  }
}

} // namespace

int blend(const BlendOptions& options) {
  const auto to = colourOf(options.to);
  if (!to) return complain(to.problem().sentence());
  const auto rules = colourRules(dataFolder());
  if (!rules) return complain(rules.problem().sentence());
  const auto text = readFile(options.list, kMostCsvBytes);
  if (!text) return complain(text.problem().sentence());
  const auto list = readStoreList(*text, options.list);
  if (!list) return complain(list.problem().sentence());
  if (!list->problems.empty()) return complain(list->problems.front().sentence());
  OwnBlendWish wish;
  wish.blend = {*to, options.wools, options.mottled};
  if (!options.grams.empty()) {
    const auto grams = parseMass(options.grams);
    if (!grams) return complain(grams.problem().sentence());
    wish.grams = *grams;
  }
  if (!options.tried.empty()) {
    const auto tried = triedOf(options.tried);
    if (!tried) return complain(tried.problem().sentence());
    wish.tried = *tried;
  }
  const auto blends = ownBlends(list->rows, wish, *rules);
  if (!blends) return complain(blends.problem().sentence());
  if (options.json)
    std::cout << writeJson(blendJson(*to, *blends, list->rows)) << '\n';
  else
    print(*blends, list->rows, *rules);
  return kGood;
}

} // namespace columna::cli
