// When to stop: a girth or a weight that was just measured, and what it says.
#pragma once

#include "session/session.h"

#include <QWidget>

class QComboBox;
class QLabel;
class QLineEdit;
class QListWidget;
class QPushButton;

namespace columna {

class StopPanel : public QWidget {
  Q_OBJECT
public:
  explicit StopPanel(Session& session, QWidget* parent = nullptr);
  void refresh();
  [[nodiscard]] QLineEdit* tapeField() const { return tape_; }
  [[nodiscard]] QLineEdit* leftField() const { return left_; }
  [[nodiscard]] QLabel* answer() const { return answer_; }
  [[nodiscard]] QPushButton* resizeKey() const { return resize_; }

private:
  void takeGirth(double mm);
  void takeLeft(double grams);
  /// The limb asked about: the selected one, else the trunk.
  [[nodiscard]] int limb() const;
  Session& session_;
  QComboBox* place_;
  QComboBox* moment_;
  QLineEdit* tape_;
  QLineEdit* left_;
  QLabel* answer_;
  QPushButton* resize_;
  QListWidget* list_;
  QPushButton* forget_;
  double factor_ = 1;
};

} // namespace columna
