#include "face/face_view.h"

#include "anatomy/plane.h"
#include "head/hair_strokes.h"
#include "kit/beside.h"
#include "pose/held_head.h"
#include "project/heads.h"
#include "turn/face_look.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kRoundHead = 0.8;           ///< of the head, how much of the body is shown round it
constexpr double kMargin = 0.06;             ///< of the head, round it
constexpr double kHair = 0.14;               ///< of the head, how much its hair may widen what is shown
constexpr int kSides = 32, kRoughSides = 14; ///< of a round in an outline; while it is dragged
constexpr double kCells = 60;                ///< along the head
constexpr double kNear = 0.02;               ///< of its scale a picture may be off

} // namespace

FaceView::FaceView(Session& session) : session_(session) {
  connect(&summing_, &QFutureWatcherBase::finished, this, &FaceView::made);
  connect(&measuring_, &QFutureWatcherBase::finished, this, [this] {
    const PlaceMeasures found = answerOf(measuring_);
    if (measured_ != place_ || measuredOn_ != sums_) { // another place, or another head, since
      measure();
      return;
    }
    measures_ = found;
    emit changed();
  });
  connect(&painter_, &QFutureWatcherBase::finished, this, &FaceView::painted);
  session_.onSettled(this, [this] {
    if (on_) ask();
  });
  connect(&session_, &Session::begun, this, &FaceView::forget);
}

FaceView::~FaceView() {
  stop_ = true;
  awaitEnd(summing_);
  awaitEnd(measuring_);
  awaitEnd(painter_);
}

void FaceView::forget() {
  pick_ = {};
  turn_ = {};
  sums_.reset();
  of_ = {};
  shown_.clear();
}

void FaceView::setTab(int tab) {
  if (tab == tab_) return;
  tab_ = tab;
  emit changed();
}

void FaceView::choose(FacePick pick) {
  if (pick == pick_) return;
  pick_ = std::move(pick);
  emit changed();
}

const FaceStep* FaceView::step() const {
  if (pick_.kind != FacePick::Kind::Step || !sums_) return nullptr;
  for (size_t i = 0; i < sums_->steps.size(); ++i)
    if (std::to_string(i) == pick_.id) return &sums_->steps[i];
  return nullptr;
}

bool FaceView::lit(const FacePick& pick) const {
  if (pick == pick_) return true;
  const FaceStep* chosen = step();
  if (!chosen) return false;
  const bool ofPads = chosen->work > FaceWork::Body && chosen->work < FaceWork::Filling;
  const bool fits = pick.kind == FacePick::Kind::Pad    ? ofPads
                    : pick.kind == FacePick::Kind::Eye  ? chosen->work == FaceWork::Eyes
                    : pick.kind == FacePick::Kind::Flat ? chosen->work == FaceWork::Ears
                                                        : false;
  return fits && std::find(chosen->parts.begin(), chosen->parts.end(), pick.id) != chosen->parts.end();
}

bool FaceView::walk(bool next) {
  if (!sums_) return false;
  std::vector<FacePick> all;
  for (const FacePad& pad : sums_->report.pads) all.push_back({FacePick::Kind::Pad, pad.feature->id});
  for (const FaceEye& eye : sums_->report.eyes) all.push_back({FacePick::Kind::Eye, eye.eye->id});
  for (const FaceFlat& flat : sums_->report.flats) all.push_back({FacePick::Kind::Flat, flat.flat->id});
  const auto now = std::find(all.begin(), all.end(), pick_);
  const auto at =
      now == all.end() ? (next ? -1 : static_cast<std::ptrdiff_t>(all.size())) : now - all.begin();
  const auto to = at + (next ? 1 : -1);
  if (to < 0 || to >= static_cast<std::ptrdiff_t>(all.size())) {
    choose({});
    return false;
  }
  choose(all[static_cast<size_t>(to)]);
  return true;
}

void FaceView::nextPin() {
  if (!sums_ || sums_->report.pins.empty()) return;
  const auto& pins = sums_->report.pins;
  size_t at = 0;
  for (size_t i = 0; i < pins.size(); ++i)
    if (pick_ == FacePick{FacePick::Kind::Pin, pins[i].id}) at = (i + 1) % pins.size();
  choose({FacePick::Kind::Pin, pins[at].id});
}

void FaceView::choosePlace(const Vec3& at) {
  place_ = Vec3(at.x(), std::abs(at.y()), at.z());
  measures_.reset();
  pick_ = {FacePick::Kind::Place, {}};
  measure();
  emit changed();
}

void FaceView::measure() {
  if (!sums_ || sums_->report.pins.empty() || measuring_.isRunning()) return;
  measured_ = place_;
  measuredOn_ = sums_;
  measuring_.setFuture(beside([sums = sums_, at = place_] {
    return measuresOf(sums->field, sums->report.pins.front().at, sums->head.carriage, at);
  }));
}

std::optional<Vec3> FaceView::chosenPlace() const {
  if (!sums_) return std::nullopt;
  if (pick_.kind == FacePick::Kind::Place) return place_;
  for (const FacePin& pin : sums_->report.pins)
    if ((pick_.kind == FacePick::Kind::Pin || pick_.kind == FacePick::Kind::Eye) && pin.id == pick_.id)
      return pin.at;
  for (const FacePad& pad : sums_->report.pads)
    if (pick_.kind == FacePick::Kind::Pad && pad.feature->id == pick_.id)
      return sums_->field.onto(sums_->field.length() * pad.feature->at);
  return std::nullopt;
}

std::optional<Vec3> FaceView::byHalving(const Vec2& shares) const {
  if (!sums_) return std::nullopt;
  return HeadMap(raysOf(sums_->field), View::Front, sums_->head.carriage).place(shares);
}

void FaceView::setLines(bool on) {
  lines_ = on;
  emit changed();
}

void FaceView::setBody(bool on) {
  body_ = on;
  emit changed();
}

void FaceView::setTurn(const Turn& turn) {
  if (turn == turn_) return;
  turn_ = turn;
  emit changed();
}

void FaceView::setOn(bool on) {
  on_ = on;
  if (on) ask();
}

FaceView::Key FaceView::key() const {
  const Plan& plan = session_.plan();
  Key out{plan.figure, session_.project().face, 0, session_.project().pattern};
  if (plan.figure->head) {
    const int limb = plan.figure->bones[static_cast<size_t>(plan.figure->head->bone)].limb;
    if (static_cast<size_t>(limb) < plan.wool->limbs.size())
      out.density = plan.wool->limbs[static_cast<size_t>(limb)].density;
  }
  return out;
}

bool FaceView::alike(const Key& a, const Key& b) {
  return a.figure.same(b.figure) && a.wish == b.wish && a.density == b.density && a.pattern == b.pattern;
}

bool FaceView::current() const { return alike(of_, key()); }

bool FaceView::behind() const { return on_ && (!current() || summing_.isRunning() || painter_.isRunning()); }

const std::vector<Finding>& FaceView::findings() const {
  static const std::vector<Finding> none;
  return sums_ ? sums_->findings : none;
}

void FaceView::ask() {
  if (summing_.isRunning() || session_.inRun() || current()) return;
  asked_ = key();
  if (!session_.plan().figure->head) {
    sums_.reset();
    of_ = asked_;
    emit changed();
    return;
  }
  summing_.setFuture(beside([project = session_.project(), catalog = session_.sharedCatalog(),
                             plan = session_.plan()] { return faceSums(project, *catalog, plan); }));
}

void FaceView::made() {
  sums_ = answerOf(summing_);
  // Another animal's joint turns otherwise, and a place lies on the head as it is now.
  if (!of_.pattern.empty() && of_.pattern != asked_.pattern) turn_ = {};
  of_ = asked_;
  if (pick_.kind == FacePick::Kind::Place && sums_) {
    place_ = sums_->field.onto(place_);
    measures_.reset();
    measure();
  }
  if (!current()) ask(); // something has changed since
  emit changed();
}

/// Tufts and ruffs too, as far as they leave the head its size.
QRectF FaceView::withHair(const QRectF& outlined, View view) const {
  const Plan& plan = session_.plan();
  const auto animal = headOf(session_.project(), session_.catalog());
  if (!plan.figure->head || !animal) return outlined;
  Bounds2 hair;
  for (const Vec3& p : hairReach(*animal, plan.figure->head->length))
    hair.take(project(plan.figure->head->toFigure(p), view));
  if (hair.size().x() <= 0) return outlined;
  const double more = kHair * std::max(outlined.width(), outlined.height());
  return outlined.united(QRectF(hair.low.x(), hair.low.y(), hair.size().x(), hair.size().y())
                             .intersected(outlined.adjusted(-more, -more, more, more)));
}

QRectF FaceView::seen(View view) const {
  QRectF out;
  Bounds2 box;
  for (const Polygon& polygon : outline(view)) box.take(polygon);
  if (box.size().x() > 0) out = QRectF(box.low.x(), box.low.y(), box.size().x(), box.size().y());
  if (!out.isEmpty()) out = withHair(out, view);
  if (body_ && !out.isEmpty()) { // neck and shoulders with it
    Bounds2 body;
    for (const Polygon& polygon : silhouette(view)) body.take(polygon);
    const double round = kRoundHead * std::max(out.width(), out.height());
    const QRectF all(body.low.x(), body.low.y(), body.size().x(), body.size().y());
    out = out.united(all.intersected(out.adjusted(-round, -round, round, round)));
  }
  const double more = kMargin * std::max(out.width(), out.height());
  return out.adjusted(-more, -more, more, more);
}

void FaceView::setHand(std::optional<View> view) {
  if (hand_ == view) return;
  hand_ = view;
  if (!hand_) emit changed();
}

const std::vector<Polygon>& FaceView::outline(View view) const {
  const Shared<Figure>& figure = session_.plan().figure;
  Outline& kept = outlines_[view];
  const bool moving = hand_.has_value();
  if (kept.of.same(figure) && (moving || !kept.rough)) return kept.polygons;
  if (moving && *hand_ != view && !kept.polygons.empty()) return kept.polygons;
  kept.of = figure;
  kept.rough = moving; // a frame's time is short; as it comes to rest it is drawn as it is
  kept.polygons.clear();
  if (figure->head) {
    const Figure head = headAlone(figure);
    if (moving) return kept.polygons = roughSilhouette(head, view, kRoughSides);
    std::vector<int> limbs;
    for (size_t l = 0; l < head.limbs.size(); ++l) limbs.push_back(static_cast<int>(l));
    std::vector<std::vector<Polygon>> parts{columna::outline(head, limbs, view, 0, kSides)};
    for (const FigureFlat& flat : head.flats) parts.push_back(flatOutline(flat, view, head.scale));
    kept.polygons = united(parts, head.scale, true);
  }
  return kept.polygons;
}

const std::vector<Polygon>& FaceView::silhouette(View view) const {
  const Shared<Figure>& figure = session_.plan().figure;
  Outline& kept = silhouettes_[view];
  const bool same = kept.of.same(figure) && kept.turn == turn_;
  if (!same && !(hand_ && !kept.polygons.empty())) {
    kept.of = figure;
    kept.turn = turn_;
    kept.polygons = columna::silhouette(
        turn_ == Turn() ? *figure : bodyUnder(*session_.plan().pattern, figure, turn_), view);
  }
  return kept.polygons;
}

const FaceView::Picture* FaceView::picture(View view, double scale) {
  Shown& shown = shown_[view];
  shown.wanted = scale;
  // Under the hand the outline is what moves: a picture would be old when it is made.
  if (!fresh(shown) && !hand_) paint();
  const bool other = shown.pattern != session_.project().pattern;
  return shown.picture.image.isNull() || other ? nullptr : &shown.picture;
}

WoolPaint FaceView::wool() const {
  WoolPaint paint(session_, false);
  paint.chooseNone();
  return paint;
}

QRgb FaceView::coat() const {
  const Figure& figure = session_.plan().figure;
  return figure.head ? wool().ground(figure.bones[static_cast<size_t>(figure.head->bone)].limb) : 0;
}

bool FaceView::fresh(const Shown& shown) const {
  return shown.figure.same(session_.plan().figure) && shown.coat == coat() &&
         std::abs(shown.scale / shown.wanted - 1) < kNear;
}

void FaceView::paint() {
  const Shared<Figure>& figure = session_.plan().figure;
  if (painter_.isRunning() || session_.inRun() || !figure->head) return;
  const auto animal = headOf(session_.project(), session_.catalog());
  if (!animal) return;
  for (auto& [view, shown] : shown_) {
    if (shown.wanted <= 0 || fresh(shown)) continue;
    painting_ = view;
    shown.asked = figure;
    shown.scale = shown.wanted;
    const QRectF mm = seen(view);
    const WoolPaint paint = wool();
    FineAsk ask = woolAsk(headAlone(figure), paint, faceLookOf(session_, *figure, paint),
                          std::max(0.25, figure->head->length / kCells), &stop_);
    if (solidOf_.same(figure)) ask.solid = solid_;
    frame(ask, view, mm, shown.wanted);
    shown.askedMm = mm;
    shown.askedCoat = coat();
    painter_.setFuture(beside([ask = std::move(ask)] { return finePicture(ask); }));
    return;
  }
}

void FaceView::painted() {
  const auto picture = answerOf(painter_);
  if (stop_ || !painting_) return;
  Shown& shown = shown_[*painting_];
  shown.picture = {picture->image, shown.askedMm};
  shown.figure = shown.asked;
  shown.coat = shown.askedCoat;
  shown.pattern = shown.asked->patternId;
  solid_ = picture->solid;
  solidOf_ = shown.asked;
  painting_.reset();
  paint(); // another view may wait
  emit changed();
}

} // namespace columna
