// Skins laid flat: digits of an outside parameterisation, closed forms, and what cannot be laid.
#include "anatomy/plane.h"
#include "face/skin.h"
#include "face/unroll.h"
#include "rules.h"
#include "support.h"

#include <Eigen/Geometry>

#include <numbers>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

/// A grid of so many cells over the unit square.
SkinMesh grid(int across, int up, const std::function<Vec3(double, double)>& place) {
  SkinMesh out;
  for (int j = 0; j <= up; ++j)
    for (int i = 0; i <= across; ++i)
      out.points.push_back(place(static_cast<double>(i) / across, static_cast<double>(j) / up));
  const auto at = [&](int i, int j) { return j * (across + 1) + i; };
  for (int j = 0; j < up; ++j)
    for (int i = 0; i < across; ++i) {
      out.triangles.push_back({at(i, j), at(i + 1, j), at(i + 1, j + 1)});
      out.triangles.push_back({at(i, j), at(i + 1, j + 1), at(i, j + 1)});
    }
  return out;
}

/// A sheet of 60 by 40 whose far corner is lifted.
SkinMesh lifted(double by) {
  return grid(12, 8, [by](double u, double v) { return Vec3(60 * u, 40 * v, by * u * v); });
}

const std::vector<Vec3> kSail{{0, 0, 0}, {60, 5, 0}, {70, 40, 12}, {30, 30, 4}, {-5, 45, 0}};

} // namespace

TEST(Unroll, ALiftedCornerStretchesAsAnOutsideSolverFinds) {
  // The same meshes by the parameterisation of CGAL 5.5 (as rigid as possible, lambda 1e5).
  struct Case {
    double by, least, most;
  };
  for (const Case& c : {Case{0, 1, 1}, Case{12, 0.9972, 1.0013}, Case{24, 0.9899, 1.0045}}) {
    const Flattened flat = flattened(lifted(c.by));
    EXPECT_NEAR(flat.least, c.least, 5e-4) << c.by;
    EXPECT_NEAR(flat.most, c.most, 5e-4) << c.by;
  }
}

TEST(Unroll, ACylinderLosesNothing) {
  const Flattened flat = flattened(grid(12, 8, [](double u, double v) {
    return Vec3(10 * std::sin(1.6 * u), 40 * v, 10 * (1 - std::cos(1.6 * u)));
  }));
  EXPECT_NEAR(flat.least, 1, 1e-6);
  EXPECT_NEAR(flat.most, 1, 1e-6);
  const double wide = (flat.points[12] - flat.points[0]).norm();
  EXPECT_NEAR(wide, 12 * 2 * 10 * std::sin(1.6 / 24), 1e-3); // its chords
}

TEST(Unroll, WhatIsFlatStaysAsItIsHoweverItIsTurned) {
  const Eigen::AngleAxisd turn(1.1, Vec3(1, -2, 0.5).normalized());
  SkinMesh mesh = lifted(0);
  for (Vec3& p : mesh.points) p = turn * p + Vec3(4, 90, -7);
  const Flattened flat = flattened(mesh);
  EXPECT_NEAR(flat.least, 1, 1e-9);
  EXPECT_NEAR(flat.most, 1, 1e-9);
  for (size_t i = 1; i < mesh.points.size(); ++i)
    EXPECT_NEAR((flat.points[i] - flat.points[0]).norm(), (mesh.points[i] - mesh.points[0]).norm(), 1e-7);
  for (const auto& [a, b, c] : mesh.triangles)
    EXPECT_GT(signedArea({flat.points[static_cast<size_t>(a)], flat.points[static_cast<size_t>(b)],
                          flat.points[static_cast<size_t>(c)]}),
              0);
}

TEST(Unroll, ABorderKeepsItsOrderAndItsEdges) {
  for (const bool turnedRound : {false, true}) {
    std::vector<Vec3> border = kSail;
    if (turnedRound) std::reverse(border.begin(), border.end());
    const auto laid = unroll(border);
    ASSERT_TRUE(laid);
    const size_t n = border.size();
    ASSERT_EQ(laid->outline.size(), 4 * n);
    for (size_t i = 0; i < n; ++i) {
      double run = 0;
      for (size_t k = 0; k < 4; ++k)
        run += (laid->outline[(4 * i + k + 1) % (4 * n)] - laid->outline[4 * i + k]).norm();
      const double edge = (border[(i + 1) % n] - border[i]).norm();
      EXPECT_GE(run, laid->least * edge * (1 - 1e-9)) << i;
      EXPECT_LE(run, laid->most * edge * (1 + 1e-9)) << i;
    }
    EXPECT_GT(laid->out, 1);
    EXPECT_NEAR(areaOf(laid->outline), laid->area, 0.03 * laid->area);
  }
}

TEST(Unroll, TwiceAsLargeIsTheSamePiece) {
  std::vector<Vec3> large = kSail;
  for (Vec3& p : large) p *= 2;
  const auto small = unroll(kSail);
  const auto twice = unroll(large);
  ASSERT_TRUE(small && twice);
  EXPECT_NEAR(twice->area, 4 * small->area, 1e-9 * twice->area);
  EXPECT_NEAR(twice->least, small->least, 1e-7);
  EXPECT_NEAR(areaOf(twice->outline), 4 * areaOf(small->outline), 1e-6 * twice->area);
}

TEST(Unroll, WhatIsNoSkinIsSaid) {
  EXPECT_FALSE(unroll({}));
  EXPECT_FALSE(unroll({{0, 0, 0}, {1, 0, 0}}));
  EXPECT_FALSE(unroll({{0, 0, 0}, {1, 0, 0}, {2, 0, 0}}));
  EXPECT_FALSE(unroll({{0, 0, 0}, {10, 10, 0}, {10, 0, 0}, {0, 11, 0}}));
}

TEST(Skins, EveryAnimalsPartsAreLaidFlat) {
  for (const Pattern& p : animals()) {
    const Plan plan = planned(project(p.id, 180));
    const auto skins = skinsOf(plan.figure, rules());
    std::set<std::string> wanted;
    for (const FigureFlat& flat : plan.figure->flats)
      if (flat.sheet.empty() && !flat.id.starts_with("right-")) wanted.insert(flat.id);
    EXPECT_EQ(skins.size(), wanted.size()) << p.id;
    for (const SkinPattern& skin : skins) {
      EXPECT_GT(skin.area, 0) << p.id << skin.id;
      EXPECT_LE(skin.least, 1 + 1e-6) << p.id << skin.id;
      EXPECT_GE(skin.most, 1 - 1e-6) << p.id << skin.id;
      EXPECT_GT(skin.least, 0.8) << p.id << skin.id;
      EXPECT_LT(skin.most, 1.25) << p.id << skin.id;
      if (skin.cut.empty()) continue;
      const double more = areaOf(skin.cut) - areaOf(skin.finished);
      EXPECT_GT(more, 0) << p.id << skin.id;
      // No more than the allowance all round, corners and all.
      double round = 0;
      for (size_t i = 0; i < skin.finished.size(); ++i)
        round += (skin.finished[(i + 1) % skin.finished.size()] - skin.finished[i]).norm();
      EXPECT_LT(more, 1.5 * rules().skinTurn * round + 40 * rules().skinTurn * rules().skinTurn)
          << p.id << skin.id;
    }
  }
}

TEST(Skins, AWingsAreTurnedRoundTheirFingersAndAFinIsNot) {
  const auto has = [](const char* animal, const char* part) {
    for (const SkinPattern& skin : skinsOf(planned(project(animal, 180)).figure, rules()))
      if (skin.id == part) return !skin.cut.empty();
    ADD_FAILURE() << animal << part;
    return false;
  };
  EXPECT_TRUE(has("bat", "wing 3 4"));
  EXPECT_FALSE(has("dragon", "spine 05"));
}
