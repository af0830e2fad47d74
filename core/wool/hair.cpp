#include "wool/hair.h"

#include <algorithm>
#include <cmath>

namespace columna {

HairRow hairOf(const HeadRow& row, const WoolRules& rules) {
  HairRow out{row.id, row.id, row.kind, row.twin, std::max(row.count, 1), row.root, 0, row.shown};
  std::replace(out.name.begin(), out.name.end(), '-', ' ');
  const int sides = row.twin ? 2 : 1;
  switch (row.kind) {
  case HeadRow::Kind::Tufts:
    out.count = std::max(1, static_cast<int>(std::lround(row.root / rules.hairTuftWide)));
    out.cut = 2 * row.shown + rules.furFold;
    out.grams = sides * out.count * out.cut * rules.furTuft * rules.hairTuftWide / rules.furTuftWide;
    break;
  case HeadRow::Kind::Feathers: {
    // They overlap: as many as the animal has stand in the row, each laid half over the next at the most.
    const double wide = std::max(row.wide, rules.hairFeatherLeast);
    out.tiny = row.wide < rules.hairFeatherLeast;
    out.count = std::clamp(static_cast<int>(std::lround(2 * row.root / wide)), 1, out.count);
    out.cut = 2 * row.shown + rules.furFold;
    out.grams = sides * out.count * out.cut * rules.feather * wide / rules.featherWide;
    break;
  }
  case HeadRow::Kind::Singles:
    out.cut = row.shown + rules.hairSetIn;
    break;
  }
  out.apart = row.root / out.count;
  return out;
}

Said hairWords(const HairRow& row) {
  const Length cut(row.cut, 0);
  const Length apart(row.apart, 1);
  const auto words = [&]() -> Said {
    switch (row.kind) {
    case HeadRow::Kind::Tufts:
      return counted(many("{} tufts cut {}, {} apart", "{} tuft cut {}"), row.count, cut, apart);
    case HeadRow::Kind::Feathers:
      return counted(many("{} feathers cut {}, {} apart", "{} feather cut {}"), row.count, cut, apart);
    case HeadRow::Kind::Singles:
      break;
    }
    return counted(many("{} single hairs cut {}", "{} single hair cut {}"), row.count, cut);
  };
  return row.twin ? say("each side {}", words()) : words();
}

std::vector<HairRow> hairOn(const Figure& figure, const WoolRules& rules) {
  std::vector<HairRow> out;
  if (!figure.head) return out;
  for (const HeadRow& row : figure.head->rows) out.push_back(hairOf(row, rules));
  return out;
}

double hairGrams(const Figure& figure, const WoolRules& rules) {
  double sum = 0;
  for (const HairRow& row : hairOn(figure, rules)) sum += row.grams;
  return sum;
}

} // namespace columna
