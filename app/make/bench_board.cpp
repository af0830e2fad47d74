#include "make/bench_board.h"

#include "kit/own_keys.h"
#include "kit/say.h"
#include "make/step_words.h"
#include "make/when.h"
#include "theme/theme.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QPainter>
#include <QVBoxLayout>

#include <algorithm>

namespace columna {
BenchBoard::BenchBoard(Session& session, MakeView& view, Instruments& instruments, QWidget* parent)
    : QWidget(parent), session_(session), view_(view), instruments_(instruments) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("The bench"));
  build();
  connect(&view_, &MakeView::changed, this, &BenchBoard::refresh);
  connect(&view_, &MakeView::ticked, this, &BenchBoard::tick);
  connect(&instruments_, &Instruments::changed, this, &BenchBoard::hear);
  connect(&session_, &Session::refused, this,
          [this](const QString& sentence) { putQuestion(ask_, sentence); });
  connect(&view_, &MakeView::tired, this, [this](int minutes) {
    putQuestion(
        ask_, tr("%n minute(s) without a rest: rest your hands for %1. P pauses the clock.", nullptr, minutes)
                  .arg(minutesText(session_.project().make.rest)));
  });
  connect(&view_, &MakeView::dried, this, [this](int step) {
    putQuestion(
        ask_,
        tr("Dry: “%1”.").arg(str(view_.steps()->steps[static_cast<size_t>(step)].words, session_.units())));
  });
  refresh();
}

QLabel* BenchBoard::label(double size, int weight) {
  auto* made = new QLabel(this);
  made->setTextFormat(Qt::PlainText);
  sized_.push_back({made, size, weight});
  return made;
}

BenchKey* BenchBoard::key(const QString& cap, const QString& does, std::function<void()> act) {
  auto* made = new BenchKey(cap, this);
  made->say(does);
  connect(made, &QAbstractButton::clicked, this, std::move(act));
  keys_.push_back(made);
  return made;
}

void BenchBoard::build() {
  auto* outer = new QVBoxLayout(this);
  outer->setContentsMargins(0, 0, 0, 0);
  outer->setSpacing(0);
  auto* middle = new QHBoxLayout;
  middle->setSpacing(0);
  side_ = new QWidget(this);
  auto* column = new QVBoxLayout(side_);
  auto* head = new QHBoxLayout;
  station_ = label(22);
  station_->setTextFormat(Qt::RichText);
  clock_ = label(22);
  head->addWidget(station_, 1);
  head->addWidget(clock_);
  words_ = label(40, QFont::DemiBold);
  words_->setWordWrap(true);
  auto* numbers = new QHBoxLayout;
  auto* large = new QHBoxLayout;
  figure_ = label(96, QFont::DemiBold);
  unit_ = label(28);
  large->addWidget(figure_, 0, Qt::AlignBottom);
  large->addWidget(unit_, 1, Qt::AlignBottom);
  timer_ = label(64, QFont::DemiBold);
  timer_->setAlignment(Qt::AlignRight | Qt::AlignBottom);
  numbers->addLayout(large, 1);
  numbers->addWidget(timer_, 0, Qt::AlignBottom);
  auto* under = new QHBoxLayout;
  read_ = label(26);
  of_ = label(26);
  of_->setAlignment(Qt::AlignRight);
  under->addWidget(read_, 1);
  under->addWidget(of_);
  gone_ = new BenchBar(side_);
  pair_ = new BenchPair(side_);
  pair_->hide();
  goals_ = label(26);
  goals_->setTextFormat(Qt::RichText);
  goals_->setWordWrap(true);
  heard_ = label(28);
  heard_->setTextFormat(Qt::RichText);
  heard_->setAccessibleName(tr("The instrument says"));
  field_ = new QLineEdit(side_);
  field_->setAccessibleName(tr("Reading"));
  field_->hide();
  field_->installEventFilter(this);
  question_ = label(24, QFont::DemiBold);
  question_->setWordWrap(true);
  question_->setAccessibleName(tr("Asked"));
  cameOut_ = label(24);
  cameOut_->setWordWrap(true);
  cameOut_->setTextFormat(Qt::RichText);
  cameOut_->hide();
  fetch_ = label(24);
  fetch_->setWordWrap(true);
  caution_ = label(22);
  caution_->setWordWrap(true);
  auto* soon = new QHBoxLayout;
  auto* nextBox = new QVBoxLayout;
  nextHead_ = label(22);
  nextHead_->setText(tr("next"));
  next_ = label(24);
  next_->setWordWrap(true);
  nextBox->addWidget(nextHead_);
  nextBox->addWidget(next_);
  nextBox->addStretch();
  auto* dryBox = new QVBoxLayout;
  dryHead_ = label(22);
  dryHead_->setText(tr("drying"));
  dry_ = label(24);
  dry_->setWordWrap(true);
  drying_ = new BenchBar(side_);
  dryBox->addWidget(dryHead_);
  dryBox->addWidget(dry_);
  dryBox->addWidget(drying_);
  dryBox->addStretch();
  soon->addLayout(nextBox, 1);
  soon->addLayout(dryBox, 1);
  auto* keys = new QHBoxLayout;
  space_ = key(tr("Space"), {}, [this] { act(); });
  keys->addWidget(space_);
  keys->addWidget(key(QStringLiteral("←"), tr("back"), [this] { view_.earlier(); }));
  keys->addWidget(key(QStringLiteral("→"), tr("later"), [this] { view_.later(); }));
  pause_ = key(QStringLiteral("P"), tr("pause"), [this] { (void)view_.pause(); });
  keys->addWidget(pause_);
  keys->addWidget(key(QStringLiteral("R"), tr("read"), [this] { takeReading(); }));
  keys->addStretch();
  column->addLayout(head);
  column->addWidget(words_);
  column->addLayout(numbers);
  column->addLayout(under);
  column->addWidget(gone_);
  column->addWidget(pair_);
  column->addWidget(goals_);
  column->addWidget(heard_);
  column->addWidget(field_);
  column->addWidget(question_);
  column->addWidget(cameOut_);
  column->addWidget(fetch_);
  column->addWidget(caution_);
  column->addStretch();
  column->addLayout(soon);
  column->addLayout(keys);
  picture_ = new BenchPicture(session_, view_, this);
  middle->addWidget(side_, 3);
  middle->addWidget(picture_, 2);
  bottom_ = new QWidget(this);
  auto* foot = new QHBoxLayout(bottom_);
  foot_ = label(22);
  foot_->setTextFormat(Qt::RichText);
  foot->addWidget(foot_, 1);
  foot->addWidget(key(QStringLiteral("N"), tr("note"), [this] { startNote(); }));
  foot->addWidget(key(QStringLiteral("⌫"), tr("take back"), [this] { (void)view_.takeBack(); }));
  foot->addWidget(key(QStringLiteral("F"), tr("full"),
                      [this] { window()->setWindowState(window()->windowState() ^ Qt::WindowFullScreen); }));
  foot->addWidget(key(tr("Esc"), tr("desk"), [this] { emit left(); }));
  outer->addLayout(middle, 1);
  outer->addWidget(bottom_);
  connect(field_, &QLineEdit::returnPressed, this, &BenchBoard::keepField);
}

/// Sizes and colours, when the window or the theme is another.
void BenchBoard::dress() {
  const double scale = benchScale(size());
  const Theme& t = theme();
  // By style sheets, for the window's own sets a size for every label.
  const auto dressed = [&](double size, int weight, const QColor& colour) {
    const QFont font = benchType(size, scale, weight);
    return QStringLiteral("background: transparent; color: %1; font-size: %2px; font-weight: %3;")
        .arg(colour.name())
        .arg(font.pixelSize())
        .arg(weight);
  };
  for (const Sized& each : sized_) {
    QLabel* of = each.label;
    const bool faint =
        of == clock_ || of == unit_ || of == of_ || of == nextHead_ || of == dryHead_ || of == fetch_;
    of->setStyleSheet(dressed(each.size, each.weight,
                              faint                          ? t.faint
                              : of == read_                  ? t.logwood
                              : of == caution_ || of == dry_ ? t.weld
                              : of == question_              ? t.madder
                                                             : t.ink));
  }
  field_->setStyleSheet(QStringLiteral("font-size: %1px; font-weight: %2;")
                            .arg(benchType(40, scale).pixelSize())
                            .arg(QFont::DemiBold));
  field_->setFixedHeight(qRound(64 * scale));
  for (BenchKey* each : keys_) each->setScale(scale);
  const auto u = [scale](double pixels) { return qRound(pixels * scale); };
  side_->layout()->setContentsMargins(u(40), u(22), u(40), u(4));
  side_->layout()->setSpacing(u(8));
  bottom_->layout()->setContentsMargins(u(40), 0, u(30), 0);
  bottom_->setFixedHeight(u(68));
  gone_->setFixedHeight(u(6));
  drying_->setFixedHeight(u(18));
  for (BenchKey* each : keys_) each->setFixedHeight(u(64));
  if (auto* keys =
          qobject_cast<QHBoxLayout*>(side_->layout()->itemAt(side_->layout()->count() - 1)->layout()))
    keys->setSpacing(u(14));
  picture_->setScale(scale);
  pair_->setScale(scale);
}

void BenchBoard::paintEvent(QPaintEvent* /*event*/) {
  QPainter p(this);
  p.fillRect(rect(), theme().ground);
  p.setPen(QPen(theme().rule, 1));
  p.drawLine(0, bottom_->y(), width(), bottom_->y());
}

void BenchBoard::resizeEvent(QResizeEvent* /*event*/) { dress(); }

void BenchBoard::putQuestion(Ask ask, const QString& words) {
  ask_ = ask;
  question_->setText(words);
  question_->setVisible(!words.isEmpty());
}

void BenchBoard::act() {
  const Step* step = view_.now();
  if (!step) return;
  if (view_.running() != view_.step()) {
    if (!madeReady(*step)) return;
    putQuestion(Ask::Nothing, {});
    (void)view_.begin();
    return;
  }
  if (ask_ == Ask::RanOn) {
    done(true);
    return;
  }
  // What it should come to is asked for once; a second Space goes on without.
  const bool open = std::any_of(step->goals.begin(), step->goals.end(),
                                [&](const Goal& g) { return !view_.readings().of(*step, g); });
  if (open && !asked_) {
    asked_ = true;
    startReading({});
    putQuestion(Ask::Reading, tr("What does it come to? Type it, or Space goes on without."));
    return;
  }
  if (view_.ranOn()) {
    closeField();
    putQuestion(Ask::RanOn,
                tr("Were you at it all the time, %1? Space takes the usual %2, A all of it.")
                    .arg(minutesText(view_.progress(view_.step()).spent), minutesText(step->planned)));
    return;
  }
  done(false);
}

bool BenchBoard::madeReady(const Step& step) {
  constexpr std::int64_t sitting = 6 * 3600; // seconds
  for (const Caution c : {Caution::Clay, Caution::Glue}) {
    if (std::find(step.cautions.begin(), step.cautions.end(), c) == step.cautions.end()) continue;
    const auto said = ready_.find(c);
    if (said != ready_.end() && std::abs(view_.clock() - said->second) < sitting) continue;
    if (ask_ == Ask::Ready) {
      ready_[c] = view_.clock();
      continue;
    }
    putQuestion(Ask::Ready,
                c == Caution::Clay
                    ? tr("Is the oven at the packet's heat and the room aired? Space when it is.")
                    : tr("Is the label read, the room aired, and all at hand? Space when it is."));
    return false;
  }
  return true;
}

void BenchBoard::done(bool usual) {
  closeField();
  putQuestion(Ask::Nothing, {});
  (void)view_.finish(usual);
}

bool BenchBoard::event(QEvent* event) { return keepsPlainKey(event) || QWidget::event(event); }

bool BenchBoard::eventFilter(QObject* watched, QEvent* event) {
  if (watched == field_ && event->type() == QEvent::KeyPress) {
    const auto* key = static_cast<QKeyEvent*>(event); // that type of event is one
    if (key->key() == Qt::Key_Escape) {
      closeField();
      putQuestion(Ask::Nothing, {});
      return true;
    }
    if (key->key() == Qt::Key_Space && field_->text().isEmpty() && !noting_) {
      act();
      return true;
    }
    if (!noting_ && (key->key() == Qt::Key_Up || key->key() == Qt::Key_Down)) {
      nextGoal(key->key() == Qt::Key_Up ? -1 : 1);
      startReading(field_->text());
      return true;
    }
  }
  return QWidget::eventFilter(watched, event);
}

void BenchBoard::keyPressEvent(QKeyEvent* event) {
  if (event->isAutoRepeat()) return;
  if (event->modifiers() & (Qt::ControlModifier | Qt::AltModifier)) {
    QWidget::keyPressEvent(event);
    return;
  }
  switch (event->key()) {
  case Qt::Key_Space:
    act();
    return;
  case Qt::Key_A:
    if (ask_ == Ask::RanOn) done(false);
    return;
  case Qt::Key_P:
    (void)view_.pause();
    return;
  case Qt::Key_Left:
    view_.earlier();
    return;
  case Qt::Key_Right:
  case Qt::Key_L:
    view_.later();
    return;
  case Qt::Key_Backspace:
    (void)view_.takeBack();
    return;
  case Qt::Key_O:
    (void)view_.leaveOut();
    return;
  case Qt::Key_R:
    takeReading();
    return;
  case Qt::Key_K:
    answer(BuiltWay::Keep);
    return;
  case Qt::Key_M:
    answer(BuiltWay::Rest);
    return;
  case Qt::Key_T:
    answer(BuiltWay::Twin);
    return;
  case Qt::Key_N:
    startNote();
    return;
  case Qt::Key_F:
    window()->setWindowState(window()->windowState() ^ Qt::WindowFullScreen);
    return;
  case Qt::Key_Up:
    nextGoal(-1);
    return;
  case Qt::Key_Down:
    nextGoal(1);
    return;
  case Qt::Key_Escape:
    emit left();
    return;
  default:
    break;
  }
  if (const QString text = event->text(); !text.isEmpty() && text[0].isDigit()) {
    startReading(text);
    return;
  }
  QWidget::keyPressEvent(event);
}

} // namespace columna
