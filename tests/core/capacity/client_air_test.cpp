// SPDX-License-Identifier: GPL-3.0-or-later
// Interference, SINR and air in use at a place: the map, the client standing there, and a sum by hand agree.
#include "capacity/client_air.h"

#include <cmath>
#include <functional>

#include "capacity/capacity_verdict.h"
#include "coverage/lens_map.h"
#include "coverage/probe.h"
#include "demo/demo.h"
#include "project/kinds/thing_edits.h"
#include "wireless/link_budget.h"
#include "wireless/spectrum.h"

using namespace yemvo;

namespace {

struct Busy {
    Project project = demo::compose_venue();
    Predictor predictor;
    SitePrediction site;
    std::shared_ptr<const SiteCapacity> capacity;
    explicit Busy(const std::function<void(Project&)>& change = [](Project&) {}) {
        change(project);
        // a client without a gain of its own, so that it hears what the map shows
        for (ClientProfile& c : project.clients.edit()) c.gain_dbi = 0;
        site = predictor.predict(project);
        CapacitySolver solver;
        capacity = site_capacity(project, site, solver);
        for (FloorPrediction& f : site.floors) f.air = air_figures(*capacity, "evening");
    }
    const HourCapacity& hour() const { return *capacity->find("evening"); }
    std::vector<float> map(const FloorPrediction& f, LensId lens, BandId band) const {
        LensChoice choice;
        choice.lens = lens;
        choice.bands = band;
        choice.heard_dbm = project.settings.heard_dbm;
        return lens_values(f, choice);
    }
};

/// Somebody else's, loud, over all of 5 GHz that a floor may use indoors.
void add_neighbour(Project& p) {
    Neighbour n;
    n.name = "Workshop 2";
    n.channel = {band_5, 50, 160};
    n.primary = 36;
    n.level_dbm = -62;
    n.use = 0.3;
    const Floor& floor = *all_floors(p)[1];
    add_thing(p, floor.id, ListeningPlace{{}, "Stairs", {20, 14}, {n}});
}

}  // namespace

TEST_CASE("a client's SINR, interference and air are those of the map where it stands") {
    const Busy b(GENERATE(false, true) ? add_neighbour : [](Project&) {});
    int compared = 0;
    double least = 1e9, most = -1e9;
    for (std::size_t fi = 0; fi < b.hour().floors.size(); ++fi) {
        const FloorPrediction& f = *b.site.find(b.hour().floors[fi].floor);
        for (BandId band : {band_24, band_5}) {
            const auto sinr = b.map(f, LensId::sinr, band),
                       interference = b.map(f, LensId::interference, band),
                       here = b.map(f, LensId::air_here, band), serving = b.map(f, LensId::serving, band);
            for (const ClientCapacity& c : b.hour().clients) {
                if (c.floor != fi || c.radio < 0 || compared > 400) continue;
                const RadioCapacity& r = b.hour().radios[static_cast<std::size_t>(c.radio)];
                const StandingClient& stands = b.hour().heard[fi]->standing.clients[c.client];
                if (r.radio.channel.band != band ||
                    serving[stands.cell] != static_cast<float>(r.radio.number))
                    continue;
                const ClientAir air = client_air(b.project, b.hour(), c);
                // a neighbour is worked out where the client stands, and by the map in the middle of the cell
                CHECK(sinr[stands.cell] == Approx(air.sinr_db).margin(0.3));
                // what is weaker than -98 dBm the capacity does not keep
                if (air.interference_dbm > -105)
                    CHECK(interference[stands.cell] == Approx(air.interference_dbm).margin(0.3));
                CHECK(here[stands.cell] == Approx(100 * air.use).margin(0.5));
                least = std::min(least, air.sinr_db);
                most = std::max(most, air.sinr_db);
                ++compared;
            }
        }
    }
    CHECK(compared > 100);
    CHECK(most - least > 10);
}

TEST_CASE("SINR is the signal over noise and what others send, each by overlap and by the time it sends") {
    const Busy b;
    const FloorPrediction& f = b.site.floors[1];
    const auto sinr = b.map(f, LensId::sinr, band_5), serving = b.map(f, LensId::serving, band_5);
    int compared = 0;
    for (std::size_t i = 0; i < f.surface.cells(); i += 997) {
        if (std::isnan(sinr[i])) continue;
        const RadioField* own = nullptr;
        for (const RadioField& r : *f.radios)
            if (r.band == band_5 && static_cast<float>(r.number) == serving[i]) own = &r;
        REQUIRE(own);
        double rest_mw = std::pow(10.0, own->noise_cdbm / 1000.0);
        for (const RadioField& r : *f.radios) {
            if (&r == own || r.band != band_5 || r.field->silent || r.field->gain_cdb[i] == silent_cdb)
                continue;
            const double use = f.air->find(r.access_point, r.radio)->own_use;
            rest_mw += overlap(r.channel, own->channel) * use *
                       std::pow(10.0, (r.field->gain_cdb[i] + r.offset_cdb) / 1000.0);
        }
        const double signal_dbm = (own->field->gain_cdb[i] + own->offset_cdb) / 100.0;
        CHECK(sinr[i] == Approx(signal_dbm - 10 * std::log10(rest_mw)).margin(0.05));
        ++compared;
    }
    CHECK(compared > 5);
}

TEST_CASE("a probe tells the SINR that the map shows at its place") {
    const Busy b(add_neighbour);
    const FloorPrediction& f = b.site.floors[1];
    const Floor& floor = *find_floor(b.project, f.floor);
    for (BandId band : {band_24, band_5}) {
        const auto sinr = b.map(f, LensId::sinr, band), here = b.map(f, LensId::air_here, band),
                   serving = b.map(f, LensId::serving, band);
        int compared = 0;
        for (std::size_t i = 301; i < f.surface.cells() && compared < 4; i += 1511) {
            if (std::isnan(sinr[i])) continue;
            const Point place = f.surface.centre(i);
            const auto links = probe(b.project, *f.scene, floor, place);
            const auto own = std::ranges::find_if(links, [&](const LinkExplanation& l) {
                return l.channel.band == band && static_cast<float>(l.number) == serving[i];
            });
            REQUIRE(own != links.end());
            const ClientAir air = link_air(b.project, b.hour(), links,
                                           static_cast<std::size_t>(own - links.begin()), floor.id, place);
            CHECK(air.sinr_db == Approx(sinr[i]).margin(0.5));
            CHECK(100 * air.use == Approx(here[i]).margin(1));
            ++compared;
        }
        CHECK(compared >= 3);
    }
}

TEST_CASE("a neighbour takes from the SINR and from the air where it was heard, and on that floor alone") {
    const Busy without, with(add_neighbour);
    const auto compare = [&](std::size_t floor, LensId lens) {
        const auto a = without.map(without.site.floors[floor], lens, band_5);
        const auto b = with.map(with.site.floors[floor], lens, band_5);
        double most = 0;
        for (std::size_t i = 0; i < a.size(); ++i)
            if (!std::isnan(a[i]) && !std::isnan(b[i])) most = std::max<double>(most, std::abs(a[i] - b[i]));
        return most;
    };
    CHECK(compare(1, LensId::sinr) > 10);
    CHECK(compare(1, LensId::air_here) > 25);
    // takes turns as one radio more, by its share of the spectrum
    CHECK(compare(1, LensId::contention) > 0.2);
    CHECK(compare(0, LensId::contention) == 0);
    // a memo of the floor must not keep what was painted without it
    const auto plane = [](const Busy& b) {
        LensChoice choice;
        choice.lens = LensId::contention;
        choice.bands = band_5;
        return lens_plane(b.site.floors[1], choice);
    };
    Busy changed;
    const auto before = plane(changed);
    add_neighbour(changed.project);
    changed.site = changed.predictor.predict(changed.project);
    CHECK(*plane(changed) != *before);
}

TEST_CASE("without demand nothing is known of the air, and the maps are empty") {
    Busy b;
    for (FloorPrediction& f : b.site.floors) f.air = nullptr;
    for (LensId lens : {LensId::sinr, LensId::interference, LensId::air_here})
        for (float v : b.map(b.site.floors[1], lens, band_5)) REQUIRE(std::isnan(v));
}
