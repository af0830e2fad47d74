#include "sheet/page.h"

namespace columna {

Eigen::Vector2d paperSize(Paper paper) {
  // ISO 216 A4; ANSI Y14.1 letter, 8.5 x 11 in.
  return paper == Paper::A4 ? Eigen::Vector2d(210, 297) : Eigen::Vector2d(215.9, 279.4);
}

} // namespace columna
