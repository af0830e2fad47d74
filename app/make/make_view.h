// What Make shows: the steps of the figure and how far they are by its record, the sessions they are laid in,
// and the step the maker is at. Steps and sessions are made beside the window. Not part of the project.
#pragma once

#include "built/as_built.h"
#include "file/hand_store.h"
#include "kit/beside.h"
#include "session/session.h"
#include "steps/at_bench.h"
#include "steps/pace_of.h"
#include "steps/planned_sessions.h"

#include <QFutureWatcher>
#include <QObject>
#include <QTimer>

#include <atomic>
#include <functional>
#include <memory>
#include <optional>
#include <set>

namespace columna {

/// The sessions the work that is left is laid in.
struct LaidSessions {
  Date first{};                         ///< the day moments are counted from
  std::vector<PlannedSession> sessions; ///< in order; empty where nothing is left, or no time is given
  std::vector<int> order;               ///< the steps as they are done
  int finish = OpenTime::kNever;        ///< kNever: the time does not hold the work
  int bound = OpenTime::kNever;         ///< no order ends before
  int layOuts = 0, layMinutes = 0;
  std::vector<int> pinned;  ///< steps that are kept to a session
  std::vector<int> notHeld; ///< those of them that cannot be
};

class MakeView : public QObject {
  Q_OBJECT
public:
  static constexpr int kTabs = 6;

  explicit MakeView(Session& session);
  ~MakeView() override;
  MakeView(const MakeView&) = delete;
  MakeView& operator=(const MakeView&) = delete;

  /// The rack's tab: sessions, steps, the record, when it is worked on, the hand, instruments.
  [[nodiscard]] int tab() const { return tab_; }
  void setTab(int tab);

  /// The steps; null until they are made for the first time.
  [[nodiscard]] const StepPlan* steps() const { return steps_.get(); }
  /// How far they are; as many as the steps.
  [[nodiscard]] const Progress& progress() const { return progress_; }
  [[nodiscard]] const StepProgress& progress(int step) const {
    return progress_.steps[static_cast<size_t>(step)];
  }
  [[nodiscard]] const MakersPace& pace() const { return pace_; }
  [[nodiscard]] const LaidSessions& laid() const { return laid_; }
  [[nodiscard]] const Readings& readings() const { return readings_; }
  [[nodiscard]] const std::vector<Finding>& findings() const { return findings_; }
  [[nodiscard]] std::vector<DryingStep> drying() const;
  /// What fits into so many minutes from now.
  [[nodiscard]] std::optional<Fitting> fits(int minutes) const;

  /// The step looked at: chosen, or the next; -1 where nothing can be done now.
  [[nodiscard]] int step() const { return step_; }
  [[nodiscard]] const Step* now() const;
  /// The one that runs, -1 for none.
  [[nodiscard]] int running() const;
  void choose(int step);
  /// By its id, as soon as there is such a step.
  void choose(const std::string& id);
  /// The next that can be done, this one put off; or back to the one before.
  void later();
  void earlier();

  /// Keeps a step to the session that begins at a moment of laid(), or lets it go where `moment` is nothing:
  /// a change of the project, which undoes.
  void pin(int step, std::optional<int> moment);
  [[nodiscard]] bool pinned(int step) const;

  // What the maker tells. A sentence where it could not be kept, which has been told by then.
  std::optional<QString> begin();
  std::optional<QString> pause();
  /// `usual`: the clock ran on while nobody was at it, and the planned minutes are taken.
  std::optional<QString> finish(bool usual = false);
  std::optional<QString> leaveOut();
  /// Takes back the last of begin, pause, done and left out that counts.
  std::optional<QString> takeBack();
  std::optional<QString> read(const Goal& goal, double value, EntryBy by = EntryBy::Typed,
                              bool moving = false);
  std::optional<QString> write(EntryKind kind, const QString& text);
  /// A photo of the work, with a line to it.
  std::optional<QString> photo(const QByteArray& jpeg, const QString& text);
  /// A photo that was looked at by the plan, with what it shows: the part that is farthest off and by how
  /// many mm; 0 where nothing is to be told.
  std::optional<QString> photoCheck(const QByteArray& jpeg, const QString& text, const std::string& limb,
                                    double off, EntryBy by);
  std::optional<QString> withdraw(const std::string& entry);
  /// All that a stand-in said.
  std::optional<QString> withdrawStandIns();

  /// What was read last that is not as planned, and that nothing was decided on; null without.
  [[nodiscard]] const Deviation* cameOut() const { return off_ ? &*off_ : nullptr; }
  /// What can be done about it, the best first; empty until it is reckoned beside the window.
  [[nodiscard]] const std::vector<BuiltAnswer>& answers() const { return answers_; }
  /// Takes one of them: into the record, and into the project where it changes that.
  std::optional<QString> answer(BuiltWay way);

  /// The clock ran so long that nobody can have been at it all the time.
  [[nodiscard]] bool ranOn() const;

  /// What earlier figures have shown of the maker's hand.
  [[nodiscard]] const HandEvidence& hand() const { return hand_; }
  /// On the disk when this returns; a sentence where it could not be.
  std::optional<QString> changeHand(const std::function<void(HandEvidence&)>& change);
  /// Another place for it than the maker's own folder.
  void setHandFile(std::filesystem::path file);

  /// Seconds since 1970; the tests' and the pictures' own clock, where they set one.
  [[nodiscard]] std::int64_t clock() const { return clock_(); }
  void setClock(std::function<std::int64_t()> clock);

  /// The stage is on: what is shown is kept up.
  void enter();
  void leave();
  [[nodiscard]] bool behind() const { return making_; }
  /// Whether answers to what came out otherwise are being tried.
  [[nodiscard]] bool pondering() const { return pondering_.isRunning(); }

signals:
  void changed(); ///< steps, sessions, record, or what is chosen
  void ticked();  ///< a second later
  void dried(int step);
  void tired(int minutes); ///< of handwork without a rest: as many as the maker's own stretch, once

private:
  struct Made {
    std::uint64_t turn = 0;
    std::string animal; ///< and its limbs, whose numbers the steps have
    std::shared_ptr<const StepPlan> steps;
    LaidSessions laid;
  };
  void stale();
  /// Steps are of an animal's limbs by their numbers: those of another are let go.
  [[nodiscard]] std::string animal() const;
  void forget();
  void ask();
  void made();
  /// How far it is now, by the record.
  void judge();
  /// Asks what can be done about what came out otherwise.
  void ponder();
  void pondered();
  void follow();
  void tick();
  void stand();
  void watchHands();
  void readHand();
  /// What this figure shows of the hand, once it is saved.
  void learn();
  [[nodiscard]] Entry entry(EntryKind kind) const;
  std::optional<QString> tell(Entry entry);

  Session& session_;
  HandEvidence hand_;
  std::filesystem::path handFile_;
  int tab_ = 0;
  std::shared_ptr<const StepPlan> planned_; ///< the steps as they follow from the plan
  std::shared_ptr<const StepPlan> steps_;   ///< the same, with what was decided of twins
  std::string animal_;                      ///< whose they are
  Progress progress_;
  MakersPace pace_;
  LaidSessions laid_;
  Readings readings_;
  std::vector<Finding> findings_;
  std::optional<int> chosen_;
  std::string wished_; ///< id of the step to be chosen
  int step_ = -1;
  std::vector<std::string> past_; ///< steps looked at before this one
  std::set<std::string> putOff_;
  std::function<std::int64_t()> clock_;
  std::set<std::string> wet_; ///< steps that dried when it was judged last
  bool on_ = false, steady_ = false, making_ = false;
  std::uint64_t turn_ = 0; ///< counts what the sessions were laid for
  QFutureWatcher<Made> watcher_;
  std::optional<Deviation> off_;
  std::vector<BuiltAnswer> answers_;
  struct Pondered {
    std::string of; ///< the reading
    std::shared_ptr<const StepPlan> steps;
    std::vector<BuiltAnswer> answers;
  };
  QFutureWatcher<Pondered> pondering_;
  std::shared_ptr<const StepPlan> ponderedFor_; ///< the steps the answers are of, or will be
  std::atomic<bool> stop_{false};
  QTimer seconds_;
  bool tired_ = false;      ///< told since the last rest
  double builtBefore_ = -1; ///< what the build-up showed when the stage was entered
};

} // namespace columna
