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
  /// By the steps that are done, in whatever order: a flag for each.
  void setDone(const std::vector<bool>& steps);
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
    std::uint64_t turn = 0; ///< of which moment its figure is
  };
  Session& session_;
  void moved();
  double share_ = 1; ///< of all the wool
  /// Which steps are done, where they are not done in the order there is.
  std::optional<std::vector<bool>> done_;
  std::uint64_t turn_ = 1; ///< counts moments
  mutable std::optional<std::vector<BuildStep>> steps_;
  mutable std::array<Built, 2> built_; ///< the neutral one, and in its stance
};

} // namespace columna
