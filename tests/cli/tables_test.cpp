// SPDX-License-Identifier: GPL-3.0-or-later
// Figures of the command line held against each other: verdicts worked out again from the tables of maps.
#include <cmath>
#include <fstream>
#include <map>
#include <nlohmann/json.hpp>
#include <sstream>

#include "base/number_text.h"
#include "cli/commands.h"
#include "cli/run.h"
#include "core/support.h"
#include "coverage/lens.h"
#include "project/storage.h"

using namespace yemvo;
using nlohmann::json;
using yemvo::test::Answer;
using yemvo::test::run;
using yemvo::test::TemporaryFolder;

namespace {

struct Row {
    Point at;
    std::optional<double> value;
};

std::vector<Row> table(const std::string& file) {
    std::ifstream in(file);
    std::string line;
    std::getline(in, line);
    std::vector<Row> rows;
    while (std::getline(in, line)) {
        const auto first = line.find(','), second = line.find(',', first + 1);
        rows.push_back(
            {{*read_number(line.substr(0, first)), *read_number(line.substr(first + 1, second - first - 1))},
             read_number(line.substr(second + 1))});
    }
    return rows;
}

/// Two floors of an L with zones of every kind, five access points, a courtyard.
Project venue() {
    Project p = new_project("Figures", {LengthUnits::metres, "GB", 1.2, 7}, 2, 3.2);
    for (std::size_t f : {0u, 1u}) {
        const FloorId id = test::floor_at(p, f);
        test::wall(p, "concrete-200", {{0, 0}, {34, 0}, {34, 14}, {16, 14}, {16, 26}, {0, 26}, {0, 0}}, 0, {},
                   f);
        test::wall(p, "plasterboard", {{10, 0}, {10, 14}}, 0, {}, f);
        test::wall(p, "brick-half", {{0, 14}, {16, 14}}, 0, {}, f);
        add_zone(p, id, {{}, "Office", ZoneKind::served, {{0, 0}, {10, 0}, {10, 14}, {0, 14}}});
        add_zone(p, id, {{}, "Lab", ZoneKind::keep_out, {{10, 0}, {34, 0}, {34, 14}, {10, 14}}});
        add_zone(p, id, {{}, "Plant", ZoneKind::not_needed, {{20, 4}, {26, 4}, {26, 9}, {20, 9}}});
        Zone court{{}, "Court", ZoneKind::served, {{4, 17}, {9, 17}, {9, 22}, {4, 22}}};
        court.open_air = true;
        if (f == 0) test::wall(p, "brick-half", {{4, 17}, {9, 17}, {9, 22}, {4, 22}, {4, 17}});
        if (f == 0) add_zone(p, id, court);
    }
    for (Point at : {Point{4, 5}, Point{17, 11}, Point{30, 3}})
        add_access_point(p, test::floor_at(p, 0), (*p.models)[2].id, at);
    for (Point at : {Point{7, 20}, Point{28, 8}})
        add_access_point(p, test::floor_at(p, 1), (*p.models)[1].id, at);
    return p;
}

/// The zone that counts at a place, as the guide tells it: where nobody needs service first, then the later
/// one.
const Zone* zone_at(const Floor& f, Point p) {
    const auto last = [&](auto wanted) -> const Zone* {
        for (auto z = f.zones->rbegin(); z != f.zones->rend(); ++z)
            if (wanted(z->kind) && contains(z->outline, p)) return &*z;
        return nullptr;
    };
    const auto excluded = [](ZoneKind k) { return k == ZoneKind::not_needed || k == ZoneKind::outside; };
    if (const Zone* z = last(excluded)) return z;
    return last([&](ZoneKind k) { return !excluded(k); });
}

}  // namespace

TEST_CASE("verdicts worked out again from tables: every lens, band, grid, by zones and kinds of zones") {
    const TemporaryFolder folder;
    const std::string file = folder / "p.yemvo", csv = folder / "map.csv";
    int compared = 0;
    for (const double grid_m : {1.0, 0.5}) {
        Project p = venue();
        p.settings.grid_m = grid_m;
        p.requirement_sets = {};
        const auto zone_named = [&](const char* name) {
            for (const Zone& z : *all_floors(p)[0]->zones)
                if (z.name == name) return z.id;
            return ZoneId{};
        };
        std::vector<Requirement> list;
        for (const LensInfo& info : lenses())
            if (info.may_require() && info.counts == RequirementCounts::area)
                for (const Band& b : bands()) list.push_back({{}, info.key, b.id, info.limit, 0.9});
        add_requirement_set(p, {{}, "Everywhere", true, {}, {}, list});
        add_requirement_set(
            p, {{}, "Office", true, {zone_named("Office")}, {}, {{{}, "signal", band_5, -60, 0.9}}});
        add_requirement_set(
            p, {{}, "Plant rooms", true, {}, {ZoneKind::not_needed}, {{{}, "snr", band_6, 20, 0.9}}});
        save_project(p, file);
        const Answer verdict = run({"verdict", file, "--json"});
        INFO(verdict.err);
        REQUIRE(verdict.code != 2);
        std::map<std::tuple<std::string, std::string, std::size_t>, std::vector<Row>> maps;
        const json told = json::parse(verdict.out);
        for (const json& r : told["requirements"]) {
            const std::string lens_key = r["lens"],
                              band_name = plain_number(r["bands_ghz"][0], r["bands_ghz"][0] == 2.4 ? 1 : 0);
            const RequirementSet* set = nullptr;
            for (const RequirementSet& s : *p.requirement_sets)
                if (s.name == r["set"]) set = &s;
            REQUIRE(set);
            double asked = 0, kept = 0;
            for (std::size_t f = 0; f < 2; ++f) {
                const Floor& floor = *all_floors(p)[f];
                auto& rows = maps[{lens_key, band_name, f}];
                if (rows.empty()) {
                    const Answer a = run({"predict", file, "--floor", floor.name, "--band", band_name,
                                          "--lens", lens_key, "--out", csv});
                    INFO(a.err);
                    REQUIRE(a.code == 0);
                    rows = table(csv);
                }
                for (const Row& row : rows) {
                    const Zone* zone = zone_at(floor, row.at);
                    const bool served =
                        zone && (zone->kind == ZoneKind::served || zone->kind == ZoneKind::keep_out);
                    if (set->is_everywhere() ? !served : !(zone && set->names(*zone))) continue;
                    ++asked;
                    const bool more = lens(*find_lens(lens_key)).more_is_better;
                    const double limit = r["limit"];
                    kept += row.value ? (more ? *row.value >= limit : *row.value <= limit) : !more;
                }
            }
            INFO(lens_key << ", " << band_name << " GHz, " << grid_m << " m, " << set->name << ": " << kept
                          << " of " << asked);
            REQUIRE(asked > 0);
            CHECK(r["share_met"].get<double>() == Approx(kept / asked).margin(0.004));
            ++compared;
        }
    }
    CHECK(compared == 2 * (12 * 3 + 2));
}

TEST_CASE("a table holds every cell: without a value where nothing arrives, also in a band without radios") {
    const TemporaryFolder folder;
    const std::string file = folder / "p.yemvo", csv = folder / "map.csv";
    Project p = test::one_floor();
    test::wall(p, "plasterboard", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}});
    p.settings.grid_m = 1;
    save_project(p, file);
    for (const char* band : {"2.4", "5", "6"}) {
        REQUIRE(run({"predict", file, "--floor", "Ground floor", "--band", band, "--lens", "signal", "--out",
                     csv})
                    .code == 0);
        const auto rows = table(csv);
        CHECK(rows.size() == 240);
        CHECK(std::none_of(rows.begin(), rows.end(), [](const Row& r) { return r.value.has_value(); }));
    }
}

TEST_CASE("the map of chosen access points alone is what probe tells of them") {
    const TemporaryFolder folder;
    const std::string file = folder / "p.yemvo", csv = folder / "map.csv", places = folder / "places.csv";
    Project p = venue();
    p.settings.grid_m = 1;
    save_project(p, file);
    REQUIRE(run({"predict", file, "--floor", "Ground floor", "--band", "5", "--lens", "signal",
                 "--access-point", "2,4", "--out", csv})
                .code == 0);
    const auto rows = table(csv);
    std::vector<Row> some;
    for (std::size_t i = 3; i < rows.size(); i += 60) some.push_back(rows[i]);
    {
        std::ofstream out(places);
        out << "x_m,y_m,what\r\n";
        for (const Row& r : some)
            out << plain_number(r.at.x, 3) << ',' << plain_number(r.at.y, 3) << ",\"here\"\r\n";
    }
    const Answer probed = run({"probe", file, "--floor", "Ground floor", "--places", places, "--json"});
    INFO(probed.err);
    REQUIRE(probed.code == 0);
    const json all = json::parse(probed.out);
    REQUIRE(all.size() == some.size());
    for (std::size_t i = 0; i < some.size(); ++i) {
        double best = -1e9;
        for (const json& link : all[i]["links"])
            if ((link["access_point"] == 2 || link["access_point"] == 4) && link["band_ghz"] == 5.0)
                best = std::max(best, link["received_dbm"].get<double>());
        REQUIRE(some[i].value);
        CHECK(*some[i].value == Approx(best).margin(0.1));
    }
    const Answer unknown = run({"predict", file, "--floor", "Ground floor", "--band", "5", "--lens", "signal",
                                "--access-point", "77", "--out", csv});
    CHECK(unknown.code == 2);
    CHECK_THAT(unknown.err, Catch::Contains("77") && Catch::Contains("1 2 3 4 5"));
}

TEST_CASE("a requirement on confidence is judged with the deviation it needs") {
    const TemporaryFolder folder;
    const std::string file = folder / "p.yemvo";
    Project p = venue();
    test::set_requirements(p, {{{}, "confidence", band_5, 50, 0.5}});
    save_project(p, file);
    const json v = json::parse(run({"verdict", file, "--json"}).out);
    CHECK(v["requirements"][0]["share_met"].get<double>() > 0.3);
}

TEST_CASE("what the command line refuses it names, and what it lacks for a verdict it says") {
    const TemporaryFolder folder;
    const std::string file = folder / "p.yemvo", csv = folder / "map.csv", png = folder / "map.PNG";
    Project p = venue();
    save_project(p, file);
    using Catch::Contains;
    const Answer command = run({"predcit", file});
    CHECK(command.code == 2);
    CHECK_THAT(command.err, Contains("predcit") && Contains("predict") && Contains("verdict"));
    for (const char* at : {"100000,5", "-900,3"}) {
        const Answer far = run({"probe", file, "--floor", "Ground floor", "--at", at});
        CHECK(far.code == 2);
        CHECK_THAT(far.err, Contains("more than 500 m"));
    }
    CHECK(run({"probe", file, "--floor", "Ground floor"}).code == 2);
    const std::string bad = folder / "bad.csv";
    std::ofstream(bad) << "1,2\nnorth,3\n";
    CHECK_THAT(run({"probe", file, "--floor", "Ground floor", "--places", bad}).err,
               Contains("line 2") && Contains("north"));
    const std::string place = std::filesystem::path(file).parent_path();
    CHECK_THAT(run({"drawing", place}).err, Contains("is a folder"));
    CHECK_THAT(run({"info", place}).err, Contains("is a folder"));
    CHECK_THAT(
        run({"predict", file, "--floor", "Ground floor", "--band", "5", "--lens", "signal", "--out", place})
            .err,
        Contains("is a folder"));
    CHECK(run({"predict", file, "--floor", "Ground floor", "--band", "5", "--lens", "signal", "--out", png})
              .code == 0);
    std::string head(4, ' ');
    std::ifstream(png, std::ios::binary).read(head.data(), 4);
    CHECK(head == "\x89PNG");
    CHECK(run({"predict", file, "--floor", "Main building, Ground floor", "--band", "5", "--lens", "signal",
               "--out", csv})
              .code == 0);
    Project empty = test::one_floor();
    add_access_point(empty, test::floor_at(empty, 0), (*empty.models)[1].id, {5, 5});
    save_project(empty, file);
    const Answer nothing = run({"verdict", file, "--json"});
    CHECK(nothing.code == 1);
    CHECK_THAT(nothing.err, Contains("no verdict") && Contains("zone"));
    CHECK(json::parse(nothing.out)["judged_m2"] == 0);
}

TEST_CASE("a result that cannot be written fails with its exit code") {
    const TemporaryFolder folder;
    const std::string file = folder / "p.yemvo";
    save_project(venue(), file);
    std::ofstream full("/dev/full");
    std::ostringstream err;
    const std::vector<const char*> argv{"yemvo-cli", "info", file.c_str()};
    CHECK(yemvo::cli::run(3, argv.data(), full, err) == 2);
    CHECK_THAT(err.str(), Catch::Contains("could not be written"));
}
