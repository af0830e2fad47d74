// What is round an eye: wire, wool under the socket, ears before it.
#include "face/eye_room.h"

#include "../head/heads.h"
#include "head/wearing.h"
#include "judge/face_sums.h"
#include "rules.h"

#include <numbers>

using namespace columna;
using namespace columna::test;

namespace {

const Vec3 kIn(-1, 0, 0);

} // namespace

TEST(EyeRoom, AHoleBesideAWireIsAsClearAsBothLeave) {
  const Vec3 middle(0, 5, 0);
  const std::vector<HeadWire> along{{Vec3(-40, 0, 0), Vec3(0, 0, 0), 3}};
  EXPECT_NEAR(clearOfWire(middle, kIn, 10, along, 1), 5 - 1.5 - 0.5, 1e-12);
  // Another length changes nothing beside it.
  EXPECT_NEAR(clearOfWire(middle, kIn, 2, along, 1), 3, 1e-12);
  EXPECT_EQ(clearOfWire(middle, kIn, 2, {}, 1), std::numeric_limits<double>::infinity());
  EXPECT_LT(clearOfWire(middle, -Vec3::UnitY(), 10, along, 1), 0);
}

TEST(EyeRoom, AStemEndsBeforeTheWireInItsWay) {
  const Vec3 middle(0, 9, 0);
  const Vec3 way = -Vec3::UnitY();
  const std::vector<HeadWire> across{{Vec3(-40, 0, 0), Vec3(40, 0, 0), 2}};
  EXPECT_NEAR(longestClear(middle, way, 20, 1, across, 1), 9 - 1 - 0.5 - 1, 2e-4);
  EXPECT_EQ(longestClear(middle, way, 3, 1, across, 1), 3);
  EXPECT_EQ(longestClear(middle, way, 20, 1, {}, 1), 20);
  EXPECT_EQ(longestClear(Vec3(0, 2, 0), way, 20, 1, across, 1), 0);
}

TEST(EyeRoom, StemsKeepClearOfTheWireInEveryHead) {
  const FaceRules& r = rules();
  int cut = 0;
  for (const Pattern& p : animals()) {
    const double height = 160;
    const Project one = project(p.id, height);
    const Plan plan = planned(one);
    const auto sums = faceSums(one, shelf(), plan);
    ASSERT_TRUE(sums) << p.id;
    for (const FaceEye& e : sums->report.eyes) {
      EXPECT_GE(e.under, 0) << p.id;
      EXPECT_GE(e.hidden, 0) << p.id;
      EXPECT_LE(e.hidden, 1) << p.id;
      if (!e.eye->twin) continue;
      EXPECT_GE(e.stem.length, 0) << p.id;
      if (e.cutForWire) {
        ++cut;
      } else {
        EXPECT_GE(e.stem.length, std::min(r.stemLeast, r.stemLeastLong * e.choice.take)) << p.id;
      }
      if (p.id != "red_fox" && p.id != "owl" && p.id != "horse") continue;
      // The same head without any wire would take a stem as long at least.
      const FaceReport bare = faceReport(sums->head, sums->report.length, sums->density, r);
      for (const FaceEye& free : bare.eyes)
        if (free.eye->id == e.eye->id) {
          EXPECT_LE(e.stem.length, free.stem.length + 1e-9) << p.id;
          EXPECT_FALSE(free.cutForWire) << p.id;
        }
    }
  }
  if (animals().size() == shelf().patterns.size()) { // not a few of them, as under the sanitizers
    EXPECT_GT(cut, 0) << "no head has wire near its eyes";
  }
}

TEST(EyeRoom, WoolUnderASocketIsWhatIsNearest) {
  const HeadPattern fox = shippedHead("red_fox");
  const HeadField field(fox, 80);
  // From the middle of the head straight across: half its width, but for the step the tracing ends with.
  const double side = field.body().at(40).side;
  const Vec3 inside(40, 0, (field.body().at(40).top + field.body().at(40).bottom) / 2);
  const double across = woolUnder(field, inside, Vec3::UnitY(), {}, 6, false, inside);
  EXPECT_NEAR(across, side, 0.15 * side);
  const std::vector<HeadWire> wire{{inside + Vec3(-30, -4, 0), inside + Vec3(30, -4, 0), 2}};
  EXPECT_NEAR(woolUnder(field, inside, Vec3::UnitY(), wire, 6, false, inside), 3, 1e-9);
  // The other ball, 3 mm in radius, 9 mm from this place.
  const Vec3 bottom(40, 3, inside.z());
  EXPECT_NEAR(woolUnder(field, bottom, Vec3::UnitY(), {}, 6, true, Vec3(40, 6, inside.z())), 6, 1e-9);
}

TEST(EyeRoom, AnEyeBehindAnEarIsHidden) {
  const HeadPattern fox = shippedHead("red_fox");
  const HeadField field(fox, 80);
  const RoughHead::Sheet ear = standing(fox.flats[0], field);
  const auto& t = ear.triangles[ear.triangles.size() / 2];
  const Vec3 a = 80 * ear.points[static_cast<size_t>(t[0])];
  const Vec3 b = 80 * ear.points[static_cast<size_t>(t[1])];
  const Vec3 c = 80 * ear.points[static_cast<size_t>(t[2])];
  const Vec3 way = (b - a).cross(c - a).normalized();
  const Vec3 on = (a + b + c) / 3;
  EXPECT_EQ(hiddenBy(fox, field, on - 3 * way, way, 0.5), 1);
  EXPECT_EQ(hiddenBy(fox, field, on - 3 * way, -way, 0.5), 0);
  EXPECT_EQ(hiddenBy(fox, field, on - Vec3(0, 0, 300), Vec3::UnitX(), 5), 0);
  // Larger than the ear: part of it.
  const double part = hiddenBy(fox, field, on - 3 * way, way, 300);
  EXPECT_GT(part, 0);
  EXPECT_LT(part, 0.5);
  HeadPattern bald = fox;
  bald.flats.clear();
  EXPECT_EQ(hiddenBy(bald, field, on - 3 * way, way, 0.5), 0);
}

TEST(EyeRoom, NoShippedAnimalsEarsHideItsEyes) {
  for (const HeadPattern& head : shippedHeads()) {
    const FaceReport report = faceReport(head, 60, 0.2e-3, rules());
    for (const FaceEye& e : report.eyes) EXPECT_LE(e.hidden, rules().hiddenNear) << head.id;
  }
}
