// What Face shows: which part of the head is chosen, and the sums and pictures of it, made beside the window.
// Not part of the project.
#pragma once

#include "face/head_map.h"
#include "judge/face_sums.h"
#include "session/session.h"
#include "turn/fine_picture.h"

#include <QFutureWatcher>

#include <map>
#include <optional>

namespace columna {

inline constexpr double kPadStep = 1.1; ///< a key makes a pad so many times larger

/// A part of the head that can be chosen.
struct FacePick {
  enum class Kind { None, Pad, Eye, Flat, Pin, Step, Place };
  Kind kind = Kind::None;
  std::string id; ///< of a step its place in the order of work, from 0
  [[nodiscard]] bool operator==(const FacePick&) const = default;
};

class FaceView : public QObject {
  Q_OBJECT
public:
  static constexpr int kTabs = 6;

  explicit FaceView(Session& session);
  ~FaceView() override;
  FaceView(const FaceView&) = delete;
  FaceView& operator=(const FaceView&) = delete;

  /// The rack's tab: pads, eyes, ears, feet, pins, the order of work.
  [[nodiscard]] int tab() const { return tab_; }
  void setTab(int tab);
  [[nodiscard]] const FacePick& pick() const { return pick_; }
  void choose(FacePick pick);
  /// Chosen, or a part of the step that is.
  [[nodiscard]] bool lit(const FacePick& pick) const;
  /// The chosen step; null where none is.
  [[nodiscard]] const FaceStep* step() const;
  /// The next or the one before: pads in the order of work, eyes, ears. False past the end.
  bool walk(bool next);
  void nextPin();
  /// A place on the head that is no part of it, mm in its own axes, y >= 0.
  void choosePlace(const Vec3& at);
  [[nodiscard]] const Vec3& place() const { return place_; }
  /// What it is found again by, worked out beside the window; null until then.
  [[nodiscard]] const PlaceMeasures* placeMeasures() const { return measures_ ? &*measures_ : nullptr; }
  /// Where on the surface what is chosen lies: a place, a pin, an eye, a pad. Nothing where none is.
  [[nodiscard]] std::optional<Vec3> chosenPlace() const;
  /// The place of such shares of the face, seen from the front.
  [[nodiscard]] std::optional<Vec3> byHalving(const Vec2& shares) const;
  [[nodiscard]] bool lines() const { return lines_; }
  void setLines(bool on);
  /// The body is shown behind the head.
  [[nodiscard]] bool body() const { return body_; }
  void setBody(bool on);
  /// How the head is held against it, radians, within what its joint allows.
  [[nodiscard]] const Turn& turn() const { return turn_; }
  void setTurn(const Turn& turn);

  /// The stage is on: sums are made as the plan changes.
  void setOn(bool on);
  /// The last that were made; null before the first, and for an animal without a head.
  [[nodiscard]] const FaceSums* sums() const { return sums_.get(); }
  [[nodiscard]] std::shared_ptr<const FaceSums> sharedSums() const { return sums_; }
  [[nodiscard]] bool behind() const;
  [[nodiscard]] bool painting() const { return painter_.isRunning() || painting_.has_value(); }
  [[nodiscard]] const std::vector<Finding>& findings() const;

  /// The head as it is seen, mm of the view's plane with y upwards; empty for an animal without one.
  [[nodiscard]] QRectF seen(View view) const;
  /// Something is dragged in that view: until it is let go the others keep their outlines.
  void setHand(std::optional<View> view);
  /// Something is dragged in another view, and this one stays as it is until it is let go.
  [[nodiscard]] bool waits(View view) const { return hand_ && *hand_ != view; }
  /// Its outline in that view, mm; with ears, horns and bill.
  [[nodiscard]] const std::vector<Polygon>& outline(View view) const;
  /// The whole figure's, to hold the head against, turned as it is held.
  [[nodiscard]] const std::vector<Polygon>& silhouette(View view) const;
  /// A picture of it at so many pixels a mm, and what it shows, mm; it may be of a moment before, and null
  /// until the first is made. Another is asked for where it is old.
  struct Picture {
    QImage image;
    QRectF mm;
  };
  [[nodiscard]] const Picture* picture(View view, double scale);

signals:
  void changed();

private:
  void ask();
  void made();
  void paint();
  void painted();
  void forget();
  [[nodiscard]] bool current() const;
  /// What a picture's wool is coloured by.
  [[nodiscard]] WoolPaint wool() const;
  [[nodiscard]] QRgb coat() const;
  Session& session_;
  int tab_ = 0;
  bool on_ = false, lines_ = true, body_ = false;
  Turn turn_;
  FacePick pick_;
  Vec3 place_ = Vec3::Zero();
  std::optional<PlaceMeasures> measures_;
  QFutureWatcher<PlaceMeasures> measuring_;
  Vec3 measured_ = Vec3::Zero();               ///< what is being measured,
  std::shared_ptr<const FaceSums> measuredOn_; ///< and on which head
  void measure();

  struct Key {
    Shared<Figure> figure;
    FaceWish wish;
    double density = 0;
    std::string pattern;
  };
  [[nodiscard]] Key key() const;
  [[nodiscard]] static bool alike(const Key& a, const Key& b);
  std::shared_ptr<const FaceSums> sums_;
  Key of_, asked_;
  QFutureWatcher<std::shared_ptr<const FaceSums>> summing_;

  struct Shown {
    Picture picture;
    double scale = 0, wanted = 0;
    Shared<Figure> figure, asked; ///< of the picture, and of the one that is made
    QRgb coat = 0, askedCoat = 0; ///< likewise
    QRectF askedMm;
    std::string pattern; ///< of the picture: another animal's is not shown
  };
  [[nodiscard]] bool fresh(const Shown& shown) const;
  std::map<View, Shown> shown_;
  std::optional<View> painting_;
  Shared<Figure> solidOf_;
  std::shared_ptr<const SolidMesh> solid_;
  QFutureWatcher<std::shared_ptr<FinePicture>> painter_;
  std::atomic<bool> stop_{false};
  /// Of the figure it was made of.
  struct Outline {
    Shared<Figure> of;
    std::vector<Polygon> polygons;
    Turn turn = {};
    bool rough = false; ///< made under the hand
  };
  [[nodiscard]] QRectF withHair(const QRectF& outlined, View view) const;
  mutable std::map<View, Outline> outlines_, silhouettes_;
  std::optional<View> hand_;
};

} // namespace columna
