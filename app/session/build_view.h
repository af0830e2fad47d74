// The build-up: how far the work on the mat is, from bare wire to the finished coat.
#pragma once

#include "plan/plan.h"
#include "wool/build_up.h"

#include <QObject>

#include <array>
#include <optional>
#include <vector>

namespace columna {

class Session;

class BuildView : public QObject {
  Q_OBJECT
public:
  explicit BuildView(Session& session);

  /// The order of the work; made anew with the plan.
  [[nodiscard]] const std::vector<BuildStep>& steps() const;
  /// How far it is, g of wool on; all of it is the finished figure.
  [[nodiscard]] double built() const;
  void setBuilt(double grams);
  [[nodiscard]] bool finished() const { return share_ >= 1; }
  /// How far each limb is.
  [[nodiscard]] std::vector<LimbMoment> moment() const;
  /// The plan with the figure as it is at this moment, in its stance or the neutral one.
  [[nodiscard]] const Plan& plan(bool stance) const;

  /// The plan or the stance is another.
  void forget();
  /// Another project: finished, since nothing of the figure before is half built.
  void begin();

signals:
  void changed();

private:
  struct Built {
    std::optional<Plan> plan;
    double share = -1; ///< of which moment its figure is
  };
  Session& session_;
  double share_ = 1; ///< of all the wool
  mutable std::optional<std::vector<BuildStep>> steps_;
  mutable std::array<Built, 2> built_; ///< the neutral one, and in its stance
};

} // namespace columna
