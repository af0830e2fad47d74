// The booklet from the window: chosen by hand, written beside it, stopped.
#include "window.h"

#include "kit/settings.h"
#include "shell/booklet_choice.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDir>
#include <QFileDialog>
#include <QImage>
#include <QProcess>
#include <QProgressDialog>
#include <QPushButton>
#include <QTemporaryDir>
#include <QXmlStreamReader>

using namespace columna;
using namespace columna::test;

namespace {

class BookletTest : public WindowTest {
protected:
  BookletTest() {
    forget();
    session.startNew(QStringLiteral("red_fox"));
  }
  ~BookletTest() override { forget(); }
  static void forget() {
    settings().remove(QStringLiteral("booklet"));
    settings().remove(QStringLiteral("sheet/paper"));
  }

  static QString textOf(const QString& pdf) {
    QProcess process;
    process.start(QStringLiteral("pdftotext"), {QStringLiteral("-layout"), pdf, QStringLiteral("-")});
    return process.waitForFinished(60000) ? QString::fromUtf8(process.readAllStandardOutput()) : QString();
  }
  QTemporaryDir folder;
};

} // namespace

TEST_F(BookletTest, IsChosenByTheKeyboardAndRemembered) {
  {
    BookletChoice choice(session, &window);
    choice.show();
    EXPECT_FALSE(choice.folder());
    EXPECT_FALSE(choice.notes()->isEnabled() || choice.notes()->isChecked()) << "nothing is noted yet";
    for (QComboBox* box : {choice.kinds(), choice.papers(), choice.colours()}) {
      EXPECT_FALSE(box->accessibleName().isEmpty());
      box->setFocus();
      QTest::keyClick(box, Qt::Key_Down);
    }
    choice.guide()->setFocus();
    QTest::keyClick(choice.guide(), Qt::Key_Space);
    QTest::keyClick(choice.go(), Qt::Key_Return);
    EXPECT_EQ(choice.result(), QDialog::Accepted);
  }
  const BookletChoice again(session, &window);
  EXPECT_TRUE(again.folder());
  EXPECT_EQ(again.wish().paper, Paper::Letter);
  EXPECT_TRUE(again.wish().grey);
  EXPECT_FALSE(again.wish().guide);
  EXPECT_FALSE(again.wish().own);
}

TEST_F(BookletTest, AsAPdfItHasEveryStepAndItsPicture) {
  const QString pdf = folder.filePath(QStringLiteral("fox.pdf"));
  ASSERT_TRUE(window.saveBooklet(pdf, {}));
  const qint64 bytes = QFileInfo(pdf).size();
  EXPECT_GT(bytes, 50'000);
  EXPECT_LT(bytes, 25'000'000);
  const QString text = textOf(pdf);
  for (const FigureLimb& limb : plan().figure->limbs) // a name may be broken over two lines
    for (const QString& word : QString::fromStdString(limb.name).split(u' '))
      EXPECT_TRUE(text.contains(word, Qt::CaseInsensitive)) << limb.name;
  EXPECT_TRUE(text.contains(QString::fromStdString(session.project().name)));
  // The painted title is on the first page: fur is no white paper.
  const QString page = folder.filePath(QStringLiteral("page"));
  ASSERT_EQ(QProcess::execute(QStringLiteral("pdftoppm"),
                              {QStringLiteral("-r"), QStringLiteral("40"), QStringLiteral("-png"),
                               QStringLiteral("-singlefile"), pdf, page}),
            0);
  const QImage first(page + QStringLiteral(".png"));
  ASSERT_FALSE(first.isNull());
  int woolly = 0;
  for (int y = 0; y < first.height(); ++y)
    for (int x = 0; x < first.width(); ++x) {
      const QColor c = first.pixelColor(x, y);
      if (c.saturation() > 40 && c.lightness() < 200) ++woolly;
    }
  EXPECT_GT(woolly, first.width() * first.height() / 20);
}

TEST_F(BookletTest, AsAFolderEveryPictureIsOne) {
  const QString to = folder.filePath(QStringLiteral("book"));
  BookletWish wish;
  wish.grey = true;
  ASSERT_TRUE(window.saveBooklet(to, wish));
  const QDir pictures(to + QStringLiteral("/pictures"));
  EXPECT_GT(pictures.count(), 40U);
  for (const QString& sub : {QStringLiteral("pictures"), QStringLiteral("guide")}) {
    const QDir dir(to + u'/' + sub);
    for (const QString& name : dir.entryList({QStringLiteral("*.svg")})) {
      QFile file(dir.filePath(name));
      ASSERT_TRUE(file.open(QIODevice::ReadOnly));
      QXmlStreamReader xml(&file);
      while (!xml.atEnd()) xml.readNext();
      EXPECT_FALSE(xml.hasError()) << name.toStdString() << ' ' << xml.errorString().toStdString();
    }
  }
  const QImage title(pictures.filePath(QStringLiteral("title.png")));
  ASSERT_FALSE(title.isNull());
  EXPECT_TRUE(title.allGray());
  // Written over itself, but over nothing else: one sentence says so.
  EXPECT_TRUE(window.saveBooklet(to, wish));
  QFile other(folder.filePath(QStringLiteral("mine")));
  ASSERT_TRUE(other.open(QIODevice::WriteOnly));
  other.close();
  QTimer answering; // it is said when it has been made
  answering.setInterval(20);
  QObject::connect(&answering, &QTimer::timeout, [&] { answer(QMessageBox::Ok); });
  answering.start();
  EXPECT_FALSE(window.saveBooklet(other.fileName(), wish));
  EXPECT_FALSE(said.isEmpty());
}

TEST_F(BookletTest, StoppedItWritesNothing) {
  const QString pdf = folder.filePath(QStringLiteral("never.pdf"));
  QTimer stopper;
  stopper.setInterval(5);
  QObject::connect(&stopper, &QTimer::timeout, [&] {
    for (QWidget* each : QApplication::topLevelWidgets())
      if (auto* bar = qobject_cast<QProgressDialog*>(each)) bar->cancel();
    for (auto* bar : window.findChildren<QProgressDialog*>()) bar->cancel();
  });
  stopper.start();
  EXPECT_FALSE(window.saveBooklet(pdf, {}));
  EXPECT_FALSE(QFileInfo::exists(pdf));
}

TEST_F(BookletTest, FromTheMenuItAsksWhatAndWhereTo) {
  const QString pdf = folder.filePath(QStringLiteral("by hand"));
  bool asked = false;
  // First what, then where to.
  QTimer::singleShot(0, [&] {
    auto* choice = qobject_cast<BookletChoice*>(QApplication::activeModalWidget());
    if (!choice) return;
    QTimer::singleShot(0, [&] {
      auto* where = qobject_cast<QFileDialog*>(QApplication::activeModalWidget());
      if (!where) return;
      asked = true;
      where->selectFile(pdf);
      QTest::keyClick(where, Qt::Key_Return);
    });
    QTest::keyClick(choice->go(), Qt::Key_Return);
  });
  EXPECT_TRUE(window.saveBooklet());
  EXPECT_TRUE(asked);
  EXPECT_TRUE(QFileInfo::exists(pdf + QStringLiteral(".pdf")));
}
