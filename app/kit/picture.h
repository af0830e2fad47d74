// Taking a picture in to trace: read, turned upright, scaled down to what tracing needs, and packed small.
#pragma once

#include "measure/result.h"

#include <QByteArray>
#include <QImage>
#include <QString>

#include <atomic>

namespace columna {

/// Pixels of the longer side that are kept: a bone of a fiftieth of the animal still has 40.
inline constexpr int kPicturePixels = 2000;
/// Bytes a kept picture takes at most.
inline constexpr int kPictureBytes = 3'000'000;

/// How far a reading has come, seen from another thread, and the wish to stop it.
struct PictureProgress {
  std::atomic<int> percent{0};
  std::atomic<bool> stop{false};
};

struct Picture {
  QImage image;
  QByteArray jpeg; ///< what the project file keeps
};

/// Reads PNG, JPEG, WebP or TIFF, whatever the file is called; the camera's turn (EXIF) is followed. Errors:
/// not a picture, damaged, under 64 pixels a side (nothing to trace), more than 12 times as long as wide,
/// over 400 MP, stopped. Takes up to two seconds for 48 megapixels: call it off the window's thread.
[[nodiscard]] Result<Picture> readPicture(const QString& path, PictureProgress* progress = nullptr);

} // namespace columna
