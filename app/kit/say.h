// Core text for the window: what the sums say, names of the craft, problems.
#pragma once

#include "measure/result.h"
#include "words/render.h"

#include <QString>

namespace columna {

/// What the maker typed, or a figure, as the window's own.
[[nodiscard]] inline QString str(const std::string& text) { return QString::fromStdString(text); }

/// The window's language for what comes from the core: that of the translators that are installed.
[[nodiscard]] const Language& windowLanguage();

/// What the sums say, in the maker's units and the window's language.
[[nodiscard]] QString str(const Said& said, UnitSystem units);

/// A name of the craft in the window's language.
[[nodiscard]] QString str(const Name& name);

/// A problem as a sentence for the window: a capital first, unless it begins with a file's name, and a full
/// stop.
[[nodiscard]] QString sentence(const Problem& problem, UnitSystem units);

} // namespace columna
