#include "steps/step.h"

#include <array>
#include <cmath>

namespace columna {

std::string_view id(PaceKind kind) {
  constexpr std::array<std::string_view, kPaceKinds> ids{"wire", "core-firm", "core-medium", "core-soft",
                                                         "coat", "digits",    "face",        "around"};
  return ids[static_cast<size_t>(kind)];
}

std::string_view name(PaceKind kind) {
  switch (kind) {
  case PaceKind::Wire:
    return named("wire");
  case PaceKind::CoreFirm:
    return named("firm core");
  case PaceKind::CoreMedium:
    return named("medium core");
  case PaceKind::CoreSoft:
    return named("soft core");
  case PaceKind::Coat:
    return named("coat");
  case PaceKind::Digits:
    return named("toes and fingers");
  case PaceKind::Face:
    return named("face");
  case PaceKind::Around:
    break;
  }
  return named("round the work");
}

Said cautionText(Caution caution) {
  switch (caution) {
  case Caution::Needle:
    return say(
        "Stab straight and slowly, beside the wire and never towards a finger: needles are barbed and snap. "
        "Guard your fingers and your eyes.");
  case Caution::WireEnds:
    return say("Wear goggles when you cut: ends fly. Turn every end back.");
  case Caution::Glue:
    return say("Read the label: air the room, and keep it off your skin.");
  case Caution::Clay:
    return say("Bake by the packet and no hotter, before it touches wool, and air the room.");
  case Caution::Wax:
    return say("Melt it in a water bath, never over a flame; no water on burning wax. It burns skin: this is "
               "for adults.");
  case Caution::Blades:
    return say("Cut away from yourself.");
  case Caution::SmallParts:
    return say("Eyes, wire and needles' tips are nothing for small children: a figure is no toy.");
  case Caution::Hands:
    break;
  }
  return say("Rest your hands; stop when they hurt.");
}

Said fetchWords(const Fetch& fetch) {
  switch (fetch.what) {
  case Fetch::What::Core:
  case Fetch::What::Coat:
  case Fetch::What::Ready:
    return say("{} {}", Mass(fetch.amount), fetch.words);
  case Fetch::What::Piece:
  case Fetch::What::Flat:
  case Fetch::What::Eye:
    if (fetch.amount > 1) return say("{} × {}", std::lround(fetch.amount), fetch.words);
    break;
  case Fetch::What::Tool:
    break;
  }
  return fetch.words;
}

Said goalFigure(const Goal& goal) {
  switch (goal.what) {
  case Goal::What::Weight:
    return Mass(goal.value);
  case Goal::What::Long:
    return say("{} long", Length(goal.value, 0));
  case Goal::What::Round:
    return say("{} round", Length(goal.value, 0));
  case Goal::What::Count:
    break;
  }
  return Number(goal.value, 0);
}

std::optional<int> StepPlan::find(std::string_view id) const {
  for (size_t i = 0; i < steps.size(); ++i)
    if (steps[i].id == id) return static_cast<int>(i);
  return std::nullopt;
}

double StepPlan::planned() const {
  double sum = 0;
  for (const Step& s : steps)
    if (s.pace != PaceKind::Around) sum += s.planned;
  return sum;
}

double StepPlan::around() const {
  double sum = 0;
  for (const Step& s : steps)
    if (s.pace == PaceKind::Around) sum += s.planned;
  return sum;
}

} // namespace columna
