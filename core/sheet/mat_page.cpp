#include "sheet/mat_page.h"

#include "anatomy/hull.h"
#include "hold/soles.h"
#include "judge/pose_report.h"
#include "photo/photo_check.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>

namespace columna {
namespace {

constexpr Rgb kPale{196, 196, 196}; ///< so faint that a photo's ground is plain all the same
constexpr double kFoot = 5; ///< mm a foot's outline stands clear of its sole: it is seen past the wool

Mark disc(const Point& at, double radius, Rgb fill) {
  Mark m;
  m.kind = Mark::Kind::Disc;
  m.points = {at};
  m.size = radius;
  m.width = 0;
  m.filled = true;
  m.fill = m.stroke = fill;
  return m;
}

} // namespace

Page matPage(const Project& project, const Plan& plan, const Catalog& catalog, Paper paper,
             const Manner& manner) {
  const Eigen::Vector2d size = paperSize(paper);
  Page page;
  page.width = size.y();
  page.height = size.x();
  const Point middle(page.width / 2, page.height / 2);
  const auto at = [&](const Vec2& p) { return Point(middle.x() - p.y(), middle.y() - p.x()); };
  const auto discs = matDiscs();
  for (size_t i = 0; i < discs.size(); ++i) {
    page.marks.push_back(disc(at(discs[i]), kMatDisc, Rgb{0, 0, 0}));
    if (i == 0) page.marks.push_back(disc(at(discs[i]), kMatHole, Rgb{255, 255, 255}));
  }
  page.marks.push_back(line(at(Vec2(kMatAlong / 2, 0)), at(Vec2(-kMatAlong / 2, 0)), 0.25, kPale));

  const PoseReport report = poseReport(project, plan, catalog, project.stances.now);
  const Vec2 stand = standOf(report.figure);
  std::map<int, std::vector<Vec2>> feet;
  for (const Contact& c : soles(report.figure)) {
    auto& foot = feet[c.limb];
    constexpr int corners = 12;
    for (int k = 0; k < corners; ++k) {
      const double a = 2 * std::numbers::pi * k / corners;
      foot.emplace_back(c.at.x() - stand.x() + kFoot * std::cos(a),
                        c.at.y() - stand.y() + kFoot * std::sin(a));
    }
  }
  const double wide = page.width / 2 - kMargin;
  const double high = page.height / 2 - kMargin;
  bool all = true;
  for (auto& [limb, points] : feet) {
    Mark m;
    m.closed = true;
    m.width = 0.25;
    m.stroke = kPale;
    for (const Vec2& p : convexHull(points)) {
      all = all && std::abs(p.y()) < wide && std::abs(p.x()) < high;
      m.points.push_back(at(p));
    }
    if (all) page.marks.push_back(std::move(m));
  }
  const auto tell = [&](const Said& said, double y, bool bold = false) {
    page.marks.push_back(text({middle.x(), y}, render(said, manner), 3.2, bold, TextAlign::Centre, kFaint));
  };
  tell(say("Photo mat: true size, without scaling; the nose points to this edge"), kMargin + 2, true);
  tell(all ? feet.empty()
                 ? say("It does not stand on its legs: lay it with its middle on the line.")
                 : say("Stand it on the outlines of its feet. For light wool print on coloured paper.")
           : say("It is larger than the mat: lay its middle on the line. For light wool print on coloured "
                 "paper."),
       kMargin + 7);
  tell(say("One sheet of paper behind it, bent up; the camera a hand's breadth above the ground, all four "
           "discs "
           "in the picture; first once from above."),
       page.height - kMargin - 6);
  tell(say("From disc to disc it is {} across and {} along: measure it once.", Length(kMatAcross),
           Length(kMatAlong)),
       page.height - kMargin - 1.5);
  return page;
}

} // namespace columna
