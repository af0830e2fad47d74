#include "anatomy/proportion.h"
#include "anatomy/settle.h"
#include "anatomy/shape.h"
#include "anatomy/sizing.h"
#include "support.h"

#include <cmath>
#include <limits>
#include <random>

using namespace columna;
using namespace columna::test;

namespace {

double length(const Pattern& p, const std::string& bone) {
  const PatternBone* b = p.bone(bone);
  return (p.joints.at(b->to) - p.joints.at(b->from)).norm();
}

const FigureLimb& limbOf(const Figure& f, const std::string& id) {
  return f.limbs[static_cast<size_t>(*f.limb(id))];
}

/// z of a leg's lowest ring.
double lowestOf(const Figure& f, int limb) {
  double least = 1e9;
  for (const Tube& tube : f.tubes)
    for (size_t i = 0; i < tube.slabBone.size(); ++i)
      if (f.bones[static_cast<size_t>(tube.slabBone[i])].limb == limb) {
        const Ring& r = tube.rings[i + 1];
        least = std::min(least, r.centre.z() - std::hypot(r.ru * r.u.z(), r.rv * r.v.z()));
      }
  return least;
}

} // namespace

TEST(Shape, OneThatChangesNothingIsThePatternToTheLastBit) {
  Shape nothing;
  nothing.lengths["forearm"] = 1;
  nothing.moved["elbow"] = Vec3(0, 0, 0);
  nothing.girths["forearm@0.5"] = {};
  ASSERT_TRUE(nothing.none());
  for (const Pattern& p : animals())
    EXPECT_EQ(inModules(shaped(p, nothing)).shapeKey, inModules(p).shapeKey) << p.id;
}

TEST(Shape, LengthsAreTakenExactlyAndCarryWhatHangsOnThem) {
  std::mt19937 random(7);
  std::uniform_real_distribution<double> factor(0.8, 1.25);
  for (const Pattern& p : animals()) {
    Shape shape;
    for (const PatternBone& b : p.bones) shape.lengths[b.id] = factor(random);
    const Pattern made = shaped(p, shape);
    for (const PatternBone& b : p.bones)
      EXPECT_NEAR(length(made, b.id), length(p, b.id) * shape.lengths[b.id], 1e-9) << p.id << ' ' << b.id;
    for (const PatternBone& b : p.bones)
      if (const PatternBone* parent = p.bone(b.parent); parent && parent->to == b.from) {
        // Chains stay chains, and both turn alike: the bend between two bones is kept.
        const auto along = [](const Pattern& q, const PatternBone& x) {
          return Vec3(q.joints.at(x.to) - q.joints.at(x.from)).normalized();
        };
        EXPECT_NEAR(along(made, b).dot(along(made, *parent)), along(p, b).dot(along(p, *parent)), 1e-9)
            << b.id;
      }
    EXPECT_NEAR(footLevel(made), footLevel(p), 1e-6) << p.id << " stands where it stood";
    EXPECT_FALSE(made.right.has_value()) << "the sides stay mirror images";
  }
}

TEST(Shape, LongerForelegsStillStandOnAllFeet) {
  const Pattern& fox = *shelf().pattern("red_fox");
  Shape shape;
  for (const char* bone : {"upperarm", "forearm"}) shape.lengths[bone] = 1.2;
  const Figure f = figureAtScale(shaped(fox, shape), 1);
  for (const char* id : {"left-foreleg", "left-hindleg"}) {
    const double least = lowestOf(f, *f.limb(id));
    EXPECT_NEAR(least, 0, 0.01) << id;
  }
}

TEST(Shape, OneSideAloneLeavesTheOther) {
  const Pattern& otter = *shelf().pattern("river_otter");
  Shape shape;
  shape.lengths["right-forearm"] = 1.3;
  const Figure before = inModules(otter);
  const Figure after = inModules(shaped(otter, shape));
  const auto of = [](const Figure& f, const char* id) {
    for (const FigureBone& b : f.bones)
      if (b.id == id) return b.length;
    return 0.0;
  };
  EXPECT_NEAR(of(after, "right-forearm"), 1.3 * of(before, "right-forearm"), 1e-9);
  EXPECT_NEAR(of(after, "left-forearm"), of(before, "left-forearm"), 1e-9);
  EXPECT_FALSE(after.symmetric);
  Shape moved;
  moved.moved["left-elbow"] = Vec3(0.05, 0, 0);
  const Pattern shifted = shaped(otter, moved);
  EXPECT_NEAR(shifted.joints.at("elbow").x() - otter.joints.at("elbow").x(), 0.05, 1e-12);
  EXPECT_NEAR(shifted.right->joints.at("elbow").x(), otter.joints.at("elbow").x(), 1e-12);
}

TEST(Shape, MovedJointsMoveBothSidesAsMirrors) {
  const Pattern& heron = *shelf().pattern("heron");
  Shape shape;
  shape.moved["knee"] = Vec3(0.03, 0.02, -0.01);
  shape.moved["neck3"] = Vec3(0.01, 0.5, 0); // a midline joint keeps to the midline
  const Pattern made = shaped(heron, shape);
  EXPECT_NEAR((made.joints.at("knee") - heron.joints.at("knee") - Vec3(0.03, 0.02, -0.01)).norm(), 0, 1e-12);
  EXPECT_TRUE(inModules(made).symmetric);
  for (const auto& [name, at] : made.joints)
    if (made.onMidline(name)) {
      EXPECT_EQ(at.y(), heron.joints.at(name).y()) << name;
    }
}

TEST(Shape, AGirthChangesWhereItIsAndFadesToItsNeighbours) {
  const Pattern& otter = *shelf().pattern("river_otter");
  Shape shape;
  shape.girths["loin@0.5"] = {1.5, 1.2, 0.1};
  const Pattern made = shaped(otter, shape);
  const auto& before = otter.bone("loin")->stations;
  const auto& after = made.bone("loin")->stations;
  for (size_t i = 0; i < before.size(); ++i) {
    const double share = 1 - std::abs(before[i].at - 0.5) * 2;
    EXPECT_NEAR(after[i].across, before[i].across * (1 + 0.5 * share), 1e-12);
    EXPECT_NEAR(after[i].deep, before[i].deep * (1 + 0.2 * share), 1e-12);
    EXPECT_NEAR(after[i].lift, before[i].lift + 0.1 * share, 1e-12);
  }
  EXPECT_EQ(made.bone("chest")->stations.front().across, otter.bone("chest")->stations.front().across);
}

TEST(Character, DialsDoWhatTheySay) {
  for (const Pattern& p : animals()) {
    const Figure before = inModules(p);
    Shape shape;
    shape.character.head = 1.5;
    const Figure head = inModules(shaped(p, shape));
    EXPECT_NEAR(limbOf(head, "head").length, 1.5 * limbOf(before, "head").length, 1e-9) << p.id;
    shape = {};
    shape.character.legs = 0.8;
    const Figure legs = inModules(shaped(p, shape));
    for (size_t l = 0; l < before.limbs.size(); ++l)
      if (before.limbs[l].kind == LimbKind::Leg && stands(before, static_cast<int>(l)) &&
          p.id != "toy_bear") {
        EXPECT_LT(legs.limbs[l].length, before.limbs[l].length) << p.id;
        EXPECT_NEAR(lowestOf(legs, static_cast<int>(l)), lowestOf(before, static_cast<int>(l)), 0.025)
            << p.id << " keeps its feet on the ground";
      }
    shape = {};
    shape.character.girth = 1.2;
    const Figure stout = inModules(shaped(p, shape));
    EXPECT_NEAR(widestAcross(stout, limbOf(stout, "trunk")),
                1.2 * widestAcross(before, limbOf(before, "trunk")), 1e-9);
    shape = {};
    shape.character.eyesLower = 0.1;
    shape.character.eyes = 2;
    const Figure eyes = inModules(shaped(p, shape));
    EXPECT_LT(eyes.eyes[0].z(), before.eyes[0].z());
    EXPECT_NEAR(eyes.eyeDiameter, 2 * before.eyeDiameter, 1e-12);
  }
}

TEST(Character, TheAgeDialPassesThroughItsMarks) {
  EXPECT_EQ(characterAt(0), Character());
  EXPECT_NEAR(characterAt(2).head, 1.6, 1e-12);
  EXPECT_NEAR(characterAt(0.5).head, (1 + characterAt(1).head) / 2, 1e-12);
  EXPECT_NEAR(characterAt(-1).eyes, 0.85, 1e-12);
  EXPECT_NEAR(characterAt(-1).eyesLower, -0.1, 1e-12);
  EXPECT_NEAR(characterAt(-0.5).head, 0.98, 1e-12);
  EXPECT_EQ(characterAt(-3), characterAt(-1));
  EXPECT_EQ(characterAt(9), characterAt(2));
}

TEST(Shape, TheImpossibleIsRefusedInASentence) {
  const Pattern& otter = *shelf().pattern("river_otter");
  Shape shape;
  shape.moved["elbow"] = otter.joints.at("shoulder") - otter.joints.at("elbow");
  ASSERT_TRUE(shapeProblem(otter, shape).has_value());
  EXPECT_NE(shapeProblem(otter, shape)->sentence().find("no length"), std::string::npos);
  for (const double bad : {0.0, -1.0, std::nan(""), std::numeric_limits<double>::infinity(), 1e9}) {
    Shape s;
    s.lengths["forearm"] = bad;
    EXPECT_TRUE(shapeProblem(otter, s).has_value()) << bad;
    s = {};
    s.character.head = bad;
    EXPECT_TRUE(shapeProblem(otter, s).has_value()) << bad;
    s = {};
    s.girths["forearm@0"] = {bad, 1, 0};
    EXPECT_TRUE(shapeProblem(otter, s).has_value()) << bad;
  }
}

TEST(Sizing, EveryWayOfSizingGivesWhatWasAsked) {
  for (const Pattern& p : animals()) {
    for (const SizeBy by :
         {SizeBy::OverallHeight, SizeBy::ShoulderHeight, SizeBy::BodyLength, SizeBy::HeadLength}) {
      const Figure now = makeFigure(p, {SizeBy::OverallHeight, 180, {}}).value();
      const double wanted = 1.1 * lengthOf(now, p, by);
      const auto made = makeFigure(p, {by, wanted, {}});
      ASSERT_TRUE(made.ok()) << p.id << ' ' << word(by) << ' ' << made.problem().sentence();
      EXPECT_NEAR(lengthOf(*made, p, by), wanted, 1e-9 * wanted) << p.id << ' ' << word(by);
      EXPECT_NEAR(made->overallHeight, 1.1 * 180, 1e-6) << p.id << ' ' << word(by);
    }
    const Figure now = makeFigure(p, {SizeBy::OverallHeight, 180, {}}).value();
    const auto byLimb = makeFigure(p, {SizeBy::Limb, limbOf(now, "trunk").length * 2, "trunk"});
    ASSERT_TRUE(byLimb.ok()) << byLimb.problem().sentence();
    EXPECT_NEAR(byLimb->overallHeight, 360, 1e-6) << p.id;
    const double times = lengthOf(now, p, SizeBy::Scale);
    EXPECT_NEAR(makeFigure(p, {SizeBy::Scale, times, {}})->overallHeight, 180, 1e-6) << p.id;
  }
}

TEST(Sizing, ScalesAreReadAsWritten) {
  EXPECT_NEAR(*parseScale("1:8"), 8, 1e-12);
  EXPECT_NEAR(*parseScale("1 : 2,5"), 2.5, 1e-12);
  EXPECT_NEAR(*parseScale("1/12"), 12, 1e-12);
  EXPECT_NEAR(*parseScale("2:1"), 0.5, 1e-12);
  EXPECT_NEAR(*parseScale("6"), 6, 1e-12);
  for (const char* bad : {"", "1:0", "0:8", "-1:8", "one to eight", "1:8:9"})
    EXPECT_FALSE(parseScale(bad).ok()) << bad;
  const Pattern& mouse = *shelf().pattern("house_mouse");
  EXPECT_FALSE(makeFigure(mouse, {SizeBy::Scale, 500, {}}).ok()) << "a mouse of a tenth of a millimetre";
  EXPECT_FALSE(makeFigure(mouse, {SizeBy::Limb, 30, "antler"}).ok());
}

TEST(Proportion, ComparesWithTheAnimal) {
  const Pattern& fox = *shelf().pattern("red_fox");
  const Figure animal = figureAtScale(fox, 100);
  for (const Proportion& p : proportions(animal, animal)) {
    EXPECT_EQ(p.verdict, 0) << p.id;
    EXPECT_NEAR(p.value, p.animal, 1e-12);
    EXPECT_GT(p.high, p.low);
  }
  Shape shape;
  shape.character.head = 1.18;
  bool told = false;
  for (const Proportion& p : proportions(figureAtScale(shaped(fox, shape), 63), animal))
    if (p.id == "head-to-body") {
      told = true;
      EXPECT_EQ(p.verdict, 1);
      EXPECT_EQ(render(p.sentence), "head 18 % large for a red fox");
    }
  EXPECT_TRUE(told);
}
