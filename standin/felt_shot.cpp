#include "felt_shot.h"

#include "photo/photo_mat.h"

#include <opencv2/core.hpp>
#include <opencv2/imgproc.hpp>

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <random>

namespace columna::standin {
namespace {

constexpr int kTimes = 2; ///< the picture is drawn larger, and brought down

/// The surface with its limbs' faults.
SolidMesh faulty(const PhotoModel& model, const Figure& figure, const ShotWish& wish,
                 const PhotoCamera& camera) {
  SolidMesh mesh = model.mesh;
  const std::vector<Eigen::Vector3f> normals = cornerNormals(mesh);
  std::vector<int> limbOf(mesh.vertices.size(), -1);
  for (const MeshFace& f : mesh.faces)
    for (const int c : f.corners) limbOf[static_cast<size_t>(c)] = model.limb(f);
  std::mt19937_64 drawn(wish.seed * 977 + 5);
  std::normal_distribution<double> normal;
  const Vec3 towards = camera.turn().row(2);
  for (size_t l = 0; l < figure.limbs.size(); ++l) {
    const FigureLimb& limb = figure.limbs[l];
    double chance = wish.girths * normal(drawn);
    if (limb.bones.empty()) continue;
    const auto at = wish.faults.find(limb.id);
    const Fault fault = at == wish.faults.end() ? Fault() : at->second;
    const FigureBone& first = figure.bones[static_cast<size_t>(limb.bones.front())];
    const FigureBone& last = figure.bones[static_cast<size_t>(limb.bones.back())];
    const Vec3 run = last.end - first.begin;
    const double length = std::max(1e-6, run.norm());
    double round = 0; // its middle radius
    for (const int b : limb.bones) {
      const Station s = stationAt(figure.bones[static_cast<size_t>(b)], 0.5);
      round += (s.across + s.deep) / 4 / static_cast<double>(limb.bones.size());
    }
    const double fuller = fault.fuller + chance * round;
    const Eigen::AngleAxisd lean(fault.leaning, towards);
    for (size_t v = 0; v < mesh.vertices.size(); ++v) {
      if (limbOf[v] != static_cast<int>(l)) continue;
      Vec3 p = mesh.vertices[v].cast<double>() + fuller * normals[v].cast<double>();
      const Vec3 rel = p - first.begin;
      p = first.begin + rel - fault.shorter * std::max(0.0, rel.dot(run) / length) / length * run / length;
      p = first.begin + lean * (p - first.begin);
      mesh.vertices[v] = p.cast<float>();
    }
  }
  const Eigen::AngleAxisd turn(wish.turned, Vec3::UnitZ());
  const Vec3 stand(wish.stand.x(), wish.stand.y(), 0);
  for (Eigen::Vector3f& v : mesh.vertices) v = (stand + turn * (v.cast<double>() - stand)).cast<float>();
  return mesh;
}

cv::Mat noiseOf(int rows, int cols, double soft, std::uint64_t seed) {
  cv::Mat out(rows, cols, CV_32F);
  cv::RNG drawn(seed);
  drawn.fill(out, cv::RNG::NORMAL, 0, 1);
  if (soft > 0) cv::GaussianBlur(out, out, cv::Size(), soft);
  cv::Scalar mean;
  cv::Scalar deviation;
  cv::meanStdDev(out, mean, deviation);
  return (out - mean[0]) / std::max(1e-9, deviation[0]);
}

/// How dark the mat is printed at a place, 0 to 1.
double printed(const Vec2& at) {
  const auto discs = matDiscs();
  for (size_t i = 0; i < discs.size(); ++i) {
    const double away = (at - discs[i]).norm();
    if (away < kMatDisc && !(i == 0 && away < kMatHole)) return 0.85;
  }
  return std::abs(at.y()) < 0.15 && std::abs(at.x()) < kMatAlong / 2 ? 0.25 : 0;
}

} // namespace

PhotoCamera cameraOf(const PhotoModel& model, const ShotWish& wish) {
  PhotoCamera c;
  c.view = wish.view;
  c.yaw = wish.yaw;
  c.pitch = wish.pitch;
  c.roll = wish.roll;
  c.centre = model.centre;
  c.middle = Vec2((wish.width - 1) / 2.0, (wish.height - 1) / 2.0);
  c.distance = std::max(wish.distance, 1.2 * (model.high - model.low).norm());
  for (int i = 0; i < 3; ++i) { // as large as it may be
    const Eigen::AlignedBox2d box = boxOf(model, c);
    double part =
        std::min(wish.fills * wish.height / box.sizes().y(), wish.fills * wish.width / box.sizes().x());
    if (wish.mat) { // the discs are to be in the picture
      const PhotoEye eye(c);
      Eigen::AlignedBox2d all = box;
      for (const Vec2& d : matDiscs())
        all.extend(eye.at(Vec3(d.x() * 1.15 + wish.stand.x(), d.y() * 1.15 + wish.stand.y(), 0)));
      const Vec2 most = (all.max() - c.middle).cwiseMax(c.middle - all.min());
      part = std::min({part, 0.92 * c.middle.x() / most.x(), 0.92 * c.middle.y() / most.y()});
    }
    c.scale *= part;
  }
  c.x = wish.x;
  c.y = wish.y;
  return c;
}

PhotoImage shot(const PhotoModel& model, const Figure& figure, const ShotWish& wish) {
  const PhotoCamera camera = cameraOf(model, wish);
  PhotoCamera large = camera;
  large.scale *= kTimes;
  large.middle *= kTimes;
  const int w = wish.width * kTimes;
  const int h = wish.height * kTimes;
  const SolidMesh mesh = faulty(model, figure, wish, camera);
  const PhotoRaster raster = rasterOf(mesh, large, w, h);
  const std::vector<Eigen::Vector3f> normals = cornerNormals(mesh);
  const Eigen::Matrix3d turn = camera.turn();
  const Vec3 sun = Vec3(-0.45, 0.6, 0.66).normalized();
  const PhotoEye eye(large);

  // Its edge is rough: each pixel is looked up a little aside.
  const cv::Mat asideX = noiseOf(h, w, 3.0 * kTimes, wish.seed + 11);
  const cv::Mat asideY = noiseOf(h, w, 3.0 * kTimes, wish.seed + 12);
  const cv::Mat grain = noiseOf(h, w, 1.5 * kTimes, wish.seed + 13);
  const double rough = wish.fuzz * large.scale / std::sqrt(2.0);

  // Where it stands its shadow lies.
  double foot = -1e9;
  double across = 0;
  double count = 0;
  for (int y = 0; y < h; y += 4)
    for (int x = 0; x < w; x += 4)
      if (raster.has(x, y)) {
        foot = std::max(foot, 1.0 * y);
        across += x;
        ++count;
      }
  across /= std::max(1.0, count);
  const double wide = 55 * large.scale;

  cv::Mat picture(h, w, CV_32FC3);
  std::mt19937_64 drawn(wish.seed);
  std::uniform_real_distribution<double> any;
  std::vector<std::array<double, 4>> things;
  for (int i = 0; i < static_cast<int>(wish.clutter * 60); ++i)
    things.push_back({any(drawn) * w, any(drawn) * h, (0.01 + 0.05 * any(drawn)) * w, 60 + 160 * any(drawn)});
  for (int y = 0; y < h; ++y)
    for (int x = 0; x < w; ++x) {
      auto& pixel = picture.at<cv::Vec3f>(y, x);
      const int sx = static_cast<int>(std::lround(x + rough * static_cast<double>(asideX.at<float>(y, x))));
      const int sy = static_cast<int>(std::lround(y + rough * static_cast<double>(asideY.at<float>(y, x))));
      if (raster.has(sx, sy)) {
        const MeshFace& face = mesh.faces[static_cast<size_t>(raster.face[raster.index(sx, sy)])];
        Vec3 n(0, 0, 0);
        for (const int c : face.corners) n += normals[static_cast<size_t>(c)].cast<double>();
        const Vec3 e = turn * n.normalized();
        const double lit = 0.35 + 0.65 * std::clamp(e.dot(sun), 0.0, 1.0) +
                           0.08 * static_cast<double>(grain.at<float>(y, x));
        for (int k = 0; k < 3; ++k) pixel[k] = static_cast<float>(wish.wool[static_cast<size_t>(k)] * lit);
        continue;
      }
      double light = 1 - 0.12 * x / w - 0.09 * (1.0 * y / h) * (1.0 * y / h);
      light *= 1 - 0.4 * std::exp(-std::pow((x - across - 0.2 * wide) / wide, 2) -
                                  std::pow((y - foot) / (0.25 * wide), 2));
      if (wish.mat) {
        const Vec3 a = eye.place(Vec2(x, y), 100);
        const Vec3 b = eye.place(Vec2(x, y), 200);
        if (a.z() - b.z() > 1e-6) {
          const double t = a.z() / (a.z() - b.z());
          const Vec3 ground = a + t * (b - a);
          light *= 1 - printed(Vec2(ground.x() - wish.stand.x(), ground.y() - wish.stand.y()));
        }
      }
      for (int k = 0; k < 3; ++k) pixel[k] = static_cast<float>(wish.ground[static_cast<size_t>(k)] * light);
      for (const auto& thing : things)
        if (std::abs(x - thing[0]) < thing[2] && std::abs(y - thing[1]) < thing[2])
          pixel = cv::Vec3f(static_cast<float>(thing[3]), static_cast<float>(200 - thing[3] / 2), 90);
    }
  cv::Mat small;
  cv::resize(picture, small, cv::Size(wish.width, wish.height), 0, 0, cv::INTER_AREA);
  if (wish.blur > 0) cv::GaussianBlur(small, small, cv::Size(), wish.blur);
  cv::Mat speckle(small.size(), CV_32FC3);
  cv::RNG rng(wish.seed + 14);
  rng.fill(speckle, cv::RNG::NORMAL, 0, wish.noise);
  small += speckle;
  cv::Mat bytes;
  small.convertTo(bytes, CV_8UC3);
  PhotoImage out;
  out.width = wish.width;
  out.height = wish.height;
  out.rgb.assign(bytes.data, bytes.data + bytes.total() * 3);
  return out;
}

} // namespace columna::standin
