#include "anatomy/proportion.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

struct Ratio {
  std::string id, words, part;
  double value = 0;
};

double widest(const Figure& f, const FigureLimb& limb) {
  double most = 0;
  for (const int b : limb.bones)
    for (const Station& s : f.bones[static_cast<size_t>(b)].stations)
      most = std::max(most, (s.across + s.deep) / 2);
  return most;
}

const FigureLimb* first(const Figure& f, LimbKind kind) {
  for (const FigureLimb& limb : f.limbs)
    if (limb.kind == kind) return &limb;
  return nullptr;
}

std::vector<Ratio> ratiosOf(const Figure& f) {
  std::vector<Ratio> out;
  const FigureLimb* trunk = first(f, LimbKind::Trunk);
  if (!trunk || !(trunk->length > 0)) return out;
  for (const FigureLimb& limb : f.limbs) {
    if (limb.side < 0 || !(limb.length > 0) || limb.kind == LimbKind::Trunk) continue;
    out.push_back({limb.family + "-to-body", limb.part + " to body", limb.part, limb.length / trunk->length});
  }
  out.push_back(
      {"girth-to-body", std::string(named("girth to body")), "trunk", widest(f, *trunk) / trunk->length});
  if (const FigureLimb* head = first(f, LimbKind::Head); head)
    out.push_back({"head-girth-to-girth", std::string(named("head's girth to the trunk's")), "head",
                   widest(f, *head) / widest(f, *trunk)});
  if (f.shoulderHeight > 0)
    out.push_back({"shoulder-to-body", std::string(named("shoulder height to body")), "legs",
                   f.shoulderHeight / trunk->length});
  if (const FigureLimb* head = first(f, LimbKind::Head); head && f.eyeDiameter > 0)
    out.push_back(
        {"eye-to-head", std::string(named("eye to head")), "eyes", f.eyeDiameter / widest(f, *head)});
  return out;
}

} // namespace

double proportionSpread(const std::string& id) {
  if (id.starts_with("tail") || id.find("toes") != std::string::npos ||
      id.find("finger") != std::string::npos)
    return 0.2;
  if (id.find("girth") != std::string::npos || id.starts_with("eye")) return 0.15;
  return 0.1;
}

std::vector<Proportion> proportions(const Figure& figure, const Figure& animal) {
  std::vector<Proportion> out;
  const std::vector<Ratio> wanted = ratiosOf(animal);
  for (const Ratio& r : ratiosOf(figure)) {
    const auto it = std::find_if(wanted.begin(), wanted.end(), [&](const Ratio& w) { return w.id == r.id; });
    if (it == wanted.end() || !(it->value > 0)) continue;
    Proportion p{r.id, r.words, r.value, it->value, 0, 0, 0, {}};
    const double spread = proportionSpread(r.id);
    p.low = it->value * (1 - spread);
    p.high = it->value * (1 + spread);
    p.verdict = r.value > p.high * (1 + 1e-9) ? 1 : r.value < p.low * (1 - 1e-9) ? -1 : 0;
    const Name kind = lowerName(animal.patternName);
    // English alone asks; a language has both sentences to say it in.
    const bool vowel =
        !kind.text.empty() && std::string_view("AEIOUaeiou").find(kind.text[0]) != std::string_view::npos;
    const double percent = std::abs(r.value / it->value - 1) * 100;
    const Name part(r.part);
    const Number off(percent, 0);
    p.sentence = p.verdict == 0  ? say("within the animal's range")
                 : p.verdict > 0 ? (vowel ? say("{} {} % large for an {}", part, off, kind)
                                          : say("{} {} % large for a {}", part, off, kind))
                                 : (vowel ? say("{} {} % small for an {}", part, off, kind)
                                          : say("{} {} % small for a {}", part, off, kind));
    out.push_back(std::move(p));
  }
  return out;
}

Eigen::Vector2d meanSection(const Pattern& pattern, const std::vector<std::string>& bones) {
  Eigen::Vector2d sum(0, 0);
  double count = 0;
  for (const std::string& id : bones)
    if (const PatternBone* b = pattern.bone(id); b && b->wire)
      for (const Station& s : b->stations) {
        sum += Eigen::Vector2d(s.across, s.deep);
        ++count;
      }
  return count > 0 ? Eigen::Vector2d(sum / count) : Eigen::Vector2d(1, 1);
}

} // namespace columna
