#include "make/hand_prior.h"

#include "measure/number_file.h"

#include <cmath>

namespace columna {

Result<HandPrior> readHandPrior(std::string_view json, const std::string& file) {
  constexpr std::array<std::string_view, 22> keys{"hand_spread",
                                                  "kind_spread",
                                                  "figure_spread",
                                                  "figure_weight",
                                                  "drift",
                                                  "step_spread",
                                                  "step_weight",
                                                  "tails",
                                                  "forgetting",
                                                  "felt_density_makers",
                                                  "felt_density_reading",
                                                  "wound_share_makers",
                                                  "wound_share_reading",
                                                  "wire_cut_makers",
                                                  "wire_cut_reading",
                                                  "limb_length_makers",
                                                  "limb_length_reading",
                                                  "wool_lost_usual",
                                                  "wool_lost_makers",
                                                  "wool_lost_reading",
                                                  "lay_out_makers",
                                                  "lay_out_reading"};
  const auto numbers = readNumbers(json, "columna-hand-prior/1", keys, file);
  if (!numbers) return numbers.problem();
  const std::vector<double>& n = *numbers;
  for (size_t k = 0; k < keys.size(); ++k)
    if (!(n[k] > 0))
      return Problem{say("{}.value is nought", AsIs(keys[k])), file, say("give a number above it")};
  if (n[8] > 1) return Problem{say("forgetting.value is above 1"), file, say("give a share")};
  HandPrior out;
  out.hand = n[0];
  out.kind = n[1];
  out.figure = n[2];
  out.figureWeight = n[3];
  out.drift = n[4];
  out.step = n[5];
  out.stepWeight = n[6];
  out.tails = n[7];
  out.forgetting = n[8];
  out.feltDensity = {0, n[9], n[10]};
  out.woundShare = {0, n[11], n[12]};
  out.wireCut = {0, n[13], n[14]};
  out.limbLength = {0, n[15], n[16]};
  out.woolLost = {std::log(n[17]), n[18], n[19]};
  out.layOut = {0, n[20], n[21]};
  return out;
}

} // namespace columna
