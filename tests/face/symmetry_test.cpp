// Pins found again from two measures, and pairs that stand askew.
#include "face/symmetry.h"

#include "../head/heads.h"
#include "face/tape.h"
#include "project/heads.h"
#include "rules.h"

#include <gtest/gtest.h>

#include <numbers>

namespace columna::test {
namespace {

double tapeOn(const HeadField& field, const Vec3& a, const Vec3& b) {
  const TapedSurface surface{[&](const Vec3& p) { return field.distance(p); },
                             [&](const Vec3& p) { return field.normal(p); }};
  return *tape(surface, a, b);
}

TEST(Symmetry, APinComesBackFromItsOwnTwoMeasures) {
  for (const std::string id : {"red_fox", "horse", "domestic_cat"}) {
    const HeadPattern head = shippedHead(id);
    const HeadField field(head, 52);
    const FaceReport report = faceReport(head, 52, 0.2e-3, rules());
    const Vec3 nose = report.pins.front().at;
    int asked = 0;
    for (const FacePin& pin : report.pins) {
      if (!pin.tape || *pin.tape < 3 || pin.id.ends_with("corner")) continue;
      // From somewhere near it, as a plan of another day would have it.
      const Vec3 near = field.onto(pin.at + Vec3(1.2, 0, 0.4));
      const auto found = placeByTape(field, nose, near, *pin.tape, pin.aside);
      if (!found) continue; // the crown lies where the cut runs level with the tape
      ++asked;
      EXPECT_NEAR(tapeOn(field, nose, *found), *pin.tape, 1.0) << id << ' ' << pin.id;
      EXPECT_NEAR(std::abs(found->y()), pin.aside, 1.0) << id << ' ' << pin.id;
    }
    EXPECT_GE(asked, 3) << id;
    const auto eye =
        std::find_if(report.pins.begin(), report.pins.end(), [](const FacePin& p) { return p.id == "eye"; });
    ASSERT_NE(eye, report.pins.end());
    const auto back = placeByTape(field, nose, field.onto(eye->at + Vec3(0.8, 0, 0)), *eye->tape, eye->aside);
    ASSERT_TRUE(back) << id;
    EXPECT_LT((*back - eye->at).norm(), 0.5) << id; // felt gives so much
  }
}

TEST(Symmetry, NoPlaceIsOneSentence) {
  const HeadField field(shippedHead("red_fox"), 52);
  const FaceReport report = faceReport(shippedHead("red_fox"), 52, 0.2e-3, rules());
  const Vec3 nose = report.pins.front().at;
  for (const auto& [reads, aside] : {std::pair(20.0, 400.0), std::pair(500.0, 6.0), std::pair(0.2, 9.0)}) {
    const auto none = placeByTape(field, nose, report.pins[1].at, reads, aside);
    ASSERT_FALSE(none) << reads;
    EXPECT_EQ(none.problem().sentence().find('\n'), std::string::npos);
  }
}

TEST(Symmetry, TiltAndTurnAreTheirAngles) {
  const auto degrees = [](double radians) { return radians * 180 / std::numbers::pi; };
  // Half a millimetre on 13.3, one on 13.3, one on 40.
  EXPECT_NEAR(degrees(pairOff("eye", {30, 6.65, 3}, {30, -6.65, 3.5}, rules()).tilt), 2.15, 0.005);
  EXPECT_NEAR(degrees(pairOff("eye", {30, 6.65, 3}, {30, -6.65, 4}, rules()).tilt), 4.30, 0.005);
  EXPECT_NEAR(degrees(pairOff("eye", {30, 20, 3}, {31, -20, 3}, rules()).turn), 1.43, 0.005);
  const PairOff same = pairOff("eye", {30, 6.65, 3}, {30, -6.65, 3}, rules());
  EXPECT_EQ(same.off, 0);
  EXPECT_FALSE(same.shows);
  EXPECT_FALSE(
      pairOff("eye", {30, 6.65, 3}, {30, -6.65, 3.2}, rules()).shows); // the tape itself is off so much
  EXPECT_TRUE(pairOff("eye", {30, 6.65, 3}, {30, -6.65, 3.5}, rules()).shows);
  EXPECT_TRUE(pairOff("eye", {30, 6.65, 3}, {30, -6.65, 4}, rules()).wrong);
}

TEST(Symmetry, OnlyPairsWithBothSidesAreJudged) {
  const HeadPattern head = shippedHead("red_fox");
  const HeadField field(head, 52);
  const FaceReport report = faceReport(head, 52, 0.2e-3, rules());
  const auto eye =
      std::find_if(report.pins.begin(), report.pins.end(), [](const FacePin& p) { return p.id == "eye"; });
  const MeasuredPin left{"eye", false, *eye->tape, eye->aside};
  EXPECT_TRUE(measuredPairs({left}, field, report, rules()).pairs.empty());
  const MeasuredPin right{"eye", true, *eye->tape + 1.5, 0}; // by the tape alone
  const FaceMeasured both = measuredPairs({left, right}, field, report, rules());
  ASSERT_EQ(both.pairs.size(), 1U);
  EXPECT_GT(both.pairs.front().off, 1);
  EXPECT_TRUE(both.pairs.front().shows);
  for (const auto& [pin, place] : both.places)
    EXPECT_NEAR(tapeOn(field, report.pins.front().at, {place.x(), std::abs(place.y()), place.z()}), pin.tape,
                1.0);
  // A pin the head does not have is nobody's.
  EXPECT_TRUE(measuredPairs({{"antenna", false, 5, 1}}, field, report, rules()).places.empty());
}

} // namespace
} // namespace columna::test
