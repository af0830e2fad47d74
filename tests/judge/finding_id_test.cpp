// A finding's id says what it is, whatever part, figures, units and language it is told in.
#include "judge/planning.h"
#include "judge/pose_report.h"
#include "support.h"

#include <regex>

using namespace columna;
using namespace columna::test;

namespace {

std::string idOf(const Said& brief) {
  return Finding{Level::Doubtful, "figure", brief, brief, Topic::Wire}.id();
}

} // namespace

TEST(FindingId, IsTheBriefsTemplateAsOneWord) {
  EXPECT_EQ(idOf(say("it falls over")), "it-falls-over");
  EXPECT_EQ(idOf(say("{} may sag", Name("left foreleg"))), idOf(say("{} may sag", Name("neck"))));
  EXPECT_EQ(idOf(say("{}: no girth", Name("neck"))), "no-girth");
  EXPECT_EQ(idOf(say("{}: the {} does not fit", Name("trunk"), Name("foam egg"))), "the-does-not-fit");
  EXPECT_EQ(idOf(say("{} {}", Name("left elbow"), say("gives way"))), "gives-way")
      << "a joint's is its verdict's";
  const auto droop = [](int n) {
    return counted(many("{1} droop if knocked", "{1} droops if knocked"), n, Name("x"));
  };
  EXPECT_EQ(idOf(droop(1)), idOf(droop(2))) << "of one or of a pair";
  EXPECT_EQ(idOf(AsIs("typed")), "") << "what nobody said is no finding";
}

TEST(FindingId, EveryFindingHasOneThatUnitsDoNotChange) {
  static const std::regex shape("[a-z]+(-[a-z]+)*");
  std::set<std::string> seen;
  for (const Pattern& pattern : animals())
    for (const double height : {40.0, 160.0, 500.0}) {
      Project p = project(pattern.id, height);
      const Plan plan = planned(p);
      p.units = UnitSystem::Inch;
      const Plan inches = planned(p);
      ASSERT_EQ(inches.findings.size(), plan.findings.size());
      for (size_t k = 0; k < plan.findings.size(); ++k) {
        EXPECT_TRUE(std::regex_match(plan.findings[k].id(), shape)) << plan.findings[k].id();
        EXPECT_EQ(plan.findings[k].id(), inches.findings[k].id());
        EXPECT_EQ(plan.findings[k].text, inches.findings[k].text) << "units come in when it is told";
        seen.insert(plan.findings[k].id());
      }
      for (const Finding& f : poseReport(p, plan, shelf(), {}).findings) seen.insert(f.id());
    }
  EXPECT_GE(seen.size(), 12U) << "they are told apart";
}
