// A printed page as plain drawing, in mm from its top left corner, y down. Painters (PDF now) only follow it.
#pragma once

#include <Eigen/Core>

#include <string>
#include <vector>

namespace columna {

struct Rgb {
  int r = 0, g = 0, b = 0;
};

enum class TextAlign { Left, Centre, Right };

/// One thing drawn. Polylines have points; texts have one point, their baseline's. A picture has two, its top
/// left and bottom right corners; `text` is its name, and who paints has it.
struct Mark {
  enum class Kind { Line, Text, Disc, Picture } kind = Kind::Line;
  std::vector<Eigen::Vector2d> points;
  bool closed = false;
  double width = 0.2; ///< mm; 0: no stroke
  bool filled = false;
  Rgb stroke, fill;
  std::vector<double> dash; ///< mm on, mm off, ...
  std::string text;
  double size = 3.5; ///< text height (em) or disc radius, mm
  bool bold = false;
  TextAlign align = TextAlign::Left;
};

struct Box {
  double x = 0, y = 0, width = 0, height = 0;
};

struct Page {
  double width = 210, height = 297; ///< mm
  std::string name;                 ///< "2, B1"
  std::vector<Mark> marks;
  Box window; ///< part of the page that `inside` is clipped to; width 0: none
  std::vector<Mark> inside;
};

enum class Paper { A4, Letter };

/// As a printer without colours has it: as light as it was.
[[nodiscard]] Rgb inGrey(Rgb colour);
void inGrey(std::vector<Mark>& marks);

/// Width and height in mm, upright.
[[nodiscard]] Eigen::Vector2d paperSize(Paper paper);

} // namespace columna
