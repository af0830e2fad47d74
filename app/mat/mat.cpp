#include "mat/mat.h"

#include "kit/parts.h"
#include "kit/say.h"
#include "session/build_view.h"
#include "theme/theme.h"
#include "turn/turntable.h"

#include <QPaintEvent>
#include <QPainter>

namespace columna {
Mat::Mat(Session& session, const Stages& stages, QWidget* parent)
    : QWidget(parent), session_(session), stages_(stages), wool_(session) {
  connect(&wool_, &MatWool::painted, this, qOverload<>(&QWidget::update));
  setMouseTracking(true);
  setAttribute(Qt::WA_OpaquePaintEvent);
  setFocusPolicy(Qt::StrongFocus);
  trueSizeKey_ = new KeyButton(QStringLiteral("1"), tr("true size"), this);
  fitKey_ = new KeyButton(QStringLiteral("0"), tr("fit"), this);
  connect(trueSizeKey_, &KeyButton::clicked, this, &Mat::trueSize);
  connect(fitKey_, &KeyButton::clicked, this, &Mat::fit);
  table_ = new Turntable(session_, this);
  table_->hide();
  tableKey_ = new KeyButton(QStringLiteral("T"), tr("turntable"), this);
  connect(tableKey_, &KeyButton::clicked, this, [this] { showTurntable(!turntableOn()); });
  tableKey_->hide();
  connect(&session_, &Session::poseChanged, this, [this] {
    place();
    drawMoved();
  });
  for (const auto& each : stages_)
    connect(each.get(), &Stage::changed, this, [this] {
      place();
      placeTurntable();
      drawMoved();
    });
  connect(&session_.build(), &BuildView::changed, this, [this] {
    if (turntableOn()) return;
    building_.follow(main_);
    resting_.start();
    update();
  });
  resting_.setSingleShot(true);
  resting_.setInterval(160);
  connect(&resting_, &QTimer::timeout, this, [this] {
    building_.follow(std::nullopt);
    update();
  });
  setAccessibleName(tr("Mat with the figure"));
  setAccessibleDescription(
      tr("Tab walks the limbs, comma and full stop change the wire, 0 fits, 1 shows true size"));
  connect(&session_, &Session::planChanged, this, [this] {
    // A joint is held by its number, and another animal has others, or fewer.
    if (animal_ != session_.plan().figure->patternId) letGo();
    animal_ = session_.plan().figure->patternId;
    place();
    drawMoved();
  });
  connect(&session_, &Session::selectionChanged, this, [this] {
    const int l = session_.selected();
    setAccessibleDescription(
        l < 0 ? tr("whole figure selected")
              : tr("%1 selected").arg(str(Name(shown().figure->limbs[static_cast<size_t>(l)].name))));
    update();
  });
  connect(&session_, &Session::stageChanged, this, [this] {
    enter();
    place();
    placeTurntable();
    update();
  });
  for (const auto& each : stages_) layers_[each.get()] = each->makeLayers(*this);
  animal_ = session_.plan().figure->patternId;
  enter();
}

Mat::~Mat() = default;

void Mat::enter() {
  letGo();
  table_->setStage(stage());
}

/// Under the hand only the view it is in is drawn anew.
void Mat::drawMoved() {
  if (held_ && held_->movesFigure())
    update(ports_[static_cast<size_t>(heldPort_)].clip.toAlignedRect());
  else
    update();
}

void Mat::letGo() {
  held_ = nullptr;
  frozen_ = false;
  shapes_.follow(std::nullopt);
  for (MatLayer* layer : layers()) layer->letGo();
}

std::vector<MatLayer*> Mat::layers() const {
  std::vector<MatLayer*> out;
  if (const auto mine = layers_.find(&stage()); mine != layers_.end())
    for (const auto& layer : mine->second) out.push_back(layer.get());
  return out;
}

void Mat::paintEvent(QPaintEvent* event) {
  QPainter p(this);
  p.fillRect(event->rect(), theme().ground);
  if (ports_[0].clip.intersects(event->rect())) {
    paintGrid(p);
    paintMain(p);
  }
  paintSmall(p, event->rect());
  if (!ports_[0].clip.toAlignedRect().contains(event->rect())) paintRulers(p);
  if (hasFocus()) {
    p.setPen(QPen(theme().woad, 2));
    p.setBrush(Qt::NoBrush);
    p.drawRect(centreArea().adjusted(1, 1, -1, -1));
  }
}

void Mat::resizeEvent(QResizeEvent* /*event*/) {
  place();
  const bool room = ports_[1].clip.height() > 1; // large text: the keys serve without their caps
  fitKey_->setVisible(room);
  trueSizeKey_->setVisible(room);
  const QSize fitSize = fitKey_->sizeHint();
  const QSize trueSize = trueSizeKey_->sizeHint();
  const int y = height() - fitSize.height() - px(10);
  fitKey_->setGeometry(width() - fitSize.width() - px(16), y, fitSize.width(), fitSize.height());
  trueSizeKey_->setGeometry(fitKey_->x() - trueSize.width() - px(10), y, trueSize.width(), trueSize.height());
  placeTurntable();
}

bool Mat::focusNextPrevChild(bool next) {
  for (MatLayer* layer : layers())
    if (layer->walks()) return layer->walk(next) || QWidget::focusNextPrevChild(next);
  // Tab walks the limbs; past the last (or first) it goes on to the next control.
  const int count = static_cast<int>(shown().figure->limbs.size());
  const int to = session_.selected() + (next ? 1 : -1);
  if (to >= count || to < -1) {
    session_.select(-1);
    return QWidget::focusNextPrevChild(next);
  }
  if (to == -1 && !next) {
    session_.select(-1);
    return QWidget::focusNextPrevChild(next);
  }
  session_.select(to);
  return true;
}

bool Mat::event(QEvent* event) {
  if (event->type() == QEvent::FocusIn || event->type() == QEvent::FocusOut) update();
  return QWidget::event(event);
}

} // namespace columna
