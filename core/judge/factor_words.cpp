#include "judge/factor_words.h"

#include "measure/quantity.h"

#include <cmath>

namespace columna {

std::string timesWords(double factor, double limit) {
  if (!std::isfinite(factor) || factor > 99) return "over 99 times";
  if (factor < 0.095) return "less than 0.1 times";
  std::string shown =
      limit > 0 && factor < 10 ? printApart(factor, limit, 1) : printNumber(factor, factor < 10 ? 1 : 0);
  if (shown == "1") shown = "1.0";
  return shown + " times";
}

std::string bendsWords(double bends) {
  return !std::isfinite(bends) || bends > 1000 ? "over 1000" : printNumber(bends, bends < 10 ? 1 : 0);
}

} // namespace columna
