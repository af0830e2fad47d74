// A photo as plain pixels, whoever read them from what file.
#pragma once

#include <cstddef>
#include <cstdint>
#include <vector>

namespace columna {

struct PhotoImage {
  int width = 0, height = 0;
  std::vector<std::uint8_t> rgb; ///< row by row from the top, three bytes a pixel

  [[nodiscard]] bool ok() const {
    return width > 0 && height > 0 &&
           rgb.size() == 3 * static_cast<std::size_t>(width) * static_cast<std::size_t>(height);
  }
};

/// Pixels of the longer side a photo is looked at with: a mm of a figure that fills it has five or more.
inline constexpr int kPhotoSide = 1200;

/// Scaled down, if need be, so that its longer side has at most so many pixels; by areas.
[[nodiscard]] PhotoImage shrunk(const PhotoImage& photo, int most = kPhotoSide);

} // namespace columna
