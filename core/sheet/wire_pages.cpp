#include "sheet/wire_pages.h"

#include "measure/gauge.h"
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
                                                       const Filler& pages) {
  std::vector<std::pair<double, std::string>> out;
  for (const Feature& f : piece.features) {
    if (f.kind == "twist" || f.kind == "waste" || f.kind == "bend" || f.kind == "tail" || f.kind == "digit" ||
        f.kind == "lashing")
      continue;
    const bool middle = f.kind == "fold" || f.kind == "loop";
    const double at = middle ? f.at + f.takes / 2 : f.at < piece.cut / 2 ? f.at + f.takes : f.at;
    out.emplace_back(at, pages.words(say("{} {}", Name(f.kind), Length(at, 0).figure())));
  }
  for (const Bend& b : piece.bends)
    if (!b.fold && b.angle > 0.12)
      out.emplace_back(b.at,
                       pages.words(say("{} {}", Name(pointWords(plan.skeleton, b.point)), Angle(b.tool, 0))));
  std::sort(out.begin(), out.end());
  return out;
}

} // namespace

Rgb pieceColour(size_t piece) { return kPieces[piece % kPieces.size()]; }
const std::vector<double>& pieceDashes(size_t piece) { return kDashes[piece % kDashes.size()]; }

namespace {

/// What of a piece is drawn in one row: all of it, or a stretch that the next row overlaps.
struct StripRow {
  size_t piece = 0;
  double from = 0, to = 0; ///< mm from the piece's left end
  bool first = true, last = true;
  std::string head;
  [[nodiscard]] double wide() const { return std::max(to - from, 1.75 * static_cast<double>(letters(head))); }
};

std::vector<StripRow> stripRows(const Plan& plan, size_t i, const Filler& pages) {
  const double width = pages.clear();
  const Piece& piece = plan.pieces[i];
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
  const Said whole = say("{}, {} of {}", Name(piece.name), Length(piece.cut), Length(piece.diameter, 2));
  const AsIs tag(piece.tag);
  std::vector<StripRow> out;
  for (int r = 0; r < rows; ++r) {
    StripRow row{i, r * step, std::min(drawn, r * step + width), r == 0, r + 1 == rows, {}};
    const AsIs part(fmt::format("{}{}", piece.tag, static_cast<char>('a' + r % 26)));
    const Length from(row.from, 0);
    const Length to(row.to, 0);
    row.head =
        pages.words(rows == 1 ? shorter ? say("{}  {}; cut {} beyond its end", tag, whole, Length(waste))
                                        : say("{}  {}", tag, whole)
                    : r == 0 ? say("{}: {} to {}; {}, in {} rows end to end", part, from, to, whole, rows)
                              : say("{}: {} to {}; glue its left end over the tick", part, from, to));
    out.push_back(std::move(row));
  }
  return out;
}

void strip(Filler& pages, const Plan& plan, const StripRow& row) {
  const Piece& piece = plan.pieces[row.piece];
  const double width = pages.clear();
  const auto [from, to] = std::pair(row.from, row.to);
  const Point origin = pages.place(std::min(width, row.wide()), kStripHeight);
  std::vector<Mark>& out = pages.marks();
  const double right = origin.x() + std::max(to - from, 60.0);
  const double y = origin.y() + 8;
  const auto x = [&, begin = from](double at) { return origin.x() + at - begin; };
  out.push_back(text(origin, row.head, 3.2, true));
  out.push_back(line({x(from), y}, {x(to), y}, 2.2, pieceColour(row.piece)));
  if (!pieceDashes(row.piece).empty()) {
    Mark dashes = line({x(from), y}, {x(to), y}, 0.9, Rgb{255, 255, 255});
    dashes.dash = pieceDashes(row.piece);
    out.push_back(dashes);
  }
  // Ends, and ticks where the next row begins.
  const auto across = [&](double at, double half, double thick, Rgb colour) {
    out.push_back(line({x(at), y - half}, {x(at), y + half}, thick, colour));
  };
  if (row.first)
    across(from, 4, 0.4, kInk);
  else
    across(from + kStripOverlap, 5, 0.3, kFaint);
  if (row.last)
    across(to, 4, 0.4, kInk);
  else
    across(to - kStripOverlap, 5, 0.3, kFaint);
  for (const TwistZone& z : piece.twists) {
    const double a = std::max(z.from, from);
    const double b = std::min(z.to, to);
    if (b <= a) continue;
    Mark twist = line({x(a), y - 2}, {x(b), y - 2}, 0.4, kFaint);
    twist.dash = {1.2, 0.8};
    out.push_back(twist);
  }
  std::array<double, 3> edge{0, 0, 0}; // three lines of words, so that close marks are all told
  for (const auto& [at, words] : stripMarks(plan, piece, pages)) {
    if (at < from - 1e-9 || at > to + 1e-9) continue;
    across(at, 3, 0.25, kInk);
    for (size_t l = 0; l < edge.size(); ++l)
      if (x(at) >= edge[l]) {
        const double wide = static_cast<double>(letters(words));
        const double left =
            std::max(origin.x(), std::min(x(at), std::min(right, kMargin + width) - 1.45 * wide));
        out.push_back(text({left, y + 6 + 3.4 * static_cast<double>(l)}, words, 2.6));
        edge[l] = left + 1.5 * wide + 3;
        break;
      }
  }
}

} // namespace

void strips(Filler& pages, const Plan& plan) {
  if (plan.pieces.empty()) return;
  pages.section(say("The pieces at true size: lay the wire along, mark with a pen"));
  std::vector<StripRow> rows;
  for (size_t i = 0; i < plan.pieces.size(); ++i)
    for (StripRow& row : stripRows(plan, i, pages)) rows.push_back(std::move(row));
  // Those that fill the width first; the short ones lie side by side after them.
  std::stable_partition(rows.begin(), rows.end(),
                        [&](const StripRow& row) { return row.wide() > pages.clear() / 2; });
  for (const StripRow& row : rows) strip(pages, plan, row);
}

namespace {

using Cells = std::array<std::string, 6>;

/// One column of the page or two beside each other: where its cells end, where the words begin, their size.
struct TableLook {
  int columns;
  std::array<double, 6> at;
  double size;
  size_t letters; ///< of the words at that size
};
constexpr TableLook kWide{1, {18, 22, 104, 126, 150, 174}, 3.1, 48};
constexpr TableLook kHalf{2, {9, 11, 57, 68, 80, 89.5}, 2.7, 31};
constexpr double kSmallest = 0.82; ///< of the size, for the longest words
constexpr double kHeads = 0.86;    ///< of the size, for what stands over a column
constexpr size_t kTogether = 3;    ///< rows of a table that stay with its head

FlowRow cellsRow(const TableLook& look, Cells cells, bool bold) {
  return {look.size + 1.7, bold, [look, cells = std::move(cells), bold](auto& out, const Point& at) {
            for (size_t c = 0; c < cells.size(); ++c) {
              const bool tight = c == 1 && letters(cells[c]) > look.letters;
              const double share = static_cast<double>(look.letters) / static_cast<double>(letters(cells[c]));
              out.push_back(text(at + Point(look.at[c], 0), cells[c],
                                 look.size * (tight  ? share
                                              : bold ? kHeads
                                                     : 1),
                                 bold, c == 1 ? TextAlign::Left : TextAlign::Right));
            }
          }};
}

FlowRow headRow(std::string words, double high, bool keeps) {
  return {high, keeps, [words = std::move(words)](auto& out, const Point& at) {
            out.push_back(text(at, words, 3.3, true));
          }};
}

} // namespace

void bendTables(Filler& pages, const Plan& plan) {
  if (plan.pieces.empty()) return;
  pages.section(say("Bends, from the left end of each piece"));
  const auto angle = [](const std::optional<double>& a) { return a ? printAngle(*a) : std::string(); };
  std::vector<std::vector<Cells>> tables(plan.pieces.size());
  size_t longest = 0;
  for (size_t i = 0; i < plan.pieces.size(); ++i) {
    if (plan.pieces[i].mirrorOf >= 0) continue;
    for (const BendRow& each : bendTable(plan.skeleton, plan.pieces[i])) {
      const std::string what =
          pages.words(each.kind == BendRow::Kind::Fold ? say("fold, {}", Name(each.point))
                      : each.kind == BendRow::Kind::Twist
                          ? say("twist to {}, {} turns", Length(each.to, 1).figure(), Number(each.turns, 0))
                          : Said(Name(each.point)));
      longest = std::max(longest, letters(what));
      tables[i].push_back({pages.words(Length(each.at, 1).figure()), what, angle(each.tool),
                           angle(each.angle), angle(each.turn),
                           each.radius ? pages.words(Length(*each.radius, 1).figure()) : std::string()});
    }
  }
  const bool half = kSmallest * static_cast<double>(longest) <= static_cast<double>(kHalf.letters);
  const TableLook& look = half ? kHalf : kWide;
  std::vector<FlowRow> rows;
  for (size_t i = 0; i < plan.pieces.size(); ++i) {
    const Piece& piece = plan.pieces[i];
    if (piece.bends.empty() && piece.twists.empty()) continue;
    if (piece.mirrorOf >= 0) {
      rows.push_back(
          headRow(pages.words(say("{}  {}: as {}, turned the other way", AsIs(piece.tag), Name(piece.name),
                                  AsIs(plan.pieces[static_cast<size_t>(piece.mirrorOf)].tag))),
                  7, false));
      continue;
    }
    rows.push_back(headRow(
        pages.words(say("{}  {}, {}", AsIs(piece.tag), Name(piece.name), Length(piece.cut))), 5.5, true));
    rows.push_back(cellsRow(look,
                            {std::string(lengthUnit(pages.manner().units)), pages.words(say("what")),
                             pages.words(say("bend to")), pages.words(say("stays at")),
                             pages.words(say("turn wire")), pages.words(say("round"))},
                            true));
    for (size_t k = 0; k < tables[i].size(); ++k) {
      rows.push_back(cellsRow(look, std::move(tables[i][k]), false));
      rows.back().keeps = k + 1 < std::min(kTogether, tables[i].size());
    }
    rows.back().high += 4;
  }
  pages.flow(look.columns, rows);
}

std::vector<Said> wireToFetch(const Plan& plan, const Catalog& catalog) {
  std::vector<Said> out;
  std::vector<std::pair<std::string, double>> seen;
  for (const Piece& piece : plan.pieces) {
    if (std::find(seen.begin(), seen.end(), std::pair(piece.material, piece.diameter)) != seen.end())
      continue;
    seen.emplace_back(piece.material, piece.diameter);
    double total = 0;
    for (const Piece& other : plan.pieces)
      if (other.material == piece.material && other.diameter == piece.diameter) total += other.cut;
    const Material* material = catalog.material(piece.material);
    const std::string swg = printSwg(piece.diameter);
    const Name metal(material ? std::string_view(material->name) : piece.material);
    const AsIs awg(printAwg(piece.diameter));
    out.push_back(swg.empty() ? say("{} of {} {} ({})", Length(total), Length(piece.diameter, 2), metal, awg)
                              : say("{} of {} {} ({}, {})", Length(total), Length(piece.diameter, 2), metal,
                                    awg, AsIs(swg)));
  }
  return out;
}

void assembly(Filler& pages, const Project& project, const Plan& plan) {
  pages.section(say("Putting it together"));
  const auto tell = [&](const Said& said, bool tick) {
    const auto lines = wrap(pages.words(said), 100);
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
  tell(say("{}: {}.", Name(name(project.construction)), Name(built(project.construction))), false);
  pages.y() += 2;
  if (!plan.pieces.empty()) {
    tell(say("Cut every piece, mark it along its strip, twist where it says, and turn every tip back."),
         true);
    tell(say("Toes and fingers first, of the fine wire, while it is bare and easy to hold."), true);
    tell(say("Bend each piece by its table, lay it on the drawing, and correct it."), true);
  }
  for (const Join& join : plan.joins) tell(join.text, true);
  if (!plan.pieces.empty())
    tell(say("Lay the whole skeleton on the three views once more before any wool goes on."), true);
  pages.y() += 4;
  tell(say("Hot glue burns, and some glues need fresh air: follow the packet. Cut ends fly: hold both, eyes "
           "covered. What "
           "labels, local rules and trained people say comes first."),
       false);
}

} // namespace columna
