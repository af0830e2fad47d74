// Flat parts as plates, normals of the surface, felt's numbers, and grips on the wire.
#include "solid/plate.h"
#include "solid/solid_mesh.h"
#include "support.h"
#include "wool/felt.h"
#include "wool/layers.h"

#include <numbers>

using namespace columna;
using namespace columna::test;

namespace {

/// A square flat of 20 mm and 4 mm thick, lying in the plane y = 0 with a corner at the origin.
Figure square() {
  Figure f;
  f.bones.resize(1);
  FigureFlat flat;
  flat.bone = 0;
  flat.thickness = 4;
  flat.outline = {{0, 0, 0}, {20, 0, 0}, {20, 0, 20}, {0, 0, 20}};
  f.flats.push_back(flat);
  return f;
}

} // namespace

TEST(Plates, DistancesAreThoseOfASquareWithRoundEdges) {
  const Figure f = square();
  const Plate plate(f, 0);
  ASSERT_FALSE(plate.empty());
  EXPECT_NEAR(plate.distance({10, 0, 10}), -2, 1e-9) << "in its middle";
  EXPECT_NEAR(plate.distance({10, 2, 10}), 0, 1e-9) << "on its face";
  EXPECT_NEAR(plate.distance({10, -7, 10}), 5, 1e-9) << "beside it";
  EXPECT_NEAR(plate.distance({25, 0, 10}), 3, 1e-9) << "beyond an edge";
  EXPECT_NEAR(plate.distance({23, 0, 24}), 3, 1e-9) << "beyond a corner: three and four are five";
  EXPECT_TRUE(plate.within({-1, -1, -1}, {30, 1, 30}));
  EXPECT_FALSE(plate.within({40, -1, -1}, {50, 1, 30}));
}

TEST(Plates, WhatIsNoPlateIsNowhere) {
  Figure f = square();
  f.flats[0].outline.resize(2);
  EXPECT_TRUE(Plate(f, 0).empty());
  f = square();
  f.flats[0].thickness = 0;
  EXPECT_TRUE(Plate(f, 0).empty());
  EXPECT_TRUE(platesOf(f).empty());
  EXPECT_EQ(platesOf(square()).size(), 1U);
  for (const Pattern& pattern : animals()) {
    const Figure animal = makeFigure(pattern, {SizeBy::OverallHeight, 160, {}}).value();
    EXPECT_LE(platesOf(animal).size(), animal.flats.size()) << pattern.id;
    for (const Plate& plate : platesOf(animal))
      EXPECT_TRUE((plate.low().array() <= plate.high().array()).all()) << pattern.id;
  }
}

TEST(Normals, AreUnitAndPointOutOfTheBody) {
  const Figure f = makeFigure(*shelf().pattern("red_fox"), {SizeBy::OverallHeight, 120, {}}).value();
  MeshWish wish;
  wish.cell = 4;
  wish.flats = Flats::None;
  const SolidMesh mesh = solidMesh(f, wish);
  const auto normals = cornerNormals(mesh);
  ASSERT_EQ(normals.size(), mesh.vertices.size());
  double outward = 0;
  for (const MeshFace& face : mesh.faces) {
    const Eigen::Vector3f& a = mesh.vertices[static_cast<size_t>(face.corners[0])];
    const Eigen::Vector3f& b = mesh.vertices[static_cast<size_t>(face.corners[1])];
    const Eigen::Vector3f& c = mesh.vertices[static_cast<size_t>(face.corners[2])];
    outward +=
        (b - a).cross(c - a).normalized().dot(normals[static_cast<size_t>(face.corners[0])]) > 0 ? 1 : 0;
  }
  EXPECT_GT(outward / static_cast<double>(mesh.faces.size()), 0.97);
  for (const auto& n : normals) EXPECT_NEAR(n.norm(), 1, 1e-4);
}

TEST(FeltNumbers, ABallsDensityIsItsWeightOverItsVolume) {
  TestBall ball{30, 2.12, Firmness::Medium, {}};
  EXPECT_NEAR(ballDensity(ball), 6 * 2.12 / (std::numbers::pi * 27000), 1e-12);
  EXPECT_NEAR(handFactor(ball), ballDensity(ball) / feltDensity(Firmness::Medium), 1e-12);
  EXPECT_EQ(ballSpread(ball), 0);
  ball.measured = {29, 30, 32};
  EXPECT_NEAR(ballSpread(ball), 3, 1e-12);
  TestBall even = ball;
  even.measured = {30, 30, 30};
  EXPECT_GT(ballError(ball), ballError(even)) << "readings apart say less";
  TestBall large = even;
  large.diameter = 60;
  large.grams = 17;
  EXPECT_LT(ballError(large), ballError(even)) << "a larger ball says more";
}

TEST(FeltNumbers, FirmerIsDenserStifferAndWithinItsRange) {
  double density = 0;
  double stiffness = 0;
  for (const Firmness f : {Firmness::Soft, Firmness::Medium, Firmness::Firm}) {
    const DensityRange range = feltDensityRange(f);
    EXPECT_GT(feltDensity(f), density);
    EXPECT_GE(feltDensity(f), range.low);
    EXPECT_LE(feltDensity(f), range.high);
    EXPECT_GT(feltStiffness(feltDensity(f)), stiffness);
    density = feltDensity(f);
    stiffness = feltStiffness(density);
  }
  // A third power of the density.
  EXPECT_NEAR(feltStiffness(0.2e-3) / feltStiffness(0.1e-3), 8, 1e-6);
  EXPECT_NEAR(feltStiffness(0.15e-3), 0.135, 0.003);
}

TEST(FeltNumbers, WhatIsWoundIsTheSameWoolAsWhatIsFelted) {
  const double wound = 0.06e-3;
  const double felted = 0.15e-3;
  for (const double d : {8.0, 20.0, 45.0}) {
    const double ball = woundBallDiameter(d, wound, felted);
    EXPECT_NEAR(std::pow(ball, 3) * wound, std::pow(d, 3) * felted, 1e-9 * std::pow(d, 3)) << d;
    for (const double wire : {0.0, 2.0, 5.0}) {
      const double limb = woundLimbDiameter(d, wire, wound, felted);
      EXPECT_NEAR((limb * limb - wire * wire) * wound, (d * d - wire * wire) * felted, 1e-9 * d * d) << d;
      EXPECT_GT(limb, ball * 0.99) << "a limb cannot shrink in length";
    }
  }
  EXPECT_NEAR(woolLength(12, 0.024), 500, 1e-9);
}

TEST(FeltNumbers, EveryGirthGrowsFromWireToCoat) {
  for (const char* animal : {"red_fox", "heron", "elephant"}) {
    const Plan plan = planned(project(animal, 160));
    for (const LimbWool& w : plan.wool->limbs)
      for (const Girth& g : w.girths) {
        // Where a part is thinner than its wire no round fits, and a finding says so.
        if (g.round > 0) {
          EXPECT_LE(g.wire, g.finished + 1e-9) << animal;
        }
        EXPECT_LE(g.felted, g.finished + 1e-9) << animal;
        if (!g.allCoat && g.round > 0) {
          EXPECT_GE(g.wound, g.wire) << animal;
        }
        EXPECT_LE(g.coreAcross, g.across + 1e-9) << animal;
        EXPECT_LE(g.coreDeep, g.deep + 1e-9) << animal;
      }
  }
  EXPECT_EQ(gripThickness(WireGrip::None), 0);
  EXPECT_GT(gripThickness(WireGrip::Sleeve), gripThickness(WireGrip::Paper));
  EXPECT_GT(gripThickness(WireGrip::Paper), gripThickness(WireGrip::Wax));
}
