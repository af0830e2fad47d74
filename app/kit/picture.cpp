#include "kit/picture.h"

#include <QBuffer>
#include <QFile>
#include <QFileInfo>
#include <QImageReader>

#include <algorithm>

namespace columna {
namespace {

constexpr int kSmallest = 64;
constexpr int kLongest = 12;
constexpr qint64 kMostPixels = 400'000'000;

constexpr int kReadShare = 85; ///< percent of the work that reading is; packing is the rest

/// A file that tells how much of it was read, and ends early when asked to.
class MeteredFile : public QFile {
public:
  MeteredFile(const QString& path, PictureProgress* progress) : QFile(path), progress_(progress) {}

protected:
  qint64 readData(char* data, qint64 most) override {
    if (!progress_) return QFile::readData(data, most);
    if (progress_->stop) return -1;
    // In small bites, so that a stop is heard and the progress moves.
    const qint64 got = QFile::readData(data, std::min<qint64>(most, 1 << 18));
    if (got > 0) read_ = std::min(size(), read_ + got);
    progress_->percent = static_cast<int>(kReadShare * read_ / std::max<qint64>(1, size()));
    return got;
  }

private:
  PictureProgress* progress_;
  qint64 read_ = 0;
};

/// Whether every chunk of a PNG ends within the file. One that claims to be a gigabyte longer is given the
/// room it asks for before it is found short.
bool wholeChunks(QFile& file) {
  constexpr qint64 signature = 8;
  constexpr qint64 around = 12; // its length, its name and its sum
  const qint64 size = file.size();
  for (qint64 at = signature; at < size;) {
    unsigned char head[4] = {};
    if (!file.seek(at) || file.read(reinterpret_cast<char*>(head), 4) != 4) break; // NOLINT
    const qint64 length = (qint64{head[0]} << 24) | (head[1] << 16) | (head[2] << 8) | head[3];
    if (length > size - at - around) return false;
    at += around + length;
  }
  return true;
}

} // namespace

Result<Picture> readPicture(const QString& path, PictureProgress* progress) {
  const std::string name = QFileInfo(path).fileName().toStdString();
  if (!QFileInfo::exists(path)) return Problem{say("the picture is not there"), name, say("check the name")};
  MeteredFile file(path, progress);
  if (!file.open(QIODevice::ReadOnly))
    return Problem{say("the picture cannot be read"), name, say("check who may read it")};
  QImageReader reader(&file);
  const Problem stopped{say("reading was stopped"), name, say("nothing was changed")};
  const auto stop = [progress] { return progress && progress->stop; };
  reader.setDecideFormatFromContent(true);
  reader.setAutoTransform(true);
  const QByteArray format = reader.format();
  constexpr std::array<const char*, 4> known{"png", "jpeg", "webp", "tiff"};
  if (std::none_of(known.begin(), known.end(), [&](const char* f) { return format == f; }))
    return Problem{say("it is not a picture this program reads"), name,
                   say("give a PNG, JPEG, WebP or TIFF")};
  if (QFile chunks(path); format == "png" && chunks.open(QIODevice::ReadOnly) && !wholeChunks(chunks))
    return Problem{say("the picture is damaged"), name, say("save it anew and try again")};
  const QSize size = reader.size();
  if (!size.isValid()) return Problem{say("the picture is damaged"), name, say("save it anew and try again")};
  const int least = std::min(size.width(), size.height());
  const int most = std::max(size.width(), size.height());
  if (least * kLongest < most)
    return Problem{say("a picture of {} x {} pixels is a strip", size.width(), size.height()), name,
                   say("give one that shows the whole animal")};
  if (least < kSmallest)
    return Problem{say("a picture of {} x {} pixels has nothing to trace", size.width(), size.height()), name,
                   say("give one of {} pixels or more", kSmallest)};
  if (static_cast<qint64>(size.width()) * size.height() > kMostPixels)
    return Problem{say("a picture of {} x {} pixels is too large to open", size.width(), size.height()), name,
                   say("save it smaller")};
  // Qt refuses what would take more than its usual 128 MB; what is over is bounded above.
  QImageReader::setAllocationLimit(2048);
  if (most > kPicturePixels)
    reader.setScaledSize(size.scaled(kPicturePixels, kPicturePixels, Qt::KeepAspectRatio));
  QImage image = reader.read();
  if (stop()) return stopped;
  if (image.isNull()) return Problem{say("the picture is damaged"), name, say("save it anew and try again")};
  if (image.hasAlphaChannel()) {
    QImage flat(image.size(), QImage::Format_RGB32);
    flat.fill(Qt::white);
    for (int y = 0; y < image.height(); ++y)
      for (int x = 0; x < image.width(); ++x) {
        const QRgb c = image.pixel(x, y);
        const int a = qAlpha(c);
        const auto mix = [a](int v) { return (v * a + 255 * (255 - a)) / 255; };
        flat.setPixel(x, y, qRgb(mix(qRed(c)), mix(qGreen(c)), mix(qBlue(c))));
      }
    image = flat;
  }
  Picture out;
  for (const int quality : {88, 75, 60, 40}) {
    if (stop()) return stopped;
    if (progress) progress->percent = std::min(99, std::max(kReadShare, progress->percent + 4));
    out.jpeg.clear();
    QBuffer buffer(&out.jpeg);
    buffer.open(QIODevice::WriteOnly);
    if (!image.save(&buffer, "JPEG", quality))
      return Problem{say("the picture cannot be packed"), name, say("save it as JPEG first")};
    if (out.jpeg.size() <= kPictureBytes) break;
  }
  // What is traced is what the file will give back.
  out.image = QImage::fromData(out.jpeg, "JPEG");
  if (out.image.isNull()) out.image = std::move(image);
  return out;
}

} // namespace columna
