// A figure that wears its head: its surface, what is left of the pattern, and what follows from it.
#include "head/wearing.h"

#include "anatomy/shape.h"
#include "heads.h"
#include "solid/field.h"
#include "solid/solid.h"
#include "solid/solid_mesh.h"

#include <gtest/gtest.h>

#include <numbers>

namespace columna::test {
namespace {

const HardDensities kDensities{{{HardMaterial::OvenClay, 1.7e-3}, {HardMaterial::WoolGlue, 0.5e-3}}, {}};

Figure worn(const std::string& id, double height, const Shape& shape = {}) {
  const Pattern pattern = shaped(wearing(barePattern(id), shippedHead(id), kDensities), shape);
  return *makeFigure(pattern, {SizeBy::OverallHeight, height, {}});
}

TEST(Wearing, TheFiguresSurfaceAtTheHeadIsTheHeads) {
  for (const std::string id : {"red_fox", "owl", "horse"}) {
    const Figure figure = worn(id, 160);
    ASSERT_TRUE(figure.head) << id;
    const WornHead& head = *figure.head;
    const HeadField field(shippedHead(id), head.length);
    const WoolField wool(figure, 0);
    int seen = 0;
    for (const Vec3& p : scattered(field.low(), field.high(), 900)) {
      const double d = field.distance(p);
      // Before the eyes nothing else of the body is near.
      if (p.x() < 0.6 * head.length || std::abs(d) > 4) continue;
      ++seen;
      const FieldSample sample = wool.sample(head.toFigure(p), 8);
      // A bill or a tooth may be nearer.
      EXPECT_LE(sample.distance, d + 1e-9) << id;
      if (sample.bone >= 0 && figure.bones[static_cast<size_t>(sample.bone)].hard == 0 && id != "owl") {
        EXPECT_NEAR(sample.distance, d, 1e-9) << id;
      }
    }
    EXPECT_GT(seen, 20) << id;
  }
}

TEST(Wearing, BonesJointsAndWireStay) {
  for (const Pattern& p : animals()) {
    const Pattern plain = barePattern(p.id);
    const Pattern with = wearing(plain, shippedHead(p.id), kDensities);
    EXPECT_EQ(with.joints, plain.joints) << p.id;
    ASSERT_EQ(with.bones.size(), plain.bones.size()) << p.id;
    for (size_t b = 0; b < plain.bones.size(); ++b)
      EXPECT_EQ(with.bones[b].wire, plain.bones[b].wire) << p.id;
    const Figure before = inModules(plain);
    const Figure after = inModules(with);
    ASSERT_EQ(before.bones.size(), after.bones.size()) << p.id;
    for (size_t b = 0; b < before.bones.size(); ++b) {
      EXPECT_EQ(before.bones[b].begin, after.bones[b].begin) << p.id;
      EXPECT_EQ(before.bones[b].length, after.bones[b].length) << p.id;
    }
    EXPECT_TRUE(after.head) << p.id;
    EXPECT_FALSE(before.head) << p.id;
  }
}

TEST(Wearing, IsAlikeOnBothSidesToTheLastBit) {
  for (const std::string id : {"red_fox", "deer", "elephant", "beetle"}) {
    const Figure figure = worn(id, 120);
    ASSERT_TRUE(figure.symmetric);
    const WoolField field(figure, usualBlend(figure));
    const Vec3 low = figure.head->toFigure(Vec3(-0.3, -0.6, -0.6) * figure.head->length);
    const Vec3 high = figure.head->toFigure(Vec3(1.2, 0.6, 0.6) * figure.head->length);
    for (const Vec3& p : scattered(low.cwiseMin(high), low.cwiseMax(high), 300))
      EXPECT_EQ(field.sample(p, 50).distance, field.sample({p.x(), -p.y(), p.z()}, 50).distance) << id;
  }
}

TEST(Wearing, FollowsSizeAndDials) {
  const Figure one = worn("red_fox", 100);
  const Figure two = worn("red_fox", 200);
  EXPECT_NEAR(two.head->length / one.head->length, 2, 1e-12);
  Shape larger;
  larger.character.head = 1.5;
  const Figure big = worn("red_fox", 100, larger);
  EXPECT_NEAR(big.head->length / big.scale, 1.5 * one.head->length / one.scale, 1e-9);
  EXPECT_EQ(big.head->dials.wide, 1); // nothing but larger
  EXPECT_EQ(big.head->dials.muzzle, 1);
  Shape shorter;
  shorter.character.muzzle = 0.6;
  const Figure baby = worn("red_fox", 100, shorter);
  EXPECT_NEAR(baby.head->dials.muzzle, 0.6, 1e-9);
  EXPECT_NEAR(baby.head->length / baby.scale, one.head->length / one.scale, 1e-9);
  // A stouter head: its rings were dragged wider, and nothing else.
  Shape stout;
  for (const char* bone : {"skull", "muzzle"})
    for (int place = 0; place < 3; ++place) stout.girths[girthKey(bone, place)] = {1.2, 1, 0};
  const Figure wide = worn("red_fox", 100, stout);
  EXPECT_NEAR(wide.head->dials.wide, 1.2, 1e-9);
  EXPECT_NEAR(wide.head->dials.high, 1, 1e-9);
}

TEST(Wearing, ItsVolumeIsTheHeadsAndTheSharesAddUp) {
  // Far from the neck: what the bones of the head hold is the head's own volume less what the neck's end
  // takes.
  const Figure figure = worn("horse", 160);
  SolidWish wish;
  wish.cell = 0.8;
  const BodySolid solid = bodySolid(figure, wish);
  double head = 0;
  double all = 0;
  for (size_t b = 0; b < figure.bones.size(); ++b) {
    const double share = solid.bones[b].core + solid.bones[b].coat;
    all += share;
    if (figure.limbs[static_cast<size_t>(figure.bones[b].limb)].kind == LimbKind::Head) head += share;
  }
  EXPECT_NEAR(all, solid.core + solid.coat, 1e-9 * all);
  const double own = HeadField(shippedHead("horse"), figure.head->length).volumes(0.5).total();
  EXPECT_LT(head, own * 1.01);
  EXPECT_GT(head, own * 0.7);
}

TEST(Wearing, HornsAndBillsAreHardAndEarsAreItsOwn) {
  const Figure cow = worn("cow", 160);
  int hard = 0;
  for (const FigureBone& b : cow.bones) hard += b.hard > 0 ? 1 : 0;
  EXPECT_EQ(hard, 6); // three a horn
  const Figure fox = worn("red_fox", 160);
  const auto ear = std::find_if(fox.flats.begin(), fox.flats.end(),
                                [](const FigureFlat& f) { return f.id == "left-ear"; });
  ASSERT_NE(ear, fox.flats.end());
  EXPECT_FALSE(ear->triangles.empty());
  // Rolling changes no length: the sheet's area is its outline's within what chords take off.
  const HeadPattern head = shippedHead("red_fox");
  double area = 0;
  for (const auto& [a, b, c] : ear->triangles)
    area += (ear->sheet[static_cast<size_t>(b)] - ear->sheet[static_cast<size_t>(a)])
                .cross(ear->sheet[static_cast<size_t>(c)] - ear->sheet[static_cast<size_t>(a)])
                .norm() /
            2;
  double flat = 0;
  const auto& outline = head.flats.front().outline;
  for (size_t i = 0; i < outline.size(); ++i) {
    const Vec2& p = outline[i];
    const Vec2& q = outline[(i + 1) % outline.size()];
    flat += (p.x() * q.y() - q.x() * p.y()) / 2;
  }
  EXPECT_NEAR(area, std::abs(flat) * fox.head->length * fox.head->length, 0.05 * area);
}

TEST(Wearing, MeshesOfAllAnimalsAreClosed) {
  for (const Pattern& p : animals()) {
    MeshWish wish;
    const Figure figure = worn(p.id, 120);
    wish.cell = 3;
    wish.blend = usualBlend(figure);
    const MeshCheck check = checkMesh(solidMesh(figure, wish));
    EXPECT_TRUE(check.closed) << p.id;
    EXPECT_EQ(check.openEdges, 0) << p.id;
  }
}

} // namespace
} // namespace columna::test
