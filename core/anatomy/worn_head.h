// The head a figure wears: a surface of its own in place of the tubes of the bones it stands for.
//
// What a head is lies in a room above this one (core/head); here is what a figure has to know of one: where
// it sits on the bone that carries it, its surface as a distance, and a rough likeness of it in tubes for
// outlines, contacts and all else for which a section's exact form does not matter. The head follows its
// bone: another stance, another size and a longer bone take it along. Lengths are head modules (the head's
// length is 1) where nothing else is said, axes the head's own: x forward, y to the animal's left, z up.
#pragma once

#include "anatomy/tube.h"

#include <array>
#include <cstdint>
#include <limits>
#include <memory>
#include <string>
#include <vector>

namespace columna {

struct Figure;
struct Pattern;

/// How a head differs from the animal's own; 1 (0 for eyesLower) leaves it as it is.
struct HeadDials {
  double muzzle = 1;         ///< length before the brow
  double eyes = 1;           ///< the eyes' diameter beyond the head's
  double eyesLower = 0;      ///< in shares of the head's depth
  double wide = 1, high = 1; ///< all of it across and up
  [[nodiscard]] bool operator==(const HeadDials&) const = default;
};

/// A row of hair or feathers rooted on a head along a line, or in a ring. On a form in head modules, on a
/// figure in mm.
struct HeadRow {
  enum class Kind {
    Tufts,    ///< of wool, laid double
    Feathers, ///< flat pieces of felt, as wide as `wide`
    Singles   ///< whiskers and lashes: no wool
  };
  std::string id;
  Kind kind = Kind::Tufts;
  bool twin = false;
  double root = 0;  ///< length of the line of roots, one side
  double shown = 0; ///< how long it is to be seen
  double wide = 0;  ///< across one feather or hair
  int count = 0;    ///< on one side, as the animal has them
  double at = 0;    ///< the roots' mean x
};

/// A head as a surface, mm.
class HeadSurface {
public:
  HeadSurface() = default;
  HeadSurface(const HeadSurface&) = delete;
  HeadSurface& operator=(const HeadSurface&) = delete;
  virtual ~HeadSurface() = default;
  /// Signed distance, below zero inside; an estimate away from the surface, whose slope is between 0.4
  /// and 2.2 there. The same for y and -y, to the last bit.
  [[nodiscard]] virtual double distance(const Vec3& p) const = 0;
  /// 0 on the head's middle line, 1 on the surface of its body.
  [[nodiscard]] virtual double depth(const Vec3& p) const = 0;
  [[nodiscard]] virtual Vec3 low() const = 0; ///< corners of a box round it
  [[nodiscard]] virtual Vec3 high() const = 0;
  [[nodiscard]] virtual double thinnest() const = 0; ///< smallest half axis of its sections and pads
};

/// A head in tubes.
struct RoughHead {
  struct Section {
    double x = 0, top = 0, bottom = 0, side = 0;
  };
  struct Oval {
    Vec3 at = Vec3(0, 0, 0);
    Eigen::Matrix3d axes = Eigen::Matrix3d::Identity(); ///< rows
    Vec3 radii = Vec3(0, 0, 0);                         ///< along each row
  };
  /// A horn, a tusk, a half of a bill: ovals along a path.
  struct Swept {
    std::string id;
    std::vector<Vec3> path;
    std::vector<double> across, deep; ///< diameters
    Vec3 up = Vec3(0, 0, 1);
  };
  /// An ear, a tuft, a fin: flat felt as it stands.
  struct Sheet {
    std::string id;
    bool twin = false;
    double thickness = 0;
    std::vector<Vec3> outline, points;
    std::vector<std::array<int, 3>> triangles; ///< turned the way its hollow looks
  };
  std::vector<Section> sections; ///< rising x
  double capBack = 0, capFront = 0;
  std::vector<Oval> pads;    ///< what is laid on, both of a pair
  std::vector<Swept> swept;  ///< both of a pair
  std::vector<Sheet> sheets; ///< the left one of a pair
  std::vector<HeadRow> rows; ///< from behind forwards, as they are laid
  Vec3 eye = Vec3(0, 0, 0);  ///< on the surface
  double eyeDiameter = 0;    ///< 0 without eyes
};

class HeadForm {
public:
  HeadForm() = default;
  HeadForm(const HeadForm&) = delete;
  HeadForm& operator=(const HeadForm&) = delete;
  virtual ~HeadForm() = default;
  [[nodiscard]] virtual std::uint64_t key() const = 0; ///< the same for forms with the same surface
  [[nodiscard]] virtual RoughHead rough(const HeadDials& dials) const = 0;
  /// Of a head so many mm long.
  [[nodiscard]] virtual std::shared_ptr<const HeadSurface> surface(const HeadDials& dials,
                                                                   double length) const = 0;
};

/// A head on its pattern. Places and directions are in the frame of the bone that carries it: along it, and
/// along its `deep` axis.
struct PatternHead {
  std::shared_ptr<const HeadForm> form;
  std::string bone;                   ///< that carries it
  double rest = 1;                    ///< modules: that bone's length, of which all lengths here are meant
  double along = 0, deep = 0;         ///< modules: of the occiput from the bone's begin
  double axisAlong = 1, axisDeep = 0; ///< of the head's x
  double left = 1;                    ///< whether y is deep x along (1) or against it (-1)
  double length = 1;                  ///< modules
  std::string muzzleBone;             ///< the wired bone before the brow, empty for none
  double muzzleRest = 1;              ///< modules
  double across = 1, depth = 1;       ///< modules: mean section of the bones it stands for
  std::vector<std::string> body;      ///< bones it stands for that are body: none of them has a tube
  std::vector<std::string> hard;      ///< bones whose tubes are its horns and bills
  double eyes = 1, eyesLower = 0;     ///< the dials, beyond the head's size
  double eyeDensity = 0;              ///< g/mm3 of the ball an eye is as large as; 0: eyes of wool
};

/// A head on its figure. mm.
struct WornHead {
  std::shared_ptr<const HeadForm> form;
  HeadDials dials;
  int bone = 0;                                       ///< index into the figure's bones
  double length = 0;                                  ///< mm
  Vec3 origin{0, 0, 0};                               ///< the occiput
  Eigen::Matrix3d axes = Eigen::Matrix3d::Identity(); ///< columns: the head's x, y and z
  double eyeDensity = 0;     ///< g/mm3 of the ball an eye is as large as; 0: eyes of wool
  std::vector<HeadRow> rows; ///< from behind forwards
  int tube = 0;              ///< the first of its tubes, which has its sections
  int tubes = 0;             ///< how many stand for what its surface is
  /// A stretch of the head that is a bone's: from x on, mm.
  struct Stretch {
    int bone = 0;
    double from = -std::numeric_limits<double>::infinity();
  };
  std::vector<Stretch> stretches; ///< rising; the first begins behind all

  [[nodiscard]] Vec3 toHead(const Vec3& p) const { return axes.transpose() * (p - origin); }
  [[nodiscard]] Vec3 toFigure(const Vec3& p) const { return origin + axes * p; }
  /// The bone that a place at x of the head belongs to.
  [[nodiscard]] int boneAt(double x) const;
};

/// Where a place lies on a bone of the figure, 0..1.
[[nodiscard]] double placeOn(const Figure& figure, int bone, const Vec3& p);

/// Puts the pattern's head on a figure in modules whose bones are made: its seat, its eyes, and its tubes
/// after those that are there.
void wearHead(Figure& figure, const Pattern& pattern);

} // namespace columna
