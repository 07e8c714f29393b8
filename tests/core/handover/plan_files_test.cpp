// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/plan_files.h"

#include <nlohmann/json.hpp>
#include <set>

#include "core/support.h"
#include "handover/site_place.h"
#include "handover/walk.h"
#include "handover/wall_distances.h"
#include "project/edits.h"

using namespace yemvo;
using namespace yemvo::test;
using Json = nlohmann::json;

namespace {

Project hall() {
    Project p = one_floor();
    wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 10}, {0, 10}, {0, 0}});
    Zone zone;
    zone.name = "Hall";
    zone.outline = {{0, 10}, {20, 10}, {20, 0}, {0, 0}};  // clockwise
    add_zone(p, floor_at(p, 0), zone);
    add_access_point(p, floor_at(p, 0), p.models->front().id, {5, 4});
    return p;
}

}  // namespace

TEST_CASE("GeoJSON has rings counter-clockwise that end where they begin") {
    const Json all = Json::parse(plan_geojson(hall()));
    CHECK(all["type"] == "FeatureCollection");
    int zones = 0, points = 0;
    for (const Json& f : all["features"]) {
        points += f["properties"]["kind"] == "access point";
        if (f["properties"]["kind"] != "zone") continue;
        ++zones;
        const Json& ring = f["geometry"]["coordinates"][0];
        REQUIRE(ring.size() == 5);
        CHECK(ring.front() == ring.back());
        double twice = 0;
        for (std::size_t i = 0; i + 1 < ring.size(); ++i)
            twice += ring[i][0].get<double>() * ring[i + 1][1].get<double>() -
                     ring[i + 1][0].get<double>() * ring[i][1].get<double>();
        CHECK(twice == Approx(400));
    }
    CHECK(zones == 1);
    CHECK(points == 1);
}

TEST_CASE("a place of the site on Earth") {
    // one minute of latitude at 45 degrees is 1852.2 m along the WGS 84 meridian, one of longitude 1314.2 m
    // (a cos(lat) / sqrt(1 - e2 sin2(lat)) / 10800 * pi)
    const GeoAnchor anchor{{0, 0}, 45, 9, 0};
    const LatLong north = on_earth(anchor, {0, 1852.2}), east = on_earth(anchor, {1314.2, 0});
    CHECK(north.latitude_deg == Approx(45 + 1 / 60.0).margin(2e-6));
    CHECK(east.longitude_deg == Approx(9 + 1 / 60.0).margin(2e-6));
    // the site's north points east there
    const LatLong turned = on_earth({{0, 0}, 45, 9, 90}, {0, 1314.2});
    CHECK(turned.longitude_deg == Approx(9 + 1 / 60.0).margin(2e-6));
    CHECK(turned.latitude_deg == Approx(45).margin(1e-9));
}

TEST_CASE("OpenConfig names every radio with its channel, width and power") {
    const Project p = hall();
    const Json all = Json::parse(radios_openconfig(p));
    const Json& ap = all["openconfig-access-points:access-points"]["access-point"][0];
    CHECK(ap["hostname"] == ap["config"]["hostname"]);
    const AccessPoint& own = access_points(p, floor_at(p, 0))[0];
    REQUIRE(ap["radios"]["radio"].size() == own.radios.size());
    for (std::size_t i = 0; i < own.radios.size(); ++i) {
        const Json& config = ap["radios"]["radio"][i]["config"];
        CHECK(config["channel"] == own.radios[i].primary);
        CHECK(config["channel-width"] == own.radios[i].channel.width_mhz);
        CHECK(config["transmit-power"] == std::lround(own.radios[i].power_dbm));
    }
}

TEST_CASE("a tape finds the two walls that fix a place, to their faces") {
    const Project p = hall();
    const Floor& f = *all_floors(p)[0];
    const auto found = wall_distances(f, {5, 4}, [](const Wall&) { return 0.2; });
    REQUIRE(found.size() == 2);
    CHECK(found[0].distance_m == Approx(3.9));
    CHECK(found[0].foot == Point{5, 0.1});
    CHECK(found[1].distance_m == Approx(4.9));
    CHECK(wall_distances(f, {500, 500}, [](const Wall&) { return 0.2; }).empty());
}

TEST_CASE("a walk passes every access point once and does not cross itself") {
    Project p = one_floor();
    // along two corridors, told in a mixed order
    for (const Point at : {Point{30, 0}, {0, 0}, {20, 10}, {10, 0}, {0, 10}, {20, 0}, {10, 10}, {30, 10}})
        add_access_point(p, floor_at(p, 0), p.models->front().id, at);
    const auto stops = walk(p, *all_floors(p)[0]);
    REQUIRE(stops.size() == 8);
    double metres = 0;
    std::set<int> seen;
    for (const WalkStop& s : stops) {
        metres += s.from_last_m;
        seen.insert(s.access_point->number);
    }
    CHECK(seen.size() == 8);
    CHECK(metres == Approx(70));  // up one corridor, across, down the other
}
