// What would mend something, tried beside the window: a button for each change, its result under it.
#pragma once

#include "session/session.h"

#include <QFutureWatcher>
#include <QWidget>

#include <functional>
#include <optional>

class QLabel;
class QPushButton;
class QVBoxLayout;

namespace columna {

/// A change that was tried.
struct RemedyOffer {
  Said words, result;
  bool mends = false;
  Project project; ///< with it made
};
/// Tries changes; runs beside the window, so it holds all that it needs.
using RemedyTry = std::function<std::vector<RemedyOffer>()>;

class RemedyList : public QWidget {
  Q_OBJECT
public:
  RemedyList(Session& session, const QString& question, QWidget* parent = nullptr);
  ~RemedyList() override;
  RemedyList(const RemedyList&) = delete;
  RemedyList& operator=(const RemedyList&) = delete;

  /// Whether there is anything to ask, and about what: the answer to the same of the same project stays, any
  /// other goes. `prepare` is called when it is asked.
  void offer(bool asks, const std::string& about, std::function<RemedyTry()> prepare);
  [[nodiscard]] QPushButton* ask() const { return ask_; }
  /// Asked, and the answer not shown yet.
  [[nodiscard]] bool busy() const { return waiting_; }
  [[nodiscard]] QList<QPushButton*> changes() const;

signals:
  void told(); ///< the answer is shown

private:
  void start();
  void show_();
  void clear();
  Session& session_;
  std::string about_;
  std::function<RemedyTry()> prepare_;
  std::uint64_t turn_ = 0; ///< counts questions; an answer to an older one is dropped
  struct Asked {
    std::string project; ///< as it is written
    std::string about;
  };
  std::optional<Asked> asked_; ///< what the answer is to
  bool waiting_ = false;
  QPushButton* ask_;
  QLabel* words_;
  QWidget* list_;
  struct Answer {
    std::uint64_t turn = 0;
    std::vector<RemedyOffer> found;
  };
  QFutureWatcher<Answer> trying_;
};

} // namespace columna
