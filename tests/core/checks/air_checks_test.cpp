// SPDX-License-Identifier: GPL-3.0-or-later
// The rules of the air: each finds what it is about, says so, is mended, and leaves what is right alone.
#include <algorithm>

#include "capacity/heard_by_floors.h"
#include "checks/findings.h"
#include "demo/demo.h"
#include "project/demand_edits.h"
#include "project/edits.h"
#include "project/gear_edits.h"
#include "project/kinds/thing_edits.h"
#include "project/storage.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

/// The demo's gear in a hall of its own: one access point with three radios that break no rule.
struct Hall {
    Project project = demo::compose_venue();
    FloorId floor;
    AccessPointId id;
    Hall() {
        floor = find_floor(project, "Ground floor")->id;
        // alone: the others would have findings of their own
        for (const Floor* f : all_floors(project))
            for (const AccessPoint& ap : std::vector<AccessPoint>(access_points(project, f->id)))
                if (f->id != floor || ap.number != 1) remove_access_point(project, f->id, ap.id);
        id = access_points(project, floor).front().id;
    }
    AccessPoint ap() const { return *find_access_point(project, floor, id); }
    template <class Change>
    void change(Change how) {
        AccessPoint next = ap();
        how(next);
        replace_access_point(project, floor, next);
    }
    void tune(std::size_t radio, const Channel& c, int primary) {
        change([&](AccessPoint& a) {
            a.radios[radio].channel = c;
            a.radios[radio].primary = primary;
        });
    }
    std::vector<Finding> of(Rule rule, const KnownAir* air = nullptr) const {
        SceneCache masks(std::size_t{1} << 24);
        std::vector<Finding> out;
        for (const Finding& f : findings(project, make_scene(project, masks), {}, air))
            if (f.rule == rule) out.push_back(f);
        return out;
    }
    /// One finding with these words, gone once its first mend is made.
    Finding found_and_mended(Rule rule, const char* words) {
        const auto all = of(rule);
        REQUIRE(all.size() == 1);
        CHECK_THAT(all[0].what.english(), Catch::Contains(words));
        REQUIRE_FALSE(all[0].mends.empty());
        Project mended = project;
        all[0].mends.front().apply(mended);
        std::swap(mended, project);
        CHECK(of(rule).empty());
        std::swap(mended, project);
        return all[0];
    }
    AccessPointId another(Point at) {
        AccessPoint next = ap();
        next.id = {};
        const AccessPointId added = add_access_point(project, floor, next.model, at);
        AccessPoint placed = *find_access_point(project, floor, added);
        placed.radios = next.radios;
        placed.height_m = next.height_m;
        replace_access_point(project, floor, placed);
        return added;
    }
    KnownAir known() const {
        Predictor predictor;
        const auto radios = air_radios(project);
        std::vector<std::vector<HeardFloor::Pair>> pairs;
        for (const auto& f : heard_by_floors(project, radios, predictor)) pairs.push_back(f->between);
        SiteHearing hearing = site_hearing(radios, pairs);
        for (const FloorPrediction& f : predictor.predict(project).floors)
            for (const Spill& s : spill_on(project, f)) hearing.spill.push_back(s);
        return known_air(project, hearing, nullptr);
    }
};

}  // namespace

TEST_CASE("one radio in each band on good channels breaks no rule of the air") {
    const Hall h;
    SceneCache masks(std::size_t{1} << 24);
    const KnownAir air = h.known();
    for (const Finding& f : findings(h.project, make_scene(h.project, masks), {}, &air)) {
        INFO(f.what);
        CHECK(f.rule < Rule::no_country_data);
    }
}

TEST_CASE("a country without data is told once, and bars nothing") {
    Hall h;
    h.project.settings.country = "QQ";
    REQUIRE(h.of(Rule::no_country_data).size() == 1);
    CHECK_THAT(h.of(Rule::no_country_data)[0].what.english(), Catch::Contains("QQ"));
    h.tune(2, {band_6, 199, 80}, 197);
    CHECK(h.of(Rule::channel_barred).empty());
    CHECK(Hall().of(Rule::no_country_data).empty());
}

TEST_CASE("a channel that the country bars is told with the reason, and moved") {
    Hall h;
    CHECK(h.of(Rule::channel_barred).empty());
    h.tune(2, {band_6, 199, 80}, 197);
    h.found_and_mended(Rule::channel_barred, "6905 to 6985 MHz is not free in this country");
    h.project.settings.country = "US";
    CHECK(h.of(Rule::channel_barred).empty());
    // changing the country shows what no longer fits
    h.project.settings.country = "CN";
    CHECK(h.of(Rule::channel_barred).size() == 1);
}

TEST_CASE("outdoors other channels are barred than indoors") {
    Project p = demo::compose_venue();
    const auto yard =
        std::ranges::find_if(p.buildings, [](const Building& b) { return b.kind == BuildingKind::yard; });
    REQUIRE(yard != p.buildings.end());
    const FloorId floor = yard->floors.front().id;
    AccessPoint ap = access_points(p, floor).front();
    ap.radios[1] = retuned(ap.radios[1], band_5, 36, 40);
    replace_access_point(p, floor, ap);
    SceneCache masks(std::size_t{1} << 24);
    int barred = 0;
    for (const Finding& f : findings(p, make_scene(p, masks)))
        if (f.rule == Rule::channel_barred) {
            CHECK_THAT(f.what.english(), Catch::Contains("for indoors only"));
            ++barred;
        }
    CHECK(barred == 1);
}

TEST_CASE("EIRP is held against its limit with the antenna") {
    Hall h;
    CHECK(h.of(Rule::eirp_over).empty());
    h.change([](AccessPoint& a) { a.radios[0].power_dbm = 20; });
    h.found_and_mended(Rule::eirp_over, "20.0 permitted on 1 / 20 MHz");
    // a tolerance of the project's own
    set_limit(h.project, Rule::eirp_over, 20);
    CHECK(h.of(Rule::eirp_over).empty());
}

TEST_CASE("2.4 GHz: 40 MHz and odd channels") {
    Hall h;
    h.tune(0, {band_24, 3, 40}, 1);
    h.found_and_mended(Rule::wide_24, "40 MHz wide");
    set_limit(h.project, Rule::wide_24, 40);
    CHECK(h.of(Rule::wide_24).empty());
    h.tune(0, {band_24, 3, 20}, 3);
    CHECK(h.found_and_mended(Rule::odd_24, "on 3").has_place);
    // a plan on 1, 5, 9 and 13 keeps clear of itself
    h.tune(0, {band_24, 9, 20}, 9);
    CHECK(h.of(Rule::odd_24).empty());
    const AccessPointId other = h.another({30, 10});
    AccessPoint ap = *find_access_point(h.project, h.floor, other);
    ap.radios[0] = retuned(ap.radios[0], band_24, 11, 20);
    replace_access_point(h.project, h.floor, ap);
    CHECK(h.of(Rule::odd_24).size() == 1);
}

TEST_CASE("weather radar, radar that was seen, and a floor that one radar silences") {
    Hall h;
    h.tune(1, {band_5, 118, 40}, 116);
    h.found_and_mended(Rule::long_radar_wait, "600 s");
    set_limit(h.project, Rule::long_radar_wait, 600);
    CHECK(h.of(Rule::long_radar_wait).empty());
    h.tune(1, {band_5, 102, 40}, 100);
    CHECK(h.of(Rule::radar_seen).empty());
    h.project.air.radar = {104};
    h.found_and_mended(Rule::radar_seen, "100 / 40 MHz");
    CHECK(h.of(Rule::all_dfs).empty());  // one radio alone is no floor
    const AccessPointId other = h.another({30, 10});
    REQUIRE(h.of(Rule::all_dfs).size() == 1);
    CHECK_THAT(h.of(Rule::all_dfs)[0].what.english(), Catch::Contains("all 2 radios of"));
    AccessPoint ap = *find_access_point(h.project, h.floor, other);
    ap.radios[1] = retuned(ap.radios[1], band_5, 36, 40);
    replace_access_point(h.project, h.floor, ap);
    CHECK(h.of(Rule::all_dfs).empty());
}

TEST_CASE("6 GHz primaries that clients do not look at") {
    Hall h;
    h.tune(2, {band_6, 7, 80}, 1);
    h.found_and_mended(Rule::not_scanned, "primary on 1");
    h.tune(2, {band_6, 7, 80}, 5);
    CHECK(h.of(Rule::not_scanned).empty());
}

TEST_CASE("a low lowest rate, equal powers, a weak way back, an automatic") {
    Hall h;
    CHECK(h.of(Rule::slow_lowest_rate).empty());
    h.project.demand.networks.edit()[0].lowest_rate_mbps = 1;
    REQUIRE(h.of(Rule::slow_lowest_rate).size() == 1);
    CHECK_THAT(h.of(Rule::slow_lowest_rate)[0].what.english(), Catch::Contains("goes down to 1.0 Mbit/s"));
    set_limit(h.project, Rule::slow_lowest_rate, 1);
    CHECK(h.of(Rule::slow_lowest_rate).empty());

    CHECK(h.of(Rule::equal_powers).empty());
    h.change([](AccessPoint& a) { a.radios[0].power_dbm = a.radios[1].power_dbm; });
    h.found_and_mended(Rule::equal_powers, "at 2.4 GHz and");

    Hall loud;
    CHECK(loud.of(Rule::way_back_weak).empty());
    loud.change([](AccessPoint& a) { a.radios[1].power_dbm = 23; });
    set_limit(loud.project, Rule::way_back_weak, 6);
    loud.found_and_mended(Rule::way_back_weak, "weaker than the way out");

    Hall left;
    CHECK(left.of(Rule::left_automatic).empty());
    left.change([](AccessPoint& a) { a.radios[1].automatic = true; });
    left.found_and_mended(Rule::left_automatic, "at 5 GHz is left to its controller");
}

TEST_CASE("air lost, partial overlap and access points too loud at each other, by who hears whom") {
    Hall h;
    const AccessPointId other = h.another({15, 25.5});
    KnownAir air = h.known();
    CHECK(h.of(Rule::air_lost).empty());  // nothing is known
    // 20 % is assumed without demand figures: each loses that to the other on all three channels
    REQUIRE(h.of(Rule::air_lost, &air).size() == 3);
    CHECK_THAT(h.of(Rule::air_lost, &air)[0].what.english(), Catch::Contains("loses 20 % of its air to"));
    CHECK(h.of(Rule::too_loud, &air).size() == 3);
    CHECK(h.of(Rule::partly_over, &air).empty());
    set_limit(h.project, Rule::air_lost, 30);
    set_limit(h.project, Rule::too_loud, -20);
    CHECK(h.of(Rule::air_lost, &air).empty());
    CHECK(h.of(Rule::too_loud, &air).empty());

    AccessPoint ap = *find_access_point(h.project, h.floor, other);
    ap.radios[0] = retuned(ap.radios[0], band_24, 3, 20);
    replace_access_point(h.project, h.floor, ap);
    air = h.known();
    REQUIRE(h.of(Rule::partly_over, &air).size() == 1);
    CHECK_THAT(h.of(Rule::partly_over, &air)[0].what.english(), Catch::Contains("lies across"));
    set_limit(h.project, Rule::partly_over, 50);
    CHECK(h.of(Rule::partly_over, &air).empty());
}

TEST_CASE("a channel that is in use most of the time") {
    Hall h;
    KnownAir air = h.known();
    air.heard_use.assign(air.air.radios.size(), 0.5);
    CHECK(h.of(Rule::channel_full, &air).empty());
    air.heard_use[1] = 0.82;
    REQUIRE(h.of(Rule::channel_full, &air).size() == 1);
    CHECK_THAT(h.of(Rule::channel_full, &air)[0].what.english(), Catch::Contains("in use 82 % of the time"));
    set_limit(h.project, Rule::channel_full, 90);
    CHECK(h.of(Rule::channel_full, &air).empty());
}

TEST_CASE("wider than the radios heard allow") {
    Hall h;
    for (int i = 0; i < 3; ++i) h.another({15.0 + i, 25.5});
    KnownAir air = h.known();
    CHECK(h.of(Rule::wide_for_heard).empty());
    const auto found = h.of(Rule::wide_for_heard, &air);
    REQUIRE(found.size() == 8);  // four at 5 GHz and four at 6, each hears three
    CHECK_THAT(found[0].what.english(), Catch::Contains("hears 3 radios on its"));
    const int before = h.ap().radios[1].channel.width_mhz;
    Project mended = h.project;
    for (const Finding& f : found) f.mends.front().apply(mended);
    std::swap(mended, h.project);
    CHECK(h.ap().radios[1].channel.width_mhz == before / 2);
    set_limit(h.project, Rule::wide_for_heard, 3);
    air = h.known();
    CHECK(h.of(Rule::wide_for_heard, &air).empty());
}

TEST_CASE("channels on which clients talk to each other") {
    Hall h;
    h.project.settings.country = "US";
    h.tune(1, {band_5, 155, 80}, 149);
    h.found_and_mended(Rule::clients_talk, "is on 149 / 80");
    Hall beside;
    beside.project.settings.country = "US";
    beside.tune(1, {band_5, 165, 20}, 165);
    CHECK(beside.of(Rule::clients_talk).empty());
}

TEST_CASE("a level beyond the property") {
    Hall h;
    const Point at = h.ap().position;
    add_zone(h.project, h.floor,
             {{},
              "Street",
              ZoneKind::outside,
              {at + Point{1, 1}, at + Point{3, 1}, at + Point{3, 3}, at + Point{1, 3}}});
    KnownAir air = h.known();
    const auto found = h.of(Rule::spill, &air);
    REQUIRE(found.size() == 3);
    CHECK_THAT(found[0].what.english(),
               Catch::Matches("access point 1 at .* GHz is heard at .* dBm in Street"));
    CHECK(distance(found[0].place, at) < 5);
    set_limit(h.project, Rule::spill, -10);
    CHECK(h.of(Rule::spill, &air).empty());
}

TEST_CASE("2.4 GHz on where two others serve already, and off one after another") {
    Hall h;
    h.another({15, 25.5});
    KnownAir air = h.known();
    CHECK(h.of(Rule::needless_24, &air).empty());  // two hear one another each
    h.another({14, 27});
    h.another({13, 25});
    air = h.known();
    const auto found = h.of(Rule::needless_24, &air);
    REQUIRE(found.size() == 2);  // of four two stay, who serve
    CHECK_THAT(found[0].what.english(), Catch::Contains("others are heard at access point"));
    for (const Finding& f : found) f.mends.front().apply(h.project);
    air = h.known();
    CHECK(h.of(Rule::needless_24, &air).empty());
}

TEST_CASE("clients whose only band is off on their floor") {
    Hall h;
    Zone till{{}, "Tills", ZoneKind::served, {{10, 24}, {16, 24}, {16, 28}, {10, 28}}};
    till.demand.emplace();
    till.demand->amount = 3;
    till.demand->devices = 1;
    ClientProfile scanner = h.project.clients->front();
    scanner.key = scanner.name = "old reader";
    scanner.widest_mhz = {{band_24, 20}};
    h.project.clients.edit().push_back(scanner);
    till.demand->profiles = {{"old reader", 1}};
    till.demand->applications = {{h.project.demand.applications->front().key, 1}};
    add_zone(h.project, h.floor, till);
    CHECK(h.of(Rule::legacy_unserved).empty());
    h.change([](AccessPoint& a) { a.radios[0].on = false; });
    CHECK(h.of(Rule::legacy_unserved).empty());
    const auto off = h.of(Rule::demand_unserved);  // off everywhere is told by another rule
    CHECK(std::ranges::any_of(off, [](const Finding& f) {
        return f.what.english().find("old reader in Tills") != std::string::npos;
    }));
    const FloorId upper = all_floors(h.project)[2]->id;
    add_access_point(h.project, upper, h.ap().model, {15, 25});
    bool told = false;
    for (const Finding& f : h.of(Rule::legacy_unserved))
        told = told || f.what.english() == "old reader in Tills: no radio of this floor is on in its band";
    CHECK(told);
}

TEST_CASE("what a capture heard of the plan's own radios") {
    Hall h;
    const Radio set = h.ap().radios[1];
    Neighbour n;
    n.name = "ours";
    n.channel = set.channel;
    n.primary = set.primary;
    n.told_dbm = set.power_dbm;
    n.use = 0.3;
    n.retries = 0.05;
    n.own = h.id;
    const ListeningPlaceId at = add_thing(h.project, h.floor, ListeningPlace{{}, "Desk", {12, 26}, {n}});
    const auto heard = [&](auto change) {
        ListeningPlace place = *find_listening_place(*find_floor(h.project, h.floor), at);
        place.heard[0] = n;
        change(place.heard[0]);
        replace_thing(h.project, h.floor, place);
    };
    for (Rule r : {Rule::heard_otherwise, Rule::use_measured, Rule::retries_measured}) CHECK(h.of(r).empty());
    heard([](Neighbour& x) { x.channel = {band_5, 36, 20}, x.primary = 36; });
    h.found_and_mended(Rule::heard_otherwise, "was heard on 36 / 20 MHz, planned on");
    // a channel that nobody chose yet is kept by whatever was heard
    h.change([](AccessPoint& a) { a.radios[1].channel_open = true; });
    CHECK(h.of(Rule::heard_otherwise).empty());
    h.change([&](AccessPoint& a) { a.radios[1] = set; });
    heard([](Neighbour& x) { x.told_dbm = *x.told_dbm - 5; });
    h.found_and_mended(Rule::heard_otherwise, "says it sends");
    heard([](Neighbour& x) { x.told_dbm = *x.told_dbm - 1; });
    CHECK(h.of(Rule::heard_otherwise).empty());
    heard([](Neighbour& x) { x.use = 0.7; });
    REQUIRE(h.of(Rule::use_measured).size() == 1);
    CHECK_THAT(h.of(Rule::use_measured)[0].what.english(), Catch::Contains("in use 70 % of the time"));
    heard([](Neighbour& x) { x.retries = 0.31; });
    REQUIRE(h.of(Rule::retries_measured).size() == 1);
    CHECK_THAT(h.of(Rule::retries_measured)[0].what.english(), Catch::Contains("31 % of its frames"));
    heard([](Neighbour& x) { x.own.reset(), x.use = 0.9, x.retries = 0.9; });  // somebody else's
    for (Rule r : {Rule::heard_otherwise, Rule::use_measured, Rule::retries_measured}) CHECK(h.of(r).empty());
}

TEST_CASE("of two radios in a band the one that is planned where it was heard is meant") {
    Hall h;
    const auto knows_5 = [](const RadioModel& r) {
        return std::ranges::count(r.bands, band_5, &RadioBand::band) > 0;
    };
    const auto model = std::ranges::find_if(*h.project.models, [&](const AccessPointModel& m) {
        return std::ranges::count_if(m.radios, knows_5) >= 2;
    });
    REQUIRE(model != h.project.models->end());
    const AccessPointId id = add_access_point(h.project, h.floor, model->id, {15, 25.5});
    AccessPoint ap = *find_access_point(h.project, h.floor, id);
    std::vector<std::size_t> on_5;
    for (std::size_t r = 0; r < ap.radios.size(); ++r)
        if (knows_5(model->radios[r])) on_5.push_back(r);
    ap.radios[on_5[0]] = retuned(ap.radios[on_5[0]], band_5, 36, 20);
    ap.radios[on_5[1]] = retuned(ap.radios[on_5[1]], band_5, 100, 20);
    for (const std::size_t r : {on_5[0], on_5[1]}) {
        ap.radios[r].on = true;
        ap.radios[r].channel_open = false;
    }
    replace_access_point(h.project, h.floor, ap);
    Neighbour n;
    n.channel = {band_5, 100, 20};
    n.primary = 100;
    n.own = id;
    add_thing(h.project, h.floor, ListeningPlace{{}, "Desk", {12, 26}, {n}});
    CHECK(h.of(Rule::heard_otherwise).empty());
    ListeningPlace place = find_floor(h.project, h.floor)->listening_places->front();
    place.heard[0].channel = {band_5, 44, 20};
    place.heard[0].primary = 44;
    replace_thing(h.project, h.floor, place);
    CHECK(h.of(Rule::heard_otherwise).size() == 1);
}

TEST_CASE("air lost to a neighbour is told with its name") {
    Hall h;
    Neighbour n;
    n.name = "Loft";
    n.channel = {band_5, h.ap().radios[1].primary, 20};
    n.primary = h.ap().radios[1].primary;
    n.level_dbm = -55;
    n.use = 0.35;
    add_thing(h.project, h.floor, ListeningPlace{{}, "Desk", h.ap().position, {n}});
    KnownAir air = h.known();
    REQUIRE(h.of(Rule::air_lost, &air).size() == 1);
    CHECK_THAT(h.of(Rule::air_lost, &air)[0].what.english(),
               Catch::Contains("access point 1 at 5 GHz loses 35 % of its air to neighbour Loft"));
}

TEST_CASE("a waiver for a zone covers what comes later, and keeps with its limit in the file") {
    Hall h;
    h.tune(2, {band_6, 7, 80}, 1);
    const Finding first = h.of(Rule::not_scanned).front();
    REQUIRE(zone_of(h.project, first));
    waive(h.project, first, "one plotter only", true);
    CHECK(h.of(Rule::not_scanned).front().waived == "one plotter only");
    // another radio in the same zone, and one elsewhere
    const AccessPointId near = h.another({11, 26}), far = h.another({45, 30});
    (void)near;
    int waived = 0, open = 0;
    for (const Finding& f : h.of(Rule::not_scanned)) ++(f.waived ? waived : open);
    CHECK(waived == 2);
    CHECK(open == 1);
    set_limit(h.project, Rule::equal_powers, 7);
    const TemporaryFolder folder;
    save_project(h.project, folder / "hall.yemvo");
    Hall again;
    again.project = load_project(folder / "hall.yemvo").project;
    CHECK(again.project == h.project);
    CHECK(limit_of(again.project, Rule::equal_powers) == 7);
    for (const Finding& f : h.of(Rule::not_scanned))
        if (f.waived) {
            waive(again.project, f, std::nullopt);
            break;
        }
    open = 0;
    for (const Finding& f : again.of(Rule::not_scanned)) open += !f.waived;
    CHECK(open == 3);
    (void)far;
}

TEST_CASE("every rule has words of its own, and limits lie within their bounds") {
    for (int i = 0; i < rule_count; ++i) {
        const RuleInfo& info = rule_info(static_cast<Rule>(i));
        CHECK(info.rule == static_cast<Rule>(i));
        for (int k = 0; k < i; ++k) CHECK(rule_info(static_cast<Rule>(k)).key != info.key);
        if (!info.limit) continue;
        CHECK(info.limit->usual >= info.limit->low);
        CHECK(info.limit->usual <= info.limit->high);
        Project p;
        p.air.limits[std::string(info.key)] = 1e6;
        CHECK(limit_of(p, info.rule) == info.limit->high);
    }
}
