// What is printed is read back as what it was, in both systems, to as much as is printed.
#include "measure/gauge.h"
#include "measure/quantity.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>

using namespace columna;

namespace {

constexpr std::array kSystems{UnitSystem::Metric, UnitSystem::Inch};

/// Numbers of every size, the same each time.
std::vector<double> numbers(double low, double high) {
  std::mt19937 chance(11);
  std::uniform_real_distribution<double> decade(std::log10(low), std::log10(high));
  std::vector<double> out;
  for (int k = 0; k < 400; ++k) out.push_back(std::pow(10, decade(chance)));
  return out;
}

} // namespace

TEST(Printed, LengthsAreReadBackToAsMuchAsIsPrinted) {
  for (const UnitSystem system : kSystems)
    for (const double mm : numbers(0.05, 5000)) {
      const auto back = parseLength(printLength(mm, system), system);
      ASSERT_TRUE(back) << printLength(mm, system) << ": " << back.problem().sentence();
      const double step = system == UnitSystem::Metric ? (mm >= 100  ? 1
                                                          : mm >= 10 ? 0.1
                                                                     : 0.01)
                          : mm >= kMmPerInch           ? kMmPerInch / 16
                                                       : kMmPerInch / 1000;
      EXPECT_NEAR(*back, mm, step / 2 + 1e-9) << printLength(mm, system);
    }
}

TEST(Printed, WhatIsWrittenIsReadBackExactly) {
  for (const UnitSystem system : kSystems) {
    for (const double mm : numbers(1e-4, 1e6)) {
      const auto back = parseLength(writeLength(mm, system), system);
      ASSERT_TRUE(back) << writeLength(mm, system);
      EXPECT_NEAR(*back, mm, 1e-9 * mm) << writeLength(mm, system);
    }
    for (const double grams : numbers(1e-4, 1e6)) {
      const auto back = parseMass(writeMass(grams, system), system);
      ASSERT_TRUE(back) << writeMass(grams, system);
      EXPECT_NEAR(*back, grams, 1e-9 * grams) << writeMass(grams, system);
    }
  }
}

TEST(Printed, MassesAreReadBackToAHundredthOrThreeDigits) {
  for (const UnitSystem system : kSystems)
    for (const double grams : numbers(0.05, 5000)) {
      const auto back = parseMass(printMass(grams, system), system);
      ASSERT_TRUE(back) << printMass(grams, system);
      const double step = system == UnitSystem::Metric ? std::max(0.01, grams / 20) : 0.01 * kGramsPerOunce;
      EXPECT_NEAR(*back, grams, step) << printMass(grams, system);
    }
}

TEST(Printed, TheFigureAndItsUnitAreTheWhole) {
  for (const UnitSystem system : kSystems) {
    for (const double mm : numbers(0.05, 5000))
      EXPECT_EQ(printLengthFigure(mm, system) + ' ' + std::string(lengthUnit(system)),
                printLength(mm, system));
    for (const double grams : numbers(0.05, 5000))
      EXPECT_EQ(printMassFigure(grams, system) + ' ' + std::string(massUnit(system)),
                printMass(grams, system));
  }
}

TEST(Printed, AValueBesideItsLimitNeverReadsAsTheLimit) {
  for (const double limit : {0.5, 1.0, 2.0, 10.0})
    for (const double off : {0.3, 0.04, 0.004, 0.0004, 1e-6, 1e-9})
      for (const double side : {-1.0, 1.0}) {
        const double value = limit + side * off;
        EXPECT_NE(render(Number(value, 0).apart(limit), {}), printNumber(limit, 0))
            << value << " beside " << limit;
        EXPECT_NE(render(Number(value, 1).apart(limit), {}), printNumber(limit, 1))
            << value << " beside " << limit;
      }
  EXPECT_EQ(render(Number(9.9, 0).apart(10), {}), "9.9");
}

TEST(Printed, NumbersHaveNoTailAndNoMinusNought) {
  EXPECT_EQ(printNumber(-0.0, 2), "0");
  EXPECT_EQ(printNumber(-0.001, 2), "0");
  EXPECT_EQ(printNumber(2.5, 3), "2.5");
  EXPECT_EQ(printNumber(2, 3), "2");
  EXPECT_EQ(printAngle(kDegree * 22, 0), "22°");
  for (const double value : numbers(0.01, 1e6)) {
    const auto back = parseNumber(printNumber(value, 3));
    ASSERT_TRUE(back);
    EXPECT_NEAR(*back, value, 0.0005 + 1e-9) << printNumber(value, 3);
  }
}

TEST(Printed, GaugesNameTheWireTheyAreOf) {
  for (int n = 0; n <= 40; ++n) {
    EXPECT_EQ(nearestAwg(awgToMm(n)), n);
    EXPECT_NEAR(mmToAwg(awgToMm(n)), n, 1e-9);
    if (awgToMm(n) > kThickestWire) continue;
    const auto back = parseDiameter(printAwg(awgToMm(n)));
    ASSERT_TRUE(back) << printAwg(awgToMm(n));
    EXPECT_NEAR(*back, awgToMm(n), 1e-9 * awgToMm(n));
  }
  for (int n = 10; n <= 34; ++n) {
    const double mm = swgToMm(n).value();
    EXPECT_EQ(nearestSwg(mm), n);
    const auto back = parseDiameter(printSwg(mm));
    ASSERT_TRUE(back) << printSwg(mm);
    EXPECT_DOUBLE_EQ(*back, mm);
  }
  EXPECT_EQ(printSwg(9.9), "") << "outside the table";
}
