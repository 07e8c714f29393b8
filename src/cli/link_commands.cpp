// SPDX-License-Identifier: GPL-3.0-or-later
// Commands that tell why: the links at a place, and what costs most over an area.
#include <cmath>
#include <cstdio>
#include <memory>
#include <ostream>
#include <sstream>

#include "base/number_text.h"
#include "capacity/client_air.h"
#include "capacity/link_story.h"
#include "capacity/site_capacity.h"
#include "cli/command_set.h"
#include "cli/json_out.h"
#include "cli/read_input.h"
#include "coverage/costs.h"

namespace yemvo::cli {
namespace {

struct ProbeWish {
    std::string file, floor, at, places;
    bool air = false;
};

/// One place a line, "x_m,y_m", with or without a head; a third column and more are passed over.
std::vector<Point> read_places(const std::string& file) {
    std::istringstream in(read_input(file, say("Name a table (.csv)")));
    std::vector<Point> places;
    std::string line;
    for (int number = 1; std::getline(in, line); ++number) {
        if (!line.empty() && line.back() == '\r') line.pop_back();
        if (line.empty()) continue;
        const auto first = line.find(','), second = line.find(',', first + 1);
        const auto x = read_number(line.substr(0, first));
        const auto y = first == std::string::npos ? std::nullopt
                                                  : read_number(line.substr(first + 1, second - first - 1));
        if (x && y) {
            places.push_back({*x, *y});
        } else if (number > 1 || x || y) {
            throw Error(say("'%1' is not a place", line.substr(0, 60)), say("%1, line %2", file, number),
                        say("Give two numbers in metres, as 12.5,8"));
        }
    }
    if (places.empty()) throw Error(say("holds no places"), file, say("Write a place a line, as 12.5,8"));
    return places;
}

/// A place far from everything that was drawn is a mistake.
void check_near(const Project& project, const Floor& floor, Point place) {
    constexpr double most_m = 500;
    std::vector<Point> drawn;
    for (const Floor& f : building_with(project, floor.id).floors) {
        if (const auto box = extent(f)) drawn.insert(drawn.end(), {box->low, box->high});
        for (const AccessPoint& ap : access_points(project, f.id)) drawn.push_back(ap.position);
    }
    const auto box = bounds(drawn);
    if (!box || box->grown(most_m).contains(place)) return;
    throw Error(say("lies more than 500 m from everything that is drawn"),
                say("%1,%2", plain_number(place.x, 1), plain_number(place.y, 1)),
                say("The building reaches from %1,%2 to %3,%4", plain_number(box->low.x, 1),
                    plain_number(box->low.y, 1), plain_number(box->high.x, 1), plain_number(box->high.y, 1)));
}

Point parse_place(const std::string& text) {
    const auto comma = text.find(',');
    const auto x = read_number(text.substr(0, comma));
    const auto y = comma == std::string::npos ? std::nullopt : read_number(text.substr(comma + 1));
    if (!x || !y)
        throw Error(say("'%1' is not a place", text), std::string("--at"),
                    say("Give two numbers in metres, as 12.5,8"));
    return {*x, *y};
}

void print_link(Context& context, const Json& link) {
    char line[200];
    std::snprintf(line, sizeof line, "Access point %d, %g GHz, channel %d / %d MHz, %.1f m\n",
                  link["access_point"].get<int>(), link["band_ghz"].get<double>(), link["channel"].get<int>(),
                  link["width_mhz"].get<int>(), link["distance_m"].get<double>());
    context.out << line;
    for (const Json& t : link["terms"]) {
        std::snprintf(line, sizeof line, "  %9.2f %s  %s\n", t["db"].get<double>(),
                      t["kind"] == "power" ? "dBm" : "dB ", t["name"].get<std::string>().c_str());
        context.out << line;
    }
    std::snprintf(line, sizeof line, "  +- %.1f dB standard deviation: the model's own and the materials'\n",
                  link["deviation_db"].get<double>());
    const std::string off = line;
    std::snprintf(line, sizeof line, "  %9.2f dBm  received, %.1f dB over the noise of %.1f dBm\n",
                  link["received_dbm"].get<double>(), link["snr_db"].get<double>(),
                  link["noise_dbm"].get<double>());
    context.out << line << off << "  " << link["told"].get<std::string>() << "\n";
    if (link.contains("sinr_db")) {
        std::snprintf(line, sizeof line, "  %9.1f dB SINR at the busy hour, air in use %.0f %%\n",
                      link["sinr_db"].get<double>(), 100 * link["air_in_use"].get<double>());
        context.out << line;
    }
    for (const char* way : {"down", "up"}) {
        const Json& rate = link[way];
        std::snprintf(line, sizeof line, "  %9.1f Mbit/s %s for %s\n", rate["mbps"].get<double>(), way,
                      link["client"].get<std::string>().c_str());
        context.out << line;
        for (const Json& why : rate["because"]) context.out << "      " << why.get<std::string>() << "\n";
    }
}

Json story_json(const RateStory& s) {
    Json because = Json::array();
    for (const Said& why : s.because) because.push_back(why.english());
    return {{"mbps", rounded(s.mbps, 1)}, {"form", s.form.english()}, {"because", because}};
}

/// `hour`: null where nobody asks about the air.
Json links_at(const Project& project, const Scene& scene, const Floor& floor, Point place,
              const HourCapacity* hour) {
    Json links = Json::array();
    const std::vector<LinkExplanation> all = yemvo::probe(project, scene, floor, place);
    for (std::size_t i = 0; i < all.size(); ++i) {
        const LinkExplanation& link = all[i];
        links.push_back(to_json(link));
        const double asked_dbm = signal_asked_dbm(project, link.channel.band);
        links.back()["asked_dbm"] = asked_dbm;
        links.back()["told"] = told(link, "the place", asked_dbm).english();
        const LinkStory story = link_story(project, link, client(project, project.settings.client));
        links.back()["client"] = project.settings.client;
        links.back()["down"] = story_json(story.down);
        links.back()["up"] = story_json(story.up);
        if (!hour) continue;
        const ClientAir air = link_air(project, *hour, all, i, floor.id, place);
        links.back()["sinr_db"] = rounded(air.sinr_db, 2);
        links.back()["interference_dbm"] = rounded(air.interference_dbm, 2);
        links.back()["air_in_use"] = rounded(air.use, 4);
    }
    return links;
}

int probe(Context& context, const ProbeWish& wish) {
    const Project project = load(context, wish.file);
    const Floor& floor = named_floor(project, wish.floor);
    if (wish.at.empty() == wish.places.empty())
        throw Error(say("needs one of --at and --places"), std::string("probe"),
                    say("Give a place, as --at 12.5,8, or a table of places"));
    const std::vector<Point> places =
        wish.places.empty() ? std::vector{parse_place(wish.at)} : read_places(wish.places);
    for (Point place : places) check_near(project, floor, place);
    SceneCache masks(1 << 26);
    const Scene scene = make_scene(project, masks, building_with(project, floor.id).id);
    std::shared_ptr<const SiteCapacity> capacity;
    Predictor predictor;
    if (wish.air && has_demand(project)) capacity = capacity_by_floors(project, predictor);
    const HourCapacity* hour = capacity ? capacity->find(project.demand.hour) : nullptr;
    Json all = Json::array();
    for (Point place : places) {
        const Json links = links_at(project, scene, floor, place, hour);
        if (context.json) {
            all.push_back({{"floor", floor.name},
                           {"x_m", place.x},
                           {"y_m", place.y},
                           {"height_m", project.settings.client_height_m},
                           {"links", links}});
            continue;
        }
        if (places.size() > 1)
            context.out << "At " << plain_number(place.x, 2) << "," << plain_number(place.y, 2) << "\n";
        for (const Json& link : links) print_link(context, link);
    }
    if (context.json) print(context, wish.places.empty() ? all[0] : all);
    return done;
}

struct CostsWish {
    std::string file, floor, zone, band = "5";
};

/// The cells of the floor's demanded area, or of one zone. Throws Error naming the zones there are.
std::vector<std::uint8_t> wanted_cells(const Floor& floor, const FloorPrediction& p,
                                       const std::string& zone) {
    if (zone.empty()) return p.mask->demanded;
    RequirementSet only;
    std::string known;
    for (const Zone& z : *floor.zones) {
        if (z.name == zone) only.zones.push_back(z.id);
        known += (known.empty() ? "" : "; ") + z.name;
    }
    if (only.zones.empty())
        throw Error(say("there is no zone '%1' on %2", zone, floor.name), std::string("--zone"),
                    known.empty() ? say("The floor has none") : say("Its zones are: %1", known));
    return asked_cells(only, floor, *p.mask);
}

int costs(Context& context, const CostsWish& wish) {
    const Project project = load(context, wish.file);
    const Floor& floor = named_floor(project, wish.floor);
    const BandId band = *find_band(wish.band);
    Predictor predictor;
    const FloorPrediction p = predictor.predict(project, {floor.id}).floors.front();
    const Costs found = what_costs(project, p, band, wanted_cells(floor, p, wish.zone), {});
    Json rows = Json::array();
    for (const CostRow& r : found.rows)
        rows.push_back({{"type", wall_type(project, r.type).key},
                        {"name", wall_type(project, r.type).name},
                        {"mean_db", rounded(r.mean_db, 2)},
                        {"area_m2", rounded(r.area_m2, 1)}});
    if (context.json) {
        print(context, {{"floor", floor.name},
                        {"zone", wish.zone},
                        {"band_ghz", band_ghz(band)},
                        {"served_m2", rounded(found.area_m2, 1)},
                        {"mean_way_db", rounded(found.mean_way_db, 2)},
                        {"costs", rows}});
        return done;
    }
    char line[200];
    std::snprintf(line, sizeof line,
                  "The serving radios reach %.0f m2; what is in their way takes %.1f dB in the mean.\n",
                  found.area_m2, found.mean_way_db);
    context.out << line;
    for (const Json& r : rows) {
        std::snprintf(line, sizeof line, "  %6.1f dB in the mean on %6.0f m2  %s\n",
                      r["mean_db"].get<double>(), r["area_m2"].get<double>(),
                      r["name"].get<std::string>().c_str());
        context.out << line;
    }
    return done;
}

}  // namespace

void add_link_commands(CLI::App& root, Context& context) {
    const auto place = std::make_shared<ProbeWish>();
    CLI::App* command = add_command(root, context, "probe", "Every link at a place, term by term",
                                    "probe library.yemvo --floor \"First floor\" --at 52,28 --json",
                                    [&context, place] { return probe(context, *place); });
    command->add_option("FILE", place->file, "A project (.yemvo)")->required();
    command->add_option("--floor", place->floor, "Name of the floor")->required();
    command->add_option("--at", place->at, "X,Y in metres");
    command->add_flag("--air", place->air, "SINR, interference and air in use at the busy hour too");
    command->add_option("--places", place->places, "A table of places (.csv), x_m,y_m a line");

    const auto wish = std::make_shared<CostsWish>();
    command =
        add_command(root, context, "costs", "Which types take how many dB over how much of a floor or zone",
                    "costs library.yemvo --floor \"First floor\" --zone \"Book stacks\" --band 5",
                    [&context, wish] { return costs(context, *wish); });
    command->add_option("FILE", wish->file, "A project (.yemvo)")->required();
    command->add_option("--floor", wish->floor, "Name of the floor")->required();
    command->add_option("--zone", wish->zone, "Only this zone of the floor");
    command->add_option("--band", wish->band, "2.4, 5 or 6 (GHz)")
        ->check(CLI::IsMember(band_names()))
        ->capture_default_str();
}

}  // namespace yemvo::cli
