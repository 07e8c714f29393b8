// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "antenna/pattern/samples.h"

namespace yemvo::pattern_text {

/// A table with a head of column names, or rows "H,0,-0.5", or three numbers a row: angle, azimuth,
/// elevation.
bool is_csv_format(std::string_view text);
PatternFile read_csv_format(std::string_view text, const std::string& name, const PatternWishes&);

/// What the words of a file say of gain and frequency, and which way angles run; for tables of any kind.
struct FromWords {
    std::optional<double> gain_dbi, frequency_mhz;
    bool azimuth_runs_left = false, elevation_runs_down = false;
    bool gain_without_unit = false;  ///< "Gain 14.2": dBi or dBd is not told
};
FromWords from_words(const std::string& words, const PatternWishes&);
void note_unit(const FromWords&, const PatternWishes&, PatternFile&);

}  // namespace yemvo::pattern_text
