// Findings know what they are about, and go by the numbers that makers may change.
#include "plan/plan.h"

#include "edit/size_study.h"
#include "judge/planning.h"
#include "support.h"

using namespace columna;
using namespace columna::test;

namespace {

std::set<Topic> topics(const Plan& plan) {
  std::set<Topic> out;
  for (const Finding& f : plan.findings)
    if (f.level != Level::Good) out.insert(f.topic);
  return out;
}

size_t about(const Plan& plan, Topic topic) {
  return static_cast<size_t>(std::count_if(plan.findings.begin(), plan.findings.end(), [&](const Finding& f) {
    return f.topic == topic && f.level != Level::Good;
  }));
}

} // namespace

TEST(Topics, EachIsWhereItCanBeMended) {
  const Project calm = project("red_fox", 110);
  const Plan before = planned(calm);
  const auto more = [&](Project p, Topic topic) {
    const Plan plan = planned(p);
    for (const Topic other : {Topic::Shape, Topic::Wire, Topic::Pose, Topic::Wool})
      if (other == topic)
        EXPECT_GT(about(plan, other), about(before, other)) << id(topic);
      else
        EXPECT_EQ(about(plan, other), about(before, other)) << id(topic) << " is no matter of " << id(other);
  };
  Project p = calm;
  p.wool.ball = TestBall{20, 1, Firmness::Medium, {}};
  more(p, Topic::Wool);
  p = calm;
  p.limbs["head"].density = 0.9e-3; // no such felt; heavier, so it may stand otherwise too
  const Plan heavy = planned(p);
  EXPECT_TRUE(std::any_of(heavy.findings.begin(), heavy.findings.end(), [](const Finding& f) {
    return f.topic == Topic::Wool && f.where == "head" && f.level == Level::Wrong;
  }));
  p = calm;
  p.wool.markings = {{"far", Tone::Pale, View::Side, {{90, 90}, {91, 90}, {91, 91}}, false, ""}};
  more(p, Topic::Wool);
  p = calm;
  p.drawerOnly = true;
  EXPECT_GT(about(planned(p), Topic::Wire), about(before, Topic::Wire));
  p = calm;
  p.limbs["left-wing"].diameter = 1;
  more(p, Topic::Shape);
  EXPECT_TRUE(topics(planned(project("red_fox", 30))).contains(Topic::Shape)) << "outside the checked sizes";
}

TEST(Thresholds, AreTheOnesOfTheFileForWireAndStandingAlike) {
  Catalog stricter = shelf();
  stricter.pose.holdNeeded = 4;
  stricter.pose.nudgeNeeded = 2;
  stricter.pose.effortAdult = 0.5;
  stricter.pose.tipNeeded = 40;
  const Project p = project("red_fox", 110);
  const Plan usual = planned(p);
  const auto made = plan(p, stricter, {usual.solid, true});
  ASSERT_TRUE(made);
  for (size_t l = 0; l < usual.limbs.size(); ++l)
    if (usual.limbs[l].wired) {
      EXPECT_GT(made->limbs[l].need.diameter, 1.15 * usual.limbs[l].need.diameter) << "twice the factors";
    }
  EXPECT_GT(about(*made, Topic::Pose), about(usual, Topic::Pose));
  // The same wire, held to more.
  Project held = p;
  for (size_t l = 0; l < usual.limbs.size(); ++l)
    if (usual.limbs[l].wired)
      held.limbs[usual.figure->limbs[l].id].diameter = usual.limbs[l].section.diameter;
  const auto judged = plan(held, stricter, {usual.solid, true});
  ASSERT_TRUE(judged);
  EXPECT_GT(about(*judged, Topic::Wire), about(planned(held), Topic::Wire));
  for (const Finding& f : judged->findings)
    EXPECT_EQ(render(f.text).find("2 is wanted"), std::string::npos) << f.text;
}

TEST(SmallParts, AMadePartDoesNotHoldTheSizeTheyAreAskedFor) {
  Project p = project("house_mouse", 45);
  const Plan small = planned(p);
  const auto free = smallParts(p, shelf(), small);
  ASSERT_FALSE(free.empty());
  const int trunk = *small.figure->limb("trunk");
  p.made = {{"trunk", small.figure->limbs[static_cast<size_t>(trunk)].length, {}, "2026-11-26"}};
  const auto held = smallParts(p, shelf(), planned(p));
  ASSERT_EQ(held.size(), free.size());
  for (size_t k = 0; k < free.size(); ++k)
    EXPECT_NEAR(held[k].stopsAt, free[k].stopsAt, 0.03 * free[k].stopsAt + 1);
}

TEST(Drawer, NoneLeftIsNone) {
  Project p = project("red_fox", 110);
  p.drawer = {{"rods", "aluminium-annealed", 1.0, 0, 500, 0, {}}};
  for (const WireStock& wire : planned(p).stock) EXPECT_FALSE(wire.have);
  p.drawer[0].count = 1;
  p.limbs["tail"].diameter = 1.0;
  bool have = false;
  for (const WireStock& wire : planned(p).stock) have = have || wire.have;
  EXPECT_TRUE(have);
}
