// What kind of booklet is made, remembered: for paper or for a browser, with or without colours, with the
// drawings at true size and the maker's own notes.
#pragma once

#include "booklet/booklet.h"
#include "session/session.h"

#include <QDialog>

class QCheckBox;
class QComboBox;
class QPushButton;

namespace columna {

class BookletChoice : public QDialog {
  Q_OBJECT
public:
  BookletChoice(const Session& session, QWidget* parent);

  [[nodiscard]] BookletWish wish() const;
  /// A folder of pages for a browser, not a PDF.
  [[nodiscard]] bool folder() const;

  void accept() override; ///< remembers what is chosen

  // The controls, for the keyboard and the tests.
  [[nodiscard]] QComboBox* kinds() const { return kinds_; }
  [[nodiscard]] QComboBox* papers() const { return papers_; }
  [[nodiscard]] QComboBox* colours() const { return colours_; }
  [[nodiscard]] QCheckBox* guide() const { return guide_; }
  [[nodiscard]] QCheckBox* notes() const { return notes_; }
  [[nodiscard]] QPushButton* go() const { return go_; }

private:
  QComboBox* kinds_;
  QComboBox* papers_;
  QComboBox* colours_;
  QCheckBox* guide_;
  QCheckBox* notes_;
  QPushButton* go_;
};

} // namespace columna
