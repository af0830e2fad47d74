// The booklet on paper: a title with the finished figure, what is needed, the drawings at true size, and the
// steps, each with its picture beside it.
#pragma once

#include "booklet/booklet.h"

namespace columna {

/// What the title's picture is called among the marks.
inline constexpr const char* kTitlePicture = "title";

/// `aspect` is the width over the height of the painted title picture; 0: there is none, and the drawn one
/// stands in its place. A step is never broken over two pages where it fits on one.
[[nodiscard]] std::vector<Page> bookletPages(const Booklet& booklet, const BookletWish& wish,
                                             const Manner& manner, double aspect = 0);

} // namespace columna
