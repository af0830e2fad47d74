// What the window does with files: open, save, leave, and go on after a crash.
#include "kit/settings.h"
#include "shell/keeping.h"
#include "shell/left_dialog.h"
#include "shell/main_window.h"

#include <QBuffer>
#include <QCloseEvent>
#include <QDragEnterEvent>
#include <QDropEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QMenu>
#include <QMessageBox>
#include <QMimeData>
#include <QPushButton>

namespace columna {
namespace {

QString projectFilter() { return MainWindow::tr("Columna projects (*.columna)"); }

} // namespace

void MainWindow::fresh() { chooseAnimal(); }

void MainWindow::open() {
  if (!mayLeave()) return;
  const QString path = QFileDialog::getOpenFileName(this, tr("Open"), lastFolder(), projectFilter());
  if (!path.isEmpty()) openFile(path);
}

bool MainWindow::save() {
  if (session_.path().isEmpty() || session_.readOnly()) return saveAs();
  if (session_.changedOutside()) {
    QMessageBox box(QMessageBox::NoIcon, tr("Columna"),
                    tr("%1 was changed by another program since it was opened. Write over that, or save this "
                       "under another name?")
                        .arg(QFileInfo(session_.path()).fileName()),
                    QMessageBox::Cancel, this);
    const QPushButton* other = box.addButton(tr("Save as…"), QMessageBox::AcceptRole);
    const QPushButton* over = box.addButton(tr("Write over it"), QMessageBox::DestructiveRole);
    box.exec();
    if (box.clickedButton() == other) return saveAs();
    if (box.clickedButton() != over) return false;
  }
  return saveTo(session_.path());
}

bool MainWindow::saveAs() {
  QFileDialog dialog(this, tr("Save as"), lastFolder(), projectFilter());
  dialog.setAcceptMode(QFileDialog::AcceptSave);
  dialog.setDefaultSuffix(QStringLiteral("columna")); // so that it asks about the file that is written
  dialog.selectFile(asFileName(QString::fromStdString(session_.project().name)) + QStringLiteral(".columna"));
  if (dialog.exec() != QDialog::Accepted || dialog.selectedFiles().isEmpty()) return false;
  const QString path = dialog.selectedFiles().front();
  if (!saveTo(path)) return false;
  remember(path);
  return true;
}

bool MainWindow::saveTo(const QString& path) {
  keepThumbnail();
  if (const auto sentence = session_.save(path)) {
    tell(*sentence);
    return false;
  }
  keeping_->drop();
  return true;
}

bool MainWindow::openFile(const QString& path) {
  if (const auto sentence = session_.open(path)) {
    tell(*sentence);
    return false;
  }
  keeping_->drop(); // of what was open before
  remember(path);
  mat_->fit();
  const QStringList messages = session_.takeMessages();
  if (!messages.isEmpty()) tell(messages.join(QStringLiteral("\n\n")));
  return true;
}

void MainWindow::keepThumbnail() {
  const QPixmap picture = mat_->grab().scaled(320, 240, Qt::KeepAspectRatio, Qt::SmoothTransformation);
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  picture.save(&buffer, "PNG");
  session_.keepEntry("thumbnail.png", buffer.data().toStdString());
}

bool MainWindow::offerLeft() {
  std::vector<LeftBehind> left = Keeping::left();
  if (left.empty()) return false;
  LeftDialog dialog(std::move(left), this);
  if (dialog.exec() != QDialog::Accepted || !dialog.chosen()) return false;
  if (const auto sentence = keeping_->goOn(*dialog.chosen())) {
    tell(*sentence);
    return false;
  }
  mat_->fit();
  const QStringList messages = session_.takeMessages();
  if (!messages.isEmpty()) tell(messages.join(QStringLiteral("\n\n")));
  return true;
}

bool MainWindow::mayLeave() {
  if (!session_.changed()) return true;
  QMessageBox box(
      QMessageBox::NoIcon, tr("Columna"),
      tr("%1 has changes that are not saved.").arg(QString::fromStdString(session_.project().name)),
      QMessageBox::Save | QMessageBox::Discard | QMessageBox::Cancel, this);
  box.setDefaultButton(QMessageBox::Save);
  const int answer = box.exec();
  if (answer == QMessageBox::Save) return save();
  return answer == QMessageBox::Discard;
}

void MainWindow::closeEvent(QCloseEvent* event) {
  if (!mayLeave()) {
    event->ignore();
    return;
  }
  keeping_->drop();
  event->accept();
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
  for (const QUrl& url : event->mimeData()->urls())
    if (url.isLocalFile()) event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event) {
  for (const QUrl& url : event->mimeData()->urls())
    if (url.isLocalFile()) {
      if (mayLeave()) openFile(url.toLocalFile());
      return;
    }
}

void MainWindow::remember(const QString& path) { rememberFile(path); }

void MainWindow::fillRecent(QMenu* menu) {
  menu->clear();
  const QStringList recent = recentFiles();
  for (const QString& path : recent)
    menu->addAction(QFileInfo(path).fileName(), this,
                    [this, path] {
                      if (mayLeave()) openFile(path);
                    })
        ->setToolTip(path);
  if (recent.isEmpty()) menu->addAction(tr("nothing yet"))->setEnabled(false);
}

} // namespace columna
