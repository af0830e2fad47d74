#include "turn/wool_paint.h"

#include "head/head_paint.h"
#include "kit/tone.h"
#include "pose/carried.h"
#include "project/heads.h"
#include "session/build_view.h"
#include "session/stance_view.h"
#include "theme/theme.h"

#include <algorithm>

namespace columna {
namespace {

/// A part that is a horn or a bill.
bool isHard(const Figure& figure, const HeadPattern& head, size_t limb) {
  const FigureLimb& part = figure.limbs[limb];
  return !head.hard.empty() && !part.bones.empty() &&
         std::all_of(part.bones.begin(), part.bones.end(),
                     [&](int b) { return figure.bones[static_cast<size_t>(b)].hard > 0; });
}

QColor ownColour(const Figure& figure, const HeadPattern& head, size_t limb) {
  const bool ofHead =
      figure.head && figure.bones[static_cast<size_t>(figure.head->bone)].limb == static_cast<int>(limb);
  const Colour colour = isHard(figure, head, limb) ? paletteColour(head, head.hard.front().colour)
                        : ofHead                   ? paletteColour(head, head.base)
                                                   : bodyColour(head);
  return QColor(QRgb(0xff000000U | colour));
}

/// A part in the animal's own colour, where the maker has no wool of another tone for it and the animal has a
/// head that says it.
std::optional<QColor> coatOf(const Session& session, const HeadPattern* head, size_t limb) {
  const Project& project = session.project();
  if (!head) return std::nullopt;
  const Figure& figure = session.plan().figure;
  if (project.wool.coat.tone && !isHard(figure, *head, limb)) return std::nullopt;
  return ownColour(figure, *head, limb);
}

} // namespace

WoolPaint::WoolPaint(const Session& session) {
  const Plan& plan = session.plan();
  selected_ = session.selected();
  scale_ = plan.figure->scale;
  tint_ = theme().woad;
  for (const FigureLimb& limb : plan.figure->limbs) family_.push_back(limb.family);
  for (const FigureBone& bone : plan.figure->bones) limbOf_.push_back(bone.limb);
  coated_.assign(plan.figure->limbs.size(), 0);
}

WoolPaint WoolPaint::finished(const Session& session) {
  WoolPaint out(session);
  out.selected_ = -1;
  const LimbMoment all{1, 1, 1, 1};
  out.felt(session, std::vector<LimbMoment>(out.coated_.size(), all));
  return out;
}

WoolPaint::WoolPaint(const Session& session, bool felted) : WoolPaint(session) {
  const Theme& t = theme();
  const size_t limbs = coated_.size();
  if (!felted) {
    const auto head = headOf(session.project(), session.catalog());
    const QColor wool = t.evening ? t.coat.lighter(150) : t.coat;
    const QColor chosen = t.evening ? t.woad.darker(150) : t.woad.lighter(190);
    for (size_t l = 0; l < limbs; ++l) {
      const auto& tone = session.project().wool.coat.tone;
      const QColor own = coatOf(session, head.get(), l).value_or(tone ? toneColour(*tone) : wool);
      bare_.push_back(own.rgb());
      plain_.push_back((static_cast<int>(l) == selected_ ? chosen : own).rgb());
    }
    return;
  }
  felt(session, session.build().moment());
}

void WoolPaint::felt(const Session& session, const std::vector<LimbMoment>& moment) {
  const Plan& plan = session.plan();
  const auto head = headOf(session.project(), session.catalog());
  const WoolWish& wish = session.project().wool;
  for (size_t l = 0; l < moment.size(); ++l) {
    const bool coat = moment[l].coat > 0 || plan.wool->limbs[l].allCoat;
    QColor colour = toneColour(coat ? wish.coat.shown() : wish.core.shown());
    const std::optional<QColor> own =
        coat || plan.wool->limbs[l].hard > 0 ? coatOf(session, head.get(), l) : std::nullopt;
    if (own)
      colour = *own;
    else if (coat && wish.coat.tone == wish.core.tone && moment[l].coat > 0)
      colour = colour.darker(112);
    coated_[l] = moment[l].coat > 0.5 ? 1 : 0;
    bare_.push_back(colour.rgb());
    plain_.push_back(tinted(colour, l));
  }
  if (wish.markings.empty()) return;
  stance_ = session.stance().plan().figure->bones;
  neutral_ = plan.figure->bones;
  for (size_t b = 0; b < neutral_.size(); ++b) back_.push_back(boneTurn(stance_[b], neutral_[b]));
  for (const Marking& m : wish.markings)
    areas_.push_back({m, toneColour(m.tone),
                      m.view == View::Side    ? Vec3(0, -1, 0)
                      : m.view == View::Front ? Vec3(1, 0, 0)
                                              : Vec3(0, 0, 1)});
}

WoolPaint::WoolPaint(const Figure& figure, const HeadPattern& head) : scale_(figure.scale) {
  for (const FigureBone& bone : figure.bones) limbOf_.push_back(bone.limb);
  for (size_t l = 0; l < figure.limbs.size(); ++l) plain_.push_back(ownColour(figure, head, l).rgb());
  bare_ = plain_;
  coated_.assign(figure.limbs.size(), 0);
}

QRgb WoolPaint::tinted(const QColor& colour, size_t limb) const {
  if (static_cast<int>(limb) != selected_) return colour.rgb();
  constexpr double mix = kTint;
  const auto mixed = [](double a, double other) { return static_cast<float>(a * (1 - mix) + other * mix); };
  return QColor::fromRgbF(mixed(colour.redF(), tint_.redF()), mixed(colour.greenF(), tint_.greenF()),
                          mixed(colour.blueF(), tint_.blueF()))
      .rgb();
}

QRgb WoolPaint::at(const Vec3& middle, const Vec3& normal, int bone) const {
  const auto b = static_cast<size_t>(bone);
  const auto l = static_cast<size_t>(limbOf_[b]);
  if (areas_.empty() || !coated_[l]) return plain_[l];
  // Markings lie on the neutral stance: the place goes back there with its bone.
  const Vec3 p = neutral_[b].begin + back_[b] * (middle - stance_[b].begin);
  const Vec3 n = back_[b] * normal;
  QRgb colour = plain_[l];
  for (const Area& area : areas_) {
    const Marking& m = area.marking;
    if (!m.limb.empty() && family_[l] != m.limb) continue;
    for (const double side : {1.0, -1.0}) {
      if (side < 0 && !m.both) continue;
      const Vec3 on(p.x(), side * p.y(), p.z());
      if (Vec3(n.x(), side * n.y(), n.z()).dot(area.eye) > 0 &&
          contains({m.outline}, Vec2(project(on, m.view) / scale_)))
        colour = tinted(area.colour, l);
    }
  }
  return colour;
}

} // namespace columna
