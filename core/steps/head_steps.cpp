// The face in its order, between the head's core and its coat; and what comes after everything else.
#include "steps/making.h"
#include "steps/steps_of.h"

#include "face/face_steps.h"
#include "wool/build_up.h"

#include <algorithm>
#include <array>

namespace columna {
namespace {

/// Part of an id.
std::string_view workId(FaceWork work) {
  constexpr std::array<std::string_view, 20> ids{"ahead",   "pins",    "body", "forehead", "nose-bridge",
                                                 "sockets", "brows",   "nose", "lips",     "cheeks",
                                                 "others",  "filling", "eyes", "mouth",    "ears",
                                                 "hard",    "colours", "hair", "singles",  "look"};
  return ids[static_cast<size_t>(work)];
}

class HeadSteps {
public:
  HeadSteps(Making& m, int head)
      : m_(m), head_(head), minutes_(limbMinutes(m, head).time.face), cored_(m.cored(head)),
        firmed_(m.of("firm", head)), coat_(m.of("coat", head)) {}

  /// An animal without a head file: all of the face in one.
  void whole() {
    if (minutes_ <= 0 && m_.figure().eyes.empty()) return;
    Step s = step("face/whole", say("make the face"), Bench::Face, minutes_);
    eyes(s);
    const int at = m_.list.add(std::move(s));
    m_.list.after(at, m_.list.find("look/core"), say("the head is as large as it will be"));
    m_.list.after(at, coat_, say("eyes and nose are set into the coat"));
    hair(at);
  }

  void run() {
    const std::vector<FaceStep>& all = m_.face->steps;
    std::vector<int> placed(all.size(), -1);
    for (size_t i = 0; i < all.size(); ++i)
      if (all[i].work != FaceWork::Body) placed[i] = one(all[i]);
    int rows = -1;
    for (size_t i = 0; i < all.size(); ++i) {
      if (placed[i] < 0) continue;
      for (const size_t before : all[i].needs) {
        const int other = all[before].work == FaceWork::Body ? cored_.value_or(-1) : placed[before];
        m_.list.after(placed[i], other, why(all[i].work, all[before].work));
      }
      order(all[i].work, placed[i]);
      if (all[i].work == FaceWork::Hair) rows = placed[i];
    }
    if (rows >= 0) hair(rows);
  }

private:
  Step step(std::string id, Said words, Bench bench, double minutes) {
    Step s;
    s.id = std::move(id);
    s.words = std::move(words);
    s.bench = bench;
    s.pace = PaceKind::Face;
    s.limb = head_;
    s.planned = minutes;
    return s;
  }

  static Bench benchOf(const FaceStep& face) {
    switch (face.work) {
    case FaceWork::Ahead:
      return std::find(face.drying.begin(), face.drying.end(), "oven-clay") != face.drying.end()
                 ? Bench::Clay
                 : Bench::Glue;
    case FaceWork::Eyes:
    case FaceWork::Hard:
      return face.drying.empty() ? Bench::Face : Bench::Glue;
    case FaceWork::Colours:
    case FaceWork::Hair:
      return Bench::CoatWool;
    case FaceWork::Look:
      return Bench::Look;
    default:
      return Bench::Face;
    }
  }

  /// What it is that is made before the face: it dries or is baked by itself.
  [[nodiscard]] Said aheadWords(const FaceStep& face) const {
    const auto& eyes = m_.face->head.eyes;
    const auto eye = [&](const std::string& id) {
      return std::ranges::any_of(eyes, [&](const HeadEye& e) { return e.id == id; });
    };
    const auto painted = std::ranges::count_if(face.parts, eye);
    if (painted == 0) return say("make the horns, the bill or the claws");
    if (painted < std::ssize(face.parts)) return say("make the hard parts, and paint the eyes");
    return say("paint the eyes");
  }

  int one(const FaceStep& face) {
    Step s = step("face/" + std::string(workId(face.work)),
                  face.work == FaceWork::Ahead ? aheadWords(face) : Said(Name(workName(face.work))),
                  benchOf(face), face.share * minutes_);
    s.advice = workAdvice(face.work);
    if (face.work == FaceWork::Ahead || face.work == FaceWork::Look) {
      s.pace = PaceKind::Around;
      s.planned =
          face.work == FaceWork::Look ? m_.book().lookAgain : m_.book().aheadPart * std::max(1, face.pieces);
    }
    for (const std::string& id : face.drying) m_.dries(s, id);
    if (s.bench == Bench::Glue && s.planned <= kWholeMost) s.pausable = false;
    if (face.work == FaceWork::Eyes) eyes(s);
    if (face.work == FaceWork::Ears) s.fetch.push_back({Fetch::What::Tool, 0, say("the flat parts")});
    if (face.work == FaceWork::Hard) s.fetch.push_back({Fetch::What::Tool, 0, say("horns and bill")});
    if (face.work == FaceWork::Pins) s.fetch.push_back({Fetch::What::Tool, 0, say("pins, and the head map")});
    if (face.grams > 0 && face.work != FaceWork::Hair && face.work != FaceWork::Ears)
      s.goals.push_back({Goal::What::Weight, face.grams, std::max(0.01, m_.book().withinWeight * face.grams),
                         0, say("of the head's heap")});
    if (s.bench == Bench::Glue) s.cautions.push_back(Caution::Glue);
    if (s.bench == Bench::Clay) s.cautions.push_back(Caution::Clay);
    if (s.bench == Bench::Face) s.cautions.push_back(Caution::Needle);
    return m_.list.add(std::move(s));
  }

  void eyes(Step& s) const {
    if (m_.figure().eyes.empty()) return;
    const auto needled = [](const HeadEye& e) { return e.kind == EyeKind::Needled; };
    if (m_.face && std::ranges::all_of(m_.face->head.eyes, needled)) return; // of the face's wool
    s.fetch.push_back({Fetch::What::Eye, static_cast<double>(m_.figure().eyes.size()), say("eyes")});
    s.cautions.push_back(Caution::SmallParts);
  }

  /// The heaps of the head's rows of hair.
  void hair(int at) {
    const std::vector<BuildStep> builds = buildSteps(m_.plan.figure, m_.plan.wool);
    for (size_t b = 0; b < builds.size(); ++b) {
      if (builds[b].kind != BuildStep::Kind::Hair) continue;
      const HairRow& row = m_.plan.wool->hair[static_cast<size_t>(builds[b].pad)];
      Step& s = m_.list.at(at);
      s.fetch.push_back({Fetch::What::Coat, builds[b].grams, Name(row.name)});
      if (s.build < 0) s.build = static_cast<int>(b);
    }
  }

  static Said why(FaceWork work, FaceWork before) {
    if (before == FaceWork::Body) return say("pads are laid on what is firm");
    if (before == FaceWork::Filling) return say("all pads are under one skin by then");
    if (before == FaceWork::Eyes) return say("it goes round the eyes as they sit");
    if (before == FaceWork::Ahead) return say("it is baked or dry before it is set");
    if (work == FaceWork::Look) return say("it is all there to be looked at");
    return say("it is laid over what lies below it");
  }

  /// What the face and the rest of the figure wait for of each other.
  void order(FaceWork work, int at) {
    switch (work) {
    case FaceWork::Pins:
      m_.list.after(at, firmed_, say("pins hold in what is firm"));
      if (cored_ && cored_ != firmed_)
        m_.list.after(*cored_, at, say("the last of the core is laid by the pins"));
      break;
    case FaceWork::Ahead:
    case FaceWork::Look:
      break;
    case FaceWork::Eyes:
    case FaceWork::Mouth:
    case FaceWork::Filling:
      if (coat_) m_.list.after(*coat_, at, say("fur round an eye or a mouth cannot be taken off again"));
      m_.list.after(at, m_.list.find("look/core"), say("the head is as large as it will be"));
      break;
    case FaceWork::Ears:
      m_.list.after(at, m_.of("flats", head_), say("what is not cut cannot be joined"));
      m_.list.after(at, coat_, say("its base goes on to the coat"));
      break;
    case FaceWork::Hard:
    case FaceWork::Colours:
    case FaceWork::Hair:
    case FaceWork::Singles:
      m_.list.after(at, coat_, say("it goes on to the coat"));
      break;
    default:
      m_.list.after(at, cored_, say("pads are laid on what is firm"));
    }
  }

  static constexpr double kWholeMost = 45; ///< minutes: what is glued in one go
  Making& m_;
  int head_;
  double minutes_;
  std::optional<int> cored_, firmed_, coat_;
};

} // namespace

void headSteps(Making& m) {
  const int head = m.first(LimbKind::Head);
  if (head < 0) return;
  HeadSteps steps(m, head);
  if (m.face)
    steps.run();
  else
    steps.whole();
}

void lastSteps(Making& m) {
  const auto all = static_cast<int>(m.list.size());
  const auto is = [&](int i, std::string_view verb) { return m.list.at(i).id.starts_with(verb); };
  int trimmed = -1;
  if (m.project.finish != Finish::Core) {
    Step s;
    s.id = "trim/all";
    s.words = say("trim and comb");
    s.bench = Bench::CoatWool;
    s.planned = m.book().trim;
    s.fetch.push_back({Fetch::What::Tool, 0, say("scissors and a comb")});
    s.cautions.push_back(Caution::Blades);
    trimmed = m.list.add(std::move(s));
    for (int i = 0; i < all; ++i) {
      if (is(i, "face/singles") || is(i, "face/look")) {
        m.list.after(i, trimmed, say("single hairs are not for the scissors"));
      } else if (is(i, "face/ears") || is(i, "flats-on/")) {
        m.list.after(trimmed, i, say("scissors near an ear's place leave a bare ring"));
      } else if (is(i, "coat/") || is(i, "fur/") || is(i, "mark/") || is(i, "face/hair") ||
                 is(i, "face/colours")) {
        m.list.after(trimmed, i, say("what is not laid cannot be trimmed"));
      }
    }
  }
  Step look;
  look.id = "look/done";
  look.words = say("stand it and take its pictures");
  look.bench = Bench::Look;
  look.planned = m.book().photo + (m.plan.loads.legs > 0 ? m.book().stand : 0);
  look.fetch.push_back({Fetch::What::Tool, 0, say("a flat plate, and a camera")});
  const int looked = m.list.add(std::move(look));
  Step record;
  record.id = kWeighedWhole;
  record.words = say("weigh it and write down what to change next time");
  record.bench = Bench::Paper;
  record.planned = m.book().record;
  record.fetch.push_back({Fetch::What::Tool, 0, say("scale")});
  record.goals.push_back({Goal::What::Weight, m.plan.totals.mass, m.book().withinWeight * m.plan.totals.mass,
                          0, say("the whole figure")});
  record.cautions.push_back(Caution::SmallParts);
  const int recorded = m.list.add(std::move(record));
  for (int i = 0; i < static_cast<int>(m.list.size()); ++i)
    if (i != looked && i != recorded) m.list.after(looked, i, say("it is looked at when all is done"));
  m.list.after(recorded, looked, say("it is looked at when all is done"));
}

} // namespace columna
