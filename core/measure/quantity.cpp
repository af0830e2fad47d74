#include "measure/quantity.h"

#include <fmt/format.h>

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

template <size_t N>
Result<double> parseWithUnit(std::string_view text, const std::array<Unit, N>& units, double bareFactor,
                             std::string_view what, std::string_view example) {
  const std::string cleaned = plain(text);
  const Problem problem{
      fmt::format("\"{}\" is not a {}", text, what), {}, fmt::format("write it like {}", example)};
  if (cleaned.empty())
    return Problem{fmt::format("no {} given", what), {}, fmt::format("write it like {}", example)};
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

std::string cutZeros(std::string text) {
  if (text.find('.') == std::string::npos) return text;
  while (text.back() == '0') text.pop_back();
  if (text.back() == '.') text.pop_back();
  return text;
}

std::string inchFigure(double inches) {
  if (std::abs(inches) < 1) return cutZeros(fmt::format("{:.3f}", inches));
  const long sixteenths = std::lround(std::abs(inches) * 16);
  const long whole = sixteenths / 16;
  long over = sixteenths % 16;
  long under = 16;
  while (over != 0 && over % 2 == 0) {
    over /= 2;
    under /= 2;
  }
  const char* sign = inches < 0 ? "-" : "";
  return over == 0 ? fmt::format("{}{}", sign, whole) : fmt::format("{}{} {}/{}", sign, whole, over, under);
}

} // namespace

Result<double> parseNumber(std::string_view text) {
  const std::string cleaned = plain(text);
  if (cleaned.empty()) return Problem{"no number given", {}, "write it like 6.25"};
  if (const auto value = decimal(cleaned)) return *value;
  if (const auto value = fraction(cleaned)) return *value;
  return Problem{fmt::format("\"{}\" is not a number", text), {}, "write it like 6.25, 6,25 or 6 1/4"};
}

Result<double> parseLength(std::string_view text, UnitSystem bare) {
  return parseWithUnit(text, kLengths, bare == UnitSystem::Metric ? 1.0 : kMmPerInch, "length",
                       "160 mm or 6 1/4 in");
}

Result<double> parseMass(std::string_view text, UnitSystem bare) {
  return parseWithUnit(text, kMasses, bare == UnitSystem::Metric ? 1.0 : kGramsPerOunce, "weight",
                       "14 g or 1/2 oz");
}

Result<double> parseAngle(std::string_view text) {
  return parseWithUnit(text, kAngles, std::numbers::pi / 180, "angle", "22°");
}

std::string printNumber(double value, int decimals) {
  std::string text = cutZeros(fmt::format("{:.{}f}", value, decimals));
  return text == "-0" ? "0" : text;
}

std::string printLengthFigure(double mm, UnitSystem system, int decimals) {
  if (system == UnitSystem::Inch) return inchFigure(mm / kMmPerInch);
  if (decimals < 0) decimals = std::abs(mm) >= 99.95 ? 0 : std::abs(mm) >= 9.995 ? 1 : 2;
  return printNumber(mm, decimals);
}

std::string_view lengthUnit(UnitSystem system) { return system == UnitSystem::Metric ? "mm" : "in"; }

std::string printLength(double mm, UnitSystem system, int decimals) {
  return fmt::format("{} {}", printLengthFigure(mm, system, decimals), lengthUnit(system));
}

std::string writeLength(double mm, UnitSystem system) {
  return fmt::format("{:.12g} {}", system == UnitSystem::Metric ? mm : mm / kMmPerInch, lengthUnit(system));
}

std::string printMassFigure(double grams, UnitSystem system) {
  if (system == UnitSystem::Inch) return printNumber(grams / kGramsPerOunce, 2);
  const int decimals = std::abs(grams) >= 99.95 ? 0 : std::abs(grams) >= 1 ? 1 : 2;
  return printNumber(grams, decimals);
}

std::string_view massUnit(UnitSystem system) { return system == UnitSystem::Metric ? "g" : "oz"; }

std::string printMass(double grams, UnitSystem system) {
  return fmt::format("{} {}", printMassFigure(grams, system), massUnit(system));
}

std::string writeMass(double grams, UnitSystem system) {
  return fmt::format("{:.12g} {}", system == UnitSystem::Metric ? grams : grams / kGramsPerOunce,
                     massUnit(system));
}

std::string printApart(double value, double limit, int decimals) {
  for (int places = decimals; places <= decimals + 2; ++places) {
    const std::string shown = printNumber(value, places);
    if (shown != printNumber(limit, places) && (std::abs(value) < 1e-12 || std::stod(shown) != 0))
      return shown;
  }
  if (std::abs(value) < std::pow(10, -decimals) && std::abs(limit) > 0)
    return "less than " + printNumber(std::pow(10, -std::max(1, decimals)), std::max(1, decimals));
  return (value < limit ? "just under " : "just over ") + printNumber(limit, decimals);
}

std::string printAngle(double radians, int decimals) {
  return printNumber(radians * 180 / std::numbers::pi, decimals) + "°";
}

} // namespace columna
