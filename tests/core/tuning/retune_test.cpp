// SPDX-License-Identifier: GPL-3.0-or-later
// The demo retuned: more of the demand is carried at both busy hours, and nothing else is touched.
#include "tuning/retune.h"

#include "capacity/heard_by_floors.h"
#include "checks/findings.h"
#include "coverage/verdict.h"
#include "demo/demo.h"
#include "project/gear_edits.h"
#include "project/kinds/thing_edits.h"

using namespace yemvo;

namespace {

struct Site {
    Project project = demo::compose_venue();
    TuningRoom room;
    std::vector<std::shared_ptr<const HeardFloor>> heard;
    SiteHearing hearing;
    std::shared_ptr<const SiteCapacity> capacity;
    Scene scene;
    Site() { look(); }
    void look() {
        Predictor predictor;
        const auto radios = air_radios(project);
        heard = heard_by_floors(project, radios, predictor);
        std::vector<std::vector<HeardFloor::Pair>> pairs;
        for (const auto& f : heard) pairs.push_back(f->between);
        hearing = site_hearing(radios, pairs);
        CapacitySolver solver;
        capacity = solver.solve(project, radios, heard);
        room = {};
        for (const FloorPrediction& f : predictor.predict(project).floors)
            room.add(tuning_room_on(project, f));
        SceneCache cache(std::size_t{1} << 24);
        scene = make_scene(project, cache);
    }
    RetuneResult retuned_by(const RetuneAsk& ask) const {
        return Retuning(project, scene, hearing, capacity.get(), ask, {}, &room).run();
    }
    Verdict verdict() const {
        Predictor predictor;
        return judge(project, predictor.predict(project));
    }
};

Neighbour neighbour(BandId band, int primary, double dbm, double use) {
    Neighbour n;
    n.name = "Loft";
    n.channel = {band, primary, 20};
    n.primary = primary;
    n.level_dbm = dbm;
    n.use = use;
    return n;
}

}  // namespace

TEST_CASE("a neighbour is met where it is heard, taken for a radio that stays, and gone round") {
    Site s;
    const Floor& floor = *all_floors(s.project)[1];
    const AccessPoint& near = access_points(s.project, floor.id).front();
    const auto of_near = [&](const SiteAir& air) {
        for (std::uint32_t i = 0; i < air.own; ++i)
            if (air.radios[i].access_point == near.id && air.radios[i].channel.band == band_24) return i;
        throw std::runtime_error("no such radio");
    };
    const SiteAir before = site_air(s.project, s.hearing, s.capacity.get());
    const int primary = before.radios[of_near(before)].primary;
    add_thing(s.project, floor.id,
              ListeningPlace{{}, "Here", near.position, {neighbour(band_24, primary, -50, 0.5)}});
    const SiteAir air = site_air(s.project, s.hearing, s.capacity.get());
    REQUIRE(air.radios.size() == before.radios.size() + 1);
    REQUIRE(air.own == before.radios.size());
    const auto n = static_cast<std::uint32_t>(air.own);
    REQUIRE(air.neighbour(n));
    CHECK_FALSE(air.neighbour(0));
    const std::uint32_t i = of_near(air);
    const AirAt here = air_at(air, i, air.radios[i].channel, primary, s.project.settings.heard_dbm);
    const AirAt was = air_at(before, i, air.radios[i].channel, primary, s.project.settings.heard_dbm);
    CHECK(here.lost == Approx(std::min(1.0, was.lost + 0.5)));
    CHECK(here.taken == Approx(was.taken));  // what it loses nobody knows
    bool met = false;
    for (const AirMeeting& m : air_meetings(air, s.project.settings.heard_dbm))
        met = met || (m.a == i && m.b == n && m.lost_a == Approx(0.5) && m.lost_b == 0);
    CHECK(met);

    RetuneAsk ask;
    ask.bands = band_24;
    s.look();
    const RetuneResult found = s.retuned_by(ask);
    const auto moved = std::ranges::find(found.changes, near.id, &RetuneChange::access_point);
    REQUIRE(moved != found.changes.end());
    CHECK(moved->after.primary != primary);
    CHECK(found.radios < air.own);
}

TEST_CASE("the demo retuned carries more at both busy hours") {
    Site s;
    const RetuneResult found = s.retuned_by({});
    CHECK(found.after < found.before);
    CHECK(found.lower_bound <= found.after + 1e-9);
    REQUIRE(found.hours.size() == 2);
    for (const RetunedHour& h : found.hours) {
        INFO(h.hour);
        CHECK(h.carried_after_mbps >= h.carried_before_mbps - 1e-6);
        CHECK(h.satisfied_after >= h.satisfied_before - 1e-6);
    }
    CHECK(found.hours[1].satisfied_before == Approx(0.922).margin(0.005));
    CHECK(found.hours[1].satisfied_after > 0.99);
    // what was foretold is what the whole works out to
    Site after;
    after.project = s.project;
    make_changes(after.project, found.changes);
    after.look();
    CHECK(after.capacity->hours[1].site.satisfied_share() ==
          Approx(found.hours[1].satisfied_after).margin(0.003));
    // and it breaks no rule of the country
    SceneCache masks(std::size_t{1} << 24);
    for (const Finding& f : findings(after.project, make_scene(after.project, masks)))
        CHECK((f.rule != Rule::channel_barred && f.rule != Rule::eirp_over && f.rule != Rule::odd_24));
    // everything but channels is as before
    for (const RetuneChange& c : found.changes) {
        Radio back = c.after;
        back.channel = c.before.channel;
        back.primary = c.before.primary;
        CHECK(c.after.power_dbm <= c.before.power_dbm);  // where the channel permits less
        back.power_dbm = c.before.power_dbm;
        CHECK(back == c.before);
        CHECK(c.gain > 0);
    }
}

TEST_CASE("what may not change does not") {
    Site s;
    RetuneAsk ask;
    ask.widths = false;
    ask.bands = band_5;
    ask.dfs = DfsUse::never;
    const RetuneResult found = s.retuned_by(ask);
    for (const RetuneChange& c : found.changes) {
        CHECK(c.after.channel.band == band_5);
        CHECK(c.after.channel.width_mhz == c.before.channel.width_mhz);
        const auto permit = Regulation::standard().in_database("GB", c.after.channel);
        REQUIRE(permit);
        // outdoors there is nothing but DFS: those stay
        CHECK_FALSE(permit->dfs);
    }
    CHECK_FALSE(found.cannot.empty());

    RetuneAsk one;
    one.only = {access_points(s.project, find_floor(s.project, "Ground floor")->id).front().id};
    for (const RetuneChange& c : s.retuned_by(one).changes) CHECK(c.access_point == one.only.front());

    // a change that has to gain everything is never made
    RetuneAsk dear;
    dear.change_worth = 1;
    CHECK(s.retuned_by(dear).changes.empty());
}

TEST_CASE("the same seed gives the same plan, and radar that was seen is kept clear of") {
    Site s;
    const RetuneResult a = s.retuned_by({}), b = s.retuned_by({});
    REQUIRE(a.changes.size() == b.changes.size());
    for (std::size_t i = 0; i < a.changes.size(); ++i) CHECK(a.changes[i].after == b.changes[i].after);
    s.project.air.radar = {52, 56, 60, 64, 100, 104, 108, 112, 116, 120, 124, 128, 132, 136, 140, 144};
    RetuneAsk moves;
    const RetuneResult clear = s.retuned_by(moves);
    for (const RetuneChange& c : clear.changes)
        for (int p : primaries(c.after.channel))
            if (c.after.channel.band == band_5) CHECK(std::ranges::count(s.project.air.radar, p) == 0);
}

TEST_CASE("radios that nobody gave a channel get one, and without demand widths still cost something") {
    Site s;
    for (const Floor* f : all_floors(s.project))
        for (AccessPoint ap : std::vector<AccessPoint>(access_points(s.project, f->id))) {
            for (Radio& r : ap.radios) r.channel_open = true;
            replace_access_point(s.project, f->id, ap);
        }
    s.look();
    const RetuneResult found = Retuning(s.project, s.scene, s.hearing, nullptr, {}).run();
    Project after = s.project;
    make_changes(after, found.changes);
    for (const AirRadio& r : air_radios(after)) CHECK_FALSE(r.channel_open);
    CHECK(found.hours.empty());
}

TEST_CASE("powers come down where every requirement that holds still holds") {
    Site s;
    const Verdict before = s.verdict();
    RetuneAsk ask;
    ask.change_worth = 0;
    const RetuneResult channels = s.retuned_by(ask);
    ask.powers = true;
    const RetuneResult found = s.retuned_by(ask);
    CHECK(found.after <= channels.after + 1e-9);
    int lowered = 0;
    for (const RetuneChange& c : found.changes) {
        CHECK(c.after.power_dbm <= c.before.power_dbm);
        lowered += c.after.power_dbm < c.before.power_dbm - 0.5;
    }
    CHECK(lowered >= 3);
    make_changes(s.project, found.changes);
    const Verdict after = s.verdict();
    REQUIRE(before.requirements.size() == after.requirements.size());
    for (std::size_t i = 0; i < before.requirements.size(); ++i)
        if (before.requirements[i].met()) CHECK(after.requirements[i].met());
    for (const RetunedHour& h : found.hours) CHECK(h.satisfied_after >= h.satisfied_before - 0.01);
}

TEST_CASE("the room of a radio: none where its area just holds, all of it where nothing is asked") {
    Site s;
    double most = 0, least = 100;
    for (const AirRadio& r : air_radios(s.project)) {
        const double db = s.room.room_db({r.access_point, r.radio});
        most = std::max(most, db);
        least = std::min(least, db);
    }
    CHECK(least < 3);
    CHECK(most > 6);
    CHECK(TuningRoom{}.room_db({AccessPointId{1}, 0}) == RoomPart::most_db);
    // a lens that says nothing of levels hinders, and is named
    Project p = s.project;
    p.requirement_sets.edit()[0].requirements.push_back({{}, "sinr", band_5, 20, 0.9});
    Predictor predictor;
    TuningRoom room;
    for (const FloorPrediction& f : predictor.predict(p).floors) room.add(tuning_room_on(p, f));
    REQUIRE(room.unknown.size() == 1);
    RetuneAsk ask;
    ask.powers = true;
    const RetuneResult found = Retuning(p, s.scene, s.hearing, s.capacity.get(), ask, {}, &room).run();
    CHECK(found.after == Approx(s.retuned_by({}).after));
    REQUIRE_FALSE(found.cannot.empty());
    CHECK_THAT(found.cannot.back().english(), Catch::Contains("Powers stay as they are"));
}

TEST_CASE("no radio takes a width on which a rate that is asked for would no longer be there") {
    Site s;
    const auto narrowest = [](const Project& p) {
        int mhz = 1000;
        for (const AirRadio& r : air_radios(p))
            if (r.channel.band == band_5) mhz = std::min(mhz, r.channel.width_mhz);
        return mhz;
    };
    for (const AirRadio& r : air_radios(s.project)) {
        if (r.channel.band != band_5) continue;
        AccessPoint ap = *find_access_point(s.project, r.floor, r.access_point);
        ap.radios[r.radio].channel = {band_5, r.number % 2 ? 42 : 106, 80};
        ap.radios[r.radio].primary = r.number % 2 ? 36 : 100;
        ap.radios[r.radio].channel_open = false;
        replace_access_point(s.project, r.floor, ap);
    }
    RequirementSet& asked = s.project.requirement_sets.edit()[0];
    asked.requirements.push_back({RequirementId{77}, "rate_down", band_5, 350, 0.95});
    const auto rate_met = [](const Verdict& v) {
        for (const RequirementResult& r : v.requirements)
            if (r.requirement.id == RequirementId{77}) return r.met();
        throw std::logic_error("not judged");
    };
    s.look();
    REQUIRE(rate_met(s.verdict()));
    REQUIRE(narrowest(s.project) == 80);
    RetuneAsk ask;  // little room, so that narrow channels cost least air
    for (const Channel& c : channels(band_5, 20))
        if (c.number > 64) ask.left_out[band_5].push_back(c.number);
    const auto retuned = [&](const TuningRoom* room) {
        Site after = s;
        make_changes(after.project,
                     Retuning(s.project, s.scene, s.hearing, s.capacity.get(), ask, {}, room).run().changes);
        return after;
    };
    const Site blind = retuned(nullptr), kept = retuned(&s.room);
    CHECK(narrowest(blind.project) < 80);
    CHECK_FALSE(rate_met(blind.verdict()));
    CHECK(rate_met(kept.verdict()));
}

TEST_CASE("what a width leaves of the room is known of rate and SNR, and is the same for signal") {
    Site s;
    auto& asked = s.project.requirement_sets.edit()[0].requirements;
    asked = {{RequirementId{78}, "signal", band_5, -67, 0.5}};
    s.look();
    const RadioRef radio = s.room.parts.begin()->first;
    const double signal = s.room.room_db(radio);
    for (const int mhz : {20, 40, 80, 160}) CHECK(s.room.room_db(radio, mhz) == signal);
    asked = {{RequirementId{79}, "snr", band_5, 20, 0.5}};
    s.look();
    // every doubling takes 3 dB, and what does not hold by then is lost
    const int own = [&] {
        for (const AirRadio& r : air_radios(s.project))
            if (r.access_point == radio.access_point && r.radio == radio.radio) return r.channel.width_mhz;
        return 0;
    }();
    const double narrow = s.room.room_db(radio, own).value();
    REQUIRE(narrow > 3);
    const double wide = s.room.room_db(radio, 2 * own).value();
    CHECK(narrow - wide == Approx(3).margin(1));
    CHECK(s.room.room_db(radio, own) == s.room.room_db(radio));
}

TEST_CASE("2.4 GHz radios go off that nobody needs, and none that anybody does") {
    Site s;
    const Verdict before = s.verdict();
    RetuneAsk ask;
    ask.off = true;
    const RetuneResult found = s.retuned_by(ask);
    int off = 0;
    for (const RetuneChange& c : found.changes)
        if (!c.after.on) {
            CHECK(c.before.channel.band == band_24);
            CHECK(s.room.can_go({c.access_point, c.radio}));
            ++off;
        }
    for (std::size_t i = 0; i < found.hours.size(); ++i)
        CHECK(found.hours[i].satisfied_after >= found.hours[i].satisfied_before - 0.001);
    make_changes(s.project, found.changes);
    const Verdict after = s.verdict();
    for (std::size_t i = 0; i < before.requirements.size(); ++i)
        if (before.requirements[i].met()) CHECK(after.requirements[i].met());
    // a second one beside the first is one that nobody needs
    Site twice;
    const FloorId floor = all_floors(twice.project)[1]->id;
    const AccessPoint first = access_points(twice.project, floor).front();
    const AccessPointId second =
        add_access_point(twice.project, floor, first.model, first.position + Point{1.5, 0});
    AccessPoint copy = *find_access_point(twice.project, floor, second);
    copy.radios = first.radios;
    copy.height_m = first.height_m;
    replace_access_point(twice.project, floor, copy);
    twice.look();
    int beside = 0;
    for (const RetuneChange& c : twice.retuned_by(ask).changes)
        beside += !c.after.on && (c.access_point == first.id || c.access_point == second);
    CHECK(beside == 1);
    (void)off;
}
