// Work that windows left which ended without saving, to choose from: go on with it, leave it for later, or
// give it up.
#pragma once

#include "file/left_behind.h"

#include <QDialog>

class QListWidget;
class QPushButton;

namespace columna {

class LeftDialog : public QDialog {
  Q_OBJECT
public:
  LeftDialog(std::vector<LeftBehind> left, QWidget* parent);
  /// What is to be gone on with; nothing when it is left for later.
  [[nodiscard]] const LeftBehind* chosen() const {
    return chosen_ < 0 ? nullptr : &left_[static_cast<size_t>(chosen_)];
  }
  [[nodiscard]] QListWidget* list() const { return list_; }
  [[nodiscard]] QPushButton* goOn() const { return goOn_; }
  [[nodiscard]] QPushButton* later() const { return later_; }
  [[nodiscard]] QPushButton* giveUp() const { return giveUp_; }

private:
  void fill();
  void remove();

  std::vector<LeftBehind> left_;
  int chosen_ = -1;
  QListWidget* list_ = nullptr;
  QPushButton* goOn_ = nullptr;
  QPushButton* later_ = nullptr;
  QPushButton* giveUp_ = nullptr;
};

} // namespace columna
