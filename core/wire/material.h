// Wire materials: what the sums need to know of a metal, with ranges and sources. The numbers live in
// data/materials/, one file each.
#pragma once

#include "measure/result.h"

#include <string>
#include <string_view>
#include <vector>

namespace columna {

/// An estimate: the value used and the plausible range round it.
struct Estimate {
  double value = 0, low = 0, high = 0;

  [[nodiscard]] bool operator==(const Estimate&) const = default;
};

struct Material {
  std::string id;        ///< "aluminium-annealed"
  std::string name;      ///< "annealed aluminium"
  std::string shortName; ///< "aluminium"
  Estimate elastic;      ///< Young's modulus, MPa
  double poisson = 0.3;
  Estimate yield;       ///< 0.2 % proof stress, MPa
  double flow2 = 0;     ///< flow stress at 2 % strain, MPa (to about 20 %)
  double flow10 = 0;    ///< flow stress at 10 % strain, MPa (to about 20 %)
  double ultimate = 0;  ///< tensile strength, MPa
  double density = 0;   ///< g/mm3
  double hardening = 0; ///< exponent n of sigma = K eps^n
  double bendOnce = 1;  ///< smallest inside radius bent once, in diameters
  double bendAgain = 2; ///< smallest inside radius of a joint that is re-posed, in diameters
  double fatigueStress = 0, fatigueB = 0, fatigueStrain = 0, fatigueC = 0; ///< strain-life constants
  std::vector<double> diameters; ///< mm, as sold, thinnest first; of a stem, its strands
  double coverRadial = 0;        ///< thickness of a paper or cloth cover, mm
  int strandsPerWire = 1;        ///< 2 for a pipe cleaner
  double sharing = 1;            ///< share of their strength that strands twisted at the works keep
  double layDiameters = 0;       ///< their lay, in diameters
  double pile = 0;               ///< pile diameter of a pipe cleaner, mm
  double pieceLength = 0;        ///< length it is sold in, mm; 0 for a coil
  double pieceMass = 0;          ///< g of one such piece, pile included
  std::string source;            ///< the kinds of source and how sure they are
  std::string caution;           ///< shown beside the wire; may be empty

  [[nodiscard]] bool operator==(const Material&) const = default;
};

/// What is known of it in a few sentences: stiffness, yield with its range, sizes, cover, source.
[[nodiscard]] Said materialWords(const Material& material);

/// Reads one material's file. `file` is named in errors: not JSON, a field missing, a number out of range.
[[nodiscard]] Result<Material> readMaterial(std::string_view json, const std::string& file);

} // namespace columna
