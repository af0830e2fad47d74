// The steps of making a figure: all that the plan has is done once, in an order that works.
#include "support.h"

#include "steps/steps_of.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

struct Made {
  Project of;
  Plan plan;
  std::shared_ptr<const FaceSums> face;
  StepPlan steps;

  explicit Made(const Project& p, std::shared_ptr<const FaceSums> known = nullptr)
      : Made(p, planned(p), std::move(known)) {}
  Made(const Project& p, Plan made, std::shared_ptr<const FaceSums> known = nullptr)
      : of(p), plan(std::move(made)), face(known ? std::move(known) : faceSums(p, shelf(), plan)) {
    steps = stepsOf(of, shelf(), plan, face.get());
  }
  [[nodiscard]] double fetched(Fetch::What what) const {
    double sum = 0;
    for (const Step& s : steps.steps)
      for (const Fetch& f : s.fetch)
        if (f.what == what) sum += f.amount;
    return sum;
  }
  [[nodiscard]] const Step& step(std::string_view id) const {
    const auto at = steps.find(id);
    EXPECT_TRUE(at) << id;
    return steps.steps[static_cast<size_t>(at.value_or(0))];
  }
  /// Whether one has to be done before the other, directly or by way of others.
  [[nodiscard]] bool before(std::string_view first, std::string_view then) const {
    const auto from = steps.find(first);
    const auto to = steps.find(then);
    if (!from || !to) return false;
    std::set<int> reached{*from};
    for (int i = *from; i < static_cast<int>(steps.steps.size()); ++i)
      if (reached.contains(i))
        for (const StepEdge& e : steps.edges)
          if (e.before == i) reached.insert(e.after);
    return reached.contains(*to);
  }
};

void expectWhole(const Made& m, const std::string& name) {
  std::set<std::string> ids;
  for (const Step& s : m.steps.steps) {
    EXPECT_TRUE(ids.insert(s.id).second) << name << " " << s.id;
    EXPECT_FALSE(s.words.empty()) << name << " " << s.id;
    EXPECT_GE(s.planned, 0) << name << " " << s.id;
    EXPECT_GE(s.wait, s.waitLow) << name << " " << s.id;
  }
  ASSERT_EQ(m.steps.steps.back().id, "record/all") << name << ": a ring";
  // No ring: each edge leads on in the order there is.
  for (const StepEdge& e : m.steps.edges) {
    EXPECT_GE(e.before, 0) << name;
    EXPECT_LT(e.before, e.after) << name;
    EXPECT_LT(e.after, static_cast<int>(m.steps.steps.size())) << name;
    EXPECT_FALSE(e.why.empty()) << name;
  }
  EXPECT_NEAR(m.steps.planned(), m.plan.time.total, 0.01) << name;
  EXPECT_NEAR(m.fetched(Fetch::What::Core), m.plan.wool->core, 1e-6) << name;
  EXPECT_NEAR(m.fetched(Fetch::What::Coat), m.plan.wool->coat, 1e-6) << name;
  size_t ears = 0;
  for (const FlatWire& wire : m.plan.flatWires) ears += wire.take ? static_cast<size_t>(wire.count) : 0;
  EXPECT_EQ(m.fetched(Fetch::What::Piece), m.plan.pieces->size() + ears) << name;
  EXPECT_EQ(m.fetched(Fetch::What::Flat), m.plan.figure->flats.size()) << name;
  EXPECT_EQ(m.fetched(Fetch::What::Eye), m.plan.figure->eyes.size()) << name;
}

} // namespace

TEST(Steps, OfEveryAnimalInWhatSuitsItAddUpToThePlan) {
  for (const Pattern& p : animals()) {
    std::set<std::string> suits(p.suits.begin(), p.suits.end());
    suits.insert(std::string(id(Construction::TwistedLimbs)));
    std::shared_ptr<const FaceSums> face; // the same head, whatever wire is in it
    for (const std::string& each : suits) {
      const Made m(project(p.id, 160, *construction(each)), face);
      face = m.face;
      expectWhole(m, p.id + " " + each);
    }
  }
}

TEST(Steps, AnEarsWireIsBentBeforeItsFelt) {
  const Made m(project("donkey", 200));
  ASSERT_EQ(m.plan.flatWires.size(), 1U);
  const FlatWire& wire = m.plan.flatWires.front();
  const auto at = m.steps.find("flat-wire/ear");
  ASSERT_TRUE(at);
  const Step& step = m.steps.steps[static_cast<size_t>(*at)];
  EXPECT_EQ(step.fetch.front().amount, 2);
  EXPECT_EQ(step.goals.front().value, wire.cut);
  EXPECT_TRUE(m.before("print/sheet", "flat-wire/ear"));
  EXPECT_TRUE(m.before("flat-wire/ear", "flats/head"));
  EXPECT_FALSE(Made(project("river_otter", 200)).steps.find("flat-wire/ear"))
      << "small ears stand by themselves";
}

TEST(Steps, OfEveryConstructionSizeAndFinishAddUpToThePlan) {
  for (const Construction c : kConstructions)
    for (const double height : {60.0, 450.0})
      for (const Finish finish : {Finish::Core, Finish::Fine}) {
        Project p = project("river_otter", height, c);
        p.finish = finish;
        expectWhole(Made(p), std::string(id(c)) + " " + std::to_string(height));
      }
}

TEST(Steps, WithFurMarkingsGripsAndAReadyCoreAddUpToo) {
  Project p = project("red_fox", 180);
  p.wool.finish = CoatFinish::Fur;
  p.wool.furShown = 12;
  p.wool.grip = WireGrip::Paper;
  p.wool.ready.push_back({"trunk", ReadyKind::Ball, 40, 30, 30, 12, 0.5});
  p.wool.markings.push_back({"bib", Tone::Pale, View::Front, {{2, -1}, {2, 1}, {4, 1}, {4, -1}}, true, ""});
  const Made m(p);
  expectWhole(m, "fox");
  EXPECT_EQ(m.fetched(Fetch::What::Ready), m.plan.wool->ready);
  EXPECT_GT(m.fetched(Fetch::What::Ready), 0);
  EXPECT_TRUE(m.steps.find("grip/tail"));
  EXPECT_TRUE(m.steps.find("fur/trunk"));
  EXPECT_TRUE(m.before("draw/markings", "coat/trunk"));
}

/// The craft's own rules, each where it would hurt most to forget it.
TEST(Steps, ComeInTheOrderOfTheCraft) {
  // Of a fox in fur before, a guess would leave the legs without a core.
  const Project one = project("red_fox", 180);
  const Made fox(one, plan(one, shelf()).value());
  for (const auto& [first, then] : std::vector<std::pair<const char*, const char*>>{
           {"print/sheet", "lay/skeleton"},              // wire is laid on the drawing
           {"lay/skeleton", "wind/trunk"},               // wool hides wire
           {"weigh/heaps", "wind/left-foreleg"},         // a pair alike
           {"wind/trunk", "wind/left-foreleg"},          // the trunk carries the rest
           {"digits/left-foreleg", "wind/left-foreleg"}, // toes on bare wire
           {"wind/head", "firm/head"},
           {"firm/head", "face/pins"},
           {"look/core", "coat/tail"},  // no coat hides a fault
           {"coat/tail", "coat/trunk"}, // from the tail
           {"coat/trunk", "coat/head"}, // to the head
           {"face/eyes", "coat/head"},  // no fur round an eye before it is in
           {"coat/head", "face/ears"},
           {"face/ears", "trim/all"},    // no scissors before the ears
           {"trim/all", "face/singles"}, // whiskers last
           {"face/singles", "look/done"}}) {
    EXPECT_TRUE(fox.before(first, then)) << first << " " << then;
    EXPECT_FALSE(fox.before(then, first)) << first << " " << then;
  }
  // Glue dries: what follows waits for hours.
  EXPECT_GE(fox.step("face/eyes").wait, 60);
  EXPECT_FALSE(fox.step("face/eyes").pausable);
  // A pair is one batch, and its heaps are alike.
  EXPECT_EQ(fox.step("wind/left-foreleg").batch, fox.step("wind/right-foreleg").batch);
  EXPECT_EQ(fox.step("wind/left-foreleg").goals.front().value,
            fox.step("wind/right-foreleg").goals.front().value);
}

TEST(Steps, LegsThatAreGluedInComeAfterTheFeltedBody) {
  const Made m(project("heron", 240, Construction::LegsAndTail));
  expectWhole(m, "heron");
  const auto glued = std::find_if(m.steps.steps.begin(), m.steps.steps.end(),
                                  [](const Step& s) { return s.id.starts_with("set/"); });
  ASSERT_NE(glued, m.steps.steps.end());
  EXPECT_GT(glued->wait, 0);
  EXPECT_TRUE(m.before("firm/trunk", glued->id));
  EXPECT_TRUE(m.before(glued->id, "look/core"));
}

TEST(Steps, KeepTheirIdsWhenThePlanChanges) {
  const Made small(project("red_fox", 150));
  const Made large(project("red_fox", 151));
  std::vector<std::string> a;
  std::vector<std::string> b;
  // Which wires there are may change with the size; what is done to a part does not.
  for (const Step& s : small.steps.steps)
    if (!s.id.starts_with("cut/")) a.push_back(s.id);
  for (const Step& s : large.steps.steps)
    if (!s.id.starts_with("cut/")) b.push_back(s.id);
  EXPECT_EQ(a, b);
  EXPECT_EQ(stepsOf(small.of, shelf(), small.plan, small.face.get()).edges.size(), small.steps.edges.size());
}

TEST(Steps, OfAnAnimalWithoutAHeadHaveItsFaceInOne) {
  Project p = project("river_otter", 160);
  const Plan plan = planned(p);
  const StepPlan steps = stepsOf(p, shelf(), plan, nullptr);
  EXPECT_NEAR(steps.planned(), plan.time.total, 0.01);
  ASSERT_TRUE(steps.find("face/whole"));
}

TEST(Steps, TheirBookIsReadOrRefused) {
  const std::string good = workFile("steps.json");
  const auto book = readStepBook(good, "steps.json");
  ASSERT_TRUE(book);
  EXPECT_GT(book->layOut[static_cast<size_t>(Bench::CoatWool)], 0);
  for (const auto& [key, value] :
       std::vector<std::pair<const char*, double>>{{"wind_share", 1.5}, {"trim", -1}}) {
    auto json = nlohmann::json::parse(good);
    json[key]["value"] = value;
    EXPECT_FALSE(readStepBook(json.dump(), "steps.json")) << key;
  }
  auto json = nlohmann::json::parse(good);
  json.erase("lay_clay");
  EXPECT_FALSE(readStepBook(json.dump(), "steps.json"));
}
