// However a size is told, the figure has it; and what no figure can have is refused.
#include "anatomy/sizing.h"
#include "support.h"

#include <limits>

using namespace columna;
using namespace columna::test;

namespace {

constexpr std::array kWays{SizeBy::OverallHeight, SizeBy::ShoulderHeight, SizeBy::BodyLength,
                           SizeBy::HeadLength};

} // namespace

TEST(SizingWays, EachGivesAFigureOfThatSizeInEveryAnimal) {
  for (const Pattern& pattern : animals())
    for (const SizeBy by : kWays) {
      const Figure unit = inModules(pattern);
      if (modulesOf(pattern, {by, 100, {}}) <= 0) continue;
      const double mm = by == SizeBy::HeadLength ? 45 : 150;
      const auto made = makeFigure(pattern, {by, mm, {}});
      if (!made) continue; // a head of that size would make another part too large
      EXPECT_NEAR(lengthOf(*made, pattern, by), mm, 1e-9 * mm) << pattern.id << " " << word(by);
      EXPECT_NEAR(made->scale, mm / modulesOf(pattern, {by, mm, {}}), 1e-9 * made->scale) << pattern.id;
      EXPECT_NEAR(made->overallHeight, unit.overallHeight * made->scale, 1e-9 * made->overallHeight);
    }
}

TEST(SizingWays, OneLimbOrTheScaleSettleItToo) {
  for (const char* animal : {"red_fox", "heron", "elephant"}) {
    const Pattern& pattern = *shelf().pattern(animal);
    for (const PatternLimb& limb : pattern.limbs) {
      const auto made = makeFigure(pattern, {SizeBy::Limb, 60, limb.id});
      if (!made) continue;
      EXPECT_NEAR(lengthOf(*made, pattern, SizeBy::Limb, limb.id), 60, 1e-9) << animal << " " << limb.id;
    }
    for (const double smaller : {4.0, 12.5, 30.0}) {
      const auto made = makeFigure(pattern, {SizeBy::Scale, smaller, {}});
      if (!made) continue;
      EXPECT_NEAR(lengthOf(*made, pattern, SizeBy::Scale), smaller, 1e-9) << animal;
    }
    EXPECT_FALSE(makeFigure(pattern, {SizeBy::Limb, 60, "fin of a whale"}));
  }
}

TEST(SizingWays, AFirstSizeIsOneToHoldAndRound) {
  for (const Pattern& pattern : animals()) {
    const Sizing first = firstSize(pattern);
    const auto made = makeFigure(pattern, first);
    ASSERT_TRUE(made) << pattern.id;
    EXPECT_NEAR(std::remainder(first.mm, 5), 0, 1e-9) << pattern.id;
    Vec3 low(1e9, 1e9, 1e9); // wings spread across count too
    Vec3 high = -low;
    for (const Tube& tube : made->tubes)
      for (const Ring& r : tube.rings) {
        low = low.cwiseMin(r.centre);
        high = high.cwiseMax(r.centre);
      }
    for (const FigureFlat& flat : made->flats)
      for (const Vec3& at : flat.outline) {
        low = low.cwiseMin(at);
        high = high.cwiseMax(at);
      }
    const double longest = (high - low).maxCoeff();
    EXPECT_GT(longest, 120) << pattern.id;
    EXPECT_LT(longest, 240) << pattern.id;
    EXPECT_NEAR(firstHeight(pattern), made->overallHeight, 1e-6) << pattern.id;
  }
}

TEST(SizingWays, SizesNoFigureCanHaveAreRefusedWithWhatToDo) {
  const Pattern& fox = *shelf().pattern("red_fox");
  for (const SizeBy by : kWays)
    for (const double mm :
         {0.0, -1.0, std::nan(""), std::numeric_limits<double>::infinity(), 1e-300, 1e300}) {
      const auto made = makeFigure(fox, {by, mm, {}});
      ASSERT_FALSE(made) << word(by) << " " << mm;
      EXPECT_FALSE(made.problem().what.empty());
      EXPECT_FALSE(made.problem().remedy.empty());
      EXPECT_TRUE(sizeProblem(by, mm)) << word(by) << " " << mm;
    }
  EXPECT_FALSE(sizeProblem(SizeBy::OverallHeight, kSmallestMm));
  EXPECT_FALSE(sizeProblem(SizeBy::OverallHeight, kLargestMm));
  EXPECT_TRUE(sizeProblem(SizeBy::OverallHeight, kSmallestMm * 0.99));
  EXPECT_TRUE(sizeProblem(SizeBy::OverallHeight, kLargestMm * 1.01));
}

TEST(SizingWays, ScalesAreReadAsMakersWriteThem) {
  for (const char* text : {"1:8", "1 : 8", "1/8", "8", " 1:8 ", "1:8.0"}) {
    const auto scale = parseScale(text);
    ASSERT_TRUE(scale) << text;
    EXPECT_DOUBLE_EQ(*scale, 8) << text;
  }
  for (const char* text : {"", "1:", "1:0", "0", "-8", "one to eight", "1:-8", "1:8:3"})
    EXPECT_FALSE(parseScale(text)) << text;
}

TEST(SizingWays, TwiceTheSizeIsTwiceOfEveryLength) {
  for (const Pattern& pattern : animals()) {
    const Figure one = makeFigure(pattern, {SizeBy::OverallHeight, 100, {}}).value();
    const Figure two = makeFigure(pattern, {SizeBy::OverallHeight, 200, {}}).value();
    ASSERT_EQ(one.bones.size(), two.bones.size());
    for (size_t b = 0; b < one.bones.size(); ++b) {
      EXPECT_NEAR(two.bones[b].length, 2 * one.bones[b].length, 1e-9 * one.totalLength) << pattern.id;
      EXPECT_NEAR((two.bones[b].begin - 2 * one.bones[b].begin).norm(), 0, 1e-9 * one.totalLength)
          << pattern.id;
    }
    EXPECT_EQ(one.shapeKey, two.shapeKey) << "the same proportions";
    EXPECT_NEAR(two.totalLength, 2 * one.totalLength, 1e-9 * one.totalLength);
  }
}
