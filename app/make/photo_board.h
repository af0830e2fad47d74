// The photo check, over the window: the photo with the plan laid on it, what is off, and what it cannot show.
#pragma once

#include "make/make_view.h"
#include "make/photo_picture.h"

#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QProcess>
#include <QProgressBar>
#include <QPushButton>
#include <QTemporaryDir>
#include <QTimer>

namespace columna {

class PhotoBoard : public QWidget {
  Q_OBJECT
public:
  PhotoBoard(Session& session, MakeView& view, PhotoWork& work, QWidget* parent);
  ~PhotoBoard() override;
  PhotoBoard(const PhotoBoard&) = delete;
  PhotoBoard& operator=(const PhotoBoard&) = delete;

  [[nodiscard]] PhotoPicture* picture() const { return picture_; }
  [[nodiscard]] QComboBox* views() const { return views_; }
  /// What is off, a finding a row, then what the photo cannot show.
  [[nodiscard]] QListWidget* list() const { return list_; }
  [[nodiscard]] QLabel* words() const { return words_; }
  [[nodiscard]] QPushButton* keepKey() const { return keep_; }
  [[nodiscard]] QPushButton* boxKey() const { return box_; }
  [[nodiscard]] QPushButton* practiseKey() const { return practise_; }
  /// Asks for a photo when `path` is empty.
  void open(QString path = {});
  /// Asks for a folder when it is empty.
  void watch(QString folder = {});

signals:
  void left();

protected:
  void paintEvent(QPaintEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;

private:
  void build();
  void refresh();
  void keep();
  /// A photo drawn by the stand-in camera, of this figure with a fault of its own.
  void practise();
  void nextOver();
  [[nodiscard]] QPushButton* key(const QString& words, const QString& tip, std::function<void()> act);
  Session& session_;
  MakeView& view_;
  PhotoWork& work_;
  PhotoPicture* picture_;
  QComboBox *views_, *over_;
  QPushButton *open_, *watch_, *practise_, *box_, *keep_, *back_;
  QLabel *head_, *words_, *folder_;
  QProgressBar* bar_;
  QListWidget* list_;
  QTimer ticks_;
  QProcess* camera_ = nullptr;
  QTemporaryDir practice_;
  int shots_ = 0;
};

} // namespace columna
