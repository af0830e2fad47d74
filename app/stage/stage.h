// A stage as the window puts it up: what it is called, its card, rack and band, what it lays on the mat, its
// keys, and what "settled" and "to look at" mean for it. The window, the spine, the find box, the guide and
// --shot walk the list of stages; a stage is named in its own folder and in that list, nowhere else.
#pragma once

#include "session/session.h"
#include "stage/card_page.h"
#include "stage/mat_layer.h"
#include "stage/round_layer.h"
#include "stage/stage_look.h"

#include <QKeySequence>

#include <functional>
#include <memory>
#include <optional>
#include <vector>

namespace columna {

class FirstBoard;
class Mat;

/// A key of the stage, which acts while the stage is on.
struct StageKey {
  QKeySequence keys;
  std::function<void()> act;
};

/// Something the find box leads to.
struct FindEntry {
  QString text, hint;
  std::function<void()> act;
};

/// Something --shot can be told with --with KEY=VALUE.
struct Arrangement {
  QString key, words;                       ///< "tab", "1 to 5: the rack's tab"
  std::function<bool(const QString&)> take; ///< false: no such value
};

class Stage : public QObject {
  Q_OBJECT
public:
  explicit Stage(Session& session) : session_(session) {}

  [[nodiscard]] virtual StageId id() const = 0;
  [[nodiscard]] virtual QString title() const = 0;
  /// Its page of the guide: "wire.md" of "wire".
  [[nodiscard]] virtual QString guide() const;
  [[nodiscard]] virtual StageLook look() const = 0;

  // What it puts up. The window is built anew when theme or text size change; the stage stays.
  [[nodiscard]] virtual CardPage* makeCard(QWidget* parent) = 0;
  [[nodiscard]] virtual QWidget* makeRack(Mat& mat, QWidget* parent) = 0;
  /// Between mat and rack; none as a rule.
  [[nodiscard]] virtual QWidget* makeBand(QWidget* parent);
  /// The choice a new figure begins with; one stage has it.
  [[nodiscard]] virtual FirstBoard* makeBoard(QWidget* parent);
  [[nodiscard]] virtual std::vector<std::unique_ptr<MatLayer>> makeLayers(Mat& mat);
  /// Over the figure in the round; none as a rule.
  [[nodiscard]] virtual std::unique_ptr<RoundLayer> makeRound();

  [[nodiscard]] virtual std::vector<StageKey> keys();
  [[nodiscard]] virtual std::vector<FindEntry> finds();
  [[nodiscard]] virtual std::vector<Arrangement> arrangements();
  /// Work of its own is under way beside the window: --shot waits for it.
  [[nodiscard]] virtual bool behind() const { return false; }

  /// Whether the maker has settled something here.
  [[nodiscard]] virtual bool settled() const = 0;
  /// What the plan's findings that are mended here are about; nothing for a stage that has none.
  [[nodiscard]] virtual std::optional<Topic> topic() const { return std::nullopt; }
  /// Findings of its own, told while it is on in place of the plan's.
  [[nodiscard]] virtual const std::vector<Finding>* findings() const { return nullptr; }
  /// How many things there are to look at.
  [[nodiscard]] virtual int toLookAt() const;
  /// How the figure stands, as the tally tells it.
  [[nodiscard]] virtual const Standing& standing() const;

  /// Chooses what a finding is about: the limb it names.
  virtual void lead(const Finding& finding);

  /// It is on, or no longer.
  virtual void entered() {}
  virtual void left() {}

signals:
  void changed(); ///< what it shows, which is not part of the project

protected:
  /// A rack's tab, told from 1 on.
  [[nodiscard]] static Arrangement tabArrangement(int tabs, std::function<void(int)> set);
  Session& session_;
};

using Stages = std::vector<std::unique_ptr<Stage>>;

/// The one that is on; the first where the session names none of them.
[[nodiscard]] Stage& stageOn(const Stages& stages, const Session& session);

/// Where what is found about that can be mended; the first where no stage says so.
[[nodiscard]] Stage& stageFor(const Stages& stages, Topic topic);

} // namespace columna
