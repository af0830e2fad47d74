// The card's lists of a part: girths from the root outwards, pads, needles.
#include "wrap/wrap_card.h"

#include "kit/say.h"
#include "measure/quantity.h"
#include "measure/whole.h"
#include "session/build_view.h"
#include "theme/theme.h"

#include <algorithm>

namespace columna {
namespace {

QString headed(const QString& head, const QString& rest) {
  return QStringLiteral("<p style='margin-bottom:4px'><b>%1</b></p>%2").arg(head, rest);
}

} // namespace

QString WrapCard::ladderHtml(const LimbWool& w, const LimbMoment& moment) const {
  const UnitSystem units = session_.units();
  const bool finished = session_.build().finished();
  // Large text leaves no room for a column of callipers: they stand under the felted girth.
  const bool narrow = textScale() > 1.3;
  const auto say = [&](double mm) {
    return mm > 0 ? str(printLengthFigure(mm, units, 0)) : QStringLiteral("–");
  };
  const auto row = [](const QStringList& cells) {
    QString out = QStringLiteral("<tr>");
    for (qsizetype k = 0; k < cells.size(); ++k)
      out += (k == 0 ? QStringLiteral("<td>%1</td>") : QStringLiteral("<td align='right'>%1</td>"))
                 .arg(cells[k]);
    return out + QStringLiteral("</tr>");
  };
  const auto faint = [](const QString& text) {
    return QStringLiteral("<span style='color:%1'>%2</span>").arg(theme().faint.name(), text);
  };
  QStringList heads{faint(narrow ? tr("at") : tr("from root")), faint(finished ? tr("wound") : tr("now")),
                    faint(tr("felted"))};
  if (!narrow) heads << faint(tr("callipers"));
  heads << faint(tr("coated"));
  QString html = QStringLiteral("<table width='100%' cellpadding='2'>") + row(heads);
  for (const Girth& g : w.girths) {
    const QString times = narrow ? QStringLiteral("%1 ×<br>%2") : QStringLiteral("%1 × %2");
    const QString callipers =
        g.felted > 0 ? times.arg(say(g.coreAcross), say(g.coreDeep)) : times.arg(say(g.across), say(g.deep));
    const QString felted = QStringLiteral("<b>%1</b>")
                               .arg(g.allCoat ? tr("all coat")
                                    : g.loose ? tr("(%1)").arg(say(g.felted))
                                              : say(g.felted));
    QStringList cells{say(g.along), finished ? say(g.wound) : say(girthAtMoment(g, moment))};
    if (narrow)
      cells << felted + QStringLiteral("<br>") + callipers;
    else
      cells << felted << callipers;
    cells << say(g.finished);
    html += row(cells);
  }
  QString after;
  if (w.looseEnd > 0)
    after = tr("Leave the last %1 at the root loose for joining: its %2 are weighed, but firmed only then. ")
                .arg(str(printLength(w.looseEnd, units, 0)), str(printMass(w.loose, units)));
  if (std::any_of(w.girths.begin(), w.girths.end(), [](const Girth& g) { return g.loose && !g.allCoat; }))
    after += tr("In brackets: to read once it is joined. ");
  if (w.winding.strips > 0)
    after += tr("Begin %1; wind %2; end %3. About %4 turns, each over half of the last.")
                 .arg(str(Name(w.winding.start)), str(Name(w.winding.way)), str(Name(w.winding.finish)))
                 .arg(nearestWhole(w.winding.turns));
  if (w.winding.startLength > 0)
    after += tr(" Without wire it is a tube on a skewer: begin %1 long; rolled it grows to %2.")
                 .arg(str(printLength(w.winding.startLength, units, 0)),
                      str(printLength(w.winding.rolledLength, units, 0)));
  return headed(tr("Girths by the tape, %1").arg(str(std::string(lengthUnit(units)))),
                html + QStringLiteral("</table>")) +
         QStringLiteral("<p style='margin-top:4px'>%1</p>").arg(after);
}

QString WrapCard::padsHtml(const LimbWool& w) const {
  if (w.pads.empty()) return {};
  const UnitSystem units = session_.units();
  QString html = QStringLiteral("<table width='100%' cellpadding='2'>");
  for (const Pad& pad : w.pads)
    html += QStringLiteral("<tr><td>%1</td><td align='right'>%2</td><td align='right'><b>%3%4</b></td></tr>")
                .arg(str(Name(pad.place)),
                     tr("%1 × %2").arg(str(printLengthFigure(pad.length, units, 0)),
                                       str(printLengthFigure(pad.width, units, 0))),
                     pad.count == 2 ? tr("2 × ") : QString(), str(printMass(pad.grams, units)));
  html += QStringLiteral("<tr><td>%1</td><td></td><td align='right'><b>%2</b></td></tr></table>")
              .arg(tr("skin over them"), str(printMass(w.skin, units)));
  if (w.offCentre > 5 * session_.plan().woolRules.padLeast)
    html += QStringLiteral("<p style='margin-top:4px'>%1</p>")
                .arg(tr("With the wire in the middle %1 less would be padded.")
                         .arg(str(printMass(w.offCentre, units))));
  return headed(tr("Then pads"), html);
}

QString WrapCard::needlesHtml(const LimbWool& w) const {
  const UnitSystem units = session_.units();
  QString html = QStringLiteral("<table width='100%' cellpadding='2'>");
  for (const NeedleStage& s : w.needles.stages)
    html += QStringLiteral("<tr><td>%1</td><td>%2</td><td align='right'>%3</td></tr>")
                .arg(str(Name(s.stage)), str(Name(s.needle)),
                     tr("%1 deep").arg(str(printLength(s.depth, units, 1))));
  html += QStringLiteral("</table><p style='margin-top:4px'>%1</p>")
              .arg(tr("About %1 times over. Gauges are felting needles' own.")
                       .arg(str(printNumber(w.needles.passes, 0))));
  if (!w.needles.carefulAlong.empty())
    html += QStringLiteral("<p style='margin-top:4px'><b>%1</b></p>")
                .arg(tr("Careful %1 from the root: wire lies within %2 of the surface.")
                         .arg(str(printLength(w.needles.carefulAlong.front(), units, 0)),
                              str(printLength(session_.plan().woolRules.careful, units, 0))));
  return headed(tr("Needles"), html);
}

} // namespace columna
