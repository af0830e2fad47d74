#include "make/instruments.h"

#include "kit/settings.h"

#include <QSettings>

namespace columna {
namespace {

QString settingOf(Instruments::Which which) {
  return which == Instruments::Scale ? QStringLiteral("scaleLine") : QStringLiteral("callipersLine");
}

} // namespace

Instruments::Instruments(QObject* parent) : QObject(parent) {
  for (const Which which : kAll) {
    ports_[which] = new InstrumentPort(this);
    connect(ports_[which], &InstrumentPort::changed, this, &Instruments::changed);
    const QString line = settings().value(settingOf(which)).toString();
    if (!line.isEmpty() && !isStandIn(line)) ports_[which]->open(line); // stand-ins are for a session
  }
}

void Instruments::use(Which which, const QString& line) {
  ports_[which]->open(line);
  if (!isStandIn(line)) settings().setValue(settingOf(which), line); // the real one is there again next time
  emit changed();
}

const InstrumentPort* Instruments::of(const Goal& goal) const {
  const InstrumentPort* port = goal.what == Goal::What::Weight ? ports_[Scale]
                               : goal.what == Goal::What::Long ? ports_[Callipers]
                                                               : nullptr;
  if (!port || !port->last()) return nullptr;
  const Reading::Of wanted = goal.what == Goal::What::Weight ? Reading::Of::Weight : Reading::Of::Span;
  return port->last()->of == wanted ? port : nullptr;
}

EntryBy Instruments::by(const InstrumentPort& port) const {
  return port.standIn() ? EntryBy::StandIn : &port == ports_[Scale] ? EntryBy::Scale : EntryBy::Callipers;
}

} // namespace columna
