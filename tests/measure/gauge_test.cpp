#include "measure/gauge.h"

#include <gtest/gtest.h>

using namespace columna;

TEST(Awg, FollowsItsStandardToThePrintedDigits) {
  const std::vector<std::pair<int, double>> table{{10, 2.5882}, {12, 2.0525}, {14, 1.6277}, {16, 1.2908},
                                                  {18, 1.0237}, {20, 0.8118}, {22, 0.6438}, {24, 0.5106},
                                                  {26, 0.4049}, {28, 0.3211}, {30, 0.2546}, {34, 0.1601}};
  for (const auto& [n, mm] : table) EXPECT_NEAR(awgToMm(n), mm, 6e-5) << n;
  for (double n = 0; n <= 40; n += 0.25) EXPECT_NEAR(mmToAwg(awgToMm(n)), n, 1e-9);
}

TEST(Swg, IsTheTableAndNothingElse) {
  EXPECT_DOUBLE_EQ(*swgToMm(10), 3.2512);
  EXPECT_DOUBLE_EQ(*swgToMm(18), 1.2192);
  EXPECT_NEAR(*swgToMm(27), 0.41656, 1e-9);
  EXPECT_NEAR(*swgToMm(34), 0.23368, 1e-9);
  EXPECT_FALSE(swgToMm(9).has_value());
  EXPECT_FALSE(swgToMm(35).has_value());
  for (int n = 10; n <= 34; ++n) EXPECT_EQ(nearestSwg(*swgToMm(n)), n);
  for (double d = *swgToMm(34); d <= *swgToMm(10); d *= 1.003)
    EXPECT_TRUE(nearestSwg(d).has_value()) << d << " lies between two of the table";
  EXPECT_FALSE(nearestSwg(5).has_value());
}

TEST(Diameter, IsReadInEveryGaugeTheTradeUses) {
  EXPECT_NEAR(*parseDiameter("0.8mm"), 0.8, 1e-12);
  EXPECT_NEAR(*parseDiameter("0,8"), 0.8, 1e-12);
  EXPECT_NEAR(*parseDiameter("20 awg"), 0.8118, 1e-4);
  EXPECT_NEAR(*parseDiameter("AWG 20"), 0.8118, 1e-4);
  EXPECT_NEAR(*parseDiameter("20 swg"), 0.9144, 1e-9);
  EXPECT_NEAR(*parseDiameter("0.032 in"), 0.8128, 1e-9);
}

TEST(Diameter, BareGaugeIsAmbiguousAndSaysHowMuch) {
  for (const char* text : {"18 gauge", "18 ga", "18g"}) {
    const auto read = parseDiameter(text);
    ASSERT_FALSE(read.ok()) << text;
    const std::string said = read.problem().sentence();
    EXPECT_NE(said.find("1.02"), std::string::npos) << said;
    EXPECT_NE(said.find("1.22"), std::string::npos) << said;
    EXPECT_NE(said.find("1.7 times"), std::string::npos) << said;
    EXPECT_NE(said.find("18 swg"), std::string::npos) << said;
  }
}

TEST(Diameter, RefusesWhatIsNoWire) {
  for (const char* text : {"", "thick", "0", "-1 mm", "12 mm", "9 swg", "20.5 swg", "99 awg", "NaN",
                           "swg51e9", "-1e300 swg", "1e307 ga", "5.1e10 gauge", "-3 g"})
    EXPECT_FALSE(parseDiameter(text).ok()) << text;
}
