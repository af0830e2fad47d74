// What one slab or one end of a tube says of a place: the sums behind WoolField.
#pragma once

#include "solid/field.h"

namespace columna {

/// A place in the section of a slab that it lies in.
struct InSlab {
  double before = 0, behind = 0, x = 0, y = 0, ru = 0, rv = 0;
  Vec3 u, v;
};

struct PartQuery {
  using Found = WoolField::Found;
  /// Whether the place lies between the slab's planes.
  static bool findInSlab(const FieldPart& part, const Vec3& p, Found& out, InSlab& in);
  static Found slab(const FieldPart& part, const Vec3& p, double band);
  static Found end(const FieldPart& part, const Vec3& p);
};

} // namespace columna
