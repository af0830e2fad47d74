#include "sheet/sole_drawing.h"

#include <algorithm>

namespace columna {
namespace {

constexpr double kBetweenSoles = 8; ///< mm between two soles
constexpr double kSoleScale = 50;   ///< mm: the bar to check a print by

class SoleDrawer {
public:
  SoleDrawer() {
    for (const char* name : {"foot", "toes", "pads", "claws", "notes"}) out_.layers.push_back({name, {}, {}});
  }

  Drawing run(const std::vector<Sole>& soles) {
    for (const Sole& sole : soles)
      for (const bool left : {true, false}) foot(sole, left);
    layer("notes").lines.push_back({{{0, -16}, {kSoleScale, -16}}, false});
    for (const double x : {0.0, kSoleScale}) layer("notes").lines.push_back({{{x, -18}, {x, -14}}, false});
    layer("notes").texts.push_back({{0, -24}, 4, "50 mm"});
    out_.low = Vec2(0, -27);
    out_.high = Vec2(std::max(at_, kSoleScale), top_ + 4);
    return std::move(out_);
  }

private:
  Layer2d& layer(const std::string& name) {
    return *std::find_if(out_.layers.begin(), out_.layers.end(),
                         [&](const Layer2d& l) { return l.name == name; });
  }

  void foot(const Sole& sole, bool left) {
    // From below a left foot has its outer side at the left.
    double low = 0;
    double high = 0;
    const auto reach = [&](const std::vector<Vec2>& outline) {
      for (const Vec2& p : outline) {
        const double x = left ? -p.y() : p.y();
        low = std::min(low, x);
        high = std::max(high, x);
      }
    };
    reach(sole.outline);
    for (const auto& toe : sole.toes) reach(toe);
    for (const auto& web : sole.webs) reach(web);
    for (const SolePad& pad : sole.pads) reach(pad.outline);
    for (const SoleClaw& claw : sole.claws) reach(claw.outline);
    const double aside = at_ - low;
    const auto draw = [&](const char* name, const std::vector<Vec2>& outline) {
      if (outline.size() < 3) return;
      DrawnLine line{{}, true};
      for (const Vec2& p : outline) {
        line.points.emplace_back((left ? -p.y() : p.y()) + aside, p.x());
        top_ = std::max(top_, p.x());
      }
      layer(name).lines.push_back(std::move(line));
    };
    draw("foot", sole.outline);
    for (const auto& toe : sole.toes) draw("toes", toe);
    for (const auto& web : sole.webs) draw("toes", web);
    for (const SolePad& pad : sole.pads) draw("pads", pad.outline);
    for (const SoleClaw& claw : sole.claws) draw("claws", claw.outline);
    layer("notes").texts.push_back({{aside + low, -7}, 3, sole.which + (left ? " L" : " R")});
    at_ += std::max(high - low, 14.0) + kBetweenSoles;
  }

  Drawing out_;
  double at_ = 0, top_ = 0;
};

} // namespace

Drawing soleDrawing(const std::vector<Sole>& soles) { return SoleDrawer().run(soles); }

} // namespace columna
