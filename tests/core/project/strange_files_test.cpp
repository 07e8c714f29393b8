// SPDX-License-Identifier: GPL-3.0-or-later
// Project values that no program wrote: each leaf of a real one replaced by something else.
#include <limits>
#include <random>

#include "core/support.h"
#include "coverage/verdict.h"
#include "demo/demo.h"
#include "project/json_project.h"
#include "project/validation.h"

using namespace yemvo;
using namespace yemvo::test;
using nlohmann::json;

namespace {

void collect(json& at, std::vector<json*>& leaves) {
    if (at.is_structured() && !at.empty())
        for (json& inner : at) collect(inner, leaves);
    else
        leaves.push_back(&at);
}

/// A floor with one of each thing, small enough to be read hundreds of times.
Project one_of_each() {
    Project p = one_floor();
    const FloorId f = floor_at(p, 0);
    const WallId id = wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}});
    Opening o;
    o.type = find_type(p, "door-timber");
    o.start_m = 3;
    add_opening(p, f, id, o);
    add_zone(p, f, {{}, "Room", ZoneKind::served, {{1, 1}, {9, 1}, {9, 9}}});
    add_void(p, f, {{}, "Stair", {{12, 2}, {14, 2}, {14, 4}}});
    Obstacle box;
    box.type = find_type(p, "stack-books");
    box.outline = {{15, 5}, {16, 5}, {16, 9}, {15, 9}};
    add_obstacle(p, f, box);
    add_access_point(p, f, (*p.models)[2].id, {5, 5});
    add_probe(p, f, {7, 7});
    // the library would be most of the file
    std::vector<WallType> used;
    for (const WallType& t : *p.wall_types)
        if (used.size() < 3 || t.id == o.type || t.id == box.type ||
            t.id == find_wall(*find_floor(p, f), id)->type || t.id == find_floor(p, f)->slab->type)
            used.push_back(t);
    p.wall_types = used;
    const std::string hung = model(p, placed_access_points(p).front().access_point->model).key;
    std::erase_if(p.models.edit(), [&](const AccessPointModel& m) {
        return m.key != hung && m.key != "density-switch" && m.key != "panel-external";
    });
    p.antennas.edit().resize(2);
    p.clients.edit().resize(2);
    return p;
}

std::vector<json> strange() {
    return {json(),
            json(true),
            json("?"),
            json(std::string(5000, 'x')),
            json(-1),
            json(0),
            json(1e300),
            json(-1e300),
            json(1e-300),
            json(std::numeric_limits<std::int64_t>::max()),
            json::array(),
            json::object(),
            json::array({json::array({json::array()})})};
}

}  // namespace

TEST_CASE("a strange value anywhere in a project is refused with its place, or what is read is sound") {
    const Project original = one_of_each();
    json whole = json::parse(project_to_json(original));
    std::vector<json*> leaves;
    collect(whole, leaves);
    REQUIRE(leaves.size() > 300);
    const auto values = strange();
    std::mt19937 random(21);
    int refused = 0, read = 0;
    for (json* leaf : leaves) {
        const json kept = *leaf;
        for (int round = 0; round < 4; ++round) {
            *leaf = values[random() % values.size()];
            const std::string text = whole.dump();
            try {
                const Project p = project_from_json(text);
                check_references(p);
                ++read;
                // what was read is written and read again as the same value
                CHECK(project_from_json(project_to_json(p)) == p);
            } catch (const Error& fault) {
                ++refused;
                CHECK(std::string(fault.what()).size() > 10);
            }
        }
        *leaf = kept;
    }
    CHECK(project_from_json(whole.dump()) == original);
    CHECK(refused > read);
}

TEST_CASE("a project with a part missing is refused by the name of the part") {
    json whole = json::parse(project_to_json(one_of_each()));
    for (const char* part : {"format", "version", "name", "settings", "buildings", "variants",
                             "requirement_sets", "wall_types", "models", "clients", "probes"}) {
        json without = whole;
        without.erase(part);
        INFO(part);
        CHECK_THROWS_WITH(project_from_json(without.dump()), Catch::Contains(part));
    }
}

TEST_CASE("what is read from strange but allowed values can be predicted and judged") {
    std::mt19937 random(8);
    Project original = one_of_each();
    // the one model in use, so that changes meet the venue as well
    std::erase_if(original.models.edit(), [&](const AccessPointModel& m) {
        return m.id != placed_access_points(original).front().access_point->model;
    });
    original.antennas = {};
    json whole = json::parse(project_to_json(original));
    std::vector<json*> numbers;
    std::vector<json*> all;
    collect(whole, all);
    for (json* leaf : all)
        if (leaf->is_number_float() || (leaf->is_number() && random() % 3 == 0)) numbers.push_back(leaf);
    int judged = 0;
    for (int round = 0; round < 150; ++round) {
        std::vector<std::pair<json*, json>> kept;
        for (int k = 0; k < 3; ++k) {
            json* leaf = numbers[random() % numbers.size()];
            kept.emplace_back(leaf, *leaf);
            const double factors[] = {0, -1, 0.001, 7, 40};
            *leaf = leaf->get<double>() * factors[random() % 5];
        }
        try {
            const Project p = project_from_json(whole.dump());
            if (p.settings.grid_m >= 0.25) {
                Predictor predictor;
                const Verdict v = judge(p, predictor.predict(p));
                for (const RequirementResult& r : v.requirements) {
                    CHECK(r.share_met() >= 0);
                    CHECK(r.share_met() <= 1);
                }
                ++judged;
            }
        } catch (const Error&) {
            // told
        }
        for (auto k = kept.rbegin(); k != kept.rend(); ++k) *k->first = k->second;
    }
    CHECK(judged > 15);
}
