#include "pose/pose_pictures.h"

#include "kit/beside.h"
#include "turn/face_look.h"
#include "turn/fine_picture.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kCell = 1.6;   ///< pixels: what a small picture shows of a surface
constexpr double kFinest = 0.5; ///< mm

bool alikeAsked(const PoseAsk& a, const PoseAsk& b) {
  return a.mm == b.mm && a.scale == b.scale &&
         std::equal(
             a.figure.bones.begin(), a.figure.bones.end(), b.figure.bones.begin(), b.figure.bones.end(),
             [](const FigureBone& x, const FigureBone& y) { return x.begin == y.begin && x.end == y.end; });
}

} // namespace

PosePictures::PosePictures(Session& session, QObject* parent) : QObject(parent), session_(session) {
  connect(&painter_, &QFutureWatcherBase::finished, this, [this] {
    std::vector<QImage> made = answerOf(painter_);
    if (again_) {
      start();
      return;
    }
    if (stop_) return;
    made_ = std::move(made);
    emit painted();
  });
}

PosePictures::~PosePictures() {
  stop_ = true;
  awaitEnd(painter_);
}

PosePictures::Key PosePictures::key() const {
  WoolPaint wool(session_, false);
  wool.chooseNone();
  return {session_.plan().figure, session_.project().face.made(), session_.project().pattern, wool.parts()};
}

void PosePictures::ask(const std::vector<PoseAsk>& stances) {
  Key now = key();
  const bool asBefore =
      of_.figure.same(now.figure) && of_.face == now.face && of_.pattern == now.pattern &&
      of_.parts == now.parts &&
      std::equal(stances.begin(), stances.end(), wanted_.begin(), wanted_.end(), alikeAsked);
  if (asBefore) return;
  of_ = std::move(now);
  wanted_ = stances;
  made_.clear();
  if (painter_.isRunning()) {
    stop_ = true;
    again_ = true;
    return;
  }
  start();
}

void PosePictures::start() {
  again_ = false;
  stop_ = false;
  std::vector<std::pair<size_t, FineAsk>> asks; // with the stance's place among them
  WoolPaint wool(session_, false);
  wool.chooseNone();
  FaceLook face;
  if (!wanted_.empty()) face = faceLookOf(session_, wanted_.front().figure, wool);
  for (size_t k = 0; k < wanted_.size(); ++k) {
    const PoseAsk& each = wanted_[k];
    if (each.mm.isEmpty() || !(each.scale > 0)) continue;
    FineAsk ask =
        woolAsk(each.figure, wool, facedAs(face, each.figure), std::max(kFinest, kCell / each.scale), &stop_);
    const double round = kRound / each.scale;
    frame(ask, View::Side, each.mm.adjusted(-round, -round, round, round), each.scale);
    asks.emplace_back(k, std::move(ask));
  }
  painter_.setFuture(beside([asks = std::move(asks), count = wanted_.size()] {
    std::vector<QImage> out(count);
    for (const auto& [k, ask] : asks)
      if (!*ask.stop) out[k] = finePicture(ask)->image;
    return out;
  }));
}

} // namespace columna
