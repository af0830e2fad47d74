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

void PosePictures::ask(const std::vector<PoseAsk>& stances) {
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
    FineAsk ask{.figure = each.figure, .solid = nullptr, .paint = wool};
    ask.face = facedAs(face, each.figure);
    ask.felt = true;
    ask.wish.cell = std::max(kFinest, kCell / each.scale);
    ask.wish.flats = Flats::Apart;
    ask.wish.stop = &stop_;
    ask.stop = &stop_;
    const double round = kRound / each.scale;
    ask.camera = flatCamera(View::Side, each.mm.adjusted(-round, -round, round, round), each.scale);
    ask.size = QSize(2 * kRound + static_cast<int>(std::ceil(each.mm.width() * each.scale)),
                     2 * kRound + static_cast<int>(std::ceil(each.mm.height() * each.scale)));
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
