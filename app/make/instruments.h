// The scale and the callipers at the bench, and which of them can say what a goal asks for.
#pragma once

#include "device/port.h"
#include "make/journal.h"
#include "steps/step.h"

#include <QObject>

#include <array>

namespace columna {

class Instruments : public QObject {
  Q_OBJECT
public:
  enum Which { Scale, Callipers };
  static constexpr std::array kAll{Scale, Callipers};

  explicit Instruments(QObject* parent = nullptr);
  [[nodiscard]] InstrumentPort& port(Which which) { return *ports_[which]; }
  [[nodiscard]] const InstrumentPort& port(Which which) const { return *ports_[which]; }
  /// Uses a line from now on, this time and the next; an empty one for none.
  void use(Which which, const QString& line);
  /// The one that can read a goal and is there; null where none is. Round a part goes a tape, by hand.
  [[nodiscard]] const InstrumentPort* of(const Goal& goal) const;
  /// How an entry tells where its value came from.
  [[nodiscard]] EntryBy by(const InstrumentPort& port) const;

signals:
  void changed();

private:
  std::array<InstrumentPort*, kAll.size()> ports_{};
};

} // namespace columna
