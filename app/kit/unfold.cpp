#include "kit/unfold.h"

#include "theme/theme.h"

#include <QVBoxLayout>

namespace columna {

Unfold::Unfold(const QString& words, QWidget* parent) : QWidget(parent), words_(words) {
  auto* outer = new QVBoxLayout(this);
  outer->setContentsMargins(0, 0, 0, 0);
  outer->setSpacing(px(4));
  button_ = new QPushButton(this);
  button_->setCheckable(true);
  button_->setFlat(true);
  button_->setCursor(Qt::PointingHandCursor);
  button_->setStyleSheet(
      QStringLiteral("QPushButton { text-align: left; border: none; padding: 2px 0; color: %1; "
                     "font-weight: 600; background: transparent; } "
                     "QPushButton:focus { text-decoration: underline; }")
          .arg(theme().woad.name()));
  content_ = new QWidget(this);
  inside_ = new QVBoxLayout(content_);
  inside_->setContentsMargins(px(12), 0, 0, px(4));
  inside_->setSpacing(px(8));
  outer->addWidget(button_);
  outer->addWidget(content_);
  connect(button_, &QPushButton::toggled, this, &Unfold::show);
  show(false);
}

void Unfold::setWords(const QString& words) {
  words_ = words;
  show(isOpen());
}

void Unfold::show(bool open) {
  content_->setVisible(open);
  button_->setText((open ? QStringLiteral("▾ ") : QStringLiteral("▸ ")) + words_);
  button_->setAccessibleName(words_);
  button_->setAccessibleDescription(open ? tr("open") : tr("closed"));
}

} // namespace columna
