#include "make/week_panel.h"

#include "kit/parts.h"
#include "kit/say.h"
#include "kit/settings.h"
#include "make/local_time.h"
#include "make/make_fields.h"
#include "make/step_words.h"
#include "make/when.h"
#include "measure/disk.h"
#include "session/changes.h"
#include "steps/session_events.h"
#include "theme/theme.h"

#include <QFileDialog>
#include <QGridLayout>

namespace columna {

WeekPanel::WeekPanel(Session& session, MakeView& view, QWidget* parent)
    : QWidget(parent), session_(session), view_(view) {
  const bool narrow = textScale() > 1.4; // large text: what stands beside goes under
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, px(2), px(8), 0);
  grid->setHorizontalSpacing(px(10));
  grid->setVerticalSpacing(px(6));
  const auto line = [this](const QString& name, const QString& hint) {
    auto* made = new QLineEdit(this);
    made->setAccessibleName(name);
    made->setPlaceholderText(hint);
    return made;
  };
  week_ = line(tr("Sessions of the week"), shownTimes(kUsualWeek));
  days_ = line(tr("Days that differ"), shownTimes("2026-12-24 off, 2026-12-26 10:00-12:00"));
  stretch_ = line(tr("Minutes of handwork in one go"), {});
  rest_ = line(tr("Minutes of rest"), {});
  minutes_ = line(tr("Minutes there are now"), tr("40"));
  usual_ = new QPushButton(tr("A usual week"), this);
  usual_->setToolTip(shownTimes(kUsualWeek));
  calendar_ = new QPushButton(tr("Save as calendar…"), this);
  answer_ = textLabel(this, 13, QFont::Normal);
  fits_ = textLabel(this, 13, QFont::Normal);
  fits_->setAccessibleName(tr("What fits"));
  for (QLineEdit* each : {stretch_, rest_, minutes_}) each->setMaximumWidth(px(64));
  grid->addWidget(smallText(this, tr("sessions")), 0, 0);
  grid->addWidget(week_, 0, 1, 1, 4);
  grid->addWidget(smallText(this, tr("days that differ")), 1, 0);
  grid->addWidget(days_, 1, 1, 1, 4);
  grid->addWidget(smallText(this, tr("rest after")), 2, 0);
  grid->addWidget(stretch_, 2, 1);
  grid->addWidget(smallText(this, tr("min, for")), 2, 2);
  grid->addWidget(rest_, 2, 3);
  grid->addWidget(smallText(this, tr("min")), 2, 4);
  const int right = narrow ? 0 : 5;
  const int row = narrow ? 3 : 0;
  grid->addWidget(usual_, narrow ? 3 : 0, narrow ? 0 : 5, 1, narrow ? 2 : 1);
  grid->addWidget(calendar_, narrow ? 3 : 1, narrow ? 2 : 5, 1, narrow ? 3 : 1);
  grid->addWidget(answer_, narrow ? 4 : 3, 0, 1, narrow ? 5 : 6);
  grid->addWidget(smallText(this, tr("what fits into")), row + (narrow ? 2 : 0), right + (narrow ? 0 : 1));
  grid->addWidget(minutes_, row + (narrow ? 2 : 0), right + (narrow ? 1 : 2));
  grid->addWidget(smallText(this, tr("minutes now")), row + (narrow ? 2 : 0), right + (narrow ? 2 : 3));
  grid->addWidget(fits_, row + (narrow ? 3 : 1), right + (narrow ? 0 : 1), narrow ? 1 : 3, narrow ? 5 : 4,
                  Qt::AlignTop);
  grid->setColumnStretch(4, 1);
  grid->setColumnStretch(9, 1);
  grid->setRowStretch(narrow ? 7 : 4, 1);
  for (QLineEdit* each : {week_, days_, stretch_, rest_})
    connect(each, &QLineEdit::editingFinished, this, [this, each] {
      if (!each->isModified()) return;
      each->setModified(false);
      take();
    });
  connect(minutes_, &QLineEdit::textEdited, this, &WeekPanel::fit);
  connect(usual_, &QPushButton::clicked, this, [this] {
    MakeWish wish = session_.project().make;
    wish.week = kUsualWeek;
    (void)changes::setMakeWish(session_, wish);
  });
  connect(calendar_, &QPushButton::clicked, this, [this] { saveCalendar(); });
  session_.onSettled(this, [this] { refresh(); });
  connect(&view_, &MakeView::changed, this, &WeekPanel::refresh);
  refresh();
}

void WeekPanel::take() {
  MakeWish wish = session_.project().make;
  wish.week = keptTimes(week_->text());
  wish.days = keptTimes(days_->text());
  bool whole = true;
  bool restWhole = true;
  wish.stretch = stretch_->text().toInt(&whole);
  wish.rest = rest_->text().toInt(&restWhole);
  if (!whole || !restWhole || !boundsOf<MakeWish>("stretch_min").hold(wish.stretch) ||
      !boundsOf<MakeWish>("rest_min").hold(wish.rest)) {
    answer_->setText(tr("Give the minutes of work as 5 to 720 and those of rest as 0 to 720."));
    return;
  }
  if (const auto week = weekOf(wish); !week) {
    answer_->setText(sentence(week.problem(), session_.units()));
    return;
  }
  if (const auto trouble = changes::setMakeWish(session_, wish)) answer_->setText(*trouble);
}

void WeekPanel::refresh() {
  const MakeWish& wish = session_.project().make;
  const auto show = [](QLineEdit* field, const QString& text) {
    if (field->hasFocus() && field->isModified()) return;
    field->setText(text);
    field->setCursorPosition(0);
    field->setModified(false);
  };
  show(week_, shownTimes(wish.week));
  show(days_, shownTimes(wish.days));
  show(stretch_, QString::number(wish.stretch));
  show(rest_, QString::number(wish.rest));
  usual_->setVisible(wish.week.empty());
  const LaidSessions& laid = view_.laid();
  calendar_->setEnabled(!laid.sessions.empty());
  if (wish.week.empty())
    answer_->setText(tr("No week is said: steps and hours are told, but no days."));
  else if (laid.sessions.empty())
    answer_->setText(laid.order.empty() ? QString()
                                        : tr("These sessions do not hold the work within 60 weeks."));
  else if (laid.finish <= laid.bound)
    answer_->setText(tr("%n session(s), the last on %1: as early as it can be.", nullptr,
                        static_cast<int>(laid.sessions.size()))
                         .arg(dayText(laid.first, laid.finish)));
  else
    answer_->setText(
        tr("%n session(s), the last on %1; no order ends before %2. The bench is laid out %3 times.", nullptr,
           static_cast<int>(laid.sessions.size()))
            .arg(dayText(laid.first, laid.finish), dayText(laid.first, laid.bound))
            .arg(laid.layOuts));
  fit();
}

void WeekPanel::fit() {
  const QString text = minutes_->text().trimmed();
  bool ok = false;
  const int minutes = text.toInt(&ok);
  constexpr int most = 720;
  if (text.isEmpty()) {
    fits_->clear();
    return;
  }
  if (!ok || minutes < 1 || minutes > most) {
    fits_->setText(tr("Give whole minutes, 1 to %1.").arg(most));
    return;
  }
  const auto found = view_.fits(minutes);
  if (!found) return;
  QStringList lines;
  for (const Fitting::Piece& p : found->pieces)
    lines << tr("%1, %2%3")
                 .arg(str(view_.steps()->steps[static_cast<size_t>(p.step)].words, session_.units()),
                      minutesText(p.minutes), p.whole ? QString() : tr(" of it"));
  fits_->setText(lines.isEmpty()
                     ? tr("Nothing that can be done now fits.")
                     : tr("%1. %2 to lay the bench out.")
                           .arg(capital(lines.join(QStringLiteral("; "))), minutesText(found->layMinutes)));
}

void WeekPanel::saveCalendar(QString path) {
  if (path.isEmpty())
    path = QFileDialog::getSaveFileName(this, tr("Save the sessions"),
                                        lastFolder() + u'/' + asFileName(str(session_.project().name)) +
                                            QStringLiteral(".ics"),
                                        tr("Calendar (*.ics)"));
  if (path.isEmpty() || !view_.steps()) return;
  const std::string text = sessionCalendar(*view_.steps(), view_.laid().sessions, session_.project().name,
                                           session_.project().pattern, view_.laid().first, view_.clock());
  if (const auto problem = writeAtomically(path.toStdString(), text))
    session_.refuse(sentence(*problem, session_.units()));
}

} // namespace columna
