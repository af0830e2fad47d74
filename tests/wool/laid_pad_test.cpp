// Pads laid on the body and hollows pressed into it: their volumes, their twins, and that they follow their
// bone.
#include "face/small_anatomy.h"

#include "anatomy/figure.h"
#include "pose/pose.h"
#include "solid/solid.h"
#include "straight.h"
#include "support.h"

#include <random>

namespace columna::test {
namespace {

/// A round bar 40 mm thick and 200 mm long along x, with one pad in its middle.
Figure bar(bool hollow, const Vec3& radii) {
  Pattern pattern = *readPattern(rodPattern(200, 40, 40, 40, 40), "rod");
  PatternPad pad;
  pad.id = "knob";
  pad.bone = "rod";
  pad.hollow = hollow;
  pad.at = 0.5;
  pad.deep = 1;
  pad.across = 0;
  pad.radii = radii;
  pattern.pads.push_back(pad);
  return inModules(pattern);
}

double countedVolume(const Figure& figure, double cell, double blend = 0) {
  SolidWish wish;
  wish.cell = cell;
  wish.blend = blend;
  const BodySolid solid = bodySolid(figure, wish);
  return solid.core + solid.coat;
}

/// Of the oval at the bar's top by counting: what lies outside the bar, and inside it.
std::pair<double, double> counted(const Vec3& radii) {
  constexpr int n = 120;
  const Vec3 cell = 2 * radii / n;
  double outside = 0;
  double inside = 0;
  for (int i = 0; i < n; ++i)
    for (int k = 0; k < n; ++k)
      for (int j = 0; j < n; ++j) {
        const Vec3 s = (2 * Vec3(i + 0.5, k + 0.5, j + 0.5) / n).array() - 1;
        if (s.squaredNorm() > 1) continue;
        const Vec3 p = s.cwiseProduct(radii);
        (std::hypot(p.y(), 20 + p.z()) > 20 ? outside : inside) += cell.prod();
      }
  return {outside, inside};
}

TEST(LaidPads, WeighWhatStandsOutOfTheSurfaceAndHollowsTakeWhatLiesUnderIt) {
  for (const Vec3& radii : {Vec3(10, 6, 4), Vec3(3, 3, 3), Vec3(30, 4, 2)}) {
    const auto [outside, inside] = counted(radii);
    EXPECT_NEAR(laidVolume(bar(false, radii), "knob"), outside, 0.04 * outside);
    EXPECT_NEAR(laidVolume(bar(true, radii), "knob"), inside, 0.04 * inside);
    EXPECT_EQ(laidVolume(bar(false, radii), "none"), 0);
  }
  // The solid has it: more by the one, less by the other.
  const Vec3 radii(12, 9, 7);
  const auto [outside, inside] = counted(radii);
  Figure plain = bar(false, radii);
  plain.tubes.pop_back();
  plain.pads.clear();
  const double bare = countedVolume(plain, 0.5);
  EXPECT_NEAR(countedVolume(bar(false, radii), 0.5) - bare, outside, 0.06 * outside);
  EXPECT_NEAR(countedVolume(bar(true, radii), 0.5) - bare, -inside, 0.06 * inside);
}

TEST(LaidPads, PruningMissesNoHollow) {
  Figure figure = bar(true, {14, 8, 6});
  figure.pads.clear();
  const WoolField field(figure, 1.5);
  std::mt19937 draw(3);
  std::uniform_real_distribution<double> along(60, 140);
  std::uniform_real_distribution<double> aside(-25, 25);
  int deep = 0;
  std::vector<int> near;
  for (int i = 0; i < 4000; ++i) {
    const Vec3 centre(along(draw), aside(draw), 5 + aside(draw));
    const double radius = 2;
    field.near(centre, radius + 3, field.all(), near);
    const FieldSample full = field.sample(centre, 3);
    EXPECT_NEAR(field.sample(centre, near, 3).distance, full.distance, 1e-12);
    const auto where = field.ball(centre, radius, 0, near);
    deep += where == WoolField::Where::Deep ? 1 : 0;
    if (where == WoolField::Where::Unsure) continue;
    // What is sure holds for the whole ball.
    for (const Vec3& way : {Vec3(1, 0, 0), Vec3(-1, 0, 0), Vec3(0, 1, 0), Vec3(0, -1, 0), Vec3(0, 0, 1),
                            Vec3(0, 0, -1), Vec3(0.6, 0, 0.8)}) {
      const double d = field.sample(centre + radius * way, 100).distance;
      EXPECT_EQ(d > 0, where == WoolField::Where::Outside) << centre.transpose();
    }
  }
  EXPECT_GT(deep, 200) << "most of the inside is still known at once";
}

Pattern withPads(const std::string& id) {
  Pattern pattern = *shelf().pattern(id);
  for (const BodyPadKind& kind : shelf().anatomy.body)
    for (PatternPad& pad : bodyPads(kind, pattern)) pattern.pads.push_back(std::move(pad));
  return pattern;
}

TEST(LaidPads, AreMirroredToTheLastBitScaleAndLieWhereTheirNameSays) {
  for (const char* id : {"red_fox", "horse", "doll_human", "heron"}) {
    const Pattern pattern = withPads(id);
    const Figure figure = figureAtScale(pattern, 100);
    ASSERT_FALSE(figure.pads.empty()) << id;
    std::map<std::string, std::vector<const LaidPad*>> byId;
    for (const LaidPad& pad : figure.pads) byId[pad.id].push_back(&pad);
    for (const auto& [name, pads] : byId) {
      for (const LaidPad* pad : pads) {
        const FigureBone& bone = figure.bones[static_cast<size_t>(pad->bone)];
        EXPECT_NEAR(pad->out.norm(), 1, 1e-9);
        EXPECT_NE(figure.limbs[static_cast<size_t>(bone.limb)].kind, LimbKind::Wing);
        const bool mirrored = std::any_of(pads.begin(), pads.end(), [&](const LaidPad* other) {
          return other->at.x() == pad->at.x() && other->at.y() == -pad->at.y() &&
                 other->at.z() == pad->at.z();
        });
        EXPECT_TRUE(mirrored) << id << ' ' << name;
        // On the surface of its section.
        const Vec3 along = (bone.end - bone.begin).normalized();
        const Vec3 off = pad->at - bone.begin;
        EXPECT_GT((off - along * along.dot(off)).norm(), 0.5) << id << ' ' << name;
      }
      if (name == "elbow" || name == "hock-point") {
        EXPECT_LT(pads[0]->out.x(), -0.5) << id << ": behind";
      }
      if (name == "knee-cap" || name == "wrist-knob") {
        EXPECT_GT(pads[0]->out.x(), 0.5) << id << ": in front";
      }
      if (name == "spine-line") {
        EXPECT_EQ(pads[0]->at.y(), 0) << id;
        EXPECT_GT(pads[0]->out.z(), 0.8) << id;
      }
    }
    const Figure twice = figureAtScale(pattern, 200);
    for (const char* name : {"elbow", "knee-cap"})
      if (byId.contains(name)) {
        EXPECT_NEAR(laidVolume(twice, name), 8 * laidVolume(figure, name), 1e-6 * laidVolume(twice, name));
      }
    // The head keeps its own tubes.
    EXPECT_EQ(figure.head->tube, figureAtScale(*shelf().pattern(id), 100).head->tube);
  }
}

TEST(LaidPads, FollowTheirBoneInEveryPose) {
  const Pattern pattern = withPads("red_fox");
  const Figure rest = inModules(pattern);
  PatternPose pose;
  pose.name = "test";
  pose.turns["forearm"] = {0.6, 0.1, 0.2};
  pose.turns["thigh'"] = {-0.4, 0, 0};
  const Figure moved = inModules(posed(pattern, pose));
  ASSERT_EQ(moved.pads.size(), rest.pads.size());
  double most = 0;
  for (size_t i = 0; i < rest.pads.size(); ++i) {
    const auto inBone = [](const Figure& f, const LaidPad& pad) {
      const FigureBone& bone = f.bones[static_cast<size_t>(pad.bone)];
      const Vec3 along = (bone.end - bone.begin).normalized();
      const Vec3 off = pad.at - bone.begin;
      const Vec3 out(off.dot(along), off.dot(bone.deepAxis), off.dot(along.cross(bone.deepAxis)));
      return out;
    };
    EXPECT_LT((inBone(rest, rest.pads[i]) - inBone(moved, moved.pads[i])).norm(), 1e-9) << rest.pads[i].id;
    most = std::max(most, (rest.pads[i].at - moved.pads[i].at).norm());
  }
  EXPECT_GT(most, 0.02) << "the pose did turn something";
}

} // namespace
} // namespace columna::test
