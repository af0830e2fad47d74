// A value that is made once and then shared: copies are one pointer, and whether two are the very same can be
// asked. It reads like the value itself; nothing changes it but a new one. What is read out of it lives as
// long as the plan it is a part of: hold the plan.
#pragma once

#include <cstddef>
#include <memory>
#include <utility>

namespace columna {

template <class T>
class Shared {
public:
  /// The empty value, one for all.
  Shared() = default;
  Shared(T value) : value_(std::make_shared<const T>(std::move(value))) {}

  [[nodiscard]] const T& operator*() const { return value_ ? *value_ : none(); }
  const T* operator->() const { return &**this; }
  operator const T&() const { return **this; }

  /// The very same, not only alike.
  [[nodiscard]] bool same(const Shared& other) const { return value_ == other.value_; }

  // Of lists.
  [[nodiscard]] auto begin() const { return (**this).begin(); }
  [[nodiscard]] auto end() const { return (**this).end(); }
  [[nodiscard]] size_t size() const { return (**this).size(); }
  [[nodiscard]] bool empty() const { return (**this).empty(); }
  [[nodiscard]] decltype(auto) operator[](size_t i) const { return (**this)[i]; }
  [[nodiscard]] decltype(auto) front() const { return (**this).front(); }
  [[nodiscard]] decltype(auto) back() const { return (**this).back(); }

private:
  static const T& none() {
    static const T value{};
    return value;
  }
  std::shared_ptr<const T> value_;
};

} // namespace columna
