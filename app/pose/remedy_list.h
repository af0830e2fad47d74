// What would mend a pose, tried beside the window: a button for each change, its result under it.
#pragma once

#include "project/pose_remedies.h"
#include "session/session.h"

#include <QFutureWatcher>
#include <QWidget>

#include <optional>

class QLabel;
class QPushButton;
class QVBoxLayout;

namespace columna {

class RemedyList : public QWidget {
  Q_OBJECT
public:
  RemedyList(Session& session, const QString& question, QWidget* parent = nullptr);
  ~RemedyList() override;
  RemedyList(const RemedyList&) = delete;
  RemedyList& operator=(const RemedyList&) = delete;

  /// Whether there is anything to ask; what was found before goes.
  void offer(bool asks);
  /// The limb it is asked for, -1 for the standing of the whole.
  void setLimb(int limb, const std::string& joint = {}) {
    limb_ = limb;
    joint_ = joint;
  }
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
  int limb_ = -1;
  std::string joint_;      ///< of the limb
  std::uint64_t turn_ = 0; ///< counts questions; an answer to an older one is dropped
  struct Asked {
    std::string project; ///< as it is written
    int limb = -1;
    std::string joint;
  };
  std::optional<Asked> asked_; ///< what the answer is to
  bool waiting_ = false;
  QPushButton* ask_;
  QLabel* words_;
  QWidget* list_;
  struct Answer {
    std::uint64_t turn = 0;
    std::vector<PoseRemedy> found;
  };
  QFutureWatcher<Answer> trying_;
};

} // namespace columna
