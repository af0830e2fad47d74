#include "sheet/wire_pages.h"

#include "measure/quantity.h"
#include "sheet/filler.h"
#include "sheet/marks.h"
#include "wire/bend_table.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

// The wire pieces' colours for light ground, as on the screen; dashes tell them apart in grey.
constexpr std::array<Rgb, 8> kPieces{{{39, 50, 94},
                                      {194, 98, 14},
                                      {16, 96, 96},
                                      {196, 96, 156},
                                      {96, 96, 196},
                                      {116, 116, 76},
                                      {36, 16, 16},
                                      {136, 16, 16}}};
const std::array<std::vector<double>, 8> kDashes{
    {{}, {4, 2}, {1, 1.5}, {4, 1.5, 1, 1.5}, {0.4, 1.6}, {2, 2}, {6, 1.5}, {1, 1, 1, 3}}};

constexpr double kStripHeight = 24;

/// What is marked on a strip: at, a word.
std::vector<std::pair<double, std::string>> stripMarks(const Plan& plan, const Piece& piece,
                                                       UnitSystem units) {
  std::vector<std::pair<double, std::string>> out;
  for (const Feature& f : piece.features) {
    if (f.kind == "twist" || f.kind == "waste" || f.kind == "bend" || f.kind == "tail" || f.kind == "digit" ||
        f.kind == "lashing")
      continue;
    const bool middle = f.kind == "fold" || f.kind == "loop";
    const double at = middle ? f.at + f.takes / 2 : f.at < piece.cut / 2 ? f.at + f.takes : f.at;
    out.emplace_back(at, fmt::format("{} {}", f.kind, printLengthFigure(at, units, 0)));
  }
  for (const Bend& b : piece.bends)
    if (!b.fold && b.angle > 0.12)
      out.emplace_back(b.at, fmt::format("{} {}", pointWords(plan.skeleton, b.point), printAngle(b.tool)));
  std::sort(out.begin(), out.end());
  return out;
}

} // namespace

Rgb pieceColour(size_t piece) { return kPieces[piece % kPieces.size()]; }
const std::vector<double>& pieceDashes(size_t piece) { return kDashes[piece % kDashes.size()]; }

void strips(Filler& pages, const Project& project, const Plan& plan) {
  if (plan.pieces.empty()) return;
  pages.section("The pieces at true size: lay the wire along, mark with a pen");
  const UnitSystem units = project.units;
  for (size_t i = 0; i < plan.pieces.size(); ++i) {
    const Piece& piece = plan.pieces[i];
    const double width = pages.clear();
    const double step = width - kStripOverlap;
    const auto rowsOf = [&](double length) {
      return length <= width ? 1 : 1 + static_cast<int>(std::ceil((length - width) / step));
    };
    // The waste at the end is left off where that saves a row.
    double waste = 0;
    for (const Feature& f : piece.features) waste += f.kind == "waste" ? f.takes : 0;
    const bool shorter = rowsOf(piece.cut - waste) < rowsOf(piece.cut);
    const double drawn = shorter ? piece.cut - waste : piece.cut;
    const int rows = rowsOf(drawn);
    const auto marks = stripMarks(plan, piece, units);
    for (int r = 0; r < rows; ++r) {
      const double from = r * step;
      const double to = std::min(drawn, from + width);
      std::string head =
          fmt::format("{}  {}, {} of {}{}", piece.tag, piece.name, printLength(piece.cut, units),
                      printLength(piece.diameter, units, 2),
                      shorter ? fmt::format("; cut {} beyond its end", printLength(waste, units)) : "");
      if (rows > 1)
        head = fmt::format("{}{}: {} to {}{}", piece.tag, static_cast<char>('a' + r % 26),
                           printLength(from, units, 0), printLength(to, units, 0),
                           r == 0 ? fmt::format("; {}, {} of {}, in {} rows end to end", piece.name,
                                                printLength(piece.cut, units),
                                                printLength(piece.diameter, units, 2), rows)
                                  : "; glue its left end over the tick");
      const Point origin = pages.place(
          std::min(width, std::max(to - from, 1.75 * static_cast<double>(head.size()))), kStripHeight);
      std::vector<Mark>& out = pages.marks();
      const double right = origin.x() + std::max(to - from, 60.0);
      const double y = origin.y() + 8;
      const auto x = [&](double at) { return origin.x() + at - from; };
      out.push_back(text(origin, head, 3.2, true));
      out.push_back(line({x(from), y}, {x(to), y}, 2.2, pieceColour(i)));
      if (!pieceDashes(i).empty()) {
        Mark dashes = line({x(from), y}, {x(to), y}, 0.9, Rgb{255, 255, 255});
        dashes.dash = pieceDashes(i);
        out.push_back(dashes);
      }
      // Ends, and ticks where the next row begins.
      if (r == 0) out.push_back(line({x(0), y - 4}, {x(0), y + 4}, 0.4));
      if (r + 1 == rows) out.push_back(line({x(drawn), y - 4}, {x(drawn), y + 4}, 0.4));
      if (r > 0)
        out.push_back(line({x(from + kStripOverlap), y - 5}, {x(from + kStripOverlap), y + 5}, 0.3, kFaint));
      if (r + 1 < rows)
        out.push_back(line({x(to - kStripOverlap), y - 5}, {x(to - kStripOverlap), y + 5}, 0.3, kFaint));
      for (const TwistZone& z : piece.twists) {
        const double a = std::max(z.from, from);
        const double b = std::min(z.to, to);
        if (b <= a) continue;
        Mark twist = line({x(a), y - 2}, {x(b), y - 2}, 0.4, kFaint);
        twist.dash = {1.2, 0.8};
        out.push_back(twist);
      }
      std::array<double, 3> edge{0, 0, 0}; // three lines of words, so that close marks are all told
      for (const auto& [at, words] : marks) {
        if (at < from - 1e-9 || at > to + 1e-9) continue;
        out.push_back(line({x(at), y - 3}, {x(at), y + 3}, 0.25));
        for (size_t l = 0; l < edge.size(); ++l)
          if (x(at) >= edge[l]) {
            const double least = origin.x();
            const double left =
                std::min(x(at), std::min(right, kMargin + width) - 1.45 * static_cast<double>(words.size()));
            out.push_back(text({std::max(least, left), y + 6 + 3.4 * static_cast<double>(l)}, words, 2.6));
            edge[l] = std::max(least, left) + 1.5 * static_cast<double>(words.size()) + 3;
            break;
          }
      }
    }
  }
}

void bendTables(Filler& pages, const Project& project, const Plan& plan) {
  if (plan.pieces.empty()) return;
  pages.section("Bends, from the left end of each piece");
  const UnitSystem units = project.units;
  const std::array<double, 6> column{18, 22, 104, 126, 150, 174};
  const auto row = [&](const std::array<std::string, 6>& cells, bool bold) {
    std::vector<Mark>& out = pages.room(6);
    for (size_t c = 0; c < cells.size(); ++c)
      out.push_back(text({kMargin + column[c], pages.y()}, cells[c], 3.1, bold,
                         c == 1 ? TextAlign::Left : TextAlign::Right));
    pages.y() += 4.8;
  };
  for (const Piece& piece : plan.pieces) {
    if (piece.bends.empty() && piece.twists.empty()) continue;
    if (piece.mirrorOf >= 0) {
      pages.room(8).push_back(text({kMargin, pages.y()},
                                   fmt::format("{}  {}: as {}, turned the other way", piece.tag, piece.name,
                                               plan.pieces[static_cast<size_t>(piece.mirrorOf)].tag),
                                   3.4, true));
      pages.y() += 7;
      continue;
    }
    pages.room(22).push_back(
        text({kMargin, pages.y()},
             fmt::format("{}  {}, {}", piece.tag, piece.name, printLength(piece.cut, units)), 3.6, true));
    pages.y() += 5.5;
    row({fmt::format("{}", lengthUnit(units)), "what", "bend to", "stays at", "turn wire", "round"}, true);
    const auto angle = [](const std::optional<double>& a) { return a ? printAngle(*a) : std::string(); };
    for (const BendRow& each : bendTable(plan.skeleton, piece)) {
      std::string what = each.point;
      if (each.kind == BendRow::Kind::Fold) what.insert(0, "fold, ");
      if (each.kind == BendRow::Kind::Twist)
        what = fmt::format("twist to {}, {} turns", printLengthFigure(each.to, units, 1),
                           printNumber(each.turns, 0));
      row({printLengthFigure(each.at, units, 1), what, angle(each.tool), angle(each.angle), angle(each.turn),
           each.radius ? printLengthFigure(*each.radius, units, 1) : std::string()},
          false);
    }
    pages.y() += 4;
  }
}

void assembly(Filler& pages, const Project& project, const Plan& plan) {
  pages.section("Putting it together");
  const auto say = [&](const std::string& words, bool tick) {
    const auto lines = wrap(words, 100);
    std::vector<Mark>& out = pages.room(5.2 * static_cast<double>(lines.size()) + 2);
    if (tick) {
      Mark box;
      const double y = pages.y();
      box.points = {{kMargin, y - 3}, {kMargin + 3.4, y - 3}, {kMargin + 3.4, y + 0.4}, {kMargin, y + 0.4}};
      box.closed = true;
      box.stroke = kInk;
      out.push_back(box);
    }
    for (const std::string& each : lines) {
      out.push_back(text({kMargin + 7, pages.y()}, each, 3.4));
      pages.y() += 5.2;
    }
    pages.y() += 1;
  };
  say(fmt::format("{}: {}.", name(project.construction), built(project.construction)), false);
  pages.y() += 2;
  if (!plan.pieces.empty()) {
    say("Cut every piece, mark it along its strip, twist where it says, and turn every tip back.", true);
    say("Toes and fingers first, of the fine wire, while it is bare and easy to hold.", true);
    say("Bend each piece by its table, lay it on the drawing, and correct it.", true);
  }
  for (const Join& join : plan.joins) say(join.text, true);
  if (!plan.pieces.empty())
    say("Lay the whole skeleton on the three views once more before any wool goes on.", true);
  pages.y() += 4;
  say("Hot glue burns, and some glues need fresh air: follow the packet. Cut ends fly: hold both, eyes "
      "covered. What "
      "labels, local rules and trained people say comes first.",
      false);
}

} // namespace columna
