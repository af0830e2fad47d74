// Joins: how pieces are held to each other and to the body.
#pragma once

#include <string>
#include <vector>

namespace columna {

/// Kinds: "mutual-twist" (two full turns of one wire round the other), "lashing" (a short extra piece),
/// "awl-hole" (glued into the body), "glue-stay" (a blob that keeps the hips apart), "spine-pin" (a short
/// wire between head and body), "tail-foot" (the tail bent down as a third foot), "through" (pushed through
/// the body), "thread" (strung on strong thread), "skewer" (wound on a skewer, not wire).
struct Join {
  std::string kind;
  int point = -1;         ///< of the skeleton
  std::vector<int> limbs; ///< that it concerns
  double length = 0;      ///< mm: depth of a hole, length of a pin or of the thread; of a skewered part how
                          ///< long to begin it
  double thickness = 0;   ///< mm: of a skewer
  Said text;              ///< what to do, in one sentence
};

} // namespace columna
