#include "anatomy/size_working.h"

#include "anatomy/sizing.h"

namespace columna {

Working scaleWorking(const Figure& figure, const Pattern& pattern) {
  Working w;
  const double share = lengthOf(figure, pattern, SizeBy::Scale);
  const Length life(pattern.lifeMm);
  const Length here(pattern.lifeModules * figure.scale);
  w.title = say("why 1 : {}", Number(share, share < 10 ? 1 : 0));
  w.lines.push_back({say("{} in life", Name(pattern.lifeMeasure)), {}, life});
  w.lines.push_back({say("the same on this figure"),
                     say("{} × {}", Number(pattern.lifeModules, 3), Length(figure.scale)), here});
  w.lines.push_back({{}, say("{} ÷ {}", life, here), say("1 : {}", Number(share, 1))});
  w.source = say("{} is the module ({}); the life size is a good estimate, animals differ.",
                 Name(pattern.moduleName), Name(pattern.moduleMeans));
  return w;
}

Working lengthWorking(const Figure& figure, const FigureLimb& limb) {
  Working w;
  w.title = say("why {}", Length(limb.length, 0).figure());
  for (const int b : limb.bones) {
    const FigureBone& bone = figure.bones[static_cast<size_t>(b)];
    if (!bone.wire || limb.kind == LimbKind::Digits) continue;
    w.lines.push_back({Name(bone.name),
                       say("{} × {}", Number(bone.length / figure.scale, 4), Length(figure.scale, 2).sum()),
                       Length(bone.length, 1)});
  }
  w.lines.push_back({say("end to end"), {}, Length(limb.length, 1)});
  w.source = say(
      "Proportions in modules from the pattern and what was changed of it; one module is {} at this size.",
      Length(figure.scale, 2));
  return w;
}

} // namespace columna
