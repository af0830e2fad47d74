#include "file/project_json.h"
#include "judge/planning.h"
#include "report/plan_json.h"
#include "support.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

TEST(Plan, SameInputSameOutputBitForBit) {
  for (const Pattern& p : animals())
    EXPECT_EQ(toJson(planned(project(p.id, 143))).dump(), toJson(planned(project(p.id, 143))).dump());
}

TEST(Plan, WiresThickenByTheRuleNotByTwo) {
  const Plan small = planned(project("river_otter", 100));
  const Plan large = planned(project("river_otter", 200));
  const auto neck = static_cast<size_t>(*small.figure->limb("neck"));
  const double ratio = large.limbs[neck].need.diameter / small.limbs[neck].need.diameter;
  EXPECT_GT(ratio, 1.2);
  EXPECT_LT(std::abs(ratio - 2), 0.9);
  EXPECT_NE(ratio, 2.0);
  for (size_t l = 0; l < large.limbs.size(); ++l)
    if (large.limbs[l].wired) {
      EXPECT_GE(large.limbs[l].section.diameter, small.limbs[l].section.diameter);
    }
}

TEST(Plan, ChosenWireIsTheThinnestThatDoes) {
  for (const Pattern& p : animals())
    for (const Construction c : kConstructions) {
      Project any = project(p.id, 160, c);
      any.mostWires = 20; // as many different ones as are wanted
      const Plan plan = planned(any);
      for (size_t g = 0; g < plan.groups.size(); ++g) {
        double need = plan.groups[g].digits ? 0.32 : 0;
        bool fits = true;
        for (const int l : plan.groups[g].limbs) {
          need = std::max(need, plan.limbs[static_cast<size_t>(l)].need.diameter);
          fits = fits && plan.limbs[static_cast<size_t>(l)].fits;
        }
        const double d = plan.sections[g].diameter;
        if (fits) {
          EXPECT_GE(d, need - 1e-9) << p.id;
        }
        for (const double thinner : plan.sections[g].material.diameters)
          if (thinner < d) {
            EXPECT_LT(thinner, need) << p.id << ": a thinner one would have done";
          }
      }
    }
}

TEST(Plan, EveryLimbIsInOneGroupAtMost) {
  for (const Pattern& p : animals())
    for (const Construction c : kConstructions) {
      const Plan plan = planned(project(p.id, 160, c));
      std::vector<int> seen(plan.limbs.size(), 0);
      for (const WireGroup& g : plan.groups)
        for (const int l : g.limbs) ++seen[static_cast<size_t>(l)];
      for (size_t l = 0; l < seen.size(); ++l) {
        const bool wired = carries(c, plan.figure->limbs[l]) && plan.limbs[l].wired;
        EXPECT_EQ(seen[l], plan.skeleton->limbs[l].empty() || !wired ? 0 : 1) << p.id;
        if (c == Construction::TwistedLimbs || c == Construction::FoldedPair) {
          EXPECT_EQ(wired, !plan.skeleton->limbs[l].empty()) << p.id;
        }
      }
    }
}

TEST(Plan, AChoiceIsKeptAndSharedWithTheTwin) {
  Project p = project("river_otter", 108);
  const Plan before = planned(p);
  const int leg = *before.figure->limb("left-foreleg");
  p.change(before.figure, leg, [](LimbChoice& c) { c.diameter = 1.6; });
  const Plan after = planned(p);
  EXPECT_EQ(after.limbs[static_cast<size_t>(leg)].section.diameter, 1.6);
  EXPECT_EQ(after.limbs[static_cast<size_t>(*after.figure->limb("right-foreleg"))].section.diameter, 1.6);
  EXPECT_TRUE(after.limbs[static_cast<size_t>(leg)].chosen);
  EXPECT_GT(after.limbs[static_cast<size_t>(leg)].hold.hold,
            before.limbs[static_cast<size_t>(leg)].hold.hold);
  p.untied.insert("foreleg");
  p.change(after.figure, leg, [](LimbChoice& c) { c.diameter = 2.0; });
  EXPECT_EQ(planned(p).limbs[static_cast<size_t>(*after.figure->limb("right-foreleg"))].section.diameter, 1.6)
      << "untied, the other side stays";
}

TEST(Plan, TooWeakIsWrongAndTooThickToo) {
  Project p = project("river_otter", 160);
  p.limbs["tail"].diameter = 0.5;
  const Plan weak = planned(p);
  EXPECT_TRUE(weak.anyWrong());
  EXPECT_EQ(weak.findings.front().level, Level::Wrong) << "worst first";
  Project tiny = project("heron", 80);
  tiny.limbs["left-leg"].diameter = 4;
  const Plan thick = planned(tiny);
  bool covered = false;
  for (const Finding& f : thick.findings)
    covered = covered ||
              (f.where == "left-leg" && render(f.text).find("thicker than the part") != std::string::npos);
  EXPECT_TRUE(covered);
}

TEST(Plan, SaysWhenNothingOnTheShelfIsStrongEnough) {
  Project p = project("river_otter", 1500);
  const Plan plan = planned(p);
  bool said = false;
  for (const Finding& f : plan.findings)
    said = said || render(f.text).find("thick enough") != std::string::npos ||
           render(f.text).find("gives way") != std::string::npos;
  EXPECT_TRUE(said);
}

TEST(Plan, UnknownNamesAreRefusedInOneSentence) {
  Project p = project("unicorn", 160);
  EXPECT_NE(plan(p, shelf()).problem().sentence().find("unicorn"), std::string::npos);
  p = project("red_fox", 160);
  p.material = "adamant";
  EXPECT_NE(plan(p, shelf()).problem().sentence().find("adamant"), std::string::npos);
  p = project("red_fox", 160);
  p.limbs["left-wing"].diameter = 1; // a choice for a limb of another animal is kept, and said
  const Plan made = planned(p);
  bool said = false;
  for (const Finding& f : made.findings) said = said || render(f.text).find("left wing") != std::string::npos;
  EXPECT_TRUE(said);
}

TEST(Plan, EveryMaterialAndUseGivesAPlan) {
  for (const Pattern& pattern : animals())
    for (const Material& material : shelf().materials)
      for (const Use use : {Use::Display, Use::Shelf, Use::Handled})
        for (const double height : {20.0, 60.0, 2000.0}) {
          Project p = project(pattern.id, height);
          p.material = material.id;
          p.use = use;
          const Plan made = planned(p);
          EXPECT_GT(made.totals.wireLength, 0);
          EXPECT_TRUE(std::isfinite(made.totals.mass));
          for (const LimbPlan& l : made.limbs) {
            EXPECT_FALSE(l.sentence.empty());
          }
        }
}

TEST(PlanJson, HasTheDocumentedShape) {
  const auto json = toJson(planned(project("river_otter", 108)));
  for (const char* key : {"pattern", "height_mm", "shoulder_height_mm", "body_length_mm", "bones"})
    EXPECT_TRUE(json["figure"].contains(key)) << key;
  for (const char* key : {"id", "twin", "length_mm", "strands", "wire", "moment_Nmm", "hold_factor",
                          "nudge_factor", "effort_N", "core_g", "coat_g", "girth_max_mm"})
    EXPECT_TRUE(json["limbs"][0].contains(key)) << key;
  for (const char* key : {"material", "diameter_mm", "awg", "swg"})
    EXPECT_TRUE(json["limbs"][0]["wire"].contains(key)) << key;
  for (const char* key : {"id", "material", "diameter_mm", "cut_mm", "route", "features"})
    EXPECT_TRUE(json["pieces"][0].contains(key)) << key;
  for (const char* key : {"kind", "at_mm", "takes_mm", "note"})
    EXPECT_TRUE(json["pieces"][0]["features"][0].contains(key)) << key;
  for (const char* key : {"wire_mm", "wire_g", "core_g", "coat_g", "mass_g"})
    EXPECT_TRUE(json["totals"].contains(key)) << key;
  double wire = 0;
  for (const auto& piece : json["pieces"]) wire += piece["cut_mm"].get<double>();
  EXPECT_NEAR(wire, json["totals"]["wire_mm"].get<double>(), 1e-9 * wire);
}

TEST(Findings, ShapesThatCannotStandOrAgreeAreNamed) {
  const auto brief = [](const Plan& plan, const char* words) {
    return std::any_of(plan.findings.begin(), plan.findings.end(),
                       [&](const Finding& f) { return render(f.brief).find(words) != std::string::npos; });
  };
  Project p = project("elephant", 160);
  EXPECT_FALSE(brief(planned(p), "under the ground"));
  p.shape.character.legs = 0.5;
  EXPECT_TRUE(brief(planned(p), "proboscis under the ground"));
  Project fox = project("red_fox", 160);
  const Plan before = planned(fox);
  const auto length = [&](const char* id) {
    return before.figure->limbs[static_cast<size_t>(*before.figure->limb(id))].length;
  };
  fox.made = {{"head", length("head") * 1.3, {}, "2026-11-25"}, {"trunk", length("trunk"), {}, "2026-11-25"}};
  EXPECT_TRUE(brief(planned(fox), "large for this body"));
}
