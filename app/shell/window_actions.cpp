// What the menu and the keys of the window do.
#include "file/columna_file.h"
#include "kit/say.h"
#include "kit/settings.h"
#include "kit/with_progress.h"
#include "measure/disk.h"
#include "print/pages.h"
#include "project/catalog.h"
#include "report/solid_export.h"
#include "session/changes.h"
#include "session/stance_view.h"
#include "sheet/drawing.h"
#include "sheet/true_size_sheet.h"
#include "shell/booklet_choice.h"
#include "shell/booklet_work.h"
#include "shell/dialogs.h"
#include "shell/main_window.h"
#include "shell/sheet_choice.h"
#include "shell/tally.h"
#include "theme/theme.h"

#include <QActionGroup>
#include <QFileDialog>
#include <QFileInfo>
#include <QInputDialog>
#include <QMenu>
#include <QPrintDialog>
#include <QPrinter>
#include <QScreen>
#include <QShortcut>
#include <QStandardPaths>

#include <map>

namespace columna {
void MainWindow::makeMenu() {
  menu_ = new QMenu(this);
  const auto add = [this](const QString& text, const QKeySequence& key, auto act) {
    QAction* action = menu_->addAction(text, this, act);
    if (!key.isEmpty()) action->setShortcut(key);
    addAction(action); // keys work while the menu is closed
    return action;
  };
  add(tr("New figure"), QKeySequence::New, &MainWindow::fresh);
  add(tr("Open…"), QKeySequence::Open, &MainWindow::open);
  QMenu* recent = menu_->addMenu(tr("Open recent"));
  connect(recent, &QMenu::aboutToShow, this, [this, recent] { fillRecent(recent); });
  add(tr("Save"), QKeySequence::Save, &MainWindow::save);
  add(tr("Save as…"), QKeySequence(QStringLiteral("Ctrl+Shift+S")), &MainWindow::saveAs);
  add(tr("Rename…"), QKeySequence(Qt::Key_F2), [this] {
    bool ok = false;
    const QString name =
        QInputDialog::getText(this, tr("Rename"), tr("Name of the figure"), QLineEdit::Normal,
                              QString::fromStdString(session_.project().name), &ok);
    if (ok) changes::setName(session_, name);
  });
  menu_->addSeparator();
  add(tr("Print true-size sheet…"), QKeySequence::Print, &MainWindow::print);
  add(tr("Save sheet as PDF…"), QKeySequence(QStringLiteral("Ctrl+E")), [this] { savePdf(); });
  add(tr("Save booklet…"), QKeySequence(QStringLiteral("Ctrl+Shift+B")), [this] { saveBooklet(); });
  add(tr("Save wire as SVG, DXF or CSV…"), QKeySequence(QStringLiteral("Ctrl+Shift+E")),
      [this] { saveWire(); });
  add(tr("Save the body as STL, OBJ, glTF or CSV…"), QKeySequence(QStringLiteral("Ctrl+B")),
      [this] { exportBody(); });
  menu_->addSeparator();
  add(tr("Undo"), QKeySequence::Undo, [this] { session_.undo(); });
  add(tr("Redo"), QKeySequence(QStringLiteral("Ctrl+Shift+Z")), [this] { session_.redo(); });
  menu_->addSeparator();
  QAction* evening = add(tr("Evening theme"), QKeySequence(QStringLiteral("Ctrl+T")), [this] {
    setEvening(!theme().evening);
    settings().setValue(QStringLiteral("evening"), theme().evening);
    restyle();
  });
  evening->setCheckable(true);
  evening->setChecked(theme().evening);
  QMenu* sizes = menu_->addMenu(tr("Text size"));
  auto* group = new QActionGroup(sizes);
  for (const int percent : {100, 125, 150, 200}) {
    QAction* action = sizes->addAction(tr("%1 %").arg(percent), this, [this, percent] {
      setTextScale(percent / 100.0);
      settings().setValue(QStringLiteral("text"), percent / 100.0);
      restyle();
    });
    action->setCheckable(true);
    action->setChecked(qRound(textScale() * 100) == percent);
    group->addAction(action);
  }
  add(tr("True size on this screen…"), {}, [this] {
    if (const auto value = calibrateScreen(screenPixelsPerMm(screen()), this)) {
      setScreenPixelsPerMm(screen(), *value);
      mat_->setScreenPixelsPerMm(*value);
      mat_->update();
    }
  });
  menu_->addSeparator();
  add(tr("Find…"), QKeySequence(QStringLiteral("Ctrl+K")), &MainWindow::find);
  add(tr("Guide to this stage"), QKeySequence::HelpContents, [this] { showGuide(*on_, this); });
  menu_->addSeparator();
  add(tr("Quit"), QKeySequence::Quit, [this] { close(); });
}

void MainWindow::makeKeys() {
  const auto key = [this](const QKeySequence& keys, auto act) {
    auto* shortcut = new QShortcut(keys, this);
    connect(shortcut, &QShortcut::activated, this, act);
  };
  key(QStringLiteral("\\"), [this] { changes::toggleTied(session_, session_.selected()); });
  for (size_t i = 0; i < stages_.size() && i < 9; ++i)
    key(QStringLiteral("Alt+%1").arg(i + 1), [this, i] { session_.setStage(stages_[i]->id()); });
  // Several stages may have the same key: the one that is on takes it.
  std::map<QKeySequence, std::vector<std::pair<const Stage*, std::function<void()>>>> own;
  for (const auto& stage : stages_)
    for (StageKey& each : stage->keys()) own[each.keys].emplace_back(stage.get(), std::move(each.act));
  for (const auto& [keys, acts] : own)
    key(keys, [this, acts = acts] {
      for (const auto& [stage, act] : acts)
        if (stage == on_) act();
    });
  key(QStringLiteral("T"), [this] {
    if (on_->look().round != StageLook::Round::None) mat_->showTurntable(!mat_->turntableOn());
  });
  key(QStringLiteral("1"), [this] { mat_->trueSize(); });
  key(QStringLiteral("0"), [this] { mat_->fit(); });
  key(QStringLiteral("Ctrl+J"), [this] { tally_->nextFinding(); });
}

bool MainWindow::savePdf(const QString& given, Paper paper) {
  session_.finishSolid();
  if (!given.isEmpty())
    return writeSheet(given, trueSizeSheet(session_.project(), session_.plan(), session_.catalog(), paper, {},
                                           &windowLanguage()));
  SheetChoice choice(session_, tr("Save as PDF…"), this);
  if (choice.exec() != QDialog::Accepted) return false;
  const QString proposal = lastFolder() + u'/' + asFileName(QString::fromStdString(session_.project().name)) +
                           QStringLiteral(".pdf");
  const QString path =
      QFileDialog::getSaveFileName(this, tr("Save sheet as PDF"), proposal, tr("PDF (*.pdf)"));
  return !path.isEmpty() && writeSheet(path, choice.pages());
}

bool MainWindow::writeSheet(const QString& path, const std::vector<Page>& pages) {
  const auto sentence = writePdf(path, pages, QString::fromStdString(session_.project().name));
  if (sentence) tell(*sentence);
  return !sentence;
}

void MainWindow::print() {
  session_.finishSolid();
  SheetChoice choice(session_, tr("Print…"), this);
  if (choice.exec() != QDialog::Accepted) return;
  QPrinter printer(QPrinter::HighResolution);
  printer.setPageSize(QPageSize(choice.paper() == Paper::Letter ? QPageSize::Letter : QPageSize::A4));
  printer.setPageMargins(QMarginsF(0, 0, 0, 0));
  printer.setFullPage(true);
  QPrintDialog dialog(&printer, this);
  if (dialog.exec() != QDialog::Accepted) return;
  // The printer has the last word on its paper.
  const bool letter = printer.pageLayout().pageSize().id() == QPageSize::Letter;
  printer.setFullPage(true);
  paintPages(printer,
             trueSizeSheet(session_.project(), session_.plan(), session_.catalog(),
                           letter ? Paper::Letter : Paper::A4, choice.parts()),
             printer.resolution());
}

void MainWindow::find() {
  std::vector<FindEntry> entries;
  const Plan& plan = session_.plan();
  entries.push_back({tr("Whole figure"), tr("part"), [this] { session_.select(-1); }});
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l)
    entries.push_back({str(Name(plan.figure->limbs[l].name)), tr("part"),
                       [this, l] { session_.select(static_cast<int>(l)); }});
  for (const auto& stage : stages_)
    entries.push_back({stage->title(), tr("stage"), [this, id = stage->id()] { session_.setStage(id); }});
  for (const auto& stage : stages_)
    for (FindEntry& each : stage->finds()) entries.push_back(std::move(each));
  for (const Finding& f : session_.findings())
    entries.push_back({str(f.brief, session_.units()), tr("to look at"), [this, where = f.where] {
                         session_.select(session_.plan().figure->limb(where).value_or(-1));
                       }});
  for (QAction* action : menu_->actions())
    if (!action->isSeparator() && !action->menu())
      entries.push_back(
          {action->text().remove(u'…'), action->shortcut().toString(), [action] { action->trigger(); }});
  FindBox box(std::move(entries), this);
  box.exec();
}

void MainWindow::exportBody(QString path) {
  if (path.isEmpty())
    path = QFileDialog::getSaveFileName(
        this, tr("Save the body"), lastFolder(),
        tr("For printing in plastic (*.stl);;For modelling (*.obj);;For looking at (*.glb);;Girths (*.csv)"));
  if (path.isEmpty()) return;
  session_.finishSolid();
  bool stopped = false;
  ExportWish wish;
  wish.head = exportHead(session_.project(), session_.catalog(), session_.plan().figure);
  const auto problem = withProgress(this, tr("Making the mesh"), stopped,
                                    [plan = session_.plan(), figure = session_.stance().plan().figure,
                                     name = session_.project().name, to = path.toStdString(),
                                     wish](std::atomic<bool>& stop, std::atomic<int>& progress) mutable {
                                      wish.stop = &stop;
                                      wish.progress = &progress;
                                      return exportSolid(to, plan, figure, name, wish);
                                    });
  if (problem)
    session_.refuse(sentence(*problem, session_.units()));
  else
    session_.note(tr("Written to %1.").arg(QFileInfo(path).fileName()));
}

bool MainWindow::saveBooklet(QString path, BookletWish wish) {
  if (path.isEmpty()) {
    BookletChoice choice(session_, this);
    if (choice.exec() != QDialog::Accepted) return false;
    wish = choice.wish();
    const QString proposal =
        lastFolder() + u'/' +
        asFileName(tr("%1, booklet").arg(QString::fromStdString(session_.project().name)));
    path = choice.folder()
               ? QFileDialog::getSaveFileName(this, tr("Name the folder of the booklet"), proposal, {},
                                              nullptr, QFileDialog::ShowDirsOnly)
               : QFileDialog::getSaveFileName(this, tr("Save the booklet"), proposal + QStringLiteral(".pdf"),
                                              tr("PDF (*.pdf)"));
    if (path.isEmpty()) return false;
    if (!choice.folder() && !path.endsWith(QStringLiteral(".pdf"), Qt::CaseInsensitive))
      path += QStringLiteral(".pdf");
  }
  session_.finishSolid();
  bool stopped = false;
  const BookletWritten made = withProgress(
      this, tr("Making the booklet"), stopped,
      [work = BookletWork::of(session_), wish, path](std::atomic<bool>& stop, std::atomic<int>& progress) {
        return writeBooklet(work, wish, path, stop, progress);
      });
  // What was asked to stop too late is written all the same.
  if (made.trouble)
    tell(*made.trouble);
  else
    session_.note(made.written ? tr("Written to %1.").arg(QFileInfo(path).fileName())
                               : tr("Stopped: no booklet was written."));
  return made.written;
}

void MainWindow::saveWire(QString path) {
  if (path.isEmpty())
    path =
        QFileDialog::getSaveFileName(this, tr("Save the wire"), lastFolder(),
                                     tr("Drawing (*.svg);;Drawing exchange (*.dxf);;Cuts and bends (*.csv)"));
  if (path.isEmpty()) return;
  std::string text;
  if (path.endsWith(QStringLiteral(".svg"), Qt::CaseInsensitive)) {
    text = drawingSvg(wireDrawing(session_.plan()));
  } else if (path.endsWith(QStringLiteral(".dxf"), Qt::CaseInsensitive)) {
    text = drawingDxf(wireDrawing(session_.plan()));
  } else if (path.endsWith(QStringLiteral(".csv"), Qt::CaseInsensitive)) {
    text = wireCsv(session_.plan());
  } else {
    session_.refuse(tr("End the name in .svg, .dxf or .csv, so that it is known what to write."));
    return;
  }
  if (const auto problem = writeAtomically(path.toStdString(), text))
    session_.refuse(sentence(*problem, session_.units()));
  else
    session_.note(tr("Written to %1.").arg(QFileInfo(path).fileName()));
}

} // namespace columna
