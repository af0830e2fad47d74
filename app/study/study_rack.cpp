#include "study/study_rack.h"

#include "study/character_panel.h"
#include "study/compare_panel.h"
#include "study/gallery.h"
#include "study/made_panel.h"
#include "study/photo_panel.h"
#include "study/scale_panel.h"

namespace columna {

StudyRack::StudyRack(Session& session, StudyView& study, StudyLayer* layer, QWidget* parent)
    : Desk(tr("Proportions"),
           {tr("Animals"), tr("Character"), tr("Photo to trace"), tr("Made parts"), tr("Scale"),
            tr("Compare")},
           {tr("Animals"), tr("Character"), tr("Photo"), tr("Made"), tr("Scale"), tr("Compare")}, parent) {
  gallery_ = new Gallery(session, nullptr);
  character_ = new CharacterPanel(session, study, nullptr);
  photo_ = new PhotoPanel(session, study, layer, nullptr);
  made_ = new MadePanel(session, nullptr);
  scale_ = new ScalePanel(session, study, nullptr);
  compare_ = new ComparePanel(session, study, nullptr);
  for (QWidget* page : std::array<QWidget*, 6>{gallery_, character_, photo_, made_, scale_, compare_})
    addPage(page);
  connect(tabs(), &TabRow::chosen, &study, [&study](int i) { study.setWay(static_cast<Way>(i)); });
  const auto follow = [this, &study] { setCurrent(static_cast<int>(study.way())); };
  connect(&study, &StudyView::changed, this, follow);
  follow();
}

} // namespace columna
