// What Pose's rack shows, and how the hand drags; not part of the project.
#pragma once

#include <QObject>

namespace columna {

class PoseView : public QObject {
  Q_OBJECT
public:
  static constexpr int kTabs = 2;

  /// The rack's tab: poses, wire's life.
  [[nodiscard]] int tab() const { return tab_; }
  void setTab(int tab) {
    tab_ = tab;
    emit changed();
  }
  /// The feet stay where they stand while the body is moved.
  [[nodiscard]] bool planted() const { return planted_; }
  void setPlanted(bool on) {
    planted_ = on;
    emit changed();
  }

signals:
  void changed();

private:
  int tab_ = 0;
  bool planted_ = true;
};

} // namespace columna
