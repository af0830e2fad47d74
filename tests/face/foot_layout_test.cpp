// Feet of which only the kind is known.
#include "face/foot_layout.h"

#include "../head/heads.h"
#include "anatomy/plane.h"
#include "face/foot.h"
#include "head/foot_fields.h"
#include "rules.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

FootPattern bare(FootType type, int digits, double wide = 0.6) {
  FootPattern out;
  out.type = type;
  out.digits = digits;
  out.length = 0.3;
  out.width = 0.3 * wide;
  out.height = 0.1;
  return out;
}

/// The same seen in a mirror along the foot: every place of it has its twin.
bool mirrored(const std::vector<Vec2>& places) {
  return std::all_of(places.begin(), places.end(), [&](const Vec2& p) {
    return std::any_of(places.begin(), places.end(), [&](const Vec2& q) {
      return std::abs(p.x() - q.x()) < 1e-9 && std::abs(p.y() + q.y()) < 1e-9;
    });
  });
}

} // namespace

TEST(FootLayout, EveryKindHasAPrintOfItsSizeWithAsManyToes) {
  for (const FootType type : Choices<FootType>::all)
    for (const int digits : {0, 1, 2, 3, 4, 5, 6, 8})
      for (const double wide : {0.4, 0.6, 1.0}) {
        HeadPattern head;
        head.feet.fore = laidOut(bare(type, digits, wide));
        const FootPattern& foot = *head.feet.fore;
        const std::vector<Sole> soles = solesOf(head, 60, 0.28e-3, rules());
        ASSERT_EQ(soles.size(), 1U);
        const Sole& sole = soles[0];
        Bounds2 box;
        box.take(sole.outline);
        for (const auto& toe : sole.toes) box.take(toe);
        for (const SolePad& pad : sole.pads) {
          box.take(pad.outline);
          EXPECT_GT(std::abs(signedArea(pad.outline)), 0) << Choices<FootType>::word(type);
          EXPECT_GE(pad.grams, 0);
        }
        // A foot of 18 mm: no shorter than nine tenths of it and no longer than its claws make it.
        EXPECT_GT(box.size().x(), 0.7 * 18) << Choices<FootType>::word(type);
        EXPECT_LT(box.size().x(), 1.35 * 18) << Choices<FootType>::word(type);
        EXPECT_LT(box.size().y(), 2.2 * wide * 18) << Choices<FootType>::word(type) << digits;
        std::vector<Vec2> places;
        for (const FootPad& pad : foot.pads)
          if (pad.shape != FootPadShape::Outline) places.push_back(pad.at);
        EXPECT_TRUE(type == FootType::Hand || mirrored(places)) << Choices<FootType>::word(type) << digits;
        if (type == FootType::Paw) {
          const int toes = digits > 0 ? digits : 4;
          EXPECT_EQ(foot.claws.size(), static_cast<size_t>(toes));
          EXPECT_EQ(std::count_if(foot.pads.begin(), foot.pads.end(),
                                  [](const FootPad& pad) { return pad.kind == FootPadKind::Toe; }),
                    toes);
          // No toe lies on its neighbour.
          for (size_t i = 0; i + 1 < sole.pads.size(); ++i) {
            if (sole.pads[i].pad->kind != FootPadKind::Toe || sole.pads[i + 1].pad->kind != FootPadKind::Toe)
              continue;
            EXPECT_GT((sole.pads[i].pad->at - sole.pads[i + 1].pad->at).norm(),
                      1.4 * std::min(sole.pads[i].pad->radii.y(), sole.pads[i].pad->radii.x()));
          }
        }
      }
}

TEST(FootLayout, WhatAFileGivesStaysTheVerySame) {
  for (const HeadPattern& head : shippedHeads())
    for (const auto* foot : {&head.feet.fore, &head.feet.mid, &head.feet.hind}) {
      if (!*foot) continue;
      const FootPattern out = laidOut(**foot);
      ASSERT_EQ(out.pads.size(), (*foot)->pads.size());
      EXPECT_EQ(out.outline, (*foot)->outline);
      EXPECT_EQ(out.claws.size(), (*foot)->claws.size());
      for (size_t i = 0; i < out.pads.size(); ++i) EXPECT_EQ(out.pads[i].at, (*foot)->pads[i].at);
    }
}

TEST(FootLayout, AFoxsPawFromItsKindAloneIsNearToTheOneThatWasDrawn) {
  const HeadPattern fox = shippedHead("red_fox");
  FootPattern known = *fox.feet.fore;
  FootPattern kind = bare(known.type, known.digits, known.width / known.length);
  const FootPattern made = laidOut(kind);
  ASSERT_EQ(made.pads.size(), known.pads.size());
  // Each pad of the one has one of the other within an eighth of the foot.
  for (const FootPad& pad : known.pads) {
    double nearest = 1e9;
    for (const FootPad& other : made.pads)
      if (other.kind == pad.kind) nearest = std::min(nearest, (other.at - pad.at).norm());
    EXPECT_LT(nearest, 0.125) << pad.id;
  }
}
