#include "make/step_words.h"

#include "kit/say.h"
#include "make/when.h"
#include "measure/quantity.h"
#include "words/print.h"

namespace columna {
QString numberOf(const Goal& goal, double value, UnitSystem units) {
  switch (goal.what) {
  case Goal::What::Weight:
    return str(printMassFigure(value, units));
  case Goal::What::Count:
    return str(printNumber(value, 0));
  case Goal::What::Long:
  case Goal::What::Round:
    break;
  }
  return str(printLengthFigure(value, units, 0));
}

QString goalUnit(const Goal& goal, UnitSystem units) {
  const QString length = str(std::string(lengthUnit(units)));
  switch (goal.what) {
  case Goal::What::Weight:
    return str(std::string(massUnit(units)));
  case Goal::What::Count:
    return {};
  case Goal::What::Long:
    return Session::tr("%1 long").arg(length);
  case Goal::What::Round:
    break;
  }
  return Session::tr("%1 round").arg(length);
}

QString figureOf(const Goal& goal, double value, UnitSystem units) {
  switch (goal.what) {
  case Goal::What::Weight:
    return str(printMass(value, units));
  case Goal::What::Count:
    return str(printNumber(value, 0));
  case Goal::What::Long:
  case Goal::What::Round:
    break;
  }
  return str(printLength(value, units, 0));
}

QStringList fetchOf(const Step& step, UnitSystem units) {
  QStringList out;
  for (const Fetch& f : step.fetch) out << str(fetchWords(f), units);
  return out;
}

QString stateOf(const MakeView& view, int step, UnitSystem units) {
  const StepPlan& plan = *view.steps();
  const StepProgress& p = view.progress(step);
  switch (p.state) {
  case StepState::Done:
    return p.spent > 0 ? Session::tr("done, %1").arg(minutesText(p.spent)) : Session::tr("done");
  case StepState::Drying:
    return Session::tr("dries until %1")
        .arg(dayTimeOf(p.ended + static_cast<std::int64_t>(60 * plan.steps[static_cast<size_t>(step)].wait)));
  case StepState::UnderWay:
    return view.running() == step ? Session::tr("under way, %1").arg(minutesText(p.spent))
                                  : Session::tr("paused at %1").arg(minutesText(p.spent));
  case StepState::LeftOut:
    return Session::tr("left out");
  case StepState::Ready:
    return Session::tr("can be done now");
  case StepState::Later:
    break;
  }
  for (const StepEdge& e : plan.edges) {
    const StepState before = view.progress(e.before).state;
    if (e.after != step || before == StepState::Done || before == StepState::LeftOut) continue;
    return Session::tr("after “%1”: %2")
        .arg(str(plan.steps[static_cast<size_t>(e.before)].words, units), str(e.why, units));
  }
  return Session::tr("later");
}

Result<double> typedReading(const Goal& goal, const QString& text, UnitSystem units) {
  const std::string typed = text.trimmed().toStdString();
  constexpr double most = 5000; // mm and g: no figure here is larger
  Result<double> read = goal.what == Goal::What::Weight ? parseMass(typed, units) : parseLength(typed, units);
  if (goal.what == Goal::What::Count) {
    bool ok = false;
    const double count = text.trimmed().toUInt(&ok);
    read = ok ? Result<double>(count)
              : Result<double>(Problem{say("“{}” is no count", AsIs(typed)), "", say("type a whole number")});
  }
  if (!read) return read;
  if (*read < 0 || *read > most)
    return Problem{say("{} cannot be", AsIs(typed)), "", say("type it as it is read")};
  return read;
}

std::optional<size_t> openGoal(const MakeView& view, const Step& step) {
  for (size_t g = 0; g < step.goals.size(); ++g)
    if (!view.readings().of(step, step.goals[g])) return g;
  return step.goals.empty() ? std::nullopt : std::optional<size_t>(0);
}

QString coloured(const QString& text, const QColor& colour) {
  return QStringLiteral("<span style='color:%1'>%2</span>").arg(colour.name(), text.toHtmlEscaped());
}

QString capital(QString text) {
  if (!text.isEmpty()) text[0] = text[0].toUpper();
  return text;
}

} // namespace columna
