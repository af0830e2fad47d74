// Core text for the window.
#pragma once

#include "measure/result.h"

#include <QString>

namespace columna {

/// Core text as the window's own.
[[nodiscard]] inline QString str(const std::string& text) { return QString::fromStdString(text); }

/// A problem as a sentence for the window: a capital first, unless it begins with a file's name, and a full
/// stop.
[[nodiscard]] inline QString sentence(const Problem& problem) {
  QString said = QString::fromStdString(problem.sentence());
  if (problem.where.empty() && !said.isEmpty()) said[0] = said[0].toUpper();
  if (!said.endsWith(u'.')) said += u'.';
  return said;
}

} // namespace columna
