#include "sheet/flat_drawing.h"

#include <algorithm>

namespace columna {
namespace {

constexpr double kBetween = 12; ///< mm between the two of a pair
constexpr double kTick = 4;     ///< mm
constexpr double kScale = 50;   ///< mm: the bar to check a print by

class Drawer {
public:
  Drawer(const HeadFlat& flat, const FlatPattern& pattern) : flat_(flat), p_(pattern) {
    for (const char* name : {"finished", "cut", "lay", "lining", "marks", "notes"})
      out_.layers.push_back({name, {}, {}});
    for (const Vec2& at : p_.lay) {
      low_ = low_.cwiseMin(at);
      high_ = high_.cwiseMax(at);
    }
  }

  Drawing run() {
    const double wide = high_.x() - low_.x();
    half(1, -low_.x(), "L");
    if (flat_.twin) half(-1, wide + kBetween + high_.x(), "R");
    const double total = flat_.twin ? 2 * wide + kBetween : wide;
    const double under = low_.y() - 10;
    layer("notes").lines.push_back({{{0, under}, {kScale, under}}, false});
    for (const double x : {0.0, kScale})
      layer("notes").lines.push_back({{{x, under - 2}, {x, under + 2}}, false});
    layer("notes").texts.push_back({{0, under - 7}, 4, "50 mm"});
    out_.low = Vec2(0, under - 10);
    out_.high = Vec2(std::max(total, kScale), high_.y() + 2);
    return std::move(out_);
  }

private:
  Layer2d& layer(const std::string& name) {
    return *std::find_if(out_.layers.begin(), out_.layers.end(),
                         [&](const Layer2d& l) { return l.name == name; });
  }

  void half(double mirror, double aside, const char* which) {
    const auto at = [&](const Vec2& p) { return Vec2(mirror * p.x() + aside, p.y()); };
    const auto draw = [&](const char* name, const std::vector<Vec2>& outline) {
      if (outline.size() < 3) return;
      DrawnLine line{{}, true};
      for (const Vec2& p : outline) line.points.push_back(at(p));
      layer(name).lines.push_back(std::move(line));
    };
    draw("finished", p_.finished);
    draw("cut", p_.cut);
    draw("lay", p_.lay);
    draw("lining", p_.lining);
    for (const FlatPatternMark& mark : p_.marks) draw("marks", mark.outline);
    Vec2 low(1e9, 1e9);
    Vec2 high(-1e9, -1e9);
    for (const Vec2& p : p_.finished) {
      low = low.cwiseMin(p);
      high = high.cwiseMax(p);
    }
    double first = 1e9;
    double last = -1e9;
    for (const Vec2& p : p_.finished)
      if (p.y() < low.y() + 1e-6) {
        first = std::min(first, p.x());
        last = std::max(last, p.x());
      }
    Layer2d& notes = layer("notes");
    for (const double x : {first, last})
      notes.lines.push_back({{at({x, low.y()}), at({x, low.y() - kTick})}, false});
    // The wool lies along the way it grows.
    const double x = (low.x() + high.x()) / 2;
    const double from = low.y() + 0.3 * (high.y() - low.y());
    const double to = low.y() + 0.6 * (high.y() - low.y());
    notes.lines.push_back({{at({x, from}), at({x, to})}, false});
    notes.lines.push_back({{at({x - 1.5, to - 3}), at({x, to}), at({x + 1.5, to - 3})}, false});
    notes.texts.push_back({at({x, low.y() + 0.12 * (high.y() - low.y())}), 4, flat_.id + " " + which});
  }

  const HeadFlat& flat_;
  const FlatPattern& p_;
  Drawing out_;
  Vec2 low_ = Vec2(1e9, 1e9), high_ = Vec2(-1e9, -1e9);
};

} // namespace

Drawing flatDrawing(const HeadFlat& flat, const FlatPattern& pattern) { return Drawer(flat, pattern).run(); }

} // namespace columna
