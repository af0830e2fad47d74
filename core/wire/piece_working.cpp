// How a piece's cut length is put into words.
#include "wire/piece.h"

#include "measure/quantity.h"

#include <fmt/format.h>

#include <array>
#include <cmath>
#include <string_view>

namespace columna {

Working cutWorking(const Piece& piece, const Allowances& allow) {
  Working w;
  w.title = fmt::format("why {}", printNumber(piece.cut, 0));
  w.lines.push_back({"along the skeleton", {}, printNumber(piece.bones, 1) + " mm"});
  static constexpr std::array<std::pair<const char*, const char*>, 13> words{
      {{"twist", "twisting takes up"},
       {"fold", "fold"},
       {"loop", "loop"},
       {"turn-back", "ends turned back"},
       {"lap", "ends along other wire"},
       {"mutual-twist", "turns with the other wire"},
       {"lashing", "lashing turns"},
       {"digit", "crossings at the toes"},
       {"tail", "ends to hold"},
       {"alike", "as long as the others"},
       {"spare", "as long as its bones"},
       {"splice", "splices"},
       {"bend", "rounding its bends"}}};
  for (const auto& [kind, text] : words) {
    double takes = 0;
    int count = 0;
    for (const Feature& f : piece.features)
      if (f.kind == kind) {
        takes += f.takes;
        ++count;
      }
    if (count == 0 || std::abs(takes) < 0.05) continue;
    const bool counted = count > 1 && std::string_view(kind) != "twist";
    w.lines.push_back(
        {counted ? fmt::format("{} ({})", text, count) : text, {}, printNumber(takes, 1) + " mm"});
  }
  double waste = 0;
  double before = 0; // what the share is taken of
  for (const Feature& f : piece.features) {
    if (f.kind == "waste") waste += f.takes;
    if (f.kind == "waste" || f.kind == "alike" || f.kind == "splice") before -= f.takes;
  }
  w.lines.push_back({"waste",
                     fmt::format("{:g} % of {} + {:g}", allow.wasteShare, printNumber(piece.cut + before, 0),
                                 allow.wasteLength),
                     printNumber(waste, 1) + " mm"});
  w.lines.push_back({"to cut", {}, printNumber(piece.cut, 0) + " mm"});
  w.source = "Lengths from the geometry of round wire; turns, tails and waste are the bench's usual ones.";
  return w;
}

} // namespace columna
