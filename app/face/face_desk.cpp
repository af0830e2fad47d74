#include "face/face_desk.h"

namespace columna {

FaceDesk::FaceDesk(Session& session, FaceView& view, QWidget* parent)
    : Desk(tr("Face"),
           {tr("Pads"), tr("Eyes"), tr("Ears and flats"), tr("Feet"), tr("Head map"), tr("Order of work")},
           {tr("Pads"), tr("Eyes"), tr("Ears"), tr("Feet"), tr("Map"), tr("Order")}, parent) {
  pads_ = new PadPanel(session, view);
  eyes_ = new EyePanel(session, view);
  flats_ = new FaceStrip(session, view, FaceStrip::Of::Flats);
  soles_ = new FaceStrip(session, view, FaceStrip::Of::Soles);
  pins_ = new PinPanel(session, view);
  order_ = new OrderPanel(session, view);
  for (QWidget* page : std::initializer_list<QWidget*>{pads_, eyes_, flats_, soles_, pins_, order_})
    addPage(page);
  connect(tabs(), &TabRow::chosen, &view, &FaceView::setTab);
  const auto follow = [this, &view] { setCurrent(view.tab()); };
  connect(&view, &FaceView::changed, this, follow);
  follow();
}

} // namespace columna
