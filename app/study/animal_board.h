// The first choice of a new figure: every animal on the whole mat, drawn to one height and family by family;
// the one under the hand stands beside a hand, as large as it would be made at first.
#pragma once

#include "stage/first_board.h"
#include "study/gallery.h"

#include <vector>

namespace columna {

class AnimalBoard : public FirstBoard {
  Q_OBJECT
public:
  explicit AnimalBoard(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] const std::vector<PatternTile*>& tiles() const { return tiles_; }

protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void showEvent(QShowEvent* event) override;
  /// The tiles' own arrow keys go along the tab order; here they go about the board.
  bool eventFilter(QObject* watched, QEvent* event) override;

private:
  void lay();
  void step(int by);
  void stepRow(int way);
  bool took(int key);
  std::vector<PatternTile*> tiles_; ///< family by family
  QWidget* floor_;                  ///< what they stand on, as high as they need
};

} // namespace columna
