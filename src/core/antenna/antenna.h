// SPDX-License-Identifier: GPL-3.0-or-later
// Antennas: gain by direction, as functions with parameters.
// Sources: 3GPP TR 36.814 Table A.2.1.1-2 (the sector's quadratic lobes), elementary antenna theory (dipole,
// cosine-power patch). The dome is a planning form of our own with the same quadratic lobe, pointed down.
#pragma once
#include <string>
#include <variant>

#include "antenna/measured_lobe.h"
#include "antenna/orientation.h"

namespace yemvo {

/// One broad lobe round the downward axis: -12 (psi / beamwidth)^2 dB, not below the floor.
struct DomeLobe {
    double beamwidth_deg;  ///< full width at -3 dB
    double floor_db;       ///< negative
    friend bool operator==(const DomeLobe&, const DomeLobe&) = default;
};
/// -min[-(A_H + A_V), front_back] with A = -min[12 (angle / beamwidth)^2, limit]; `tilt_deg` is electrical.
struct SectorLobe {
    double horizontal_deg, vertical_deg, tilt_deg, front_back_db, side_limit_db;
    friend bool operator==(const SectorLobe&, const SectorLobe&) = default;
};
/// 10 n log10(cos psi) in front, not below the floor; psi from the front axis.
struct PatchLobe {
    double exponent, floor_db;
    friend bool operator==(const PatchLobe&, const PatchLobe&) = default;
};
/// Half-wave dipole along the body's vertical axis.
struct DipoleLobe {
    friend bool operator==(const DipoleLobe&, const DipoleLobe&) = default;
};
/// The same all round: -min[12 ((elevation + tilt) / beamwidth)^2, limit]; `tilt_deg` is electrical.
struct CollinearLobe {
    double vertical_deg, tilt_deg, side_limit_db;
    friend bool operator==(const CollinearLobe&, const CollinearLobe&) = default;
};
using Lobe = std::variant<DomeLobe, SectorLobe, PatchLobe, DipoleLobe, CollinearLobe, MeasuredLobe>;

struct Antenna {
    double gain_dbi = 0;  ///< at the peak
    Lobe lobe = DipoleLobe{};
    PatternFrame frame() const;
    friend bool operator==(const Antenna&, const Antenna&) = default;
};

/// Gain relative to the peak [dB], at most 0. Of a measured lobe at its lowest frequency.
double relative_gain_db(const Lobe&, LocalDirection);

/// The lobe as it is at a frequency: a measured one between its two nearest, to 5 MHz; any other as it is.
Lobe lobe_at(const Lobe&, double frequency_mhz);

/// Directivity of the lobe [dBi] by integration over the sphere in 1 degree steps. A stated gain above it is
/// impossible, one more than about 3 dB below it doubtful.
double directivity_dbi(const Lobe&);

}  // namespace yemvo
