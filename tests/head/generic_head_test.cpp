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
  for (const Pattern& worn : animals()) {
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
  EXPECT_GE(6 * made, 5 * static_cast<int>(animals().size()));
}

TEST(GenericHead, OneThatWearsAHeadNeedsNone) {
  EXPECT_FALSE(genericHead(*shelf().pattern("red_fox")));
  Pattern headless = barePattern("red_fox");
  std::erase_if(headless.limbs, [](const PatternLimb& l) { return l.kind == LimbKind::Head; });
  EXPECT_FALSE(genericHead(headless));
}

TEST(GenericHead, HasFeetOfTheAnimalsKindAndSize) {
  int feet = 0;
  int kind = 0;
  int size = 0;
  for (const Pattern& worn : animals()) {
    const Pattern pattern = barePattern(worn.id);
    const auto head = genericHead(pattern);
    if (!head) continue;
    const HeadPattern own = shippedHead(worn.id);
    // Modules of the pattern a head module is: feet go by the animal's size in life.
    const double ownModule = own.module.lifeMm / pattern.lifeMm * pattern.lifeModules;
    for (const auto& [made, drawn] :
         {std::pair(&head->feet.fore, &own.feet.fore), std::pair(&head->feet.mid, &own.feet.mid),
          std::pair(&head->feet.hind, &own.feet.hind)}) {
      if (!*made) continue;
      EXPECT_GT((*made)->length, 0) << worn.id;
      EXPECT_GT((*made)->width, 0) << worn.id;
      EXPECT_LT((*made)->length * head->seat.length, 1.5) << worn.id << ": longer than the body";
      if (!*drawn) continue;
      ++feet;
      kind += (*made)->type == (*drawn)->type ? 1 : 0;
      const double ratio = (*made)->length * head->seat.length / ((*drawn)->length * ownModule);
      size += ratio > 0.5 && ratio < 2 ? 1 : 0;
    }
  }
  EXPECT_GE(6 * feet, 7 * static_cast<int>(animals().size()));
  EXPECT_GT(kind, 0.7 * feet);
  EXPECT_GT(size, 0.8 * feet);
}

} // namespace
} // namespace columna::test
