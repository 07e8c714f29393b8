// SPDX-License-Identifier: GPL-3.0-or-later
// What widths would do: clear channels by the country's own text, gains by the standard's, and where many
// hear each other the narrow one wins.
#include "tuning/widths.h"

#include "airtime/frame_cost.h"
#include "capacity/heard_by_floors.h"
#include "demo/demo.h"
#include "project/edits.h"

using namespace yemvo;

namespace {

struct Site {
    Project project;
    SiteHearing hearing;
    std::shared_ptr<const SiteCapacity> capacity;
    Scene scene;
    explicit Site(Project p) : project(std::move(p)) {
        Predictor predictor;
        const auto radios = air_radios(project);
        const auto heard = heard_by_floors(project, radios, predictor);
        std::vector<std::vector<HeardFloor::Pair>> pairs;
        for (const auto& f : heard) pairs.push_back(f->between);
        hearing = site_hearing(radios, pairs);
        CapacitySolver solver;
        if (has_demand(project)) capacity = solver.solve(project, radios, heard);
        SceneCache cache(std::size_t{1} << 24);
        scene = make_scene(project, cache);
    }
    WidthStudy study() const { return study_widths(project, scene, hearing, capacity.get(), 2); }
};

}  // namespace

TEST_CASE("clear channels beside each other, by country") {
    // US: 5 GHz 36-64, 100-144 and 149-177; 6 GHz 1-233
    CHECK(clear_channels("US", band_24, 20).all == 3);
    CHECK(clear_channels("US", band_24, 40).all == 1);
    CHECK(clear_channels("GB", band_24, 20).all == 4);  // 1, 5, 9, 13
    CHECK(clear_channels("GB", band_24, 40).all == 2);
    CHECK(clear_channels("GB", band_5, 80).dfs >= 4);
    CHECK(clear_channels("US", band_6, 320).all == 3);
    CHECK(clear_channels("US", band_6, 160).all == 7);
    CHECK(clear_channels("US", band_6, 80).all == 14);
    CHECK(clear_channels("DE", band_6, 160).all == 3);
    CHECK(clear_channels("DE", band_6, 320).all == 1);
}

TEST_CASE("each width of the demo: the clear ones fall, the gain rises, and one of each band carries most") {
    const Site s(demo::compose_venue());
    std::vector<double> shares;
    const WidthStudy study = study_widths(s.project, s.scene, s.hearing, s.capacity.get(), 2, {},
                                          [&](double v) { shares.push_back(v); });
    REQUIRE(study.rows.size() == 2 + 4 + 5);
    CHECK(std::ranges::is_sorted(shares));
    for (const Band& b : bands()) {
        int best = 0, now = 0;
        const WidthFigures* before = nullptr;
        for (const WidthFigures& f : study.rows) {
            if (f.band != b.id) continue;
            best += f.best;
            now += f.now;
            if (before) {
                CHECK(f.clear <= before->clear);
                CHECK(f.most_gain > before->most_gain);
                CHECK(*f.can_use <= *before->can_use);
                // noise takes something of the gain
                CHECK(*f.gain <= f.most_gain + 1e-9);
            } else {
                CHECK(*f.gain == Approx(1));
            }
            before = &f;
        }
        INFO(b.name);
        CHECK(best == 1);
        CHECK(now == 1);
    }
    // 242, 484, 980 and 1960 carriers of 802.11ax: 234, 468, 980, 1960 for data
    CHECK(study.find(band_5, 40)->most_gain == Approx(2.0));
    CHECK(study.find(band_5, 80)->most_gain == Approx(980.0 / 234));
    CHECK(study.find(band_5, 40)->noise_db == Approx(3.0103).margin(1e-4));
    // three channels at 2.4 GHz carry more than the one that 40 MHz leave
    CHECK(study.find(band_24, 20)->best);
    // nothing that was not asked changed
    for (const WidthFigures& f : study.rows) CHECK(f.satisfied.value() <= 1);
}

TEST_CASE("many in one hall need narrow channels, one alone a wide one") {
    const auto hall = [](int access_points) {
        Project p = test::one_floor();
        const FloorId floor = test::floor_at(p, 0);
        test::wall(p, "concrete-200", {{0, 0}, {40, 0}, {40, 30}, {0, 30}, {0, 0}});
        Zone z{{}, "Hall", ZoneKind::served, {{0, 0}, {40, 0}, {40, 30}, {0, 30}}};
        z.demand.emplace();
        z.demand->amount = 40.0 * access_points;
        z.demand->devices = 1;
        z.demand->profiles = {{"phone", 1}};
        z.demand->applications = {{"video", 1}};
        add_zone(p, floor, z);
        const auto model = std::ranges::find_if(*p.models, [](const AccessPointModel& m) {
            return m.radios.size() == 3 && m.radios[0].bands.size() == 1 && m.mount == Mount::ceiling;
        });
        for (int i = 0; i < access_points; ++i)
            add_access_point(p, floor, model->id, {4.0 + 8 * (i % 5), 4.0 + 7 * (i / 5)});
        for (auto& [at, list] : p.variants[0].access_points)
            for (AccessPoint& ap : list.edit())
                for (Radio& r : ap.radios) r.on = r.channel.band == band_5;
        return p;
    };
    const auto best = [](const WidthStudy& s) {
        for (const WidthFigures& f : s.rows)
            if (f.best) return f.width_mhz;
        return 0;
    };
    const WidthStudy many = Site(hall(16)).study(), one = Site(hall(1)).study();
    CHECK(best(many) <= 40);
    CHECK(best(one) >= 80);
    CHECK(many.find(band_5, 80)->heard > many.find(band_5, 20)->heard);
    CHECK(one.find(band_5, 80)->heard == 0);
    CHECK(one.find(band_5, 80)->lost == 0);
}

TEST_CASE("without demand the width is chosen by the air alone, and nothing is claimed of clients") {
    Project p = demo::compose_venue();
    for (Building& b : p.buildings)
        for (Floor& f : b.floors) {
            for (Zone& z : f.zones.edit()) z.demand.reset();
            f.device_rows.edit().clear();
        }
    const WidthStudy study = Site(std::move(p)).study();
    REQUIRE_FALSE(study.rows.empty());
    for (const WidthFigures& f : study.rows) {
        CHECK_FALSE(f.carried_mbps);
        CHECK_FALSE(f.gain);
        CHECK(f.places.empty());
    }
    CHECK(study.otherwise.empty());
    CHECK(Site(test::one_floor()).study().rows.empty());
}

TEST_CASE("the radios that a wide channel may meet, from the airtime model") {
    // what an opportunity carries in its time, with the wait before it: of twelve packets, as of video
    const auto mbps = [](int width_mhz) {
        FrameWish wish;
        wish.form = {Standard::ax, width_mhz, 2, 7, 0.8};
        constexpr double mpdus = 12, mean_backoff_slots = 7.5;
        const double wait_us =
            sifs_us(band_5) + (aifs_slots(AccessCategory::best_effort) + mean_backoff_slots) * slot_us;
        return mpdus / (frame_cost(wish).txop_us(mpdus) + wait_us);
    };
    const double gain = mbps(80) / mbps(40);
    // n others share the wide one, half of them the half as wide: wide pays while gain (1 + n / 2) > 1 + n
    int most = 0;
    while (gain * (1 + (most + 1) / 2.0) > 1 + most + 1) ++most;
    CHECK(most == 2);
}
