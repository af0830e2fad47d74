// The drawer: wires the maker has, how many others may be bought, and two tests at the bench.
#pragma once

#include "session/session.h"

#include <QWidget>

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QListWidget;
class QPushButton;
class QSpinBox;

namespace columna {

class DrawerPanel : public QWidget {
  Q_OBJECT
public:
  explicit DrawerPanel(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] QListWidget* list() const { return list_; }
  [[nodiscard]] QLineEdit* nameField() const { return name_; }
  [[nodiscard]] QLineEdit* sizeField() const { return size_; }
  [[nodiscard]] QLineEdit* coverField() const { return cover_; }
  [[nodiscard]] QLineEdit* lengthField() const { return length_; }
  [[nodiscard]] QSpinBox* countField() const { return count_; }
  [[nodiscard]] QPushButton* addButton() const { return add_; }
  [[nodiscard]] QPushButton* removeButton() const { return remove_; }
  [[nodiscard]] QSpinBox* most() const { return most_; }
  [[nodiscard]] QCheckBox* only() const { return only_; }
  [[nodiscard]] QSpinBox* turns() const { return turns_; }
  [[nodiscard]] QLineEdit* turnsLength() const { return turnsLength_; }
  [[nodiscard]] QLineEdit* mass() const { return mass_; }
  [[nodiscard]] QLineEdit* overhang() const { return overhang_; }
  [[nodiscard]] QLabel* result() const { return result_; }

protected:
  void showEvent(QShowEvent* event) override;

private:
  void refresh();
  void add();
  void count();
  void hang();
  Session& session_;
  QListWidget* list_;
  QLineEdit* name_;
  QComboBox* material_;
  QLineEdit* size_;
  QLineEdit* cover_;
  QLineEdit* length_;
  QSpinBox* count_;
  QPushButton* add_;
  QPushButton* remove_;
  QSpinBox* most_;
  QCheckBox* only_;
  QSpinBox* turns_;
  QLineEdit* turnsLength_;
  QLineEdit* mass_;
  QLineEdit* overhang_;
  QLabel* result_;
};

} // namespace columna
