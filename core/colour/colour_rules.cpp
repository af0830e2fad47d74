#include "colour/colour_rules.h"

#include "measure/number_file.h"

#include <array>

namespace columna {

Result<ColourRules> readColourRules(std::string_view json, const std::string& file) {
  using R = ColourRules;
  constexpr std::array<RuleField<R>, 34> fields{{{"mixing", &R::mixing},
                                                 {"mixing_low", &R::mixingLow},
                                                 {"mixing_high", &R::mixingHigh},
                                                 {"mixing_own", &R::mixingOwn},
                                                 {"own_most", &R::ownMost},
                                                 {"own_apart", &R::ownApart},
                                                 {"risk_weight", &R::riskWeight},
                                                 {"wool_weight", &R::woolWeight},
                                                 {"spread_weight", &R::spreadWeight},
                                                 {"mottled_weight", &R::mottledWeight},
                                                 {"fibre_density", &R::fibreDensity},
                                                 {"fibre_across", &R::fibreAcross},
                                                 {"fibre_sends", &R::fibreSends},
                                                 {"ground_shows", &R::groundShows},
                                                 {"ground_apart", &R::groundApart},
                                                 {"hidden_near", &R::hiddenNear},
                                                 {"needled_through", &R::needledThrough},
                                                 {"hides_least", &R::hidesLeast},
                                                 {"pull", &R::pull},
                                                 {"pull_low", &R::pullLow},
                                                 {"pull_high", &R::pullHigh},
                                                 {"seen_from", &R::seenFrom},
                                                 {"stack_high", &R::stackHigh},
                                                 {"contrast_most", &R::contrastMost},
                                                 {"contrast_falls", &R::contrastFalls},
                                                 {"doubt_same", &R::doubtSame},
                                                 {"doubt_guess", &R::doubtGuess},
                                                 {"doubt_photo", &R::doubtPhoto},
                                                 {"doubt_card", &R::doubtCard},
                                                 {"doubt_meter", &R::doubtMeter},
                                                 {"says_same", &R::saysSame},
                                                 {"says_side_by_side", &R::saysSideBySide},
                                                 {"says_near", &R::saysNear},
                                                 {"says_shade", &R::saysShade}}};
  auto rules = readRules<R>(json, "columna-colour/1", fields, file);
  if (!rules) return rules;
  R out = std::move(rules).value();
  const auto ordered = [](double low, double middle, double high) { return low <= middle && middle <= high; };
  if (!ordered(out.mixingLow, out.mixing, out.mixingHigh) || !ordered(out.pullLow, out.pull, out.pullHigh))
    return Problem{say("a value is outside its own range"), file,
                   say("look at mixing, pull and their _low and _high")};
  if (out.mixingLow <= 0 || out.pullLow <= 1 || out.fibreSends >= 1 || out.fibreDensity <= 0 ||
      out.fibreAcross <= 0 || out.contrastFalls <= 0)
    return Problem{say("a value is one that nothing can be reckoned with"), file,
                   say("look at mixing_low, pull_low, fibre_sends, fibre_density, fibre_across and "
                       "contrast_falls")};
  return out;
}

} // namespace columna
