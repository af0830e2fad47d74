// The command line on steps and sessions.
#include "cli_run.h"

#include "make/open_time.h"

#include <algorithm>
#include <set>

using namespace columna;
using namespace columna::test;

TEST(Cli, TellsTheStepsAndPlacesThemIntoSessions) {
  const Scratch scratch;
  const std::string fox = scratch.path("fox.columna");
  ASSERT_EQ(run(scratch, "new --pattern red_fox --height 180 -o " + fox).code, 0);
  const Ran told = run(scratch, "steps " + fox + " --json");
  ASSERT_EQ(told.code, 0) << told.err;
  const auto json = nlohmann::json::parse(told.out);
  std::set<std::string> ids;
  double minutes = 0;
  for (const auto& s : json["steps"]) {
    ids.insert(s["id"].get<std::string>());
    minutes += s["minutes"].get<double>();
  }
  EXPECT_NEAR(minutes, json["minutes"].get<double>() + json["around_minutes"].get<double>(), 1e-6);
  EXPECT_TRUE(ids.contains("wind/left-foreleg"));
  for (const auto& e : json["edges"]) {
    EXPECT_TRUE(ids.contains(e["before"].get<std::string>()));
    EXPECT_TRUE(ids.contains(e["after"].get<std::string>()));
  }
  EXPECT_NE(run(scratch, "steps " + fox + " --ready").out.find("print/sheet"), std::string::npos);
  EXPECT_EQ(run(scratch, "steps " + fox + " --ready").out.find("wind/trunk"), std::string::npos);
  EXPECT_EQ(run(scratch, "steps " + fox + " --fits 40").code, 0);

  const std::string week = " --calendar 'tue 20:00-21:30, sat 10-12' --from 2026-12-01";
  const std::string ics = scratch.path("fox.ics");
  const Ran placed = run(scratch, "sessions " + fox + week + " --json --ics " + ics);
  ASSERT_EQ(placed.code, 0) << placed.err;
  const auto plan = nlohmann::json::parse(placed.out);
  EXPECT_GE(plan["finish"].get<std::string>(), plan["bound"].get<std::string>());
  std::map<std::string, int> done;
  for (const auto& session : plan["sessions"])
    for (const auto& s : session["steps"]) {
      done[s["id"].get<std::string>()] += s["minutes"].get<int>();
      EXPECT_GE(s["from"].get<std::string>(), session["from"].get<std::string>());
      EXPECT_LE(s["to"].get<std::string>(), session["to"].get<std::string>());
    }
  EXPECT_EQ(done.size(), ids.size()) << "every step is in a session";
  // The same again, to the letter; and a calendar file with as many events.
  EXPECT_EQ(run(scratch, "sessions " + fox + week + " --json").out, placed.out);
  const std::string file = Scratch::read(ics);
  size_t events = 0;
  for (size_t at = file.find("BEGIN:VEVENT"); at != std::string::npos; at = file.find("BEGIN:VEVENT", at + 1))
    ++events;
  EXPECT_EQ(events, plan["sessions"].size());
}

TEST(Cli, WeeksDaysAndMinutesThatAreNoneAreOneLine) {
  const Scratch scratch;
  const std::string fox = scratch.path("fox.columna");
  ASSERT_EQ(run(scratch, "new --pattern red_fox --height 120 -o " + fox).code, 0);
  for (const std::string& words :
       {"sessions " + fox + " --calendar 'never'", "sessions " + fox + " --calendar ''",
        "sessions " + fox + " --calendar 'tue 21-20'", "sessions " + fox + " --from yesterday",
        "sessions " + fox + " --calendar 'tue 20:00-20:05'", "sessions " + fox + " --ics /nowhere/at/all.ics",
        "steps " + fox + " --fits 0", "steps " + fox + " --fits many",
        std::string("steps /nowhere.columna")}) {
    const Ran out = run(scratch, words);
    EXPECT_EQ(out.code, 2) << words;
    EXPECT_EQ(std::count(out.err.begin(), out.err.end(), '\n'), 1) << words << out.err;
  }
}

TEST(Cli, KeepsARecordAndGoesOnFromIt) {
  const Scratch scratch;
  const std::string fox = scratch.path("fox.columna");
  ASSERT_EQ(run(scratch, "new --pattern red_fox --height 180 -o " + fox).code, 0);
  const std::string at = " --at 2026-12-01T20:10:00+01:00";
  const auto stateOf = [&](const std::string& step, const std::string& time) {
    const auto json = nlohmann::json::parse(run(scratch, "steps " + fox + " --json --at " + time).out);
    for (const auto& s : json["steps"])
      if (s["id"] == step) return s["state"].get<std::string>();
    return std::string();
  };
  ASSERT_EQ(run(scratch, "log " + fox + " --add print/sheet begin --at 2026-12-01T20:00:00+01:00").code, 0);
  EXPECT_EQ(stateOf("print/sheet", "2026-12-01T20:05:00+01:00"), "under-way");
  const Ran done = run(scratch, "log " + fox + " --add print/sheet done" + at);
  ASSERT_EQ(done.code, 0) << done.err;
  EXPECT_EQ(stateOf("print/sheet", "2026-12-01T20:11:00+01:00"), "done");
  ASSERT_EQ(run(scratch, "log " + fox + " --add weigh/heaps weight '38.6 g' --text heap" + at).code, 0);
  EXPECT_NE(run(scratch, "log " + fox).out.find("38.6 g"), std::string::npos);
  // Sessions hold what is left alone.
  const std::string week = "sessions " + fox + " --from 2026-12-01 --json";
  EXPECT_EQ(run(scratch, week).out.find("print/sheet"), std::string::npos);
  // Withdrawn it is to be done again.
  ASSERT_EQ(run(scratch, "log " + fox + " --withdraw " + done.out.substr(0, 16)).code, 0);
  EXPECT_NE(run(scratch, week).out.find("print/sheet"), std::string::npos);
  const std::string table = scratch.path("log.csv");
  ASSERT_EQ(run(scratch, "log " + fox + " --csv " + table).code, 0);
  const std::string rows = Scratch::read(table);
  EXPECT_EQ(std::count(rows.begin(), rows.end(), '\n'), 5);
  for (const char* wrong : {" --add print/sheet", " --add print/sheet flown", " --add a weight 'five g'",
                            " --add a count -3", " --withdraw nothing", " --add a girth 70 --along far",
                            " --add a done --at yesterday", " --add a withdraw"}) {
    const Ran out = run(scratch, "log " + fox + wrong);
    EXPECT_EQ(out.code, 2) << wrong;
    EXPECT_EQ(std::count(out.err.begin(), out.err.end(), '\n'), 1) << wrong << out.err;
  }
}

TEST(Cli, LearnsAHandFromARecordAndCanBeToldNotTo) {
  const Scratch scratch;
  const std::string fox = scratch.path("fox.columna");
  ASSERT_EQ(run(scratch, "new --pattern red_fox --height 180 -o " + fox).code, 0);
  EXPECT_EQ(run(scratch, "learn").code, 0) << "nothing is known yet";
  EXPECT_EQ(run(scratch, "learn --add " + fox).code, 2) << "there is no record in it";
  const std::string finish = "sessions " + fox + " --from 2026-12-01 --json";
  const auto minutes = [&] {
    int sum = 0;
    const auto placed = nlohmann::json::parse(run(scratch, finish).out);
    for (const auto& session : placed["sessions"])
      for (const auto& s : session["steps"])
        if (s["id"] == "coat/trunk") sum += s["minutes"].get<int>();
    return sum;
  };
  const int usual = minutes();
  ASSERT_GT(usual, 0);
  const auto told = [&](const std::string& words, const std::string& clock) {
    EXPECT_EQ(run(scratch, "log " + fox + " --add " + words + " --at 2026-12-01T" + clock + ":00+01:00").code,
              0);
  };
  // A slow printer, the same again, and again: three steps of one kind, each twice the usual.
  for (const auto& [step, hour] : {std::pair("print/sheet", "10"), std::pair("weigh/heaps", "12")}) {
    told(std::string(step) + " begin", std::string(hour) + ":00");
    told(std::string(step) + " done", std::string(hour) + ":59");
  }
  ASSERT_EQ(run(scratch, "learn --add " + fox).code, 0);
  const auto hand = nlohmann::json::parse(run(scratch, "learn --json").out);
  ASSERT_EQ(hand["figures"].size(), 1U);
  EXPECT_EQ(hand["figures"][0]["steps"], 2);
  ASSERT_FALSE(hand["hand"].empty());
  EXPECT_GT(hand["hand"][0]["now"]["middle"].get<double>(), 1.1);
  EXPECT_GT(minutes(), usual) << "a slow hand at one thing is thought slower at all";
  const std::string name = hand["figures"][0]["name"].get<std::string>();
  EXPECT_EQ(run(scratch, "learn --strike '" + name + "' --json").out.find("\"counts\": true"),
            std::string::npos);
  EXPECT_NE(run(scratch, "learn --count '" + name + "' --json").out.find("\"counts\": true"),
            std::string::npos);
  EXPECT_EQ(run(scratch, "learn --strike nobody").code, 2);
}
