#include "measure/gauge.h"

#include <fmt/format.h>

#include <array>
#include <cmath>

namespace columna {
namespace {

// BS 3737 numbers 10 to 34 in thousandths of an inch.
constexpr int kFirstSwg = 10;
constexpr std::array<double, 25> kSwgMils{128, 116, 104, 92, 80,   72,   64,   56,   48,   40,   36, 32, 28,
                                          24,  22,  20,  18, 16.4, 14.8, 13.6, 12.4, 11.6, 10.8, 10, 9.2};

std::string lowered(std::string_view text) {
  std::string out;
  for (char c : text) out += (c >= 'A' && c <= 'Z') ? static_cast<char>(c - 'A' + 'a') : c;
  const auto first = out.find_first_not_of(" \t");
  if (first == std::string::npos) return {};
  return out.substr(first, out.find_last_not_of(" \t") - first + 1);
}

/// The text with a gauge word at its front or back taken off; nothing if the word is not there.
std::optional<std::string> without(const std::string& text, std::string_view word) {
  if (text.size() > word.size() && text.ends_with(word)) return text.substr(0, text.size() - word.size());
  if (text.size() > word.size() && text.starts_with(word)) return text.substr(word.size());
  return std::nullopt;
}

} // namespace

double awgToMm(double n) { return 0.127 * std::pow(92.0, (36.0 - n) / 39.0); }

double mmToAwg(double mm) { return 36.0 - 39.0 * std::log(mm / 0.127) / std::log(92.0); }

std::optional<double> swgToMm(int n) {
  if (n < kFirstSwg || n >= kFirstSwg + static_cast<int>(kSwgMils.size())) return std::nullopt;
  return kSwgMils[static_cast<size_t>(n - kFirstSwg)] * kMmPerInch / 1000.0;
}

std::optional<int> nearestSwg(double mm) {
  int best = kFirstSwg;
  double bestRatio = 1e9;
  for (int n = kFirstSwg; n < kFirstSwg + static_cast<int>(kSwgMils.size()); ++n) {
    const double ratio = std::abs(std::log(mm / *swgToMm(n)));
    if (ratio < bestRatio) {
      bestRatio = ratio;
      best = n;
    }
  }
  if (bestRatio > 0.0925) return std::nullopt; // half of the widest step of the table, 18 to 19
  return best;
}

int nearestAwg(double mm) { return static_cast<int>(std::lround(mmToAwg(mm))); }

Result<double> parseDiameter(std::string_view given, UnitSystem bare) {
  const std::string text = lowered(given);
  if (const auto number = without(text, "swg")) {
    const auto n = parseNumber(*number);
    if (!n || *n < 0 || *n > 50 || *n != std::floor(*n) || !swgToMm(static_cast<int>(*n)))
      return Problem{say("\"{}\" is not in the Imperial gauge table", AsIs(given)),
                     {},
                     say("give a whole number from 10 to 34, or the diameter in mm")};
    return *swgToMm(static_cast<int>(*n));
  }
  if (const auto number = without(text, "awg")) {
    const auto n = parseNumber(*number);
    if (!n || *n < 0 || *n > 40)
      return Problem{say("\"{}\" is not an American gauge that wire is sold in", AsIs(given)),
                     {},
                     say("give a number from 0 to 40, or the diameter in mm")};
    return awgToMm(*n);
  }
  for (const std::string_view word : {"gauge", "ga.", "ga", "g"}) {
    const auto number = without(text, word);
    if (!number) continue;
    const auto n = parseNumber(*number);
    if (!n) break;
    const auto imperial = *n >= 0 && *n <= 40 ? swgToMm(static_cast<int>(*n)) : std::nullopt;
    if (!imperial)
      return Problem{say("\"{}\" does not say which gauge", AsIs(given)), {}, say("give the diameter in mm")};
    const double american = awgToMm(*n);
    return Problem{say("{0} gauge is two wires: {1} by the American gauge, {2} by the Imperial, and the "
                       "thicker is {3} times as strong",
                       Number(*n, 1), Length(american, 2), Length(*imperial, 2),
                       Number(std::pow(*imperial / american, 3), 1)),
                   {},
                   say("write {0} awg, {0} swg or the diameter in mm", Number(*n, 1))};
  }
  const auto mm = parseLength(given, bare);
  if (!mm)
    return Problem{
        say("\"{}\" is not a wire size", AsIs(given)), {}, say("write it like 0.8 mm, 20 awg or 20 swg")};
  if (!(*mm > 0) || *mm > kThickestWire)
    return Problem{say("{} is not a wire's diameter", Length(*mm)),
                   {},
                   say("give a diameter above 0 and up to {}", Length(10, 0))};
  return *mm;
}

std::string printAwg(double mm) { return fmt::format("{} AWG", nearestAwg(mm)); }

std::string printSwg(double mm) {
  const auto n = nearestSwg(mm);
  return n ? fmt::format("{} SWG", *n) : std::string();
}

} // namespace columna
