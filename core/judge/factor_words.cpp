#include "judge/factor_words.h"

#include <cmath>

namespace columna {

Said factorSaid(double factor) {
  if (!std::isfinite(factor) || factor >= 100) return say("over {}", 99);
  return Number(factor, factor < 10 ? 1 : 0);
}

Said bendsSaid(double bends) {
  if (!std::isfinite(bends) || bends > 1000) return say("over {}", 1000);
  return Number(bends, bends < 10 ? 1 : 0);
}

} // namespace columna
