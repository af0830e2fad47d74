// What a project can hold. The window refuses what lies outside with a sentence of its own, the reader of
// files with one that names the field: from one place, so that what is saved opens again.
#pragma once

#include "measure/gauge.h"

#include <cstddef>

namespace columna::limits {

inline constexpr double kThinnestWire = 0.05;  ///< mm; the thickest is kThickestWire
inline constexpr double kMostCover = 2;        ///< mm, of paper or plastic round a wire
inline constexpr double kLongestWire = 1e6;    ///< mm: a kilometre
inline constexpr int kMostWires = 10000;       ///< of one kind in the drawer
inline constexpr int kMostDigits = 100;        ///< toes or fingers of a limb
inline constexpr double kLeastDigit = 0.1;     ///< mm
inline constexpr double kMostDigit = 1000;     ///< mm
inline constexpr double kLeastHandling = 1;    ///< mm: the longest wire to work with
inline constexpr double kMostHandling = 1e5;   ///< mm
inline constexpr double kMostCoat = 100;       ///< mm
inline constexpr double kDensest = 5;          ///< g/cm3 of felt
inline constexpr double kHeaviestMetre = 1000; ///< g, of wool
inline constexpr double kLeastStaple = 5;      ///< mm
inline constexpr double kMostStaple = 500;     ///< mm
inline constexpr double kLeastFur = 1;         ///< mm shown
inline constexpr double kMostFur = 300;        ///< mm
inline constexpr double kLeastBall = 5;        ///< mm across
inline constexpr double kMostBall = 200;       ///< mm
inline constexpr double kLightestBall = 0.05;  ///< g
inline constexpr double kHeaviestBall = 2000;  ///< g
inline constexpr double kMostBase = 5000;      ///< mm
inline constexpr double kHeaviestBase = 1e5;   ///< g
inline constexpr double kMostLegError = 50;    ///< mm, and turns of a pose each way in degrees:
inline constexpr double kMostTurn = 360;
inline constexpr double kLeastGirth = 0.5;  ///< mm, measured
inline constexpr double kMostGirth = 1e4;   ///< mm
inline constexpr double kMostLeft = 1e5;    ///< g of wool left
inline constexpr size_t kMostPoses = 200;   ///< the maker's own
inline constexpr size_t kMostRePoses = 1e5; ///< recorded
inline constexpr size_t kMostMarkings = 100;
inline constexpr size_t kMostCorners = 2000; ///< of one marking
inline constexpr double kMostModules = 1e4;  ///< a corner's place
inline constexpr size_t kMostReadings = 12;  ///< of a test ball
inline constexpr size_t kMostRecords = 1e5;
inline constexpr size_t kMostReady = 200; ///< ready cores

} // namespace columna::limits
