#include "make/record_panel.h"

#include "kit/parts.h"
#include "kit/say.h"
#include "kit/settings.h"
#include "make/step_words.h"
#include "make/when.h"
#include "measure/disk.h"
#include "measure/quantity.h"
#include "theme/theme.h"

#include <QFileDialog>
#include <QGridLayout>

#include <algorithm>

namespace columna {

RecordPanel::RecordPanel(Session& session, MakeView& view, QWidget* parent)
    : QWidget(parent), session_(session), view_(view) {
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, px(2), px(8), 0);
  grid->setHorizontalSpacing(px(8));
  grid->setVerticalSpacing(px(6));
  note_ = new QLineEdit(this);
  note_->setAccessibleName(tr("Note"));
  note_->setPlaceholderText(tr("a note: what you saw, what you did otherwise"));
  note_->setMaxLength(static_cast<int>(kEntryText) / 4); // of letters that take four bytes
  keep_ = new QPushButton(tr("Note it"), this);
  next_ = new QPushButton(tr("For next time"), this);
  next_->setToolTip(tr("what to do otherwise on the next figure"));
  withdraw_ = new QPushButton(tr("Withdraw"), this);
  table_ = new QPushButton(tr("Save as CSV…"), this);
  list_ = new QListWidget(this);
  list_->setAccessibleName(tr("The record"));
  list_->setUniformItemSizes(true);
  grid->addWidget(note_, 0, 0);
  grid->addWidget(keep_, 0, 1);
  grid->addWidget(next_, 0, 2);
  grid->addWidget(list_, 1, 0, 3, 2);
  grid->addWidget(withdraw_, 1, 2);
  grid->addWidget(table_, 2, 2);
  grid->setColumnStretch(0, 1);
  grid->setRowStretch(3, 1);
  const auto write = [this](EntryKind kind) {
    if (!view_.write(kind, note_->text())) note_->clear();
  };
  connect(note_, &QLineEdit::returnPressed, this, [write] { write(EntryKind::Note); });
  connect(keep_, &QPushButton::clicked, this, [write] { write(EntryKind::Note); });
  connect(next_, &QPushButton::clicked, this, [write] { write(EntryKind::NextTime); });
  connect(withdraw_, &QPushButton::clicked, this, [this] {
    const Entry* entry = current();
    if (!entry) return;
    // What is withdrawn comes back by withdrawing the withdrawal.
    const std::set<std::string> gone = withdrawn(session_.record());
    std::string of = entry->id;
    if (gone.contains(of))
      for (const Entry& e : session_.record())
        if (e.kind == EntryKind::Withdraw && e.of == entry->id && !gone.contains(e.id)) of = e.id;
    (void)view_.withdraw(of);
  });
  connect(table_, &QPushButton::clicked, this, [this] { saveTable(); });
  connect(list_, &QListWidget::currentRowChanged, this, [this] { follow(); });
  connect(&session_, &Session::recordChanged, this, &RecordPanel::refresh);
  connect(&session_, &Session::begun, this, &RecordPanel::refresh);
  connect(&view_, &MakeView::changed, this, &RecordPanel::refresh);
  refresh();
}

QString RecordPanel::wordsOf(const Entry& e) const {
  const UnitSystem units = session_.units();
  QString what;
  const Step* step = nullptr;
  if (view_.steps())
    if (const auto at = view_.steps()->find(e.step)) step = &view_.steps()->steps[static_cast<size_t>(*at)];
  const QString of = step ? str(step->words, units) : tr("a step of another plan");
  QString value;
  if (e.value) {
    if (e.kind == EntryKind::WeightRead)
      value = str(printMass(*e.value, units));
    else if (e.kind == EntryKind::LengthRead || e.kind == EntryKind::GirthRead)
      value = str(printLength(*e.value, units, 1));
    else
      value = str(printNumber(*e.value, 0));
  }
  switch (e.kind) {
  case EntryKind::Begin:
    what = tr("begun: %1").arg(of);
    break;
  case EntryKind::Pause:
    what = tr("paused: %1").arg(of);
    break;
  case EntryKind::Resume:
    what = tr("gone on with: %1").arg(of);
    break;
  case EntryKind::Done:
    what = e.by == EntryBy::Usual ? tr("done: %1, the usual time taken").arg(of) : tr("done: %1").arg(of);
    break;
  case EntryKind::LeaveOut:
    what = tr("left out: %1").arg(of);
    break;
  case EntryKind::WeightRead:
    what = tr("%1 weighed: %2").arg(value, of);
    break;
  case EntryKind::LengthRead:
    what = tr("%1 long: %2").arg(value, of);
    break;
  case EntryKind::GirthRead:
    what = tr("%1 round: %2").arg(value, of);
    break;
  case EntryKind::CountRead:
  case EntryKind::AngleRead:
    what = tr("%1 counted: %2").arg(value, of);
    break;
  case EntryKind::NextTime:
    what = tr("next time: %1").arg(str(e.text));
    break;
  default:
    what = e.text.empty() ? of : str(e.text);
    break;
  }
  if (e.by == EntryBy::StandIn) what += tr(" (from a stand-in, no measurement)");
  return what.simplified();
}

void RecordPanel::refresh() {
  const std::string kept = current() ? current()->id : std::string();
  const std::set<std::string> gone = withdrawn(session_.record());
  const QSignalBlocker quiet(list_);
  list_->clear();
  for (auto e = session_.record().rbegin(); e != session_.record().rend(); ++e) {
    if (e->kind == EntryKind::Withdraw) continue; // told by what it strikes out
    const auto at = secondsOf(e->at);
    auto* item =
        new QListWidgetItem(QStringLiteral("%1  %2").arg(at ? dateTimeOf(*at) : str(e->at), wordsOf(*e)));
    item->setData(Qt::UserRole, str(e->id));
    if (gone.contains(e->id)) {
      QFont struck = list_->font();
      struck.setStrikeOut(true);
      item->setFont(struck);
      item->setForeground(theme().faint);
      item->setData(Qt::AccessibleTextRole, tr("withdrawn: %1").arg(item->text()));
    } else if (e->value) {
      item->setForeground(theme().logwood); // the maker read it
    }
    list_->addItem(item);
    if (e->id == kept) list_->setCurrentItem(item);
  }
  follow();
}

const Entry* RecordPanel::current() const {
  const QListWidgetItem* item = list_->currentItem();
  if (!item) return nullptr;
  const std::string id = item->data(Qt::UserRole).toString().toStdString();
  for (const Entry& e : session_.record())
    if (e.id == id) return &e;
  return nullptr;
}

void RecordPanel::follow() {
  const Entry* entry = current();
  withdraw_->setEnabled(entry);
  withdraw_->setText(entry && withdrawn(session_.record()).contains(entry->id) ? tr("Bring back")
                                                                               : tr("Withdraw"));
  table_->setEnabled(!session_.record().empty());
}

void RecordPanel::saveTable(QString path) {
  if (path.isEmpty())
    path = QFileDialog::getSaveFileName(this, tr("Save the record"),
                                        lastFolder() + u'/' + asFileName(str(session_.project().name)) +
                                            QStringLiteral(".csv"),
                                        tr("Table (*.csv)"));
  if (path.isEmpty()) return;
  if (const auto problem = writeAtomically(path.toStdString(), journalTable(session_.record())))
    session_.refuse(sentence(*problem, session_.units()));
}

} // namespace columna
