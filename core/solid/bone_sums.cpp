#include "solid/bone_sums.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

double spread(double sum, double sum2, double volume) {
  const double mean = sum / volume;
  return std::sqrt(std::max(0.0, sum2 / volume - mean * mean));
}

} // namespace

BoneSums mirrored(BoneSums s) {
  s.moment.y() = -s.moment.y();
  std::swap(s.pads[static_cast<size_t>(PadSide::Left)], s.pads[static_cast<size_t>(PadSide::Right)]);
  for (BoneSums::Pad& pad : s.pads) pad.moment.y() = -pad.moment.y();
  // Above and below, across is to the left: it changes sides too.
  for (const PadSide side : {PadSide::Up, PadSide::Down}) {
    BoneSums::Pad& pad = s.pads[static_cast<size_t>(side)];
    pad.across = -pad.across;
  }
  return s;
}

BoneShare divided(const BoneSums& s, const FigureBone& bone) {
  BoneShare out;
  out.core = s.core;
  out.coat = s.coat;
  out.wound = s.wound;
  out.skin = s.skin;
  const double all = s.core + s.coat;
  out.centre = all > 0 ? Vec3(s.moment / all) : Vec3((bone.begin + bone.end) / 2);
  if (all > 0) out.coreAt = s.at / all;
  for (size_t k = 0; k < kPadSides; ++k) {
    const BoneSums::Pad& pad = s.pads[k];
    if (pad.volume <= 0) continue;
    PadShare& to = out.pads[k];
    to.volume = pad.volume;
    to.at = std::clamp(pad.along / pad.volume / std::max(bone.length, 1e-9), 0.0, 1.0);
    to.alongSpread = spread(pad.along, pad.along2, pad.volume);
    to.acrossSpread = spread(pad.across, pad.across2, pad.volume);
    to.centre = pad.moment / pad.volume;
  }
  return out;
}

} // namespace columna
