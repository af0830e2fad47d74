// What is said over many drawn projects: no sentence that contradicts itself, no factor of nought, no inner
// name.
#include "judge/planning.h"
#include "judge/pose_report.h"
#include "support.h"

#include <random>
#include <regex>

using namespace columna;
using namespace columna::test;

namespace {

/// Everything a screen or the sheet would say of a plan.
std::vector<std::string> said(const Project& project, const Plan& plan) {
  std::vector<std::string> out;
  for (const Finding& f : plan.findings) {
    out.push_back(render(f.text));
    out.push_back(render(f.brief));
  }
  for (const LimbPlan& limb : plan.limbs) out.push_back(render(limb.sentence));
  for (const Join& j : plan.joins) out.push_back(render(j.text));
  for (const Piece& p : plan.pieces) {
    out.push_back(p.name);
    for (const Feature& f : p.features) out.push_back(render(f.note));
  }
  for (const LimbWool& w : plan.wool->limbs)
    for (const Pad& pad : w.pads) out.push_back(pad.place);
  const PoseReport r = poseReport(project, plan, shelf(), {});
  for (const JointReport& j : r.joints) {
    out.push_back(j.name);
    out.push_back(render(j.sentence));
    out.push_back(render(j.brief));
  }
  for (const Finding& f : r.findings) out.push_back(render(f.text));
  for (size_t l = 0; l < plan.limbs.size(); ++l)
    if (plan.limbs[l].wired && !plan.loads.limbs[l].empty())
      for (const WorkingLine& line :
           holdWorking(plan.loads.limbs[l], plan.limbs[l].hold, plan.limbs[l].section, plan.poseRules).lines)
        out.push_back(render(line.words));
  return out;
}

/// What is wrong with a sentence; empty for nothing.
std::string fault(const std::string& text) {
  static const std::regex inner(
      R"(_|\b[a-z]{1,3}\d[a-z]?\b|\b(mtp|mcp|bl|pw)\b|[a-z]-[a-z]+-root|\bleft-|\bright-)");
  static const std::regex nought(
      R"((^|[^.\d])(0 (times|mm of wool|mm (in|out)side)|1 times)|\bat 0°|-0\b|\bnan\b|\binf\b)");
  // "holds 2 times its load, 2 is wanted", "at 10°, 10° is wanted", "1.5 mm of wool ..., 1.5 is wanted"
  static const std::regex wanted(
      R"(([\d.]+)(?:°| times| N| mm)?[^.;:]*?[,;] ([\d.]+)(?:°| mm)? (?:is|are) (?:wanted|what))");
  if (std::regex_search(text, inner)) return "an inner name";
  if (std::regex_search(text, nought)) return "nought";
  std::smatch found;
  std::string rest = text;
  while (std::regex_search(rest, found, wanted)) {
    if (found[1] == found[2]) return "the same twice";
    rest = found.suffix();
  }
  if (text.find("  ") != std::string::npos) return "a double space";
  return {};
}

} // namespace

TEST(Texts, TheCheckFindsWhatItIsFor) {
  EXPECT_EQ(fault("Lash left-hock_j"), "an inner name");
  EXPECT_EQ(fault("Lash n4 with 5 turns"), "an inner name");
  EXPECT_EQ(fault("holds 0 times of it"), "nought");
  EXPECT_EQ(fault("May sag: holds 2 times its load, 2 is wanted"), "the same twice");
  EXPECT_EQ(fault("It tips to the side at 10°, 10° is wanted"), "the same twice");
  EXPECT_EQ(fault("holds 1 times its load"), "nought");
  EXPECT_EQ(fault("holds 2.1 times its load, less than 0.1 times of it"), "");
  EXPECT_EQ(fault("holds 1.97 times its load, 2 is wanted"), "");
  EXPECT_EQ(fault("It tips to the side at 9.9°, 10° is wanted"), "");
}

TEST(Texts, OfTwoHundredDrawnProjectsAreSound) {
  std::mt19937 random(11);
  const auto pick = [&](size_t n) { return std::uniform_int_distribution<size_t>(0, n - 1)(random); };
  const auto between = [&](double a, double b) {
    return std::uniform_real_distribution<double>(a, b)(random);
  };
  std::map<std::string, int> faults;
  for (int drawn = 0; drawn < 200; ++drawn) {
    Project p = project(shelf().patterns[pick(shelf().patterns.size())].id, between(60, 420),
                        kConstructions[pick(kConstructions.size())]);
    p.use = static_cast<Use>(pick(3));
    p.material = shelf().materials[pick(shelf().materials.size())].id;
    p.stances.hands = static_cast<Hands>(pick(3));
    p.drawerOnly = pick(8) == 0;
    if (p.drawerOnly) p.drawer = {{"offcuts", p.material, between(0.4, 2), 0, between(100, 400), 3, {}}};
    const auto made = plan(p, shelf(), {nullptr, true, 2});
    ASSERT_TRUE(made.ok());
    for (const std::string& text : said(p, *made))
      if (const std::string why = fault(text); !why.empty() && ++faults[why + ": " + text] == 1)
        ADD_FAILURE() << p.pattern << ' ' << p.size.mm << ": " << why << " in \"" << text << '"';
  }
}

TEST(Texts, APatternsOwnNamesAndTheirWant) {
  for (const Pattern& p : animals()) {
    const Figure f = makeFigure(p, {SizeBy::OverallHeight, 160}).value();
    std::map<std::string, std::string> seen;
    for (const auto& [id, name] : f.jointNames) {
      EXPECT_EQ(fault(name), "") << p.id << ' ' << id << ": " << name;
      EXPECT_TRUE(seen.emplace(name, id).second)
          << p.id << ": " << id << " and " << seen[name] << " are both " << name;
    }
    for (const FigureBone& bone : f.bones) {
      EXPECT_EQ(fault(bone.name), "") << p.id << ' ' << bone.id << ": " << bone.name;
      EXPECT_FALSE(std::isdigit(static_cast<unsigned char>(bone.name.back()))) << p.id << ' ' << bone.name;
    }
    // Without its names a pattern's joints are counted along their limb.
    Pattern bare = p;
    bare.names.clear();
    const Figure counted = makeFigure(bare, {SizeBy::OverallHeight, 160}).value();
    for (const auto& [id, name] : counted.jointNames)
      EXPECT_NE(name.find(" of the "), std::string::npos) << p.id << ' ' << name;
  }
}

TEST(Texts, WhatHasNoWireIsWrongAndNamed) {
  Project p = project("river_otter", 108);
  p.drawerOnly = true;
  p.drawer = {{"thin", "aluminium-annealed", 0.8, 0, 237, 2, {}},
              {"fine", "aluminium-annealed", 0.64, 0, 281.8, 1, {}},
              {"thick", "aluminium-annealed", 1.0, 0, 1000.4, 1, {}}};
  const Plan plan = planned(p);
  std::set<int> cut;
  for (const WireStock& wire : plan.stock) {
    for (const CutBar& bar : wire.cuts.bars)
      for (const Cut& c : bar.cuts) {
        cut.insert(wire.parts[static_cast<size_t>(c.piece)].piece);
        EXPECT_GT(wire.parts[static_cast<size_t>(c.piece)].length, 0.5) << "no cut of nothing";
      }
  }
  size_t without = 0;
  for (size_t i = 0; i < plan.pieces.size(); ++i) without += cut.contains(static_cast<int>(i)) ? 0 : 1;
  ASSERT_GT(without, 0U);
  EXPECT_TRUE(plan.anyWrong());
  const auto named = std::count_if(plan.findings.begin(), plan.findings.end(), [](const Finding& f) {
    return f.level == Level::Wrong && render(f.brief).find("no wire for") != std::string::npos;
  });
  EXPECT_GT(named, 0);
}

TEST(Texts, PrintedBesideALimitAValueIsAnother) {
  EXPECT_EQ(render(Number(9.89, 0).apart(10), {}), "9.9");
  EXPECT_EQ(render(Number(1.997, 1).apart(2), {}), "1.997");
  EXPECT_NE(render(Number(1.99999999, 1).apart(2), {}), "2");
  EXPECT_EQ(render(Number(3.4, 1).apart(10), {}), "3.4");
  EXPECT_NE(render(Number(0.004, 1).apart(3), {}), "0");
}
