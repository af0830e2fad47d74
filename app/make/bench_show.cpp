// What the bench shows of the step, its clock and what goes on beside it.
#include "kit/say.h"
#include "make/bench_board.h"
#include "make/local_time.h"
#include "make/step_words.h"
#include "make/when.h"
#include "theme/theme.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kMinute = 60; // seconds

} // namespace

const Goal* BenchBoard::goal() const {
  const Step* step = view_.now();
  if (!step || step->goals.empty()) return nullptr;
  const size_t at = at_ ? *at_ : openGoal(view_, *step).value_or(0);
  return &step->goals[std::min(at, step->goals.size() - 1)];
}

void BenchBoard::nextGoal(int by) {
  const Step* step = view_.now();
  if (!step || step->goals.empty()) return;
  const int count = static_cast<int>(step->goals.size());
  const int at = static_cast<int>(at_ ? *at_ : openGoal(view_, *step).value_or(0));
  at_ = static_cast<size_t>((at + by + count) % count);
  refresh();
}

QString BenchBoard::goalsHtml() const {
  const Theme& t = theme();
  const Step& step = *view_.now();
  const UnitSystem units = session_.units();
  QStringList parts;
  for (const Goal& g : step.goals) {
    const Entry* read = view_.readings().of(step, g);
    if (&g == goal()) continue; // it stands there large, with its twin's beside it
    QString part =
        coloured(figureOf(g, g.value, units), t.ink) + u' ' + coloured(str(g.words, units), t.faint);
    if (read)
      part += u' ' + coloured(tr("read %1").arg(figureOf(g, *read->value, units)),
                              meets(g, *read->value) ? t.logwood : t.weld);
    // What its twin came to, which it should come to as well.
    if (const auto pair = &g == paired_ ? std::nullopt
                                        : pairReading(*view_.steps(), *session_.plan().figure,
                                                      view_.readings(), view_.step(), g))
      if (const auto& its = pair->leftHere ? pair->rightRead : pair->leftRead)
        part += u' ' + coloured(tr("the other came to %1").arg(figureOf(g, *its, units)), t.logwood);
    parts << part;
  }
  return parts.join(QStringLiteral("&nbsp;&nbsp;&nbsp; "));
}

void BenchBoard::showFigure() {
  const UnitSystem units = session_.units();
  const Goal* g = goal();
  if (!g) {
    figure_->setText(QString::number(std::lround(view_.pace().minutes(*view_.now()))));
    unit_->setText(tr("min planned"));
    read_->clear();
    return;
  }
  figure_->setText(numberOf(*g, g->value, units));
  const QString unit = goalUnit(*g, units);
  unit_->setText(unit.isEmpty() ? str(g->words, units) : tr("%1, %2").arg(unit, str(g->words, units)));
  const Entry* read = view_.readings().of(*view_.now(), *g);
  if (!read) {
    read_->clear();
    return;
  }
  const double to = g->value - *read->value;
  QString words = figureOf(*g, *read->value, units);
  if (const auto at = secondsOf(read->at)) words = tr("%1 at %2").arg(words, timeOf(*at));
  words += meets(*g, *read->value) ? tr(", right")
           : to > 0                ? tr(", %1 to go").arg(figureOf(*g, to, units))
                                   : tr(", %1 over").arg(figureOf(*g, -to, units));
  if (read->by == EntryBy::StandIn) words += tr(" (stand-in)");
  read_->setText(words);
}

void BenchBoard::showPair() {
  const Step* step = view_.now();
  const Goal* at = goal();
  const auto pairOf = [&](const Goal& g) {
    return pairReading(*view_.steps(), *session_.plan().figure, view_.readings(), view_.step(), g);
  };
  auto pair = at ? pairOf(*at) : std::nullopt;
  // Once a goal is read the next is up: what was read stays, that which is not alike before the rest.
  if (step && !(pair && pair->anyRead()))
    for (const Goal& g : step->goals)
      if (const auto other = pairOf(g);
          other && other->anyRead() && !(pair && pair->apart() && !pair->alike())) {
        pair = other;
        at = &g;
      }
  pair_->setVisible(pair && pair->anyRead());
  paired_ = pair && pair->anyRead() ? at : nullptr;
  if (!paired_) return;
  // What lies on the scale counts until it is kept; what a stand-in says is no measurement.
  const bool open = !(pair->leftHere ? pair->leftRead : pair->rightRead);
  const InstrumentPort* port = open && at == goal() ? instruments_.of(*at) : nullptr;
  const auto says = port && !port->standIn() ? port->last() : std::nullopt;
  const bool live = says && says->value;
  pair_->set(live ? pair->with(*says->value) : *pair, *at, live, session_.units());
}

void BenchBoard::refresh() {
  const StepPlan* plan = view_.steps();
  const Step* step = view_.now();
  const UnitSystem units = session_.units();
  const Theme& t = theme();
  if ((step ? step->id : std::string()) != step_) {
    step_ = step ? step->id : std::string();
    at_.reset();
    asked_ = false;
    if (!noting_) closeField();
    putQuestion(Ask::Nothing, {});
  }
  const bool there = step != nullptr;
  for (QLabel* each : {unit_, timer_, of_, read_, goals_, fetch_, caution_}) each->setVisible(there);
  gone_->setVisible(there);
  if (!there) heard_->hide();
  const auto drying = view_.drying();
  dryHead_->setVisible(!drying.empty());
  dry_->setVisible(!drying.empty());
  drying_->setVisible(!drying.empty());
  if (!there) {
    station_->clear();
    words_->setText(!plan             ? tr("The steps are being made.")
                    : !drying.empty() ? tr("Now it dries: rest your hands.")
                                      : tr("Every step is done."));
    figure_->clear();
    next_->clear();
    nextHead_->hide();
    space_->say(tr("done, next"));
    space_->setEnabled(false);
    cameOut_->hide();
    pair_->hide();
    tick();
    return;
  }
  station_->setText(
      QStringLiteral("%1&nbsp;&nbsp; %2")
          .arg(coloured(str(Name(name(step->bench))), t.ink),
               coloured(tr("step %1 of %2").arg(view_.step() + 1).arg(plan->steps.size()), t.faint)));
  words_->setText(capital(str(step->words, units)));
  showFigure();
  hear();
  goals_->setText(goalsHtml());
  goals_->setVisible(!goals_->text().isEmpty());
  const QStringList fetch = fetchOf(*step, units);
  QString have = fetch.isEmpty() ? QString() : tr("have ready: %1").arg(fetch.join(QStringLiteral(", ")));
  if (const QString advice = str(step->advice, units); !advice.isEmpty())
    have += (have.isEmpty() ? QString() : QStringLiteral("\n")) + capital(advice) + QStringLiteral(".");
  fetch_->setText(have);
  fetch_->setVisible(!have.isEmpty());
  QStringList cautions;
  for (const Caution c : step->cautions) cautions << str(cautionText(c), units);
  caution_->setText(cautions.isEmpty() ? QString() : QStringLiteral("⚠ ") + cautions.join(u' '));
  caution_->setVisible(!cautions.isEmpty());
  showOff();
  const StepState state = view_.progress(view_.step()).state;
  const bool running = view_.running() == view_.step();
  space_->setEnabled(true);
  space_->say(running ? tr("done, next") : state == StepState::UnderWay ? tr("go on") : tr("begin"));
  pause_->setEnabled(view_.running() >= 0);
  // What comes after: the next in the planned order that is not done, however it waits.
  std::vector<int> order = view_.laid().order;
  for (size_t i = 0; i < plan->steps.size(); ++i) order.push_back(static_cast<int>(i));
  int after = -1;
  for (const int each : order) {
    const StepState s = view_.progress(each).state;
    if (each != view_.step() &&
        (s == StepState::Ready || s == StepState::Later || s == StepState::UnderWay)) {
      after = each;
      break;
    }
  }
  nextHead_->setVisible(after >= 0);
  next_->setVisible(after >= 0);
  if (after >= 0) {
    const Step& s = plan->steps[static_cast<size_t>(after)];
    next_->setText(tr("%1, %2").arg(str(s.words, units), minutesText(view_.pace().minutes(s))));
  }
  if (state == StepState::Later && ask_ == Ask::Nothing && question_->text().isEmpty())
    putQuestion(Ask::Nothing, tr("Not yet: %1.").arg(stateOf(view_, view_.step(), units)));
  tick();
}

/// Asked once, at the step that was read: what to fetch is then of no use any more.
void BenchBoard::showOff() {
  const Deviation* off = view_.cameOut();
  const bool shown = off && off->step == view_.step() && !view_.answers().empty();
  cameOut_->setVisible(shown);
  if (!shown) return;
  const Theme& t = theme();
  const UnitSystem units = session_.units();
  QStringList lines{
      coloured(tr("%1 where %2 was planned:")
                   .arg(figureOf(off->goal, off->read, units), figureOf(off->goal, off->goal.value, units)),
               t.weld)};
  for (const BuiltAnswer& each : view_.answers()) {
    const QString cap = each.way == BuiltWay::Keep   ? QStringLiteral("K")
                        : each.way == BuiltWay::Rest ? QStringLiteral("M")
                                                     : QStringLiteral("T");
    lines << QStringLiteral("<b>%1</b>&nbsp; %2: %3")
                 .arg(cap, str(each.words, units).toHtmlEscaped(),
                      coloured(str(each.result, units), t.faint));
  }
  cameOut_->setText(lines.join(QStringLiteral("<br>")));
  fetch_->hide();
}

void BenchBoard::answer(BuiltWay way) {
  if (cameOut_->isVisible()) (void)view_.answer(way);
}

/// What goes on by itself: the clock, the time gone, what dries.
void BenchBoard::tick() {
  clock_->setText(dayTimeOf(view_.clock()));
  if (const Step* step = view_.now()) {
    const double spent = view_.progress(view_.step()).spent;
    timer_->setText(clockText(spent));
    const double likely = view_.pace().minutes(*step);
    of_->setText(tr("of %1").arg(minutesText(likely)));
    gone_->set(likely > 0 ? spent / likely : 0, false);
  }
  const auto drying = view_.drying();
  if (!drying.empty()) {
    const DryingStep& d = drying.front();
    const auto left = static_cast<double>(d.until - view_.clock()) / kMinute;
    QString words = tr("%1: %2 left")
                        .arg(str(view_.steps()->steps[static_cast<size_t>(d.step)].words, session_.units()),
                             minutesText(left));
    if (drying.size() > 1) words += tr(", and %n more", nullptr, static_cast<int>(drying.size()) - 1);
    dry_->setText(words);
    const auto all = static_cast<double>(d.until - d.since) / kMinute;
    drying_->set(all > 0 ? 1 - left / all : 1, true);
  }
  showFoot();
}

void BenchBoard::hear() {
  showPair();
  const Goal* g = goal();
  const InstrumentPort* port = g ? instruments_.of(*g) : nullptr;
  heard_->setVisible(port);
  if (!port) return;
  const auto last = port->last();
  const QString says =
      last && last->value ? figureOf(*g, *last->value, session_.units()) : tr("over its range");
  const bool steady = port->steady().has_value();
  const QString words = port->standIn() ? tr("stand-in: %1, no measurement").arg(says)
                        : steady        ? tr("it says %1, at rest: R takes it").arg(says)
                                        : tr("it says %1, moving").arg(says);
  heard_->setText(coloured(words, steady && !port->standIn() ? theme().logwood : theme().faint));
}

void BenchBoard::showFoot() {
  const Theme& t = theme();
  const auto pair = [&](const QString& what, const QString& value) {
    return QStringLiteral("%1 %2").arg(coloured(what, t.faint), coloured(value, t.ink));
  };
  QStringList parts;
  const LaidSessions& laid = view_.laid();
  const int now = localMinute(view_.clock(), laid.first.ok() ? laid.first : localDay(view_.clock()));
  for (const PlannedSession& s : laid.sessions)
    if (s.from <= now && now < s.to)
      parts << pair(tr("ends"), tr("%1, in %2").arg(timeText(s.to), minutesText(s.to - now)));
  if (view_.steps()) {
    const Likely& left = view_.pace().left;
    parts << pair(tr("left"), tr("%1 h (%2–%3)")
                                  .arg(std::lround(left.middle / kMinute))
                                  .arg(std::lround(left.low / kMinute))
                                  .arg(std::lround(left.high / kMinute)));
  }
  if (!laid.sessions.empty()) parts << pair(tr("done"), dayText(laid.first, laid.finish));
  foot_->setText(parts.join(QStringLiteral("&nbsp;&nbsp; ")));
}

} // namespace columna
