// The colours of the wool as the work stands: core, coat and markings, with the chosen part tinted. A copy of
// all it needs, so that pictures can be made beside the window.
#pragma once

#include "session/session.h"
#include "wool/build_up.h"

#include <QColor>

#include <Eigen/Core>

#include <vector>

namespace columna {

class WoolPaint {
public:
  /// `felted`: the wool that is on at the build-up's moment; else parts by whether they are chosen.
  WoolPaint(const Session& session, bool felted);
  /// All of the wool on, whatever the build-up's moment; nothing chosen.
  [[nodiscard]] static WoolPaint finished(const Session& session);
  /// An animal's own colours, whatever a project has.
  WoolPaint(const Figure& figure, const HeadPattern& head);

  /// Wool at a place of a bone's surface in its stance, mm; `normal` points outwards.
  [[nodiscard]] QRgb at(const Vec3& middle, const Vec3& normal, int bone) const;
  /// A part without its markings.
  [[nodiscard]] QRgb of(int limb) const { return plain_[static_cast<size_t>(limb)]; }
  [[nodiscard]] const std::vector<QRgb>& parts() const { return plain_; }
  /// A colour of its own as it shows on a part: tinted where that is chosen.
  [[nodiscard]] QRgb tinted(const QColor& colour, int limb) const {
    return tinted(colour, static_cast<size_t>(limb));
  }
  /// A part's colour, chosen or not.
  [[nodiscard]] QRgb ground(int limb) const { return bare_[static_cast<size_t>(limb)]; }
  /// As if nothing were chosen.
  void chooseNone() {
    selected_ = -1;
    plain_ = bare_;
  }
  [[nodiscard]] bool chosen(int limb) const { return limb == selected_; }
  [[nodiscard]] QRgb tint() const { return tint_.rgb(); }
  /// How much of the tint a chosen part has.
  static constexpr double kTint = 0.28;

private:
  /// The limbs of a session, without their colours.
  explicit WoolPaint(const Session& session);
  void felt(const Session& session, const std::vector<LimbMoment>& moment);
  struct Area {
    Marking marking;
    QColor colour;
    Vec3 eye;
  };
  [[nodiscard]] QRgb tinted(const QColor& colour, size_t limb) const;
  double scale_ = 1;
  int selected_ = -1;
  QColor tint_;
  std::vector<QRgb> plain_;  ///< of each limb
  std::vector<QRgb> bare_;   ///< the same, none chosen
  std::vector<char> coated_; ///< of each limb: its markings show
  std::vector<std::string> family_;
  std::vector<int> limbOf_; ///< of each bone
  std::vector<FigureBone> stance_, neutral_;
  std::vector<Eigen::Matrix3d> back_; ///< of each bone, from the stance to the neutral one
  std::vector<Area> areas_;
};

} // namespace columna
