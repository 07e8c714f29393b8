// SPDX-License-Identifier: GPL-3.0-or-later
// Each rule: a case that raises it and one that does not; its mend ends it, and the value before comes back.
#include "checks/findings.h"

#include <set>

#include "core/support.h"
#include "demo/demo.h"
#include "project/json_project.h"
#include "project/validation.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

std::vector<Finding> found(const Project& p, Rule rule) {
    SceneCache masks(1 << 22);
    std::vector<Finding> out;
    for (Finding& f : findings(p, make_scene(p, masks)))
        if (f.rule == rule) out.push_back(std::move(f));
    return out;
}

/// Raised once; with each mend no longer; without it again.
void raised_and_mended(const Project& p, Rule rule, std::size_t mends) {
    const auto list = found(p, rule);
    REQUIRE(list.size() == 1);
    CHECK(list[0].mends.size() == mends);
    CHECK_FALSE(list[0].what.empty());
    const std::string before = project_to_json(p);
    for (const Mend& m : list[0].mends) {
        INFO(m.label);
        Project mended = p;
        m.apply(mended);
        CHECK_NOTHROW(check_references(mended));
        CHECK(found(mended, rule).empty());
        CHECK_FALSE(mended == p);
        CHECK(project_to_json(p) == before);  // the value before is untouched: undo goes back to it
    }
}

std::vector<Point> square(double x0, double y0, double x1, double y1) {
    return {{x0, y0}, {x1, y0}, {x1, y1}, {x0, y1}};
}

void outer(Project& p, std::size_t floor = 0) {
    wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 10}, {0, 10}, {0, 0}}, 0, {}, floor);
}

Opening opening(const Project& p, OpeningKind kind, double start_m, double width_m = 1) {
    Opening o;
    o.kind = kind;
    o.type = first_type(p, kind == OpeningKind::door ? TypeUse::door : TypeUse::window);
    o.start_m = start_m;
    o.width_m = width_m;
    return o;
}

Drawing drawing() {
    Drawing d;
    d.name = d.source.asset = "d.png";
    d.source.sheet = {{0, 0}, {100, 100}};
    return d;
}

}  // namespace

TEST_CASE("a drawing without scale is found; one with known lengths is not") {
    Project p = one_floor();
    Drawing d = drawing();
    add_drawing(p, floor_at(p, 0), d);
    const auto list = found(p, Rule::no_scale);
    REQUIRE(list.size() == 1);
    CHECK(list[0].remedy == Remedy::scale_tool);
    d = find_floor(p, floor_at(p, 0))->drawings->front();
    d.lengths.push_back({{0, 0}, {100, 0}, 10});
    d.scale_by = ScaleBy::lengths;
    replace_drawing(p, floor_at(p, 0), scaled_by_lengths(d));
    CHECK(found(p, Rule::no_scale).empty());
}

TEST_CASE("a wall that ends short of the next is found and closed") {
    for (const auto& runs : std::vector<std::pair<std::vector<Point>, std::vector<Point>>>{
             {{{0, 0}, {5, 0}}, {{5.1, 0}, {9, 0}}},         // end to end
             {{{0, 0}, {5, 0}}, {{2, 0.08}, {2, 4}}},        // end to the middle of a wall
             {{{0, 0}, {5, 0}}, {{5.05, 0.05}, {5, 4}}}}) {  // a corner
        Project p = one_floor();
        wall(p, "plasterboard", runs.first);
        wall(p, "plasterboard", runs.second);
        raised_and_mended(p, Rule::gap, 1);
    }
    Project p = one_floor();
    wall(p, "plasterboard", {{0, 0}, {5, 0}});
    wall(p, "plasterboard", {{5, 0}, {9, 0}});      // joined
    wall(p, "plasterboard", {{2, 0}, {2, 4}});      // on it
    wall(p, "plasterboard", {{7, 1}, {7, 4}});      // a metre off: meant so
    wall(p, "screen", {{3, 0.1}, {3, 2}}, 0, 1.2);  // low partitions stand free
    CHECK(found(p, Rule::gap).empty());
}

TEST_CASE("walls on each other are found; walls in line or side by side are not") {
    Project p = one_floor();
    wall(p, "brick-half", {{0, 0}, {10, 0}});
    wall(p, "plasterboard", {{3, 0.01}, {6, 0.01}});
    raised_and_mended(p, Rule::doubled_wall, 1);
    Project partly = one_floor();
    wall(partly, "brick-half", {{0, 0}, {10, 0}});
    wall(partly, "brick-half", {{8, 0}, {15, 0}, {15, 5}});
    raised_and_mended(partly, Rule::doubled_wall, 1);
    Project fine = one_floor();
    wall(fine, "brick-half", {{0, 0}, {10, 0}});
    wall(fine, "brick-half", {{10, 0}, {15, 0}});
    wall(fine, "brick-half", {{0, 0.3}, {10, 0.3}});
    wall(fine, "screen", {{2, 1}, {4, 1}}, 0, 1);
    wall(fine, "screen", {{2, 1}, {4, 1}}, 1, 2);  // one on top of the other
    CHECK(found(fine, Rule::doubled_wall).empty());
}

TEST_CASE("a wall that runs on beyond another, or through a door, is found") {
    Project p = one_floor();
    wall(p, "brick-half", {{0, 0}, {10, 0}});
    wall(p, "plasterboard", {{5, 5}, {5, -0.25}});
    raised_and_mended(p, Rule::wall_through, 1);
    Project door = one_floor();
    const WallId id = wall(door, "brick-half", {{0, 0}, {10, 0}});
    wall(door, "plasterboard", {{5, 5}, {5, 0}});
    add_opening(door, floor_at(door, 0), id, opening(door, OpeningKind::door, 4.6));
    raised_and_mended(door, Rule::wall_through, 1);
    Project fine = one_floor();
    const WallId wide = wall(fine, "brick-half", {{0, 0}, {10, 0}});
    wall(fine, "plasterboard", {{5, 5}, {5, -5}});  // a crossing
    add_opening(fine, floor_at(fine, 0), wide, opening(fine, OpeningKind::door, 6));
    CHECK(found(fine, Rule::wall_through).empty());
}

TEST_CASE("an opening beyond its wall or higher than it is found and fitted") {
    Project p = one_floor();
    const WallId id = wall(p, "plasterboard", {{0, 0}, {4, 0}});
    add_opening(p, floor_at(p, 0), id, opening(p, OpeningKind::door, 3.5));
    raised_and_mended(p, Rule::opening_outside, 1);
    Project high = one_floor();
    const WallId low = wall(high, "plasterboard", {{0, 0}, {4, 0}}, 0, 1.5);
    add_opening(high, floor_at(high, 0), low, opening(high, OpeningKind::door, 1));
    raised_and_mended(high, Rule::opening_outside, 1);
    Project fine = one_floor();
    const WallId ok = wall(fine, "plasterboard", {{0, 0}, {4, 0}});
    add_opening(fine, floor_at(fine, 0), ok, opening(fine, OpeningKind::door, 3));
    CHECK(found(fine, Rule::opening_outside).empty());
}

TEST_CASE("openings over each other are found; side by side they are not") {
    Project p = one_floor();
    const WallId id = wall(p, "plasterboard", {{0, 0}, {6, 0}});
    add_opening(p, floor_at(p, 0), id, opening(p, OpeningKind::door, 1));
    add_opening(p, floor_at(p, 0), id, opening(p, OpeningKind::window, 1.6));
    raised_and_mended(p, Rule::opening_over, 2);
    Project fine = one_floor();
    const WallId ok = wall(fine, "plasterboard", {{0, 0}, {6, 0}});
    add_opening(fine, floor_at(fine, 0), ok, opening(fine, OpeningKind::door, 1));
    add_opening(fine, floor_at(fine, 0), ok, opening(fine, OpeningKind::window, 2));
    CHECK(found(fine, Rule::opening_over).empty());
}

TEST_CASE("zones that overlap are found, and the larger gives way") {
    Project p = one_floor();
    add_zone(p, floor_at(p, 0), {{}, "Hall", ZoneKind::served, square(0, 0, 10, 8)});
    add_zone(p, floor_at(p, 0), {{}, "Desk", ZoneKind::served, square(8, 6, 12, 9)});
    raised_and_mended(p, Rule::zone_overlap, 1);
    Project fine = one_floor();
    add_zone(fine, floor_at(fine, 0), {{}, "Hall", ZoneKind::served, square(0, 0, 10, 8)});
    add_zone(fine, floor_at(fine, 0), {{}, "Next", ZoneKind::served, square(10, 0, 14, 8)});
    add_zone(fine, floor_at(fine, 0), {{}, "Served, no mounting", ZoneKind::keep_out, square(2, 2, 4, 4)});
    CHECK(found(fine, Rule::zone_overlap).empty());
}

TEST_CASE("a room with a way out is found and closed by a wall or a door") {
    Project p = one_floor();
    wall(p, "plasterboard", {{0.9, 0}, {5, 0}, {5, 4}, {0, 4}, {0, 0}});
    raised_and_mended(p, Rule::room_open, 2);
    Project fine = one_floor();
    wall(fine, "plasterboard", {{0, 0}, {5, 0}, {5, 4}, {0, 4}, {0, 0}});
    wall(fine, "plasterboard", {{10, 0}, {14, 0}, {14, 4}});  // an open corner
    CHECK(found(fine, Rule::room_open).empty());
}

TEST_CASE("a floor with a drawing that was never aligned is found") {
    Project p = new_project("T", {}, 2, 3);
    add_drawing(p, floor_at(p, 0), drawing());
    add_drawing(p, floor_at(p, 1), drawing());
    const auto list = found(p, Rule::not_aligned);
    REQUIRE(list.size() == 1);
    CHECK(list[0].floor == floor_at(p, 1));
    CHECK(list[0].remedy == Remedy::align_tool);
    align_floor(p, floor_at(p, 1), {}, {floor_at(p, 0), {{{0, 0}, {0, 0}}, {{1, 0}, {1, 0}}}});
    CHECK(found(p, Rule::not_aligned).empty());
}

TEST_CASE("a slab without thickness, a gap between storeys and a slab of voids are found") {
    Project p = new_project("T", {}, 2, 3);
    outer(p, 0);
    outer(p, 1);
    CHECK(found(p, Rule::slab_missing).empty());
    Project thin = p;
    Slab slab = *find_floor(p, floor_at(p, 1))->slab;
    slab.thickness_m = 0;
    set_slab(thin, floor_at(p, 1), slab);
    raised_and_mended(thin, Rule::slab_missing, 1);
    Project apart = p;
    set_floor(apart, floor_at(p, 1), "Up", 3.5, 3);
    raised_and_mended(apart, Rule::slab_missing, 1);
    Project holes = p;
    add_void(holes, floor_at(p, 1), {{}, "All", square(0, 0, 20, 9.5)});
    raised_and_mended(holes, Rule::slab_missing, 0);
}

TEST_CASE("a type in use without figures for a band in use is found") {
    Project p = one_floor();
    const WallId id = wall(p, "plasterboard", {{0, 0}, {5, 0}});
    WallType only_24 = wall_type(p, find_type(p, "plasterboard"));
    only_24.losses.resize(1);
    replace_wall_type(p, only_24);
    const auto list = found(p, Rule::type_without_loss);
    REQUIRE(list.size() == 1);
    CHECK_THAT(list[0].what.english(), Catch::Contains("5 GHz"));
    CHECK(list[0].items == std::vector<Item>{{ItemKind::wall, id.value}});
    CHECK(list[0].remedy == Remedy::types_page);
    remove_wall(p, floor_at(p, 0), id);
    CHECK(found(p, Rule::type_without_loss).empty());
}

TEST_CASE("an access point inside a wall or a column is found and moved off") {
    Project p = one_floor();
    wall(p, "brick-cavity", {{0, 0}, {10, 0}});
    isotropic_access_point(p, {5, 0.05});
    raised_and_mended(p, Rule::inside_wall, 1);
    Project column = one_floor();
    add_obstacle(column, floor_at(column, 0),
                 {{}, "C1", ObstacleKind::column, find_type(column, "column-concrete"), square(4, 4, 5, 5)});
    isotropic_access_point(column, {4.5, 4.2});
    raised_and_mended(column, Rule::inside_wall, 1);
    Project fine = one_floor();
    wall(fine, "brick-cavity", {{0, 0}, {10, 0}});
    isotropic_access_point(fine, {5, 0.3});
    wall(fine, "screen", {{0, 5}, {10, 5}}, 0, 1.5);
    isotropic_access_point(fine, {5, 5}, 2.5);  // above the partition
    CHECK(found(fine, Rule::inside_wall).empty());
}

TEST_CASE("an access point above the ceiling is found and hung at it") {
    Project p = one_floor();
    add_ceiling(p, floor_at(p, 0), {{}, "Low", square(0, 0, 10, 10), 2.4, std::nullopt});
    isotropic_access_point(p, {5, 5}, 2.8);
    raised_and_mended(p, Rule::above_ceiling, 1);
    Project higher = one_floor();
    isotropic_access_point(higher, {5, 5}, 3.4);
    raised_and_mended(higher, Rule::above_ceiling, 1);
    Project fine = one_floor();
    add_ceiling(fine, floor_at(fine, 0), {{}, "Low", square(0, 0, 10, 10), 2.4, std::nullopt});
    isotropic_access_point(fine, {5, 5}, 2.35);
    isotropic_access_point(fine, {15, 5}, 2.8);
    CHECK(found(fine, Rule::above_ceiling).empty());
}

TEST_CASE("an access point outside the building is found; one in a yard is not") {
    Project p = one_floor();
    outer(p);
    isotropic_access_point(p, {30, 5});
    CHECK(found(p, Rule::outside_venue).size() == 1);
    Project fine = one_floor();
    outer(fine);
    isotropic_access_point(fine, {10, 5});
    const BuildingId yard = add_building(fine, "Yard", BuildingKind::yard, {1, 0, {40, 0}});
    add_access_point(fine, find_building(fine, yard)->floors.front().id, fine.models->front().id, {3, 3});
    CHECK(found(fine, Rule::outside_venue).empty());
}

TEST_CASE("a finding is accepted with a note, which is kept in the file, and taken back") {
    Project p = one_floor();
    outer(p);
    isotropic_access_point(p, {30, 5});
    const Finding f = found(p, Rule::outside_venue)[0];
    CHECK_FALSE(f.waived);
    waive(p, f, "On a pole by the gate");
    const Project read = project_from_json(project_to_json(p));
    CHECK(found(read, Rule::outside_venue)[0].waived == std::optional<std::string>("On a pole by the gate"));
    // another access point outside is another finding
    isotropic_access_point(p, {40, 5});
    CHECK(found(p, Rule::outside_venue).size() == 2);
    waive(p, f, std::nullopt);
    CHECK(p.waivers->empty());
}

TEST_CASE("the rules have different keys, names and reasons") {
    std::set<std::string_view> keys, names, reasons;
    for (int i = 0; i < rule_count; ++i) {
        const RuleInfo& info = rule_info(static_cast<Rule>(i));
        CHECK(static_cast<int>(info.rule) == i);
        keys.insert(info.key);
        names.insert(info.name);
        reasons.insert(info.why);
    }
    CHECK(keys.size() == rule_count);
    CHECK(names.size() == rule_count);
    CHECK(reasons.size() == rule_count);
}

TEST_CASE("a radio that gets no power, and an antenna that does not fit, are found with their mends") {
    Project p = one_floor();
    const FloorId at = floor_at(p, 0);
    const auto keyed = [&](std::string_view key) {
        for (const AccessPointModel& m : *p.models)
            if (m.key == key) return m.id;
        throw std::logic_error("no such model");
    };
    const auto change = [&](AccessPointId id, auto how) {
        AccessPoint ap = *find_access_point(p, at, id);
        how(ap);
        replace_access_point(p, at, ap);
    };
    const AccessPointId id = add_access_point(p, at, keyed("ceiling-tri"), {5, 5});
    CHECK(found(p, Rule::radio_unfed).empty());
    change(id, [](AccessPoint& ap) { ap.source = PowerSource::af; });
    const auto unfed = found(p, Rule::radio_unfed);
    REQUIRE(unfed.size() == 1);
    CHECK_THAT(unfed[0].what.english(), Catch::Contains("at 6 GHz") && Catch::Contains("802.3af"));
    REQUIRE(unfed[0].mends.size() == 2);
    for (const Mend& mend : unfed[0].mends) {
        Project mended = p;
        mend.apply(mended);
        CHECK(found(mended, Rule::radio_unfed).empty());
    }
    change(id, [](AccessPoint& ap) { ap.radios[2].on = false; });
    CHECK(found(p, Rule::radio_unfed).empty());

    change(id,
           [&](AccessPoint& ap) { ap.radios[1].antenna = p.antennas->front().id; });  // it has no connector
    const auto unfit = found(p, Rule::antenna_unfit);
    REQUIRE(unfit.size() == 1);
    CHECK_THAT(unfit[0].what.english(), Catch::Contains(p.antennas->front().name));
    unfit[0].mends.front().apply(p);
    CHECK(found(p, Rule::antenna_unfit).empty());
}

TEST_CASE("the demo has no finding that was not accepted") {
    const Project p = demo::make_demo();
    SceneCache masks(1 << 22);
    for (const Finding& f : findings(p, make_scene(p, masks))) {
        INFO(rule_info(f.rule).name << ": " << f.what << " on floor " << f.floor.value << " at " << f.place.x
                                    << ", " << f.place.y);
        CHECK(f.waived);
    }
}
