// Tracing a photo: landmarks clicked on a picture, the pattern fitted to them, and every bone of the picture
// against the pattern's.
//
// The fit is a similarity (turn, scale, shift; least squares, Umeyama 1991), then limb by limb where two or
// more of a limb's landmarks are placed.
#pragma once

#include "anatomy/outline.h"
#include "anatomy/shape.h"

namespace columna {

/// A picture being traced. Places are pixels of the kept picture, x right, y down.
struct Photo {
  std::string entry; ///< its name in the project file: "photos/side.jpg"
  View view = View::Side;
  int width = 0, height = 0;             ///< pixels
  std::map<std::string, Vec2> landmarks; ///< placed joints, sided where the pattern has two: "right-elbow"
  double straighten = 0;                 ///< radians the picture is turned clockwise to stand level
  double mmPerPixel = 0;                 ///< from a line of known length; 0: not given

  [[nodiscard]] bool operator==(const Photo&) const = default;
};

/// Model (modules, y up in the view's plane) to picture.
struct Similarity {
  double scale = 1;     ///< pixels per module
  double turn = 0;      ///< radians, in the picture with its y turned up
  bool flipped = false; ///< the picture shows the animal facing the other way
  Vec2 shift{0, 0};

  [[nodiscard]] Vec2 toPicture(const Vec2& model) const;
  [[nodiscard]] Vec2 toModel(const Vec2& picture) const;
};

/// Joints to ask for, in an order that settles the fit soon: ends far apart first, then the rest in body
/// order. Sided ids; in the side view the near (right) side only, the far side's after them.
[[nodiscard]] std::vector<std::string> landmarksOf(const Pattern& pattern, View view);

/// What to call a landmark: "elbow" for "right-elbow", "left elbow (far side)" for the other.
[[nodiscard]] std::string landmarkWords(const Pattern& pattern, const std::string& sided, View view);

/// A joint's place in the pattern, modules; nothing for a name the pattern does not have.
[[nodiscard]] std::optional<Vec3> jointPlace(const Pattern& pattern, const std::string& sided);

/// Errors, one sentence each: fewer than two landmarks, all on one spot, three or more in one line (two leave
/// open which way up the animal is; upright is taken).
[[nodiscard]] Result<Similarity> fitSimilarity(const Pattern& pattern, const Photo& photo);

/// Where every landmark not placed yet should lie: by the fit, drawn towards the placed ones nearest to it
/// along the bones, by the limb's own fit where two of it are placed. Errors as fitSimilarity.
[[nodiscard]] Result<std::map<std::string, Vec2>> proposeLandmarks(const Pattern& pattern,
                                                                   const Photo& photo);

/// A bone of the picture against the pattern's.
struct TracedBone {
  std::string bone; ///< the pattern's id
  int side = 0;     ///< +1 left, -1 right, 0 midline
  View view = View::Side;
  double ratio = 1; ///< picture over pattern, both in their own scale
  bool reliable =
      true; ///< false: it points towards the camera in the pattern, so its length is not to be had here
  bool turnedAway = false; ///< much shorter than its twin: probably turned to the camera
};

/// All bones with both ends placed, over all pictures, in body order. Ratios are against the scale that fits
/// all the reliable bones of a picture best.
[[nodiscard]] std::vector<TracedBone> traceBones(const Pattern& pattern, const std::vector<Photo>& photos);

/// A shape with those bones' lengths taken over. `average`: both sides of a pair take their mean; otherwise
/// each side keeps its own. Unreliable ones and those turned away are left out. `only`: these bones, or all
/// when empty.
[[nodiscard]] Shape adoptTrace(Shape shape, const std::vector<TracedBone>& traced, bool average,
                               const std::set<std::string>& only = {});

} // namespace columna
