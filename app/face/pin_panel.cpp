#include "face/pin_panel.h"

#include "edit/face_edit.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "measure/quantity.h"
#include "theme/theme.h"

#include <QHeaderView>
#include <QTableWidget>
#include <QVBoxLayout>

#include <algorithm>

namespace columna {
namespace {

enum Column { kName, kTape, kStraight, kAside, kLeftTape, kLeftAside, kRightTape, kRightAside, kColumns };

} // namespace

PinPanel::PinPanel(Session& session, FaceView& view, QWidget* parent)
    : QWidget(parent), session_(session), view_(view) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, px(8), 0);
  layout->setSpacing(px(4));
  table_ = new QTableWidget(0, kColumns, this);
  table_->setAccessibleName(tr("Pins"));
  table_->setHorizontalHeaderLabels({tr("pin"), tr("tape from nose"), tr("callipers"), tr("from middle"),
                                     tr("left: tape"), tr("from middle"), tr("right: tape"),
                                     tr("from middle")});
  table_->verticalHeader()->hide();
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  table_->horizontalHeader()->setSectionResizeMode(kName, QHeaderView::ResizeToContents);
  table_->verticalHeader()->setDefaultSectionSize(px(24));
  table_->setShowGrid(false);
  table_->setMinimumHeight(px(84));
  table_->setSelectionMode(QAbstractItemView::SingleSelection);
  layout->addWidget(table_, 1);
  verdict_ = textLabel(this, 13, QFont::Normal);
  layout->addWidget(verdict_);
  connect(table_, &QTableWidget::cellChanged, this, &PinPanel::typed);
  connect(table_, &QTableWidget::currentCellChanged, this, [this](int row, int, int, int) {
    const FaceSums* sums = view_.sums();
    if (!filling_ && sums && row >= 0 && row < static_cast<int>(sums->report.pins.size()))
      view_.choose({FacePick::Kind::Pin, sums->report.pins[static_cast<size_t>(row)].id});
  });
  connect(&view_, &FaceView::changed, this, &PinPanel::fill);
  fill();
}

void PinPanel::fill() {
  const FaceSums* sums = view_.sums();
  filling_ = true;
  const UnitSystem units = session_.units();
  const auto length = [&](double mm) { return QString::fromStdString(printLength(mm, units, 1)); };
  table_->setRowCount(sums ? static_cast<int>(sums->report.pins.size()) : 0);
  QString words;
  if (sums) {
    for (size_t i = 0; i < sums->report.pins.size(); ++i) {
      const FacePin& pin = sums->report.pins[i];
      const int row = static_cast<int>(i);
      const auto put = [&](int column, const QString& text, bool edit) {
        auto* item = table_->item(row, column);
        if (!item) {
          item = new QTableWidgetItem;
          table_->setItem(row, column, item);
        }
        item->setText(text);
        item->setFlags(edit ? Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable
                            : Qt::ItemIsEnabled | Qt::ItemIsSelectable);
        item->setForeground(edit ? theme().logwood : theme().ink);
      };
      put(kName, tr("%1  %2").arg(QChar(static_cast<char16_t>(u'A' + i % 26)), str(Name(pinName(pin.id)))),
          false);
      put(kTape, i == 0 ? tr("0") : pin.tape ? length(*pin.tape) : tr("no straight way"), false);
      put(kStraight, i == 0 ? QString() : length(pin.straight), false);
      put(kAside, pin.aside > 0.05 ? length(pin.aside) : tr("middle"), false);
      const bool paired = pin.aside > 0.05;
      for (const bool right : {false, true}) {
        const auto found =
            std::find_if(session_.project().face.measured.begin(), session_.project().face.measured.end(),
                         [&](const MeasuredPin& m) { return m.pin == pin.id && m.right == right; });
        const bool has = found != session_.project().face.measured.end();
        const bool may = i > 0 && (!right || paired);
        put(right ? kRightTape : kLeftTape, has ? length(found->tape) : QString(), may);
        put(right ? kRightAside : kLeftAside, has && found->aside > 0 ? length(found->aside) : QString(),
            may && paired);
      }
      if (view_.pick() == FacePick{FacePick::Kind::Pin, pin.id} && table_->currentRow() != row)
        table_->setCurrentCell(row, kName);
    }
    QStringList said;
    for (const PairOff& pair : sums->measured.pairs)
      said << tr("%1: %2 off, leaning %3")
                  .arg(str(Name(pinName(pair.pin))), length(pair.off),
                       QString::fromStdString(printAngle(pair.tilt, 1)));
    words = said.isEmpty()
                ? tr("Type what the tape reads on your own head, left and right: what is askew is told.")
                : said.join(QStringLiteral(" · "));
  }
  verdict_->setText(words);
  filling_ = false;
}

void PinPanel::typed(int row, int column) {
  const FaceSums* sums = view_.sums();
  if (filling_ || !sums || column < kLeftTape || row >= static_cast<int>(sums->report.pins.size())) return;
  const FacePin& pin = sums->report.pins[static_cast<size_t>(row)];
  const bool right = column >= kRightTape;
  const auto& list = session_.project().face.measured;
  const auto found = std::find_if(list.begin(), list.end(),
                                  [&](const MeasuredPin& m) { return m.pin == pin.id && m.right == right; });
  std::optional<double> tape = found == list.end() ? std::nullopt : std::optional(found->tape);
  std::optional<double> aside = found == list.end() ? std::nullopt : std::optional(found->aside);
  const QString text = table_->item(row, column)->text().trimmed();
  const bool ofTape = column == kLeftTape || column == kRightTape;
  if (text.isEmpty()) {
    if (ofTape)
      tape.reset();
    else
      aside = 0; // not measured any more
  } else {
    const auto value = parseLength(text.toStdString(), session_.units());
    if (!value) {
      (void)session_.refuse(sentence(value.problem(), session_.units()));
      fill();
      return;
    }
    (ofTape ? tape : aside) = *value;
    if (!ofTape && !tape) tape = pin.tape;
  }
  (void)session_.apply(tr("%1 measured").arg(str(Name(pinName(pin.id)))),
                       edit::pinMeasured(session_.project(), pin.id, right, tape, aside));
  fill();
}

} // namespace columna
