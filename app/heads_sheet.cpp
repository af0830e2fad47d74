#include "heads_sheet.h"

#include "face/face_view.h"
#include "session/changes.h"
#include "theme/theme.h"

#include <QApplication>
#include <QPainter>
#include <QThread>

#include <algorithm>

namespace columna {
namespace {

constexpr int kColumns = 6, kFewColumns = 3;
constexpr int kFew = 9;                 ///< so many animals, and they are shown twice as large
constexpr int kWide = 300, kHigh = 170; ///< pixels an animal
constexpr int kHeadPatience = 1500;     ///< rounds of 10 ms

} // namespace

std::optional<QString> headsSheet(const Catalog& catalog, const QStringList& animals, const QString& path) {
  std::vector<const Pattern*> shown;
  for (const Pattern& p : catalog.patterns)
    if (p.head && (animals.isEmpty() || animals.contains(QString::fromStdString(p.id)))) shown.push_back(&p);
  if (shown.empty())
    return QStringLiteral("None of these animals has a head; give ids from columna-cli patterns.");
  const int count = static_cast<int>(shown.size());
  const int columns = count <= kFew ? kFewColumns : kColumns;
  const int wide = kWide * kColumns / columns;
  const int high = kHigh * kColumns / columns;
  QImage out(columns * wide, (count + columns - 1) / columns * high, QImage::Format_ARGB32_Premultiplied);
  out.fill(theme().ground);
  QPainter p(&out);
  p.setRenderHint(QPainter::SmoothPixmapTransform);
  Session session(catalog);
  FaceView view(session);
  for (int i = 0; i < count; ++i) {
    (void)changes::setPattern(session, QString::fromStdString(shown[static_cast<size_t>(i)]->id));
    for (const View from : {View::Front, View::Side}) {
      const QRectF mm = view.seen(from);
      const double scale = std::min((wide / 2.0 - 12) / mm.width(), (high - 12) / mm.height());
      (void)view.picture(from, scale); // asked for, and waited for
      for (int round = 0; round < kHeadPatience && view.painting(); ++round) {
        QThread::msleep(10);
        QApplication::processEvents();
      }
      const FaceView::Picture* picture = view.picture(from, scale);
      if (!picture) continue;
      const int row = i / columns;
      const QRectF cell(i % columns * wide + (from == View::Front ? 0.0 : wide / 2.0), row * high, wide / 2.0,
                        high);
      const QSizeF size(picture->mm.width() * scale, picture->mm.height() * scale);
      p.drawImage(QRectF(cell.center() - QPointF(size.width() / 2, size.height() / 2), size), picture->image);
    }
  }
  p.end();
  if (!out.save(path)) return QStringLiteral("%1 could not be written; choose another folder.").arg(path);
  return std::nullopt;
}

} // namespace columna
