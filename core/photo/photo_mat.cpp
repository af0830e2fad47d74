#include "photo/photo_mat.h"

#include <Eigen/Dense>

#include <opencv2/core.hpp>
#include <opencv2/imgproc.hpp>

#include <algorithm>
#include <cmath>
#include <numbers>
#include <vector>

namespace columna {
namespace {

constexpr double kThin = 3;         ///< px, the least height of a disc's picture
constexpr double kFlat = 0.06;      ///< of its width: a camera lower than 4 degrees sees a line
constexpr double kOval = 0.14;      ///< a disc's area is an ellipse's within that
constexpr double kAlike = 0.3;      ///< a disc's area is what the others say within that, as a logarithm
constexpr double kLarger = 0.6;     ///< and theirs together what the mat says
constexpr double kDark = 40;        ///< levels darker than what is round it
constexpr size_t kMostDiscs = 14;   ///< dark ovals that are looked at, the largest
constexpr double kHoleLight = 0.25; ///< of the way from the disc to the paper
constexpr double kWeak = 0.02;      ///< of a homography's axes: below it their lean says nothing of the lens
constexpr double kShortest = 0.4;   ///< focal lengths, in the picture's longer side
constexpr double kLongest = 8;

struct Oval {
  cv::Point2d middle;
  double area = 0;
  bool hole = false;
};

/// Whether its middle is lighter than what is round it: a small hole is seen as a lighter spot.
bool lightInside(const cv::Mat& grey, const cv::Point2d& middle, cv::Rect box) {
  box = (box + cv::Size(4, 4) - cv::Point(2, 2)) & cv::Rect(0, 0, grey.cols, grey.rows);
  double dark = 0;
  double light = 0;
  cv::minMaxLoc(grey(box), &dark, &light);
  const cv::Point at(static_cast<int>(std::lround(middle.x)), static_cast<int>(std::lround(middle.y)));
  const cv::Rect spot = cv::Rect(at.x - 1, at.y - 1, 3, 3) & cv::Rect(0, 0, grey.cols, grey.rows);
  const double there = cv::mean(grey(spot))[0];
  return there - dark > kHoleLight * (light - dark);
}

std::vector<Oval> darkOvals(const PhotoImage& photo, const Mask& figure) {
  cv::Mat image(photo.height, photo.width, CV_8UC3);
  std::copy(photo.rgb.begin(), photo.rgb.end(), image.data);
  cv::Mat grey;
  cv::cvtColor(image, grey, cv::COLOR_RGB2GRAY);
  cv::GaussianBlur(grey, grey, cv::Size(), 0.8);
  const int block = std::max(photo.width, photo.height) / 14 * 2 + 1;
  cv::Mat dark;
  cv::adaptiveThreshold(grey, dark, 255, cv::ADAPTIVE_THRESH_MEAN_C, cv::THRESH_BINARY_INV, block, kDark);
  std::vector<std::vector<cv::Point>> outlines;
  std::vector<cv::Vec4i> kin;
  cv::findContours(dark, outlines, kin, cv::RETR_CCOMP, cv::CHAIN_APPROX_NONE);
  std::vector<Oval> out;
  for (size_t i = 0; i < outlines.size(); ++i) {
    if (kin[i][3] >= 0 || outlines[i].size() < 12) continue; // a hole of something, or a speck
    const cv::RotatedRect oval = cv::fitEllipse(outlines[i]);
    const double wide = std::max(oval.size.width, oval.size.height);
    const double high = std::min(oval.size.width, oval.size.height);
    if (high < kThin || high < kFlat * wide || wide > photo.width / 6.0) continue;
    const cv::Moments m = cv::moments(outlines[i]);
    // A contour runs through the middles of its outermost pixels.
    const double area = m.m00 + cv::arcLength(outlines[i], true) / 2;
    if (m.m00 <= 0 || std::abs(area / (std::numbers::pi / 4 * (wide + 1) * (high + 1)) - 1) > kOval) continue;
    Oval each{{m.m10 / m.m00, m.m01 / m.m00}, area, false};
    if (figure.at(static_cast<int>(each.middle.x), static_cast<int>(each.middle.y))) continue;
    each.hole = lightInside(grey, each.middle, cv::boundingRect(outlines[i]));
    out.push_back(each);
  }
  std::sort(out.begin(), out.end(), [](const Oval& a, const Oval& b) { return a.area > b.area; });
  if (out.size() > kMostDiscs) out.resize(kMostDiscs);
  return out;
}

/// From the mat (mm) to pixels.
Eigen::Matrix3d homography(const std::array<Vec2, 4>& pixels) {
  std::array<cv::Point2f, 4> from;
  std::array<cv::Point2f, 4> to;
  const std::array<Vec2, 4> discs = matDiscs();
  for (size_t i = 0; i < 4; ++i) {
    from[i] = {static_cast<float>(discs[i].x()), static_cast<float>(discs[i].y())};
    to[i] = {static_cast<float>(pixels[i].x()), static_cast<float>(pixels[i].y())};
  }
  const cv::Mat h = cv::getPerspectiveTransform(from.data(), to.data());
  Eigen::Matrix3d out;
  for (int r = 0; r < 3; ++r)
    for (int c = 0; c < 3; ++c) out(r, c) = h.at<double>(r, c);
  return out;
}

/// A disc as the homography shows it: area, and its middle's picture less its picture's middle.
struct Shown {
  double area = 0;
  Vec2 aside{0, 0};
};
Shown shown(const Eigen::Matrix3d& h, const Vec2& disc) {
  constexpr int corners = 48;
  std::vector<Vec2> outline;
  for (int k = 0; k < corners; ++k) {
    const double a = 2 * std::numbers::pi * k / corners;
    const Vec3 p = h * Vec3(disc.x() + kMatDisc * std::cos(a), disc.y() + kMatDisc * std::sin(a), 1);
    outline.push_back(p.head<2>() / p.z());
  }
  Shown out;
  Vec2 middle(0, 0);
  double sum = 0;
  for (size_t i = 0; i < outline.size(); ++i) {
    const Vec2& p = outline[i];
    const Vec2& q = outline[(i + 1) % outline.size()];
    const double cross = p.x() * q.y() - q.x() * p.y();
    sum += cross / 2;
    middle += (p + q) * cross / 6;
  }
  if (sum == 0) return out;
  const Vec3 c = h * Vec3(disc.x(), disc.y(), 1);
  out.area = std::abs(sum);
  out.aside = Vec2(c.head<2>() / c.z()) - middle / sum;
  return out;
}

/// How unlike the discs of a mat four ovals are; above 1: they are none.
double unlike(const Eigen::Matrix3d& h, const std::array<const Oval*, 4>& ovals) {
  std::array<double, 4> larger{};
  double mean = 0; // all of them look a little larger than they are: ink, and a lens that is not sharp
  const std::array<Vec2, 4> discs = matDiscs();
  for (size_t i = 0; i < 4; ++i) {
    const double area = shown(h, discs[i]).area;
    if (area <= 0) return 9;
    larger[i] = std::log(ovals[i]->area / area);
    mean += larger[i] / 4;
  }
  double worst = std::abs(mean) / kLarger;
  for (const double each : larger) worst = std::max(worst, std::abs(each - mean) / kAlike);
  return worst;
}

} // namespace

std::array<Vec2, 4> matDiscs() {
  constexpr double a = kMatAlong / 2;
  constexpr double b = kMatAcross / 2;
  return {Vec2(a, b), Vec2(a, -b), Vec2(-a, -b), Vec2(-a, b)};
}

std::optional<MatInPhoto> findMat(const PhotoImage& photo, const Mask& figure) {
  if (!photo.ok()) return std::nullopt;
  const std::vector<Oval> ovals = darkOvals(photo, figure);
  std::optional<MatInPhoto> found;
  double best = 1;
  const size_t n = ovals.size();
  for (size_t first = 0; first < n; ++first) {
    if (!ovals[first].hole) continue;
    for (size_t a = 0; a < n; ++a)
      for (size_t b = a + 1; b < n; ++b)
        for (size_t c = b + 1; c < n; ++c) {
          if (first == a || first == b || first == c || ovals[a].hole || ovals[b].hole || ovals[c].hole)
            continue;
          // Round their middle as the discs go round the mat's, seen from above: clockwise.
          std::array<const Oval*, 4> four{&ovals[first], &ovals[a], &ovals[b], &ovals[c]};
          cv::Point2d middle(0, 0);
          for (const Oval* o : four) middle += o->middle * 0.25;
          const auto turn = [&](const Oval* o) {
            const double at = std::atan2(o->middle.y - middle.y, o->middle.x - middle.x) -
                              std::atan2(four[0]->middle.y - middle.y, four[0]->middle.x - middle.x);
            return at < 0 ? at + 2 * std::numbers::pi : at;
          };
          std::sort(four.begin() + 1, four.end(),
                    [&](const Oval* p, const Oval* q) { return turn(p) < turn(q); });
          std::vector<cv::Point2f> corners;
          for (const Oval* o : four) corners.emplace_back(o->middle);
          if (!cv::isContourConvex(corners)) continue;
          MatInPhoto mat;
          for (size_t i = 0; i < 4; ++i) {
            mat.at[i] = Vec2(four[i]->middle.x, four[i]->middle.y);
            mat.area[i] = four[i]->area;
          }
          Eigen::Matrix3d h = homography(mat.at);
          const double off = unlike(h, four);
          if (off >= best) continue;
          best = off;
          const std::array<Vec2, 4> discs = matDiscs();
          for (size_t i = 0; i < 4; ++i) mat.at[i] += shown(h, discs[i]).aside;
          found = mat;
        }
  }
  return found;
}

std::optional<MatCamera> cameraOf(const MatInPhoto& mat, const Vec3& centre, const Vec2& stand, int width,
                                  int height) {
  const Vec2 middle((width - 1) / 2.0, (height - 1) / 2.0);
  const double longer = std::max(width, height);
  std::array<Vec2, 4> at = mat.at;
  for (Vec2& p : at) p = (p - middle) / longer;
  Eigen::Matrix3d h = homography(at);
  h.col(0) *= kMatAlong; // lengths in sides of the mat, so that all of it is about 1
  h.col(1) *= kMatAlong;
  h /= std::max(h.col(0).norm(), h.col(1).norm());
  const Vec3 u = h.col(0);
  const Vec3 v = h.col(1);
  const double a1 = u.x() * v.x() + u.y() * v.y();
  const double b1 = u.z() * v.z();
  const double a2 = u.x() * u.x() + u.y() * u.y() - v.x() * v.x() - v.y() * v.y();
  const double b2 = u.z() * u.z() - v.z() * v.z();
  MatCamera out;
  double focal = 1;
  const double inverse = -(a1 * b1 + a2 * b2) / std::max(1e-12, a1 * a1 + a2 * a2);
  out.focalKnown = std::hypot(b1, b2) > kWeak && inverse > 1 / (kLongest * kLongest) &&
                   inverse < 1 / (kShortest * kShortest);
  if (out.focalKnown) focal = 1 / std::sqrt(inverse);
  Eigen::Matrix3d k = h;
  k.topRows<2>() /= focal;
  double scale = 2 / (k.col(0).norm() + k.col(1).norm());
  if (k(2, 2) * scale < 0) scale = -scale; // the mat lies before the lens
  k *= scale;
  Eigen::Matrix3d axes;
  axes << k.col(0), k.col(1), k.col(0).cross(k.col(1));
  const Eigen::JacobiSVD<Eigen::Matrix3d> svd(axes, Eigen::ComputeFullU | Eigen::ComputeFullV);
  if (svd.singularValues().minCoeff() < 0.5) return std::nullopt; // no mat looks like that
  const Eigen::Matrix3d turn = svd.matrixU() * svd.matrixV().transpose();
  if (turn.determinant() < 0) return std::nullopt;
  const Vec3 place = k.col(2) * kMatAlong; // of the mat's middle, mm before the lens: right, down, away
  const Vec3 c = turn * (centre - Vec3(stand.x(), stand.y(), 0)) + place;
  if (c.z() < 20) return std::nullopt;
  Eigen::Matrix3d eye = turn;
  eye.row(1) *= -1;
  eye.row(2) *= -1;
  double nearest = -9;
  for (const PhotoView view : kPhotoViews) {
    const double alike = (eye * PhotoCamera::straight(view).transpose()).trace();
    if (alike <= nearest) continue;
    nearest = alike;
    out.camera.view = view;
  }
  const Eigen::Matrix3d off = eye * PhotoCamera::straight(out.camera.view).transpose();
  out.camera.pitch = std::asin(std::clamp(off(2, 1), -1.0, 1.0));
  out.camera.yaw = std::atan2(off(2, 0), off(2, 2));
  out.camera.roll = std::atan2(-off(0, 1), off(1, 1));
  out.camera.centre = centre;
  out.camera.middle = middle;
  out.camera.distance = c.z();
  out.camera.scale = focal * longer / c.z();
  out.camera.x = c.x();
  out.camera.y = -c.y();
  return out;
}

CameraGuess guessOf(const MatCamera& mat, const std::optional<TurnedOn>& turned) {
  CameraGuess out;
  out.camera = mat.camera;
  const bool above = mat.camera.view == PhotoView::Above;
  if (turned) {
    if (above)
      out.camera.roll += turned->turn;
    else
      out.camera.yaw -= turned->turn;
  }
  const double turn = turned ? std::max(0.2 * kDegree, turned->sd) : 2 * kDegree; // by hand: 3 mm in 90
  const double tilt = 0.4 * kDegree; // of a table on which the paper lies
  out.sd << (above ? tilt : turn), tilt, (above ? turn : tilt), 3, 3, (mat.focalKnown ? 0.006 : 0.3),
      (mat.focalKnown ? 0.02 : 0.35);
  return out;
}

double turnedOn(const PhotoCamera& fit, const PhotoCamera& mat) {
  return mat.view == PhotoView::Above ? fit.roll - mat.roll : mat.yaw - fit.yaw;
}

} // namespace columna
