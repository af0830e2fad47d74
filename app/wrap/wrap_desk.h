// Wrap's desk under the mat: strips and pads, wool at hand, coat and markings, what was measured.
#pragma once

#include "kit/desk.h"
#include "session/session.h"
#include "wrap/wrap_view.h"

namespace columna {

class CoatPanel;
class StopPanel;
class WoolPanel;
class WrapRack;

class WrapDesk : public Desk {
  Q_OBJECT
public:
  WrapDesk(Session& session, WrapView& view, QWidget* parent = nullptr);
  [[nodiscard]] WrapRack* heaps() const { return heaps_; }
  [[nodiscard]] WoolPanel* wool() const { return wool_; }
  [[nodiscard]] CoatPanel* coat() const { return coat_; }
  [[nodiscard]] StopPanel* stop() const { return stop_; }

private:
  WrapRack* heaps_;
  WoolPanel* wool_;
  CoatPanel* coat_;
  StopPanel* stop_;
};

} // namespace columna
