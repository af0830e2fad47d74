// Wrap's desk under the mat: strips and pads, wool at hand, coat and markings, what was measured.
#pragma once

#include "kit/tab_row.h"
#include "session/session.h"

#include <QWidget>

class QStackedWidget;

namespace columna {

class CoatPanel;
class StopPanel;
class WoolPanel;
class WrapRack;

class WrapDesk : public QWidget {
  Q_OBJECT
public:
  explicit WrapDesk(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] TabRow* tabs() const { return tabs_; }
  [[nodiscard]] WrapRack* heaps() const { return heaps_; }
  [[nodiscard]] WoolPanel* wool() const { return wool_; }
  [[nodiscard]] CoatPanel* coat() const { return coat_; }
  [[nodiscard]] StopPanel* stop() const { return stop_; }

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  Session& session_;
  TabRow* tabs_;
  QStackedWidget* pages_;
  WrapRack* heaps_;
  WoolPanel* wool_;
  CoatPanel* coat_;
  StopPanel* stop_;
};

} // namespace columna
