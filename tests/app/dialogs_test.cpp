// The small dialogs, by mouse and keyboard: find, the guide, the screen's true size, the first choice, save
// as, rename, recent files.
#include "window.h"

#include "kit/settings.h"
#include "session/changes.h"
#include "shell/dialogs.h"

#include <QFileDialog>
#include <QInputDialog>
#include <QListWidget>
#include <QPushButton>
#include <QScreen>
#include <QSlider>
#include <QTextBrowser>

using namespace columna;
using namespace columna::test;

namespace {

class DialogTest : public WindowTest {
protected:
  /// Acts in the next dialog, which the test then opens.
  template <class Dialog, class Act>
  void in(Act act) {
    QTimer::singleShot(0, [this, act] {
      auto* dialog = qobject_cast<Dialog*>(QApplication::activeModalWidget());
      seen = dialog != nullptr;
      if (dialog)
        act(dialog);
      else if (QWidget* other = QApplication::activeModalWidget())
        other->close();
    });
  }
  bool seen = false;
};

} // namespace

TEST_F(DialogTest, FindGoesToPartsStagesAnimalsAndPoses) {
  const auto find = [&](const char* words) {
    in<FindBox>([words](FindBox* box) {
      QTest::keyClicks(box->field(), QString::fromUtf8(words));
      QTest::keyClick(box->field(), Qt::Key_Return);
    });
    seen = false;
    window.find();
    return seen;
  };
  ASSERT_TRUE(find("left hindleg"));
  EXPECT_EQ(session.selected(), limb("left-hindleg"));
  ASSERT_TRUE(find("wrap stage"));
  EXPECT_EQ(session.stage(), kWrap);
  ASSERT_TRUE(find("heron animal"));
  EXPECT_EQ(session.project().pattern, "heron");
  const auto poses = changes::poses(session);
  ASSERT_GE(poses.size(), 2U);
  ASSERT_TRUE(find((poses[1].first.name + " pose").c_str()));
  EXPECT_EQ(session.stage(), kPose);
  EXPECT_EQ(session.project().stances.now.name, poses[1].first.name);
  ASSERT_TRUE(find("undo"));
  EXPECT_NE(session.project().stances.now.name, poses[1].first.name);
  // What is not there does nothing.
  const size_t steps = session.history().canUndo() ? 1 : 0;
  in<FindBox>([](FindBox* box) {
    QTest::keyClicks(box->field(), QStringLiteral("no such thing at all"));
    QTest::keyClick(box->field(), Qt::Key_Return);
    EXPECT_TRUE(box->isVisible());
    EXPECT_EQ(box->findChild<QListWidget*>()->count(), 0);
    QTest::keyClick(box, Qt::Key_Escape);
  });
  window.find();
  EXPECT_EQ(session.history().canUndo() ? 1U : 0U, steps);
}

TEST_F(DialogTest, EachStageHasItsPageOfTheGuide) {
  QStringList texts;
  for (const auto& stage : window.stages()) {
    showGuide(*stage, &window);
    auto* page = window.findChildren<QTextBrowser*>().last();
    EXPECT_GT(page->toPlainText().size(), 800) << stage->id().key;
    EXPECT_FALSE(texts.contains(page->toPlainText()));
    texts << page->toPlainText();
    page->window()->close();
  }
}

TEST_F(DialogTest, TheScreensTrueSizeIsTakenOrLeft) {
  in<QDialog>([](QDialog* dialog) {
    dialog->findChild<QSlider*>()->setValue(512);
    dialog->accept();
  });
  EXPECT_EQ(calibrateScreen(4, &window), 5.12);
  in<QDialog>([](QDialog* dialog) {
    auto* slider = dialog->findChild<QSlider*>();
    EXPECT_EQ(slider->value(), 400) << "begins where it was";
    slider->setFocus();
    QTest::keyClick(slider, Qt::Key_Right);
    EXPECT_GT(slider->value(), 400);
    QTest::keyClick(dialog, Qt::Key_Escape);
  });
  EXPECT_EQ(calibrateScreen(4, &window), std::nullopt);
}

TEST_F(DialogTest, TheFirstChoiceIsWhatWasPressed) {
  for (const int row : {0, 1, 2, -1}) {
    in<QDialog>([row](QDialog* dialog) {
      const auto keys = dialog->findChildren<QPushButton*>();
      ASSERT_EQ(keys.size(), 3);
      if (row < 0)
        dialog->reject();
      else
        QTest::mouseClick(keys[row], Qt::LeftButton);
    });
    const FirstChoice chosen = askFirst(&window);
    EXPECT_EQ(chosen, row == 0   ? FirstChoice::Fresh
                      : row == 1 ? FirstChoice::Open
                      : row == 2 ? FirstChoice::Demo
                                 : FirstChoice::Nothing);
  }
}

TEST_F(DialogTest, SaveAsAsksAboutTheFileItWrites) {
  const Scratch scratch;
  // A name with what no file's may hold is proposed as one that may.
  changes::setName(session, QStringLiteral("fox / vixen"));
  EXPECT_EQ(asFileName(QStringLiteral("fox / vixen\n")), QStringLiteral("fox - vixen-"));
  EXPECT_EQ(asFileName(QStringLiteral(".hidden")), QStringLiteral("_.hidden"));
  EXPECT_LE(asFileName(QString(400, u'x')).size(), 200);
  const auto saveAs = [&](const std::string& name) {
    in<QFileDialog>([name](QFileDialog* dialog) {
      EXPECT_EQ(dialog->defaultSuffix(), QStringLiteral("columna"));
      dialog->setDirectory(QFileInfo(QString::fromStdString(name)).path());
      dialog->selectFile(QString::fromStdString(name));
      // Says of what is there already; this test takes it at its word.
      QTimer::singleShot(0, dialog, [] {
        if (auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget())) box->reject();
      });
      QMetaObject::invokeMethod(dialog, "accept");
      if (dialog->isVisible()) dialog->reject();
    });
    return window.saveAs();
  };
  EXPECT_TRUE(saveAs(scratch.path("fox")));
  EXPECT_EQ(session.path().toStdString(), scratch.path("fox.columna"));
  const std::string before = Scratch::read(scratch.path("fox.columna"));
  changes::setName(session, QStringLiteral("another"));
  EXPECT_FALSE(saveAs(scratch.path("fox"))) << "there is one: it asked, and was told no";
  EXPECT_EQ(Scratch::read(scratch.path("fox.columna")), before);
  EXPECT_TRUE(session.changed());
}

TEST_F(DialogTest, RenamedAndRemembered) {
  const Scratch scratch;
  in<QInputDialog>([](QInputDialog* dialog) {
    dialog->setTextValue(QStringLiteral("  Otter in the reeds "));
    dialog->accept();
  });
  QTest::keyClick(&window, Qt::Key_F2);
  EXPECT_EQ(session.project().name, "Otter in the reeds");
  EXPECT_TRUE(window.windowTitle().contains(QStringLiteral("Otter in the reeds")));
  const QString path = QString::fromStdString(scratch.path("reeds.columna"));
  ASSERT_FALSE(session.save(path));
  EXPECT_TRUE(window.openFile(path));
  EXPECT_EQ(recentFiles().value(0), path);
  QFile::remove(path);
  EXPECT_FALSE(recentFiles().contains(path)) << "what is gone is not offered";
  answer(QMessageBox::Ok);
  EXPECT_FALSE(window.openFile(path));
  EXPECT_TRUE(said.contains(QStringLiteral("reeds.columna"))) << said.toStdString();
  EXPECT_EQ(session.project().name, "Otter in the reeds") << "what was open stays";
}
