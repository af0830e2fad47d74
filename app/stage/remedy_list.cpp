#include "stage/remedy_list.h"

#include "file/project_json.h"
#include "kit/beside.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "measure/json_text.h"
#include "theme/theme.h"

#include <QPushButton>
#include <QVBoxLayout>

namespace columna {
namespace {

constexpr size_t kMostShown = 6;

} // namespace

RemedyList::RemedyList(Session& session, const QString& question, QWidget* parent)
    : QWidget(parent), session_(session) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(6));
  ask_ = new QPushButton(question, this);
  layout->addWidget(ask_, 0, Qt::AlignLeft);
  words_ = textLabel(this, 13, QFont::Normal);
  setFaint(words_);
  words_->hide();
  layout->addWidget(words_);
  list_ = new QWidget(this);
  auto* inner = new QVBoxLayout(list_);
  inner->setContentsMargins(0, 0, 0, 0);
  inner->setSpacing(px(4));
  layout->addWidget(list_);
  connect(ask_, &QPushButton::clicked, this, &RemedyList::start);
  connect(&trying_, &QFutureWatcher<Answer>::finished, this, &RemedyList::show_);
}

RemedyList::~RemedyList() { awaitEnd(trying_); }

QList<QPushButton*> RemedyList::changes() const { return list_->findChildren<QPushButton*>(); }

void RemedyList::clear() {
  // One of them may be what was just clicked: it goes once its own signal is done.
  for (QWidget* each : list_->findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly)) {
    each->hide();
    each->setParent(nullptr);
    each->deleteLater();
  }
}

void RemedyList::offer(bool asks, const std::string& about, std::function<RemedyTry()> prepare) {
  about_ = about;
  prepare_ = std::move(prepare);
  // The same question of the same project: its answer, shown or on its way, stays. Cards are shown anew
  // often.
  if (asks && asked_ && asked_->about == about_ && asked_->project == writeJson(toJson(session_.project())))
    return;
  ++turn_;
  asked_.reset();
  waiting_ = false; // what was asked before is answered to nobody
  clear();
  words_->hide();
  ask_->setVisible(asks);
}

void RemedyList::start() {
  ++turn_;
  clear();
  words_->setText(tr("trying changes on the whole figure…"));
  words_->show();
  waiting_ = true;
  asked_ = Asked{writeJson(toJson(session_.project())), about_};
  trying_.setFuture(beside([turn = turn_, tries = prepare_()] { return Answer{turn, tries()}; }));
}

void RemedyList::show_() {
  const Answer answer = answerOf(trying_);
  if (answer.turn != turn_) return;
  waiting_ = false;
  words_->setVisible(answer.found.empty());
  words_->setText(tr("None of the usual changes helps; make it smaller, or give it less to bear."));
  auto* layout = static_cast<QVBoxLayout*>(list_->layout());
  size_t shown = 0;
  for (const RemedyOffer& r : answer.found) {
    if (shown++ == kMostShown) break;
    const QString words = (r.mends ? QStringLiteral("✓ ") : QString()) + str(r.words, session_.units());
    auto* take = new QPushButton(list_);
    // The card is narrow; a long change is told whole in its tip.
    take->setText(QFontMetrics(take->font()).elidedText(words, Qt::ElideRight, px(216)));
    take->setAccessibleName(words);
    take->setToolTip(
        tr("%1: %2").arg(str(r.words, session_.units()), r.mends ? tr("mends it") : tr("betters it")));
    auto* result = textLabel(list_, 13, QFont::Normal);
    result->setText(str(r.result, session_.units()));
    setFaint(result);
    connect(take, &QPushButton::clicked, this,
            [this, r] { (void)session_.apply(str(r.words, session_.units()), r.project); });
    layout->addWidget(take, 0, Qt::AlignLeft);
    layout->addWidget(result);
  }
  emit told();
}

} // namespace columna
