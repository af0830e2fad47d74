// What a head of a size asks of the maker, for every animal.
#include "../head/heads.h"
#include "face/face_report.h"
#include "rules.h"

using namespace columna;
using namespace columna::test;

namespace {

const FacePin* pinOf(const FaceReport& report, const std::string& id) {
  for (const FacePin& pin : report.pins)
    if (pin.id == id) return &pin;
  return nullptr;
}

} // namespace

TEST(FaceReport, TheFoxAt52IsWhatItWasDesignedToBe) {
  const HeadPattern head = shippedHead("red_fox");
  const FaceReport r = faceReport(head, 52, 0.22e-3, rules());
  EXPECT_NEAR(r.volumes.toWeigh() * 0.22e-3, 3.917, 0.03);
  ASSERT_EQ(r.eyes.size(), 1U);
  EXPECT_NEAR(r.eyes[0].choice.wanted, 5.304, 1e-9);
  EXPECT_EQ(r.eyes[0].choice.take, 5);
  EXPECT_NEAR(r.eyes[0].apart, 12.9, 0.6);
  EXPECT_NEAR(r.eyes[0].between, r.eyes[0].apart - 5, 1e-9);
  EXPECT_NEAR(r.eyes[0].grams, 0.1636, 1e-3) << "a ball of glass 5 mm across";
  ASSERT_TRUE(pinOf(r, "eye"));
  EXPECT_NEAR(pinOf(r, "eye")->straight, 22.03, 0.25);
  EXPECT_NEAR(*pinOf(r, "eye")->tape, 22.75, 0.3);
  EXPECT_NEAR(pinOf(r, "nose-tip")->at.x(), 52.32, 0.1);
  ASSERT_EQ(r.flats.size(), 1U);
  EXPECT_NEAR(r.flats[0].length, 0.52 * 52, 1e-6);
}

TEST(FaceReport, EveryHeadAtEverySizeHasSumsThatHold) {
  double length = 150;
  for (const HeadPattern& head : shippedHeads()) {
    length = length == 150 ? 12 : 150; // every other one small
    const FaceReport r = faceReport(head, length, 0.2e-3, rules());
    const std::string what = head.id + " " + std::to_string(length);
    ASSERT_GE(r.pins.size(), 4U) << what;
    for (const FacePin& pin : r.pins) {
      ASSERT_TRUE(pin.at.allFinite()) << what << " " << pin.id;
      EXPECT_GE(pin.at.y(), -1e-9) << what << " " << pin.id << ": the left one or the middle";
      if (pin.tape) {
        EXPECT_GE(*pin.tape, pin.straight - 0.02 * length) << what << " " << pin.id;
        EXPECT_LT(*pin.tape, 4 * length) << what << " " << pin.id;
      }
    }
    double grams = r.bodyGrams;
    for (const FacePad& pad : r.pads) {
      grams += pad.grams;
      EXPECT_GT(pad.length, 0);
      EXPECT_GE(pad.length, pad.width - 1e-9) << what << " " << pad.feature->id;
      if (length < 20 && pad.feature->mode == FeatureMode::Add) {
        EXPECT_TRUE(pad.tooSmall || pad.grams > 0.08) << what;
      }
    }
    EXPECT_NEAR(grams, r.volumes.toWeigh() * 0.2e-3, 1e-9 * grams) << what;
    for (const FaceEye& eye : r.eyes) {
      EXPECT_GT(eye.choice.take, 0);
      EXPECT_GE(eye.stem.clear, eye.stem.length > 0 ? -1e-6 : -1) << what << ": holes that meet";
    }
    for (const FaceFlat& flat : r.flats) EXPECT_GT(flat.standing.critical, 0) << what;
  }
}

TEST(FaceReport, AnEarsPaperClosesOnItsPins) {
  size_t ears = 0;
  for (HeadPattern head : shippedHeads()) {
    const double larger = ears % 2 == 0 ? 1.0 : 1.25; // every other maker has set them larger
    for (HeadFlat& flat : head.flats)
      for (Vec2& p : flat.outline) p *= larger;
    const FaceReport r = faceReport(head, 52, 0.2e-3, rules());
    for (const HeadFlat& flat : head.flats) {
      const FacePin* front = pinOf(r, flat.id + "-front");
      const FacePin* rear = pinOf(r, flat.id + "-rear");
      ASSERT_TRUE(front && rear) << head.id;
      // The base of the paper, rolled to a part of a circle, has this chord.
      double left = 0;
      double right = 0;
      double tall = 0;
      for (const Vec2& p : flat.outline) {
        left = std::min(left, p.x());
        right = std::max(right, p.x());
        tall = std::max(tall, p.y());
      }
      double cup = flat.cup;
      if (flat.fold) cup *= std::min(1.0, flat.fold->at * tall / (right - left));
      const double wide = 52 * std::abs(flat.outline.back().x() - flat.outline.front().x());
      const double turned = cup * wide / (52 * (right - left));
      const double chord = turned > 1e-9 ? wide * std::sin(turned / 2) / (turned / 2) : wide;
      EXPECT_NEAR((rear->at - front->at).norm(), chord, 0.5) << head.id << ' ' << flat.id << ' ' << larger;
      ++ears;
    }
  }
  EXPECT_GT(6 * ears, 5 * animals().size());
}

TEST(FaceReport, GrowsWithItsCubeAndItsTapesWithItsLength) {
  const HeadPattern head = shippedHead("horse");
  const FaceReport small = faceReport(head, 60, 0.2e-3, rules());
  const FaceReport large = faceReport(head, 120, 0.2e-3, rules());
  EXPECT_NEAR(large.bodyGrams / small.bodyGrams, 8, 1e-6);
  for (size_t i = 0; i < small.pins.size(); ++i) {
    ASSERT_EQ(small.pins[i].tape.has_value(), large.pins[i].tape.has_value());
    if (small.pins[i].tape) {
      EXPECT_NEAR(*large.pins[i].tape, 2 * *small.pins[i].tape, 0.6) << small.pins[i].id;
    }
  }
}
