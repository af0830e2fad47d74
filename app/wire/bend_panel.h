// A piece's bends: the table to follow with pliers, and the same as a strip. The piece of the selected limb,
// or the one chosen.
#pragma once

#include "session/session.h"

#include <QWidget>

class QComboBox;
class QLabel;
class QPushButton;
class QTableWidget;

namespace columna {

class BendPanel : public QWidget {
  Q_OBJECT
public:
  explicit BendPanel(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] QTableWidget* table() const { return table_; }
  [[nodiscard]] QComboBox* chooser() const { return chooser_; }
  [[nodiscard]] QComboBox* end(int which) const { return ends_[which]; }
  [[nodiscard]] QPushButton* another() const { return another_; }

protected:
  void showEvent(QShowEvent* event) override;

private:
  void refresh();
  void fill();
  void nextRoute();
  Session& session_;
  QComboBox* chooser_;
  QLabel* words_;
  QPushButton* another_;
  QComboBox* ends_[2]; ///< where the piece begins and ends
  QTableWidget* table_;
};

} // namespace columna
