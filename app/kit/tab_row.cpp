#include "kit/tab_row.h"

#include "theme/theme.h"

#include <QHBoxLayout>

namespace columna {

TabRow::TabRow(const QStringList& names, const QStringList& shorter, QWidget* parent) : QWidget(parent) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(px(4));
  for (int i = 0; i < names.size(); ++i) {
    auto* tab = new QToolButton(this);
    tab->setText(textScale() > 1.3 ? shorter[i] : names[i]);
    tab->setCheckable(true);
    tab->setFocusPolicy(Qt::TabFocus);
    tab->setAccessibleName(names[i]);
    connect(tab, &QToolButton::clicked, this, [this, i] { emit chosen(i); });
    tabs_.push_back(tab);
    row->addWidget(tab);
  }
  row->addStretch();
}

void TabRow::setCurrent(int index) {
  const Theme& t = theme();
  for (size_t i = 0; i < tabs_.size(); ++i) {
    const bool now = static_cast<int>(i) == index;
    tabs_[i]->setChecked(now);
    tabs_[i]->setStyleSheet(
        QStringLiteral("QToolButton { font-size: %1px; font-weight: %2; color: %3; border: 2px solid "
                       "transparent; border-bottom-color: %4; "
                       "border-radius: 0; padding: 2px 8px; } QToolButton:focus { border-color: %5; }")
            .arg(textScale() > 1.3 ? frame(now ? 14 : 13) : px(now ? 15 : 13))
            .arg(now ? 600 : 400)
            .arg(now ? t.ink.name() : t.faint.name(), now ? t.woad.name() : QStringLiteral("transparent"),
                 t.woad.name()));
  }
}

} // namespace columna
