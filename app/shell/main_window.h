// The window: spine, title rail, mat, rack, limb card and tally, the menu, the keys, and the file.
#pragma once

#include "booklet/booklet.h"
#include "mat/mat.h"
#include "stage/stage.h"

#include <QMainWindow>

class QMenu;
class QStackedWidget;

namespace columna {

class FirstBoard;
class Keeping;
class LimbCard;
class Spine;
class Tally;
class TitleRail;

class MainWindow : public QMainWindow {
  Q_OBJECT
public:
  /// The stages in the order of the work; at least one.
  MainWindow(Session& session, Stages stages);
  ~MainWindow() override;
  MainWindow(const MainWindow&) = delete;
  MainWindow& operator=(const MainWindow&) = delete;

  [[nodiscard]] Mat* mat() const { return mat_; }
  [[nodiscard]] LimbCard* card() const { return card_; }
  [[nodiscard]] Tally* tally() const { return tally_; }
  [[nodiscard]] TitleRail* rail() const { return rail_; }
  [[nodiscard]] const Stages& stages() const { return stages_; }
  /// The stage of its kind, null when it is none of them.
  template <class Kind>
  [[nodiscard]] Kind* stage() const {
    for (const auto& each : stages_)
      if (auto* found = qobject_cast<Kind*>(each.get())) return found;
    return nullptr;
  }
  [[nodiscard]] FirstBoard* board() const { return board_; }
  /// A new figure begins with the choice of an animal on the whole mat.
  void chooseAnimal();

  /// Opens a file; a sentence in the window when it cannot.
  bool openFile(const QString& path);
  /// Asks for a name when there is none yet. False when cancelled or it could not be saved.
  bool save();
  bool saveAs();
  /// Writes the sheet; asks for a name when `path` is empty.
  bool savePdf(const QString& path = {}, Paper paper = Paper::A4);
  /// Writes the booklet of its making: a PDF, or a folder of pages for a browser. Asks for both when `path`
  /// is empty. False when cancelled, stopped or not written.
  bool saveBooklet(QString path = {}, BookletWish wish = {});
  /// Writes the wire as SVG, DXF or CSV, by the name's ending; asks for one when `path` is empty.
  void saveWire(QString path = {});
  /// Writes the body as STL, OBJ, glTF or its girths as CSV, with progress that can be stopped.
  void exportBody(QString path = {});
  /// Offers work that was left behind, if there is any; whether it is open now.
  bool offerLeft();
  [[nodiscard]] Keeping* keeping() const { return keeping_; }

public slots:
  void find();

protected:
  void closeEvent(QCloseEvent* event) override;
  void dragEnterEvent(QDragEnterEvent* event) override;
  void dropEvent(QDropEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void keyReleaseEvent(QKeyEvent* event) override;
  void changeEvent(QEvent* event) override;

private:
  void build();
  void makeMenu();
  void makeKeys();
  void showStage();
  void enterStage();
  void refreshTitle();
  void tell(const QString& sentence);
  /// True when it is all right to leave what is open: saved, or given up.
  bool mayLeave();
  void fresh();
  void open();
  void print();
  bool writeSheet(const QString& path, const std::vector<Page>& pages);
  void remember(const QString& path);
  void fillRecent(QMenu* menu);
  void restyle();
  void keepThumbnail();
  bool saveTo(const QString& path);

  Session& session_;
  Stages stages_;
  Stage* on_ = nullptr; ///< the stage that was entered last
  QMenu* menu_ = nullptr;
  Mat* mat_ = nullptr;
  Spine* spine_ = nullptr;
  TitleRail* rail_ = nullptr;
  LimbCard* card_ = nullptr;
  Tally* tally_ = nullptr;
  QStackedWidget* racks_ = nullptr;
  std::vector<QWidget*> bands_; ///< one a stage, null for those without
  FirstBoard* board_ = nullptr;
  Keeping* keeping_ = nullptr;
};

} // namespace columna
