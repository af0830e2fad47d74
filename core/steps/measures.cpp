#include "steps/measures.h"

#include "face/face_report.h"

#include <algorithm>
#include <cmath>
#include <iterator>
#include <set>

namespace columna {
namespace {

constexpr double kMetre = 1000; ///< mm: what of a wool is weighed

// What a measure is of, behind kMeasured.
constexpr std::string_view kMadeLong = "study/made-long", kMadeAcross = "study/made-across";
constexpr std::string_view kBallAcross = "wrap/ball-across", kBallWeight = "wrap/ball-weight";
constexpr std::string_view kCoreMetre = "wrap/core-metre", kCoatMetre = "wrap/coat-metre";
constexpr std::string_view kCoreStaple = "wrap/core-staple", kCoatStaple = "wrap/coat-staple";
constexpr std::string_view kFelted = kMeasuredFelted.substr(kMeasured.size());
constexpr std::string_view kFinished = kMeasuredFinished.substr(kMeasured.size());
constexpr std::string_view kLeft = kMeasuredLeft.substr(kMeasured.size());
constexpr std::string_view kWireSize = "wire/size", kWireYield = "wire/yield";
constexpr std::string_view kPinTape = "face/pin-tape", kPinAside = "face/pin-aside";

std::string_view subject(const Entry& e) {
  return isMeasure(e) ? std::string_view(e.step).substr(kMeasured.size()) : std::string_view();
}

class Listing {
public:
  Entry& add(std::string_view of, EntryKind kind, double value) {
    Entry e;
    e.step = std::string(kMeasured) + std::string(of);
    e.kind = kind;
    e.value = value;
    out.push_back(std::move(e));
    return out.back();
  }
  void made(const MadePart& part) {
    const auto one = [&](std::string_view of, const std::optional<double>& mm) {
      if (!mm) return;
      Entry& e = add(of, EntryKind::LengthRead, *mm);
      e.limb = part.limb;
      e.at = part.date;
    };
    one(kMadeLong, part.length);
    one(kMadeAcross, part.across);
  }
  void wool(const WoolStock& stock, std::string_view metre, std::string_view staple) {
    if (stock.linear) add(metre, EntryKind::WeightRead, *stock.linear * kMetre);
    if (stock.staple) add(staple, EntryKind::LengthRead, *stock.staple);
  }
  void read(const WrapRecord& r) {
    const bool left = r.what == WrapRecord::What::Left;
    Entry& e = add(left                     ? kLeft
                   : r.moment == "finished" ? kFinished
                                            : kFelted,
                   left ? EntryKind::WeightRead : EntryKind::GirthRead, r.value);
    e.limb = r.limb;
    e.at = r.date;
    if (!left) e.along = r.along;
  }
  void wire(const OwnWire& wire) {
    add(kWireSize, EntryKind::LengthRead, wire.diameter).text = wire.name;
    // No kind of reading has its unit: N/mm2 in the middle of what the test allows.
    if (wire.yield) add(kWireYield, EntryKind::Note, wire.yield->value).text = wire.name;
  }
  void pin(const MeasuredPin& pin) {
    const auto one = [&](std::string_view of, double mm) {
      Entry& e = add(of, EntryKind::LengthRead, mm);
      e.text = pin.pin;
      e.limb = pin.right ? "right" : "left"; // the side of the head
    };
    one(kPinTape, pin.tape);
    if (pin.aside != 0) one(kPinAside, pin.aside);
  }
  std::vector<Entry> out;
};

/// Whether two are the same reading of the same thing; the day is not asked for.
bool same(const Entry& a, const Entry& b) {
  const auto near = [](const std::optional<double>& x, const std::optional<double>& y) {
    return x.has_value() == y.has_value() && (!x || std::abs(*x - *y) <= 1e-6 * (1 + std::abs(*y)));
  };
  return a.step == b.step && a.kind == b.kind && a.limb == b.limb && a.text == b.text &&
         near(a.along, b.along) && near(a.value, b.value);
}

auto countOf(const std::vector<Entry>& list, const Entry& each) {
  return std::count_if(list.begin(), list.end(), [&](const Entry& e) { return same(e, each); });
}

Entry withdrawal(const std::string& of) {
  Entry e;
  e.kind = EntryKind::Withdraw;
  e.of = of;
  return e;
}

Problem again(Said what) { return {std::move(what), {}, say("measure it again in its stage, or undo")}; }

/// Where a project keeps a measure of one of its wools; null for anything else.
std::optional<double>* ofWool(Project& project, std::string_view of) {
  if (of == kCoreMetre) return &project.wool.core.linear;
  if (of == kCoatMetre) return &project.wool.coat.linear;
  if (of == kCoreStaple) return &project.wool.core.staple;
  if (of == kCoatStaple) return &project.wool.coat.staple;
  return nullptr;
}

std::optional<double> MadePart::*ofMade(std::string_view of) {
  if (of == kMadeLong) return &MadePart::length;
  if (of == kMadeAcross) return &MadePart::across;
  return nullptr;
}

/// A part or a pair by its id, in words.
Said partOf(const std::string& limb, const Figure* figure) {
  if (figure)
    for (const FigureLimb& l : figure->limbs) {
      if (l.id == limb) return Said(lowerName(l.name));
      if (l.family == limb) return Said(lowerName(l.twin >= 0 ? l.plural : l.part));
    }
  std::string words = limb;
  std::replace(words.begin(), words.end(), '-', ' ');
  return Said(AsIs(words));
}

} // namespace

bool isMeasure(const Entry& entry) { return entry.step.starts_with(kMeasured); }

std::vector<Entry> measuresOf(const Project& project) {
  Listing list;
  for (const MadePart& part : project.made) list.made(part);
  for (const OwnWire& wire : project.drawer) list.wire(wire);
  if (const auto& ball = project.wool.ball) {
    list.add(kBallAcross, EntryKind::LengthRead, ball->diameter);
    list.add(kBallWeight, EntryKind::WeightRead, ball->grams);
  }
  list.wool(project.wool.core, kCoreMetre, kCoreStaple);
  list.wool(project.wool.coat, kCoatMetre, kCoatStaple);
  for (const WrapRecord& r : project.wool.records) list.read(r);
  for (const MeasuredPin& pin : project.face.measured) list.pin(pin);
  return std::move(list.out);
}

std::vector<Entry> measuresTold(const std::vector<Entry>& before, const std::vector<Entry>& after,
                                const std::vector<Entry>& record) {
  const std::set<std::string> gone = withdrawn(record);
  std::vector<Entry> out;
  std::vector<Entry> looked;
  const auto settle = [&](const Entry& each) {
    if (countOf(looked, each) > 0) return;
    looked.push_back(each);
    auto wanted = countOf(after, each);
    if (wanted == countOf(before, each)) return;
    std::vector<const Entry*> struck;
    std::vector<const Entry*> standing;
    for (const Entry& e : record)
      if (same(e, each)) (gone.contains(e.id) ? struck : standing).push_back(&e);
    for (; static_cast<long>(standing.size()) > wanted; standing.pop_back())
      out.push_back(withdrawal(standing.back()->id));
    wanted -= static_cast<long>(standing.size());
    for (; wanted > 0 && !struck.empty(); --wanted, struck.pop_back())
      for (const Entry& e : record)
        if (e.kind == EntryKind::Withdraw && e.of == struck.back()->id && !gone.contains(e.id))
          out.push_back(withdrawal(e.id));
    for (; wanted > 0; --wanted) out.push_back(each);
  };
  for (const Entry& each : before) settle(each);
  for (const Entry& each : after) settle(each);
  return out;
}

std::vector<Entry> measuresUntold(const Project& project, const std::vector<Entry>& record) {
  std::vector<Entry> out;
  for (Entry& each : measuresOf(project))
    if (countOf(record, each) == 0) out.push_back(std::move(each));
  return out;
}

Result<Project> withoutMeasure(Project project, const Entry& measure) {
  const std::string_view of = subject(measure);
  if (of.starts_with("wire/"))
    return Problem{
        say("a wire in the drawer has its size"), {}, say("take the wire out of the drawer in Wire")};
  if (std::optional<double>* value = ofWool(project, of)) {
    value->reset();
  } else if (const auto member = ofMade(of)) {
    for (MadePart& part : project.made)
      if (part.limb == measure.limb) (part.*member).reset();
    std::erase_if(project.made, [](const MadePart& part) { return !part.length && !part.across; });
  } else if (of == kBallAcross || of == kBallWeight) {
    project.wool.ball.reset();
  } else if (of == kPinTape || of == kPinAside) {
    std::erase_if(project.face.measured, [&](const MeasuredPin& pin) {
      return pin.pin == measure.text && pin.right == (measure.limb == "right");
    });
  } else {
    auto& list = project.wool.records;
    const auto found = std::find_if(list.rbegin(), list.rend(), [&](const WrapRecord& r) {
      Listing one;
      one.read(r);
      return same(one.out.front(), measure);
    });
    if (found != list.rend()) list.erase(std::next(found).base());
  }
  return project;
}

Result<Project> withMeasure(Project project, const Entry& measure) {
  const std::string_view of = subject(measure);
  const double value = measure.value.value_or(0);
  const std::string day = measure.at.substr(0, 10);
  if (std::optional<double>* into = ofWool(project, of)) {
    *into = measure.kind == EntryKind::WeightRead ? value / kMetre : value;
  } else if (const auto member = ofMade(of)) {
    auto& list = project.made;
    auto part =
        std::find_if(list.begin(), list.end(), [&](const MadePart& p) { return p.limb == measure.limb; });
    if (part == list.end()) part = list.insert(part, MadePart{measure.limb, {}, {}, day});
    (*part).*member = value;
  } else if (of == kLeft) {
    project.wool.records.push_back({measure.limb, WrapRecord::What::Left, 0, value, {}, day});
  } else if (of == kFelted || of == kFinished) {
    project.wool.records.push_back({measure.limb, WrapRecord::What::Girth, measure.along.value_or(0), value,
                                    of == kFelted ? "felted" : "finished", day});
  } else if (of.starts_with("wire/")) {
    return again(say("a wire's size is kept with the wire"));
  } else {
    return again(say("this reading holds only together with another"));
  }
  return project;
}

Said measureWords(const Entry& e, const Figure* figure) {
  const std::string_view of = subject(e);
  const double value = e.value.value_or(0);
  const Said part = partOf(e.limb, figure);
  if (of == kMadeLong) return say("{} long: the {}, as it is made", Length(value, 1), part);
  if (of == kMadeAcross) return say("{} across: the {}, as it is made", Length(value, 1), part);
  if (of == kFelted)
    return say("{} round, felted: the {}, {} from its root", Length(value, 1), part,
               Length(e.along.value_or(0), 0));
  if (of == kFinished)
    return say("{} round, with its coat: the {}, {} from its root", Length(value, 1), part,
               Length(e.along.value_or(0), 0));
  if (of == kLeft) return say("{} left of the wool for the {}", Mass(value), part);
  if (of == kBallAcross) return say("{} across: the test ball", Length(value, 1));
  if (of == kBallWeight) return say("{} weighed: the test ball", Mass(value));
  if (of == kCoreMetre) return say("{} weighed: a metre of the core wool", Mass(value));
  if (of == kCoatMetre) return say("{} weighed: a metre of the coat wool", Mass(value));
  if (of == kCoreStaple) return say("{} long: the staple of the core wool", Length(value, 0));
  if (of == kCoatStaple) return say("{} long: the staple of the coat wool", Length(value, 0));
  if (of == kWireSize) return say("{} thick: the wire \"{}\"", Length(value, 2), AsIs(e.text));
  if (of == kWireYield) return say("{} by the hanging test: the wire \"{}\"", Stress(value), AsIs(e.text));
  const bool right = e.limb == "right";
  const Name pin(pinName(e.text));
  if (of == kPinTape)
    return right ? say("{} from the nose: {}, right", Length(value, 1), pin)
                 : say("{} from the nose: {}, left or middle", Length(value, 1), pin);
  if (of == kPinAside)
    return right ? say("{} aside: {}, right", Length(value, 1), pin)
                 : say("{} aside: {}, left or middle", Length(value, 1), pin);
  return say("{} measured, of what this version does not know", Number(value, 1));
}

} // namespace columna
