// Rows of hair and feathers on a head: counts, lengths to cut, grams, and where these go in a plan.
#include "wool/hair.h"

#include "report/wool_plan_json.h"
#include "wool/build_up.h"
#include "wool/woollen.h"

#include <numbers>

using namespace columna;
using namespace columna::test;

namespace {

HeadRow row(HeadRow::Kind kind, double root, double shown, double wide = 0, int count = 1,
            bool twin = false) {
  return {"cheek-hair", kind, twin, root, shown, wide, count, 0};
}

} // namespace

TEST(Hair, ARingRoundAnEyeOfTenHasFifteenTufts) {
  // The eye's radius and 2 mm round it: 2 pi 7 / 3 = 14.7.
  const HairRow ring = hairOf(row(HeadRow::Kind::Tufts, 2 * std::numbers::pi * 7, 6), shelf().wool);
  EXPECT_EQ(ring.count, 15);
  EXPECT_NEAR(ring.apart, 2 * std::numbers::pi * 7 / 15, 1e-12);
}

TEST(Hair, TuftsAreCutTwiceAsLongAndWeighAsTheirThickness) {
  const WoolRules& rules = shelf().wool;
  const HairRow one = hairOf(row(HeadRow::Kind::Tufts, 27, 8, 0, 40, true), rules);
  EXPECT_EQ(one.count, 9);
  EXPECT_NEAR(one.cut, 21, 1e-12);
  EXPECT_NEAR(one.grams, 2 * 9 * 21 * 0.4e-3 * 0.5, 1e-12);
  EXPECT_EQ(one.name, "cheek hair");
  // However many the animal has, and however short the line.
  EXPECT_EQ(hairOf(row(HeadRow::Kind::Tufts, 0.2, 1), rules).count, 1);
  EXPECT_EQ(hairOf(row(HeadRow::Kind::Tufts, 0, 1), rules).count, 1);
}

TEST(Hair, FeathersAreNoNarrowerThanCanBeFelted) {
  const WoolRules& rules = shelf().wool;
  const HairRow wide = hairOf(row(HeadRow::Kind::Feathers, 30, 9, 6, 8), rules);
  EXPECT_EQ(wide.count, 8); // as the animal has them: ten would find room
  EXPECT_FALSE(wide.tiny);
  EXPECT_NEAR(wide.grams, 8 * 23 * 0.8e-3 * 6 / 9, 1e-12);
  const HairRow narrow = hairOf(row(HeadRow::Kind::Feathers, 10, 4, 0.5, 40), rules);
  EXPECT_TRUE(narrow.tiny);
  EXPECT_EQ(narrow.count, 8); // 2.5 wide, half over the next
}

TEST(Hair, WhiskersAreNoWool) {
  const HairRow whiskers = hairOf(row(HeadRow::Kind::Singles, 9, 20, 0.2, 6, true), shelf().wool);
  EXPECT_EQ(whiskers.count, 6);
  EXPECT_EQ(whiskers.grams, 0);
  EXPECT_NEAR(whiskers.cut, 28, 1e-12);
}

TEST(Hair, IsWeighedWithTheCoatAndCarriedByTheHead) {
  int haired = 0;
  for (const Pattern& p : animals()) {
    const Plan plan = planned(project(p.id, 160));
    double rows = 0;
    for (const HairRow& r : plan.wool->hair) {
      rows += r.grams;
      EXPECT_GE(r.count, 1) << p.id << r.id;
      EXPECT_GT(r.cut, r.shown) << p.id << r.id;
    }
    double limbs = 0;
    double coat = 0;
    for (const LimbWool& w : plan.wool->limbs) {
      limbs += w.hair;
      coat += w.coat + w.flats + w.fur + w.hair;
    }
    EXPECT_NEAR(limbs, rows, 1e-12) << p.id;
    EXPECT_NEAR(coat, plan.wool->coat, 1e-9) << p.id;
    // What is built up is what is weighed.
    const auto steps = buildSteps(plan.figure, plan.wool);
    EXPECT_NEAR(buildTotal(steps), plan.wool->core + plan.wool->coat, 0.002 * plan.wool->coat + 1e-6) << p.id;
    if (rows == 0) continue;
    ++haired;
    EXPECT_EQ(steps.back().kind, BuildStep::Kind::Hair) << p.id;
    // A head shorn of its hair is as much lighter, on the bone that carries it.
    Figure shorn = plan.figure;
    shorn.head->rows.clear();
    WoolInput in;
    in.coat = in.laid = 1;
    in.limbs.resize(shorn.limbs.size());
    const auto with = boneGrams(plan.figure, *plan.solid, in, plan.woolRules);
    const auto without = boneGrams(shorn, *plan.solid, in, plan.woolRules);
    const auto bone = static_cast<size_t>(plan.figure->head->bone);
    EXPECT_NEAR(with[bone] - without[bone], rows, 1e-9) << p.id;
    // It stays a small part of the head: a maker would not lay more hair than head.
    const LimbWool& head = plan.wool->limbs[static_cast<size_t>(plan.figure->bones[bone].limb)];
    EXPECT_LT(rows, head.core + head.coat) << p.id;
  }
  EXPECT_GE(haired, static_cast<int>(animals().size() * 2 / 3));
}

TEST(Hair, GrowsWithTheFigure) {
  for (const char* id : {"lynx", "horse", "owl"}) {
    const Plan small = planned(project(id, 120));
    const Plan large = planned(project(id, 240));
    const auto& few = small.figure->head->rows;
    const auto& more = large.figure->head->rows;
    ASSERT_EQ(few.size(), more.size());
    for (size_t r = 0; r < few.size(); ++r) {
      EXPECT_NEAR(more[r].root, 2 * few[r].root, 1e-6 * more[r].root) << id << few[r].id;
      EXPECT_NEAR(more[r].shown, 2 * few[r].shown, 1e-9 * more[r].shown) << id << few[r].id;
    }
  }
}

TEST(Hair, TheFilesNumbersAreWhatIsUsed) {
  WoolRules rules = shelf().wool;
  const HeadRow given = row(HeadRow::Kind::Tufts, 30, 8);
  const double before = hairOf(given, rules).grams;
  rules.hairTuftWide *= 2; // half as many, each twice as heavy
  EXPECT_EQ(hairOf(given, rules).count, 5);
  EXPECT_NEAR(hairOf(given, rules).grams, before, 1e-12);
  rules.furTuft *= 3;
  EXPECT_NEAR(hairOf(given, rules).grams, 3 * before, 1e-12);
}
