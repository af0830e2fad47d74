// A row whose widgets go on the next line when there is no room: for cards, whose texts may be large or in a
// longer language.
#pragma once

#include <QLayout>

#include <memory>
#include <vector>

namespace columna {

class FlowLayout : public QLayout {
public:
  explicit FlowLayout(QWidget* parent = nullptr);
  ~FlowLayout() override;
  FlowLayout(const FlowLayout&) = delete;
  FlowLayout& operator=(const FlowLayout&) = delete;

  void addItem(QLayoutItem* item) override;
  [[nodiscard]] int count() const override;
  [[nodiscard]] QLayoutItem* itemAt(int index) const override;
  QLayoutItem* takeAt(int index) override;
  [[nodiscard]] Qt::Orientations expandingDirections() const override { return {}; }
  [[nodiscard]] bool hasHeightForWidth() const override { return true; }
  [[nodiscard]] int heightForWidth(int width) const override { return lay({0, 0, width, 0}, false); }
  void setGeometry(const QRect& rect) override;
  [[nodiscard]] QSize sizeHint() const override;
  [[nodiscard]] QSize minimumSize() const override; ///< as wide as the widest of them

private:
  /// Places them, or only reckons; how high they are together.
  int lay(const QRect& rect, bool place) const;
  std::vector<std::unique_ptr<QLayoutItem>> items_;
};

} // namespace columna
