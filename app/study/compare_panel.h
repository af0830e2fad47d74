// Compare: the figure against its animal or any other, as an outline on the mat and as ratios with the
// animal's range.
#pragma once

#include "anatomy/proportion.h"
#include "study/study_view.h"

#include <QWidget>

class QComboBox;

namespace columna {

/// The ratios, one a row: its bar within the animal's range, and the verdict in words.
class RatioRows : public QWidget {
  Q_OBJECT
public:
  explicit RatioRows(QWidget* parent);
  void set(std::vector<Proportion> rows, UnitSystem units);
  [[nodiscard]] const std::vector<Proportion>& rows() const { return rows_; }

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  std::vector<Proportion> rows_;
  UnitSystem units_ = UnitSystem::Metric;
};

class ComparePanel : public QWidget {
  Q_OBJECT
public:
  ComparePanel(Session& session, StudyView& study, QWidget* parent);
  [[nodiscard]] QComboBox* with() const { return with_; }
  [[nodiscard]] const RatioRows* ratios() const { return ratios_; }

protected:
  void showEvent(QShowEvent* event) override;

private:
  void refresh();
  Session& session_;
  StudyView& study_;
  QComboBox* with_;
  RatioRows* ratios_;
};

} // namespace columna
