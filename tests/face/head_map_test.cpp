// Places by halving: closed forms on a ball, and there and back on every head.
#include "face/head_map.h"

#include "../head/heads.h"
#include "face/tape.h"

#include <cmath>
#include <random>

using namespace columna;
using namespace columna::test;

namespace {

/// A ball about the origin.
RaySurface ball(double r) {
  return {[r](const Vec3& at, const Vec3& way) -> std::optional<Vec3> {
            const Vec3 aside = at - way * way.dot(at);
            const double rest = r * r - aside.squaredNorm();
            if (rest < 0) return std::nullopt;
            return aside + std::sqrt(rest) * way;
          },
          Vec3::Constant(-r), Vec3::Constant(r)};
}

} // namespace

TEST(HeadMap, ABallIsHalvedAsItsClosedFormSays) {
  const HeadMap map(ball(26), View::Front, 0);
  EXPECT_NEAR(map.height(), 52, 1e-6);
  const auto at = map.place({0.25, 0.5});
  ASSERT_TRUE(at);
  EXPECT_NEAR(at->y(), 6.5, 1e-6);
  EXPECT_NEAR(at->x(), 25.1744, 1e-3);
  EXPECT_NEAR(at->z(), 0, 1e-6);
  const TapedSurface surface{[](const Vec3& p) { return p.norm() - 26; },
                             [](const Vec3& p) { return Vec3(p.normalized()); }};
  EXPECT_NEAR(*tape(surface, {26, 0, 0}, *at), 6.5697, 2e-3);
  EXPECT_NEAR((Vec3(26, 0, 0) - *at).norm(), 6.5522, 1e-3);
  // Of an outline that narrows upwards the edge there, not the box's.
  const auto high = map.place({1, 0.9});
  ASSERT_TRUE(high);
  EXPECT_NEAR(high->y(), std::sqrt(26.0 * 26 - 20.8 * 20.8), 1e-3);
  // Pitched, the upright is another of the ball's own axes; from the side the rear edge is 0.
  const auto pitched = HeadMap(ball(26), View::Front, 0.5).place({0, 0.5});
  ASSERT_TRUE(pitched);
  EXPECT_NEAR(pitched->x(), 26 * std::cos(0.5), 1e-3);
  EXPECT_NEAR(pitched->z(), -26 * std::sin(0.5), 1e-3)
      << "a face held up looks level along what points down in it";
  const auto side = HeadMap(ball(26), View::Side, 0).place({0.25, 0.5});
  ASSERT_TRUE(side);
  EXPECT_NEAR(side->x(), -13, 1e-3);
  EXPECT_GT(side->y(), 0);
  for (const Vec2& beside : {Vec2(1.2, 0.5), Vec2(0, -0.1), Vec2(0, 1.1), Vec2(std::nan(""), 0.5)})
    EXPECT_FALSE(map.place(beside)) << beside.transpose();
}

TEST(HeadMap, ThereAndBackOnEveryHeadIsTheSamePlace) {
  std::mt19937 draw(11);
  std::uniform_real_distribution<double> share(0.08, 0.92);
  const std::vector<HeadPattern> heads = shippedHeads();
  for (size_t h = 0; h < heads.size(); h += 3) {
    const HeadPattern& head = heads[h];
    const HeadField field(head, 60);
    for (const View view : {View::Front, View::Side}) {
      const HeadMap map(raysOf(field), view, head.carriage);
      EXPECT_GT(map.height(), 0);
      for (int i = 0; i < 4; ++i) {
        const Vec2 at(share(draw) * (view == View::Front && i % 2 ? -1 : 1), share(draw));
        const auto place = map.place(at);
        if (!place) continue; // a hollow in the outline
        EXPECT_NEAR(field.distance(*place), 0, 0.02) << head.id;
        const auto back = map.shares(*place);
        ASSERT_TRUE(back) << head.id;
        EXPECT_NEAR(back->x(), at.x(), 1e-3) << head.id;
        EXPECT_NEAR(back->y(), at.y(), 1e-3) << head.id;
      }
    }
  }
}
