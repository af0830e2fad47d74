#include "project/stance.h"

namespace columna {

bool Stances::empty() const {
  return now.turns.empty() && now.whole == Turn() && now.name.empty() && saved.empty() &&
         support == Support() && hands == Hands::Adult && !legError && !goThrough && !times && made.empty() &&
         !stands && glued.empty();
}

std::optional<PatternPose> poseNamed(const Stances& stances, const Pattern& pattern,
                                     const std::string& name) {
  for (const auto* poses : {&stances.saved, &pattern.poses})
    for (const PatternPose& p : *poses)
      if (p.name == name) return p;
  return std::nullopt;
}

} // namespace columna
