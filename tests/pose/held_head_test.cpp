// A head held against its body: the head stays in the hand, the body turns under it.
#include "pose/held_head.h"

#include "support.h"

#include <cmath>

namespace columna::test {
namespace {

Vec3 jointAt(const Figure& f, const std::string& bone) {
  for (const FigureBone& b : f.bones)
    if (b.patternBone == bone) return b.begin;
  throw std::runtime_error("no such bone");
}

TEST(HeldHead, StaysWhereItIsWhileTheBodyTurnsUnderIt) {
  for (const Pattern& pattern : animals()) {
    const Figure figure = figureAtScale(pattern, 120);
    if (!figure.head) continue;
    const std::string bone = figure.bones[static_cast<size_t>(figure.head->bone)].patternBone;
    const HeadTurns limits = headTurns(pattern, figure);
    for (const Turn& turn : {Turn{}, Turn{limits.flex.high, limits.side.low, limits.twist.high / 2}}) {
      const Figure held = bodyUnder(pattern, figure, turn);
      ASSERT_EQ(held.tubes.size(), figure.tubes.size()) << pattern.id;
      EXPECT_LT((held.head->origin - figure.head->origin).norm(), 1e-9);
      EXPECT_LT((held.head->axes - figure.head->axes).norm(), 1e-9);
      const auto at = static_cast<size_t>(figure.head->tube);
      for (size_t i = 0; i < figure.tubes[at].rings.size(); ++i)
        EXPECT_LT((held.tubes[at].rings[i].centre - figure.tubes[at].rings[i].centre).norm(), 1e-6)
            << pattern.id;
      // What carries the head is as far from it as before, and turned by as much as was asked.
      const Vec3 joint = jointAt(figure, bone);
      EXPECT_LT((jointAt(held, bone) - joint).norm(), 1e-6) << pattern.id << ": the joint is in the hand too";
      double moved = 0;
      for (size_t i = 0; i < figure.bones.size(); ++i) {
        const FigureBone& before = figure.bones[i];
        EXPECT_NEAR((held.bones[i].end - held.bones[i].begin).norm(), before.length, 1e-6);
        if (before.limb == figure.bones[static_cast<size_t>(figure.head->bone)].limb) continue;
        moved = std::max(moved, (held.bones[i].begin - before.begin).norm());
      }
      const double asked = std::abs(turn.flex) + std::abs(turn.side) + std::abs(turn.twist);
      EXPECT_EQ(moved > 1e-6, asked > 0) << pattern.id;
    }
  }
}

} // namespace
} // namespace columna::test
