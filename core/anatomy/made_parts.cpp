#include "anatomy/made_parts.h"

#include "anatomy/study_fields.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

std::optional<Problem> refuse(const std::string& limb, const std::optional<double>& mm, const char* what) {
  if (!mm || boundsOf(&MadePart::length).hold(*mm)) return std::nullopt;
  return Problem{say("a {} of {} is not one a part can have", Name(what), Length(*mm, Quantity::kShort)),
                 Name(limb), say("give the measured millimetres, above 0")};
}

/// The limb of that family (a pair's left one), or nothing.
const FigureLimb* find(const Figure& figure, const std::string& family) {
  for (const FigureLimb& limb : figure.limbs)
    if (limb.family == family) return &limb;
  return nullptr;
}

Said inWords(const std::string& part, double off) {
  const double percent = std::abs(off) * 100;
  if (percent < 0.5) return say("the {} fits this body", Name(part));
  return off > 0 ? say("the {} is {} % large for this body", Name(part), Number(percent, 0))
                 : say("the {} is {} % small for this body", Name(part), Number(percent, 0));
}

} // namespace

double widestAcross(const Figure& figure, const FigureLimb& limb) {
  double widest = 0;
  for (const int b : limb.bones)
    for (const Station& s : figure.bones[static_cast<size_t>(b)].stations)
      widest = std::max(widest, s.across);
  return widest;
}

Result<MadeFit> fitMadeParts(const Figure& planned, const Shape& shape, const std::vector<MadePart>& made) {
  MadeFit fit;
  fit.shape = shape;
  double squares = 0;
  double sum = 0;
  for (const MadePart& part : made) {
    const FigureLimb* limb = find(planned, part.limb);
    if (!limb)
      return Problem{say("this animal has no {}", Name(part.limb)), Name(named("made parts")),
                     say("take its measure out")};
    if (!part.length && !part.across)
      return Problem{say("nothing was measured"), Name(part.limb),
                     say("give its length or its width, or take it out")};
    for (const auto& problem :
         {refuse(part.limb, part.length, "length"), refuse(part.limb, part.across, "width")})
      if (problem) return *problem;
    MadeResidual r;
    r.limb = part.limb;
    r.byLength = part.length.has_value();
    r.planned = r.byLength ? limb->length : widestAcross(planned, *limb);
    r.measured = r.byLength ? *part.length : *part.across;
    if (!(r.planned > 0))
      return Problem{say("the {} has no length of its own", Name(part.limb)), Name(named("made parts")),
                     say("give its width")};
    const double q = r.measured / r.planned;
    squares += q * q;
    sum += q;
    fit.residuals.push_back(std::move(r));
  }
  if (made.empty()) return fit;
  // Least squares of (q / r - 1): the derivative is zero at r = sum(q^2) / sum(q). One part: r = q exactly.
  fit.ratio =
      made.size() == 1 ? fit.residuals.front().measured / fit.residuals.front().planned : squares / sum;
  for (size_t i = 0; i < made.size(); ++i) {
    MadeResidual& r = fit.residuals[i];
    const FigureLimb* limb = find(planned, made[i].limb);
    r.off = r.measured / (r.planned * fit.ratio) - 1;
    r.words = inWords(limb->part, r.off);
    const double length = made[i].length ? *made[i].length / (limb->length * fit.ratio) : 1;
    const double across = made[i].across   ? *made[i].across / (widestAcross(planned, *limb) * fit.ratio)
                          : made[i].length ? length
                                           : 1;
    for (const int b : limb->bones) {
      const FigureBone& bone = planned.bones[static_cast<size_t>(b)];
      const auto multiply = [](double& value, double factor) {
        if (factor != 1) value *= factor;
      };
      if (bone.wire && length != 1) {
        const auto [it, fresh] = fit.shape.lengths.emplace(bone.patternBone, 1.0);
        multiply(it->second, length);
      }
      if (across != 1)
        for (int place = 0; place < 3; ++place) {
          GirthChange& g = fit.shape.girths[girthKey(bone.patternBone, place)];
          multiply(g.across, across);
          multiply(g.deep, across);
        }
    }
  }
  return fit;
}

} // namespace columna
