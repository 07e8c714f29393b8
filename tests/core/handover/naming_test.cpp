// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/naming.h"

#include "core/support.h"
#include "project/edits.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

Project two_floors() {
    Project p = one_floor();
    add_floor(p, p.buildings[0].id);
    return p;
}

AccessPointId hang(Project& p, Point at, std::size_t floor = 0) {
    return add_access_point(p, floor_at(p, floor), p.models->front().id, at);
}

std::map<std::uint32_t, std::string> by_id(const std::vector<NewName>& names) {
    std::map<std::uint32_t, std::string> all;
    for (const NewName& n : names) all[n.access_point.value] = n.name;
    return all;
}

}  // namespace

TEST_CASE("names count in reading order: rows from the north, each from the west") {
    Project p = one_floor();
    const AccessPointId south_east = hang(p, {20, 2}), north_east = hang(p, {20, 19}),
                        north_west = hang(p, {2, 20}), south_west = hang(p, {2, 1});
    NamingScheme scheme;
    scheme.pattern = "AP-{n}";
    const auto names = by_id(names_by(p, scheme));
    CHECK(names.at(north_west.value) == "AP-01");
    // a metre lower than its neighbour, and yet of the same row
    CHECK(names.at(north_east.value) == "AP-02");
    CHECK(names.at(south_west.value) == "AP-03");
    CHECK(names.at(south_east.value) == "AP-04");
}

TEST_CASE("a pattern holds floor, building and zone, and counts on each floor or through") {
    Project p = two_floors();
    hang(p, {5, 5}, 0);
    hang(p, {5, 5}, 1);
    Zone zone;
    zone.name = "Hall";
    zone.outline = {{0, 0}, {10, 0}, {10, 10}, {0, 10}};
    add_zone(p, floor_at(p, 0), zone);
    NamingScheme scheme{"{floor}/{zone}/{n}", CountedBy::floor, 3, 7};
    auto names = names_by(p, scheme);
    const std::string low = all_floors(p)[0]->name, high = all_floors(p)[1]->name;
    CHECK(names[0].name == low + "/Hall/007");
    CHECK(names[1].name == high + "//007");
    scheme.by = CountedBy::site;
    names = names_by(p, scheme);
    CHECK(names[1].name == high + "//008");
}

TEST_CASE("a name that two would have is told, and none is given then") {
    Project p = two_floors();
    const AccessPointId low = hang(p, {5, 5}, 0);
    hang(p, {5, 5}, 1);
    NamingScheme scheme{"AP{n}", CountedBy::floor, 2, 1};
    auto names = names_by(p, scheme);
    CHECK(names[0].doubled);
    CHECK(names[1].doubled);
    CHECK_THROWS_WITH(give_names(p, names), Catch::Contains("more than one access point"));
    CHECK(find_access_point(p, floor_at(p, 0), low)->name.empty());
    // held against those that are not named anew
    const std::vector<AccessPointId> only{low};
    names = names_by(p, scheme, only);
    REQUIRE(names.size() == 1);
    CHECK_FALSE(names[0].doubled);
    give_names(p, names);
    CHECK(called(*find_access_point(p, floor_at(p, 0), low)) == "AP01");
}

TEST_CASE("a pattern that cannot name anything is refused") {
    Project p = one_floor();
    hang(p, {1, 1});
    CHECK_THROWS_WITH(names_by(p, {"{flor}-{n}", CountedBy::floor, 2, 1}), Catch::Contains("{flor}"));
    CHECK_THROWS_WITH(names_by(p, {"{floor}", CountedBy::floor, 2, 1}), Catch::Contains("{n}"));
    CHECK_THROWS_WITH(names_by(p, {"{n", CountedBy::floor, 2, 1}), Catch::Contains("stands for nothing"));
}
