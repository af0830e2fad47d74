#include "solid/tube_share.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

/// Area of the section `coat` under the surface of an ellipse.
double coreArea(double a, double b, double coat) {
  if (coat >= std::min(a, b)) return 0;
  const double area = std::numbers::pi * a * b;
  return std::clamp(area - coat * ellipsePerimeter(a, b) + std::numbers::pi * coat * coat, 0.0, area);
}

} // namespace

std::vector<TubeShare> tubeShares(const Figure& figure, double coat) {
  std::vector<TubeShare> out(figure.bones.size());
  for (const Tube& tube : figure.tubes)
    for (size_t i = 0; !tube.pad && i + 1 < tube.rings.size(); ++i) {
      const Ring& a = tube.rings[i];
      const Ring& b = tube.rings[i + 1];
      const double thick = std::abs((a.normal + b.normal).normalized().dot(b.centre - a.centre));
      const double middleU = (a.ru + b.ru) / 2;
      const double middleV = (a.rv + b.rv) / 2;
      TubeShare& share = out[static_cast<size_t>(tube.slabBone[i])];
      // Simpson's rule: exact for an elliptic frustum.
      share.body += thick * std::numbers::pi / 6 * (a.ru * a.rv + 4 * middleU * middleV + b.ru * b.rv);
      share.core +=
          thick / 6 *
          (coreArea(a.ru, a.rv, coat) + 4 * coreArea(middleU, middleV, coat) + coreArea(b.ru, b.rv, coat));
    }
  return out;
}

} // namespace columna
