#include "turn/felt.h"
#include "turn/tones.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kBefore = 0.7;    ///< mm: what is no farther behind the surface is seen
constexpr double kFibre = 1.3;     ///< pixels: one of a lock's fibres
constexpr int kMostFibres = 9;     ///< of one lock
constexpr double kThinnest = 0.8;  ///< pixels: what is thinner is drawn fainter instead
constexpr double kFaintest = 0.35; ///< of a colour

/// A stroke in the picture, where it is seen.
struct Track {
  std::vector<QPointF> at;
  std::vector<bool> seen;
};

Track trackOf(const HairStroke& stroke, const Raster& raster, const Camera& camera, const WornHead& head) {
  Track out;
  for (const Vec3& local : stroke.points) {
    const Vec3 place = head.toFigure(local);
    const QPointF at = camera.at(place);
    const double depth = raster.depth(static_cast<int>(at.x()), static_cast<int>(at.y()));
    out.at.push_back(at);
    out.seen.push_back(camera.near(place) + kBefore > depth);
  }
  return out;
}

/// Square to the track at one of its points, one pixel long.
QPointF asideOf(const Track& track, size_t i) {
  const QPointF run = track.at[std::min(i + 1, track.at.size() - 1)] - track.at[i > 0 ? i - 1 : 0];
  const double length = std::hypot(run.x(), run.y());
  return length > 1e-9 ? QPointF(-run.y(), run.x()) / length : QPointF();
}

/// A single hair as thin as it is: thinner than the picture can show, it is fainter.
void paintHairline(QPainter& p, const Track& track, QRgb colour, double width) {
  QColor faint(colour);
  faint.setAlphaF(static_cast<float>(std::clamp(width / kThinnest, kFaintest, 1.0)));
  p.setPen(QPen(faint, std::max(kThinnest, width), Qt::SolidLine, Qt::RoundCap));
  for (size_t i = 1; i < track.at.size(); ++i)
    if (track.seen[i - 1] && track.seen[i]) p.drawLine(track.at[i - 1], track.at[i]);
}

/// A lock of wool: fibres side by side that draw together at its tip, no two of one tone or length.
void paintLock(QPainter& p, const Track& track, QRgb colour, double width, int lock) {
  const int fibres = std::clamp(static_cast<int>(std::lround(width / kFibre)), 1, kMostFibres);
  const double thick = std::max(kThinnest, 1.25 * width / fibres);
  const auto last = static_cast<double>(track.at.size() - 1);
  for (int f = 0; f < fibres; ++f) {
    const double off = fibres == 1 ? 0 : ((f + 0.2 + 0.6 * evenly(lock, f, 1)) / fibres - 0.5) * width * 1.15;
    const double reach = 0.82 + 0.18 * evenly(lock, f, 2);
    const QColor tone(lit(colour, 0.87 + 0.26 * evenly(lock, f, 3)));
    QPointF from = track.at.front() + off * asideOf(track, 0);
    for (size_t i = 1; i < track.at.size(); ++i) {
      const double share = static_cast<double>(i) / last;
      const QPointF along = track.at[i - 1] + (track.at[i] - track.at[i - 1]) * reach;
      const QPointF to = (i + 1 == track.at.size() ? along : track.at[i]) +
                         off * (1 - 0.7 * share * share) * asideOf(track, i);
      if (track.seen[i - 1] && track.seen[i]) {
        p.setPen(QPen(tone, std::max(kThinnest, thick * (1 - 0.45 * share)), Qt::SolidLine, Qt::RoundCap));
        p.drawLine(from, to);
      }
      from = to;
    }
  }
}

/// A feather: a vane that comes to a rounded end, with the line of its quill.
void paintFeather(QPainter& p, const Track& track, QRgb colour, double width) {
  const auto last = static_cast<double>(track.at.size() - 1);
  const auto half = [&](size_t i) {
    const double share = static_cast<double>(i) / last;
    return std::max(kThinnest / 2, width / 2 * std::min(1.0, 0.6 + 2 * share) *
                                       std::sqrt(std::max(0.0, 1 - share * share * share * share)));
  };
  p.setPen(Qt::NoPen);
  p.setBrush(QColor(colour));
  for (size_t i = 1; i < track.at.size(); ++i) {
    if (!track.seen[i - 1] || !track.seen[i]) continue;
    const QPointF a = half(i - 1) * asideOf(track, i - 1);
    const QPointF b = half(i) * asideOf(track, i);
    p.drawPolygon(QPolygonF({track.at[i - 1] + a, track.at[i] + b, track.at[i] - b, track.at[i - 1] - a}));
  }
  p.setBrush(Qt::NoBrush);
  if (width > 3 * kFibre) paintHairline(p, track, lit(colour, 0.8), kThinnest);
}

} // namespace

void paintHair(QImage& image, const Raster& raster, const Camera& camera, const FaceLook& face) {
  if (!face.paint || !face.head) return;
  QPainter p(&image);
  p.setRenderHint(QPainter::Antialiasing);
  const auto& kinds = face.paint->head().hair;
  int lock = 0;
  for (const HairStroke& stroke : face.hair) {
    const HeadHair& hair = kinds[stroke.hair];
    QRgb colour = lit(opaque(face.paint->named(hair.colour)), stroke.shade);
    if (face.tinted > 0) colour = mix(colour, face.tint, face.tinted);
    const Track track = trackOf(stroke, raster, camera, *face.head);
    if (track.at.size() < 2) continue;
    const double width = stroke.width * camera.scale;
    switch (hair.kind) {
    case HairKind::Whiskers:
    case HairKind::Lashes:
      paintHairline(p, track, colour, width);
      break;
    case HairKind::FeatherRow:
    case HairKind::Disc:
      paintFeather(p, track, colour, width);
      break;
    default:
      paintLock(p, track, colour, width, ++lock);
    }
  }
}

} // namespace columna
