#include "pose/pose_rack.h"

#include "pose/card_parts.h"

#include "anatomy/outline.h"
#include "head/head_paint.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "kit/verdict_mark.h"
#include "mat/figure_painter.h"
#include "pose/life_panel.h"
#include "pose/posing.h"
#include "project/heads.h"
#include "session/changes.h"
#include "session/stance_view.h"
#include "theme/theme.h"

#include <QHBoxLayout>
#include <QLineEdit>
#include <QPainter>
#include <QPushButton>

#include <cmath>

namespace columna {
PoseTile::PoseTile(const QString& name, const QString& words, bool own, QWidget* parent)
    : QAbstractButton(parent), name_(name), own_(own) {
  setCheckable(true);
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::PointingHandCursor);
  setText(words);
  setToolTip(own ? tr("%1, your own").arg(text()) : text());
}

QSize PoseTile::sizeHint() const { return {px(132), frame(104)}; }

void PoseTile::set(const QPainterPath& outline, const QColor& coat, Level level, bool current) {
  outline_ = outline;
  coat_ = coat;
  level_ = level;
  picture_ = QImage();
  setChecked(current);
  setAccessibleName(tr("Pose %1, %2").arg(text(), str(Name(word(level)))));
  update();
}

QRectF PoseTile::roomIn(const QRectF& tile) {
  return tile.adjusted(1, 1, -1, -1).adjusted(px(10), px(8), -px(10), -frame(24));
}

double PoseTile::scaleIn(const QRectF& room) const {
  const QRectF b = outline_.boundingRect();
  return b.isEmpty() ? 1 : std::max(0.01, std::min(room.width() / b.width(), room.height() / b.height()));
}

double PoseTile::scale() const { return scaleIn(roomIn(QRectF(QPointF(0, 0), sizeHint()))); }

void PoseTile::setPicture(const QImage& picture) {
  picture_ = picture;
  update();
}

void PoseTile::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const QRectF all = QRectF(rect()).adjusted(1, 1, -1, -1);
  p.setPen(isChecked() || hasFocus() ? QPen(t.woad, hasFocus() ? 2 : 1.4) : QPen(t.rule, 1));
  p.setBrush(isChecked() ? t.wash : t.card);
  p.drawRoundedRect(all, 6, 6);
  const double foot = frame(24);
  const QRectF room = roomIn(rect());
  const QRectF b = outline_.boundingRect();
  if (!b.isEmpty() && pictured()) {
    // As it was made, or as the tile has been laid out since.
    const double s = scaleIn(room);
    const double round = PosePictures::kRound * s / scale();
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.drawImage(QRectF(room.center().x() - b.width() / 2 * s - round, room.bottom() - b.height() * s - round,
                       picture_.width() * s / scale(), picture_.height() * s / scale()),
                picture_);
  } else if (!b.isEmpty()) {
    const double s = scaleIn(room);
    p.save();
    p.translate(room.center().x() - b.center().x() * s, room.bottom() + b.top() * s);
    p.scale(s, -s);
    QPen pen(t.ink, 1.2);
    pen.setCosmetic(true);
    p.setPen(pen);
    p.setBrush(coat_);
    p.drawPath(outline_);
    p.restore();
  }
  paintVerdict(p, QPointF(all.left() + px(14), all.bottom() - foot / 2), px(6), level_);
  p.setPen(t.ink);
  p.setFont(typeface(13, own_ ? QFont::DemiBold : QFont::Normal));
  const QRectF words(all.left() + px(26), all.bottom() - foot, all.width() - px(32), foot);
  p.drawText(words, Qt::AlignVCenter,
             p.fontMetrics().elidedText(text(), Qt::ElideRight, qFloor(words.width())));
}

PoseRack::PoseRack(Session& session, PoseView& view, QWidget* parent)
    : Desk(tr("Poses"), {tr("Poses"), tr("Wire's life")}, {tr("Poses"), tr("Life")}, parent),
      session_(session), view_(view), pictures_(session) {
  connect(&pictures_, &PosePictures::painted, this, &PoseRack::showPictures);
  name_ = new QLineEdit(this);
  name_->setAccessibleName(tr("Name of the pose"));
  name_->setPlaceholderText(tr("name of this pose"));
  name_->setFixedWidth(px(textScale() > 1.4 ? 70 : 170));
  save_ = new QPushButton(tr("Save pose"), this);
  remove_ = new QPushButton(tr("Remove"), this);
  for (QWidget* each : std::initializer_list<QWidget*>{name_, save_, remove_}) top()->addWidget(each);
  shelf_ = new QWidget;
  row_ = new QHBoxLayout(shelf_);
  row_->setContentsMargins(0, px(2), 0, px(2));
  row_->setSpacing(px(10));
  addPage(shelf_, false);
  life_ = new LifePanel(session_, nullptr);
  addPage(life_);
  connect(tabs(), &TabRow::chosen, &view_, &PoseView::setTab);
  const auto save = [this] {
    if (!changes::savePose(session_, name_->text())) name_->clear();
  };
  connect(save_, &QPushButton::clicked, this, save);
  connect(name_, &QLineEdit::returnPressed, this, save);
  connect(remove_, &QPushButton::clicked, this,
          [this] { changes::removePose(session_, str(session_.project().stances.now.name)); });
  const auto follow = [this] {
    stale_ = true;
    // Every pose is judged anew: when the hand has let go.
    if (isVisible() && !session_.inRun()) refresh();
  };
  session_.onSettled(this, follow);
  connect(&view_, &PoseView::changed, this, follow);
  refresh();
}

void PoseRack::showEvent(QShowEvent* /*event*/) {
  if (stale_) refresh();
}

void PoseRack::showPictures() {
  const auto& made = pictures_.made();
  for (size_t k = 0; k < std::min(made.size(), tiles_.size()); ++k) tiles_[k]->setPicture(made[k]);
}

void PoseRack::rebuild() {
  for (PoseTile* tile : tiles_) {
    row_->removeWidget(tile);
    tile->hide();
    tile->deleteLater();
  }
  tiles_.clear();
  while (QLayoutItem* item = row_->takeAt(0)) delete item;
  for (const auto& [pose, own] : changes::poses(session_)) {
    auto* tile = new PoseTile(str(pose.name), poseName(session_, pose), own, shelf_);
    connect(tile, &QAbstractButton::clicked, this,
            [this, tile] { changes::takePose(session_, tile->name()); });
    row_->addWidget(tile);
    tiles_.push_back(tile);
  }
  row_->addStretch();
}

void PoseRack::refresh() {
  setCurrent(view_.tab());
  const Stances& s = session_.project().stances;
  const bool own =
      std::any_of(s.saved.begin(), s.saved.end(), [&](const PatternPose& p) { return p.name == s.now.name; });
  const bool poses = view_.tab() == 0;
  name_->setVisible(poses);
  save_->setVisible(poses);
  remove_->setVisible(poses && own);
  if (!session_.stance().judged()) return; // its reports are wanted here alone
  stale_ = false;
  const auto all = changes::poses(session_);
  bool same = all.size() == tiles_.size();
  for (size_t k = 0; same && k < all.size(); ++k) same = tiles_[k]->name() == str(all[k].first.name);
  if (!same) rebuild();
  const auto head = headOf(session_.project(), session_.catalog());
  const QColor coat = head ? QColor(QRgb(0xff000000U | bodyColour(*head))) : QColor(theme().coat);
  std::vector<PoseAsk> asks;
  for (size_t k = 0; k < all.size(); ++k) {
    const PoseReport r = poseReport(session_.project(), session_.plan(), session_.catalog(), all[k].first);
    std::vector<int> limbs;
    for (size_t l = 0; l < r.figure.limbs.size(); ++l) limbs.push_back(static_cast<int>(l));
    const QPainterPath outline =
        toPath(united({columna::outline(r.figure, limbs, View::Side, 0, 12)}, r.figure.scale, true), 1);
    tiles_[k]->set(outline, coat, r.level, sameStance(session_.plan().pattern, all[k].first, s.now));
    asks.push_back({r.figure, tiles_[k]->shown(), tiles_[k]->scale()});
  }
  pictures_.ask(asks);
  showPictures(); // those that are there already
  life_->refresh();
}

} // namespace columna
