// A photo that was never taken: a figure of felt on a sheet of paper, drawn with the faults it is told to
// have. For practice and tests; what is seen on it is no measurement.
#pragma once

#include "photo/photo_camera.h"
#include "photo/photo_image.h"
#include "photo/photo_model.h"

#include <cstdint>
#include <map>
#include <optional>
#include <string>

namespace columna::standin {

/// What is wrong with a limb.
struct Fault {
  double fuller = 0;  ///< mm all round
  double leaning = 0; ///< radians in the picture about where it begins, counter-clockwise
  double shorter = 0; ///< mm
};

struct ShotWish {
  PhotoView view = PhotoView::Front;
  double yaw = 0, pitch = 0.1, roll = 0; ///< radians off the view
  double distance = 600;                 ///< mm from the lens to the figure's middle
  double fills = 0.72;                   ///< of the picture's height or width
  double x = 0, y = 0;                   ///< mm it is out of the middle
  int width = 1200, height = 900;        ///< px
  std::map<std::string, Fault> faults;   ///< by limb
  double girths = 0; ///< each limb's are off by so much of them, at random, standard deviation
  double turned = 0; ///< radians it stands turned on the mat, counter-clockwise
  bool mat = false;
  Vec2 stand{0, 0};   ///< of the figure, over the mat's middle
  double noise = 6;   ///< grey levels
  double fuzz = 0.4;  ///< mm its edge is rough
  double blur = 1.2;  ///< px
  double clutter = 0; ///< 0 to 1: things on the ground
  std::uint64_t seed = 7;
  std::array<double, 3> wool{170, 125, 80};    ///< levels of red, green and blue in full light
  std::array<double, 3> ground{203, 205, 207}; ///< of the paper
};

/// The camera it was taken with, of a figure turned on the mat the one the mat sees.
[[nodiscard]] PhotoCamera cameraOf(const PhotoModel& model, const ShotWish& wish);
/// The same wish gives the same picture.
[[nodiscard]] PhotoImage shot(const PhotoModel& model, const Figure& figure, const ShotWish& wish);

} // namespace columna::standin
