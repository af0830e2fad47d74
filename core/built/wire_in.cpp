#include "built/wire_in.h"

#include "judge/planning.h"

#include <algorithm>
#include <set>
#include <string_view>

namespace columna {
namespace {

/// What can be done about a finding of a part whose wire is in, or of a pair of them; nothing where nothing
/// can or need be.
Said asItIs(const Finding& finding, const Plan& plan, size_t l, bool pair) {
  const LimbPlan& limb = plan.limbs[l];
  const FigureLimb& part = plan.figure->limbs[l];
  const Said name = pair ? say("Both {}", Name(part.plural)) : Said(Name(part.name));
  const std::string id = finding.id();
  if (id == "will-not-hold")
    return say(
        "{}: the wire is in and gives way under the weight. Hang the figure or set it on a rod, and lay "
        "what is left of the wool no thicker than planned.",
        name);
  if (id == "may-sag" || id == "no-wire-for")
    return say("{}: the wire is in and holds {} its load. Prop what it carries, or rest it on something, and "
               "lay what is left of the wool no thicker than planned.",
               name, Times(limb.hold.hold));
  if (id == "droop-if-knocked" || id == "droops-if-knocked")
    return say(
        "{}: the wire is in and is bent by a knock of {}. Carry the figure by its body, and set it where "
        "nothing knocks it.",
        name, Force(plan.loads.nudge, 2));
  if (id == "stiff-to-pose")
    return say("{}: the wire is in and takes {} to bend. Bend it with both hands, close to the joint.", name,
               Force(limb.hold.effort, 0));
  if (id == "thinly-covered" || id == "thinner-than-its-wire")
    return say("{}: the wire is in and little wool covers it. Lay more over it at its thinnest.", name);
  return {};
}

} // namespace

std::vector<bool> wireIn(const Figure& figure, const std::vector<Entry>& record) {
  std::vector<bool> out(figure.limbs.size(), false);
  if (record.empty()) return out;
  const std::set<std::string> gone = withdrawn(record);
  for (const Entry& e : record) {
    if (e.kind != EntryKind::Done || gone.contains(e.id)) continue;
    for (const std::string_view verb : {"wind/", "firm/"})
      if (e.step.starts_with(verb))
        if (const auto l = figure.limb(e.step.substr(verb.size()))) out[static_cast<size_t>(*l)] = true;
  }
  return out;
}

std::vector<Finding> withWireIn(const Plan& plan, const std::vector<bool>& in) {
  std::vector<Finding> out;
  for (const Finding& f : plan.findings) {
    const auto l = f.topic == Topic::Wire ? plan.figure->limb(f.where) : std::nullopt;
    const auto at = static_cast<size_t>(l.value_or(-1));
    // One of a pair that is alike is said of both: what can still be changed of its twin is told as before.
    const int twin = l ? plan.figure->limbs[at].twin : -1;
    const bool pair = twin >= 0 && alike(plan, at, static_cast<size_t>(twin));
    const bool both = !pair || (static_cast<size_t>(twin) < in.size() && in[static_cast<size_t>(twin)]);
    if (!l || !plan.limbs[at].wired || at >= in.size() || !in[at] || !both) {
      out.push_back(f);
      continue;
    }
    Finding as = f;
    as.text = asItIs(f, plan, at, pair);
    if (!as.text.empty()) out.push_back(std::move(as));
  }
  return out;
}

} // namespace columna
