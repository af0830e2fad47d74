#include "study/animal_board.h"

#include "kit/say.h"

#include "anatomy/sizing.h"
#include "theme/theme.h"

#include <QKeyEvent>
#include <QPainter>
#include <QScrollArea>
#include <QVBoxLayout>

#include <algorithm>
#include <cstdlib>

namespace columna {
namespace {

constexpr int kLeastTile = 108;

/// Paints each family's name over its first tile.
class Floor : public QWidget {
public:
  Floor(const std::vector<PatternTile*>& tiles, QWidget* parent) : QWidget(parent), tiles_(tiles) {}

protected:
  void paintEvent(QPaintEvent* /*event*/) override {
    const Theme& t = theme();
    QPainter p(this);
    p.fillRect(rect(), t.ground);
    std::string family;
    for (const PatternTile* tile : tiles_) {
      if (tile->pattern().family == family) continue;
      family = tile->pattern().family;
      std::string plain = family;
      std::replace(plain.begin(), plain.end(), '-', ' ');
      std::replace(plain.begin(), plain.end(), '_', ' ');
      QString words = str(Name(plain));
      if (!words.isEmpty()) words[0] = words[0].toUpper();
      p.setFont(typeface(13, QFont::DemiBold));
      p.setPen(t.faint);
      const QRect r = tile->geometry();
      p.drawText(QRectF(r.left() + px(8), r.top() - px(20), px(220), px(18)), Qt::AlignVCenter, words);
      p.setPen(QPen(t.rule, 1));
      p.drawLine(r.left(), r.top() - px(18), r.left(), r.bottom());
    }
  }

private:
  const std::vector<PatternTile*>& tiles_;
};

} // namespace

AnimalBoard::AnimalBoard(Session& session, QWidget* parent) : FirstBoard(parent) {
  setAccessibleName(tr("Which animal?"));
  auto* outer = new QVBoxLayout(this);
  outer->setContentsMargins(px(24), px(50), px(8), px(4));
  auto* scroll = new QScrollArea(this);
  scroll->setWidgetResizable(true);
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setFocusPolicy(Qt::NoFocus);
  floor_ = new Floor(tiles_, nullptr);
  scroll->setWidget(floor_);
  outer->addWidget(scroll);
  for (const Pattern& pattern : session.catalog().patterns) {
    auto* tile = new PatternTile(pattern, session, floor_, firstHeight(pattern));
    tile->installEventFilter(this);
    connect(tile, &QAbstractButton::clicked, this, [this, tile] { emit chosen(tile->id()); });
    tiles_.push_back(tile);
  }
  // Families as large ones first, within them by name.
  std::map<std::string, int> count;
  for (const PatternTile* tile : tiles_) ++count[tile->pattern().family];
  std::stable_sort(tiles_.begin(), tiles_.end(), [&](const PatternTile* a, const PatternTile* b) {
    const std::string& fa = a->pattern().family;
    const std::string& fb = b->pattern().family;
    if (fa != fb) return count[fa] != count[fb] ? count[fa] > count[fb] : fa < fb;
    return a->text() < b->text();
  });
  for (size_t i = 1; i < tiles_.size(); ++i) setTabOrder(tiles_[i - 1], tiles_[i]);
}

void AnimalBoard::lay() {
  const int wide = floor_->width() > 0 ? floor_->width() : width();
  const int across = std::max(1, wide / px(kLeastTile));
  const int tile = wide / across;
  const int high = px(101);
  int column = 0;
  int y = px(20);
  std::string family;
  for (PatternTile* each : tiles_) {
    const bool first = each->pattern().family != family;
    family = each->pattern().family;
    // A family's name needs room over its first tile; a row holds several families.
    if (column == across || (first && column > 0 && column + 1 == across)) {
      column = 0;
      y += high + px(21);
    }
    each->setGeometry(column * tile, y, tile, high);
    ++column;
  }
  floor_->setMinimumHeight(y + high);
}

void AnimalBoard::resizeEvent(QResizeEvent* event) {
  QWidget::resizeEvent(event);
  layout()->activate();
  lay();
}

void AnimalBoard::showEvent(QShowEvent* event) {
  QWidget::showEvent(event);
  layout()->activate();
  lay();
  if (!tiles_.empty()) tiles_.front()->setFocus();
}

void AnimalBoard::step(int by) {
  const auto now =
      std::find_if(tiles_.begin(), tiles_.end(), [](const PatternTile* t) { return t->hasFocus(); });
  if (now == tiles_.end()) {
    if (!tiles_.empty()) tiles_.front()->setFocus();
    return;
  }
  const auto count = static_cast<int>(tiles_.size());
  tiles_[static_cast<size_t>(std::clamp(static_cast<int>(now - tiles_.begin()) + by, 0, count - 1))]
      ->setFocus();
}

/// The tile over or under the one at hand, in the nearest row that has one.
void AnimalBoard::stepRow(int way) {
  const auto now =
      std::find_if(tiles_.begin(), tiles_.end(), [](const PatternTile* t) { return t->hasFocus(); });
  if (now == tiles_.end()) return step(0);
  PatternTile* best = nullptr;
  int least = 0;
  for (PatternTile* tile : tiles_) {
    const int down = way * (tile->y() - (*now)->y());
    if (down <= 0) continue;
    const int away = 10 * down + std::abs(tile->x() - (*now)->x());
    if (best && away >= least) continue;
    best = tile;
    least = away;
  }
  if (best) best->setFocus();
}

bool AnimalBoard::took(int key) {
  switch (key) {
  case Qt::Key_Escape:
    emit left();
    return true;
  case Qt::Key_Left:
    step(-1);
    return true;
  case Qt::Key_Right:
    step(1);
    return true;
  case Qt::Key_Up:
    stepRow(-1);
    return true;
  case Qt::Key_Down:
    stepRow(1);
    return true;
  case Qt::Key_Return:
  case Qt::Key_Enter:
    for (PatternTile* tile : tiles_)
      if (tile->hasFocus()) {
        tile->click();
        return true;
      }
    return true;
  default:
    return false;
  }
}

bool AnimalBoard::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::KeyPress && took(static_cast<QKeyEvent*>(event)->key())) return true;
  return QWidget::eventFilter(watched, event);
}

void AnimalBoard::keyPressEvent(QKeyEvent* event) {
  if (!took(event->key())) QWidget::keyPressEvent(event);
}

void AnimalBoard::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  p.fillRect(rect(), t.ground);
  p.setPen(t.ink);
  p.setFont(typeface(20, QFont::DemiBold));
  p.drawText(QPointF(px(30), px(36)), tr("Which animal?"));
  const double w = QFontMetricsF(p.font()).horizontalAdvance(tr("Which animal?"));
  p.setFont(typeface(13));
  p.setPen(t.faint);
  const double from = px(30) + w + px(16);
  p.drawText(QRectF(from, px(18), width() - from - px(16), px(24)), Qt::AlignVCenter,
             p.fontMetrics().elidedText(tr("All to one height; beside the hand as large as it is begun. "
                                           "Sizes change later. Esc goes back."),
                                        Qt::ElideRight, qRound(width() - from - px(16))));
}

} // namespace columna
