// Changes of the face, and what the plan makes of them.
#include "edit/face_edit.h"

#include "file/project_json.h"
#include "support.h"

#include <gtest/gtest.h>

namespace columna::test {
namespace {

struct Fox {
  Project project = test::project("red_fox", 160);
  Plan plan = planned(project);
  std::shared_ptr<const FaceSums> sums = faceSums(project, shelf(), plan);
  Fox() = default;
  explicit Fox(Project p)
      : project(std::move(p)), plan(planned(project)), sums(faceSums(project, shelf(), plan)) {}
};

const FacePad& padOf(const FaceSums& sums, const std::string& id) {
  for (const FacePad& pad : sums.report.pads)
    if (pad.feature->id == id) return pad;
  throw std::runtime_error("no such pad");
}

TEST(FaceEdit, ALargerPadWeighsMoreAndTheFigureHasIt) {
  const Fox fox;
  ASSERT_TRUE(fox.sums);
  const std::string id = fox.sums->report.pads.front().feature->id;
  const Fox larger(edit::padSized(fox.project, id, 1.3));
  EXPECT_GT(padOf(*larger.sums, id).grams, padOf(*fox.sums, id).grams * 1.2);
  EXPECT_FALSE(larger.plan.figure->shapeKey == fox.plan.figure->shapeKey);
  // Back to its own is as if nothing had been.
  const Project back = edit::padSized(larger.project, id, 1 / 1.3);
  EXPECT_TRUE(back.face.none());
  EXPECT_TRUE(edit::padOwn(larger.project, id) == fox.project);
}

TEST(FaceEdit, APadLeftOutIsGoneAndItsWoolWithIt) {
  const Fox fox;
  const std::string id = "cheek";
  ASSERT_GT(padOf(*fox.sums, id).grams, 0);
  const Fox without(edit::padOut(fox.project, id, true));
  EXPECT_EQ(without.sums->report.pads.size() + 1, fox.sums->report.pads.size());
  EXPECT_THROW((void)padOf(*without.sums, id), std::runtime_error);
}

TEST(FaceEdit, StaysWithinWhatAFileHolds) {
  Project p = test::project("red_fox", 160);
  for (int i = 0; i < 60; ++i) p = edit::padSized(std::move(p), "cheek", 1.5);
  for (int i = 0; i < 60; ++i) p = edit::padMoved(std::move(p), "cheek", Vec3(0.1, -0.1, 0.2));
  p = *edit::pinMeasured(std::move(p), "eye", true, 24.5, 9.0);
  p = *edit::flatThick(std::move(p), "ear", 3.0);
  p = *edit::eyesOf(std::move(p), 6);
  bool newer = false;
  const auto read = projectFromJson(toJson(p), "test", newer);
  ASSERT_TRUE(read) << read.problem().sentence();
  EXPECT_TRUE(*read == p);
}

TEST(FaceEdit, WhatNoEyeOrEarOrTapeIsIsRefused) {
  const Project p = test::project("red_fox", 160);
  for (const double mm : {0.0, 0.4, 1000.0, -3.0, std::nan("")}) EXPECT_FALSE(edit::eyesOf(p, mm)) << mm;
  for (const double mm : {0.0, 31.0, std::nan("")}) EXPECT_FALSE(edit::flatThick(p, "ear", mm)) << mm;
  EXPECT_FALSE(edit::pinMeasured(p, "eye", false, 0.0, 5.0));
  EXPECT_FALSE(edit::pinMeasured(p, "eye", false, 20.0, 501.0));
  EXPECT_FALSE(edit::pinMeasured(p, "eye", false, std::nan(""), 5.0));
  // No tape takes it back.
  const Project measured = *edit::pinMeasured(p, "eye", false, 20, 5);
  EXPECT_TRUE(*edit::pinMeasured(measured, "eye", false, std::nullopt, 5) == p);
}

TEST(FaceEdit, TheEyesTakenAreTheFiguresAndMeasuringChangesNoPlan) {
  const Fox fox;
  const double next = [&] {
    const Project up = edit::eyeStep(fox.project, *fox.sums, shelf().face, 1);
    return *up.face.eye;
  }();
  EXPECT_GT(next, fox.sums->report.eyes.front().choice.take);
  const Fox larger(*edit::eyesOf(fox.project, next));
  EXPECT_EQ(larger.plan.figure->eyeDiameter, next);
  EXPECT_EQ(larger.sums->report.eyes.front().choice.take, next);
  EXPECT_GT(larger.sums->report.eyes.front().socket.deep, fox.sums->report.eyes.front().socket.deep);
  EXPECT_TRUE(samePlan(fox.project, *edit::pinMeasured(fox.project, "eye", false, 20, 5)));
  EXPECT_FALSE(samePlan(fox.project, larger.project));
}

TEST(FaceEdit, ARemedyMendsWhatItIsFor) {
  // Ears of a hair's thickness.
  Fox thin(*edit::flatThick(test::project("red_fox", 160), "ear", 0.5));
  const auto found =
      std::find_if(thin.sums->findings.begin(), thin.sums->findings.end(),
                   [](const Finding& f) { return f.where == "ear" && f.id() == "felt-too-thin"; });
  ASSERT_NE(found, thin.sums->findings.end());
  const auto ways = edit::faceRemedies(thin.project, *thin.sums, *found, shelf().face);
  ASSERT_FALSE(ways.empty());
  const Fox mended(ways.front().project);
  for (const Finding& f : mended.sums->findings) EXPECT_FALSE(f.where == "ear" && f.id() == "felt-too-thin");
  // Pads too small for a figure of 40 mm.
  const Fox small(test::project("red_fox", 40));
  const auto wisps =
      std::find_if(small.sums->findings.begin(), small.sums->findings.end(), [&](const Finding& f) {
        return std::any_of(small.sums->report.pads.begin(), small.sums->report.pads.end(),
                           [&](const FacePad& pad) { return pad.feature->id == f.where; });
      });
  ASSERT_NE(wisps, small.sums->findings.end());
  const auto out = edit::faceRemedies(small.project, *small.sums, *wisps, shelf().face);
  ASSERT_FALSE(out.empty());
  const Fox plain(out.front().project);
  for (const FacePad& pad : plain.sums->report.pads) EXPECT_FALSE(pad.tooSmall);
}

TEST(FaceEdit, EveryAnimalsFaceIsWorkedOut) {
  for (const Pattern& pattern : shelf().patterns) {
    const Fox one(test::project(pattern.id, 160));
    ASSERT_TRUE(one.sums) << pattern.id;
    EXPECT_GT(one.sums->report.bodyGrams, 0) << pattern.id;
    EXPECT_NEAR(one.sums->report.length, one.plan.figure->head->length, 1e-9) << pattern.id;
    double pads = one.sums->report.volumes.body;
    for (const double v : one.sums->report.volumes.features) pads += v;
    EXPECT_NEAR(pads, one.sums->report.volumes.total(), 1e-9 * pads) << pattern.id;
  }
}

} // namespace
} // namespace columna::test
