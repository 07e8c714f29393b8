// SPDX-License-Identifier: GPL-3.0-or-later
// Requirement sets: where they hold, in which bands, and the places where they are missed, against shares
// counted by hand in free space.
#include <cmath>
#include <set>

#include "core/support.h"
#include "coverage/worst_places.h"
#include "project/json_project.h"
#include "project/library.h"
#include "wireless/link_budget.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

const BandSet two = BandSet(band_5).with(band_6);

/// 20 m x 10 m with one access point at the left end, whose 5 and 6 GHz radios send with different power.
struct Hall {
    Project project = one_floor();
    FloorId floor = floor_at(project, 0);
    AccessPointId ap;

    Hall() {
        wall(project, "concrete-200", {{0, 0}, {20, 0}, {20, 10}, {0, 10}, {0, 0}});
        ap = isotropic_access_point(project, {0.25, 5.25}, 1.0);
        AccessPoint a = *find_access_point(project, floor, ap);
        for (Radio& r : a.radios) r.power_dbm = r.channel.band == band_6 ? 8 : 14;
        replace_access_point(project, floor, a);
    }
    ZoneId zone(const char* name, double x0, double x1, ZoneKind kind = ZoneKind::served) {
        return add_zone(project, floor, {{}, name, kind, {{x0, 0}, {x1, 0}, {x1, 10}, {x0, 10}}});
    }
    double mhz(BandId b) const {
        for (const Radio& r : access_points(project, floor)[0].radios)
            if (r.channel.band == b) return centre_mhz(r.channel);
        return 0;
    }
    double level(BandId b, Point p) const {
        return (b == band_6 ? 8 : 14) - free_space_loss_db(mhz(b), std::max(1e-3, distance(p, {0.25, 5.25})));
    }
    /// Share of the 0.5 m cells of x in [x0, x1) where `keeps` holds.
    template <class Keeps>
    static double counted(double x0, double x1, Keeps keeps) {
        int all = 0, kept = 0;
        for (double x = x0 + 0.25; x < x1; x += 0.5)
            for (double y = 0.25; y < 10; y += 0.5) {
                ++all;
                kept += keeps(Point{x, y});
            }
        return double(kept) / all;
    }
    Verdict verdict() {
        Predictor predictor;
        site = predictor.predict(project);
        return judge(project, site);
    }
    SitePrediction site;
};

}  // namespace

TEST_CASE("each band has its own share and limit; of several bands the one that reaches least counts") {
    Hall h;
    h.project.requirement_sets = {};
    Requirement r{{}, "signal", two, -60, 0.9};
    r.band_limits = {{band_6, -64}};
    add_requirement_set(h.project, {{}, "S", true, {}, {}, {r}});
    const Verdict v = h.verdict();
    const RequirementResult& result = v.requirements.at(0);
    const double at_5 = Hall::counted(0, 20, [&](Point p) { return h.level(band_5, p) >= -60; });
    const double at_6 = Hall::counted(0, 20, [&](Point p) { return h.level(band_6, p) >= -64; });
    REQUIRE(std::abs(at_5 - at_6) > 0.05);
    CHECK(result.site.share_met(band_5) == Approx(at_5).margin(0.006));
    CHECK(result.site.share_met(band_6) == Approx(at_6).margin(0.006));
    CHECK(result.share_met() == Approx(std::min(at_5, at_6)).margin(0.006));
    CHECK(v.find(band_5)->share_met() == Approx(at_5).margin(0.006));
    CHECK(requirement_name(r) == "Signal, 5 and 6 GHz");
}

TEST_CASE("at least one of the bands: a place counts where any of them keeps its limit") {
    Hall h;
    h.project.requirement_sets = {};
    Requirement r{{}, "signal", two, -52, 0.5, true, {{band_6, -64}}};
    add_requirement_set(h.project, {{}, "S", true, {}, {}, {r}});
    const Verdict v = h.verdict();
    const double any =
        Hall::counted(0, 20, [&](Point p) { return h.level(band_5, p) >= -52 || h.level(band_6, p) >= -64; });
    for (BandId b : {band_5, band_6}) CHECK(v.requirements[0].site.share_met(b) == Approx(any).margin(0.006));
    CHECK(v.requirements[0].share_met() == Approx(any).margin(0.006));
    CHECK(requirement_name(r) == "Signal, 5 or 6 GHz");
}

TEST_CASE("a set holds in its zones, in zones of a kind, or wherever service is demanded") {
    Hall h;
    const ZoneId left = h.zone("Left", 0, 5), right = h.zone("Right", 5, 20, ZoneKind::keep_out);
    const Requirement r{{}, "signal", band_5, -60, 0.9};
    const auto share = [&](std::vector<ZoneId> zones, std::vector<ZoneKind> kinds) {
        h.project.requirement_sets = {};
        add_requirement_set(h.project, {{}, "S", true, std::move(zones), std::move(kinds), {r}});
        return h.verdict().requirements.at(0);
    };
    const auto kept = [&](Point p) { return h.level(band_5, p) >= -60; };
    CHECK(share({left}, {}).site.asked == Approx(50));
    CHECK(share({left}, {}).share_met() == Approx(Hall::counted(0, 5, kept)).margin(0.006));
    CHECK(share({}, {ZoneKind::keep_out}).site.asked == Approx(150));
    CHECK(share({}, {ZoneKind::keep_out}).share_met() == Approx(Hall::counted(5, 20, kept)).margin(0.006));
    const RequirementResult everywhere = share({}, {});
    CHECK(everywhere.site.asked == Approx(200));
    REQUIRE(everywhere.zones.size() == 2);
    CHECK(everywhere.zones[1].zone == right);
    CHECK(everywhere.zones[1].share_met(band_5) == Approx(Hall::counted(5, 20, kept)).margin(0.006));
}

TEST_CASE("a zone without demand is asked about only by a set that names it") {
    Hall h;
    const ZoneId stair = h.zone("Stair", 15, 20, ZoneKind::not_needed);
    h.project.requirement_sets = {};
    const Requirement r{{}, "signal", band_5, -60, 0.9};
    add_requirement_set(h.project, {{}, "All", true, {}, {}, {r}});
    add_requirement_set(h.project, {{}, "Stair", true, {stair}, {}, {r}});
    const Verdict v = h.verdict();
    CHECK(v.requirements[0].site.asked == Approx(150));
    CHECK(v.requirements[1].site.asked == Approx(50));
}

TEST_CASE("a set that is off is kept and judges nothing") {
    Hall h;
    RequirementSet set = h.project.requirement_sets->front();
    set.on = false;
    replace_requirement_set(h.project, set);
    CHECK(h.verdict().requirements.empty());
    CHECK_FALSE(h.verdict().met());
    CHECK(h.project.requirement_sets->front().requirements.size() == 1);
}

TEST_CASE(
    "the worst place is the connected area below the limit, with its size, its worst cell and who serves "
    "it") {
    Hall h;
    h.zone("Left", 0, 10);
    const ZoneId right = h.zone("Right", 10, 20);
    h.project.requirement_sets = {};
    const double limit = h.level(band_5, {14.25, 5.25}) - 0.01;
    add_requirement_set(h.project, {{}, "S", true, {}, {}, {{{}, "signal", band_5, limit, 0.95}}});
    const Verdict v = h.verdict();
    const auto places = worst_places(h.project, h.site, v, 3);
    REQUIRE(places.size() == 1);
    const WorstPlace& worst = places.front();
    CHECK(worst.zone == right);
    CHECK(worst.place.x == Approx(19.75));
    CHECK(std::abs(worst.place.y - 5.25) > 4.4);
    CHECK(worst.value == Approx(h.level(band_5, worst.place)).margin(0.05));
    const double missed = 1 - Hall::counted(0, 20, [&](Point p) { return h.level(band_5, p) >= limit; });
    CHECK(worst.area_m2 == Approx(200 * missed).margin(1));
    CHECK(worst.serving == 1);
    CHECK(worst.on_floor == Outcome::not_met);
}

TEST_CASE("an area named once is not named again, and nothing missed names nothing") {
    Hall h;
    h.project.requirement_sets = {};
    add_requirement_set(h.project, {{},
                                    "S",
                                    true,
                                    {},
                                    {},
                                    {{{}, "signal", band_5, -58, 0.95},
                                     {{}, "signal", band_5, -57, 0.95},
                                     {{}, "snr", band_5, 36, 0.95}}});
    Verdict v = h.verdict();
    CHECK(worst_places(h.project, h.site, v, 5).size() == 1);
    h.project.requirement_sets = {};
    add_requirement_set(h.project, {{}, "S", true, {}, {}, {{{}, "signal", band_5, -150, 0.95}}});
    v = h.verdict();
    CHECK(worst_places(h.project, h.site, v, 5).empty());
}

TEST_CASE("every standard set can be judged, and says what it is for") {
    Hall h;
    std::set<std::string> names;
    for (const RequirementSet& set : standard_requirement_sets()) {
        INFO(set.name);
        CHECK(names.insert(set.name).second);
        CHECK(about_requirement_set(set.name).size() > 10);
        CHECK_FALSE(set.requirements.empty());
        h.project.requirement_sets = {};
        add_requirement_set(h.project, set);
        Predictor predictor;
        const SitePrediction site = predictor.predict(h.project, {}, wish_to_judge(h.project));
        const Verdict v = judge(h.project, site);
        CHECK(v.requirements.size() == set.requirements.size());
        for (const RequirementResult& r : v.requirements) {
            // nobody is there who could be counted
            const bool area = required_lens(r.requirement).counts == RequirementCounts::area;
            CHECK(r.site.asked == Approx(area ? 200 : 0));
        }
    }
    CHECK(names.size() >= 8);
}

TEST_CASE("requirements of an older file become sets by where they hold") {
    Hall h;
    const ZoneId left = h.zone("Left", 0, 5);
    auto json = nlohmann::ordered_json::parse(project_to_json(h.project));
    const auto old = [&](int id, const char* lens_key, std::vector<std::uint32_t> zones) {
        return nlohmann::ordered_json{
            {"id", id},         {"name", "r"},  {"lens", lens_key},      {"bands_ghz", {"5"}},
            {"any_band", true}, {"limit", -60}, {"share_required", 0.9}, {"zones", zones},
            {"set", ""}};
    };
    json["version"] = 4;
    json["next_id"] = 1000;
    json.erase("requirement_sets");
    json["requirements"] = {old(901, "signal", {}), old(902, "snr", {left.value}), old(903, "next_best", {})};
    const Project read = project_from_json(json.dump());
    REQUIRE(read.requirement_sets->size() == 2);
    const auto& sets = *read.requirement_sets;
    CHECK(sets[0].name == "Requirements");
    CHECK(sets[0].requirements.size() == 2);
    CHECK(sets[0].requirements[0].any_band);
    CHECK(sets[1].name == "Requirements, Left");
    CHECK(sets[1].zones == std::vector<ZoneId>{left});
    CHECK(sets[1].id.value >= 1000);
}
