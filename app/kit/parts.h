// The small parts cards are made of: a large figure with its unit, a key to press, a "why" that opens its
// working, a verdict, and text in the card's type sizes.
#pragma once

#include "measure/working.h"
#include "plan/finding.h"
#include "words/print.h"

#include <QAbstractButton>
#include <QLabel>
#include <QPushButton>
#include <QWidget>

class QVBoxLayout;

namespace columna {

/// Text in one of the card's sizes: 13 small, 20 name and verdict.
[[nodiscard]] QLabel* textLabel(QWidget* parent, double size, int weight, bool wrap = true);
void setFaint(QLabel* label);
/// A line of small text, as it stands beside fields.
[[nodiscard]] QLabel* smallText(QWidget* parent, const QString& text);

/// A caption, a large figure, and its unit.
class BigFigure : public QWidget {
  Q_OBJECT
public:
  explicit BigFigure(const QString& caption, QWidget* parent = nullptr);
  /// `measured` draws it in logwood: the maker measured it.
  void set(const QString& figure, const QString& unit, bool measured = false);
  void setCaption(const QString& caption);
  [[nodiscard]] QString figure() const { return figure_; }
  [[nodiscard]] QSize sizeHint() const override;
  [[nodiscard]] QSize minimumSizeHint() const override;

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  QString caption_, figure_, unit_;
  bool measured_ = false;
};

/// "why 339": opens a working under itself.
class Why : public QWidget {
  Q_OBJECT
public:
  explicit Why(QWidget* parent = nullptr);
  /// In these units.
  void set(const Working& working, UnitSystem units);
  [[nodiscard]] bool isOpen() const { return open_; }
  [[nodiscard]] QPushButton* button() const { return button_; }
  [[nodiscard]] QString workingText() const;

protected:
  void resizeEvent(QResizeEvent* event) override;

private:
  void refresh();
  void title();
  Working working_;
  UnitSystem units_ = UnitSystem::Metric;
  bool open_ = false;
  QPushButton* button_;
  QLabel* sum_;
};

/// A verdict: its mark and word, and the sentence under it.
class VerdictView : public QWidget {
  Q_OBJECT
public:
  explicit VerdictView(QWidget* parent = nullptr);
  /// `word` stands in place of the level's own.
  void set(Level level, const QString& sentence, const QString& word = {});

private:
  class Mark;
  Mark* mark_;
  QLabel* word_;
  QLabel* sentence_;
};

/// A key cap with what it does; a click does the same.
class KeyButton : public QAbstractButton {
  Q_OBJECT
public:
  KeyButton(const QString& key, const QString& does, QWidget* parent = nullptr);
  [[nodiscard]] QSize sizeHint() const override;

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  QString key_;
};

/// A horizontal rule.
[[nodiscard]] QWidget* ruleLine(QWidget* parent);

} // namespace columna
