// The solid against closed forms and against itself.
#include "solid/cell_cut.h"
#include "solid/field.h"
#include "solid/known_solid.h"
#include "solid/round.h"
#include "solid/solid.h"
#include "support.h"
#include "wool/straight.h"

#include <cmath>
#include <random>

using namespace columna;
using namespace columna::test;

namespace {

double volumeOf(const Figure& f, double cell = 1, double blend = 0) {
  SolidWish wish;
  wish.cell = cell;
  wish.blend = blend;
  const BodySolid s = bodySolid(f, wish);
  return s.core + s.coat;
}

constexpr double kPi = M_PI;

} // namespace

TEST(Solid, ClosedFormsToATenthPercent) {
  const double sphere = 4.0 / 3 * kPi;
  struct Case {
    const char* name;
    Straight part;
    double exact, within;
  };
  for (const Case& c : {
           Case{"sphere of 40", {1e-6, 40, 40, 40, 40, 40}, sphere * 64000, 1e-3},
           Case{"capsule", {80, 10, 10, 10, 10, 10}, kPi * 8000 + sphere * 1000, 1e-3},
           Case{"ellipsoid", {1e-6, 38, 38, 38, 38, 63.5}, sphere * 38 * 38 * 63.5, 1e-3},
           Case{"toe", {12, 1.5, 1.5, 1.5, 1.5, 1.5}, kPi * 2.25 * 12 + sphere * 3.375, 1e-2},
           Case{"elliptic cone", {80, 20, 10, 6, 3, 0}, kPi / 3 * 80 * (200 + 18 + 0.5 * (60 + 60)), 1e-3},
       })
    EXPECT_NEAR(volumeOf(figureOf({c.part})) / c.exact, 1, c.within) << c.name;
}

TEST(Solid, TwoSpheresShareTheirLens) {
  // Spheres of 40 and 30 whose centres are 45 apart; the lens by the formula of two caps.
  const double a = 40;
  const double b = 30;
  const double d = 45;
  const double lens = kPi * std::pow(a + b - d, 2) *
                      (d * d + 2 * d * b - 3 * b * b + 2 * d * a + 6 * a * b - 3 * a * a) / (12 * d);
  const Figure f = figureOf({{1e-6, a, a, a, a, a}, {1e-6, b, b, b, b, b, 1, Vec3(d, 0, 0)}});
  const double exact = 4.0 / 3 * kPi * (a * a * a + b * b * b) - lens;
  EXPECT_NEAR(volumeOf(f) / exact, 1, 1e-3);
  EXPECT_NEAR(volumeOf(f, 1, 3) / exact, 1, 1e-3) << "parts that do not grow from each other have no fillet";
}

TEST(Solid, CuttingABoneInEightChangesNothing) {
  Straight one;
  Straight eight;
  eight.bones = 8;
  EXPECT_NEAR(volumeOf(figureOf({eight})) / volumeOf(figureOf({one})), 1, 1e-9);
  const Figure f = figureOf({eight});
  const BodySolid s = bodySolid(f, {});
  double sum = 0;
  for (const BoneShare& b : s.bones) sum += b.core;
  EXPECT_NEAR(sum, s.core, 1e-12 * s.core);
  // Each middle bone has its own stretch of the cylinder.
  for (size_t i = 1; i < 7; ++i) EXPECT_NEAR(s.bones[i].core, kPi * 100 * 10, 0.01 * kPi * 1000);
}

TEST(Solid, CoatIsAnOffsetAndNotASmallerEllipse) {
  // Steiner: the section c inside an ellipse has area A - c P + pi c^2 while c is under its least radius of
  // curvature, 5 mm here.
  const Figure f = figureOf({{80, 20, 10, 20, 10, 0}});
  SolidWish wish;
  wish.coat = 3;
  const BodySolid s = bodySolid(f, wish);
  const double section = kPi * 200 - 3 * ellipsePerimeter(20, 10) + 9 * kPi;
  EXPECT_NEAR(s.core / (section * (80 - 6)), 1, 1e-3) << "a cut end is coated too";
  EXPECT_NEAR((s.core + s.coat) / (kPi * 200 * 80), 1, 1e-3);
  wish.coat = 10.01;
  EXPECT_LT(bodySolid(f, wish).core, 1e-3 * s.core) << "a coat as deep as the part leaves no core";
  wish.coat = 50;
  EXPECT_EQ(bodySolid(f, wish).core, 0);
}

TEST(Solid, EllipseDistanceFindsTheNearestPlace) {
  std::mt19937 random(7);
  std::uniform_real_distribution<double> place(-30, 30);
  for (int i = 0; i < 300; ++i) {
    const double x = place(random);
    const double y = place(random);
    double best = 1e9;
    for (int k = 0; k < 20000; ++k) {
      const double t = 2 * kPi * k / 20000;
      best = std::min(best, std::hypot(x - 20 * std::cos(t), y - 8 * std::sin(t)));
    }
    const EllipseDistance d = distanceToEllipse(x, y, 20, 8);
    EXPECT_NEAR(std::abs(d.distance), best, 0.01) << x << ' ' << y;
    EXPECT_EQ(d.distance < 0, x * x / 400 + y * y / 64 < 1);
  }
  for (int k = 0; k < 100; ++k) { // the zero set is exact
    const double t = 2 * kPi * k / 100;
    EXPECT_NEAR(distanceToEllipse(20 * std::cos(t), 8 * std::sin(t), 20, 8).distance, 0, 1e-6);
  }
}

TEST(Solid, APlaneCutsACubeAsCountingDoes) {
  std::mt19937 random(3);
  std::uniform_real_distribution<double> any(-1, 1);
  for (int i = 0; i < 60; ++i) {
    const Vec3 n(any(random), any(random), i % 3 == 0 ? 0 : any(random));
    const double at = 0.6 * any(random);
    int in = 0;
    constexpr int steps = 40;
    for (int k = 0; k < steps * steps * steps; ++k) {
      const Vec3 p((k % steps + 0.5) / steps - 0.5, (k / steps % steps + 0.5) / steps - 0.5,
                   (k / (steps * steps) + 0.5) / steps - 0.5);
      in += n.normalized().dot(p) + at < 0 ? 1 : 0;
    }
    EXPECT_NEAR(cellShare(at, n.x(), n.y(), n.z()), static_cast<double>(in) / (steps * steps * steps), 0.01);
  }
}

TEST(Solid, SharesAddUpAndTwinsAreEqualOnEveryAnimal) {
  for (const Pattern& p : animals()) {
    const Figure f = makeFigure(p, {SizeBy::OverallHeight, 160}).value();
    SolidWish wish;
    wish.cell = 2.5 * workingCell(f);
    wish.coat = f.coatThickness;
    wish.blend = usualBlend(f);
    wish.skin = 1;
    const BodySolid s = bodySolid(f, wish);
    double core = 0;
    double coat = 0;
    for (size_t b = 0; b < s.bones.size(); ++b) {
      const BoneShare& share = s.bones[b];
      core += share.core;
      coat += share.coat;
      double layers = share.wound + share.skin;
      for (const PadShare& pad : share.pads) layers += pad.volume;
      EXPECT_NEAR(layers, share.core, 1e-9 * s.core) << p.id << ' ' << f.bones[b].id;
      if (f.bones[b].twin < 0) continue;
      const BoneShare& twin = s.bones[static_cast<size_t>(f.bones[b].twin)];
      EXPECT_EQ(share.core, twin.core) << p.id;
      EXPECT_EQ(share.wound, twin.wound) << p.id;
      EXPECT_EQ(share.centre.y(), -twin.centre.y()) << p.id;
    }
    EXPECT_NEAR(core, s.core, 1e-12 * s.core) << p.id;
    EXPECT_NEAR(coat, s.coat, 1e-12 * (s.core + s.coat)) << p.id;
    // Coarse cells are near enough to fine ones for their stated error.
    wish.cell = workingCell(f);
    const BodySolid fine = bodySolid(f, wish);
    EXPECT_NEAR((s.core + s.coat) / (fine.core + fine.coat), 1, s.error) << p.id;
  }
}

TEST(Solid, ThreadsDoNotChangeTheLastBit) {
  const Figure f = makeFigure(*shelf().pattern("heron"), {SizeBy::OverallHeight, 120}).value();
  SolidWish wish;
  wish.cell = 3;
  wish.coat = f.coatThickness;
  wish.threads = 1;
  const BodySolid one = bodySolid(f, wish);
  wish.threads = 4;
  const BodySolid four = bodySolid(f, wish);
  EXPECT_EQ(one.core, four.core);
  for (size_t b = 0; b < one.bones.size(); ++b) EXPECT_EQ(one.bones[b].coat, four.bones[b].coat);
}

TEST(Solid, StopsWhenAsked) {
  const Figure f = makeFigure(*shelf().pattern("river_otter"), {SizeBy::OverallHeight, 160}).value();
  std::atomic<bool> stop{true};
  std::atomic<int> progress{0};
  SolidWish wish;
  wish.cell = 0.5;
  wish.stop = &stop;
  wish.progress = &progress;
  EXPECT_EQ(bodySolid(f, wish).core, 0);
  EXPECT_EQ(progress, 0);
}

TEST(Solid, RoundsNeverLeaveTheSection) {
  for (const Pattern& p : animals()) {
    const Figure f = makeFigure(p, {SizeBy::OverallHeight, 160}).value();
    const std::vector<BoneRound> rounds = largestRounds(f, f.coatThickness);
    for (const Tube& tube : f.tubes)
      for (size_t i = static_cast<size_t>(tube.capSlabs);
           i + 1 + static_cast<size_t>(tube.capSlabs) < tube.rings.size(); ++i) {
        const FigureBone& bone = f.bones[static_cast<size_t>(tube.slabBone[i])];
        if (!bone.wire || tube.pad || tube.slabFrom[i] >= tube.slabTo[i]) continue; // beyond the bone's end
        const Ring& ring = tube.rings[i + 1];
        const BoneRound& round = rounds[static_cast<size_t>(tube.slabBone[i])];
        const double r = round.radiusAt(tube.slabTo[i]);
        if (r <= 0) continue;
        const Vec2 line = lineInRing(bone, ring);
        for (int k = 0; k < 24; ++k) {
          const double a = 2 * kPi * k / 24;
          const double d =
              distanceToEllipse(line.x() + r * std::cos(a), line.y() + r * std::sin(a), ring.ru, ring.rv)
                  .distance;
          EXPECT_LE(d, -f.coatThickness + 2e-3 * (ring.ru + ring.rv)) << p.id << ' ' << bone.id;
        }
      }
  }
}

TEST(KnownSolid, IsKnownAgainAndGuessesWell) {
  const Pattern& otter = *shelf().pattern("river_otter");
  const auto solidOf = [&](const Figure& f, double coat) {
    SolidWish wish;
    wish.cell = 2 * workingCell(f);
    wish.coat = coat;
    wish.blend = usualBlend(f);
    wish.skin = 1;
    return makeSolid(f, wish);
  };
  const Figure small = makeFigure(otter, {SizeBy::OverallHeight, 100}).value();
  const KnownSolid known = solidOf(small, small.coatThickness);
  EXPECT_EQ(known.key, solidKey(small, small.coatThickness, 1));
  EXPECT_NE(known.key, solidKey(small, small.coatThickness + 0.1, 1));
  // Another size: exact.
  const Figure large = makeFigure(otter, {SizeBy::OverallHeight, 150}).value();
  EXPECT_NE(known.key, solidKey(large, large.coatThickness, 1));
  const auto guess = guessSolid(large, large.coatThickness, known);
  ASSERT_TRUE(guess);
  EXPECT_FALSE(guess->exact);
  const KnownSolid exact = solidOf(large, large.coatThickness);
  EXPECT_NEAR(guess->solid.core / exact.solid.core, 1, 1e-6);
  EXPECT_NEAR(guess->solid.bones[3].centre.x(), exact.solid.bones[3].centre.x(), 1e-6 * 150);
  // A thinner coat, and a fatter chest: within the guess's stated error.
  const auto thin = guessSolid(small, small.coatThickness / 2, known);
  const KnownSolid thinExact = solidOf(small, small.coatThickness / 2);
  EXPECT_NEAR(thin->solid.core / thinExact.solid.core, 1, thin->solid.error);
  Shape shape;
  shape.girths[{"chest@0.5"}] = {1.2, 1.2, 0};
  const Figure fat = figureAtScale(shaped(otter, shape), small.scale);
  const auto fatGuess = guessSolid(fat, fat.coatThickness, known);
  const KnownSolid fatExact = solidOf(fat, fat.coatThickness);
  EXPECT_NEAR(fatGuess->solid.core / fatExact.solid.core, 1, fatGuess->solid.error);
  EXPECT_GT(fatExact.solid.core, 1.01 * known.solid.core);
  // Other bones: no guess.
  const Figure heron = makeFigure(*shelf().pattern("heron"), {SizeBy::OverallHeight, 100}).value();
  EXPECT_FALSE(guessSolid(heron, heron.coatThickness, known));
}
