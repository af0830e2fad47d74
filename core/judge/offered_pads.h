// Pads and hollows of small anatomy that may be laid on an animal: what each comes to on this figure.
#pragma once

#include "plan/plan.h"

namespace columna {

/// One that may be laid on.
struct OfferedPad {
  std::string id, name;
  bool head = false; ///< else of the body
  bool hollow = false;
  bool on = false;
  int count = 0;                            ///< how many: 2 of a pair
  double length = 0, width = 0, height = 0; ///< mm of one
  double grams = 0;                         ///< g of all of them, about; 0 of a hollow
  bool tooSmall = false;                    ///< to be felted as a pad
};
/// All that the animal has a place for, those of the head first.
[[nodiscard]] std::vector<OfferedPad> offeredPads(const Project& project, const Catalog& catalog,
                                                  const Plan& plan);

} // namespace columna
