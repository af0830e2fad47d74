// The file of the session: opened, saved, begun anew, and gone on with after a crash; and its record.
#include "file/left_behind.h"
#include "file/work_photos.h"
#include "judge/planning.h"
#include "kit/say.h"
#include "make/local_time.h"
#include "session/build_view.h"
#include "session/session.h"
#include "steps/measures.h"

#include <QDateTime>
#include <QFileInfo>
#include <QTime>
#include <QUuid>

#include <algorithm>
#include <utility>

namespace columna {

std::optional<QString> Session::open(const QString& path) {
  auto file = openProject(path.toStdString());
  if (!file) return columna::sentence(file.problem(), units());
  auto made = columna::plan(file->project, *catalog_, {nullptr, true});
  if (!made)
    return columna::sentence(
        {made.problem().what, QFileInfo(path).fileName().toStdString(), made.problem().remedy}, units());
  begin(std::move(file).value(), path);
  stamp_ = stampOf(path.toStdString());
  show(std::move(made).value());
  return std::nullopt;
}

/// What was open is left: its file, its steps, what was looked at in it.
void Session::begin(ProjectFile file, const QString& path) {
  file_ = std::move(file);
  history_ = History(file_.project);
  path_ = path;
  if (!path.isEmpty()) takePhotos(path.toStdString(), file_);
  record_ = path.isEmpty() ? Record() : recordOf(path.toStdString(), file_);
  stamp_.reset();
  savedAt_.clear();
  selected_ = -1;
  for (const auto* messages : {&file_.messages, &record_.messages})
    for (const Said& m : *messages) messages_ << str(m, units());
  measured_ = measuresOf(file_.project);
  asMade_.reset();
  build_->begin();
}

/// The plan of what was begun.
void Session::show(Plan made) {
  plan_ = std::move(made);
  known_ = plan_->solid;
  behind_ = inRun_ = false;
  solve();
  forget();
  emit begun();
  emit fileChanged();
  announce();
  emit selectionChanged();
}

std::optional<QString> Session::goOn(LeftWork work) {
  auto made = columna::plan(work.file.project, *catalog_, {nullptr, true});
  if (!made) return columna::sentence(made.problem(), units());
  std::error_code error;
  const bool there = std::filesystem::exists(work.of, error);
  begin(std::move(work.file), there ? QString::fromStdString(work.of.string()) : QString());
  if (there) stamp_ = work.stamp;
  history_.markUnsaved(); // what is on the disk is not this
  show(std::move(made).value());
  return std::nullopt;
}

LeftWork Session::unsaved() const {
  LeftWork work{file_, path_.toStdString(), stamp_};
  work.file.project = project();
  return work;
}

bool Session::changedOutside() const {
  return !path_.isEmpty() && stamp_ && stampOf(path_.toStdString()) != stamp_;
}

std::optional<QString> Session::save(const QString& path) {
  if (readOnly() && path == path_)
    return tr("This file is of a newer Columna and opens for looking only; save it under another name.");
  if (path == path_) tellOldMeasures();
  // Pictures no longer traced are not carried along; undo may bring them back, so they stay here.
  ProjectFile saved = file_;
  saved.project = project();
  std::erase_if(saved.others, [&](const auto& entry) {
    return entry.first.starts_with("photos/") && !entry.first.starts_with(kWorkPhotos) &&
           std::none_of(project().photos.begin(), project().photos.end(),
                        [&](const Photo& photo) { return photo.entry == entry.first; });
  });
  if (const auto problem = saveWithRecord(path.toStdString(), saved, record_))
    return columna::sentence(*problem, units());
  foldPhotos(path.toStdString(), saved);
  file_.project = project();
  file_.readOnly = false;
  path_ = path;
  stamp_ = stampOf(path.toStdString());
  history_.markSaved();
  tellOldMeasures(); // of a figure that has its first file
  savedAt_ = QTime::currentTime().toString(QStringLiteral("HH:mm"));
  emit fileChanged();
  return std::nullopt;
}

std::optional<QString> Session::noteDown(Entry entry) {
  if (path_.isEmpty())
    return refuse(
        tr("Save the figure first: its record is kept beside its file, so that nothing of it is lost."));
  if (readOnly())
    return refuse(
        tr("This file is of a newer Columna and opens for looking only; save it under another name."));
  const auto kept = columna::keepEntry(path_.toStdString(), record_, std::move(entry));
  if (!kept) return refuse(columna::sentence(kept.problem(), units()));
  asMade_.reset();
  emit recordChanged();
  return std::nullopt;
}

/// A measure that is taken, changed, let go of or taken back is told to the record; while a hand is on, once
/// it lets go.
void Session::tellMeasures() {
  if (inRun_) return;
  std::vector<Entry> held = measuresOf(project());
  if (held == measured_) return;
  const std::vector<Entry> before = std::exchange(measured_, std::move(held));
  if (path_.isEmpty() || readOnly()) return; // told when it is saved
  for (Entry& each : measuresTold(before, measured_, record_.entries)) {
    each.at = zonedText(secondsNow());
    if (noteDown(std::move(each))) return; // it has said why
  }
}

/// Those of before the figure had a record, on the day they were taken where that is known.
void Session::tellOldMeasures() {
  const std::int64_t now = secondsNow();
  for (Entry& each : measuresUntold(project(), record_.entries)) {
    const QDate day = QDate::fromString(QString::fromStdString(each.at), Qt::ISODate);
    each.at = zonedText(
        day.isValid() ? std::min<std::int64_t>(now, QDateTime(day, QTime(12, 0)).toSecsSinceEpoch()) : now);
    if (noteDown(std::move(each))) return;
  }
}

std::optional<QString> Session::notePhoto(const QByteArray& jpeg, Entry entry) {
  if (path_.isEmpty() || readOnly()) return noteDown(std::move(entry)); // says why not
  const std::string id = QUuid::createUuid().toString(QUuid::Id128).left(16).toStdString();
  const auto name = columna::keepPhoto(path_.toStdString(), file_, id,
                                       std::string_view(jpeg.constData(), static_cast<size_t>(jpeg.size())));
  if (!name) return refuse(columna::sentence(name.problem(), units()));
  file_.others[*name] = jpeg.toStdString();
  entry.kind = EntryKind::Photo;
  entry.photo = *name;
  return noteDown(std::move(entry));
}

void Session::startNew(const QString& pattern) {
  Project fresh;
  fresh.pattern = pattern.toStdString();
  fresh.units = project().units;
  const Pattern* source = catalog_->pattern(fresh.pattern);
  fresh.name = source ? source->name : "Untitled";
  if (source) fresh.size = firstSize(*source);
  ProjectFile file;
  file.project = std::move(fresh);
  begin(std::move(file), {});
  replan();
  emit begun();
  emit fileChanged();
  announce();
  emit selectionChanged();
}

const std::string* Session::entry(const std::string& name) const {
  const auto found = file_.others.find(name);
  return found == file_.others.end() ? nullptr : &found->second;
}

void Session::keepEntry(const std::string& name, std::string bytes) { file_.others[name] = std::move(bytes); }

QStringList Session::takeMessages() { return std::exchange(messages_, {}); }

} // namespace columna
