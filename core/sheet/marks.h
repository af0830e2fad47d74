// The marks a sheet is drawn with.
#pragma once

#include "sheet/page.h"
#include "words/render.h"

#include <string>
#include <string_view>
#include <vector>

namespace columna {

using Point = Eigen::Vector2d;

inline constexpr double kMargin = 12; ///< mm of clear paper all round
inline constexpr Rgb kInk{46, 38, 33};
inline constexpr Rgb kFaint{106, 94, 83};
inline constexpr Rgb kRule{170, 158, 140};

[[nodiscard]] Mark line(const Point& a, const Point& b, double width = 0.2, Rgb colour = kInk);
[[nodiscard]] Mark text(const Point& at, std::string words, double size = 3.4, bool bold = false,
                        TextAlign align = TextAlign::Left, Rgb colour = kInk);

/// A sentence broken into lines of about so many letters.
[[nodiscard]] std::vector<std::string> wrap(const std::string& words, size_t most);

/// How many letters a text has, whatever its alphabet.
[[nodiscard]] size_t letters(std::string_view words);

/// At the foot of each page whose it is and its number; names those that have no name of their own.
void numberPages(std::vector<Page>& pages, const std::string& name, const Manner& manner);

/// A 50 mm bar with the sentence to check it.
void scaleBar(std::vector<Mark>& out, const Point& at, const Manner& manner);

} // namespace columna
