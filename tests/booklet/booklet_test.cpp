// The booklet: every step with its picture at that moment, on paper and in a folder, in colour and in grey.
#include "support.h"

#include "anatomy/plane.h"
#include "booklet/booklet_html.h"
#include "booklet/booklet_pages.h"
#include "steps/steps_of.h"

#include <algorithm>
#include <cmath>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

struct Book {
  Project of;
  Plan plan;
  std::shared_ptr<const FaceSums> face;
  StepPlan steps;
  std::vector<Entry> entries;

  explicit Book(const Project& p) : of(p), plan(planned(p)), face(faceSums(p, shelf(), plan)) {
    steps = stepsOf(of, shelf(), plan, face.get());
  }
  [[nodiscard]] Booklet make(const BookletWish& wish = {}, const Language* language = nullptr) const {
    return bookletOf({.project = of,
                      .catalog = shelf(),
                      .plan = plan,
                      .face = face.get(),
                      .steps = steps,
                      .entries = entries,
                      .language = language},
                     wish);
  }
  [[nodiscard]] size_t step(std::string_view id) const {
    const auto at = steps.find(id);
    EXPECT_TRUE(at) << id;
    return static_cast<size_t>(at.value_or(0));
  }
};

const Book& otter() {
  static const Book book(project("river_otter", 108));
  return book;
}

bool same(Rgb a, Rgb b) { return a.r == b.r && a.g == b.g && a.b == b.b; }

/// What is lit in a picture, by its extent; nothing where nothing is.
std::optional<Bounds2> lit(const Drawn& picture) {
  std::optional<Bounds2> out;
  for (const Mark& m : picture.marks)
    if (m.kind == Mark::Kind::Line && m.filled && same(m.fill, kPictureLit)) {
      if (!out) out.emplace();
      out->take(m.points);
    }
  return out;
}

/// What a mark takes up; a text about as much as its letters do.
Bounds2 extent(const Mark& m) {
  Bounds2 box;
  box.take(m.points);
  if (m.kind == Mark::Kind::Disc) {
    box.low -= Vec2(m.size, m.size);
    box.high += Vec2(m.size, m.size);
  }
  if (m.kind != Mark::Kind::Text) return box;
  const double wide = 0.5 * m.size * static_cast<double>(letters(m.text));
  if (m.align != TextAlign::Left) box.low.x() -= m.align == TextAlign::Right ? wide : wide / 2;
  if (m.align != TextAlign::Right) box.high.x() += m.align == TextAlign::Left ? wide : wide / 2;
  return box;
}

} // namespace

TEST(Booklet, OfEveryAnimalHasAPictureOfEveryStepWithinItsRoom) {
  for (size_t a = 0; a < animals().size(); a += 5) { // of each kind one
    const Pattern& p = animals()[a];
    const Book book(project(p.id, 120));
    const StepPictures pictures(book.plan, book.face.get(), book.steps, {});
    for (size_t i = 0; i < book.steps.steps.size(); ++i) {
      const Step& s = book.steps.steps[i];
      const Drawn drawn = pictures.of(i, kStepPictureWide, kStepPictureHigh);
      const std::string at = p.id + " " + s.id;
      EXPECT_EQ(drawn.marks.empty(), s.id == "print/sheet") << at;
      EXPECT_GE(drawn.high, 0) << at;
      if (!s.id.starts_with("weigh/") && !s.id.starts_with("cut/")) {
        EXPECT_LE(drawn.high, kStepPictureHigh + 1e-6) << at;
      }
      for (const Mark& m : drawn.marks) {
        const Bounds2 box = extent(m);
        ASSERT_TRUE(box.low.allFinite() && box.high.allFinite()) << at;
        EXPECT_GE(box.low.x(), -1.5) << at << ' ' << m.text;
        EXPECT_LE(box.high.x(), drawn.wide + 3) << at << ' ' << m.text;
        EXPECT_GE(box.low.y(), -1.5) << at << ' ' << m.text;
        EXPECT_LE(box.high.y(), drawn.high + 3) << at << ' ' << m.text;
      }
      // Wool that goes on a part lights it.
      if (s.build >= 0 && s.limb >= 0 && !s.id.starts_with("face/")) {
        EXPECT_TRUE(lit(drawn)) << at;
      }
    }
  }
}

TEST(Booklet, ThePartInHandLiesInFrontWhicheverSideItIsOn) {
  const Book& book = otter();
  const StepPictures pictures(book.plan, book.face.get(), book.steps, {});
  const Drawn right = pictures.of(book.step("coat/right-foreleg"), 84, 56);
  const Drawn left = pictures.of(book.step("coat/left-foreleg"), 84, 56);
  const auto a = lit(right);
  const auto b = lit(left);
  ASSERT_TRUE(a && b);
  EXPECT_NEAR(a->size().x(), b->size().x(), 1e-6);
  EXPECT_NEAR(a->low.y(), b->low.y(), 1e-6);
  // The figure is turned about for its left side: as far from the other edge.
  Bounds2 whole;
  for (const Mark& m : right.marks)
    if (!m.dash.empty()) whole.take(m.points);
  EXPECT_NEAR(a->low.x() - whole.low.x(), whole.high.x() - b->high.x(), 1e-6);
  // The last thing of the wool that is drawn is what is lit, so that nothing covers it.
  const auto last =
      std::find_if(left.marks.rbegin(), left.marks.rend(), [](const Mark& m) { return m.filled; });
  ASSERT_NE(last, left.marks.rend());
  EXPECT_TRUE(same(last->fill, kPictureLit));
}

TEST(Booklet, APictureHasWhatIsMadeByThenAndNoMore) {
  const Book& book = otter();
  const StepPictures pictures(book.plan, book.face.get(), book.steps, {});
  const auto filled = [&](size_t step, Rgb colour) {
    const Drawn drawn = pictures.of(step, 84, 56);
    return std::count_if(drawn.marks.begin(), drawn.marks.end(),
                         [&](const Mark& m) { return m.filled && same(m.fill, colour); });
  };
  const size_t bare = book.step("lay/skeleton");
  EXPECT_EQ(filled(bare, kPictureCore), 0);
  EXPECT_EQ(filled(bare, kPictureCoat), 0);
  // All bent pieces lie in it, one line each.
  const Drawn skeleton = pictures.of(bare, 84, 56);
  const auto wires = std::count_if(skeleton.marks.begin(), skeleton.marks.end(), [](const Mark& m) {
    return m.kind == Mark::Kind::Line && !m.closed && m.points.size() > 2;
  });
  const auto bent =
      std::count_if(book.steps.steps.begin(), book.steps.steps.begin() + static_cast<long>(bare),
                    [](const Step& s) { return s.piece >= 0; });
  EXPECT_GT(bent, 3);
  EXPECT_GE(wires, bent - 2) << "a lashing runs in two points alone";
  EXPECT_GT(filled(book.step("look/core"), kPictureCore), 0);
  EXPECT_EQ(filled(book.step("look/core"), kPictureCoat), 0);
  EXPECT_GT(filled(book.step("look/done"), kPictureCoat), 0);
  EXPECT_EQ(filled(book.step("look/done"), kPictureCore), 0);
}

TEST(Booklet, AGirthIsWhereItIsMeasuredAndAsLarge) {
  const Book& book = otter();
  const StepPictures pictures(book.plan, book.face.get(), book.steps, {});
  const size_t at = book.step("firm/trunk");
  const Drawn drawn = pictures.of(at, 84, 56);
  const Goal* girth = nullptr;
  for (const Goal& g : book.steps.steps[at].goals)
    if (g.what == Goal::What::Round) girth = &g;
  ASSERT_TRUE(girth);
  // By the scale of the dashed outline, whose width is the figure's.
  Bounds2 whole;
  for (const Mark& m : drawn.marks)
    if (!m.dash.empty()) whole.take(m.points);
  const double scale = whole.size().x() / book.plan.figure->totalLength;
  const auto ring = std::find_if(drawn.marks.begin(), drawn.marks.end(), [](const Mark& m) {
    return m.closed && !m.filled && m.dash.empty() && m.points.size() == 32;
  });
  ASSERT_NE(ring, drawn.marks.end());
  double widest = 0;
  for (const Point& p : ring->points)
    for (const Point& q : ring->points) widest = std::max(widest, (p - q).norm());
  EXPECT_NEAR(widest * std::acos(-1.0), girth->value * scale, 0.03 * girth->value * scale);
  const std::string told = printLength(girth->value, UnitSystem::Metric, 0);
  EXPECT_TRUE(
      std::any_of(drawn.marks.begin(), drawn.marks.end(), [&](const Mark& m) { return m.text == told; }));
}

TEST(Booklet, PagesHoldEveryStepOnceAndWhole) {
  for (const Paper paper : {Paper::A4, Paper::Letter}) {
    BookletWish wish;
    wish.paper = paper;
    const Booklet booklet = otter().make(wish);
    ASSERT_EQ(booklet.steps.size(), otter().steps.steps.size());
    const std::vector<Page> pages = bookletPages(booklet, wish, {}, 1.4);
    ASSERT_GT(pages.size(), booklet.guide.size() + 10);
    const Vec2 size = paperSize(paper);
    std::multiset<std::string> numbers;
    bool title = false;
    for (const Page& page : pages) {
      EXPECT_NEAR(std::min(page.width, page.height), size.x(), 1e-9);
      for (const Mark& m : page.marks) {
        if (m.kind == Mark::Kind::Picture) title = title || m.text == kTitlePicture;
        if (m.bold && m.size == 6) numbers.insert(m.text);
        const Bounds2 box = extent(m);
        EXPECT_GE(box.low.x(), 3) << m.text;
        EXPECT_LE(box.high.x(), page.width - 3) << page.name << ' ' << m.text;
        EXPECT_LE(box.high.y(), page.height - 3) << page.name << ' ' << m.text;
      }
    }
    EXPECT_TRUE(title);
    for (size_t i = 1; i <= booklet.steps.size(); ++i) EXPECT_EQ(numbers.count(std::to_string(i)), 1U) << i;
    // A step and its cautions are on one page: between its number and the next there is all it says.
    for (const Page& page : pages) {
      const auto has = [&](const std::string& words) {
        return std::any_of(page.marks.begin(), page.marks.end(),
                           [&](const Mark& m) { return m.text == words; });
      };
      for (size_t i = 0; i < booklet.steps.size(); ++i) {
        const bool here = std::any_of(page.marks.begin(), page.marks.end(), [&](const Mark& m) {
          return m.bold && m.size == 6 && m.text == std::to_string(i + 1);
        });
        for (const std::string& each : booklet.steps[i].reach)
          if (here && each.size() < 30) {
            EXPECT_TRUE(has(each)) << booklet.steps[i].id << ": " << each;
          }
      }
    }
  }
}

TEST(Booklet, ReadsWithoutColours) {
  BookletWish wish;
  wish.grey = true;
  const Booklet booklet = otter().make(wish);
  const auto grey = [](Rgb c) { return c.r == c.g && c.g == c.b; };
  for (const Page& page : bookletPages(booklet, wish, {}))
    for (const Mark& m : page.marks) EXPECT_TRUE(grey(m.stroke) && grey(m.fill)) << m.text;
  // What is lit is darker than wool all round, and its edge darker still.
  EXPECT_GT(inGrey(kPictureCore).r - inGrey(kPictureLit).r, 40);
  EXPECT_GT(inGrey(kPictureCoat).r - inGrey(kPictureLit).r, 15);
  EXPECT_GT(inGrey(kPictureLit).r - inGrey(kPictureLitEdge).r, 100);
}

TEST(Booklet, HasTheMakersNotesButWhatIsWithdrawn) {
  Book book(project("river_otter", 108));
  const auto add = [&](const char* id, EntryKind kind, const char* text, const char* of = "") {
    Entry e;
    e.n = static_cast<int>(book.entries.size()) + 1;
    e.id = id;
    e.step = "wind/trunk";
    e.kind = kind;
    e.text = text;
    e.of = of;
    book.entries.push_back(e);
  };
  add("a", EntryKind::Note, "wound too loose <at first> & \"done\" again");
  add("b", EntryKind::Note, "a slip");
  add("c", EntryKind::Withdraw, "", "b");
  add("d", EntryKind::NextTime, "less at the chest");
  const Booklet with = book.make();
  EXPECT_EQ(with.steps[book.step("wind/trunk")].own,
            (std::vector<std::string>{book.entries[0].text, "less at the chest"}));
  const auto html = bookletFiles(with, {}).at("index.html");
  EXPECT_NE(html.find("&lt;at first&gt; &amp; &quot;done&quot;"), std::string::npos);
  EXPECT_EQ(html.find("a slip"), std::string::npos);
  BookletWish without;
  without.own = false;
  for (const BookletStep& s : book.make(without).steps) EXPECT_TRUE(s.own.empty()) << s.id;
}

TEST(Booklet, HasTheMakersPhotosAtTheirSteps) {
  Book book(project("river_otter", 108));
  for (int i = 0; i < 5; ++i) {
    Entry e;
    e.n = i + 1;
    e.id = "p" + std::to_string(i);
    e.step = "wind/trunk";
    e.kind = EntryKind::Photo;
    e.photo = "photos/work/" + std::to_string(i) + ".jpg";
    book.entries.push_back(e);
  }
  const Booklet booklet = book.make();
  EXPECT_EQ(booklet.steps[book.step("wind/trunk")].photos.size(), 5U);
  size_t placed = 0;
  const auto pages = bookletPages(booklet, {}, {});
  for (const Page& page : pages)
    for (const Mark& m : page.marks)
      if (m.kind == Mark::Kind::Picture) {
        ++placed;
        EXPECT_GE(m.points[0].x(), 3);
        EXPECT_LE(m.points[1].x(), page.width - 3);
        EXPECT_GE(m.points[0].y(), 3);
        EXPECT_LE(m.points[1].y(), page.height - 3);
      }
  EXPECT_EQ(placed, 5U);
  // In a folder those there are bytes of.
  const std::string bytes = "a picture";
  const auto files = bookletFiles(booklet, {}, {}, [&](const std::string& name) {
    return name == "photos/work/3.jpg" ? &bytes : nullptr;
  });
  EXPECT_EQ(files.at("pictures/photo-3.jpg"), bytes);
  EXPECT_FALSE(files.contains("pictures/photo-2.jpg"));
}

TEST(Booklet, AsAFolderIsWholeAndAsksForNothingOutside) {
  const Booklet booklet = otter().make();
  const auto files = bookletFiles(booklet, {});
  const std::string& html = files.at("index.html");
  std::set<std::string> named{"index.html"};
  for (const std::string_view key : {"src=\"", "href=\""})
    for (size_t at = html.find(key); at != std::string::npos; at = html.find(key, at + 1)) {
      const size_t from = at + key.size();
      const std::string name = html.substr(from, html.find('"', from) - from);
      EXPECT_TRUE(files.contains(name)) << name;
      named.insert(name);
    }
  for (const auto& [name, bytes] : files) {
    EXPECT_TRUE(named.contains(name)) << name;
    EXPECT_FALSE(bytes.empty()) << name;
    if (name.ends_with(".svg")) {
      EXPECT_NE(bytes.find("<title>"), std::string::npos) << name;
    }
  }
  EXPECT_EQ(html.find("http"), std::string::npos);
  for (const BookletStep& s : booklet.steps) EXPECT_NE(html.find("id=\"" + s.id + "\""), std::string::npos);
}

TEST(Booklet, IsWrittenOverItselfButOverNothingElse) {
  const Scratch scratch;
  const std::map<std::string, std::string> files = bookletFiles(otter().make(), {}, "not really a picture");
  const std::string folder = scratch.path("book");
  EXPECT_FALSE(writeBookletFolder(folder, files));
  EXPECT_EQ(Scratch::read(folder + "/pictures/title.png"), "not really a picture");
  EXPECT_FALSE(writeBookletFolder(folder, files)) << "over itself";
  // A shorter one leaves none of the longer one's pictures, and what is the maker's alone.
  scratch.write("book/pictures/mine.jpg", "mine");
  std::map<std::string, std::string> fewer = files;
  fewer.erase("pictures/step-002.svg");
  EXPECT_FALSE(writeBookletFolder(folder, fewer));
  EXPECT_FALSE(std::filesystem::exists(folder + "/pictures/step-002.svg"));
  EXPECT_EQ(Scratch::read(folder + "/pictures/mine.jpg"), "mine");
  const std::string file = scratch.write("a file", "mine");
  EXPECT_TRUE(writeBookletFolder(file, files));
  EXPECT_EQ(Scratch::read(file), "mine");
  std::filesystem::create_directories(scratch.path("other"));
  scratch.write("other/index.html", "<html>mine</html>");
  const auto problem = writeBookletFolder(scratch.path("other"), files);
  ASSERT_TRUE(problem);
  EXPECT_FALSE(problem->remedy.empty());
  EXPECT_EQ(Scratch::read(scratch.path("other/index.html")), "<html>mine</html>");
  std::filesystem::create_directories(scratch.path("empty"));
  EXPECT_FALSE(writeBookletFolder(scratch.path("empty"), files));
}

TEST(Booklet, StopsWhenItIsToldTo) {
  const Book& book = otter();
  const std::atomic<bool> stop{true};
  std::atomic<int> progress{0};
  const Booklet none = bookletOf({.project = book.of,
                                  .catalog = shelf(),
                                  .plan = book.plan,
                                  .face = book.face.get(),
                                  .steps = book.steps,
                                  .entries = book.entries,
                                  .stop = &stop,
                                  .progress = &progress},
                                 {});
  EXPECT_TRUE(none.steps.empty());
  EXPECT_EQ(progress, 0);
}

TEST(Booklet, IsInAnyLanguage) {
  const Booklet booklet = otter().make({}, &pseudoLanguage());
  const auto plain = [](const std::string& text) {
    return std::all_of(text.begin(), text.end(),
                       [](char c) { return (static_cast<unsigned char>(c) & 0x80U) == 0; });
  };
  for (const BookletStep& s : booklet.steps) {
    EXPECT_FALSE(plain(s.title)) << s.title;
    for (const std::string& each : s.cautions) EXPECT_FALSE(plain(each)) << each;
    for (const std::string& each : s.how) EXPECT_FALSE(plain(each)) << each;
  }
  for (const BookletPart& part : booklet.needs) EXPECT_FALSE(plain(part.title)) << part.title;
}
