#include "make/step_book.h"

#include "measure/number_file.h"
#include "words/said.h"

namespace columna {

std::string_view name(Bench bench) {
  switch (bench) {
  case Bench::Paper:
    return named("paper");
  case Bench::Wire:
    return named("wire");
  case Bench::Glue:
    return named("glue");
  case Bench::CoreWool:
    return named("core wool");
  case Bench::CoatWool:
    return named("coat wool");
  case Bench::Clay:
    return named("clay");
  case Bench::FlatFelt:
    return named("flat felt");
  case Bench::Face:
    return named("face");
  case Bench::Wax:
    return named("wax");
  case Bench::Look:
    break;
  }
  return named("looking");
}

std::string_view id(Bench bench) {
  constexpr std::array<std::string_view, kBenches> ids{"paper", "wire",      "glue", "core-wool", "coat-wool",
                                                       "clay",  "flat-felt", "face", "look",      "wax"};
  return ids[static_cast<size_t>(bench)];
}

Result<StepBook> readStepBook(std::string_view json, const std::string& file) {
  constexpr std::array<RuleField<StepBook>, 38> fields{{{"print_sheet", &StepBook::printSheet},
                                                        {"weigh_heaps", &StepBook::weighHeaps},
                                                        {"weigh_heap", &StepBook::weighHeap},
                                                        {"cut_share", &StepBook::cutShare},
                                                        {"make_joint", &StepBook::makeJoint},
                                                        {"grip_limb", &StepBook::gripLimb},
                                                        {"lay_skeleton", &StepBook::laySkeleton},
                                                        {"glue_stay", &StepBook::glueStay},
                                                        {"wind_share", &StepBook::windShare},
                                                        {"stand", &StepBook::stand},
                                                        {"photo", &StepBook::photo},
                                                        {"draw_markings", &StepBook::drawMarkings},
                                                        {"draw_marking", &StepBook::drawMarking},
                                                        {"fur_row", &StepBook::furRow},
                                                        {"ahead_part", &StepBook::aheadPart},
                                                        {"cut_flat", &StepBook::cutFlat},
                                                        {"join_flat", &StepBook::joinFlat},
                                                        {"trim", &StepBook::trim},
                                                        {"look_again", &StepBook::lookAgain},
                                                        {"record", &StepBook::record},
                                                        {"perch", &StepBook::perch},
                                                        {"wax_tips", &StepBook::waxTips},
                                                        {"wax_tip", &StepBook::waxTip},
                                                        {"bake_in", &StepBook::bakeIn},
                                                        {"bake_out", &StepBook::bakeOut},
                                                        {"bake_thin", &StepBook::bakeThin},
                                                        {"bake_thick", &StepBook::bakeThick},
                                                        {"bake_within", &StepBook::bakeWithin},
                                                        {"thin_clay", &StepBook::thinClay},
                                                        {"thick_clay", &StepBook::thickClay},
                                                        {"pair_least", &StepBook::pairLeast},
                                                        {"within_length", &StepBook::withinLength},
                                                        {"within_weight", &StepBook::withinWeight},
                                                        {"within_girth", &StepBook::withinGirth},
                                                        {"least_weight", &StepBook::leastWeight},
                                                        {"least_girth", &StepBook::leastGirth},
                                                        {"pair_weight", &StepBook::pairWeight},
                                                        {"pair_share", &StepBook::pairShare}}};
  auto book = readRules<StepBook>(json, "columna-steps/1", fields, file);
  if (!book) return book;
  StepBook out = std::move(book).value();
  for (const double share : {out.cutShare, out.windShare, out.withinWeight, out.withinGirth, out.pairShare})
    if (share > 1) return Problem{say("a share is above 1"), file, say("give a part of the whole")};
  if (out.thickClay <= out.thinClay || out.bakeThick < out.bakeThin)
    return Problem{say("what is thick is no thicker than what is thin, or bakes for less"), file,
                   say("look at thin_clay, thick_clay, bake_thin and bake_thick")};
  constexpr std::array<std::string_view, kBenches> lays{
      "lay_paper", "lay_wire",      "lay_glue", "lay_core_wool", "lay_coat_wool",
      "lay_clay",  "lay_flat_felt", "lay_face", "lay_look",      "lay_wax"};
  const auto minutes = readNumbers(json, "columna-steps/1", lays, file);
  if (!minutes) return minutes.problem();
  for (size_t k = 0; k < kBenches; ++k) out.layOut[k] = (*minutes)[k];
  return out;
}

} // namespace columna
