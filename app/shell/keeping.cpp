#include "shell/keeping.h"

#include "kit/beside.h"
#include "kit/say.h"
#include "session/session.h"

#include <QStandardPaths>

namespace columna {

constexpr int kLatest = 2000; ///< ms from a change to its copy

Keeping::Keeping(Session& session, QObject* parent) : QObject(parent), session_(session) {
  place_ = RecoveryPlace::in(folder().toStdString());
  timer_.setSingleShot(true);
  timer_.setInterval(kLatest);
  connect(&session_, &Session::planChanged, this, &Keeping::changed);
  session_.onSettled(this, [this] { changed(); });
  connect(&timer_, &QTimer::timeout, this, &Keeping::write);
  connect(&writing_, &QFutureWatcher<std::optional<Problem>>::finished, this, [this] {
    if (!session_.changed()) place_.drop(); // it was saved meanwhile
    if (!answerOf(writing_) || told_) return;
    told_ = true;
    session_.refuse(
        tr("No copy for after a crash can be kept: %1").arg(sentence(*answerOf(writing_), session_.units())));
  });
}

Keeping::~Keeping() {
  if (writing_.isRunning()) awaitEnd(writing_);
}

QString Keeping::folder() {
  return QStandardPaths::writableLocation(QStandardPaths::AppLocalDataLocation) + QStringLiteral("/recovery");
}

std::vector<LeftBehind> Keeping::left() {
  return leftBehind(folder().toStdString(), std::filesystem::file_time_type::clock::now());
}

/// The clock is not set back by further changes: one a second for an hour is kept all the same.
void Keeping::changed() {
  if (session_.changed() && !timer_.isActive()) timer_.start();
}

void Keeping::write() {
  if (!session_.changed()) return;
  if (writing_.isRunning()) {
    timer_.start();
    return;
  }
  if (!place_.held()) place_ = RecoveryPlace::in(folder().toStdString());
  writing_.setFuture(
      beside([copy = place_.copy(), work = session_.unsaved()] { return keepCopy(copy, work); }));
}

std::optional<QString> Keeping::goOn(const LeftBehind& left) {
  RecoveryPlace theirs = RecoveryPlace::of(left);
  if (!theirs.held()) return tr("Another window has opened it meanwhile.");
  auto work = openLeft(left.copy);
  if (!work) return sentence(work.problem(), session_.units());
  if (auto refusal = session_.goOn(std::move(work).value())) return refusal;
  place_ = std::move(theirs);
  return std::nullopt;
}

void Keeping::drop() {
  timer_.stop();
  if (writing_.isRunning()) awaitEnd(writing_);
  place_.drop();
}

void Keeping::flush() {
  if (writing_.isRunning()) awaitEnd(writing_);
  if (session_.changed())
    (void)place_.keep(session_.unsaved());
  else
    place_.drop();
}

QString Keeping::copyPath() const { return QString::fromStdString(place_.copy().string()); }

} // namespace columna
