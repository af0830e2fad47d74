#include "kit/flow_layout.h"

#include "theme/theme.h"

#include <QWidget>

#include <algorithm>

namespace columna {

FlowLayout::FlowLayout(QWidget* parent) : QLayout(parent) {
  setContentsMargins(0, 0, 0, 0);
  setSpacing(px(6));
}

FlowLayout::~FlowLayout() = default;

void FlowLayout::addItem(QLayoutItem* item) { items_.emplace_back(item); }
int FlowLayout::count() const { return static_cast<int>(items_.size()); }

QLayoutItem* FlowLayout::itemAt(int index) const {
  return index >= 0 && index < count() ? items_[static_cast<size_t>(index)].get() : nullptr;
}

QLayoutItem* FlowLayout::takeAt(int index) {
  if (index < 0 || index >= count()) return nullptr;
  QLayoutItem* item = items_[static_cast<size_t>(index)].release();
  items_.erase(items_.begin() + index);
  return item;
}

void FlowLayout::setGeometry(const QRect& rect) {
  QLayout::setGeometry(rect);
  lay(rect, true);
}

QSize FlowLayout::sizeHint() const {
  int wide = 0;
  int high = 0;
  for (const auto& item : items_) {
    if (item->isEmpty()) continue;
    wide += item->sizeHint().width() + (wide > 0 ? spacing() : 0);
    high = std::max(high, item->sizeHint().height());
  }
  return {wide, high};
}

QSize FlowLayout::minimumSize() const {
  QSize least;
  for (const auto& item : items_)
    if (!item->isEmpty()) least = least.expandedTo(item->minimumSize());
  return least;
}

int FlowLayout::lay(const QRect& rect, bool place) const {
  int x = rect.x();
  int y = rect.y();
  int high = 0; // of the line
  for (const auto& item : items_) {
    if (item->isEmpty()) continue;
    const int wide = std::min(item->sizeHint().width(), std::max(rect.width(), item->minimumSize().width()));
    if (x > rect.x() && x + wide > rect.x() + rect.width()) {
      x = rect.x();
      y += high + spacing();
      high = 0;
    }
    if (place) item->setGeometry({x, y, wide, item->sizeHint().height()});
    x += wide + spacing();
    high = std::max(high, item->sizeHint().height());
  }
  return y + high - rect.y();
}

} // namespace columna
