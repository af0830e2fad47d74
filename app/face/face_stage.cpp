#include "face/face_stage.h"

#include "face/face_card.h"
#include "face/face_changes.h"
#include "face/face_desk.h"
#include "face/face_layer.h"
#include "measure/quantity.h"

#include <array>

namespace columna {

FaceStage::FaceStage(Session& session) : Stage(session), view_(session) {
  connect(&view_, &FaceView::changed, this, &Stage::changed);
}

StageLook FaceStage::look() const {
  StageLook look;
  look.part = true;
  look.hint = tr("pads and pins; Tab walks the pads, drag one to move it; a click on the head takes a place, "
                 "P lays a pad there");
  return look;
}

CardPage* FaceStage::makeCard(QWidget* parent) { return new FaceCard(session_, view_, parent); }
QWidget* FaceStage::makeRack(Mat& /*mat*/, QWidget* parent) { return new FaceDesk(session_, view_, parent); }

std::vector<std::unique_ptr<MatLayer>> FaceStage::makeLayers(Mat& /*mat*/) {
  std::vector<std::unique_ptr<MatLayer>> out;
  out.push_back(std::make_unique<FaceLayer>(session_, view_));
  return out;
}

void FaceStage::lead(const Finding& finding) {
  const FaceSums* sums = view_.sums();
  if (!sums) return;
  for (const FacePad& pad : sums->report.pads)
    if (pad.feature->id == finding.where) view_.choose({FacePick::Kind::Pad, finding.where});
  for (const FaceFlat& flat : sums->report.flats)
    if (flat.flat->id == finding.where) view_.choose({FacePick::Kind::Flat, finding.where});
  for (const FaceEye& eye : sums->report.eyes)
    if (eye.eye->id == finding.where) view_.choose({FacePick::Kind::Eye, finding.where});
}

std::vector<StageKey> FaceStage::keys() {
  const auto key = [](const char* of) { return QKeySequence(QLatin1String(of)); };
  return {{key("["), [this] { face::padSized(session_, view_, 1 / kPadStep); }},
          {key("]"), [this] { face::padSized(session_, view_, kPadStep); }},
          {key(","), [this] { face::eyeStep(session_, view_, -1); }},
          {key("."), [this] { face::eyeStep(session_, view_, 1); }},
          {key("G"), [this] { view_.setLines(!view_.lines()); }},
          {key("H"), [this] { view_.setBody(!view_.body()); }},
          {key("O"), [this] { face::padsOwn(session_, view_); }},
          {key("P"), [this] { face::layPad(session_, view_, false); }},
          {key("Shift+P"), [this] { face::layPad(session_, view_, true); }},
          {key("N"), [this] { face::turnSchool(session_); }},
          {key("U"), [this] { face::turnHair(session_); }},
          {key("K"), [this] { face::nextVariant(session_); }},
          {key("R"), [this] { face::roundHead(session_); }},
          {key("M"),
           [this] {
             for (const Finding& f : std::vector<Finding>(view_.findings())) {
               if (view_.pick().kind != FacePick::Kind::None && f.where != view_.pick().id) continue;
               if (face::mend(session_, view_, f)) return;
             }
           }},
          {QKeySequence(Qt::Key_Delete), [this] { face::padOut(session_, view_); }}};
}

std::vector<Arrangement> FaceStage::arrangements() {
  return {tabArrangement(FaceView::kTabs, [this](int tab) { view_.setTab(tab); }),
          {QStringLiteral("held"), tr("NOD,ASIDE,LEAN: the head against the body, degrees"),
           [this](const QString& value) {
             const QStringList parts = value.split(QLatin1Char(','));
             if (parts.size() != 3) return false;
             view_.setTurn({parts[0].toDouble() * kDegree, parts[1].toDouble() * kDegree,
                            parts[2].toDouble() * kDegree});
             view_.setBody(true);
             return true;
           }},
          {QStringLiteral("pick"), tr("KIND:ID: pad, eye, flat, pin or step"), [this](const QString& value) {
             constexpr std::array kinds{
                 std::pair("pad", FacePick::Kind::Pad), std::pair("eye", FacePick::Kind::Eye),
                 std::pair("flat", FacePick::Kind::Flat), std::pair("pin", FacePick::Kind::Pin),
                 std::pair("step", FacePick::Kind::Step)};
             const QStringList parts = value.split(QLatin1Char(':'));
             for (const auto& [word, kind] : kinds)
               if (parts.size() == 2 && parts[0] == QLatin1String(word)) {
                 view_.choose({kind, parts[1].toStdString()});
                 return true;
               }
             return false;
           }}};
}

} // namespace columna
