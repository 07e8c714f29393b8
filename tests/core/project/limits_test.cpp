// SPDX-License-Identifier: GPL-3.0-or-later
// What the window can make, the file can hold: one set of limits for edits, files and the schema.
#include "project/limits.h"

#include <cmath>
#include <fstream>
#include <functional>
#include <limits>

#include "base/utf8.h"
#include "core/support.h"
#include "demo/demo.h"
#include "project/json_project.h"
#include "project/rules.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

/// Why an edit is refused; empty when it is not.
std::string refusal(const Project& before, const std::function<void(Project&)>& edit) {
    Project after = before;
    edit(after);
    try {
        check_edit(before, after);
        return {};
    } catch (const Error& fault) {
        return fault.what();
    }
}

bool can_be_read(const Project& p) {
    try {
        return project_from_json(project_to_json(p)) == p;
    } catch (const Error&) {
        return false;
    }
}

Project with_one_wall() {
    Project p = one_floor();
    wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 12}});
    add_access_point(p, floor_at(p, 0), (*p.models)[1].id, {5, 5});
    add_note(p, floor_at(p, 0), {{}, "n", {1, 1}, ""});
    // the library would be most of what is written and read thousands of times
    p.models.edit().resize(3);
    p.antennas = {};
    const Floor& f = *find_floor(p, floor_at(p, 0));
    const WallTypeId drawn = f.walls->front().type, slab = f.slab->type, first = p.wall_types->front().id;
    std::erase_if(p.wall_types.edit(),
                  [&](const WallType& t) { return t.id != drawn && t.id != slab && t.id != first; });
    return p;
}

AccessPoint first_access_point(const Project& p) { return access_points(p, floor_at(p, 0)).front(); }

}  // namespace

TEST_CASE("edits that a file could not hold are refused with thing, field and bounds") {
    const Project p = with_one_wall();
    const FloorId f = floor_at(p, 0);
    const Wall w = find_floor(p, f)->walls->front();
    const auto change_wall = [&](const std::function<void(Wall&)>& change) {
        return refusal(p, [&](Project& x) {
            Wall changed = w;
            change(changed);
            replace_wall(x, f, changed);
        });
    };
    using Catch::Contains;
    SECTION("a height of 3200 that was meant in millimetres") {
        const std::string why = refusal(p, [&](Project& x) {
            AccessPoint ap = first_access_point(x);
            ap.height_m = 3200;
            replace_access_point(x, f, ap);
        });
        CHECK_THAT(why,
                   Contains("Access point 1 on Ground floor") && Contains("height") && Contains("1000.00 m"));
    }
    SECTION("an arc that is nearly a full circle, and one whose ends meet") {
        CHECK_THAT(change_wall([](Wall& x) { x.bulges = {101, 0}; }), Contains("arc"));
        CHECK_THAT(change_wall([](Wall& x) {
                       x.bulges = {0.5, 0};
                       x.points[1] = x.points[0];
                   }),
                   Contains("no length"));
        CHECK(change_wall([](Wall& x) { x.bulges = {100, 0}; }).empty());
    }
    SECTION("a corner beyond 100 km, one that is no number") {
        CHECK_THAT(change_wall([](Wall& x) { x.points[2].x = 100'001; }), Contains("corner 3"));
        CHECK_THAT(change_wall([](Wall& x) { x.points[2].y = std::nan(""); }), Contains("corner 3"));
    }
    SECTION("texts are counted in characters, not bytes") {
        const auto note = [&](const std::string& text) {
            return refusal(p, [&](Project& x) {
                Note n = find_floor(x, f)->notes->front();
                n.text = text;
                replace_note(x, f, n);
            });
        };
        std::string cjk;
        for (int i = 0; i < 4800; ++i) cjk += "\u56FE";
        CHECK(note(cjk).empty());
        CHECK_THAT(note(std::string(10'001, 'x')), Contains("10001 characters, more than 10000"));
        CHECK_THAT(note("\xC3\x28"), Contains("UTF-8"));
        Project kept = p;
        Note n = find_floor(kept, f)->notes->front();
        n.text = cjk;
        replace_note(kept, f, n);
        CHECK(can_be_read(kept));
    }
    SECTION("a variant's name of 3,000 characters") {
        CHECK_THAT(refusal(p, [](Project& x) { copy_variant(x, std::string(3000, 'v')); }),
                   Contains("Variant vvv") && Contains("2000"));
    }
    SECTION("floors pushed beyond the sky by one below them") {
        Project tower = new_project("T", {}, 3, 500);
        CHECK_THAT(refusal(tower,
                           [](Project& x) {
                               const Floor first = *all_floors(x).front();
                               set_floor(x, first.id, first.name, 9'500, 900);
                           }),
                   Contains("elevation"));
    }
}

TEST_CASE("lengths in a refusal are in the project's units") {
    Project p = with_one_wall();
    p.settings.units = LengthUnits::feet_inches;
    const std::string why = refusal(p, [&](Project& x) {
        AccessPoint ap = first_access_point(x);
        ap.height_m = 3200;
        replace_access_point(x, floor_at(x, 0), ap);
    });
    CHECK_THAT(why, Catch::Contains("3280' 10"));
}

TEST_CASE("an edit is refused exactly where the file would refuse it") {
    const Project p = with_one_wall();
    const FloorId f = floor_at(p, 0);
    // each puts a number somewhere
    const std::vector<std::pair<const char*, std::function<void(Project&, double)>>> places{
        {"wall base", [&](Project& x, double v) { x.buildings[0].floors[0].walls.edit()[0].base_m = v; }},
        {"wall top", [&](Project& x, double v) { x.buildings[0].floors[0].walls.edit()[0].top_m = v; }},
        {"corner", [&](Project& x, double v) { x.buildings[0].floors[0].walls.edit()[0].points[1].y = v; }},
        {"bulge",
         [&](Project& x, double v) {
             x.buildings[0].floors[0].walls.edit()[0].bulges = {v, 0};
         }},
        {"storey", [&](Project& x, double v) { x.buildings[0].floors[0].height_m = v; }},
        {"elevation", [&](Project& x, double v) { x.buildings[0].floors[0].elevation_m = v; }},
        {"slope", [&](Project& x, double v) { x.buildings[0].floors[0].slope.y = v; }},
        {"slab", [&](Project& x, double v) { x.buildings[0].floors[0].slab.edit().thickness_m = v; }},
        {"level", [&](Project& x, double v) { x.buildings[0].level_m = v; }},
        {"turn", [&](Project& x, double v) { x.buildings[0].placement.turn_deg = v; }},
        {"height", [&](Project& x, double v) { x.variants[0].access_points[f].edit()[0].height_m = v; }},
        {"azimuth", [&](Project& x, double v) { x.variants[0].access_points[f].edit()[0].azimuth_deg = v; }},
        {"tilt", [&](Project& x, double v) { x.variants[0].access_points[f].edit()[0].downtilt_deg = v; }},
        {"power",
         [&](Project& x, double v) { x.variants[0].access_points[f].edit()[0].radios[0].power_dbm = v; }},
        {"grid", [&](Project& x, double v) { x.settings.grid_m = v; }},
        {"heard", [&](Project& x, double v) { x.settings.heard_dbm = v; }},
        {"client height", [&](Project& x, double v) { x.settings.client_height_m = v; }},
        {"limit", [&](Project& x, double v) { x.requirement_sets.edit()[0].requirements[0].limit = v; }},
        {"share",
         [&](Project& x, double v) { x.requirement_sets.edit()[0].requirements[0].share_required = v; }},
        {"thickness", [&](Project& x, double v) { x.wall_types.edit()[0].thickness_m = v; }},
        {"bound", [&](Project& x, double v) { x.wall_types.edit()[0].most_db = v; }},
        {"model height", [&](Project& x, double v) { x.models.edit()[0].mount_height_m = v; }},
        {"client power", [&](Project& x, double v) { x.clients.edit()[0].power_dbm = v; }},
    };
    std::vector<double> values{0, -0.0, 0.005, 1e-300, std::numeric_limits<double>::infinity()};
    for (const auto& named : limits::in_schema())
        for (double v : {named.range.low, named.range.high}) {
            values.push_back(v);
            values.push_back(std::nextafter(v, 1e300));
            values.push_back(std::nextafter(v, -1e300));
        }
    std::ranges::sort(values);  // many ranges share a bound
    const auto same = std::ranges::unique(values);
    values.erase(same.begin(), same.end());
    values.push_back(std::nan(""));  // has no place in an order
    int refused = 0, taken = 0;
    for (const auto& [place, put] : places)
        for (double v : values) {
            Project after = p;
            put(after, v);
            const bool edit_goes = refusal(p, [&](Project& x) { put(x, v); }).empty();
            INFO(place << " " << v);
            CHECK(edit_goes == can_be_read(after));
            edit_goes ? ++taken : ++refused;
        }
    CHECK(refused > 500);
    CHECK(taken > 500);
}

TEST_CASE("the schema states the limits that the program keeps") {
    const auto schema =
        nlohmann::json::parse(std::ifstream(test_data() + "/../../docs/format/project.schema.json"));
    for (const auto& named : limits::in_schema()) {
        INFO(named.name);
        const auto& d = schema["definitions"].at(named.name);
        CHECK(d["minimum"].get<double>() == named.range.low);
        CHECK(d["maximum"].get<double>() == named.range.high);
    }
    for (const auto& named : limits::texts_in_schema()) {
        INFO(named.name);
        CHECK(schema["definitions"].at(named.name)["maxLength"].get<std::size_t>() == named.limit.most);
    }
    CHECK(schema["definitions"]["outline_part"]["properties"]["version"]["const"] == format_version);
}

TEST_CASE("the whole demo keeps every rule") { CHECK_NOTHROW(check_all(demo::make_demo())); }

TEST_CASE("text is counted as schemas count it, and what is no text is known") {
    CHECK(text_length("abc") == 3u);
    CHECK(text_length("\u00E9\u56FE\U0001F4D6") == 3u);
    CHECK_FALSE(text_length("\x80"));
    CHECK_FALSE(text_length("\xC0\xAF"));          // overlong
    CHECK_FALSE(text_length("\xED\xA0\x80"));      // a surrogate
    CHECK_FALSE(text_length("\xF4\x90\x80\x80"));  // beyond U+10FFFF
    CHECK_FALSE(text_length("\xE2\x82"));          // cut
    CHECK(as_utf8("a\xFF"
                  "b") ==
          "a\uFFFD"
          "b");
    CHECK(shortened("\u56FE\u56FE\u56FE", 2) == "\u56FE\u56FE…");
    CHECK(shortened("ab", 2) == "ab");
}
