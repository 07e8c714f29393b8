// SPDX-License-Identifier: GPL-3.0-or-later
// Sites at size: what is left out changes nothing that anybody looks at, and floors judged one by one are
// judged the same.
#include <cmath>

#include "core/support.h"
#include "coverage/floor_by_floor.h"
#include "coverage/lens_map.h"
#include "demo/demo.h"
#include "project/items.h"
#include "propagation/gain_field.h"

using namespace yemvo;
using namespace yemvo::test;

TEST_CASE("a link beyond the path loss limit is one that no lens, limit or count asks for") {
    // against every cell of every radio worked out without a limit, on every floor of the demo
    const Project p = demo::compose_venue();
    Predictor predictor;
    const SitePrediction site = predictor.predict(p);
    constexpr double weakest_dbm = -112;
    double strongest_lost_dbm = -1e9;
    std::size_t kept = 0, lost = 0;
    for (const FloorPrediction& f : site.floors) {
        for (const PlacedAccessPoint& placed : placed_access_points(p)) {
            const Scene& scene = *f.scene;
            const Point3 source = antenna_place(scene, *placed.floor, *placed.access_point);
            const Obstruction whole = cast_shadows(scene, f.surface, source, {}, no_limit_db);
            for (const RadioField& r : *f.radios) {
                if (r.access_point != placed.access_point->id) continue;
                const RadioBand& can = *radio_band(model(p, placed.access_point->model), r.radio, r.band);
                const GainField all =
                    make_gain_field(f.surface, source,
                                    body_turn(can.antenna.frame(), placed.access_point->mount,
                                              azimuth_deg(scene, *placed.floor, *placed.access_point),
                                              placed.access_point->downtilt_deg),
                                    can.antenna, r.band, whole, no_limit_db);
                for (std::size_t i = 0; i < f.surface.cells(); i += 7) {
                    const bool arrives = !r.field->silent && r.field->gain_cdb[i] != silent_cdb;
                    const double dbm = 0.01 * (all.gain_cdb[i] + r.offset_cdb);
                    arrives ? ++kept : ++lost;
                    if (!arrives) strongest_lost_dbm = std::max(strongest_lost_dbm, dbm);
                }
            }
        }
    }
    INFO(kept << " kept, " << lost << " lost, the strongest of them " << strongest_lost_dbm << " dBm");
    CHECK(kept > 10'000);
    CHECK(lost > 1'000);
    CHECK(strongest_lost_dbm < weakest_dbm);
}

TEST_CASE("floors judged one by one give the verdict of all together") {
    const Project p = demo::compose_venue();
    Predictor one, all;
    const Verdict by_floors = judge_by_floors(p, one);
    const Verdict together = judge(p, all.predict(p, {}, wish_to_judge(p)));
    CHECK(by_floors.complete());
    CHECK(together.complete());
    CHECK(by_floors.floors_all == all_floors(p).size());
    REQUIRE(by_floors.requirements.size() == together.requirements.size());
    for (std::size_t i = 0; i < together.requirements.size(); ++i) {
        const RequirementResult &a = by_floors.requirements[i], &b = together.requirements[i];
        CHECK(a.share_met() == b.share_met());
        CHECK(a.site.asked == b.site.asked);
        CHECK(a.floors.size() == b.floors.size());
        REQUIRE(a.site.worst.has_value() == b.site.worst.has_value());
        if (a.site.worst) CHECK(a.site.worst->margin == b.site.worst->margin);
    }
    SiteJudge some(p);
    Predictor part;
    some.add(part.predict(p, {all_floors(p)[1]->id}, wish_to_judge(p)).floors.front());
    CHECK(some.verdict().floors_judged == 1);
    CHECK_FALSE(some.verdict().complete());
}

TEST_CASE("an edit of a value that nobody else holds copies nothing; what others hold stays as it was") {
    Shared<std::vector<int>> a(std::vector<int>{1, 2, 3});
    const void* where = a.identity();
    a.edit().push_back(4);
    CHECK(a.identity() == where);
    const Shared<std::vector<int>> held = a;
    a.edit().push_back(5);
    CHECK_FALSE(a.same(held));
    CHECK(held->size() == 4);
    CHECK(a->size() == 5);
    Shared<std::vector<int>> none, other;
    none.edit().push_back(1);
    CHECK(other->empty());
}

TEST_CASE("many walls moved at once move as one by one, openings with them") {
    Project p = one_floor();
    const FloorId at = floor_at(p, 0);
    std::vector<Item> items;
    for (int i = 0; i < 40; ++i) {
        const WallId id = wall(p, "brick-half", {{0, i * 1.0}, {9, i * 1.0}});
        Opening o;
        o.type = first_type(p, TypeUse::door);
        const OpeningId door = add_opening(p, at, id, o);
        if (i % 2) continue;
        items.push_back({ItemKind::wall, id.value});
        items.push_back({ItemKind::opening, door.value, id.value});
    }
    Project together = p, apart = p;
    move_items(together, at, items, shifted({3, 1}));
    for (const Item& item : items)
        if (item.kind == ItemKind::wall) move_items(apart, at, {item}, shifted({3, 1}));
    CHECK(together == apart);
    CHECK_THROWS_AS(move_items(together, at, {{ItemKind::wall, 999'999}}, shifted({1, 0})), std::logic_error);
}

namespace {

/// Storeys of 40 x 20 m with a few rooms and three access points each.
Project small_tower(int storeys) {
    Project p = new_project("Tower", {LengthUnits::metres, "GB", 1.2, 7}, storeys, 3.6);
    p.settings.grid_m = 1;
    for (const Floor* f : all_floors(p)) {
        const FloorId id = f->id;
        add_outer_walls(p, id, first_type(p, TypeUse::wall), 40, 20);
        for (double x : {6.0, 20.0, 33.0}) add_access_point(p, id, (*p.models)[1].id, {x, 9});
    }
    return p;
}

void check_same(const Verdict& a, const Verdict& b) {
    REQUIRE(a.requirements.size() == b.requirements.size());
    CHECK(a.floors_judged == b.floors_judged);
    for (std::size_t i = 0; i < a.requirements.size(); ++i) {
        CHECK(a.requirements[i].share_met() == b.requirements[i].share_met());
        CHECK(a.requirements[i].site.asked == b.requirements[i].site.asked);
    }
    REQUIRE(a.floors.size() == b.floors.size());
    for (std::size_t i = 0; i < a.floors.size(); ++i) CHECK(a.floors[i].met_m2 == b.floors[i].met_m2);
}

}  // namespace

TEST_CASE("after an edit only the floors that it reaches are judged again, to the verdict of all anew") {
    const Project p = small_tower(28);
    const auto floors = all_floors(p);
    Predictor predictor;
    FloorByFloor kept(predictor);
    const Verdict first = judge_by_floors(p, kept);
    CHECK(kept.predicted() == floors.size());
    check_same(judge_by_floors(p, kept), first);
    CHECK(kept.predicted() == floors.size());
    const auto check_edit_of = [&](std::size_t most, const std::function<void(Project&)>& edit) {
        Project after = p;
        edit(after);
        judge_by_floors(p, kept);
        const std::size_t before = kept.predicted();
        const Verdict again = judge_by_floors(after, kept);
        const std::size_t redone = kept.predicted() - before;
        INFO(redone << " floors redone");
        CHECK(redone >= 1);
        CHECK(redone <= most);
        Predictor fresh;
        check_same(again, judge_by_floors(after, fresh));
    };
    const FloorId middle = floors[14]->id;
    check_edit_of(20, [&](Project& x) { wall(x, "concrete-200", {{10, 0}, {10, 20}}, 0, {}, 14); });
    check_edit_of(20, [&](Project& x) {
        AccessPoint ap = access_points(x, middle)[0];
        ap.position = {15, 5};
        replace_access_point(x, middle, ap);
    });
    check_edit_of(20, [&](Project& x) {
        AccessPoint ap = access_points(x, middle)[0];
        for (Radio& r : ap.radios) r.power_dbm -= 3;
        replace_access_point(x, middle, ap);
    });
    check_edit_of(1, [&](Project& x) {
        add_zone(x, middle, {{}, "Z", ZoneKind::not_needed, {{1, 1}, {9, 1}, {9, 9}, {1, 9}}});
    });
    // what is asked for everywhere is judged everywhere
    check_edit_of(28, [&](Project& x) { x.settings.client_height_m = 0.5; });
    check_edit_of(28, [&](Project& x) {
        Requirement r = x.requirement_sets->front().requirements.front();
        r.limit += 10;
        replace_requirement(x, r);
    });
}
