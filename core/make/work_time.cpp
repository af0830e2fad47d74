#include "make/work_time.h"

#include "measure/number_file.h"
#include "measure/quantity.h"

#include <cmath>

namespace columna {
namespace {

constexpr std::array<std::string_view, 21> kKeys{"wire_minutes_per_piece",
                                                 "wire_minutes_per_bend",
                                                 "part_minutes",
                                                 "soft_minutes",
                                                 "medium_minutes",
                                                 "firm_minutes",
                                                 "several_needles_cm3",
                                                 "surface_core",
                                                 "surface_plain",
                                                 "surface_good",
                                                 "surface_fine",
                                                 "head_core",
                                                 "head_plain",
                                                 "head_good",
                                                 "head_fine",
                                                 "digit_core",
                                                 "digit_plain",
                                                 "digit_good",
                                                 "digit_fine",
                                                 "low_share",
                                                 "high_share"};

Said hours(double minutes) { return say("{} h", Number(minutes / 60, minutes < 600 ? 1 : 0)); }

/// "a good finish".
std::string_view finishWords(Finish finish) {
  switch (finish) {
  case Finish::Core:
    return named("the core alone");
  case Finish::Plain:
    return named("a plain finish");
  case Finish::Good:
    return named("a good finish");
  case Finish::Fine:
    break;
  }
  return named("a fine finish");
}

} // namespace

Result<Pace> readPace(std::string_view json, const std::string& file) {
  auto numbers = readNumbers(json, "columna-pace/2", kKeys, file);
  if (!numbers) return numbers.problem();
  const std::vector<double>& n = *numbers;
  Pace pace;
  pace.wirePiece = n[0];
  pace.wireBend = n[1];
  pace.part = n[2];
  pace.coreSoft = n[3];
  pace.coreMedium = n[4];
  pace.coreFirm = n[5];
  pace.severalNeedles = n[6];
  if (!(pace.severalNeedles > 0))
    return Problem{say("several_needles_cm3.value is nought"), file, say("give a volume in cm3")};
  for (size_t k = 0; k < 4; ++k) {
    pace.surface[k] = n[7 + k];
    pace.head[k] = n[11 + k];
    pace.digit[k] = n[15 + k];
  }
  pace.low = n[19];
  pace.high = n[20];
  return pace;
}

LimbTime limbTime(const FigureLimb& limb, const LimbWool& w, const Pace& pace, Finish finish) {
  const auto f = static_cast<size_t>(finish);
  LimbTime out;
  const double cm3 = (w.coreVolume + w.coatVolume + w.furVolume) / 1000;
  if (cm3 > 0) {
    out.part = pace.part;
    out.felting = pace.core(w.firmness) * cm3 / std::cbrt(1 + cm3 / pace.severalNeedles);
  }
  out.coat = (w.area + w.flatFaces) / 100 * pace.surface[f];
  out.digits = limb.digits * pace.digit[f];
  if (limb.kind == LimbKind::Head) out.face = pace.head[f];
  return out;
}

WorkTime workTime(const Figure& figure, const WoolPlan& wool, const std::vector<Piece>& pieces,
                  const Pace& pace, Finish finish) {
  WorkTime out;
  out.finish = finish;
  for (const Piece& piece : pieces) {
    out.wire += pace.wirePiece;
    for (const Bend& bend : piece.bends) out.wire += bend.fold ? 0 : pace.wireBend;
  }
  for (size_t l = 0; l < figure.limbs.size(); ++l) {
    const LimbWool& w = wool.limbs[l];
    const LimbTime t = limbTime(figure.limbs[l], w, pace, finish);
    out.surface += (w.area + w.flatFaces) / 100;
    out.core += t.part + t.felting;
    out.coat += t.coat;
    out.details += t.digits + t.face;
    out.limbs.push_back(t.part + t.felting + t.coat + (t.digits + t.face));
  }
  out.total = out.wire + out.core + out.coat + out.details;
  out.low = out.total * pace.low;
  out.high = out.total * pace.high;
  return out;
}

Working timeWorking(const WorkTime& time, const Pace& pace) {
  const double perCm2 = pace.surface[static_cast<size_t>(time.finish)];
  Working w;
  const Volume several(pace.severalNeedles * 1000, 0);
  w.title = say("why {}", hours(time.total));
  w.lines.push_back({say("wire: pieces and bends"), {}, hours(time.wire)});
  w.lines.push_back({say("each part begun, felted and joined"),
                     say("{} min + firmness × volume ÷ ∛(1 + volume ÷ {})", Number(pace.part, 0), several),
                     hours(time.core)});
  w.lines.push_back(
      {say("the surface, {}", Name(finishWords(time.finish))),
       say("{}, {} min for {}", Surface(time.surface * 100, 0), Number(perCm2, 2), Surface(100, 0)),
       hours(time.coat)});
  w.lines.push_back({say("face, toes and fingers"), {}, hours(time.details)});
  w.lines.push_back({say("all together"), {}, hours(time.total)});
  w.source = say("Likely {} to {}: estimates of the bench, soft {}, medium {} and firm {} min for {}, up to "
                 "{}, above which several needles work at once; your own times settle it.",
                 hours(time.low), hours(time.high), Number(pace.coreSoft, 2), Number(pace.coreMedium, 2),
                 Number(pace.coreFirm, 2), Volume(1000, 0), several);
  return w;
}

} // namespace columna
