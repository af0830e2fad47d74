#include "study/study_stage.h"

#include "study/animal_pictures.h"

#include "kit/say.h"
#include "mat/mat.h"
#include "session/changes.h"
#include "study/animal_board.h"
#include "study/scale_panel.h"
#include "study/size_layer.h"
#include "study/study_card.h"
#include "study/study_layer.h"
#include "study/study_rack.h"

namespace columna {

StudyStage::StudyStage(Session& session) : Stage(session) {
  connect(&view_, &StudyView::changed, this, &Stage::changed);
}

StageLook StudyStage::look() const {
  StageLook look;
  look.three = true;
  look.sides = 110; // the size marks stand there
  look.above = 40;
  look.hint = tr("drag joints, rings and marks");
  return look;
}

CardPage* StudyStage::makeCard(QWidget* parent) { return new StudyCard(session_, parent); }

QWidget* StudyStage::makeRack(Mat& mat, QWidget* parent) {
  rack_ = new StudyRack(session_, view_, mat.layer<StudyLayer>(), parent);
  return rack_;
}

FirstBoard* StudyStage::makeBoard(QWidget* parent) { return new AnimalBoard(session_, parent); }

std::vector<std::unique_ptr<MatLayer>> StudyStage::makeLayers(Mat& mat) {
  auto study = std::make_unique<StudyLayer>(session_, view_, mat.shapes());
  auto sizes = std::make_unique<SizeLayer>(session_, *study);
  // A picture wants the room of the whole mat.
  connect(&view_, &StudyView::changed, &mat, [this, &mat] {
    const int index = view_.photoIndex();
    if (session_.stage() != id() || view_.way() != Way::Photo || index < 0) return;
    const View view = session_.project().photos[static_cast<size_t>(index)].view;
    if (mat.three() || mat.mainView() != view) mat.enlarge(view);
  });
  std::vector<std::unique_ptr<MatLayer>> out;
  out.push_back(std::move(sizes));
  out.push_back(std::move(study));
  return out;
}

std::vector<FindEntry> StudyStage::finds() {
  std::vector<FindEntry> out;
  for (const Pattern& p : session_.catalog().patterns)
    out.push_back({str(Name(p.name)), tr("animal"),
                   [this, id = str(p.id)] { (void)changes::setPattern(session_, id); }});
  return out;
}

std::vector<Arrangement> StudyStage::arrangements() {
  return {{QStringLiteral("way"), tr("animals, character, photo, made, scale or compare: the rack's tab"),
           [this](const QString& value) {
             const QStringList ways{QStringLiteral("animals"), QStringLiteral("character"),
                                    QStringLiteral("photo"),   QStringLiteral("made"),
                                    QStringLiteral("scale"),   QStringLiteral("compare")};
             const auto way = ways.indexOf(value);
             if (way >= 0) view_.setWay(static_cast<Way>(way));
             return way >= 0;
           }}};
}

bool StudyStage::behind() const {
  const auto* rack = qobject_cast<StudyRack*>(rack_);
  if (AnimalPictures::of(session_).behind()) return true;
  return rack && view_.way() == Way::Scale && rack->scale()->behind();
}

bool StudyStage::settled() const { return !session_.path().isEmpty() || session_.history().canUndo(); }

} // namespace columna
