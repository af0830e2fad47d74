#include "head/head_check.h"

#include "head/head_field.h"
#include "head/variant.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace columna {
namespace {

constexpr double kProud = 1.5;   ///< of a feature's smallest radius: its fillet is 3/8 of it then
constexpr double kOffEnd = 0.08; ///< modules: a nose may stand out so far, or the fur behind
constexpr double kBuried = 2e-6; ///< modules^3: 0.3 mm3 on a head of 52 mm
constexpr double kFree = 0.06;   ///< modules between a flat part's base and the head
constexpr double kSeatOff = 0.2; ///< of the head's length
constexpr double kLength = 100;  ///< mm: of the head that is looked at
constexpr double kSunkLeast = 0.3, kSunkMost = 0.7;

class Look {
public:
  explicit Look(const HeadPattern& head) : h_(head), field_(head, kLength) {}

  std::vector<Problem> all() {
    features();
    ends();
    eyes();
    flats();
    if (h_.module.range.x() > h_.module.lifeMm || h_.module.lifeMm > h_.module.range.y())
      add("module", say("is {} in life, outside its own range", Length(h_.module.lifeMm, 0)),
          say("mend one of the two"));
    for (const auto& [name, foot] :
         {std::pair("feet.fore", &h_.feet.fore), std::pair("feet.mid", &h_.feet.mid),
          std::pair("feet.hind", &h_.feet.hind)})
      if (*foot) feet(name, **foot);
    return std::move(out_);
  }

private:
  void add(const std::string& where, const Said& what, const Said& remedy) {
    out_.push_back({what, where, remedy});
  }

  void features() {
    const HeadVolumes v = field_.volumes(kLength / 60);
    for (size_t i = 0; i < h_.features.size(); ++i) {
      const HeadFeature& f = h_.features[i];
      const std::string where = "features." + f.id;
      if (f.blend > kProud * f.thinnest() + 1e-9)
        add(where, say("runs out wider than it is thick: little of its shape will be seen"),
            say("blend it {} at most", Number(kProud * f.thinnest(), Quantity::kShort)));
      if (std::abs(v.features[i]) < kBuried * kLength * kLength * kLength)
        add(where, say("changes nothing where it lies"), say("move it towards the surface, or leave it out"));
    }
  }

  void ends() {
    const double back = field_.body().back() / kLength;
    if (std::abs(back) > kOffEnd)
      add("body", say("begins at {} and not at 0", Number(back, Quantity::kShort)),
          say("mend the first station or cap_back"));
    const double front = field_.body().front() / kLength;
    double foremost = front;
    for (const HeadFeature& f : h_.features)
      if (f.mode == FeatureMode::Add)
        foremost = std::max(foremost, std::max(f.at.x(), f.to.value_or(f.at).x()) +
                                          *std::min_element(f.radii.begin(), f.radii.end()));
    if (foremost < 1 - kOffEnd || front > 1 + kOffEnd)
      add("body", say("ends at {} and not at 1", Number(foremost, Quantity::kShort)),
          say("mend the last station or cap_front"));
  }

  void eyes() {
    for (const HeadEye& e : h_.eyes) {
      const std::string where = "eyes." + e.id;
      if (e.sunk < kSunkLeast)
        add(where, say("is hardly sunk in: it falls out"), say("sink half of it"));
      else if (e.sunk > kSunkMost)
        add(where, say("is sunk so deep that it hardly shows"), say("sink half of it"));
      if (e.twin && 2 * std::abs(e.at.y()) < e.diameter)
        add(where, say("meets its twin"), say("move it aside, or give a smaller one"));
    }
  }

  void flats() {
    for (const HeadFlat& f : h_.flats)
      for (const Vec3& end : f.base)
        if (field_.distance(kLength * end) > kFree * kLength) {
          add("flats." + f.id, say("does not reach the head with its base"), say("move the base on to it"));
          break;
        }
  }

  void feet(const std::string& where, const FootPattern& foot) {
    const auto count = [&](FootPadKind kind) {
      return std::count_if(foot.pads.begin(), foot.pads.end(),
                           [kind](const FootPad& pad) { return pad.kind == kind; });
    };
    const auto toes = std::max<long>(static_cast<long>(foot.toes.size()), count(FootPadKind::Toe));
    if (foot.type == FootType::Paw && toes > foot.digits)
      add(where, say("has {} toes and {} digits", static_cast<int>(toes), foot.digits),
          say("mend one of the two"));
  }

  const HeadPattern& h_;
  HeadField field_;
  std::vector<Problem> out_;
};

} // namespace

std::vector<Problem> checkHead(const HeadPattern& head) {
  std::vector<Problem> out = Look(head).all();
  std::set<std::string> known;
  for (const Problem& problem : out) known.insert(problem.sentence());
  for (const HeadVariant& variant : head.variants)
    for (Problem& problem : Look(inVariant(head, variant)).all()) {
      if (!known.insert(problem.sentence()).second) continue; // as usual already
      problem.where = say("variants.{} {}", AsIs(variant.id), problem.where.said);
      out.push_back(std::move(problem));
    }
  return out;
}

std::vector<Problem> checkSeat(const HeadPattern& head, const Pattern& pattern) {
  std::vector<Problem> out;
  const HeadSeat& seat = head.seat;
  if (!pattern.bone(seat.bone))
    out.push_back({say("names bone \"{}\", which {} does not have", AsIs(seat.bone), Name(pattern.name)),
                   "seat.bone", say("mend the name")});
  for (const std::string& joint : {seat.back, seat.tip})
    if (!pattern.joints.contains(joint))
      out.push_back({say("names joint \"{}\", which {} does not have", AsIs(joint), Name(pattern.name)),
                     "seat", say("mend the name")});
  if (!out.empty()) return out;
  const Vec3 tip = seat.origin + seat.length * seat.axis.normalized();
  const double off = (tip - pattern.joints.at(seat.tip)).norm() / seat.length;
  if (off > kSeatOff)
    out.push_back(
        {say("sits off: its tip lies {} of a head from the joint it runs to", Number(off, Quantity::kShort)),
         "seat", say("mend origin, axis or length")});
  return out;
}

} // namespace columna
