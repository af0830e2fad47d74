// Blending a colour of one's own wools from the command line.
#include "cli_run.h"

#include <nlohmann/json.hpp>

#include <algorithm>

using namespace columna;
using namespace columna::test;

namespace {

const std::string kBench = std::string(COLUMNA_DATA_DIR) + "/demo/bench-wools.csv";

} // namespace

TEST(BlendCli, WeighsOutAColourOfTheListedWools) {
  const Scratch scratch;
  const std::string words = "blend --to '#5c4432' --list " + kBench + " --grams '14 g'";
  const Ran json = run(scratch, words + " --json");
  ASSERT_EQ(json.code, 0) << json.err;
  const auto out = nlohmann::json::parse(json.out);
  EXPECT_EQ(out["schema"], "columna-blend/1");
  EXPECT_EQ(out["to"], "#5C4432");
  double sum = 0;
  for (const auto& part : out["recipes"][0]["parts"]) sum += part["g"].get<double>();
  EXPECT_NEAR(sum, 14, 1e-9);
  const Ran text = run(scratch, words);
  ASSERT_EQ(text.code, 0) << text.err;
  EXPECT_NE(text.out.find("dark brown"), std::string::npos);
  // Fewer wools, and one's own constant, change what comes of it.
  const auto one = nlohmann::json::parse(run(scratch, words + " --wools 1 --json").out);
  for (const auto& recipe : one["recipes"]) EXPECT_EQ(recipe["parts"].size(), 1U);
  const auto own =
      nlohmann::json::parse(run(scratch, words + " --tried '#ECE6D7,#221F20,#5A5857' --json").out);
  EXPECT_NEAR(own["m"].get<double>(), 0.0968, 1e-3);
}

TEST(BlendCli, BadInputIsTwoAndOneLine) {
  const Scratch scratch;
  const std::string list = " --list " + kBench;
  for (const std::string& words :
       {"blend --to brown" + list, "blend --to '#12G456'" + list, "blend" + list,
        std::string("blend --to '#5C4432'"), "blend --to '#5C4432' --list " + scratch.path("none.csv"),
        "blend --to '#5C4432' --list " + scratch.write("bad.csv", "kind,name,amount,unit\ntop,x,much,g\n"),
        "blend --to '#5C4432' --grams '9 kg'" + list, "blend --to '#5C4432' --grams lots" + list,
        "blend --to '#5C4432' --wools 5" + list, "blend --to '#5C4432' --wools 0" + list,
        "blend --to '#5C4432' --tried '#ECE6D7,#221F20'" + list,
        "blend --to '#5C4432' --tried '#ECE6D7,#221F20,#5A5857,#5A5857'" + list,
        "blend --to '#5C4432' --tried '#ECE6D7,#221F20,#CC1010'" + list}) {
    const Ran ran = run(scratch, words);
    EXPECT_EQ(ran.code, 2) << words;
    EXPECT_EQ(std::count(ran.err.begin(), ran.err.end(), '\n'), 1) << words << ran.err;
    EXPECT_TRUE(ran.out.empty()) << words;
  }
}
