#include "device/port.h"

#include <QDir>
#include <QFileInfo>
#include <QSerialPortInfo>

#include <unistd.h>

namespace columna {
namespace {

constexpr int kAgain = 1000;         ///< ms between tries
constexpr int kStale = 100;          ///< ms: what waited in the line before it was opened
constexpr int kTelling = 100;        ///< ms between what is told
constexpr int kSilent = 3000;        ///< ms
constexpr qint64 kBuffer = 64 << 10; ///< bytes

} // namespace

QString standInFolder() {
  const QString runtime = qEnvironmentVariable("XDG_RUNTIME_DIR");
  return runtime.isEmpty() ? QStringLiteral("/tmp/columna-%1").arg(::getuid())
                           : runtime + QStringLiteral("/columna");
}

bool isStandIn(const QString& line) {
  if (line.isEmpty()) return false;
  const QFileInfo file(line);
  // Whatever it is called: no real instrument speaks on a pseudo-terminal.
  return file.absolutePath() == QDir(standInFolder()).absolutePath() ||
         file.canonicalFilePath().startsWith(QStringLiteral("/dev/pts/"));
}

QStringList instrumentLines() {
  QStringList out;
  for (const QSerialPortInfo& each : QSerialPortInfo::availablePorts()) out << each.systemLocation();
  const QDir folder(standInFolder());
  for (const QString& name :
       folder.entryList({QStringLiteral("*.port")}, QDir::System | QDir::Files, QDir::Name))
    out << folder.filePath(name);
  return out;
}

InstrumentPort::InstrumentPort(QObject* parent) : QObject(parent) {
  port_.setReadBufferSize(kBuffer);
  again_.setInterval(kAgain);
  connect(&again_, &QTimer::timeout, this, &InstrumentPort::look);
  soon_.setSingleShot(true);
  soon_.setInterval(kTelling);
  connect(&soon_, &QTimer::timeout, this, &InstrumentPort::changed);
  connect(&port_, &QSerialPort::readyRead, this, &InstrumentPort::read);
  connect(&port_, &QSerialPort::errorOccurred, this, &InstrumentPort::failed);
}

InstrumentPort::~InstrumentPort() {
  port_.disconnect(this);
  port_.close();
}

void InstrumentPort::open(const QString& line) {
  close();
  line_ = line.trimmed();
  if (line_.isEmpty()) return;
  wasThere_ = false;
  tryOpen();
  again_.start();
}

void InstrumentPort::close() {
  again_.stop();
  line_.clear();
  drop(State::Closed, {});
}

void InstrumentPort::tryOpen() {
  port_.setPortName(line_);
  port_.setBaudRate(QSerialPort::Baud9600);
  port_.clearError();
  if (!port_.open(QIODevice::ReadWrite)) {
    const Said name = say("{}", AsIs(line_.toStdString()));
    switch (port_.error()) {
    case QSerialPort::PermissionError:
      return drop(State::Refused,
                  say("{} cannot be used: another program holds it, or you are not in the group {}", name,
                      AsIs("dialout")));
    case QSerialPort::DeviceNotFoundError:
      return wasThere_
                 ? drop(State::Away, say("it is away: trying again"))
                 : drop(State::Refused, say("there is no {}: plug it in, or choose another line", name));
    default:
      return drop(State::Refused, say("{} is no line of an instrument", name));
    }
  }
  port_.clearError(); // lines that are not real ones refuse some settings, which mean nothing there
  port_.clear(QSerialPort::Input);
  reader_.reset();
  steadiness_.reset();
  since_.start();
  heard_.start();
  wasThere_ = true;
  state_ = State::Open;
  words_ = {};
  tell();
}

/// Something is wrong with the line: closed at once, for it would say so without end.
void InstrumentPort::failed(QSerialPort::SerialPortError error) {
  if (failing_ || error == QSerialPort::NoError || error == QSerialPort::UnsupportedOperationError ||
      !port_.isOpen() || state_ == State::Closed)
    return;
  failing_ = true;
  drop(State::Away, say("it is away: trying again"));
  failing_ = false;
}

void InstrumentPort::drop(State state, const Said& words) {
  if (port_.isOpen()) port_.close();
  steadiness_.reset();
  const bool same = state_ == state && words_ == words;
  state_ = state;
  words_ = words;
  if (!same) tell();
}

void InstrumentPort::read() {
  const QByteArray bytes = port_.readAll();
  if (since_.elapsed() < kStale) return; // it was said before anyone listened
  heard_.restart();
  if (state_ == State::Silent) {
    state_ = State::Open;
    words_ = {};
  }
  for (const Reading& reading :
       reader_.feed({bytes.constData(), static_cast<size_t>(bytes.size())}, since_.elapsed()))
    steadiness_.take(reading);
  if (reader_.endless()) {
    again_.stop();
    drop(State::Refused, say("this does not speak in lines: choose another line"));
    return;
  }
  tell();
}

void InstrumentPort::look() {
  if (state_ == State::Away || state_ == State::Refused) return tryOpen();
  if (state_ == State::Open && heard_.elapsed() > kSilent) {
    state_ = State::Silent;
    words_ = say("nothing comes from it");
    steadiness_.reset();
    tell();
  }
}

std::optional<Reading> InstrumentPort::last() const { return steadiness_.last(); }

std::optional<double> InstrumentPort::steady() const {
  const auto now = steadiness_.last();
  if (now && now->of == Reading::Of::Span) return now->moving ? std::nullopt : now->value;
  return steadiness_.steady();
}

void InstrumentPort::ask() {
  if (port_.isOpen()) port_.write("?\n");
}

void InstrumentPort::zero() {
  if (port_.isOpen()) port_.write("0\n");
}

void InstrumentPort::tell() {
  if (!soon_.isActive()) soon_.start();
}

} // namespace columna
