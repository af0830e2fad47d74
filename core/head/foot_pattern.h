// An animal's feet as data: their prints, pads, toes and claws.
//
// Inside a foot: u from the heel (0) to the toe tips (1), v to the animal's outer side, both over the foot's
// length. The left foot is given, as its print.
#pragma once

#include "anatomy/pattern.h"

#include <optional>
#include <string>
#include <vector>

namespace columna {

enum class FootType { Paw, Hoof, Cloven, Webbed, Talon, Hand, Sole, Column, ToyPad, Flipper, Fluke, Peg };
enum class FootPadKind { Toe, Ball, Heel, Frog, Sole, Carpal, DewClaw, Nail, Other };
enum class FootPadShape { Ellipse, Heart, Drop, Crescent, Outline };

struct FootPad {
  std::string id;
  FootPadKind kind = FootPadKind::Toe;
  FootPadShape shape = FootPadShape::Ellipse;
  Vec2 at = Vec2(0, 0), radii = Vec2(0, 0);
  double turn = 0;
  std::vector<Vec2> outline; ///< of a polygon
  std::string colour;
};
struct FootToe {
  int digit = 1; ///< 1 is the innermost
  Vec2 from = Vec2(0, 0), to = Vec2(0, 0);
  Vec2 width = Vec2(0, 0); ///< at its root and its tip
};
struct FootClaw {
  int digit = 1;
  Vec2 from = Vec2(0, 0), to = Vec2(0, 0);
  double width = 0;
};
struct FootPattern {
  FootType type = FootType::Paw;
  double length = 0, width = 0, height = 0; ///< head modules
  int digits = 0;
  std::string colour, padColour, clawColour, webColour;
  double colourStarts = 0; ///< how many foot lengths up the limb the colour begins
  double wall = 0;         ///< a hoof's angle to the ground
  std::vector<Vec2> outline;
  std::vector<FootToe> toes;
  std::vector<std::vector<Vec2>> webs;
  std::vector<FootPad> pads;
  std::vector<FootClaw> claws;
};
struct HeadFeet {
  std::optional<FootPattern> fore, mid, hind;
};

} // namespace columna
