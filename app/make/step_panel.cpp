#include "make/step_panel.h"

#include "kit/say.h"
#include "make/step_words.h"
#include "make/when.h"
#include "theme/theme.h"

#include <QVBoxLayout>

namespace columna {

StepPanel::StepPanel(Session& session, MakeView& view, QWidget* parent)
    : QWidget(parent), session_(session), view_(view) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, px(8), 0);
  list_ = new QListWidget(this);
  list_->setAccessibleName(tr("Steps"));
  list_->setUniformItemSizes(true);
  layout->addWidget(list_);
  connect(list_, &QListWidget::currentRowChanged, this, [this](int row) {
    if (!filling_ && row >= 0) view_.choose(row);
  });
  connect(list_, &QListWidget::itemActivated, this, &StepPanel::bench);
  connect(&view_, &MakeView::changed, this, &StepPanel::refresh);
  refresh();
}

void StepPanel::refresh() {
  filling_ = true;
  const StepPlan* plan = view_.steps();
  const int count = plan ? static_cast<int>(plan->steps.size()) : 0;
  while (list_->count() > count) delete list_->takeItem(list_->count() - 1);
  while (list_->count() < count) list_->addItem(QString());
  for (int i = 0; i < count; ++i) {
    const Step& s = plan->steps[static_cast<size_t>(i)];
    const StepState state = view_.progress(i).state;
    const bool over = state == StepState::Done || state == StepState::LeftOut;
    QListWidgetItem* item = list_->item(i);
    item->setText(tr("%1  %2, %3 · %4")
                      .arg(state == StepState::Done       ? QStringLiteral("●")
                           : state == StepState::LeftOut  ? QStringLiteral("–")
                           : state == StepState::Drying   ? QStringLiteral("◍")
                           : state == StepState::UnderWay ? QStringLiteral("◐")
                           : state == StepState::Ready    ? QStringLiteral("○")
                                                          : QStringLiteral("·"),
                           str(s.words, session_.units()), minutesText(view_.pace().minutes(s)),
                           stateOf(view_, i, session_.units())));
    item->setForeground(over || state == StepState::Later ? theme().faint : theme().ink);
  }
  if (view_.step() >= 0 && list_->currentRow() != view_.step()) {
    list_->setCurrentRow(view_.step());
    list_->scrollToItem(list_->currentItem(), QAbstractItemView::PositionAtCenter);
  }
  filling_ = false;
}

} // namespace columna
