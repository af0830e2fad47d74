#include "make/record_panel.h"

#include "booklet/story.h"
#include "built/entry_words.h"
#include "kit/parts.h"
#include "kit/picture.h"
#include "kit/say.h"
#include "kit/settings.h"
#include "kit/with_progress.h"
#include "make/step_words.h"
#include "make/when.h"
#include "measure/disk.h"
#include "measure/quantity.h"
#include "print/pages.h"
#include "theme/theme.h"

#include <QFileDialog>
#include <QFileInfo>
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
  photo_ = new QPushButton(tr("Photo…"), this);
  photo_->setToolTip(tr("a photo of the work, with what stands in the field"));
  check_ = new QPushButton(tr("Photo check…"), this);
  check_->setToolTip(tr("a photo of the work laid over the plan: what is fuller, thinner, turned (O)"));
  shown_ = new QLabel(this);
  shown_->setAccessibleName(tr("The photo of this entry"));
  shown_->setAlignment(Qt::AlignCenter);
  shown_->hide();
  story_ = new QPushButton(tr("Story as PDF…"), this);
  story_->setToolTip(tr("planned and made, hours, and what was done on which day, to print"));
  list_ = new QListWidget(this);
  list_->setAccessibleName(tr("The record"));
  list_->setUniformItemSizes(true);
  grid->addWidget(note_, 0, 0);
  grid->addWidget(keep_, 0, 1);
  grid->addWidget(next_, 0, 2);
  grid->addWidget(photo_, 0, 3);
  grid->addWidget(list_, 1, 0, 5, 2);
  grid->addWidget(shown_, 2, 3, 4, 1);
  grid->addWidget(withdraw_, 1, 2);
  grid->addWidget(table_, 2, 2);
  grid->addWidget(story_, 3, 2);
  grid->addWidget(check_, 1, 3);
  grid->setColumnStretch(0, 1);
  grid->setRowStretch(5, 1);
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
  connect(photo_, &QPushButton::clicked, this, [this] { addPhoto(); });
  connect(check_, &QPushButton::clicked, this, &RecordPanel::photoCheck);
  connect(story_, &QPushButton::clicked, this, [this] { saveStory(); });
  connect(list_, &QListWidget::currentRowChanged, this, [this] { follow(); });
  connect(&session_, &Session::recordChanged, this, &RecordPanel::refresh);
  connect(&session_, &Session::begun, this, &RecordPanel::refresh);
  connect(&view_, &MakeView::changed, this, &RecordPanel::refresh);
  refresh();
}

QString RecordPanel::wordsOf(const Entry& e) const {
  const Step* step = nullptr;
  if (view_.steps())
    if (const auto at = view_.steps()->find(e.step)) step = &view_.steps()->steps[static_cast<size_t>(*at)];
  return str(entryWords(e, step, &*session_.plan().figure), session_.units()).simplified();
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
  showPhoto();
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

void RecordPanel::addPhoto(QString path) {
  if (path.isEmpty())
    path = QFileDialog::getOpenFileName(this, tr("A photo of the work"), lastFolder(),
                                        tr("Pictures (*.png *.jpg *.jpeg *.webp *.tif *.tiff)"));
  if (path.isEmpty()) return;
  bool stopped = false;
  const auto picture =
      withProgress(window(), tr("Reading the picture"), stopped,
                   [path](std::atomic<bool>&, std::atomic<int>&) { return readPicture(path); });
  if (!picture)
    session_.refuse(sentence(picture.problem(), session_.units()));
  else if (!stopped && !view_.photo(picture->jpeg, note_->text()))
    note_->clear();
}

/// Beside the list, as large as there is room.
void RecordPanel::showPhoto() {
  const Entry* entry = current();
  const std::string* bytes = entry && !entry->photo.empty() ? session_.entry(entry->photo) : nullptr;
  QPixmap picture;
  if (bytes)
    picture.loadFromData(reinterpret_cast<const uchar*>(bytes->data()), static_cast<uint>(bytes->size()));
  shown_->setVisible(!picture.isNull());
  if (!picture.isNull())
    shown_->setPixmap(picture.scaled(px(150), px(92), Qt::KeepAspectRatio, Qt::SmoothTransformation));
}

void RecordPanel::saveStory(QString path) {
  if (!view_.steps()) return;
  if (path.isEmpty())
    path = QFileDialog::getSaveFileName(this, tr("Save the story"),
                                        lastFolder() + u'/' +
                                            asFileName(tr("%1, story").arg(str(session_.project().name))) +
                                            QStringLiteral(".pdf"),
                                        tr("PDF (*.pdf)"));
  if (path.isEmpty()) return;
  if (!path.endsWith(QStringLiteral(".pdf"), Qt::CaseInsensitive)) path += QStringLiteral(".pdf");
  const StoryAsk ask{session_.project(), session_.plan().figure, *view_.steps(),
                     view_.progress(),   session_.record(),      &windowLanguage()};
  const auto pages = storyPages(ask, usualPaper());
  const auto trouble =
      writePdf(path, pages, str(session_.project().name),
               picturesOf(pages, [this](const std::string& name) { return session_.entry(name); }));
  if (trouble)
    session_.refuse(*trouble);
  else
    session_.note(tr("Written to %1.").arg(QFileInfo(path).fileName()));
}

} // namespace columna
