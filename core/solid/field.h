// The distance to the wool's surface: each tube of the figure as a solid of elliptic sections with rounded or
// flat ends, joined where limbs meet.
//
// The zero set is exact: along a slab between two rings centre, axes and radii go straight. The distance to
// an ellipse is found by iteration, so that a coat's depth inside it is an offset and not a smaller ellipse.
// Off the surface near ends and sharp tapers it is an estimate. Tubes are united by a hard minimum; only
// between a limb and what it grows from a fillet of `blend` mm rounds the crease (a smooth minimum over all
// bones would fatten the figure and make its volume depend on how many bones it has). The head, which is
// wider than the neck's end or narrower, runs into it over 8 % of its length. A head that the figure wears is
// asked as the surface it is, in place of the tubes that stand for it elsewhere. Pads run into what they are
// laid on, and hollows are pressed in after all else. Horns and bills are there too: what of them is wool and
// what is not is for others to tell, by the bone.
#pragma once

#include "anatomy/figure.h"

#include <memory>
#include <vector>

namespace columna {

/// What is at a place.
struct FieldSample {
  double distance = 1e9; ///< mm to the surface, below zero inside; `band` or more where nothing is near
  int bone = -1;         ///< the bone it lies deepest in, by share of its section; -1 where nothing is near
  double at = 0;         ///< 0..1 on that bone
  double depth = 1e9;    ///< share of the section: 0 on its centre line, 1 on its surface
};

/// How wide a fillet is where limbs join: 1 % of the figure's height, 2 mm at 200 mm.
[[nodiscard]] double usualBlend(const Figure& figure);

/// A part of a tube that is asked on its own: a slab between two rings, or an end.
struct FieldPart {
  Ring a, b;          ///< of an end only `a`, with its normal outwards
  int tube = 0;       ///< index into the figure's tubes
  int bone = 0;       ///< index into the figure's bones
  double atA = 0;     ///< 0..1 on the bone at `a`
  double atB = 0;     ///< and at `b`
  double depth = -1;  ///< of a rounded end, mm; -1 for a slab
  bool flatA = false; ///< a slab whose ring `a` is a flat end
  bool flatB = false;
  /// A rounded end that may be the nearest surface to places in this slab.
  struct EndNearby {
    double depth = 0;      ///< of the end, mm; 0 for none
    double away = 0;       ///< from this slab's ring to the end's rim, mm
    double ru = 1, rv = 1; ///< of the rim
  };
  EndNearby capA, capB; ///< beyond ring `a`, beyond ring `b`
  Vec3 from, to;        ///< the middle line of a capsule that holds the part
  double around = 0;    ///< that capsule's radius, mm
  double least = 0;     ///< smallest half axis of its sections, mm
  bool head = false;    ///< the head's own surface, which is no slab
  bool hollow = false;  ///< of an oval that is pressed in
};

class WoolField {
public:
  /// `blend` mm of fillet between joined tubes, 0 for none.
  explicit WoolField(const Figure& figure, double blend);
  /// One limb's chain alone, for its own sections: only tubes with a bone of that limb.
  WoolField(const Figure& figure, double blend, int limb);

  [[nodiscard]] const std::vector<FieldPart>& parts() const { return parts_; }
  /// Indices of the parts that may lie within `reach` mm of the sphere round `centre`: never one too few.
  void near(const Vec3& centre, double reach, const std::vector<int>& among, std::vector<int>& out) const;
  [[nodiscard]] std::vector<int> all() const;
  /// The sample at a place, asking those parts alone. Distances above `band` are given as `band`, and those
  /// deeper than `band` roughly.
  [[nodiscard]] FieldSample sample(const Vec3& p, const std::vector<int>& parts, double band) const;
  /// Bone, place on it and depth alone, which takes a third of the time; its distance says nothing.
  [[nodiscard]] FieldSample label(const Vec3& p, const std::vector<int>& parts) const;
  /// How a ball about a place lies to the surface, asking those parts: all of it outside, all of it deeper
  /// than `depth` inside, or neither is sure.
  enum class Where { Outside, Deep, Unsure };
  [[nodiscard]] Where ball(const Vec3& centre, double radius, double depth,
                           const std::vector<int>& parts) const;
  /// The same as sample(), asking every part.
  [[nodiscard]] FieldSample sample(const Vec3& p, double band = 1e9) const;
  [[nodiscard]] const Vec3& low() const { return low_; } ///< corner of the box round the figure, mm
  [[nodiscard]] const Vec3& high() const { return high_; }

private:
  void take(const Figure& figure, int limb);
  void addTube(const Tube& tube, int index, bool hollow = false);
  void addHead(const Figure& figure);
  /// What one part says of a place.
  struct Found {
    double distance = 1e9, depth = 1e9, at = 0;
    int bone = -1;
    bool within = false; ///< between the part's planes
  };
  friend struct PartQuery; ///< the sums of a slab and of an end
  [[nodiscard]] Found ask(const FieldPart& part, const Vec3& p, double band) const;
  [[nodiscard]] Found labelOf(const FieldPart& part, const Vec3& p) const;
  [[nodiscard]] Found ofHead(const Vec3& local) const;
  /// A part's two planes, kept close together: most places are soon found to lie beyond one of them.
  struct Planes {
    /// mm: a place on the plane itself is asked, however it is rounded; the part's own sum decides.
    static constexpr double kNear = 1e-6;
    Vec3 a, b;
    double awayA = 0, awayB = 0;
    [[nodiscard]] bool between(const Vec3& p) const {
      return a.dot(p) >= awayA - kNear && b.dot(p) <= awayB + kNear;
    }
  };
  /// The fillet between two tubes: wider where the head meets what carries it.
  [[nodiscard]] double filletOf(int a, int b) const {
    return head_ && (a == head_->tube || b == head_->tube) ? headBlend_ : blend_;
  }
  double blend_;
  double headBlend_ = 0; ///< mm; 0 without a head
  std::vector<FieldPart> parts_;
  std::vector<Planes> planes_;            ///< one a part; of an end only the first counts
  std::vector<std::vector<char>> joined_; ///< of two tubes, whether one grows from the other
  Vec3 low_, high_;
  std::optional<WornHead> head_;
  std::vector<std::pair<Vec3, Vec3>>
      stretches_; ///< bone lines of the head's stretches: begin, run over its square
  std::shared_ptr<const HeadSurface> surface_; ///< of the head, mm
};

/// The signed distance of (x, y) to an ellipse of half axes a and b round the origin, below zero inside; the
/// outward normal there in nx, ny and the nearest place as cosine and sine of its parameter. Iterates on the
/// centre of curvature; exact to the second order on the ellipse, within 1e-3 of the smaller half axis
/// elsewhere.
struct EllipseDistance {
  double distance = 0, nx = 1, ny = 0, c = 1, s = 0;
};
[[nodiscard]] EllipseDistance distanceToEllipse(double x, double y, double a, double b);

} // namespace columna
