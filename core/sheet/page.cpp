#include "sheet/page.h"

#include <cmath>

namespace columna {

Rgb inGrey(Rgb colour) {
  // ITU-R BT.601: how light each colour looks.
  const int light = static_cast<int>(std::lround(0.299 * colour.r + 0.587 * colour.g + 0.114 * colour.b));
  return {light, light, light};
}

void inGrey(std::vector<Mark>& marks) {
  for (Mark& m : marks) {
    m.stroke = inGrey(m.stroke);
    m.fill = inGrey(m.fill);
  }
}

Eigen::Vector2d paperSize(Paper paper) {
  // ISO 216 A4; ANSI Y14.1 letter, 8.5 x 11 in.
  return paper == Paper::A4 ? Eigen::Vector2d(210, 297) : Eigen::Vector2d(215.9, 279.4);
}

} // namespace columna
