// A round head for an animal that has none.
#include "head/generic_head.h"

#include "head/head_check.h"
#include "head/wearing.h"
#include "heads.h"

#include <gtest/gtest.h>

namespace columna::test {
namespace {

TEST(GenericHead, IsAsLargeAsTheTubesItStandsFor) {
  int made = 0;
  for (const Pattern& worn : shelf().patterns) {
    const Pattern pattern = barePattern(worn.id);
    const auto head = genericHead(pattern);
    if (!head) continue;
    ++made;
    EXPECT_TRUE(checkHead(*head).empty()) << pattern.id << ": " << checkHead(*head).front().sentence();
    const Pattern with = wearing(pattern, *head, {});
    ASSERT_TRUE(with.head) << pattern.id;
    const Figure before = inModules(pattern);
    const Figure after = inModules(with);
    ASSERT_TRUE(after.head);
    EXPECT_EQ(after.eyes.size(), 2U);
    // It neither shrinks nor swells the animal: within a tenth of its length over all.
    EXPECT_NEAR(after.totalLength, before.totalLength, 0.1 * before.totalLength) << pattern.id;
  }
  EXPECT_GE(made, 25);
}

TEST(GenericHead, OneThatWearsAHeadNeedsNone) {
  EXPECT_FALSE(genericHead(*shelf().pattern("red_fox")));
  Pattern headless = barePattern("red_fox");
  std::erase_if(headless.limbs, [](const PatternLimb& l) { return l.kind == LimbKind::Head; });
  EXPECT_FALSE(genericHead(headless));
}

} // namespace
} // namespace columna::test
