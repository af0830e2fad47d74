// The booklet from the command line: a folder by itself, a PDF through the window's program.
#include "cli_run.h"

using namespace columna;
using namespace columna::test;

TEST(Cli, WritesTheBookletAsAFolderAndAsAPdf) {
  const Scratch scratch;
  const std::string fox = scratch.path("fox.columna");
  ASSERT_EQ(run(scratch, "new --pattern red_fox --height 180 -o " + fox).code, 0);
  const std::string folder = scratch.path("book");
  const Ran html = run(scratch, "booklet " + fox + " -o " + folder + " --grey --no-guide");
  ASSERT_EQ(html.code, 0) << html.err;
  EXPECT_TRUE(std::filesystem::exists(folder + "/index.html"));
  EXPECT_FALSE(std::filesystem::exists(folder + "/guide"));
  const std::string pdf = scratch.path("fox.pdf");
  const Ran painted = run(scratch, "booklet " + fox + " -o " + pdf + " --paper Letter --no-guide");
  ASSERT_EQ(painted.code, 0) << painted.err;
  EXPECT_TRUE(Scratch::read(pdf).starts_with("%PDF"));
}

TEST(Cli, SaysWhyThereIsNoBooklet) {
  const Scratch scratch;
  const std::string fox = scratch.path("fox.columna");
  ASSERT_EQ(run(scratch, "new --pattern red_fox --height 180 -o " + fox).code, 0);
  const auto refused = [&](const std::string& words) {
    const Ran ran = run(scratch, "booklet " + words);
    EXPECT_EQ(ran.code, 2) << words;
    EXPECT_EQ(std::count(ran.err.begin(), ran.err.end(), '\n'), 1) << words << ": " << ran.err;
  };
  refused(fox + " -o " + scratch.path("x") + " --paper A3");
  refused(scratch.path("none.columna") + " -o " + scratch.path("x"));
  refused(scratch.path("none.columna") + " -o " + scratch.path("x.pdf"));
  refused(fox + " -o " + scratch.write("taken", "mine"));
  refused(fox + " -o " + scratch.path("no folder") + "/x.pdf");
  EXPECT_EQ(Scratch::read(scratch.path("taken")), "mine");
}
