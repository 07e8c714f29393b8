// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdio>
#include <memory>
#include <ostream>

#include "base/number_text.h"
#include "capacity/first_answer.h"
#include "capacity/site_capacity.h"
#include "cli/command_set.h"
#include "cli/json_out.h"

namespace yemvo::cli {
namespace {

/// The name of a zone, or of a row of devices.
const std::string& place_name(const Project& project, FloorId at, ZoneId zone, DeviceRowId row) {
    const Floor& floor = *find_floor(project, at);
    return row ? find_device_row(floor, row)->name : find_zone(floor, zone)->name;
}

Json place_json(const PlaceCapacity& p) {
    return {{"people", rounded(p.people, 1)},
            {"clients", rounded(p.clients, 1)},
            {"asked_down_mbps", rounded(p.asked_down_mbps, 2)},
            {"asked_up_mbps", rounded(p.asked_up_mbps, 2)},
            {"got_down_mbps", rounded(p.got_down_mbps, 2)},
            {"got_up_mbps", rounded(p.got_up_mbps, 2)},
            {"mbps_a_client", rounded(p.mbps_a_client(), 3)},
            {"satisfied_share", rounded(p.satisfied_share(), 4)},
            {"not_reached", rounded(p.not_reached, 1)}};
}

Json radio_json(const Project& project, const RadioCapacity& r) {
    Json json{{"access_point", r.radio.number},
              {"radio", r.radio.radio + 1},
              {"floor", find_floor(project, r.radio.floor)->name},
              {"band_ghz", band(r.radio.channel.band).name},
              {"primary", r.radio.primary},
              {"width_mhz", r.width_mhz},
              {"fell_back", r.fell_back},
              {"clients", rounded(r.clients, 1)},
              {"asked_down_mbps", rounded(r.asked_down_mbps, 2)},
              {"asked_up_mbps", rounded(r.asked_up_mbps, 2)},
              {"delivered_down", rounded(r.delivered_down, 4)},
              {"delivered_up", rounded(r.delivered_up, 4)},
              {"satisfied_share", rounded(r.satisfied, 4)},
              {"headroom", rounded(r.headroom, 3)},
              {"use", rounded(r.use, 4)},
              {"own_use", rounded(r.own_use, 4)},
              {"beacons", rounded(r.beacons, 4)},
              {"shares_with", r.shares_with}};
    if (r.weakest) {
        const WeakClient& w = *r.weakest;
        json["weakest"] = {{"profile", (*project.clients)[w.profile].key},
                           {"zone", place_name(project, w.floor, w.zone, w.row)},
                           {"x_m", rounded(w.place.x, 2)},
                           {"y_m", rounded(w.place.y, 2)},
                           {"signal_dbm", rounded(w.signal_dbm, 1)},
                           {"down_mbps", rounded(w.down_mbps, 1)},
                           {"up_mbps", rounded(w.up_mbps, 1)},
                           {"satisfied", rounded(w.satisfied, 3)}};
    }
    return json;
}

Json hour_json(const Project& project, const HourCapacity& h) {
    Json radios = Json::array(), zones = Json::array(), floors = Json::array(), channels = Json::array();
    for (const RadioCapacity& r : h.radios) radios.push_back(radio_json(project, r));
    for (const ZoneCapacity& z : h.zones) {
        Json json{{z.row ? "devices" : "zone", place_name(project, z.floor, z.zone, z.row)},
                  {"floor", find_floor(project, z.floor)->name}};
        json.update(place_json(z));
        zones.push_back(json);
    }
    for (const FloorCapacity& f : h.floors) {
        Json json{{"floor", find_floor(project, f.floor)->name}};
        json.update(place_json(f));
        floors.push_back(json);
    }
    for (const ChannelCapacity& c : h.channels)
        channels.push_back({{"band_ghz", band(c.band).name},
                            {"primary", c.primary},
                            {"radios", c.radios},
                            {"use", rounded(c.use, 4)}});
    const UplinkLoad load = uplink_load(project.demand, demand_table(project, h.hour).site);
    return {{"hour", h.hour},
            {"name", find_hour(project.demand, h.hour)->name},
            {"site", place_json(h.site)},
            {"uplink",
             {{"down_share", rounded(load.down_share, 4)},
              {"up_share", rounded(load.up_share, 4)},
              {"connections", rounded(load.connections, 0)},
              {"addresses", rounded(load.addresses, 0)},
              {"too_much", load.is_too_much(project.demand.uplink)}}},
            {"settled", h.settled},
            {"floors", floors},
            {"zones", zones},
            {"radios", radios},
            {"channels", channels}};
}

void print_hour(std::ostream& out, const Project& project, const HourCapacity& h) {
    char line[200];
    std::snprintf(line, sizeof line, "%s: %.0f people, %.0f clients, %s satisfied, %.0f not reached\n",
                  find_hour(project.demand, h.hour)->name.c_str(), h.site.people, h.site.clients,
                  format_percent(h.site.satisfied_share(), 1).c_str(), h.site.not_reached);
    out << line;
    for (const ZoneCapacity& z : h.zones) {
        std::snprintf(line, sizeof line, "  %-28.28s %5.0f clients  %7.1f of %7.1f Mbit/s  %8s satisfied\n",
                      place_name(project, z.floor, z.zone, z.row).c_str(), z.clients, z.got_down_mbps,
                      z.asked_down_mbps, format_percent(z.satisfied_share(), 1).c_str());
        out << line;
    }
    for (const RadioCapacity& r : h.radios) {
        if (r.clients <= 0) continue;
        std::snprintf(
            line, sizeof line,
            "  access point %3d, %-3s GHz %3d/%-3d %5.0f clients  headroom %6.0f %%  in use %5.1f %%\n",
            r.radio.number, band(r.radio.channel.band).name.c_str(), r.radio.primary, r.width_mhz, r.clients,
            100 * r.headroom, 100 * r.use);
        out << line;
    }
}

int capacity(Context& context, const std::string& file, const std::string& hour) {
    const Project project = load(context, file);
    if (!hour.empty() && !find_hour(project.demand, hour)) {
        Said known = say("There are:");
        for (const BusyHour& h : project.demand.hours) known = said_joined(" ", known, h.key);
        throw Error(say("there is no busy hour '%1'", hour), file, known);
    }
    if (!has_demand(project))
        throw Error(say("no zone says who is there"), file,
                    say("Give zones people in the step Demand, or in the file"));
    Predictor predictor;
    const auto site = capacity_by_floors(project, predictor);
    Json all = Json::array();
    for (const HourCapacity& h : site->hours) {
        if (!hour.empty() && h.hour != hour) continue;
        if (context.json)
            all.push_back(hour_json(project, h));
        else
            print_hour(context.out, project, h);
    }
    if (context.json) print(context, {{"hours", all}});
    return done;
}

const char* rule_name(AnswerRule rule) {
    switch (rule) {
        case AnswerRule::area:
            return "area";
        case AnswerRule::airtime:
            return "airtime";
        case AnswerRule::clients:
            return "clients";
        case AnswerRule::shared:
            break;
    }
    return "shared";
}

Json answer_json(const Project& project, const FirstAnswer& a) {
    Json zones = Json::array(), floors = Json::array(), of_bands = Json::array();
    for (const AnswerZone& z : a.zones) {
        Json each = Json::array();
        for (const Band& b : bands()) {
            const AnswerOfBand& of = z.bands[b.id.index];
            each.push_back({{"band_ghz", b.name},
                            {"clients", rounded(of.clients, 1)},
                            {"air", rounded(of.air, 4)},
                            {"by_area", rounded(of.by_area, 3)},
                            {"by_air", rounded(of.by_air, 3)},
                            {"by_clients", rounded(of.by_clients, 3)}});
        }
        zones.push_back({{"zone", find_zone(*find_floor(project, z.floor), z.zone)->name},
                         {"floor", find_floor(project, z.floor)->name},
                         {"area_m2", rounded(z.area_m2, 1)},
                         {"clients", rounded(z.clients, 1)},
                         {"access_points", z.access_points},
                         {"rule", rule_name(z.rule)},
                         {"bands", each}});
    }
    for (const AnswerFloor& f : a.floors)
        floors.push_back({{"floor", find_floor(project, f.floor)->name},
                          {"area_m2", rounded(f.area_m2, 1)},
                          {"people", rounded(f.people, 1)},
                          {"access_points", f.access_points}});
    for (const Band& b : bands())
        of_bands.push_back({{"band_ghz", b.name},
                            {"radios", a.radios[b.id.index]},
                            {"reach_m", rounded(a.reach_m[b.id.index], 2)},
                            {"cell_m2", rounded(a.cell_m2[b.id.index], 1)},
                            {"channels", a.channels[b.id.index]}});
    return {{"access_points", a.access_points},
            {"people", rounded(a.site.people, 1)},
            {"clients", rounded(a.site.clients, 1)},
            {"down_mbps", rounded(a.site.down_mbps, 1)},
            {"short_of_channels", a.short_of_channels},
            {"bands", of_bands},
            {"floors", floors},
            {"zones", zones}};
}

struct AnswerAsk {
    std::string file;
    PlainSite site;
};

int answer(Context& context, const AnswerAsk& ask) {
    const Project project = ask.file.empty() ? plain_site(ask.site) : load(context, ask.file);
    const FirstAnswer a = first_answer(project, usual_answer(project));
    const Json json = answer_json(project, a);
    if (context.json) return print(context, json), done;
    context.out << a.access_points << " access points, for " << std::lround(a.site.clients) << " clients on "
                << std::lround(a.site.area_m2) << " m2\n";
    for (const AnswerZone& z : a.zones) {
        char line[160];
        std::snprintf(line, sizeof line, "  %-28.28s %6.0f m2 %5.0f clients  %2d by %s\n",
                      find_zone(*find_floor(project, z.floor), z.zone)->name.c_str(), z.area_m2, z.clients,
                      z.access_points, rule_name(z.rule));
        context.out << line;
    }
    return done;
}

}  // namespace

void add_capacity_commands(CLI::App& root, Context& context) {
    const auto file = std::make_shared<std::string>(), hour = std::make_shared<std::string>();
    CLI::App* command = add_command(
        root, context, "capacity", "What of the demand is carried, by busy hour, zone and radio",
        "capacity library.yemvo --json", [&context, file, hour] { return capacity(context, *file, *hour); });
    command->add_option("FILE", *file, "A project (.yemvo)")->required();
    command->add_option("--hour", *hour, "The key of one busy hour; all without it");

    const auto ask = std::make_shared<AnswerAsk>();
    command = add_command(root, context, "answer", "How many access points a site needs, before any stands",
                          "answer --length 60 --width 20 --floors 3 --people 240 --use offices --json",
                          [&context, ask] { return answer(context, *ask); });
    command->add_option("FILE", ask->file, "A project whose zones say who is there");
    command->add_option("--length", ask->site.length_m, "Metres, where there is no project")
        ->check(CLI::Range(1.0, 2000.0));
    command->add_option("--width", ask->site.width_m, "Metres")->check(CLI::Range(1.0, 2000.0));
    command->add_option("--floors", ask->site.floors, "How many alike")->check(CLI::Range(1, 100));
    command->add_option("--people", ask->site.people, "On all floors")->check(CLI::Range(0.0, 1e5));
    command->add_option("--use", ask->site.use, "A use of rooms: offices, classroom, hall, cafe, ...");
}

}  // namespace yemvo::cli
