// The frame: closed forms, the reference figure other programs solved, and what must not change.
#include "support.h"

#include "frames.h"

#include "hold/buckling.h"
#include "hold/collapse.h"
#include "hold/frame_deck.h"

#include <Eigen/Geometry>
#include <nlohmann/json.hpp>

#include <random>

using namespace columna;
using namespace columna::test;

namespace {

constexpr double kEi = 69000 * std::numbers::pi / 64;

nlohmann::json reference() {
  std::ifstream in(std::string(COLUMNA_TESTS_DIR) + "/hold/reference_frame.json");
  return nlohmann::json::parse(in);
}

double within(double value, double wanted) { return std::abs(value / wanted - 1); }

} // namespace

TEST(Frame, Cantilever) {
  Frame f = cantilever(70);
  f.loads = {{1, {0, 0, -0.05}, {0, 0, 0}}};
  const FrameSolution s = ElasticFrame(f).solve();
  EXPECT_LT(within(-s.moved[1][2], 0.05 * std::pow(70, 3) / (3 * kEi)), 1e-9);
  EXPECT_LT(within(s.moved[1][4], 0.05 * 70 * 70 / (2 * kEi)), 1e-9);
  EXPECT_LT(within(s.ends[0].bendingI(), 3.5), 1e-9);

  Frame q = cantilever(70);
  const double load = 3 * 9.81e-3 / 70;
  q.members[0].weight = {0, 0, -load};
  const FrameSolution u = ElasticFrame(q).solve();
  EXPECT_LT(within(-u.moved[1][2], load * std::pow(70, 4) / (8 * kEi)), 1e-9);
  EXPECT_LT(within(u.moved[1][4], load * std::pow(70, 3) / (6 * kEi)), 1e-9);
  EXPECT_LT(within(u.ends[0].bendingI(), load * 70 * 70 / 2), 1e-9);

  Frame t = cantilever(70);
  t.loads = {{1, {0, 0, 0}, {1, 0, 0}}};
  EXPECT_LT(within(ElasticFrame(t).solve().moved[1][3], 0.027487), 1e-4);
}

TEST(Frame, Portal) {
  const double k = 70.0 / 110;
  const double h3 = std::pow(70, 3);
  const FrameSolution fixed = ElasticFrame(portal(kClamp, 0.05)).solve();
  EXPECT_LT(within(fixed.moved[1][0], 0.05 * h3 * (3 * k + 2) / (12 * kEi * (6 * k + 1))), 1e-3);
  EXPECT_LT(within(fixed.ends[0].bendingI(), 0.05 * 70 * (3 * k + 1) / (2 * (6 * k + 1))), 1e-3);
  EXPECT_LT(within(fixed.ends[0].bendingJ(), 0.05 * 70 * 3 * k / (2 * (6 * k + 1))), 1e-3);
  const FrameSolution pinned = ElasticFrame(portal(kPin, 0.05)).solve();
  EXPECT_LT(within(pinned.moved[1][0], 0.05 * h3 * (2 * k + 1) / (12 * kEi * k)), 1e-3);
  EXPECT_LT(within(pinned.ends[0].bendingJ(), 0.05 * 70 / 2), 1e-3);
}

TEST(Frame, EulerColumns) {
  struct Case {
    std::array<bool, 6> foot, top;
    double k;
  };
  const std::array<bool, 6> free{};
  const std::array<bool, 6> guided{true, true, false, true, true, true};
  const std::array<bool, 6> pinnedTop{true, true, false, false, false, true};
  const std::array<bool, 6> sway{false, false, false, true, true, true};
  const std::array<bool, 6> pinFoot{true, true, true, false, false, true};
  for (const Case& c : {Case{kClamp, free, 2}, Case{pinFoot, pinnedTop, 1}, Case{kClamp, pinnedTop, 0.69916},
                        Case{kClamp, guided, 0.5}, Case{kClamp, sway, 1}, Case{pinFoot, sway, 2}}) {
    Frame f;
    f.nodes = {{"foot", {0, 0, 0}, c.foot}, {"top", {0, 0, 70}, c.top}};
    f.members = {wireMember("post", 0, 1)};
    f.loads = {{1, {0, 0, -1}, {0, 0, 0}}};
    const auto found = bucklingFactors(f, 1, 8);
    ASSERT_FALSE(found.empty());
    EXPECT_LT(within(found.front(), std::numbers::pi * std::numbers::pi * kEi / std::pow(c.k * 70, 2)), 1e-3)
        << c.k;
  }
}

TEST(Frame, TheReferenceFigure) {
  const auto ref = reference();
  for (const auto& [name, wanted] : ref["cases"].items()) {
    Frame f = fourLegged(name.ends_with("pin") ? kPin : kClamp);
    if (name.starts_with("G+Y")) f.loads.push_back({8, {0, 0.05, 0}, {0, 0, 0}});
    if (name.starts_with("G+X")) f.loads.push_back({2, {0.15, 0, 0}, {0, 0, 0}});
    const FrameSolution s = ElasticFrame(f).solve();
    const Vec3 tip = s.moved[8].head<3>();
    for (size_t n = 0; n < f.nodes.size(); ++n) {
      const auto& row = wanted["moved"][f.nodes[n].id];
      for (Eigen::Index k = 0; k < 6; ++k)
        EXPECT_NEAR(s.moved[n][k], row[static_cast<size_t>(k)].get<double>(), k < 3 ? 1e-6 : 1e-8)
            << name << ' ' << f.nodes[n].id;
      const auto& outside = wanted["calculix"][f.nodes[n].id];
      for (Eigen::Index k = 0; k < 3; ++k)
        EXPECT_NEAR(s.moved[n][k], outside[static_cast<size_t>(k)].get<double>(), 0.021 * tip.norm())
            << name << ' ' << f.nodes[n].id;
    }
    for (size_t m = 0; m < f.members.size(); ++m) {
      const double i = wanted["moments"][f.members[m].id + "_i"][0].get<double>();
      const double j = wanted["moments"][f.members[m].id + "_j"][0].get<double>();
      EXPECT_NEAR(s.ends[m].bendingI(), i, 0.001 * std::max(i, j) + 1e-9) << name << ' ' << f.members[m].id;
      EXPECT_NEAR(s.ends[m].bendingJ(), j, 0.001 * std::max(i, j) + 1e-9) << name << ' ' << f.members[m].id;
    }
  }
  // A twisted pair moves less by its stiffness, whatever else.
  const double factor = 1.71107;
  const Vec3 pair = ElasticFrame(fourLegged(kPin, factor)).solve().moved[8].head<3>();
  EXPECT_LT(within(pair.norm(), 5.07378), 1e-4);
}

TEST(Frame, SidewaysModesAreFound) {
  const auto ref = reference()["buckling"];
  const auto pin = bucklingFactors(fourLegged(kPin), 3, 6);
  ASSERT_GE(pin.size(), 2U);
  EXPECT_LT(within(pin[0], 6.0535), 0.02) << "sagging, as a frame solver has it";
  EXPECT_LT(within(pin[0], ref["pin"]["ccx"][0].get<double>()), 0.05);
  EXPECT_LT(within(pin[1], ref["pin"]["ccx"][1].get<double>()), 0.05) << "head and neck twist away sideways";
  const auto clamp = bucklingFactors(fourLegged(kClamp), 3, 6);
  ASSERT_GE(clamp.size(), 2U);
  EXPECT_LT(within(clamp[0], ref["clamp"]["ccx"][0].get<double>()), 0.05);
  EXPECT_LT(within(clamp[1], ref["clamp"]["ccx"][1].get<double>()), 0.05);
  // A joint that turns as a rigid body carries more; on a straight run there is no difference.
  EXPECT_GT(bucklingFactors(fourLegged(kClamp), 1, 6, JointTurning::Finite).front(), clamp[0]);
  Frame straight = cantilever(85);
  straight.loads = {{1, {0, 0, -0.1}, {0, 0, 0}}};
  for (const JointTurning turning : {JointTurning::Linear, JointTurning::Finite}) {
    const double ei = straight.members[0].elastic * straight.members[0].inertia;
    const double gj = straight.members[0].shear * straight.members[0].torsion;
    EXPECT_LT(within(bucklingFactors(straight, 1, 16, turning).front() * 0.1,
                     4.0126 * std::sqrt(ei * gj) / (85 * 85)),
              0.003)
        << "a cantilever twisting away sideways";
  }
}

TEST(Frame, PlasticLimits) {
  const double mp = 34.0 / 6;
  Frame f = cantilever(70);
  f.loads = {{1, {0, 0, -0.05}, {0, 0, 0}}};
  EXPECT_LT(within(collapseLoad(f).factor * 0.05, mp / 70), 1e-3);
  f.loads = {{1, {0, -0.03, -0.04}, {0, 0, 0}}};
  EXPECT_LT(within(collapseLoad(f).factor * 0.05, mp / 70), 1e-3) << "in any direction";
  Frame q = cantilever(70);
  q.members[0].weight = {0, 0, -0.001};
  EXPECT_LT(within(collapseLoad(q).factor * 0.001, 2 * mp / (70 * 70)), 1e-3);
  EXPECT_LT(within(collapseLoad(portal(kClamp, 0.05)).factor * 0.05, 4 * mp / 70), 1e-3);
  EXPECT_LT(within(collapseLoad(portal(kPin, 0.05)).factor * 0.05, 2 * mp / 70), 1e-3);
  // Four legs under a body that does not bend.
  for (const bool clamped : {false, true}) {
    Frame legs;
    legs.nodes.push_back({"body", {0, 0, 70}, {}});
    for (const auto& [x, y] : {std::pair{0.0, 20.0}, {0.0, -20.0}, {110.0, 20.0}, {110.0, -20.0}}) {
      const int foot = static_cast<int>(legs.nodes.size());
      legs.nodes.push_back({"foot", {x, y, 0}, clamped ? kClamp : kPin});
      legs.nodes.push_back({"hip", {x, y, 70}, {}});
      legs.members.push_back(wireMember("leg", foot, foot + 1));
      FrameMember body = wireMember("body", foot + 1, 0, 20);
      body.plastic = 0;
      legs.members.push_back(body);
    }
    legs.loads = {{0, {0.1, 0, 0}, {0, 0, 0}}};
    EXPECT_LT(within(collapseLoad(legs).factor * 0.1, (clamped ? 8 : 4) * mp / 70), 1e-2);
  }
}

TEST(Frame, SagBeyondYield) {
  const double pc = 34.0 / 6 / 70;
  for (const auto& [share, sag] :
       {std::pair{0.5, 1.9129 * 0.5 / 0.7}, {0.7, 1.9188}, {0.8, 2.2389}, {0.9, 2.6879}}) {
    Frame f = cantilever(70);
    f.loads = {{1, {0, 0, -share * pc}, {0, 0, 0}}};
    const PlasticSag s = plasticSag(f, 40);
    EXPECT_LT(within(-s.solution.moved[1][2], sag), 0.01) << share;
    EXPECT_FALSE(s.gaveWay);
  }
  Frame f = cantilever(70);
  f.loads = {{1, {0, 0, -1.05 * pc}, {0, 0, 0}}};
  EXPECT_TRUE(plasticSag(f, 40).gaveWay);
}

TEST(Frame, CuttingAMemberChangesNothing) {
  const Frame whole = fourLegged(kPin);
  const FrameSolution a = ElasticFrame(whole).solve();
  for (const int parts : {2, 3}) {
    const FrameSolution b = ElasticFrame(divided(whole, parts)).solve();
    for (size_t n = 0; n < whole.nodes.size(); ++n)
      EXPECT_LT((a.moved[n] - b.moved[n]).norm(), 1e-8 * a.moved[8].norm());
    for (size_t m = 0; m < whole.members.size(); ++m)
      EXPECT_NEAR(a.ends[m].bendingI(), b.ends[m * static_cast<size_t>(parts)].bendingI(), 1e-8);
  }
  EXPECT_LT(within(collapseLoad(divided(whole, 2)).factor, collapseLoad(whole).factor), 2e-4);
}

TEST(Frame, TurningTheWorldAboutTheVertical) {
  const Frame f = fourLegged(kPin);
  const FrameSolution a = ElasticFrame(f).solve();
  const Eigen::Matrix3d turn = Eigen::AngleAxisd(0.83, Vec3::UnitZ()).toRotationMatrix();
  Frame g = f;
  for (FrameNode& n : g.nodes) n.at = turn * n.at;
  const FrameSolution b = ElasticFrame(g).solve();
  for (size_t n = 0; n < f.nodes.size(); ++n)
    EXPECT_LT((turn * a.moved[n].head<3>() - b.moved[n].head<3>()).norm(), 1e-7);
  for (size_t m = 0; m < f.members.size(); ++m) EXPECT_NEAR(a.ends[m].bendingI(), b.ends[m].bendingI(), 1e-7);
  EXPECT_LT(within(bucklingFactors(g, 1, 3).front(), bucklingFactors(f, 1, 3).front()), 1e-6);
}

TEST(Frame, ReactionsCarryTheWeight) {
  std::mt19937 random(5);
  std::uniform_real_distribution<double> u(-1, 1);
  for (int round = 0; round < 50; ++round) {
    Frame f = fourLegged(round % 2 ? kPin : kClamp);
    for (FrameNode& n : f.nodes) n.at += 12 * Vec3(u(random), u(random), 0.2 * u(random));
    Vec3 total = Vec3::Zero();
    for (size_t m = 0; m < f.members.size(); ++m)
      total += f.members[m].weight * memberLength(f, static_cast<int>(m));
    for (const FrameLoad& l : f.loads) total += l.force;
    const FrameSolution s = ElasticFrame(f).solve();
    Vec3 held = Vec3::Zero();
    for (const Vec6& r : s.reactions) held += r.head<3>();
    EXPECT_LT((held + total).norm(), 1e-9 * total.norm());
  }
}

TEST(Frame, AMechanismIsSeen) {
  Frame f = cantilever(70);
  f.nodes[0].fixed = kPin;
  f.loads = {{1, {0, 0, -1}, {0, 0, 0}}};
  EXPECT_FALSE(ElasticFrame(f).stable());
  EXPECT_TRUE(bucklingFactors(f).empty());
  EXPECT_LT(collapseLoad(f).factor, 1e-9) << "it carries nothing";
  EXPECT_TRUE(std::isinf(collapseLoad(Frame()).factor));
}

TEST(Frame, DeckNamesEverything) {
  const std::string deck = calculixDeck(fourLegged(kPin), "figure", 4);
  EXPECT_NE(deck.find("*ELEMENT,TYPE=B32R,ELSET=E9"), std::string::npos);
  EXPECT_NE(deck.find("*BOUNDARY\n4,1\n4,2\n4,3\n5,1"), std::string::npos);
  EXPECT_NE(deck.find("*END STEP"), std::string::npos);
}
