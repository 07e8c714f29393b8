// SPDX-License-Identifier: GPL-3.0-or-later
// Blocks of numbers in a text of any wording: found, and proposed as cuts.
#include "antenna/pattern/any_table.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include "antenna/pattern/csv_format.h"
#include "antenna/pattern/text_rows.h"

namespace yemvo {
namespace {

using namespace pattern_text;

constexpr std::size_t least_rows = 36;

bool says(const std::string& words, std::initializer_list<const char*> any) {
    return std::ranges::any_of(any, [&](const char* w) { return words.find(w) != std::string::npos; });
}

/// By the words before each; where they say nothing the first is the azimuth and the second the elevation.
void propose(std::vector<NumberBlock>& blocks) {
    bool azimuth = false, elevation = false;
    for (NumberBlock& b : blocks) {
        // the nearest words tell most: the last line that names a cut
        const std::string words = upper(b.heading);
        const bool h = says(words, {"HORIZ", "AZIM", "H-PLANE", "H PLANE"});
        const bool v = says(words, {"VERT", "ELEV", "E-PLANE", "E PLANE"});
        if (h != v) b.proposed = h ? CutRole::azimuth : CutRole::elevation;
        if (b.proposed == CutRole::azimuth && std::exchange(azimuth, true)) b.proposed = CutRole::unused;
        if (b.proposed == CutRole::elevation && std::exchange(elevation, true)) b.proposed = CutRole::unused;
    }
    for (NumberBlock& b : blocks) {
        if (b.proposed != CutRole::unused) continue;
        if (!std::exchange(azimuth, true))
            b.proposed = CutRole::azimuth;
        else if (!std::exchange(elevation, true))
            b.proposed = CutRole::elevation;
    }
}

/// Values alone: as many as go round a circle, or one more where the end is told again.
void give_angles(NumberBlock& b) {
    const std::size_t n = b.values_db.size();
    const bool closed = n % 2 == 1 && n > 1;
    const double step = 360.0 / static_cast<double>(closed ? n - 1 : n);
    for (std::size_t i = 0; i < n; ++i) b.angles_deg.push_back(step * static_cast<double>(i));
}

}  // namespace

std::vector<NumberBlock> number_blocks(std::string_view text) {
    std::vector<NumberBlock> blocks;
    NumberBlock now;
    std::string words;
    const auto end = [&] {
        if (now.values_db.size() >= least_rows) {
            now.heading = words;
            words.clear();
            if (now.angles_deg.empty()) give_angles(now);
            blocks.push_back(std::move(now));
        }
        now = {};
    };
    for (const Row& row : rows_of(text)) {
        const auto numbers = numbers_of(row.text);
        const bool fits = numbers.size() == 1 || numbers.size() == 2;
        const bool goes_on = fits && !now.values_db.empty() &&
                             (numbers.size() == 2) == !now.angles_deg.empty() &&
                             // a new round begins where the angle falls back by half a circle or more
                             (numbers.size() == 1 || numbers[0] > now.angles_deg.back() - 180);
        if (!goes_on) end();
        if (!fits) {
            if (!row.text.empty()) words += std::string(row.text) + "\n";
            continue;
        }
        if (now.values_db.empty()) now.line = row.line;
        if (numbers.size() == 2) now.angles_deg.push_back(numbers[0]);
        now.values_db.push_back(numbers.back());
    }
    end();
    propose(blocks);
    return blocks;
}

namespace pattern_text {

PatternFile read_any_table(std::string_view text, const std::string& name, const PatternWishes& wishes) {
    std::vector<NumberBlock> blocks = number_blocks(text);
    if (blocks.empty())
        throw Error(say("holds no pattern"), name,
                    say("Choose a file with angles and dB: the standard format, CSV or a table"));
    std::string words;
    for (const Row& row : rows_of(text))
        if (!row.text.empty() && numbers_of(row.text).empty()) words += std::string(row.text) + "\n";
    const FromWords told = from_words(words, wishes);
    PatternFile file;
    file.format = PatternFormat::table;
    file.about = words;
    std::vector<RawCut> cuts;
    for (std::size_t i = 0; i < blocks.size(); ++i) {
        const NumberBlock& b = blocks[i];
        RawCut cut{i < wishes.blocks.size() ? wishes.blocks[i] : b.proposed,
                   told.frequency_mhz.value_or(0),
                   {},
                   b.line};
        for (std::size_t k = 0; k < b.values_db.size(); ++k)
            cut.samples.push_back({b.angles_deg[k], b.values_db[k], b.line + k});
        if (cut.role == CutRole::unused)
            file.warnings.push_back(say("the block of numbers from line %1 on is not used", b.line));
        cuts.push_back(std::move(cut));
    }
    if (wishes.blocks.empty())
        file.warnings.push_back(say("which block of numbers is which cut was guessed: look at the plots"));
    note_unit(told, wishes, file);
    const Meaning meaning{wishes.attenuation.value_or(looks_like_attenuation(cuts)), false,
                          told.azimuth_runs_left, told.elevation_runs_down, wishes.fill_missing_cut};
    assemble(std::move(cuts), meaning, told.gain_dbi, name, file);
    return file;
}

}  // namespace pattern_text
}  // namespace yemvo
