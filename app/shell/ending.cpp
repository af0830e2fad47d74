#include "shell/ending.h"

#include <QCoreApplication>
#include <QSocketNotifier>

#include <array>
#include <csignal>
#include <sys/socket.h>
#include <unistd.h>

namespace columna {
namespace {

// A signal may come in the middle of anything: all that is done there is to write a byte.
std::array<int, 2> ends{-1, -1};

extern "C" void heard(int /*signal*/) {
  const char byte = 1;
  (void)!::write(ends[0], &byte, 1);
}

void listen(void (*handler)(int)) {
  struct sigaction action {};
  action.sa_handler = handler;
  sigemptyset(&action.sa_mask);
  action.sa_flags = SA_RESTART;
  for (const int signal : {SIGTERM, SIGINT, SIGHUP}) ::sigaction(signal, &action, nullptr);
}

} // namespace

Ending::Ending(std::function<void()> keep, QObject* parent) : QObject(parent), keep_(std::move(keep)) {
  if (::socketpair(AF_UNIX, SOCK_STREAM | SOCK_CLOEXEC, 0, ends.data()) != 0) return;
  auto* notifier = new QSocketNotifier(ends[1], QSocketNotifier::Read, this);
  connect(notifier, &QSocketNotifier::activated, this, [this, notifier] {
    notifier->setEnabled(false);
    keep_();
    QCoreApplication::exit(0);
  });
  listen(heard);
}

Ending::~Ending() {
  listen(SIG_DFL);
  for (int& end : ends) {
    if (end >= 0) ::close(end);
    end = -1;
  }
}

} // namespace columna
