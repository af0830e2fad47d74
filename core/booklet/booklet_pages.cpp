#include "booklet/booklet_pages.h"

#include "booklet/flow_pages.h"

#include <fmt/format.h>

#include <algorithm>

namespace columna {
namespace {

constexpr double kNumber = 13; ///< mm a step's number takes at the left
constexpr double kBetween = 5; ///< mm between two steps, and from the words to the picture

class BookPages {
public:
  BookPages(const Booklet& booklet, const BookletWish& wish, double aspect)
      : book_(booklet), flow_(wish.paper), aspect_(aspect) {}

  std::vector<Page> make() {
    title();
    needs();
    flow_.append(book_.guide);
    flow_.newPage();
    flow_.heading(book_.firstWords);
    for (size_t i = 0; i < book_.steps.size(); ++i) step(i + 1, book_.steps[i]);
    next();
    return flow_.take();
  }

private:
  void title() {
    flow_.newPage();
    const double size =
        std::clamp(flow_.clear() / (0.55 * static_cast<double>(letters(book_.name) + 1)), 4.0, 13.0);
    double& y = flow_.y();
    y += 12;
    flow_.marks().push_back(text({kMargin, y + size / 2}, book_.name, size, true));
    y += size / 2 + 3;
    flow_.tell({{book_.animal, 4, false, kFaint}});
    y += 8;
    const double high = 0.58 * flow_.high();
    if (aspect_ > 0) {
      const double wide = std::min(flow_.clear(), high * aspect_);
      Mark picture;
      picture.kind = Mark::Kind::Picture;
      picture.text = kTitlePicture;
      const Point at(kMargin + (flow_.clear() - wide) / 2, y);
      picture.points = {at, at + Point(wide, wide / aspect_)};
      flow_.marks().push_back(std::move(picture));
      y += wide / aspect_ + 8;
    } else {
      FlowPages::place(flow_.marks(), book_.finished,
                       {kMargin + (flow_.clear() - book_.finished.wide) / 2, y});
      y += book_.finished.high + 8;
    }
    for (const std::string& fact : book_.facts) flow_.tell({{fact, 4}});
  }

  void needs() {
    flow_.newPage();
    for (const BookletPart& part : book_.needs) {
      flow_.heading(part.title);
      for (const std::string& each : part.lines) flow_.tell({{each, 3.4, false, kInk, Told::Sign::Box}});
    }
    flow_.heading(book_.care.title);
    for (const std::string& each : book_.care.lines) flow_.tell({{each, 3.4, false, kInk, Told::Sign::Warn}});
  }

  [[nodiscard]] std::vector<Told> wordsOf(const BookletStep& step) const {
    constexpr double gap = 0.9; // mm between what it comes to, what to fetch, how, and cautions
    std::vector<Told> out;
    const auto add = [&out](Told told, bool begins) {
      told.before = begins && !out.empty() ? gap : 0;
      out.push_back(std::move(told));
    };
    for (const std::string& each : step.reach) add({each, 3.8, true, kInk, Told::Sign::Box}, false);
    std::string fetch;
    for (const std::string& each : step.fetch) fetch += (fetch.empty() ? "" : " · ") + each;
    if (!fetch.empty()) add({fetch, 3.2, false, kFaint}, true);
    for (size_t i = 0; i < step.how.size(); ++i) add({step.how[i], 3.2}, i == 0);
    for (size_t i = 0; i < step.own.size(); ++i)
      add({book_.ownWords + " " + step.own[i], 3.2, true, kFaint}, i == 0);
    for (size_t i = 0; i < step.cautions.size(); ++i)
      add({step.cautions[i], 2.8, false, kWarn, Told::Sign::Warn}, i == 0);
    return out;
  }

  void step(size_t number, const BookletStep& step) {
    const bool beside = !step.wide && !step.picture.marks.empty();
    const double wide = flow_.clear() - kNumber - (beside ? kStepPictureWide + kBetween : 0);
    const std::vector<Told> told = wordsOf(step);
    const std::vector<Told> head{{step.title, 4.4, true}, {step.time, 3, false, kFaint}};
    const double words = FlowPages::highOf(head, wide) + 1 + FlowPages::highOf(told, wide);
    const double picture = step.picture.marks.empty() ? 0 : step.picture.high;
    flow_.room((beside ? std::max(words, picture + 1) : words + (step.wide ? picture + 2 : 0)) + kBetween);
    const size_t begun = flow_.count();
    const double top = flow_.y();
    flow_.marks().push_back(
        text({kMargin, top + 6.2}, fmt::format("{}", number), 6, true, TextAlign::Left, kFaint));
    if (beside)
      FlowPages::place(flow_.marks(), step.picture, {kMargin + flow_.clear() - kStepPictureWide, top + 1});
    double& y = flow_.y();
    y = top + FlowPages::put(flow_.marks(), head, {kMargin + kNumber, top}, wide) + 1;
    const auto fit = [&](double block) {
      if (y + block > flow_.bottom()) flow_.newPage(); // more than a page holds goes on over the next one
    };
    for (const Told& each : told) {
      fit(FlowPages::highOf({each}, wide));
      y += FlowPages::put(flow_.marks(), {each}, {kMargin + kNumber, y}, wide);
    }
    if (beside && flow_.count() == begun) y = std::max(y, top + 1 + picture);
    if (step.wide) {
      fit(picture + 2);
      FlowPages::place(flow_.marks(), step.picture, {kMargin + kNumber, y + 2});
      y += picture + 2;
    }
    flow_.pictures(step.photos, kNumber);
    y += kBetween / 2;
    flow_.rule();
    y += kBetween / 2;
  }

  /// Room to write down what to do otherwise.
  void next() {
    flow_.room(60);
    flow_.heading(book_.nextWords);
    for (int k = 0; k < 4; ++k) {
      flow_.y() += 9;
      flow_.rule();
    }
  }

  const Booklet& book_;
  FlowPages flow_;
  double aspect_;
};

} // namespace

std::vector<Page> bookletPages(const Booklet& booklet, const BookletWish& wish, const Manner& manner,
                               double aspect) {
  std::vector<Page> pages = BookPages(booklet, wish, aspect).make();
  numberPages(pages, booklet.name, manner);
  if (wish.grey)
    for (Page& page : pages) {
      inGrey(page.marks);
      inGrey(page.inside);
    }
  return pages;
}

} // namespace columna
