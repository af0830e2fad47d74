// The lines of scale and callipers, what comes down them, and stand-ins to practise with, which are none.
#pragma once

#include "make/instruments.h"
#include "make/make_view.h"

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QProcess>
#include <QPushButton>

#include <array>

class QGridLayout;

namespace columna {

class InstrumentPanel : public QWidget {
  Q_OBJECT
public:
  InstrumentPanel(Session& session, MakeView& view, Instruments& instruments, QWidget* parent = nullptr);
  ~InstrumentPanel() override;
  InstrumentPanel(const InstrumentPanel&) = delete;
  InstrumentPanel& operator=(const InstrumentPanel&) = delete;

  [[nodiscard]] QComboBox* line(Instruments::Which which) const { return rows_[which].line; }
  [[nodiscard]] QLabel* reading(Instruments::Which which) const { return rows_[which].reading; }
  [[nodiscard]] QLabel* words(Instruments::Which which) const { return rows_[which].words; }
  [[nodiscard]] QPushButton* practise(Instruments::Which which) const { return rows_[which].practise; }
  [[nodiscard]] QDoubleSpinBox* laid(Instruments::Which which) const { return rows_[which].laid; }
  [[nodiscard]] QPushButton* clearKey() const { return clear_; }

protected:
  void showEvent(QShowEvent* event) override;

private:
  struct Row {
    QComboBox* line = nullptr;
    QLabel *reading = nullptr, *words = nullptr;
    QPushButton* practise = nullptr;
    QDoubleSpinBox* laid = nullptr;
    QProcess* standIn = nullptr;
  };
  void makeRow(QGridLayout* grid, Instruments::Which which);
  void fillLines(Instruments::Which which);
  void refresh();
  void start(Instruments::Which which);
  void lay(Instruments::Which which);
  Session& session_;
  MakeView& view_;
  Instruments& instruments_;
  std::array<Row, Instruments::kAll.size()> rows_;
  QLabel* note_;
  QPushButton* clear_;
};

} // namespace columna
