#include "words/render.h"

#include <fmt/args.h>
#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

/// A unit as it is in both systems: what one of the program's is in it, how it is called, and how many more
/// decimals than in the metric one say the same.
struct UnitPair {
  double metric = 1;
  std::string_view metricName;
  double inch = 1;
  std::string_view inchName;
  int finer = 0;
};

constexpr double kOunceForce = kGramsPerOunce * 9.80665e-3; ///< N, with the standard gravity (CGPM 1901)
constexpr double kInch3 = kMmPerInch * kMmPerInch * kMmPerInch;
constexpr double kYard2 = 36 * 36 * kMmPerInch * kMmPerInch;

UnitPair unitsOf(Quantity::Kind kind) {
  switch (kind) {
  case Quantity::Kind::Length:
    return {1, "mm", 1 / kMmPerInch, "in", 2};
  case Quantity::Kind::Mass:
    return {1, "g", 1 / kGramsPerOunce, "oz", 2};
  case Quantity::Kind::Force:
    return {1, "N", 1 / kOunceForce, "ozf", 0};
  case Quantity::Kind::Moment:
    return {1, "N mm", 1 / (kOunceForce * kMmPerInch), "ozf in", 1};
  case Quantity::Kind::Stress:
    return {1, "N/mm²", kMmPerInch * kMmPerInch / kOunceForce, "ozf/in²", 0};
  case Quantity::Kind::Volume:
    return {1e-3, "cm³", 1 / kInch3, "in³", 2};
  case Quantity::Kind::Density:
    return {1e3, "g/cm³", kInch3 / kGramsPerOunce, "oz/in³", 1};
  case Quantity::Kind::Surface:
    return {1e-2, "cm²", 1 / (kMmPerInch * kMmPerInch), "in²", 1};
  case Quantity::Kind::AreaMass:
    return {1e6, "g/m²", kYard2 / kGramsPerOunce, "oz/yd²", 2};
  case Quantity::Kind::Linear:
    return {1e3, "g", 1e3 / kGramsPerOunce, "oz", 2};
  case Quantity::Kind::Angle:
    return {180 / std::numbers::pi, "°", 180 / std::numbers::pi, "°", 0};
  case Quantity::Kind::Number:
  case Quantity::Kind::Times:
    break;
  }
  return {};
}

/// As few figures as say the value to a thousandth of it, for measures that are round in the other system.
std::string shortFigure(double value) { return fmt::format("{:.3g}", value); }

/// Beside the limit it must not read the same as: with as many more decimals (two at most) as it takes, or as
/// "just under 2".
Said apart(double value, double limit, int decimals) {
  for (int places = decimals; places <= decimals + 2; ++places) {
    const std::string shown = printNumber(value, places);
    if (shown != printNumber(limit, places) && (std::abs(value) < 1e-12 || std::stod(shown) != 0))
      return AsIs{shown};
  }
  if (std::abs(value) < std::pow(10, -decimals) && std::abs(limit) > 0)
    return say("less than {}", Number(std::pow(10, -std::max(1, decimals)), std::max(1, decimals)));
  return value < limit ? say("just under {}", Number(limit, decimals))
                       : say("just over {}", Number(limit, decimals));
}

Said timesFigure(double factor, double limit) {
  if (!std::isfinite(factor) || factor > 99) return say("over {}", 99);
  if (factor < 0.095) return say("less than {}", Number(0.1, 1));
  if (limit > 0 && factor < 10) {
    const Said shown = apart(factor, limit, 1);
    return shown == Said(AsIs{"1"}) ? Said(AsIs{"1.0"}) : shown;
  }
  const std::string shown = printNumber(factor, factor < 10 ? 1 : 0);
  return AsIs{shown == "1" ? "1.0" : shown};
}

Said metricFigure(const Quantity& q, const UnitPair& unit) {
  const double value = q.value * unit.metric;
  if (!std::isnan(q.beside)) return apart(value, q.beside * unit.metric, std::max(0, q.decimals));
  if (q.decimals == Quantity::kShort) return AsIs{fmt::format("{:g}", value)};
  if (q.decimals >= 0) return AsIs{printNumber(value, q.decimals)};
  if (q.kind == Quantity::Kind::Length) return AsIs{printLengthFigure(q.value, UnitSystem::Metric)};
  if (q.kind == Quantity::Kind::Mass) return AsIs{printMassFigure(q.value, UnitSystem::Metric)};
  return AsIs{fmt::format("{:g}", value)};
}

Said inchFigure(const Quantity& q, const UnitPair& unit) {
  const double value = q.value * unit.inch;
  const int decimals = std::max(0, q.decimals) + unit.finer;
  if (!std::isnan(q.beside)) return apart(value, q.beside * unit.inch, decimals);
  const bool reckoned = q.form == Quantity::Form::Sum || q.form == Quantity::Form::Centi;
  if (q.kind == Quantity::Kind::Length && !reckoned)
    return AsIs{printLengthFigure(q.value, UnitSystem::Inch)};
  if (q.kind == Quantity::Kind::Mass && q.decimals < 0 && !reckoned)
    return AsIs{printMassFigure(q.value, UnitSystem::Inch)};
  return AsIs{q.decimals == Quantity::kShort ? shortFigure(value) : printNumber(value, decimals)};
}

std::string formatted(std::string_view pattern, const std::vector<std::string>& args) {
  fmt::dynamic_format_arg_store<fmt::format_context> store;
  for (const std::string& arg : args) store.push_back(std::cref(arg));
  return fmt::vformat(pattern, store);
}

std::string firstLetter(std::string text, Name::First first, const Language* language) {
  if (first == Name::First::AsIs || text.empty()) return text;
  if (language) return language->first(std::move(text), first);
  char& c = text.front();
  if (first == Name::First::Upper && c >= 'a' && c <= 'z') c = static_cast<char>(c - 'a' + 'A');
  if (first == Name::First::Lower && c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
  return text;
}

/// Whether a template has anything to translate in it.
bool hasWords(std::string_view english) {
  return std::any_of(english.begin(), english.end(), [](char c) {
    return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || static_cast<unsigned char>(c) > 0x7f;
  });
}

std::string renderArg(const SaidArg& arg, const Manner& manner) {
  struct Visitor {
    const Manner& manner;
    std::string operator()(const Quantity& q) const { return render(q, manner); }
    std::string operator()(long whole) const { return fmt::format("{}", whole); }
    std::string operator()(const Name& name) const {
      std::string text = manner.language ? manner.language->name(name.text) : std::string();
      return firstLetter(text.empty() ? name.text : std::move(text), name.first, manner.language);
    }
    std::string operator()(const AsIs& text) const { return text.text; }
    std::string operator()(const Said& said) const { return render(said, manner); }
  };
  return std::visit(Visitor{manner}, arg.value);
}

} // namespace

std::string Language::first(std::string text, Name::First first) const {
  return firstLetter(std::move(text), first, nullptr);
}

std::string render(const Quantity& q, const Manner& manner) {
  using Form = Quantity::Form;
  if (q.kind == Quantity::Kind::Times) {
    const Said figure = timesFigure(q.value, std::isnan(q.beside) ? 0 : q.beside);
    return render(q.form == Form::Figure ? figure : say("{} times", figure), manner);
  }
  const UnitPair unit = unitsOf(q.kind);
  const bool inch = manner.units == UnitSystem::Inch;
  if (q.form == Form::Metres && !inch) return printNumber(q.value / 1000, std::max(0, q.decimals)) + " m";
  if (q.form == Form::Centi && !inch) return printNumber(q.value / 10, std::max(0, q.decimals));
  const std::string figure = render(inch ? inchFigure(q, unit) : metricFigure(q, unit), manner);
  const std::string_view name = inch ? unit.inchName : unit.metricName;
  const bool alone = q.form == Form::Figure || q.form == Form::Sum || q.form == Form::Centi || name.empty();
  if (alone) return figure;
  return fmt::format("{}{}{}", figure, q.kind == Quantity::Kind::Angle ? "" : " ", name);
}

std::string render(const Said& said, const Manner& manner) {
  if (said.empty()) return {};
  std::vector<std::string> args;
  args.reserve(said.args().size());
  for (const SaidArg& arg : said.args()) args.push_back(renderArg(arg, manner));
  const std::string_view english = !said.one().empty() && said.count() == 1 ? said.one() : said.english();
  std::string text;
  if (manner.language && hasWords(english)) {
    const std::string other = manner.language->sentence(said.english(), said.one(), said.count());
    try {
      if (!other.empty()) text = formatted(other, args);
    } catch (const fmt::format_error&) {
      text.clear(); // a slip in a translation must not silence the sum
    }
  }
  if (text.empty()) text = formatted(english, args);
  return firstLetter(std::move(text), said.first(), manner.language);
}

Said together(const Said& first, const Said& second) {
  if (first.empty()) return second;
  if (second.empty()) return first;
  return say("{} {}", first, second);
}

} // namespace columna
