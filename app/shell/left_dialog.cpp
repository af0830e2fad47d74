#include "shell/left_dialog.h"

#include "kit/parts.h"
#include "theme/theme.h"

#include <QDateTime>
#include <QDialogButtonBox>
#include <QFileInfo>
#include <QListWidget>
#include <QLocale>
#include <QMessageBox>
#include <QPushButton>
#include <QVBoxLayout>

namespace columna {
namespace {

QString whenWords(std::filesystem::file_time_type when) {
  const auto ago = std::filesystem::file_time_type::clock::now() - when;
  const auto seconds = std::chrono::duration_cast<std::chrono::seconds>(ago).count();
  return QLocale().toString(QDateTime::currentDateTime().addSecs(-seconds), QLocale::ShortFormat);
}

} // namespace

LeftDialog::LeftDialog(std::vector<LeftBehind> left, QWidget* parent)
    : QDialog(parent), left_(std::move(left)) {
  setWindowTitle(tr("Work that was not saved"));
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(px(20), px(16), px(20), px(16));
  QLabel* words = textLabel(this, 13, QFont::Normal);
  words->setText(tr("Columna ended before this was saved. It is kept for fourteen days."));
  words->setWordWrap(true);
  layout->addWidget(words);
  list_ = new QListWidget(this);
  list_->setAccessibleName(tr("Work that was not saved"));
  list_->setWordWrap(true);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  list_->setSpacing(px(2));
  layout->addWidget(list_);
  auto* buttons = new QDialogButtonBox(this);
  goOn_ = buttons->addButton(tr("Go on with it"), QDialogButtonBox::AcceptRole);
  later_ = buttons->addButton(tr("Later"), QDialogButtonBox::RejectRole);
  giveUp_ = buttons->addButton(tr("Throw it away…"), QDialogButtonBox::ActionRole);
  goOn_->setDefault(true);
  layout->addWidget(buttons);
  resize(px(520), px(300));
  connect(buttons, &QDialogButtonBox::rejected, this, &LeftDialog::reject);
  connect(giveUp_, &QPushButton::clicked, this, &LeftDialog::remove);
  const auto take = [this] {
    chosen_ = list_->currentRow();
    if (chosen_ >= 0) accept();
  };
  connect(goOn_, &QPushButton::clicked, this, take);
  connect(list_, &QListWidget::itemActivated, this, take);
  fill();
}

void LeftDialog::fill() {
  list_->clear();
  for (const LeftBehind& each : left_) {
    const QString name =
        each.name.empty() ? tr("a copy that cannot be read") : QString::fromStdString(each.name);
    const QString of = QFileInfo(QString::fromStdString(each.of.string())).fileName();
    list_->addItem(of.isEmpty() ? tr("%1\nnever saved, %2").arg(name, whenWords(each.when))
                                : tr("%1\nchanges to %2, %3").arg(name, of, whenWords(each.when)));
  }
  list_->setCurrentRow(left_.empty() ? -1 : 0);
  goOn_->setEnabled(!left_.empty());
  giveUp_->setEnabled(!left_.empty());
}

void LeftDialog::remove() {
  const int row = list_->currentRow();
  if (row < 0) return;
  const LeftBehind& left = left_[static_cast<size_t>(row)];
  QMessageBox box(QMessageBox::NoIcon, windowTitle(), tr("Throw this work away for good?"),
                  QMessageBox::Cancel, this);
  const QPushButton* sure = box.addButton(tr("Throw it away"), QMessageBox::DestructiveRole);
  box.exec();
  if (box.clickedButton() != sure) return;
  const RecoveryPlace place = RecoveryPlace::of(left);
  place.drop();
  left_.erase(left_.begin() + row);
  fill();
}

} // namespace columna
