#include "make/make_card.h"

#include "kit/say.h"
#include "make/step_words.h"
#include "make/when.h"
#include "theme/theme.h"

#include <QGridLayout>
#include <QPushButton>
#include <QVBoxLayout>

#include <algorithm>

namespace columna {
namespace {

constexpr double kHour = 60;

QString hours(double minutes) { return str(printNumber(minutes / kHour, minutes < 10 * kHour ? 1 : 0)); }

} // namespace

MakeCard::MakeCard(Session& session, MakeView& view, QWidget* parent)
    : CardPage(parent), session_(session), view_(view) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(8));
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(px(12));
  grid->setVerticalSpacing(px(2));
  left_ = new BigFigure(tr("hours left"), this);
  done_ = new BigFigure(tr("steps done"), this);
  leftUnder_ = textLabel(this, 13, QFont::Normal);
  doneUnder_ = textLabel(this, 13, QFont::Normal);
  grid->addWidget(left_, 0, 0);
  grid->addWidget(done_, 0, 1);
  grid->addWidget(leftUnder_, 1, 0, Qt::AlignTop);
  grid->addWidget(doneUnder_, 1, 1, Qt::AlignTop);
  grid->setColumnStretch(0, 1);
  grid->setColumnStretch(1, 1);
  layout->addLayout(grid);
  layout->addWidget(ruleLine(this));
  next_ = new VerdictView(this);
  layout->addWidget(next_);
  bench_ = new KeyButton(QStringLiteral("B"), tr("to the bench"), this);
  layout->addWidget(bench_);
  connect(bench_, &KeyButton::clicked, this, &MakeCard::bench);
  lastTime_ = new LastTimeList(session_, view_, this);
  layout->addWidget(lastTime_);
  off_ = new QWidget(this);
  auto* off = new QVBoxLayout(off_);
  off->setContentsMargins(0, 0, 0, 0);
  off->setSpacing(px(4));
  offWords_ = textLabel(off_, 13, QFont::DemiBold);
  offWords_->setTextFormat(Qt::PlainText);
  off->addWidget(offWords_);
  offAnswers_ = new QWidget(off_);
  auto* answers = new QVBoxLayout(offAnswers_);
  answers->setContentsMargins(0, 0, 0, 0);
  answers->setSpacing(px(4));
  off->addWidget(offAnswers_);
  off_->hide();
  layout->addWidget(off_);
  steps_ = textLabel(this, 13, QFont::Normal);
  steps_->setTextFormat(Qt::RichText);
  layout->addWidget(steps_);
  caution_ = textLabel(this, 13, QFont::Normal);
  setFaint(caution_);
  layout->addWidget(caution_);
  connect(&view_, &MakeView::changed, this, [this] {
    if (isVisible()) refresh();
  });
  connect(&view_, &MakeView::ticked, this, [this] {
    if (isVisible() && session_.selected() < 0) showWhole();
  });
}

void MakeCard::refresh() {
  const StepPlan* plan = view_.steps();
  bench_->setEnabled(plan);
  if (!plan) {
    left_->set(QStringLiteral("–"), {});
    done_->set(QStringLiteral("–"), {});
    leftUnder_->clear();
    doneUnder_->clear();
    next_->set(Level::Good, tr("The steps are being made."), tr("a moment"));
    steps_->clear();
    caution_->clear();
    off_->hide();
    lastTime_->hide();
    return;
  }
  const int limb = session_.selected();
  showOff(limb);
  lastTime_->setVisible(limb < 0 && lastTime_->refresh());
  if (limb < 0)
    showWhole();
  else
    showLimb(limb);
}

QList<QPushButton*> MakeCard::answers() const { return offAnswers_->findChildren<QPushButton*>(); }

/// Of the whole figure, or of the part that is looked at.
void MakeCard::showOff(int limb) {
  const Deviation* off = view_.cameOut();
  const Step* step = off ? &view_.steps()->steps[static_cast<size_t>(off->step)] : nullptr;
  const bool shown = step && (limb < 0 || step->limb == limb);
  off_->setVisible(shown);
  if (!shown) return;
  const UnitSystem units = session_.units();
  offWords_->setText(tr("%1: %2 where %3 was planned. What now?")
                         .arg(capital(str(step->words, units)), figureOf(off->goal, off->read, units),
                              figureOf(off->goal, off->goal.value, units)));
  QString now = QString::fromStdString(off->entry) + QStringLiteral(" %1").arg(view_.answers().size());
  for (const BuiltAnswer& each : view_.answers()) now += str(each.words, units) + str(each.result, units);
  if (now == offShown_) return;
  offShown_ = now;
  for (QWidget* each : offAnswers_->findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly)) {
    each->hide();
    each->setParent(nullptr); // one of them may be what was just clicked
    each->deleteLater();
  }
  auto* list = static_cast<QVBoxLayout*>(offAnswers_->layout());
  if (view_.answers().empty()) {
    auto* wait = textLabel(offAnswers_, 13, QFont::Normal);
    wait->setText(tr("trying what can be done…"));
    setFaint(wait);
    list->addWidget(wait);
    wait->show();
  }
  for (const BuiltAnswer& each : view_.answers()) {
    const QString words = capital(str(each.words, units));
    auto* take = new QPushButton(offAnswers_);
    take->setText(QFontMetrics(take->font()).elidedText(words, Qt::ElideRight, px(216)));
    take->setAccessibleName(words);
    take->setToolTip(words);
    take->setObjectName(QString::fromStdString(std::string(word(each.way))));
    connect(take, &QPushButton::clicked, this, [this, way = each.way] { (void)view_.answer(way); });
    auto* result = textLabel(offAnswers_, 13, QFont::Normal);
    result->setTextFormat(Qt::PlainText);
    result->setText(capital(str(each.result, units)));
    setFaint(result);
    list->addWidget(take, 0, Qt::AlignLeft);
    list->addWidget(result);
    take->show();
    result->show();
  }
}

QString MakeCard::stepHtml(int step) const {
  const Theme& t = theme();
  const UnitSystem units = session_.units();
  const Step& s = view_.steps()->steps[static_cast<size_t>(step)];
  const bool over = view_.progress(step).state == StepState::Done;
  QString out = QStringLiteral("<b>%1</b>&nbsp; %2<br>%3")
                    .arg(capital(str(s.words, units)).toHtmlEscaped(),
                         coloured(minutesText(view_.pace().minutes(s)), t.faint),
                         coloured(stateOf(view_, step, units), over ? t.alder : t.faint));
  for (const Goal& g : s.goals) {
    const Entry* read = view_.readings().of(s, g);
    out += QStringLiteral("<br>%1 %2")
               .arg(figureOf(g, g.value, units).toHtmlEscaped(), coloured(str(g.words, units), t.faint));
    if (read)
      out += QStringLiteral("; %1").arg(coloured(tr("read %1").arg(figureOf(g, *read->value, units)),
                                                 meets(g, *read->value) ? t.logwood : t.weld));
  }
  return out;
}

void MakeCard::showWhole() {
  const StepPlan& plan = *view_.steps();
  const UnitSystem units = session_.units();
  const Likely& hoursLeft = view_.pace().left;
  left_->setCaption(tr("hours left"));
  done_->setCaption(tr("steps done"));
  left_->set(hours(hoursLeft.middle), tr("h"));
  leftUnder_->setText(hoursLeft.high > 0 ? tr("%1 to %2 h; %3")
                                               .arg(hours(hoursLeft.low), hours(hoursLeft.high),
                                                    view_.pace().steps > 0 ? tr("by %n step(s) of yours",
                                                                                nullptr, view_.pace().steps)
                                                                           : tr("at a usual pace"))
                                         : QString());
  const auto over =
      std::count_if(view_.progress().steps.begin(), view_.progress().steps.end(), [](const StepProgress& p) {
        return p.state == StepState::Done || p.state == StepState::Drying || p.state == StepState::LeftOut;
      });
  done_->set(QString::number(over), tr("of %1").arg(plan.steps.size()));
  const LaidSessions& laid = view_.laid();
  doneUnder_->setText(laid.sessions.empty()
                          ? (session_.project().make.week.empty() ? tr("no week is said yet") : QString())
                          : tr("ends %1; not before %2")
                                .arg(dayText(laid.first, laid.finish), dayText(laid.first, laid.bound)));
  const Step* now = view_.now();
  const auto drying = view_.drying();
  if (now)
    next_->set(view_.progress(view_.step()).state == StepState::Later ? Level::Doubtful : Level::Good,
               tr("%1; %2.").arg(capital(str(now->words, units)), stateOf(view_, view_.step(), units)),
               view_.running() == view_.step() ? tr("now") : tr("next"));
  else if (!drying.empty())
    next_->set(Level::Doubtful,
               tr("Everything else waits for “%1”, dry at %2.")
                   .arg(str(plan.steps[static_cast<size_t>(drying.front().step)].words, units),
                        dayTimeOf(drying.front().until)),
               tr("it dries"));
  else
    next_->set(Level::Good, tr("Every step is done."), tr("done"));
  QStringList lines;
  for (const DryingStep& d : drying) {
    QString line = tr("%1, %2 left")
                       .arg(capital(str(plan.steps[static_cast<size_t>(d.step)].words, units)),
                            minutesText(static_cast<double>(d.until - view_.clock()) / 60));
    if (!d.holds.empty())
      line +=
          tr("; it holds up “%1”").arg(str(plan.steps[static_cast<size_t>(d.holds.front())].words, units));
    lines << coloured(line, theme().weld);
  }
  for (const Finding& f : view_.findings()) lines << str(f.text, units).toHtmlEscaped();
  steps_->setText(lines.join(QStringLiteral("<br>")));
  caution_->clear();
}

void MakeCard::showLimb(int limb) {
  const StepPlan& plan = *view_.steps();
  const UnitSystem units = session_.units();
  left_->setCaption(tr("minutes left on it"));
  done_->setCaption(tr("its steps done"));
  double minutes = 0;
  int all = 0;
  int over = 0;
  std::vector<int> mine;
  int next = -1;
  for (size_t i = 0; i < plan.steps.size(); ++i) {
    if (plan.steps[i].limb != limb) continue;
    ++all;
    const StepProgress& p = view_.progress(static_cast<int>(i));
    if (p.state == StepState::Done || p.state == StepState::Drying || p.state == StepState::LeftOut)
      ++over;
    else {
      minutes += std::max(0.0, view_.pace().minutes(plan.steps[i]) - p.spent);
      if (next < 0 || static_cast<int>(i) == view_.step()) next = static_cast<int>(i);
    }
    mine.push_back(static_cast<int>(i));
  }
  left_->set(str(printNumber(minutes, 0)), tr("min"));
  leftUnder_->clear();
  done_->set(QString::number(over), tr("of %1").arg(all));
  doneUnder_->clear();
  if (next >= 0)
    next_->set(view_.progress(next).state == StepState::Later ? Level::Doubtful : Level::Good,
               tr("%1; %2.").arg(capital(str(plan.steps[static_cast<size_t>(next)].words, units)),
                                 stateOf(view_, next, units)),
               view_.progress(next).state == StepState::Later ? tr("not yet") : tr("next on it"));
  else
    next_->set(Level::Good, all > 0 ? tr("All of it is done.") : tr("It has no step of its own."),
               tr("done"));
  QStringList blocks;
  for (const int step : mine) blocks << stepHtml(step);
  steps_->setText(blocks.join(QStringLiteral("<br><br>")));
  QStringList cautions;
  if (next >= 0)
    for (const Caution c : plan.steps[static_cast<size_t>(next)].cautions)
      cautions << str(cautionText(c), units);
  caution_->setText(cautions.join(u' '));
}

} // namespace columna
