// What the hand takes of a wire: each allowance in a field, for the figure or for the selected limb's piece.
#pragma once

#include "session/session.h"
#include "wire/allowance.h"

#include <QWidget>

#include <vector>

class QCheckBox;
class QLabel;
class QLineEdit;
class QPushButton;

namespace columna {

class AllowancePanel : public QWidget {
  Q_OBJECT
public:
  explicit AllowancePanel(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] QLineEdit* field(size_t index) const { return fields_[index]; }
  [[nodiscard]] QCheckBox* piece() const { return piece_; }
  [[nodiscard]] QLineEdit* handling() const { return handling_; }

protected:
  void showEvent(QShowEvent* event) override;

private:
  static bool isLength(const AllowanceField& field);
  /// In the maker's units.
  [[nodiscard]] QString shownOf(const AllowanceField& field, double value) const;
  void refresh();
  void typed(size_t index);
  void typedHandling();
  [[nodiscard]] std::string pieceName() const; ///< of the selected limb, empty for none
  Session& session_;
  std::vector<QLineEdit*> fields_;
  QLineEdit* handling_;
  QCheckBox* piece_;
  QPushButton* usual_;
};

} // namespace columna
