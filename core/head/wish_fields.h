// The fields of what a maker changes of a face and measures of it.
#pragma once

#include "head/field_kinds.h"
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

template <>
struct Table<FaceWish> {
  static constexpr std::tuple fields{
      field("generic", &FaceWish::generic).about("a round head where the animal has none of its own"),
      field("eye_mm", &FaceWish::eye)
          .within(0.5, 60)
          .in(unit::kMm)
          .called("eyes")
          .about("the eyes that are taken"),
      field("features", &FaceWish::features).about("pads and hollows other than the animal's own, by id"),
      field("thickness_mm", &FaceWish::thick)
          .within(0.2, 30)
          .in(unit::kMm)
          .called("thickness")
          .about("of ears and other flat parts, by id"),
      field("moved", &FaceWish::moved).about("eyes and flat parts elsewhere than the animal's own, by id"),
      field("measured", &FaceWish::measured)
          .upTo(200)
          .knownBy("pin", "right")
          .about("places on the maker's own head")};
};

} // namespace columna
