#include "head/head_rows.h"

#include "head/variant.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kOnHead = 0.12; ///< head modules: a given root is as near to the surface as that
constexpr int kSteps = 6;        ///< between two given roots, laid on to the surface

HeadRow::Kind kindOf(HairKind kind) {
  switch (kind) {
  case HairKind::Whiskers:
  case HairKind::Lashes:
    return HeadRow::Kind::Singles;
  case HairKind::FeatherRow:
  case HairKind::Disc:
    return HeadRow::Kind::Feathers;
  default:
    return HeadRow::Kind::Tufts;
  }
}

/// Round an ellipse of those half axes: Ramanujan's second formula, 1914, off by 4.1e-4 for one that is
/// flat.
double roundOf(double a, double b) {
  if (a + b <= 0) return 0;
  const double h = (a - b) * (a - b) / ((a + b) * (a + b));
  return std::numbers::pi * (a + b) * (1 + 3 * h / (10 + std::sqrt(4 - 3 * h)));
}

double along(const HeadHair& hair, const HeadField& field) {
  const double mm = field.length();
  // What is rooted on the neck is not on the head's surface.
  const auto laid = [&](const Vec3& p) {
    const Vec3 on = hair.onSurface ? Vec3(field.onto(mm * p) / mm) : p;
    return (on - p).norm() < kOnHead ? on : p;
  };
  double sum = 0;
  for (size_t i = 0; i + 1 < hair.line.size(); ++i) {
    Vec3 before = laid(hair.line[i]);
    for (int k = 1; k <= kSteps; ++k) {
      const Vec3 p = laid(hair.line[i] + static_cast<double>(k) / kSteps * (hair.line[i + 1] - hair.line[i]));
      sum += (p - before).norm();
      before = p;
    }
  }
  return sum;
}

} // namespace

std::vector<HeadRow> rowsOf(const HeadPattern& head, const HeadField& field) {
  std::vector<HeadRow> out;
  std::vector<HeadHair> all;
  for (const HeadHair& hair : head.hair)
    for (HeadHair& row : laidRows(hair)) all.push_back(std::move(row));
  for (const HeadHair& hair : all) {
    HeadRow row{hair.id, kindOf(hair.kind), hair.twin, 0, hair.length, hair.width, hair.count, 0};
    if (hair.at) {
      row.root = roundOf(hair.inner, hair.inner * hair.flat);
      row.at = hair.at->x() - 1e-6 * hair.inner; // the wider ring of two about one place comes first
    } else {
      row.root = along(hair, field);
      for (const Vec3& p : hair.line) row.at += p.x() / static_cast<double>(hair.line.size());
    }
    out.push_back(std::move(row));
  }
  std::stable_sort(out.begin(), out.end(), [](const HeadRow& a, const HeadRow& b) { return a.at < b.at; });
  return out;
}

} // namespace columna
