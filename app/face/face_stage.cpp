#include "face/face_stage.h"

#include "edit/face_edit.h"
#include "face/face_card.h"
#include "face/face_desk.h"
#include "face/face_layer.h"
#include "kit/say.h"

#include <array>

namespace columna {

FaceStage::FaceStage(Session& session) : Stage(session), view_(session) {
  connect(&view_, &FaceView::changed, this, &Stage::changed);
}

StageLook FaceStage::look() const {
  StageLook look;
  look.part = true;
  look.hint = tr("pads and pins; Tab walks the pads in the order of work, drag one to move it");
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
  const auto pad = [this](const QString& name, auto&& change) {
    if (view_.pick().kind == FacePick::Kind::Pad)
      (void)session_.apply(name, change(session_.project(), view_.pick().id));
  };
  const auto sized = [pad](double factor) {
    pad(tr("pad's size"),
        [factor](Project p, const std::string& id) { return edit::padSized(std::move(p), id, factor); });
  };
  const auto eyes = [this](int step) {
    if (view_.sums())
      (void)session_.apply(tr("eyes"),
                           edit::eyeStep(session_.project(), *view_.sums(), session_.catalog().face, step));
  };
  return {{QKeySequence(QStringLiteral("[")), [sized] { sized(1 / 1.1); }},
          {QKeySequence(QStringLiteral("]")), [sized] { sized(1.1); }},
          {QKeySequence(QStringLiteral(",")), [eyes] { eyes(-1); }},
          {QKeySequence(QStringLiteral(".")), [eyes] { eyes(1); }},
          {QKeySequence(QStringLiteral("G")), [this] { view_.setLines(!view_.lines()); }},
          {QKeySequence(QStringLiteral("H")), [this] { view_.setBody(!view_.body()); }},
          {QKeySequence(QStringLiteral("O")),
           [pad] {
             pad(tr("the animal's own face"),
                 [](Project p, const std::string& id) { return edit::padOwn(std::move(p), id); });
           }},
          {QKeySequence(QStringLiteral("R")),
           [this] {
             if (!session_.plan().figure->head)
               (void)session_.apply(tr("a round head"), edit::roundHead(session_.project(), true));
           }},
          {QKeySequence(QStringLiteral("M")),
           [this] {
             for (const Finding& f : view_.findings()) {
               if (view_.pick().kind != FacePick::Kind::None && f.where != view_.pick().id) continue;
               if (mendFace(session_, view_, &f)) return;
             }
           }},
          {QKeySequence(Qt::Key_Delete), [this, pad] {
             pad(tr("%1 out").arg(str(Name(pinName(view_.pick().id)))),
                 [](Project p, const std::string& id) { return edit::padOut(std::move(p), id, true); });
           }}};
}

std::vector<Arrangement> FaceStage::arrangements() {
  return {tabArrangement(FaceView::kTabs, [this](int tab) { view_.setTab(tab); }),
          {QStringLiteral("pick"), tr("KIND:ID: pad, eye, flat or pin"), [this](const QString& value) {
             constexpr std::array kinds{
                 std::pair("pad", FacePick::Kind::Pad), std::pair("eye", FacePick::Kind::Eye),
                 std::pair("flat", FacePick::Kind::Flat), std::pair("pin", FacePick::Kind::Pin)};
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
