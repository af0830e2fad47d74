#include "theme/theme.h"

#include <QFontDatabase>

#include <algorithm>

// The fonts lie in a static library, whose resources are linked only when asked for (outside any namespace).
static void initResources() { Q_INIT_RESOURCE(resources); }

namespace columna {
namespace {

bool inEvening = false;
double scaleOfText = 1;

constexpr std::array<const char*, 8> kLightPieces{"#27325E", "#C2620E", "#106060", "#C4609C",
                                                  "#6060C4", "#74744C", "#241010", "#881010"};
constexpr std::array<const char*, 8> kEveningPieces{"#9AA7E0", "#E2924A", "#74D89C", "#D8609C",
                                                    "#1088EC", "#D8EC88", "#888860", "#38ECEC"};

Theme make(bool evening) {
  const auto pick = [&](const char* light, const char* dark) {
    return QColor(QLatin1String(evening ? dark : light));
  };
  Theme t;
  t.evening = evening;
  t.ground = pick("#F2ECE1", "#24201D");
  t.card = pick("#FBF8F2", "#2E2925");
  t.ink = pick("#2E2621", "#EDE5D8");
  t.faint = pick("#6A5E53", "#B3A798");
  t.rule = pick("#D8CDBB", "#463E37");
  t.madder = pick("#A23B2A", "#E5907E");
  t.weld = pick("#8A6200", "#E0B252");
  t.alder = pick("#4A6A36", "#A3C28A");
  t.woad = pick("#2C5B7E", "#8FBCE0");
  t.logwood = pick("#5A4774", "#BCA8DC");
  t.wash = pick("#DFE7EA", "#2F3C46");
  t.coat = pick("#E2D5BF", "#5A4E43");
  t.core = pick("#F1E8D8", "#40382F");
  t.farFill = pick("#F0E8DB", "#332D28");
  t.farLine = pick("#B5A38B", "#6E6257");
  t.disc = pick("#E3D8C6", "#38312B");
  t.solid = pick("#5C5047", "#62584D");
  t.onSolid = pick("#FBF8F2", "#EDE5D8");
  t.hollow = pick("#8A7C6E", "#84786B");
  t.onWoad = pick("#FBF8F2", "#1B2126");
  t.wool = pick("#D2C3AA", "#D2C3AA");
  for (size_t i = 0; i < t.pieces.size(); ++i) {
    t.pieces[i] = QColor(QLatin1String(evening ? kEveningPieces[i] : kLightPieces[i]));
    t.piecesOnWool[i] = QColor(QLatin1String(kLightPieces[i]));
  }
  return t;
}

} // namespace

const Theme& lightTheme() {
  static const Theme t = make(false);
  return t;
}

const Theme& eveningTheme() {
  static const Theme t = make(true);
  return t;
}

const Theme& theme() { return inEvening ? eveningTheme() : lightTheme(); }
void setEvening(bool evening) { inEvening = evening; }

double textScale() { return scaleOfText; }
void setTextScale(double scale) { scaleOfText = std::clamp(scale, 1.0, 2.0); }
int px(double atUsualSize) { return qRound(atUsualSize * scaleOfText); }

int frame(double atUsualSize) { return qRound(atUsualSize * (1 + 0.4 * (scaleOfText - 1))); }

QFont typeface(double size, int weight) {
  QFont f(QStringLiteral("Lato"));
  f.setPixelSize(qRound(std::max(11.0, size) * scaleOfText));
  f.setWeight(static_cast<QFont::Weight>(weight));
  f.setHintingPreference(QFont::PreferNoHinting);
  return f;
}

void loadFonts() {
  initResources();
  for (const char* name : {"Regular", "Semibold", "Bold"})
    QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/Lato-%1.ttf").arg(QLatin1String(name)));
}

QVector<qreal> pieceDash(int index) {
  static const std::array<QVector<qreal>, 8> dashes{QVector<qreal>{}, {11, 7}, {3, 5},  {11, 4, 3, 4},
                                                    {1, 6},           {6, 6},  {16, 5}, {3, 3, 3, 9}};
  return dashes[static_cast<size_t>(index) % dashes.size()];
}

QString styleSheet() {
  const Theme& t = theme();
  QString sheet = QStringLiteral(R"(
    QWidget { color: @ink; font-family: Lato; font-size: @13px; }
    QMainWindow, QDialog { background: @ground; }
    QToolTip { background: @card; color: @ink; border: 1px solid @rule; padding: 4px; }
    QScrollArea { background: transparent; border: none; }
    QScrollArea > QWidget > QWidget { background: transparent; }
    QLineEdit { background: @card; border: 1px solid @hollow; border-radius: 6px; padding: 4px 8px; selection-background-color: @woad;
                selection-color: @onwoad; }
    QLineEdit:focus { border: 2px solid @woad; padding: 3px 7px; }
    QPushButton { background: @card; border: 1px solid @hollow; border-radius: 6px; padding: 5px 12px; }
    QPushButton:hover { background: @wash; }
    QPushButton:focus { border: 2px solid @woad; padding: 4px 11px; }
    QPushButton:disabled { color: @faint; border-color: @rule; }
    QPushButton:default { background: @woad; color: @onwoad; border-color: @woad; }
    QToolButton { background: transparent; border: 2px solid transparent; border-radius: 6px; padding: 2px 4px; }
    QToolButton:hover { background: @wash; }
    QToolButton:focus { border-color: @woad; }
    QToolButton:disabled { color: @faint; }
    QToolButton::menu-indicator { image: none; width: 0; }
    QComboBox { background: @card; border: 1px solid @hollow; border-radius: 6px; padding: 4px 8px; }
    QComboBox:focus { border: 2px solid @woad; padding: 3px 7px; }
    QComboBox::drop-down { border: none; background: transparent; width: 22px; }
    QComboBox::down-arrow { image: url(:/marks/drop.png); width: 10px; height: 6px; }
    QComboBox QAbstractItemView { background: @card; border: 1px solid @rule; selection-background-color: @wash; selection-color: @ink; }
    QMenu { background: @card; border: 1px solid @rule; padding: 6px; }
    QMenu::item { padding: 6px 28px 6px 12px; border-radius: 6px; }
    QMenu::item:selected { background: @wash; }
    QMenu::item:disabled { color: @faint; }
    QMenu::separator { height: 1px; background: @rule; margin: 6px 8px; }
    QScrollBar:vertical { background: transparent; width: 10px; margin: 0; }
    QScrollBar::handle:vertical { background: @rule; border-radius: 4px; min-height: 24px; }
    QScrollBar:horizontal { background: transparent; height: 10px; margin: 0; }
    QScrollBar::handle:horizontal { background: @rule; border-radius: 4px; min-width: 24px; }
    QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
    QTextBrowser, QListWidget { background: @card; border: 1px solid @rule; border-radius: 6px; padding: 8px; }
    QTableWidget { background: @card; color: @ink; border: 1px solid @rule; border-radius: 6px; gridline-color: @rule; }
    QTableWidget::item { padding: 1px 6px; }
    QTableWidget::item:selected { background: @wash; color: @ink; }
    QHeaderView { background: @ground; }
    QHeaderView::section { background: @ground; color: @faint; border: none; border-bottom: 1px solid @rule; padding: 2px 6px; }
    QSpinBox, QDoubleSpinBox { background: @card; border: 1px solid @hollow; border-radius: 6px; padding: 3px 6px; }
    QSpinBox:disabled, QDoubleSpinBox:disabled { color: @faint; }
    QCheckBox::indicator { width: 14px; height: 14px; border: 1px solid @hollow; border-radius: 3px; background: @card; }
    QCheckBox::indicator:checked, QListWidget::indicator:checked { background: @woad; border: 1px solid @woad; image: url(:/marks/tick.png); }
    QListWidget::indicator { width: 14px; height: 14px; border: 1px solid @hollow; border-radius: 3px; background: @card; }
    QSpinBox:focus, QDoubleSpinBox:focus { border: 2px solid @woad; padding: 2px 5px; }
    QListWidget::item { padding: 6px; border-radius: 6px; }
    QListWidget::item:selected { background: @wash; color: @ink; }
    QSlider::groove:horizontal { height: 4px; background: @rule; border-radius: 2px; }
    QSlider::handle:horizontal { width: 16px; margin: -7px 0; background: @woad; border-radius: 6px; }
  )");
  const std::array<std::pair<const char*, QColor>, 10> colours{{{"@ground", t.ground},
                                                                {"@card", t.card},
                                                                {"@ink", t.ink},
                                                                {"@faint", t.faint},
                                                                {"@rule", t.rule},
                                                                {"@wash", t.wash},
                                                                {"@onwoad", t.onWoad},
                                                                {"@woad", t.woad},
                                                                {"@hollow", t.hollow},
                                                                {"@solid", t.solid}}};
  for (const auto& [key, colour] : colours) sheet.replace(QLatin1String(key), colour.name());
  sheet.replace(QStringLiteral("@13"), QString::number(px(13)));
  return sheet;
}

} // namespace columna
