// Wool at hand: what the core and the coat are wound of, the grip on the wire, and the maker's own test ball.
#pragma once

#include "session/session.h"
#include "wrap/ball_page.h"

#include <QPointer>
#include <QWidget>

class QComboBox;
class QGridLayout;
class QLabel;
class QLineEdit;
class QPushButton;

namespace columna {

class WoolPanel : public QWidget {
  Q_OBJECT
public:
  explicit WoolPanel(Session& session, QWidget* parent = nullptr);
  void refresh();
  [[nodiscard]] QPushButton* ballKey() const { return ball_; }
  [[nodiscard]] QPushButton* dropKey() const { return drop_; }
  /// The test ball's page once it was opened; nothing when it is closed.
  [[nodiscard]] BallPage* ballPage() const { return page_; }
  [[nodiscard]] QLineEdit* weighField(bool coat) const { return stocks_[coat ? 1 : 0].linear; }
  [[nodiscard]] QLabel* ballWords() const { return ballWords_; }

private:
  struct Stock {
    QComboBox* form = nullptr;
    QLineEdit* linear = nullptr;
    QComboBox* tone = nullptr;
  };
  [[nodiscard]] Stock stockRow(QGridLayout* grid, int row, const QString& name, bool coat);
  void openBall();
  Session& session_;
  std::array<Stock, 2> stocks_;
  QComboBox* grip_;
  QLineEdit* staple_;
  QPushButton* ball_;
  QPushButton* drop_;
  QPointer<BallPage> page_;
  QLabel* ballWords_;
  QLabel* trouble_;
};

} // namespace columna
