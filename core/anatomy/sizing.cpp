#include "anatomy/sizing.h"

#include "measure/quantity.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kFirstLongest = 180; ///< mm: what lies in a hand

constexpr double kSmallestPart = 0.5;   ///< mm: a head or a limb may be smaller than a figure
constexpr double kLargestScale = 10000; ///< times smaller than life

const FigureLimb* find(const Figure& f, SizeBy by, const std::string& family) {
  for (const FigureLimb& limb : f.limbs)
    if (by == SizeBy::HeadLength ? limb.kind == LimbKind::Head : limb.family == family) return &limb;
  return nullptr;
}

} // namespace

double lengthOf(const Figure& figure, const Pattern& pattern, SizeBy by, const std::string& limb) {
  switch (by) {
  case SizeBy::OverallHeight:
    return figure.overallHeight;
  case SizeBy::ShoulderHeight:
    return figure.shoulderHeight;
  case SizeBy::BodyLength:
    return figure.bodyLength;
  case SizeBy::HeadLength:
  case SizeBy::Limb: {
    const FigureLimb* part = find(figure, by, limb);
    return part ? part->length : 0;
  }
  case SizeBy::Scale:
    return pattern.lifeMm / (pattern.lifeModules * figure.scale);
  }
  return 0;
}

double modulesOf(const Pattern& pattern, const Sizing& sizing) {
  switch (sizing.by) {
  case SizeBy::ShoulderHeight:
    return pattern.shoulderHeight.modules;
  case SizeBy::BodyLength:
    return pattern.bodyLength.modules;
  case SizeBy::Scale:
    return 0;
  default:
    return lengthOf(inModules(pattern), pattern, sizing.by, sizing.limb);
  }
}

std::string_view word(SizeBy by) {
  switch (by) {
  case SizeBy::ShoulderHeight:
    return named("shoulder height");
  case SizeBy::BodyLength:
    return named("body length");
  case SizeBy::HeadLength:
    return named("head length");
  case SizeBy::Limb:
    return named("length of the limb");
  case SizeBy::Scale:
    return named("scale");
  case SizeBy::OverallHeight:
    break;
  }
  return named("height");
}

std::optional<Problem> sizeProblem(SizeBy by, double mm) {
  if (by == SizeBy::Scale) {
    if (std::isfinite(mm) && mm > 1 / kLargestScale && mm < kLargestScale) return std::nullopt;
    return Problem{say("a scale of 1:{} is none to build to", Number(mm, Quantity::kShort)),
                   {},
                   say("give one like 1:8")};
  }
  const bool whole = by != SizeBy::HeadLength && by != SizeBy::Limb;
  const double smallest = whole ? kSmallestMm : kSmallestPart;
  const Said range = say("give a {} from {} to {}", Name(word(by)), Length(smallest, Quantity::kShort),
                         Length(kLargestMm).metres());
  if (!std::isfinite(mm)) return Problem{say("the {} is not a number", Name(word(by))), {}, range};
  if (!(mm > 0))
    return Problem{
        say("a {} of {} is not above zero", Name(word(by)), Length(mm, Quantity::kShort)), {}, range};
  if (mm < smallest)
    return Problem{
        say("a {} of {} is too small to wrap", Name(word(by)), Length(mm, Quantity::kShort)), {}, range};
  if (mm > kLargestMm)
    return Problem{
        say("a {} of {} is larger than any wire here holds", Name(word(by)), Length(mm, 1).metres()),
        {},
        range};
  return std::nullopt;
}

Result<double> parseScale(std::string_view text) {
  const size_t colon = text.find_first_of(":/");
  const auto number = [](std::string_view part) { return parseNumber(part); };
  if (colon == std::string_view::npos) {
    const auto only = number(text);
    if (!only) return only.problem();
    if (!(*only > 0))
      return Problem{say("a scale is above zero"), std::string(text), say("write it like 1:8")};
    return *only;
  }
  const auto part = number(text.substr(0, colon));
  const auto whole = number(text.substr(colon + 1));
  if (!part || !whole || !(*part > 0) || !(*whole > 0))
    return Problem{say("\"{}\" is not a scale", AsIs(text)), {}, say("write it like 1:8")};
  return *whole / *part;
}

Result<double> scaleOf(const Pattern& pattern, const Sizing& sizing) {
  return scaleOf(pattern, inModules(pattern), sizing);
}

Result<double> scaleOf(const Pattern& pattern, const Figure& unit, const Sizing& sizing) {
  if (auto problem = sizeProblem(sizing.by, sizing.mm)) return *problem;
  double scale = 0;
  if (sizing.by == SizeBy::Scale) {
    scale = pattern.lifeMm / (pattern.lifeModules * sizing.mm);
  } else {
    const double modules = lengthOf(unit, pattern, sizing.by, sizing.limb);
    if (!(modules > 0))
      return Problem{say("this animal has no {} to size it by",
                         Name(sizing.by == SizeBy::Limb ? std::string_view(sizing.limb) : named("head"))),
                     {},
                     say("size it by its height")};
    scale = sizing.mm / modules;
  }
  if (sizing.by != SizeBy::OverallHeight && sizing.by != SizeBy::ShoulderHeight &&
      sizing.by != SizeBy::BodyLength) {
    const double height = unit.overallHeight * scale;
    if (height < kSmallestMm || height > kLargestMm)
      return Problem{say("with that the figure would be {} high", Length(height)),
                     {},
                     say("heights from {} to {} can be planned", Length(kSmallestMm, Quantity::kShort),
                         Length(kLargestMm).metres())};
  }
  return scale;
}

Result<Figure> makeFigure(const Pattern& pattern, const Sizing& sizing) {
  Figure unit = inModules(pattern);
  const auto scale = scaleOf(pattern, unit, sizing);
  if (!scale) return scale.problem();
  return scaledTo(std::move(unit), *scale);
}

Sizing firstSize(const Pattern& pattern) {
  const Figure unit = inModules(pattern);
  double wide = 0;
  for (const Tube& tube : unit.tubes)
    for (const Ring& r : tube.rings)
      wide = std::max(wide, 2 * (std::abs(r.centre.y()) + std::hypot(r.ru * r.u.y(), r.rv * r.v.y())));
  for (const FigureFlat& flat : unit.flats)
    for (const Vec3& p : flat.outline) wide = std::max(wide, 2 * std::abs(p.y()));
  const double scale = kFirstLongest / std::max({unit.overallHeight, unit.totalLength, wide});
  const bool high = unit.overallHeight >= unit.bodyLength;
  const double mm = scale * (high ? unit.overallHeight : unit.bodyLength);
  return {high ? SizeBy::OverallHeight : SizeBy::BodyLength, std::max(5.0, std::round(mm / 5) * 5), {}};
}

double firstHeight(const Pattern& pattern) {
  const auto made = makeFigure(pattern, firstSize(pattern));
  return made ? made->overallHeight : kFirstLongest;
}

} // namespace columna
