#include "judge/face_findings.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kSeen = 0.15;                    ///< mm: less nobody sets anew
constexpr double kForward = std::numbers::pi / 4; ///< eyes that look further aside need no bridge between

class Finder {
public:
  Finder(const FaceReport& face, const FaceRules& rules) : f_(face), r_(rules) {}

  std::vector<Finding> all() {
    for (const FaceEye& eye : f_.eyes) this->eye(eye);
    pads();
    for (const FaceFlat& flat : f_.flats) this->flat(flat);
    std::stable_sort(out_.begin(), out_.end(),
                     [](const Finding& a, const Finding& b) { return a.level > b.level; });
    return std::move(out_);
  }

private:
  void add(Level level, const std::string& where, Said text, Said brief) {
    out_.push_back({level, where, std::move(text), std::move(brief), Topic::Face});
  }

  /// Another size than is true to life: there is a nearer one, or none.
  void size(const std::string& where, const EyeChoice& c, double off) {
    const Level level = off > r_.eyeFar ? Level::Wrong : Level::Doubtful;
    const Number percent(100 * off, 0);
    const EyeChoice nearest = eyeFor(c.wanted, r_);
    if (std::abs(nearest.off) < off - 1e-9)
      add(level, where,
          c.off < 0 ? say("Eyes of {} are {} % smaller than the animal's: {} would be nearer to life.",
                          Length(c.take, 1), percent, Length(nearest.take, 1))
                    : say("Eyes of {} are {} % larger than the animal's: {} would be nearer to life.",
                          Length(c.take, 1), percent, Length(nearest.take, 1)),
          say("eyes of another size"));
    else
      add(level, where,
          c.off < 0
              ? say("No eye of {} is sold: {} is {} % too small. Make your own, or another size of figure.",
                    Length(c.wanted, 1), Length(c.take, 1), percent)
              : say("No eye of {} is sold: {} is {} % too large. Make your own, or another size of figure.",
                    Length(c.wanted, 1), Length(c.take, 1), percent),
          say("no eye of that size"));
  }

  void eye(const FaceEye& e) {
    const std::string& where = e.eye->id;
    const EyeChoice& c = e.choice;
    if (const double off = std::abs(c.off); off > r_.eyeNear) size(where, c, off);
    if (e.hidden > r_.hiddenNear)
      add(e.hidden > r_.hiddenFar ? Level::Wrong : Level::Doubtful, where,
          say("An ear hides {} % of the eye: set its base further back, or fold it less.",
              Number(100 * e.hidden, 0)),
          say("eye behind an ear"));
    if (e.eye->kind != EyeKind::Needled && e.under < r_.underThin)
      add(e.under < r_.underLeast ? Level::Wrong : Level::Doubtful, where,
          say("Pressing the socket leaves {} of wool under it: press less, or take a flat-backed eye.",
              Length(e.under, 1)),
          say("little wool under the eye"));
    if (!e.eye->twin) return;
    if (e.cutForWire && e.stem.length < r_.stemLeast)
      add(Level::Doubtful, where,
          say("Wire is in the way of the eyes' stems: glue them on without, or bend the wire aside there."),
          say("wire behind the eye"));
    if (e.between < 0)
      add(Level::Wrong, where, say("Both eyes meet in the middle: take smaller ones."), say("eyes meet"));
    else if (std::abs(e.eye->azimuth) < kForward && e.between < r_.eyeGap * c.take)
      add(Level::Doubtful, where,
          say("An eye of {} leaves {} for the bridge of the nose: take smaller ones.", Length(c.take, 1),
              Length(e.between, 1)),
          say("little between the eyes"));
    if (e.stem.clear < 0)
      add(Level::Wrong, where, say("The holes of both eyes meet inside: glue them on without stems."),
          say("eyes' holes meet"));
    else if (e.stem.shorter > 0)
      add(Level::Doubtful, where,
          say("Stems of {} would meet inside: turn each forward to {}, or cut them to {}.",
              Length(e.stem.length, 0), Angle(e.stem.azimuth, 0), Length(e.stem.shorter, 0)),
          say("eyes' stems nearly meet"));
  }

  void pads() {
    int small = 0;
    int none = 0;
    std::string first;
    for (const FacePad& pad : f_.pads) {
      if (!pad.tooSmall) continue;
      ++small;
      if (first.empty()) first = pad.feature->id;
      const double each = pad.grams / (pad.feature->twin ? 2 : 1);
      if (each < r_.padNone && f_.length * pad.feature->thinnest() < r_.radiusNone) ++none;
    }
    // One sentence for all of them: at a small size it is most of the face.
    if (none > 0)
      add(Level::Doubtful, first,
          counted(many("{} pads are too small to be felted at all at this size: leave them out.",
                       "One pad is too small to be felted at all at this size: leave it out."),
                  none),
          say("pads too small to make"));
    else if (small > 0)
      add(Level::Doubtful, first,
          counted(many("{} pads are too small to be made and set on: lay them as wisps.",
                       "One pad is too small to be made and set on: lay it as a wisp."),
                  small),
          say("pads are wisps"));
  }

  void flat(const FaceFlat& f) {
    const std::string& where = f.flat->id;
    if (f.thickness < r_.flatThin)
      add(f.thickness < r_.flatThinnest ? Level::Wrong : Level::Doubtful, where,
          say("Felt {} thick hardly holds together: make it {}.", Length(f.thickness, 1),
              Length(r_.flatThin, 1)),
          say("felt too thin"));
    if (f.flat->stands != FlatStands::Felt || f.standing.verdict == Stands::Well) return;
    const bool droops = f.standing.verdict == Stands::Droops;
    add(droops ? Level::Wrong : Level::Doubtful, where,
        droops ? say("Will droop: felt it firmer or half as thick again, cup it more, or put a wire into it.")
               : say("Stands doubtfully: felt it firmer, or cup it a little more."),
        say("may droop"));
  }

  const FaceReport& f_;
  const FaceRules& r_;
  std::vector<Finding> out_;
};

} // namespace

std::vector<Finding> faceFindings(const FaceReport& face, const FaceRules& rules) {
  return Finder(face, rules).all();
}

std::vector<Finding> apartFindings(const FaceReport& face, const std::map<std::string, double>& own,
                                   const FaceRules& rules) {
  std::vector<Finding> out;
  for (const FaceEye& eye : face.eyes) {
    const auto found = own.find(eye.eye->id);
    if (found == own.end() || !(found->second > 0)) continue;
    const double by = eye.apart - found->second;
    const double share = std::abs(by) / found->second;
    if (share <= rules.apartNear) continue;
    out.push_back(
        {share > rules.apartFar ? Level::Wrong : Level::Doubtful, eye.eye->id,
         by > 0 ? say("The eyes stand {} farther apart than the animal's: set them nearer.", Length(by, 1))
                : say("The eyes stand {} nearer than the animal's: set them farther apart.", Length(-by, 1)),
         say("eyes too far apart or too near"), Topic::Face});
  }
  return out;
}

std::vector<Finding> hardFindings(double hard, double wool, const FaceRules& rules) {
  if (!(wool > 0) || hard <= rules.hardNear * wool || hard < rules.hardLeast) return {};
  // No more than doubtful: whether the neck holds it is the neck's own verdict.
  return {{Level::Doubtful, "face",
           say("Horns and bill weigh {}, the head's wool {}: make them of something lighter, or hollow.",
               Mass(hard), Mass(wool)),
           say("heavy horns"), Topic::Face}};
}

namespace {

/// One to three of them, after one another.
Said together(const std::vector<Said>& ways) {
  return ways.size() == 1   ? ways[0]
         : ways.size() == 2 ? say("{}, {}", ways[0], ways[1])
                            : say("{}, {}, {}", ways[0], ways[1], ways[2]);
}

} // namespace

std::vector<Finding> measuredFindings(const FaceMeasured& measured) {
  std::vector<Finding> out;
  for (const PairOff& pair : measured.pairs) {
    if (!pair.shows) continue;
    const auto set = [](double by, const Said& more, const Said& less) {
      return std::abs(by) < kSeen ? Said() : say("{} {}", Length(std::abs(by), 1), by > 0 ? less : more);
    };
    std::vector<Said> ways;
    for (const Said& way :
         {set(pair.by.z(), say("up"), say("down")), set(pair.by.x(), say("forward"), say("back")),
          set(pair.by.y(), say("in"), say("out"))})
      if (!way.empty()) ways.push_back(way);
    if (ways.empty()) continue;
    out.push_back({pair.wrong ? Level::Wrong : Level::Doubtful, pair.pin,
                   say("The right {} stands {} off the left one, and it shows: set it anew, {}.",
                       Name(pinName(pair.pin)), Length(pair.off, 1), together(ways)),
                   say("{} askew", Name(pinName(pair.pin))), Topic::Face});
  }
  for (const Problem& problem : measured.problems)
    out.push_back(
        {Level::Doubtful, "face", say("{}.", problem.said()), say("a measure does not fit"), Topic::Face});
  return out;
}

} // namespace columna
