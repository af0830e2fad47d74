#include "shell/sheet_choice.h"

#include "kit/parts.h"
#include "kit/say.h"
#include "kit/settings.h"
#include "print/pages.h"
#include "theme/theme.h"

#include <QCheckBox>
#include <QComboBox>
#include <QCoreApplication>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QPushButton>

namespace columna {
namespace {

/// What was left off is remembered, so that a part the program learns later is printed.
QString leftOffKey() { return QStringLiteral("sheet/leftOff"); }

} // namespace

SheetChoice::SheetChoice(const Session& session, const QString& doing, QWidget* parent)
    : QDialog(parent), session_(session) {
  setWindowTitle(tr("The sheet"));
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(px(20), px(16), px(20), px(16));
  const QStringList leftOff = settings().value(leftOffKey()).toStringList();
  for (const SheetPart& part : sheetParts()) {
    auto* box = new QCheckBox(str(Name(part.words)), this);
    box->setObjectName(QLatin1String(part.key));
    box->setChecked(!leftOff.contains(QLatin1String(part.key)));
    connect(box, &QCheckBox::toggled, this, &SheetChoice::counted);
    layout->addWidget(box);
    boxes_.push_back(box);
  }
  auto* row = new QHBoxLayout;
  layout->addSpacing(px(8));
  layout->addLayout(row);
  papers_ = new QComboBox(this);
  papers_->addItem(QStringLiteral("A4"));
  papers_->addItem(tr("Letter"));
  papers_->setAccessibleName(tr("Paper"));
  papers_->setCurrentIndex(usualPaper() == Paper::Letter ? 1 : 0);
  connect(papers_, &QComboBox::currentIndexChanged, this, &SheetChoice::counted);
  row->addWidget(papers_);
  count_ = textLabel(this, 13, QFont::DemiBold);
  count_->setAccessibleName(tr("Pages"));
  row->addWidget(count_, 1);
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
  go_ = buttons->addButton(doing, QDialogButtonBox::AcceptRole);
  go_->setDefault(true);
  layout->addSpacing(px(8));
  layout->addWidget(buttons);
  connect(buttons, &QDialogButtonBox::accepted, this, &SheetChoice::accept);
  connect(buttons, &QDialogButtonBox::rejected, this, &SheetChoice::reject);
  counted();
}

SheetParts SheetChoice::parts() const {
  SheetParts parts;
  for (size_t i = 0; i < boxes_.size(); ++i) parts.*sheetParts()[i].wanted = boxes_[i]->isChecked();
  return parts;
}

Paper SheetChoice::paper() const { return papers_->currentIndex() == 1 ? Paper::Letter : Paper::A4; }

std::vector<Page> SheetChoice::pages() const {
  return trueSizeSheet(session_.project(), session_.plan(), session_.catalog(), paper(), parts(),
                       &windowLanguage());
}

void SheetChoice::accept() {
  QStringList leftOff;
  for (const QCheckBox* box : boxes_)
    if (!box->isChecked()) leftOff.push_back(box->objectName());
  settings().setValue(leftOffKey(), leftOff);
  rememberPaper(paper());
  QDialog::accept();
}

QCheckBox* SheetChoice::box(const char* key) const {
  for (QCheckBox* box : boxes_)
    if (box->objectName() == QLatin1String(key)) return box;
  return nullptr;
}

void SheetChoice::counted() {
  const bool any = !parts().none();
  go_->setEnabled(any);
  count_->setText(any ? tr("%n page(s)", "", static_cast<int>(pages().size())) : tr("Nothing is ticked."));
}

} // namespace columna
