// Whole plans of shaped figures: every animal in shapes nobody drew, and what must hold all the same.
#include "anatomy/pattern_check.h"
#include "file/columna_file.h"
#include "file/project_json.h"
#include "judge/planning.h"
#include "project/history.h"
#include "report/plan_json.h"
#include "support.h"

#include <cmath>
#include <random>

using namespace columna;
using namespace columna::test;

namespace {

/// A shape within reason: lengths, girths, a moved joint or two and the dials.
Shape anyShape(const Pattern& p, std::mt19937& random) {
  const auto between = [&](double low, double high) {
    return std::uniform_real_distribution<double>(low, high)(random);
  };
  Shape shape;
  shape.character = characterAt(between(0, 2));
  shape.character.girth = between(0.8, 1.25);
  for (const PatternBone& b : p.bones) {
    if (between(0, 1) < 0.5) shape.lengths[b.id] = between(0.7, 1.4);
    if (between(0, 1) < 0.3)
      shape.girths[girthKey(b.id, static_cast<int>(between(0, 2.99)))] = {
          between(0.7, 1.3), between(0.7, 1.3), between(-0.01, 0.01)};
  }
  const PatternBone& moved =
      p.bones[static_cast<size_t>(between(0, static_cast<double>(p.bones.size()) - 0.01))];
  shape.moved[moved.to] = Vec3(between(-0.02, 0.02), between(-0.01, 0.01), between(-0.02, 0.02));
  return shape;
}

bool finite(const Plan& plan) {
  bool all = std::isfinite(plan.totals.core) && std::isfinite(plan.totals.coat) &&
             std::isfinite(plan.totals.wireLength) && std::isfinite(plan.time.total);
  for (const Piece& piece : plan.pieces) all = all && std::isfinite(piece.cut) && piece.cut > 0;
  for (const LimbPlan& limb : plan.limbs) all = all && std::isfinite(limb.hold.moment);
  return all;
}

} // namespace

TEST(ShapedPlan, EveryAnimalInAnyShapeIsPlannedWhole) {
  std::mt19937 random(1125);
  for (const Pattern& p : animals())
    for (const Construction built : {Construction::FoldedPair, Construction::TwistedLimbs})
      for (int i = 0; i < 3; ++i) {
        Project project = test::project(p.id, 160, built);
        project.shape = anyShape(p, random);
        const auto made = plan(project, shelf(), {nullptr, false, 4}); // coarse: there are many
        if (!made) { // the dice may leave a bone without length: then it is said
          EXPECT_NE(made.problem().sentence().find(';'), std::string::npos);
          continue;
        }
        EXPECT_TRUE(finite(*made)) << p.id;
        EXPECT_NEAR(made->figure->overallHeight, 160, 1e-6) << p.id;
        EXPECT_TRUE(made->figure->symmetric) << p.id;
        for (const FigureLimb& limb : made->figure->limbs)
          if (limb.twin >= 0) {
            EXPECT_EQ(limb.length, made->figure->limbs[static_cast<size_t>(limb.twin)].length) << p.id;
          }
        for (const Piece& piece : made->pieces) {
          double sum = piece.bones;
          for (const Feature& f : piece.features) sum += f.takes;
          EXPECT_NEAR(sum, piece.cut, 1e-6) << p.id << ' ' << piece.name;
        }
      }
}

TEST(ShapedPlan, AChangeOnTheLeftIsTheMirrorOfOneOnTheRight) {
  const auto of = [](const char* side) {
    Project p = project("wolf_like_dog", 200);
    p.shape.lengths[std::string(side) + "-forearm"] = 1.2;
    p.shape.girths[std::string(side) + "-thigh@0.5"] = {1.3, 1.1, 0};
    return plannedExactly(p);
  };
  const Plan left = of("left");
  const Plan right = of("right");
  EXPECT_FALSE(left.figure->symmetric);
  // Sides that differ are sampled on one grid, which does not know left from right.
  EXPECT_NEAR(left.totals.core, right.totals.core, 1e-3 * left.totals.core);
  EXPECT_NEAR(left.totals.wireLength, right.totals.wireLength, 1e-6 * left.totals.wireLength);
  for (size_t l = 0; l < left.figure->limbs.size(); ++l) {
    const int twin = left.figure->limbs[l].twin;
    const size_t other = twin < 0 ? l : static_cast<size_t>(twin);
    EXPECT_NEAR(left.figure->limbs[l].length, right.figure->limbs[other].length, 1e-9)
        << left.figure->limbs[l].id;
    EXPECT_NEAR(left.wool->limbs[l].core, right.wool->limbs[other].core,
                0.03 * left.wool->limbs[l].core + 0.01) // legs are nearly all coat here
        << left.figure->limbs[l].id;
  }
}

TEST(ShapedPlan, TwiceTheSizeIsEightTimesTheWoolInAnyShape) {
  std::mt19937 random(8);
  for (const char* id : {"house_mouse", "giraffe", "owl", "dragon"}) {
    Project p = project(id, 120);
    p.shape = anyShape(*shelf().pattern(id), random);
    const auto small = plan(p, shelf());
    if (!small) continue;
    p.size.mm = 240;
    EXPECT_NEAR(plannedExactly(p, 1).wool->volume / small->wool->volume, 8, 1e-4) << id;
  }
}

TEST(ShapedPlan, UndoAndRedoGoBackToTheLastBit) {
  std::mt19937 random(77);
  Project p = project("red_fox", 150);
  History history(p);
  std::vector<nlohmann::json> seen{toJson(p)};
  for (int i = 0; i < 12; ++i) {
    p.shape = anyShape(*shelf().pattern("red_fox"), random);
    if (i % 3 == 0) p.made = {{"trunk", 80.0 + i, {}, "2026-11-25"}};
    history.change("shape", p);
    seen.push_back(toJson(p));
  }
  for (size_t i = seen.size(); i-- > 1;) {
    EXPECT_EQ(toJson(history.now()), seen[i]);
    history.undo();
  }
  EXPECT_EQ(toJson(history.now()), seen[0]);
  while (history.canRedo()) history.redo();
  EXPECT_EQ(toJson(history.now()), seen.back());
}

TEST(ShapedPlan, TheDemosOpenAndPlan) {
  for (const char* name : {"otter-on-watch", "fox-trunk-first"}) {
    const auto file = openProject(std::string(COLUMNA_DATA_DIR) + "/demo/" + name + ".columna");
    ASSERT_TRUE(file.ok()) << file.problem().sentence();
    EXPECT_TRUE(file->messages.empty());
    const auto made = plan(file->project, shelf());
    ASSERT_TRUE(made.ok()) << made.problem().sentence();
    EXPECT_FALSE(made->anyWrong()) << name;
    for (const Photo& photo : file->project.photos) {
      EXPECT_TRUE(file->others.contains(photo.entry));
      EXPECT_TRUE(fitSimilarity(made->pattern, photo).ok());
    }
  }
}

TEST(ShapedPlan, AShapedAnimalStillPassesTheCheckWhenItIsMild) {
  for (const Pattern& p : animals()) {
    Shape mild;
    mild.character = characterAt(0.5);
    for (const Problem& problem : checkPattern(shaped(p, mild)))
      EXPECT_EQ(render(problem.where.said).find("bones."), std::string::npos)
          << p.id << ' ' << problem.sentence();
  }
}
