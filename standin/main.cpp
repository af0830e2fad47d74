// columna-standin scale|callipers|camera: a camera (camera.h), or an instrument to practise with on a line of
// its own. Told on standard input, a line each: put 12.34, take, zero, drift 0.02, noise 0.02, press, unplug
// 3, half, garbage 200, flood 5, silent 4, over, seed 7, quit.
#include "camera.h"
#include "device.h"
#include "line.h"

#include <CLI/CLI.hpp>

#include <algorithm>
#include <array>
#include <chrono>
#include <csignal>
#include <cstdint>
#include <iostream>
#include <sstream>
#include <string>
#include <utility>

#include <poll.h>
#include <unistd.h>

namespace columna::standin {
namespace {

volatile std::sig_atomic_t ended = 0;

class Program {
public:
  Program(Device::Kind kind, std::string name) : device_(kind), name_(std::move(name)) {}

  int run() {
    if (const auto trouble = line_.open(name_)) {
      std::cerr << *trouble << '\n';
      return 2;
    }
    std::cout << "ready " << line_.link() << std::endl;
    while (!done_ && ended == 0) {
      std::array<pollfd, 2> wait{{{STDIN_FILENO, POLLIN, 0}, {line_.descriptor(), POLLIN, 0}}};
      constexpr int tick = 20; // ms
      ::poll(wait.data(), input_ ? 2 : 0, tick);
      if (wait[0].revents & (POLLIN | POLLHUP)) take();
      if (line_.isOpen()) answer();
      speak();
    }
    return 0;
  }

private:
  [[nodiscard]] double now() const {
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - begun_).count();
  }

  /// What was typed to it.
  void take() {
    std::array<char, 512> buffer{};
    const ssize_t n = ::read(STDIN_FILENO, buffer.data(), buffer.size());
    if (n <= 0) {
      input_ = false; // nobody types any more; it goes on until it is ended
      return;
    }
    typed_.append(buffer.data(), static_cast<size_t>(n));
    for (size_t end = typed_.find('\n'); end != std::string::npos; end = typed_.find('\n')) {
      obey(typed_.substr(0, end));
      typed_.erase(0, end + 1);
    }
  }

  void obey(const std::string& command) {
    std::istringstream in(command);
    std::string word;
    double value = 0;
    in >> word;
    in >> value;
    if (word == "put")
      device_.put(value, now());
    else if (word == "take")
      device_.put(0, now());
    else if (word == "zero")
      device_.zero(now());
    else if (word == "drift")
      device_.setDrift(value);
    else if (word == "noise")
      device_.setNoise(value);
    else if (word == "seed")
      device_.setSeed(static_cast<std::uint64_t>(std::max(0.0, value)));
    else if (word == "over")
      device_.setOver(true);
    else if (word == "press")
      send(device_.said(now()));
    else if (word == "silent")
      silentUntil_ = now() + value;
    else if (word == "flood")
      floodUntil_ = now() + value;
    else if (word == "garbage")
      send(device_.garbage(static_cast<int>(value)));
    else if (word == "half") {
      const std::string whole = device_.said(now());
      const size_t point = whole.find('.');
      send(whole.substr(0, point + 1));
      rest_ = whole.substr(point + 1);
      restAt_ = now() + 0.5;
    } else if (word == "unplug") {
      line_.close();
      plugAt_ = now() + value;
    } else if (word == "quit")
      done_ = true;
    else if (!word.empty())
      std::cerr << "\"" << word
                << "\" is no command: put, take, zero, drift, noise, press, unplug, half, garbage, "
                   "flood, silent, over, seed, quit\n";
  }

  void send(const std::string& bytes) const {
    if (line_.isOpen()) line_.write(bytes);
  }

  /// What the other end asks for.
  void answer() {
    for (const char c : line_.read()) {
      if (c == '?') send(device_.said(now()));
      if (c == '0') device_.zero(now());
    }
  }

  void speak() {
    const double t = now();
    if (plugAt_ > 0 && t >= plugAt_) {
      plugAt_ = 0;
      (void)line_.open(name_);
    }
    if (restAt_ > 0 && t >= restAt_) {
      send(rest_);
      restAt_ = 0;
    }
    if (t < floodUntil_)
      for (int i = 0; i < 500; ++i) send(device_.said(t));
    if (device_.kind() != Device::Kind::Scale || t < silentUntil_ || restAt_ > 0 ||
        t - said_ < Device::kEvery)
      return;
    said_ = t;
    send(device_.said(t));
  }

  Device device_;
  Line line_;
  std::string name_, typed_, rest_;
  std::chrono::steady_clock::time_point begun_ = std::chrono::steady_clock::now();
  double said_ = -1, silentUntil_ = 0, floodUntil_ = 0, restAt_ = 0, plugAt_ = 0;
  bool done_ = false, input_ = true;
};

} // namespace
} // namespace columna::standin

int main(int argc, char** argv) {
  using namespace columna::standin;
  CLI::App app("Instruments to practise with, and a camera. What they say is no measurement.");
  app.require_subcommand(1);
  std::string name;
  CLI::App* scale = app.add_subcommand("scale", "A scale on a line of its own.");
  CLI::App* callipers = app.add_subcommand("callipers", "Callipers on a line of their own.");
  for (CLI::App* each : {scale, callipers})
    each->add_option("--name", name, "of its line, in place of its kind");
  CameraOptions shots;
  CLI::App* taking = app.add_subcommand("camera", "Draws photos of a file's figure into a folder.");
  addOptions(*taking, shots);
  CLI11_PARSE(app, argc, argv);
  if (taking->parsed()) return camera(shots);
  for (const int each : {SIGINT, SIGTERM}) std::signal(each, [](int /*signal*/) { ended = 1; });
  std::signal(SIGPIPE, SIG_IGN);
  if (name.empty()) name = scale->parsed() ? "scale" : "callipers";
  if (name.find('/') != std::string::npos) {
    std::cerr << "--name \"" << name << "\": give a word\n";
    return 2;
  }
  return Program(scale->parsed() ? Device::Kind::Scale : Device::Kind::Callipers, name + ".port").run();
}
