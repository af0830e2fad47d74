#include "make/make_stage.h"

#include "kit/ring.h"
#include "kit/say.h"
#include "make/bench_board.h"
#include "make/local_time.h"
#include "make/make_card.h"
#include "make/make_desk.h"
#include "make/photo_board.h"
#include "make/record_panel.h"
#include "make/step_words.h"
#include "make/when.h"
#include "project/catalog.h"

#include <QEvent>
#include <QMainWindow>

namespace columna {

MakeStage::MakeStage(Session& session) : Stage(session), view_(session), photo_(session), awake_(nullptr) {
  connect(&view_, &MakeView::changed, this, &Stage::changed);
  connect(&view_, &MakeView::changed, this, &MakeStage::wake);
  connect(&view_, &MakeView::dried, this, &MakeStage::ring);
  connect(&view_, &MakeView::tired, this, [this](int minutes) {
    session_.note(tr("%n minute(s) of work without a rest: rest your hands for %1.", nullptr, minutes)
                      .arg(minutesText(session_.project().make.rest)));
  });
}

StageLook MakeStage::look() const {
  StageLook look;
  look.stance = look.built = look.felt = look.length = true;
  look.round = StageLook::Round::Offered;
  look.roundCovers = true;
  look.hint = tr("as far as the record is; dashes are the finished outline");
  return look;
}

CardPage* MakeStage::makeCard(QWidget* parent) {
  auto* card = new MakeCard(session_, view_, parent);
  connect(card, &MakeCard::bench, this, &MakeStage::openBench);
  return card;
}

QWidget* MakeStage::makeRack(Mat& /*mat*/, QWidget* parent) {
  desk_ = new MakeDesk(session_, view_, instruments_, parent);
  connect(desk_, &MakeDesk::bench, this, &MakeStage::openBench);
  connect(desk_->record(), &RecordPanel::photoCheck, this, &MakeStage::openPhoto);
  return desk_;
}

std::vector<StageKey> MakeStage::keys() {
  return {{QKeySequence(QStringLiteral("B")), [this] { openBench(); }},
          {QKeySequence(QStringLiteral("O")), [this] { openPhoto(); }}};
}

std::vector<FindEntry> MakeStage::finds() {
  std::vector<FindEntry> out;
  out.push_back({tr("Photo check"), tr("a photo of the work against the plan"), [this] {
                   session_.setStage(kMake);
                   openPhoto();
                 }});
  if (!view_.steps()) return out;
  for (size_t i = 0; i < view_.steps()->steps.size(); ++i) {
    const int step = static_cast<int>(i);
    out.push_back({capital(str(view_.steps()->steps[i].words, session_.units())),
                   stateOf(view_, step, session_.units()), [this, step] {
                     session_.setStage(kMake);
                     view_.choose(step);
                   }});
  }
  return out;
}

std::vector<Arrangement> MakeStage::arrangements() {
  return {tabArrangement(MakeView::kTabs, [this](int tab) { view_.setTab(tab); }),
          {QStringLiteral("now"), tr("the time it is: 2026-12-01T20:00:00+01:00"),
           [this](const QString& value) {
             const auto at = secondsOf(value.toStdString());
             if (at) view_.setClock([at] { return *at; });
             return at.has_value();
           }},
          {QStringLiteral("step"), tr("the step that is looked at, by its id: wind/trunk"),
           [this](const QString& value) {
             view_.choose(value.toStdString());
             return true;
           }},
          {QStringLiteral("bench"), tr("yes: the bench"),
           [this](const QString& value) {
             if (value != QStringLiteral("yes")) return false;
             openBench();
             return true;
           }},
          {QStringLiteral("photo"), tr("a photo of the work, looked at; yes: the photo check without one"),
           [this](const QString& value) {
             openPhoto();
             if (value != QStringLiteral("yes")) photo_.look(value);
             return true;
           }},
          {QStringLiteral("taken"), tr("how it was taken: right, left, front, back, above"),
           [this](const QString& value) {
             for (const PhotoView each : kPhotoViews)
               if (value == QLatin1String(columna::id(each).data(),
                                          static_cast<qsizetype>(columna::id(each).size()))) {
                 photo_.setView(each);
                 return true;
               }
             return false;
           }}};
}

bool MakeStage::settled() const { return !session_.record().empty(); }

int MakeStage::toLookAt() const { return static_cast<int>(view_.findings().size()); }

void MakeStage::left() {
  closeBench();
  closePhoto();
  view_.leave();
}

BenchBoard* MakeStage::bench() const { return bench_; }

PhotoBoard* MakeStage::photoBoard() const { return photoBoard_; }

QWidget* MakeStage::under() const {
  auto* window = qobject_cast<QMainWindow*>(desk_->window());
  return window ? window->centralWidget() : desk_->window();
}

void MakeStage::cover(QWidget* board) {
  QWidget* over = board->parentWidget();
  board->setGeometry(over->rect());
  over->installEventFilter(this);
  board->show();
  board->raise();
  board->setFocus();
  wake();
}

void MakeStage::uncover(QWidget* board) {
  QWidget* over = board->parentWidget();
  over->removeEventFilter(this);
  board->hide();
  board->deleteLater();
  wake();
  if (desk_) desk_->setFocus();
}

void MakeStage::openBench() {
  if (bench_ || !desk_) return;
  closePhoto();
  bench_ = new BenchBoard(session_, view_, instruments_, under());
  connect(bench_, &BenchBoard::left, this, &MakeStage::closeBench);
  cover(bench_);
}

void MakeStage::closeBench() {
  if (!bench_) return;
  QWidget* board = bench_;
  bench_ = nullptr;
  uncover(board);
  if (board->window()->isFullScreen())
    board->window()->setWindowState(board->window()->windowState() ^ Qt::WindowFullScreen);
}

void MakeStage::openPhoto() {
  if (photoBoard_ || !desk_) return;
  closeBench();
  photoBoard_ = new PhotoBoard(session_, view_, photo_, under());
  connect(photoBoard_, &PhotoBoard::left, this, &MakeStage::closePhoto);
  cover(photoBoard_);
  photo_.setShown(true);
}

void MakeStage::closePhoto() {
  if (!photoBoard_) return;
  QWidget* board = photoBoard_;
  photoBoard_ = nullptr;
  photo_.setShown(false);
  uncover(board);
}

/// A board covers all of the window, however large that is.
bool MakeStage::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::Resize)
    for (QWidget* board : {static_cast<QWidget*>(bench_), static_cast<QWidget*>(photoBoard_)})
      if (board && watched == board->parentWidget()) board->setGeometry(board->parentWidget()->rect());
  return Stage::eventFilter(watched, event);
}

void MakeStage::wake() {
  if (bench_ && view_.running() >= 0)
    awake_.hold(tr("a step is being made"));
  else
    awake_.release();
}

void MakeStage::ring(int step) {
  (void)columna::ring(QString::fromStdString((dataFolder() / "sounds" / "dry.wav").string()));
  session_.note(
      tr("Dry: “%1”.").arg(str(view_.steps()->steps[static_cast<size_t>(step)].words, session_.units())));
}

} // namespace columna
