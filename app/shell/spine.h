// The spine: the stages as the vertebrae of a column, in the order of the work.
#pragma once

#include "stage/stage.h"

#include <QAbstractButton>
#include <QWidget>

#include <vector>

namespace columna {

/// One stage. Its shape says how it is: hollow untouched, solid settled, notched with a count of things to
/// look at.
class Vertebra : public QAbstractButton {
  Q_OBJECT
public:
  Vertebra(const Stage& stage, int number, QWidget* parent);
  void setState(bool current, bool settled, int findings);
  [[nodiscard]] const Stage& stage() const { return stage_; }
  [[nodiscard]] QSize sizeHint() const override;

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  const Stage& stage_;
  int number_;
  bool current_ = false, settled_ = false;
  int findings_ = 0;
};

class Spine : public QWidget {
  Q_OBJECT
public:
  Spine(Session& session, const Stages& stages, QWidget* parent = nullptr);

protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;

private:
  [[nodiscard]] double step() const;
  /// Where a vertebra's middle is, or between two of them.
  [[nodiscard]] double place(double vertebra) const;
  void refresh();
  Session& session_;
  std::vector<Vertebra*> vertebrae_;
};

} // namespace columna
