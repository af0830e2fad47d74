// Where the camera was, found by laying the figure's edge over the photo's.
//
// Gauss-Newton on the distances of the photo's edge to the figure's, along its way out (what moves on the
// surface does not move the edge, to the first order). The loss is soft: a part that is too fat does not turn
// the figure. Points of an edge hang together with their neighbours; all of them count as 60.
#pragma once

#include "photo/photo_model.h"

#include <Eigen/Geometry>

#include <functional>
#include <vector>

namespace columna {

/// What is known of the camera beforehand: numbers, and the standard deviation of each.
struct CameraGuess {
  PhotoCamera camera;
  PhotoCamera::Numbers sd = PhotoCamera::Numbers::Zero();
};

/// A point of the photo's edge, and what of the figure it was matched with.
struct EdgeMatch {
  Vec2 at, out;        ///< px
  Vec3 place{0, 0, 0}; ///< on the figure
  int limb = -1;       ///< -1: nothing is near
  double off = 0;      ///< mm the photo's edge lies outside the figure's
  bool low = false;    ///< so near the ground that shadow and sole are one
  bool votes = true;   ///< what is low and what is asked about do not
  PhotoCamera::Numbers slope = PhotoCamera::Numbers::Zero(); ///< of `off` by each of the camera's numbers
};

struct PhotoFit {
  PhotoCamera camera;
  Eigen::Matrix<double, PhotoCamera::kNumbers, PhotoCamera::kNumbers> spread =
      Eigen::Matrix<double, PhotoCamera::kNumbers, PhotoCamera::kNumbers>::Zero(); ///< covariance
  std::vector<EdgeMatch> matches;
  std::vector<RimPoint> rim;
  double cost = 0;
  double rms = 0; ///< mm, of what votes, none above 8
};

struct FitAsk {
  const PhotoModel* model = nullptr;
  const std::vector<EdgePoint>* edge = nullptr; ///< of the photo
  int width = 0, height = 0;
  CameraGuess guess;
  std::function<bool(int)> silent;         ///< limbs that do not vote
  const std::atomic<bool>* stop = nullptr; ///< set from elsewhere: the answer is worth nothing
};

/// Which quarter of the picture a way out looks to: 0 right, 1 up, 2 left, 3 down.
[[nodiscard]] int quarterOf(const Vec2& out);

/// From one start, or, where the view is not known well, from three.
[[nodiscard]] PhotoFit fitted(const FitAsk& ask);
/// From where another fit ended.
[[nodiscard]] PhotoFit refitted(const FitAsk& ask, const PhotoCamera& start);

/// The guess without a mat: the figure straight on, level, in the picture's middle third, as large as its
/// edge is. Its focal length is that of a telephone or a small camera: as long as the picture's longer side,
/// half or twice as much.
[[nodiscard]] CameraGuess guessOf(const PhotoModel& model, const std::vector<EdgePoint>& edge, PhotoView view,
                                  int width, int height);

/// How wide apart the least and the greatest of a projected box are, px: of the model seen so.
[[nodiscard]] Eigen::AlignedBox2d boxOf(const PhotoModel& model, const PhotoCamera& camera);

} // namespace columna
