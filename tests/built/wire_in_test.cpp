// Once wool is on a wire, what is to be looked at is what can be done with that wire.
#include "support.h"

#include "built/wire_in.h"

#include <algorithm>

using namespace columna;
using namespace columna::test;

namespace {

/// Weak everywhere: wire far too thin in every limb.
Project weak() {
  Project p = project("river_otter", 300);
  const Plan first = planned(p);
  for (const FigureLimb& l : first.figure->limbs) p.limbs[l.id].diameter = 0.6;
  return p;
}

Entry done(const std::string& step, int n = 1) {
  Entry e;
  e.n = n;
  e.id = "e" + std::to_string(n);
  e.at = "2026-11-26T20:14:05+01:00";
  e.step = step;
  e.kind = EntryKind::Done;
  return e;
}

const Finding* ofLimb(const std::vector<Finding>& all, const std::string& limb) {
  for (const Finding& f : all)
    if (f.topic == Topic::Wire && f.where == limb) return &f;
  return nullptr;
}

} // namespace

TEST(WireIn, IsWhereWoolIsWoundByTheRecordAndNotTakenBack) {
  const Plan plan = planned(project("river_otter", 160));
  const auto trunk = static_cast<size_t>(*plan.figure->limb("trunk"));
  EXPECT_TRUE(std::ranges::none_of(wireIn(*plan.figure, {}), [](bool in) { return in; }));
  std::vector<Entry> record{done("wind/trunk")};
  EXPECT_TRUE(wireIn(*plan.figure, record)[trunk]);
  EXPECT_EQ(std::ranges::count(wireIn(*plan.figure, record), true), 1);
  Entry back;
  back.n = 2;
  back.id = "e2";
  back.kind = EntryKind::Withdraw;
  back.of = "e1";
  record.push_back(back);
  EXPECT_FALSE(wireIn(*plan.figure, record)[trunk]);
  // Begun is not done; a part that the figure does not have is none; a cut wire can still be another.
  Entry begun = done("wind/tail", 3);
  begun.kind = EntryKind::Begin;
  record = {begun, done("wind/third-wing", 4), done("cut/trunk", 5), done("lay/skeleton", 6)};
  EXPECT_TRUE(std::ranges::none_of(wireIn(*plan.figure, record), [](bool in) { return in; }));
}

TEST(WireIn, NoOtherWireIsAskedForOnceItIsIn) {
  const Plan plan = planned(weak());
  const std::vector<bool> none(plan.figure->limbs.size(), false);
  const auto before = withWireIn(plan, none);
  ASSERT_EQ(before.size(), plan.findings.size());
  const Finding* asked = ofLimb(before, "trunk");
  ASSERT_TRUE(asked);
  EXPECT_EQ(asked->id(), "will-not-hold");
  std::vector<bool> in = none;
  in[static_cast<size_t>(*plan.figure->limb("trunk"))] = true;
  const auto after = withWireIn(plan, in);
  const Finding* as = ofLimb(after, "trunk");
  ASSERT_TRUE(as);
  EXPECT_EQ(as->id(), asked->id());
  EXPECT_EQ(as->level, asked->level) << "it is as bad as it was";
  EXPECT_NE(as->text, asked->text);
  EXPECT_NE(as->text, Said());
  // All other parts are told as before.
  for (const Finding& f : before)
    if (f.where != "trunk") {
      EXPECT_TRUE(std::ranges::any_of(after, [&](const Finding& g) {
        return g.where == f.where && g.text == f.text;
      })) << render(f.text);
    }
}

TEST(WireIn, WhatIsToldOfAPairStaysUntilBothAreIn) {
  const Plan plan = planned(weak());
  const Finding* pair = nullptr;
  for (const Finding& f : plan.findings) {
    const auto l = f.topic == Topic::Wire ? plan.figure->limb(f.where) : std::nullopt;
    if (l && plan.figure->limbs[static_cast<size_t>(*l)].twin >= 0) pair = &f;
  }
  ASSERT_TRUE(pair);
  const auto one = static_cast<size_t>(*plan.figure->limb(pair->where));
  std::vector<bool> in(plan.figure->limbs.size(), false);
  const auto told = [&] {
    const auto all = withWireIn(plan, in);
    return std::ranges::any_of(all, [&](const Finding& f) { return f.text == pair->text; });
  };
  in[one] = true;
  EXPECT_TRUE(told());
  const auto other = static_cast<size_t>(plan.figure->limbs[one].twin);
  in[other] = true;
  EXPECT_FALSE(told());
  // A pair is called as one; of two that hold otherwise, each by its own name, and neither waits for the
  // other.
  const auto names = [&](const Plan& of, const std::string& limb) {
    const auto all = withWireIn(of, in);
    const Finding* as = ofLimb(all, limb);
    return as ? render(as->text) : std::string();
  };
  const FigureLimb& limb = plan.figure->limbs[one];
  EXPECT_NE(names(plan, limb.id).find(limb.plural), std::string::npos) << names(plan, limb.id);
  Plan unlike = plan;
  unlike.limbs[other].hold.hold *= 2;
  in[other] = false;
  EXPECT_EQ(names(unlike, limb.id).find(limb.plural), std::string::npos);
  EXPECT_NE(names(unlike, limb.id).find(limb.name), std::string::npos) << names(unlike, limb.id);
}

TEST(WireIn, OfAllAnimalsNothingThatIsInAsksForAnotherCutOrBend) {
  for (const Pattern& pattern : shelf().patterns) {
    Project p = project(pattern.id, 90); // small: no room to bend, little cover
    const Plan plan = planned(p);
    const auto after = withWireIn(plan, std::vector<bool>(plan.figure->limbs.size(), true));
    EXPECT_LE(after.size(), plan.findings.size()) << pattern.id;
    for (const Finding& f : after) {
      EXPECT_FALSE(f.text.empty()) << pattern.id;
      if (f.topic != Topic::Wire || !plan.figure->limb(f.where)) continue;
      const std::string id = f.id();
      EXPECT_TRUE(id != "piece-is-spliced" && !id.starts_with("no-room-to-bend") &&
                  id != "digits-too-short-to-wrap")
          << pattern.id << ": " << id;
      for (const Finding& g : plan.findings) EXPECT_NE(f.text, g.text) << render(f.text);
    }
  }
}
