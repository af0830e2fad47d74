// The open project as the window knows it: what the maker decided, what follows from it, and what is
// selected. Widgets read the plan from here and send changes; every change is named and undoes.
#pragma once

#include "project/columna_file.h"
#include "project/history.h"
#include "project/plan.h"

#include <QObject>
#include <QString>

#include <optional>

namespace columna {

enum class Stage { Study, Wire, Wrap };

class Session : public QObject {
  Q_OBJECT
public:
  explicit Session(Catalog catalog, QObject* parent = nullptr);

  [[nodiscard]] const Catalog& catalog() const { return catalog_; }
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
  /// Keeps a copy for after a crash at that path, or drops it.
  void keepRecovery(const QString& path) const;

  // What is looked at.
  [[nodiscard]] Stage stage() const { return stage_; }
  [[nodiscard]] int selected() const { return selected_; } ///< limb index, -1 for the whole figure
  void setStage(Stage stage);
  void select(int limb);
  /// Walks the limbs in body order; past either end is the whole figure.
  void selectNext(int step);

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
  void toggleTied(int limb);
  [[nodiscard]] bool tied(int limb) const;
  void undo();
  void redo();
  void endRun();
  /// While something is dragged, changes come every frame.
  [[nodiscard]] bool inRun() const { return inRun_; }

signals:
  void planChanged(); ///< anything about the project
  void selectionChanged();
  void stageChanged();
  void fileChanged(); ///< saved, opened, renamed
  void refused(const QString& sentence);

private:
  std::optional<QString> change(const QString& name, Project project, const QString& run = {});
  void changeLimb(int limb, const QString& name, const std::function<void(LimbChoice&)>& act);
  void replan();

  Catalog catalog_;
  History history_;
  std::optional<Plan> plan_;
  ProjectFile file_;
  QString path_, savedAt_;
  QStringList messages_;
  Stage stage_ = Stage::Study;
  int selected_ = -1;
  bool inRun_ = false;
};

} // namespace columna
