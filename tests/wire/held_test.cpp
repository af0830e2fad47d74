// A limb held its own way: what leaves the figure's construction, what it is cut and joined as.
#include "support.h"

#include "wire/construction.h"

#include <algorithm>

using namespace columna;
using namespace columna::test;

namespace {

Plan heldPlan(Project p, const std::string& limb, RootHold held) {
  p.limbs[limb].held = held;
  return planned(p);
}

Plan pairHeld(const std::string& pattern, Construction construction, const std::string& family,
              RootHold held) {
  Project p = project(pattern, 160, construction);
  p.limbs["left-" + family].held = held;
  p.limbs["right-" + family].held = held;
  return planned(p);
}

int joins(const Plan& plan, const std::string& kind, const std::string& limb) {
  const int l = *plan.figure->limb(limb);
  return static_cast<int>(std::count_if(plan.joins.begin(), plan.joins.end(), [&](const Join& j) {
    return j.kind == kind && std::find(j.limbs.begin(), j.limbs.end(), l) != j.limbs.end();
  }));
}

const WireGroup& groupOf(const Plan& plan, const std::string& limb) {
  return plan.groups[static_cast<size_t>(plan.limbs[static_cast<size_t>(*plan.figure->limb(limb))].group)];
}

bool says(const Plan& plan, const std::string& words) {
  return std::any_of(plan.findings.begin(), plan.findings.end(),
                     [&](const Finding& f) { return render(f.text).find(words) != std::string::npos; });
}

} // namespace

TEST(Held, GluedLegsLeaveTheFoldedWire) {
  const Plan folded = planned(project("river_otter", 160, Construction::FoldedPair));
  const Plan plan = pairHeld("river_otter", Construction::FoldedPair, "foreleg", RootHold::Glued);
  EXPECT_EQ(groupOf(folded, "left-foreleg").name, "head and front");
  EXPECT_EQ(groupOf(plan, "left-foreleg").name, "left-foreleg");
  EXPECT_EQ(joins(plan, "awl-hole", "left-foreleg"), 1);
  EXPECT_EQ(joins(plan, "awl-hole", "right-foreleg"), 1);
  EXPECT_EQ(groupOf(plan, "left-hindleg").name, groupOf(folded, "left-hindleg").name) << "the rest stays";
  EXPECT_EQ(groupOf(plan, "head").limbs,
            (std::vector<int>{*plan.figure->limb("head"), *plan.figure->limb("neck")}));
}

TEST(Held, ThroughTheBodyIsOneWireCutAlike) {
  const Plan plan = pairHeld("river_otter", Construction::TwistedLimbs, "hindleg", RootHold::Through);
  const WireGroup& group = groupOf(plan, "left-hindleg");
  EXPECT_EQ(&group, &groupOf(plan, "right-hindleg"));
  EXPECT_EQ(group.root, RootHold::Through);
  EXPECT_EQ(joins(plan, "through", "left-hindleg"), 1);
  EXPECT_EQ(joins(plan, "glue-stay", "left-hindleg"), 1);
  EXPECT_EQ(joins(plan, "glue-stay", "left-foreleg"), 0);
}

TEST(Held, LashedInAFeltedBodyIsGluedAndSaysSo) {
  const Plan plan = pairHeld("sheep", Construction::LegsAndTail, "foreleg", RootHold::Lashed);
  EXPECT_EQ(groupOf(plan, "left-foreleg").root, RootHold::Glued);
  EXPECT_TRUE(says(plan, "cannot be lashed"));
  // With a wire that passes, it is lashed as asked.
  const Plan spined = pairHeld("sheep", Construction::FoldedPair, "foreleg", RootHold::Lashed);
  EXPECT_EQ(groupOf(spined, "left-foreleg").root, RootHold::Lashed);
  EXPECT_FALSE(says(spined, "cannot be lashed"));
  EXPECT_TRUE(std::any_of(spined.pieces.begin(), spined.pieces.end(), [](const Piece& piece) {
    return piece.name.find("lashing") != std::string::npos;
  }));
}

TEST(Held, ThreadAndSkewerTakeTheWireOut) {
  const Plan thread = pairHeld("river_otter", Construction::TwistedLimbs, "foreleg", RootHold::Thread);
  EXPECT_FALSE(thread.limbs[static_cast<size_t>(*thread.figure->limb("left-foreleg"))].wired);
  EXPECT_EQ(joins(thread, "thread", "left-foreleg"), 1);
  EXPECT_EQ(joins(thread, "skewer", "right-foreleg"), 1) << "strung, it is wound on a skewer too";
  EXPECT_TRUE(says(thread, "keeps no pose"));
  for (const WireGroup& g : thread.groups)
    EXPECT_FALSE(g.digits && g.name.find("left-foreleg") == 0) << "toes of it have no wire either";

  const Plan tail = heldPlan(project("river_otter", 160), "tail", RootHold::Skewer);
  EXPECT_EQ(joins(tail, "skewer", "tail"), 1);
  EXPECT_TRUE(tail.limbs[static_cast<size_t>(*tail.figure->limb("neck"))].wired) << "the spine stays";
  const int l = *tail.figure->limb("tail");
  for (const Piece& piece : tail.pieces)
    EXPECT_EQ(std::count(piece.limbs.begin(), piece.limbs.end(), l), 0) << piece.tag;
}

TEST(Held, AGluedTailHasItsHole) {
  const Plan plan = heldPlan(project("river_otter", 160), "tail", RootHold::Glued);
  EXPECT_EQ(joins(plan, "awl-hole", "tail"), 1);
  const Plan stout = planned(project("sheep", 160, Construction::LegsAndTail));
  EXPECT_EQ(joins(stout, "awl-hole", "tail"), 1);
}

TEST(Held, EveryWayForEveryLimbOfEveryAnimal) {
  for (const Pattern& p : animals())
    for (const Construction c :
         {Construction::TwistedLimbs, Construction::FoldedPair, Construction::NoWire}) {
      const Plan usual = planned(project(p.id, 160, c));
      for (const FigureLimb& limb : usual.figure->limbs)
        for (const RootHold held : holdsFor(limb)) {
          Project wanted = project(p.id, 160, c);
          wanted.change(usual.figure, *usual.figure->limb(limb.id),
                        [&](LimbChoice& choice) { choice.held = held; });
          const Plan plan = planned(wanted);
          const std::string what = p.id + ' ' + limb.id + ' ' + std::string(id(held));
          std::vector<int> in(plan.figure->limbs.size(), 0);
          for (const WireGroup& g : plan.groups)
            for (const int l : g.limbs) ++in[static_cast<size_t>(l)];
          for (const int times : in) EXPECT_LE(times, 1) << what;
          const auto l = static_cast<size_t>(*plan.figure->limb(limb.id));
          const bool bare = held == RootHold::Thread || held == RootHold::Skewer;
          // Parts without bones of wire (a crest, an ear) have none to hold.
          if (bare) {
            EXPECT_FALSE(plan.limbs[l].wired) << what;
          } else if (!plan.skeleton->limbs[l].empty()) {
            EXPECT_TRUE(plan.limbs[l].wired) << what;
          }
          // Every wired limb has its strands.
          std::map<std::pair<int, int>, int> runs;
          for (const Piece& piece : plan.pieces)
            for (size_t i = 0; i + 1 < piece.route.size(); ++i)
              ++runs[std::minmax(piece.route[i], piece.route[i + 1])];
          for (const WireGroup& g : plan.groups)
            for (const StrandSegment& s : g.segments) EXPECT_GE(runs[std::minmax(s.a, s.b)], s.wires) << what;
        }
    }
}

TEST(Held, SizesOfSkewersAndPins) {
  const BenchRules& rules = shelf().bench;
  EXPECT_DOUBLE_EQ(rules.skewerFor(12), 4.0);
  EXPECT_DOUBLE_EQ(rules.skewerFor(1), 2.0) << "the thinnest there is";
  EXPECT_DOUBLE_EQ(rules.skewerFor(100), 6.0);
  EXPECT_DOUBLE_EQ(rules.pinFor(30), 30);
  EXPECT_DOUBLE_EQ(rules.pinFor(400), 35) << "no longer than a large head wants";
  const auto bad = [](const std::string& text) {
    const auto read = readBenchRules(text, "joins.json");
    return read.ok() ? std::string() : read.problem().sentence();
  };
  EXPECT_NE(bad("{").find("joins.json"), std::string::npos);
  EXPECT_NE(bad(R"({"schema":"columna-bench-rules/1"})").find("skewer_share"), std::string::npos);
  EXPECT_NE(bad(R"({"schema":"columna-bench-rules/1","skewer_share":{"value":-1,"source":"x"}})")
                .find("below zero"),
            std::string::npos);
  EXPECT_NE(bad(R"({"schema":"columna-bench-rules/1","skewer_share":{"value":1}})").find("source"),
            std::string::npos);
}
