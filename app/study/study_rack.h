// Study's rack: six ways to settle proportions, a tab each.
#pragma once

#include "kit/tab_row.h"
#include "session/session.h"

#include <QWidget>

class QStackedWidget;

namespace columna {

class Gallery;
class CharacterPanel;
class PhotoPanel;
class MadePanel;
class ScalePanel;
class ComparePanel;
class StudyLayer;

class StudyRack : public QWidget {
  Q_OBJECT
public:
  StudyRack(Session& session, StudyLayer* layer, QWidget* parent = nullptr);
  [[nodiscard]] Gallery* gallery() const { return gallery_; }
  [[nodiscard]] CharacterPanel* character() const { return character_; }
  [[nodiscard]] PhotoPanel* photo() const { return photo_; }
  [[nodiscard]] MadePanel* made() const { return made_; }
  [[nodiscard]] ScalePanel* scale() const { return scale_; }
  [[nodiscard]] ComparePanel* compare() const { return compare_; }
  [[nodiscard]] QToolButton* tab(Way way) const { return tabs_->tab(static_cast<int>(way)); }

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  void refresh();
  Session& session_;
  TabRow* tabs_;
  QStackedWidget* pages_;
  Gallery* gallery_;
  CharacterPanel* character_;
  PhotoPanel* photo_;
  MadePanel* made_;
  ScalePanel* scale_;
  ComparePanel* compare_;
};

} // namespace columna
