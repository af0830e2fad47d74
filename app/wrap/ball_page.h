// A test ball of the maker's own felt: what to make, three diameters, its weight, and what follows for all
// weights of the figure.
#pragma once

#include "session/session.h"

#include <QDialog>

#include <array>

class QComboBox;
class QGridLayout;
class QLabel;
class QLineEdit;
class QPushButton;

namespace columna {

class BigFigure;

class BallPage : public QDialog {
  Q_OBJECT
public:
  explicit BallPage(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] QLineEdit* across(int which) const { return across_[static_cast<size_t>(which)]; }
  [[nodiscard]] QLineEdit* grams() const { return grams_; }
  [[nodiscard]] QComboBox* firmness() const { return firm_; }
  [[nodiscard]] QPushButton* useKey() const { return use_; }
  [[nodiscard]] QLabel* answer() const { return answer_; }
  /// The ball as it is typed in; nothing while something is missing or wrong, and the answer says what.
  [[nodiscard]] std::optional<TestBall> ball() const { return ball_; }

private:
  /// A numbered step: its head, and the words under it.
  [[nodiscard]] QLabel* step(QGridLayout* grid, int row, const QString& head);
  void reckon();
  Session& session_;
  QComboBox* firm_;
  QLabel* make_;
  std::array<QLineEdit*, 3> across_{};
  QLabel* mean_;
  QLineEdit* grams_;
  BigFigure* density_;
  QLabel* answer_;
  QPushButton* use_;
  std::optional<TestBall> ball_;
};

} // namespace columna
