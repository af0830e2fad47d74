// What Wire does to the project: gauges, strands, digits, routes, the drawer and allowances.
#include "measure/gauge.h"
#include "session/session.h"

#include "kit/say.h"
#include "wire/route_edit.h"

namespace columna {

void Session::setWireTab(int tab) {
  wireTab_ = tab;
  emit studyChanged();
}

void Session::setBare(bool on) {
  bare_ = on;
  emit studyChanged();
}

std::optional<QString> Session::edit(const QString& name, const std::function<void(Project&)>& act) {
  Project p = project();
  act(p);
  return change(name, std::move(p));
}

std::optional<QString> Session::moveEnd(int piece, bool atEnd, int point) {
  const Piece& moved = plan_->pieces[static_cast<size_t>(piece)];
  if (moved.group < 0) return std::nullopt;
  const WireGroup& group = plan_->groups[static_cast<size_t>(moved.group)];
  Routes routes;
  size_t which = 0;
  for (size_t i = 0; i < plan_->pieces.size(); ++i) {
    const Piece& each = plan_->pieces[i];
    if (each.group != moved.group) continue;
    if (static_cast<int>(i) == piece) which = routes.size();
    routes.emplace_back();
    for (const int p : each.route) routes.back().push_back(plan_->skeleton.points[static_cast<size_t>(p)].id);
  }
  const auto made = withEndMoved(plan_->skeleton, group, routes, which, atEnd, point);
  if (!made) {
    const QString sentence = columna::sentence(made.problem());
    emit refused(sentence);
    return sentence;
  }
  const std::string name = group.name;
  return edit(tr("end of piece %1").arg(QString::fromStdString(moved.tag)),
              [&](Project& p) { p.routes[name] = *made; });
}

void Session::setDigits(int limb, std::optional<PieceRules::Digits> digits) {
  Project p = project();
  p.change(plan_->figure, limb, [&](LimbChoice& c) { c.digits = digits; });
  change(tr("digits"), std::move(p));
}

QString Session::tiedName(int limb) const {
  const FigureLimb& part = plan_->figure.limbs[static_cast<size_t>(limb)];
  return QString::fromStdString(part.twin >= 0 && tied(limb) ? part.family + "s" : part.family);
}

void Session::setWires(int limb, std::optional<int> wires) {
  Project p = project();
  p.change(plan_->figure, limb, [&](LimbChoice& c) { c.wires = wires; });
  change(tr("%1: strands").arg(tiedName(limb)), std::move(p));
}

void Session::setHeld(int limb, std::optional<RootHold> held) {
  Project p = project();
  p.change(plan_->figure, limb, [&](LimbChoice& c) { c.held = held; });
  change(tr("%1: how held").arg(tiedName(limb)), std::move(p));
}

std::optional<QString> Session::stepWire(int limb, int step) {
  if (limb < 0 || !plan_->limbs[static_cast<size_t>(limb)].wired)
    return tr("Select a limb that has wire first.");
  const auto next = nextWire(*plan_, limb, step);
  if (!next) {
    const QString sentence = step > 0 ? tr("This is the thickest there is of this wire.")
                                      : tr("This is the thinnest there is of this wire.");
    emit refused(sentence);
    return sentence;
  }
  return setWire(limb, *next);
}

std::optional<QString> Session::setWire(int limb, double mm) {
  const LimbPlan& now = plan_->limbs[static_cast<size_t>(limb)];
  const auto refuse = [this](const QString& sentence) {
    emit refused(sentence);
    return sentence;
  };
  if (now.group < 0) return refuse(tr("That part has no wire; give it strands first."));
  if (!(mm > 0 && mm <= kThickestWire))
    return refuse(tr("No wire is that thick; give above 0 and up to %1 mm.").arg(kThickestWire));
  const QString name = mm > now.section.diameter ? tr("thicker wire") : tr("thinner wire");
  Project p = project();
  // Limbs that share a wire share the choice: the others' are dropped so that the newest counts.
  for (const int other : plan_->groups[static_cast<size_t>(now.group)].limbs) {
    const auto found = p.limbs.find(plan_->figure.limbs[static_cast<size_t>(other)].id);
    if (found == p.limbs.end()) continue;
    found->second.diameter.reset();
    if (found->second.empty()) p.limbs.erase(found);
  }
  p.change(plan_->figure, limb, [&](LimbChoice& c) { c.diameter = mm; });
  const FigureLimb& part = plan_->figure.limbs[static_cast<size_t>(limb)];
  return change(
      tr("%1: %2").arg(QString::fromStdString(part.twin >= 0 && tied(limb) ? part.family + "s" : part.family),
                       name),
      std::move(p));
}

void Session::setLimbMaterial(int limb, const QString& id) {
  const int group = plan_->limbs[static_cast<size_t>(limb)].group;
  Project p = project();
  for (const int other : plan_->groups[static_cast<size_t>(group)].limbs)
    p.change(plan_->figure, other, [&](LimbChoice& c) {
      c.material = id.toStdString();
      c.diameter.reset();
    });
  change(tr("wire material"), std::move(p));
}

void Session::clearWire(int limb) {
  const int group = plan_->limbs[static_cast<size_t>(limb)].group;
  Project p = project();
  for (const int other : plan_->groups[static_cast<size_t>(group)].limbs)
    p.change(plan_->figure, other, [](LimbChoice& c) {
      c.material.reset();
      c.diameter.reset();
    });
  change(tr("wire as reckoned"), std::move(p));
}

} // namespace columna
