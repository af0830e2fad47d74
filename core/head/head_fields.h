// The fields of a head file. Lengths are in head modules unless a field says otherwise.
#pragma once

#include "anatomy/study_fields.h"
#include "head/foot_fields.h"
#include "head/head_pattern.h"

namespace columna {

namespace heads {
inline constexpr std::array kFeatureKind = std::to_array<Words>(
    {"forehead", "nose-bridge", "brow",         "lid",       "lip-pad", "chin",   "cheek",     "cheekbone",
     "jaw",      "nose",        "nostril-wing", "crest",     "disc",    "socket", "nostril",   "mouth",
     "ear-base", "pad",         "trunk",        "horn-base", "wattle",  "hump",   "tusk-base", "other"});
inline constexpr std::array kFeatureMode = std::to_array<Words>({"add", "press"});
inline constexpr std::array kEyeKind = std::to_array<Words>({"glass", "bead", "painted", "needled"});
inline constexpr std::array kPupilShape = std::to_array<Words>({"round", "slit", "bar", "none"});
inline constexpr std::array kNoseShape =
    std::to_array<Words>({"leather", "triangle", "disc", "pad", "button", "none"});
inline constexpr std::array kNostrilShape = std::to_array<Words>({"dot", "comma", "slit"});
inline constexpr std::array kFlatKind = std::to_array<Words>({"ear", "tuft", "crest", "frill", "fin"});
inline constexpr std::array kFlatStands = std::to_array<Words>({"felt", "wire", "hang"});
inline constexpr std::array kHardKind =
    std::to_array<Words>({"beak", "horn", "antler", "tusk", "claw", "trunk"});
inline constexpr std::array kHardMaterial =
    std::to_array<Words>({"oven-clay", "wool-glue", "wire-core", "wood", "wool"});
inline constexpr std::array kHairKind =
    std::to_array<Words>({"mane", "forelock", "beard", "ruff", "whiskers", "lashes", "feather-row",
                          "ear-hair", "tuft", "fringe", "disc"});
} // namespace heads

template <>
struct Choices<FeatureKind> : InOrder<FeatureKind, heads::kFeatureKind> {};
template <>
struct Choices<FeatureMode> : InOrder<FeatureMode, heads::kFeatureMode> {};
template <>
struct Choices<EyeKind> : InOrder<EyeKind, heads::kEyeKind> {};
template <>
struct Choices<PupilShape> : InOrder<PupilShape, heads::kPupilShape> {};
template <>
struct Choices<NoseShape> : InOrder<NoseShape, heads::kNoseShape> {};
template <>
struct Choices<NostrilShape> : InOrder<NostrilShape, heads::kNostrilShape> {};
template <>
struct Choices<FlatKind> : InOrder<FlatKind, heads::kFlatKind> {};
template <>
struct Choices<FlatStands> : InOrder<FlatStands, heads::kFlatStands> {};
template <>
struct Choices<HardKind> : InOrder<HardKind, heads::kHardKind> {};
template <>
struct Choices<HardMaterial> : InOrder<HardMaterial, heads::kHardMaterial> {};
template <>
struct Choices<HairKind> : InOrder<HairKind, heads::kHairKind> {};

template <>
struct Table<HeadStation> {
  static constexpr std::tuple fields{
      heads::along("x", &HeadStation::x),
      heads::along("top", &HeadStation::top).about("of the mid-line profile"),
      heads::along("bottom", &HeadStation::bottom),
      heads::length("side", &HeadStation::side).about("greatest half width"),
      heads::along("mid", &HeadStation::mid).about("height at which it is widest"),
      field("square", &HeadStation::square)
          .always()
          .within(1.5, 5)
          .about("exponents above and below mid: 2 an ellipse")};
};

template <>
struct Table<HeadBodyShape> {
  static constexpr std::tuple fields{
      field("cap_back", &HeadBodyShape::capBack).must().above(0, 1).in(unit::kModule),
      field("cap_front", &HeadBodyShape::capFront).must().above(0, 1).in(unit::kModule),
      field("stations", &HeadBodyShape::stations).must().upTo(32, 3)};
};

template <>
struct Table<HeadFeature> {
  static constexpr std::tuple fields{
      field("id", &HeadFeature::id).must(),
      field("kind", &HeadFeature::kind).must(),
      field("mode", &HeadFeature::mode).must(),
      field("twin", &HeadFeature::twin),
      heads::place("at", &HeadFeature::at),
      field("radii", &HeadFeature::radii).must().above(0, heads::kFar).in(unit::kModule).upTo(3, 2),
      field("to", &HeadFeature::to)
          .within(-heads::kFar, heads::kFar)
          .in(unit::kModule)
          .about("the other end of a rod"),
      field("axis", &HeadFeature::axis).within(-1, 1),
      field("up", &HeadFeature::up).within(-1, 1),
      field("blend", &HeadFeature::blend).must().within(0, 0.5).in(unit::kModule),
      field("colour", &HeadFeature::colour)};
};

template <>
struct Table<HeadEye> {
  static constexpr std::tuple fields{field("id", &HeadEye::id).must(),
                                     field("kind", &HeadEye::kind).must(),
                                     field("twin", &HeadEye::twin).always(),
                                     heads::place("at", &HeadEye::at),
                                     heads::angle("azimuth_deg", &HeadEye::azimuth, -180, 180).must(),
                                     heads::angle("elevation_deg", &HeadEye::elevation, -90, 90).must(),
                                     heads::length("diameter", &HeadEye::diameter),
                                     heads::share("sunk", &HeadEye::sunk).must(),
                                     field("life_mm", &HeadEye::lifeMm).must().above(0, 500).in(unit::kMm),
                                     field("iris", &HeadEye::iris).must(),
                                     field("rim", &HeadEye::rim),
                                     field("pupil", &HeadEye::pupil),
                                     heads::share("pupil_ratio", &HeadEye::pupilRatio),
                                     heads::share("iris_ratio", &HeadEye::irisRatio),
                                     field("source", &HeadEye::source).always()};
};

template <>
struct Table<HeadNose> {
  static constexpr std::tuple fields{
      field("shape", &HeadNose::shape).must(),
      field("at", &HeadNose::at).within(-heads::kFar, heads::kFar).in(unit::kModule),
      field("size", &HeadNose::size).within(0, heads::kFar).in(unit::kModule).about("long, wide, high"),
      field("colour", &HeadNose::colour)};
};

template <>
struct Table<HeadNostril> {
  static constexpr std::tuple fields{field("shape", &HeadNostril::shape).must(),
                                     heads::place("at", &HeadNostril::at),
                                     field("radii", &HeadNostril::radii).must().above(0, 1).in(unit::kModule),
                                     field("axis", &HeadNostril::axis).within(-1, 1),
                                     field("twin", &HeadNostril::twin),
                                     field("colour", &HeadNostril::colour).must()};
};

template <>
struct Table<MouthLine> {
  static constexpr std::tuple fields{field("id", &MouthLine::id).must(),
                                     field("points", &MouthLine::points)
                                         .must()
                                         .within(-heads::kFar, heads::kFar)
                                         .in(unit::kModule)
                                         .upTo(64, 2),
                                     heads::length("width", &MouthLine::width),
                                     field("twin", &MouthLine::twin),
                                     field("colour", &MouthLine::colour).must()};
};

template <>
struct Table<FlatFold> {
  static constexpr std::tuple fields{heads::share("at", &FlatFold::at).must().about("share of the height"),
                                     heads::angle("deg", &FlatFold::angle, 0, 180).must(),
                                     heads::length("radius", &FlatFold::radius),
                                     field("toward_face", &FlatFold::towardFace).always()};
};

template <>
struct Table<FlatMark> {
  static constexpr std::tuple fields{field("back", &FlatMark::back),
                                     field("outline", &FlatMark::outline)
                                         .must()
                                         .within(-heads::kFar, heads::kFar)
                                         .in(unit::kModule)
                                         .upTo(200, 3),
                                     field("colour", &FlatMark::colour).must()};
};

template <>
struct Table<HeadFlat> {
  static constexpr std::tuple fields{
      field("id", &HeadFlat::id).must(),
      field("kind", &HeadFlat::kind).always(),
      field("twin", &HeadFlat::twin).always(),
      field("outline", &HeadFlat::outline)
          .must()
          .within(-heads::kFar, heads::kFar)
          .in(unit::kModule)
          .upTo(200, 3),
      field("base", &HeadFlat::base).must().within(-heads::kFar, heads::kFar).in(unit::kModule).upTo(2, 2),
      field("axis", &HeadFlat::axis).must().within(-1, 1),
      field("faces", &HeadFlat::faces).must().within(-1, 1),
      heads::angle("cup_deg", &HeadFlat::cup, 0, 200),
      field("fold", &HeadFlat::fold),
      heads::length("thickness", &HeadFlat::thickness),
      field("sink", &HeadFlat::sink).within(0, 1).in(unit::kModule),
      field("lining", &HeadFlat::lining),
      heads::share("lining_inset", &HeadFlat::liningInset),
      field("back", &HeadFlat::back),
      field("rim", &HeadFlat::rim),
      field("tip", &HeadFlat::tip),
      heads::share("tip_from", &HeadFlat::tipFrom),
      field("stands", &HeadFlat::stands).always(),
      field("marks", &HeadFlat::marks).upTo(32),
      field("source", &HeadFlat::source).always()};
};

template <>
struct Table<HardPart> {
  static constexpr std::tuple fields{
      field("id", &HardPart::id).must(),
      field("kind", &HardPart::kind).must(),
      field("material", &HardPart::material).must(),
      field("twin", &HardPart::twin),
      field("branch_of", &HardPart::branchOf),
      field("follows", &HardPart::follows)
          .upTo(64)
          .about("bones of the pattern it is drawn for; none: those it lies nearest to"),
      field("path", &HardPart::path).must().within(-heads::kFar, heads::kFar).in(unit::kModule).upTo(64, 2),
      field("across", &HardPart::across).must().above(0, heads::kFar).in(unit::kModule).upTo(64, 2),
      field("deep", &HardPart::deep).must().above(0, heads::kFar).in(unit::kModule).upTo(64, 2),
      field("up", &HardPart::up).within(-1, 1),
      field("colour", &HardPart::colour).must(),
      field("tip", &HardPart::tip),
      heads::share("tip_from", &HardPart::tipFrom),
      field("anchor", &HardPart::anchor).within(0, heads::kFar).in(unit::kModule).about("wire in the head")};
};

template <>
struct Table<HeadHair> {
  static constexpr std::tuple fields{
      field("id", &HeadHair::id).must(),
      field("kind", &HeadHair::kind).must(),
      field("twin", &HeadHair::twin),
      field("line", &HeadHair::line).within(-heads::kFar, heads::kFar).in(unit::kModule).upTo(64),
      field("direction", &HeadHair::direction).within(-1.5, 1.5).upTo(64),
      field("to_line", &HeadHair::toLine)
          .within(-heads::kFar, heads::kFar)
          .in(unit::kModule)
          .upTo(64)
          .about("the other edge of an area, with as many places as line"),
      field("rows", &HeadHair::rows).within(1, 60).about("of an area, both its edges counted"),
      field("at", &HeadHair::at).within(-heads::kFar, heads::kFar).in(unit::kModule),
      field("axis", &HeadHair::axis).within(-1, 1),
      field("inner", &HeadHair::inner).within(0, heads::kFar).in(unit::kModule),
      heads::share("flat", &HeadHair::flat),
      heads::length("length", &HeadHair::length),
      heads::length("width", &HeadHair::width),
      field("count", &HeadHair::count).must().within(1, 2000),
      field("droop", &HeadHair::droop)
          .within(-1, 3)
          .about("how far it turns to the ground; below zero it rises"),
      heads::share("spread", &HeadHair::spread),
      field("lies", &HeadHair::lies),
      field("on_surface", &HeadHair::onSurface),
      field("colour", &HeadHair::colour).must()};
};

template <>
struct Table<HeadPatch> {
  static constexpr std::tuple fields{
      field("id", &HeadPatch::id).must(),
      field("colour", &HeadPatch::colour).must(),
      field("view", &HeadPatch::view),
      field("outline", &HeadPatch::outline).within(-heads::kFar, heads::kFar).in(unit::kModule).upTo(200),
      field("facing", &HeadPatch::facing).within(-1, 1),
      field("at", &HeadPatch::at).within(-heads::kFar, heads::kFar).in(unit::kModule),
      field("radii", &HeadPatch::radii).above(0, heads::kFar).in(unit::kModule).upTo(3),
      field("axis", &HeadPatch::axis).within(-1, 1),
      field("up", &HeadPatch::up).within(-1, 1),
      field("both", &HeadPatch::both),
      field("fade", &HeadPatch::fade).within(0, 0.5).in(unit::kModule),
      field("between", &HeadPatch::between)
          .within(-heads::kFar, heads::kFar)
          .in(unit::kModule)
          .upTo(2, 2)
          .about("two corners of a box it stays within")};
};

template <>
struct Table<HeadVariant> {
  static constexpr std::tuple fields{
      field("id", &HeadVariant::id).must(),
      field("name", &HeadVariant::name).must(),
      field("without", &HeadVariant::without).upTo(64).about("parts it does not have, by id"),
      field("palette", &HeadVariant::palette).about("colours other than the head's"),
      field("features", &HeadVariant::features).upTo(64).about("in place of those of the same id, or more"),
      field("eyes", &HeadVariant::eyes).upTo(12),
      field("flats", &HeadVariant::flats).upTo(16),
      field("hard", &HeadVariant::hard).upTo(32),
      field("hair", &HeadVariant::hair).upTo(64),
      field("patches", &HeadVariant::patches).upTo(64)};
};

template <>
struct Table<HeadSeat> {
  static constexpr std::tuple fields{
      field("bone", &HeadSeat::bone).must().about("of the pattern, that carries the head"),
      field("back", &HeadSeat::back).must(),
      field("tip", &HeadSeat::tip).must(),
      field("origin", &HeadSeat::origin).must().within(-20, 20).about("modules of the pattern"),
      field("axis", &HeadSeat::axis).must().within(-1, 1),
      field("length", &HeadSeat::length).must().above(0, 20).about("modules of the pattern")};
};

template <>
struct Table<HeadModule> {
  static constexpr std::tuple fields{
      field("means", &HeadModule::means).must(),
      field("life_mm", &HeadModule::lifeMm).must().above(0, 5000).in(unit::kMm),
      field("range_mm", &HeadModule::range).must().within(0, 5000).in(unit::kMm),
      field("source", &HeadModule::source).always()};
};

template <>
struct Table<HeadFact> {
  static constexpr std::tuple fields{field("claim", &HeadFact::claim).must(),
                                     field("value", &HeadFact::value).must(),
                                     field("source", &HeadFact::source).must()};
};

template <>
struct Table<HeadPattern> {
  static constexpr std::tuple fields{
      field("id", &HeadPattern::id).must(),
      field("name", &HeadPattern::name).must(),
      field("module", &HeadPattern::module).must(),
      field("seat", &HeadPattern::seat).must(),
      heads::angle("carriage_deg", &HeadPattern::carriage, -90, 90),
      field("palette", &HeadPattern::palette).must(),
      field("base", &HeadPattern::base).must(),
      field("coat", &HeadPattern::coat).about("the body's colour, where it is not the head's"),
      field("body", &HeadPattern::body).must(),
      field("features", &HeadPattern::features).always().upTo(64).about("in the order of work"),
      field("eyes", &HeadPattern::eyes).must().upTo(12, 1),
      field("nose", &HeadPattern::nose).must(),
      field("nostrils", &HeadPattern::nostrils).upTo(8),
      field("mouth", &HeadPattern::mouth).upTo(16),
      field("flats", &HeadPattern::flats).upTo(16),
      field("hard", &HeadPattern::hard).upTo(32),
      field("hair", &HeadPattern::hair).upTo(64),
      field("patches", &HeadPattern::patches).upTo(64),
      field("feet", &HeadPattern::feet),
      field("replaces", &HeadPattern::replaces).upTo(64).about("bones and flats of the pattern"),
      field("facts", &HeadPattern::facts).upTo(64),
      field("usual", &HeadPattern::usual).about("what it is where there are variants: stag"),
      field("variants", &HeadPattern::variants).upTo(24).about("other sexes, breeds and colours")};
};

} // namespace columna
