#include "booklet/booklet.h"

#include "sheet/wire_pages.h"
#include "sheet/wool_pages.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace columna {
namespace {

constexpr double kHour = 60; ///< minutes

/// With a large first letter and its stop.
std::string sentenceOf(const Said& said, const Manner& manner) {
  std::string text = render(said.with(Name::First::Upper), manner);
  if (!text.empty() && std::string(".!?:").find(text.back()) == std::string::npos) text += '.';
  return text;
}

Said hours(double minutes) {
  return minutes < 2 * kHour ? say("{} min", std::lround(minutes))
                             : say("{} h", std::lround(minutes / kHour));
}

class Maker {
public:
  Maker(const BookletAsk& ask, const BookletWish& wish)
      : ask_(ask), wish_(wish), manner_(ask.manner()), builds_(buildSteps(ask.plan.figure, ask.plan.wool)),
        pictures_(ask.plan, ask.face, ask.steps, manner_) {}

  Booklet make() {
    Booklet out;
    head(out);
    needs(out);
    out.firstWords = words(say("Step by step"));
    out.ownWords = words(say("own note:"));
    out.guideWords = words(say("True size, to print at 100 %"));
    out.nextWords = words(say("For the next one"));
    for (size_t i = 0; i < ask_.steps.steps.size(); ++i) {
      if (ask_.stop && *ask_.stop) return out;
      out.steps.push_back(step(i));
      if (ask_.progress)
        *ask_.progress = static_cast<int>(900 * (i + 1) / std::max<size_t>(1, ask_.steps.steps.size()));
    }
    if (wish_.guide) {
      SheetParts parts;
      parts.lists = parts.assembly = parts.wool = parts.poses = false; // the steps say it
      out.guide = trueSizeGuide(ask_.project, ask_.plan, ask_.catalog, wish_.paper, parts, ask_.language);
    }
    if (wish_.grey) grey(out);
    return out;
  }

private:
  [[nodiscard]] std::string words(const Said& said) const { return render(said, manner_); }

  void head(Booklet& out) const {
    const Plan& plan = ask_.plan;
    const Figure& figure = plan.figure;
    out.name = ask_.project.name;
    out.animal =
        words(say("{}, {} high, {} over all; {}", Name(figure.patternName), Length(figure.overallHeight),
                  Length(figure.totalLength), Name(name(ask_.project.construction))));
    out.facts.push_back(
        words(say("{} steps, about {} h of work and {} h around it at a usual pace", ask_.steps.steps.size(),
                  std::lround(ask_.steps.planned() / kHour), std::lround(ask_.steps.around() / kHour))));
    out.facts.push_back(words(say("{} when it is done", Mass(plan.totals.mass))));
    out.finished = pictures_.finished(180, 140);
  }

  void needs(Booklet& out) const {
    const Plan& plan = ask_.plan;
    const auto part = [&](const Said& title, std::vector<std::string> lines) {
      if (!lines.empty()) out.needs.push_back({words(title), std::move(lines)});
    };
    std::vector<std::string> wire;
    for (const Said& each : wireToFetch(plan, ask_.catalog)) wire.push_back(words(each));
    part(say("Wire"), std::move(wire));
    std::vector<std::string> wool{words(say("{} of core wool", Mass(plan.totals.core))),
                                  words(say("{} of coat wool", Mass(plan.totals.coat)))};
    for (const MarkedArea& area : plan.wool->markings)
      wool.push_back(words(
          say("of it {} for the marking {}, {}", Mass(area.grams), AsIs(area.name), Name(word(area.tone)))));
    for (const HairRow& row : plan.wool->hair)
      if (row.grams > 0) wool.push_back(words(say("of it {} for the {}", Mass(row.grams), Name(row.name))));
    part(say("Wool"), std::move(wool));
    std::vector<std::string> counted;
    std::vector<std::string> tools;
    std::set<std::string> seen;
    std::set<Caution> cautions;
    for (const Step& s : ask_.steps.steps) {
      for (const Fetch& f : s.fetch) {
        const bool parts = f.what == Fetch::What::Eye || f.what == Fetch::What::Ready;
        if (!parts && f.what != Fetch::What::Tool) continue;
        std::string told = words(fetchWords(f));
        if (seen.insert(told).second) (parts ? counted : tools).push_back(std::move(told));
      }
      cautions.insert(s.cautions.begin(), s.cautions.end());
    }
    part(say("Parts"), std::move(counted));
    part(say("Tools"), std::move(tools));
    out.care.title = words(say("Take care"));
    for (const Caution c : cautions) out.care.lines.push_back(words(cautionText(c)));
    std::set<std::string> materials;
    for (const WireSection& section : plan.sections)
      if (!section.material.caution.empty() && materials.insert(section.material.caution).second)
        out.care.lines.push_back(words(Name(section.material.caution)));
    out.care.lines.push_back(words(say("Product labels, local rules and trained people come first.")));
  }

  BookletStep step(size_t i) const {
    const Step& s = ask_.steps.steps[i];
    BookletStep out;
    out.id = s.id;
    out.title = words(s.words.with(Name::First::Upper));
    out.time = words(say("{}, {}", hours(s.planned), Name(name(s.bench))));
    // A heap is said once: what is fetched is what is to be on it.
    const auto heap = [&](const Fetch& f) {
      const bool wool = f.what == Fetch::What::Core || f.what == Fetch::What::Coat;
      return wool && std::any_of(s.goals.begin(), s.goals.end(), [&](const Goal& g) {
               return g.what == Goal::What::Weight && g.value == f.amount;
             });
    };
    for (const Fetch& f : s.fetch)
      if (heap(f)) out.reach.push_back(words(fetchWords(f)));
    for (const Goal& g : s.goals)
      if (std::none_of(s.fetch.begin(), s.fetch.end(), [&](const Fetch& f) {
            return g.what == Goal::What::Weight && heap(f) && f.amount == g.value;
          }))
        out.reach.push_back(words(g.what == Goal::What::Count ? say("{} {}", goalFigure(g), g.words)
                                                              : say("{}, {}", goalFigure(g), g.words)));
    for (const Fetch& f : s.fetch)
      if (!heap(f)) out.fetch.push_back(words(fetchWords(f)));
    how(out, s);
    for (const Caution c : s.cautions) out.cautions.push_back(words(cautionText(c)));
    if (wish_.own) own(out);
    out.picture = pictures_.of(i, kStepPictureWide, kStepPictureHigh);
    out.wide = out.picture.wide > kStepPictureWide + 1e-6;
    return out;
  }

  void how(BookletStep& out, const Step& s) const {
    const Plan& plan = ask_.plan;
    if (!s.advice.empty()) out.how.push_back(sentenceOf(s.advice, manner_));
    if (s.piece >= 0) {
      std::string bends;
      for (const Said& each : bendWords((*plan.pieces)[static_cast<size_t>(s.piece)]))
        bends += (bends.empty() ? "" : ", ") + words(each);
      if (!bends.empty()) out.how.push_back(words(say("Bends, from its left end: {}.", AsIs(bends))));
    }
    if (s.build >= 0) {
      const BuildStep& build = builds_[static_cast<size_t>(s.build)];
      if (const Said made = portionWords(plan, build); !made.empty())
        out.how.push_back(sentenceOf(made, manner_));
      const auto limb = static_cast<size_t>(build.limb);
      const Winding& w = plan.wool->limbs[limb].winding;
      if (build.kind == BuildStep::Kind::Wind && w.strips > 0) {
        out.how.push_back(
            words(say("Begin {}; wind {}; end {}.", Name(w.start), Name(w.way), Name(w.finish))));
        if (const Said more = windingWords(plan, limb); !more.empty()) out.how.push_back(words(more));
      }
    }
    if (s.wait > 0)
      out.how.push_back(words(say("Then it dries {} to {} before what follows; the packet's own time goes "
                                  "first.",
                                  hours(s.waitLow), hours(s.wait))));
  }

  void own(BookletStep& out) const {
    const std::set<std::string> gone = withdrawn(ask_.entries);
    for (const Entry& e : ask_.entries) {
      if (e.step != out.id || gone.contains(e.id)) continue;
      const bool words =
          e.kind == EntryKind::Note || e.kind == EntryKind::NextTime || e.kind == EntryKind::Photo;
      if (words && !e.text.empty()) out.own.push_back(e.text);
      if (e.kind == EntryKind::Photo && !e.photo.empty()) out.photos.push_back(e.photo);
    }
  }

  static void grey(Booklet& out) {
    inGrey(out.finished.marks);
    for (BookletStep& s : out.steps) inGrey(s.picture.marks);
    for (Page& page : out.guide) {
      inGrey(page.marks);
      inGrey(page.inside);
    }
  }

  const BookletAsk& ask_;
  BookletWish wish_;
  Manner manner_;
  std::vector<BuildStep> builds_;
  StepPictures pictures_;
};

} // namespace

Booklet bookletOf(const BookletAsk& ask, const BookletWish& wish) { return Maker(ask, wish).make(); }

} // namespace columna
