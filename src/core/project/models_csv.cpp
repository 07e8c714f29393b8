// SPDX-License-Identifier: GPL-3.0-or-later
// Models from a table with a row a radio and band.
#include <algorithm>
#include <charconv>
#include <cmath>
#include <map>

#include "antenna/pattern/text_rows.h"
#include "base/error.h"
#include "base/number_text.h"
#include "project/gear_library.h"
#include "project/rules.h"

namespace yemvo {
namespace {

using pattern_text::parts_of;
using pattern_text::trimmed;

/// One row by the names of its columns.
class Row {
public:
    Row(const std::map<std::string, std::size_t>& columns, std::vector<std::string_view> parts,
        std::string place)
        : columns_(columns), parts_(std::move(parts)), place_(std::move(place)) {}

    std::string text(const char* column) const {
        const auto found = columns_.find(column);
        return found == columns_.end() || found->second >= parts_.size()
                   ? std::string()
                   : std::string(trimmed(parts_[found->second]));
    }
    std::string needed(const char* column) const {
        std::string value = text(column);
        if (value.empty()) fail(say("lacks a value for '%1'", std::string(column)));
        return value;
    }
    double number(const char* column, std::optional<double> otherwise = {}) const {
        const std::string value = text(column);
        if (value.empty() && otherwise) return *otherwise;
        if (const auto number = read_number(needed(column))) return *number;
        std::string with_point = value;
        std::ranges::replace(with_point, ',', '.');
        if (const auto number = read_number(with_point)) return *number;
        fail(say("'%1' is no number in '%2'", value.substr(0, 40), std::string(column)));
    }
    template <class Known>
    auto word(const char* column, Known known) const {
        const std::string value = needed(column);
        const auto found = known(value);
        if (!found) fail(say("'%1' does not know '%2'", std::string(column), value.substr(0, 40)));
        return *found;
    }
    [[noreturn]] void fail(const Said& what) const {
        throw Error(what, place_, say("Correct the row and read the table again"));
    }
    const std::string& place() const { return place_; }

private:
    const std::map<std::string, std::size_t>& columns_;
    std::vector<std::string_view> parts_;
    std::string place_;
};

/// A plain lobe of the gain that a sheet states: round and down for what hangs, a patch for what faces.
Lobe lobe_for(const Row& row, Mount mount, double gain_dbi) {
    const double beam_deg = row.number("beam_deg", 0);
    if (mount == Mount::ceiling || mount == Mount::desk) return DomeLobe{beam_deg > 0 ? beam_deg : 140, -10};
    if (beam_deg > 0) return SectorLobe{beam_deg, beam_deg, 0, 22, 20};
    if (gain_dbi < 3) return DipoleLobe{};
    return PatchLobe{std::max(1.0, std::pow(10.0, gain_dbi / 10) / 2 - 0.8), -18};
}

RadioBand band_of(const Row& row, Mount mount) {
    RadioBand b;
    b.band = row.word("band_ghz", find_band);
    b.widest_mhz = static_cast<int>(row.number("widest_mhz"));
    b.power = {row.number("power_low_dbm"), row.number("power_high_dbm"), row.number("power_step_db", 1), {}};
    b.chains = row.word("chains", parse_chains);
    b.noise_figure_db = row.number("noise_figure_db", access_point_noise_figure_db);
    b.connector = row.text("connector");
    b.antenna.gain_dbi = row.number("gain_dbi");
    b.antenna.lobe = lobe_for(row, mount, b.antenna.gain_dbi);
    return b;
}

AccessPointModel model_of(const Row& row, const std::string& key) {
    AccessPointModel m;
    m.key = key;
    m.name = row.needed("name");
    m.mount = row.word("mount", find_mount);
    m.mount_height_m = row.number("height_m", 3);
    m.body.price = row.number("price", 0);
    m.body.weight_kg = row.number("weight_kg", 0);
    const std::string outdoor = row.text("outdoor");
    m.body.outdoor = outdoor == "1" || outdoor == "yes" || outdoor == "true";
    if (!row.text("source").empty())
        m.power = {{row.word("source", find_power_source), row.number("watts", 0), {{"", {}}}}};
    return m;
}

}  // namespace

std::optional<Chains> parse_chains(std::string_view text) {
    std::vector<int> numbers;
    for (std::size_t i = 0; i < text.size();) {
        if (text[i] < '0' || text[i] > '9') {
            ++i;
            continue;
        }
        int n = 0;
        const auto [end, fault] = std::from_chars(text.data() + i, text.data() + text.size(), n);
        if (fault != std::errc()) return std::nullopt;
        numbers.push_back(n);
        i = static_cast<std::size_t>(end - text.data());
    }
    if (numbers.empty() || numbers.size() > 3) return std::nullopt;
    Chains c{numbers[0], numbers[0], numbers[0]};
    if (numbers.size() > 1) c.receive = numbers[1];
    c.streams = numbers.size() > 2 ? numbers[2] : std::min(c.transmit, c.receive);
    return c;
}

std::vector<AccessPointModel> models_from_csv(std::string_view text, const std::string& name) {
    std::map<std::string, std::size_t> columns;
    std::vector<AccessPointModel> models;
    std::vector<std::string> places;  ///< where each model begins
    std::map<std::string, int> last_radio;
    for (const pattern_text::Row& r : pattern_text::rows_of(text)) {
        if (r.text.empty() || r.text.front() == '#') continue;
        const auto parts = parts_of(r.text);
        const std::string place = name + ", line " + std::to_string(r.line);
        if (columns.empty()) {
            for (std::size_t i = 0; i < parts.size(); ++i) columns[std::string(trimmed(parts[i]))] = i;
            for (const char* needed : {"key", "name", "mount", "radio", "band_ghz", "standard", "chains",
                                       "widest_mhz", "power_low_dbm", "power_high_dbm", "gain_dbi"})
                if (!columns.contains(needed))
                    throw Error(say("has no column '%1'", std::string(needed)), place,
                                say("Name it in the first row"));
            continue;
        }
        const Row row(columns, parts, place);
        const std::string key = row.needed("key");
        auto found = std::ranges::find(models, key, &AccessPointModel::key);
        if (found == models.end()) {
            models.push_back(model_of(row, key));
            places.push_back(place);
            found = models.end() - 1;
        }
        const int number = static_cast<int>(row.number("radio"));
        if (found->radios.empty() || last_radio[key] != number)
            found->radios.push_back({row.needed("standard"), {}, 0});
        last_radio[key] = number;
        found->radios.back().bands.push_back(band_of(row, found->mount));
    }
    if (models.empty())
        throw Error(say("has no row with a model"), name, say("Write a row a radio and band"));
    for (std::size_t i = 0; i < models.size(); ++i) {
        try {
            check(models[i]);
        } catch (const RuleBroken& rule) {
            throw Error(say("%1: its %2 %3", models[i].name, rule.words, rule.reason()), places[i],
                        say("Correct the row and read the table again"));
        }
    }
    return models;
}

}  // namespace yemvo
