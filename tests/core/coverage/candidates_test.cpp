// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/candidates.h"

#include "core/support.h"
#include "project/working_radio.h"
#include "wireless/link_budget.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

ModelId keyed(const Project& p, std::string_view key) {
    for (const AccessPointModel& m : *p.models)
        if (m.key == key) return m.id;
    throw std::logic_error("no such model");
}

struct Hall {
    Project project = at_square_entry(one_floor());
    FloorId floor = floor_at(project, 0);
    Hall() { wall(project, "brick-half", {{0, 0}, {40, 0}, {40, 30}, {0, 30}, {0, 0}}); }
    CandidateFigures of(const AccessPoint& ap, BandId band, std::vector<WallTypeId> walls = {},
                        bool open = false) {
        const Project alone = with_one(project, floor, ap, open);
        Predictor predictor;
        return candidate_figures(alone, predictor.predict(alone).floors.front(),
                                 {floor, band, -67, std::move(walls)});
    }
    AccessPoint candidate(const char* key) {
        AccessPoint ap =
            make_access_point(model(project, keyed(project, key)), AccessPointId{900}, 9, {20, 15});
        return ap;
    }
};

}  // namespace

TEST_CASE("one access point stands alone, others of the project stay away; in the open nothing else does") {
    Hall hall;
    add_access_point(hall.project, hall.floor, hall.project.models->front().id, {3, 3});
    const Project alone = with_one(hall.project, hall.floor, hall.candidate("wall-unit"), false);
    CHECK(placed_access_points(alone).size() == 1);
    CHECK(find_floor(alone, hall.floor)->walls->size() == 1);
    CHECK(find_floor(with_one(hall.project, hall.floor, hall.candidate("wall-unit"), true), hall.floor)
              ->walls->empty());
}

TEST_CASE("figures of a candidate are those that follow by hand") {
    Hall hall;
    // an isotropic antenna: every direction alike
    for (AccessPointModel& m : hall.project.models.edit())
        for (RadioModel& r : m.radios)
            for (RadioBand& b : r.bands) b.antenna = {0, DomeLobe{100, 0}};
    AccessPoint ap = hall.candidate("ceiling-tri");
    ap.height_m = hall.project.settings.client_height_m;
    ap.radios[1].power_dbm = 14;
    ap.radios[1] = retuned(ap.radios[1], band_5, 36, 20);
    const CandidateFigures f = hall.of(ap, band_5);
    REQUIRE(f.radio == 1);
    CHECK(f.eirp_dbm == 14);
    // 14 dBm + 67 = 81 dB of free space at 5180 MHz
    const double reach_m = std::pow(10, (81 - free_space_loss_db(5180, 1)) / 20);
    CHECK(f.free_m == Approx(reach_m).epsilon(0.02));
    const WallTypeId brick = find_type(hall.project, "brick-half");
    const double through_db = loss_db(wall_type(hall.project, brick), 5.18);
    CHECK(hall.of(ap, band_5, {brick, brick}).behind_walls_m ==
          Approx(reach_m * std::pow(10, -2 * through_db / 20)).epsilon(0.02));
    CHECK(f.snr_db == Approx(14 - free_space_loss_db(5180, 10) - noise_dbm(20, 7)).margin(0.01));
    CHECK(f.rate_mbps > 100);
    CHECK(f.area_m2 == Approx(1200).epsilon(0.05));  // all of the hall
    CHECK(f.price == 420);
    CHECK(f.watts == 31);
}

TEST_CASE("a radio that is off, unfed or not there leaves the figures of its band empty") {
    Hall hall;
    AccessPoint ap = hall.candidate("ceiling-entry");
    CHECK_FALSE(hall.of(ap, band_6).radio);
    CHECK(hall.of(ap, band_5).radio);
    ap.radios[1].on = false;
    CHECK_FALSE(hall.of(ap, band_5).radio);
    AccessPoint tri = hall.candidate("ceiling-tri");
    tri.source = PowerSource::af;
    CHECK_FALSE(hall.of(tri, band_6).radio);
    CHECK(hall.of(tri, band_6).watts == 12.9);
}

TEST_CASE("two radios of one model in one band are candidates: the one that is on counts") {
    Hall hall;
    AccessPoint wide = hall.candidate("density-switch"), narrow = wide;
    wide.radios[2].on = false;
    narrow.radios[1].on = false;
    narrow.radios[2].channel = {band_5, 36, 20};
    narrow.radios[2].primary = 36;
    CHECK(hall.of(wide, band_5).gain_dbi == 4.5);
    CHECK(hall.of(narrow, band_5).gain_dbi == 7.5);
}
