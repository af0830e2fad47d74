#include "make/instrument_panel.h"

#include "kit/parts.h"
#include "kit/say.h"
#include "measure/quantity.h"
#include "theme/theme.h"

#include <QCoreApplication>
#include <QGridLayout>
#include <QLineEdit>

#include <algorithm>

namespace columna {
namespace {

constexpr int kEnding = 500; ///< ms

} // namespace

InstrumentPanel::InstrumentPanel(Session& session, MakeView& view, Instruments& instruments, QWidget* parent)
    : QWidget(parent), session_(session), view_(view), instruments_(instruments) {
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, px(2), px(8), 0);
  grid->setHorizontalSpacing(px(10));
  grid->setVerticalSpacing(px(4));
  for (const Instruments::Which which : Instruments::kAll) makeRow(grid, which);
  note_ = textLabel(this, 13, QFont::Normal);
  setFaint(note_);
  note_->setText(tr("A stand-in is there to practise with: what it says is marked, no measurement, and never "
                    "learnt from."));
  clear_ = new QPushButton(tr("Withdraw all from stand-ins"), this);
  const int last = grid->rowCount();
  grid->addWidget(note_, last, 0, 1, 4);
  grid->addWidget(clear_, last, 4, 1, 2);
  grid->setColumnStretch(2, 1);
  grid->setRowStretch(last + 1, 1);
  connect(clear_, &QPushButton::clicked, this, [this] { (void)view_.withdrawStandIns(); });
  connect(&instruments_, &Instruments::changed, this, &InstrumentPanel::refresh);
  connect(&view_, &MakeView::changed, this, &InstrumentPanel::refresh);
  refresh();
}

InstrumentPanel::~InstrumentPanel() {
  for (Row& row : rows_)
    if (row.standIn) {
      row.standIn->disconnect(this);
      row.standIn->terminate();
      if (!row.standIn->waitForFinished(kEnding)) row.standIn->kill();
    }
}

void InstrumentPanel::makeRow(QGridLayout* grid, Instruments::Which which) {
  Row& row = rows_[which];
  const bool scale = which == Instruments::Scale;
  const bool narrow = textScale() > 1.4; // large text: what stands beside goes under
  row.line = new QComboBox(this);
  row.line->setEditable(true);
  row.line->setAccessibleName(scale ? tr("Line of the scale") : tr("Line of the callipers"));
  row.line->lineEdit()->setPlaceholderText(tr("no line"));
  row.reading = textLabel(this, 20, QFont::DemiBold, false);
  row.reading->setAccessibleName(scale ? tr("The scale says") : tr("The callipers say"));
  row.reading->setMinimumWidth(px(96));
  row.words = textLabel(this, 13, QFont::Normal);
  row.practise = new QPushButton(scale ? tr("Stand-in scale") : tr("Stand-in callipers"), this);
  row.laid = new QDoubleSpinBox(this);
  row.laid->setRange(0, scale ? 210 : 150);
  row.laid->setDecimals(2);
  row.laid->setButtonSymbols(QAbstractSpinBox::NoButtons); // arrow keys and the wheel do it
  row.laid->setSuffix(scale ? tr(" g") : tr(" mm"));
  row.laid->setAccessibleName(scale ? tr("What is laid on the stand-in")
                                    : tr("What the stand-in is closed on"));
  const int at = grid->rowCount();
  grid->addWidget(smallText(this, scale ? tr("scale") : tr("callipers")), at, 0);
  grid->addWidget(row.line, at, 1);
  grid->addWidget(row.words, narrow ? at + 1 : at, narrow ? 1 : 2);
  grid->addWidget(row.reading, at, 3);
  grid->addWidget(row.practise, narrow ? at + 1 : at, narrow ? 2 : 4);
  grid->addWidget(row.laid, narrow ? at + 1 : at, narrow ? 3 : 5);
  const auto take = [this, which] {
    const QString line = rows_[which].line->currentText().trimmed();
    if (line != instruments_.port(which).line()) instruments_.use(which, line);
  };
  connect(row.line, &QComboBox::activated, this, take);
  connect(row.line->lineEdit(), &QLineEdit::editingFinished, this, take);
  connect(row.practise, &QPushButton::clicked, this, [this, which] { start(which); });
  connect(row.laid, &QDoubleSpinBox::valueChanged, this, [this, which] { lay(which); });
}

void InstrumentPanel::showEvent(QShowEvent* /*event*/) {
  for (const Instruments::Which which : Instruments::kAll) fillLines(which);
}

void InstrumentPanel::fillLines(Instruments::Which which) {
  QComboBox* box = rows_[which].line;
  const QSignalBlocker quiet(box);
  const QString line = instruments_.port(which).line();
  box->clear();
  box->addItem(QString());
  box->addItems(instrumentLines());
  box->setCurrentText(line);
}

void InstrumentPanel::refresh() {
  for (const Instruments::Which which : Instruments::kAll) {
    const Row& row = rows_[which];
    const InstrumentPort& port = instruments_.port(which);
    QString words;
    switch (port.state()) {
    case InstrumentPort::State::Closed:
      words = tr("choose its line, or practise with a stand-in");
      break;
    case InstrumentPort::State::Open:
      words = port.standIn() ? tr("a stand-in: no measurement") : tr("it is there");
      if (const int dropped = port.reader().dropped(); dropped > 0)
        words += tr("; %n line(s) could not be read", nullptr, dropped);
      break;
    case InstrumentPort::State::Away:
    case InstrumentPort::State::Refused:
    case InstrumentPort::State::Silent:
      words = str(port.words(), session_.units());
      break;
    }
    row.words->setText(words);
    QString figure = QStringLiteral("–");
    const auto last = port.last();
    if (last && last->value)
      figure = which == Instruments::Scale ? str(printMass(*last->value, session_.units()))
                                           : str(printLength(*last->value, session_.units(), 1));
    const bool steady = port.steady().has_value();
    row.reading->setText(steady ? figure + QStringLiteral(" ✓") : figure);
    row.reading->setStyleSheet(
        QStringLiteral("background: transparent; color: %1;")
            .arg((steady && !port.standIn() ? theme().logwood : theme().faint).name()));
    row.laid->setEnabled(row.standIn && row.standIn->state() == QProcess::Running);
  }
  const bool any = std::any_of(session_.record().begin(), session_.record().end(),
                               [](const Entry& e) { return e.by == EntryBy::StandIn; });
  clear_->setEnabled(any);
}

void InstrumentPanel::start(Instruments::Which which) {
  Row& row = rows_[which];
  if (row.standIn && row.standIn->state() != QProcess::NotRunning) return;
  const QString kind = which == Instruments::Scale ? QStringLiteral("scale") : QStringLiteral("callipers");
  if (!row.standIn) {
    row.standIn = new QProcess(this);
    connect(row.standIn, &QProcess::readyReadStandardOutput, this, [this, which] {
      const QString said = QString::fromUtf8(rows_[which].standIn->readAllStandardOutput()).trimmed();
      if (!said.startsWith(QStringLiteral("ready "))) return;
      instruments_.use(which, said.section(u' ', 1));
      fillLines(which);
      lay(which);
    });
    connect(row.standIn, &QProcess::errorOccurred, this, [this](QProcess::ProcessError error) {
      if (error == QProcess::FailedToStart)
        session_.refuse(tr("The stand-in is not beside the program: build or install columna-standin."));
    });
  }
  row.standIn->start(QCoreApplication::applicationDirPath() + QStringLiteral("/columna-standin"), {kind});
}

void InstrumentPanel::lay(Instruments::Which which) {
  Row& row = rows_[which];
  if (!row.standIn || row.standIn->state() != QProcess::Running) return;
  row.standIn->write(QStringLiteral("put %1\n").arg(row.laid->value(), 0, 'f', 2).toUtf8());
  if (which == Instruments::Callipers) row.standIn->write("press\n");
}

} // namespace columna
