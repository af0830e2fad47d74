// The maker's hand, as their records show it: pace and readings with their ranges before and now, the figures
// it was learnt from, and the word that one of them, or all, does not count.
#pragma once

#include "make/make_view.h"

#include <QCheckBox>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>

namespace columna {

class HandPanel : public QWidget {
  Q_OBJECT
public:
  HandPanel(Session& session, MakeView& view, QWidget* parent = nullptr);
  [[nodiscard]] QListWidget* figures() const { return figures_; }
  [[nodiscard]] QCheckBox* learn() const { return learn_; }
  [[nodiscard]] QLabel* traits() const { return traits_; }
  [[nodiscard]] QPushButton* forgetKey() const { return forget_; }

private:
  void refresh();
  [[nodiscard]] QString wordsOf(const HandTrait& trait) const;
  Session& session_;
  MakeView& view_;
  QListWidget* figures_;
  QCheckBox* learn_;
  QLabel* traits_;
  QPushButton* forget_;
  bool filling_ = false;
};

} // namespace columna
