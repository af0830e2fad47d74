#include "study/gallery.h"

#include "head/head_paint.h"
#include "kit/say.h"
#include "kit/settings.h"
#include "mat/shape.h"
#include "pose/pose.h"
#include "session/changes.h"
#include "study/animal_pictures.h"
#include "theme/theme.h"

#include <QComboBox>
#include <QLineEdit>
#include <QPainter>

#include <algorithm>
#include <set>

namespace columna {
namespace {

constexpr int kRecentKept = 6;

QStringList recent() { return settings().value(QStringLiteral("animals")).toStringList(); }

/// "spine-and-crosspieces" as words.
QString words(const std::string& id) { return QString::fromStdString(id).replace(u'-', u' '); }

QString capital(QString text) {
  if (!text.isEmpty()) text[0] = text[0].toUpper();
  return text;
}

} // namespace

const QPainterPath& handShape() {
  static const QPainterPath shape = [] {
    QPainterPath lines;
    // Palm, then thumb and fingers as thick strokes with round ends.
    QPainterPath palm;
    palm.addRoundedRect(QRectF(0, 0, 84, 96), 26, 30);
    struct Finger {
      QPointF from, to;
      double thick;
    };
    QPainterPath all = palm;
    for (const Finger& f :
         {Finger{{12, 80}, {4, 150}, 17}, Finger{{33, 90}, {30, 172}, 18}, Finger{{53, 90}, {55, 176}, 18},
          Finger{{72, 84}, {79, 162}, 17}, Finger{{70, 34}, {108, 92}, 20}}) {
      QPainterPath line(f.from);
      line.lineTo(f.to);
      QPainterPathStroker stroker(QPen(Qt::black, f.thick, Qt::SolidLine, Qt::RoundCap));
      all = all.united(stroker.createStroke(line));
    }
    return all.simplified();
  }();
  return shape;
}

PatternTile::PatternTile(const Pattern& pattern, Session& session, QWidget* parent, double height)
    : QAbstractButton(parent), id_(QString::fromStdString(pattern.id)), made_(height), pattern_(pattern),
      session_(session) {
  setText(str(Name(pattern.name)));
  setCheckable(true);
  setFocusPolicy(Qt::TabFocus);
  setCursor(Qt::PointingHandCursor);
  life_ = pattern.lifeMm < 1000
              ? tr("%1 in life").arg(str(Length(pattern.lifeMm, 0), session.units()))
              : tr("%1 in life").arg(str(Length(pattern.lifeMm, 2).metres(), session.units()));
  setToolTip(str(Name(pattern.about)));
  connect(&AnimalPictures::of(session), &AnimalPictures::painted, this, [this](const QString& animal) {
    if (animal == id_) update();
  });
  setAccessibleName(tr("%1: %2").arg(text(), str(Name(pattern.about))));
}

QSize PatternTile::sizeHint() const { return {px(150), px(126)}; }

void PatternTile::makeShape() {
  // Near and far legs apart, so that four legs show as four; what reads best from above is stood on its tail.
  const Figure f = figureAtScale(easyStance(pattern_), 1);
  const View view = bestView(pattern_);
  shape_ = toPath(silhouette(f, view), 1);
  if (view == View::Above) shape_ = QTransform(0, 1, -1, 0, 0, 0).map(shape_);
  high_ = inModules(pattern_).overallHeight;
  if (const HeadPattern* head = session_.catalog().head(pattern_.id)) {
    coat_ = QColor(QRgb(0xff000000U | bodyColour(*head)));
    for (const Vec3& eye : f.eyes) {
      if (view == View::Side && eye.y() > 0) continue; // behind the head
      Vec2 at = project(eye, view);
      if (view == View::Above) at = Vec2(-at.y(), at.x());
      const double r = std::max(f.eyeDiameter / 2, 0.012);
      eyes_.addEllipse(QPointF(at.x(), at.y()), r, r);
    }
  }
}

void PatternTile::paintEvent(QPaintEvent* /*event*/) {
  if (shape_.isEmpty()) makeShape();
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const QRectF r = QRectF(rect()).adjusted(1, 1, -1, -1);
  if (isChecked() || underMouse() || hasFocus()) {
    p.setPen(isChecked() || hasFocus() ? QPen(t.woad, hasFocus() ? 2 : 1) : QPen(Qt::NoPen));
    p.setBrush(t.wash);
    p.drawRoundedRect(r, 6, 6);
  }
  const QRectF room = r.adjusted(px(10), px(10), -px(10), -px(46));
  const QRectF b = shape_.boundingRect();
  p.setPen(Qt::NoPen);
  if (isChecked() || underMouse() || hasFocus()) {
    // At the chosen height next to a hand, both to scale.
    const double scale = (made_ > 0 ? made_ : session_.plan().figure->overallHeight) / high_; // mm a module
    const QRectF hand = handShape().boundingRect();
    const double wide = b.width() * scale + hand.width() + 20;
    const double tall = std::max(b.height() * scale, hand.height());
    const double s = std::min(room.width() / wide, room.height() / tall);
    const double left = room.center().x() - wide * s / 2;
    p.setBrush(t.disc);
    p.drawPath(QTransform(s, 0, 0, -s, left + (b.width() * scale + 20 - hand.left()) * s,
                          room.bottom() + hand.top() * s)
                   .map(handShape()));
    p.setBrush(isChecked() ? t.woad : t.solid);
    const double m = s * scale;
    p.drawPath(QTransform(m, 0, 0, -m, left - b.left() * m, room.bottom() + b.top() * m).map(shape_));
  } else {
    const double s = std::min(room.width() / b.width(), room.height() / b.height());
    const QTransform to(s, 0, 0, -s, room.center().x() - b.center().x() * s, room.bottom() + b.top() * s);
    if (const AnimalPictures::Picture* wool = AnimalPictures::of(session_).picture(pattern_)) {
      p.setRenderHint(QPainter::SmoothPixmapTransform);
      p.drawImage(to.mapRect(wool->modules), wool->image);
    } else { // in its own colour; pale ones keep an edge
      if (coat_.isValid()) p.setPen(QPen(t.ink, 1));
      p.setBrush(coat_.isValid() ? coat_ : t.solid);
      p.drawPath(to.map(shape_));
      p.setPen(Qt::NoPen);
      p.setBrush(t.ink);
      p.drawPath(to.map(eyes_));
    }
  }
  p.setPen(t.ink);
  p.setFont(typeface(13, QFont::DemiBold));
  p.drawText(QRectF(r.left(), r.bottom() - px(42), r.width(), px(20)), Qt::AlignCenter,
             QFontMetrics(p.font()).elidedText(text(), Qt::ElideRight, static_cast<int>(r.width()) - 4));
  p.setPen(t.faint);
  p.setFont(typeface(12));
  p.drawText(QRectF(r.left(), r.bottom() - px(24), r.width(), px(18)), Qt::AlignCenter, life_);
}

Gallery::Gallery(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  filter_ = new QLineEdit(this);
  filter_->setPlaceholderText(tr("find an animal"));
  filter_->setAccessibleName(tr("Find an animal by name"));
  family_ = new QComboBox(this);
  family_->setAccessibleName(tr("Family"));
  family_->addItem(tr("every family"), QString());
  suits_ = new QComboBox(this);
  suits_->setAccessibleName(tr("Construction that suits"));
  suits_->addItem(tr("any construction"), QString());
  std::set<std::string> families;
  std::set<std::string> constructions;
  for (const Pattern& pattern : session_.catalog().patterns) {
    auto* tile = new PatternTile(pattern, session_, this);
    connect(tile, &QAbstractButton::clicked, this, [this, tile] {
      changes::setPattern(session_, tile->id());
      QStringList used = recent();
      used.removeAll(tile->id());
      used.prepend(tile->id());
      settings().setValue(QStringLiteral("animals"), QStringList(used.mid(0, kRecentKept)));
      refresh();
    });
    tiles_.push_back(tile);
    families.insert(pattern.family);
    constructions.insert(pattern.suits.begin(), pattern.suits.end());
  }
  for (const std::string& f : families)
    family_->addItem(capital(str(Name(words(f).toStdString()))), QString::fromStdString(f));
  for (const std::string& c : constructions)
    if (const auto known = construction(c))
      suits_->addItem(capital(str(Name(name(*known)))), QString::fromStdString(c));
  order();
  connect(filter_, &QLineEdit::textChanged, this, &Gallery::refresh);
  for (QComboBox* box : {family_, suits_})
    connect(box, &QComboBox::currentIndexChanged, this, &Gallery::refresh);
  connect(filter_, &QLineEdit::returnPressed, this, [this] {
    for (PatternTile* tile : tiles_)
      if (tile->isVisibleTo(this)) {
        tile->click();
        return;
      }
  });
  session_.onSettled(this, [this] { refresh(); });
  refresh();
}

/// Those used last first, at the start of a session; they do not move under the hand.
void Gallery::order() {
  const QStringList used = recent();
  std::stable_sort(tiles_.begin(), tiles_.end(), [&](const PatternTile* a, const PatternTile* b) {
    const auto rank = [&](const PatternTile* t) {
      const auto i = used.indexOf(t->id());
      return i < 0 ? kRecentKept : static_cast<int>(i);
    };
    return rank(a) < rank(b);
  });
  QWidget* before = suits_;
  for (PatternTile* tile : tiles_) {
    setTabOrder(before, tile);
    before = tile;
  }
}

void Gallery::resizeEvent(QResizeEvent* /*event*/) { lay(); }

/// Rows of tiles; the fields to find one in the first place of all.
void Gallery::lay() {
  const QSize tile(px(138), px(126));
  const int gap = px(6);
  int top = px(2);
  for (QWidget* field : std::array<QWidget*, 3>{filter_, family_, suits_}) {
    field->setGeometry(0, top, tile.width() + px(12), field->sizeHint().height());
    top += field->sizeHint().height() + px(6);
  }
  const int first = tile.width() + px(26);
  int x = first;
  int y = 0;
  for (PatternTile* each : tiles_) {
    if (!each->isVisibleTo(this)) continue;
    if (x > first && x + tile.width() > width()) {
      x = first;
      y += tile.height() + px(18); // the next row begins under the rack's edge
    }
    each->setGeometry(QRect(QPoint(x, y), tile));
    x += tile.width() + gap;
  }
  setMinimumHeight(std::max(y + tile.height(), top));
}

void Gallery::refresh() {
  const QString now = QString::fromStdString(session_.project().pattern);
  const QString wanted = filter_->text().trimmed();
  const std::string family = family_->currentData().toString().toStdString();
  const std::string suits = suits_->currentData().toString().toStdString();
  for (PatternTile* tile : tiles_) {
    tile->setChecked(tile->id() == now);
    const Pattern& p = tile->pattern();
    tile->setVisible((wanted.isEmpty() || tile->text().contains(wanted, Qt::CaseInsensitive)) &&
                     (family.empty() || p.family == family) &&
                     (suits.empty() || std::find(p.suits.begin(), p.suits.end(), suits) != p.suits.end()));
    if (tile->isChecked()) tile->update();
  }
  lay();
}

} // namespace columna
