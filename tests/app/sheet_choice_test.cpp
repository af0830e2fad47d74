// What of the sheet is printed: ticked by hand, counted, remembered.
#include "window.h"

#include "kit/settings.h"
#include "shell/sheet_choice.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDir>
#include <QLabel>
#include <QPushButton>

using namespace columna;
using namespace columna::test;

namespace {

class SheetChoiceTest : public WindowTest {
protected:
  SheetChoiceTest() { forget(); }
  ~SheetChoiceTest() override { forget(); }
  static void forget() { settings().remove(QStringLiteral("sheet")); }
  static int counted(const SheetChoice& choice) {
    return choice.count()->text().section(QLatin1Char(' '), 0, 0).toInt();
  }
};

} // namespace

TEST_F(SheetChoiceTest, PartsAreTickedCountedAndRemembered) {
  session.startNew(QStringLiteral("red_fox"));
  {
    SheetChoice choice(session, QStringLiteral("Print"), &window);
    choice.show();
    const int all = counted(choice);
    EXPECT_EQ(all, static_cast<int>(choice.pages().size()));
    EXPECT_GT(all, 3);
    for (const SheetPart& part : sheetParts()) {
      QCheckBox* box = choice.box(part.key);
      ASSERT_TRUE(box) << part.key;
      EXPECT_TRUE(box->isChecked());
      if (std::string(part.key) == "lists" || std::string(part.key) == "views") continue;
      box->setFocus();
      QTest::keyClick(box, Qt::Key_Space);
      EXPECT_FALSE(box->isChecked());
    }
    EXPECT_LE(counted(choice), 4) << "cut list and views only";
    EXPECT_LT(counted(choice), all);
    choice.papers()->setFocus();
    QTest::keyClick(choice.papers(), Qt::Key_Down);
    EXPECT_EQ(choice.paper(), Paper::Letter);
    QTest::mouseClick(choice.go(), Qt::LeftButton);
    EXPECT_EQ(choice.result(), QDialog::Accepted);
  }
  SheetChoice again(session, QStringLiteral("Print"), &window);
  EXPECT_TRUE(again.parts().lists);
  EXPECT_FALSE(again.parts().poses);
  EXPECT_EQ(again.paper(), Paper::Letter);
  // Nothing ticked: there is nothing to go on with.
  for (const char* key : {"lists", "views"}) QTest::keyClick(again.box(key), Qt::Key_Space);
  EXPECT_FALSE(again.go()->isEnabled());
  EXPECT_TRUE(again.parts().none());
  again.reject();
  EXPECT_TRUE(SheetChoice(session, QStringLiteral("Print"), &window).parts().lists)
      << "left, nothing is kept";
}

TEST_F(SheetChoiceTest, SavingAsPdfAsksFirst) {
  bool asked = false;
  QTimer::singleShot(0, [&] {
    auto* choice = qobject_cast<SheetChoice*>(QApplication::activeModalWidget());
    ASSERT_TRUE(choice);
    asked = true;
    QTest::keyClick(choice, Qt::Key_Escape);
  });
  QTest::keyClick(&window, Qt::Key_E, Qt::ControlModifier);
  EXPECT_TRUE(asked);
}
