// Any project that can be is written and read back as the very same, drawn at random over every field.
#include "file/project_json.h"
#include "file/readable.h"
#include "support.h"

#include <nlohmann/json.hpp>

#include <random>

using namespace columna;
using namespace columna::test;

namespace {

class Draw {
public:
  explicit Draw(unsigned seed) : chance_(seed) {}

  Project project() {
    Project p;
    p.name = word();
    p.pattern = oneOf(shelf().patterns).id;
    p.size = size();
    p.construction = oneOf(kConstructions);
    p.material = oneOf(shelf().materials).id;
    p.use = static_cast<Use>(below(3));
    p.units = static_cast<UnitSystem>(below(2));
    p.finish = static_cast<Finish>(below(4));
    if (yes()) p.coat = between(0, 20);
    shape(p.shape);
    for (int k = below(3); k > 0; --k)
      p.made.push_back({"part" + std::to_string(k), between(5, 200),
                        yes() ? std::optional(between(2, 80)) : std::nullopt,
                        "2026-11-0" + std::to_string(k)});
    photos(p);
    for (int k = below(4); k > 0; --k) p.limbs["left-part" + std::to_string(k)] = choice();
    std::erase_if(p.limbs, [](const auto& each) { return each.second.empty(); });
    p.mostWires = 1 + below(9);
    p.drawerOnly = yes();
    p.handling = between(10, 5000);
    for (int k = below(4); k > 0; --k) p.drawer.push_back(wire(k));
    allowances(p.allow);
    for (int k = below(3); k > 0; --k) allowances(p.pieceAllow["piece " + std::to_string(k)]);
    for (int k = below(3); k > 0; --k) p.routes["group " + std::to_string(k)] = {{"a", "b", "c"}, {"c", "d"}};
    wool(p.wool);
    stances(p.stances);
    for (int k = below(3); k > 0; --k) p.untied.insert("pair" + std::to_string(k));
    return p;
  }

private:
  int below(int n) { return std::uniform_int_distribution<int>(0, n - 1)(chance_); }
  bool yes() { return below(2) == 0; }
  double between(double low, double high) {
    return std::uniform_real_distribution<double>(low, high)(chance_);
  }
  template <class List>
  const typename List::value_type& oneOf(const List& list) {
    return list[static_cast<size_t>(below(static_cast<int>(list.size())))];
  }
  std::string word() {
    static const std::array<std::string, 6> words{"otter on watch", "Füchsin", "heron \"late\"",
                                                  "птица",          "a\\b/c",  "🦊 two"};
    return oneOf(words);
  }
  Sizing size() {
    const auto by = static_cast<SizeBy>(below(6));
    if (by == SizeBy::Scale) return {by, between(2, 30), {}};
    if (by == SizeBy::Limb) return {by, between(20, 100), "foreleg"};
    return {by, between(60, 400), {}};
  }
  void shape(Shape& s) {
    if (yes())
      s.character = {between(0.6, 2.5), between(0.4, 1.8),  between(0.4, 1.8),
                     between(0.6, 3),   between(-0.1, 0.3), between(0.6, 1.8)};
    for (int k = below(3); k > 0; --k) s.lengths["bone" + std::to_string(k)] = between(0.2, 4);
    for (int k = below(3); k > 0; --k)
      s.moved["joint" + std::to_string(k)] = Vec3(between(-1, 1), between(-1, 1), between(-1, 1));
    for (int k = below(3); k > 0; --k)
      s.girths[girthKey("bone" + std::to_string(k), below(3))] = {between(0.2, 5), between(0.2, 5),
                                                                  between(-0.5, 0.5)};
  }
  void photos(Project& p) {
    const int count = below(4);
    for (int k = 0; k < count; ++k) {
      Photo photo{"photos/" + std::to_string(k) + ".jpg",
                  static_cast<View>(k),
                  100 + below(900),
                  100 + below(900),
                  {},
                  0,
                  0};
      for (int j = below(4); j > 0; --j)
        photo.landmarks["right-j" + std::to_string(j)] =
            Vec2(between(0, photo.width), between(0, photo.height));
      if (yes()) photo.straighten = between(-0.7, 0.7);
      if (yes()) photo.mmPerPixel = between(0.01, 2);
      p.photos.push_back(std::move(photo));
    }
  }
  LimbChoice choice() {
    LimbChoice c;
    if (yes()) c.material = oneOf(shelf().materials).id;
    if (yes()) c.diameter = between(0.1, 9);
    if (yes()) c.firmness = static_cast<Firmness>(below(3));
    if (yes()) c.density = between(0.05, 0.3) / 1000;
    c.coatWay = static_cast<CoatWay>(below(3));
    if (yes()) c.wires = std::array{0, 1, 2, 4}[static_cast<size_t>(below(4))];
    if (yes()) c.held = static_cast<RootHold>(below(5));
    if (yes()) c.digits = PieceRules::Digits{1 + below(12), between(1, 40), yes()};
    return c;
  }
  OwnWire wire(int k) {
    OwnWire w{"wire " + std::to_string(k),
              oneOf(shelf().materials).id,
              between(0.1, 9),
              yes() ? between(0, 1) : 0,
              yes() ? between(50, 2000) : 0,
              1,
              {}};
    if (w.length > 0) w.count = below(20);
    if (yes()) {
      const double y = between(40, 400);
      w.yield = Estimate{y, 0.9 * y, 1.1 * y};
    }
    return w;
  }
  void allowances(Allowances& a) {
    for (const AllowanceField& f : allowanceFields)
      if (yes()) a.*f.member = between(f.bounds.least, f.bounds.most);
  }
  WoolStock stock() {
    WoolStock s;
    s.form = static_cast<WoolForm>(below(3));
    if (yes()) s.linear = between(0.001, 0.05);
    if (yes()) s.staple = between(20, 200);
    if (yes()) s.tone = static_cast<Tone>(below(3));
    return s;
  }
  void wool(WoolWish& w) {
    if (yes())
      w.ball = TestBall{between(20, 60), between(0.5, 20), static_cast<Firmness>(below(3)), {20, 21, 22}};
    w.core = stock();
    if (!w.core.tone) w.core.tone = Tone::Pale; // core wool has one, undyed as a rule
    w.coat = stock();
    w.grip = static_cast<WireGrip>(below(4));
    w.finish = static_cast<CoatFinish>(below(5));
    if (inRows(w.finish)) w.furShown = between(2, 60);
    for (int k = below(3); k > 0; --k)
      w.ready.push_back({"left-part" + std::to_string(k), ReadyKind::Ball, between(8, 90), between(8, 90),
                         between(8, 90), between(0.5, 30), between(0, 1)});
    for (int k = below(3); k > 0; --k)
      w.markings.push_back({word(),
                            static_cast<Tone>(below(3)),
                            static_cast<View>(below(3)),
                            {{between(-3, 3), 0}, {between(-3, 3), 1}, {1, between(-3, 3)}},
                            yes(),
                            yes() ? "tail" : ""});
    for (int k = below(3); k > 0; --k)
      w.records.push_back(
          yes() ? WrapRecord{"tail", WrapRecord::What::Girth, between(0, 90), between(5, 300), "felted",
                             "2026-11-26"}
                : WrapRecord{"head", WrapRecord::What::Left, 0, between(0, 30), {}, "2026-11-26"});
  }
  Turn turn() { return {between(-1.5, 1.5), between(-1.5, 1.5), between(-1.5, 1.5)}; }
  PatternPose pose(const std::string& name) {
    PatternPose p;
    p.name = name;
    for (int k = below(4); k > 0; --k) p.turns["bone" + std::to_string(k)] = turn();
    if (yes()) p.whole = turn();
    return p;
  }
  void stances(Stances& s) {
    if (yes()) s.now = pose(yes() ? "mine" : "");
    for (int k = below(3); k > 0; --k) s.saved.push_back(pose("pose " + std::to_string(k)));
    s.support.feet = static_cast<Feet>(below(6));
    if (yes()) s.support.at = "left-elbow";
    if (yes()) s.support.baseLength = between(1, 300);
    if (yes()) s.support.baseWidth = between(1, 300);
    if (yes()) s.support.baseMass = between(1, 3000);
    s.hands = static_cast<Hands>(below(3));
    if (yes()) s.legError = between(0, 10);
    if (yes()) s.goThrough.emplace().insert("pose 1");
    if (yes()) s.times = below(1000);
    for (int k = below(3); k > 0; --k)
      s.made.push_back({"", "pose 1", "2026-11-26", std::map<std::string, double>{{"bone1", between(0, 2)}}});
    if (yes()) s.stands = pose("left so");
    if (yes()) s.glued.insert("left-elbow");
  }
  std::mt19937 chance_;
};

/// Equal but for what degrees and grams lose in being written: the twelfth digit.
void expectAlike(const nlohmann::json& a, const nlohmann::json& b, const std::string& at) {
  if (a.is_number() && b.is_number()) {
    EXPECT_NEAR(a.get<double>(), b.get<double>(), 1e-11 * (1 + std::abs(a.get<double>()))) << at;
    return;
  }
  ASSERT_EQ(a.type(), b.type()) << at;
  ASSERT_EQ(a.size(), b.size()) << at;
  if (a.is_object())
    for (const auto& [key, value] : a.items()) {
      ASSERT_TRUE(b.contains(key)) << at << "." << key;
      expectAlike(value, b[key], at + "." + key);
    }
  else if (a.is_array())
    for (size_t k = 0; k < a.size(); ++k) expectAlike(a[k], b[k], at + "[" + std::to_string(k) + "]");
  else
    EXPECT_EQ(a, b) << at;
}

} // namespace

TEST(RoundTrip, AnyProjectComesBackAsItWas) {
  for (unsigned seed = 0; seed < 400; ++seed) {
    const Project p = Draw(seed).project();
    const nlohmann::json written = toJson(p);
    bool newer = true;
    const auto back = projectFromJson(written, "drawn", newer);
    ASSERT_TRUE(back) << seed << ": " << back.problem().sentence();
    EXPECT_FALSE(newer);
    expectAlike(toJson(*back), written, "seed " + std::to_string(seed));
    // Written once more it is the same to the letter: nothing drifts from save to save.
    bool again = false;
    const auto twice = projectFromJson(toJson(*back), "drawn", again);
    ASSERT_TRUE(twice);
    expectAlike(toJson(*twice), toJson(*back), "again " + std::to_string(seed));
    EXPECT_FALSE(unreadable(p)) << seed;
    EXPECT_EQ(back->limbs.size(), p.limbs.size()) << seed;
    EXPECT_EQ(back->wool.markings.size(), p.wool.markings.size()) << seed;
    EXPECT_EQ(back->stances.saved.size(), p.stances.saved.size()) << seed;
    EXPECT_EQ(back->name, p.name) << seed;
    EXPECT_EQ(back->untied, p.untied) << seed;
  }
}

TEST(RoundTrip, TwoProjectsThatAreWrittenAlikeAreAlike) {
  for (unsigned seed = 0; seed < 60; ++seed) {
    const Project a = Draw(seed).project();
    const Project b = Draw(seed + 1).project();
    EXPECT_EQ(Draw(seed).project(), a) << "drawn alike";
    EXPECT_EQ(toJson(a) == toJson(b), a == b) << seed;
  }
}

TEST(RoundTrip, AGroupTakenOutIsAsIfItHadNeverBeenSettled) {
  const nlohmann::json usual = toJson(Project());
  for (unsigned seed = 0; seed < 60; ++seed) {
    nlohmann::json written = toJson(Draw(seed).project());
    for (const char* group : {"stances", "wool", "drawer", "limbs", "shape", "photos", "made"}) {
      nlohmann::json less = written;
      less.erase(group);
      bool newer = false;
      const auto back = projectFromJson(less, "drawn", newer);
      ASSERT_TRUE(back) << group << ": " << back.problem().sentence();
      const nlohmann::json again = toJson(*back);
      if (usual.contains(group))
        EXPECT_EQ(again[group], usual[group]) << group;
      else
        EXPECT_FALSE(again.contains(group)) << group;
    }
  }
}
