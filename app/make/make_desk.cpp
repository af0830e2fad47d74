#include "make/make_desk.h"

#include "make/hand_panel.h"
#include "make/instrument_panel.h"
#include "make/record_panel.h"
#include "make/session_rack.h"
#include "make/step_panel.h"
#include "make/week_panel.h"

namespace columna {

MakeDesk::MakeDesk(Session& session, MakeView& view, Instruments& instruments, QWidget* parent)
    : Desk(tr("Making"),
           {tr("Sessions"), tr("Steps"), tr("Record"), tr("When I work"), tr("My hand"), tr("Instruments")},
           {tr("Sessions"), tr("Steps"), tr("Record"), tr("When"), tr("Hand"), tr("Tools")}, parent) {
  sessions_ = new SessionRack(session, view, nullptr);
  steps_ = new StepPanel(session, view, nullptr);
  record_ = new RecordPanel(session, view, nullptr);
  week_ = new WeekPanel(session, view, nullptr);
  hand_ = new HandPanel(session, view, nullptr);
  instruments_ = new InstrumentPanel(session, view, instruments, nullptr);
  addPage(sessions_, false);
  for (QWidget* page : std::initializer_list<QWidget*>{steps_, record_, week_, hand_, instruments_})
    addPage(page);
  connect(sessions_, &SessionRack::bench, this, &MakeDesk::bench);
  connect(steps_, &StepPanel::bench, this, &MakeDesk::bench);
  connect(tabs(), &TabRow::chosen, &view, &MakeView::setTab);
  const auto follow = [this, &view] { setCurrent(view.tab()); };
  connect(&view, &MakeView::changed, this, follow);
  follow();
}

} // namespace columna
