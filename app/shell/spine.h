// The spine: the stages as the vertebrae of a column, in the order of the work.
#pragma once

#include "session/session.h"

#include <QAbstractButton>
#include <QWidget>

#include <vector>

namespace columna {

/// One stage. Its shape says how it is: hollow untouched, solid settled, notched with a count of things to
/// look at.
class Vertebra : public QAbstractButton {
  Q_OBJECT
public:
  Vertebra(Stage stage, const QString& name, int number, QWidget* parent);
  void setState(bool current, bool settled, int findings);
  [[nodiscard]] Stage stage() const { return stage_; }
  [[nodiscard]] QSize sizeHint() const override;

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  Stage stage_;
  int number_;
  bool current_ = false, settled_ = false;
  int findings_ = 0;
};

class Spine : public QWidget {
  Q_OBJECT
public:
  explicit Spine(Session& session, QWidget* parent = nullptr);

protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;

private:
  void refresh();
  Session& session_;
  std::vector<Vertebra*> vertebrae_;
  int poseFound_ = 0; ///< to look at in Pose, as last seen
};

} // namespace columna
