#include "shell/booklet_choice.h"

#include "kit/parts.h"
#include "kit/settings.h"
#include "print/pages.h"
#include "theme/theme.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QPushButton>

#include <algorithm>

namespace columna {
namespace {

QString key(const char* of) { return QStringLiteral("booklet/%1").arg(QLatin1String(of)); }

} // namespace

BookletChoice::BookletChoice(const Session& session, QWidget* parent) : QDialog(parent) {
  setWindowTitle(tr("The booklet"));
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(px(20), px(16), px(20), px(16));
  auto* what = textLabel(this, 13, QFont::Normal, true);
  what->setText(
      tr("Every step with its picture, its numbers and its cautions: for yourself, a class or a kit."));
  layout->addWidget(what);
  layout->addSpacing(px(8));
  auto* form = new QFormLayout;
  layout->addLayout(form);
  const auto choice = [&](const QString& name, const QStringList& of, const char* kept) {
    auto* box = new QComboBox(this);
    box->addItems(of);
    box->setAccessibleName(name);
    box->setCurrentIndex(std::clamp(settings().value(key(kept)).toInt(), 0, static_cast<int>(of.size()) - 1));
    form->addRow(name, box);
    return box;
  };
  kinds_ = choice(tr("As"), {tr("PDF, to print"), tr("folder of pages for a browser")}, "kind");
  papers_ = choice(tr("Paper"), {QStringLiteral("A4"), tr("Letter")}, "");
  papers_->setCurrentIndex(usualPaper() == Paper::Letter ? 1 : 0);
  colours_ = choice(tr("Printed in"), {tr("colour"), tr("grey")}, "colours");
  const auto tick = [&](const QString& words, const char* kept) {
    auto* box = new QCheckBox(words, this);
    box->setChecked(settings().value(key(kept), true).toBool());
    layout->addWidget(box);
    return box;
  };
  guide_ = tick(tr("with the drawings at true size"), "guide");
  notes_ = tick(tr("with my own notes and photos"), "notes");
  const bool noted = std::any_of(session.record().begin(), session.record().end(), [](const Entry& e) {
    return e.kind == EntryKind::Note || e.kind == EntryKind::NextTime || e.kind == EntryKind::Photo;
  });
  notes_->setEnabled(noted);
  if (!noted) {
    notes_->setChecked(false);
    notes_->setText(tr("with my own notes and photos: there are none yet"));
  }
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
  go_ = buttons->addButton(tr("Save…"), QDialogButtonBox::AcceptRole);
  go_->setDefault(true);
  layout->addSpacing(px(8));
  layout->addWidget(buttons);
  connect(buttons, &QDialogButtonBox::accepted, this, &BookletChoice::accept);
  connect(buttons, &QDialogButtonBox::rejected, this, &BookletChoice::reject);
}

BookletWish BookletChoice::wish() const {
  BookletWish out;
  out.paper = papers_->currentIndex() == 1 ? Paper::Letter : Paper::A4;
  out.grey = colours_->currentIndex() == 1;
  out.guide = guide_->isChecked();
  out.own = notes_->isEnabled() && notes_->isChecked();
  return out;
}

bool BookletChoice::folder() const { return kinds_->currentIndex() == 1; }

void BookletChoice::accept() {
  settings().setValue(key("kind"), kinds_->currentIndex());
  rememberPaper(wish().paper);
  settings().setValue(key("colours"), colours_->currentIndex());
  settings().setValue(key("guide"), guide_->isChecked());
  if (notes_->isEnabled()) settings().setValue(key("notes"), notes_->isChecked());
  QDialog::accept();
}

} // namespace columna
