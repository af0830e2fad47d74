#include "face/eye_panel.h"

#include "edit/face_edit.h"
#include "face/face_report.h"
#include "kit/flow_layout.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "theme/theme.h"

#include <QComboBox>
#include <QLabel>
#include <QVBoxLayout>

namespace columna {
namespace {

constexpr int kKinds = 4;

} // namespace

EyePanel::EyePanel(Session& session, FaceView& view, QWidget* parent)
    : QWidget(parent), session_(session), view_(view) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(4));
  auto* top = new QWidget(this);
  auto* row = new FlowLayout(top);
  kinds_ = new QComboBox(this);
  kinds_->setAccessibleName(tr("What the eyes are"));
  kinds_->setSizeAdjustPolicy(QComboBox::AdjustToContents);
  kinds_->addItem(QString());
  for (int k = 0; k < kKinds; ++k) kinds_->addItem(str(Name(eyesName(static_cast<EyeKind>(k)))), k);
  says_ = smallText(this, QString());
  row->addWidget(kinds_);
  row->addWidget(says_);
  layout->addWidget(top);
  sizes_ = new FaceStrip(session, view, FaceStrip::Of::Eyes, this);
  layout->addWidget(sizes_, 1);
  connect(kinds_, &QComboBox::activated, this, [this](int i) {
    (void)session_.apply(tr("what the eyes are"),
                         edit::eyesMadeAs(session_.project(),
                                          i == 0 ? std::optional<EyeKind>() : static_cast<EyeKind>(i - 1)));
  });
  connect(&view_, &FaceView::changed, this, &EyePanel::fill);
  session_.onSettled(this, [this] { fill(); });
  fill();
}

void EyePanel::fill() {
  const HeadPattern* animal = session_.catalog().head(session_.project().pattern);
  const bool eyes = animal && !animal->eyes.empty();
  kinds_->setEnabled(view_.sums() && !view_.sums()->head.eyes.empty());
  kinds_->setItemText(0, eyes ? tr("as the animal's: %1").arg(str(Name(eyesName(animal->eyes.front().kind))))
                              : tr("as the animal's"));
  const auto& kind = session_.project().face.eyeKind;
  kinds_->setCurrentIndex(kind ? static_cast<int>(*kind) + 1 : 0);
  const EyeKind now = kind.value_or(eyes ? animal->eyes.front().kind : EyeKind::Glass);
  says_->setText(now == EyeKind::Painted   ? tr("painted and glued a day before they are set")
                 : now == EyeKind::Needled ? tr("of any size; nothing is bought")
                 : now == EyeKind::Bead    ? tr("sewn with the thread pulled through the head; nothing dries")
                                           : tr("the stem glued into the head: the glue has to set"));
}

} // namespace columna
