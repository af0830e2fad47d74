// A line that looks like a serial one to whoever opens it: a pseudo-terminal, and a link by which it is
// found.
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace columna::standin {

/// $XDG_RUNTIME_DIR/columna, else a folder of the user's own in /tmp; made for the user alone.
[[nodiscard]] std::string folder();

class Line {
public:
  /// `name` is the link's: "scale.port". Error: a sentence.
  [[nodiscard]] std::optional<std::string> open(const std::string& name);
  /// As when it is unplugged: the link goes too.
  void close();
  ~Line() { close(); }
  Line() = default;
  Line(const Line&) = delete;
  Line& operator=(const Line&) = delete;

  [[nodiscard]] bool isOpen() const { return master_ >= 0; }
  [[nodiscard]] int descriptor() const { return master_; }
  [[nodiscard]] const std::string& link() const { return link_; }
  /// What nobody reads is dropped once the line is full.
  void write(std::string_view bytes) const;
  /// What the other end has sent since.
  [[nodiscard]] std::string read() const;

private:
  int master_ = -1, slave_ = -1; ///< the far end is kept open, so that a reader that leaves hangs nothing up
  std::string link_;
};

} // namespace columna::standin
