// Work is not lost: recovery, saving over what another program changed, and what the window lets in.
#include "window.h"

#include "file/left_behind.h"
#include "file/project_json.h"
#include "measure/disk.h"
#include "report/plan_json.h"
#include "session/changes.h"
#include "shell/keeping.h"
#include "shell/left_dialog.h"

#include <QListWidget>
#include <QPushButton>

#include <zlib.h>

using namespace columna;
using namespace columna::test;

namespace {

namespace fs = std::filesystem;

class KeepWorkTest : public WindowTest {
protected:
  KeepWorkTest() { clean(); }
  ~KeepWorkTest() override { clean(); }

  static void clean() {
    std::error_code error;
    for (const LeftBehind& left : Keeping::left()) fs::remove(left.copy, error);
  }

  /// The other buttons of a box are told apart by what they do.
  void press(QMessageBox::ButtonRole role) {
    QTimer::singleShot(0, [this, role] {
      auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
      if (!box) return;
      said = box->text();
      for (QAbstractButton* each : box->buttons())
        if (box->buttonRole(each) == role) return each->click();
    });
  }

  [[nodiscard]] fs::path copy() const { return window.keeping()->copyPath().toStdString(); }
  [[nodiscard]] bool kept() const {
    std::error_code error;
    return fs::exists(copy(), error);
  }
  void save(const std::string& path) { ASSERT_FALSE(session.save(QString::fromStdString(path))); }
};

/// Work of a window that ended without saving.
fs::path leave(const Project& project, const std::string& of = {}) {
  LeftWork work;
  work.file.project = project;
  work.of = of;
  if (!of.empty()) work.stamp = stampOf(of);
  const RecoveryPlace place = RecoveryPlace::in(Keeping::folder().toStdString());
  EXPECT_FALSE(place.keep(work));
  return place.copy();
}

/// A file as a Columna of the years to come writes it: entries stored one after the other.
std::string newerFile(const Project& project) {
  nlohmann::json json = toJson(project);
  json["schema"] = "columna-project/99";
  const auto entry = [](const std::string& name, const std::string& content) {
    std::string head("PK\x03\x04", 4);
    head.resize(30, '\0');
    const auto put = [&](size_t at, std::uint32_t value, size_t bytes) {
      for (size_t i = 0; i < bytes; ++i) head[at + i] = static_cast<char>((value >> (8 * i)) & 0xffU);
    };
    put(14,
        static_cast<std::uint32_t>(crc32(0, reinterpret_cast<const unsigned char*>(content.data()),
                                         static_cast<unsigned>(content.size()))),
        4);
    put(18, static_cast<std::uint32_t>(content.size()), 4);
    put(22, static_cast<std::uint32_t>(content.size()), 4);
    put(26, static_cast<std::uint32_t>(name.size()), 2);
    return head + name + content;
  };
  return entry("mimetype", std::string(kMimeType)) + entry("project.json", json.dump());
}

} // namespace

TEST_F(KeepWorkTest, ChangesThatNeverPauseAreKeptAllTheSame) {
  QElapsedTimer clock;
  clock.start();
  int turn = 0;
  while (!kept() && clock.elapsed() < 30000) { // a change every tenth of a second
    changes::setName(session, QStringLiteral("turn %1").arg(++turn));
    QTest::qWait(100);
  }
  ASSERT_TRUE(kept());
  const auto work = openLeft(copy());
  ASSERT_TRUE(work);
  EXPECT_TRUE(work->file.project.name.starts_with("turn ")) << work->file.project.name;
  EXPECT_TRUE(work->of.empty());
  EXPECT_TRUE(Keeping::left().empty()) << "this window still holds it";
}

TEST_F(KeepWorkTest, TheCopyGoesWhenItIsSavedAndWhenTheWindowIsClosedInOrder) {
  const Scratch scratch;
  changes::setName(session, QStringLiteral("otter"));
  window.keeping()->flush();
  ASSERT_TRUE(kept());
  save(scratch.path("otter.columna"));
  window.keeping()->drop();
  EXPECT_FALSE(kept());
  changes::setName(session, QStringLiteral("otter again"));
  window.keeping()->flush();
  ASSERT_TRUE(kept());
  QTest::keyClick(&window, Qt::Key_S, Qt::ControlModifier);
  EXPECT_FALSE(session.changed());
  EXPECT_FALSE(kept());
  changes::setName(session, QStringLiteral("otter once more"));
  window.keeping()->flush();
  answer(QMessageBox::Discard);
  EXPECT_TRUE(window.close());
  EXPECT_FALSE(kept());
}

TEST_F(KeepWorkTest, LeftWorkIsGoneOnWithAsChangedAndStaysUntilItIsSaved) {
  const Scratch scratch;
  const std::string of = scratch.path("heron.columna");
  Project heron = project("heron", 210);
  heron.name = "Heron, saved";
  ProjectFile file;
  file.project = heron;
  ASSERT_FALSE(saveProject(of, file));
  heron.name = "Heron, not saved";
  const fs::path left = leave(heron, of);
  const fs::path other = leave(project("red_fox", 90));
  QTimer::singleShot(0, [&] {
    auto* dialog = qobject_cast<LeftDialog*>(QApplication::activeModalWidget());
    ASSERT_TRUE(dialog);
    ASSERT_EQ(dialog->list()->count(), 2);
    for (int row = 0; row < 2; ++row)
      if (dialog->list()->item(row)->text().contains(QStringLiteral("Heron")))
        dialog->list()->setCurrentRow(row);
    EXPECT_TRUE(dialog->list()->currentItem()->text().contains(QStringLiteral("heron.columna")));
    QTest::mouseClick(dialog->goOn(), Qt::LeftButton);
  });
  EXPECT_TRUE(window.offerLeft());
  EXPECT_EQ(session.project().name, "Heron, not saved");
  EXPECT_EQ(session.path().toStdString(), of);
  EXPECT_TRUE(session.changed()) << "closing asks";
  EXPECT_FALSE(session.changedOutside());
  EXPECT_TRUE(fs::exists(left)) << "nothing is thrown away before it is safe elsewhere";
  EXPECT_EQ(copy(), left) << "and it is this window's now";
  EXPECT_EQ(Keeping::left().size(), 1U) << "the other waits";
  EXPECT_TRUE(window.save());
  EXPECT_FALSE(session.changed());
  EXPECT_FALSE(fs::exists(left));
  EXPECT_TRUE(fs::exists(other));
  EXPECT_EQ(openProject(of)->project.name, "Heron, not saved");
}

TEST_F(KeepWorkTest, LaterKeepsItAndThrowingItAwayAsksFirst) {
  const fs::path left = leave(project("heron", 210));
  const auto in = [&](auto act) {
    QTimer::singleShot(0, [act] { act(qobject_cast<LeftDialog*>(QApplication::activeModalWidget())); });
    EXPECT_FALSE(window.offerLeft());
  };
  in([](LeftDialog* dialog) { QTest::mouseClick(dialog->later(), Qt::LeftButton); });
  EXPECT_TRUE(fs::exists(left));
  in([this](LeftDialog* dialog) {
    answer(QMessageBox::Cancel);
    QTest::mouseClick(dialog->giveUp(), Qt::LeftButton);
    EXPECT_EQ(dialog->list()->count(), 1);
    dialog->reject();
  });
  EXPECT_TRUE(fs::exists(left));
  in([this](LeftDialog* dialog) {
    press(QMessageBox::DestructiveRole);
    QTest::mouseClick(dialog->giveUp(), Qt::LeftButton);
    EXPECT_EQ(dialog->list()->count(), 0);
    EXPECT_FALSE(dialog->goOn()->isEnabled());
    dialog->reject();
  });
  EXPECT_FALSE(fs::exists(left));
  EXPECT_FALSE(window.offerLeft()) << "nothing left, nothing asked";
}

TEST_F(KeepWorkTest, WhatCannotBeReadIsLeftWhereItIs) {
  const fs::path folder = Keeping::folder().toStdString();
  fs::create_directories(folder);
  const fs::path odd = folder / "12345.columna"; // of an older Columna too
  std::ofstream(odd) << "not a project";
  QTimer::singleShot(0, [this] {
    auto* dialog = qobject_cast<LeftDialog*>(QApplication::activeModalWidget());
    ASSERT_TRUE(dialog);
    answer(QMessageBox::Ok);
    QTest::mouseClick(dialog->goOn(), Qt::LeftButton);
  });
  EXPECT_FALSE(window.offerLeft());
  EXPECT_FALSE(said.isEmpty());
  EXPECT_TRUE(fs::exists(odd));
}

TEST_F(KeepWorkTest, AfterFourteenDaysItGoes) {
  const fs::path left = leave(project("heron", 210));
  const auto now = fs::file_time_type::clock::now();
  fs::last_write_time(left, now - std::chrono::hours(13 * 24));
  EXPECT_EQ(leftBehind(left.parent_path(), now).size(), 1U);
  fs::last_write_time(left, now - std::chrono::hours(15 * 24));
  EXPECT_TRUE(leftBehind(left.parent_path(), now).empty());
  EXPECT_FALSE(fs::exists(left));
}

TEST_F(KeepWorkTest, WhatAnotherProgramChangedIsNotWrittenOverUnasked) {
  const Scratch scratch;
  const std::string path = scratch.path("otter.columna");
  changes::setName(session, QStringLiteral("mine"));
  save(path);
  EXPECT_FALSE(session.changedOutside());
  ProjectFile theirs;
  theirs.project = project("heron", 200);
  theirs.project.name = "theirs";
  ASSERT_FALSE(saveProject(path, theirs));
  EXPECT_TRUE(session.changedOutside());
  changes::setName(session, QStringLiteral("mine again"));
  answer(QMessageBox::Cancel);
  EXPECT_FALSE(window.save());
  EXPECT_EQ(openProject(path)->project.name, "theirs");
  EXPECT_TRUE(session.changed());
  press(QMessageBox::DestructiveRole);
  EXPECT_TRUE(window.save());
  EXPECT_EQ(openProject(path)->project.name, "mine again");
  EXPECT_EQ(openProject(path + "~")->project.name, "theirs") << "and what was there is beside it";
  EXPECT_TRUE(window.save()) << "nothing more is asked";
}

TEST_F(KeepWorkTest, APictureTakenOutAndBroughtBackIsSaved) {
  const Scratch scratch;
  const std::string path = scratch.path("otter.columna");
  QImage first(200, 150, QImage::Format_RGB32);
  first.fill(Qt::red);
  QImage second(200, 150, QImage::Format_RGB32);
  second.fill(Qt::blue);
  ASSERT_FALSE(study().addPhoto(View::Side, QByteArray("first"), first));
  const std::string entry = session.project().photos[0].entry;
  study().removePhoto(0);
  save(path);
  EXPECT_FALSE(openProject(path)->others.contains(entry));
  session.undo();
  ASSERT_EQ(session.project().photos.size(), 1U);
  save(path);
  EXPECT_EQ(openProject(path)->others.at(entry), "first");
  // Another one never takes its name, so that undo shows the right one under the old landmarks.
  study().removePhoto(0);
  save(path);
  ASSERT_FALSE(study().addPhoto(View::Side, QByteArray("second"), second));
  EXPECT_NE(session.project().photos[0].entry, entry);
  session.undo();
  session.undo();
  save(path);
  EXPECT_EQ(openProject(path)->others.at(entry), "first");
}

TEST_F(KeepWorkTest, ANewerFileIsNotWrittenOverAfterASaveThatFailed) {
  const Scratch scratch;
  const std::string path = scratch.write("newer.columna", newerFile(project("heron", 200)));
  ASSERT_FALSE(session.open(QString::fromStdString(path)));
  ASSERT_TRUE(session.readOnly());
  const std::string before = Scratch::read(path);
  EXPECT_TRUE(session.save(QString::fromStdString(scratch.path("no/such/folder.columna"))));
  EXPECT_TRUE(session.readOnly()) << "a save that failed changes nothing";
  EXPECT_TRUE(session.save(QString::fromStdString(path)));
  EXPECT_EQ(Scratch::read(path), before);
  save(scratch.path("mine.columna"));
  EXPECT_FALSE(session.readOnly());
  EXPECT_EQ(Scratch::read(path), before);
}

TEST_F(KeepWorkTest, WorkOnANewerFileIsNeverPutBackIntoIt) {
  const Scratch scratch;
  const std::string path = scratch.write("newer.columna", newerFile(project("heron", 200)));
  const std::string before = Scratch::read(path);
  ASSERT_FALSE(session.open(QString::fromStdString(path)));
  changes::setName(session, QStringLiteral("looked at and changed"));
  window.keeping()->flush();
  auto work = openLeft(copy());
  ASSERT_TRUE(work);
  Session later(shelf());
  ASSERT_FALSE(later.goOn(std::move(work).value()));
  EXPECT_EQ(later.project().name, "looked at and changed");
  EXPECT_TRUE(later.path().isEmpty()) << "it asks for a name";
  EXPECT_TRUE(later.changed());
  EXPECT_EQ(Scratch::read(path), before);
}

TEST_F(KeepWorkTest, UndoKeepsThePartByItsName) {
  ASSERT_FALSE(changes::setPattern(session, QStringLiteral("heron")));
  const int wing = limb("left-wing");
  session.select(wing);
  int heard = 0;
  QObject::connect(&session, &Session::selectionChanged, &window, [&] { ++heard; });
  session.undo(); // the otter has no wing
  EXPECT_EQ(session.selected(), -1);
  EXPECT_EQ(heard, 1);
  session.redo();
  session.select(limb("neck"));
  session.undo();
  ASSERT_GE(session.selected(), 0);
  EXPECT_EQ(plan().figure->limbs[static_cast<size_t>(session.selected())].id, "neck");
}

TEST_F(KeepWorkTest, AnotherAnimalLetsGoOfTheJointAtHand) {
  ASSERT_FALSE(changes::setPattern(session, QStringLiteral("dragon")));
  to(kPose);
  for (int i = 0; i < 60; ++i) QTest::keyClick(window.mat(), Qt::Key_J);
  ASSERT_FALSE(changes::setPattern(session, QStringLiteral("long_backed_hound")));
  QTest::keyClick(window.mat(), Qt::Key_Right);
  (void)window.mat()->grab();
  session.undo();
  QTest::keyClick(window.mat(), Qt::Key_Right);
  (void)window.mat()->grab();
  EXPECT_EQ(session.stage(), kPose);
}

TEST_F(KeepWorkTest, WhatIsHeldElsewhereIsLetGo) {
  QTest::keyPress(&window, Qt::Key_X);
  EXPECT_TRUE(window.mat()->throughWool());
  QWidget other;
  other.show();
  other.activateWindow();
  (void)QTest::qWaitForWindowActive(&other);
  EXPECT_FALSE(window.mat()->throughWool());
}
