// The open project as the window knows it: what the maker decided, what follows from it, and what is
// selected. Widgets read the plan from here and send changes; every change is named and undoes.
#pragma once

#include "file/columna_file.h"
#include "file/left_behind.h"
#include "judge/pose_report.h"
#include "plan/plan.h"
#include "pose/reach.h"
#include "project/history.h"
#include "wool/build_up.h"

#include <QElapsedTimer>
#include <QFutureWatcher>
#include <QImage>
#include <QObject>
#include <QString>
#include <QTimer>

#include <atomic>
#include <functional>
#include <memory>
#include <optional>

namespace columna {

enum class Stage { Study, Wire, Pose, Wrap };

/// Study's ways to settle the proportions: what its rack shows and what the mat offers.
enum class Way { Animals, Character, Photo, Made, Scale, Compare };

/// What a click on the picture does.
enum class PhotoTool { Landmarks, Straighten, KnownLength, Tall };

class Session : public QObject {
  Q_OBJECT
public:
  explicit Session(Catalog catalog, QObject* parent = nullptr);
  ~Session() override;
  Session(const Session&) = delete;
  Session& operator=(const Session&) = delete;

  [[nodiscard]] const Catalog& catalog() const { return *catalog_; }
  /// For work beside the window, which may outlast the session.
  [[nodiscard]] std::shared_ptr<const Catalog> sharedCatalog() const { return catalog_; }
  [[nodiscard]] const Project& project() const { return history_.now(); }
  [[nodiscard]] const Plan& plan() const { return *plan_; }
  [[nodiscard]] bool hasPlan() const { return plan_.has_value(); }
  [[nodiscard]] const History& history() const { return history_; }
  [[nodiscard]] UnitSystem units() const { return project().units; }

  // The file.
  [[nodiscard]] QString path() const { return path_; }
  [[nodiscard]] bool readOnly() const { return file_.readOnly; }
  [[nodiscard]] bool changed() const { return history_.changed(); }
  [[nodiscard]] QString savedAt() const { return savedAt_; }
  /// Replaces the project. On failure the one that was open stays, and the sentence says why.
  [[nodiscard]] std::optional<QString> open(const QString& path);
  [[nodiscard]] std::optional<QString> save(const QString& path);
  /// A fresh project of an animal, not saved anywhere.
  void startNew(const QString& pattern);
  /// The picture put into the file when it is saved, PNG bytes.
  void setThumbnail(const QByteArray& png);
  /// Messages from opening (damaged, newer), to be shown once.
  [[nodiscard]] QStringList takeMessages();
  /// What a copy for after a crash holds.
  [[nodiscard]] LeftWork unsaved() const;
  /// Goes on with work that was left behind: it counts as changed, and belongs to the file it came from.
  [[nodiscard]] std::optional<QString> goOn(LeftWork work);
  /// Whether another program has changed the file since it was opened or saved.
  [[nodiscard]] bool changedOutside() const;

  // What is looked at.
  [[nodiscard]] Stage stage() const { return stage_; }
  [[nodiscard]] int selected() const { return selected_; } ///< limb index, -1 for the whole figure
  void setStage(Stage stage);
  void select(int limb);
  /// Walks the limbs in body order; past either end is the whole figure.
  void selectNext(int step);

  // Study: what the rack and the mat look at; not part of the project.
  [[nodiscard]] Way way() const { return way_; }
  void setWay(Way way);
  [[nodiscard]] PhotoTool photoTool() const { return photoTool_; }
  void setPhotoTool(PhotoTool tool);
  [[nodiscard]] bool halving() const { return halving_; }
  void setHalving(bool on);
  /// The animal laid over the figure; empty for none. The figure's own animal is a choice like any other.
  [[nodiscard]] QString compared() const { return compared_; }
  void setCompared(const QString& pattern);
  /// The view whose picture is traced: the one that has a picture, the last chosen first.
  [[nodiscard]] int photoIndex() const;
  void setPhotoIndex(int index);
  [[nodiscard]] const QImage& picture(const std::string& entry) const;
  /// The next landmark to click on the traced picture, as a sided joint; empty when all are placed or
  /// skipped.
  [[nodiscard]] std::string nextLandmark() const;
  void skipLandmark();
  /// In the side view: whether the far side's landmarks are asked for too, once the near side's are placed.
  [[nodiscard]] bool farSide() const { return farSide_; }
  void setFarSide(bool on);

  // Named changes of Study. Each returns a sentence when it is refused.
  std::optional<QString> setSizing(const Sizing& sizing, const QString& name);
  std::optional<QString> setShape(const QString& name, Shape shape, bool keepScale, const QString& run = {});
  /// Moves a joint (sided id) to a place in mm; `carry` takes along all that hangs on it. Both sides unless
  /// untied.
  std::optional<QString> moveJoint(const std::string& joint, const Vec3& place, bool carry,
                                   const QString& run);
  std::optional<QString> setBoneLength(int bone, double mm);
  /// Changes the section at a bone's beginning, middle or end (0, 1, 2).
  std::optional<QString> changeGirth(int bone, int place, double across, double deep, double lift,
                                     const QString& run = {});
  /// Back to the animal's own: one bone, or (-1) all of it, character dials kept.
  void putBack(int bone);
  std::optional<QString> setMade(const QString& limb, std::optional<double> length,
                                 std::optional<double> across, const QString& date);
  std::optional<QString> setPhotos(const QString& name, std::vector<Photo> photos, const QString& run = {});
  /// Takes a picture in: JPEG bytes and its decoded image. One a view; another takes its place.
  std::optional<QString> addPhoto(View view, const QByteArray& bytes, const QImage& image);
  void removePhoto(int index);

  /// Wire's tab: pieces, stock, bends, drawer, allowances.
  [[nodiscard]] int wireTab() const { return wireTab_; }
  void setWireTab(int tab);
  /// The skeleton alone, the wool only as a faint outline.
  [[nodiscard]] bool bare() const { return bare_; }
  void setBare(bool on);
  /// Any change as one step to undo; a sentence when it is refused.
  std::optional<QString> edit(const QString& name, const std::function<void(Project&)>& act);
  /// Moves one end of a routed piece to another point of its wires; what it leaves becomes a piece of its
  /// own.
  std::optional<QString> moveEnd(int piece, bool atEnd, int point);
  /// Toes or fingers of fine wire on a limb (and its twin when tied); nothing takes them off.
  void setDigits(int limb, std::optional<PieceRules::Digits> digits);
  /// 0, 1, 2 or 4 wires in a limb (and its twin when tied), or as the construction has it.
  void setWires(int limb, std::optional<int> wires);
  void setHeld(int limb, std::optional<RootHold> held);

  // Pose. The report is of the stance on the mat and follows every change of it.
  [[nodiscard]] const PoseReport& pose() const;
  /// Reports on the maker's own poses, made when they are asked for.
  [[nodiscard]] const std::vector<PoseReport>& keptPoses() const;
  /// The plan with the posed figure in place of the neutral one, to be drawn.
  [[nodiscard]] const Plan& posedPlan() const;
  /// What the stage draws: Pose and Wrap the stance, all else the neutral one; so does Wrap while a marking
  /// is drawn, which lies on the neutral one.
  [[nodiscard]] const Plan& drawnPlan() const;
  /// The feet stay where they stand while the body is moved.
  [[nodiscard]] bool planted() const { return planted_; }
  void setPlanted(bool on);
  /// Pose's tab: poses, standing, life.
  [[nodiscard]] int poseTab() const { return poseTab_; }
  void setPoseTab(int tab);
  /// Any change of the stances as one step to undo.
  void editStances(const QString& name, const std::function<void(Stances&)>& act, const QString& run = {});
  /// The stance on the mat changed, name and all; limits hold.
  void setStance(const QString& name, PatternPose pose, const QString& run = {});
  /// Drags a joint towards a place of the posed figure, mm. With planted feet a dragged body takes the feet's
  /// places along. Notes when a joint is as far as it goes.
  void dragJoint(const SidedJoint& joint, const Vec3& mm, const QString& run);
  /// A saved pose or the animal's; "" is the neutral stance.
  void takePose(const QString& name);
  /// Steps through the poses there are, the neutral one first.
  void stepPose(int step);
  /// Saves the stance on the mat; a sentence when the name does not do.
  std::optional<QString> savePose(const QString& name);
  void removePose(const QString& name);
  /// All there are to step through, the neutral one first; of each whether it is the maker's own.
  [[nodiscard]] std::vector<std::pair<PatternPose, bool>> poses() const;
  /// The bone whose turning moves that point of a limb: pattern's bone and side.
  [[nodiscard]] std::optional<SidedJoint> jointOfPoint(int point) const;

  // Wrap.
  /// Wrap's tab: strips and pads, wool at hand, coat and markings, measured.
  [[nodiscard]] int wrapTab() const { return wrapTab_; }
  void setWrapTab(int tab);
  /// The order of the work; made anew with the plan.
  [[nodiscard]] const std::vector<BuildStep>& steps() const;
  /// How far the build-up on the mat is, g of wool on; all of it is the finished figure.
  [[nodiscard]] double built() const;
  void setBuilt(double grams);
  [[nodiscard]] bool finished() const { return built_ >= 1; }
  [[nodiscard]] std::vector<LimbMoment> moment() const;
  /// What is drawn, with the wool that is on.
  [[nodiscard]] const Plan& builtPlan() const;
  [[nodiscard]] const Figure& builtFigure() const { return builtPlan().figure; }
  /// The next stretch drawn on a view becomes a marking.
  [[nodiscard]] bool marking() const { return marking_; }
  void setMarking(bool on);
  /// Any change of the wool as one step to undo; a sentence when it is refused.
  std::optional<QString> editWool(const QString& name, const std::function<void(WoolWish&)>& act,
                                  const QString& run = {});
  /// g/cm3 of felt of a limb (and its twin when tied); nothing for the usual.
  std::optional<QString> setDensity(int limb, std::optional<double> perCm3);
  void setCoatWay(int limb, CoatWay way);
  /// The whole figure so much larger, so that a part that came out too thick is right.
  std::optional<QString> resizeBy(double factor);
  /// The exact solid is still being made beside the window.
  [[nodiscard]] bool solidBehind() const { return plan_->wool.guessed; }
  /// Waits for it, for what is printed or written.
  void finishSolid();

  // Named changes. Each returns a sentence when it is refused.
  std::optional<QString> setSize(SizeBy by, double mm, const QString& run = {});
  std::optional<QString> setPattern(const QString& id);
  void setConstruction(Construction construction);
  void setUse(Use use);
  void setMaterial(const QString& id);
  void setName(const QString& name);
  void setUnits(UnitSystem units);
  /// Next thicker or thinner wire for the limb, and its twin when tied.
  std::optional<QString> stepWire(int limb, int step);
  std::optional<QString> setWire(int limb, double mm);
  void setLimbMaterial(int limb, const QString& id);
  /// Back to what the sums propose.
  void clearWire(int limb);
  void setFirmness(int limb, Firmness firmness);
  void stepFirmness(int limb, int step);
  std::optional<QString> setCoat(double mm, const QString& run = {});
  /// What hides the core again.
  void clearCoat();
  void setFinish(Finish finish);
  void toggleTied(int limb);
  [[nodiscard]] bool tied(int limb) const;
  /// What a change of a limb is called: "forelegs" where its twin changes with it.
  [[nodiscard]] QString tiedName(int limb) const;
  void undo();
  void redo();
  void endRun();
  /// While something is dragged, changes come every frame.
  [[nodiscard]] bool inRun() const { return inRun_; }

signals:
  void planChanged(); ///< anything about the project; while something is dragged, every frame
  /// The same, but while something is dragged at most ten times a second, and once when it is let go: for all
  /// that the hand is not on.
  void planSettled();
  void poseChanged(); ///< the stance, or anything it is judged by; while it is dragged, every frame
  void selectionChanged();
  void momentChanged(); ///< the build-up on the mat
  void stageChanged();
  void studyChanged(); ///< way, tool, overlays
  void fileChanged();  ///< saved, opened, renamed
  void refused(const QString& sentence);
  void noted(const QString& words); ///< what the keyboard is on

private:
  std::optional<QString> change(const QString& name, Project project, const QString& run = {});
  void changeLimb(int limb, const QString& name, const std::function<void(LimbChoice&)>& act);
  void replan();
  void solve();
  void solved();
  void announce();
  void settle();
  void summed();
  void begin(ProjectFile file, const QString& path);
  void show(Plan made);
  [[nodiscard]] std::string selectedLimb() const;
  void keepSelected(const std::string& limb);
  void keepScale(Project& project) const;
  /// "elbow" for both sides while tied, else the sided key.
  [[nodiscard]] std::string shapeKey(const std::string& name, const FigureLimb& limb) const;

  std::shared_ptr<const Catalog> catalog_;
  History history_;
  std::optional<Plan> plan_;
  ProjectFile file_;
  QString path_, savedAt_;
  std::optional<FileStamp> stamp_; ///< of the file as it was opened or saved
  QStringList messages_;
  Stage stage_ = Stage::Study;
  int selected_ = -1;
  bool inRun_ = false;
  Way way_ = Way::Animals;
  PhotoTool photoTool_ = PhotoTool::Landmarks;
  bool halving_ = false;
  bool farSide_ = false;
  QString compared_;
  int photoIndex_ = 0;
  std::set<std::string> skipped_;
  mutable std::map<std::string, QImage> pictures_;
  bool behind_ = false; ///< only the figure follows the hand; the rest of the plan is made when it settles
  QTimer settling_;
  /// A plan and the turn of the hand it was made for.
  struct Summed {
    std::uint64_t turn;
    std::string pattern;
    Result<Plan> plan;
  };
  /// Only what is drawn of the build-up.
  void forgetMoment();
  void forgetPose();
  mutable std::optional<PoseReport> pose_;
  mutable std::optional<Plan> posed_;
  mutable std::optional<std::vector<PoseReport>> kept_;
  bool planted_ = true;
  int poseTab_ = 0;
  int wireTab_ = 0;
  bool bare_ = false;
  int wrapTab_ = 0;
  double built_ = 1; ///< share of all the wool
  bool marking_ = false;
  mutable std::optional<std::vector<BuildStep>> steps_;
  mutable std::optional<Plan> builtPlan_;
  mutable bool builtStale_ = true;          ///< its figure is of another moment
  std::shared_ptr<const KnownSolid> known_; ///< the last exact solid
  QFutureWatcher<std::shared_ptr<const KnownSolid>> solving_;
  std::atomic<bool> stopSolving_{false};
  std::uint64_t turn_ = 0; ///< counts changes
  QFutureWatcher<Summed> summing_;
  QElapsedTimer settled_;
};

} // namespace columna
