#include "turn/felt.h"

#include "turn/tones.h"

#include <QPainter>

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kSkin = 0.9;                          ///< mm: the drawn surface is off the skin by its cells
constexpr double kGrain = 0.075;                       ///< how much lighter or darker a strand is
constexpr double kSteps = 14;                          ///< tones from dark to light
constexpr double kStrand = 2.6;                        ///< pixels across
constexpr double kStrandLong = 16;                     ///< pixels along
constexpr double kLight = 0.955;                       ///< cosine of how wide the light in an eye is
constexpr int kEyeAround = 96, kEyeUp = 64;            ///< so fine that the edge of an iris shows no steps
const Vec3 kSun = Vec3(-0.45, 0.65, 1.1).normalized(); ///< of the light in an eye, camera axes

/// Smooth noise, -1..1.
double noise(const Vec3& p) {
  const Vec3 low(std::floor(p.x()), std::floor(p.y()), std::floor(p.z()));
  const Vec3 t = p - low;
  const auto ease = [](double v) { return v * v * (3 - 2 * v); };
  const auto i = static_cast<int>(low.x());
  const auto j = static_cast<int>(low.y());
  const auto k = static_cast<int>(low.z());
  double sum = 0;
  for (int c = 0; c < 8; ++c) {
    const int x = c & 1;
    const int y = (c >> 1) & 1;
    const int z = c >> 2;
    const double w = (x != 0 ? ease(t.x()) : 1 - ease(t.x())) * (y != 0 ? ease(t.y()) : 1 - ease(t.y())) *
                     (z != 0 ? ease(t.z()) : 1 - ease(t.z()));
    sum += w * evenly(i + x, j + y, k + z);
  }
  return 2 * sum - 1;
}

/// The place a pixel shows.
class Places {
public:
  Places(const Raster& raster, const Camera& camera)
      : raster_(raster), back_(camera.turn().transpose()), camera_(camera) {}

  [[nodiscard]] Vec3 at(int x, int y) const {
    const Vec3 eye((x + 0.5 - camera_.middle.x()) / camera_.scale,
                   -(y + 0.5 - camera_.middle.y()) / camera_.scale, raster_.depth(x, y));
    return back_ * eye + camera_.centre;
  }
  /// By the places beside it.
  [[nodiscard]] Vec3 normal(int x, int y) const {
    const auto step = [&](int dx, int dy) {
      constexpr double most = 4; // pixels of depth: farther it is another part
      const double here = raster_.depth(x, y);
      for (const int way : {1, -1}) {
        const double there = raster_.depth(x + way * dx, y + way * dy);
        if (std::abs(there - here) < most / camera_.scale * 2) return (there - here) * way * camera_.scale;
      }
      return 0.0;
    };
    return back_ * Vec3(-step(1, 0), step(0, 1), 1).normalized();
  }

private:
  const Raster& raster_;
  Eigen::Matrix3d back_;
  Camera camera_;
};

} // namespace

void paintFace(Raster& raster, const Camera& camera, const FaceLook& face, int times,
               const std::atomic<bool>* stop) {
  if (!face.paint || !face.head) return;
  const Places places(raster, camera);
  const WornHead& head = *face.head;
  const int width = raster.image().width();
  const int height = raster.image().height();
  for (int y0 = 0; y0 < height; y0 += times) {
    if (stop && *stop) return;
    for (int x0 = 0; x0 < width; x0 += times) {
      std::optional<bool> skin; // asked once for pixels that are one in the end
      for (int y = y0; y < std::min(height, y0 + times); ++y)
        for (int x = x0; x < std::min(width, x0 + times); ++x) {
          if (raster.limbAt(x, y) != face.limb) continue;
          const Vec3 local = head.toHead(places.at(x, y));
          if (!skin) skin = std::abs(face.paint->away(local)) < kSkin;
          if (!*skin) continue;
          QRgb colour =
              opaque(face.paint->skin(local, head.axes.transpose() * places.normal(x, y), face.ground));
          if (face.tinted > 0) colour = mix(colour, face.tint, face.tinted);
          raster.setColour(x, y, lit(colour, raster.shadeAt(x, y)));
        }
    }
  }
}

Mesh eyeMesh(const FaceLook& face, const Eigen::Matrix3d& turn) {
  Mesh out;
  if (!face.paint || !face.head) return out;
  const Eigen::Matrix3d& axes = face.head->axes;
  const Vec3 light = axes.transpose() * (turn.transpose() * kSun);
  for (const EyeBall& left : face.paint->eyes())
    for (const double side : {1.0, -1.0}) {
      if (side < 0 && !left.twin) continue;
      const Vec3 flip(1, side, 1);
      const auto first = static_cast<int>(out.vertices.size());
      for (int j = 0; j <= kEyeUp; ++j)
        for (int i = 0; i < kEyeAround; ++i) {
          const double up = std::numbers::pi * (static_cast<double>(j) / kEyeUp - 0.5);
          const double round = 2 * std::numbers::pi * i / kEyeAround;
          const Vec3 way(std::cos(up) * std::cos(round), std::cos(up) * std::sin(round), std::sin(up));
          const Vec3 at = face.head->toFigure(left.centre.cwiseProduct(flip) + left.radius * way);
          out.vertices.push_back({at.cast<float>(), (axes * way).cast<float>()});
        }
      const auto colourOf = [&](const Vec3& way) {
        if (way.dot(light) > kLight) return qRgb(255, 255, 255);
        return opaque(face.paint->eye(left, way.cwiseProduct(flip)));
      };
      for (int j = 0; j < kEyeUp; ++j)
        for (int i = 0; i < kEyeAround; ++i) {
          const double up = std::numbers::pi * ((j + 0.5) / kEyeUp - 0.5);
          const double round = 2 * std::numbers::pi * (i + 0.5) / kEyeAround;
          const QRgb colour =
              colourOf(Vec3(std::cos(up) * std::cos(round), std::cos(up) * std::sin(round), std::sin(up)));
          const int a = first + j * kEyeAround + i;
          const int b = first + j * kEyeAround + (i + 1) % kEyeAround;
          out.triangles.push_back({{a, b, b + kEyeAround}, colour, face.limb});
          out.triangles.push_back({{a, b + kEyeAround, a + kEyeAround}, colour, face.limb});
        }
    }
  return out;
}

void feltGrain(Raster& raster, const Camera& camera, const std::vector<Vec3>& ways,
               const std::atomic<bool>* stop) {
  const Places places(raster, camera);
  std::vector<Eigen::Matrix3d> frames;
  for (const Vec3& way : ways) {
    const Vec3 aside = way.unitOrthogonal();
    Eigen::Matrix3d m;
    m.row(0) = way * camera.scale / kStrandLong;
    m.row(1) = aside * camera.scale / kStrand;
    m.row(2) = way.cross(aside) * camera.scale / kStrand;
    frames.push_back(m);
  }
  for (int y = 0; y < raster.image().height(); ++y) {
    if (stop && *stop) return;
    for (int x = 0; x < raster.image().width(); ++x) {
      const int limb = raster.limbAt(x, y);
      if (limb < 0 || static_cast<size_t>(limb) >= frames.size()) continue;
      const Vec3 p = places.at(x, y);
      const double strand = noise(frames[static_cast<size_t>(limb)] * p);
      const double shade = std::max(0.05, raster.shadeAt(x, y));
      const double stepped = (std::floor(shade * kSteps + 0.6 * strand) + 0.5) / kSteps;
      const double towards = 0.45 * stepped + 0.55 * shade;
      raster.setColour(x, y, lit(raster.image().pixel(x, y), towards / shade * (1 + kGrain * strand)));
    }
  }
}

void feltEdge(QImage& image, const Raster& raster) {
  const int w = raster.image().width();
  const int h = raster.image().height();
  struct Fibre {
    QPointF from, by;
    QRgb colour;
  };
  std::vector<Fibre> fibres;
  const auto in = [&](int x, int y) { return raster.limbAt(x, y) >= 0 ? 1 : 0; };
  for (int y = 3; y + 3 < h; ++y)
    for (int x = 3; x + 3 < w; ++x) {
      if (in(x, y) == 0 || (in(x - 1, y) != 0 && in(x + 1, y) != 0 && in(x, y - 1) != 0 && in(x, y + 1) != 0))
        continue;
      if (hashed(x, y, 1) % 5U > 1U) continue;
      // Outwards, and leaning to one side or the other.
      QPointF out(in(x - 3, y) - in(x + 3, y), in(x, y - 3) - in(x, y + 3));
      const double size = std::hypot(out.x(), out.y());
      if (size <= 0) continue;
      const double lean = (evenly(x, y, 2) - 0.5) * 2.4;
      out /= size;
      const QPointF turned(out.x() * std::cos(lean) - out.y() * std::sin(lean),
                           out.x() * std::sin(lean) + out.y() * std::cos(lean));
      fibres.push_back(
          {QPointF(x + 0.5, y + 0.5), turned * (1.2 + 3 * evenly(x, y, 3)), raster.image().pixel(x, y)});
    }
  QPainter p(&image);
  p.setRenderHint(QPainter::Antialiasing);
  for (const Fibre& f : fibres) {
    QColor colour(f.colour);
    colour.setAlpha(110);
    p.setPen(QPen(colour, 1));
    p.drawLine(f.from, f.from + f.by);
  }
}

std::vector<Vec3> growthWays(const Figure& figure) {
  std::vector<Vec3> out;
  for (const FigureLimb& limb : figure.limbs) {
    Vec3 way(1, 0, 0);
    if (!limb.bones.empty()) {
      const Vec3 run = figure.bones[static_cast<size_t>(limb.bones.back())].end -
                       figure.bones[static_cast<size_t>(limb.bones.front())].begin;
      if (run.norm() > 1e-9) way = run.normalized();
    }
    out.push_back(way);
  }
  return out;
}

} // namespace columna
