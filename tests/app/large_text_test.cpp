// Twice the text, both themes, long names and an empty bench: nothing is cut off.
#include "window.h"

#include "kit/pseudo_translator.h"
#include "kit/tab_row.h"
#include "session/changes.h"
#include "theme/theme.h"

#include <QCheckBox>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QToolButton>

#include <algorithm>

using namespace columna;
using namespace columna::test;

namespace {

/// What cannot be read whole in a window: text wider than its place, pages wider than what shows them.
QStringList cutOff(const QWidget& window) {
  QStringList out;
  const auto where = [](const QWidget* w) {
    return QStringLiteral("%1 in %2")
        .arg(QString::fromLatin1(w->metaObject()->className()),
             QString::fromLatin1(w->parentWidget()->metaObject()->className()));
  };
  for (const QLabel* label : window.findChildren<QLabel*>()) {
    if (!label->isVisible() || label->wordWrap() || label->textFormat() == Qt::RichText) continue;
    if (label->fontMetrics().horizontalAdvance(label->text()) > label->width() + 1)
      out << QStringLiteral("\"%1\", %2").arg(label->text(), where(label));
  }
  // Tiles and the like paint themselves and shorten what is too long.
  for (const QAbstractButton* button : window.findChildren<QAbstractButton*>()) {
    const auto* tool = qobject_cast<const QToolButton*>(button);
    const bool standard = qobject_cast<const QPushButton*>(button) ||
                          qobject_cast<const QCheckBox*>(button) ||
                          (tool && tool->toolButtonStyle() != Qt::ToolButtonIconOnly);
    if (standard && button->isVisible() &&
        button->fontMetrics().horizontalAdvance(button->text()) > button->width() + 1)
      out << QStringLiteral("\"%1\", %2").arg(button->text(), where(button));
  }
  for (const QScrollArea* area : window.findChildren<QScrollArea*>())
    // A row of poses is moved along sideways.
    if (area->isVisible() && area->widget() && area->verticalScrollBarPolicy() != Qt::ScrollBarAlwaysOff &&
        area->widget()->width() > area->viewport()->width())
      out << QStringLiteral("a page of %1 in %2, %3")
                 .arg(area->widget()->width())
                 .arg(area->viewport()->width())
                 .arg(where(area));
  return out;
}

/// The widgets that ask for the most width, widest first: what to look at when a window is too wide.
std::string widest(const QWidget& window) {
  QList<QWidget*> all = window.findChildren<QWidget*>();
  std::sort(all.begin(), all.end(), [](const QWidget* a, const QWidget* b) {
    return a->minimumSizeHint().width() > b->minimumSizeHint().width();
  });
  std::string out;
  // Of the card alone, if that is what is too wide: its pages lie in a scroll area.
  for (const QScrollArea* area : window.findChildren<QScrollArea*>())
    if (area->isVisible() && area->widget() && area->widget()->width() > area->viewport()->width()) {
      all = area->widget()->findChildren<QWidget*>();
      all.removeIf(
          [](const QWidget* w) { return !w->isVisible() || !w->findChildren<QWidget*>().isEmpty(); });
      std::sort(all.begin(), all.end(), [](const QWidget* a, const QWidget* b) {
        return a->minimumSizeHint().width() > b->minimumSizeHint().width();
      });
    }
  for (const QWidget* w : all.first(std::min<qsizetype>(12, all.size())))
    out += std::string(w->metaObject()->className()) + ' ' + w->accessibleName().toStdString() +
           (qobject_cast<const QLabel*>(w) ? qobject_cast<const QLabel*>(w)->text().toStdString()
                                           : std::string()) +
           ' ' + std::to_string(w->minimumSizeHint().width()) + "; ";
  return out;
}

class LargeText : public ::testing::Test {
protected:
  ~LargeText() override {
    setTextScale(1);
    setEvening(false);
  }
  /// Every stage, the whole figure and each limb of one side.
  static void look(double scale, bool evening, const std::function<void(Session&)>& change,
                   const char* name) {
    setTextScale(scale);
    setEvening(evening);
    Session session(shelf());
    if (change) change(session);
    MainWindow window(session, allStages(session));
    window.resize(1280, 800);
    window.show();
    for (const StageId stage : {kStudy, kWire, kPose, kWrap})
      for (int limb = -1; limb < static_cast<int>(session.plan().figure->limbs.size()); ++limb) {
        if (limb >= 0 && session.plan().figure->limbs[static_cast<size_t>(limb)].side < 0) continue;
        session.setStage(stage);
        session.select(limb);
        if (stage == kWrap) window.stage<WrapStage>()->view().setTab((limb + 1) % 4);
        for (int k = 0; k < 6; ++k) QApplication::processEvents();
        EXPECT_EQ(cutOff(window).join(QStringLiteral("\n")).toStdString(), "")
            << name << ", stage " << stage.key << ", limb " << limb << ": " << widest(window);
        EXPECT_LE(window.minimumSizeHint().width(), 1280) << name << ": " << widest(window);
        EXPECT_LE(window.minimumSizeHint().height(), 800) << name;
      }
  }
};

} // namespace

TEST_F(LargeText, UsualSizeInBothThemes) {
  look(1, false, {}, "light");
  look(1, true, {}, "evening");
}

TEST_F(LargeText, OneAndAHalfTimesAndTwice) {
  look(1.5, false, {}, "150 %");
  look(2, true, {}, "200 %");
}

TEST_F(LargeText, ALongerLanguage) {
  PseudoTranslator pseudo;
  QApplication::installTranslator(&pseudo);
  look(1, false, {}, "pseudo");
  look(1.5, false, {}, "pseudo at 150 %");
  QApplication::removeTranslator(&pseudo);
}

TEST_F(LargeText, TheLongestNames) {
  const auto longNames = [](Session& session) {
    (void)changes::setPattern(session, QStringLiteral("long_backed_hound"));
    changes::setName(
        session,
        QStringLiteral("The very old long-backed hound of the third bench on the left by the window"));
    (void)changes::savePose(
        session, QStringLiteral("lying down in front of the stove with one ear turned inside out"));
    changes::setConstruction(session, Construction::SpineAndCrosspieces);
    changes::setUnits(session, UnitSystem::Inch);
  };
  look(1, false, longNames, "long names");
  look(2, false, longNames, "long names at 200 %");
}
