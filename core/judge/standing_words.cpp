#include "judge/standing_words.h"

#include <algorithm>

namespace columna {
namespace {

Said cureOf(Cure cure, bool falls) {
  switch (cure) {
  case Cure::Armature:
    return falls ? say("move the feet, or glue them to a base")
                 : say("spread the feet, or glue them to a base");
  case Cure::Pose:
    return falls ? say("move a foot that way, lean it back, or glue it to a wider base")
                 : say("spread the feet, or glue it to a wider base");
  }
  return {};
}

} // namespace

std::optional<StandingWords> standingWords(const Standing& s, const std::string& towards, bool onBase,
                                           double tipNeeded, double marginNeeded, Cure cure) {
  const Said what = cureOf(cure, !s.stands);
  if (!s.stands) {
    const Length outside = Length(std::max(0.0, -s.margin), 1);
    return StandingWords{Level::Wrong,
                         onBase ? say("It falls {}: its weight lies {} outside its base; {}.", Name(towards),
                                      outside.apart(0), what)
                                : say("It falls {}: its weight lies {} outside its feet; {}.", Name(towards),
                                      outside.apart(0), what),
                         say("it falls over")};
  }
  const bool tips = s.tip < tipNeeded;
  const bool near = s.margin < marginNeeded;
  if (!tips && !near) return std::nullopt;
  const Said tipping = say("tips {} at {}, {} is wanted", Name(towards), Angle(s.tip, 0).apart(tipNeeded),
                           Angle(tipNeeded, 0));
  const Quantity inside = Length(s.margin, 1).apart(marginNeeded);
  const Length wanted(marginNeeded, 1);
  const Said lying = onBase ? say("its weight lies {} inside its base, {} is wanted", inside, wanted)
                            : say("its weight lies {} inside its feet, {} is wanted", inside, wanted);
  return StandingWords{Level::Doubtful,
                       !near   ? say("It stands, but {}; {}.", tipping, what)
                       : !tips ? say("It stands, but only just: {}; {}.", lying, what)
                               : say("It stands, but {}; {}; {}.", tipping, lying, what),
                       say("it tips easily")};
}

} // namespace columna
