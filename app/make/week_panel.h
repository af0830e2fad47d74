// When the maker works, and what fits into the minutes there are.
#pragma once

#include "make/make_view.h"

#include <QLabel>
#include <QLineEdit>
#include <QPushButton>

namespace columna {

class WeekPanel : public QWidget {
  Q_OBJECT
public:
  WeekPanel(Session& session, MakeView& view, QWidget* parent = nullptr);
  [[nodiscard]] QLineEdit* week() const { return week_; }
  [[nodiscard]] QLineEdit* days() const { return days_; }
  [[nodiscard]] QLineEdit* stretch() const { return stretch_; }
  [[nodiscard]] QLineEdit* rest() const { return rest_; }
  [[nodiscard]] QLineEdit* minutes() const { return minutes_; }
  [[nodiscard]] QLabel* answer() const { return answer_; }
  [[nodiscard]] QLabel* fitting() const { return fits_; }
  [[nodiscard]] QPushButton* usualKey() const { return usual_; }
  /// Writes the sessions as a calendar file; asks for a name when `path` is empty.
  void saveCalendar(QString path = {});

private:
  void refresh();
  void take();
  void fit();
  Session& session_;
  MakeView& view_;
  QLineEdit *week_, *days_, *stretch_, *rest_, *minutes_;
  QLabel *answer_, *fits_;
  QPushButton *usual_, *calendar_;
};

} // namespace columna
