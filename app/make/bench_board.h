// The bench: one step in letters an arm away, what to fetch, what it should come to, its clock, what dries
// and what is next. Every key is one finger's; nothing needs the mouse.
#pragma once

#include "make/bench_pair.h"
#include "make/bench_parts.h"
#include "make/instruments.h"
#include "make/make_view.h"

#include <QLabel>
#include <QLineEdit>
#include <QWidget>

#include <map>
#include <optional>

namespace columna {

class BenchBoard : public QWidget {
  Q_OBJECT
public:
  BenchBoard(Session& session, MakeView& view, Instruments& instruments, QWidget* parent);

  /// What the board waits for before the step is begun or done.
  enum class Ask { Nothing, Ready, Reading, RanOn, Slip, Moving };
  [[nodiscard]] Ask asks() const { return ask_; }
  [[nodiscard]] QLineEdit* field() const { return field_; }
  [[nodiscard]] QLabel* words() const { return words_; }
  [[nodiscard]] QLabel* figure() const { return figure_; }
  [[nodiscard]] QLabel* timer() const { return timer_; }
  [[nodiscard]] QLabel* question() const { return question_; }
  /// What can be done about a reading that is not as planned.
  [[nodiscard]] QLabel* cameOut() const { return cameOut_; }
  [[nodiscard]] QLabel* drying() const { return dry_; }
  [[nodiscard]] BenchKey* spaceKey() const { return space_; }
  /// Left and right of what is read of a pair.
  [[nodiscard]] BenchPair* pair() const { return pair_; }

signals:
  void left();

protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;
  bool eventFilter(QObject* watched, QEvent* event) override;

private:
  void build();
  void dress();
  void refresh();
  void tick();
  void showFigure();
  void showFoot();
  void showOff();
  /// What was read of the other of a pair, beside what is read of this one.
  void showPair();
  /// Answers what is asked about; a key that nothing is asked by does nothing.
  void answer(BuiltWay way);
  /// Begins, or finishes once what it waits for is answered.
  void act();
  void done(bool usual);
  /// Heat and fumes are asked about once a sitting before they begin; whether it is all right to begin.
  bool madeReady(const Step& step);
  /// What the instrument says is taken, where one can say it; else it is typed.
  void takeReading();
  void startReading(const QString& typed);
  /// What the instrument of this goal says now.
  void hear();
  void kept(const Goal& goal, double value, EntryBy by, bool moving);
  void startNote();
  void keepField();
  void closeField();
  void putQuestion(Ask ask, const QString& words);
  /// The goal the large figure is of; nothing where the step has none.
  [[nodiscard]] const Goal* goal() const;
  void nextGoal(int by);
  [[nodiscard]] QString goalsHtml() const;
  [[nodiscard]] QLabel* label(double size, int weight = QFont::Normal);
  [[nodiscard]] BenchKey* key(const QString& cap, const QString& does, std::function<void()> act);

  Session& session_;
  MakeView& view_;
  Instruments& instruments_;
  struct Sized {
    QLabel* label;
    double size;
    int weight;
  };
  std::vector<Sized> sized_;
  std::vector<BenchKey*> keys_;
  QLabel *station_, *clock_, *words_, *figure_, *unit_, *timer_, *of_, *read_, *goals_, *heard_, *fetch_,
      *caution_, *question_, *cameOut_, *nextHead_, *next_, *dryHead_, *dry_, *foot_;
  BenchBar *gone_, *drying_;
  BenchPair* pair_;
  BenchKey *space_, *pause_;
  BenchPicture* picture_;
  QLineEdit* field_;
  QWidget *side_, *bottom_;
  std::string step_;             ///< the step that is shown
  std::optional<size_t> at_;     ///< which of its goals, where one was chosen
  const Goal* paired_ = nullptr; ///< the goal of which left and right are shown
  Ask ask_ = Ask::Nothing;
  bool asked_ = false; ///< the step's reading was asked for
  bool noting_ = false;
  std::map<Caution, std::int64_t> ready_; ///< when the maker said that it is, seconds since 1970
  std::optional<double> slip_;            ///< a reading far off its goal, typed once
};

} // namespace columna
