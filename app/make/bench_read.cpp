// Readings and notes at the bench: typed, or taken from an instrument.
#include "kit/say.h"
#include "make/bench_board.h"
#include "make/step_words.h"

namespace columna {

void BenchBoard::startReading(const QString& typed) {
  const Goal* g = goal();
  if (!g) return;
  noting_ = false;
  field_->setPlaceholderText(
      tr("%1, planned %2").arg(str(g->words, session_.units()), figureOf(*g, g->value, session_.units())));
  field_->setText(typed);
  field_->show();
  field_->setFocus();
}

void BenchBoard::startNote() {
  noting_ = true;
  field_->setPlaceholderText(tr("a note; Enter keeps it"));
  field_->clear();
  field_->show();
  field_->setFocus();
}

void BenchBoard::closeField() {
  noting_ = false;
  slip_.reset();
  field_->hide();
  field_->clear();
  setFocus();
}

void BenchBoard::keepField() {
  if (noting_) {
    if (!view_.write(EntryKind::Note, field_->text())) closeField();
    return;
  }
  const Goal* g = goal();
  if (!g) return;
  const auto value = typedReading(*g, field_->text(), session_.units());
  if (!value) {
    putQuestion(ask_, sentence(value.problem(), session_.units()));
    return;
  }
  if (farOff(*g, *value) && slip_ != *value) {
    slip_ = *value;
    putQuestion(Ask::Slip,
                tr("%1 where %2 was planned: Enter again keeps it.")
                    .arg(figureOf(*g, *value, session_.units()), figureOf(*g, g->value, session_.units())));
    return;
  }
  kept(*g, *value, EntryBy::Typed, false);
}

void BenchBoard::kept(const Goal& goal, double value, EntryBy by, bool moving) {
  if (view_.read(goal, value, by, moving)) return; // the step may be another afterwards
  at_.reset();
  closeField();
  putQuestion(Ask::Nothing, {});
  refresh();
}

void BenchBoard::takeReading() {
  const Goal* g = goal();
  const InstrumentPort* port = g ? instruments_.of(*g) : nullptr;
  if (!port || !port->last()->value) return startReading({});
  const auto steady = port->steady();
  // One that moves and is far off is asked for twice.
  if (!steady && ask_ != Ask::Moving && ask_ != Ask::Slip)
    return putQuestion(Ask::Moving, tr("It still moves: R again takes it as it is."));
  const double value = steady ? *steady : *port->last()->value;
  if (farOff(*g, value) && ask_ != Ask::Slip)
    return putQuestion(
        Ask::Slip, tr("%1 where %2 was planned: R again keeps it.")
                       .arg(figureOf(*g, value, session_.units()), figureOf(*g, g->value, session_.units())));
  kept(*g, value, instruments_.by(*port), !steady);
}

} // namespace columna
