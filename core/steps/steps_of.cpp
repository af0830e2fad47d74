#include "steps/steps_of.h"

#include "steps/making.h"

#include <algorithm>

namespace columna {

RootHold Making::rootOf(int l) const {
  const int group = plan.limbs[static_cast<size_t>(l)].group;
  return group < 0 ? RootHold::Lashed : plan.groups[static_cast<size_t>(group)].root;
}

bool Making::inSkeleton(int l) const {
  return wired(l) && rootOf(l) != RootHold::Glued && rootOf(l) != RootHold::Through;
}

int Making::first(LimbKind kind) const {
  for (int l = 0; l < limbs(); ++l)
    if (limb(l).kind == kind) return l;
  return -1;
}

std::optional<int> Making::of(const char* verb, int l) const {
  return l < 0 ? std::nullopt : list.find(verb + ("/" + limb(l).id));
}

std::optional<int> Making::cored(int l) const {
  for (const char* verb : {"skin", "firm", "wind", "set"})
    if (const auto found = of(verb, l)) return found;
  return std::nullopt;
}

Step Making::onLimb(const char* verb, int l, Said words, Bench bench, PaceKind pace) const {
  Step s;
  s.id = std::string(verb) + "/" + limb(l).id;
  s.words = std::move(words);
  s.bench = bench;
  s.pace = pace;
  s.limb = l;
  s.batch = std::string(verb) + "/" + limb(l).family;
  return s;
}

std::string slug(std::string text) {
  std::erase(text, ',');
  for (char& c : text) {
    if (c == ' ' || c == '/') c = '-';
    if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
  }
  return text;
}

void Making::dries(Step& step, const std::string& id) const {
  const Drying* found = catalog.drying.find(id);
  if (!found || 60 * found->load.y() <= step.wait) return;
  step.wait = 60 * found->load.y();
  step.waitLow = 60 * found->load.x();
  step.drying = found->id;
}

std::string Making::glue(const std::string& wished) const {
  const Drying* named = catalog.drying.find(wished);
  if (named && named->glue) return named->id;
  for (const Drying& each : catalog.drying.all)
    if (each.glue) return each.id;
  return {};
}

Goal Making::weightGoal(double grams) const {
  return {Goal::What::Weight,
          grams,
          std::max(book().leastWeight, book().withinWeight * grams),
          0,
          say("the heap"),
          std::max(book().pairLeast, std::min(book().pairWeight, book().pairShare * grams))};
}

Goal Making::girthGoal(double girth, double along, Said words) const {
  return {Goal::What::Round, girth, std::max(book().leastGirth, book().withinGirth * girth), along,
          std::move(words)};
}

StepPlan stepsOf(const Project& project, const Catalog& catalog, const Plan& plan, const FaceSums* face) {
  StepList list;
  Making m{project, catalog, plan, face, list};
  Step sheet;
  sheet.id = "print/sheet";
  sheet.words = say("print the sheet");
  sheet.advice = say("measure its bar: only then is it true to size");
  sheet.bench = Bench::Paper;
  sheet.planned = m.book().printSheet;
  sheet.fetch.push_back({Fetch::What::Tool, 0, say("printer and steel rule")});
  list.add(std::move(sheet));
  wireSteps(m);
  woolSteps(m);
  coatSteps(m);
  headSteps(m);
  lastSteps(m);
  StepPlan out = list.take();
  out.layOut = m.book().layOut;
  return out;
}

} // namespace columna
