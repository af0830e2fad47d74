#include "study/animal_pictures.h"

#include "anatomy/plane.h"
#include "kit/beside.h"
#include "pose/pose.h"
#include "turn/face_look.h"
#include "turn/fine_picture.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace columna {
namespace {

constexpr int kRestFirst = 350; ///< ms that nothing new is seen before the first is made
constexpr double kWidest = 340; ///< pixels
constexpr double kSmallTall = 220;
constexpr double kMade = 100;   ///< mm: as long as the figure is made for it
constexpr double kCellsOf = 95; ///< along it
constexpr double kMoreRound = 0.05;

/// What was made, by the head it shows: another window's catalog is a copy and has the same ones.
struct MadePicture {
  std::weak_ptr<const HeadPattern> of; ///< gone: another head may lie at its address by now
  AnimalPictures::Picture picture;
};
std::map<const HeadPattern*, MadePicture>& madePictures() {
  static std::map<const HeadPattern*, MadePicture> made;
  return made;
}

} // namespace

View bestView(const Pattern& pattern) {
  return pattern.bestView == "front" ? View::Front : pattern.bestView == "above" ? View::Above : View::Side;
}

AnimalPictures& AnimalPictures::of(Session& session) {
  auto* found = session.findChild<AnimalPictures*>(QString(), Qt::FindDirectChildrenOnly);
  return found ? *found : *new AnimalPictures(session); // the session's child
}

AnimalPictures::AnimalPictures(Session& session) : QObject(&session), session_(session) {
  rest_.setSingleShot(true);
  rest_.setInterval(kRestFirst);
  connect(&rest_, &QTimer::timeout, this, &AnimalPictures::start);
  connect(&painter_, &QFutureWatcherBase::finished, this, [this] {
    if (const auto head = headOf(making_)) madePictures()[head.get()] = {head, answerOf(painter_)};
    emit painted(QString::fromStdString(making_));
    start();
  });
}

AnimalPictures::~AnimalPictures() {
  stop_ = true;
  awaitEnd(painter_);
}

const AnimalPictures::Picture* AnimalPictures::picture(const Pattern& pattern) {
  const auto head = headOf(pattern.id);
  if (!head) return nullptr;
  if (const auto found = madePictures().find(head.get());
      found != madePictures().end() && !found->second.of.expired())
    return found->second.picture.image.isNull() ? nullptr : &found->second.picture;
  if (pattern.id == making_) return nullptr;
  std::erase(queue_, &pattern);
  queue_.push_back(&pattern);
  if (!painter_.isRunning() && !rest_.isActive()) rest_.start();
  return nullptr;
}

std::shared_ptr<const HeadPattern> AnimalPictures::headOf(const std::string& animal) const {
  const auto found = session_.catalog().heads.find(animal);
  return found == session_.catalog().heads.end() ? nullptr : found->second;
}

void AnimalPictures::start() {
  making_.clear();
  if (queue_.empty() || painter_.isRunning()) return;
  if (session_.inRun()) {
    rest_.start();
    return;
  }
  const Pattern& pattern = *queue_.back();
  queue_.pop_back();
  making_ = pattern.id;
  const HeadPattern& head = *session_.catalog().head(pattern.id);
  const Pattern easy = easyStance(pattern);
  const double scale = kMade / std::max(figureAtScale(easy, 1).totalLength, 1e-6);
  const Figure figure = figureAtScale(easy, scale);
  const WoolPaint wool(figure, head);
  FineAsk ask = woolAsk(figure, wool, faceLookOf(head, figure, wool), kMade / kCellsOf, &stop_);
  const View view = bestView(pattern);
  painter_.setFuture(beside([ask = std::move(ask), view, scale]() mutable {
    Bounds2 box;
    for (const Polygon& polygon : silhouette(ask.figure, view)) box.take(polygon);
    QRectF mm(box.low.x(), box.low.y(), box.size().x(), box.size().y());
    const double more = kMoreRound * std::max(mm.width(), mm.height());
    mm.adjust(-more, -more, more, more);
    const double s = std::min(kWidest / mm.width(), kSmallTall / mm.height());
    frame(ask, view, mm, s);
    Picture out;
    out.image = finePicture(ask)->image;
    out.modules = QRectF(mm.topLeft() / scale, mm.size() / scale);
    if (view == View::Above) {
      out.image = out.image.transformed(QTransform().rotate(-90));
      out.modules = QTransform(0, 1, -1, 0, 0, 0).mapRect(out.modules);
    }
    return out;
  }));
}

} // namespace columna
