#include "shell/main_window.h"

#include "kit/settings.h"
#include "pose/pose_rack.h"
#include "project/catalog.h"
#include "shell/dialogs.h"
#include "shell/keeping.h"
#include "shell/limb_card.h"
#include "shell/rack.h"
#include "shell/spine.h"
#include "shell/tally.h"
#include "shell/title_rail.h"
#include "study/animal_board.h"
#include "study/study_rack.h"
#include "theme/theme.h"
#include "wire/wire_desk.h"
#include "wire/wire_rack.h"
#include "wrap/build_band.h"
#include "wrap/wrap_desk.h"
#include "wrap/wrap_rack.h"

#include <QApplication>
#include <QGridLayout>
#include <QKeyEvent>
#include <QMenu>
#include <QMessageBox>
#include <QScreen>
#include <QStackedWidget>
#include <QVBoxLayout>

namespace columna {

MainWindow::MainWindow(Session& session) : session_(session) {
  setAcceptDrops(true);
  setMinimumSize(900, 620);
  resize(1280, 800);
  makeMenu();
  build();
  makeKeys();
  connect(&session_, &Session::fileChanged, this, &MainWindow::refreshTitle);
  connect(&session_, &Session::planSettled, this, &MainWindow::refreshTitle);
  connect(&session_, &Session::stageChanged, this, &MainWindow::showStage);
  connect(&session_, &Session::refused, this, [this](const QString& sentence) { tally_->say(sentence); });
  connect(&session_, &Session::noted, this, [this](const QString& words) { tally_->note(words); });
  keeping_ = new Keeping(session_, this);
}

void MainWindow::build() {
  auto* centre = new QWidget(this);
  auto* grid = new QGridLayout(centre);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setSpacing(0);
  spine_ = new Spine(session_, centre);
  spine_->setFixedWidth(frame(88));
  rail_ = new TitleRail(session_, menu_, centre);
  rail_->setFixedHeight(frame(56));
  mat_ = new Mat(session_, centre);
  mat_->setScreenPixelsPerMm(screenPixelsPerMm(screen()));
  racks_ = new QStackedWidget(centre);
  studyRack_ = new StudyRack(session_, mat_->study(), racks_);
  racks_->addWidget(studyRack_);
  wireDesk_ = new WireDesk(session_, racks_);
  racks_->addWidget(wireDesk_);
  poseRack_ = new PoseRack(session_, racks_);
  racks_->addWidget(poseRack_);
  wrapDesk_ = new WrapDesk(session_, racks_);
  racks_->addWidget(wrapDesk_);
  racks_->setFixedHeight(frame(192));
  card_ = new LimbCard(session_, centre);
  card_->setFixedWidth(frame(320));
  tally_ = new Tally(session_, centre);
  tally_->setFixedHeight(frame(56));
  grid->addWidget(spine_, 0, 0, 4, 1);
  grid->addWidget(rail_, 0, 1);
  buildBand_ = new BuildBand(session_, centre);
  buildBand_->setFixedHeight(frame(136));
  grid->addWidget(mat_, 1, 1);
  grid->addWidget(buildBand_, 2, 1);
  grid->addWidget(racks_, 3, 1);
  grid->addWidget(card_, 0, 2, 4, 1);
  grid->addWidget(tally_, 4, 0, 1, 3);
  grid->setRowStretch(1, 1);
  grid->setColumnStretch(1, 1);
  setCentralWidget(centre);
  // Over the mat and what lies under it, while an animal is chosen.
  board_ = new AnimalBoard(session_, centre);
  board_->hide();
  grid->addWidget(board_, 1, 1, 3, 1);
  connect(board_, &AnimalBoard::left, this, [this] {
    board_->hide();
    mat_->setFocus();
  });
  connect(board_, &AnimalBoard::chosen, this, [this](const QString& pattern) {
    board_->hide();
    keeping_->drop(); // whether to give it up was asked before
    session_.startNew(pattern);
    session_.setStage(Stage::Study);
    mat_->fit();
    mat_->setFocus();
  });
  qApp->setStyleSheet(columna::styleSheet());
  setTabOrder(spine_, rail_);
  setTabOrder(rail_, mat_);
  setTabOrder(mat_, buildBand_);
  setTabOrder(buildBand_, racks_);
  setTabOrder(racks_, card_);
  setTabOrder(card_, tally_);
  showStage();
  refreshTitle();
  mat_->setFocus();
}

QWidget* MainWindow::rackContent() const {
  if (racks_->currentWidget() == poseRack_) return poseRack_;
  if (racks_->currentWidget() == wireDesk_) return wireDesk_->pieces();
  if (racks_->currentWidget() == wrapDesk_) return wrapDesk_->heaps();
  auto* rack = qobject_cast<Rack*>(racks_->currentWidget());
  return rack ? rack->content() : racks_->currentWidget();
}

void MainWindow::showStage() {
  if (board_) board_->hide();
  racks_->setCurrentIndex(static_cast<int>(session_.stage()));
  // At large text the mat needs the room: the build-up is in the rack's keys and the card then.
  buildBand_->setVisible(session_.stage() == Stage::Wrap && textScale() <= 1.4);
}

void MainWindow::chooseAnimal() {
  if (!mayLeave()) return;
  board_->show();
  board_->raise();
}

void MainWindow::refreshTitle() {
  const QString name = QString::fromStdString(session_.project().name);
  setWindowTitle(QStringLiteral("%1[*] – Columna")
                     .arg(session_.readOnly() ? tr("%1 (to look at only)").arg(name) : name));
  setWindowModified(session_.changed());
}

void MainWindow::tell(const QString& sentence) {
  QMessageBox box(QMessageBox::NoIcon, tr("Columna"), sentence, QMessageBox::Ok, this);
  box.exec();
}

void MainWindow::restyle() {
  QTimer::singleShot(0, this, [this] { // the menu that asked for it must have closed
    build();
    mat_->fit();
  });
}

void MainWindow::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_X && event->modifiers() == Qt::NoModifier && !event->isAutoRepeat())
    mat_->setThroughWool(true);
  else
    QMainWindow::keyPressEvent(event);
}

/// What is held in this window and let go in another is let go.
void MainWindow::changeEvent(QEvent* event) {
  if (event->type() == QEvent::ActivationChange && !isActiveWindow() && mat_) mat_->setThroughWool(false);
  QMainWindow::changeEvent(event);
}

void MainWindow::keyReleaseEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_X && !event->isAutoRepeat())
    mat_->setThroughWool(false);
  else
    QMainWindow::keyReleaseEvent(event);
}

} // namespace columna
