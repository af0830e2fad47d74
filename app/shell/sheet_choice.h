// What of the sheet is printed, remembered: the parts ticked, the paper, and how many pages they take now.
#pragma once

#include "session/session.h"
#include "sheet/true_size_sheet.h"

#include <QDialog>

#include <vector>

class QCheckBox;
class QComboBox;
class QLabel;
class QPushButton;

namespace columna {

class SheetChoice : public QDialog {
  Q_OBJECT
public:
  /// `doing` is on the button that goes on: “Print…”, “Save as PDF…”.
  SheetChoice(const Session& session, const QString& doing, QWidget* parent);

  [[nodiscard]] SheetParts parts() const;
  [[nodiscard]] Paper paper() const;
  [[nodiscard]] std::vector<Page> pages() const;

  void accept() override; ///< remembers what is ticked

  // The controls, for the keyboard and the tests.
  [[nodiscard]] QCheckBox* box(const char* key) const;
  [[nodiscard]] QComboBox* papers() const { return papers_; }
  [[nodiscard]] QPushButton* go() const { return go_; }
  [[nodiscard]] QLabel* count() const { return count_; }

private:
  void counted();
  const Session& session_;
  std::vector<QCheckBox*> boxes_; ///< as sheetParts()
  QComboBox* papers_;
  QLabel* count_;
  QPushButton* go_;
};

} // namespace columna
