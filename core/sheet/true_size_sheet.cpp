#include "sheet/true_size_sheet.h"

#include "sheet/face_pages.h"
#include "sheet/marks.h"
#include "sheet/mat_page.h"
#include "sheet/pose_page.h"
#include "sheet/tiles.h"
#include "sheet/view_drawing.h"
#include "sheet/wire_pages.h"
#include "sheet/wool_pages.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <set>
#include <utility>

namespace columna {
namespace {

constexpr double kViewHead = 8; ///< mm over a view for its words, and under it

class Sheet {
public:
  Sheet(const Project& project, const Plan& plan, const Catalog& catalog, Paper paper,
        const SheetParts& parts, const Manner& manner)
      : project_(project), plan_(plan), catalog_(catalog), paper_(paper), parts_(parts), manner_(manner),
        size_(paperSize(paper)) {}

  std::vector<Page> make() {
    if (parts_.lists) lists();
    append(trueSize());
    Filler told(paper_, true, manner_);
    if (parts_.bends) bendTables(told, plan_);
    if (parts_.assembly) assembly(told, project_, plan_);
    if (parts_.wool) portions(told, plan_);
    if (parts_.poses) poses(told, project_, plan_, catalog_);
    append(told.take());
    if (parts_.face) {
      Filler face(paper_, true, manner_);
      std::vector<Page> large = facePages(face, project_, plan_, catalog_, paper_);
      std::vector<Page> drawn = face.take();
      for (Page& page : drawn) scaleBar(page.marks, {kMargin, page.height - kMargin - 4}, manner_);
      append(std::move(drawn));
      append(std::move(large));
    }
    if (parts_.mat) pages_.push_back(matPage(project_, plan_, catalog_, paper_, manner_));
    return std::move(pages_);
  }

private:
  [[nodiscard]] std::string words(const Said& said) const { return render(said, manner_); }

  Page& newPage(bool upright = true) {
    Page page;
    page.width = upright ? size_.x() : size_.y();
    page.height = upright ? size_.y() : size_.x();
    pages_.push_back(std::move(page));
    y_ = kMargin + 6;
    return pages_.back();
  }

  /// Room for a block of that height on the page at hand, or a new page.
  std::vector<Mark>& room(double height) {
    if (pages_.empty() || y_ + height > pages_.back().height - kMargin - 4)
      newPage(pages_.empty() || pages_.back().width < pages_.back().height);
    return pages_.back().marks;
  }

  void heading(const Said& said) {
    room(16);
    y_ += 5;
    pages_.back().marks.push_back(text({kMargin, y_}, words(said), 4.6, true));
    y_ += 2;
    pages_.back().marks.push_back(line({kMargin, y_}, {pages_.back().width - kMargin, y_}, 0.2, kRule));
    y_ += 5;
  }

  void paragraph(const Said& said, Rgb colour = kInk) {
    for (const std::string& each : wrap(words(said), 112)) {
      room(5).push_back(text({kMargin, y_}, each, 3.2, false, TextAlign::Left, colour));
      y_ += 4.6;
    }
  }

  void lists() {
    Page& page = newPage();
    page.marks.push_back(text({kMargin, y_ + 2}, project_.name,
                              std::clamp(230.0 / static_cast<double>(letters(project_.name) + 1), 2.9, 7.5),
                              true));
    y_ += 9;
    page.marks.push_back(
        text({kMargin, y_},
             words(say("{}, {} high, {} at the shoulder, {} over all; {}", Name(plan_.figure->patternName),
                       Length(plan_.figure->overallHeight), Length(plan_.figure->shoulderHeight),
                       Length(plan_.figure->totalLength), Name(name(project_.construction)))),
             3.6, false, TextAlign::Left, kFaint));
    y_ += 8;
    scaleBar(page.marks, {kMargin, y_ + 2}, manner_);
    y_ += 6;
    fetch();
    cautions();
    cutList();
    wool();
    if (!plan_.findings.empty()) {
      heading(say("To look at"));
      for (const Finding& f : plan_.findings) paragraph(say("{}: {}", Name(word(f.level)), f.text));
    }
  }

  void fetch() {
    heading(say("To fetch"));
    for (const Said& wire : wireToFetch(plan_, catalog_)) paragraph(wire);
    paragraph(say("{} of core wool and {} of coat wool", Mass(plan_.totals.core), Mass(plan_.totals.coat)));
  }

  void cautions() {
    heading(say("Take care"));
    std::set<std::string> said;
    for (const WireSection& section : plan_.sections)
      if (!section.material.caution.empty() && said.insert(section.material.caution).second)
        paragraph(Name(section.material.caution));
    paragraph(
        say("Needles pierce fingers and snap on wire: slow, straight, beside the wire, eyes covered. Not "
            "for children under three, nor anyone who mouths things. "
            "Product labels, local rules and trained people come first."));
  }

  void cutList() {
    heading(say("To cut"));
    for (const Piece& piece : plan_.pieces) {
      std::vector<Mark>& out = room(7);
      Mark tick;
      tick.points = {
          {kMargin, y_ - 3}, {kMargin + 3.4, y_ - 3}, {kMargin + 3.4, y_ + 0.4}, {kMargin, y_ + 0.4}};
      tick.closed = true;
      tick.stroke = kInk;
      out.push_back(tick);
      out.push_back(text({kMargin + 7, y_}, piece.tag, 3.6, true));
      out.push_back(text({kMargin + 15, y_}, words(Name(piece.name)), 3.4));
      const Material* material = catalog_.material(piece.material);
      out.push_back(text({kMargin + 62, y_},
                         words(say("{} {}", Length(piece.diameter, 2),
                                   Name(material ? std::string_view(material->shortName) : piece.material))),
                         3.4));
      out.push_back(text({kMargin + 130, y_}, words(Length(piece.cut)), 3.6, true, TextAlign::Right));
      std::vector<Said> marks;
      for (const Feature& f : piece.features)
        if (f.kind == "fold" || f.kind == "loop")
          marks.push_back(say("{} at {}", Name(f.kind), Length(f.at + f.takes / 2)));
      std::string told;
      for (const Said& mark : marks) told += (told.empty() ? "" : ", ") + words(mark);
      if (letters(told) > 34) told = words(marks.front()) + " …";
      out.push_back(text({kMargin + 134, y_}, told, 3.0, false, TextAlign::Left, kFaint));
      y_ += 5.6;
    }
  }

  void wool() {
    heading(say("To weigh out"));
    const auto row = [&](const Said& a, const Said& b, const Said& c, const Said& d, bool bold) {
      std::vector<Mark>& out = room(6);
      out.push_back(text({kMargin + 7, y_}, words(a), 3.4, bold));
      out.push_back(text({kMargin + 74, y_}, words(b), 3.4, bold, TextAlign::Right));
      out.push_back(text({kMargin + 100, y_}, words(c), 3.4, bold, TextAlign::Right));
      out.push_back(text({kMargin + 140, y_}, words(d), 3.4, bold, TextAlign::Right));
      y_ += 5.2;
    };
    row(say("limb"), say("core"), say("coat"), say("girth, coat on"), true);
    for (size_t l = 0; l < plan_.figure->limbs.size(); ++l) {
      const LimbWool& w = plan_.wool->limbs[l];
      row(Name(plan_.figure->limbs[l].name), Mass(w.core), Mass(w.coat), Length(w.girthMax), false);
    }
    row(say("in all"), Mass(plan_.totals.core), Mass(plan_.totals.coat), {}, true);
  }

  void append(std::vector<Page> more) {
    for (Page& page : more) pages_.push_back(std::move(page));
  }

  /// What is at true size shares its pages, upright or on their side, whichever needs fewer.
  std::vector<Page> trueSize() {
    std::vector<Page> best;
    for (const bool upright : {false, true}) {
      const std::vector<Page> before = std::exchange(pages_, {});
      Filler shapes(paper_, upright, manner_);
      if (parts_.views || parts_.shapes) viewsAndTapes(shapes);
      if (parts_.strips) strips(shapes, plan_);
      if (parts_.shapes) padOutlines(shapes, plan_);
      std::vector<Page> drawn = shapes.take();
      for (Page& page : drawn) scaleBar(page.marks, {kMargin, page.height - kMargin - 4}, manner_);
      append(std::move(drawn)); // after the tiles of what is larger than a page
      drawn = std::exchange(pages_, before);
      if (best.empty() || drawn.size() < best.size()) best = std::move(drawn);
    }
    return best;
  }

  /// Small views share a page, the others are tiled. Tapes are short: they find room beside the last of the
  /// tall views, before the low one.
  void viewsAndTapes(Filler& pages) {
    std::vector<ViewDrawing> small;
    if (parts_.views)
      for (const View view : {View::Side, View::Front, View::Above}) {
        ViewDrawing each = drawView(plan_, view);
        if (each.width <= pages.clear() && each.height + kViewHead <= pages.tallest())
          small.push_back(std::move(each));
        else
          tiles(each);
      }
    std::stable_sort(small.begin(), small.end(),
                     [](const ViewDrawing& a, const ViewDrawing& b) { return a.height > b.height; });
    const auto low = std::partition_point(small.begin(), small.end(), [&](const ViewDrawing& each) {
      return each.height + kViewHead > pages.tallest() / 2;
    });
    const auto draw = [&](auto from, auto to) {
      if (from == to) return;
      pages.section(say("True size: lay the wire on it"));
      for (auto each = from; each != to; ++each) {
        const Point at = pages.place(each->width, each->height + kViewHead);
        pages.marks().push_back(
            text(at, words(say("{} at true size", Name(viewWords(each->view)))), 3.4, true));
        for (Mark m : each->marks) {
          for (Point& p : m.points) p += at + Point(0, 3);
          pages.marks().push_back(std::move(m));
        }
      }
    };
    draw(small.begin(), low);
    if (parts_.shapes && low != small.begin()) tapes(pages, plan_);
    draw(low, small.end());
    if (parts_.shapes && low == small.begin()) tapes(pages, plan_);
  }

  void tiles(const ViewDrawing& drawn) {
    append(tiled({drawn.marks, drawn.width, drawn.height},
                 say("{} at true size.", Name(viewWords(drawn.view))), say("Lay the wire on it."), paper_,
                 manner_));
  }

  const Project& project_;
  const Plan& plan_;
  const Catalog& catalog_;
  Paper paper_;
  SheetParts parts_;
  Manner manner_;
  Point size_;
  std::vector<Page> pages_;
  double y_ = 0;
};

} // namespace

const std::vector<SheetPart>& sheetParts() {
  static const std::vector<SheetPart> parts{
      {"lists", named("lists: to fetch, cut and weigh"), &SheetParts::lists},
      {"views", named("the three views at true size"), &SheetParts::views},
      {"strips", named("the pieces at true size"), &SheetParts::strips},
      {"shapes", named("tapes and pads at true size"), &SheetParts::shapes},
      {"bends", named("tables of bends"), &SheetParts::bends},
      {"assembly", named("putting it together"), &SheetParts::assembly},
      {"wool", named("portions of wool, and how to wind"), &SheetParts::wool},
      {"poses", named("poses"), &SheetParts::poses},
      {"face", named("the face: head map, pins, ears, soles, pads"), &SheetParts::face},
      {"mat", named("the mat to photograph it on"), &SheetParts::mat}};
  return parts;
}

std::vector<Page> trueSizeSheet(const Project& project, const Plan& plan, const Catalog& catalog, Paper paper,
                                const SheetParts& parts, const Language* language) {
  std::vector<Page> pages = trueSizeGuide(project, plan, catalog, paper, parts, language);
  numberPages(pages, project.name, {project.units, language});
  return pages;
}

std::vector<Page> trueSizeGuide(const Project& project, const Plan& plan, const Catalog& catalog, Paper paper,
                                const SheetParts& parts, const Language* language) {
  return Sheet(project, plan, catalog, paper, parts, {project.units, language}).make();
}

} // namespace columna
