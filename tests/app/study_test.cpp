// Study in the real window: drag, type, and undo each.
#include "session/changes.h"
#include "study_window.h"

using namespace columna;
using namespace columna::test;

TEST_F(StudyTest, AJointDraggedInTheSideViewKeepsItsDistanceFromTheMiddle) {
  const Vec3 before = place("right-elbow");
  const double scale = plan().figure->scale;
  drag(joint(View::Side, "right-elbow"), QPoint(18, -12));
  const Vec3 after = place("right-elbow");
  EXPECT_NEAR(after.x() - before.x(), 18 / window.mat()->scale(), 1.2);
  EXPECT_NEAR(after.z() - before.z(), 12 / window.mat()->scale(), 1.2);
  EXPECT_NEAR(after.y(), before.y(), 1e-9) << "a side view says nothing of y";
  EXPECT_NEAR(place("left-elbow").x(), after.x(), 1e-9) << "the twin follows";
  EXPECT_NEAR(plan().figure->scale, scale, 1e-9) << "and nothing else is re-sized";
  EXPECT_EQ(session.history().undoName(), "move elbow");
  QTest::keyClick(window.mat(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(place("right-elbow"), before) << "one drag is one step";
}

TEST_F(StudyTest, InTheFrontViewItMovesSidewaysAndUntiedAlone) {
  changes::toggleTied(session, limb("right-hindleg"));
  const Vec3 left = place("left-stifle");
  const Vec3 before = place("right-stifle");
  drag(joint(View::Above, "right-stifle"), QPoint(10, 14));
  const Vec3 after = place("right-stifle");
  EXPECT_NEAR(after.x() - before.x(), 10 / window.mat()->scale(), 1.2);
  EXPECT_NEAR(after.y() - before.y(), -14 / window.mat()->scale(), 1.2);
  EXPECT_NEAR(after.z(), before.z(), 1e-9);
  EXPECT_NEAR((place("left-stifle") - left).norm(), 0, 1e-9);
  EXPECT_FALSE(plan().figure->symmetric);
  EXPECT_NE(boneLength("right-shin"), boneLength("left-shin"));
  session.undo();
  EXPECT_TRUE(plan().figure->symmetric);
}

TEST_F(StudyTest, WithShiftAllThatHangsOnItComesAlong) {
  const double shin = boneLength("right-forearm");
  const Vec3 toe = place("right-fore_toe");
  drag(joint(View::Side, "right-elbow"), QPoint(20, 0), Qt::ShiftModifier);
  EXPECT_NEAR(boneLength("right-forearm"), shin, 1e-9);
  EXPECT_NEAR(place("right-fore_toe").x() - toe.x(), 20 / window.mat()->scale(), 1.2);
  session.undo();
  EXPECT_EQ(place("right-fore_toe"), toe);
}

TEST_F(StudyTest, TheKeyboardMovesJointsAndRings) {
  session.select(-1);
  window.mat()->setFocus();
  do QTest::keyClick(window.mat(), Qt::Key_J);
  while (layer()->active()->joint != "right-elbow");
  const Vec3 before = place("right-elbow");
  for (int i = 0; i < 3; ++i) QTest::keyClick(window.mat(), Qt::Key_Right);
  QTest::keyClick(window.mat(), Qt::Key_Up);
  EXPECT_NEAR(place("right-elbow").x() - before.x(), 3, 1e-9);
  EXPECT_NEAR(place("right-elbow").z() - before.z(), 1, 1e-9);
  QTest::keyClick(window.mat(), Qt::Key_Escape);
  EXPECT_FALSE(layer()->active().has_value());
  QTest::keyClick(window.mat(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_NEAR((place("right-elbow") - before).norm(), 0, 1e-9) << "the steps are one";
}

TEST_F(StudyTest, AJointNearTheAnimalsOwnPlaceSnapsBack) {
  drag(joint(View::Side, "right-elbow"), QPoint(25, 0));
  ASSERT_FALSE(session.project().shape.moved.empty());
  drag(joint(View::Side, "right-elbow"), QPoint(-23, 1));
  EXPECT_TRUE(session.project().shape.moved.empty()) << "within a few pixels of where the animal has it";
}

TEST_F(StudyTest, AClickOnAJointStillSelectsItsLimb) {
  QTest::mouseClick(window.mat(), Qt::LeftButton, {}, joint(View::Side, "right-hock_j"));
  EXPECT_EQ(session.selected(), limb("right-hindleg"));
  EXPECT_FALSE(session.history().canUndo());
}

TEST_F(StudyTest, ARingDraggedChangesTheGirthInItsView) {
  session.select(limb("trunk"));
  const auto girth = [&] {
    for (const FigureBone& b : plan().figure->bones)
      if (b.id == "loin") return b.stations[b.stations.size() / 2];
    return Station();
  };
  const Station before = girth();
  const auto ring = [&](const Grip& g) {
    return g.kind == Grip::Kind::Ring && g.place == 1 &&
           plan().figure->bones[static_cast<size_t>(g.bone)].id == "loin";
  };
  drag(grip(View::Side, [&](const Grip& g) { return ring(g) && g.edge * 1 > 0; }), QPoint(0, -14));
  EXPECT_NE(girth().deep, before.deep);
  EXPECT_NEAR(girth().across, before.across, 1e-9) << "the side view shows the depth alone";
  // The edge that was not dragged stays where it was.
  const double lower = before.lift - before.deep / 2;
  const double upper = before.lift + before.deep / 2;
  const bool lowerStays = std::abs(girth().lift - girth().deep / 2 - lower) < 1.5;
  const bool upperStays = std::abs(girth().lift + girth().deep / 2 - upper) < 1.5;
  EXPECT_TRUE(lowerStays != upperStays);
  session.undo();
  EXPECT_EQ(girth().deep, before.deep);
  drag(grip(View::Above, ring), QPoint(0, 9));
  EXPECT_NE(girth().across, before.across);
  EXPECT_NEAR(girth().deep, before.deep, 1e-9);
  session.undo();
  EXPECT_EQ(girth().across, before.across);
}

TEST_F(StudyTest, BonesAndGirthsAreTypedMarkedAndPutBack) {
  session.select(limb("left-foreleg"));
  auto* study = card<StudyCard>();
  const double own = boneLength("left-forearm");
  EXPECT_FALSE(study->putBackButton("forearm")->isVisible());
  type(study->boneField("forearm"), "25 mm");
  EXPECT_NEAR(boneLength("left-forearm"), 25, 1e-9);
  EXPECT_NEAR(boneLength("right-forearm"), 25, 1e-9);
  EXPECT_TRUE(study->putBackButton("forearm")->isVisible()) << "what differs is marked";
  const double round = *parseLength(study->girthField("upperarm")->text().toStdString());
  type(study->girthField("upperarm"), "90");
  EXPECT_NEAR(*parseLength(study->girthField("upperarm")->text().toStdString()), 90, 0.2) << round;
  for (const char* bad : {"0", "-3", "NaN", "long"}) {
    type(study->boneField("forearm"), bad);
    EXPECT_NEAR(boneLength("left-forearm"), 25, 1e-9) << bad;
  }
  QTest::mouseClick(study->putBackButton("forearm"), Qt::LeftButton);
  EXPECT_NEAR(boneLength("left-forearm"), own, 1e-6);
  changes::putBack(session, -1);
  EXPECT_TRUE(session.project().shape.none());
}

TEST_F(StudyTest, EveryMeasureSizesTheFigure) {
  auto* study = card<StudyCard>();
  type(study->sizeField(SizeBy::HeadLength), "40 mm");
  EXPECT_NEAR(plan().figure->limbs[static_cast<size_t>(limb("head"))].length, 40, 1e-9);
  type(study->sizeField(SizeBy::Scale), "1:8");
  EXPECT_NEAR(lengthOf(plan().figure, plan().pattern, SizeBy::Scale), 8, 1e-9);
  session.select(limb("tail"));
  type(study->sizeField(SizeBy::Limb), "12 cm");
  EXPECT_NEAR(plan().figure->limbs[static_cast<size_t>(limb("tail"))].length, 120, 1e-9);
  EXPECT_EQ(session.project().size.limb, "tail");
}

TEST_F(StudyTest, DialsByKeyboardAndByNumber) {
  QTest::mouseClick(part<StudyRack>()->tab(Way::Character), Qt::LeftButton);
  ASSERT_EQ(study().way(), Way::Character);
  CharacterPanel* panel = part<StudyRack>()->character();
  panel->age()->setFocus();
  for (int i = 0; i < 20; ++i) QTest::keyClick(panel->age(), Qt::Key_Right);
  EXPECT_EQ(session.project().shape.character, characterAt(1)) << "young";
  EXPECT_TRUE(QTest::qWaitFor([&] { return panel->dial(0)->text() == QStringLiteral("1.25"); }, kPatience))
      << "and its numbers are shown";
  type(panel->dial(0), "1.4");
  EXPECT_NEAR(session.project().shape.character.head, 1.4, 1e-12);
  EXPECT_NEAR(session.project().shape.character.legs, characterAt(1).legs, 1e-12);
  type(panel->dial(0), "50");
  EXPECT_NEAR(session.project().shape.character.head, 1.4, 1e-12);
  EXPECT_TRUE(refusal.contains(QStringLiteral("out of range"))) << refusal.toStdString();
  const QImage before = window.mat()->grab().toImage();
  panel->halving()->click();
  EXPECT_NE(window.mat()->grab().toImage(), before) << "halving rules lie over the front view";
}

TEST_F(StudyTest, PartFirst) {
  QTest::mouseClick(part<StudyRack>()->tab(Way::Made), Qt::LeftButton);
  MadePanel* panel = part<StudyRack>()->made();
  const double before = plan().figure->overallHeight;
  const double trunk = plan().figure->limbs[static_cast<size_t>(limb("trunk"))].length;
  type(panel->lengthField(QStringLiteral("trunk")),
       QString::number(trunk * 1.1, 'f', 6).toUtf8().constData());
  EXPECT_NEAR(plan().made->ratio, 1.1, 1e-6);
  EXPECT_GT(plan().figure->overallHeight, before);
  type(panel->lengthField(QStringLiteral("head")), "130 mm");
  EXPECT_TRUE(panel->wordsOf(QStringLiteral("head")).contains(QStringLiteral("large for this body")))
      << panel->wordsOf(QStringLiteral("head")).toStdString();
  EXPECT_EQ(session.project().made.size(), 2U);
  EXPECT_EQ(session.project().made[0].date.size(), 10U) << "a record with its date";
  type(panel->lengthField(QStringLiteral("head")), "-4");
  EXPECT_FALSE(refusal.isEmpty());
  for (const char* part : {"head", "trunk"}) {
    QLineEdit* field = panel->lengthField(QString::fromUtf8(part));
    field->setFocus();
    field->selectAll();
    QTest::keyClick(field, Qt::Key_Delete);
    QTest::keyClick(field, Qt::Key_Return);
  }
  EXPECT_NEAR(plan().figure->overallHeight, before, 1e-9) << "and back";
}

TEST_F(StudyTest, WoolAtHandSizesTheFigureAndTheChartFollows) {
  QTest::mouseClick(part<StudyRack>()->tab(Way::Scale), Qt::LeftButton);
  ScalePanel* panel = part<StudyRack>()->scale();
  // Tried beside the window, which goes on meanwhile.
  const double first = plan().figure->overallHeight;
  type(panel->wool(), "40 g");
  EXPECT_TRUE(QTest::qWaitFor([&] { return plan().figure->overallHeight != first; }, kPatience));
  EXPECT_NEAR(plan().totals.core, 40, 0.5) << "a hundredth, far below what the scale and the hand differ";
  const double second = plan().figure->overallHeight;
  type(panel->wire(), "900 mm");
  EXPECT_TRUE(QTest::qWaitFor([&] { return plan().figure->overallHeight != second; }, kPatience));
  EXPECT_LE(plan().totals.wireLength, 900);
  const double height = plan().figure->overallHeight;
  // An answer for a figure that is another by then is dropped.
  type(panel->wool(), "90 g");
  session.undo();
  EXPECT_TRUE(QTest::qWaitFor([&] { return !panel->behind(); }, kPatience));
  EXPECT_EQ(plan().figure->overallHeight, second);
  session.redo();
  type(panel->wool(), "a handful");
  EXPECT_FALSE(refusal.isEmpty());
  EXPECT_EQ(plan().figure->overallHeight, height);
  EXPECT_TRUE(QTest::qWaitFor([&] { return !panel->behind(); }, kPatience));
  EXPECT_FALSE(panel->smallWords().isEmpty());
}

TEST_F(StudyTest, TheGalleryFiltersByFamilyAndConstruction) {
  Gallery* gallery = part<StudyRack>()->gallery();
  const auto shown = [&] {
    size_t count = 0;
    for (const PatternTile* tile : gallery->tiles()) count += tile->isVisible() ? 1 : 0;
    return count;
  };
  EXPECT_EQ(shown(), 30U);
  gallery->family()->setCurrentIndex(gallery->family()->findData(QStringLiteral("hoofed")));
  EXPECT_EQ(shown(), 10U);
  gallery->suits()->setCurrentIndex(gallery->suits()->findData(QStringLiteral("legs-and-tail")));
  for (const PatternTile* tile : gallery->tiles())
    if (tile->isVisible()) {
      EXPECT_NE(std::find(tile->pattern().suits.begin(), tile->pattern().suits.end(), "legs-and-tail"),
                tile->pattern().suits.end());
    }
  EXPECT_LT(shown(), 10U);
}

TEST_F(StudyTest, AnotherAnimalIsLaidOverAndJudged) {
  QTest::mouseClick(part<StudyRack>()->tab(Way::Compare), Qt::LeftButton);
  ComparePanel* panel = part<StudyRack>()->compare();
  EXPECT_EQ(study().compared(), QStringLiteral("river_otter"));
  for (const Proportion& p : panel->ratios()->rows()) EXPECT_EQ(p.verdict, 0);
  const QImage before = window.mat()->grab().toImage();
  panel->with()->setCurrentIndex(panel->with()->findData(QStringLiteral("red_fox")));
  QTest::keyClick(panel->with(), Qt::Key_Down);
  study().setCompared(QStringLiteral("red_fox"));
  EXPECT_NE(window.mat()->grab().toImage(), before);
  bool off = false;
  for (const Proportion& p : panel->ratios()->rows()) off = off || p.verdict != 0;
  EXPECT_TRUE(off) << "an otter is no fox";
}

TEST_F(StudyTest, ABodyThatIsTheTrunkAloneSaysHowHighThatMakesIt) {
  StudyCard* card = this->card<StudyCard>();
  session.select(-1);
  const auto under = [&] {
    QStringList all;
    for (const QLabel* label : card->findChildren<QLabel*>())
      if (label->isVisible()) all << label->text();
    return all.join(QLatin1Char(' '));
  };
  session.startNew(QStringLiteral("owl"));
  type(card->sizeField(SizeBy::BodyLength), "160");
  EXPECT_NEAR(plan().figure->bodyLength, 160, 1e-6);
  const QString high = QString::fromStdString(printLength(plan().figure->overallHeight, UnitSystem::Metric));
  EXPECT_GT(plan().figure->overallHeight, 250);
  EXPECT_GE(under().count(high), 1) << under().toStdString();
  session.startNew(QStringLiteral("red_fox"));
  EXPECT_FALSE(under().contains(QString::fromStdString(
      printLength(plan().figure->overallHeight, UnitSystem::Metric) + " high in all")));
}
