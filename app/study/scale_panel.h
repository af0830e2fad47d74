// Scale: how wire, wool, weight and hours change with the height, what the stock at hand makes, and what
// becomes too small to wrap.
#pragma once

#include "edit/size_study.h"
#include "study/study_view.h"

#include <QFutureWatcher>
#include <QTimer>
#include <QWidget>

#include <memory>

class QLabel;
class QLineEdit;
class QPushButton;

namespace columna {

/// What a background run finds out.
struct ScaleStudy {
  std::vector<ScaleRow> rows;
  std::vector<SmallPart> small;
  double height = 0;
  std::vector<QString> names; ///< of the limbs, in order
};

/// The four small charts.
class ScaleChart : public QWidget {
  Q_OBJECT
public:
  explicit ScaleChart(QWidget* parent);
  void set(const ScaleStudy& study, bool behind, UnitSystem units);
  [[nodiscard]] QSize sizeHint() const override;

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  ScaleStudy study_;
  bool behind_ = true;
  UnitSystem units_ = UnitSystem::Metric;
};

class ScalePanel : public QWidget {
  Q_OBJECT
public:
  ScalePanel(Session& session, StudyView& study, QWidget* parent);
  ~ScalePanel() override;
  ScalePanel(const ScalePanel&) = delete;
  ScalePanel& operator=(const ScalePanel&) = delete;
  [[nodiscard]] QLineEdit* wool() const { return wool_; }
  [[nodiscard]] QLineEdit* wire() const { return wire_; }
  [[nodiscard]] bool behind() const { return behind_ || solving_.isRunning(); }
  [[nodiscard]] QString smallWords() const;

protected:
  void showEvent(QShowEvent* event) override;

private:
  void changed();
  void examples(); ///< in the fields, in the maker's units
  void start();
  void done();
  void solve(bool core);
  void solved();
  Session& session_;
  StudyView& study_;
  ScaleChart* chart_;
  QLineEdit* wool_;
  QLineEdit* wire_;
  QLabel* small_;
  QTimer later_;
  QFutureWatcher<ScaleStudy> watcher_;
  QFutureWatcher<Result<double>> solving_;
  QString solvedName_;
  std::string solvedFor_; ///< the project it was asked for, as text
  std::shared_ptr<std::atomic<bool>> stop_;
  bool behind_ = true;
};

} // namespace columna
