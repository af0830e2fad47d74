#include "all_stages.h"
#include "booklet/story.h"
#include "file/demo_copy.h"
#include "file/hand_store.h"
#include "heads_sheet.h"
#include "kit/english_plurals.h"
#include "kit/pseudo_translator.h"
#include "kit/say.h"
#include "kit/settings.h"
#include "look.h"
#include "make/local_time.h"
#include "print/pages.h"
#include "project/catalog.h"
#include "session/build_view.h"
#include "session/changes.h"
#include "sheet/true_size_sheet.h"
#include "shell/booklet_work.h"
#include "shell/dialogs.h"
#include "shell/ending.h"
#include "shell/keeping.h"
#include "shell/main_window.h"
#include "shot.h"
#include "steps/steps_of.h"
#include "theme/theme.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QFileDialog>
#include <QFileInfo>
#include <QTimer>

#include <iostream>

namespace {

using namespace columna;

constexpr int kBadInput = 2;

int complain(const QString& sentence) {
  std::cerr << sentence.toStdString() << '\n';
  return kBadInput;
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

/// Without a display only the picture and PDF modes can run; they need none.
bool hasScreen(int argc, char** argv) {
  bool screenless = false;
  for (int i = 1; i < argc; ++i)
    for (const char* without : {"--shot", "--print", "--heads", "--booklet", "--story", "--look"})
      screenless = screenless || QByteArray(argv[i]).startsWith(without);
  if (screenless && !qEnvironmentVariableIsSet("QT_QPA_PLATFORM")) qputenv("QT_QPA_PLATFORM", "offscreen");
  return screenless || qEnvironmentVariableIsSet("QT_QPA_PLATFORM") || qEnvironmentVariableIsSet("DISPLAY") ||
         qEnvironmentVariableIsSet("WAYLAND_DISPLAY");
}

void addOptions(QCommandLineParser& parser) {
  parser.setApplicationDescription(QStringLiteral("Plans the wire and wool of a needle-felted animal."));
  parser.addHelpOption();
  parser.addVersionOption();
  parser.addPositionalArgument(QStringLiteral("file"), QStringLiteral("a .columna project"),
                               QStringLiteral("[file]"));
  parser.addOptions({
      {QStringLiteral("demo"), QStringLiteral("begin with a copy of the demo, whose making goes on now")},
      {QStringLiteral("print"), QStringLiteral("write the true-size sheet"), QStringLiteral("out.pdf")},
      {QStringLiteral("booklet"),
       QStringLiteral("write the booklet of its making: a PDF, or a folder of pages for a browser"),
       QStringLiteral("out.pdf or folder")},
      {QStringLiteral("story"), QStringLiteral("write the story of its making, from its record"),
       QStringLiteral("out.pdf")},
      {QStringLiteral("grey"), QStringLiteral("the booklet without colours")},
      {QStringLiteral("no-guide"), QStringLiteral("the booklet without the drawings at true size")},
      {QStringLiteral("no-notes"), QStringLiteral("the booklet without the maker's own notes")},
      {QStringLiteral("paper"), QStringLiteral("A4 or Letter"), QStringLiteral("paper"),
       QStringLiteral("A4")},
      {QStringLiteral("sheet"),
       QStringLiteral("the parts of it, with commas between: %1").arg(partKeys().join(QStringLiteral(", "))),
       QStringLiteral("parts")},
      {QStringLiteral("heads"),
       QStringLiteral("all heads on one picture, or those of the animals named after it"),
       QStringLiteral("out.png")},
      {QStringLiteral("theme"), QStringLiteral("light or evening"), QStringLiteral("theme")},
      {QStringLiteral("language"),
       QStringLiteral("pseudo: longer and accented, to see what is not translated"),
       QStringLiteral("language")},
      {QStringLiteral("text"), QStringLiteral("text size in percent, 100 to 200"), QStringLiteral("percent")},
  });
  addLookOptions(parser);
  addShotOptions(parser, stageKeys());
}

/// The language, the theme and the size of the text; a sentence when one of them is none.
std::optional<QString> dress(QApplication& app, const QCommandLineParser& parser, bool pictures) {
  static EnglishPlurals english;
  static PseudoTranslator pseudoTranslator;
  const QString language = parser.value(QStringLiteral("language"));
  if (!language.isEmpty() && language != QStringLiteral("pseudo"))
    return QStringLiteral("There is no language \"%1\" yet; give pseudo, or none.").arg(language);
  app.installTranslator(language.isEmpty() ? static_cast<QTranslator*>(&english) : &pseudoTranslator);
  loadFonts();
  QApplication::setFont(typeface(13));
  QString wanted = parser.value(QStringLiteral("theme"));
  if (wanted.isEmpty() && !pictures)
    wanted = settings().value(QStringLiteral("evening")).toBool() ? QStringLiteral("evening")
                                                                  : QStringLiteral("light");
  if (!wanted.isEmpty() && wanted != QStringLiteral("light") && wanted != QStringLiteral("evening"))
    return QStringLiteral("There is no theme \"%1\"; give light or evening.").arg(wanted);
  setEvening(wanted == QStringLiteral("evening"));
  double text = parser.value(QStringLiteral("text")).toDouble() / 100;
  if (text <= 0) text = pictures ? 1 : settings().value(QStringLiteral("text"), 1).toDouble();
  setTextScale(text);
  return std::nullopt;
}

/// The paper that is asked for; nothing when it is none.
std::optional<Paper> paperOf(const QCommandLineParser& parser) {
  const QString paper = parser.value(QStringLiteral("paper"));
  if (paper == QStringLiteral("A4")) return Paper::A4;
  if (paper == QStringLiteral("Letter")) return Paper::Letter;
  return std::nullopt;
}

QString noPaper(const QCommandLineParser& parser) {
  return QStringLiteral("There is no paper \"%1\"; give A4 or Letter.")
      .arg(parser.value(QStringLiteral("paper")));
}

/// Writes the booklet; a sentence when it cannot be.
std::optional<QString> printBooklet(Session& session, const QCommandLineParser& parser) {
  session.finishSolid();
  const auto paper = paperOf(parser);
  if (!paper) return noPaper(parser);
  BookletWish wish;
  wish.paper = *paper;
  wish.grey = parser.isSet(QStringLiteral("grey"));
  wish.guide = !parser.isSet(QStringLiteral("no-guide"));
  wish.own = !parser.isSet(QStringLiteral("no-notes"));
  const std::atomic<bool> stop{false};
  std::atomic<int> progress{0};
  return writeBooklet(BookletWork::of(session), wish, parser.value(QStringLiteral("booklet")), stop, progress)
      .trouble;
}

/// Writes the story of its making; a sentence when it cannot be.
std::optional<QString> printStory(Session& session, const QCommandLineParser& parser) {
  session.finishSolid();
  const auto paper = paperOf(parser);
  if (!paper) return noPaper(parser);
  const auto face = faceSums(session.project(), session.catalog(), session.plan());
  const StepPlan steps = stepsOf(session.project(), session.catalog(), session.plan(), face.get());
  const Progress progress = progressOf(steps, session.record(), secondsNow());
  const StoryAsk ask{session.project(), session.plan().figure, steps,
                     progress,          session.record(),      &windowLanguage()};
  const auto pages = storyPages(ask, *paper);
  return writePdf(parser.value(QStringLiteral("story")), pages,
                  QString::fromStdString(session.project().name),
                  picturesOf(pages, [&session](const std::string& name) { return session.entry(name); }));
}

/// Writes the sheet; a sentence when it cannot be.
std::optional<QString> printSheet(Session& session, const QCommandLineParser& parser) {
  session.finishSolid();
  const auto paper = paperOf(parser);
  if (!paper) return noPaper(parser);
  const auto parts = partsOf(parser.value(QStringLiteral("sheet")));
  if (!parts)
    return QStringLiteral("\"%1\" is not of the sheet's parts; give some of %2.")
        .arg(parser.value(QStringLiteral("sheet")), partKeys().join(QStringLiteral(", ")));
  const auto pages =
      trueSizeSheet(session.project(), session.plan(), session.catalog(), *paper, *parts, &windowLanguage());
  return writePdf(parser.value(QStringLiteral("print")), pages,
                  QString::fromStdString(session.project().name));
}

/// A copy of the demo in the maker's own folder, whose making goes on now.
void openDemo(MainWindow& window) {
  constexpr std::int64_t ago = 40 * 60; // seconds since its last entry
  const auto shipped = dataFolder() / "demo" / "otter-on-watch.columna";
  const auto copy = freshDemo(shipped, makersHandFile().parent_path() / "demo", secondsNow(), ago);
  if (!copy) std::cerr << copy.problem().sentence() << '\n'; // it can be looked at all the same
  window.openFile(QString::fromStdString((copy ? *copy : shipped).string()));
}

/// What lies on the mat first: work that was left behind, the file that was asked for, or what is chosen.
void begin(MainWindow& window, Session& session, const QString& file, bool demo) {
  // Work that was left behind comes before the file; that one waits in the menu.
  if (window.offerLeft()) {
    if (!file.isEmpty()) rememberFile(file);
    return;
  }
  if (!file.isEmpty()) {
    window.openFile(file);
    return;
  }
  if (demo) return openDemo(window);
  if (!session.path().isEmpty()) return;
  switch (askFirst(&window)) {
  case FirstChoice::Demo:
    openDemo(window);
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
}

} // namespace

int main(int argc, char** argv) {
  if (!hasScreen(argc, argv)) {
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
  addOptions(parser);
  parser.process(app);

  auto catalog = loadCatalog(dataFolder(), ownPatternsFolder());
  if (!catalog) return complain(QString::fromStdString(catalog.problem().sentence()));
  for (const Problem& problem : catalog->problems) std::cerr << "skipped " << problem.sentence() << '\n';
  const bool pictures = parser.isSet(QStringLiteral("shot")) || parser.isSet(QStringLiteral("print")) ||
                        parser.isSet(QStringLiteral("heads")) || parser.isSet(QStringLiteral("booklet")) ||
                        parser.isSet(QStringLiteral("story")) || parser.isSet(QStringLiteral("look"));
  if (const auto problem = dress(app, parser, pictures)) return complain(*problem);

  if (parser.isSet(QStringLiteral("heads"))) {
    const auto problem =
        headsSheet(*catalog, parser.positionalArguments(), parser.value(QStringLiteral("heads")));
    return problem ? complain(*problem) : 0;
  }
  Session session(std::move(catalog).value());
  QStringList words = parser.positionalArguments();
  const bool hasFile = !words.isEmpty() && !words.front().endsWith(QStringLiteral(".png"));
  if (pictures && hasFile)
    if (const auto sentence = session.open(words.takeFirst())) return complain(*sentence);
  if (parser.isSet(QStringLiteral("shot"))) {
    const auto problem = takeShot(session, allStages(session), parser, words);
    return problem ? complain(*problem) : 0;
  }
  if (parser.isSet(QStringLiteral("look"))) {
    const auto problem = lookAtPhoto(session, parser);
    return problem ? complain(*problem) : 0;
  }
  if (parser.isSet(QStringLiteral("story"))) {
    const auto problem = printStory(session, parser);
    return problem ? complain(*problem) : 0;
  }
  if (parser.isSet(QStringLiteral("booklet"))) {
    const auto problem = printBooklet(session, parser);
    return problem ? complain(*problem) : 0;
  }
  if (parser.isSet(QStringLiteral("print"))) {
    const auto problem = printSheet(session, parser);
    return problem ? complain(*problem) : 0;
  }

  // What lies on the mat until something is chosen is of a size one can hold, too.
  if (!hasFile) session.startNew(QString::fromStdString(session.project().pattern));
  MainWindow window(session, allStages(session));
  window.show();
  const Ending ending([&window] { window.keeping()->flush(); });
  QTimer::singleShot(0, &window, [&] {
    begin(window, session, hasFile ? words.front() : QString(), parser.isSet(QStringLiteral("demo")));
  });
  return QApplication::exec();
}
