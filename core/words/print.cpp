#include "words/print.h"

#include <fmt/format.h>

#include <cmath>
#include <numbers>

namespace columna {
namespace {

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
  if (system == UnitSystem::Inch) {
    const double ounces = grams / kGramsPerOunce;
    return printNumber(ounces, std::abs(ounces) < 0.0995 ? 3 : 2);
  }
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

std::string printAngle(double radians, int decimals) {
  return printNumber(radians * 180 / std::numbers::pi, decimals) + "°";
}

} // namespace columna
