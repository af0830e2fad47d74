// Eyes of another kind than the animal's: what they weigh, what has to dry, what is bought.
#include "written_record.h"

#include "steps/steps_of.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

struct WithEyes {
  Project of;
  Plan made;
  std::shared_ptr<const FaceSums> face;
  StepPlan steps;

  WithEyes(const char* animal, std::optional<EyeKind> kind)
      : of([&] {
          Project p = project(animal, 160);
          p.face.eyeKind = kind;
          return p;
        }()),
        made(planned(of)), face(faceSums(of, shelf(), made)), steps(stepsOf(of, shelf(), made, face.get())) {}
  [[nodiscard]] double waits(const char* id) const {
    const auto at = steps.find(id);
    return at ? steps.steps[static_cast<size_t>(*at)].wait : -1;
  }
  [[nodiscard]] double bought() const {
    double out = 0;
    for (const Step& s : steps.steps)
      for (const Fetch& f : s.fetch) out += f.what == Fetch::What::Eye ? f.amount : 0;
    return out;
  }
  [[nodiscard]] double eyes() const {
    double out = 0;
    for (const FaceEye& e : face->report.eyes) out += e.grams * (e.eye->twin ? 2 : 1);
    return out;
  }
};

} // namespace

TEST(EyeKinds, OfTheAnimalsOwnKindNothingChanges) {
  for (const char* animal : {"river_otter", "red_fox", "doll_human"}) {
    const WithEyes own(animal, {});
    const EyeKind kind = own.face->head.eyes.front().kind;
    const WithEyes told(animal, kind);
    EXPECT_EQ(told.made.totals.mass, own.made.totals.mass) << animal;
    EXPECT_EQ(told.steps.steps.size(), own.steps.steps.size()) << animal;
    EXPECT_EQ(told.eyes(), own.eyes());
  }
}

TEST(EyeKinds, ThoseThatAreGluedDryAndThosePaintedAreMadeADayBefore) {
  const WithEyes bead("river_otter", EyeKind::Bead);
  const WithEyes glass("river_otter", EyeKind::Glass);
  const WithEyes painted("river_otter", EyeKind::Painted);
  const WithEyes needled("river_otter", EyeKind::Needled);
  EXPECT_EQ(bead.waits("face/eyes"), 0);
  EXPECT_EQ(needled.waits("face/eyes"), 0);
  EXPECT_GT(glass.waits("face/eyes"), 0);
  EXPECT_EQ(painted.waits("face/eyes"), glass.waits("face/eyes"));
  EXPECT_EQ(glass.waits("face/ahead"), -1) << "nothing is made before";
  EXPECT_GE(painted.waits("face/ahead"), 8 * 60);
  // What waits for it, and for how long it may not be begun, is an edge.
  const int ahead = painted.steps.find("face/ahead").value_or(-1);
  const int eyes = painted.steps.find("face/eyes").value_or(-1);
  EXPECT_TRUE(std::any_of(painted.steps.edges.begin(), painted.steps.edges.end(),
                          [&](const StepEdge& e) { return e.before == ahead && e.after == eyes; }));
  EXPECT_EQ(bead.bought(), 2);
  EXPECT_EQ(painted.bought(), 2);
  EXPECT_EQ(needled.bought(), 0) << "of the face's wool";
}

TEST(EyeKinds, WeighWhatTheyAreAndLeaveTheWoolAsItIs) {
  const WithEyes glass("red_fox", EyeKind::Glass);
  for (const EyeKind kind : {EyeKind::Bead, EyeKind::Painted, EyeKind::Needled}) {
    const WithEyes other("red_fox", kind);
    EXPECT_EQ(other.made.totals.core, glass.made.totals.core);
    EXPECT_EQ(other.made.totals.coat, glass.made.totals.coat);
    EXPECT_EQ(other.made.totals.wireMass, glass.made.totals.wireMass);
    if (kind == EyeKind::Painted) {
      EXPECT_LT(other.eyes(), glass.eyes());
      EXPECT_LT(other.made.totals.mass, glass.made.totals.mass) << "a flat back of acrylic";
    }
  }
}

TEST(EyeKinds, NeedledOnesAreAsLargeAsLifeAndHaveNoStem) {
  const WithEyes needled("red_fox", EyeKind::Needled);
  ASSERT_FALSE(needled.face->report.eyes.empty());
  for (const FaceEye& e : needled.face->report.eyes) {
    EXPECT_EQ(e.choice.take, e.choice.wanted);
    EXPECT_EQ(e.stem.length, 0);
    EXPECT_GT(e.apart, 0);
  }
  // Unless the maker wants them otherwise.
  WithEyes large("red_fox", EyeKind::Needled);
  large.of.face.eye = 9;
  const Plan made = planned(large.of);
  const auto sums = faceSums(large.of, shelf(), made);
  EXPECT_EQ(sums->report.eyes.front().choice.take, 9);
}

TEST(EyeKinds, AreCalledByNamesOfTheirOwn) {
  std::set<std::string> names;
  for (const EyeKind kind : {EyeKind::Glass, EyeKind::Bead, EyeKind::Painted, EyeKind::Needled})
    names.insert(std::string(eyesName(kind)));
  EXPECT_EQ(names.size(), 4U);
}
