// What the window accepts, its reader accepts: extreme values typed into every field there is.
#include "window.h"

#include "file/project_json.h"
#include "make/make_desk.h"
#include "make/make_stage.h"
#include "project/project_fields.h"
#include "report/plan_json.h"
#include "session/changes.h"
#include "wire/drawer_panel.h"
#include "wire/wire_desk.h"
#include "wrap/mark_layer.h"
#include "wrap/wool_panel.h"
#include "wrap/wrap_desk.h"

#include <QAbstractSpinBox>
#include <QRegularExpression>

using namespace columna;
using namespace columna::test;

namespace {

class ExtremesTest : public WindowTest {
protected:
  ExtremesTest() {
    QObject::connect(&session, &Session::refused, &window, [this](const QString& sentence) {
      // The reader's own refusal names keys of the file: then the field let through what it should not.
      static const QRegularExpression key(QStringLiteral("[a-z]_[a-z]|[a-z]\\[\\d|[a-z]\\.[a-z]"));
      if (sentence.contains(key)) leaked << sentence;
    });
  }

  void typeEverywhere() {
    for (int round = 0; round < 2; ++round) {
      // Fields come and go with what is typed; each is found anew by its name.
      QStringList names;
      for (const QLineEdit* field : window.findChildren<QLineEdit*>())
        if (usable(field)) names << field->accessibleName();
      for (const QString& name : names)
        for (const char* text : texts) {
          // The second round is for the other units: what names its own is what it was.
          if (round > 0 && QString::fromLatin1(text).endsWith(QLatin1Char('m'))) continue;
          QLineEdit* field = nullptr;
          for (QLineEdit* each : window.findChildren<QLineEdit*>())
            if (usable(each) && each->accessibleName() == name) field = each;
          if (!field) break;
          type(field, text);
          ++typed;
          bool newer = false;
          const auto back = projectFromJson(toJson(session.project()), "f", newer);
          ASSERT_TRUE(back) << name.toStdString() << " took " << text << ": " << back.problem().sentence();
          ASSERT_EQ(toJson(*back), toJson(session.project())) << name.toStdString() << " took " << text;
        }
      changes::setUnits(session, round == 0 ? UnitSystem::Inch : UnitSystem::Metric);
    }
    EXPECT_TRUE(leaked.isEmpty()) << leaked.join(QStringLiteral("; ")).toStdString();
  }

  static bool usable(const QLineEdit* field) {
    return field->isVisible() && field->isEnabled() && !field->isReadOnly();
  }

  std::vector<const char*> texts{"0",     "-1",   "0.0000001", "0.03 mm", "60 mm",
                                 "99999", "2 km", "1e300",     "1e308 km"};
  QStringList leaked;
  int typed = 0;
};

} // namespace

TEST_F(ExtremesTest, Study) {
  session.setStage(kStudy);
  for (const Way way : {Way::Character, Way::Made}) {
    study().setWay(way);
    for (const char* part : {"", "trunk", "left-hindleg"}) {
      session.select(*part ? limb(part) : -1);
      typeEverywhere();
    }
  }
  EXPECT_GT(typed, 200);
}

TEST_F(ExtremesTest, Wire) {
  session.setStage(kWire);
  for (int tab = 0; tab < 5; ++tab) {
    wire().setTab(tab);
    session.select(limb(tab % 2 ? "left-hindleg" : "trunk"));
    typeEverywhere();
  }
  EXPECT_GT(typed, 200);
}

TEST_F(ExtremesTest, Pose) {
  session.setStage(kPose);
  texts = {"-1", "0.0000001", "99999", "1e308 km"}; // each moves a joint, and the whole pose is judged anew
  for (const int tab : {0, 1, 2}) {
    poseView().setTab(tab);
    session.select(tab == 0 ? -1 : limb("left-hindleg"));
    typeEverywhere();
  }
  EXPECT_GT(typed, 50);
}

TEST_F(ExtremesTest, Make) {
  session.setStage(kMake);
  part<MakeDesk>()->tabs()->tab(3)->click();
  typeEverywhere();
  EXPECT_GT(typed, 5);
}

TEST_F(ExtremesTest, Wrap) {
  session.setStage(kWrap);
  for (int tab = 0; tab < 4; ++tab) {
    wrapView().setTab(tab);
    session.select(limb(tab % 2 ? "left-hindleg" : "trunk"));
    typeEverywhere();
  }
  EXPECT_GT(typed, 100);
}

TEST_F(ExtremesTest, WhatIsTypedAndSavedOpensAgain) {
  const Scratch scratch;
  session.setStage(kWire);
  wire().setTab(3);
  DrawerPanel* drawer = part<WireDesk>()->drawer();
  const auto put = [&](const char* size, const char* length) {
    const size_t before = session.project().drawer.size();
    drawer->sizeField()->setText(QString::fromUtf8(size));
    drawer->lengthField()->setText(QString::fromUtf8(length));
    QTest::mouseClick(drawer->addButton(), Qt::LeftButton);
    return session.project().drawer.size() > before;
  };
  EXPECT_FALSE(put("0.8 mm", "2 km"));
  EXPECT_EQ(drawer->lengthField()->text(), QStringLiteral("2 km")) << "what was refused stays to be mended";
  EXPECT_TRUE(put("0.8 mm", "1 km"));
  EXPECT_FALSE(put("0.03 mm", ""));
  EXPECT_TRUE(put("0.05 mm", ""));
  const std::string path = scratch.path("all.columna");
  ASSERT_FALSE(session.save(QString::fromStdString(path)));
  const auto back = openProject(path);
  ASSERT_TRUE(back) << back.problem().sentence();
  EXPECT_EQ(back->project.drawer, session.project().drawer);
}

TEST_F(ExtremesTest, ListsHaveAnEnd) {
  for (size_t k = 0; k < fieldOf(&Stances::saved).entries + 3; ++k) {
    const bool refused = changes::savePose(session, QStringLiteral("pose %1").arg(k)).has_value();
    EXPECT_EQ(refused, k >= fieldOf(&Stances::saved).entries) << k;
  }
  // One that is there may still be changed.
  EXPECT_FALSE(changes::savePose(session, QStringLiteral("pose 7")));
  // A long scribble keeps its shape with fewer corners.
  session.setStage(kWrap);
  wrapView().setTab(3);
  wrapView().setMarking(true);
  auto& layer = *window.mat()->layer<MarkLayer>();
  Viewport view;
  view.view = View::Side;
  view.scale = 40;
  ASSERT_TRUE(layer.press(view, QPointF(0, 0), true));
  for (int k = 1; k < 9000; ++k)
    layer.move(view, QPointF(400 * std::cos(k * 0.07) + k * 0.1, 400 * std::sin(k * 0.07)), {});
  (void)layer.release(view, {});
  ASSERT_EQ(session.project().wool.markings.size(), 1U);
  EXPECT_LE(session.project().wool.markings[0].outline.size(), fieldOf(&Marking::outline).entries);
  EXPECT_GE(session.project().wool.markings[0].outline.size(), fieldOf(&Marking::outline).entries / 2);
}
