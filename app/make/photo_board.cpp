#include "make/photo_board.h"

#include "kit/own_keys.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "kit/settings.h"
#include "theme/theme.h"

#include <QBoxLayout>
#include <QCoreApplication>
#include <QFileDialog>
#include <QKeyEvent>
#include <QPainter>

namespace columna {

PhotoBoard::PhotoBoard(Session& session, MakeView& view, PhotoWork& work, QWidget* parent)
    : QWidget(parent), session_(session), view_(view), work_(work) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Photo check"));
  build();
  ticks_.setInterval(100);
  connect(&ticks_, &QTimer::timeout, this, [this] { bar_->setValue(work_.thousandths()); });
  connect(&work_, &PhotoWork::changed, this, &PhotoBoard::refresh);
  refresh();
}

PhotoBoard::~PhotoBoard() {
  if (!camera_) return;
  camera_->disconnect(this);
  camera_->kill();
  camera_->waitForFinished();
}

QPushButton* PhotoBoard::key(const QString& words, const QString& tip, std::function<void()> act) {
  auto* made = new QPushButton(words, this);
  made->setToolTip(tip);
  connect(made, &QPushButton::clicked, this, std::move(act));
  return made;
}

void PhotoBoard::build() {
  auto* across = new QHBoxLayout(this);
  across->setContentsMargins(px(20), px(16), px(20), px(16));
  across->setSpacing(px(20));
  picture_ = new PhotoPicture(work_, session_.units(), this);
  across->addWidget(picture_, 1);
  auto* column = new QVBoxLayout;
  column->setSpacing(px(8));
  across->addLayout(column);
  head_ = textLabel(this, 20, QFont::DemiBold);
  head_->setText(tr("Photo check"));
  column->addWidget(head_);
  auto* keys = new QHBoxLayout;
  open_ = key(tr("Photo… (O)"), tr("a photo of the work, from a file"), [this] { open(); });
  watch_ = key(tr("Folder… (D)"), tr("each photo that comes into a folder from now on"), [this] { watch(); });
  keys->addWidget(open_, 1);
  keys->addWidget(watch_, 1);
  column->addLayout(keys);
  views_ = new QComboBox(this);
  views_->setAccessibleName(tr("Taken"));
  for (const PhotoView each : kPhotoViews) views_->addItem(tr("taken %1").arg(str(Name(word(each)))));
  over_ = new QComboBox(this);
  over_->setAccessibleName(tr("Over the photo"));
  over_->addItems({tr("the plan over it"), tr("its other side over it"), tr("the photo alone")});
  over_->setToolTip(tr("M takes the next"));
  column->addWidget(views_);
  column->addWidget(over_);
  words_ = textLabel(this, 15, QFont::DemiBold);
  words_->setAccessibleName(tr("What the photo shows"));
  column->addWidget(words_);
  bar_ = new QProgressBar(this);
  bar_->setRange(0, 1000);
  bar_->setTextVisible(false);
  bar_->setFixedHeight(px(6));
  bar_->setAccessibleName(tr("How far it is"));
  column->addWidget(bar_);
  list_ = new QListWidget(this);
  list_->setAccessibleName(tr("What is off, and what the photo cannot show"));
  list_->setWordWrap(true);
  list_->setSpacing(px(2));
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  column->addWidget(list_, 3);
  column->addStretch();
  folder_ = textLabel(this, 13, QFont::Normal);
  setFaint(folder_);
  column->addWidget(folder_);
  auto* more = new QHBoxLayout;
  box_ = key(tr("Box (B)"),
             tr("drawn round the figure, where its ground is not plain: arrows move it, with Shift its "
                "size, Enter takes it"),
             [this] { picture_->setBoxing(!picture_->boxing()); });
  practise_ = key(tr("Practise"), tr("a drawn photo of this figure with a fault, to try it with"),
                  [this] { practise(); });
  more->addWidget(box_, 1);
  more->addWidget(practise_, 1);
  column->addLayout(more);
  auto* last = new QHBoxLayout;
  keep_ = key(tr("Keep in the record (K)"), tr("the photo, and what it shows"), [this] { keep(); });
  back_ = key(tr("Back (Esc)"), tr("to the work"), [this] { emit left(); });
  last->addWidget(keep_, 1);
  last->addWidget(back_);
  column->addLayout(last);
  for (QWidget* each : std::initializer_list<QWidget*>{list_, views_, words_, head_, folder_})
    each->setFixedWidth(frame(340));
  for (QLabel* each : {head_, words_, folder_}) each->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Minimum);
  connect(views_, &QComboBox::currentIndexChanged, this,
          [this](int index) { work_.setView(kPhotoViews[static_cast<size_t>(index)]); });
  connect(over_, &QComboBox::currentIndexChanged, this,
          [this](int index) { picture_->setOver(static_cast<PhotoPicture::Over>(index)); });
  connect(list_, &QListWidget::currentRowChanged, picture_, &PhotoPicture::setCurrent);
  connect(picture_, &PhotoPicture::boxed, this, [this](const PhotoBox& box) { work_.setBox(box); });
}

void PhotoBoard::refresh() {
  const QSignalBlocker quiet(views_);
  views_->setCurrentIndex(static_cast<int>(work_.view()));
  const bool busy = work_.busy();
  bar_->setVisible(busy);
  if (busy)
    ticks_.start();
  else
    ticks_.stop();
  const PhotoCheck* check = work_.check();
  QString words;
  if (busy)
    words = tr("Looking at %1…").arg(work_.name());
  else if (!work_.trouble().isEmpty())
    words = work_.trouble();
  else if (check)
    words = work_.findings().empty()
                ? tr("Nothing is off by more than this photo can tell.")
                : tr("%n thing(s) to look at", nullptr, static_cast<int>(work_.findings().size()));
  if (work_.standIn() && !busy && !words.isEmpty())
    words = tr("For practice, from a stand-in: no measurement.\n%1").arg(words);
  words_->setText(words);
  words_->setVisible(!words.isEmpty());
  QPalette palette = words_->palette();
  palette.setColor(QPalette::WindowText, !work_.trouble().isEmpty() ? theme().madder : theme().ink);
  words_->setPalette(palette);
  list_->clear();
  for (const PhotoFinding& f : work_.findings()) list_->addItem(str(f.text, session_.units()));
  if (check) { // what it cannot show stands under that, and cannot be chosen
    QStringList limits{str(photoTaken(*check), session_.units()) + u'.'};
    for (const Said& each : photoLimits(*check, work_.figure())) limits << str(each, session_.units());
    for (const QString& each : limits) {
      auto* item = new QListWidgetItem(each, list_);
      item->setFlags(Qt::NoItemFlags);
      item->setForeground(theme().faint);
    }
  }
  // As high as its words are: the style's own room beside them is not counted by the list.
  for (int row = 0; row < list_->count(); ++row) {
    const QRect lines = list_->fontMetrics().boundingRect(0, 0, list_->width() - px(64), px(2000),
                                                          Qt::TextWordWrap, list_->item(row)->text());
    list_->item(row)->setSizeHint(QSize(list_->width() - px(30), lines.height() + px(16)));
  }
  list_->setVisible(list_->count() > 0);
  const QString& folder = work_.folder().folder();
  folder_->setText(folder.isEmpty()        ? QString()
                   : work_.folder().away() ? tr("The folder %1 is away: looked for each second.").arg(folder)
                                           : tr("Watching %1.").arg(folder));
  folder_->setVisible(!folder.isEmpty());
  keep_->setEnabled(check && !busy);
  box_->setEnabled(!work_.picture().isNull() && !busy);
  over_->setEnabled(check);
  picture_->setCurrent(-1);
}

void PhotoBoard::open(QString path) {
  if (path.isEmpty())
    path = QFileDialog::getOpenFileName(this, tr("A photo of the work"), lastFolder(),
                                        tr("Pictures (*.png *.jpg *.jpeg *.webp *.tif *.tiff)"));
  if (!path.isEmpty()) work_.look(path);
}

void PhotoBoard::watch(QString folder) {
  if (folder.isEmpty() && !work_.folder().folder().isEmpty()) { // a second press lets it be
    work_.folder().watch({});
    return;
  }
  if (folder.isEmpty())
    folder = QFileDialog::getExistingDirectory(this, tr("Photos come into"), lastFolder());
  if (!folder.isEmpty()) work_.folder().watch(folder);
}

void PhotoBoard::keep() {
  const PhotoCheck* check = work_.check();
  if (!check || work_.busy()) return;
  QStringList words{str(photoTaken(*check), session_.units())};
  std::string limb;
  double off = 0;
  for (const PhotoFinding& f : work_.findings()) {
    words << str(f.text, session_.units());
    if (off > 0) continue; // they come with what matters most first
    limb = work_.figure().limbs[static_cast<size_t>(f.limb)].id;
    off = f.off;
  }
  if (work_.findings().empty()) words << tr("nothing off");
  if (!view_.photoCheck(work_.jpeg(), words.join(QStringLiteral("; ")), limb, off,
                        work_.standIn() ? EntryBy::StandIn : EntryBy::Photo))
    session_.note(tr("Kept in the record."));
}

void PhotoBoard::practise() {
  if (camera_) return;
  if (session_.path().isEmpty() || session_.changed()) {
    session_.refuse(tr("The stand-in draws the figure from its file: save it first."));
    return;
  }
  camera_ = new QProcess(this);
  const auto ended = [this] {
    camera_->deleteLater();
    camera_ = nullptr;
    practise_->setEnabled(true);
  };
  connect(camera_, &QProcess::finished, this, [this, ended] {
    const QString path =
        practice_.filePath(QStringLiteral("shot-%1.png").arg(shots_, 3, 10, QLatin1Char('0')));
    const QString trouble = QString::fromUtf8(camera_->readAllStandardError()).simplified();
    ended();
    if (QFile::exists(path))
      work_.look(path);
    else
      session_.refuse(trouble.isEmpty() ? tr("The stand-in gave no picture.") : trouble);
  });
  connect(camera_, &QProcess::errorOccurred, this, [this, ended](QProcess::ProcessError error) {
    if (error != QProcess::FailedToStart) return;
    ended();
    session_.refuse(tr("The stand-in is not beside the program: build or install columna-standin."));
  });
  practise_->setEnabled(false);
  ++shots_;
  camera_->start(QCoreApplication::applicationDirPath() + QStringLiteral("/columna-standin"),
                 {QStringLiteral("camera"), session_.path(), QStringLiteral("--folder"), practice_.path(),
                  QStringLiteral("--view"), QString::fromLatin1(id(work_.view())), QStringLiteral("--mat"),
                  QStringLiteral("--any-fault"), QStringLiteral("--number"), QString::number(shots_),
                  QStringLiteral("--seed"), QString::number(7 + shots_)});
}

void PhotoBoard::nextOver() { over_->setCurrentIndex((over_->currentIndex() + 1) % over_->count()); }

void PhotoBoard::paintEvent(QPaintEvent* /*event*/) { QPainter(this).fillRect(rect(), theme().ground); }

bool PhotoBoard::event(QEvent* event) { return keepsPlainKey(event) || QWidget::event(event); }

void PhotoBoard::keyPressEvent(QKeyEvent* event) {
  if (event->modifiers() & (Qt::ControlModifier | Qt::AltModifier)) return QWidget::keyPressEvent(event);
  switch (event->key()) {
  case Qt::Key_Escape:
    emit left();
    return;
  case Qt::Key_O:
    open();
    return;
  case Qt::Key_D:
    watch();
    return;
  case Qt::Key_B:
    if (box_->isEnabled()) box_->click();
    return;
  case Qt::Key_M:
    if (over_->isEnabled()) nextOver();
    return;
  case Qt::Key_K:
    keep();
    return;
  default:
    QWidget::keyPressEvent(event);
  }
}

} // namespace columna
