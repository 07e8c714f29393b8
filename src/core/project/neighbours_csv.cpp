// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/neighbours_csv.h"

#include <cmath>

#include "base/number_text.h"
#include "project/kinds/listening_place.h"
#include "project/table_rows.h"

namespace yemvo {
namespace {

int whole(const TableRow& row, const char* column, int otherwise) {
    const double v = row.number(column, otherwise);
    if (!(std::abs(v) < 1e6) || v != std::round(v))
        row.fail(say("'%1' is no whole number in '%2'", row.text(column).substr(0, 40), std::string(column)));
    return static_cast<int>(v);
}

Channel channel_of(const TableRow& row, BandId id, int primary, int width_mhz) {
    const auto around = channels_around(id, primary, width_mhz);
    if (around.empty())
        row.fail(say("%1 GHz has no channel %2 that is %3 MHz wide", band(id).name, primary, width_mhz));
    if (row.text("channel").empty()) return around.front();
    const int number = whole(row, "channel", 0);
    for (const Channel& c : around)
        if (c.number == number) return c;
    row.fail(say("no channel %1 of %2 MHz lies round the primary %3", number, width_mhz, primary));
}

Neighbour neighbour_of(const TableRow& row) {
    Neighbour n;
    const BandId id = row.word("band_ghz", find_band);
    n.primary = whole(row, "primary", 0);
    n.channel = channel_of(row, id, n.primary, whole(row, "width_mhz", 20));
    n.level_dbm = row.number("level_dbm");
    n.name = row.text("name");
    n.address = row.text("address");
    for (char& c : n.address)
        if (c >= 'A' && c <= 'F') c = static_cast<char>(c - 'A' + 'a');
    n.use = row.number("use_percent", 10) / 100;
    n.stations = whole(row, "stations", 0);
    n.names = whole(row, "names", 1);
    n.standard = row.text("standard");
    if (!row.text("retries_percent").empty()) n.retries = row.number("retries_percent") / 100;
    if (!row.text("told_dbm").empty()) n.told_dbm = row.number("told_dbm");
    try {
        check(n);
    } catch (const RuleBroken& rule) {
        row.fail(say("its %1 %2", rule.words, rule.reason()));
    }
    return n;
}

}  // namespace

std::vector<Neighbour> neighbours_from_csv(std::string_view text, const std::string& name) {
    constexpr const char* needed[] = {"band_ghz", "primary", "level_dbm"};
    const Table table(text, name, needed);
    if (table.rows().empty()) throw Error(say("has no row with a radio"), name, say("Write a row a radio"));
    if (table.rows().size() > limits::heard_radios)
        throw Error(say("has %1 radios, %2 at most", table.rows().size(), limits::heard_radios), name,
                    say("Leave out the weakest"));
    std::vector<Neighbour> out;
    for (const TableRow& row : table.rows()) out.push_back(neighbour_of(row));
    return out;
}

std::string neighbours_to_csv(std::span<const Neighbour> heard) {
    std::string out =
        "name,address,band_ghz,primary,channel,width_mhz,level_dbm,use_percent,stations,names,standard,"
        "retries_percent,told_dbm\n";
    const auto if_known = [](const std::optional<double>& v, double times) {
        return v ? plain_number(*v * times, 2) : std::string();
    };
    for (const Neighbour& n : heard)
        out += table_cell(n.name) + ',' + n.address + ',' + std::string(band(n.channel.band).name) + ',' +
               std::to_string(n.primary) + ',' + std::to_string(n.channel.number) + ',' +
               std::to_string(n.channel.width_mhz) + ',' + plain_number(n.level_dbm, 2) + ',' +
               plain_number(100 * n.use, 2) + ',' + std::to_string(n.stations) + ',' +
               std::to_string(n.names) + ',' + table_cell(n.standard) + ',' + if_known(n.retries, 100) + ',' +
               if_known(n.told_dbm, 1) + '\n';
    return out;
}

}  // namespace yemvo
