// The open project as the window knows it: what the maker decided, what follows from it, and what is
// selected. Widgets read the plan from here and send changes (session/changes.h); every change is named and
// undoes. What a stage shows of it is the stage's own.
#pragma once

#include "file/columna_file.h"
#include "file/left_behind.h"
#include "file/record_file.h"
#include "plan/plan.h"
#include "project/history.h"
#include "session/stage_id.h"

#include <QElapsedTimer>
#include <QFutureWatcher>
#include <QObject>
#include <QPointer>
#include <QString>
#include <QTimer>

#include <atomic>
#include <functional>
#include <memory>
#include <optional>

namespace columna {

class BuildView;
class StanceView;

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
  /// What is to be looked at of the plan, with wire that is in by the record as it is.
  [[nodiscard]] const std::vector<Finding>& findings() const;
  /// Wool is on the limb's wire by the record.
  [[nodiscard]] bool wireIn(int limb) const;
  [[nodiscard]] const History& history() const { return history_; }
  [[nodiscard]] UnitSystem units() const { return project().units; }
  /// The stance on the mat, and what its sums say.
  [[nodiscard]] StanceView& stance() const { return *stance_; }
  /// How far the work on the mat is.
  [[nodiscard]] BuildView& build() const { return *build_; }

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
  /// Messages from opening (damaged, newer), to be shown once.
  [[nodiscard]] QStringList takeMessages();
  /// What a copy for after a crash holds.
  [[nodiscard]] LeftWork unsaved() const;
  /// Goes on with work that was left behind: it counts as changed, and belongs to the file it came from.
  [[nodiscard]] std::optional<QString> goOn(LeftWork work);
  /// Whether another program has changed the file since it was opened or saved.
  [[nodiscard]] bool changedOutside() const;
  /// What is kept in the file beside the project, by name: pictures, the thumbnail. Null when there is none.
  [[nodiscard]] const std::string* entry(const std::string& name) const;
  void keepEntry(const std::string& name, std::string bytes);

  // The record of its making.
  [[nodiscard]] const std::vector<Entry>& record() const { return record_.entries; }
  /// What tells this figure's record from another's; empty until the first entry.
  [[nodiscard]] const std::string& recordId() const { return record_.project; }
  /// What the project holds as measured is in it by itself.
  ///
  /// Keeps an entry, which is on the disk when this returns; a sentence where it could not be, which has been
  /// told by then.
  std::optional<QString> noteDown(Entry entry);
  /// The same with a photo of the work: a JPEG, which is on the disk first.
  std::optional<QString> notePhoto(const QByteArray& jpeg, Entry entry);

  // What is looked at.
  [[nodiscard]] StageId stage() const { return stage_; }
  void setStage(StageId stage);
  [[nodiscard]] int selected() const { return selected_; } ///< limb index, -1 for the whole figure
  void select(int limb);

  // Changes. Each returns a sentence when it is refused, and has told it.
  /// Takes a changed project as one step to undo; one that is as it was is no step. Changes with the same
  /// `run` that follow each other are one step: while it lasts the hand is on, and only what it moves is made
  /// anew with every one. What the plan does not follow from leaves the plan as it is, the very same.
  std::optional<QString> apply(const QString& name, Result<Project> changed, const QString& run = {});
  void undo();
  void redo();
  void endRun();
  /// While something is dragged, changes come every frame.
  [[nodiscard]] bool inRun() const { return inRun_; }
  /// Says that something was not done, and why; returns it.
  QString refuse(const QString& sentence);
  /// Says what the keyboard is on.
  void note(const QString& words);

  /// The exact solid is still being made beside the window.
  [[nodiscard]] bool solidBehind() const { return plan_->wool->guessed; }
  /// Waits for it, for what is printed or written.
  void finishSolid();

  /// Calls whenever the plan has settled: at once, but while something is dragged some six times a second,
  /// and then the listeners take turns, a few milliseconds a frame, so that the hand never waits for them
  /// all; a widget out of sight is told once the hand lets go.
  void onSettled(QObject* listener, std::function<void()> told);

signals:
  void planChanged(); ///< anything about the project; while something is dragged, every frame
  void poseChanged(); ///< the stance, or anything it is judged by; while it is dragged, every frame
  void photosChanged();
  void selectionChanged();
  void stageChanged();
  void fileChanged(); ///< saved, opened, renamed
  void begun();       ///< another project
  void recordChanged();
  void refused(const QString& sentence);
  void noted(const QString& words);

private:
  /// What another step of the project asks to be made anew.
  void take(const Project& before);
  void replan();
  void solve();
  void solved();
  void announce();
  void settle();
  void tellSettled();
  void tellNext();
  void summed();
  void begin(ProjectFile file, const QString& path);
  void show(Plan made);
  void forget();
  void step(bool back);
  void tellMeasures();
  void tellOldMeasures();
  [[nodiscard]] std::string selectedLimb() const;
  void keepSelected(const std::string& limb);

  std::shared_ptr<const Catalog> catalog_;
  History history_;
  std::optional<Plan> plan_;
  StanceView* stance_;
  BuildView* build_;
  ProjectFile file_;
  Record record_;
  /// What follows from plan and record together; made when it is asked for.
  struct AsMade {
    std::vector<bool> wireIn;
    std::vector<Finding> findings;
  };
  [[nodiscard]] const AsMade& asMade() const;
  mutable std::optional<AsMade> asMade_;
  std::vector<Entry> measured_; ///< what the project held as measured when the record was told last
  QString path_, savedAt_;
  std::optional<FileStamp> stamp_; ///< of the file as it was opened or saved
  QStringList messages_;
  StageId stage_;
  int selected_ = -1;
  bool inRun_ = false;
  bool behind_ = false; ///< only the figure follows the hand; the rest of the plan is made when it settles
  QTimer settling_;
  /// Who is told when the plan has settled, in turn.
  struct Listener {
    QPointer<QObject> who;
    std::function<void()> told;
  };
  std::vector<Listener> listeners_;
  size_t next_ = 0;         ///< whose turn it is
  size_t untold_ = 0;       ///< how many have not been told yet
  bool passedOver_ = false; ///< some were not, being out of sight under the hand
  QTimer telling_;
  /// A plan and the turn of the hand it was made for.
  struct Summed {
    std::uint64_t turn;
    std::string pattern;
    Result<Plan> plan;
  };
  std::shared_ptr<const KnownSolid> known_; ///< the last exact solid
  QFutureWatcher<std::shared_ptr<const KnownSolid>> solving_;
  std::shared_ptr<std::atomic<bool>> stopSolving_ = std::make_shared<std::atomic<bool>>(false);
  std::uint64_t turn_ = 0; ///< counts changes
  QFutureWatcher<Summed> summing_;
  bool awaited_ = false; ///< an answer is to come; one that is made but not told yet must not be overtaken
  QElapsedTimer settled_;
};

} // namespace columna
