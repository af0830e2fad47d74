#include "make/photo_work.h"

#include "kit/beside.h"
#include "kit/say.h"
#include "session/build_view.h"

#include <QFileInfo>
#include <QImageReader>

#include <utility>

namespace columna {

PhotoImage pixelsOf(const QImage& image) {
  const QImage rgb = image.convertToFormat(QImage::Format_RGB888);
  PhotoImage out;
  out.width = rgb.width();
  out.height = rgb.height();
  out.rgb.reserve(3 * static_cast<size_t>(rgb.width()) * static_cast<size_t>(rgb.height()));
  for (int y = 0; y < rgb.height(); ++y) {
    const uchar* line = rgb.constScanLine(y);
    out.rgb.insert(out.rgb.end(), line, line + 3 * static_cast<size_t>(rgb.width()));
  }
  return out;
}

PhotoWork::PhotoWork(Session& session, QObject* parent) : QObject(parent), session_(session) {
  connect(&making_, &QFutureWatcherBase::finished, this, &PhotoWork::found);
  connect(&folder_, &PhotoFolder::came, this, &PhotoWork::look);
  connect(&folder_, &PhotoFolder::changed, this, &PhotoWork::changed);
  connect(&session_, &Session::begun, this, &PhotoWork::clear);
  connect(&session_, &Session::poseChanged, this, [this] {
    turned_.reset();
    stale();
  });
  connect(&session_.build(), &BuildView::changed, this, &PhotoWork::stale);
  session_.onSettled(this, [this] { stale(); });
}

PhotoWork::~PhotoWork() {
  stop_ = true;
  awaitEnd(making_);
}

void PhotoWork::look(const QString& path) {
  path_ = path;
  name_ = QFileInfo(path).fileName();
  box_.reset();
  picture_ = {};
  again();
}

void PhotoWork::setView(PhotoView view) {
  if (view == view_) return;
  view_ = view;
  again();
}

void PhotoWork::setBox(const std::optional<PhotoBox>& box) {
  box_ = box;
  again();
}

void PhotoWork::clear() {
  path_.clear();
  name_.clear();
  picture_ = {};
  box_.reset();
  turned_.reset();
  again();
}

/// The figure is another than it was looked at with.
void PhotoWork::stale() {
  if (path_.isEmpty() || session_.inRun()) return;
  if (shown_)
    again();
  else
    stale_ = true;
}

void PhotoWork::setShown(bool on) {
  shown_ = on;
  if (on && std::exchange(stale_, false)) again();
}

void PhotoWork::again() {
  ++turn_;
  stale_ = false;
  check_.reset();
  findings_.clear();
  trouble_.clear();
  stop_ = true; // what is under way is of another wish
  waiting_ = !path_.isEmpty();
  if (!awaited_) start();
  emit changed();
}

void PhotoWork::start() {
  if (!waiting_) return;
  waiting_ = false;
  awaited_ = true;
  stop_ = false;
  progress_ = 0;
  PhotoAsk ask;
  ask.figure = session_.build().plan(true).figure;
  ask.view = view_;
  ask.box = box_;
  ask.turned = turned_;
  ask.stand = standOf(ask.figure);
  ask.stop = &stop_;
  ask.progress = &progress_;
  making_.setFuture(beside([ask = std::move(ask), path = path_, picture = picture_, standIn = standIn_,
                            turn = turn_, practice = turnedByStandIn_, units = session_.units()]() mutable {
    auto found = std::make_shared<Found>();
    found->turn = turn;
    if (picture.image.isNull()) {
      const auto read = readPicture(path);
      if (!read) {
        found->trouble = sentence(read.problem(), units);
        return found;
      }
      picture = *read;
      standIn = QImageReader(path).text(QStringLiteral("Software")) == QStringLiteral("columna-standin");
    }
    found->standIn = standIn;
    if (standIn != practice) ask.turned.reset(); // what was drawn says nothing of what was taken
    ask.photo = pixelsOf(picture.image);
    found->picture = std::move(picture);
    auto check = checkPhoto(ask);
    found->figure = std::move(ask.figure);
    if (check)
      found->check = std::move(check).value();
    else
      found->trouble = sentence(check.problem(), units);
    return found;
  }));
}

void PhotoWork::found() {
  const auto got = answerOf(making_);
  awaited_ = false;
  if (got->turn != turn_) {
    start();
    emit changed();
    return;
  }
  picture_ = got->picture;
  standIn_ = got->standIn;
  trouble_ = got->trouble;
  figure_ = got->figure;
  check_ = got->check;
  if (check_) {
    findings_ = photoFindings(*check_, figure_);
    if (check_->turned) {
      turned_ = check_->turned;
      turnedByStandIn_ = standIn_;
    }
  }
  emit changed();
}

} // namespace columna
