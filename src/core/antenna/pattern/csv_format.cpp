// SPDX-License-Identifier: GPL-3.0-or-later
#include "antenna/pattern/csv_format.h"

#include <algorithm>
#include <cmath>

#include "antenna/pattern/text_rows.h"
#include "base/number_text.h"

namespace yemvo::pattern_text {
namespace {

CutRole role_of(std::string_view word) {
    const std::string w = upper(word);
    if (w == "H" || w.starts_with("HOR") || w.starts_with("AZ") || w.starts_with("PHI"))
        return CutRole::azimuth;
    if (w == "V" || w.starts_with("VER") || w.starts_with("EL") || w.starts_with("THETA"))
        return CutRole::elevation;
    return CutRole::unused;
}

bool is_angle_word(std::string_view word) {
    const std::string w = upper(word);
    return w.starts_with("ANG") || w.starts_with("DEG") || w == "A" || w == "°";
}

bool is_value_word(std::string_view word) {
    const std::string w = upper(word);
    return w.find("DB") != std::string::npos || w.starts_with("REL") || w.starts_with("GAIN") ||
           w.starts_with("ATT") || w.starts_with("VALUE") || w.starts_with("MAG");
}

/// Where in a row what stands. -1: nowhere.
struct Columns {
    int cut = -1, angle = -1, value = -1, azimuth = -1, elevation = -1, frequency = -1, at = -1;
    bool frequency_in_ghz = false;
    bool is_long() const { return cut >= 0 && angle >= 0 && value >= 0; }
    bool is_wide() const { return angle >= 0 && (azimuth >= 0 || elevation >= 0); }
};

Columns columns_of(const std::vector<std::string_view>& head) {
    Columns c;
    for (int i = 0; i < static_cast<int>(head.size()); ++i) {
        const std::string w = upper(head[static_cast<std::size_t>(i)]);
        if (w.starts_with("CUT") || w.starts_with("PLANE"))
            c.cut = i;
        else if (w == "AT" || w.starts_with("AT_DEG") || w == "AT DEG")
            c.at = i;
        else if (is_angle_word(w) && c.angle < 0)
            c.angle = i;
        else if (w.starts_with("FREQ") || w == "MHZ" || w == "GHZ")
            c.frequency = i, c.frequency_in_ghz = w.find("GHZ") != std::string::npos;
        else if (role_of(w) == CutRole::azimuth)
            c.azimuth = i;
        else if (role_of(w) == CutRole::elevation)
            c.elevation = i;
        else if (is_value_word(w) && c.value < 0)
            c.value = i;
    }
    return c;
}

bool is_comment(std::string_view row) {
    return row.starts_with('#') || row.starts_with("//") || row.starts_with('%');
}

/// The head of a table among the first rows, and the row it stands in.
std::optional<std::pair<Columns, std::size_t>> head_of(const std::vector<Row>& rows) {
    for (std::size_t i = 0; i < rows.size() && i < 60; ++i) {
        if (rows[i].text.empty() || is_comment(rows[i].text)) continue;
        const auto parts = parts_of(rows[i].text);
        const Columns named = columns_of(parts);
        if (named.is_long() || named.is_wide()) return std::pair{named, i + 1};
        // without a head: "H,0,-0.5"
        if (parts.size() == 3 && role_of(parts[0]) != CutRole::unused && begins_with_number(parts[1]) &&
            begins_with_number(parts[2]))
            return std::pair{Columns{0, 1, 2}, i};
        // three numbers a row
        if (const auto numbers = numbers_of(rows[i].text); numbers.size() == 3) {
            Columns three;
            three.angle = 0, three.azimuth = 1, three.elevation = 2;
            return std::pair{three, i};
        }
    }
    return std::nullopt;
}

class Reading {
public:
    Reading(const std::vector<Row>& rows, Columns columns, std::size_t first, const std::string& name)
        : rows_(rows), columns_(columns), first_(first), name_(name) {}

    std::vector<RawCut> cuts() {
        for (std::size_t i = first_; i < rows_.size(); ++i) {
            const Row& row = rows_[i];
            if (row.text.empty() || is_comment(row.text)) continue;
            decimal_comma_ = row.text.find_first_of(";\t") != std::string_view::npos;
            take(parts_of(row.text), row.line);
        }
        return std::move(cuts_);
    }

private:
    double number(const std::vector<std::string_view>& parts, int column, std::size_t line) const {
        const auto at = static_cast<std::size_t>(column);
        std::string text = at < parts.size() ? std::string(parts[at]) : std::string();
        // one part alone, so that its decimal comma is not taken for the next one
        const auto numbers = numbers_of(decimal_comma_ ? text + ";" : text);
        if (numbers.size() != 1)
            throw Error(
                text.empty() ? say("a number is missing") : say("'%1' is no number", text.substr(0, 40)),
                say("%1, line %2", name_, line), say("Correct the row, or leave it out"));
        return numbers[0];
    }

    RawCut& cut(CutRole role, double frequency_mhz, double at_deg, std::size_t line) {
        const auto found = std::ranges::find_if(cuts_, [&](const RawCut& c) {
            return c.role == role && c.frequency_mhz == frequency_mhz && c.at_deg == at_deg;
        });
        if (found != cuts_.end()) return *found;
        cuts_.push_back({role, frequency_mhz, {}, line, at_deg});
        return cuts_.back();
    }

    void take(const std::vector<std::string_view>& parts, std::size_t line) {
        const double frequency_mhz = columns_.frequency < 0 ? 0
                                                            : number(parts, columns_.frequency, line) *
                                                                  (columns_.frequency_in_ghz ? 1000 : 1);
        const double angle_deg = number(parts, columns_.angle, line);
        const auto at = static_cast<std::size_t>(columns_.at);  // left empty: a main cut
        const bool tells_at = columns_.at >= 0 && at < parts.size() && !parts[at].empty();
        const double at_deg = tells_at ? number(parts, columns_.at, line) : 0;
        if (columns_.is_long()) {
            const std::string_view word = parts[static_cast<std::size_t>(columns_.cut)];
            const CutRole role = role_of(word);
            if (role == CutRole::unused)
                throw Error(say("'%1' is no cut", word.substr(0, 40)), say("%1, line %2", name_, line),
                            say("Name it H or V, azimuth or elevation"));
            cut(role, frequency_mhz, at_deg, line)
                .samples.push_back({angle_deg, number(parts, columns_.value, line), line});
            return;
        }
        for (const auto& [role, column] : {std::pair{CutRole::azimuth, columns_.azimuth},
                                           std::pair{CutRole::elevation, columns_.elevation}})
            if (column >= 0 && static_cast<std::size_t>(column) < parts.size() &&
                !parts[static_cast<std::size_t>(column)].empty())
                cut(role, frequency_mhz, at_deg, line)
                    .samples.push_back({angle_deg, number(parts, column, line), line});
    }

    const std::vector<Row>& rows_;
    Columns columns_;
    std::size_t first_;
    const std::string& name_;
    bool decimal_comma_ = false;
    std::vector<RawCut> cuts_;
};

std::string words_of(const std::vector<Row>& rows, std::size_t before) {
    std::string words;
    for (std::size_t i = 0; i < rows.size(); ++i)
        if (is_comment(rows[i].text) || i < before) words += std::string(rows[i].text) + "\n";
    return words;
}

}  // namespace

FromWords from_words(const std::string& words, const PatternWishes& wishes) {
    FromWords f;
    const std::string all = upper(words);
    double value = 0;
    const auto over_dipole = [&](bool as_told) {
        return wishes.gain_in_dbd.value_or(as_told) ? dipole_gain_dbi : 0;
    };
    if (number_before(all, "DBD", value))
        f.gain_dbi = value + over_dipole(true);
    else if (number_before(all, "DBI", value))
        f.gain_dbi = value + over_dipole(false);
    else if ((f.gain_without_unit = number_after(all, "GAIN", value)))
        f.gain_dbi = value + over_dipole(false);
    if (number_before(all, "MHZ", value))
        f.frequency_mhz = value;
    else if (number_before(all, "GHZ", value))
        f.frequency_mhz = value * 1000;
    const auto says = [&](const char* word) { return all.find(word) != std::string::npos; };
    f.azimuth_runs_left = says("COUNTERCLOCKWISE") || says("COUNTER-CLOCKWISE") || says("ANTICLOCKWISE") ||
                          says("ANTI-CLOCKWISE");
    f.elevation_runs_down = says("POSITIVE DOWN") || says("DOWN POSITIVE");
    if (wishes.gain_dbi) f.gain_dbi = wishes.gain_dbi;
    if (wishes.frequency_mhz) f.frequency_mhz = wishes.frequency_mhz;
    f.azimuth_runs_left = wishes.azimuth_runs_left.value_or(f.azimuth_runs_left);
    f.elevation_runs_down = wishes.elevation_runs_down.value_or(f.elevation_runs_down);
    return f;
}

void note_unit(const FromWords& words, const PatternWishes& wishes, PatternFile& file) {
    if (words.gain_without_unit && !wishes.gain_in_dbd && !wishes.gain_dbi)
        file.warnings.push_back(say("the gain has no unit: it is taken for dBi"));
}

}  // namespace yemvo::pattern_text

yemvo::ToldInWords yemvo::told_in_words(std::string_view text) {
    const auto told = pattern_text::from_words(std::string(text), {});
    return {told.gain_without_unit ? std::nullopt : told.gain_dbi, told.frequency_mhz};
}

namespace yemvo::pattern_text {

bool is_csv_format(std::string_view text) { return head_of(rows_of(text.substr(0, 20'000))).has_value(); }

PatternFile read_csv_format(std::string_view text, const std::string& name, const PatternWishes& wishes) {
    const auto rows = rows_of(text);
    const auto head = head_of(rows);
    PatternFile file;
    file.format = PatternFormat::csv;
    file.about = words_of(rows, 0);
    std::vector<RawCut> cuts = Reading(rows, head->first, head->second, name).cuts();
    const FromWords words = from_words(words_of(rows, head->second), wishes);
    for (RawCut& c : cuts)
        if (c.frequency_mhz == 0) c.frequency_mhz = words.frequency_mhz.value_or(0);
    note_unit(words, wishes, file);
    const Meaning meaning{wishes.attenuation.value_or(looks_like_attenuation(cuts)), false,
                          words.azimuth_runs_left, words.elevation_runs_down, wishes.fill_missing_cut};
    assemble(std::move(cuts), meaning, words.gain_dbi, name, file);
    return file;
}

}  // namespace yemvo::pattern_text
