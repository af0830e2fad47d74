#include "photo/photo_camera.h"

#include "words/said.h"

#include <Eigen/Geometry>

#include <cmath>

namespace columna {

std::string_view id(PhotoView view) {
  switch (view) {
  case PhotoView::Right:
    return "right";
  case PhotoView::Left:
    return "left";
  case PhotoView::Front:
    return "front";
  case PhotoView::Back:
    return "back";
  case PhotoView::Above:
    break;
  }
  return "above";
}

std::string_view word(PhotoView view) {
  switch (view) {
  case PhotoView::Right:
    return named("from its right");
  case PhotoView::Left:
    return named("from its left");
  case PhotoView::Front:
    return named("from before it");
  case PhotoView::Back:
    return named("from behind");
  case PhotoView::Above:
    break;
  }
  return named("from above");
}

PhotoCamera::Numbers PhotoCamera::numbers() const {
  Numbers out;
  out << yaw, pitch, roll, x, y, std::log(scale), std::log(distance);
  return out;
}

PhotoCamera PhotoCamera::with(const Numbers& n) const {
  PhotoCamera out = *this;
  out.yaw = n[0];
  out.pitch = n[1];
  out.roll = n[2];
  out.x = n[3];
  out.y = n[4];
  out.scale = std::exp(n[5]);
  out.distance = std::exp(n[6]);
  return out;
}

Eigen::Matrix3d PhotoCamera::straight(PhotoView view) {
  Eigen::Matrix3d m;
  switch (view) {
  case PhotoView::Right:
    m << 1, 0, 0, 0, 0, 1, 0, -1, 0;
    break;
  case PhotoView::Left:
    m << -1, 0, 0, 0, 0, 1, 0, 1, 0;
    break;
  case PhotoView::Front:
    m << 0, 1, 0, 0, 0, 1, 1, 0, 0;
    break;
  case PhotoView::Back:
    m << 0, -1, 0, 0, 0, 1, -1, 0, 0;
    break;
  case PhotoView::Above:
    m << 1, 0, 0, 0, 1, 0, 0, 0, 1;
    break;
  }
  return m;
}

Eigen::Matrix3d PhotoCamera::turn() const {
  return (Eigen::AngleAxisd(roll, Vec3::UnitZ()) * Eigen::AngleAxisd(pitch, Vec3::UnitX()) *
          Eigen::AngleAxisd(-yaw, Vec3::UnitY()))
             .toRotationMatrix() *
         straight(view);
}

PhotoEye::PhotoEye(const PhotoCamera& camera)
    : turn_(camera.turn()), centre_(camera.centre), middle_(camera.middle), shift_(camera.x, camera.y),
      distance_(camera.distance), focal_(camera.focal()) {}

double PhotoEye::depth(const Vec3& place) const { return distance_ - turn_.row(2).dot(place - centre_); }

Vec3 PhotoEye::seen(const Vec3& place) const {
  const Vec3 e = turn_ * (place - centre_);
  const double depth = distance_ - e.z();
  return {middle_.x() + focal_ * (e.x() + shift_.x()) / depth,
          middle_.y() - focal_ * (e.y() + shift_.y()) / depth, depth};
}

Vec2 PhotoEye::at(const Vec3& place) const { return seen(place).head<2>(); }

Vec3 PhotoEye::place(const Vec2& pixel, double depth) const {
  const Vec3 e((pixel.x() - middle_.x()) * depth / focal_ - shift_.x(),
               (middle_.y() - pixel.y()) * depth / focal_ - shift_.y(), distance_ - depth);
  return turn_.transpose() * e + centre_;
}

} // namespace columna
