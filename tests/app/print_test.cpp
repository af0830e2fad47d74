#include "print/pages.h"

#include "anatomy/outline.h"
#include "session/changes.h"
#include "sheet/true_size_sheet.h"
#include "window.h"

#include <QImage>
#include <QImageReader>
#include <QProcess>

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

bool run(const QString& program, const QStringList& words, QByteArray* out = nullptr) {
  QProcess process;
  process.start(program, words);
  if (!process.waitForFinished(60000)) return false;
  if (out) *out = process.readAllStandardOutput();
  return process.exitStatus() == QProcess::NormalExit && process.exitCode() == 0;
}

/// The longest level run of dark dots short of `most`, in mm: the ground line under the figure, but no rule
/// under a heading.
double longestLine(const QImage& page, double dpi, double most) {
  int best = 0;
  for (int y = 0; y < page.height(); ++y) {
    int now = 0;
    int longest = 0; // in this row
    for (int x = 0; x < page.width(); ++x) {
      now = qGray(page.pixel(x, y)) < 200 ? now + 1 : 0;
      longest = std::max(longest, now);
    }
    if (longest / dpi * 25.4 < most) best = std::max(best, longest);
  }
  return best / dpi * 25.4;
}

} // namespace

TEST_F(WindowTest, ThePrintedSheetIsTrueToSize) {
  const Scratch scratch;
  const QString pdf = QString::fromStdString(scratch.path("sheet.pdf"));
  changes::setPattern(session, QStringLiteral("red_fox"));
  changes::setSize(session, SizeBy::OverallHeight, 82);
  double left = 1e9;
  double right = -1e9;
  for (const Polygon& polygon : silhouette(plan().figure, View::Side))
    for (const Vec2& p : polygon) {
      left = std::min(left, p.x());
      right = std::max(right, p.x());
    }
  constexpr double kDpi = 300;               // a dot is less than a tenth of a millimetre
  const double expected = right - left + 10; // the ground line goes 5 mm beyond at either end
  ASSERT_GT(expected, 150);
  ASSERT_LT(expected, 185) << "one sheet, so that the whole line is on it";
  for (const Paper paper : {Paper::A4, Paper::Letter}) {
    ASSERT_TRUE(window.savePdf(pdf, paper));
    QByteArray info;
    ASSERT_TRUE(run(QStringLiteral("pdfinfo"), {pdf}, &info));
    const int pages = info.mid(info.indexOf("Pages:") + 6).trimmed().split('\n').front().trimmed().toInt();
    const std::vector<Page> made = trueSizeSheet(session.project(), plan(), session.catalog(), paper);
    EXPECT_EQ(pages, static_cast<int>(made.size()));
    int side = 0; // the page the side view is on
    for (size_t i = 0; i < made.size(); ++i)
      for (const Mark& m : made[i].marks)
        if (m.text.starts_with("Side view")) side = static_cast<int>(i) + 1;
    ASSERT_GT(side, 0);
    ASSERT_TRUE(
        run(QStringLiteral("pdftoppm"),
            {QStringLiteral("-r"), QString::number(kDpi), QStringLiteral("-gray"), QStringLiteral("-png"),
             QStringLiteral("-f"), QString::number(side), QStringLiteral("-l"), QString::number(side),
             QStringLiteral("-singlefile"), pdf, QString::fromStdString(scratch.path("page"))}));
    QImageReader::setAllocationLimit(0);
    const QImage page(QString::fromStdString(scratch.path("page.png")));
    ASSERT_FALSE(page.isNull());
    const double paperWidth = std::min(page.width(), page.height()) / kDpi * 25.4;
    EXPECT_NEAR(paperWidth, paperSize(paper).x(), 0.25);
    EXPECT_NEAR(longestLine(page, kDpi, 0.93 * (page.width() / kDpi * 25.4 - 24)), expected,
                0.2 * expected / 150)
        << "0.2 mm over 150 mm";
  }
  QByteArray text;
  ASSERT_TRUE(run(QStringLiteral("pdftotext"), {QStringLiteral("-layout"), pdf, QStringLiteral("-")}, &text));
  for (const Piece& piece : plan().pieces)
    EXPECT_TRUE(text.contains(printLength(piece.cut, UnitSystem::Metric).c_str())) << piece.tag;
}

TEST(App, PrintsAndShootsWithoutADisplay) {
  const Scratch scratch;
  const QString demo = QStringLiteral(COLUMNA_DATA_DIR "/demo/otter-on-watch.columna");
  const QString app = QStringLiteral(COLUMNA_APP);
  const QString pdf = QString::fromStdString(scratch.path("d.pdf"));
  const QString png = QString::fromStdString(scratch.path("d.png"));
  ASSERT_TRUE(
      run(app, {demo, QStringLiteral("--print"), pdf, QStringLiteral("--paper"), QStringLiteral("Letter")}));
  EXPECT_TRUE(QFileInfo::exists(pdf));
  for (const char* stage : {"study", "wire", "wrap"}) {
    ASSERT_TRUE(run(app, {demo, QStringLiteral("--shot"), QLatin1String(stage), png, QStringLiteral("--size"),
                          QStringLiteral("1000x700"), QStringLiteral("--theme"), QStringLiteral("evening")}));
    EXPECT_EQ(QImage(png).size(), QSize(1000, 700));
  }
  EXPECT_FALSE(run(app, {demo, QStringLiteral("--shot"), QStringLiteral("kitchen"), png}));
  EXPECT_FALSE(run(app, {QStringLiteral("/no/such.columna"), QStringLiteral("--print"), pdf}));
  EXPECT_FALSE(run(app, {demo, QStringLiteral("--print"), QStringLiteral("/no/such/folder/x.pdf")}));
}
