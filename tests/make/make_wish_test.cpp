// When a maker works: the week and the days that differ as they are said, and the wall clock they go by.
#include "support.h"

#include "make/journal.h"
#include "make/local_time.h"
#include "make/make_fields.h"
#include "make/make_wish.h"
#include "measure/field_reader.h"

#include <nlohmann/json.hpp>

#include <cstdlib>
#include <ctime>

using namespace columna;
using namespace columna::test;

namespace {

/// The machine's zone for one test.
class Zone {
public:
  explicit Zone(const char* name)
      : had_(std::getenv("TZ") != nullptr), before_(had_ ? std::getenv("TZ") : "") {
    setenv("TZ", name, 1);
    tzset();
  }
  ~Zone() {
    if (had_)
      setenv("TZ", before_.c_str(), 1);
    else
      unsetenv("TZ");
    tzset();
  }
  Zone(const Zone&) = delete;
  Zone& operator=(const Zone&) = delete;

private:
  bool had_;
  std::string before_;
};

constexpr const char* kBerlin = "CET-1CEST,M3.5.0,M10.5.0/3";

} // namespace

TEST(MakeWish, DaysThatDifferAreReadAndWrittenAlike) {
  const std::string text = "2026-12-24 off, 2026-12-26 10:00-12:00, 2026-12-26 14:00-16:00";
  const auto days = readOtherDays(text);
  ASSERT_TRUE(days);
  ASSERT_EQ(days->size(), 2U);
  EXPECT_TRUE((*days)[0].sessions.empty());
  EXPECT_EQ((*days)[1].sessions.size(), 2U);
  EXPECT_EQ(otherDaysText(*days), text);
  EXPECT_TRUE(readOtherDays("")->empty());
  EXPECT_TRUE(readOtherDays(" , ")->empty());
}

TEST(MakeWish, WhatIsNoDayIsNamed) {
  for (const char* bad :
       {"2026-12-24", "2026-02-30 off", "off", "2026-12-24 of", "2026-12-24 10-", "24.12.2026 off",
        "2026-12-24 25:00-26:00", "2026-12-24 off, 2026-12-24 10-12", "2026-12-24 10-12, 2026-12-24 off"})
    EXPECT_FALSE(readOtherDays(bad)) << bad;
}

TEST(MakeWish, AWeekAndItsDaysMakeOpenTime) {
  const MakeWish wish{kUsualWeek, "2026-12-01 off, 2026-12-02 20:00-20:40", "", 50, 10};
  const auto week = weekOf(wish);
  ASSERT_TRUE(week);
  // The first of December 2026 is a Tuesday: off; Wednesday 40 minutes, Thursday 80, Saturday 100.
  const OpenTime time(*week, *dateOf("2026-12-01"), 1);
  EXPECT_EQ(time.before(7 * kDay), 40 + 80 + 100);
  EXPECT_EQ(time.stretches().front().from, kDay + 20 * 60);
  EXPECT_TRUE(weekOf({})->week.empty()) << "nothing said is no mistake";
  for (const MakeWish& bad :
       {MakeWish{"tuesdays", "", "", 50, 10}, MakeWish{"tue 20:00-19:00", "", "", 50, 10},
        MakeWish{"tue 8-22", "", "", 50, 10}, MakeWish{"tue 20-22, tue 21-23", "", "", 50, 10},
        MakeWish{kUsualWeek, "someday off", "", 50, 10},
        MakeWish{kUsualWeek, "2026-12-02 10-12, 2026-12-02 11-13", "", 50, 10},
        MakeWish{kUsualWeek, "", "", 2, 10}})
    EXPECT_FALSE(weekOf(bad)) << bad.week << "; " << bad.days;
}

TEST(MakeWish, AFileThatSaysNoWeekIsRefusedByItsKey) {
  const auto read = [](const nlohmann::json& json) -> std::string {
    MakeWish wish;
    try {
      FieldReader("project.json").read(json, "make", wish);
    } catch (const FieldReader::Bad& bad) {
      return bad.problem.sentence();
    }
    return {};
  };
  EXPECT_EQ(read({{"week", "tue 20:00-21:30"}, {"stretch_min", 30}}), "");
  EXPECT_NE(read({{"week", "now and then"}}).find("make.week"), std::string::npos);
  EXPECT_NE(read({{"days", "2026-13-01 off"}}).find("make.days"), std::string::npos);
  EXPECT_NE(read({{"stretch_min", 2}}), "");
  EXPECT_NE(read({{"rest_min", 10000}}), "");
  EXPECT_NE(read({{"week", 7}}), "");
}

TEST(LocalTime, IsTheWallClocksInItsZone) {
  const Zone zone(kBerlin);
  const std::int64_t at = *secondsOf("2026-12-01T20:03:10+01:00");
  EXPECT_EQ(zonedText(at), "2026-12-01T20:03:10+01:00");
  EXPECT_EQ(universalText(at), "20261201T190310Z");
  EXPECT_EQ(localMinute(at, *dateOf("2026-11-30")), kDay + 20 * 60 + 3);
  EXPECT_EQ(localMinute(at, *dateOf("2026-12-02")), 20 * 60 + 3 - kDay) << "before the first day";
  EXPECT_EQ(localDay(*secondsOf("2026-12-01T23:30:00Z")), *dateOf("2026-12-02")) << "past midnight here";
}

TEST(LocalTime, ASummerTimesChangeInASessionKeepsItsWallTimes) {
  const Zone zone(kBerlin);
  // In the night of the 29th of March the clock goes from two to three.
  const std::int64_t before = *secondsOf("2026-03-29T01:50:00+01:00");
  const std::int64_t after = before + 20 * 60;
  EXPECT_EQ(zonedText(after), "2026-03-29T03:10:00+02:00");
  EXPECT_EQ(localMinute(after, *dateOf("2026-03-29")), 3 * 60 + 10);
  EXPECT_EQ(*secondsOf(zonedText(after)) - *secondsOf(zonedText(before)), 20 * 60)
      << "minutes at work are true";
  // And in October an hour comes twice: the zone tells them apart.
  const std::int64_t first = *secondsOf("2026-10-25T02:30:00+02:00");
  EXPECT_EQ(*secondsOf(zonedText(first + 3600)) - *secondsOf(zonedText(first)), 3600);
}
