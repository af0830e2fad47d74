// The fields of what is settled of the wool.
#pragma once

#include "anatomy/study_fields.h"
#include "measure/field.h"
#include "wool/wool_wish.h"

namespace columna {

template <>
struct Choices<WoolForm> {
  static constexpr std::array all{WoolForm::Batt, WoolForm::Sliver, WoolForm::Top, WoolForm::Roving};
  static std::string_view word(WoolForm form) { return columna::word(form); }
};
template <>
struct Choices<Tone> {
  static constexpr std::array all{Tone::Pale, Tone::Mid, Tone::Dark};
  static std::string_view word(Tone tone) { return columna::word(tone); }
};
template <>
struct Choices<WireGrip> {
  static constexpr std::array all{WireGrip::None, WireGrip::Sleeve, WireGrip::Paper, WireGrip::Wax};
  static std::string_view word(WireGrip grip) { return columna::word(grip); }
};
template <>
struct Choices<CoatFinish> {
  static constexpr std::array all{CoatFinish::Felted, CoatFinish::Brushed, CoatFinish::Yarn, CoatFinish::Fur,
                                  CoatFinish::Feathers};
  static std::string_view word(CoatFinish finish) { return columna::word(finish); }
};
template <>
struct Choices<ReadyKind> {
  static constexpr std::array all{ReadyKind::Ball, ReadyKind::Foam, ReadyKind::Stuffing, ReadyKind::OldCore};
  static std::string_view word(ReadyKind kind) { return columna::word(kind); }
};
template <>
struct Choices<CoatWay> {
  static constexpr std::array all{CoatWay::Advised, CoatWay::CoreAndCoat, CoatWay::AllCoat};
  static std::string_view word(CoatWay way) { return columna::word(way); }
};

template <>
struct Table<TestBall> {
  static constexpr double kLeast = 5, kMost = 200; ///< mm across
  static constexpr std::tuple fields{
      field("diameter_mm", &TestBall::diameter).must().within(kLeast, kMost).in(unit::kMm),
      field("g", &TestBall::grams).must().within(0.05, 2000).in(unit::kGram),
      field("firmness", &TestBall::firmness).always(),
      field("measured_mm", &TestBall::measured)
          .within(kLeast, kMost)
          .in(unit::kMm)
          .upTo(12)
          .about("the readings the diameter is the mean of")};
};

template <>
struct Table<WoolStock> {
  // A wool that weighs nothing is let through: the plan says what is wrong with it.
  static constexpr std::tuple fields{
      field("form", &WoolStock::form).always(),
      field("g_per_m", &WoolStock::linear).within(0, 1000).in(unit::kGramPerMetre),
      field("staple_mm", &WoolStock::staple).within(5, 500).in(unit::kMm), field("tone", &WoolStock::tone)};
};

template <>
struct Table<ReadyCore> {
  static constexpr double kLeast = 5, kMost = 400; ///< mm
  static constexpr std::tuple fields{
      field("limb", &ReadyCore::limb).must().about("the figure's id of the part"),
      field("kind", &ReadyCore::kind).must(),
      field("length_mm", &ReadyCore::length).must().within(kLeast, kMost).in(unit::kMm),
      field("across_mm", &ReadyCore::across).must().within(kLeast, kMost).in(unit::kMm),
      field("deep_mm", &ReadyCore::deep).must().within(kLeast, kMost).in(unit::kMm),
      field("g", &ReadyCore::grams).must().within(0, 2000).in(unit::kGram),
      field("at", &ReadyCore::at).always().within(0, 1).about("along the part")};
};

template <>
struct Table<Marking> {
  static constexpr std::tuple fields{field("name", &Marking::name).always(),
                                     field("tone", &Marking::tone).always(),
                                     field("view", &Marking::view).always(),
                                     field("both_sides", &Marking::both).always(),
                                     field("limb", &Marking::limb).about("only on that family of limbs"),
                                     field("outline", &Marking::outline)
                                         .must()
                                         .within(-1e4, 1e4)
                                         .in(unit::kModule)
                                         .upTo(2000, 3)
                                         .about("corners [x, y] in the view")};
};

template <>
struct Table<WrapRecord> {
  static constexpr bool ofGirth(const WrapRecord& r) { return r.what == WrapRecord::What::Girth; }
  static constexpr bool ofRest(const WrapRecord& r) { return r.what == WrapRecord::What::Left; }
  static constexpr double kMostGirth = 1e4; ///< mm
  static constexpr std::tuple fields{
      field("limb", &WrapRecord::limb).must(),
      field("left_g", &WrapRecord::value)
          .must()
          .within(0, 1e5)
          .in(unit::kGram)
          .heldBy(ofRest)
          .about("what is left of its heap"),
      field("girth_mm", &WrapRecord::value).must().within(0.5, kMostGirth).in(unit::kMm).heldBy(ofGirth),
      field("along_mm", &WrapRecord::along)
          .always()
          .within(0, kMostGirth)
          .in(unit::kMm)
          .heldBy(ofGirth)
          .about("from the root"),
      field("moment", &WrapRecord::moment).heldBy(ofGirth).about("felted or finished"),
      field("date", &WrapRecord::date).about("2026-11-25")};
  template <class Has>
  static void choose(WrapRecord& r, const Has& has) {
    r.what = has("left_g") ? WrapRecord::What::Left : WrapRecord::What::Girth;
  }
};

template <>
struct Table<WoolWish> {
  static constexpr std::tuple fields{
      field("test_ball", &WoolWish::ball).about("a ball felted and weighed by the maker"),
      field("core", &WoolWish::core).always(),
      field("coat", &WoolWish::coat).always(),
      field("grip", &WoolWish::grip).always().about("what holds wool on bare wire"),
      field("coat_finish", &WoolWish::finish),
      field("fur_shown_mm", &WoolWish::furShown)
          .within(1, 300)
          .in(unit::kMm)
          .about("of fur, feathers or yarn"),
      field("ready_cores", &WoolWish::ready).upTo(200).knownBy("limb", "kind"),
      field("markings", &WoolWish::markings).upTo(100).knownBy("name"),
      field("records", &WoolWish::records)
          .upTo(100000)
          .knownBy("limb", "left_g", "girth_mm", "along_mm", "moment", "date")
          .about("what was measured on the way")};
};

} // namespace columna
