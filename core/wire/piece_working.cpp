// How a piece's cut length is put into words.
#include "wire/piece.h"

#include "measure/quantity.h"

#include <array>
#include <cmath>
#include <string_view>

namespace columna {

Working cutWorking(const Piece& piece, const Allowances& allow) {
  Working w;
  w.title = say("why {}", Length(piece.cut, 0).figure());
  w.lines.push_back({say("along the skeleton"), {}, Length(piece.bones, 1)});
  static constexpr std::array<std::pair<std::string_view, std::string_view>, 13> words{
      {{"twist", named("twisting takes up")},
       {"fold", named("fold")},
       {"loop", named("loop")},
       {"turn-back", named("ends turned back")},
       {"lap", named("ends along other wire")},
       {"mutual-twist", named("turns with the other wire")},
       {"lashing", named("lashing turns")},
       {"digit", named("crossings at the toes")},
       {"tail", named("ends to hold")},
       {"alike", named("as long as the others")},
       {"spare", named("as long as its bones")},
       {"splice", named("splices")},
       {"bend", named("rounding its bends")}}};
  for (const auto& [kind, text] : words) {
    double takes = 0;
    int count = 0;
    for (const Feature& f : piece.features)
      if (f.kind == kind) {
        takes += f.takes;
        ++count;
      }
    if (count == 0 || std::abs(takes) < 0.05) continue;
    const bool counted = count > 1 && kind != "twist";
    w.lines.push_back({counted ? say("{} ({})", Name(text), count) : Said(Name(text)), {}, Length(takes, 1)});
  }
  double waste = 0;
  double before = 0; // what the share is taken of
  for (const Feature& f : piece.features) {
    if (f.kind == "waste") waste += f.takes;
    if (f.kind == "waste" || f.kind == "alike" || f.kind == "splice") before -= f.takes;
  }
  w.lines.push_back(
      {say("waste"),
       say("{} % of {} + {}", Number(allow.wasteShare, Quantity::kShort), Length(piece.cut + before, 0).sum(),
           Length(allow.wasteLength, Quantity::kShort).sum()),
       Length(waste, 1)});
  w.lines.push_back({say("to cut"), {}, Length(piece.cut, 0)});
  w.source =
      say("Lengths from the geometry of round wire; turns, tails and waste are the bench's usual ones.");
  return w;
}

} // namespace columna
