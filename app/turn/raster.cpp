#include "turn/raster.h"

#include "measure/whole.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace columna {
namespace {

using V3f = Eigen::Vector3f;

constexpr float kFar = -1e30F;
constexpr float kShades = 200; ///< of full light

/// Light from the upper left behind the eye, and some from everywhere.
float light(const V3f& normal, float lit) {
  static const V3f sun = V3f(-0.45F, 0.65F, 0.62F).normalized();
  const float facing = std::abs(normal.z()); // both sides of a surface are seen alike
  const float sunny = std::max(0.0F, normal.z() < 0 ? -normal.dot(sun) : normal.dot(sun));
  const float all = 0.42F + 0.48F * sunny + 0.16F * facing;
  return 1 + lit * (std::min(all, 1.04F) - 1);
}

} // namespace

Eigen::Matrix3d Camera::turn() const {
  // From the figure's right at rest: its nose to the right, up is up, the eye at -y.
  const double c = std::cos(yaw);
  const double s = std::sin(yaw);
  const Vec3 right(c, s, 0);
  const Vec3 eyeFlat(s, -c, 0);
  const Vec3 towards = std::cos(pitch) * eyeFlat + std::sin(pitch) * Vec3::UnitZ();
  Eigen::Matrix3d m;
  m.row(0) = right;
  m.row(1) = towards.cross(right);
  m.row(2) = towards;
  return m;
}

QPointF Camera::at(const Vec3& place) const {
  const Vec3 e = turn() * (place - centre);
  return middle + QPointF(e.x() * scale, -e.y() * scale);
}

double Camera::near(const Vec3& place) const { return (turn() * (place - centre)).z(); }

Vec3 Camera::place(const QPointF& pixel, const Vec3& asNearAs) const {
  const Vec3 eye((pixel.x() - middle.x()) / scale, -(pixel.y() - middle.y()) / scale, near(asNearAs));
  return turn().transpose() * eye + centre;
}

Raster::Raster(int width, int height)
    : image_(std::max(1, width), std::max(1, height), QImage::Format_ARGB32_Premultiplied),
      depth_(static_cast<size_t>(image_.width()) * static_cast<size_t>(image_.height()), kFar),
      limb_(depth_.size(), -1), shade_(depth_.size(), 0) {
  image_.fill(Qt::transparent);
  pixels_ =
      reinterpret_cast<QRgb*>(image_.bits()); // NOLINT: Qt's own way to the pixels, 4 bytes each, no gaps
}

float Raster::depth(int x, int y) const {
  if (x < 0 || y < 0 || x >= image_.width() || y >= image_.height()) return kFar;
  return depth_[static_cast<size_t>(y) * static_cast<size_t>(image_.width()) + static_cast<size_t>(x)];
}

int Raster::limbAt(int x, int y) const {
  if (x < 0 || y < 0 || x >= image_.width() || y >= image_.height()) return -1;
  return limb_[static_cast<size_t>(y) * static_cast<size_t>(image_.width()) + static_cast<size_t>(x)];
}

double Raster::shadeAt(int x, int y) const {
  return static_cast<double>(
             shade_[static_cast<size_t>(y) * static_cast<size_t>(image_.width()) + static_cast<size_t>(x)]) /
         static_cast<double>(kShades);
}

void Raster::setColour(int x, int y, QRgb colour) {
  pixels_[static_cast<size_t>(y) * static_cast<size_t>(image_.width()) + static_cast<size_t>(x)] = colour;
}

void Raster::draw(const Mesh& mesh, const Camera& camera, float lit) {
  const Eigen::Matrix3f turn = camera.turn().cast<float>();
  const V3f centre = camera.centre.cast<float>();
  const auto scale = static_cast<float>(camera.scale);
  const auto mx = static_cast<float>(camera.middle.x());
  const auto my = static_cast<float>(camera.middle.y());
  std::vector<V3f> at(mesh.vertices.size());
  std::vector<float> shade(mesh.vertices.size());
  for (size_t i = 0; i < mesh.vertices.size(); ++i) {
    const V3f e = turn * (mesh.vertices[i].at - centre);
    at[i] = {mx + e.x() * scale, my - e.y() * scale, e.z()};
    shade[i] = light(turn * mesh.vertices[i].normal, lit);
  }
  for (const MeshTriangle& t : mesh.triangles) {
    const auto corner = [&](size_t k) { return static_cast<size_t>(t.corners[k]); };
    triangle({at[corner(0)], at[corner(1)], at[corner(2)]},
             {shade[corner(0)], shade[corner(1)], shade[corner(2)]}, t);
  }
}

/// Line by line, the corners' depth and shade carried along by their slopes.
void Raster::triangle(const std::array<V3f, 3>& p, const std::array<float, 3>& shade, const MeshTriangle& t) {
  const float area =
      (p[1].x() - p[0].x()) * (p[2].y() - p[0].y()) - (p[1].y() - p[0].y()) * (p[2].x() - p[0].x());
  if (std::abs(area) < 1e-6F) return;
  const auto [left, right] = std::minmax({p[0].x(), p[1].x(), p[2].x()});
  const auto [top, bottom] = std::minmax({p[0].y(), p[1].y(), p[2].y()});
  const int y0 = std::max(0, wholeOf(std::floor(top)));
  const int y1 = std::min(image_.height() - 1, wholeOf(std::ceil(bottom)));
  const int x0 = std::max(0, wholeOf(std::floor(left)));
  const int x1 = std::min(image_.width() - 1, wholeOf(std::ceil(right)));
  if (x0 > x1 || y0 > y1) return;
  const float inv = 1 / area;
  // Shares of the corners: u of the first, v of the second, the rest of the third; all linear in x and y.
  const float ux = (p[1].y() - p[2].y()) * inv;
  const float uy = (p[2].x() - p[1].x()) * inv;
  const float vx = (p[2].y() - p[0].y()) * inv;
  const float vy = (p[0].x() - p[2].x()) * inv;
  const float sx = static_cast<float>(x0) + 0.5F - p[2].x();
  const float sy = static_cast<float>(y0) + 0.5F - p[2].y();
  float uRow = ux * sx + uy * sy;
  float vRow = vx * sx + vy * sy;
  const float zu = p[0].z() - p[2].z();
  const float zv = p[1].z() - p[2].z();
  const float ku = shade[0] - shade[2];
  const float kv = shade[1] - shade[2];
  const auto red = static_cast<float>(qRed(t.colour));
  const auto green = static_cast<float>(qGreen(t.colour));
  const auto blue = static_cast<float>(qBlue(t.colour));
  const auto limb = static_cast<std::int16_t>(t.limb);
  const auto w = static_cast<size_t>(image_.width());
  for (int y = y0; y <= y1; ++y, uRow += uy, vRow += vy) {
    float u = uRow;
    float v = vRow;
    const size_t row = static_cast<size_t>(y) * w;
    for (int x = x0; x <= x1; ++x, u += ux, v += vx) {
      if (u < 0 || v < 0 || u + v > 1) continue;
      const size_t here = row + static_cast<size_t>(x);
      const float z = p[2].z() + u * zu + v * zv;
      if (z <= depth_[here]) continue;
      depth_[here] = z;
      limb_[here] = limb;
      const float k = shade[2] + u * ku + v * kv;
      shade_[here] = static_cast<std::uint8_t>(std::clamp(k * kShades, 0.0F, 255.0F));
      pixels_[here] =
          qRgb(std::min(255, static_cast<int>(red * k)), std::min(255, static_cast<int>(green * k)),
               std::min(255, static_cast<int>(blue * k)));
    }
  }
}

void Raster::over(const Raster& other, double share) {
  const int w = std::min(image_.width(), other.image_.width());
  const int h = std::min(image_.height(), other.image_.height());
  const auto k = static_cast<int>(std::clamp(share, 0.0, 1.0) * 256);
  for (int y = 0; y < h; ++y) {
    QRgb* to = pixels_ + static_cast<size_t>(y) * static_cast<size_t>(image_.width());
    const auto* from = reinterpret_cast<const QRgb*>(other.image_.constScanLine(y)); // NOLINT: as above
    for (int x = 0; x < w; ++x) {
      if (qAlpha(from[x]) == 0) continue;
      if (qAlpha(to[x]) == 0) {
        to[x] = qPremultiply(qRgba(qRed(from[x]), qGreen(from[x]), qBlue(from[x]), k * 255 / 256));
        continue;
      }
      const auto mix = [k](int a, int b) { return (a * (256 - k) + b * k) / 256; };
      to[x] = qRgb(mix(qRed(to[x]), qRed(from[x])), mix(qGreen(to[x]), qGreen(from[x])),
                   mix(qBlue(to[x]), qBlue(from[x])));
    }
  }
}

} // namespace columna
