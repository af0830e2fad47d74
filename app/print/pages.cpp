#include "print/pages.h"

#include "file/columna_file.h"
#include "kit/say.h"
#include "kit/settings.h"
#include "measure/disk.h"

#include <QBuffer>
#include <QCoreApplication>
#include <QPageLayout>
#include <QPainter>
#include <QPainterPath>
#include <QPdfWriter>

namespace columna {
namespace {

QColor colour(const Rgb& c) { return {c.r, c.g, c.b}; }

void paintMark(QPainter& p, const Mark& m, double dots, const PagePictures& pictures) {
  if (m.kind == Mark::Kind::Picture) {
    const auto found = pictures.find(m.text);
    if (found == pictures.end()) return;
    const QPointF corner(m.points.front().x() * dots, m.points.front().y() * dots);
    const QPointF other(m.points.back().x() * dots, m.points.back().y() * dots);
    // Whole, in the middle of its place.
    const QRectF place(corner, other);
    const QSizeF size = QSizeF(found->second.size()).scaled(place.size(), Qt::KeepAspectRatio);
    p.drawImage(QRectF(place.center() - QPointF(size.width() / 2, size.height() / 2), size), found->second);
    return;
  }
  if (m.kind == Mark::Kind::Text) {
    // Text with the transform reset, so that fonts are set in whole device dots.
    QFont f(QStringLiteral("Lato"));
    f.setPixelSize(std::max(1, qRound(m.size * dots)));
    f.setWeight(m.bold ? QFont::DemiBold : QFont::Normal);
    // A twentieth of a dot apart: what is drawn as one sign for two letters could not be found or read out.
    f.setLetterSpacing(QFont::AbsoluteSpacing, 0.05);
    p.setFont(f);
    p.setPen(colour(m.stroke));
    const QString words = QString::fromStdString(m.text);
    const double w = QFontMetricsF(f, p.device()).horizontalAdvance(words);
    const double x = m.points.front().x() * dots - (m.align == TextAlign::Right    ? w
                                                    : m.align == TextAlign::Centre ? w / 2
                                                                                   : 0);
    p.drawText(QPointF(x, m.points.front().y() * dots), words);
    return;
  }
  QPen pen(colour(m.stroke), m.width * dots, Qt::SolidLine, Qt::FlatCap, Qt::RoundJoin);
  if (!m.dash.empty()) {
    QVector<qreal> pattern;
    for (const double d : m.dash) pattern << d / m.width;
    pen.setDashPattern(pattern);
  }
  p.setPen(m.width > 0 ? pen : QPen(Qt::NoPen));
  p.setBrush(m.filled ? QBrush(colour(m.fill)) : QBrush(Qt::NoBrush));
  if (m.kind == Mark::Kind::Disc) {
    p.drawEllipse(QPointF(m.points.front().x() * dots, m.points.front().y() * dots), m.size * dots,
                  m.size * dots);
    return;
  }
  QPolygonF points;
  for (const auto& each : m.points) points << QPointF(each.x() * dots, each.y() * dots);
  if (m.closed)
    p.drawPolygon(points);
  else
    p.drawPolyline(points);
}

QPageLayout layoutOf(const Page& page) {
  // Margins would shift the origin; the pages keep their own.
  const bool upright = page.width <= page.height;
  const QSizeF size(std::min(page.width, page.height), std::max(page.width, page.height));
  return {QPageSize(size, QPageSize::Millimeter, {}, QPageSize::ExactMatch),
          upright ? QPageLayout::Portrait : QPageLayout::Landscape, QMarginsF(0, 0, 0, 0)};
}

QString paperKey() { return QStringLiteral("sheet/paper"); }

} // namespace

Paper usualPaper() {
  return settings().value(paperKey()).toString() == QStringLiteral("Letter") ? Paper::Letter : Paper::A4;
}

void rememberPaper(Paper paper) {
  settings().setValue(paperKey(), paper == Paper::Letter ? QStringLiteral("Letter") : QStringLiteral("A4"));
}

PagePictures picturesOf(const std::vector<Page>& pages,
                        const std::function<const std::string*(const std::string&)>& bytes) {
  PagePictures out;
  for (const Page& page : pages)
    for (const Mark& m : page.marks)
      if (const std::string* found = m.kind == Mark::Kind::Picture ? bytes(m.text) : nullptr)
        if (QImage picture; picture.loadFromData(reinterpret_cast<const uchar*>(found->data()),
                                                 static_cast<int>(found->size())))
          out[m.text] = picture;
  return out;
}

void paintPages(QPagedPaintDevice& device, const std::vector<Page>& pages, int resolution,
                const PagePictures& pictures) {
  const double dots = resolution / 25.4;
  device.setPageLayout(layoutOf(pages.front()));
  QPainter p(&device);
  p.setRenderHint(QPainter::Antialiasing);
  for (size_t i = 0; i < pages.size(); ++i) {
    const Page& page = pages[i];
    if (i > 0) {
      device.setPageLayout(layoutOf(page));
      device.newPage();
    }
    for (const Mark& m : page.marks) paintMark(p, m, dots, pictures);
    if (page.window.width > 0) {
      p.save();
      p.setClipRect(QRectF(page.window.x * dots, page.window.y * dots, page.window.width * dots,
                           page.window.height * dots));
      for (const Mark& m : page.inside) paintMark(p, m, dots, pictures);
      p.restore();
    }
  }
}

std::optional<QString> writePdf(const QString& path, const std::vector<Page>& pages, const QString& title,
                                const PagePictures& pictures) {
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  {
    constexpr int resolution = 1200;
    QPdfWriter writer(&buffer);
    writer.setResolution(resolution);
    writer.setPageMargins(QMarginsF(0, 0, 0, 0));
    writer.setTitle(title);
    writer.setCreator(QStringLiteral("Columna"));
    paintPages(writer, pages, resolution, pictures);
  }
  if (const auto problem =
          writeAtomically(path.toStdString(), std::string_view(buffer.data().constData(),
                                                               static_cast<size_t>(buffer.data().size()))))
    return sentence(*problem, UnitSystem::Metric);
  return std::nullopt;
}

} // namespace columna
