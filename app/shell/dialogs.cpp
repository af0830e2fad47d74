#include "shell/dialogs.h"

#include "kit/parts.h"
#include "project/catalog.h"
#include "theme/theme.h"

#include <QDialogButtonBox>
#include <QFile>
#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QPainter>
#include <QPushButton>
#include <QSlider>
#include <QTextBrowser>
#include <QVBoxLayout>

namespace columna {
namespace {

/// A bank card's outline, 85.60 x 53.98 mm (ISO/IEC 7810 ID-1).
class CardOutline : public QWidget {
public:
  explicit CardOutline(double pixelsPerMm) : scale(pixelsPerMm) { setMinimumSize(500, 320); }
  double scale;

protected:
  void paintEvent(QPaintEvent* /*event*/) override {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const QSizeF size(85.60 * scale, 53.98 * scale);
    p.setPen(QPen(theme().woad, 2));
    p.setBrush(theme().wash);
    p.drawRoundedRect(QRectF(QPointF((width() - size.width()) / 2, (height() - size.height()) / 2), size),
                      3.18 * scale, 3.18 * scale);
  }
};

QString guideFolder() {
  const std::filesystem::path data = dataFolder();
  std::error_code error;
  for (const auto& folder : {data / "guide", data.parent_path() / "docs" / "guide"})
    if (std::filesystem::exists(folder, error)) return QString::fromStdString(folder.string());
  return {};
}

} // namespace

FindBox::FindBox(std::vector<FindEntry> entries, QWidget* parent)
    : QDialog(parent), entries_(std::move(entries)) {
  setWindowTitle(tr("Find"));
  auto* layout = new QVBoxLayout(this);
  field_ = new QLineEdit(this);
  field_->setPlaceholderText(tr("a part, a stage or something to do"));
  field_->setAccessibleName(tr("Find a part or a command"));
  list_ = new QListWidget(this);
  list_->setAccessibleName(tr("What was found"));
  layout->addWidget(field_);
  layout->addWidget(list_);
  resize(px(420), px(420));
  connect(field_, &QLineEdit::textChanged, this, &FindBox::filter);
  connect(field_, &QLineEdit::returnPressed, this, &FindBox::take);
  connect(list_, &QListWidget::itemActivated, this, &FindBox::take);
  filter();
}

void FindBox::filter() {
  list_->clear();
  const QStringList wanted = field_->text().split(u' ', Qt::SkipEmptyParts);
  for (size_t i = 0; i < entries_.size(); ++i) {
    const QString all = entries_[i].text + u' ' + entries_[i].hint;
    if (!std::all_of(wanted.begin(), wanted.end(),
                     [&](const QString& w) { return all.contains(w, Qt::CaseInsensitive); }))
      continue;
    auto* item = new QListWidgetItem(entries_[i].hint.isEmpty()
                                         ? entries_[i].text
                                         : tr("%1    %2").arg(entries_[i].text, entries_[i].hint),
                                     list_);
    item->setData(Qt::UserRole, static_cast<int>(i));
  }
  list_->setCurrentRow(0);
}

void FindBox::take() {
  const QListWidgetItem* item = list_->currentItem();
  if (!item) return;
  const auto act = entries_[static_cast<size_t>(item->data(Qt::UserRole).toInt())].act;
  accept();
  act();
}

void showGuide(const Stage& stage, QWidget* parent) {
  auto* dialog = new QDialog(parent);
  dialog->setAttribute(Qt::WA_DeleteOnClose);
  dialog->setWindowTitle(FindBox::tr("Guide"));
  auto* layout = new QVBoxLayout(dialog);
  auto* text = new QTextBrowser(dialog);
  text->setAccessibleName(FindBox::tr("Guide page"));
  text->setSearchPaths({guideFolder()});
  QFile file(guideFolder() + u'/' + stage.guide());
  if (file.open(QIODevice::ReadOnly))
    text->setMarkdown(QString::fromUtf8(file.readAll()));
  else
    text->setPlainText(FindBox::tr(
        "The guide's pages are not installed; they are in the folder docs/guide of the program's source."));
  layout->addWidget(text);
  dialog->resize(px(620), px(640));
  dialog->show();
}

std::optional<double> calibrateScreen(double now, QWidget* parent) {
  QDialog dialog(parent);
  dialog.setWindowTitle(FindBox::tr("True size on this screen"));
  auto* layout = new QVBoxLayout(&dialog);
  auto* words = textLabel(&dialog, 13, QFont::Normal);
  words->setText(FindBox::tr(
      "Hold a bank card against the screen and move the slider until the outline is as large as the card."));
  layout->addWidget(words);
  auto* card = new CardOutline(now);
  layout->addWidget(card, 1);
  auto* slider = new QSlider(Qt::Horizontal, &dialog);
  slider->setAccessibleName(FindBox::tr("Size of the outline"));
  slider->setRange(150, 1200);
  slider->setValue(qRound(now * 100));
  layout->addWidget(slider);
  QObject::connect(slider, &QSlider::valueChanged, card, [card](int value) {
    card->scale = value / 100.0;
    card->setMinimumSize(qRound(90 * card->scale), qRound(58 * card->scale));
    card->update();
  });
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel, &dialog);
  layout->addWidget(buttons);
  QObject::connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
  QObject::connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
  if (dialog.exec() != QDialog::Accepted) return std::nullopt;
  return slider->value() / 100.0;
}

FirstChoice askFirst(QWidget* parent) {
  QDialog dialog(parent);
  dialog.setWindowTitle(QStringLiteral("Columna"));
  auto* layout = new QVBoxLayout(&dialog);
  layout->setContentsMargins(px(32), px(28), px(32), px(28));
  layout->setSpacing(px(12));
  auto* words = textLabel(&dialog, 20, QFont::DemiBold);
  words->setText(FindBox::tr("What is on the bench?"));
  layout->addWidget(words);
  FirstChoice choice = FirstChoice::Nothing;
  const auto offer = [&](const QString& text, FirstChoice what) {
    auto* button = new QPushButton(text, &dialog);
    button->setMinimumHeight(px(44));
    button->setMinimumWidth(px(320));
    layout->addWidget(button);
    QObject::connect(button, &QPushButton::clicked, &dialog, [&dialog, &choice, what] {
      choice = what;
      dialog.accept();
    });
  };
  offer(FindBox::tr("A new figure"), FirstChoice::Fresh);
  offer(FindBox::tr("Open a project"), FirstChoice::Open);
  offer(FindBox::tr("Look round the demo, an otter on watch"), FirstChoice::Demo);
  dialog.exec();
  return choice;
}

} // namespace columna
