#include "mat/mat_wool.h"

#include "kit/beside.h"
#include "theme/theme.h"
#include "turn/face_look.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr int kRest = 600;          ///< ms that nothing changes before pictures are made
constexpr double kLongest = 900;    ///< pixels: faint wool needs no more
constexpr double kMatCells = 110;   ///< along the figure
constexpr double kFinestCell = 0.5; ///< mm
constexpr double kSharp = 1.6;      ///< how much larger than it was made a picture may be shown
constexpr double kAround = 0.04;    ///< of the view, round it: hair and fibres stand out

} // namespace

MatWool::MatWool(Session& session, QObject* parent) : QObject(parent), session_(session) {
  rest_.setSingleShot(true);
  rest_.setInterval(kRest);
  connect(&rest_, &QTimer::timeout, this, &MatWool::start);
  connect(&painter_, &QFutureWatcherBase::finished, this, [this] {
    Pictures made = answerOf(painter_);
    if (stop_) { // something else is wanted by now
      stop_ = false;
      rest_.start();
      return;
    }
    pictures_ = std::move(made);
    made_ = asked_;
    emit painted();
  });
}

MatWool::~MatWool() {
  stop_ = true;
  awaitEnd(painter_);
}

bool MatWool::alike(const Key& a, const Key& b) const {
  return a.figure.same(b.figure) && a.pattern == b.pattern && a.parts == b.parts && a.face == b.face;
}

bool MatWool::fresh() const {
  if (!alike(made_, wanted_)) return false;
  return std::all_of(views_.begin(), views_.end(), [&](const Wanted& want) {
    const auto found = pictures_.find(want.view);
    if (found == pictures_.end()) return want.mm.isEmpty();
    const double pixels = found->second.image.width() / std::max(1e-9, found->second.mm.width());
    return want.scale <= kSharp * pixels ||
           std::max(found->second.image.width(), found->second.image.height()) >= kLongest;
  });
}

void MatWool::want(const Shared<Figure>& figure, const std::array<Wanted, 3>& views) {
  WoolPaint wool(session_, false);
  wool.chooseNone();
  Key now{figure, session_.project().face.made(), session_.project().pattern, wool.parts()};
  views_ = views;
  const bool other = !alike(now, wanted_);
  if (other) wanted_ = std::move(now);
  if (fresh()) return;
  if (painter_.isRunning()) {
    if (!alike(asked_, wanted_)) stop_ = true;
    return;
  }
  if (other || !rest_.isActive()) rest_.start();
}

const MatWool::Picture* MatWool::picture(View view) const {
  if (held_ || !alike(made_, wanted_)) return nullptr;
  const auto found = pictures_.find(view);
  return found == pictures_.end() || found->second.image.isNull() ? nullptr : &found->second;
}

QColor MatWool::coat() const {
  // Most of the figure: its trunk's.
  const auto& limbs = session_.plan().figure->limbs;
  for (size_t l = 0; l < limbs.size() && l < wanted_.parts.size(); ++l)
    if (limbs[l].kind == LimbKind::Trunk) return QColor(wanted_.parts[l]);
  return wanted_.parts.empty() ? theme().coat : QColor(wanted_.parts.front());
}

bool MatWool::behind() const { return rest_.isActive() || painter_.isRunning(); }

void MatWool::start() {
  if (painter_.isRunning() || fresh()) return;
  if (session_.inRun()) {
    rest_.start();
    return;
  }
  const Figure& figure = *wanted_.figure;
  WoolPaint wool(session_, false);
  wool.chooseNone();
  // Another animal lies there by now, and has not been painted yet: it is wanted when it is.
  if (wanted_.pattern != session_.project().pattern || wool.parts().size() != figure.limbs.size()) return;
  FineAsk ask = woolAsk(figure, wool, faceLookOf(session_, figure, wool),
                        std::max(kFinestCell, figure.totalLength / kMatCells), &stop_);
  asked_ = wanted_;
  painter_.setFuture(beside([ask = std::move(ask), views = views_]() mutable {
    Pictures out;
    for (const Wanted& want : views) {
      if (want.mm.isEmpty() || *ask.stop) continue;
      const double more = kAround * std::max(want.mm.width(), want.mm.height());
      Picture one;
      one.mm = want.mm.adjusted(-more, -more, more, more);
      const double scale = std::min(want.scale, kLongest / std::max(one.mm.width(), one.mm.height()));
      frame(ask, want.view, one.mm, scale);
      const auto made = finePicture(ask);
      ask.solid = made->solid; // the same for all views
      one.image = made->image;
      out[want.view] = std::move(one);
    }
    return out;
  }));
}

} // namespace columna
