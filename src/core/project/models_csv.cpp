// SPDX-License-Identifier: GPL-3.0-or-later
// Models from a table with a row a radio and band.
#include <algorithm>
#include <charconv>
#include <cmath>
#include <map>

#include "base/error.h"
#include "project/gear_library.h"
#include "project/rules.h"
#include "project/table_rows.h"

namespace yemvo {
namespace {

using Row = TableRow;

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
    std::vector<AccessPointModel> models;
    std::vector<std::string> places;  ///< where each model begins
    std::map<std::string, int> last_radio;
    constexpr const char* needed[] = {"key",           "name",           "mount",   "radio",
                                      "band_ghz",      "standard",       "chains",  "widest_mhz",
                                      "power_low_dbm", "power_high_dbm", "gain_dbi"};
    const Table table(text, name, needed);
    for (const Row& row : table.rows()) {
        const std::string key = row.needed("key");
        auto found = std::ranges::find(models, key, &AccessPointModel::key);
        if (found == models.end()) {
            models.push_back(model_of(row, key));
            places.push_back(row.place());
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
