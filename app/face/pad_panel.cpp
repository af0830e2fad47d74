#include "face/pad_panel.h"

#include "face/face_changes.h"
#include "kit/flow_layout.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "theme/theme.h"

#include <QPushButton>
#include <QVBoxLayout>

namespace columna {

PadPanel::PadPanel(Session& session, FaceView& view, QWidget* parent)
    : QWidget(parent), session_(session), view_(view) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(6));
  strip_ = new FaceStrip(session, view, FaceStrip::Of::Pads, this);
  layout->addWidget(strip_);
  rest_ = new QWidget(this);
  auto* row = new FlowLayout(rest_);
  QLabel* words = smallText(rest_, tr("lay on as well"));
  words->setMinimumHeight(px(26));
  words->setAlignment(Qt::AlignLeft | Qt::AlignVCenter);
  row->addWidget(words);
  layout->addWidget(rest_);
  layout->addStretch();
  connect(&view_, &FaceView::changed, this, &PadPanel::fill);
  fill();
}

void PadPanel::fill() {
  const FaceSums* sums = view_.sums();
  rest_->setVisible(sums && !sums->offered.empty());
  if (!sums) return;
  std::map<std::string, QPushButton*> old = std::move(buttons_);
  buttons_.clear();
  for (const OfferedPad& pad : sums->offered) {
    QPushButton*& button = buttons_[pad.id];
    if (const auto known = old.find(pad.id); known != old.end()) {
      button = known->second;
      old.erase(known);
    } else {
      button = new QPushButton(rest_);
      button->setCheckable(true);
      rest_->layout()->addWidget(button);
      const std::string id = pad.id;
      connect(button, &QPushButton::clicked, this,
              [this, id](bool on) { face::layOffered(session_, id, on); });
    }
    const QString name = str(Name(pad.name));
    const QString mass = QString::fromStdString(printMass(pad.grams, session_.units()));
    button->setText(pad.on && !pad.hollow && !pad.tooSmall ? tr("%1, %2").arg(name, mass) : name);
    button->setChecked(pad.on);
    const auto length = [&](double mm) {
      return QString::fromStdString(printLength(mm, session_.units(), 1));
    };
    const QString size =
        tr("%1 by %2, %3 high").arg(length(pad.length), length(pad.width), length(pad.height));
    const QString what = pad.hollow     ? tr("pressed in")
                         : pad.tooSmall ? tr("too small at this size for more than a wisp")
                                        : tr("about %1").arg(mass);
    button->setToolTip(tr("%1: %2").arg(size, what));
    button->setAccessibleName(tr("%1, %2: %3").arg(name, size, what));
  }
  for (const auto& [id, button] : old) button->deleteLater();
}

} // namespace columna
