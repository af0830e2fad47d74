// What Wrap's rack and mat show; not part of the project.
#pragma once

#include <QObject>

namespace columna {

class WrapView : public QObject {
  Q_OBJECT
public:
  static constexpr int kTabs = 4;
  static constexpr int kCoatTab = 2;

  /// The rack's tab: strips and pads, wool at hand, coat and markings, measured.
  [[nodiscard]] int tab() const { return tab_; }
  void setTab(int tab) {
    if (tab == tab_) return;
    tab_ = tab;
    emit changed();
  }
  /// The next stretch drawn on a view becomes a marking.
  [[nodiscard]] bool marking() const { return marking_; }
  void setMarking(bool on) {
    if (on == marking_) return;
    marking_ = on;
    emit changed();
  }

signals:
  void changed();

private:
  int tab_ = 0;
  bool marking_ = false;
};

} // namespace columna
