// Make's desk: the sessions to come, all steps, the record, when it is worked on, the maker's hand, and
// instruments.
#pragma once

#include "kit/desk.h"
#include "make/make_view.h"

namespace columna {

class HandPanel;
class InstrumentPanel;
class Instruments;
class RecordPanel;
class SessionRack;
class StepPanel;
class WeekPanel;

class MakeDesk : public Desk {
  Q_OBJECT
public:
  MakeDesk(Session& session, MakeView& view, Instruments& instruments, QWidget* parent = nullptr);
  [[nodiscard]] SessionRack* sessions() const { return sessions_; }
  [[nodiscard]] StepPanel* steps() const { return steps_; }
  [[nodiscard]] RecordPanel* record() const { return record_; }
  [[nodiscard]] WeekPanel* week() const { return week_; }
  [[nodiscard]] HandPanel* hand() const { return hand_; }
  [[nodiscard]] InstrumentPanel* instruments() const { return instruments_; }

signals:
  void bench();

private:
  SessionRack* sessions_;
  StepPanel* steps_;
  RecordPanel* record_;
  WeekPanel* week_;
  HandPanel* hand_;
  InstrumentPanel* instruments_;
};

} // namespace columna
