// Twelve made-up wools, for tests.
#pragma once

#include "colour/blend_search.h"
#include "measure/disk.h"
#include "support.h"

#include <array>
#include <map>
#include <random>
#include <string>

namespace columna::test {

inline const ColourRules& colourRules() {
  static const ColourRules rules = [] {
    const auto file = std::filesystem::path(COLUMNA_DATA_DIR) / "work" / "colour.json";
    const auto text = readFile(file, 1U << 20U);
    auto out = readColourRules(*text, "colour.json");
    if (!out) throw std::runtime_error(out.problem().sentence());
    return *out;
  }();
  return rules;
}

enum Wool { White, Cream, LightGrey, DarkGrey, Black, Chestnut, DarkBrown, Ginger, Ochre, Red, Blue, Moss };
inline constexpr std::array<Srgb, 12> kWools{{{236, 230, 215},
                                              {222, 205, 170},
                                              {176, 170, 160},
                                              {84, 82, 82},
                                              {34, 31, 32},
                                              {122, 72, 44},
                                              {66, 45, 36},
                                              {188, 110, 52},
                                              {206, 160, 62},
                                              {158, 38, 42},
                                              {44, 74, 124},
                                              {98, 108, 58}}};
inline constexpr Srgb kOtter{92, 68, 50}, kFox{176, 92, 48}, kMouse{128, 120, 112}, kSkin{226, 178, 160};

inline const std::vector<BlendWool>& drawerWools() {
  static const std::vector<BlendWool> wools = [] {
    std::vector<BlendWool> out;
    for (const Srgb& each : kWools) out.push_back(blendWool(each));
    return out;
  }();
  return wools;
}

inline const Spectrum& sentBy(Wool wool) { return drawerWools()[wool].sent; }

/// As many wools as are wanted, of all lightnesses and hues, always the same.
inline std::vector<BlendWool> drawnWools(size_t count, unsigned seed) {
  std::mt19937 draw(seed);
  std::uniform_real_distribution<double> code(20, 235);
  std::uniform_real_distribution<double> grey(0.15, 0.85);
  std::vector<BlendWool> out;
  while (out.size() < count) {
    // Wools are seldom of a pure colour: drawn towards their own grey.
    const double mean = code(draw);
    const double share = grey(draw);
    out.push_back(blendWool({share * mean + (1 - share) * code(draw), share * mean + (1 - share) * code(draw),
                             share * mean + (1 - share) * code(draw)}));
  }
  return out;
}

} // namespace columna::test
