// The fields of what a maker changes of a face and measures of it.
#pragma once

#include "head/head_fields.h"
#include "head/head_wish.h"

namespace columna {

template <>
struct Table<FeatureChange> {
  static constexpr std::tuple fields{
      field("factor", &FeatureChange::factor).within(0.2, 3).about("of the animal's own size"),
      field("shift", &FeatureChange::shift).within(-0.5, 0.5).in(unit::kModule),
      field("out", &FeatureChange::out).about("left out")};
  static bool nothing(const FeatureChange& change) { return change.none(); }
};

template <>
struct Table<PartMove> {
  static constexpr std::tuple fields{
      field("shift", &PartMove::shift).must().within(-0.5, 0.5).in(unit::kModule)};
};

template <>
struct Table<OwnPad> {
  static constexpr std::tuple fields{
      field("pad", &OwnPad::pad).must(),
      field("before", &OwnPad::before).about("the feature it comes before; none: after all")};
};

template <>
struct Table<MeasuredPin> {
  static constexpr std::tuple fields{
      field("pin", &MeasuredPin::pin).must().about("a named place: eye, ear-front, chin"),
      field("right", &MeasuredPin::right).about("the right one of a pair"),
      field("tape_mm", &MeasuredPin::tape)
          .must()
          .within(0.1, 1000)
          .in(unit::kMm)
          .called("tape from the nose")
          .about("from the nose tip"),
      field("aside_mm", &MeasuredPin::aside)
          .within(0, 500)
          .in(unit::kMm)
          .called("from the middle")
          .about("from the mid plane: half of what is between a pair")};
};

namespace heads {
inline constexpr std::array<Words, 2> kFaceSchool{"nose-first", "eyes-first"};
}
template <>
struct Choices<FaceSchool> : InOrder<FaceSchool, heads::kFaceSchool> {};

template <>
struct Table<FaceWish> {
  static constexpr std::tuple fields{
      field("generic", &FaceWish::generic).about("a round head where the animal has none of its own"),
      field("variant", &FaceWish::variant).about("another sex, breed or colour of the animal, by its id"),
      field("eye_mm", &FaceWish::eye)
          .within(0.5, 60)
          .in(unit::kMm)
          .called("eyes")
          .about("the eyes that are taken"),
      field("eye_kind", &FaceWish::eyeKind).about("what they are, where they are not the animal's own"),
      field("features", &FaceWish::features).about("pads and hollows other than the animal's own, by id"),
      field("thickness_mm", &FaceWish::thick)
          .within(0.2, 30)
          .in(unit::kMm)
          .called("thickness")
          .about("of ears and other flat parts, by id"),
      field("moved", &FaceWish::moved).about("eyes and flat parts elsewhere than the animal's own, by id"),
      field("own", &FaceWish::own).upTo(40).about("pads and hollows of the maker's own"),
      field("body", &FaceWish::body)
          .within(0.3, 3)
          .about("pads of the body that are laid on, by id: how many times as large as usual"),
      field("measured", &FaceWish::measured)
          .upTo(200)
          .knownBy("pin", "right")
          .about("places on the maker's own head"),
      field("school", &FaceWish::school).about("what is set first"),
      field("hair_first", &FaceWish::hairFirst).about("hair before ears and horns"),
      field("eye_glue", &FaceWish::eyeGlue).about("what eyes are set with, by its id in drying.json"),
      field("part_glue", &FaceWish::partGlue).about("the same of horns and bills")};
};

} // namespace columna
