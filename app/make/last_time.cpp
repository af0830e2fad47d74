#include "make/last_time.h"

#include "kit/parts.h"
#include "theme/theme.h"

#include <QVBoxLayout>

#include <algorithm>

namespace columna {
namespace {

constexpr size_t kMostShown = 3;

bool same(const LastTime& a, const LastTime& b) {
  return a.project == b.project && a.text == b.text && a.name == b.name;
}

} // namespace

LastTimeList::LastTimeList(Session& session, MakeView& view, QWidget* parent)
    : QWidget(parent), session_(session), view_(view) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(4));
}

QList<QLabel*> LastTimeList::notes() const { return findChildren<QLabel*>(QStringLiteral("note")); }
QList<QPushButton*> LastTimeList::buttons() const { return findChildren<QPushButton*>(); }

bool LastTimeList::refresh() {
  std::vector<LastTime> now = lastTime(view_.hand(), session_.project().pattern, session_.recordId());
  if (now.size() > kMostShown) now.resize(kMostShown);
  if (std::equal(now.begin(), now.end(), shown_.begin(), shown_.end(), same)) return !now.empty();
  shown_ = std::move(now);
  for (QWidget* each : findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly)) {
    each->hide();
    each->setParent(nullptr); // one of them may be what was just clicked
    each->deleteLater();
  }
  for (const LastTime& each : shown_) {
    auto* words = textLabel(this, 13, QFont::Normal);
    words->setObjectName(QStringLiteral("note"));
    words->setTextFormat(Qt::PlainText); // as it was written
    words->setText(
        tr("Last time, at %1: %2").arg(QString::fromStdString(each.name), QString::fromStdString(each.text)));
    auto* away = new QPushButton(tr("I see to it"), this);
    away->setAccessibleName(tr("Put away: %1").arg(QString::fromStdString(each.text)));
    connect(away, &QPushButton::clicked, this, [this, each] {
      (void)view_.changeHand([&](HandEvidence& hand) { putAway(hand, each.project, each.text); });
    });
    layout()->addWidget(words);
    static_cast<QVBoxLayout*>(layout())->addWidget(away, 0, Qt::AlignLeft);
    words->show();
    away->show();
  }
  return !shown_.empty();
}

} // namespace columna
