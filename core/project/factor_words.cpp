#include "project/factor_words.h"

#include "measure/quantity.h"

#include <cmath>

namespace columna {

std::string timesWords(double factor) {
  if (!std::isfinite(factor) || factor > 99) return "over 99 times";
  return printNumber(factor, factor < 10 ? 1 : 0) + " times";
}

} // namespace columna
