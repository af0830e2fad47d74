#include "measure/quantity.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <numbers>
#include <optional>
#include <vector>

namespace columna {
namespace {

/// Lower-cased, trimmed, with the typographic signs people paste turned into plain ones.
std::string plain(std::string_view text) {
  static constexpr std::array<std::pair<std::string_view, std::string_view>, 12> signs{{{"½", " 1/2"},
                                                                                        {"¼", " 1/4"},
                                                                                        {"¾", " 3/4"},
                                                                                        {"⅛", " 1/8"},
                                                                                        {"⅜", " 3/8"},
                                                                                        {"⅝", " 5/8"},
                                                                                        {"⅞", " 7/8"},
                                                                                        {"″", "\""},
                                                                                        {"”", "\""},
                                                                                        {"′", "'"},
                                                                                        {"\u00a0", " "},
                                                                                        {"−", "-"}}};
  std::string out(text);
  for (const auto& [sign, replacement] : signs)
    for (size_t at = out.find(sign); at != std::string::npos; at = out.find(sign, at))
      out.replace(at, sign.size(), replacement);
  for (char& c : out)
    if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
  const auto first = out.find_first_not_of(" \t\r\n");
  if (first == std::string::npos) return {};
  return out.substr(first, out.find_last_not_of(" \t\r\n") - first + 1);
}

std::optional<double> decimal(std::string_view text) {
  if (text.empty()) return std::nullopt;
  std::string number(text);
  const bool comma = number.find(',') != std::string::npos;
  if (comma && number.find('.') != std::string::npos) return std::nullopt;
  std::replace(number.begin(), number.end(), ',', '.');
  if (number.find_first_not_of("0123456789.+-e") != std::string::npos) return std::nullopt;
  double value = 0;
  const char* begin = number.data() + (number[0] == '+' ? 1 : 0);
  const auto [end, error] = std::from_chars(begin, number.data() + number.size(), value);
  if (error != std::errc{} || end != number.data() + number.size() || !std::isfinite(value))
    return std::nullopt;
  return value;
}

/// "1/4" or "6 1/4" or "6-1/4"; nothing if there is no fraction in it.
std::optional<double> fraction(std::string_view text) {
  const auto slash = text.find('/');
  if (slash == std::string_view::npos) return std::nullopt;
  const std::string_view below = text.substr(slash + 1);
  std::string_view above = text.substr(0, slash);
  double whole = 0;
  double sign = 1;
  const auto gap = above.find_last_of(" -");
  if (gap != std::string_view::npos && gap > 0) {
    std::string_view front = above.substr(0, gap);
    while (!front.empty() && front.back() == ' ') front.remove_suffix(1);
    const auto value = decimal(front);
    if (!value || *value != std::floor(*value)) return std::nullopt;
    whole = *value;
    if (front.front() == '-') sign = -1;
    above = above.substr(gap + 1);
  }
  const auto top = decimal(above);
  const auto bottom = decimal(below);
  if (!top || !bottom || *bottom == 0 || *top < 0 || *bottom < 0) return std::nullopt;
  const double value = whole + sign * *top / *bottom;
  return std::isfinite(value) ? std::optional(value) : std::nullopt;
}

struct Unit {
  std::string_view name;
  double factor; ///< how many base units one of these is
};

constexpr std::array<Unit, 12> kLengths{{{"inches", kMmPerInch},
                                         {"inch", kMmPerInch},
                                         {"in", kMmPerInch},
                                         {"\"", kMmPerInch},
                                         {"km", 1e6},
                                         {"mm", 1},
                                         {"cm", 10},
                                         {"feet", 304.8},
                                         {"ft", 304.8},
                                         {"'", 304.8},
                                         {"\u00b5m", 1e-3},
                                         {"m", 1000}}};
constexpr std::array<Unit, 6> kMasses{{{"kg", 1000},
                                       {"mg", 1e-3},
                                       {"grams", 1},
                                       {"g", 1},
                                       {"oz", kGramsPerOunce},
                                       {"lb", 16 * kGramsPerOunce}}};
constexpr std::array<Unit, 6> kAngles{{{"degrees", std::numbers::pi / 180},
                                       {"degree", std::numbers::pi / 180},
                                       {"deg", std::numbers::pi / 180},
                                       {"°", std::numbers::pi / 180},
                                       {"rad", 1},
                                       {"turns", 2 * std::numbers::pi}}};

constexpr double kOuncePerInch3 = kGramsPerOunce / (kMmPerInch * kMmPerInch * kMmPerInch);
constexpr std::array<Unit, 4> kDensities{
    {{"g/cm3", 1e-3}, {"g/cm³", 1e-3}, {"oz/in3", kOuncePerInch3}, {"oz/in³", kOuncePerInch3}}};

template <size_t N>
Result<double> parseWithUnit(std::string_view text, const std::array<Unit, N>& units, double bareFactor,
                             std::string_view what, std::string_view example) {
  const std::string cleaned = plain(text);
  const Problem problem{
      say("\"{}\" is no {}", AsIs(text), Name(what)), {}, say("write it like {}", AsIs(example))};
  if (cleaned.empty())
    return Problem{say("no {} given", Name(what)), {}, say("write it like {}", AsIs(example))};
  for (const Unit& unit : units) {
    if (cleaned.size() <= unit.name.size() || !cleaned.ends_with(unit.name)) continue;
    std::string number = plain(cleaned.substr(0, cleaned.size() - unit.name.size()));
    const auto value = parseNumber(number);
    if (!value || !std::isfinite(*value * unit.factor)) return problem;
    return *value * unit.factor;
  }
  const auto value = parseNumber(cleaned);
  if (!value || !std::isfinite(*value * bareFactor)) return problem;
  return *value * bareFactor;
}

} // namespace

Result<double> parseNumber(std::string_view text) {
  const std::string cleaned = plain(text);
  if (cleaned.empty()) return Problem{say("no number given"), {}, say("write it like 6.25")};
  if (const auto value = decimal(cleaned)) return *value;
  if (const auto value = fraction(cleaned)) return *value;
  return Problem{say("\"{}\" is not a number", AsIs(text)), {}, say("write it like 6.25, 6,25 or 6 1/4")};
}

Result<double> parseLength(std::string_view text, UnitSystem bare) {
  return parseWithUnit(text, kLengths, bare == UnitSystem::Metric ? 1.0 : kMmPerInch, named("length"),
                       "160 mm or 6 1/4 in");
}

Result<double> parseMass(std::string_view text, UnitSystem bare) {
  return parseWithUnit(text, kMasses, bare == UnitSystem::Metric ? 1.0 : kGramsPerOunce, named("weight"),
                       "14 g or 1/2 oz");
}

Result<double> parseDensity(std::string_view text, UnitSystem bare) {
  return parseWithUnit(text, kDensities, bare == UnitSystem::Metric ? 1e-3 : kOuncePerInch3, named("density"),
                       "0.2 g/cm³ or 0.12 oz/in³");
}

Result<double> parseAngle(std::string_view text) {
  return parseWithUnit(text, kAngles, std::numbers::pi / 180, named("angle"), "22°");
}

} // namespace columna
