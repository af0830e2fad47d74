// The window: spine, title rail, mat, rack, limb card and tally, the menu, the keys, and the file.
#pragma once

#include "mat/mat.h"
#include "session/session.h"
#include "sheet/page.h"

#include <QMainWindow>

class QMenu;
class QStackedWidget;

namespace columna {

class Keeping;
class LimbCard;
class PoseRack;
class Rack;
class Spine;
class StudyRack;
class WireDesk;
class BuildBand;
class WrapDesk;
class AnimalBoard;
class Tally;
class TitleRail;

class MainWindow : public QMainWindow {
  Q_OBJECT
public:
  explicit MainWindow(Session& session);

  [[nodiscard]] Mat* mat() const { return mat_; }
  [[nodiscard]] LimbCard* card() const { return card_; }
  [[nodiscard]] Tally* tally() const { return tally_; }
  [[nodiscard]] TitleRail* rail() const { return rail_; }
  [[nodiscard]] QWidget* rackContent() const;
  [[nodiscard]] StudyRack* studyRack() const { return studyRack_; }
  [[nodiscard]] AnimalBoard* board() const { return board_; }
  /// A new figure begins with the choice of an animal on the whole mat.
  void chooseAnimal();
  [[nodiscard]] WireDesk* wireDesk() const { return wireDesk_; }
  [[nodiscard]] PoseRack* poseRack() const { return poseRack_; }
  [[nodiscard]] WrapDesk* wrapDesk() const { return wrapDesk_; }
  [[nodiscard]] BuildBand* buildBand() const { return buildBand_; }

  /// Opens a file; a sentence in the window when it cannot.
  bool openFile(const QString& path);
  /// Asks for a name when there is none yet. False when cancelled or it could not be saved.
  bool save();
  bool saveAs();
  /// Writes the sheet; asks for a name when `path` is empty.
  bool savePdf(const QString& path = {}, Paper paper = Paper::A4);
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
  QMenu* menu_ = nullptr;
  Mat* mat_ = nullptr;
  Spine* spine_ = nullptr;
  TitleRail* rail_ = nullptr;
  LimbCard* card_ = nullptr;
  Tally* tally_ = nullptr;
  QStackedWidget* racks_ = nullptr;
  StudyRack* studyRack_ = nullptr;
  AnimalBoard* board_ = nullptr;
  WireDesk* wireDesk_ = nullptr;
  PoseRack* poseRack_ = nullptr;
  WrapDesk* wrapDesk_ = nullptr;
  BuildBand* buildBand_ = nullptr;
  Keeping* keeping_ = nullptr;
};

} // namespace columna
