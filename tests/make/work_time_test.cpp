// Hours: the law in closed form, and what comes of it.
#include "support.h"

#include "make/work_time.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

/// Hours without the wire's.
double hours(const Plan& plan, Finish finish) {
  const WorkTime t = workTime(plan.figure, plan.wool, plan.pieces, shelf().pace, finish);
  return (t.total - t.wire) / 60;
}

} // namespace

TEST(WorkTime, OfOnePartIsTheLaw) {
  const Plan plan = planned(project("red_fox", 160));
  const Pace& pace = shelf().pace;
  Figure figure = plan.figure;
  figure.limbs = {figure.limbs[static_cast<size_t>(*figure.limb("trunk"))]};
  WoolPlan wool = plan.wool;
  LimbWool w;
  w.firmness = Firmness::Medium;
  w.coreVolume = 100e3; // 100 cm3
  w.area = 12e3;        // 120 cm2
  wool.limbs = {w};
  const WorkTime t = workTime(figure, wool, {}, pace, Finish::Good);
  const double core = 6 + 0.35 * 100 / std::cbrt(1 + 100.0 / 15);
  EXPECT_NEAR(t.core, core, 1e-9);
  EXPECT_NEAR(t.coat, 120 * 0.35, 1e-9);
  EXPECT_NEAR(t.total, core + 120 * 0.35, 1e-9);
  EXPECT_NEAR(t.low, 0.6 * t.total, 1e-9);
  EXPECT_NEAR(t.high, 1.7 * t.total, 1e-9);
  // Far above one holder's reach minutes grow as the two thirds power of the volume.
  wool.limbs[0].coreVolume = 1e9;
  const double one = workTime(figure, wool, {}, pace, Finish::Core).core - 6;
  wool.limbs[0].coreVolume = 8e9;
  const double eight = workTime(figure, wool, {}, pace, Finish::Core).core - 6;
  EXPECT_NEAR(eight / one, 4, 1e-3);
}

TEST(WorkTime, OfTenAnimalsInFourFinishes) {
  // Worked out by hand from volumes and surfaces found independently of this program, of figures with tubes
  // for heads: a head of its own makes a tenth less or more of that part.
  struct Row {
    const char* pattern;
    double core, plain, good, fine;
  };
  for (const Row& row : {Row{"red_fox", 1.9, 2.9, 5.2, 11.1}, Row{"domestic_cat", 2.1, 3.2, 5.5, 11.7},
                         Row{"house_mouse", 1.9, 2.9, 5.1, 10.8}, Row{"heron", 1.8, 2.5, 4.0, 8.2},
                         Row{"sheep", 3.9, 5.6, 9.2, 18.9}, Row{"horse", 3.1, 4.6, 8.0, 17.0},
                         Row{"brown_bear", 2.3, 3.4, 5.8, 12.0}, Row{"elephant", 5.8, 8.5, 14.3, 29.8},
                         Row{"toy_bear", 8.2, 11.7, 19.4, 40.4}}) {
    Project p = project(row.pattern, 160);
    p.size = {SizeBy::BodyLength, 160};
    const Plan plan = plannedExactly(p, 1);
    EXPECT_NEAR(hours(plan, Finish::Core), row.core, 0.08 * row.core + 0.06) << row.pattern;
    EXPECT_NEAR(hours(plan, Finish::Plain), row.plain, 0.08 * row.plain + 0.06) << row.pattern;
    EXPECT_NEAR(hours(plan, Finish::Good), row.good, 0.08 * row.good) << row.pattern;
    EXPECT_NEAR(hours(plan, Finish::Fine), row.fine, 0.08 * row.fine) << row.pattern;
  }
}

TEST(WorkTime, GrowsWithFinishAndSizeAndNeverAsTheVolume) {
  for (const Pattern& p : animals()) {
    const Plan small = planned(project(p.id, 150));
    const Plan large = planned(project(p.id, 300));
    double last = 0;
    for (const Finish f : {Finish::Core, Finish::Plain, Finish::Good, Finish::Fine}) {
      EXPECT_GT(hours(small, f), last) << p.id;
      last = hours(small, f);
      EXPECT_GT(hours(large, f), hours(small, f)) << p.id;
      EXPECT_LT(hours(large, f), 5 * hours(small, f))
          << p.id << ": eight times the wool is not eight times the work";
    }
    Project longest = project(p.id, 160);
    longest.size = firstSize(p);
    longest.size.mm *= 400 / 180.0;
    EXPECT_LT(hours(planned(longest), Finish::Good), 110) << p.id;
  }
}

TEST(WorkTime, FollowsTheProjectsFinish) {
  Project p = project("red_fox", 160);
  EXPECT_EQ(plannedExactly(p).time.finish, Finish::Good);
  const double good = plannedExactly(p).time.total;
  p.finish = Finish::Core;
  EXPECT_LT(plannedExactly(p).time.total, good);
  EXPECT_EQ(plannedExactly(p).time.coat, 0);
  const Working w = timeWorking(plannedExactly(p).time, shelf().pace);
  EXPECT_GE(w.lines.size(), 5U);
}

TEST(Pace, AFileWithoutANumberOrSourceIsRefusedByName) {
  const std::string good =
      Scratch::read((std::filesystem::path(COLUMNA_DATA_DIR) / "work" / "pace.json").string());
  ASSERT_TRUE(readPace(good, "pace.json").ok());
  const auto broken = [&](const std::string& from, const std::string& to) {
    std::string text = good;
    const auto at = text.find(from);
    EXPECT_NE(at, std::string::npos) << from;
    text.replace(at, from.size(), to);
    const auto made = readPace(text, "pace.json");
    EXPECT_FALSE(made.ok()) << from;
    return made.ok() ? std::string() : made.problem().sentence();
  };
  EXPECT_NE(broken("\"part_minutes\"", "\"part\"").find("part_minutes"), std::string::npos);
  EXPECT_NE(broken("\"value\": 0.35, \"low\": 0.21", "\"value\": -1, \"low\": 0.21").find("medium_minutes"),
            std::string::npos);
  EXPECT_NE(broken("\"value\": 15,", "\"value\": 0,").find("several_needles"), std::string::npos);
  EXPECT_NE(broken("columna-pace/2", "columna-pace/1").find("pace.json"), std::string::npos);
}
