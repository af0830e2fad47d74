#include "wire/bend_table.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {

std::string pointWords(const WireSkeleton& skeleton, int point) {
  if (point < 0) return {};
  return skeleton.points[static_cast<size_t>(point)].name;
}

std::vector<BendRow> bendTable(const WireSkeleton& skeleton, const Piece& piece) {
  std::vector<BendRow> rows;
  double roll = 0;
  for (const Bend& b : piece.bends) {
    roll += b.roll;
    if (b.angle < kGentleBend) continue;
    BendRow row;
    row.kind = b.fold ? BendRow::Kind::Fold : BendRow::Kind::Bend;
    row.at = b.at;
    row.point = pointWords(skeleton, b.point);
    if (!b.fold) row.tool = b.tool;
    row.angle = b.angle;
    if (const double turn = std::remainder(roll, 2 * std::numbers::pi); std::abs(turn) >= kGentleBend)
      row.turn = turn;
    row.radius = b.radius;
    roll = 0;
    rows.push_back(std::move(row));
  }
  for (const TwistZone& z : piece.twists) {
    BendRow row;
    row.kind = BendRow::Kind::Twist;
    row.at = z.from;
    row.to = z.to;
    row.turns = z.turns;
    rows.push_back(std::move(row));
  }
  std::stable_sort(rows.begin(), rows.end(), [](const BendRow& a, const BendRow& b) { return a.at < b.at; });
  return rows;
}

} // namespace columna
