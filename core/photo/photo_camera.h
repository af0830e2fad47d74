// Where a photo was taken from: a camera without faults of its lens, a view and what it is off it.
#pragma once

#include "anatomy/pattern.h"

#include <array>
#include <string_view>

namespace columna {

/// From the figure's right, its left, from before it, from behind, from above.
enum class PhotoView { Right, Left, Front, Back, Above };
inline constexpr std::array kPhotoViews{PhotoView::Right, PhotoView::Left, PhotoView::Front, PhotoView::Back,
                                        PhotoView::Above};
[[nodiscard]] std::string_view id(PhotoView view);   ///< "right", as on the command line
[[nodiscard]] std::string_view word(PhotoView view); ///< "from its right"

struct PhotoCamera {
  PhotoView view = PhotoView::Front;
  double yaw = 0;      ///< radians round the picture's upright: turned as the figure's own left comes nearer
  double pitch = 0;    ///< radians: the camera is higher, and looks down
  double roll = 0;     ///< radians in the picture
  double x = 0, y = 0; ///< mm the figure's centre lies right of the picture's middle, and above it
  double scale = 1;    ///< px a mm at the figure's centre, above 0
  double distance = 600; ///< mm from the lens to the figure's centre
  Vec3 centre{0, 0, 0};  ///< of the figure, mm
  Vec2 middle{0, 0};     ///< of the picture, px

  /// What a fit moves, in the order of its numbers: yaw, pitch, roll, x, y, and the logarithms of scale and
  /// distance.
  static constexpr int kNumbers = 7;
  using Numbers = Eigen::Matrix<double, kNumbers, 1>;
  [[nodiscard]] Numbers numbers() const;
  [[nodiscard]] PhotoCamera with(const Numbers& numbers) const;

  /// World to eye: right, up, towards the lens.
  [[nodiscard]] Eigen::Matrix3d turn() const;
  /// The same of the view alone, when it is level and straight on.
  [[nodiscard]] static Eigen::Matrix3d straight(PhotoView view);
  /// Focal length, px.
  [[nodiscard]] double focal() const { return scale * distance; }
};

/// The same with its turn worked out, for many places.
class PhotoEye {
public:
  explicit PhotoEye(const PhotoCamera& camera);
  /// mm before the lens.
  [[nodiscard]] double depth(const Vec3& place) const;
  /// Its pixel.
  [[nodiscard]] Vec2 at(const Vec3& place) const;
  /// Its pixel, and how far before the lens: x, y, depth.
  [[nodiscard]] Vec3 seen(const Vec3& place) const;
  /// The place seen at a pixel so far before the lens.
  [[nodiscard]] Vec3 place(const Vec2& pixel, double depth) const;
  /// mm that a pixel is so far before the lens.
  [[nodiscard]] double millimetres(double depth) const { return depth / focal_; }

private:
  Eigen::Matrix3d turn_;
  Vec3 centre_;
  Vec2 middle_, shift_;
  double distance_, focal_;
};

} // namespace columna
