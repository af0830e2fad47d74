#include "photo/photo_model.h"

#include "solid/field.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace columna {
namespace {

constexpr double kCells = 90;   ///< over its largest measure
constexpr double kNearest = 10; ///< mm before the lens nothing is seen
constexpr int kInwards = 4;     ///< px from an edge to what it is of

} // namespace

PhotoModel photoModel(const Figure& figure, const std::atomic<bool>* stop) {
  PhotoModel out;
  if (figure.tubes.empty() && figure.flats.empty()) return out;
  MeshWish wish;
  const WoolField field(figure, usualBlend(figure));
  const double most = (field.high() - field.low()).maxCoeff();
  wish.cell = std::max(0.05, most / kCells);
  wish.blend = usualBlend(figure);
  wish.flats = Flats::Apart;
  wish.stop = stop;
  out.mesh = solidMesh(figure, wish);
  for (const FigureBone& bone : figure.bones) out.limbOfBone.push_back(bone.limb);
  if (out.mesh.vertices.empty()) return out;
  Eigen::Vector3f low = out.mesh.vertices.front();
  Eigen::Vector3f high = low;
  for (const Eigen::Vector3f& v : out.mesh.vertices) {
    low = low.cwiseMin(v);
    high = high.cwiseMax(v);
  }
  out.low = low.cast<double>();
  out.high = high.cast<double>();
  out.centre = (out.low + out.high) / 2;
  return out;
}

PhotoRaster rasterOf(const SolidMesh& mesh, const PhotoCamera& camera, int width, int height) {
  PhotoRaster out;
  out.width = width;
  out.height = height;
  const size_t all = static_cast<size_t>(width) * static_cast<size_t>(height);
  out.face.assign(all, -1);
  out.depth.assign(all, std::numeric_limits<float>::max());
  const PhotoEye eye(camera);
  std::vector<Vec3> seen(mesh.vertices.size());
  for (size_t i = 0; i < seen.size(); ++i) seen[i] = eye.seen(mesh.vertices[i].cast<double>());
  for (size_t f = 0; f < mesh.faces.size(); ++f) {
    const auto& corners = mesh.faces[f].corners;
    const Vec3& a = seen[static_cast<size_t>(corners[0])];
    const Vec3& b = seen[static_cast<size_t>(corners[1])];
    const Vec3& c = seen[static_cast<size_t>(corners[2])];
    if (std::min({a.z(), b.z(), c.z()}) < kNearest) continue;
    const double area = (b.x() - a.x()) * (c.y() - a.y()) - (b.y() - a.y()) * (c.x() - a.x());
    if (std::abs(area) < 1e-12) continue;
    const auto from = [](double v, int most) {
      return static_cast<int>(std::clamp(std::ceil(v), 0.0, 1.0 * most));
    };
    const int y0 = from(std::min({a.y(), b.y(), c.y()}), height);
    const int y1 = from(std::max({a.y(), b.y(), c.y()}) + 1e-9, height);
    const int x0 = from(std::min({a.x(), b.x(), c.x()}), width);
    const int x1 = from(std::max({a.x(), b.x(), c.x()}) + 1e-9, width);
    for (int y = y0; y < y1; ++y)
      for (int x = x0; x < x1; ++x) {
        const double u = ((b.x() - x) * (c.y() - y) - (b.y() - y) * (c.x() - x)) / area;
        const double v = ((c.x() - x) * (a.y() - y) - (c.y() - y) * (a.x() - x)) / area;
        const double w = 1 - u - v;
        if (u < -1e-9 || v < -1e-9 || w < -1e-9) continue;
        const auto depth = static_cast<float>(u * a.z() + v * b.z() + w * c.z());
        const size_t at = out.index(x, y);
        if (depth >= out.depth[at]) continue;
        out.depth[at] = depth;
        out.face[at] = static_cast<int>(f);
      }
  }
  return out;
}

std::vector<RimPoint> rimOf(const PhotoModel& model, const PhotoCamera& camera, int width, int height,
                            bool coarse) {
  PhotoCamera used = camera;
  const double part = coarse ? 0.5 : 1;
  used.scale *= part;
  used.middle *= part;
  const int w = static_cast<int>(width * part);
  const int h = static_cast<int>(height * part);
  const PhotoRaster raster = rasterOf(model.mesh, used, w, h);
  Mask mask;
  mask.width = w;
  mask.height = h;
  mask.in.resize(raster.face.size());
  for (size_t i = 0; i < mask.in.size(); ++i) mask.in[i] = raster.face[i] >= 0 ? 255 : 0;
  const PhotoEye eye(camera);
  std::vector<RimPoint> out;
  for (const EdgePoint& p : edgeOf(mask)) {
    for (int k = 0; k <= kInwards; ++k) {
      const Vec2 q = p.at - static_cast<double>(k) * p.out;
      const int x = static_cast<int>(std::lround(q.x()));
      const int y = static_cast<int>(std::lround(q.y()));
      if (!raster.has(x, y)) continue;
      const size_t at = raster.index(x, y);
      const Vec2 pixel = p.at / part;
      out.push_back({pixel, p.out, eye.place(pixel, static_cast<double>(raster.depth[at])),
                     model.limb(model.mesh.faces[static_cast<size_t>(raster.face[at])])});
      break;
    }
  }
  return out;
}

} // namespace columna
