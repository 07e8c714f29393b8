// SPDX-License-Identifier: GPL-3.0-or-later
// Radar, a neighbour, a failure: what is lost at once, who moves, what is left.
#include "tuning/what_if.h"

#include "demo/demo.h"
#include "project/gear_edits.h"
#include "tuning/known_site.h"

using namespace yemvo;

namespace {

struct Site {
    Project project = demo::compose_venue();
    KnownSite known;
    Site() {
        Predictor predictor;
        known = know_site(project, predictor);
    }
    WhatIfResult ask(const WhatIf& what, double worth = 0.003) const {
        RetuneAsk ask;
        ask.change_worth = worth;
        return what_if(project, known.scene, known.hearing, known.capacity.get(), what, ask);
    }
};

}  // namespace

TEST_CASE("radar silences who is on it; they move off it, and most is carried again") {
    const Site s;
    WhatIf what;
    what.radar_channel = 132;
    const WhatIfResult r = s.ask(what, 0.01);
    std::size_t on_it = 0;
    for (const AirRadio& radio : air_radios(s.project))
        on_it += radio.channel.band == band_5 && std::ranges::count(primaries(radio.channel), 132) > 0;
    REQUIRE(on_it > 0);
    CHECK(r.hit.size() == on_it);
    for (const RadioRef& hit : r.hit) {
        const auto move = std::ranges::find_if(r.retune.changes, [&](const RetuneChange& c) {
            return c.access_point == hit.access_point && c.radio == hit.radio;
        });
        REQUIRE(move != r.retune.changes.end());
        CHECK(std::ranges::count(primaries(move->after.channel), 132) == 0);
    }
    for (const RetuneChange& c : r.retune.changes)  // nobody else has to
        CHECK(std::ranges::count(r.hit, c.access_point, &RadioRef::access_point) > 0);
    for (const RetuneChange& c : r.retune.changes)  // nobody else has to
        CHECK(std::ranges::count(r.hit, c.access_point, &RadioRef::access_point) > 0);
    REQUIRE(r.hours.size() == 2);
    for (const HourThen& h : r.hours) {
        CHECK(h.carried_at_once_mbps <= h.carried_now_mbps + 1e-6);
        CHECK(h.carried_after_mbps >= h.carried_at_once_mbps - 1e-6);
    }
    CHECK(r.hours[1].satisfied_at_once < r.hours[1].satisfied_now);
    // the plan itself is untouched
    CHECK(s.project.air.radar.empty());
    CHECK(once_happened(s.project, what).air.radar == std::vector<int>{132});
}

TEST_CASE("a neighbour turns up at a radio, and that one goes round it") {
    const Site s;
    WhatIf what;
    what.kind = WhatIf::Kind::neighbour;
    const AirRadio met = [&] {
        for (const AirRadio& r : air_radios(s.project))
            if (r.number == 12 && r.channel.band == band_5) return r;
        throw std::runtime_error("no such radio");
    }();
    what.met = {met.access_point, met.radio};
    what.level_dbm = -50;
    what.use = 0.7;
    const WhatIfResult r = s.ask(what, 0.0005);
    CHECK(std::ranges::count(r.hit, what.met) == 1);
    const auto move = std::ranges::find_if(r.retune.changes, [&](const RetuneChange& c) {
        return c.access_point == met.access_point && c.radio == met.radio;
    });
    REQUIRE(move != r.retune.changes.end());
    CHECK(sharing(move->after.channel, move->after.primary, met.channel, met.primary) == Sharing::apart);
    // a radio that is gone is met by nobody
    what.met = {AccessPointId{99'999}, 0};
    CHECK(s.ask(what).hit.empty());
}

TEST_CASE("access points fail: their radios are gone, and the rest is carried by the others") {
    const Site s;
    WhatIf what;
    what.kind = WhatIf::Kind::failure;
    const FloorId floor = all_floors(s.project)[2]->id;
    const AccessPoint& gone = access_points(s.project, floor).front();
    what.failed = {gone.id};
    const WhatIfResult r = s.ask(what);
    CHECK(r.hit.size() == 3);
    for (const RetuneChange& c : r.retune.changes) CHECK(c.access_point != gone.id);
    REQUIRE(r.hours.size() == 2);
    for (const HourThen& h : r.hours) CHECK(h.satisfied_at_once <= h.satisfied_now + 1e-9);
    CHECK(s.ask({WhatIf::Kind::failure, 100, {}, -60, 0.5, {}}).hit.empty());
}

TEST_CASE("without demand it is told who is hit and who moves, and nothing of clients") {
    Site s;
    s.known.capacity = nullptr;
    WhatIf what;
    what.radar_channel = 100;
    const WhatIfResult r = s.ask(what);
    CHECK_FALSE(r.hit.empty());
    CHECK(r.hours.empty());
}
