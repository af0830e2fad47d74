#include "shell/main_window.h"

#include "kit/settings.h"
#include "project/catalog.h"
#include "shell/dialogs.h"
#include "shell/keeping.h"
#include "shell/limb_card.h"
#include "shell/spine.h"
#include "shell/tally.h"
#include "shell/title_rail.h"
#include "stage/first_board.h"
#include "theme/theme.h"

#include <QApplication>
#include <QGridLayout>
#include <QKeyEvent>
#include <QMenu>
#include <QMessageBox>
#include <QScreen>
#include <QStackedWidget>
#include <QVBoxLayout>

namespace columna {

MainWindow::MainWindow(Session& session, Stages stages) : session_(session), stages_(std::move(stages)) {
  session_.setStage(stageOn(stages_, session_).id());
  // First of all who listen: the others find the stage entered.
  connect(&session_, &Session::stageChanged, this, &MainWindow::enterStage);
  enterStage();
  setAcceptDrops(true);
  setMinimumSize(900, 620);
  resize(1280, 800);
  makeMenu();
  build();
  makeKeys();
  connect(&session_, &Session::fileChanged, this, &MainWindow::refreshTitle);
  session_.onSettled(this, [this] { refreshTitle(); });
  connect(&session_, &Session::stageChanged, this, &MainWindow::showStage);
  connect(&session_, &Session::refused, this, [this](const QString& sentence) { tally_->say(sentence); });
  connect(&session_, &Session::noted, this, [this](const QString& words) { tally_->note(words); });
  keeping_ = new Keeping(session_, this);
}

/// What the stages put up goes while they are there: losing the focus still ends a run of changes.
MainWindow::~MainWindow() {
  hide();
  delete takeCentralWidget();
}

void MainWindow::build() {
  auto* centre = new QWidget(this);
  auto* grid = new QGridLayout(centre);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setSpacing(0);
  spine_ = new Spine(session_, stages_, centre);
  spine_->setFixedWidth(frame(88));
  rail_ = new TitleRail(session_, menu_, centre);
  rail_->setFixedHeight(frame(56));
  mat_ = new Mat(session_, stages_, centre);
  mat_->setScreenPixelsPerMm(screenPixelsPerMm(screen()));
  racks_ = new QStackedWidget(centre);
  for (const auto& stage : stages_) racks_->addWidget(stage->makeRack(*mat_, racks_));
  racks_->setFixedHeight(frame(192));
  card_ = new LimbCard(session_, stages_, centre);
  card_->setFixedWidth(frame(320));
  tally_ = new Tally(session_, stages_, centre);
  tally_->setFixedHeight(frame(56));
  grid->addWidget(spine_, 0, 0, 4, 1);
  grid->addWidget(rail_, 0, 1);
  bands_.clear();
  for (const auto& stage : stages_) {
    bands_.push_back(stage->makeBand(centre));
    if (!bands_.back()) continue;
    bands_.back()->setFixedHeight(frame(136));
    grid->addWidget(bands_.back(), 2, 1);
  }
  grid->addWidget(mat_, 1, 1);
  grid->addWidget(racks_, 3, 1);
  grid->addWidget(card_, 0, 2, 4, 1);
  grid->addWidget(tally_, 4, 0, 1, 3);
  grid->setRowStretch(1, 1);
  grid->setColumnStretch(1, 1);
  setCentralWidget(centre);
  // Over the mat and what lies under it, while an animal is chosen.
  board_ = nullptr;
  for (const auto& stage : stages_)
    if (!board_) board_ = stage->makeBoard(centre);
  if (board_) {
    board_->hide();
    grid->addWidget(board_, 1, 1, 3, 1);
    connect(board_, &FirstBoard::left, this, [this] {
      board_->hide();
      mat_->setFocus();
    });
    connect(board_, &FirstBoard::chosen, this, [this](const QString& pattern) {
      board_->hide();
      keeping_->drop(); // whether to give it up was asked before
      session_.startNew(pattern);
      session_.setStage(stages_.front()->id());
      mat_->fit();
      mat_->setFocus();
    });
  }
  // The same again would polish every widget there is anew.
  if (const QString sheet = columna::styleSheet(); qApp->styleSheet() != sheet) qApp->setStyleSheet(sheet);
  setTabOrder(spine_, rail_);
  setTabOrder(rail_, mat_);
  QWidget* before = mat_;
  for (QWidget* band : bands_)
    if (band) {
      setTabOrder(before, band);
      before = band;
    }
  setTabOrder(before, racks_);
  setTabOrder(racks_, card_);
  setTabOrder(card_, tally_);
  showStage();
  refreshTitle();
  mat_->setFocus();
}

void MainWindow::enterStage() {
  Stage* now = &stageOn(stages_, session_);
  if (now == on_) return;
  if (on_) on_->left();
  on_ = now;
  on_->entered();
}

void MainWindow::showStage() {
  if (board_) board_->hide();
  for (size_t i = 0; i < stages_.size(); ++i) {
    const bool now = stages_[i].get() == on_;
    if (now) racks_->setCurrentIndex(static_cast<int>(i));
    // At large text the mat needs the room: what a band holds is in the stage's keys and card then.
    if (bands_[i]) bands_[i]->setVisible(now && textScale() <= 1.4);
  }
}

void MainWindow::chooseAnimal() {
  if (!board_ || !mayLeave()) return;
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
