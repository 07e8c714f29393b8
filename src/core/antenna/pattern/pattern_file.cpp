// SPDX-License-Identifier: GPL-3.0-or-later
#include "antenna/pattern/pattern_file.h"

#include <algorithm>

#include "antenna/pattern/any_table.h"
#include "antenna/pattern/csv_format.h"
#include "antenna/pattern/standard_format.h"
#include "base/number_text.h"

namespace yemvo {
namespace {

/// Never "-0.00".
std::string value_text(double v) {
    const std::string text = plain_number(v, 2);
    return text == "-0.00" ? "0.00" : text;
}

std::string record(const char* key, const std::string& value) {
    return std::string(key) + ":," + value + "\r\n";
}

/// One line, without what would end it.
std::string one_line(std::string text) {
    for (char& c : text)
        if (c == '\n' || c == '\r' || c == ',') c = ' ';
    return text.substr(0, 200);
}

std::string standard_cut(const std::string& kind, const Cut& cut) {
    std::string text = record("PATCUT", kind) + record("POLARI", "V/V") + record("NUPOIN", "360") +
                       record("FSTLST", "-180,179");
    for (int d = -180; d < 180; ++d) text += std::to_string(d) + "," + value_text(cut[d]) + ",\r\n";
    return text;
}

/// `tail`: of each row.
void csv_cut(std::string& text, const char* kind, const Cut& cut, const std::string& tail) {
    for (int d = 0; d < Cut::degrees; ++d)
        text += std::string(kind) + "," + std::to_string(d) + "," + value_text(cut[d]) + "," + tail + "\n";
}

}  // namespace

PatternFile read_pattern(std::string_view text, const std::string& name, const PatternWishes& wishes) {
    using namespace pattern_text;
    if (text.size() > most_pattern_bytes)
        throw Error(say("is larger than 20 MB: this is no pattern"), name,
                    say("Choose the file of one antenna"));
    if (text.find_first_not_of(" \t\r\n") == std::string_view::npos)
        throw Error(say("the file is empty"), name,
                    say("Choose it again; it may not have been copied whole"));
    if (is_standard_format(text)) return read_standard_format(text, name, wishes);
    if (is_csv_format(text)) return read_csv_format(text, name, wishes);
    return read_any_table(text, name, wishes);
}

std::string write_standard_pattern(const PatternFile& file) {
    std::string text = record("REVNUM", "NSMA WG16.99.050") + record("MODNUM", one_line(file.name)) +
                       record("DESCR1", one_line(file.about)) + record("GUNITS", "DBI/DBR") +
                       record("LOWFRQ", plain_number(file.cuts.front().frequency_mhz, 0)) +
                       record("HGHFRQ", plain_number(file.cuts.back().frequency_mhz, 0)) +
                       record("MDGAIN", value_text(file.gain_dbi)) + record("PATTYP", "TYPICAL") +
                       record("NOFREQ", std::to_string(file.cuts.size()));
    for (const PatternCuts& c : file.cuts) {
        text += record("PATFRE", plain_number(c.frequency_mhz, 0)) +
                record("NUMCUT", std::to_string(2 + c.further.size())) + standard_cut("AZ", c.azimuth) +
                standard_cut("EL", c.elevation);
        for (const FurtherCut& f : c.further)
            text += standard_cut(
                std::string(f.kind == FurtherCut::Kind::upright ? "EL," : "AZ,") + plain_number(f.at_deg, 3),
                f.cut);
    }
    return text + record("ENDFIL", "EOF");
}

std::string write_csv_pattern(const PatternFile& file) {
    std::string text = "# " + one_line(file.name) + " gain " + value_text(file.gain_dbi) +
                       " dBi; azimuth clockwise from the front, elevation up; relative to the peak\n"
                       "cut,angle_deg,rel_db,frequency_mhz";
    const bool further =
        std::ranges::any_of(file.cuts, [](const PatternCuts& c) { return !c.further.empty(); });
    text += further ? ",at_deg\n" : "\n";
    for (const PatternCuts& c : file.cuts) {
        const std::string frequency = plain_number(c.frequency_mhz, 0);
        csv_cut(text, "H", c.azimuth, frequency + (further ? ",0" : ""));
        csv_cut(text, "V", c.elevation, frequency + (further ? ",0" : ""));
        for (const FurtherCut& f : c.further)
            csv_cut(text, f.kind == FurtherCut::Kind::upright ? "V" : "H", f.cut,
                    frequency + "," + plain_number(f.at_deg, 3));
    }
    return text;
}

}  // namespace yemvo
