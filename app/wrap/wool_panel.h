// Wool at hand: what the core and the coat are wound of, the grip on the wire, and the maker's own test ball.
#pragma once

#include "shell/session.h"

#include <QWidget>

class QComboBox;
class QGridLayout;
class QLabel;
class QLineEdit;

namespace columna {

class WoolPanel : public QWidget {
  Q_OBJECT
public:
  explicit WoolPanel(Session& session, QWidget* parent = nullptr);
  void refresh();
  [[nodiscard]] QLineEdit* ballDiameter() const { return diameter_; }
  [[nodiscard]] QLineEdit* ballGrams() const { return grams_; }
  [[nodiscard]] QLineEdit* weighField(bool coat) const { return stocks_[coat ? 1 : 0].linear; }
  [[nodiscard]] QLabel* ballWords() const { return ballWords_; }

private:
  struct Stock {
    QComboBox* form = nullptr;
    QLineEdit* linear = nullptr;
    QComboBox* tone = nullptr;
  };
  [[nodiscard]] Stock stockRow(QGridLayout* grid, int row, const QString& name, bool coat);
  void takeBall();
  Session& session_;
  std::array<Stock, 2> stocks_;
  QComboBox* grip_;
  QLineEdit* staple_;
  QLineEdit* diameter_;
  QLineEdit* grams_;
  QComboBox* firm_;
  QLabel* ballWords_;
  QLabel* trouble_;
};

} // namespace columna
