#include "face/face_steps.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

enum class TimeGroup { None, Pads, Eyes, NoseAndMouth, Ears, Coat };

TimeGroup groupOf(FaceWork work) {
  switch (work) {
  case FaceWork::Ahead:
  case FaceWork::Body:
  case FaceWork::Look:
    return TimeGroup::None;
  case FaceWork::Eyes:
    return TimeGroup::Eyes;
  case FaceWork::Nose:
  case FaceWork::Mouth:
    return TimeGroup::NoseAndMouth;
  case FaceWork::Ears:
  case FaceWork::Hard:
    return TimeGroup::Ears;
  case FaceWork::Colours:
  case FaceWork::Hair:
  case FaceWork::Singles:
    return TimeGroup::Coat;
  default:
    return TimeGroup::Pads;
  }
}

class Ordering {
public:
  Ordering(const HeadPattern& head, const HeadField& field, const FaceReport& report,
           const std::vector<HairRow>& hair, const FaceWish& wish, const DryingTimes& drying,
           const FaceRules& rules)
      : h_(head), field_(field), report_(report), hair_(hair), wish_(wish), drying_(drying), rules_(rules) {}

  std::vector<FaceStep> run() {
    ahead();
    pins_ = put(FaceWork::Pins);
    out_[pins_].pieces = static_cast<int>(report_.pins.size());
    body_ = put(FaceWork::Body, {pins_});
    out_[body_].grams = report_.bodyGrams;
    const bool eyesFirst = wish_.school == FaceSchool::EyesFirst;
    pads([&](FaceWork work) { return !(eyesFirst && work == FaceWork::Nose); });
    filling_ = put(FaceWork::Filling, all(body_));
    eyes();
    if (eyesFirst) {
      const size_t from = out_.size();
      pads([](FaceWork work) { return work == FaceWork::Nose; });
      for (size_t i = from; i < out_.size(); ++i) needs(i, {filling_});
    }
    if (!h_.mouth.empty()) {
      const size_t mouth = put(FaceWork::Mouth, {filling_});
      for (const MouthLine& line : h_.mouth) add(mouth, line.id, line.twin);
    }
    if (wish_.hairFirst) {
      coat();
      ears();
      hard();
    } else {
      ears();
      hard();
      coat();
    }
    singles();
    put(FaceWork::Look, all(0));
    shares();
    return std::move(out_);
  }

private:
  size_t put(FaceWork work, std::vector<size_t> needs = {}) {
    FaceStep& step = out_.emplace_back();
    step.work = work;
    step.needs = std::move(needs);
    return out_.size() - 1;
  }
  void add(size_t step, const std::string& part, bool twin) {
    out_[step].parts.push_back(part);
    out_[step].pieces += twin ? 2 : 1;
  }
  void needs(size_t step, const std::vector<size_t>& more) {
    std::vector<size_t>& list = out_[step].needs;
    list.insert(list.end(), more.begin(), more.end());
    std::sort(list.begin(), list.end());
    list.erase(std::unique(list.begin(), list.end()), list.end());
  }
  [[nodiscard]] std::vector<size_t> all(size_t from) const {
    std::vector<size_t> out;
    for (size_t i = from; i < out_.size(); ++i) out.push_back(i);
    return out;
  }
  void dries(size_t step, std::string_view id) {
    std::vector<std::string>& list = out_[step].drying;
    if (drying_.find(id) && std::find(list.begin(), list.end(), id) == list.end()) list.emplace_back(id);
  }
  /// The glue the maker named, or the first there is.
  [[nodiscard]] std::string glue(const std::string& wished) const {
    const Drying* named = drying_.find(wished);
    if (named && named->glue) return named->id;
    const auto first =
        std::find_if(drying_.all.begin(), drying_.all.end(), [](const Drying& each) { return each.glue; });
    return first == drying_.all.end() ? std::string() : first->id;
  }

  [[nodiscard]] static std::string_view dryingOf(HardMaterial material) {
    return material == HardMaterial::OvenClay   ? "oven-clay"
           : material == HardMaterial::WoolGlue ? "stiffened-wool"
                                                : "";
  }

  /// What is made beside the head and has to bake or dry before it is set.
  void ahead() {
    std::optional<size_t> step;
    const auto take = [&](const std::string& part, bool twin, std::string_view what) {
      if (what.empty()) return;
      if (!step) step = put(FaceWork::Ahead);
      add(*step, part, twin);
      dries(*step, what);
    };
    for (const HardPart& part : h_.hard)
      if (part.kind != HardKind::Trunk) take(part.id, part.twin, dryingOf(part.material));
    for (const HeadEye& eye : h_.eyes)
      if (eye.kind == EyeKind::Painted) take(eye.id, eye.twin, "painted-eye");
    ahead_ = step;
  }

  /// Pads in the order of the head's file; those of one kind that follow each other are one step.
  template <class Wanted>
  void pads(Wanted wanted) {
    bool follows = false;
    for (size_t i = 0; i < h_.features.size(); ++i) {
      const HeadFeature& f = h_.features[i];
      const FaceWork work = workOf(f.kind);
      if (!wanted(work)) {
        follows = false;
        continue;
      }
      if (!follows || out_.back().work != work) put(work, {body_});
      follows = true;
      const size_t at = out_.size() - 1;
      add(at, f.id, f.twin);
      out_[at].grams += report_.pads[i].grams;
      // What it is laid over or pressed into.
      for (const auto& [other, step] : stepOf_)
        if (step != at && touch(i, other)) needs(at, {step});
      stepOf_.emplace_back(i, at);
    }
  }

  [[nodiscard]] bool touch(size_t a, size_t b) const {
    const FeatureShape& one = field_.features()[a];
    const FeatureShape& two = field_.features()[b];
    const double reach = one.reach() + two.reach() + one.blend() + two.blend();
    const Vec3& m = two.middle();
    const Vec3 right(m.x(), -m.y(), m.z());
    return std::min((one.middle() - m).norm(), (one.middle() - right).norm()) < reach;
  }

  void eyes() {
    if (h_.eyes.empty()) return;
    eyes_ = put(FaceWork::Eyes, {filling_});
    for (const auto& [feature, step] : stepOf_)
      if (out_[step].work == FaceWork::Sockets) needs(*eyes_, {step});
    for (const HeadEye& eye : h_.eyes) {
      add(*eyes_, eye.id, eye.twin);
      if (eye.kind == EyeKind::Glass || eye.kind == EyeKind::Painted) dries(*eyes_, glue(wish_.eyeGlue));
      if (eye.kind == EyeKind::Painted && ahead_) needs(*eyes_, {*ahead_});
    }
  }

  void ears() {
    if (h_.flats.empty()) return;
    const size_t step = put(FaceWork::Ears, {filling_});
    if (wish_.hairFirst && rows_) needs(step, {*rows_});
    for (size_t i = 0; i < h_.flats.size(); ++i) {
      add(step, h_.flats[i].id, h_.flats[i].twin);
      out_[step].grams += report_.flats[i].grams * (h_.flats[i].twin ? 2 : 1);
    }
  }

  void hard() {
    std::optional<size_t> step;
    for (const HardPart& part : h_.hard) {
      if (part.kind == HardKind::Trunk) continue; // a limb of the figure
      if (!step) step = put(FaceWork::Hard, {filling_});
      add(*step, part.id, part.twin);
      if (part.material != HardMaterial::Wool) dries(*step, glue(wish_.partGlue));
    }
    if (step && ahead_) needs(*step, {*ahead_});
  }

  void coat() {
    const size_t colours = put(FaceWork::Colours, {filling_});
    for (const HeadPatch& patch : h_.patches) add(colours, patch.id, patch.both);
    const bool rows = std::any_of(hair_.begin(), hair_.end(),
                                  [](const HairRow& row) { return row.kind != HeadRow::Kind::Singles; });
    if (!rows) return;
    rows_ = put(FaceWork::Hair, {colours});
    if (eyes_) needs(*rows_, {*eyes_}); // hair is laid round them
    for (const HairRow& row : hair_)
      if (row.kind != HeadRow::Kind::Singles) {
        add(*rows_, row.id, row.twin);
        out_[*rows_].grams += row.grams;
      }
  }

  void singles() {
    std::optional<size_t> step;
    for (const HairRow& row : hair_)
      if (row.kind == HeadRow::Kind::Singles) {
        if (!step) step = put(FaceWork::Singles, {rows_.value_or(filling_)});
        add(*step, row.id, row.twin);
      }
  }

  /// A group's time goes half by how many pieces a step has and half by their wool.
  void shares() {
    const std::array<std::pair<TimeGroup, double>, 5> times{{{TimeGroup::Pads, rules_.timePads},
                                                             {TimeGroup::Eyes, rules_.timeEyes},
                                                             {TimeGroup::NoseAndMouth, rules_.timeNose},
                                                             {TimeGroup::Ears, rules_.timeEars},
                                                             {TimeGroup::Coat, rules_.timeCoat}}};
    double whole = 0;
    for (const auto& [group, time] : times) {
      double pieces = 0;
      double grams = 0;
      for (const FaceStep& step : out_)
        if (groupOf(step.work) == group) {
          pieces += std::max(step.pieces, 1);
          grams += step.grams;
        }
      if (pieces <= 0) continue;
      whole += time;
      for (FaceStep& step : out_)
        if (groupOf(step.work) == group) {
          const double byPieces = std::max(step.pieces, 1) / pieces;
          step.share = time * (grams > 0 ? (byPieces + step.grams / grams) / 2 : byPieces);
        }
    }
    if (whole > 0)
      for (FaceStep& step : out_) step.share /= whole;
  }

  const HeadPattern& h_;
  const HeadField& field_;
  const FaceReport& report_;
  const std::vector<HairRow>& hair_;
  const FaceWish& wish_;
  const DryingTimes& drying_;
  const FaceRules& rules_;
  std::vector<FaceStep> out_;
  std::vector<std::pair<size_t, size_t>> stepOf_; ///< features and the steps they are in
  size_t pins_ = 0, body_ = 0, filling_ = 0;
  std::optional<size_t> ahead_, eyes_, rows_; ///< steps, where there are such
};

} // namespace

std::vector<FaceStep> faceSteps(const HeadPattern& head, const HeadField& field, const FaceReport& report,
                                const std::vector<HairRow>& hair, const FaceWish& wish,
                                const DryingTimes& drying, const FaceRules& rules) {
  return Ordering(head, field, report, hair, wish, drying, rules).run();
}

FaceWork workOf(FeatureKind kind) {
  switch (kind) {
  case FeatureKind::Forehead:
    return FaceWork::Forehead;
  case FeatureKind::NoseBridge:
    return FaceWork::NoseBridge;
  case FeatureKind::Socket:
    return FaceWork::Sockets;
  case FeatureKind::Brow:
  case FeatureKind::Lid:
    return FaceWork::Brows;
  case FeatureKind::Nose:
  case FeatureKind::NostrilWing:
  case FeatureKind::Nostril:
    return FaceWork::Nose;
  case FeatureKind::LipPad:
  case FeatureKind::Chin:
  case FeatureKind::Mouth:
    return FaceWork::Lips;
  case FeatureKind::Cheek:
  case FeatureKind::Cheekbone:
  case FeatureKind::Jaw:
    return FaceWork::Cheeks;
  default:
    return FaceWork::Others;
  }
}

std::string_view workName(FaceWork work) {
  switch (work) {
  case FaceWork::Ahead:
    return named("made ahead");
  case FaceWork::Pins:
    return named("pins in the core");
  case FaceWork::Body:
    return named("body of the head");
  case FaceWork::Forehead:
    return named("forehead");
  case FaceWork::NoseBridge:
    return named("bridge of the nose");
  case FaceWork::Sockets:
    return named("press the sockets");
  case FaceWork::Brows:
    return named("brows and lids");
  case FaceWork::Nose:
    return named("nose");
  case FaceWork::Lips:
    return named("lips and chin");
  case FaceWork::Cheeks:
    return named("cheeks and jaw");
  case FaceWork::Others:
    return named("other pads");
  case FaceWork::Filling:
    return named("fill between");
  case FaceWork::Eyes:
    return named("set the eyes");
  case FaceWork::Mouth:
    return named("mouth of thread");
  case FaceWork::Ears:
    return named("ears and flat parts");
  case FaceWork::Hard:
    return named("horns and bill");
  case FaceWork::Colours:
    return named("colours");
  case FaceWork::Hair:
    return named("hair in rows");
  case FaceWork::Singles:
    return named("single hairs");
  case FaceWork::Look:
    return named("look at it");
  }
  return {};
}

Said workAdvice(FaceWork work) {
  switch (work) {
  case FaceWork::Ahead:
    return say("bake it or let it dry while the head is felted");
  case FaceWork::Pins:
    return say("set them by the head map, the nose first: all else is measured from it");
  case FaceWork::Body:
    return say("firm before anything is laid on it");
  case FaceWork::Sockets:
    return say("press, do not dig: the wool stays below");
  case FaceWork::Lips:
    return say("leave the front end loose until the mouth is in");
  case FaceWork::Filling:
    return say("a thin skin over all pads; firm before any fur");
  case FaceWork::Eyes:
    return say("try them in front of a mirror before the glue");
  case FaceWork::Ears:
    return say("base loose, turned on the head until both agree");
  case FaceWork::Hair:
    return say("from behind the eye outwards, each row over the roots of the one before");
  case FaceWork::Look:
    return say("from the front, from above, from below, and on a photo");
  default:
    return {};
  }
}

Said workCaution(FaceWork work) {
  switch (work) {
  case FaceWork::Eyes:
    return say("A needle shatters glass. Make holes with an awl, away from the hand that holds the head.");
  case FaceWork::Singles:
    return say("No single hairs on what small children play with.");
  default:
    return {};
  }
}

} // namespace columna
