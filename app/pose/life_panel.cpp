#include "pose/life_panel.h"

#include "edit/pose_edit.h"
#include "pose/card_parts.h"

#include "kit/parts.h"
#include "kit/say.h"
#include "session/changes.h"
#include "session/stance_view.h"
#include "theme/theme.h"

#include <QDate>
#include <QGridLayout>
#include <QLineEdit>
#include <QListWidget>
#include <QPainter>
#include <QPushButton>
#include <QSpinBox>

#include <algorithm>
#include <cmath>

namespace columna {
/// The joints that are worn most, each a bar of its life: used already, and what the poses will take.
class LifePanel::Bars : public QWidget {
public:
  explicit Bars(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setAccessibleName(LifePanel::tr("Share of the wire's life, joint by joint"));
    setMinimumWidth(px(240));
  }

protected:
  void paintEvent(QPaintEvent* /*event*/) override {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setFont(typeface(13));
    std::vector<const JointReport*> worst;
    for (const JointReport& j : session_.stance().report().joints)
      if (j.swing > 0.02 && std::isfinite(j.life.bends)) worst.push_back(&j);
    std::stable_sort(worst.begin(), worst.end(),
                     [](const JointReport* a, const JointReport* b) { return a->budget > b->budget; });
    const double line = px(24);
    const auto room = static_cast<size_t>(std::max(1.0, height() / line));
    if (worst.size() > room) worst.resize(room);
    if (worst.empty()) {
      p.setPen(t.faint);
      p.drawText(rect(), Qt::AlignLeft | Qt::AlignTop,
                 LifePanel::tr("Tick two poses or more to see what moving between them takes."));
      return;
    }
    const double names = px(150);
    const double figures = px(150);
    double y = 0;
    QStringList said;
    for (const JointReport* j : worst) {
      const double wide = std::max(20.0, width() - names - figures);
      p.setPen(t.ink);
      p.drawText(QRectF(0, y, names - px(8), line), Qt::AlignVCenter | Qt::AlignRight,
                 p.fontMetrics().elidedText(str(Name(j->name)), Qt::ElideRight, qFloor(names - px(8))));
      const QRectF bar(names, y + line * 0.25, wide, line * 0.5);
      p.setPen(QPen(t.rule, 1));
      p.setBrush(t.card);
      p.drawRect(bar);
      // The median breaks at the bar's end; a third of the way in is where care begins.
      const double spread = session_.catalog().pose.lifeSpread;
      const double share = std::min(1.0, j->budget);
      p.setPen(Qt::NoPen);
      p.setBrush(j->budget > 1 ? t.madder : j->budget > 1 / spread ? t.weld : t.alder);
      p.drawRect(QRectF(bar.left(), bar.top(), bar.width() * share, bar.height()));
      p.setBrush(t.logwood);
      p.drawRect(QRectF(bar.left(), bar.top(), bar.width() * std::min(1.0, j->life.used), bar.height()));
      p.setPen(QPen(t.ink, 1, Qt::DashLine));
      p.drawLine(QPointF(bar.left() + bar.width() / spread, bar.top() - 2),
                 QPointF(bar.left() + bar.width() / spread, bar.bottom() + 2));
      p.setPen(t.ink);
      const QString text =
          LifePanel::tr("%1 of %2 bends")
              .arg(str(printNumber(j->budget * j->life.bends, 0)), str(printNumber(j->life.bends, 0)));
      p.drawText(QRectF(bar.right() + px(8), y, figures - px(8), line), Qt::AlignVCenter, text);
      said << str(Name(j->name)) + QStringLiteral(": ") + text;
      y += line;
    }
    setAccessibleDescription(said.join(QStringLiteral("; ")));
  }

private:
  Session& session_;
};

LifePanel::LifePanel(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(px(16));
  poses_ = new QListWidget(this);
  poses_->setAccessibleName(tr("Poses that are gone through"));
  poses_->setFixedWidth(px(190));
  setMinimumSize(px(690), px(110));
  grid->addWidget(poses_, 0, 0, 3, 1);
  auto* row = new QHBoxLayout;
  times_ = new QSpinBox(this);
  times_->setRange(0, 100000);
  times_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  times_->setFixedWidth(px(56));
  times_->setAccessibleName(tr("How often they are gone through"));
  times_->findChild<QLineEdit*>()->setAccessibleName(times_->accessibleName());
  auto* often = textLabel(this, 13, QFont::Normal, false);
  often->setText(tr("times through"));
  record_ = new QPushButton(tr("I re-posed it"), this);
  record_->setToolTip(tr("Counts one move into the pose on the mat against the wire's life."));
  made_ = textLabel(this, 13, QFont::Normal, false);
  setFaint(made_);
  row->setSpacing(px(8));
  row->addWidget(times_);
  row->addWidget(often);
  row->addSpacing(px(12));
  row->addWidget(record_);
  row->addWidget(made_);
  row->addStretch();
  grid->addLayout(row, 0, 1);
  bars_ = new Bars(session_, this);
  grid->addWidget(bars_, 1, 1);
  grid->setRowStretch(1, 1);
  grid->setColumnStretch(1, 1);
  connect(poses_, &QListWidget::itemChanged, this, [this] {
    if (filling_) return;
    std::set<std::string> names;
    for (int i = 0; i < poses_->count(); ++i)
      if (poses_->item(i)->checkState() == Qt::Checked)
        names.insert(poses_->item(i)->data(Qt::UserRole).toString().toStdString());
    (void)session_.apply(tr("poses gone through"), edit::goingThrough(session_.project(), std::move(names)));
  });
  connect(times_, &QSpinBox::editingFinished, this, [this] {
    const int now =
        session_.project().stances.times.value_or(static_cast<int>(session_.catalog().pose.reposesWanted));
    if (times_->value() != now)
      (void)session_.apply(tr("times gone through"), edit::goneThrough(session_.project(), times_->value()));
  });
  connect(record_, &QPushButton::clicked, this, [this] {
    (void)session_.apply(tr("re-posed"),
                         edit::bentInto(session_.project(), session_.plan(),
                                        QDate::currentDate().toString(Qt::ISODate).toStdString()));
  });
}

void LifePanel::refresh() {
  filling_ = true;
  const Stances& s = session_.project().stances;
  poses_->clear();
  for (const auto& [pose, own] : changes::poses(session_)) {
    auto* item = new QListWidgetItem(poseName(session_, pose), poses_);
    item->setData(Qt::UserRole, str(pose.name));
    item->setFlags(Qt::ItemIsUserCheckable | Qt::ItemIsEnabled | Qt::ItemIsSelectable);
    const bool on = s.goThrough ? s.goThrough->contains(pose.name) : own;
    item->setCheckState(on ? Qt::Checked : Qt::Unchecked);
  }
  times_->setValue(s.times.value_or(static_cast<int>(session_.catalog().pose.reposesWanted)));
  made_->setText(s.made.empty() ? tr("no re-pose recorded")
                                : tr("%n recorded, the last %1", nullptr, static_cast<int>(s.made.size()))
                                      .arg(str(s.made.back().date)));
  filling_ = false;
  bars_->update();
}

} // namespace columna
