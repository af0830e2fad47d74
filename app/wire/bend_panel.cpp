#include "wire/bend_panel.h"

#include "edit/wire_edit.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "session/changes.h"
#include "theme/theme.h"
#include "wire/bend_table.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QTableWidget>
#include <QVBoxLayout>

#include <algorithm>

namespace columna {
BendPanel::BendPanel(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, px(8), 0);
  row->setSpacing(px(16));
  auto* left = new QVBoxLayout;
  left->setSpacing(px(6));
  chooser_ = new QComboBox(this);
  chooser_->setAccessibleName(tr("Piece"));
  chooser_->setFixedWidth(px(200));
  words_ = textLabel(this, 13, QFont::Normal);
  words_->setFixedWidth(px(200));
  another_ = new QPushButton(tr("Run the wire another way"), this);
  left->addWidget(chooser_);
  left->addWidget(words_);
  auto* ends = new QVBoxLayout; // under each other: "root of the left hindleg" is long
  ends->setSpacing(px(4));
  for (int i = 0; i < 2; ++i) {
    ends_[i] = new QComboBox(this);
    ends_[i]->setAccessibleName(i == 0 ? tr("Where the piece begins") : tr("Where the piece ends"));
    ends_[i]->setToolTip(tr("another joint of the same wires; what it leaves becomes a piece of its own"));
    ends_[i]->setFixedWidth(px(200));
    ends->addWidget(ends_[i]);
    connect(ends_[i], &QComboBox::activated, this, [this, i](int at) {
      const int piece = chooser_->currentIndex();
      if (piece >= 0) changes::moveEnd(session_, piece, i == 1, ends_[i]->itemData(at).toInt());
      refresh(); // put back when it was refused
    });
  }
  left->addLayout(ends);
  left->addWidget(another_);
  left->addStretch();
  row->addLayout(left);
  table_ = new QTableWidget(0, 6, this);
  table_->setAccessibleName(tr("Bends from the left end"));
  table_->setHorizontalHeaderLabels(
      {tr("from left"), tr("what"), tr("bend to"), tr("stays at"), tr("turn"), tr("round")});
  table_->verticalHeader()->hide();
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  table_->setMinimumHeight(px(84));
  table_->verticalHeader()->setDefaultSectionSize(px(24));
  table_->setShowGrid(false);
  table_->setAlternatingRowColors(false);
  row->addWidget(table_, 1);
  connect(chooser_, &QComboBox::activated, this, [this](int i) {
    const auto& limbs = session_.plan().pieces[static_cast<size_t>(i)].limbs;
    if (!limbs.empty()) session_.select(limbs.front());
    chooser_->setCurrentIndex(i);
    fill();
  });
  connect(another_, &QPushButton::clicked, this, &BendPanel::nextRoute);
  session_.onSettled(this, [this] {
    if (isVisible()) refresh();
  });
  connect(&session_, &Session::selectionChanged, this, [this] {
    chooser_->setCurrentIndex(-1); // the chosen part's own piece is looked at
    if (isVisible()) refresh();
  });
}

void BendPanel::showEvent(QShowEvent* /*event*/) { refresh(); }

void BendPanel::refresh() {
  const Plan& plan = session_.plan();
  const int before = chooser_->currentIndex();
  const QString shown = chooser_->currentText();
  chooser_->clear();
  for (const Piece& piece : plan.pieces)
    chooser_->addItem(QStringLiteral("%1  %2").arg(str(piece.tag), str(Name(piece.name))));
  // What is looked at stays while there is such a piece: a plan may come from beside the window.
  const bool stays = before >= 0 && chooser_->itemText(before) == shown;
  int at = session_.selected() >= 0 && !stays ? plan.pieceOf(session_.selected()) : before;
  at = std::clamp(at, plan.pieces.empty() ? -1 : 0, static_cast<int>(plan.pieces.size()) - 1);
  chooser_->setCurrentIndex(at);
  fill();
}

void BendPanel::fill() {
  const Plan& plan = session_.plan();
  const UnitSystem units = session_.units();
  const int at = chooser_->currentIndex();
  table_->setRowCount(0);
  another_->setVisible(false);
  if (at < 0) {
    words_->setText(tr("No limb has wire."));
    return;
  }
  const Piece& piece = plan.pieces[static_cast<size_t>(at)];
  struct Line {
    double at;
    QStringList cells;
  };
  std::vector<Line> lines;
  const auto length = [&](double mm) { return str(printLengthFigure(mm, units, 1)); };
  const auto angle = [](const std::optional<double>& a) { return a ? str(printAngle(*a)) : QString(); };
  for (const BendRow& row : bendTable(plan.skeleton, piece)) {
    QString what = str(Name(row.point));
    if (row.kind == BendRow::Kind::Fold) what = tr("fold at %1").arg(what);
    if (row.kind == BendRow::Kind::Twist)
      what = tr("twist to %1, %2 turns").arg(length(row.to), str(printNumber(row.turns, 0)));
    lines.push_back({row.at,
                     {length(row.at), what, angle(row.tool), angle(row.angle), angle(row.turn),
                      row.radius ? length(*row.radius) : QString()}});
  }
  for (const Feature& f : piece.features)
    if (f.kind != "bend" && f.kind != "twist" && f.kind != "waste" && f.kind != "fold")
      lines.push_back({f.at, {length(f.at), str(f.note, units), {}, {}, {}, {}}});
  std::stable_sort(lines.begin(), lines.end(), [](const Line& a, const Line& b) { return a.at < b.at; });
  table_->setRowCount(static_cast<int>(lines.size()));
  for (size_t r = 0; r < lines.size(); ++r)
    for (int c = 0; c < 6; ++c) {
      auto* item = new QTableWidgetItem(lines[r].cells[c]);
      if (c != 1) item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
      item->setToolTip(lines[r].cells[c]);
      table_->setItem(static_cast<int>(r), c, item);
    }
  table_->horizontalHeader()->setSectionResizeMode(1, QHeaderView::ResizeToContents);
  words_->setText(
      tr("%1 of %2; it runs from, to")
          .arg(str(printLength(piece.cut, units, 0)), str(printLength(piece.diameter, units, 2))));
  const bool routed = piece.group >= 0 && !plan.groups[static_cast<size_t>(piece.group)].digits;
  for (int i = 0; i < 2; ++i) {
    ends_[i]->clear();
    ends_[i]->setVisible(routed);
    if (!routed) continue;
    std::vector<int> points;
    for (const StrandSegment& s : plan.groups[static_cast<size_t>(piece.group)].segments)
      for (const int p : {s.a, s.b})
        if (std::find(points.begin(), points.end(), p) == points.end()) points.push_back(p);
    for (const int p : points) {
      ends_[i]->addItem(str(Name(plan.skeleton->points[static_cast<size_t>(p)].name)), p);
    }
    ends_[i]->setCurrentIndex(ends_[i]->findData(i == 0 ? piece.route.front() : piece.route.back()));
  }
  if (piece.group >= 0)
    for (const RouteChoice& choice : plan.routes)
      if (choice.group == plan.groups[static_cast<size_t>(piece.group)].name && choice.ways.size() > 1)
        another_->setVisible(true);
}

void BendPanel::nextRoute() {
  const Plan& plan = session_.plan();
  const int at = chooser_->currentIndex();
  if (at < 0 || plan.pieces[static_cast<size_t>(at)].group < 0) return;
  const std::string& group =
      plan.groups[static_cast<size_t>(plan.pieces[static_cast<size_t>(at)].group)].name;
  (void)session_.apply(tr("route of %1").arg(str(Name(group))),
                       edit::routeNext(session_.project(), plan, at));
}

} // namespace columna
