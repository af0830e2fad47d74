#include "turn/raster.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace columna {
namespace {

using V3f = Eigen::Vector3f;

constexpr float kFar = -1e30F;

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
      limb_(depth_.size(), -1) {
  image_.fill(Qt::transparent);
}

float Raster::depth(int x, int y) const {
  if (x < 0 || y < 0 || x >= image_.width() || y >= image_.height()) return kFar;
  return depth_[static_cast<size_t>(y) * static_cast<size_t>(image_.width()) + static_cast<size_t>(x)];
}

int Raster::limbAt(int x, int y) const {
  if (x < 0 || y < 0 || x >= image_.width() || y >= image_.height()) return -1;
  return limb_[static_cast<size_t>(y) * static_cast<size_t>(image_.width()) + static_cast<size_t>(x)];
}

void Raster::draw(const Mesh& mesh, const Camera& camera, float lit) {
  const Eigen::Matrix3f turn = camera.turn().cast<float>();
  const V3f centre = camera.centre.cast<float>();
  const auto scale = static_cast<float>(camera.scale);
  const auto mx = static_cast<float>(camera.middle.x());
  const auto my = static_cast<float>(camera.middle.y());
  std::vector<V3f> at(mesh.vertices.size());
  std::vector<V3f> normal(mesh.vertices.size());
  for (size_t i = 0; i < mesh.vertices.size(); ++i) {
    const V3f e = turn * (mesh.vertices[i].at - centre);
    at[i] = {mx + e.x() * scale, my - e.y() * scale, e.z()};
    normal[i] = turn * mesh.vertices[i].normal;
  }
  const int w = image_.width();
  const int h = image_.height();
  for (const MeshTriangle& t : mesh.triangles) {
    const V3f& a = at[static_cast<size_t>(t.corners[0])];
    const V3f& b = at[static_cast<size_t>(t.corners[1])];
    const V3f& c = at[static_cast<size_t>(t.corners[2])];
    const float area = (b.x() - a.x()) * (c.y() - a.y()) - (b.y() - a.y()) * (c.x() - a.x());
    if (std::abs(area) < 1e-6F) continue;
    const int x0 = std::max(0, static_cast<int>(std::floor(std::min({a.x(), b.x(), c.x()}))));
    const int x1 = std::min(w - 1, static_cast<int>(std::ceil(std::max({a.x(), b.x(), c.x()}))));
    const int y0 = std::max(0, static_cast<int>(std::floor(std::min({a.y(), b.y(), c.y()}))));
    const int y1 = std::min(h - 1, static_cast<int>(std::ceil(std::max({a.y(), b.y(), c.y()}))));
    if (x0 > x1 || y0 > y1) continue;
    const V3f& na = normal[static_cast<size_t>(t.corners[0])];
    const V3f& nb = normal[static_cast<size_t>(t.corners[1])];
    const V3f& nc = normal[static_cast<size_t>(t.corners[2])];
    const float inv = 1 / area;
    const auto red = static_cast<float>(qRed(t.colour));
    const auto green = static_cast<float>(qGreen(t.colour));
    const auto blue = static_cast<float>(qBlue(t.colour));
    for (int y = y0; y <= y1; ++y) {
      const float py = static_cast<float>(y) + 0.5F;
      auto* line = reinterpret_cast<QRgb*>(image_.scanLine(y)); // NOLINT: Qt's own way to a line of pixels
      const size_t row = static_cast<size_t>(y) * static_cast<size_t>(w);
      for (int x = x0; x <= x1; ++x) {
        const float px = static_cast<float>(x) + 0.5F;
        const float u = ((b.x() - px) * (c.y() - py) - (b.y() - py) * (c.x() - px)) * inv;
        const float v = ((c.x() - px) * (a.y() - py) - (c.y() - py) * (a.x() - px)) * inv;
        const float s = 1 - u - v;
        if (u < 0 || v < 0 || s < 0) continue;
        const float z = u * a.z() + v * b.z() + s * c.z();
        float& kept = depth_[row + static_cast<size_t>(x)];
        if (z <= kept) continue;
        kept = z;
        limb_[row + static_cast<size_t>(x)] = static_cast<std::int16_t>(t.limb);
        V3f n = u * na + v * nb + s * nc;
        const float length = n.norm();
        if (length > 1e-12F) n /= length;
        const float k = light(n, lit);
        line[x] = qRgb(std::min(255, static_cast<int>(red * k)), std::min(255, static_cast<int>(green * k)),
                       std::min(255, static_cast<int>(blue * k)));
      }
    }
  }
}

void Raster::over(const Raster& other, double share) {
  const int w = std::min(image_.width(), other.image_.width());
  const int h = std::min(image_.height(), other.image_.height());
  const auto k = static_cast<int>(std::clamp(share, 0.0, 1.0) * 256);
  for (int y = 0; y < h; ++y) {
    auto* to = reinterpret_cast<QRgb*>(image_.scanLine(y));                          // NOLINT: as above
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
