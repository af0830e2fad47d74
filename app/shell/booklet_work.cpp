#include "shell/booklet_work.h"

#include "booklet/booklet_html.h"
#include "booklet/booklet_pages.h"
#include "kit/say.h"
#include "print/pages.h"
#include "session/stance_view.h"
#include "steps/steps_of.h"
#include "turn/face_look.h"
#include "turn/framing.h"

#include <QBuffer>
#include <QPainter>

#include <algorithm>

namespace columna {
namespace {

constexpr int kTitleWide = 1800, kTitleHigh = 1350; ///< pixels
constexpr int kTitleRoom = 20;
constexpr double kYaw = 0.5, kPitch = 0.16; ///< radians: seen a little from the front and from above
constexpr double kCells = 150;              ///< of the surface, over the figure's height
constexpr double kHeadCells = 70;           ///< and along its head

/// No larger than what is seen on it, on a ground of its own.
QImage onPaper(const QImage& picture, bool grey) {
  QRect seen;
  for (int y = 0; y < picture.height(); ++y)
    for (int x = 0; x < picture.width(); ++x)
      if (qAlpha(picture.pixel(x, y)) > 0) seen |= QRect(x, y, 1, 1);
  if (seen.isEmpty()) return {};
  seen = seen.adjusted(-kTitleRoom, -kTitleRoom, kTitleRoom, kTitleRoom) & picture.rect();
  QImage out(seen.size(), QImage::Format_RGB32);
  out.fill(Qt::white);
  {
    QPainter p(&out);
    p.drawImage(QPoint(0, 0), picture, seen);
  }
  return grey ? out.convertToFormat(QImage::Format_Grayscale8) : out;
}

} // namespace

BookletWork BookletWork::of(Session& session) {
  const Figure& posed = session.stance().plan().figure;
  const WoolPaint paint = WoolPaint::finished(session);
  double cell = std::max(0.3, posed.overallHeight / kCells);
  if (posed.head) cell = std::min(cell, std::max(0.3, posed.head->length / kHeadCells));
  FineAsk ask = woolAsk(posed, paint, faceLookOf(session, posed, paint), cell, nullptr);
  ask.camera.yaw = kYaw;
  ask.camera.pitch = kPitch;
  ask.camera.centre = middleOf(posed);
  ask.size = QSize(kTitleWide, kTitleHigh);
  frameRound(ask.camera, posed,
             QRectF(QPointF(0, 0), ask.size)
                 .adjusted(3 * kTitleRoom, 3 * kTitleRoom, -3 * kTitleRoom, -3 * kTitleRoom));
  std::map<std::string, std::string> photos;
  for (const Entry& e : session.record())
    if (const std::string* bytes = e.photo.empty() ? nullptr : session.entry(e.photo))
      photos[e.photo] = *bytes;
  return {session.project(), session.sharedCatalog(), session.plan(), session.record(),
          std::move(photos), &windowLanguage(),       std::move(ask)};
}

BookletWritten writeBooklet(BookletWork work, const BookletWish& wish, const QString& path,
                            const std::atomic<bool>& stop, std::atomic<int>& progress) {
  const Catalog& catalog = *work.catalog;
  const auto face = faceSums(work.project, catalog, work.plan);
  const StepPlan steps = stepsOf(work.project, catalog, work.plan, face.get());
  BookletAsk ask{work.project, catalog,       work.plan, face.get(), steps,
                 work.entries, work.language, &stop,     &progress};
  const Booklet booklet = bookletOf(ask, wish);
  if (stop) return {};
  work.title.stop = &stop;
  work.title.wish.stop = &stop;
  const QImage title = onPaper(finePicture(work.title)->image, wish.grey);
  if (stop) return {};
  constexpr int painted = 960;
  progress = painted;
  const UnitSystem units = work.project.units;
  const auto photo = [&work](const std::string& name) {
    const auto found = work.photos.find(name);
    return found == work.photos.end() ? nullptr : &found->second;
  };
  if (!path.endsWith(QStringLiteral(".pdf"), Qt::CaseInsensitive)) {
    QBuffer png;
    png.open(QIODevice::WriteOnly);
    if (!title.isNull()) title.save(&png, "PNG");
    const auto problem =
        writeBookletFolder(path.toStdString(), bookletFiles(booklet, wish, png.data().toStdString(), photo));
    if (problem) return {false, sentence(*problem, units)};
    return {true, {}};
  }
  const double aspect = title.isNull() ? 0 : static_cast<double>(title.width()) / title.height();
  const auto pages = bookletPages(booklet, wish, ask.manner(), aspect);
  PagePictures pictures = picturesOf(pages, photo);
  if (wish.grey)
    for (auto& [name, picture] : pictures) picture = picture.convertToFormat(QImage::Format_Grayscale8);
  if (!title.isNull()) pictures[kTitlePicture] = title;
  const auto trouble = writePdf(path, pages, QString::fromStdString(work.project.name), pictures);
  return {!trouble, trouble};
}

} // namespace columna
