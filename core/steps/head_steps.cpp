// The face in its order, between the head's core and its coat; and what comes after everything else.
#include "steps/making.h"
#include "steps/steps_of.h"

#include "face/face_report.h"
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

/// What hard parts are called together: "bill" of "bill-upper" and "bill-lower".
Name called(const std::vector<const HardPart*>& parts) {
  const auto stem = [](const HardPart* part) { return part->id.substr(0, part->id.find('-')); };
  const auto all = [&](auto&& alike) { return !parts.empty() && std::ranges::all_of(parts, alike); };
  if (all([&](const HardPart* p) { return p->id == parts.front()->id; }))
    return Name(pinName(parts.front()->id));
  if (all([&](const HardPart* p) { return stem(p) == stem(parts.front()); }))
    return Name(stem(parts.front()));
  if (all([&](const HardPart* p) { return p->kind == HardKind::Antler; })) return Name(named("antlers"));
  return Name(named("hard parts"));
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
    std::vector<std::vector<int>> placed(all.size()); // the last of each, which others wait for
    for (size_t i = 0; i < all.size(); ++i)
      if (all[i].work == FaceWork::Ahead)
        placed[i] = ahead(all[i]);
      else if (all[i].work != FaceWork::Body)
        placed[i] = {one(all[i])};
    int rows = -1;
    for (size_t i = 0; i < all.size(); ++i) {
      if (placed[i].empty()) continue;
      const int at = placed[i].front();
      for (const size_t before : all[i].needs) {
        const Said reason = why(all[i].work, all[before].work);
        if (all[before].work == FaceWork::Body) m_.list.after(at, cored_, reason);
        for (const int other : placed[before]) m_.list.after(at, other, reason);
      }
      order(all[i].work, at);
      if (all[i].work == FaceWork::Hair) rows = at;
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

  /// What is made before the face, beside it: of clay it is baked, the rest dries by itself. The last step of
  /// each.
  std::vector<int> ahead(const FaceStep& face) {
    int clay = 0; // pieces
    int hard = 0;
    int eyes = 0;
    double thickest = 0; // mm, of the clay
    std::vector<const HardPart*> ofClay;
    std::vector<const HardPart*> ofElse;
    for (const HardPart& part : m_.face->head.hard) {
      if (std::ranges::find(face.parts, part.id) == face.parts.end()) continue;
      (part.material == HardMaterial::OvenClay ? clay : hard) += part.twin ? 2 : 1;
      (part.material == HardMaterial::OvenClay ? ofClay : ofElse).push_back(&part);
      if (part.material != HardMaterial::OvenClay || !m_.figure().head) continue;
      for (size_t i = 0; i < std::min(part.across.size(), part.deep.size()); ++i)
        thickest = std::max(thickest, m_.figure().head->length * std::min(part.across[i], part.deep[i]));
    }
    for (const HeadEye& eye : m_.face->head.eyes)
      if (std::ranges::find(face.parts, eye.id) != face.parts.end()) eyes += eye.twin ? 2 : 1;
    std::vector<int> out;
    if (hard + eyes > 0) {
      Step s = around("face/ahead",
                      eyes == 0   ? say("make ahead: {}", called(ofElse))
                      : hard == 0 ? say("paint the eyes")
                                  : say("make ahead: {}; and paint the eyes", called(ofElse)),
                      Bench::Glue, m_.book().aheadPart * (hard + eyes));
      s.advice = say("let it dry while the head is felted");
      for (const std::string& id : face.drying)
        if (id != kClay) m_.dries(s, id);
      s.pausable = s.planned > kWholeMost;
      s.cautions.push_back(Caution::Glue);
      out.push_back(m_.list.add(std::move(s)));
    }
    if (clay > 0) out.push_back(baked(clay, thickest, called(ofClay)));
    return out;
  }

  /// Formed, put into the oven and taken out of it, which has to be in time.
  int baked(int pieces, double thickest, const Name& what) {
    const StepBook& book = m_.book();
    Step form = around("face/clay", say("form of clay: {}", what), Bench::Clay, book.aheadPart * pieces);
    form.advice = say("on the wire it is set with; as thin as it holds");
    form.fetch.push_back({Fetch::What::Tool, 0, say("oven clay, its wire, foil to bake on")});
    form.cautions.push_back(Caution::Clay);
    const int formed = m_.list.add(std::move(form));
    const double share = std::clamp((thickest - book.thinClay) / (book.thickClay - book.thinClay), 0.0, 1.0);
    const double baking = std::lerp(book.bakeThin, book.bakeThick, share);
    Step in = around("face/bake", say("put the clay into the oven for {} minutes", Number(baking, 0)),
                     Bench::Clay, book.bakeIn);
    in.wait = in.waitLow = baking;
    in.drying = "in-oven";
    in.advice = say("so long by its thickest part; the packet goes before that");
    in.calls = "face/oven";
    in.callWithin = book.bakeWithin;
    in.pausable = false;
    in.fetch.push_back(
        {Fetch::What::Tool, 0, say("oven as hot as the packet says, and a thermometer in it")});
    in.cautions.push_back(Caution::Clay);
    const int put = m_.list.add(std::move(in));
    Step back = around("face/oven", say("take the clay out of the oven"), Bench::Clay, book.bakeOut);
    back.advice = say("let it cool where it lies: it is soft while it is hot");
    back.pausable = false;
    m_.dries(back, "cooling");
    back.fetch.push_back({Fetch::What::Tool, 0, say("oven gloves")});
    back.cautions.push_back(Caution::Clay);
    const int taken = m_.list.add(std::move(back));
    m_.list.after(put, formed, say("what is not formed cannot be baked"));
    m_.list.after(taken, put, say("it is baked when its time is over"));
    return taken;
  }

  Step around(std::string id, Said words, Bench bench, double minutes) {
    Step s = step(std::move(id), std::move(words), bench, minutes);
    s.pace = PaceKind::Around;
    return s;
  }

  int one(const FaceStep& face) {
    Step s = step("face/" + std::string(workId(face.work)), Name(workName(face.work)), benchOf(face),
                  face.share * minutes_);
    s.advice = workAdvice(face.work);
    if (face.work == FaceWork::Look) {
      s.pace = PaceKind::Around;
      s.planned = m_.book().lookAgain;
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

  static constexpr std::string_view kClay = "oven-clay"; ///< of the drying times
  static constexpr double kWholeMost = 45;               ///< minutes: what is glued in one go
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
  int perched = -1;
  const Feet feet = m.project.stances.support.feet;
  if (feet == Feet::Glued || feet == Feet::Base) {
    Step s;
    s.id = "perch/feet";
    s.words = feet == Feet::Base ? say("fix it on its base") : say("glue the feet down");
    s.advice = say("try it dry first, and mark where each foot goes");
    s.bench = Bench::Glue;
    s.planned = m.book().perch;
    s.pausable = false;
    m.dries(s, m.glue(m.project.face.partGlue));
    s.fetch.push_back({Fetch::What::Tool, 0, say("its base, and glue")});
    s.cautions.push_back(Caution::Glue);
    perched = m.list.add(std::move(s));
    m.list.after(perched, recorded, say("it is weighed without its base"));
  }
  for (int i = 0; i < static_cast<int>(m.list.size()); ++i)
    if (i != looked && i != recorded && i != perched)
      m.list.after(looked, i, say("it is looked at when all is done"));
  m.list.after(recorded, looked, say("it is looked at when all is done"));
}

} // namespace columna
