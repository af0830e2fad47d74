// Study's rack: six ways to settle proportions, a tab each.
#pragma once

#include "kit/desk.h"
#include "study/study_view.h"

#include <array>

namespace columna {

class Gallery;
class CharacterPanel;
class PhotoPanel;
class MadePanel;
class ScalePanel;
class ComparePanel;
class StudyLayer;

class StudyRack : public Desk {
  Q_OBJECT
public:
  StudyRack(Session& session, StudyView& study, StudyLayer* layer, QWidget* parent = nullptr);
  [[nodiscard]] Gallery* gallery() const { return gallery_; }
  [[nodiscard]] CharacterPanel* character() const { return character_; }
  [[nodiscard]] PhotoPanel* photo() const { return photo_; }
  [[nodiscard]] MadePanel* made() const { return made_; }
  [[nodiscard]] ScalePanel* scale() const { return scale_; }
  [[nodiscard]] ComparePanel* compare() const { return compare_; }
  [[nodiscard]] QToolButton* tab(Way way) const { return tabs()->tab(static_cast<int>(way)); }

private:
  Gallery* gallery_;
  CharacterPanel* character_;
  PhotoPanel* photo_;
  MadePanel* made_;
  ScalePanel* scale_;
  ComparePanel* compare_;
};

} // namespace columna
