#include "face/foot_layout.h"

#include "measure/field.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr int kRound = 24; ///< corners of a round outline

/// Writes across the foot in shares of 0.6 of its length, which is how wide a usual foot is.
class Layout {
public:
  explicit Layout(FootPattern& foot) : f_(foot) {
    wide_ = foot.width > 0 && foot.length > 0 ? foot.width / foot.length / 0.6 : 1;
  }

  void run() {
    switch (f_.type) {
    case FootType::Paw:
      paw();
      break;
    case FootType::Hoof:
      hoof();
      break;
    case FootType::Cloven:
      cloven();
      break;
    case FootType::Webbed:
      webbed();
      break;
    case FootType::Talon:
      talon();
      break;
    case FootType::Hand:
      hand();
      break;
    case FootType::Sole:
    case FootType::Column:
    case FootType::ToyPad:
    case FootType::Peg:
      disc();
      break;
    case FootType::Flipper:
    case FootType::Fluke:
      blade();
      break;
    }
  }

private:
  [[nodiscard]] Vec2 at(double u, double v) const { return {u, wide_ * v}; }

  void pad(const std::string& id, FootPadKind kind, FootPadShape shape, const Vec2& middle, const Vec2& radii,
           double turn = 0) {
    FootPad out;
    out.id = id;
    out.kind = kind;
    out.shape = shape;
    out.at = at(middle.x(), middle.y());
    out.radii = {radii.x(), wide_ * radii.y()};
    out.turn = turn;
    f_.pads.push_back(std::move(out));
  }

  void oval(const Vec2& middle, const Vec2& radii) {
    for (int i = 0; i < kRound; ++i) {
      const double a = 2 * std::numbers::pi * i / kRound;
      f_.outline.push_back(at(middle.x() + radii.x() * std::cos(a), middle.y() + radii.y() * std::sin(a)));
    }
  }

  void claw(int digit, const Vec2& tip, double angle, double length, double width) {
    const Vec2 way(std::cos(angle), std::sin(angle));
    f_.claws.push_back({digit, at(tip.x(), tip.y()),
                        at(tip.x() + length * way.x(), tip.y() + length * way.y()), wide_ * width});
  }

  void toe(int digit, const Vec2& from, const Vec2& to, const Vec2& width) {
    f_.toes.push_back({digit, at(from.x(), from.y()), at(to.x(), to.y()), wide_ * width});
  }

  void toePad(int digit, const Vec2& middle, const Vec2& radii, double turn) {
    pad("toe-" + std::to_string(digit), FootPadKind::Toe, FootPadShape::Ellipse, middle, radii, turn);
    const Vec2 tip = middle + radii.x() * Vec2(std::cos(turn), std::sin(turn));
    claw(digit, tip, turn, 0.13, 0.05);
  }

  void paw() {
    const int n = f_.digits > 0 ? f_.digits : 4;
    oval({0.48, 0}, {0.5, 0.3});
    if (n == 4) {
      pad("ball", FootPadKind::Ball, FootPadShape::Heart, {0.34, 0}, {0.15, 0.185});
      toePad(1, {0.58, -0.225}, {0.125, 0.073}, -0.14);
      toePad(2, {0.79, -0.09}, {0.125, 0.073}, 0);
      toePad(3, {0.79, 0.09}, {0.125, 0.073}, 0);
      toePad(4, {0.58, 0.225}, {0.125, 0.073}, 0.14);
      return;
    }
    pad("ball", FootPadKind::Ball, n == 5 ? FootPadShape::Crescent : FootPadShape::Heart, {0.34, 0},
        {0.14, 0.2});
    if (n == 5) pad("heel", FootPadKind::Heel, FootPadShape::Ellipse, {0.1, 0}, {0.09, 0.12});
    // On an arc about the ball.
    const double spread = n == 5 ? 124.0 / 4 : 110.0 / n;
    const double around = n == 5 ? 0.42 : 0.43;
    for (int i = 1; i <= n; ++i) {
      const double angle = (i - (n + 1) / 2.0) * spread * kDegree;
      toePad(i, {0.36 + around * std::cos(angle), 0.7 * around * std::sin(angle)},
             {std::min(0.125, 0.5 / n), std::min(0.073, 0.25 / n)}, 0.5 * angle);
    }
  }

  void hoof() {
    // Round in front, cut off behind.
    for (int i = 0; i <= kRound; ++i) {
      const double a = -0.78 * std::numbers::pi + 1.56 * std::numbers::pi * i / kRound;
      f_.outline.push_back(at(0.5 + 0.5 * std::cos(a), 0.44 * std::sin(a)));
    }
    FootPad frog;
    frog.id = "frog";
    frog.kind = FootPadKind::Frog;
    frog.shape = FootPadShape::Outline;
    frog.radii = Vec2(0.25, 0.1);
    frog.outline = {at(0.1, -0.13), at(0.62, 0), at(0.1, 0.13), at(0.22, 0)};
    f_.pads.push_back(std::move(frog));
    if (f_.wall <= 0) f_.wall = 50 * kDegree; // a fore hoof's toe to the ground; hind ones stand at 53
  }

  void cloven() {
    // Two halves, a gap between, the tips turned in by 6 degrees.
    for (const double side : {-1.0, 1.0}) {
      FootPad half;
      half.id = side < 0 ? "half-1" : "half-2";
      half.kind = FootPadKind::Sole;
      half.shape = FootPadShape::Outline;
      half.radii = Vec2(0.5, 0.12);
      const double turn = -side * 6 * kDegree;
      for (int i = 0; i < kRound; ++i) {
        const double a = 2 * std::numbers::pi * i / kRound;
        const double u = 0.49 * std::cos(a);
        const double v = 0.11 * std::sin(a) * (1 - 0.35 * std::cos(a));
        half.outline.push_back(at(0.5 + u * std::cos(turn) - v * std::sin(turn),
                                  side * 0.2 + u * std::sin(turn) + v * std::cos(turn)));
      }
      f_.pads.push_back(std::move(half));
      pad(side < 0 ? "dew-claw-1" : "dew-claw-2", FootPadKind::DewClaw, FootPadShape::Drop,
          {-0.05, side * 0.2}, {0.06, 0.045});
    }
  }

  void webbed() {
    constexpr double kToe = 24 * kDegree;
    const Vec2 root(0.12, 0);
    std::vector<Vec2> tips;
    for (int i = -1; i <= 1; ++i) {
      const Vec2 way(std::cos(i * kToe), std::sin(i * kToe));
      const Vec2 tip = root + 0.86 * way;
      tips.push_back(tip);
      toe(i + 2, root, tip, {0.1, 0.06});
      pad("toe-" + std::to_string(i + 2), FootPadKind::Toe, FootPadShape::Ellipse, root + 0.8 * way,
          {0.06, 0.035}, i * kToe);
      claw(i + 2, tip, i * kToe, 0.05, 0.03);
    }
    for (int i = 0; i < 2; ++i) {
      // To 0.92 of the toes, its edge hollowed.
      const Vec2 a = root + 0.92 * (tips[static_cast<size_t>(i)] - root);
      const Vec2 b = root + 0.92 * (tips[static_cast<size_t>(i) + 1] - root);
      const Vec2 middle = (a + b) / 2;
      const Vec2 hollow = middle - 0.08 * (middle - root).normalized();
      f_.webs.push_back(
          {at(root.x(), root.y()), at(a.x(), a.y()), at(hollow.x(), hollow.y()), at(b.x(), b.y())});
    }
    pad("ball", FootPadKind::Ball, FootPadShape::Ellipse, {0.14, 0}, {0.1, 0.08});
  }

  void talon() {
    // Three in front and one behind; of a perching hunter the outer one is turned back.
    const int n = f_.digits > 0 ? f_.digits : 4;
    const bool pairs = n == 4 && f_.width > 0 && f_.length > 0 && f_.width / f_.length > 0.8;
    const std::vector<double> angles = pairs    ? std::vector<double>{-28, 28, 152, -152}
                                       : n <= 3 ? std::vector<double>{-35, 0, 35}
                                                : std::vector<double>{-38, 0, 38, 180};
    const Vec2 root(n <= 3 ? 0.12 : 0.38, 0);
    for (size_t i = 0; i < angles.size(); ++i) {
      const double angle = angles[i] * kDegree;
      const Vec2 way(std::cos(angle), std::sin(angle));
      const double length = std::abs(angles[i]) > 90 ? 0.3 : n <= 3 ? 0.7 : 0.44;
      const int digit = static_cast<int>(i) + 1;
      toe(digit, root, root + length * way, {0.18 / 1.5, 0.12 / 1.5});
      for (const double share : {0.55, 0.95})
        pad("toe-" + std::to_string(digit) + (share < 0.9 ? "-joint" : "-tip"), FootPadKind::Toe,
            FootPadShape::Ellipse, root + share * length * way, {0.05, 0.04}, angle);
      claw(digit, root + length * way, angle, 0.17, 0.05);
    }
    pad("ball", FootPadKind::Ball, FootPadShape::Ellipse, root, {0.07, 0.07});
  }

  void hand() {
    const int n = f_.digits > 0 ? f_.digits : 5;
    oval({0.25, 0}, {0.22, 0.2});
    pad("palm", FootPadKind::Ball, FootPadShape::Ellipse, {0.25, 0}, {0.2, 0.18});
    const int fingers = std::max(n - 1, 1);
    for (int i = 0; i < fingers; ++i) {
      const double share = fingers > 1 ? 2.0 * i / (fingers - 1) - 1 : 0;
      const double angle = 14 * kDegree * share;
      const Vec2 root(0.42, 0.15 * share);
      toe(i + 2, root, root + 0.46 * Vec2(std::cos(angle), std::sin(angle)), {0.09, 0.06});
    }
    if (n < 2) return;
    const Vec2 thumb(0.2, -0.18); // inwards
    toe(1, thumb, thumb + 0.3 * Vec2(std::cos(-55 * kDegree), std::sin(-55 * kDegree)), {0.1, 0.07});
  }

  void disc() {
    oval({0.5, 0}, {0.5, 0.3});
    if (f_.type == FootType::Peg) return;
    pad("sole", FootPadKind::Sole, FootPadShape::Ellipse, {0.5, 0}, {0.42, 0.24});
  }

  void blade() {
    if (f_.type == FootType::Flipper) {
      f_.outline = {at(0, -0.12),  at(0.4, -0.24), at(0.8, -0.2), at(1, 0),
                    at(0.8, 0.12), at(0.4, 0.16),  at(0, 0.12)};
      return;
    }
    f_.outline = {at(0, -0.06), at(0.5, -0.3), at(1, -0.6),  at(0.8, -0.2), at(0.72, 0),
                  at(0.8, 0.2), at(1, 0.6),    at(0.5, 0.3), at(0, 0.06)};
  }

  FootPattern& f_;
  double wide_ = 1;
};

} // namespace

FootPattern laidOut(FootPattern foot) {
  if (!foot.outline.empty() || !foot.toes.empty() || !foot.webs.empty() || !foot.pads.empty() ||
      !foot.claws.empty())
    return foot;
  Layout(foot).run();
  return foot;
}

} // namespace columna
