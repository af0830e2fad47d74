// Every screen in the testers' language and in inches: nothing is left in English, nothing is left metric.
#include "window.h"

#include "kit/pseudo_translator.h"
#include "kit/tab_row.h"
#include "session/changes.h"
#include "theme/theme.h"

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QLocale>
#include <QMenu>
#include <QPaintDevice>
#include <QPaintEngine>
#include <QTextDocument>
#include <QToolButton>

#include <algorithm>

using namespace columna;
using namespace columna::test;

namespace {

/// A painting that keeps the words alone.
class Words : public QPaintEngine {
public:
  Words() : QPaintEngine(QPaintEngine::AllFeatures) {}
  bool begin(QPaintDevice* /*device*/) override { return true; }
  bool end() override { return true; }
  void updateState(const QPaintEngineState& /*state*/) override {}
  void drawPixmap(const QRectF& /*to*/, const QPixmap& /*pixmap*/, const QRectF& /*from*/) override {}
  void drawImage(const QRectF& /*to*/, const QImage& /*image*/, const QRectF& /*from*/,
                 Qt::ImageConversionFlags /*flags*/) override {}
  void drawPath(const QPainterPath& /*path*/) override {}
  void drawPolygon(const QPointF* /*points*/, int /*count*/, PolygonDrawMode /*mode*/) override {}
  void drawPolygon(const QPoint* /*points*/, int /*count*/, PolygonDrawMode /*mode*/) override {}
  void drawTextItem(const QPointF& /*at*/, const QTextItem& item) override { texts << item.text(); }
  [[nodiscard]] Type type() const override { return User; }
  QStringList texts;
};

class WordsOnly : public QPaintDevice {
public:
  explicit WordsOnly(const QSize& size) : size_(size) {}
  [[nodiscard]] QPaintEngine* paintEngine() const override { return &engine_; }
  [[nodiscard]] QStringList texts() const { return engine_.texts; }

protected:
  [[nodiscard]] int metric(PaintDeviceMetric metric) const override {
    switch (metric) {
    case PdmWidth:
      return size_.width();
    case PdmHeight:
      return size_.height();
    case PdmDepth:
      return 32;
    case PdmDpiX:
    case PdmDpiY:
    case PdmPhysicalDpiX:
    case PdmPhysicalDpiY:
      return 96;
    case PdmDevicePixelRatio:
      return 1;
    case PdmDevicePixelRatioScaled:
      return static_cast<int>(QPaintDevice::devicePixelRatioFScale());
    default:
      return 0;
    }
  }

private:
  QSize size_;
  mutable Words engine_;
};

/// All that is read, painted or not: of hidden pages too, names for screen readers, hints and menus.
QStringList everyWord(QWidget& window) {
  WordsOnly painted(window.size());
  window.render(&painted);
  QStringList out = painted.texts();
  for (const QLabel* label : window.findChildren<QLabel*>()) {
    QTextDocument plain;
    plain.setHtml(label->text());
    out << (label->textFormat() == Qt::PlainText ? label->text() : plain.toPlainText());
  }
  for (const QAbstractButton* button : window.findChildren<QAbstractButton*>()) out << button->text();
  for (const QLineEdit* field : window.findChildren<QLineEdit*>()) out << field->placeholderText();
  for (const QComboBox* box : window.findChildren<QComboBox*>())
    for (int i = 0; i < box->count(); ++i) out << box->itemText(i);
  for (const QListWidget* list : window.findChildren<QListWidget*>())
    for (int i = 0; i < list->count(); ++i) out << list->item(i)->text();
  for (const QAction* action : window.findChildren<QAction*>()) out << action->text();
  for (const QWidget* w : window.findChildren<QWidget*>()) {
    // Qt gives some of its own widgets names in English, which nobody hears.
    out << w->toolTip() << w->accessibleName() << w->accessibleDescription();
  }
  out.removeDuplicates();
  return out;
}

/// Words that are the same in every language: of units, keys and files.
bool isOwn(const QString& word) {
  static const QSet<QString> own{
      QStringLiteral("PDF"),   QStringLiteral("SVG"),    QStringLiteral("DXF"),      QStringLiteral("CSV"),
      QStringLiteral("STL"),   QStringLiteral("OBJ"),    QStringLiteral("Untitled"), QStringLiteral("AWG"),
      QStringLiteral("SWG"),   QStringLiteral("awg"),    QStringLiteral("swg"),      QStringLiteral("Esc"),
      QStringLiteral("Ctrl"),  QStringLiteral("Shift"),  QStringLiteral("Alt"),      QStringLiteral("Space"),
      QStringLiteral("PgUp"),  QStringLiteral("PgDown"), QStringLiteral("Return"),   QStringLiteral("Tab"),
      QStringLiteral("Del"),   QStringLiteral("Home"),   QStringLiteral("End"),      QStringLiteral("Left"),
      QStringLiteral("Right"), QStringLiteral("Up"),     QStringLiteral("Down"),     QStringLiteral("ozf")};
  // Days and months are told in the system's language, which is another matter.
  for (int i = 1; i <= 12; ++i)
    if (QLocale().monthName(i, QLocale::ShortFormat) == word) return true;
  for (int i = 1; i <= 7; ++i)
    if (QLocale().dayName(i, QLocale::ShortFormat) == word) return true;
  return own.contains(word);
}

/// What the maker wrote: names of the figure, markings, poses and wires, and of the file.
QSet<QString> makersOwn(const Session& session) {
  const Project& p = session.project();
  std::string all = p.name + ' ' + QFileInfo(session.path()).completeBaseName().toStdString();
  for (const Marking& m : p.wool.markings) all += ' ' + m.name;
  for (const PatternPose& pose : p.stances.saved) all += ' ' + pose.name;
  for (const OwnWire& w : p.drawer) all += ' ' + w.name;
  for (const Entry& e : session.record()) all += ' ' + e.text;
  const QStringList words =
      QString::fromStdString(all).split(QRegularExpression(QStringLiteral("[^A-Za-z]+")), Qt::SkipEmptyParts);
  return {words.begin(), words.end()};
}

/// Words of three letters or more without an accent.
QStringList untranslated(const QStringList& texts, const QSet<QString>& makers) {
  static const QRegularExpression word(QStringLiteral("(?<![\\p{L}\\p{M}])[A-Za-z]{3,}(?![\\p{L}\\p{M}])"));
  QStringList out;
  for (const QString& text : texts) {
    auto each = word.globalMatch(text);
    while (each.hasNext())
      if (const QString found = each.next().captured();
          !isOwn(found) && !makers.contains(found) &&
          !(text.contains(found + u'…') && std::any_of(makers.begin(), makers.end(), [&](const QString& own) {
              return own.startsWith(found);
            }))) {
        out << QStringLiteral("%1 in: %2").arg(found, text);
        break;
      }
  }
  return out;
}

QStringList metric(const QStringList& texts) {
  static const QRegularExpression unit(
      QStringLiteral("[0-9] (mm|cm|cm²|cm³|m|g|kg|N|N mm|g/cm³|g/m²|N/mm²)(?![\\p{L}/])"));
  return texts.filter(unit);
}

class Languages : public ::testing::Test {
protected:
  Languages() { QApplication::installTranslator(&pseudo_); }
  ~Languages() override {
    QApplication::removeTranslator(&pseudo_);
    setTextScale(1);
  }
  /// Each stage, the whole figure and each limb of one side, and each page of its rack.
  static void walk(Session& session, const std::function<void(MainWindow&, const std::string&)>& look) {
    MainWindow window(session, allStages(session));
    window.resize(1280, 800);
    window.show();
    for (const auto& stage : window.stages())
      for (int limb = -1; limb < static_cast<int>(session.plan().figure->limbs.size()); ++limb) {
        if (limb >= 0 && session.plan().figure->limbs[static_cast<size_t>(limb)].side < 0) continue;
        session.setStage(stage->id());
        session.select(limb);
        for (TabRow* tabs : window.findChildren<TabRow*>())
          // With the last limb each page of a rack has been shown once.
          if (const auto all = tabs->findChildren<QToolButton*>(); tabs->isVisible() && !all.isEmpty())
            all[(limb + 1) % all.size()]->click();
        for (int k = 0; k < 6; ++k) QApplication::processEvents();
        look(window, std::string(stage->id().key) + ", limb " + std::to_string(limb));
      }
  }
  PseudoTranslator pseudo_;
};

} // namespace

TEST_F(Languages, NothingOnAnyScreenIsLeftInEnglish) {
  for (const char* file : {"otter-on-watch", "heron-from-stems", "fox-trunk-first"}) {
    Session session(shelf());
    ASSERT_FALSE(session.open(QStringLiteral(COLUMNA_DATA_DIR "/demo/%1.columna").arg(QLatin1String(file))));
    QStringList left;
    walk(session, [&](MainWindow& window, const std::string& where) {
      for (const QString& each : untranslated(everyWord(window), makersOwn(session)))
        if (left.filter(each).isEmpty()) left << QString::fromStdString(where) + QStringLiteral(": ") + each;
    });
    EXPECT_TRUE(left.isEmpty()) << file << '\n' << left.mid(0, 150).join(u'\n').toStdString();
  }
}

TEST_F(Languages, WithInchesNothingOnAnyScreenIsMetric) {
  QApplication::removeTranslator(&pseudo_);
  for (const char* file : {"otter-on-watch", "heron-from-stems", "fox-trunk-first"}) {
    Session session(shelf());
    ASSERT_FALSE(session.open(QStringLiteral(COLUMNA_DATA_DIR "/demo/%1.columna").arg(QLatin1String(file))));
    changes::setUnits(session, UnitSystem::Inch);
    QStringList left;
    walk(session, [&](MainWindow& window, const std::string& where) {
      for (const QString& each : metric(everyWord(window)))
        if (left.filter(each).isEmpty()) left << QString::fromStdString(where) + QStringLiteral(": ") + each;
    });
    EXPECT_TRUE(left.isEmpty()) << file << '\n' << left.mid(0, 150).join(u'\n').toStdString();
  }
}
