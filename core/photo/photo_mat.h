// The photo mat: a sheet the figure stands on for its photos, with four discs on a rectangle. From where they
// are in a photo follow the camera's place, its tilt and its focal length.
//
// The plane's homography by the discs' middles (a circle's middle is not its picture's: put right once); the
// focal length from it by the orthogonality of its axes (Zhang 2000), unless the camera looks too straight
// for that to say anything.
#pragma once

#include "measure/result.h"
#include "photo/cutout.h"
#include "photo/photo_camera.h"
#include "photo/photo_fit.h"

#include <array>
#include <optional>

namespace columna {

inline constexpr double kMatAlong = 150; ///< mm between the discs' middles to where the nose points
inline constexpr double kMatAcross =
    230;                                ///< and from right to left: seen from before, feet hide none of them
inline constexpr double kMatDisc = 6;   ///< mm, a disc's radius
inline constexpr double kMatHole = 2.5; ///< mm, the hole in the one at the figure's left before it

/// The discs' middles on the mat, mm, x to where the nose points, y to the figure's left: the one with the
/// hole first, then round by the right.
[[nodiscard]] std::array<Vec2, 4> matDiscs();

struct MatInPhoto {
  std::array<Vec2, 4> at;       ///< px, in the order of matDiscs()
  std::array<double, 4> area{}; ///< px²
};

/// Where the mat is; nothing where fewer than four discs show. What lies in the figure is none.
[[nodiscard]] std::optional<MatInPhoto> findMat(const PhotoImage& photo, const Mask& figure);

struct MatCamera {
  PhotoCamera camera;     ///< its view is the one that is nearest
  bool focalKnown = true; ///< else as long as the picture's longer side
};
/// The camera by the mat, for a figure whose centre is `centre` and that stands with `stand` (x, y) on the
/// mat's middle. Nothing where no mat looks like that.
[[nodiscard]] std::optional<MatCamera> cameraOf(const MatInPhoto& mat, const Vec3& centre, const Vec2& stand,
                                                int width, int height);

/// How a figure stands turned on the mat: radians counter-clockwise from above, and how surely.
struct TurnedOn {
  double turn = 0, sd = 0;
};

/// The guess a fit begins with: as a figure is set down on its outlines by hand, or as a photo from above has
/// told it.
[[nodiscard]] CameraGuess guessOf(const MatCamera& mat, const std::optional<TurnedOn>& turned);

/// By a fit of a photo on it: radians.
[[nodiscard]] double turnedOn(const PhotoCamera& fit, const PhotoCamera& mat);

} // namespace columna
