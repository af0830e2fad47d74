// A row of words, one of them underlined: which page of a rack shows.
#pragma once

#include <QToolButton>
#include <QWidget>

#include <vector>

namespace columna {

class TabRow : public QWidget {
  Q_OBJECT
public:
  /// `shorter` are used when the text is large.
  TabRow(const QStringList& names, const QStringList& shorter, QWidget* parent = nullptr);
  void setCurrent(int index);
  [[nodiscard]] QToolButton* tab(int index) const { return tabs_[static_cast<size_t>(index)]; }

signals:
  void chosen(int index);

private:
  std::vector<QToolButton*> tabs_;
};

} // namespace columna
