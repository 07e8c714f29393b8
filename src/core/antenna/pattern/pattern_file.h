// SPDX-License-Identifier: GPL-3.0-or-later
// Patterns in text files: the standard format for digitised patterns (NSMA WG16.99.050, TIA-804-B), tables of
// angles and dB (CSV), and any other text with blocks of numbers in it.
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "antenna/pattern/cuts.h"
#include "base/error.h"

namespace yemvo {

enum class PatternFormat { standard, csv, table };

struct PatternFile {
    PatternFormat format = PatternFormat::standard;
    std::string name;               ///< as the file calls the antenna; empty when it does not
    std::string about;              ///< the file's own words on it, lines joined
    double gain_dbi = 0;            ///< at the peak
    bool gain_assumed = false;      ///< the file tells none: the directivity of its cuts
    std::vector<PatternCuts> cuts;  ///< by frequency; relative, their common peak at 0 dB
    bool attenuation = false;       ///< values of the file were taken for losses
    bool azimuth_runs_left = false, elevation_runs_down = false;  ///< so its angles were taken
    std::vector<Said> warnings;  ///< what was guessed, left out or looks wrong
};

/// Which cut a block of numbers is, for tables that do not say so.
enum class CutRole { unused, azimuth, elevation };

/// A run of rows with numbers alone.
struct NumberBlock {
    std::size_t line = 0;  ///< the first, from 1
    std::string heading;   ///< the words before it
    std::vector<double> angles_deg, values_db;
    CutRole proposed = CutRole::unused;
};

/// What a person may know better than the program; empty: as the program finds it.
struct PatternWishes {
    std::optional<bool> attenuation;        ///< values are losses, positive
    std::optional<bool> gain_in_dbd;        ///< the stated gain is against a dipole
    std::optional<bool> azimuth_runs_left;  ///< counter-clockwise, seen from above
    std::optional<bool> elevation_runs_down;
    std::optional<double> gain_dbi, frequency_mhz;
    std::vector<CutRole> blocks = {};  ///< of number_blocks(), in their order
    /// Where one cut is there alone: round beside an elevation, alike beside an azimuth.
    bool fill_missing_cut = false;
};

/// Reads any of the three. `name` is the file's, for messages. Throws Error with the line where there is one:
/// no numbers, a cut that is missing, too few angles, values beyond reason, NaN.
PatternFile read_pattern(std::string_view text, const std::string& name, const PatternWishes& = {});

/// What the words of a sheet say of an antenna: a gain in dBi or dBd, a frequency in MHz or GHz; of a range
/// its middle.
struct ToldInWords {
    std::optional<double> gain_dbi, frequency_mhz;
};
ToldInWords told_in_words(std::string_view text);

/// The blocks of a text, with a proposal which cut each is. Runs of 36 rows or more with one or two numbers
/// each; where a row has the value alone its angle follows from the number of rows.
std::vector<NumberBlock> number_blocks(std::string_view text);

/// The standard format with all cuts at each frequency, a row a degree; a further cut is "EL,45".
std::string write_standard_pattern(const PatternFile&);
/// "cut,angle_deg,rel_db,frequency_mhz" of each frequency, and "at_deg" where there are further cuts, with
/// what the angles mean in its first line.
std::string write_csv_pattern(const PatternFile&);

inline constexpr std::size_t most_pattern_bytes = 20u << 20;

}  // namespace yemvo
