// Small dialogs: the first choice, find anything, the guide, the screen's true size.
#pragma once

#include "stage/stage.h"

#include <QDialog>

#include <functional>

class QLineEdit;
class QListWidget;

namespace columna {

/// Find any part, stage or command by typing.
class FindBox : public QDialog {
  Q_OBJECT
public:
  FindBox(std::vector<FindEntry> entries, QWidget* parent);
  [[nodiscard]] QLineEdit* field() const { return field_; }

private:
  void filter();
  void take();
  std::vector<FindEntry> entries_;
  QLineEdit* field_;
  QListWidget* list_;
};

/// The page of the maker's guide for a stage.
void showGuide(const Stage& stage, QWidget* parent);

/// Holds a card against the screen; the result is pixels per mm, nothing if cancelled.
[[nodiscard]] std::optional<double> calibrateScreen(double now, QWidget* parent);

/// The first choice: the demo, a new figure, or open.
enum class FirstChoice { Demo, Fresh, Open, Nothing };
[[nodiscard]] FirstChoice askFirst(QWidget* parent);

} // namespace columna
