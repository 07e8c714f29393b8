// SPDX-License-Identifier: GPL-3.0-or-later
// Listening places: kept like any thing on a floor, read from tables, and how loud a neighbour is elsewhere.
#include "project/neighbours.h"

#include <cmath>

#include "core/support.h"
#include "project/clipping.h"
#include "project/json_project.h"
#include "project/kinds/thing_edits.h"
#include "project/library.h"
#include "project/neighbours_csv.h"
#include "project/rules.h"
#include "project/validation.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

Neighbour heard(double dbm, const char* address = "02:00:00:00:00:01") {
    Neighbour n;
    n.name = "Pier 4 staff";
    n.address = address;
    n.channel = {band_5, 42, 80};
    n.primary = 44;
    n.level_dbm = dbm;
    n.use = 0.4;
    return n;
}

struct Pier {
    Project p = new_project("P", {LengthUnits::metres, "GB", 1.2, 7}, 2, 3.5);
    FloorId ground = floor_at(p, 0), upper = floor_at(p, 1);
    ListeningPlaceId id = add_thing(p, ground, ListeningPlace{{}, "Door", {4, 3}, {heard(-70)}});
    ListeningPlace& place() { return p.buildings[0].floors[0].listening_places.edit()[0]; }
};

}  // namespace

TEST_CASE("a listening place is written and read back with all that was heard, moved, copied") {
    Pier s;
    Neighbour all = heard(-61.5, "");
    all.name.clear();
    all.stations = 7;
    all.names = 3;
    all.standard = "ax";
    all.told_dbm = 17;
    all.retries = 0.31;
    all.own = AccessPointId{99};
    s.place().heard.push_back(all);
    CHECK(project_from_json(project_to_json(s.p)) == s.p);
    const Item item{ItemKind::listening_place, s.id.value};
    move_items(s.p, s.ground, {item}, shifted({1, 2}));
    CHECK(distance(s.place().position, {5, 5}) < 1e-9);
    const Clipping clipped =
        clipping_from_json(clipping_to_json(clip(s.p, *find_floor(s.p, s.ground), {item})));
    REQUIRE(paste(s.p, s.upper, clipped, shifted({0, 0})).size() == 1);
    const ListeningPlace& copy = find_floor(s.p, s.upper)->listening_places->front();
    CHECK(copy.heard.size() == 2);
    CHECK_FALSE(copy.heard[1].own);  // in another file that id is somebody else's
    CHECK_NOTHROW(check_references(s.p));
}

TEST_CASE("what no radio can be is refused, with the field and its neighbour") {
    Pier s;
    const auto refused = [&](auto change) {
        ListeningPlace place = s.place();
        change(place.heard[0]);
        try {
            check(place);
        } catch (const RuleBroken& rule) {
            return rule.field + ": " + rule.words.english();
        }
        return std::string("taken");
    };
    CHECK(refused([](Neighbour&) {}) == "taken");
    CHECK(refused([](Neighbour& n) { n.channel.number = 43; }) == "heard[0].channel: channel of neighbour 1");
    CHECK_THAT(refused([](Neighbour& n) { n.primary = 52; }), Catch::StartsWith("heard[0].primary"));
    CHECK_THAT(refused([](Neighbour& n) { n.level_dbm = 90; }), Catch::StartsWith("heard[0].level_dbm"));
    CHECK_THAT(refused([](Neighbour& n) { n.use = std::nan(""); }), Catch::StartsWith("heard[0].use"));
    CHECK_THAT(refused([](Neighbour& n) { n.address = "02:00"; }), Catch::StartsWith("heard[0].address"));
    CHECK_THAT(refused([](Neighbour& n) { n.stations = -1; }), Catch::StartsWith("heard[0].stations"));
    CHECK_THAT(refused([](Neighbour& n) { n.retries = 1.5; }), Catch::StartsWith("heard[0].retries"));
}

TEST_CASE("the same address heard twice is one radio; without an address each is its own") {
    Pier s;
    s.place().heard.push_back(heard(-80, ""));
    s.place().heard.push_back(heard(-81, ""));
    Neighbour own = heard(-50, "02:00:00:00:00:09");
    own.own = AccessPointId{1};
    s.place().heard.push_back(own);
    add_thing(s.p, s.upper, ListeningPlace{{}, "Above", {4, 3}, {heard(-76)}});
    const auto all = neighbours_of(s.p);
    REQUIRE(all->radios.size() == 3);
    CHECK(all->radios[0].readings.size() == 2);
    CHECK(all->radios[0].strongest_dbm() == -70);
    const std::uint64_t before = all->key;
    s.place().heard[0].level_dbm = -71;
    CHECK(neighbours_of(s.p)->key != before);
    CHECK(neighbours_of(Project{})->key == 0);
}

TEST_CASE("a neighbour is as loud as it was heard there, and falls off as its distance says") {
    Pier s;
    const NeighbourRadio radio = neighbours_of(s.p)->radios.front();
    const NeighbourLevels levels(radio, s.ground);
    CHECK(*levels.at({4, 3}) == Approx(-70));
    // 5210 MHz: 46.78 dB over the first metre leave 43.22 dB, 27.6 m off; as far again to the side it is
    // the root of two farther: 4.5 dB less
    CHECK(*levels.at({4 + 27.6, 3}) == Approx(-74.5).margin(0.05));
    CHECK(*levels.at({4, 3 - 276}) < -99);
    CHECK_FALSE(NeighbourLevels(radio, s.upper).at({4, 3}));
    // two readings: each holds where it was taken
    add_thing(s.p, s.ground, ListeningPlace{{}, "Far", {44, 3}, {heard(-60)}});
    const NeighbourLevels both(neighbours_of(s.p)->radios.front(), s.ground);
    CHECK(*both.at({4, 3}) == Approx(-70).margin(0.1));
    CHECK(*both.at({44, 3}) == Approx(-60).margin(0.1));
    CHECK(*both.at({24, 3}) < -60);
    CHECK(*both.at({24, 3}) > -75);
}

TEST_CASE("neighbours come from a table and go into one") {
    const std::string text =
        "# heard on Tuesday\n"
        "name;band_ghz;primary;width_mhz;level_dbm;use_percent;address\n"
        "\"Loft; upstairs\";5;44;80;-70,5;41;02:1E:5A:07:10:24\n"
        ";2.4;6;20;-81;;\n";
    const auto read = neighbours_from_csv(text, "heard.csv");
    REQUIRE(read.size() == 2);
    CHECK(read[0].name == "Loft; upstairs");
    CHECK(read[0].channel == Channel{band_5, 42, 80});
    CHECK(read[0].level_dbm == -70.5);
    CHECK(read[0].use == Approx(0.41));
    CHECK(read[0].address == "02:1e:5a:07:10:24");
    CHECK(read[1].name.empty());
    CHECK(read[1].use == Approx(0.1));
    CHECK(neighbours_from_csv(neighbours_to_csv(read), "again.csv") == read);
    // 40 MHz at 2.4 GHz goes up or down from its primary
    Neighbour wide;
    wide.channel = {band_24, 4, 40};
    wide.primary = 6;
    CHECK(neighbours_from_csv(neighbours_to_csv(std::vector{wide}), "w.csv")[0].channel == wide.channel);
}

TEST_CASE("a table that cannot be meant is refused with its row") {
    const auto why = [](const std::string& text) {
        try {
            (void)neighbours_from_csv(text, "heard.csv");
        } catch (const Error& e) {
            return e.summary().english() + " @ " + e.where().english();
        }
        return std::string("taken");
    };
    const std::string head = "band_ghz,primary,width_mhz,level_dbm\n";
    CHECK_THAT(why("primary,level_dbm\n36,-70\n"), Catch::Contains("has no column 'band_ghz'"));
    CHECK_THAT(why(head), Catch::Contains("has no row"));
    CHECK_THAT(why(""), Catch::Contains("has no row"));
    CHECK_THAT(why(head + "5,36,80,-70\n5,37,20,-70\n"), Catch::Contains("no channel 37"));
    CHECK_THAT(why(head + "5,36,80,-70\n5,37,20,-70\n"), Catch::Contains("heard.csv, line 3"));
    CHECK_THAT(why(head + "7,36,20,-70\n"), Catch::Contains("does not know '7'"));
    CHECK_THAT(why(head + "5,36,20,nan\n"), Catch::Contains("no number"));
    CHECK_THAT(why(head + "5,36,20,loud\n"), Catch::Contains("'loud' is no number"));
    CHECK_THAT(why(head + "5,36.5,20,-70\n"), Catch::Contains("no whole number"));
    CHECK_THAT(why(head + "5,36,20,400\n"), Catch::Contains("level"));
    CHECK_THAT(why(head + "5,\"36,20,-70\n"), Catch::Contains("quote"));
}
