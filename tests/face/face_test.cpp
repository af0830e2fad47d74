// Sums of the face: tape, eyes and their stems, ears under their own weight.
#include "anatomy/plane.h"
#include "face/eye.h"
#include "face/flat_felt.h"
#include "face/tape.h"
#include "head/head_field.h"
#include "head/head_reader.h"
#include "measure/disk.h"
#include "rules.h"
#include "support.h"

#include <nlohmann/json.hpp>

#include <numbers>
#include <random>

using namespace columna;
using namespace columna::test;

namespace {

TapedSurface oval(const Vec3& r) {
  return {[r](const Vec3& p) {
            const double k0 = p.cwiseQuotient(r).norm();
            const double k1 = p.cwiseQuotient(r).cwiseQuotient(r).norm() + 1e-12;
            return k0 * (k0 - 1) / k1;
          },
          [r](const Vec3& p) { return Vec3(p.cwiseQuotient(r).cwiseQuotient(r).normalized()); }};
}

Vec3 on(const Vec3& r, double aside, double up) {
  return r.cwiseProduct(Vec3(std::cos(aside) * std::cos(up), std::sin(aside) * std::cos(up), std::sin(up)));
}

double degrees(double d) { return d * std::numbers::pi / 180; }

} // namespace

TEST(Tape, OnOvalsItIsTheShortestWay) {
  const Vec3 ball(26, 26, 26);
  const double sphere = *tape(oval(ball), on(ball, 0, 0), on(ball, degrees(35), degrees(25)));
  EXPECT_NEAR(sphere, 26 * std::acos(std::cos(degrees(35)) * std::cos(degrees(25))), 2e-3);
  EXPECT_NEAR(sphere, 19.0878, 1e-3);
  EXPECT_NEAR((on(ball, 0, 0) - on(ball, degrees(35), degrees(25))).norm(), 18.6620, 1e-4);
  const Vec3 egg(26, 17, 15);
  EXPECT_NEAR((on(egg, 0, 0) - on(egg, 0.9, 0.5)).norm(), 18.1086, 1e-4);
  EXPECT_NEAR(*tape(oval(egg), on(egg, 0, 0), on(egg, 0.9, 0.5)), 19.1854, 6e-3) << "the geodesic";
  // A quarter of the level ellipse: 26 E(1 - (17/26)^2), the complete elliptic integral.
  EXPECT_NEAR(*tape(oval(egg), on(egg, 0, 0), on(egg, std::numbers::pi / 2, 0)), 34.1430, 5e-3);
}

TEST(Tape, IsNeitherShorterThanStraightNorDifferentTheOtherWayRound) {
  std::mt19937 draw(11);
  std::uniform_real_distribution<double> angle(-1.2, 1.2);
  const Vec3 egg(26, 17, 15);
  for (int i = 0; i < 25; ++i) {
    const Vec3 a = on(egg, angle(draw), angle(draw) / 2);
    const Vec3 b = on(egg, angle(draw), angle(draw) / 2);
    const auto there = tape(oval(egg), a, b);
    const auto back = tape(oval(egg), b, a);
    ASSERT_TRUE(there && back);
    EXPECT_EQ(*there, *back);
    EXPECT_GE(*there, (a - b).norm() - 1e-3);
    const Vec3 twice = 2 * egg;
    EXPECT_NEAR(*tape(oval(twice), 2 * a, 2 * b), 2 * *there, 2e-3 * *there);
  }
  EXPECT_EQ(*tape(oval(egg), on(egg, 0, 0), on(egg, 0, 0)), 0);
}

TEST(Tape, OnAFoxItIsWithinOnePercentOfAnotherSumOfIt) {
  const auto head = readHeadFile(std::filesystem::path(COLUMNA_DATA_DIR) / "heads/red_fox.json");
  ASSERT_TRUE(head);
  const HeadField fox(*head, 52);
  const TapedSurface surface{[&](const Vec3& p) { return fox.distance(p); },
                             [&](const Vec3& p) { return fox.normal(p); }};
  const Vec3 nose = fox.onto(*fox.hit(Vec3(52, 0, 0.02 * 52), {1, 0, 0}));
  const HeadEye& e = head->eyes.front();
  const Vec3 axis(std::cos(e.elevation) * std::cos(e.azimuth), std::cos(e.elevation) * std::sin(e.azimuth),
                  std::sin(e.elevation));
  const Vec3 eye = fox.onto(*fox.hit(e.at * 52, axis));
  const Vec3 ear = fox.onto(head->flats.front().base.front() * 52);
  const Vec3 crown = *fox.hit(Vec3(0.4 * 52, 0, 0), {0, 0, 1});
  EXPECT_NEAR(*tape(surface, nose, eye), 22.75, 0.25);
  EXPECT_NEAR(*tape(surface, nose, ear), 32.48, 0.35);
  EXPECT_NEAR(*tape(surface, nose, crown), 34.14, 0.35);
  EXPECT_NEAR(*tape(surface, eye, ear), 14.34, 0.25);
}

TEST(Eyes, TheNearestSizeSoldIsTakenByRatio) {
  for (const auto& [wanted, take] :
       {std::pair(5.304, 5.0), std::pair(6.895, 7.0), std::pair(9.017, 9.0), std::pair(10.575, 10.0),
        std::pair(6.24, 6.0), std::pair(3.52, 3.5), std::pair(0.2, 1.0), std::pair(90.0, 24.0)})
    EXPECT_EQ(eyeFor(wanted, rules()).take, take) << wanted;
  EXPECT_NEAR(eyeFor(5.304, rules()).off, -0.0573, 1e-3);
}

TEST(Eyes, ASocketIsTheCapOfABall) {
  const Socket five = socketOf(5, 0.55);
  EXPECT_NEAR(five.deep, 2.75, 1e-9);
  EXPECT_NEAR(five.volume, 37.6, 0.05);
  EXPECT_NEAR(five.opening, 4.97, 0.01);
  const Socket half = socketOf(8, 0.5);
  EXPECT_NEAR(half.volume, std::numbers::pi * 512 / 12, 1e-9);
  EXPECT_EQ(half.opening, 8);
  EXPECT_NEAR(socketOf(8, 1).volume, std::numbers::pi * 512 / 6, 1e-9) << "all of it";
  EXPECT_EQ(socketOf(8, 0).volume, 0);
}

TEST(Eyes, StemsAreTurnedUntilTheirHolesStayApart) {
  // The fox at 52 mm: 6.6 mm from the mid line, 44 degrees, 12 mm long.
  FaceRules r = rules();
  r.stemLong = 1000;
  r.stemWide = 1000;
  r.stemMost = 12;
  const StemPlan fox = stemsFor(6.6, degrees(44), 5, 30, r);
  EXPECT_EQ(fox.length, 12);
  EXPECT_NEAR(fox.azimuth, degrees(27.8), degrees(0.1));
  EXPECT_NEAR(fox.shorter, 8.06, 0.01);
  EXPECT_NEAR(fox.clear, 1.0, 0.01);
  EXPECT_NEAR(stemsFor(3.0, degrees(60), 5, 30, r).shorter, 2.31, 0.01);
  const StemPlan straight = stemsFor(6.6, 0, 5, 30, r);
  EXPECT_EQ(straight.azimuth, 0);
  EXPECT_EQ(straight.shorter, 0) << "any length is";
  // Left at its own azimuth they would meet: the crossing's closed form.
  const Eigen::Vector3d a(0, 6.6, 0);
  const auto end = [&](double t) {
    return Eigen::Vector3d(a - t * Eigen::Vector3d(std::cos(degrees(44)), std::sin(degrees(44)), 0));
  };
  const Eigen::Vector3d flip(1, -1, 1);
  EXPECT_NEAR(nearest({a, end(12)}, {a.cwiseProduct(flip), end(12).cwiseProduct(flip)}).distance, 0, 1e-9);
  EXPECT_NEAR(nearest({a, end(8)}, {a.cwiseProduct(flip), end(8).cwiseProduct(flip)}).distance, 2.09, 0.01);
}

TEST(Ears, BuckleAndSagAsClosedFormsSay) {
  struct Case {
    double density, thickness, critical;
  };
  for (const Case& c : {Case{0.15, 3, 64.6}, Case{0.22, 4, 101.1}, Case{0.10, 2, 37.6}}) {
    const FlatStanding s = standingOf({30, 18, c.thickness, c.density / 1000, 0, degrees(20)}, 0.5);
    EXPECT_NEAR(s.critical, c.critical, 0.15) << c.density;
  }
  const FlatStanding thin = standingOf({30, 18, 2, 0.15e-3, 0, degrees(20)}, 0.5);
  EXPECT_NEAR(thin.sag, 2.26, 0.02);
  EXPECT_EQ(thin.verdict, Stands::Doubtful);
  EXPECT_EQ(standingOf({30, 18, 3, 0.22e-3, 0, degrees(20)}, 0.5).verdict, Stands::Well);
  EXPECT_EQ(standingOf({60, 18, 3, 0.15e-3, 0, degrees(25)}, 0.5).verdict, Stands::Droops);
  EXPECT_LT(standingOf({30, 18, 3, 0.15e-3, 0, 0, false}, 0.5).critical,
            standingOf({30, 18, 3, 0.15e-3, 0, 0}, 0.5).critical);
}

TEST(Ears, ACupStiffensThem) {
  EXPECT_NEAR(cupFactor(18, 3, degrees(60)), 1.63, 0.01);
  EXPECT_NEAR(cupFactor(18, 3, degrees(95)), 2.50, 0.01);
  EXPECT_NEAR(cupFactor(18, 3, degrees(150)), 4.22, 0.01);
  EXPECT_NEAR(cupFactor(11, 2, degrees(150)), 3.70, 0.01);
  EXPECT_EQ(cupFactor(18, 3, 0), 1);
  EXPECT_NEAR(cupFactor(18, 3, 1e-3), 1, 1e-6) << "no jump where the cup begins";
}

TEST(FaceRules, AnIncompleteFileIsOneSentence) {
  const auto whole =
      nlohmann::json::parse(*readFile(std::filesystem::path(COLUMNA_DATA_DIR) / "work/face.json"));
  for (const auto& [key, value] : whole.items()) {
    auto less = whole;
    less.erase(key);
    const auto read = readFaceRules(less.dump(), "face.json");
    ASSERT_FALSE(read) << key;
    EXPECT_NE(read.problem().sentence().find("face.json"), std::string::npos) << key;
  }
  auto falling = whole;
  falling["eye_sizes"]["value"] = {3, 2};
  EXPECT_FALSE(readFaceRules(falling.dump(), "face.json"));
}
