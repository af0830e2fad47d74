#include "face/eye.h"

#include "measure/json_text.h"
#include "measure/number_file.h"

#include <array>

namespace columna {
namespace {

constexpr std::array<RuleField<FaceRules>, 64> kFaceFields{{
    {"eye_gap", &FaceRules::eyeGap},
    {"flat_thin", &FaceRules::flatThin},
    {"flat_thinnest", &FaceRules::flatThinnest},
    {"pad_none", &FaceRules::padNone},
    {"radius_none", &FaceRules::radiusNone},
    {"pad_thick", &FaceRules::padThick},
    {"pad_thick_least", &FaceRules::padThickLeast},
    {"pad_thick_most", &FaceRules::padThickMost},
    {"pad_stab", &FaceRules::padStab},
    {"toe_wide", &FaceRules::toeWide},
    {"toe_long", &FaceRules::toeLong},
    {"claw_least", &FaceRules::clawLeast},
    {"edge_needled", &FaceRules::edgeNeedled},
    {"base_least", &FaceRules::baseLeast},
    {"base_most", &FaceRules::baseMost},
    {"base_share", &FaceRules::baseShare},
    {"base_thick", &FaceRules::baseThick},
    {"lay_medium", &FaceRules::layMedium},
    {"lay_firm", &FaceRules::layFirm},
    {"eye_near", &FaceRules::eyeNear},
    {"eye_far", &FaceRules::eyeFar},
    {"stem", &FaceRules::stem},
    {"stem_long", &FaceRules::stemLong},
    {"stem_wide", &FaceRules::stemWide},
    {"stem_most", &FaceRules::stemMost},
    {"stem_least", &FaceRules::stemLeast},
    {"stem_least_long", &FaceRules::stemLeastLong},
    {"hole_wider", &FaceRules::holeWider},
    {"holes_apart", &FaceRules::holesApart},
    {"glass", &FaceRules::glass},
    {"acrylic", &FaceRules::acrylic},
    {"tilt_near", &FaceRules::tiltNear},
    {"tilt_far", &FaceRules::tiltFar},
    {"off_near", &FaceRules::offNear},
    {"off_far", &FaceRules::offFar},
    {"off_least", &FaceRules::offLeast},
    {"clay", &FaceRules::clay},
    {"wool_glue", &FaceRules::woolGlue},
    {"wood", &FaceRules::wood},
    {"flat_back", &FaceRules::flatBack},
    {"felt_relaxed", &FaceRules::relaxed},
    {"pad_least", &FaceRules::padLeast},
    {"radius_least", &FaceRules::radiusLeast},
    {"apart_near", &FaceRules::apartNear},
    {"apart_far", &FaceRules::apartFar},
    {"wire_clear", &FaceRules::wireClear},
    {"under_thin", &FaceRules::underThin},
    {"under_least", &FaceRules::underLeast},
    {"hidden_near", &FaceRules::hiddenNear},
    {"hidden_far", &FaceRules::hiddenFar},
    {"hard_near", &FaceRules::hardNear},
    {"hard_least", &FaceRules::hardLeast},
    {"skin_turn", &FaceRules::skinTurn},
    {"skin_stretch", &FaceRules::skinStretch},
    {"wire_thicker", &FaceRules::wireThicker},
    {"wire_longer", &FaceRules::wireLonger},
    {"wire_inset", &FaceRules::wireInset},
    {"wire_into", &FaceRules::wireInto},
    {"wire_own", &FaceRules::wireOwn},
    {"time_pads", &FaceRules::timePads},
    {"time_eyes", &FaceRules::timeEyes},
    {"time_nose", &FaceRules::timeNose},
    {"time_ears", &FaceRules::timeEars},
    {"time_coat", &FaceRules::timeCoat},
}};

Problem noSizes(const std::string& file) {
  return {say("eye_sizes is not a rising list of sizes with its source"), file,
          say("give {}", AsIs("{\"value\": [1, 1.5, 2], \"unit\": \"mm\", \"source\": \"...\"}"))};
}

} // namespace

Result<FaceRules> readFaceRules(std::string_view json, const std::string& file) {
  auto read = readRules(json, "columna-face-rules/1", kFaceFields, file);
  if (!read) return read;
  FaceRules rules = *read;
  for (double* density : {&rules.glass, &rules.acrylic, &rules.clay, &rules.woolGlue, &rules.wood})
    *density /= 1000; // g/cm3 in the file
  const auto root = parseJson(json, file);
  if (!root) return root.problem();
  const auto sizes = root->find("eye_sizes");
  if (sizes == root->end() || !sizes->is_object() || textOr(*sizes, "source").empty() ||
      !sizes->contains("value") || !(*sizes)["value"].is_array())
    return noSizes(file);
  for (const auto& size : (*sizes)["value"]) {
    if (!size.is_number() || !(size.get<double>() > (rules.eyeSizes.empty() ? 0 : rules.eyeSizes.back())))
      return noSizes(file);
    rules.eyeSizes.push_back(size.get<double>());
  }
  if (rules.eyeSizes.empty()) return noSizes(file);
  return rules;
}

} // namespace columna
