// SPDX-License-Identifier: GPL-3.0-or-later
// For the readers of patterns: values at the angles of a file, brought to a value at every degree.
#pragma once
#include <string>
#include <vector>

#include "antenna/pattern/pattern_file.h"

namespace yemvo::pattern_text {

/// Of a half-wave dipole: a gain in dBd is against it.
inline constexpr double dipole_gain_dbi = 2.15;

struct Sample {
    double angle_deg = 0, value = 0;
    std::size_t line = 0;  ///< of the file; 0: not from one
};

/// A cut as a file has it.
struct RawCut {
    CutRole role = CutRole::unused;
    double frequency_mhz = 0;
    std::vector<Sample> samples;
    std::size_t line = 0;  ///< where it begins
    double at_deg = 0;  ///< of an elevation cut its azimuth, of an azimuth cut its elevation; 0: the main one
};

/// How values and angles of a file are meant.
struct Meaning {
    bool attenuation = false;  ///< values are losses
    bool absolute = false;     ///< values are gains in the unit of the gain
    bool azimuth_runs_left = false, elevation_runs_down = false;
    bool fill_missing_cut = false;  ///< as in PatternWishes
};

/// All cuts on the 1 degree grid, paired by frequency, with their common peak at 0 dB. Where values are
/// absolute their peak becomes the gain, else `gain_dbi` is as told. Fills file.cuts, gain and warnings.
/// Throws Error: a cut without a partner, too few samples, NaN, values beyond reason.
void assemble(std::vector<RawCut> cuts, const Meaning&, std::optional<double> gain_dbi,
              const std::string& name, PatternFile& file);

/// Whether values can only be losses: none below 0, some above.
bool looks_like_attenuation(const std::vector<RawCut>&);

}  // namespace yemvo::pattern_text
