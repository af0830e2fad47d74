// What Wire's rack and mat show; not part of the project.
#pragma once

#include <QObject>

namespace columna {

class WireView : public QObject {
  Q_OBJECT
public:
  static constexpr int kTabs = 5;

  /// The rack's tab: pieces, stock, bends, drawer, allowances.
  [[nodiscard]] int tab() const { return tab_; }
  void setTab(int tab) {
    tab_ = tab;
    emit changed();
  }
  /// The skeleton alone, the wool only as a faint outline.
  [[nodiscard]] bool bare() const { return bare_; }
  void setBare(bool on) {
    bare_ = on;
    emit changed();
  }

signals:
  void changed();

private:
  int tab_ = 0;
  bool bare_ = false;
};

} // namespace columna
