// A photo looked at from the command line, drawn by the stand-in camera.
#include "cli_run.h"

#include <nlohmann/json.hpp>

using namespace columna;
using namespace columna::test;

namespace {

const std::string kStandIn = (std::filesystem::path(COLUMNA_CLI).parent_path() / "columna-standin").string();

Ran camera(const Scratch& scratch, const std::string& words) {
  return runProgram(scratch, kStandIn, "camera " + words);
}

} // namespace

TEST(LookCli, APhotoIsDrawnWithAFaultAndTheFaultIsTold) {
  const Scratch scratch;
  const std::string bear = scratch.path("bear.columna");
  ASSERT_EQ(run(scratch, "new --pattern toy_bear --height 160 -o " + bear).code, 0);
  const std::string folder = scratch.path("shots");
  const std::string taken =
      bear + " --folder " + folder + " --finished --mat --truth --girths 0.01 --turned 2 ";
  ASSERT_EQ(camera(scratch, taken + "--view above --number 1").code, 0);
  const Ran drawn = camera(scratch, taken + "--view front --number 2 --wrong left-leg:4");
  ASSERT_EQ(drawn.code, 0) << drawn.err;
  const std::string photo = folder + "/shot-002.png";
  ASSERT_TRUE(std::filesystem::exists(photo));
  EXPECT_FALSE(std::filesystem::exists(photo + ".part"));
  const auto truth = nlohmann::json::parse(Scratch::read(photo + ".truth.json"));
  EXPECT_EQ(truth["faults"]["left-leg"]["fuller_mm"], 4);
  const Ran looked =
      run(scratch, "look " + bear + " " + photo + " --finished --above " + folder + "/shot-001.png --json");
  ASSERT_EQ(looked.code, 0) << looked.err;
  const auto said = nlohmann::json::parse(looked.out);
  EXPECT_TRUE(said["mat"]);
  EXPECT_NEAR(said["camera"]["distance_mm"].get<double>(), truth["distance_mm"].get<double>(), 15);
  EXPECT_NEAR(said["camera"]["yaw_deg"].get<double>(), truth["yaw_deg"].get<double>() - 2, 1);
  bool told = false;
  for (const auto& pair : said["pairs"])
    if (pair["left"] == "left-leg") {
      told = pair["told"];
      EXPECT_NEAR(pair["left_less_right_mm"].get<double>(), 4, 1.6);
    }
  EXPECT_TRUE(told);
  // In sentences, each on a line; the record says that nothing is made yet.
  const Ran words = run(scratch, "look " + bear + " " + photo + " --finished");
  EXPECT_EQ(words.code, 0) << words.err;
  EXPECT_GE(std::count(words.out.begin(), words.out.end(), '\n'), 3);
  const Ran bare = run(scratch, "look " + bear + " " + photo);
  EXPECT_EQ(bare.code, 2) << bare.out;
}

TEST(LookCli, WhatCannotBeLookedAtOrDrawnIsSaidInOneLine) {
  const Scratch scratch;
  const std::string bear = scratch.path("bear.columna");
  ASSERT_EQ(run(scratch, "new --pattern toy_bear --height 160 -o " + bear).code, 0);
  const std::string folder = scratch.path("shots");
  ASSERT_EQ(camera(scratch, bear + " --folder " + folder + " --finished --size 600x450").code, 0);
  const std::string photo = folder + "/shot-001.png";
  const auto refused = [](const Ran& ran, const std::string& words) {
    EXPECT_EQ(ran.code, 2) << words;
    EXPECT_EQ(std::count(ran.err.begin(), ran.err.end(), '\n'), 1) << words << ": " << ran.err;
  };
  for (const std::string& words :
       {bear + " " + scratch.path("none.png"), bear + " " + scratch.write("bad.png", "no picture"),
        scratch.path("none.columna") + " " + photo, bear + " " + photo + " --view below",
        bear + " " + photo + " --finished --view right", bear + " " + photo + " --finished --above " + photo})
    refused(run(scratch, "look " + words), words);
  for (const char* words : {"--view below", "--wrong left-leg", "--wrong left-leg:x", "--wrong nose:2",
                            "--wrong left-leg:1e9", "--size 10x10", "--size 99999x900", "--size large"})
    refused(camera(scratch, bear + " --folder " + folder + " --finished " + words), words);
  refused(camera(scratch, scratch.path("none.columna") + " --folder " + folder), "no file");
  refused(camera(scratch, bear + " --finished --folder " + photo + "/x"), "no folder");
}
