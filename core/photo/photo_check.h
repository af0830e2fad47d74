// A photo of the work against the plan as it should be at that moment: where it is fuller or thinner, left
// against right, and limbs that are turned, each with what it may be off, and what a photo cannot show.
//
// The part in question has no vote when the camera is found again for it: with it the fit turns the figure to
// hide the fault. The error of a difference is that of an edge, and how far the camera may be off times what
// that moves the two edges apart: for a pair 33 mm behind the rest and a turn known to 0.63 degrees 0.81 mm.
// Nothing is told that is under twice that, or under 1 mm.
#pragma once

#include "measure/result.h"
#include "photo/photo_fit.h"
#include "photo/photo_mat.h"

#include <optional>
#include <vector>

namespace columna {

inline constexpr double kPhotoEdge = 0.25; ///< mm an edge is read to, standard deviation
inline constexpr double kPhotoSure =
    2; ///< standard deviations: several are read of a photo, and one in twenty is chance
inline constexpr double kPhotoLeast = 1; ///< mm that are told

/// What a reading of so many edges may be off, mm, standard deviation: the edges', how unlike its points are,
/// and how far the camera may be off times what that moves it.
[[nodiscard]] double readingError(const PhotoFit& fit, const PhotoCamera::Numbers& slope, double scatter,
                                  int edges);

/// Where the outline lies off the plan's.
struct PhotoPlace {
  int limb = 0;
  Vec2 at{0, 0}, out{0, 0}; ///< px, its middle and the way out
  Vec3 place{0, 0, 0};      ///< on the figure
  double off = 0;           ///< mm fuller; below zero thinner
  double error = 0;         ///< mm, standard deviation
  [[nodiscard]] bool told() const;
};

/// A pair, or one part's two sides: its left less its right.
struct PhotoPair {
  int left = 0, right = 0; ///< limbs; the same of a part on the midline
  double leftOff = 0, rightOff = 0;
  double more = 0;  ///< mm the left is fuller
  double error = 0; ///< mm
  [[nodiscard]] bool told() const;
};

/// A limb that lies turned in the picture about where it begins.
struct PhotoTurn {
  int limb = 0;
  double turn = 0;  ///< radians, counter-clockwise in the picture
  double error = 0; ///< radians
  [[nodiscard]] bool told() const;
};

struct PhotoCheck {
  PhotoView view = PhotoView::Front;
  PhotoFit fit;
  std::optional<MatCamera> mat;
  std::optional<TurnedOn> turned; ///< on the mat, of a photo from above
  double turnError = 0;           ///< radians, how surely the figure's turn to the camera is known
  int width = 0, height = 0;      ///< of the picture it was looked at in
  std::vector<EdgePoint> edge;    ///< the photo's
  std::vector<PhotoPlace> places; ///< one a limb and side of it, the farthest off first
  std::vector<PhotoPair> pairs;   ///< the farthest apart first
  std::vector<PhotoTurn> turns;   ///< the most turned first
  std::vector<int> hidden;        ///< limbs whose edge does not show
  bool rough = false;             ///< by a box on a ground that is not plain
  double soft = 0;                ///< mm from ground to wool: fur, or a lens that was not sharp
  /// From so many mm on left against right is told: of the pair that is best known, and of the worst.
  [[nodiscard]] std::pair<double, double> least() const;
};

struct PhotoAsk {
  PhotoImage photo;
  Figure figure; ///< as it should be at this moment, in its stance
  PhotoView view = PhotoView::Front;
  std::optional<PhotoBox> box;
  std::optional<TurnedOn> turned;          ///< by a photo from above on the mat
  Vec2 stand{0, 0};                        ///< of the figure, over the mat's middle, mm
  const std::atomic<bool>* stop = nullptr; ///< set from elsewhere: ends early, with nothing to be told
  std::atomic<int>* progress = nullptr;    ///< counts up to 1000
};

/// Errors: those of cutOut(); nothing is made yet; another view, more than 15 degrees off it, something else
/// than this figure, not sharp.
[[nodiscard]] Result<PhotoCheck> checkPhoto(const PhotoAsk& ask);

/// What the figure stands with on the mat's middle: the middle of the box round its soles, mm.
[[nodiscard]] Vec2 standOf(const Figure& figure);

} // namespace columna
