// The order of work at a face: nothing before what it needs, nothing left out, times that sum to the whole.
#include "face/face_steps.h"

#include "../head/heads.h"
#include "rules.h"
#include "words/render.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <functional>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

std::string dryingText() { return *readFile(std::filesystem::path(COLUMNA_DATA_DIR) / "work/drying.json"); }

const DryingTimes& drying() {
  static const DryingTimes read = [] {
    auto made = readDrying(dryingText(), "drying.json");
    EXPECT_TRUE(made) << made.problem().sentence();
    return std::move(made).value();
  }();
  return read;
}

/// Rows as a figure would have them; here only what they are called and are counts.
std::vector<HairRow> hairOf(const HeadPattern& head) {
  std::vector<HairRow> out;
  for (const HeadHair& hair : head.hair) {
    HairRow& row = out.emplace_back();
    row.id = hair.id;
    row.twin = hair.twin;
    row.kind = hair.kind == HairKind::Whiskers || hair.kind == HairKind::Lashes ? HeadRow::Kind::Singles
                                                                                : HeadRow::Kind::Tufts;
    row.grams = row.kind == HeadRow::Kind::Singles ? 0 : 0.1;
  }
  return out;
}

/// A head with what its steps follow from, which takes a while.
struct Made {
  explicit Made(HeadPattern of)
      : head(std::move(of)), field(head, 60), report(faceReport(head, 60, 0.22e-3, rules())) {}
  [[nodiscard]] std::vector<FaceStep> steps(const FaceWish& wish = {}) const {
    return faceSteps(head, field, report, hairOf(head), wish, drying(), rules());
  }
  HeadPattern head;
  HeadField field;
  FaceReport report;
};

std::vector<FaceStep> stepsOf(const HeadPattern& head, const FaceWish& wish = {}) {
  return Made(head).steps(wish);
}

std::vector<std::string> padsIn(const std::vector<FaceStep>& steps) {
  std::vector<std::string> out;
  for (const FaceStep& step : steps)
    if (step.work > FaceWork::Body && step.work < FaceWork::Filling)
      out.insert(out.end(), step.parts.begin(), step.parts.end());
  return out;
}

size_t placeOf(const std::vector<FaceStep>& steps, FaceWork work) {
  const auto found =
      std::find_if(steps.begin(), steps.end(), [&](const FaceStep& s) { return s.work == work; });
  return static_cast<size_t>(found - steps.begin());
}

} // namespace

TEST(FaceSteps, OfEveryAnimalAreWholeAndInOrder) {
  for (const HeadPattern& head : shippedHeads()) {
    const Made made(head);
    // Pads keep the order of their file.
    std::vector<std::string> own;
    for (const HeadFeature& f : head.features) own.push_back(f.id);
    EXPECT_EQ(padsIn(made.steps()), own) << head.id;
    for (const bool eyesFirst : {false, true})
      for (const bool hairFirst : {false, true}) {
        FaceWish wish;
        wish.school = eyesFirst ? FaceSchool::EyesFirst : FaceSchool::NoseFirst;
        wish.hairFirst = hairFirst;
        const std::vector<FaceStep> steps = made.steps(wish);
        std::multiset<std::string> parts;
        double share = 0;
        double grams = 0;
        for (size_t i = 0; i < steps.size(); ++i) {
          share += steps[i].share;
          grams += steps[i].grams;
          for (const size_t need : steps[i].needs) EXPECT_LT(need, i) << head.id << ' ' << i;
          EXPECT_TRUE(std::is_sorted(steps[i].needs.begin(), steps[i].needs.end()));
          if (steps[i].work == FaceWork::Ahead) continue; // which is set later on
          for (const std::string& part : steps[i].parts) parts.insert(part);
          for (const std::string& id : steps[i].drying) EXPECT_TRUE(drying().find(id)) << id;
        }
        EXPECT_NEAR(share, 1, 1e-9) << head.id;
        for (const HeadFeature& f : head.features) EXPECT_GE(parts.count(f.id), 1U) << head.id << ' ' << f.id;
        for (const HeadEye& e : head.eyes) EXPECT_GE(parts.count(e.id), 1U) << head.id << ' ' << e.id;
        for (const HeadFlat& f : head.flats) EXPECT_GE(parts.count(f.id), 1U) << head.id << ' ' << f.id;
        for (const HeadHair& h : head.hair) EXPECT_GE(parts.count(h.id), 1U) << head.id << ' ' << h.id;
        double wool = made.report.bodyGrams;
        for (const FacePad& pad : made.report.pads) wool += pad.grams;
        for (const FaceFlat& flat : made.report.flats) wool += flat.grams * (flat.flat->twin ? 2 : 1);
        for (const HairRow& row : hairOf(head)) wool += row.grams;
        EXPECT_NEAR(grams, wool, 1e-9) << head.id << ": every gram is laid on in a step";
        // Firm before any fur, sockets before eyes, and the look at the end of all.
        const size_t filling = placeOf(steps, FaceWork::Filling);
        EXPECT_LT(filling, placeOf(steps, FaceWork::Colours)) << head.id;
        EXPECT_LT(filling, placeOf(steps, FaceWork::Eyes)) << head.id;
        EXPECT_LT(placeOf(steps, FaceWork::Body), filling);
        EXPECT_EQ(placeOf(steps, FaceWork::Look), steps.size() - 1);
        EXPECT_EQ(steps.back().needs.size(), steps.size() - 1);
      }
  }
}

TEST(FaceSteps, GoByTheSchool) {
  const HeadPattern fox = shippedHead("red_fox");
  const auto nose = stepsOf(fox);
  EXPECT_LT(placeOf(nose, FaceWork::Nose), placeOf(nose, FaceWork::Eyes));
  EXPECT_LT(placeOf(nose, FaceWork::Ears), placeOf(nose, FaceWork::Hair));
  FaceWish wish;
  wish.school = FaceSchool::EyesFirst;
  wish.hairFirst = true;
  const auto eyes = stepsOf(fox, wish);
  EXPECT_LT(placeOf(eyes, FaceWork::Eyes), placeOf(eyes, FaceWork::Nose));
  EXPECT_LT(placeOf(eyes, FaceWork::Hair), placeOf(eyes, FaceWork::Ears));
  EXPECT_EQ(nose.size(), eyes.size());
}

TEST(FaceSteps, APadNeedsWhatItIsLaidOverAndNoOther) {
  // Two pads on one another and one at the other end of the head.
  HeadPattern head = shippedHead("red_fox");
  const HeadFeature cheek = head.features[3];
  ASSERT_EQ(cheek.kind, FeatureKind::Cheek);
  HeadFeature brow = cheek;
  brow.id = "over";
  brow.kind = FeatureKind::Brow;
  HeadFeature nose = head.features.back();
  ASSERT_EQ(nose.kind, FeatureKind::Nose);
  head.features = {cheek, brow, nose};
  const auto steps = stepsOf(head);
  const size_t over = placeOf(steps, FaceWork::Brows);
  const size_t under = placeOf(steps, FaceWork::Cheeks);
  const size_t far = placeOf(steps, FaceWork::Nose);
  const auto needs = [&](size_t step, size_t other) {
    return std::binary_search(steps[step].needs.begin(), steps[step].needs.end(), other);
  };
  EXPECT_TRUE(needs(over, under));
  EXPECT_FALSE(needs(far, under));
  EXPECT_FALSE(needs(far, over));
}

TEST(FaceSteps, WhatBakesIsMadeAheadAndGlueIsTheMakers) {
  const HeadPattern heron = shippedHead("heron"); // its bill is of clay or wood
  ASSERT_FALSE(heron.hard.empty());
  HeadPattern head = heron;
  for (HardPart& part : head.hard) part.material = HardMaterial::OvenClay;
  head.eyes[0].kind = EyeKind::Painted;
  FaceWish wish;
  wish.eyeGlue = "epoxy";
  const auto steps = stepsOf(head, wish);
  ASSERT_EQ(steps[0].work, FaceWork::Ahead);
  EXPECT_EQ(steps[0].drying, (std::vector<std::string>{"oven-clay", "painted-eye"}));
  const FaceStep& eyes = steps[placeOf(steps, FaceWork::Eyes)];
  const FaceStep& hard = steps[placeOf(steps, FaceWork::Hard)];
  EXPECT_EQ(eyes.drying, std::vector<std::string>{"epoxy"});
  EXPECT_EQ(hard.drying, std::vector<std::string>{"tacky-glue"}) << "the usual one";
  EXPECT_EQ(eyes.needs.front(), 0U);
  EXPECT_EQ(hard.needs.front(), 0U);
  // What is no glue is not set with.
  wish.eyeGlue = "oven-clay";
  const auto other = stepsOf(head, wish);
  EXPECT_EQ(other[placeOf(other, FaceWork::Eyes)].drying, std::vector<std::string>{"tacky-glue"});
  // Needled eyes and sewn ones have no glue.
  head.eyes[0].kind = EyeKind::Needled;
  const auto sewn = stepsOf(head);
  EXPECT_TRUE(sewn[placeOf(sewn, FaceWork::Eyes)].drying.empty());
}

TEST(Drying, ABadFileIsOneSentenceThatNamesTheField) {
  const auto good = nlohmann::json::parse(dryingText());
  const auto read = [](const nlohmann::json& json) { return readDrying(json.dump(), "drying.json"); };
  ASSERT_TRUE(read(good));
  const auto refused = [&](const char* what, const std::function<void(nlohmann::json&)>& harm) {
    nlohmann::json bad = good;
    harm(bad);
    const auto result = read(bad);
    ASSERT_FALSE(result) << what;
    EXPECT_NE(result.problem().sentence().find(what), std::string::npos) << result.problem().sentence();
  };
  refused("load_h", [](auto& j) { j["all"][0].erase("load_h"); });
  refused("load_h", [](auto& j) { j["all"][0]["load_h"] = {1, 1e9}; });
  refused("handle_h", [](auto& j) { j["all"][0]["handle_h"] = "soon"; });
  refused("tacky-glue", [](auto& j) { j["all"][0]["load_h"] = {9, 3}; });
  refused("tacky-glue", [](auto& j) { j["all"][1]["id"] = "tacky-glue"; });
  refused("source", [](auto& j) { j["all"][0]["source"] = ""; });
  refused("glue", [](auto& j) {
    for (auto& each : j["all"]) each.erase("glue");
  });
  refused("schema", [](auto& j) { j["schema"] = "columna-head/1"; });
  EXPECT_FALSE(readDrying("{", "drying.json"));
}

TEST(Drying, HoursReadAsAMakerSaysThem) {
  const auto told = [](double from, double to) { return render(hoursWords({from, to})); };
  EXPECT_EQ(told(12, 24), "12 to 24 h");
  EXPECT_EQ(told(24, 24), "24 h");
  EXPECT_EQ(told(0.5, 1), "0.5 to 1 h");
  EXPECT_EQ(told(1.0 / 60, 2.0 / 60), "1 to 2 min");
  EXPECT_EQ(told(5.0 / 60, 5.0 / 60), "5 min");
}
