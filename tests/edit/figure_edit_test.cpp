// Changes of the figure as a whole and of its proportions, without a window.
#include "edit/figure_edit.h"
#include "edit/study_edit.h"
#include "support.h"

#include <numbers>

using namespace columna;
using namespace columna::test;

namespace {

Project fox(double height = 160) { return project("red_fox", height); }
int limb(const Plan& plan, const char* id) { return *plan.figure->limb(id); }
const FigureBone& firstBone(const Plan& plan, const char* id) {
  return plan.figure
      ->bones[static_cast<size_t>(plan.figure->limbs[static_cast<size_t>(limb(plan, id))].bones[0])];
}
int firstBoneIndex(const Plan& plan, const char* id) {
  return plan.figure->limbs[static_cast<size_t>(limb(plan, id))].bones[0];
}
/// Lengths of all bones, by their ids.
std::map<std::string, double> lengths(const Plan& plan) {
  std::map<std::string, double> out;
  for (const FigureBone& b : plan.figure->bones) out[b.id] = b.length;
  return out;
}

} // namespace

TEST(FigureEdit, ATenthSmallerIsSoHoweverTheSizeIsTold) {
  for (const SizeBy by : {SizeBy::OverallHeight, SizeBy::ShoulderHeight, SizeBy::BodyLength,
                          SizeBy::HeadLength, SizeBy::Scale}) {
    Project p = fox();
    p.size = {by, by == SizeBy::Scale ? 4.0 : by == SizeBy::HeadLength ? 50.0 : 140.0, {}};
    const double before = planned(p).figure->overallHeight;
    EXPECT_NEAR(planned(edit::sizedBy(p, 0.9)).figure->overallHeight, 0.9 * before, 1e-9 * before)
        << static_cast<int>(by);
  }
}

TEST(FigureEdit, GrownByAFactorIsToldByHeight) {
  Project p = fox();
  p.size = {SizeBy::Scale, 4, {}};
  const Plan plan = planned(p);
  const Project larger = edit::grown(p, plan, 1.06);
  EXPECT_EQ(larger.size.by, SizeBy::OverallHeight);
  EXPECT_NEAR(planned(larger).figure->overallHeight, 1.06 * plan.figure->overallHeight, 1e-9);
}

TEST(FigureEdit, AnotherAnimalTakesTheNameOnlyFromAFigureCalledAfterItsAnimal) {
  Project p = fox();
  p.name = shelf().pattern("red_fox")->name;
  EXPECT_EQ(edit::ofAnimal(p, shelf(), "heron").name, shelf().pattern("heron")->name);
  p.name = "Vixen";
  EXPECT_EQ(edit::ofAnimal(p, shelf(), "heron").name, "Vixen");
  EXPECT_EQ(edit::ofAnimal(p, shelf(), "heron").pattern, "heron");
  EXPECT_FALSE(plan(edit::ofAnimal(p, shelf(), "gryphon"), shelf())) << "refused when it is planned";
}

TEST(FigureEdit, TiedAgainTheTwinTakesThisSidesChoices) {
  Project p = fox();
  const Plan plan = planned(p);
  const int left = limb(plan, "left-foreleg");
  const FigureLimb& part = plan.figure->limbs[static_cast<size_t>(left)];
  EXPECT_TRUE(edit::tied(p, part));
  EXPECT_EQ(edit::tiedName(p, part), "forelegs");
  p = edit::tieToggled(p, plan, left);
  EXPECT_FALSE(edit::tied(p, part));
  EXPECT_EQ(edit::tiedName(p, part), "foreleg");
  p.change(plan.figure, left, [](LimbChoice& c) { c.wires = 2; });
  EXPECT_FALSE(p.limbs.contains("right-foreleg"));
  const Project tiedByLeft = edit::tieToggled(p, plan, left);
  EXPECT_EQ(tiedByLeft.limbs.at("right-foreleg").wires, 2);
  const Project tiedByRight = edit::tieToggled(p, plan, limb(plan, "right-foreleg"));
  EXPECT_FALSE(tiedByRight.limbs.contains("left-foreleg")) << "the right one had none";
  const int head = limb(plan, "head");
  EXPECT_EQ(edit::tieToggled(p, plan, head), p) << "a head has no twin";
}

TEST(FigureEdit, TheLengthFromTheNoseGivesThatNose) {
  for (const Pattern& pattern : animals()) {
    const Plan plan = planned(project(pattern.id, 160));
    const double front = edit::alongFigure(plan.figure).second;
    if (front <= 0) continue;
    Project p = project(pattern.id, 160);
    p.size = {SizeBy::BodyLength, edit::lengthFromNose(plan.figure, 1.2 * front), {}};
    EXPECT_NEAR(edit::alongFigure(planned(p).figure).second, 1.2 * front, 1e-6 * front) << pattern.id;
  }
}

TEST(StudyEdit, ALongerBoneLeavesAllOthersAsTheyAre) {
  for (const char* animal : {"red_fox", "heron", "beetle"}) {
    const Project p = project(animal, 160);
    const Plan before = planned(p);
    const std::string leg = before.figure->limb("right-hindleg") ? "right-hindleg"
                            : before.figure->limb("right-leg")   ? "right-leg"
                                                                 : before.figure->limbs.back().id;
    const int bone = firstBoneIndex(before, leg.c_str());
    const FigureBone& b = before.figure->bones[static_cast<size_t>(bone)];
    const auto longer = edit::boneLong(p, shelf(), before, bone, 1.3 * b.length);
    ASSERT_TRUE(longer) << longer.problem().sentence();
    const Plan after = planned(*longer);
    for (const auto& [id, length] : lengths(before)) {
      const FigureBone* other = nullptr;
      for (const FigureBone& each : before.figure->bones)
        if (each.id == id) other = &each;
      const double wanted = other->patternBone == b.patternBone ? 1.3 * length : length;
      EXPECT_NEAR(lengths(after).at(id), wanted, 1e-6 * wanted) << animal << " " << id;
    }
  }
}

TEST(StudyEdit, BonesOfNoLengthAreRefused) {
  const Project p = fox();
  const Plan plan = planned(p);
  for (const double mm : {0.0, -3.0, std::nan(""), std::numeric_limits<double>::infinity()}) {
    const auto made = edit::boneLong(p, shelf(), plan, 0, mm);
    ASSERT_FALSE(made) << mm;
    EXPECT_FALSE(made.problem().remedy.empty());
  }
}

TEST(StudyEdit, UntiedOneSideAloneIsLonger) {
  Project p = fox();
  const Plan plan = planned(p);
  p = edit::tieToggled(p, plan, limb(plan, "left-foreleg"));
  const FigureBone& left = firstBone(plan, "left-foreleg");
  const auto made = edit::boneLong(p, shelf(), plan, firstBoneIndex(plan, "left-foreleg"), 1.2 * left.length);
  ASSERT_TRUE(made);
  const Plan after = planned(*made);
  EXPECT_NEAR(firstBone(after, "left-foreleg").length, 1.2 * left.length, 1e-6);
  EXPECT_NEAR(firstBone(after, "right-foreleg").length, left.length, 1e-6);
}

TEST(StudyEdit, AMovedJointIsWhereItWasPutOnBothSides) {
  const Project p = fox();
  const Plan before = planned(p);
  const FigureBone& b = firstBone(before, "right-hindleg");
  const Vec3 to = b.end + Vec3(4, 2, 3);
  const Plan after = planned(edit::jointMoved(p, shelf(), before, b.to, to, false));
  // The figure settles on its feet again; what is put is the way from the bone's beginning.
  const FigureBone& moved = firstBone(after, "right-hindleg");
  const FigureBone& twin = firstBone(after, "left-hindleg");
  EXPECT_NEAR((moved.end - moved.begin - (to - b.begin)).norm(), 0, 1e-6);
  EXPECT_NEAR(moved.end.x(), twin.end.x(), 1e-9);
  EXPECT_NEAR(moved.end.y(), -twin.end.y(), 1e-9);
  EXPECT_NEAR(moved.end.z(), twin.end.z(), 1e-9);
  EXPECT_EQ(edit::jointMoved(p, shelf(), before, "gills", to, false), p);
}

TEST(StudyEdit, CarriedBonesKeepTheirLengths) {
  const Project p = fox();
  const Plan before = planned(p);
  const FigureBone& b = firstBone(before, "right-hindleg");
  const Plan carried = planned(edit::jointMoved(p, shelf(), before, b.to, b.end + Vec3(5, 0, 2), true));
  const Plan alone = planned(edit::jointMoved(p, shelf(), before, b.to, b.end + Vec3(5, 0, 2), false));
  const FigureLimb& leg = before.figure->limbs[static_cast<size_t>(limb(before, "right-hindleg"))];
  const auto second = static_cast<size_t>(leg.bones[1]);
  EXPECT_NEAR(carried.figure->bones[second].length, before.figure->bones[second].length, 1e-6);
  EXPECT_GT(std::abs(alone.figure->bones[second].length - before.figure->bones[second].length), 0.5);
}

TEST(StudyEdit, MovedThereAndBackNothingIsLeftOfIt) {
  const Project p = fox();
  const Plan before = planned(p);
  const FigureBone& b = firstBone(before, "right-hindleg");
  const Project there = edit::jointMoved(p, shelf(), before, b.to, b.end + Vec3(5, 0, 2), false);
  EXPECT_FALSE(there.shape.none());
  const Plan after = planned(there);
  const FigureBone& moved = firstBone(after, "right-hindleg");
  const Project back = edit::jointMoved(there, shelf(), after, b.to, moved.end - Vec3(5, 0, 2), false);
  EXPECT_TRUE(back.shape.none());
  EXPECT_NEAR(back.size.mm, p.size.mm, 1e-6);
}

TEST(StudyEdit, AGirthAtAJointBelongsToBothBonesThatMeetThere) {
  const Project p = fox();
  const Plan plan = planned(p);
  const int bone = firstBoneIndex(plan, "right-hindleg");
  const Project end = edit::girthChanged(p, shelf(), plan, bone, 2, 1.5, 1.25, 0);
  EXPECT_EQ(end.shape.girths.size(), 2U);
  for (const auto& [key, girth] : end.shape.girths) {
    EXPECT_DOUBLE_EQ(girth.across, 1.5) << key;
    EXPECT_DOUBLE_EQ(girth.deep, 1.25) << key;
  }
  EXPECT_EQ(edit::girthChanged(p, shelf(), plan, bone, 1, 1.5, 1, 0).shape.girths.size(), 1U);
  // Undone by its inverse, it is gone.
  const Project undone = edit::girthChanged(edit::girthChanged(p, shelf(), plan, bone, 1, 2, 2, 0), shelf(),
                                            plan, bone, 1, 0.5, 0.5, 0);
  EXPECT_TRUE(undone.shape.none());
}

TEST(StudyEdit, PutBackIsTheAnimalsOwnAndKeepsTheCharacter) {
  Project p = fox();
  p.shape.character.head = 1.3;
  const Plan plain = planned(p);
  const int bone = firstBoneIndex(plain, "right-hindleg");
  Project changed = edit::girthChanged(p, shelf(), plain, bone, 1, 2, 2, 0);
  changed = *edit::boneLong(changed, shelf(), planned(changed), bone, 50);
  const int other = firstBoneIndex(plain, "right-foreleg");
  changed = *edit::boneLong(changed, shelf(), planned(changed), other, 40);
  const Project one = edit::putBack(changed, shelf(), planned(changed), bone);
  EXPECT_EQ(one.shape.lengths.size(), 1U) << "the other bone's stays";
  EXPECT_TRUE(one.shape.girths.empty());
  const Project all = edit::putBack(changed, shelf(), planned(changed), -1);
  EXPECT_TRUE(all.shape.lengths.empty());
  EXPECT_DOUBLE_EQ(all.shape.character.head, 1.3);
  EXPECT_NEAR(planned(all).figure->overallHeight, plain.figure->overallHeight, 0.01);
}

TEST(StudyEdit, APartIsMadeOnceAndUnmade) {
  Project p = edit::partMade(fox(), {"trunk", 60, std::nullopt, "2026-11-26"});
  p = edit::partMade(p, {"trunk", 62, 30, "2026-11-27"});
  ASSERT_EQ(p.made.size(), 1U);
  EXPECT_EQ(p.made[0].length, 62);
  p = edit::partMade(p, {"trunk", {}, {}, {}});
  EXPECT_TRUE(p.made.empty());
}

TEST(StudyEdit, OnePictureAViewAndTheNewestLast) {
  Photo side{"photos/side.jpg", View::Side, 400, 300, {}, 0, 0};
  Photo front{"photos/front.jpg", View::Front, 400, 300, {}, 0, 0};
  Project p = edit::photoAdded(edit::photoAdded(fox(), side), front);
  side.entry = "photos/side2.jpg";
  p = edit::photoAdded(p, side);
  ASSERT_EQ(p.photos.size(), 2U);
  EXPECT_EQ(p.photos.back().entry, "photos/side2.jpg");
  EXPECT_EQ(edit::photoRemoved(p, 0).photos.size(), 1U);
  EXPECT_EQ(edit::photoRemoved(p, 7), p);
}

TEST(StudyEdit, ALineOnThePictureLiesLevelOrUprightWhicheverIsNearer) {
  Photo side{"photos/side.jpg", View::Side, 400, 300, {}, 0, 0};
  const Project p = edit::photoAdded(fox(), side);
  constexpr double degree = std::numbers::pi / 180;
  for (const double tilt : {-40.0, -5.0, 0.0, 12.0, 44.0})
    for (const double quarter : {0.0, 90.0, 180.0}) {
      const double a = (tilt + quarter) * degree;
      const auto made =
          edit::photoStraightened(p, 0, {10, 10}, {10 + 100 * std::cos(a), 10 - 100 * std::sin(a)});
      ASSERT_TRUE(made);
      EXPECT_NEAR(made->photos[0].straighten, tilt * degree, 1e-9) << tilt << " " << quarter;
    }
  EXPECT_FALSE(edit::photoStraightened(p, 0, {10, 10}, {10, 10.5}));
  const auto scaled = edit::photoScaled(p, 0, {0, 0}, {30, 40}, 25);
  ASSERT_TRUE(scaled);
  EXPECT_DOUBLE_EQ(scaled->photos[0].mmPerPixel, 0.5);
  EXPECT_FALSE(edit::photoScaled(p, 0, {0, 0}, {30, 40}, 0));
  EXPECT_FALSE(edit::photoScaled(p, 0, {3, 3}, {3, 3}, 25));
}
