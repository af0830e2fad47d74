#include "head/variant.h"

#include <algorithm>
#include <set>

namespace columna {
namespace {

template <class Part>
void change(std::vector<Part>& parts, const std::set<std::string>& without, const std::vector<Part>& others) {
  std::erase_if(parts, [&](const Part& part) { return without.contains(part.id); });
  for (const Part& other : others) {
    const auto same =
        std::find_if(parts.begin(), parts.end(), [&](const Part& part) { return part.id == other.id; });
    if (same != parts.end())
      *same = other;
    else
      parts.push_back(other);
  }
}

} // namespace

const HeadVariant* variantOf(const HeadPattern& head, std::string_view id) {
  const auto found = std::find_if(head.variants.begin(), head.variants.end(),
                                  [&](const HeadVariant& variant) { return variant.id == id; });
  return found == head.variants.end() ? nullptr : &*found;
}

HeadPattern inVariant(HeadPattern head, const HeadVariant& variant) {
  const std::set<std::string> without(variant.without.begin(), variant.without.end());
  change(head.features, without, variant.features);
  change(head.eyes, without, variant.eyes);
  change(head.flats, without, variant.flats);
  change(head.hard, without, variant.hard);
  change(head.hair, without, variant.hair);
  change(head.patches, without, variant.patches);
  std::erase_if(head.mouth, [&](const MouthLine& line) { return without.contains(line.id); });
  for (const auto& [name, colour] : variant.palette) head.palette[name] = colour;
  return head;
}

std::vector<HeadHair> laidRows(const HeadHair& hair) {
  if (hair.toLine.size() != hair.line.size() || hair.rows < 2) return {hair};
  std::vector<HeadHair> out;
  for (int row = 0; row < hair.rows; ++row) {
    const double share = static_cast<double>(row) / (hair.rows - 1);
    HeadHair one = hair;
    one.toLine.clear();
    one.rows = 1;
    for (size_t i = 0; i < one.line.size(); ++i) one.line[i] += share * (hair.toLine[i] - hair.line[i]);
    // As many as the rows before leave over, so that all of them are the area's count.
    one.count = std::max(1, hair.count * (row + 1) / hair.rows - hair.count * row / hair.rows);
    out.push_back(std::move(one));
  }
  return out;
}

} // namespace columna
