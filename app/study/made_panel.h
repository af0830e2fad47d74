// Part first: what was measured of parts that are made; the rest is re-sized from them.
#pragma once

#include "session/session.h"

#include <QWidget>

#include <vector>

class QGridLayout;
class QLabel;
class QLineEdit;
class QPushButton;

namespace columna {

class MadePanel : public QWidget {
  Q_OBJECT
public:
  explicit MadePanel(Session& session, QWidget* parent);
  /// The fields of a part or pair ("trunk", "foreleg"); nothing when the animal has none.
  [[nodiscard]] QLineEdit* lengthField(const QString& limb) const;
  [[nodiscard]] QLineEdit* acrossField(const QString& limb) const;
  [[nodiscard]] QString wordsOf(const QString& limb) const;

protected:
  void showEvent(QShowEvent* event) override;

private:
  struct Row {
    QString limb;
    QLabel* name;
    QLineEdit* length;
    QLineEdit* across;
    QLabel* words;
    QPushButton* out;
  };
  void rebuild();
  void refresh();
  void typed(const QString& limb);
  Session& session_;
  QGridLayout* grid_;
  QLabel* summary_;
  std::vector<Row> rows_;
  std::string pattern_;
};

} // namespace columna
