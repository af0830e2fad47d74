// What each limb's wire has to bear, in closed form: every part hanging level from its joint, the worst
// attitude it can be posed in, and the legs under a figure that leans.
#pragma once

#include "hold/soles.h"
#include "wire/skeleton.h"

#include <string>
#include <string_view>
#include <vector>

namespace columna {

/// How the figure will live; scales the knock it must survive.
enum class Use { Display, Shelf, Handled };
[[nodiscard]] std::string_view id(Use use);
[[nodiscard]] std::optional<Use> use(std::string_view id);
/// 0.5 in a display case, 1 on a shelf, 2 handled.
[[nodiscard]] double nudgeLevel(Use use);

/// The knock in N for a figure of that weight in N: half the weight, but 0.10 to 0.50 N, times the use's
/// level.
[[nodiscard]] double nudgeForce(double weight, Use use);

/// Lean of a standing figure: offset of its centre of mass over the centre's height (range 0.1-0.25).
inline constexpr double kLean = 0.15;

/// One thing a limb's wire must hold.
struct Demand {
  std::string joint;      ///< where: a point of the skeleton, by its id
  double gravity = 0;     ///< moment of weight, N mm
  double lever = 0;       ///< what the knock is multiplied by, mm; 0 when none is reckoned with
  Said words;             ///< "head and neck held level"
  Said sum;               ///< the sum with its figures
  std::string place = {}; ///< where, in the maker's words
};

struct Loads {
  double weight = 0;                      ///< N
  double nudge = 0;                       ///< N
  Vec3 centre{0, 0, 0};                   ///< centre of mass, mm
  int legs = 0;                           ///< legs that stand on the ground
  std::vector<double> shares;             ///< of the weight on each limb while it stands, see legShares()
  std::vector<std::vector<Demand>> limbs; ///< of each limb; empty without wire
};

/// A part's weight where it is.
struct BoneMass {
  double grams = 0;
  Vec3 centre{0, 0, 0};
  double at = 0.5; ///< along the bone, 0..1
};

/// `masses` has one entry a bone; `footing` is the figure's (see footingOf()).
[[nodiscard]] Loads figureLoads(const Figure& figure, const WireSkeleton& skeleton, const Footing& footing,
                                const std::vector<BoneMass>& masses, Use use);

/// Moment in N mm of parts hung on a level, straight chain: g sum m_i l_i, grams and mm.
struct Hung {
  double grams, mm;
};
[[nodiscard]] double levelMoment(const std::vector<Hung>& parts);

} // namespace columna
