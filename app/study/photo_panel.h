// Photo to trace: take a picture in, click the landmarks asked for, and take the bones' lengths over.
#pragma once

#include "kit/picture.h"
#include "study/study_view.h"

#include <QFutureWatcher>
#include <QTimer>
#include <QWidget>

#include <array>
#include <memory>

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QListWidget;
class QProgressBar;
class QPushButton;
class QToolButton;

namespace columna {

class StudyLayer;

class PhotoPanel : public QWidget {
  Q_OBJECT
public:
  PhotoPanel(Session& session, StudyView& study, StudyLayer* layer, QWidget* parent);
  ~PhotoPanel() override;
  PhotoPanel(const PhotoPanel&) = delete;
  PhotoPanel& operator=(const PhotoPanel&) = delete;

  /// Reads the picture off the window's thread; `loaded` or Session::refused follows.
  void load(const QString& path, View view);
  [[nodiscard]] bool loading() const { return watcher_.isRunning(); }
  /// Gives a reading up; nothing is changed.
  void stop();
  [[nodiscard]] QPushButton* addButton() const { return add_; }
  [[nodiscard]] QProgressBar* progress() const { return bar_; }
  [[nodiscard]] QString prompt() const;
  [[nodiscard]] QListWidget* bones() const { return bones_; }
  [[nodiscard]] QPushButton* adopt() const { return adopt_; }
  [[nodiscard]] QPushButton* accept() const { return accept_; }
  [[nodiscard]] QLineEdit* lineField() const { return known_; }
  [[nodiscard]] QCheckBox* average() const { return average_; }

protected:
  void showEvent(QShowEvent* event) override;

signals:
  void loaded();

private:
  void choose();
  void refresh();
  void fillBones();
  void takeOver();
  void acceptProposed();
  void knownLength();
  Session& session_;
  StudyView& study_;
  StudyLayer* layer_;
  QComboBox* view_;
  QPushButton* add_;
  QPushButton* remove_;
  QProgressBar* bar_;
  QTimer metering_;
  std::shared_ptr<PictureProgress> meter_;
  QLabel* prompt_;
  QLabel* trouble_;
  QPushButton* skip_;
  QCheckBox* far_;
  QPushButton* accept_;
  std::array<QToolButton*, 4> tools_{};
  QLineEdit* known_;
  QListWidget* bones_;
  QCheckBox* average_;
  QPushButton* adopt_;
  QFutureWatcher<Result<Picture>> watcher_;
  View loadingView_ = View::Side;
};

} // namespace columna
