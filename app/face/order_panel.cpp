#include "face/order_panel.h"

#include "face/face_changes.h"
#include "kit/flow_layout.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "theme/theme.h"

#include <QComboBox>
#include <QVBoxLayout>

namespace columna {

OrderPanel::OrderPanel(Session& session, FaceView& view, QWidget* parent)
    : QWidget(parent), session_(session), view_(view) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(4));
  auto* top = new QWidget(this);
  auto* row = new FlowLayout(top);
  school_ = choice(tr("Nose and eyes"), 16);
  school_->addItems({tr("nose before eyes"), tr("eyes before nose")});
  hair_ = choice(tr("Ears and hair"), 16);
  hair_->addItems({tr("ears before hair"), tr("hair before ears")});
  eyes_ = choice(tr("Glue of the eyes"), 18);
  parts_ = choice(tr("Glue of horns and bill"), 18);
  row->addWidget(school_);
  row->addWidget(hair_);
  const auto named = [&](const QString& name, QComboBox* box) {
    auto* pair = new QWidget(top);
    auto* line = new QHBoxLayout(pair);
    line->setContentsMargins(0, 0, 0, 0);
    line->addWidget(smallText(pair, name));
    line->addWidget(box);
    row->addWidget(pair);
    return pair;
  };
  named(tr("eyes with"), eyes_);
  partsRow_ = named(tr("horns and bill with"), parts_);
  for (QComboBox* box : {eyes_, parts_})
    for (const Drying& each : session_.catalog().drying.all)
      if (each.glue) box->addItem(str(Name(each.name)), QString::fromStdString(each.id));
  layout->addWidget(top);
  layout->addWidget(new FaceStrip(session, view, FaceStrip::Of::Steps, this));
  layout->addStretch();
  connect(school_, &QComboBox::activated, this, [this](int i) {
    if (i != static_cast<int>(session_.project().face.school)) face::turnSchool(session_);
  });
  connect(hair_, &QComboBox::activated, this, [this](int i) {
    if ((i == 1) != session_.project().face.hairFirst) face::turnHair(session_);
  });
  glued(eyes_, edit::GluedPart::Eyes, tr("glue of the eyes"));
  glued(parts_, edit::GluedPart::Parts, tr("glue of horns and bill"));
  connect(&view_, &FaceView::changed, this, &OrderPanel::fill);
  session_.onSettled(this, [this] { fill(); });
  fill();
}

QComboBox* OrderPanel::choice(const QString& name, int letters) {
  auto* box = new QComboBox(this);
  box->setAccessibleName(name);
  box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  box->setMinimumContentsLength(letters);
  return box;
}

void OrderPanel::glued(QComboBox* box, edit::GluedPart what, const QString& change) {
  connect(box, &QComboBox::activated, this, [this, box, what, change](int i) {
    (void)session_.apply(change,
                         edit::gluedWith(session_.project(), what, box->itemData(i).toString().toStdString(),
                                         session_.catalog().drying));
  });
}

void OrderPanel::fill() {
  const FaceWish& face = session_.project().face;
  school_->setCurrentIndex(static_cast<int>(face.school));
  hair_->setCurrentIndex(face.hairFirst ? 1 : 0);
  for (const auto& [box, glue] : {std::pair(eyes_, &face.eyeGlue), std::pair(parts_, &face.partGlue)})
    box->setCurrentIndex(std::max(0, box->findData(QString::fromStdString(*glue))));
  const FaceSums* sums = view_.sums();
  bool parts = false;
  if (sums)
    for (const FaceStep& step : sums->steps) parts = parts || step.work == FaceWork::Hard;
  partsRow_->setVisible(parts);
}

} // namespace columna
