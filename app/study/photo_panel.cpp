#include "study/photo_panel.h"

#include "edit/study_edit.h"
#include "kit/beside.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "kit/settings.h"
#include "measure/whole.h"
#include "session/changes.h"
#include "study/study_layer.h"
#include "theme/theme.h"

#include <QCheckBox>
#include <QComboBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QListWidget>
#include <QProgressBar>
#include <QToolButton>
#include <QVBoxLayout>

namespace columna {
PhotoPanel::PhotoPanel(Session& session, StudyView& study, StudyLayer* layer, QWidget* parent)
    : QWidget(parent), session_(session), study_(study), layer_(layer) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, px(8), 0);
  row->setSpacing(px(16));

  auto* left = new QVBoxLayout;
  left->setSpacing(px(4));
  view_ = new QComboBox(this);
  view_->setAccessibleName(tr("View of the picture"));
  for (const QString& name : {tr("from the side"), tr("from the front"), tr("from above")})
    view_->addItem(name);
  view_->setFixedWidth(px(150));
  add_ = new QPushButton(tr("Take one in…"), this);
  remove_ = new QPushButton(tr("Take it out"), this);
  left->addWidget(view_);
  left->addWidget(add_);
  left->addWidget(remove_);
  bar_ = new QProgressBar(this);
  bar_->setRange(0, 100);
  bar_->setTextVisible(false);
  bar_->setFixedHeight(px(8));
  bar_->setAccessibleName(tr("How much of the picture is read"));
  bar_->hide();
  left->addWidget(bar_);
  left->addStretch();
  row->addLayout(left);

  auto* middle = new QVBoxLayout;
  middle->setSpacing(px(4));
  prompt_ = textLabel(this, 20, QFont::DemiBold);
  trouble_ = textLabel(this, 13, QFont::Normal);
  setFaint(trouble_);
  middle->addWidget(prompt_);
  middle->addWidget(trouble_);
  auto* acts = new QHBoxLayout;
  accept_ = new QPushButton(tr("Take the dotted places"), this);
  skip_ = new QPushButton(tr("Skip"), this);
  acts->addWidget(accept_);
  acts->addWidget(skip_);
  far_ = new QCheckBox(tr("far side too"), this);
  far_->setToolTip(tr("ask for the legs behind as well, to compare or average both sides"));
  connect(far_, &QCheckBox::toggled, &study_, &StudyView::setFarSide);
  acts->addWidget(far_);
  acts->addStretch();
  middle->addLayout(acts);
  auto* tools = new QHBoxLayout;
  tools->setSpacing(px(2));
  const std::array<QString, 4> names{tr("landmarks"), tr("straighten"), tr("length"), tr("height")};
  const std::array<QString, 4> tips{tr("click the landmark asked for, drag any of them"),
                                    tr("draw a line that should lie level or stand upright"),
                                    tr("draw a line whose length you know, then type it"),
                                    tr("draw a line from the ground to the highest point")};
  for (size_t i = 0; i < tools_.size(); ++i) {
    auto* tool = new QToolButton(this);
    tool->setText(names[i]);
    tool->setToolTip(tips[i]);
    tool->setCheckable(true);
    tool->setFocusPolicy(Qt::TabFocus);
    connect(tool, &QToolButton::clicked, this, [this, i] { study_.setPhotoTool(static_cast<PhotoTool>(i)); });
    tools_[i] = tool;
    tools->addWidget(tool);
  }
  known_ = new QLineEdit(this);
  known_->setPlaceholderText(tr("line is…"));
  known_->setAccessibleName(tr("Length of the line on the figure"));
  known_->setFixedWidth(px(84));
  tools->addWidget(known_);
  tools->addStretch();
  middle->addLayout(tools);
  middle->addStretch();
  row->addLayout(middle, 1);

  auto* right = new QVBoxLayout;
  right->setSpacing(px(4));
  bones_ = new QListWidget(this);
  bones_->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Ignored); // as high as the rack allows
  bones_->setMinimumHeight(px(72));
  bones_->setAccessibleName(tr("Bones of the picture against the animal's"));
  bones_->setFixedWidth(px(240));
  bones_->setStyleSheet(
      QStringLiteral("QListWidget { padding: 2px; } QListWidget::item { padding: 1px 4px; }"));
  right->addWidget(bones_, 1);
  auto* take = new QHBoxLayout;
  average_ = new QCheckBox(tr("sides alike"), this);
  average_->setChecked(true);
  average_->setToolTip(tr("both sides of a pair take their mean; otherwise each keeps its own"));
  adopt_ = new QPushButton(tr("Take over"), this);
  take->addWidget(average_);
  take->addStretch();
  take->addWidget(adopt_);
  right->addLayout(take);
  row->addLayout(right);

  connect(add_, &QPushButton::clicked, this, [this] { loading() ? stop() : choose(); });
  metering_.setInterval(40);
  connect(&metering_, &QTimer::timeout, this, [this] { bar_->setValue(meter_->percent); });
  connect(remove_, &QPushButton::clicked, this, [this] { study_.removePhoto(study_.photoIndex()); });
  connect(view_, &QComboBox::activated, this, [this](int index) {
    for (size_t i = 0; i < session_.project().photos.size(); ++i)
      if (static_cast<int>(session_.project().photos[i].view) == index)
        study_.setPhotoIndex(static_cast<int>(i));
  });
  connect(skip_, &QPushButton::clicked, &study_, &StudyView::skipLandmark);
  connect(accept_, &QPushButton::clicked, this, &PhotoPanel::acceptProposed);
  connect(adopt_, &QPushButton::clicked, this, &PhotoPanel::takeOver);
  connect(known_, &QLineEdit::returnPressed, this, &PhotoPanel::knownLength);
  connect(layer_, &StudyLayer::lineDrawn, this, [this] {
    known_->setEnabled(true);
    known_->setFocus();
  });
  connect(&watcher_, &QFutureWatcher<Result<Picture>>::finished, this, [this] {
    const Result<Picture> read = answerOf(watcher_);
    metering_.stop();
    bar_->hide();
    add_->setText(tr("Take one in…"));
    if (meter_->stop)
      session_.note(tr("Reading was stopped; nothing was changed."));
    else if (!read)
      session_.refuse(sentence(read.problem(), session_.units()));
    else if (!study_.addPhoto(loadingView_, read->jpeg, read->image))
      emit loaded();
    refresh();
  });
  session_.onSettled(this, [this] {
    if (isVisible()) refresh();
  });
  connect(&study_, &StudyView::changed, this, [this] {
    if (isVisible()) refresh();
  });
  refresh();
}

PhotoPanel::~PhotoPanel() {
  stop();
  awaitEnd(watcher_);
}

void PhotoPanel::stop() {
  if (meter_) meter_->stop = true;
}

void PhotoPanel::choose() {
  const QString path = QFileDialog::getOpenFileName(this, tr("Take a picture in"), lastFolder(),
                                                    tr("Pictures (*.png *.jpg *.jpeg *.webp *.tif *.tiff)"));
  if (!path.isEmpty()) load(path, static_cast<View>(view_->currentIndex()));
}

void PhotoPanel::load(const QString& path, View view) {
  if (watcher_.isRunning()) return;
  loadingView_ = view;
  add_->setText(tr("Stop reading"));
  meter_ = std::make_shared<PictureProgress>();
  bar_->setValue(0);
  bar_->show();
  metering_.start();
  watcher_.setFuture(beside([path, meter = meter_] { return readPicture(path, meter.get()); }));
  refresh();
}

QString PhotoPanel::prompt() const { return prompt_->text(); }

void PhotoPanel::showEvent(QShowEvent* /*event*/) { refresh(); }

void PhotoPanel::refresh() {
  const int index = study_.photoIndex();
  const bool any = index >= 0;
  for (QWidget* w : std::array<QWidget*, 5>{remove_, skip_, accept_, bones_, adopt_}) w->setEnabled(any);
  for (size_t i = 0; i < tools_.size(); ++i) {
    tools_[i]->setEnabled(any);
    tools_[i]->setChecked(static_cast<PhotoTool>(i) == study_.photoTool());
    tools_[i]->setStyleSheet(QStringLiteral("QToolButton { color: %1; font-weight: %2; }")
                                 .arg(tools_[i]->isChecked() ? theme().woad.name() : theme().faint.name())
                                 .arg(tools_[i]->isChecked() ? 600 : 400));
  }
  known_->setVisible(study_.photoTool() == PhotoTool::KnownLength);
  known_->setEnabled(layer_->lineLength() > 0);
  if (!any) {
    prompt_->setText(watcher_.isRunning() ? tr("Reading the picture …")
                                          : tr("Take a picture of the animal in"));
    trouble_->setText(tr("from the side first; it is kept in the file, small enough to carry"));
    bones_->clear();
    return;
  }
  const Photo& photo = session_.project().photos[static_cast<size_t>(index)];
  view_->setCurrentIndex(static_cast<int>(photo.view));
  far_->setVisible(photo.view == View::Side);
  const std::string next = study_.nextLandmark();
  if (study_.photoTool() == PhotoTool::Landmarks)
    prompt_->setText(
        next.empty()
            ? tr("Every landmark is placed")
            : tr("Click: %1").arg(str(Name(landmarkWords(session_.plan().pattern, next, photo.view)))));
  else
    prompt_->setText(study_.photoTool() == PhotoTool::Straighten ? tr("Draw a line that is level or upright")
                     : study_.photoTool() == PhotoTool::Tall     ? tr("Draw from the ground to the top")
                                                                 : tr("Draw a line of known length"));
  const auto fit = fitSimilarity(session_.plan().pattern, photo);
  const bool begun = photo.landmarks.size() >= 2;
  trouble_->setText(fit     ? tr("%1 placed; the dotted ones only want dragging").arg(photo.landmarks.size())
                    : begun ? sentence(fit.problem(), session_.units())
                            : tr("after two, the rest are proposed"));
  accept_->setEnabled(fit.ok() && !next.empty());
  skip_->setEnabled(!next.empty());
  fillBones();
}

void PhotoPanel::fillBones() {
  std::set<QString> off;
  for (int i = 0; i < bones_->count(); ++i)
    if (bones_->item(i)->checkState() == Qt::Unchecked && bones_->item(i)->data(Qt::UserRole + 1).toBool())
      off.insert(bones_->item(i)->data(Qt::UserRole).toString());
  bones_->clear();
  const Pattern* animal = session_.catalog().pattern(session_.project().pattern);
  Shape character;
  character.character = session_.project().shape.character;
  for (const TracedBone& t : traceBones(shaped(*animal, character), session_.project().photos)) {
    const PatternBone* bone = animal->bone(t.bone);
    QString name = str(Name(bone ? bone->name : t.bone));
    if (t.side != 0) name = (t.side > 0 ? tr("left %1") : tr("right %1")).arg(name);
    QString text = tr("%1   %2 %").arg(name).arg(nearestWhole(t.ratio * 100));
    if (!t.reliable) text += tr("  points at the camera");
    if (t.turnedAway) text += tr("  probably turned to the camera");
    auto* item = new QListWidgetItem(text, bones_);
    const bool usable = t.reliable && !t.turnedAway;
    item->setData(Qt::UserRole, str(t.bone));
    item->setData(Qt::UserRole + 1, usable);
    item->setFlags(usable ? Qt::ItemIsEnabled | Qt::ItemIsUserCheckable | Qt::ItemIsSelectable
                          : Qt::ItemIsSelectable);
    item->setCheckState(usable && !off.contains(str(t.bone)) ? Qt::Checked : Qt::Unchecked);
  }
  adopt_->setEnabled(bones_->count() > 0);
}

void PhotoPanel::takeOver() {
  std::set<std::string> only;
  for (int i = 0; i < bones_->count(); ++i)
    if (bones_->item(i)->checkState() == Qt::Checked)
      only.insert(bones_->item(i)->data(Qt::UserRole).toString().toStdString());
  if (only.empty()) return;
  const Pattern* animal = session_.catalog().pattern(session_.project().pattern);
  Shape character;
  character.character = session_.project().shape.character;
  changes::setShape(session_, tr("lengths from the picture"),
                    adoptTrace(session_.project().shape,
                               traceBones(shaped(*animal, character), session_.project().photos),
                               average_->isChecked(), only),
                    false);
}

void PhotoPanel::acceptProposed() {
  const int index = study_.photoIndex();
  if (index < 0) return;
  std::vector<Photo> photos = session_.project().photos;
  Photo& photo = photos[static_cast<size_t>(index)];
  const auto proposed = proposeLandmarks(session_.plan().pattern, photo);
  if (!proposed) {
    session_.refuse(sentence(proposed.problem(), session_.units()));
    return;
  }
  for (const auto& [joint, at] : *proposed)
    if (photo.view != View::Side || !joint.starts_with("left-")) photo.landmarks[joint] = at;
  changes::setPhotos(session_, tr("proposed landmarks"), std::move(photos));
}

void PhotoPanel::knownLength() {
  const auto mm = parseLength(known_->text().toStdString(), session_.units());
  const int index = study_.photoIndex();
  if (!mm || !(*mm > 0)) {
    session_.refuse(mm ? tr("A line of no length settles nothing; give its length on the figure.")
                       : sentence(mm.problem(), session_.units()));
    return;
  }
  if (index < 0 || layer_->lineLength() <= 0) return;
  // The layer gives the line's length alone; where it lay does not matter.
  (void)session_.apply(tr("known length"), edit::photoScaled(session_.project(), static_cast<size_t>(index),
                                                             {0, 0}, {layer_->lineLength(), 0}, *mm));
  study_.setPhotoTool(PhotoTool::Landmarks);
}

} // namespace columna
