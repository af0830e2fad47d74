// A line that opens what lies under it: what is not needed at a glance.
#pragma once

#include <QPushButton>
#include <QWidget>

class QVBoxLayout;

namespace columna {

class Unfold : public QWidget {
  Q_OBJECT
public:
  explicit Unfold(const QString& words, QWidget* parent = nullptr);
  /// What is shown when it is open goes in here.
  [[nodiscard]] QVBoxLayout* inside() const { return inside_; }
  [[nodiscard]] QWidget* content() const { return content_; }
  [[nodiscard]] QPushButton* button() const { return button_; }
  [[nodiscard]] bool isOpen() const { return button_->isChecked(); }
  void setWords(const QString& words);

private:
  void show(bool open);
  QString words_;
  QPushButton* button_;
  QWidget* content_;
  QVBoxLayout* inside_;
};

} // namespace columna
