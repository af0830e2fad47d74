// How finely a figure is finished, which decides most of its hours.
#pragma once

#include <optional>
#include <string_view>

namespace columna {

/// The felted core alone; a plain smooth coat; a good one with its markings; a fine one with blended colours.
enum class Finish { Core, Plain, Good, Fine };

[[nodiscard]] constexpr std::string_view id(Finish finish) {
  constexpr std::string_view ids[]{"core", "plain", "good", "fine"};
  return ids[static_cast<int>(finish)];
}

[[nodiscard]] constexpr std::optional<Finish> finishOf(std::string_view id_) {
  for (const Finish each : {Finish::Core, Finish::Plain, Finish::Good, Finish::Fine})
    if (id(each) == id_) return each;
  return std::nullopt;
}

} // namespace columna
