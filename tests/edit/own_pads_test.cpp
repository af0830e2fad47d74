// Pads of the maker's own and those of small anatomy: laid on, weighed, taken off.
#include "edit/face_edit.h"
#include "edit/figure_edit.h"
#include "edit/own_pads.h"

#include "file/project_json.h"
#include "support.h"

namespace columna::test {
namespace {

struct Made {
  explicit Made(Project p)
      : project(std::move(p)), plan(planned(project)), sums(faceSums(project, shelf(), plan)) {}
  Project project;
  Plan plan;
  std::shared_ptr<const FaceSums> sums;
};

const FacePad* padCalled(const FaceSums& sums, const std::string& id) {
  for (const FacePad& pad : sums.report.pads)
    if (pad.feature->id == id) return &pad;
  return nullptr;
}

const OfferedPad* offered(const std::vector<OfferedPad>& all, const std::string& id) {
  for (const OfferedPad& each : all)
    if (each.id == id) return &each;
  return nullptr;
}

TEST(OwnPads, ArePutWhereTheyAreWantedSizedDraggedAndTakenOff) {
  for (const double muzzle : {1.0, 0.7}) {
    Project p = project("red_fox", 160);
    p.shape.character.muzzle = muzzle;
    const Made fox(p);
    const Vec3 place = fox.sums->field.onto(fox.sums->field.length() * Vec3(0.75, 0.08, 0.05));
    std::string id;
    const auto laid = edit::padLaid(fox.project, shelf(), fox.plan, *fox.sums, place, false, id);
    ASSERT_TRUE(laid);
    EXPECT_EQ(id, "pad-1");
    const Made with(*laid);
    const FacePad* pad = padCalled(*with.sums, id);
    ASSERT_TRUE(pad);
    EXPECT_GT(pad->grams, 0);
    EXPECT_TRUE(pad->feature->twin);
    EXPECT_LT((fox.sums->field.length() * pad->feature->at - place).norm(), 0.6) << muzzle;
    EXPECT_FALSE(with.plan.figure->shapeKey == fox.plan.figure->shapeKey);
    EXPECT_NEAR(with.sums->report.volumes.total() - fox.sums->report.volumes.total(), pad->volume,
                0.05 * pad->volume + 0.5);
    // As any other pad.
    const Made larger(edit::padSized(with.project, id, 1.3));
    EXPECT_GT(padCalled(*larger.sums, id)->grams, 1.4 * pad->grams);
    EXPECT_TRUE(edit::padSized(larger.project, id, 1 / 1.3) == with.project);
    std::string next;
    const auto two = edit::padLaid(with.project, shelf(), with.plan, *with.sums, place, true, next);
    ASSERT_TRUE(two);
    EXPECT_EQ(next, "hollow-1");
    EXPECT_EQ(padCalled(*Made(*two).sums, next)->grams, 0);
    bool newer = false;
    const auto back = projectFromJson(toJson(edit::padMoved(*two, id, {0.01, 0, 0})), "p", newer);
    ASSERT_TRUE(back);
    EXPECT_TRUE(*back == edit::padMoved(*two, id, {0.01, 0, 0}));
    EXPECT_TRUE(edit::padOut(edit::padSized(with.project, id, 1.5), id, true) == fox.project);
  }
}

TEST(OwnPads, WhatCannotBeIsASentence) {
  const Made fox(project("red_fox", 160));
  std::string id;
  for (const Vec3& beside : {Vec3(500, 0, 0), Vec3(0, 0, 300), Vec3(std::nan(""), 0, 0)})
    EXPECT_FALSE(edit::padLaid(fox.project, shelf(), fox.plan, *fox.sums, beside, false, id));
  Project full = fox.project;
  for (int i = 0; i < 40; ++i) {
    HeadFeature pad = fox.sums->head.features.front();
    pad.id = "pad-" + std::to_string(i + 1);
    full.face.own.push_back({pad, ""});
  }
  const Vec3 place = fox.sums->field.onto(Vec3(0, 0, 30));
  EXPECT_FALSE(edit::padLaid(full, shelf(), fox.plan, *fox.sums, place, false, id));
  EXPECT_FALSE(edit::offeredPad(fox.project, shelf(), "gills", true));
  // A heron has no ears to measure a jaw by; a fox no collarbone.
  EXPECT_FALSE(edit::offeredPad(project("heron", 200), shelf(), "jaw-angle", true));
  EXPECT_FALSE(edit::offeredPad(fox.project, shelf(), "collarbone", true));
}

TEST(OwnPads, StayWithTheHeadTheyWereLaidOn) {
  Project p = *edit::offeredPad(project("red_fox", 160), shelf(), "brow-ridge", true);
  ASSERT_EQ(p.face.own.size(), 1U);
  EXPECT_EQ(edit::ofAnimal(p, shelf(), "red_fox").face.own.size(), 1U);
  EXPECT_TRUE(edit::ofAnimal(p, shelf(), "owl").face.own.empty());
}

TEST(OwnPads, BeforeAnotherInTheOrderOfWork) {
  Project p = project("red_fox", 160);
  HeadFeature pad = shelf().head("red_fox")->features.front();
  pad.id = "pad-1";
  p.face.own = {{pad, "lip"}};
  const auto sums = faceSums(p, shelf(), planned(p));
  size_t own = 0;
  size_t lip = 0;
  for (size_t i = 0; i < sums->report.pads.size(); ++i) {
    if (sums->report.pads[i].feature->id == "pad-1") own = i;
    if (sums->report.pads[i].feature->id == "lip") lip = i;
  }
  EXPECT_EQ(own + 1, lip);
}

TEST(OfferedPads, AreOfferedByWhatTheAnimalHasAndComeAndGo) {
  for (const char* id : {"red_fox", "horse", "heron", "doll_human", "beetle"}) {
    const Made made(project(id, 180));
    const auto all = offeredPads(made.project, shelf(), made.plan);
    for (const OfferedPad& each : all) {
      EXPECT_FALSE(each.on) << each.id;
      EXPECT_GT(each.count, 0) << id << ' ' << each.id;
      EXPECT_GT(each.length * each.width * each.height, 0) << id << ' ' << each.id;
      EXPECT_EQ(each.grams > 0, !each.hollow) << id << ' ' << each.id;
      const auto on = edit::offeredPad(made.project, shelf(), each.id, true);
      ASSERT_TRUE(on) << id << ' ' << each.id;
      EXPECT_TRUE(*edit::offeredPad(*on, shelf(), each.id, false) == made.project) << each.id;
    }
    EXPECT_EQ(offered(all, "collarbone") != nullptr, std::string(id) == "doll_human") << id;
    EXPECT_EQ(offered(all, "wrist-knob") != nullptr,
              std::string(id) == "red_fox" || std::string(id) == "horse");
  }
}

TEST(OfferedPads, OfTheBodyAreInTheWoolByWhatTheySay) {
  const Project plain = project("horse", 300);
  Project p = plain;
  for (const char* id : {"elbow", "knee-cap", "point-of-hip"}) p = *edit::offeredPad(p, shelf(), id, true);
  p = edit::bodyPadSized(p, "elbow", 1.5);
  const Plan before = plannedExactly(plain, 1.5);
  const Plan after = plannedExactly(p, 1.5);
  double said = 0;
  double small = 0;
  for (const OfferedPad& each : offeredPads(p, shelf(), after)) {
    if (!each.on) continue;
    said += each.grams;
    small += each.tooSmall ? 1 : 0;
  }
  const auto wool = [](const Plan& plan) {
    double sum = 0;
    for (const LimbWool& limb : plan.wool->limbs) sum += limb.core + limb.coat;
    return sum;
  };
  EXPECT_GT(said, 0.2);
  EXPECT_NEAR(wool(after) - wool(before), said, 0.5 * said)
      << "cells of the whole figure are coarse for pads";
  EXPECT_GT(wool(after), wool(before));
  EXPECT_NEAR(edit::bodyPadSized(p, "elbow", 1e9).face.body.at("elbow"), 3, 1e-12);
  EXPECT_TRUE(edit::bodyPadSized(plain, "elbow", 2) == plain) << "one that is not on stays off";
}

} // namespace
} // namespace columna::test
