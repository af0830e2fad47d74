// The record of the making, newest first: what was done, read and written; withdrawn entries stay, struck
// out.
#pragma once

#include "make/make_view.h"

#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>

namespace columna {

class RecordPanel : public QWidget {
  Q_OBJECT
public:
  RecordPanel(Session& session, MakeView& view, QWidget* parent = nullptr);
  [[nodiscard]] QListWidget* list() const { return list_; }
  [[nodiscard]] QLineEdit* note() const { return note_; }
  [[nodiscard]] QPushButton* withdrawKey() const { return withdraw_; }
  [[nodiscard]] QPushButton* nextKey() const { return next_; }
  [[nodiscard]] QPushButton* tableKey() const { return table_; }
  [[nodiscard]] QPushButton* photoKey() const { return photo_; }
  [[nodiscard]] QPushButton* checkKey() const { return check_; }
  /// The photo of the entry that is current; null without one.
  [[nodiscard]] QLabel* shown() const { return shown_; }
  /// Keeps a photo of the work with what stands in the note's field; asks for one when `path` is empty.
  void addPhoto(QString path = {});
  [[nodiscard]] QPushButton* storyKey() const { return story_; }
  /// Writes the story of the making, to print; asks for a name when `path` is empty.
  void saveStory(QString path = {});
  /// Writes the record as a table; asks for a name when `path` is empty.
  void saveTable(QString path = {});

signals:
  void photoCheck(); ///< a photo is to be looked at by the plan

private:
  void refresh();
  void follow();
  void showPhoto();
  /// The entry that is current, and the one that withdraws it if any.
  [[nodiscard]] const Entry* current() const;
  [[nodiscard]] QString wordsOf(const Entry& entry) const;
  Session& session_;
  MakeView& view_;
  QListWidget* list_;
  QLineEdit* note_;
  QPushButton *keep_, *next_, *withdraw_, *table_, *story_, *photo_, *check_;
  QLabel* shown_;
};

} // namespace columna
