#include "shot.h"

#include "kit/parts.h"
#include "session/changes.h"
#include "shell/limb_card.h"
#include "shell/main_window.h"
#include "turn/turntable.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QRegularExpression>
#include <QScrollArea>
#include <QScrollBar>
#include <QThread>

#include <algorithm>

namespace columna {
namespace {

using Refusal = std::optional<QString>;

constexpr int kPatience = 2000; ///< rounds of 20 ms for what is reckoned beside the window

template <class Busy>
void waitWhile(Busy&& busy) {
  for (int i = 0; i < kPatience && busy(); ++i) {
    QThread::msleep(20);
    QApplication::processEvents();
  }
}

Refusal arrange(Stage& stage, const QString& wish) {
  const QString key = wish.section(u'=', 0, 0);
  QStringList known;
  for (const Arrangement& each : stage.arrangements()) {
    known << QStringLiteral("%1 (%2)").arg(each.key, each.words);
    if (each.key != key) continue;
    if (each.take(wish.section(u'=', 1))) return std::nullopt;
    return QStringLiteral("\"%1\" cannot be set so; give %2.").arg(wish, each.words);
  }
  return known.isEmpty() ? QStringLiteral("There is nothing to set in this stage; leave --with out.")
                         : QStringLiteral("There is no \"%1\" to set in this stage; there is %2.")
                               .arg(key, known.join(QStringLiteral("; ")));
}

} // namespace

void addShotOptions(QCommandLineParser& parser, const QStringList& stages) {
  const auto flag = [](const char* name, const char* words) {
    return QCommandLineOption(QLatin1String(name), QLatin1String(words));
  };
  const auto value = [](const char* name, const QString& words, const char* of, const char* usual = "") {
    return QCommandLineOption(QLatin1String(name), words, QLatin1String(of), QLatin1String(usual));
  };
  parser.addOptions(
      {value("shot",
             QStringLiteral("picture of a stage, then OUT.png: %1").arg(stages.join(QStringLiteral(", "))),
             "stage"),
       value("size", QStringLiteral("size of the picture"), "WxH", "1280x800"),
       value("select", QStringLiteral("limb to select in the picture"), "limb"),
       value("pose", QStringLiteral("pose to take in the picture"), "name"),
       value("with", QStringLiteral("what the stage shows in the picture, as often as needed: tab=2"),
             "key=value"),
       value("down", QStringLiteral("scroll the card by so many pixels, in the picture"), "pixels", "0"),
       flag("turntable", "the figure in the round, in the picture"),
       flag("flat", "the flat views, in the picture"), flag("above", "from above, in the picture"),
       flag("wool-through", "the wire seen through the wool, in the picture"),
       flag("board", "the first choice of an animal, in the picture"),
       flag("why", "open the first working in the picture")});
}

Refusal takeShot(Session& session, Stages stages, const QCommandLineParser& parser,
                 const QStringList& words) {
  const auto option = [&](const char* name) { return parser.value(QLatin1String(name)); };
  const auto set = [&](const char* name) { return parser.isSet(QLatin1String(name)); };
  const std::string wanted = option("shot").toStdString();
  const auto found = std::find_if(stages.begin(), stages.end(),
                                  [&](const auto& stage) { return stage->id().key == wanted; });
  if (found == stages.end()) {
    QStringList keys;
    for (const auto& stage : stages) keys << QString::fromStdString(std::string(stage->id().key));
    return QStringLiteral("There is no stage \"%1\"; give %2.")
        .arg(option("shot"), keys.join(QStringLiteral(", ")));
  }
  Stage& stage = **found;
  if (words.isEmpty())
    return QStringLiteral("No picture named; give a name that ends in .png after the stage.");
  const QRegularExpressionMatch size =
      QRegularExpression(QStringLiteral("^(\\d{3,4})x(\\d{3,4})$")).match(option("size"));
  if (!size.hasMatch())
    return QStringLiteral("\"%1\" is not a size; write it like 1280x800.").arg(option("size"));
  session.setStage(stage.id());
  if (set("select")) {
    const auto index = session.plan().figure->limb(option("select").toStdString());
    if (!index) return QStringLiteral("This figure has no limb \"%1\".").arg(option("select"));
    session.select(*index);
  }
  MainWindow window(session, std::move(stages));
  Mat* mat = window.mat();
  session.finishSolid();
  if (set("pose")) changes::takePose(session, option("pose"));
  window.resize(size.captured(1).toInt(), size.captured(2).toInt());
  window.show();
  QApplication::processEvents();
  for (const QString& wish : parser.values(QStringLiteral("with")))
    if (auto problem = arrange(stage, wish)) return problem;
  mat->clearFocus();
  mat->fit();
  QApplication::processEvents();
  if (set("why")) {
    const auto all = window.findChildren<Why*>();
    const auto first = std::find_if(all.begin(), all.end(), [](const Why* why) { return why->isVisible(); });
    if (first != all.end()) (*first)->button()->setChecked(true);
    QApplication::processEvents();
  }
  if (set("board")) window.chooseAnimal();
  if (set("turntable")) mat->showTurntable(true);
  if (set("flat")) mat->showTurntable(false);
  if (set("above")) mat->enlarge(View::Above);
  mat->setThroughWool(set("wool-through"));
  waitWhile([mat] { return mat->turntable()->isVisible() && mat->turntable()->behind(); });
  waitWhile([&stage] { return stage.behind(); });
  waitWhile([mat] { return mat->isVisible() && mat->woolUnder().behind(); });
  for (int i = 0; i < 5; ++i) QApplication::processEvents(); // what was added finds its room
  mat->clearFocus();
  mat->turntable()->clearFocus();
  if (auto* scroll = window.card()->findChild<QScrollArea*>())
    scroll->verticalScrollBar()->setValue(option("down").toInt());
  QApplication::processEvents();
  if (!window.grab().save(words.front()))
    return QStringLiteral("%1 could not be written; choose another folder.").arg(words.front());
  return std::nullopt;
}

} // namespace columna
