// Posed figures: equilibrium, mirrors, outside solver, standing, verdicts, files.
#include "judge/posed.h"
#include "support.h"

#include "edit/pose_remedies.h"
#include "file/project_json.h"
#include "hold/frame_deck.h"
#include "judge/pose_report.h"
#include "measure/quantity.h"
#include "pose/posing.h"
#include "report/plan_json.h"

#include <nlohmann/json.hpp>

#include <cmath>
#include <cstdlib>
#include <sstream>

using namespace columna;
using namespace columna::test;

namespace {

/// The pattern's poses and the neutral stance.
std::vector<PatternPose> stances(const Pattern& p) {
  std::vector<PatternPose> out = p.poses;
  out.emplace_back();
  return out;
}

Vec3 held(const PoseReport& r) {
  Vec3 sum = Vec3::Zero();
  for (const Vec6& each : r.sums.under.reactions) sum += each.head<3>();
  return sum;
}

} // namespace

TEST(PoseReport, ReactionsAreTheWeight) {
  for (const Pattern& p : animals()) {
    const Project made = project(p.id, 160);
    const Plan plan = planned(made);
    for (const PatternPose& pose : stances(p))
      for (const Feet feet : {Feet::Loose, Feet::Flat, Feet::Glued, Feet::Held, Feet::Hung}) {
        Project own = made;
        own.stances.support.feet = feet;
        const PoseReport r = poseReport(own, plan, shelf(), pose);
        const std::string what = p.id + ' ' + pose.name + ' ' + std::string(id(feet));
        ASSERT_TRUE(r.sums.stable) << what;
        const double weight = r.sums.armature.weight;
        // The plan's own weight (which leaves out the wire inside the body that leads to a limb).
        EXPECT_NEAR(weight, plan.loads.weight, 0.03 * weight) << what;
        EXPECT_LT((held(r) - Vec3(0, 0, weight)).norm(), 1e-9 * weight) << what;
        EXPECT_FALSE(r.joints.empty()) << what;
        for (const JointReport& j : r.joints) {
          EXPECT_FALSE(std::isnan(j.hold.hold) || std::isnan(j.hold.nudge) || std::isnan(j.life.bends))
              << what;
          EXPECT_FALSE(j.sentence.empty()) << what;
          // A knock in the worst way is no less than weight alone.
          EXPECT_GE(j.hold.knock, j.hold.moment - 1e-12) << what;
        }
      }
  }
}

TEST(PoseReport, HangingItsWeightIsUnderTheThread) {
  Project p = project("red_fox", 160);
  p.stances.support.feet = Feet::Hung;
  const PoseReport r = reported(p, {});
  ASSERT_EQ(r.sums.armature.supports.size(), 1U);
  const auto n = static_cast<size_t>(r.sums.armature.supports.front());
  const Vec3 hook = r.sums.armature.frame.nodes[n].at;
  EXPECT_NEAR(hook.x(), r.sums.armature.centre.x(), 1.5) << "the wire weighs little";
  EXPECT_NEAR(hook.y(), r.sums.armature.centre.y(), 0.5);
  EXPECT_LT(r.sums.armature.centre.z(), hook.z() + 1e-9);
}

TEST(PoseReport, AMirroredPoseGivesMirroredResults) {
  for (const std::string id : {"river_otter", "heron", "horse", "songbird", "dragon"}) {
    const Pattern& p = *shelf().pattern(id);
    const Project made = project(id, 160);
    const Plan plan = planned(made);
    for (const PatternPose& pose : p.poses) {
      const PoseReport a = poseReport(made, plan, shelf(), pose);
      const PoseReport b = poseReport(made, plan, shelf(), mirroredPose(p, pose));
      EXPECT_NEAR(a.standing.base.margin, b.standing.base.margin, 1e-6) << id << ' ' << pose.name;
      EXPECT_NEAR(std::abs(a.standing.falls.y()), std::abs(b.standing.falls.y()), 1e-6);
      std::map<std::string, double> moments;
      for (const JointReport& j : a.joints) moments[j.hold.id] = j.hold.moment;
      for (const JointReport& j : b.joints) {
        std::string other = j.hold.id;
        if (other.starts_with("left-"))
          other = "right-" + other.substr(5);
        else if (other.starts_with("right-"))
          other = "left-" + other.substr(6);
        ASSERT_TRUE(moments.contains(other)) << id << ' ' << other;
        EXPECT_NEAR(j.hold.moment, moments[other], 1e-6 * (1 + moments[other]))
            << id << ' ' << pose.name << ' ' << other;
      }
    }
  }
}

TEST(PoseReport, TurningItRoundChangesNothing) {
  const Project p = project("river_otter", 108);
  const Plan plan = planned(p);
  PatternPose pose = plan.pattern->poses.front();
  const PoseReport a = poseReport(p, plan, shelf(), pose);
  pose.whole.side = 0.9;
  const PoseReport b = poseReport(p, plan, shelf(), pose);
  EXPECT_NEAR(a.standing.base.margin, b.standing.base.margin, 1e-6);
  ASSERT_EQ(a.joints.size(), b.joints.size());
  for (size_t j = 0; j < a.joints.size(); ++j) {
    EXPECT_NEAR(a.joints[j].hold.moment, b.joints[j].hold.moment, 1e-6 * (1 + a.joints[j].hold.moment));
    EXPECT_NEAR(a.joints[j].hold.knock, b.joints[j].hold.knock, 1e-6 * (1 + a.joints[j].hold.knock));
  }
}

TEST(PoseReport, AgreesWithAnOutsideSolver) {
  if (std::system("command -v ccx > /dev/null 2>&1") != 0) // NOLINT(concurrency-mt-unsafe): one thread
    GTEST_SKIP() << "CalculiX (ccx) is not installed: apt-get install calculix-ccx";
  const Scratch scratch;
  struct Case {
    const char* animal;
    size_t pose;
    Feet feet;
    Construction construction;
  };
  const auto none = static_cast<size_t>(99);
  for (const Case& c : {Case{"river_otter", none, Feet::Loose, Construction::TwistedLimbs},
                        Case{"river_otter", 0, Feet::Glued, Construction::TwistedLimbs},
                        Case{"red_fox", 0, Feet::Glued, Construction::FoldedPair},
                        Case{"heron", none, Feet::Glued, Construction::TwistedLimbs},
                        Case{"horse", 0, Feet::Loose, Construction::SpineAndCrosspieces},
                        Case{"owl", none, Feet::Glued, Construction::TwistedLimbs},
                        Case{"dragon", 0, Feet::Glued, Construction::TwistedLimbs},
                        Case{"giraffe", none, Feet::Loose, Construction::TwistedLimbs},
                        Case{"doll_human", 0, Feet::Glued, Construction::TwistedLimbs},
                        Case{"house_mouse", 1, Feet::Held, Construction::TwistedLimbs}}) {
    Project p = project(c.animal, 160, c.construction);
    p.stances.support.feet = c.feet;
    const Plan plan = planned(p);
    const PatternPose pose = c.pose == none ? PatternPose() : plan.pattern->poses[c.pose];
    const PoseReport r = poseReport(p, plan, shelf(), pose);
    const Frame& frame = r.sums.armature.frame;
    scratch.write("figure.inp", calculixDeck(frame, c.animal));
    const std::string run =
        "cd '" + scratch.path(".") + "' && OMP_NUM_THREADS=1 ccx -i figure > figure.log 2>&1";
    ASSERT_EQ(std::system(run.c_str()), 0) << c.animal; // NOLINT(concurrency-mt-unsafe): one thread
    std::ifstream in(scratch.path("figure.dat"));
    std::map<int, Vec3> moved;
    std::string line;
    bool reading = false;
    while (std::getline(in, line)) {
      if (line.find("displacements") != std::string::npos)
        reading = true;
      else if (line.find("forces") != std::string::npos)
        reading = false;
      std::istringstream row(line);
      int node = 0;
      double x = 0;
      double y = 0;
      double z = 0;
      if (reading && (row >> node >> x >> y >> z)) moved[node] = {x, y, z};
    }
    ASSERT_EQ(moved.size(), frame.nodes.size()) << c.animal;
    double most = 0;
    for (const auto& [node, u] : moved) most = std::max(most, u.norm());
    ASSERT_GT(most, 1e-4) << c.animal;
    for (const auto& [node, u] : moved)
      EXPECT_LT((u - r.sums.under.moved[static_cast<size_t>(node - 1)].head<3>()).norm(), 0.02 * most)
          << c.animal << ' ' << frame.nodes[static_cast<size_t>(node - 1)].id;
  }
}

TEST(PoseReport, AJointsRemediesDoWhatTheySay) {
  Project p = project("river_otter", 108);
  p.drawerOnly = true;
  p.drawer = {{"thin", "aluminium-annealed", 0.8, 0, 0, 1, {}}};
  const Plan plan = planned(p);
  const PoseReport before = poseReport(p, plan, shelf(), {});
  std::string all;
  for (const char* limb : {"neck", "tail"}) {
    const int l = *plan.figure->limb(limb);
    const JointReport* worst = before.worstOf(l);
    ASSERT_NE(worst->level, Level::Good);
    bool mended = true;
    for (const PoseRemedy& r : jointRemedies(p, shelf(), plan, before, l)) {
      all += render(r.words) + "; ";
      EXPECT_TRUE(mended || !r.mends) << "those that mend come first";
      mended = r.mends;
      const Plan then = planned(r.project);
      const PoseReport after = poseReport(r.project, then, shelf(), {});
      for (const JointReport& j : after.joints)
        if (j.hold.id == worst->hold.id) {
          EXPECT_EQ(j.level == Level::Good, r.mends) << r.words;
        }
    }
  }
  for (const char* words : {"four strands", "shorter", "thinner"})
    EXPECT_NE(all.find(words), std::string::npos) << words << " in " << all;
}

TEST(PoseReport, BadInputIsAFinding) {
  // No feet: legs that are none lie on the ground like any other part.
  Project p = project("river_otter", 108);
  EXPECT_FALSE(says(reported(p, {}), "no foot on the ground"));
  Plan plan = planned(p);
  const auto legless = [](auto& of) {
    for (auto& limb : of.limbs)
      if (limb.kind == LimbKind::Leg) limb.kind = LimbKind::Arm;
  };
  alter(plan.figure, legless);
  alter(plan.pattern, legless);
  EXPECT_TRUE(says(poseReport(p, plan, shelf(), {}), "no foot on the ground"));

  // All joints locked.
  plan = planned(p);
  alter(plan.pattern, [](Pattern& pattern) {
    for (PatternBone& b : pattern.bones) b.flex = b.side = b.twist = {};
  });
  EXPECT_TRUE(says(poseReport(p, plan, shelf(), plan.pattern->poses.front()), "no joint turns"));

  // No wool.
  plan = planned(p);
  for (BoneMass& m : plan.carried) m.grams = 0;
  EXPECT_TRUE(says(poseReport(p, plan, shelf(), {}), "no wool"));

  // Wire that yields at nothing.
  plan = planned(p);
  for (WireSection& s : plan.sections) s.material.yield = {0, 0, 0};
  const PoseReport limp = poseReport(p, plan, shelf(), {});
  EXPECT_EQ(limp.level, Level::Wrong);
  EXPECT_TRUE(says(limp, "gives way"));

  // Everything on one line.
  plan = planned(project("heron", 160));
  Project heron = project("heron", 160);
  alter(plan.pattern, [](Pattern& pattern) {
    for (auto& [joint, at] : pattern.joints) at.y() *= 1e-4;
    for (PatternBone& b : pattern.bones) // soles have a width, too
      for (Station& each : b.stations) each.across *= 1e-4;
  });
  EXPECT_TRUE(says(poseReport(heron, plan, shelf(), {}), "one line"));

  // No wire at all.
  EXPECT_TRUE(says(reported(project("toy_bear", 160, Construction::NoWire), {}), "no wire"));
  // A hand that holds it by a joint there is not.
  p.stances.support.feet = Feet::Held;
  p.stances.support.at = "no-such-joint";
  EXPECT_TRUE(reported(p, {}).sums.stable);
}

TEST(PoseReport, PosesThatAreGoneThroughWearTheWire) {
  Project p = project("river_otter", 108);
  const Plan plan = planned(p);
  p.stances.saved = plan.pattern->poses;
  p.stances.times = 5;
  const PoseReport few = poseReport(p, plan, shelf(), {});
  p.stances.times = 50;
  const PoseReport many = poseReport(p, plan, shelf(), {});
  bool any = false;
  for (size_t j = 0; j < few.joints.size(); ++j) {
    const double used = few.joints[j].life.used;
    EXPECT_NEAR(many.joints[j].budget - used, 10 * (few.joints[j].budget - used),
                1e-9 + 1e-6 * many.joints[j].budget);
    any = any || few.joints[j].swing > 0.3;
  }
  EXPECT_TRUE(any);
  // Recorded re-poses count against it.
  for (int k = 0; k < 6; ++k) p.stances.made.push_back({"", plan.pattern->poses[1].name, "2026-11-25", {}});
  const PoseReport worn = poseReport(p, plan, shelf(), {});
  bool less = false;
  for (size_t j = 0; j < worn.joints.size(); ++j) {
    EXPECT_LE(worn.joints[j].life.bends, many.joints[j].life.bends + 1e-9);
    less = less || worn.joints[j].life.bends < many.joints[j].life.bends - 0.5;
  }
  EXPECT_TRUE(less);
}

TEST(PoseReport, SoftFeltSpreadsTheBendOfThinWire) {
  Project p = project("river_otter", 108);
  p.limbs["tail"].held = RootHold::Glued; // wire of its own, so that it can be thin
  p.limbs["tail"].material = "copper-soft";
  p.limbs["tail"].diameter = 0.64;
  p.limbs["tail"].firmness = Firmness::Firm;
  const Plan firm = planned(p);
  PatternPose bent;
  for (const PatternBone& b : firm.pattern->bones)
    if (b.id.starts_with("tail")) setTurn(bent, b, false, {b.flex.high, 0, 0});
  const PoseReport gripped = poseReport(p, firm, shelf(), bent);
  p.limbs["tail"].firmness = Firmness::Soft;
  const Plan soft = planned(p);
  const PoseReport loose = poseReport(p, soft, shelf(), bent);
  bool any = false;
  for (size_t j = 0; j < gripped.joints.size(); ++j) {
    if (gripped.joints[j].hold.limb != *firm.figure->limb("tail") || gripped.joints[j].swing < 0.1) continue;
    any = true;
    EXPECT_GT(loose.joints[j].life.bends, 1.5 * gripped.joints[j].life.bends) << gripped.joints[j].name;
    EXPECT_GT(loose.joints[j].life.radius, gripped.joints[j].life.radius);
  }
  EXPECT_TRUE(any);
}

TEST(PoseReport, GluedStrandsHoldMore) {
  Project p = project("river_otter", 108);
  const Plan plan = planned(p);
  const PoseReport before = poseReport(p, plan, shelf(), {});
  const JointReport* neck = before.worstOf(*plan.figure->limb("neck"));
  ASSERT_NE(neck, nullptr);
  p.stances.glued.insert(plan.skeleton->points[static_cast<size_t>(neck->hold.point)].id);
  const PoseReport after = poseReport(p, plan, shelf(), {});
  for (const JointReport& j : after.joints)
    if (j.hold.id == neck->hold.id) {
      EXPECT_GT(j.hold.hold, neck->hold.hold * 1.2);
    }
}

TEST(Stances, ComeBackFromTheFile) {
  Project p = project("river_otter", 108);
  p.stances.now = {"watch", {{"neck1", {0.3, -0.1, 0.05}}, {"thigh'", {0.2, 0, 0}}}, {0.1, 0.2, -0.05}};
  p.stances.saved = {p.stances.now};
  p.stances.support = {Feet::Base, "hip", 120, 60, 250};
  p.stances.hands = Hands::Sore;
  p.stances.legError = 1.1;
  p.stances.goThrough = std::set<std::string>{"watch", ""};
  p.stances.times = 4;
  p.stances.made = {{"", "watch", "2026-11-25", {}},
                    {"watch", "", "2026-11-26", std::map<std::string, double>{{"left-thigh", 0.4}}}};
  p.stances.stands = p.stances.now;
  p.stances.glued = {"hip"};
  bool newer = false;
  const auto back = projectFromJson(toJson(p), "x", newer);
  ASSERT_TRUE(back.ok()) << back.problem().sentence();
  EXPECT_EQ(toJson(*back)["stances"], toJson(p)["stances"]);
  EXPECT_NEAR(back->stances.saved[0].turns.at("neck1").flex, 0.3, 1e-12);
  EXPECT_EQ(back->stances.support, p.stances.support);
  EXPECT_FALSE(toJson(project("river_otter", 108)).contains("stances")) << "nothing settled, nothing written";
  const auto bad = [&](const std::string& field, const nlohmann::json& value) {
    nlohmann::json j = toJson(p);
    j["stances"][field] = value;
    const auto read = projectFromJson(j, "otter.columna", newer);
    return read.ok() ? std::string() : read.problem().sentence();
  };
  EXPECT_NE(bad("hands", "paws").find("stances.hands"), std::string::npos);
  EXPECT_NE(bad("times", "often").find("stances.times is not a whole number"), std::string::npos);
  EXPECT_NE(
      bad("saved", nlohmann::json::array({{{"turns_deg", {{"neck1", {{"flex", 4000}}}}}}})).find("4000"),
      std::string::npos);
  EXPECT_NE(bad("support", {{"feet", "floating"}}).find("stances.support.feet"), std::string::npos);
}

TEST(RePoses, WhatTheWireWentThroughStaysWhateverBecomesOfThePoses) {
  Project p = project("river_otter", 108);
  p.stances.saved = {{"bow", {{"neck1", {0.4, 0, 0}}}, {}}};
  p.stances.now = p.stances.saved[0];
  p.stances.now.turns["neck1"].flex = 0.6; // dragged on from the saved one
  const Plan plan = planned(p);
  rePosed(p.stances, plan, "2026-11-26");
  ASSERT_TRUE(p.stances.made.back().swings);
  const double turned = p.stances.made.back().swings->at("neck1");
  EXPECT_NEAR(turned, 0.6, 0.02) << "the stance on the mat, not the pose it came from";
  // Straight back again counts the same way.
  p.stances.now = {};
  rePosed(p.stances, plan, "2026-11-26");
  EXPECT_NEAR(p.stances.made.back().swings->at("neck1"), turned, 1e-9);
  const auto lives = [&](const Project& with) {
    std::vector<double> out;
    for (const JointReport& j : poseReport(with, plan, shelf(), {}).joints) out.push_back(j.life.bends);
    return out;
  };
  const std::vector<double> before = lives(p);
  Project changed = p;
  changed.stances.saved[0].turns["neck1"].flex = -0.2;
  EXPECT_EQ(lives(changed), before);
  changed.stances.saved.clear();
  EXPECT_EQ(lives(changed), before);
  bool newer = false;
  const auto back = projectFromJson(toJson(p), "x", newer);
  ASSERT_TRUE(back);
  EXPECT_EQ(toJson(*back), toJson(p));
  EXPECT_NEAR(back->stances.made[0].swings->at("neck1"), turned, 1e-12);
}

TEST(RePoses, NoPoseGoneThroughIsNotAllOfThem) {
  Project p = project("river_otter", 108);
  p.stances.saved = {{"a", {{"neck1", {0.4, 0, 0}}}, {}}, {"b", {{"neck1", {-0.3, 0, 0}}}, {}}};
  const Plan plan = planned(p);
  EXPECT_EQ(posesGoneThrough(p, plan).size(), 2U);
  p.stances.goThrough.emplace();
  EXPECT_TRUE(posesGoneThrough(p, plan).empty());
  bool newer = false;
  const auto back = projectFromJson(toJson(p), "x", newer);
  ASSERT_TRUE(back);
  ASSERT_TRUE(back->stances.goThrough);
  EXPECT_TRUE(back->stances.goThrough->empty());
}
