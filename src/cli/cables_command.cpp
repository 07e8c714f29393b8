// SPDX-License-Identifier: GPL-3.0-or-later
// cables: which cable leads where, and what that asks of closets and switches.
#include <cstdio>
#include <memory>
#include <ostream>

#include "cabling/closet_places.h"
#include "cli/command_set.h"
#include "cli/json_out.h"

namespace yemvo::cli {
namespace {

Json point_json(Point p) { return {rounded(p.x, 3), rounded(p.y, 3)}; }

Json legs_json(const Project& project, const std::vector<CableLeg>& legs) {
    Json out = Json::array();
    for (const CableLeg& leg : legs) {
        Json points = Json::array();
        for (const Point& p : leg.points) points.push_back(point_json(p));
        out.push_back(
            {{"floor", floor_title(project, *find_floor(project, leg.floor))}, {"points_m", points}});
    }
    return out;
}

Json run_json(const Project& project, const CableRun& r) {
    const Floor& floor = *find_floor(project, r.floor);
    Json json{{"access_point", r.number}, {"floor", floor_title(project, floor)}};
    if (!r.closet) {
        json["closet"] = nullptr;
        return json;
    }
    const Floor& at = *find_floor(project, r.closet_floor);
    const Closet& closet = *find_closet(at, r.closet);
    json["closet"] = closet.name;
    json["closet_floor"] = floor_title(project, at);
    if (r.outlet) json["outlet"] = find_outlet(floor, r.outlet)->name;
    if (r.port) {
        json["switch"] = closet.switches[r.port->of].name;
        json["port"] = r.port->port;
    }
    json["way_m"] = rounded(r.way_m, 2);
    json["drops_m"] = rounded(r.drops_m, 2);
    json["link_m"] = rounded(r.link_m, 2);
    json["channel_m"] = rounded(r.channel_m, 2);
    if (r.power_class) json["class"] = r.power_class->number;
    if (r.draw_w > 0) json["draw_w"] = rounded(r.draw_w, 2);
    if (r.port_w > 0) json["port_w"] = rounded(r.port_w, 2);
    json["legs"] = legs_json(project, r.legs);
    return json;
}

Json closet_json(const Project& project, const ClosetUse& use) {
    const Floor& floor = *find_floor(project, use.floor);
    const Closet& closet = *find_closet(floor, use.closet);
    Json json{{"closet", closet.name},
              {"floor", floor_title(project, floor)},
              {"cables", use.runs},
              {"without_port", use.without_port},
              {"switches", Json::array()}};
    for (std::size_t i = 0; i < use.switches.size(); ++i)
        json["switches"].push_back({{"name", closet.switches[i].name},
                                    {"ports", closet.switches[i].ports},
                                    {"ports_used", use.switches[i].ports_used},
                                    {"budget_w", closet.switches[i].budget_w},
                                    {"class_w", rounded(use.switches[i].class_w, 2)},
                                    {"drawn_w", rounded(use.switches[i].drawn_w, 2)}});
    return json;
}

Json numbers_json(const Project& project, const std::vector<AccessPointId>& ids) {
    Json out = Json::array();
    for (const PlacedAccessPoint& p : placed_access_points(project))
        if (std::ranges::count(ids, p.access_point->id) > 0) out.push_back(p.access_point->number);
    return out;
}

Json cables_json(const Project& project, const CablePlan& plan, const ClosetPlaces& places) {
    Json json{{"cables", Json::array()},
              {"closets", Json::array()},
              {"new_cables", plan.new_cables},
              {"outlets_used", plan.outlets_used},
              {"cable_m", rounded(plan.cable_m, 1)},
              {"closets_are_risers", plan.closets_are_risers},
              {"further_closets", Json::array()},
              {"fewest", places.fewest},
              {"beyond_reach", numbers_json(project, places.beyond)}};
    for (const CableRun& r : plan.runs) json["cables"].push_back(run_json(project, r));
    for (const ClosetUse& c : plan.closets) json["closets"].push_back(closet_json(project, c));
    for (const ClosetPlace& p : places.places)
        json["further_closets"].push_back({{"floor", floor_title(project, *find_floor(project, p.floor))},
                                           {"place_m", point_json(p.place)},
                                           {"reaches", numbers_json(project, p.reaches)},
                                           {"longest_link_m", rounded(p.longest_link_m, 2)}});
    return json;
}

void print_runs(Context& context, const Project& project, const CablePlan& plan) {
    char line[256];
    for (const CableRun& r : plan.runs) {
        const std::string floor = floor_title(project, *find_floor(project, r.floor));
        if (!r.closet) {
            std::snprintf(line, sizeof line, "%4d  %-20s no way to a closet\n", r.number, floor.c_str());
        } else {
            const Closet& closet = *find_closet(*find_floor(project, r.closet_floor), r.closet);
            std::string port =
                r.port ? closet.switches[r.port->of].name + " " + std::to_string(r.port->port) : "";
            std::snprintf(line, sizeof line, "%4d  %-20s %-10s %-14s link %6.1f m  channel %6.1f m%s%s\n",
                          r.number, floor.c_str(), closet.name.c_str(), port.c_str(), r.link_m, r.channel_m,
                          r.outlet ? "  from an outlet" : "",
                          r.channel_m > project.cabling.most_channel_m ? "  too long"
                          : r.link_m > project.cabling.most_link_m     ? "  link too long"
                                                                       : "");
        }
        context.out << line;
    }
}

int cables(Context& context, const std::string& file) {
    const Project project = load(context, file);
    const CablePlan plan = plan_cables(project);
    const ClosetPlaces places = closet_places(project, plan);
    if (context.json) {
        print(context, cables_json(project, plan, places));
        return 0;
    }
    print_runs(context, project, plan);
    char line[200];
    for (const ClosetPlace& p : places.places) {
        std::snprintf(line, sizeof line, "A closet on %s at x %.1f, y %.1f m would reach %zu more\n",
                      floor_title(project, *find_floor(project, p.floor)).c_str(), p.place.x, p.place.y,
                      p.reaches.size());
        context.out << line;
    }
    std::snprintf(line, sizeof line, "%d new cables, %.0f m; %d from outlets\n", plan.new_cables,
                  plan.cable_m, plan.outlets_used);
    context.out << line;
    return 0;
}

}  // namespace

void add_cables_command(CLI::App& root, Context& context) {
    auto file = std::make_shared<std::string>();
    auto* command = add_command(
        root, context, "cables", "Cables from access points to closets, with lengths, ports and watts",
        "cables library.yemvo --json", [&context, file] { return cables(context, *file); });
    command->add_option("FILE", *file, "A project (.yemvo)")->required();
}

}  // namespace yemvo::cli
