// A photo of the work and what its check found: read and looked at beside the window, the last wish winning.
#pragma once

#include "device/photo_folder.h"
#include "kit/picture.h"
#include "photo/photo_words.h"
#include "session/session.h"

#include <QFutureWatcher>
#include <QImage>
#include <QObject>

#include <atomic>
#include <memory>
#include <optional>

namespace columna {

class PhotoWork : public QObject {
  Q_OBJECT
public:
  explicit PhotoWork(Session& session, QObject* parent = nullptr);
  ~PhotoWork() override;
  PhotoWork(const PhotoWork&) = delete;
  PhotoWork& operator=(const PhotoWork&) = delete;

  /// Looks at a picture's file.
  void look(const QString& path);
  void setView(PhotoView view);
  /// The box round the figure, where its ground is not plain; nothing for none.
  void setBox(const std::optional<PhotoBox>& box);
  /// The photo is looked at again: the figure is another by now.
  void again();
  /// While it is shown it is looked at again with each change of the figure, else when it is shown next.
  void setShown(bool on);
  /// Lets the photo go.
  void clear();

  [[nodiscard]] PhotoView view() const { return view_; }
  [[nodiscard]] const std::optional<PhotoBox>& box() const { return box_; }
  [[nodiscard]] bool busy() const { return awaited_ || waiting_; }
  [[nodiscard]] int thousandths() const { return progress_; }
  [[nodiscard]] const QImage& picture() const { return picture_.image; }
  [[nodiscard]] const QByteArray& jpeg() const { return picture_.jpeg; }
  [[nodiscard]] const QString& name() const { return name_; }
  /// It was drawn by a stand-in: nothing of it is a measurement.
  [[nodiscard]] bool standIn() const { return standIn_; }
  /// Null before it is found, or where it is not.
  [[nodiscard]] const PhotoCheck* check() const { return check_ ? &*check_ : nullptr; }
  [[nodiscard]] const std::vector<PhotoFinding>& findings() const { return findings_; }
  /// The figure it was looked at with.
  [[nodiscard]] const Figure& figure() const { return figure_; }
  /// Why nothing was found; empty otherwise.
  [[nodiscard]] const QString& trouble() const { return trouble_; }
  /// How it stands on the mat, by the last photo from above; of this session and this stance.
  [[nodiscard]] const std::optional<TurnedOn>& turned() const { return turned_; }
  [[nodiscard]] PhotoFolder& folder() { return folder_; }

signals:
  void changed();

private:
  struct Found {
    std::uint64_t turn = 0;
    Picture picture;
    bool standIn = false;
    Figure figure;
    std::optional<PhotoCheck> check;
    QString trouble;
  };
  void stale();
  void start();
  void found();
  Session& session_;
  PhotoFolder folder_;
  QString path_, name_, trouble_;
  Picture picture_;
  bool standIn_ = false, waiting_ = false;
  bool awaited_ = false; ///< an answer is to come
  bool shown_ = false, stale_ = false;
  PhotoView view_ = PhotoView::Front;
  std::optional<PhotoBox> box_;
  std::optional<PhotoCheck> check_;
  std::vector<PhotoFinding> findings_;
  Figure figure_;
  std::optional<TurnedOn> turned_;
  bool turnedByStandIn_ = false; ///< it is for a stand-in's photos alone
  std::uint64_t turn_ = 0;       ///< counts wishes
  QFutureWatcher<std::shared_ptr<Found>> making_;
  std::atomic<bool> stop_{false};
  std::atomic<int> progress_{0};
};

/// An image's pixels.
[[nodiscard]] PhotoImage pixelsOf(const QImage& image);

} // namespace columna
