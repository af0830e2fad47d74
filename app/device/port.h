// An instrument on a serial line: what it reads now, whether it has come to rest, and how it is with the
// line. A line that goes away is tried again each second. Stand-ins speak on a line of their own and are
// known by where it lies: what they say is never a measurement.
#pragma once

#include "instrument/line_reader.h"
#include "words/said.h"

#include <QElapsedTimer>
#include <QObject>
#include <QSerialPort>
#include <QStringList>
#include <QTimer>

#include <optional>

namespace columna {

/// Where stand-ins put the links to their lines: $XDG_RUNTIME_DIR/columna, else a folder of the user's own
/// in /tmp.
[[nodiscard]] QString standInFolder();
/// A line in that folder, or any pseudo-terminal.
[[nodiscard]] bool isStandIn(const QString& line);
/// The machine's serial lines, and those of stand-ins.
[[nodiscard]] QStringList instrumentLines();

class InstrumentPort : public QObject {
  Q_OBJECT
public:
  enum class State {
    Closed, ///< none is wanted
    Open,
    Away,    ///< it was there and is not: tried again
    Refused, ///< it cannot be used: the sentence says why
    Silent   ///< open, and nothing has come for some seconds
  };
  explicit InstrumentPort(QObject* parent = nullptr);
  ~InstrumentPort() override;
  InstrumentPort(const InstrumentPort&) = delete;
  InstrumentPort& operator=(const InstrumentPort&) = delete;

  /// Opens a line and keeps to it until another is opened, or it is closed.
  void open(const QString& line);
  void close();
  [[nodiscard]] const QString& line() const { return line_; }
  [[nodiscard]] State state() const { return state_; }
  /// How it is with the line, for people.
  [[nodiscard]] const Said& words() const { return words_; }
  [[nodiscard]] bool standIn() const { return isStandIn(line_); }
  /// What came last, at rest or not; nothing before the first, or when it has been silent.
  [[nodiscard]] std::optional<Reading> last() const;
  /// What it has come to rest at, g or mm. Callipers speak when they are pressed: that is at rest.
  [[nodiscard]] std::optional<double> steady() const;
  [[nodiscard]] const LineReader& reader() const { return reader_; }
  /// Asks for a reading, or sets it to zero, where it knows how.
  void ask();
  void zero();

signals:
  void changed(); ///< at most ten times a second

private:
  void tryOpen();
  void read();
  void failed(QSerialPort::SerialPortError error);
  void drop(State state, const Said& words);
  void tell();
  void look();
  QSerialPort port_;
  LineReader reader_;
  Steadiness steadiness_;
  QString line_;
  State state_ = State::Closed;
  Said words_;
  QElapsedTimer since_; ///< it was opened
  QElapsedTimer heard_; ///< something came
  QTimer again_, soon_;
  bool failing_ = false, wasThere_ = false;
};

} // namespace columna
