// The wool's pages: weights that add up, tapes whose notches are true to size, pads that fit the paper.
#include "sheet/wool_pages.h"
#include "sheet/words.h"
#include "support.h"
#include "wool/build_up.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

using Section = void (*)(Filler&, const Plan&);

std::vector<Page> pagesOf(Section section, const Plan& plan, Paper paper = Paper::A4) {
  Filler pages(paper, false, {});
  section(pages, plan);
  return pages.take();
}

} // namespace

TEST(WoolPages, EveryPortionIsToBeTicked) {
  const Project p = project("river_otter", 108);
  const Plan plan = planned(p);
  const std::string all = words(pagesOf(portions, plan));
  for (const BuildStep& step : buildSteps(plan.figure, plan.wool)) {
    EXPECT_NE(all.find(render(step.words)), std::string::npos) << step.words;
    EXPECT_NE(all.find(printMass(step.grams, UnitSystem::Metric)), std::string::npos) << step.words;
  }
  for (const char* said : {"Needles pierce", "mask", "easy to add", "begin "})
    EXPECT_NE(all.find(said), std::string::npos) << said;
}

TEST(WoolPages, NotchesAreAtTheGirths) {
  for (const double height : {108.0, 260.0}) { // tapes on one row, and on several
    const Project p = project("river_otter", height);
    const Plan plan = planned(p);
    const double step = Filler(Paper::A4, false, {}).clear() - kTapeOverlap;
    const LimbWool& trunk = plan.wool->limbs[static_cast<size_t>(*plan.figure->limb("trunk"))];
    // Distances of filled notches' points from their tape's end, rows put end to end.
    std::vector<double> at;
    for (const Page& page : pagesOf(tapes, plan)) {
      double left = -1; // of the trunk's tape, while it is drawn
      int row = 0;
      for (const Mark& m : page.marks) {
        if (!m.text.empty() && m.size > 3.3) { // a tape's heading, at its left end
          left = m.text.starts_with("Trunk") ? m.points[0].x() : -1;
          const size_t part = m.text.find("part ");
          row = part == std::string::npos ? 0 : std::stoi(m.text.substr(part + 5)) - 1;
        }
        if (left >= 0 && m.filled && m.points.size() == 3) at.push_back(m.points[1].x() - left + row * step);
      }
    }
    ASSERT_FALSE(at.empty());
    for (const Girth& g : trunk.girths) {
      const bool notched =
          std::any_of(at.begin(), at.end(), [&](double x) { return std::abs(x - g.felted) < 1e-6; });
      EXPECT_TRUE(notched) << height << ' ' << g.felted;
    }
  }
}

TEST(WoolPages, PadsAreTrueToSizeAndOnThePaper) {
  for (const char* id : {"river_otter", "brown_bear"}) {
    const Project p = project(id, 150);
    const Plan plan = planned(p);
    for (const Paper paper : {Paper::A4, Paper::Letter}) {
      size_t outlines = 0;
      for (const Page& page : pagesOf(padOutlines, plan, paper))
        for (const Mark& m : page.marks) {
          for (const auto& at : m.points) {
            EXPECT_GE(at.x(), 0);
            EXPECT_LE(at.x(), page.width);
            EXPECT_LE(at.y(), page.height);
          }
          if (m.filled && m.points.size() == 60) ++outlines;
        }
      size_t pads = 0;
      for (size_t l = 0; l < plan.figure->limbs.size(); ++l)
        if (plan.figure->limbs[l].side >= 0) pads += plan.wool->limbs[l].pads.size();
      EXPECT_EQ(outlines, pads) << id;
    }
  }
}
