// The fields of a project, and with the tables it includes, of everything in it. Read and written by
// core/file, described by docs/schema/project.schema.json.
#pragma once

#include "anatomy/study_fields.h"
#include "head/wish_fields.h"
#include "make/make_fields.h"
#include "measure/gauge.h"
#include "project/project.h"
#include "wire/wire_fields.h"
#include "wool/wool_fields.h"

namespace columna {

template <>
struct Choices<Feet> {
  static constexpr std::array all{Feet::Loose, Feet::Flat, Feet::Glued, Feet::Base, Feet::Held, Feet::Hung};
  static std::string_view word(Feet feet) { return id(feet); }
};
template <>
struct Choices<Hands> {
  static constexpr std::array all{Hands::Adult, Hands::Child, Hands::Sore};
  static std::string_view word(Hands hands) { return id(hands); }
};
template <>
struct Choices<Use> {
  static constexpr std::array all{Use::Display, Use::Shelf, Use::Handled};
  static std::string_view word(Use use) { return id(use); }
};
template <>
struct Choices<Finish> {
  static constexpr std::array all{Finish::Core, Finish::Plain, Finish::Good, Finish::Fine};
  static constexpr std::string_view word(Finish finish) { return id(finish); }
};
template <>
struct Choices<UnitSystem> {
  static constexpr std::array all{UnitSystem::Metric, UnitSystem::Inch};
  static std::string_view word(UnitSystem units) { return lengthUnit(units); }
};

template <>
struct Table<Support> {
  static constexpr double kMostBase = 5000; ///< mm
  static constexpr std::tuple fields{
      field("feet", &Support::feet).always(), field("at", &Support::at).about("joint it is held or hung by"),
      field("base_length_mm", &Support::baseLength).within(0, kMostBase).in(unit::kMm),
      field("base_width_mm", &Support::baseWidth).within(0, kMostBase).in(unit::kMm),
      field("base_g", &Support::baseMass).within(0, 1e5).in(unit::kGram)};
};

template <>
struct Table<RePose> {
  static constexpr std::tuple fields{field("from", &RePose::from).always(), field("to", &RePose::to).always(),
                                     field("date", &RePose::date).always().about("2026-11-25"),
                                     field("swings_deg", &RePose::swings)
                                         .within(0, kMostTurn)
                                         .in(unit::kDegree)
                                         .about("how far each bone's joint was turned")};
};

template <>
struct Table<Stances> {
  static constexpr std::tuple fields{
      field("now", &Stances::now).about("the stance on the mat"),
      field("saved", &Stances::saved).upTo(200).knownBy("name").about("the maker's own"),
      field("support", &Stances::support),
      field("hands", &Stances::hands),
      field("leg_error_mm", &Stances::legError).within(0, 50).in(unit::kMm),
      field("times", &Stances::times).within(0, 100000).about("how often the poses are gone through"),
      field("go_through", &Stances::goThrough)
          .about("names of poses; an empty one is the neutral stance; left out: all saved ones"),
      field("glued", &Stances::glued).about("joints whose strands are glued together"),
      field("made", &Stances::made).upTo(100000).knownBy("from", "to", "date", "swings_deg"),
      field("stands", &Stances::stands).about("how the figure was left by the last of them")};
  /// A name is a pose's once; the last of that name counts.
  static std::optional<FieldProblem> settle(Stances& stances) {
    std::vector<PatternPose> once;
    for (PatternPose& pose : stances.saved) {
      if (pose.name.empty())
        return FieldProblem{"saved", say("has a pose without a name"), say("give it one")};
      std::erase_if(once, [&](const PatternPose& other) { return other.name == pose.name; });
      once.push_back(std::move(pose));
    }
    stances.saved = std::move(once);
    return std::nullopt;
  }
};

template <>
struct Table<OwnWire> {
  static constexpr bool straight(const OwnWire& wire) { return wire.length > 0; }
  static constexpr std::tuple fields{
      field("name", &OwnWire::name).must(),
      field("material", &OwnWire::material).must().about("id of a material"),
      field("diameter_mm", &OwnWire::diameter).must().within(0.05, kThickestWire).in(unit::kMm),
      field("cover_mm", &OwnWire::cover).within(0, 2).in(unit::kMm).about("paper or cloth all round"),
      field("length_mm", &OwnWire::length)
          .within(0, 1e6)
          .in(unit::kMm)
          .about("of each straight length; left out for a coil"),
      field("count", &OwnWire::count).always().within(0, 10000).writtenFor(straight),
      field("yield_MPa", &OwnWire::yield).about("from the hanging test")};
};

template <>
struct Table<LimbChoice> {
  static constexpr std::tuple fields{
      field("material", &LimbChoice::material).about("id of a material"),
      field("diameter_mm", &LimbChoice::diameter).above(0, kThickestWire).in(unit::kMm),
      field("firmness", &LimbChoice::firmness),
      // Densities no felt has are let through, so that the plan can say so of the limb.
      field("density_g_cm3", &LimbChoice::density)
          .within(0, 100)
          .in(unit::kGramPerCm3)
          .about("of the maker's own felt"),
      field("coat", &LimbChoice::coatWay), field("wires", &LimbChoice::wires).within(0, 4).but(3),
      field("held", &LimbChoice::held), field("digits", &LimbChoice::digits)};
  static bool nothing(const LimbChoice& choice) { return choice.empty(); }
};

template <>
struct Table<Project> {
  static constexpr std::tuple fields{
      field("name", &Project::name).must(),
      field("pattern", &Project::pattern).must().about("id of a pattern"),
      field("size", &Project::size).must(),
      field("construction", &Project::construction).must(),
      field("material", &Project::material).must().about("id of a material"),
      field("use", &Project::use).must(),
      field("units", &Project::units)
          .always()
          .about("what is shown; numbers in the file are always mm and g"),
      field("coat_mm", &Project::coat)
          .within(0, 100)
          .in(unit::kMm)
          .about("felted down; left out: what hides the core"),
      field("finish", &Project::finish).about("how finely it is made, for the hours"),
      field("limbs", &Project::limbs)
          .always()
          .outliving()
          .about("what the maker chose, by the figure's limb ids"),
      field("shape", &Project::shape)
          .about("what is changed of the animal's proportions; keys are the pattern's names, with left- or "
                 "right- before them for one side"),
      field("made", &Project::made).knownBy("limb").about("parts that are made, as measured"),
      field("photos", &Project::photos).upTo(kMostPhotos).knownBy("entry"),
      field("most_wires", &Project::mostWires).within(0, 20).about("different wires to buy at most"),
      field("drawer_only", &Project::drawerOnly).about("nothing is bought"),
      field("handling_mm", &Project::handling)
          .within(1, 1e5)
          .in(unit::kMm)
          .about("the longest wire to work with in one"),
      field("drawer", &Project::drawer).knownBy("name", "material").about("wires the maker has"),
      field("allowances", &Project::allow).about("what the hand takes, where it differs from the usual"),
      field("piece_allowances", &Project::pieceAllow)
          .from(&Project::allow)
          .about("the same of a piece, by its name, where it differs from the figure's"),
      field("routes", &Project::routes)
          .about("settled routes: by a group's name, its pieces as lists of points"),
      field("stances", &Project::stances)
          .about("poses, how the figure is held up, who bends it, and what was re-posed"),
      field("wool", &Project::wool)
          .about("wool at hand, the maker's own felt, markings, and what was measured"),
      field("face", &Project::face)
          .about(
              "what is changed of the animal's face, the eyes that are taken, and what was measured of it"),
      field("make", &Project::make).about("when it is worked on"),
      field("untied", &Project::untied).always().about("pairs whose sides are changed apart")};
};

} // namespace columna
