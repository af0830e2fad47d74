#include "anatomy/joint_names.h"

#include <fmt/format.h>

#include <algorithm>
#include <set>

namespace columna {
namespace {

/// "left elbow", "tip of the left wing".
std::string sidedName(const std::string& name, int side) {
  if (side == 0) return name;
  const std::string which = side > 0 ? "left " : "right ";
  constexpr std::string_view of = " of the ";
  const auto at = name.find(of);
  return at == std::string::npos ? which + name
                                 : name.substr(0, at + of.size()) + which + name.substr(at + of.size());
}

/// "2nd", "23rd".
std::string ordinal(size_t n) {
  const size_t tens = n % 100;
  const bool teen = tens > 10 && tens < 14;
  return fmt::format("{}{}", n,
                     teen          ? "th"
                     : n % 10 == 1 ? "st"
                     : n % 10 == 2 ? "nd"
                     : n % 10 == 3 ? "rd"
                                   : "th");
}

} // namespace

std::string lowerFirst(std::string text) {
  if (!text.empty() && text[0] >= 'A' && text[0] <= 'Z') text[0] = static_cast<char>(text[0] - 'A' + 'a');
  return text;
}

void nameJoints(Figure& figure, const Pattern& pattern) {
  for (const FigureLimb& limb : figure.limbs) {
    std::vector<std::pair<std::string, std::string>> chain; // of the figure, of the pattern
    std::set<std::string> begins;
    for (const int b : limb.bones) {
      const FigureBone& bone = figure.bones[static_cast<size_t>(b)];
      const PatternBone* source = pattern.bone(bone.patternBone);
      for (const auto& joint : {std::pair{bone.from, source->from}, std::pair{bone.to, source->to}})
        if (std::find(chain.begin(), chain.end(), joint) == chain.end()) chain.push_back(joint);
      begins.insert(bone.from);
    }
    for (size_t k = 0; k < chain.size(); ++k) {
      const auto& [id, joint] = chain[k];
      if (figure.jointNames.contains(id)) continue;
      const int side = pattern.onMidline(joint) ? 0 : limb.side;
      const auto given = pattern.names.find(joint);
      figure.jointNames[id] = given != pattern.names.end() ? sidedName(given->second, side)
                              : k == 0                     ? "root of the " + lowerFirst(limb.name)
                              : !begins.contains(id)
                                  ? "tip of the " + lowerFirst(limb.name)
                                  : ordinal(k + 1) + " joint of the " + lowerFirst(limb.name);
    }
  }
}

std::string withoutSide(const Pattern& pattern, const std::string& joint) {
  return pattern.joints.contains(joint) ? joint : joint.substr(joint.find('-') + 1);
}

} // namespace columna
