#include "measure/quantity.h"

#include <gtest/gtest.h>

#include <cmath>
#include <numbers>

using namespace columna;

TEST(Length, IsReadAsPeopleWriteIt) {
  const std::vector<std::pair<const char*, double>> cases{
      {"160", 160},       {"16 cm", 160},           {"16cm", 160},     {"0.8mm", 0.8},  {"6 1/4 in", 158.75},
      {"6.25\"", 158.75}, {"6-1/4 inches", 158.75}, {"6¼ in", 158.75}, {"1/2\"", 12.7}, {"12,5 mm", 12.5},
      {"1 ft", 304.8},    {"0.5 m", 500},           {" 160 MM ", 160}, {"+3 in", 76.2}, {"6½″", 165.1},
      {"5 km", 5e6},      {"1e2 mm", 100}};
  for (const auto& [text, mm] : cases) {
    const auto read = parseLength(text);
    ASSERT_TRUE(read.ok()) << text << ": " << read.problem().sentence();
    EXPECT_NEAR(*read, mm, 1e-9 * mm) << text;
  }
  EXPECT_NEAR(*parseLength("6.25", UnitSystem::Inch), 158.75, 1e-9)
      << "a bare number is inches for an inch maker";
}

TEST(Length, RefusesWhatIsNoLengthInOneSentence) {
  for (const char* text :
       {"", "  ", "tall", "NaN", "inf", "12 parsec", "1,234.5", "1/0 in", "mm", "3 4", "--5", "0x10",
        "6 1/4/2 in", "1e999", "1/1e-309", "1e308 km", "1e308 ft", "1 1/1e-308 in"}) {
    const auto read = parseLength(text);
    ASSERT_FALSE(read.ok()) << text;
    EXPECT_FALSE(read.problem().remedy.empty()) << text;
    EXPECT_EQ(read.problem().sentence().find('\n'), std::string::npos);
  }
}

TEST(Mass, IsReadInBothSystems) {
  EXPECT_NEAR(*parseMass("1/2 oz"), 14.1747615625, 1e-9);
  EXPECT_NEAR(*parseMass("14"), 14, 1e-12);
  EXPECT_NEAR(*parseMass("14", UnitSystem::Inch), 14 * kGramsPerOunce, 1e-9);
  EXPECT_NEAR(*parseMass("0,2 kg"), 200, 1e-9);
  EXPECT_FALSE(parseMass("14 mm").ok());
}

TEST(Angle, IsDegreesUnlessSaid) {
  EXPECT_NEAR(*parseAngle("90"), std::numbers::pi / 2, 1e-12);
  EXPECT_NEAR(*parseAngle("22°"), 22 * std::numbers::pi / 180, 1e-12);
  EXPECT_NEAR(*parseAngle("1 rad"), 1, 1e-12);
}

TEST(Length, ComesBackExactlyOverTheWholeRange) {
  for (const UnitSystem system : {UnitSystem::Metric, UnitSystem::Inch})
    for (double mm = 0.01; mm < 5000; mm *= 1.0137) {
      const auto back = parseLength(writeLength(mm, system), system);
      ASSERT_TRUE(back.ok()) << mm;
      EXPECT_NEAR(*back, mm, 1e-9 * mm);
      // What is shown is rounded, but never by more than it says.
      const auto shown = parseLength(printLength(mm, system), system);
      ASSERT_TRUE(shown.ok()) << printLength(mm, system);
      const double step = system == UnitSystem::Metric ? (mm >= 99.95   ? 0.5
                                                          : mm >= 9.995 ? 0.05
                                                                        : 0.005)
                          : mm >= kMmPerInch           ? kMmPerInch / 32
                                                       : 0.0005 * kMmPerInch;
      EXPECT_NEAR(*shown, mm, step + 1e-9) << printLength(mm, system);
    }
}

TEST(Mass, ComesBackExactlyOverTheWholeRange) {
  for (const UnitSystem system : {UnitSystem::Metric, UnitSystem::Inch})
    for (double g = 0.001; g < 5000; g *= 1.0171)
      EXPECT_NEAR(*parseMass(writeMass(g, system), system), g, 1e-9 * g);
}

TEST(Length, IsPrintedForTheBench) {
  EXPECT_EQ(printLength(339.4, UnitSystem::Metric), "339 mm");
  EXPECT_EQ(printLength(10.52, UnitSystem::Metric), "10.5 mm");
  EXPECT_EQ(printLength(0.8, UnitSystem::Metric), "0.8 mm");
  EXPECT_EQ(printLength(158.75, UnitSystem::Inch), "6 1/4 in");
  EXPECT_EQ(printLength(25.4 * 2, UnitSystem::Inch), "2 in");
  EXPECT_EQ(printLength(0.8118, UnitSystem::Inch), "0.032 in");
  EXPECT_EQ(printNumber(-0.0001, 2), "0");
}
