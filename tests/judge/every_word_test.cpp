// Everything the sums say, of every animal in every construction: whole sentences, whole numbers, no ids.
#include "edit/pose_remedies.h"
#include "edit/remedies.h"
#include "judge/advice.h"
#include "judge/pose_report.h"
#include "support.h"
#include "told.h"

#include <regex>

using namespace columna;
using namespace columna::test;

namespace {

/// What is wrong with a text that a maker reads; empty for nothing.
std::string faultOf(const std::string& text, bool sentence) {
  static const std::regex none("(^|[^a-z])(nan|inf|-inf)($|[^a-z])");
  static const std::regex id("[a-z]_[a-z]|(left|right)-[a-z]");
  static const std::regex twice("  |\\s[,.;:]|\\.\\.|\\{|\\}|%[0-9]");
  if (text.empty()) return "empty";
  if (std::regex_search(text, none)) return "a number that is none";
  if (std::regex_search(text, id)) return "a name of the program's own";
  if (std::regex_search(text, twice)) return "a slip of the pen";
  if (sentence && text.back() != '.') return "no full stop";
  return {};
}

void expectWell(const Said& said, const std::string& of, bool sentence = false) {
  const std::string text = render(said);
  EXPECT_EQ(faultOf(text, sentence), "") << of << ": \"" << text << '"';
  const std::string inches = render(said, {UnitSystem::Inch, nullptr});
  EXPECT_EQ(faultOf(inches, sentence), "") << of << ": \"" << inches << '"';
  EXPECT_FALSE(isMetric(inches)) << of << ": \"" << inches << '"';
  const std::string other = render(said, {UnitSystem::Metric, &pseudoLanguage()});
  EXPECT_FALSE(hasEnglish(other)) << of << ": \"" << other << '"';
}

void expectWell(const std::string& name, const std::string& of) { expectWell(Said(Name(name)), of); }

void expectWell(const Working& w, const std::string& of) {
  if (w.lines.empty()) return; // nothing to explain there
  expectWell(w.title, of);
  for (const WorkingLine& line : w.lines) {
    EXPECT_FALSE(line.words.empty() && line.sum.empty())
        << of << ": a line of \"" << w.title << "\" says nothing";
    if (!line.words.empty()) expectWell(line.words, of);
    if (!line.sum.empty()) expectWell(line.sum, of);
    if (!line.result.empty()) expectWell(line.result, of);
  }
  EXPECT_FALSE(w.lines.back().result.empty())
      << of << ": the last line of \"" << w.title << "\" is the number itself";
}

void read(const Plan& plan, const std::string& of) {
  for (const Finding& f : plan.findings) {
    expectWell(f.text, of + ", a finding", true);
    expectWell(f.brief, of + ", a brief");
  }
  for (const LimbPlan& l : plan.limbs)
    if (l.wired) expectWell(l.sentence, of + ", a limb", true);
  for (const Piece& piece : plan.pieces) {
    expectWell(piece.name, of + ", a piece");
    expectWell(cutWorking(piece), of + " " + piece.name);
  }
  for (const Join& join : plan.joins) expectWell(join.text, of + ", a join");
  for (const LimbWool& w : plan.wool->limbs) {
    expectWell(coreWorking(w, plan.wool->volumeError), of + ", the core");
    expectWell(coatWorking(w, plan.wool->coatLaid), of + ", the coat");
    for (const Girth& g : w.girths) expectWell(girthWorking(g), of + ", a girth");
    for (const Pad& pad : w.pads) {
      expectWell(pad.place, of + ", a pad");
      expectWell(padWorking(pad, w), of + ", why a pad");
    }
  }
  for (const WirePoint& p : plan.skeleton->points) expectWell(p.name, of + ", a point");
}

} // namespace

class EveryWord : public ::testing::TestWithParam<size_t> {};

TEST_P(EveryWord, IsWell) {
  const Construction built = kConstructions[GetParam()];
  for (const Pattern& pattern : animals()) {
    Project p = project(pattern.id, 160, built);
    p.wool.finish = CoatFinish::Fur;
    p.wool.furShown = 9;
    const std::string of = pattern.id + ", " + std::string(id(built));
    const Plan plan = planned(p);
    read(plan, of);
    for (const Advice& a : allAdvice(p.use, plan)) expectWell(a.reason, of);
  }
}

INSTANTIATE_TEST_SUITE_P(Constructions, EveryWord, ::testing::Range<size_t>(0, kConstructions.size()));

TEST(EveryWordOf, ThePosesOfEveryAnimalIsWell) {
  for (const Pattern& pattern : animals()) {
    const Project p = project(pattern.id, 160);
    const Plan plan = planned(p);
    for (const PatternPose& pose : plan.pattern->poses) {
      const std::string of = pattern.id + ", " + pose.name;
      const PoseReport r = poseReport(p, plan, shelf(), pose);
      for (const Finding& f : r.findings) {
        expectWell(f.text, of, true);
        expectWell(f.brief, of);
      }
      expectWell(tipWorking(r), of);
      for (const JointReport& j : r.joints) {
        expectWell(j.name, of);
        expectWell(j.sentence, of);
        expectWell(jointHoldWorking(r, j, plan), of);
        expectWell(jointNudgeWorking(r, j, plan), of);
        expectWell(jointEffortWorking(j, plan, shelf(), Hands::Adult), of);
        expectWell(jointLifeWorking(j, plan, shelf()), of);
        expectWell(jointRecoilWorking(j, plan, shelf()), of);
        expectWell(jointCoverWorking(r, j, plan), of);
      }
    }
  }
}

TEST(EveryWordOf, TheSmallestAndLargestFiguresIsWell) {
  for (const Pattern& pattern : animals())
    for (const double height : {25.0, 60.0, 900.0}) {
      const auto made = plan(project(pattern.id, height), shelf(), {nullptr, true, 3});
      if (made) read(*made, pattern.id + " " + std::to_string(height));
    }
}

TEST(EveryWordOf, WhatWouldMendALimbIsWellAndMendsWhatItSays) {
  for (const char* animal : {"giraffe", "heron", "horse", "dragon"}) {
    const Project p = project(animal, 200);
    const Plan plan = planned(p);
    for (int l = 0; l < static_cast<int>(plan.limbs.size()); ++l) {
      if (plan.limbs[static_cast<size_t>(l)].verdict == Level::Good) continue;
      for (const Remedy& r : remedies(p, shelf(), plan, l)) {
        expectWell(r.words, animal);
        expectWell(r.result, animal);
        const auto then = columna::plan(r.project, shelf(), {plan.solid, true});
        ASSERT_TRUE(then);
        EXPECT_NEAR(then->limbs[static_cast<size_t>(l)].hold.hold, r.hold, 1e-9 * (1 + r.hold))
            << animal << ": " << render(r.words);
        EXPECT_EQ(then->limbs[static_cast<size_t>(l)].verdict, r.verdict)
            << animal << ": " << render(r.words);
      }
    }
  }
}

TEST(EveryWordOf, WhatWouldMendAPoseIsWell) {
  for (const char* animal : {"giraffe", "river_otter", "heron"}) {
    const Project p = project(animal, 200);
    const Plan plan = planned(p);
    for (const PatternPose& pose : plan.pattern->poses) {
      const PoseReport r = poseReport(p, plan, shelf(), pose);
      for (const PoseRemedy& each : standingRemedies(p, shelf(), plan, r)) {
        expectWell(each.words, animal);
        expectWell(each.result, animal);
      }
      const auto worst = std::find_if(r.joints.begin(), r.joints.end(),
                                      [](const JointReport& j) { return j.level != Level::Good; });
      if (worst == r.joints.end()) continue;
      for (const PoseRemedy& each : jointRemedies(p, shelf(), plan, r, worst->hold.limb)) {
        expectWell(each.words, animal);
        expectWell(each.result, animal);
      }
    }
  }
}
