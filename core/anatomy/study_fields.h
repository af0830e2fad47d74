// The fields of what is settled of the animal itself: size, shape, made parts, pictures and stances.
#pragma once

#include "anatomy/made_parts.h"
#include "anatomy/sizing.h"
#include "anatomy/trace.h"
#include "measure/field.h"

namespace columna {

template <>
struct Choices<View> {
  static constexpr std::array all{View::Side, View::Front, View::Above};
  static constexpr std::string_view word(View view) {
    return view == View::Front ? "front" : view == View::Above ? "above" : "side";
  }
};

template <>
struct Choices<SizeBy> {
  static constexpr std::array all{SizeBy::OverallHeight, SizeBy::ShoulderHeight, SizeBy::BodyLength,
                                  SizeBy::HeadLength,    SizeBy::Limb,           SizeBy::Scale};
  static constexpr std::string_view word(SizeBy by) {
    constexpr std::array<std::string_view, 6> words{
        "height", "shoulder_height", "body_length", "head_length", "limb", "scale"};
    return words[static_cast<size_t>(by)];
  }
};

template <>
struct Choices<Firmness> {
  static constexpr std::array all{Firmness::Soft, Firmness::Medium, Firmness::Firm};
  static std::string_view word(Firmness firmness) { return columna::word(firmness); }
};

template <>
struct Table<Sizing> {
  static constexpr bool byLimb(const Sizing& size) { return size.by == SizeBy::Limb; }
  static constexpr std::tuple fields{
      field("by", &Sizing::by).must().about("which length is settled"),
      field("mm", &Sizing::mm).must().about("the length; of a scale how many times smaller than life"),
      field("limb", &Sizing::limb).must().heldBy(byLimb).about("with limb: the pattern's id of it")};
  static std::optional<FieldProblem> settle(Sizing& size) {
    const auto problem = sizeProblem(size.by, size.mm);
    return problem ? std::optional(FieldProblem{"mm", problem->what, problem->remedy}) : std::nullopt;
  }
};

template <>
struct Table<Character> {
  static constexpr std::tuple fields{
      field("head", &Character::head).called(named("head")).always().within(0.5, 3),
      field("muzzle", &Character::muzzle).called(named("muzzle")).always().within(0.3, 2),
      field("legs", &Character::legs).called(named("legs")).always().within(0.3, 2),
      field("eyes", &Character::eyes).called(named("eyes")).always().within(0.5, 4),
      field("eyes_lower", &Character::eyesLower).called(named("eyes lower")).always().within(-0.2, 0.4),
      field("girth", &Character::girth).called(named("girth")).always().within(0.5, 2)};
};

template <>
struct Table<GirthChange> {
  static constexpr std::tuple fields{
      field("across", &GirthChange::across).must().within(0.1, 10).about("a factor"),
      field("deep", &GirthChange::deep).must().within(0.1, 10).about("a factor"),
      field("lift", &GirthChange::lift).must().within(-5, 5).in(unit::kModule)};
};

template <>
struct Table<Shape> {
  static constexpr std::tuple fields{
      field("character", &Shape::character).about("factors of the dials; 1 changes nothing"),
      field("lengths", &Shape::lengths).within(0.05, 20).about("by the pattern's bone: a factor"),
      field("moved", &Shape::moved).within(-20, 20).in(unit::kModule).about("by joint: an offset in modules"),
      field("girths", &Shape::girths).about("by bone@0, bone@0.5 or bone@1")};
};

template <>
struct Table<MadePart> {
  static constexpr std::tuple fields{
      field("limb", &MadePart::limb).must().about("the pattern's id of the part"),
      field("length_mm", &MadePart::length).above(0, 5000).in(unit::kMm),
      field("across_mm", &MadePart::across).above(0, 5000).in(unit::kMm),
      field("date", &MadePart::date).must().about("2026-11-25")};
};

template <>
struct Table<Photo> {
  static constexpr std::tuple fields{
      field("entry", &Photo::entry).must().about("the picture's name in this file"),
      field("view", &Photo::view).must(),
      field("width", &Photo::width).must().within(1, 20000).in(unit::kPixel),
      field("height", &Photo::height).must().within(1, 20000).in(unit::kPixel),
      field("straighten_rad", &Photo::straighten).in(unit::kRadian),
      field("mm_per_pixel", &Photo::mmPerPixel).within(0, Bounds().most),
      field("landmarks", &Photo::landmarks).in(unit::kPixel).about("by joint: its place in the picture")};
};

/// Degrees a turn may have each way.
inline constexpr double kMostTurn = 360;

template <>
struct Table<Turn> {
  static constexpr std::tuple fields{
      field("flex", &Turn::flex).within(-kMostTurn, kMostTurn).in(unit::kDegree),
      field("side", &Turn::side).within(-kMostTurn, kMostTurn).in(unit::kDegree),
      field("twist", &Turn::twist).within(-kMostTurn, kMostTurn).in(unit::kDegree)};
};

template <>
struct Table<PatternPose> {
  static constexpr std::tuple fields{
      field("name", &PatternPose::name).always(), field("whole_deg", &PatternPose::whole),
      field("turns_deg", &PatternPose::turns)
          .always()
          .about("by the pattern's bone; with a trailing apostrophe its right copy alone")};
};

} // namespace columna
