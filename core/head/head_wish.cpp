#include "head/head_wish.h"

namespace columna {

HeadPattern asWished(HeadPattern head, const FaceWish& wish) {
  std::erase_if(head.features, [&](const HeadFeature& f) {
    const auto found = wish.features.find(f.id);
    return found != wish.features.end() && found->second.out;
  });
  for (HeadFeature& f : head.features) {
    const auto found = wish.features.find(f.id);
    if (found == wish.features.end()) continue;
    f.at += found->second.shift;
    if (f.to) *f.to += found->second.shift;
    for (double& r : f.radii) r *= found->second.factor;
  }
  return head;
}

} // namespace columna
