// All that a figure's face asks of the maker, from the plan: pads, pins, eyes, ears, soles, what was
// measured, and what is doubtful.
#pragma once

#include "face/face_steps.h"
#include "face/foot.h"
#include "face/symmetry.h"
#include "judge/offered_pads.h"
#include "plan/plan.h"

#include <memory>

namespace columna {

/// Its parts refer to one another: it stays where it was made.
struct FaceSums {
  FaceSums(HeadPattern own, double mm) : head(std::move(own)), field(head, mm) {}
  FaceSums(const FaceSums&) = delete;
  FaceSums& operator=(const FaceSums&) = delete;
  ~FaceSums() = default;

  HeadPattern head;    ///< with the maker's pads, eyes and ears, under the dials
  HeadField field;     ///< mm
  std::string variant; ///< of the animal's head, by id; empty: as usual
  double density = 0;  ///< g/mm3 of the head's felt
  FaceReport report;
  FaceMeasured measured;
  std::vector<Sole> soles;
  std::vector<FaceStep> steps;     ///< in the order of work
  std::vector<OfferedPad> offered; ///< pads that may be laid on
  std::vector<FlatWire> wires;     ///< of the flat parts that take one
  std::vector<Finding> findings;
  /// The wire of that flat part; null where it takes none.
  [[nodiscard]] const FlatWire* wireOf(const std::string& flat) const;
};

/// Takes some tenths of a second. Null where the animal has no head of its own.
[[nodiscard]] std::shared_ptr<const FaceSums> faceSums(const Project& project, const Catalog& catalog,
                                                       const Plan& plan);

/// A figure of nothing but its head, with its ears, horns and bill.
[[nodiscard]] Figure headAlone(const Figure& figure);

} // namespace columna
