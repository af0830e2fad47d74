// A walk through the library in the order of the work: read this first. From an animal to wire that can be
// cut, to a file, and back.
#include "file/columna_file.h"
#include "judge/planning.h"
#include "sheet/true_size_sheet.h"
#include "support.h"

using namespace columna;

TEST(Tour, FromAnAnimalToACutListAndBackFromTheFile) {
  // The catalog is what a figure can be made from: animals, wires, rules of thumb. It never changes.
  const auto catalog = loadCatalog(COLUMNA_DATA_DIR);
  ASSERT_TRUE(catalog);

  // A project is what the maker decided, and nothing else.
  Project fox;
  fox.name = "Fox on the windowsill";
  fox.pattern = "red_fox";
  fox.size = {SizeBy::OverallHeight, 90, {}}; // mm, as everything inside
  fox.construction = Construction::TwistedLimbs;

  // A plan is all that follows from it: the same project and catalog give the same plan.
  const auto made = plan(fox, *catalog);
  ASSERT_TRUE(made) << made.problem().sentence(); // what a maker can get wrong comes back as one sentence
  EXPECT_NEAR(made->figure->overallHeight, 90, 1e-9);

  // Wire: a gauge for each limb with what asks for it, and pieces to cut with where each bend lies.
  const size_t foreleg = static_cast<size_t>(*made->figure->limb("left-foreleg"));
  EXPECT_GE(made->limbs[foreleg].section.diameter, made->limbs[foreleg].need.diameter - 1e-9);
  double cut = 0;
  for (const Piece& piece : made->pieces) cut += piece.cut;
  EXPECT_NEAR(cut, made->totals.wireLength, 1e-6);

  // The cut list: every piece from a length of wire, bought or out of the drawer.
  size_t cuts = 0;
  for (const WireStock& wire : made->stock)
    for (const auto& bar : wire.cuts.bars) cuts += bar.cuts.size();
  EXPECT_GE(cuts, made->pieces.size());

  // Wool: grams to weigh out, core and coat.
  EXPECT_GT(made->totals.core, 1);
  EXPECT_GT(made->totals.coat, 0.5);

  // What is worth a look is said with its remedy, the worst first.
  for (const Finding& finding : made->findings) EXPECT_FALSE(finding.text.empty());

  // A change is another project; its plan is another plan.
  Project larger = fox;
  larger.size.mm = 120;
  EXPECT_GT(plan(larger, *catalog)->totals.core, 2 * made->totals.core);

  // The sheet is plain drawing in mm, page by page.
  EXPECT_GE(trueSizeSheet(fox, *made, *catalog, Paper::A4).size(), 5U);

  // The file keeps the project; the plan is made again when it is opened.
  const test::Scratch scratch;
  ProjectFile file;
  file.project = fox;
  ASSERT_FALSE(saveProject(scratch.path("fox.columna"), file));
  const auto opened = openProject(scratch.path("fox.columna"));
  ASSERT_TRUE(opened);
  EXPECT_EQ(plan(opened->project, *catalog)->totals.wireLength, made->totals.wireLength);
}
