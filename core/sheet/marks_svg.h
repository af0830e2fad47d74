// Drawn marks as SVG, in mm: for pages of the web and other drawing programs.
#pragma once

#include "sheet/page.h"

#include <string>

namespace columna {

/// A drawing of so many mm from its top left corner; `title` is what a reader hears instead of it. Pictures
/// are referred to by their names.
[[nodiscard]] std::string marksSvg(const std::vector<Mark>& marks, double wide, double high,
                                   const std::string& title);
/// A whole page, with what is clipped to its window.
[[nodiscard]] std::string pageSvg(const Page& page, const std::string& title);

/// Text between tags or quotes of HTML or SVG.
[[nodiscard]] std::string markupText(std::string_view text);

} // namespace columna
