// The character dials: one for the age from true to life to toy, and every number it sets, each to be changed
// alone.
#pragma once

#include "study/study_view.h"

#include <QWidget>

#include <array>

class QCheckBox;
class QLineEdit;
class QPushButton;
class QSlider;

namespace columna {

class CharacterPanel : public QWidget {
  Q_OBJECT
public:
  explicit CharacterPanel(Session& session, StudyView& study, QWidget* parent);
  [[nodiscard]] QSlider* age() const { return age_; }
  /// head, muzzle, legs, eyes, eyes lower, girth
  [[nodiscard]] QLineEdit* dial(int index) const { return dials_[static_cast<size_t>(index)]; }
  [[nodiscard]] QCheckBox* halving() const { return halving_; }
  [[nodiscard]] QPushButton* putBack() const { return putBack_; }

protected:
  void showEvent(QShowEvent* event) override;

private:
  void refresh();
  void typed(size_t index);
  Session& session_;
  StudyView& study_;
  QSlider* age_;
  QSlider* girth_;
  std::array<QLineEdit*, 6> dials_{};
  QCheckBox* halving_;
  QPushButton* putBack_;
  QPushButton* life_;
};

} // namespace columna
