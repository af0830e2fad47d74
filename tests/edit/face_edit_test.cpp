// Changes of the face, and what the plan makes of them.
#include "edit/face_edit.h"
#include "edit/figure_edit.h"

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

TEST(FaceEdit, AnEyeIsSetElsewhereWithItsSocketAndIsToldWhenTooFarOut) {
  const Fox fox;
  const std::string eye = fox.sums->report.eyes.front().eye->id;
  const double apart = fox.sums->report.eyes.front().apart;
  const auto told = [](const Fox& one) -> std::optional<Level> {
    for (const Finding& f : one.sums->findings)
      if (f.id() == "eyes-too-far-apart-or-too-near") return f.level;
    return std::nullopt;
  };
  EXPECT_FALSE(told(fox));
  const auto moved = [&](double share) {
    return Fox(edit::partMoved(fox.project, eye, Vec3(0, share * apart / 2 / fox.sums->report.length, 0)));
  };
  // What is told is what the eyes on the surface stand apart, however they slid there.
  for (const double share : {-0.5, -0.3, -0.15, 0.05, 0.2, 0.4, 0.8}) {
    const Fox one = moved(share);
    const double off = std::abs(one.sums->report.eyes.front().apart / apart - 1);
    const auto level = told(one);
    EXPECT_EQ(level.has_value(), off > 0.15) << share << " " << off;
    if (level) {
      EXPECT_EQ(*level, off > 0.3 ? Level::Wrong : Level::Doubtful) << share << " " << off;
    }
  }
  ASSERT_TRUE(told(moved(0.8)));
  // Its socket and lids go along, and one key sets all of it back.
  const Fox higher(edit::partMoved(fox.project, eye, Vec3(0, 0, 0.04)));
  const auto socket = [](const Fox& one) {
    for (const FacePad& pad : one.sums->report.pads)
      if (pad.feature->kind == FeatureKind::Socket) return pad.feature->at;
    return Vec3(0, 0, 0);
  };
  EXPECT_NEAR((socket(higher) - socket(fox)).z(), 0.04, 1e-9);
  EXPECT_GT(higher.plan.figure->eyes[0].z(), fox.plan.figure->eyes[0].z() + 1);
  EXPECT_TRUE(edit::partOwn(higher.project, eye) == fox.project);
  EXPECT_TRUE(edit::allPadsOwn(higher.project) == fox.project);
  EXPECT_TRUE(edit::partMoved(higher.project, eye, Vec3(0, 0, -0.04)).face.none());
  const Fox wide = moved(0.8);
  for (const Finding& f : wide.sums->findings)
    if (f.id() == "eyes-too-far-apart-or-too-near") {
      const auto ways = edit::faceRemedies(wide.project, *wide.sums, f, shelf().face);
      ASSERT_FALSE(ways.empty());
      EXPECT_TRUE(ways.front().project == fox.project);
    }
}

TEST(FaceEdit, AnEarIsSetElsewhereAndHidesTheEyeWhenBeforeIt) {
  const Fox fox;
  const std::string ear = fox.sums->report.flats.front().flat->id;
  const Fox back(edit::partMoved(fox.project, ear, Vec3(-0.05, 0, 0)));
  const auto front = [&](const Fox& one) {
    for (const FacePin& pin : one.sums->report.pins)
      if (pin.id == ear + "-front") return pin.at;
    return Vec3(0, 0, 0);
  };
  EXPECT_NEAR((front(back) - front(fox)).x(), -0.05 * fox.sums->report.length, 1.5);
  EXPECT_NE(back.plan.figure->shapeKey, fox.plan.figure->shapeKey);
  EXPECT_EQ(fox.sums->report.eyes.front().hidden, 0);
  // Drawn out before the face and down: somewhere it covers the eye.
  double most = 0;
  for (const double forward : {0.25, 0.35, 0.45})
    for (const double down : {-0.1, -0.2, -0.3}) {
      const Fox before(edit::partMoved(fox.project, ear, Vec3(forward, 0, down)));
      most = std::max(most, before.sums->report.eyes.front().hidden);
    }
  EXPECT_GT(most, 0.1);
}

TEST(FaceEdit, StaysWithinWhatAFileHolds) {
  Project p = test::project("red_fox", 160);
  for (int i = 0; i < 60; ++i) p = edit::padSized(std::move(p), "cheek", 1.5);
  for (int i = 0; i < 60; ++i) p = edit::padMoved(std::move(p), "cheek", Vec3(0.1, -0.1, 0.2));
  p = *edit::pinMeasured(std::move(p), "eye", true, 24.5, 9.0);
  for (int i = 0; i < 60; ++i) p = edit::partMoved(std::move(p), "eye", Vec3(-0.1, 0.1, 0.2));
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

TEST(FaceEdit, AHindHasNoAntlersAndTheRestOfTheStag) {
  Project deer = test::project("deer", 120);
  deer.size.by = SizeBy::ShoulderHeight; // the same body with and without antlers
  const Fox stag(deer);
  const Fox hind(*edit::headVariant(deer, shelf(), "hind"));
  EXPECT_GT(stag.plan.wool->hard, 3 * hind.plan.wool->hard) << "eyes alone";
  EXPECT_LT(hind.plan.totals.mass, stag.plan.totals.mass);
  EXPECT_LT(hind.plan.figure->overallHeight, 0.9 * stag.plan.figure->overallHeight);
  EXPECT_NEAR(hind.plan.figure->head->length, stag.plan.figure->head->length, 1e-9);
  for (const FacePad& pad : hind.sums->report.pads) // what lay against a burr now lies against the head
    EXPECT_NEAR(padOf(*stag.sums, pad.feature->id).grams, pad.grams, 0.02 * pad.grams + 5e-4);
  for (const Finding& f : hind.sums->findings) EXPECT_NE(f.id(), "not-among-its-variants");
  // All of it again by the next one listed, until it is as usual.
  Project round = edit::nextVariant(deer, shelf());
  EXPECT_EQ(round.face.variant, "hind");
  round = edit::nextVariant(round, shelf());
  EXPECT_TRUE(round == deer);
  EXPECT_TRUE(edit::nextVariant(test::project("owl", 100), shelf()) == test::project("owl", 100));
  EXPECT_FALSE(edit::headVariant(deer, shelf(), "calf"));
  // Another animal has no such one.
  EXPECT_EQ(edit::ofAnimal(hind.project, shelf(), "red_fox").face.variant, "");
}

TEST(FaceEdit, AColourAloneMakesNoOtherFigure) {
  const Fox fox;
  const Fox silver(*edit::headVariant(fox.project, shelf(), "silver"));
  EXPECT_EQ(silver.plan.figure->shapeKey, fox.plan.figure->shapeKey);
  EXPECT_EQ(silver.plan.totals.mass, fox.plan.totals.mass);
  EXPECT_NE(silver.sums->head.palette.at("base"), fox.sums->head.palette.at("base"));
  EXPECT_EQ(silver.sums->head.palette.at("amber"), fox.sums->head.palette.at("amber"));
}

TEST(FaceEdit, AVariantThatIsNotThereIsToldAndChangesNothing) {
  Project odd = test::project("red_fox", 160);
  odd.face.variant = "spotted";
  const Fox shown(odd);
  const Fox fox;
  EXPECT_EQ(shown.plan.figure->shapeKey, fox.plan.figure->shapeKey);
  EXPECT_EQ(shown.sums->head.palette, fox.sums->head.palette);
  EXPECT_TRUE(std::any_of(shown.sums->findings.begin(), shown.sums->findings.end(),
                          [](const Finding& f) { return f.id() == "not-among-its-variants"; }));
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
  for (const Pattern& pattern : animals()) {
    const Fox one(test::project(pattern.id, 160));
    ASSERT_TRUE(one.sums) << pattern.id;
    EXPECT_GT(one.sums->report.bodyGrams, 0) << pattern.id;
    EXPECT_NEAR(one.sums->report.length, one.plan.figure->head->length, 1e-9) << pattern.id;
    double pads = one.sums->report.volumes.body;
    for (const double v : one.sums->report.volumes.features) pads += v;
    EXPECT_NEAR(pads, one.sums->report.volumes.total(), 1e-9 * pads) << pattern.id;
  }
}

TEST(FaceEdit, TheOrderOfWorkMakesNothingElseAnew) {
  const Fox fox;
  Project p = edit::hairFirst(edit::faceSchool(fox.project, FaceSchool::EyesFirst), true);
  const auto glued = edit::gluedWith(p, edit::GluedPart::Eyes, "superglue", shelf().drying);
  ASSERT_TRUE(glued);
  SolidOffer offer;
  offer.before = &fox.plan;
  const auto made = plan(*glued, shelf(), offer);
  ASSERT_TRUE(made);
  EXPECT_EQ(&*made->figure, &*fox.plan.figure);
  EXPECT_EQ(&*made->wool, &*fox.plan.wool);
  EXPECT_TRUE(glued->face.made() == fox.project.face.made());
  // It is kept.
  bool newer = false;
  const auto back = projectFromJson(toJson(*glued), "p", newer);
  ASSERT_TRUE(back);
  EXPECT_TRUE(*back == *glued);
  // No glue is no glue, and what only dries is none either.
  for (const char* wrong : {"spit", "oven-clay"}) {
    const auto none = edit::gluedWith(p, edit::GluedPart::Parts, wrong, shelf().drying);
    ASSERT_FALSE(none) << wrong;
    EXPECT_NE(none.problem().sentence().find("epoxy"), std::string::npos);
  }
  EXPECT_TRUE(*edit::gluedWith(*glued, edit::GluedPart::Eyes, "", shelf().drying) == p);
}

} // namespace
} // namespace columna::test
