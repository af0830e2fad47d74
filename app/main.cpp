#include "kit/parts.h"
#include "kit/settings.h"
#include "pose/pose_card.h"
#include "print/pages.h"
#include "project/catalog.h"
#include "sheet/true_size_sheet.h"
#include "shell/dialogs.h"
#include "shell/ending.h"
#include "shell/keeping.h"
#include "shell/limb_card.h"
#include "shell/main_window.h"
#include "stage/remedy_list.h"
#include "study/scale_panel.h"
#include "study/study_rack.h"
#include "theme/theme.h"
#include "turn/turntable.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QFileDialog>
#include <QFileInfo>
#include <QRegularExpression>
#include <QScrollArea>
#include <QScrollBar>
#include <QThread>
#include <QTimer>

#include <iostream>

namespace {

using namespace columna;

constexpr int kBadInput = 2;

int complain(const QString& sentence) {
  std::cerr << sentence.toStdString() << '\n';
  return kBadInput;
}

std::optional<Stage> stageOf(const QString& name) {
  if (name == QStringLiteral("study")) return Stage::Study;
  if (name == QStringLiteral("wire")) return Stage::Wire;
  if (name == QStringLiteral("pose")) return Stage::Pose;
  if (name == QStringLiteral("wrap")) return Stage::Wrap;
  return std::nullopt;
}

QStringList partKeys() {
  QStringList keys;
  for (const SheetPart& part : sheetParts()) keys.push_back(QLatin1String(part.key));
  return keys;
}

/// "lists,views": those parts of the sheet; all when nothing is said.
std::optional<SheetParts> partsOf(const QString& words) {
  if (words.isEmpty()) return SheetParts{};
  SheetParts parts;
  for (const SheetPart& part : sheetParts()) parts.*part.wanted = false;
  for (const QString& word : words.split(u',')) {
    const auto index = partKeys().indexOf(word.trimmed());
    if (index < 0) return std::nullopt;
    parts.*sheetParts()[static_cast<size_t>(index)].wanted = true;
  }
  return parts;
}

/// --shot STAGE OUT.png: the window as it would look, without a display.
int shoot(Session& session, const QCommandLineParser& parser, const QStringList& words) {
  const auto stage = stageOf(parser.value(QStringLiteral("shot")));
  if (!stage)
    return complain(QStringLiteral("There is no stage \"%1\"; give study, wire, pose or wrap.")
                        .arg(parser.value(QStringLiteral("shot"))));
  if (words.isEmpty())
    return complain(QStringLiteral("No picture named; give a name that ends in .png after the stage."));
  const QRegularExpressionMatch size = QRegularExpression(QStringLiteral("^(\\d{3,4})x(\\d{3,4})$"))
                                           .match(parser.value(QStringLiteral("size")));
  if (!size.hasMatch())
    return complain(QStringLiteral("\"%1\" is not a size; write it like 1280x800.")
                        .arg(parser.value(QStringLiteral("size"))));
  session.setStage(*stage);
  if (const QString limb = parser.value(QStringLiteral("select")); !limb.isEmpty()) {
    const auto index = session.plan().figure.limb(limb.toStdString());
    if (!index) return complain(QStringLiteral("This figure has no limb \"%1\".").arg(limb));
    session.select(*index);
  }
  const QStringList ways{QStringLiteral("animals"), QStringLiteral("character"), QStringLiteral("photo"),
                         QStringLiteral("made"),    QStringLiteral("scale"),     QStringLiteral("compare")};
  const auto way = ways.indexOf(parser.value(QStringLiteral("way")));
  if (way < 0)
    return complain(QStringLiteral("There is no tab \"%1\"; give %2.")
                        .arg(parser.value(QStringLiteral("way")), ways.join(QStringLiteral(", "))));
  MainWindow window(session);
  session.setWay(static_cast<Way>(way));
  session.setWireTab(std::clamp(parser.value(QStringLiteral("tab")).toInt() - 1, 0, 4));
  session.setBare(parser.isSet(QStringLiteral("bare")));
  session.setWrapTab(std::clamp(parser.value(QStringLiteral("tab")).toInt() - 1, 0, 3));
  session.finishSolid();
  if (parser.isSet(QStringLiteral("built")))
    session.setBuilt(parser.value(QStringLiteral("built")).toDouble() / 100 * buildTotal(session.steps()));
  session.setPoseTab(std::clamp(parser.value(QStringLiteral("tab")).toInt() - 1, 0, 1));
  if (parser.isSet(QStringLiteral("pose"))) session.takePose(parser.value(QStringLiteral("pose")));
  window.resize(size.captured(1).toInt(), size.captured(2).toInt());
  window.show();
  QApplication::processEvents();
  window.mat()->clearFocus();
  window.mat()->fit();
  if (parser.isSet(QStringLiteral("why"))) {
    for (Why* why : window.findChildren<Why*>())
      if (why->isVisible()) {
        why->button()->setChecked(true);
        break;
      }
    QApplication::processEvents();
  }
  if (parser.isSet(QStringLiteral("board"))) window.chooseAnimal();
  if (parser.isSet(QStringLiteral("turntable"))) window.mat()->showTurntable(true);
  if (parser.isSet(QStringLiteral("flat"))) window.mat()->showTurntable(false);
  for (int i = 0; i < 500 && window.mat()->turntable()->isVisible() && window.mat()->turntable()->behind();
       ++i) {
    QThread::msleep(20);
    QApplication::processEvents();
  }
  if (parser.isSet(QStringLiteral("above"))) window.mat()->enlarge(View::Above);
  window.mat()->setThroughWool(parser.isSet(QStringLiteral("wool-through")));
  // What is reckoned in the background shows too.
  if (auto* card = *stage == Stage::Pose ? window.findChild<PoseCard*>() : nullptr) {
    RemedyList* list = session.selected() < 0 ? card->stand() : card->help();
    if (parser.isSet(QStringLiteral("mend"))) list->ask()->click();
    for (int i = 0; i < 500 && (card->behind() || list->busy()); ++i) {
      QThread::msleep(20);
      QApplication::processEvents();
    }
    for (int i = 0; i < 4; ++i) QApplication::processEvents(); // what was added finds its room
    window.mat()->clearFocus();
    window.mat()->turntable()->clearFocus();
  }
  for (int i = 0; i < 500 && *stage == Stage::Study && static_cast<Way>(way) == Way::Scale &&
                  window.studyRack()->scale()->behind();
       ++i) {
    QThread::msleep(20);
    QApplication::processEvents();
  }
  QApplication::processEvents();
  if (auto* scroll = window.card()->findChild<QScrollArea*>())
    scroll->verticalScrollBar()->setValue(parser.value(QStringLiteral("down")).toInt());
  QApplication::processEvents();
  if (!window.grab().save(words.front()))
    return complain(QStringLiteral("%1 could not be written; choose another folder.").arg(words.front()));
  return 0;
}

} // namespace

int main(int argc, char** argv) {
  // Without a display only the picture and PDF modes can run; they need none.
  bool screenless = false;
  for (int i = 1; i < argc; ++i)
    screenless =
        screenless || QByteArray(argv[i]).startsWith("--shot") || QByteArray(argv[i]).startsWith("--print");
  if (screenless && !qEnvironmentVariableIsSet("QT_QPA_PLATFORM")) qputenv("QT_QPA_PLATFORM", "offscreen");
  if (!screenless && !qEnvironmentVariableIsSet("QT_QPA_PLATFORM") && !qEnvironmentVariableIsSet("DISPLAY") &&
      !qEnvironmentVariableIsSet("WAYLAND_DISPLAY")) {
    std::cerr << "There is no display to open a window on; start it from a desktop, or make pictures and "
                 "PDFs with --shot and --print.\n";
    return kBadInput;
  }
  QApplication app(argc, argv);
  QApplication::setApplicationName(QStringLiteral("columna"));
  QApplication::setApplicationDisplayName(QStringLiteral("Columna"));
  QApplication::setApplicationVersion(QStringLiteral(COLUMNA_VERSION));
  QApplication::setDesktopFileName(QStringLiteral("columna"));

  QCommandLineParser parser;
  parser.setApplicationDescription(QStringLiteral("Plans the wire and wool of a needle-felted animal."));
  parser.addHelpOption();
  parser.addVersionOption();
  parser.addPositionalArgument(QStringLiteral("file"), QStringLiteral("a .columna project"),
                               QStringLiteral("[file]"));
  parser.addOptions(
      {{QStringLiteral("print"), QStringLiteral("write the true-size sheet"), QStringLiteral("out.pdf")},
       {QStringLiteral("paper"), QStringLiteral("A4 or Letter"), QStringLiteral("paper"),
        QStringLiteral("A4")},
       {QStringLiteral("sheet"),
        QStringLiteral("the parts of it, with commas between: %1").arg(partKeys().join(QStringLiteral(", "))),
        QStringLiteral("parts")},
       {QStringLiteral("shot"), QStringLiteral("picture of a stage: study, wire, pose or wrap; then OUT.png"),
        QStringLiteral("stage")},
       {QStringLiteral("size"), QStringLiteral("size of the picture"), QStringLiteral("WxH"),
        QStringLiteral("1280x800")},
       {QStringLiteral("theme"), QStringLiteral("light or evening"), QStringLiteral("theme")},
       {QStringLiteral("text"), QStringLiteral("text size in percent, 100 to 200"),
        QStringLiteral("percent")},
       {QStringLiteral("select"), QStringLiteral("limb to select in the picture"), QStringLiteral("limb")},
       {QStringLiteral("way"),
        QStringLiteral("Study's tab in the picture: animals, character, photo, made, scale or compare"),
        QStringLiteral("tab"), QStringLiteral("animals")},
       {QStringLiteral("tab"), QStringLiteral("Wire's tab in the picture, 1 to 5"), QStringLiteral("tab"),
        QStringLiteral("1")},
       {QStringLiteral("bare"), QStringLiteral("the skeleton to lay wire on, in the picture")},
       {QStringLiteral("turntable"), QStringLiteral("Pose in the round, in the picture")},
       {QStringLiteral("wool-through"), QStringLiteral("the wire seen through the wool, in the picture")},
       {QStringLiteral("pose"), QStringLiteral("pose to take in the picture"), QStringLiteral("name")},
       {QStringLiteral("above"), QStringLiteral("Pose from above, in the picture")},
       {QStringLiteral("mend"), QStringLiteral("ask what would mend it, in the picture")},
       {QStringLiteral("built"), QStringLiteral("Wrap's build-up in the picture, percent of the wool"),
        QStringLiteral("percent")},
       {QStringLiteral("down"), QStringLiteral("scroll the card by so many pixels, in the picture"),
        QStringLiteral("pixels"), QStringLiteral("0")},
       {QStringLiteral("flat"), QStringLiteral("Wrap on the flat views, in the picture")},
       {QStringLiteral("board"), QStringLiteral("the first choice of an animal, in the picture")},
       {QStringLiteral("why"), QStringLiteral("open the first working in the picture")}});
  parser.process(app);

  auto catalog = loadCatalog(dataFolder(), ownPatternsFolder());
  if (!catalog) return complain(QString::fromStdString(catalog.problem().sentence()));
  for (const Problem& problem : catalog->problems) std::cerr << "skipped " << problem.sentence() << '\n';
  loadFonts();
  QApplication::setFont(typeface(13));

  const bool pictures = parser.isSet(QStringLiteral("shot")) || parser.isSet(QStringLiteral("print"));
  QString wanted = parser.value(QStringLiteral("theme"));
  if (wanted.isEmpty() && !pictures)
    wanted = settings().value(QStringLiteral("evening")).toBool() ? QStringLiteral("evening")
                                                                  : QStringLiteral("light");
  if (!wanted.isEmpty() && wanted != QStringLiteral("light") && wanted != QStringLiteral("evening"))
    return complain(QStringLiteral("There is no theme \"%1\"; give light or evening.").arg(wanted));
  setEvening(wanted == QStringLiteral("evening"));
  double text = parser.value(QStringLiteral("text")).toDouble() / 100;
  if (text <= 0) text = pictures ? 1 : settings().value(QStringLiteral("text"), 1).toDouble();
  setTextScale(text);

  Session session(std::move(catalog).value());
  QStringList words = parser.positionalArguments();
  const bool hasFile = !words.isEmpty() && !words.front().endsWith(QStringLiteral(".png"));
  if (pictures && hasFile)
    if (const auto sentence = session.open(words.takeFirst())) return complain(*sentence);
  if (parser.isSet(QStringLiteral("shot"))) return shoot(session, parser, words);
  if (parser.isSet(QStringLiteral("print"))) {
    session.finishSolid();
    const QString paper = parser.value(QStringLiteral("paper"));
    if (paper != QStringLiteral("A4") && paper != QStringLiteral("Letter"))
      return complain(QStringLiteral("There is no paper \"%1\"; give A4 or Letter.").arg(paper));
    const auto parts = partsOf(parser.value(QStringLiteral("sheet")));
    if (!parts)
      return complain(QStringLiteral("\"%1\" is not of the sheet's parts; give some of %2.")
                          .arg(parser.value(QStringLiteral("sheet")), partKeys().join(QStringLiteral(", "))));
    const auto pages = trueSizeSheet(session.project(), session.plan(), session.catalog(),
                                     paper == QStringLiteral("A4") ? Paper::A4 : Paper::Letter, *parts);
    if (const auto sentence = writePdf(parser.value(QStringLiteral("print")), pages,
                                       QString::fromStdString(session.project().name)))
      return complain(*sentence);
    return 0;
  }

  // What lies on the mat until something is chosen is of a size one can hold, too.
  if (!hasFile) session.startNew(QString::fromStdString(session.project().pattern));
  MainWindow window(session);
  window.show();
  const Ending ending([&window] { window.keeping()->flush(); });
  QTimer::singleShot(0, &window, [&] {
    // Work that was left behind comes before the file that was asked for; that one waits in the menu.
    if (window.offerLeft()) {
      if (hasFile) rememberFile(words.front());
      return;
    }
    if (hasFile) {
      window.openFile(words.front());
      return;
    }
    if (!session.path().isEmpty()) return;
    switch (askFirst(&window)) {
    case FirstChoice::Demo:
      window.openFile(QString::fromStdString((dataFolder() / "demo" / "otter-on-watch.columna").string()));
      break;
    case FirstChoice::Open: {
      const QString path = QFileDialog::getOpenFileName(&window, MainWindow::tr("Open"), lastFolder(),
                                                        MainWindow::tr("Columna projects (*.columna)"));
      if (!path.isEmpty()) window.openFile(path);
      break;
    }
    case FirstChoice::Fresh:
      window.chooseAnimal();
      break;
    case FirstChoice::Nothing:
      break;
    }
  });
  return QApplication::exec();
}
