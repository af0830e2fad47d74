// Coat and markings: what hides the core, areas in other colours, and fur laid in rows.
#pragma once

#include "session/session.h"
#include "wrap/wrap_view.h"

#include <QWidget>

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QListWidget;
class QPushButton;

namespace columna {

class CoatPanel : public QWidget {
  Q_OBJECT
public:
  CoatPanel(Session& session, WrapView& view, QWidget* parent = nullptr);
  void refresh();
  [[nodiscard]] QPushButton* drawKey() const { return draw_; }
  [[nodiscard]] QPushButton* wholeKey() const { return whole_; }
  [[nodiscard]] QPushButton* removeKey() const { return remove_; }
  [[nodiscard]] QListWidget* list() const { return list_; }
  [[nodiscard]] QLineEdit* furField() const { return fur_; }
  [[nodiscard]] QComboBox* finishBox() const { return finish_; }
  [[nodiscard]] QPushButton* offerKey() const { return offer_; }
  [[nodiscard]] QLabel* words() const { return words_; }

private:
  void setTone(int tone);
  [[nodiscard]] std::optional<CoatOffer> pelt() const;
  Session& session_;
  WrapView& view_;
  QListWidget* list_;
  QPushButton* draw_;
  QPushButton* whole_;
  QPushButton* remove_;
  QComboBox* tone_;
  QCheckBox* both_;
  QLineEdit* name_;
  QComboBox* finish_; ///< how the coat is made
  QLineEdit* fur_;
  QPushButton* offer_; ///< what the living pelt suggests
  QLabel* words_;
};

} // namespace columna
